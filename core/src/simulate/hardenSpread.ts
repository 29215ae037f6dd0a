/** How sure a hardening is: a small seeded ensemble over what the model and what the smith does not know. */

import type { Kinetics } from "../kinetics/kinetics.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { nodeHardness_HV, type Structure } from "../kinetics/structure.js";
import { normalDraws } from "../numerics/sampling.js";
import { hardened, runCase, type HardenPlan, type Variation } from "./hardenCase.js";
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
export const MEMBERS = 24;
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

const PLACES = ["surface", "centre", "edge", "spine"] as const;
export type Place = (typeof PLACES)[number];

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

/** Runs the section itself, coarsely, for every member. The draws are the same for every question. */
export function ensemble(plan: HardenPlan, members: number, kinetics?: Kinetics): Ensemble {
  const draws = normalDraws(members, NAMES.length, SEED);
  const hardness_HRC: Record<Place, number[]> = { surface: [], centre: [], edge: [], spine: [] };
  const chanceHard: Record<Place, number> = { surface: 0, centre: 0, edge: 0, spine: 0 };
  for (const draw of draws) {
    const { places, structure } = runCase(plan, {
      variation: variationOf(draw),
      resolution: "coarse",
      untilSettled: true,
      ...(kinetics === undefined ? {} : { kinetics }),
    });
    for (const place of PLACES) {
      const node = places[place];
      if (node === null) continue;
      hardness_HRC[place].push(rockwellCFromVickers(nodeHardness_HV(structure, node)));
      chanceHard[place] += hardened(structure, node) / members;
    }
  }
  return { hardness_HRC, chanceHard, draws };
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
