/** Where a plan misses what the zones of a piece were wanted to be, and the way through its bath that would not. */

import type { Piece, Route, Zone } from "../schema/book.js";
import { wayOf } from "../plan/way.js";
import type { PatternTried } from "./patterns.js";
import { zoneReports, type Outcome, type ZoneReport } from "./zoneReport.js";

/** Less likely than this to be as it was wanted, a zone is missed (judgement). */
const MISSED = 0.5;
/** A way is worth a word where the worst zone of it gains so much (judgement). */
const GAIN = 0.25;
/** Two ways whose chances differ by less are as good: the plainer, which is named first, is proposed (judgement). */
const AS_GOOD = 0.01;
const CRACKS = ["low", "some", "high"] as const;

/** The zone that most likely is not what it was wanted to be; null where none is missed. */
export function missedWish(reports: readonly ZoneReport[]): (ZoneReport & { readonly chance: number }) | null {
  const missed = reports.flatMap((report) =>
    report.chance !== null && report.chance < MISSED ? [{ ...report, chance: report.chance }] : [],
  );
  return missed.sort((a, b) => a.chance - b.chance)[0] ?? null;
}

/** Likely enough to be called there (judgement). */
const THERE = 0.9;

/** Which of some outcomes serves a zone, if any does clearly better than the plan: the first that is likely enough, else the best. */
export function servesWish(
  missed: { readonly zone: Zone; readonly chance: number },
  tried: readonly (readonly ZoneReport[])[],
): number | null {
  const chances = tried.map((reports) => reports.find(({ zone }) => zone === missed.zone)?.chance ?? 0);
  const sure = chances.findIndex((chance) => chance >= THERE);
  const best = sure >= 0 ? sure : chances.indexOf(Math.max(...chances));
  return (chances[best] ?? 0) - missed.chance >= GAIN ? best : null;
}

export interface BetterWish {
  readonly tried: PatternTried;
  /** The least of the chances of its zones, before and with it. */
  readonly planned: number;
  readonly then: number;
}

function leastChance(reports: readonly ZoneReport[]): number {
  return Math.min(1, ...reports.map(({ chance }) => chance ?? 1));
}

/** Nobody said whether there are plates, and nobody measured a paste: they are offered among the ways, and not proposed. */
function isAtHand({ pattern }: PatternTried): boolean {
  return pattern !== "plates" && pattern !== "paste";
}

/**
 * The way through the bath that gives every zone the best of chances, where it is clearly better than the plan and cracks no more.
 *
 * @param index of the quench in the route; `tried`: what `patternsFor` made of it @returns null where there is no such way
 */
export function betterForWish(
  piece: Piece,
  route: Route,
  index: number,
  tried: readonly PatternTried[],
  target: Outcome["target"],
): BetterWish | null {
  const chances = tried.map((way) => {
    const { working, thickest, other, quench } = way;
    const { hardens } = wayOf({ steps: route.steps.map((step, i) => (i === index ? quench : step)) });
    const outcome: Outcome = {
      working: { tempered: working },
      thickest: { tempered: thickest },
      other: other === null ? null : { tempered: other },
      target,
      // How much of it is in the fire is no way through a bath.
      mouth: null,
    };
    return leastChance(zoneReports(piece, outcome, hardens));
  });
  const now = tried.findIndex(({ quench }) => JSON.stringify(quench) === JSON.stringify(route.steps[index]));
  if (now < 0) return null;
  const crack = CRACKS.indexOf(tried[now]!.crack);
  const best = chances.reduce(
    (found, chance, i) =>
      isAtHand(tried[i]!) && chance > (chances[found] ?? 0) + AS_GOOD && CRACKS.indexOf(tried[i]!.crack) <= crack ? i : found,
    now,
  );
  const [planned, then] = [chances[now]!, chances[best]!];
  return then - planned < GAIN ? null : { tried: tried[best]!, planned, then };
}
