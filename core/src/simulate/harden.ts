/** Heat, soak and quench of one section: what the steel becomes from surface to centre, and how sure that is. */

import { HAND_WARM_C } from "../constants.js";
import type { Notice } from "../errors.js";
import type { Austenite } from "../kinetics/austenite.js";
import { austeniteLeft } from "../kinetics/transform.js";
import { AS_PLANNED, COARSE_STEP_K, gridOf, hardened, requireSense, runCase, type HardenPlan, type Resolution } from "./hardenCase.js";
import {
  airCooling_s,
  noseMargin,
  noticesOf,
  profileOf,
  quenchLine_mm,
  startCurve,
  straightenWindow,
  thinned,
  type CoolingCurve,
  type ProfilePoint,
  type StartPoint,
  type StraightenWindow,
} from "./hardenReadings.js";
import { ensemble, MEMBERS, valueAt, type HardnessValue } from "./hardenSpread.js";

export type { HardenPlan, Immersion, Resolution } from "./hardenCase.js";
export type { CoolingCurve, ProfilePoint, StartPoint } from "./hardenReadings.js";
export type { HardnessValue } from "./hardenSpread.js";

export interface HardenResult {
  readonly surface: HardnessValue;
  readonly centre: HardnessValue;
  /** Only of a wedge. */
  readonly edge: HardnessValue | null;
  readonly spine: HardnessValue | null;
  readonly martensite: { readonly surface: number; readonly centre: number };
  /** Chance that the place hardens, 0 ... 1. */
  readonly chanceHard: { readonly surface: number; readonly centre: number };
  readonly retainedAustenite: number;
  readonly austenite: Austenite;
  readonly martensiteStart_C: number;
  /** Seconds the slowest place could have spent longer at the nose before the first tenth turned soft; below 0, too late. */
  readonly noseMargin_s: number;
  readonly nose_C: number;
  readonly straighten: StraightenWindow | null;
  readonly handWarm_s: number;
  readonly quenchLine_mm: number | null;
  readonly profile: readonly ProfilePoint[];
  readonly curve: CoolingCurve;
  readonly startCurve: readonly StartPoint[];
  /** Where the start curve ends: below it the change that was wanted begins. */
  readonly ac1_C: number;
  readonly notices: readonly Notice[];
}

export interface HardenOptions {
  /** Size of the ensemble; 0 leaves out the spread (for sliding through many cases). */
  readonly members?: number;
  readonly resolution?: Resolution;
}

/**
 * Hardens a section.
 *
 * @throws InputError bath-hotter-than-steel, edge-deeper-than-blade, out-of-range.
 * @source hardening-note (calibrated); every published part named where it stands
 * @error docs/validation.md; hardenability right to about a quarter in ideal diameter
 */
export function harden(plan: HardenPlan, { members = MEMBERS, resolution = "full" }: HardenOptions = {}): HardenResult {
  requireSense(plan);
  const { grid, surface, centre, edge, spine } = gridOf(plan.section, resolution);
  const slowest = spine ?? centre;
  const run = runCase(plan, grid, [surface, centre, slowest], AS_PLANNED, resolution === "full" ? undefined : COARSE_STEP_K);
  const { result, structure, austenite } = run;
  const body = members > 0 ? ensemble(plan, "body", members) : null;
  const at = (place: "edge" | "spine", node: number): HardnessValue =>
    valueAt(structure, node, members > 0 ? ensemble(plan, place, Math.ceil(members / 2)).centre_HRC : []);
  const [transferEnd_s, bathEnd_s] = result.stageEnd_s as [number, number, number];
  const { margin_s, nose_C } = noseMargin({ time_s: result.curve.time_s, temperature_C: result.curve.temperature_C[2]! }, structure.table);
  const lastHot_C = result.temperature_C.reduce((a, b) => Math.max(a, b), -Infinity);
  const endOfRun_s = result.curve.time_s[result.curve.time_s.length - 1]!;
  const bathCold_s = plan.bath_C + 5 <= HAND_WARM_C ? bathEnd_s : null;
  const chanceHard = {
    surface: body?.surfaceHard ?? hardened(structure, surface),
    centre: body?.centreHard ?? hardened(structure, centre),
  };
  return {
    surface: valueAt(structure, surface, body?.surface_HRC ?? []),
    centre: valueAt(structure, centre, body?.centre_HRC ?? []),
    edge: edge === null ? null : at("edge", edge),
    spine: spine === null ? null : at("spine", spine),
    martensite: { surface: structure.martensite[surface]!, centre: structure.martensite[centre]! },
    chanceHard,
    retainedAustenite: austeniteLeft(structure, centre),
    austenite,
    martensiteStart_C: structure.table.martensiteStart_C,
    noseMargin_s: margin_s,
    nose_C,
    straighten: straightenWindow(result, transferEnd_s),
    handWarm_s:
      (plan.bath_s === null && bathCold_s !== null ? bathCold_s : endOfRun_s + airCooling_s(plan.section, lastHot_C)) - transferEnd_s,
    quenchLine_mm: plan.immersion.kind === "edge" ? quenchLine_mm(grid, structure) : null,
    profile: profileOf(plan.section, grid, structure),
    curve: thinned(result.curve, 240),
    startCurve: startCurve(structure.table),
    ac1_C: structure.table.ac1_C,
    notices: noticesOf(plan, run, chanceHard.centre, result.outcome),
  };
}
