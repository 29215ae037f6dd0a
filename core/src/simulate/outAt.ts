/** When to take a piece out of its bath: what each second buys of time to straighten, and what it costs of hardness. */

import { isWater } from "../heat/bathKind.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { nodeHardness_HV } from "../kinetics/structure.js";
import { shutsBefore } from "./alongPiece.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { harden, windowOf } from "./harden.js";
import { asKnown, forPlaces, isPartUnder, planKey, runCase, type HardenPlan, type Variation } from "./hardenCase.js";
import { bathDoubt } from "./hardenSpread.js";
import type { StraightenWindow } from "./hardenReadings.js";

export interface OutWay {
  /** Out of the bath, s after it went under. */
  readonly at_s: number;
  /** Softer where it works than left in until it is cold, HRC: as planned, and in a bath slower than ours in nineteen of twenty. */
  readonly costs_HRC: number;
  readonly costsSlow_HRC: number;
  /** The window to straighten then; null where it hardly ever shuts. */
  readonly window: StraightenWindow | null;
}

export interface OutAt {
  /** The second that costs less than half a point, in nineteen of twenty baths too, and leaves the longest window. */
  readonly best: OutWay;
  /** That and some before and after it, soonest first. */
  readonly ways: readonly OutWay[];
}

/** Seconds that are tried, soonest first, s. */
const TRIED_s = [3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20, 23, 26, 30, 35, 40, 50, 60];
/** What no file finds, HRC; and one in twenty, in deviations. */
const UNFELT_HRC = 0.5;
const ONE_IN_TWENTY = 1.645;
/** Shown beside the best: so many soonest that are told, and a few later. */
const SHOWN = [0.5, 0.75, 1, 1.4] as const;

function working_HRC(plan: HardenPlan, variation: Variation, desk: Desk): number {
  desk.letGo();
  const { structure, places } = runCase(plan, { variation, resolution: forPlaces(plan), untilSettled: true, isLongStrided: true, desk });
  return rockwellCFromVickers(nodeHardness_HV(structure, places.edge ?? places.surface));
}

/**
 * @param beside the plans of further places of the piece, measured by themselves: the window is that of the first to shut
 * @returns null where it is not taken out by the clock: water, an edge or an end, several dips, a textbook bath; and where no second is good before it is cold.
 */
export function outAt(plan: HardenPlan, desk: Desk = BARE_DESK, beside: readonly HardenPlan[] = []): OutAt | null {
  const { medium } = plan;
  const isPlain = (plan.dips ?? []).length === 0 && !isPartUnder(plan) && plan.end === undefined && !plan.coat;
  if (!isPlain || medium.kind !== "oil" || isWater(medium)) return null;
  return desk.recall("advice", `out ${[plan, ...beside].map(planKey).join(" ")}`, () => {
    const whole: HardenPlan = { ...plan, bath_s: null };
    const usual = asKnown(plan);
    const slow: Variation = { ...usual, bathRatio: usual.bathRatio * Math.exp(-ONE_IN_TWENTY * bathDoubt(plan)) };
    const left = [usual, slow].map((variation) => working_HRC(whole, variation, desk)) as [number, number];
    const costs = (at_s: number): Omit<OutWay, "window"> => {
      const [as, slower] = [usual, slow].map((variation, i) =>
        Math.max(0, left[i]! - working_HRC({ ...plan, bath_s: at_s }, variation, desk)),
      );
      return { at_s, costs_HRC: as!, costsSlow_HRC: slower! };
    };
    const all = new Map<number, Omit<OutWay, "window">>();
    const of = (at_s: number): Omit<OutWay, "window"> => {
      const known = all.get(at_s) ?? costs(at_s);
      all.set(at_s, known);
      return known;
    };
    const isGood = ({ costs_HRC, costsSlow_HRC }: Omit<OutWay, "window">): boolean => costs_HRC < UNFELT_HRC && costsSlow_HRC < UNFELT_HRC;
    // Longer costs no more: halved down to the soonest that costs nothing.
    let [low, high] = [-1, TRIED_s.length - 1];
    if (!isGood(of(TRIED_s[high]!))) return null;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (isGood(of(TRIED_s[middle]!))) high = middle;
      else low = middle;
    }
    const best_s = TRIED_s[high]!;
    const windows = windowsOf([whole, ...beside.map((one) => ({ ...one, bath_s: null }))], desk);
    const way = (at_s: number): OutWay => ({ ...of(at_s), window: windows(at_s) });
    const shown = [
      ...new Set(
        SHOWN.map((share) => TRIED_s.reduce((near, s) => (Math.abs(s - share * best_s) < Math.abs(near - share * best_s) ? s : near))),
      ),
    ];
    return { best: way(best_s), ways: shown.map(way) };
  });
}

/** So many members tell the chance of a further place. */
const MEMBERS_BESIDE = 8;

/** Windows of one run, as if it came out at each second: of several places the first to shut. */
function windowsOf([whole, ...beside]: readonly [HardenPlan, ...HardenPlan[]], desk: Desk): (out_s: number) => StraightenWindow | null {
  const all = [
    { plan: whole, chanceHard: harden(whole, { desk }).chanceHard },
    ...beside.map((plan) => ({ plan, chanceHard: harden(plan, { resolution: "coarse", members: MEMBERS_BESIDE, desk }).chanceHard })),
  ];
  return (out_s) =>
    all
      .map(({ plan, chanceHard }) => windowOf(plan, chanceHard, out_s, desk))
      .reduce((first, next) => (shutsBefore(next, first) ? next : first));
}
