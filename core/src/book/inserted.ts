/** Steps put into a route in the middle of the work: what was logged of the acts behind them goes along. */

import type { Route } from "../schema/book.js";

/** Where a route was longer made by steps put in at one place, nothing else changed: at which step, and how many. Null otherwise. */
export function insertedIn(before: Route, after: Route): { readonly at: number; readonly count: number } | null {
  const count = after.steps.length - before.steps.length;
  if (count <= 0) return null;
  const same = (i: number, k: number): boolean => JSON.stringify(before.steps[i]) === JSON.stringify(after.steps[k]);
  let at = 0;
  while (at < before.steps.length && same(at, at)) at++;
  return before.steps.slice(at).every((_, i) => same(at + i, at + i + count)) ? { at, count } : null;
}

/**
 * The act that a check belongs to once steps were put in: of a heat that was going on when another was put before it nothing counts any
 * more, for what was seen then was before it cooled. Ids are those of `actsOfRoute`.
 */
export function movedAct(act: string, { at, count }: { readonly at: number; readonly count: number }): string {
  const [, index, what] = /^(\d+)-(.+)$/.exec(act) ?? [];
  if (index === undefined || what === undefined || Number(index) < at) return act;
  if (Number(index) === at && (what === "heat" || what === "hold")) return `before-${act}`;
  return `${Number(index) + count}-${what}`;
}
