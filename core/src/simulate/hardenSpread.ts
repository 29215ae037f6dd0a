/** How sure a hardening is: a small seeded ensemble over what is uncertain in steel, heat and bath. */

import { makeGrid } from "../heat/conduction.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { nodeHardness_HV, type NodeStructure } from "../kinetics/transform.js";
import { normalDraws } from "../numerics/sampling.js";
import { COARSE_PLATE_NODES, COARSE_STEP_K, hardened, placeSection, runCase, type HardenPlan, type Variation } from "./hardenCase.js";

/** Standard deviations of the inputs, assumed and not measured: hardening-note section 10. */
const SPREAD = { lnRate: 0.4, lnBath: 0.25, lnDissolution: 0.35, heat_K: 8, martensiteStart_K: 12, carbon: 0.025, alloy: 0.08 };
/** What is left when nothing is uncertain: reading, steel to steel, and the known one to three points of bias. */
const FLOOR_HRC = 1.5;
export const MEMBERS = 24;
const SEED = 20;

export interface HardnessValue {
  readonly mean_HRC: number;
  readonly sd_HRC: number;
  readonly hardness_HV: number;
}

interface EnsembleSpread {
  readonly surface_HRC: readonly number[];
  readonly centre_HRC: readonly number[];
  readonly surfaceHard: number;
  readonly centreHard: number;
}

/** Variations of kinetics, bath, heat and steel, the same for every question. */
function variations(count: number): Variation[] {
  return normalDraws(count, 7, SEED).map(([a, b, c, d, e, f, g]) => ({
    rateRatio: Math.exp(SPREAD.lnRate * a!),
    bathRatio: Math.exp(SPREAD.lnBath * b!),
    dissolutionRatio: Math.exp(SPREAD.lnDissolution * c!),
    heat_K: SPREAD.heat_K * d!,
    martensiteStart_K: SPREAD.martensiteStart_K * e!,
    carbonRatio: 1 + SPREAD.carbon * f!,
    alloyRatio: 1 + SPREAD.alloy * g!,
  }));
}

export function ensemble(plan: HardenPlan, place: "body" | "edge" | "spine", members: number): EnsembleSpread {
  const { size_mm, isRound } = placeSection(plan.section, place);
  const nodes = COARSE_PLATE_NODES;
  const grid = makeGrid({ nodes, halfThickness_m: [size_mm / 2000], geometryExponent: isRound ? 1 : 0 });
  const whole: HardenPlan = {
    ...plan,
    section: isRound ? { shape: "round", diameter_mm: size_mm } : { shape: "plate", thickness_mm: size_mm },
    immersion: { kind: "full" },
  };
  const surface_HRC: number[] = [];
  const centre_HRC: number[] = [];
  let [surfaceHard, centreHard] = [0, 0];
  for (const v of variations(members)) {
    const { structure } = runCase(whole, grid, [], v, COARSE_STEP_K);
    surface_HRC.push(rockwellCFromVickers(nodeHardness_HV(structure, nodes - 1)));
    centre_HRC.push(rockwellCFromVickers(nodeHardness_HV(structure, 0)));
    surfaceHard += hardened(structure, nodes - 1) / members;
    centreHard += hardened(structure, 0) / members;
  }
  return { surface_HRC, centre_HRC, surfaceHard, centreHard };
}

function standardDeviation(values: readonly number[]): number {
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  return Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / Math.max(1, values.length - 1));
}

export function valueAt(structure: NodeStructure, node: number, members_HRC: readonly number[]): HardnessValue {
  const hardness_HV = nodeHardness_HV(structure, node);
  const sd_HRC = Math.hypot(FLOOR_HRC, members_HRC.length > 1 ? standardDeviation(members_HRC) : 0);
  return { mean_HRC: rockwellCFromVickers(hardness_HV), sd_HRC, hardness_HV };
}
