/** The dip of toughness: tempers between which hardened steel is more brittle than its hardness says, and the two ways round it. */

import { equivalentTemperature_C, temperedHardness } from "../kinetics/temper.js";
import { bisect } from "../numerics/root.js";
import { LIMITS } from "../schema/limits.js";
import type { Route, Step } from "../schema/book.js";
import type { ResolvedSteel } from "./catalogue.js";

export interface AroundDip {
  readonly temperature_C: number;
  readonly hardness_HRC: number;
  /** Whether the use is content with that. */
  readonly isInUse: boolean;
}

export interface Dip {
  /** As tempers of an hour, C. */
  readonly from_C: number;
  readonly to_C: number;
  /** Null where no temper is cool enough, or where the oven ends before it. */
  readonly cooler: AroundDip | null;
  readonly hotter: AroundDip | null;
}

/** As far outside the dip as an oven can be set, C of an hour's temper. */
const CLEAR_K = 2;
const SET_TO_K = 5;
/** A use is content with half a point outside its range, HRC (judgement: as its bounds are rounded). */
const CONTENT_HRC = 0.5;
/** Colder than this nothing is tempered, C. */
const LEAST_C = 150;

interface DipInput {
  readonly steel: ResolvedSteel;
  readonly holds_min: readonly number[];
  readonly asQuenched_HRC: number;
  readonly use: { readonly low_HRC: number; readonly high_HRC: number };
  /** What the oven comes to; null where nobody said. */
  readonly hottest_C: number | null;
}

/** Null where tempers at that heat keep clear of it, or where none is known of the steel. @source temper-note 1.7 (from memory) */
export function dipOf(temperature_C: number, { steel, holds_min, asQuenched_HRC, use, hottest_C }: DipInput): Dip | null {
  const band = steel.file?.temper.embrittlement_C;
  if (band === undefined || holds_min.length === 0) return null;
  const [from_C, to_C] = band as [number, number];
  const cyclesAt = (T: number) => holds_min.map((hold_min) => ({ temperature_C: T, hold_min }));
  const equivalentAt_C = (T: number): number => equivalentTemperature_C(cyclesAt(T), steel.temper.carbonInSolution_wtpct);
  const is_C = equivalentAt_C(temperature_C);
  if (is_C < from_C || is_C > to_C) return null;
  const around = (wanted_C: number, round: (x: number) => number): AroundDip | null => {
    const [, most_C] = LIMITS.temper.temperature_C;
    const root = bisect((T) => equivalentAt_C(T) - wanted_C, 50, most_C, 0.05);
    if (root.outcome === "outside") return null;
    const T = SET_TO_K * round(root.x / SET_TO_K);
    if (T < LEAST_C || (hottest_C !== null && T > hottest_C)) return null;
    const { hardness_HRC } = temperedHardness({ steel: steel.temper, cycles: cyclesAt(T), asQuenched_HRC });
    return {
      temperature_C: T,
      hardness_HRC,
      isInUse: hardness_HRC <= use.high_HRC + CONTENT_HRC && hardness_HRC >= use.low_HRC - CONTENT_HRC,
    };
  };
  return { from_C, to_C, cooler: around(from_C - CLEAR_K, Math.floor), hotter: around(to_C + CLEAR_K, Math.ceil) };
}

type Temper = Extract<Step, { kind: "temper" }>;

/** The tempers after the last quench of a route: those that its hardness comes from. */
function tempersAt({ steps }: Route): number[] {
  const last = steps.findLastIndex(({ kind }) => kind === "quench");
  return steps.flatMap(({ kind }, i) => (i > last && kind === "temper" ? [i] : []));
}

/** The dip a route's tempers lie in; null where they do not, or are not all at one heat: then somebody chose them. */
export function dipOfRoute(route: Route, input: Omit<DipInput, "holds_min">): Dip | null {
  const tempers = tempersAt(route).map((i) => route.steps[i] as Temper);
  const first = tempers[0];
  if (first === undefined || tempers.some(({ temperature_C }) => temperature_C !== first.temperature_C)) return null;
  return dipOf(first.temperature_C, { ...input, holds_min: tempers.map(({ hold_min }) => hold_min) });
}

/** The same route with those tempers at another heat. */
export function temperedAround(route: Route, temperature_C: number): Route {
  const [first, ...rest] = tempersAt(route);
  return {
    ...route,
    steps: route.steps.map((step, i) => {
      if (step.kind !== "temper" || (i !== first && !rest.includes(i))) return step;
      return { ...step, temperature_C, why: i === first ? "clear-of-dip" : "second-temper" };
    }),
  };
}
