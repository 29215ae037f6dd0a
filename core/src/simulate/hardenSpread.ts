/** How sure a hardening is: a small seeded ensemble over what the model and what the smith does not know. */

import type { Kinetics } from "../kinetics/kinetics.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { nodeHardness_HV, type Structure } from "../kinetics/structure.js";
import { MEMBERS } from "../schema/job.js";
import { normalDraws } from "../numerics/sampling.js";
import type { Form } from "./course.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { hardened, planKey, runCase, type HardenPlan, type Variation } from "./hardenCase.js";
import type { Places } from "./section.js";

/** Standard deviations assumed, not measured: hardening-note section 10; thickness and transfer are judgements. */
const SPREAD: Readonly<Record<keyof Variation, number>> = {
  rateRatio: 0.4,
  bathRatio: 0.25,
  dissolutionRatio: 0.35,
  martensiteStart_K: 12,
  heat_K: 8,
  carbonRatio: 0.025,
  alloyRatio: 0.08,
  thicknessRatio: 0.03,
  transferRatio: 0.3,
};
const NAMES = Object.keys(SPREAD) as (keyof Variation)[];
/** What the model does not know; the rest is what the smith does not. */
const MODEL: ReadonlySet<keyof Variation> = new Set<keyof Variation>(["rateRatio", "bathRatio", "dissolutionRatio", "martensiteStart_K"]);
/** What is left when nothing is uncertain: reading, steel to steel, and the known one to three points of bias. */
const FLOOR_HRC = 1.5;
export { MEMBERS };
const SEED = 20;

export interface HardnessValue {
  readonly mean_HRC: number;
  /** Of the two below together. */
  readonly sd_HRC: number;
  /** From what the model does not know: rates, bath, dissolution, martensite start, and a floor. */
  readonly model_HRC: number;
  /** From what the smith does not know: heat, composition, thickness, time to the bath. */
  readonly input_HRC: number;
  readonly hardness_HV: number;
}

export type Place = "surface" | "centre" | "edge" | "spine";

/** What one member became; plain data, so that members may be run elsewhere. Null for a place the section does not have. */
export interface Member {
  readonly hardness_HRC: Readonly<Record<Place, number | null>>;
  readonly isHard: Readonly<Record<Place, boolean>>;
}

export interface Ensemble {
  readonly hardness_HRC: Readonly<Record<Place, readonly number[]>>;
  readonly chanceHard: Readonly<Record<Place, number>>;
  readonly draws: readonly (readonly number[])[];
}

function variationOf(draw: readonly number[]): Variation {
  const [a, b, c, d, e, f, g, h, t] = draw as [number, number, number, number, number, number, number, number, number];
  return {
    rateRatio: Math.exp(SPREAD.rateRatio * a),
    bathRatio: Math.exp(SPREAD.bathRatio * b),
    dissolutionRatio: Math.exp(SPREAD.dissolutionRatio * c),
    martensiteStart_K: SPREAD.martensiteStart_K * d,
    heat_K: SPREAD.heat_K * e,
    carbonRatio: 1 + SPREAD.carbonRatio * f,
    alloyRatio: Math.max(0, 1 + SPREAD.alloyRatio * g),
    thicknessRatio: Math.max(0.5, 1 + SPREAD.thicknessRatio * h),
    transferRatio: Math.exp(SPREAD.transferRatio * t),
  };
}

function runMember(plan: HardenPlan, draw: readonly number[], options: Omit<RunOptions, "desk">): Member {
  const { places, structure } = runCase(plan, {
    variation: variationOf(draw),
    resolution: "coarse",
    untilSettled: true,
    isLongStrided: true,
    ...options,
  });
  const each = <T>(read: (node: number) => T, none: T): Record<Place, T> => ({
    surface: read(places.surface),
    centre: read(places.centre),
    edge: places.edge === null ? none : read(places.edge),
    spine: places.spine === null ? none : read(places.spine),
  });
  return {
    hardness_HRC: each<number | null>((node) => rockwellCFromVickers(nodeHardness_HV(structure, node)), null),
    isHard: each((node) => hardened(structure, node) === 1, false),
  };
}

/** How a run is made, where it is not as usual. */
export interface RunOptions {
  /** Other constants than the fitted ones: for the fit itself. */
  readonly kinetics?: Kinetics;
  readonly form?: Form;
  readonly desk?: Desk;
}

/** Some of the members of an ensemble, `from` included, `to` not: the section itself, coarsely, for each. @throws GivenUp */
export function runMembers(
  plan: HardenPlan,
  members: number,
  from: number,
  to: number,
  { desk = BARE_DESK, ...options }: RunOptions = {},
): Member[] {
  // The draws are the same for every question, so parts that were run apart fit together.
  return normalDraws(members, NAMES.length, SEED)
    .slice(from, to)
    .map((draw) => {
      desk.letGo();
      return runMember(plan, draw, options);
    });
}

/** A whole ensemble. */
export function membersOf(plan: HardenPlan, members: number, options: RunOptions = {}): readonly Member[] {
  const { desk = BARE_DESK } = options;
  return desk.recall("members", `${members} ${planKey(plan)}`, () => runMembers(plan, members, 0, members, options));
}

/** All members put together. */
export function gather(members: readonly Member[]): Ensemble {
  const of = (place: Place): number[] => members.flatMap(({ hardness_HRC }) => hardness_HRC[place] ?? []);
  const chance = (place: Place): number => members.filter(({ isHard }) => isHard[place]).length / members.length;
  const each = <T>(read: (place: Place) => T): Record<Place, T> => ({
    surface: read("surface"),
    centre: read("centre"),
    edge: read("edge"),
    spine: read("spine"),
  });
  return { hardness_HRC: each(of), chanceHard: each(chance), draws: normalDraws(members.length, NAMES.length, SEED) };
}

/** Variance of the members, and the share of it that goes with the model's own unknowns (by correlation with the draws). */
function splitVariance(values: readonly number[], draws: readonly (readonly number[])[]): { variance: number; modelShare: number } {
  const n = values.length;
  if (n < 2) return { variance: 0, modelShare: 1 };
  const mean = values.reduce((a, b) => a + b, 0) / n;
  const variance = values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (n - 1);
  let [model, input] = [0, 0];
  NAMES.forEach((name, k) => {
    const covariance = values.reduce((sum, v, i) => sum + (v - mean) * draws[i]![k]!, 0) / (n - 1);
    if (MODEL.has(name)) model += covariance * covariance;
    else input += covariance * covariance;
  });
  return { variance, modelShare: model + input > 0 ? model / (model + input) : 1 };
}

export function valueAt(structure: Structure, places: Places, place: Place, members: Ensemble | null): HardnessValue {
  const hardness_HV = nodeHardness_HV(structure, places[place]!);
  const { variance, modelShare } =
    members === null ? { variance: 0, modelShare: 1 } : splitVariance(members.hardness_HRC[place], members.draws);
  const model_HRC = Math.hypot(FLOOR_HRC, Math.sqrt(variance * modelShare));
  const input_HRC = Math.sqrt(variance * (1 - modelShare));
  return { mean_HRC: rockwellCFromVickers(hardness_HV), sd_HRC: Math.hypot(model_HRC, input_HRC), model_HRC, input_HRC, hardness_HV };
}
