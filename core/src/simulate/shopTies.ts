/** What is known of a shop hangs together: a piece that came out soft had a slow bath or an eager steel, and hardly both. */

import { TIED, type ShopKnown } from "../schema/job.js";

type Tied = (typeof TIED)[number];
/** So many of those that are tied are drawn with a member; what the temper adds follows from those. */
export const DRAWN = 3;

/**
 * The lower triangle that makes drawn bells of one deviation hang together as the ties say: what is left of each by itself stands on the
 * diagonal. Cholesky; ties that cannot all be true at once are taken as far as they can.
 */
export function tiedRows({ ties = [] }: Pick<ShopKnown, "ties">): readonly (readonly number[])[] {
  const tie = (a: Tied, b: Tied): number =>
    a === b ? 1 : (ties.find(({ one, other }) => (one === a && other === b) || (one === b && other === a))?.r ?? 0);
  const rows: number[][] = [];
  TIED.forEach((name, i) => {
    const row: number[] = [];
    let left = 1;
    for (let j = 0; j < i; j++) {
      const shared = rows[j]!.slice(0, j).reduce((sum, of, k) => sum + of * row[k]!, 0);
      const wanted = rows[j]![j]! > 0 ? (tie(name, TIED[j]!) - shared) / rows[j]![j]! : 0;
      const most = Math.sqrt(left);
      row.push(Math.max(-most, Math.min(most, wanted)));
      left = Math.max(0, left - row[j]! ** 2);
    }
    rows.push([...row, Math.sqrt(left)]);
  });
  return rows;
}

/** The same shop where some of it is known otherwise, of this run alone: what was tied to that is tied to it no more. */
export function knownOtherwise(shop: ShopKnown | undefined, by: ShopKnown): ShopKnown {
  const { ties, ...rest } = shop ?? {};
  const left = ties?.filter(({ one, other }) => by[one] === undefined && by[other] === undefined) ?? [];
  return { ...rest, ...by, ...(left.length === 0 ? {} : { ties: left }) };
}
