/** Heat, soak and quench of one section: what the steel becomes from surface to centre, and how sure that is. */

import { HAND_WARM_C, ROOM_C } from "../constants.js";
import { InputError, requireRange, type Notice } from "../errors.js";
import { makeGrid, type Grid, type Surroundings } from "../heat/conduction.js";
import { airBoundary, constantBoundary, mediumBoundary, type Agitation, type Boundary } from "../heat/media.js";
import { volumeHeat_J_m3K } from "../heat/properties.js";
import { austenitise, heatingCurve, type Austenite, type PriorStructure } from "../kinetics/austenite.js";
import type { DecompositionTable } from "../kinetics/decomposition.js";
import { reducedTime } from "../kinetics/extent.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { austeniteLeft, formMartensite, nodeHardness_HV, startStructure, type NodeStructure } from "../kinetics/transform.js";
import { normalDraws } from "../numerics/sampling.js";
import type { ResolvedSteel } from "../plan/catalogue.js";
import type { Medium } from "../schema/medium.js";
import type { Section } from "../schema/parts.js";
import { runQuench, type QuenchResult, type Stage } from "./quench.js";

export type Immersion = { readonly kind: "full" } | { readonly kind: "edge"; readonly depth_mm: number };

export interface HardenPlan {
  readonly steel: ResolvedSteel;
  readonly prior: PriorStructure;
  readonly section: Section;
  readonly heat_C: number;
  /** Time at heat, s; the piece takes five minutes more to get there. */
  readonly hold_s: number;
  readonly transfer_s: number;
  /** A quench medium, or a textbook boundary. */
  readonly medium: Medium | { readonly kind: "textbook"; readonly heatTransfer_W_m2K: number };
  readonly bath_C: number;
  readonly agitation: Agitation;
  /** Time in the bath, s; null until it is as cold as the bath. */
  readonly bath_s: number | null;
  readonly immersion: Immersion;
}

/** What the ensemble varies. All 1 or 0 for the case as planned. */
interface Variation {
  readonly rateRatio: number;
  readonly bathRatio: number;
  readonly dissolutionRatio: number;
  readonly heat_K: number;
  readonly martensiteStart_K: number;
  readonly carbonRatio: number;
  readonly alloyRatio: number;
}

const AS_PLANNED: Variation = {
  rateRatio: 1,
  bathRatio: 1,
  dissolutionRatio: 1,
  heat_K: 0,
  martensiteStart_K: 0,
  carbonRatio: 1,
  alloyRatio: 1,
};

/** Standard deviations of the inputs, assumed and not measured: hardening-note section 10. */
const SPREAD = { lnRate: 0.4, lnBath: 0.25, lnDissolution: 0.35, heat_K: 8, martensiteStart_K: 12, carbon: 0.025, alloy: 0.08 };
/** What is left when nothing is uncertain: reading, steel to steel, and the known one to three points of bias. */
const FLOOR_HRC = 1.5;
const MEMBERS = 24;
const SEED = 20;
/** A node counts as hardened when this much of it is martensite or austenite kept with it (judgement). */
const HARDENED = 0.8;

export interface HardnessValue {
  readonly mean_HRC: number;
  readonly sd_HRC: number;
  readonly hardness_HV: number;
}

export interface ProfilePoint {
  /** Plate and round: from the surface. Wedge and square: from the mid-plane through the thickness. */
  readonly x_mm: number;
  /** Wedge and square: up from the edge or the centre line. */
  readonly y_mm: number | null;
  readonly hardness_HRC: number;
  readonly hardness_HV: number;
  readonly martensite: number;
  readonly retainedAustenite: number;
}

export interface CoolingCurve {
  readonly time_s: readonly number[];
  readonly surface_C: readonly number[];
  readonly centre_C: readonly number[];
}

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
  readonly straighten: { readonly from_s: number; readonly to_s: number } | null;
  readonly handWarm_s: number;
  readonly quenchLine_mm: number | null;
  readonly profile: readonly ProfilePoint[];
  readonly curve: CoolingCurve;
  readonly notices: readonly Notice[];
}

/** Half thickness of each column from edge to spine, m. */
function wedgeColumns_m(spine_mm: number, edge_mm: number, count: number): number[] {
  return Array.from({ length: count }, (_, j) => 0.0005 * (edge_mm + ((spine_mm - edge_mm) * (j + 0.5)) / count));
}

/** Nodes across half a thickness; columns along a blade or a square. Good to 1 HRC at half of this. */
const PLATE_NODES = 41;
const WEDGE_NODES = 10;
const WEDGE_COLUMNS = 30;
const SQUARE_NODES = 16;
/** Change of temperature aimed at in a step where many cases are run, K. */
const COARSE_STEP_K = 8;
const COARSE_PLATE_NODES = 11;
const COARSE_WEDGE_NODES = 6;
const COARSE_WEDGE_COLUMNS = 18;

interface Places {
  readonly grid: Grid;
  readonly surface: number;
  readonly centre: number;
  readonly edge: number | null;
  readonly spine: number | null;
}

/** Full for an answer; coarse for sliding through many, within 1 HRC of it away from a cliff. */
export type Resolution = "full" | "coarse";

function gridOf(section: Section, resolution: Resolution): Places {
  const isFull = resolution === "full";
  if (section.shape === "plate" || section.shape === "round") {
    const size_mm = section.shape === "plate" ? section.thickness_mm : section.diameter_mm;
    const geometryExponent = section.shape === "plate" ? 0 : 1;
    const nodes = isFull ? PLATE_NODES : COARSE_PLATE_NODES;
    const grid = makeGrid({ nodes, halfThickness_m: [size_mm / 2000], geometryExponent });
    return { grid, surface: nodes - 1, centre: 0, edge: null, spine: null };
  }
  if (section.shape === "square") {
    const half_m = section.side_mm / 2000;
    const m = isFull ? SQUARE_NODES : COARSE_WEDGE_NODES + 2;
    const grid = makeGrid({ nodes: m, halfThickness_m: Array.from({ length: m }, () => half_m), columnHeight_m: half_m / m });
    return { grid, surface: m - 1, centre: 0, edge: null, spine: null };
  }
  const [m, n] = isFull ? [WEDGE_COLUMNS, WEDGE_NODES] : [COARSE_WEDGE_COLUMNS, COARSE_WEDGE_NODES];
  const grid = makeGrid({
    nodes: n,
    halfThickness_m: wedgeColumns_m(section.spine_mm, section.edge_mm, m),
    columnHeight_m: section.height_mm / 1000 / m,
  });
  const half = Math.floor(m / 2) * n;
  return { grid, surface: half + n - 1, centre: half, edge: 0, spine: (m - 2) * n };
}

function bathBoundary({ medium, bath_C, agitation }: HardenPlan, ratio: number): Boundary {
  if (medium.kind === "textbook") return constantBoundary(medium.heatTransfer_W_m2K * ratio, bath_C);
  return mediumBoundary(medium, bath_C, agitation, ratio);
}

const AIR = airBoundary(0.8, 8, ROOM_C);

function stagesOf(plan: HardenPlan, grid: Grid, ratio: number): Stage[] {
  const bath = bathBoundary(plan, ratio);
  const isWedge = plan.section.shape === "wedge";
  const isSquare = plan.section.shape === "square";
  const around = (face: (column: number) => Boundary, foot: Boundary, top: Boundary): Surroundings => ({
    faces: Array.from({ length: grid.columns }, (_, j) => face(j)),
    foot: isWedge ? foot : null,
    top: isWedge || isSquare ? top : null,
  });
  const inAir = around(() => AIR, AIR, AIR);
  const isEdge = plan.immersion.kind === "edge";
  const depth_m = plan.immersion.kind === "edge" ? plan.immersion.depth_mm / 1000 : Infinity;
  const inBath = around((j) => ((j + 0.5) * grid.columnHeight_m <= depth_m ? bath : AIR), bath, isEdge ? AIR : bath);
  const cold_C = Math.max(HAND_WARM_C + 40, plan.bath_C + 5);
  return [
    { surroundings: inAir, duration_s: plan.transfer_s, longestStep_s: 0.5 },
    { surroundings: inBath, duration_s: plan.bath_s ?? 3600, until_C: plan.bath_C + 5, longestStep_s: 1 },
    { surroundings: inAir, duration_s: 7200, until_C: cold_C, longestStep_s: 2 },
  ];
}

interface Case {
  readonly result: QuenchResult;
  readonly structure: NodeStructure;
  readonly austenite: Austenite;
}

function austeniteOf(plan: HardenPlan, v: Variation): Austenite {
  const x = plan.steel.composition_wtpct;
  const { temperature_C, duration_s } = heatingCurve({ heat_C: plan.heat_C + v.heat_K, hold_s: plan.hold_s });
  return austenitise({
    steel: { ...x, C: x.C * v.carbonRatio, Mn: x.Mn * v.alloyRatio, Cr: x.Cr * v.alloyRatio },
    prior: plan.prior,
    temperature_C,
    duration_s,
    dissolutionRatio: v.dissolutionRatio,
  });
}

function runCase(plan: HardenPlan, grid: Grid, watch: readonly number[], v: Variation, stepAim_K?: number): Case {
  const austenite = austeniteOf(plan, v);
  const structure = startStructure({
    nodes: grid.columns * grid.nodes,
    austenite,
    barVanadium_wtpct: plan.steel.composition_wtpct.V,
    rateRatio: v.rateRatio,
    martensiteStartShift_K: v.martensiteStart_K,
  });
  const result = runQuench({
    grid,
    start_C: plan.heat_C + v.heat_K,
    stages: stagesOf(plan, grid, v.bathRatio),
    body: { kind: "steel", structure },
    watch,
    ...(stepAim_K === undefined ? {} : { stepAim_K }),
  });
  formMartensite(structure, new Float64Array(grid.columns * grid.nodes).fill(ROOM_C));
  return { result, structure, austenite };
}

/** A thinner question for the ensemble: a plate or round of the thickness at a place. */
function placeSection(section: Section, place: "body" | "edge" | "spine"): { size_mm: number; isRound: boolean } {
  switch (section.shape) {
    case "plate":
      return { size_mm: section.thickness_mm, isRound: false };
    case "round":
      return { size_mm: section.diameter_mm, isRound: true };
    case "square":
      // A square bar cools like a round of about 1.1 of its side at the centre (from memory).
      return { size_mm: 1.1 * section.side_mm, isRound: true };
    case "wedge":
      if (place === "edge") return { size_mm: section.edge_mm, isRound: false };
      if (place === "spine") return { size_mm: section.spine_mm, isRound: false };
      return { size_mm: 0.5 * (section.spine_mm + section.edge_mm), isRound: false };
  }
}

interface EnsembleSpread {
  readonly surface_HRC: readonly number[];
  readonly centre_HRC: readonly number[];
  readonly surfaceHard: number;
  readonly centreHard: number;
}

function hardened(structure: NodeStructure, node: number): number {
  return structure.martensite[node]! + austeniteLeft(structure, node) >= HARDENED ? 1 : 0;
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

function ensemble(plan: HardenPlan, place: "body" | "edge" | "spine", members: number): EnsembleSpread {
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

function valueAt(structure: NodeStructure, node: number, members_HRC: readonly number[]): HardnessValue {
  const hardness_HV = nodeHardness_HV(structure, node);
  const sd_HRC = Math.hypot(FLOOR_HRC, members_HRC.length > 1 ? standardDeviation(members_HRC) : 0);
  return { mean_HRC: rockwellCFromVickers(hardness_HV), sd_HRC, hardness_HV };
}

/** Reduced time at which a change has its first tenth: about 1.5 HRC, the least a file or tester would notice. */
const FIRST_TENTH = reducedTime(0.1);

/**
 * How many seconds longer the watched place could have spent at its worst temperature before the first tenth of
 * ferrite, pearlite or bainite: the reduced time left, divided by the fastest rate (Scheil's rule of additive shares).
 */
function noseMargin(
  curve: { time_s: Float64Array; temperature_C: Float64Array },
  table: DecompositionTable,
): { margin_s: number; nose_C: number } {
  const answer = { margin_s: Infinity, nose_C: table.martensiteStart_C };
  const changes = [table.pearlite_1_s, table.bainite_1_s, table.ferriteLimit[Math.round(table.ac1_C)]! > 0.05 ? table.ferrite_1_s : null];
  for (const rate of changes) {
    if (rate === null) continue;
    let used = 0;
    for (let i = 1; i < curve.time_s.length; i++) {
      const T = 0.5 * (curve.temperature_C[i]! + curve.temperature_C[i - 1]!);
      if (T <= table.martensiteStart_C) break;
      used += rate[Math.min(1000, Math.max(0, Math.round(T)))]! * (curve.time_s[i]! - curve.time_s[i - 1]!);
    }
    const from = Math.max(0, Math.ceil(table.martensiteStart_C));
    let nose_C = from;
    for (let T = from; T <= 1000; T++) if (rate[T]! > rate[nose_C]!) nose_C = T;
    if (!(rate[nose_C]! > 0)) continue;
    const margin_s = (FIRST_TENTH - used) / rate[nose_C]!;
    if (margin_s < answer.margin_s) Object.assign(answer, { margin_s, nose_C });
  }
  return answer;
}

/** Above this share of martensite at the surface, bending by hand is dangerous (common practice, no source). */
const BENDS_NO_MORE = 0.5;

/** Of the body of the piece: a thin edge hardens first, but it is the body that resists the bend. */
function straightenWindow({ curve }: QuenchResult, afterTransfer_s: number): HardenResult["straighten"] {
  const surface = curve.martensite[0]!;
  const [begun, stiff] = [surface.findIndex((m) => m > 0), surface.findIndex((m) => m >= BENDS_NO_MORE)];
  if (begun < 0 || stiff < 0) return null;
  const from_s = Math.max(0, curve.time_s[begun]! - afterTransfer_s);
  return { from_s, to_s: Math.max(from_s, curve.time_s[stiff]! - afterTransfer_s) };
}

/** Seconds in still air from one temperature to hand-warm, the piece being even in itself. */
function airCooling_s(section: Section, from_C: number): number {
  if (from_C <= HAND_WARM_C) return 0;
  const { size_mm, isRound } = placeSection(section, "body");
  const volumePerArea_m = size_mm / 1000 / (isRound ? 4 : 2);
  let [T, time_s] = [from_C, 0];
  while (T > HAND_WARM_C && time_s < 1e5) {
    const loss = AIR.heatTransfer_W_m2K(T) * (T - ROOM_C);
    const rate_K_s = loss / (volumePerArea_m * volumeHeat_J_m3K(T, 0, 1));
    const step_s = Math.min(5, 0.5 / rate_K_s);
    T -= rate_K_s * step_s;
    time_s += step_s;
  }
  return time_s;
}

function requireSense(plan: HardenPlan): void {
  requireRange("/austenitise/temperature_C", plan.heat_C, 20, 1300);
  requireRange("/austenitise/hold_min", plan.hold_s / 60, 0, 1440);
  requireRange("/transfer_s", plan.transfer_s, 0, 600);
  requireRange("/quench/bath_C", plan.bath_C, -100, 1300);
  if (plan.bath_C >= plan.heat_C) {
    throw new InputError({
      code: "bath-hotter-than-steel",
      path: "/quench/bath_C",
      got: plan.bath_C,
      allowed: `below ${plan.heat_C}`,
      message: `/quench/bath_C: the bath at ${plan.bath_C} C is not colder than the steel at ${plan.heat_C} C`,
    });
  }
  if (plan.immersion.kind === "edge") {
    const tall_mm = plan.section.shape === "wedge" ? plan.section.height_mm : 0;
    if (plan.immersion.depth_mm > tall_mm) {
      throw new InputError({
        code: "edge-deeper-than-blade",
        path: "/quench/immersion/depth_mm",
        got: plan.immersion.depth_mm,
        allowed: `0 … ${tall_mm}`,
        message:
          tall_mm === 0
            ? "/quench/immersion/depth_mm: only a wedge section can be quenched by its edge"
            : `/quench/immersion/depth_mm: an edge depth of ${plan.immersion.depth_mm} mm is more than the blade's ${tall_mm} mm`,
      });
    }
  }
}

const UNCALIBRATED = new Set(["metal-plates", "vermiculite", "quench-paste"]);

function noticesOf(plan: HardenPlan, { austenite }: Case, chanceCentre: number, outcome: QuenchResult["outcome"]): Notice[] {
  const notices: Notice[] = [];
  const x = plan.steel.composition_wtpct;
  const add = (code: string, message: string): void => void notices.push({ code, message });
  if (x.C < 0.3) add("outside-source-range", "The model was made for 0.3 to 1.1 % carbon; below that it is a rough guide.");
  if (x.C > 1.1) add("outside-source-range", "The model was made for up to 1.1 % carbon.");
  if (x.Cr > 1.7 || x.Ni > 2.2 || x.Mo > 0.6) add("outside-source-range", "More alloy than the model was made for.");
  if (plan.medium.kind !== "textbook" && UNCALIBRATED.has(plan.medium.id)) {
    add("uncalibrated-medium", `Nobody measured ${plan.medium.name.toLowerCase()} for this model: treat the result as a guess.`);
  }
  if (plan.prior === "as-forged") add("grain-unknown", "The grain of a forged piece is not known; it is taken as coarse. Normalise first.");
  if (austenite.extent < 0.05) {
    add("not-austenite", `At ${Math.round(plan.heat_C)} C hardly any of this steel is austenite: it will not harden.`);
  } else if (austenite.extent < 0.9)
    add("part-austenite", `Only ${Math.round(100 * austenite.extent)} % of the steel had become austenite.`);
  if (austenite.astmGrain < 6.5 && austenite.extent > 0.5) {
    add("coarse-grain", `Grain about ASTM ${austenite.astmGrain.toFixed(1)}: too hot or too long; normalise before another try.`);
  }
  if (chanceCentre > 0.1 && chanceCentre < 0.9) {
    add("may-fail", `May fail: about ${Math.round(10 * chanceCentre)} times in 10 it hardens at the centre.`);
  }
  if (plan.section.shape === "wedge" && plan.section.spine_mm - plan.section.edge_mm > 0.35 * plan.section.height_mm) {
    add("steep-wedge", "The taper is steeper than the section model was made for.");
  }
  if (outcome === "step-limit") add("step-limit", "The cooling was followed only part of the way.");
  return notices;
}

/** Coolest first: at most `most` points of a curve, always with both ends. */
function thinned(curve: QuenchResult["curve"], most: number): CoolingCurve {
  const n = curve.time_s.length;
  const stride = Math.max(1, Math.ceil(n / most));
  const keep = Array.from({ length: n }, (_, i) => i).filter((i) => i % stride === 0 || i === n - 1);
  const pick = (a: Float64Array): number[] => keep.map((i) => a[i]!);
  return { time_s: pick(curve.time_s), surface_C: pick(curve.temperature_C[0]!), centre_C: pick(curve.temperature_C[1]!) };
}

function profileOf(section: Section, grid: Grid, structure: NodeStructure): ProfilePoint[] {
  const { columns, nodes, halfThickness_m, columnHeight_m } = grid;
  const isOneColumn = columns === 1;
  const points: ProfilePoint[] = [];
  for (let j = 0; j < columns; j++) {
    for (let k = 0; k < nodes; k++) {
      const i = isOneColumn ? nodes - 1 - k : k;
      const node = j * nodes + i;
      const fromMiddle_mm = (1000 * halfThickness_m[j]! * i) / (nodes - 1);
      const hardness_HV = nodeHardness_HV(structure, node);
      points.push({
        x_mm: isOneColumn ? 1000 * halfThickness_m[j]! - fromMiddle_mm : fromMiddle_mm,
        y_mm: isOneColumn ? null : 1000 * columnHeight_m * (j + 0.5),
        hardness_HRC: rockwellCFromVickers(hardness_HV),
        hardness_HV,
        martensite: structure.martensite[node]!,
        retainedAustenite: austeniteLeft(structure, node),
      });
    }
  }
  return points;
}

/** Height above the edge where martensite on the mid-plane falls through a half, mm; null when it never does. */
function quenchLine_mm(grid: Grid, structure: NodeStructure): number | null {
  const at = (j: number): number => structure.martensite[j * grid.nodes]!;
  for (let j = 1; j < grid.columns; j++) {
    if (at(j - 1) >= 0.5 && at(j) < 0.5) {
      const share = (at(j - 1) - 0.5) / (at(j - 1) - at(j));
      return 1000 * grid.columnHeight_m * (j - 0.5 + share);
    }
  }
  return null;
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
    notices: noticesOf(plan, run, chanceHard.centre, result.outcome),
  };
}
