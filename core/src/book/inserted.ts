/** Steps put into a route in the middle of the work: what was logged of the acts behind them goes along. */

import type { Route } from "../schema/book.js";

/** Steps put in at one place. */
export interface Inserted {
  readonly at: number;
  readonly count: number;
  /** It is hardened once more by them: what was drawn before is drawn anew. */
  readonly hardens: boolean;
}

/** Where a route was longer made by steps put in at one place, nothing else changed: at which step, and how many. Null otherwise. */
export function insertedIn(before: Route, after: Route): Inserted | null {
  const count = after.steps.length - before.steps.length;
  if (count <= 0) return null;
  const same = (i: number, k: number): boolean => JSON.stringify(before.steps[i]) === JSON.stringify(after.steps[k]);
  let at = 0;
  while (at < before.steps.length && same(at, at)) at++;
  return before.steps.slice(at).every((_, i) => same(at + i, at + i + count))
    ? { at, count, hardens: after.steps.slice(at, at + count).some(({ kind }) => kind === "quench") }
    : null;
}

/**
 * The act that a check belongs to once steps were put in: of a heat that was going on when another was put before it nothing counts any
 * more, for what was seen then was before it cooled; nor of the tempers behind a hardening that was put in. Ids are those of `actsOfRoute`.
 */
export function movedAct(act: string, { at, count, hardens }: Inserted): string {
  const [, index, what] = /^(\d+)-(.+)$/.exec(act) ?? [];
  if (index === undefined || what === undefined || Number(index) < at) return act;
  if (hardens) return `before-${act}`;
  if (Number(index) === at && (what === "heat" || what === "hold")) return `before-${act}`;
  return `${Number(index) + count}-${what}`;
}
