/** What is read off a hardening once it has run: seconds to spare, the window to straighten, the profile, what to mind. */

import { isGuessed } from "../heat/bathKind.js";
import { HAND_WARM_C } from "../constants.js";
import { beyondModel, type Notice } from "../notices.js";
import type { Grid } from "../heat/conduction.js";
import type { Boundary } from "../heat/media.js";
import { volumeHeat_J_m3K } from "../heat/properties.js";
import type { DecompositionTable } from "../kinetics/decomposition.js";
import { BAINITE_EXTENT, extentAt, PEARLITE_EXTENT, reducedTime, sluggishReducedTime } from "../kinetics/extent.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { austeniteLeft, drawnOf, nodeHardness_HV, type Drawn, type Structure } from "../kinetics/structure.js";
import type { BodySection } from "../schema/parts.js";
import type { CourseResult } from "./course.js";
import { bodySize, type Case, type HardenPlan } from "./hardenCase.js";
import { AIR, bathBoundary, type Bath } from "./section.js";
import { spreadOfEnds, type PlaceFall, type ShutSpread } from "./windowSpread.js";

export interface ProfilePoint {
  /** Plate and round: from the surface. Wedge and square: from the mid-plane through the thickness. */
  readonly x_mm: number;
  /** Wedge and square: up from the edge or the centre line. */
  readonly y_mm: number | null;
  readonly hardness_HRC: number;
  readonly hardness_HV: number;
  readonly martensite: number;
  readonly retainedAustenite: number;
  /** What it was drawn by before any temper. */
  readonly drawn: Drawn | null;
}

export interface CoolingCurve {
  readonly time_s: readonly number[];
  readonly surface_C: readonly number[];
  readonly centre_C: readonly number[];
}

/** When a piece may be straightened, s after it went in. */
export interface StraightenWindow {
  readonly from_s: number;
  /** Until then it is likelier open than not; where it never is that likely to be shut, until it has shut in all cases that do. */
  readonly to_s: number;
  /** The middle and five and ninety-five in a hundred of its end, and every case: by the body, or where that stays soft by the edge. */
  readonly end: ShutSpread;
  /** The edge by itself; null where there is none, or it is what the window is of. */
  readonly edge: ShutSpread | null;
}

/** The first tenth of a section that is soft: about 1.5 HRC, the least a file or tester would notice. The first hundredth: what diagrams draw. */
const [TENTH, HUNDREDTH] = [0.1, 0.01];

/** A change as a share of the way to so much of the whole, 1/s at each degree: its rate over the reduced time that takes. */
function paces(table: DecompositionTable, share: number): readonly Float64Array[] {
  const [pearlite, bainite] = [reducedTime(share), sluggishReducedTime(share, table.bainiteEnd)];
  return [
    table.pearlite_1_s.map((rate) => rate / pearlite),
    table.bainite_1_s.map((rate) => rate / bainite),
    // Ferrite fills no more than its limit: where that is less than the share it never comes.
    table.ferrite_1_s.map((rate, T) => (table.ferriteLimit[T]! > share ? rate / reducedTime(share / table.ferriteLimit[T]!) : 0)),
  ];
}

/** What of the whole a change has made, so far on its way to a tenth of it; and the way to so much of the whole. */
const SHAPES = [PEARLITE_EXTENT, BAINITE_EXTENT, PEARLITE_EXTENT].map((shape) => {
  const tenth = reducedTime(TENTH, shape);
  return { made: (way: number) => extentAt(way * tenth, shape), wayTo: (share: number) => reducedTime(share, shape) / tenth };
});

/**
 * How many seconds longer the watched place could have spent at its worst temperature before a tenth of it is ferrite, pearlite and
 * bainite together: the way that is left, over the fastest pace (Scheil's rule of additive shares). Less than none where more is.
 */
export function noseMargin(
  curve: { time_s: Float64Array; temperature_C: Float64Array },
  table: DecompositionTable,
): { margin_s: number; nose_C: number } {
  const from = Math.max(0, Math.ceil(table.martensiteStart_C));
  const changes = paces(table, TENTH).map((pace_1_s, k) => {
    let way = 0;
    for (let i = 1; i < curve.time_s.length; i++) {
      const T = 0.5 * (curve.temperature_C[i]! + curve.temperature_C[i - 1]!);
      if (T <= table.martensiteStart_C) break;
      way += pace_1_s[Math.min(1000, Math.max(0, Math.round(T)))]! * (curve.time_s[i]! - curve.time_s[i - 1]!);
    }
    let nose_C = from;
    for (let T = from; T <= 1000; T++) if (pace_1_s[T]! > pace_1_s[nose_C]!) nose_C = T;
    return { way, made: SHAPES[k]!.made(way), nose_C, pace_1_s: pace_1_s[nose_C]! };
  });
  const soft = changes.reduce((sum, { made }) => sum + made, 0);
  const margins = changes.flatMap(({ way, made, nose_C, pace_1_s }, k) =>
    pace_1_s > 0 ? [{ made, nose_C, margin_s: (SHAPES[k]!.wayTo(TENTH - (soft - made)) - way) / pace_1_s }] : [],
  );
  // What is left is the shortest way; what it was too slow by is told of the change that made most.
  const told = margins.reduce<(typeof margins)[number] | null>(
    (best, one) => (best === null || (soft < TENTH ? one.margin_s < best.margin_s : one.made > best.made) ? one : best),
    null,
  );
  return told === null ? { margin_s: Infinity, nose_C: from } : { margin_s: told.margin_s, nose_C: told.nose_C };
}

export interface StartPoint {
  readonly temperature_C: number;
  /** First hundredth of ferrite, pearlite or bainite at constant heat, s. */
  readonly start_s: number;
}

/** Where change begins in this steel as it was heated: what a cooling curve has to pass in time. */
export function startCurve(table: DecompositionTable): StartPoint[] {
  const all = paces(table, HUNDREDTH);
  const points: StartPoint[] = [];
  for (let T = Math.ceil(table.martensiteStart_C / 5) * 5; T < table.ae1_C; T += 5) {
    const pace_1_s = Math.max(...all.map((pace) => pace[T]!));
    if (pace_1_s > 0) points.push({ temperature_C: T, start_s: 1 / pace_1_s });
  }
  return points;
}

/** How likely half of it may be hard while it is said to stay soft (judgement: one in ten). */
const NEVER_SHUTS = 0.9;

/**
 * Of the body of the piece: a thin edge hardens first, but it is the body that resists the bend. In the cases where the body stays soft it is
 * the edge that breaks. @returns null where nine in ten never shut
 */
export function straightenWindow(begins_s: number, body: ShutSpread, edge: ShutSpread | null): StraightenWindow | null {
  // Both were drawn alike: a case of the one is the same case of the other, soonest first.
  const end = edge === null ? body : spreadOfEnds(body.ends_s.map((end_s, i) => (Number.isFinite(end_s) ? end_s : edge.ends_s[i]!)));
  const shuts = end.ends_s.filter((end_s) => Number.isFinite(end_s));
  if (shuts.length <= (1 - NEVER_SHUTS) * end.ends_s.length) return null;
  const to_s = Number.isFinite(end.p50_s) ? end.p50_s : shuts.at(-1)!;
  return { from_s: Math.min(begins_s, to_s), to_s, end, edge };
}

/** When a place begins to turn hard in a run, s after it went in; infinite where it does not. */
export function begins_s({ curve }: CourseResult, afterTransfer_s: number, place: number): number {
  const begun = curve.martensite[place]!.findIndex((m) => m > 0);
  return begun < 0 ? Infinity : Math.max(0, curve.time_s[begun]! - afterTransfer_s);
}

/** The fall of a watched place from the moment it went under. */
export function fallAfter({ curve }: CourseResult, afterTransfer_s: number, place: number): PlaceFall {
  const from = Math.max(
    0,
    curve.time_s.findIndex((t) => t >= afterTransfer_s),
  );
  return {
    time_s: curve.time_s.slice(from).map((t) => t - afterTransfer_s),
    temperature_C: curve.temperature_C[place]!.slice(from),
    martensite: curve.martensite[place]!.slice(from),
  };
}

/** A section that is even in itself, cooled until it is so cold or so much time has passed. */
function evenly(section: BodySection, around: Boundary, from_C: number, until: { readonly C: number; readonly s: number }) {
  const { size_mm, isRound } = bodySize(section);
  const volumePerArea_m = size_mm / 1000 / (isRound ? 4 : 2);
  let [T, time_s] = [from_C, 0];
  while (T > until.C && time_s < until.s) {
    const loss = around.heatTransfer_W_m2K(T) * (T - around.surroundings_C);
    const rate_K_s = loss / (volumePerArea_m * volumeHeat_J_m3K(T, 0, 1));
    const step_s = Math.min(5, 0.5 / rate_K_s, until.s - time_s);
    T -= rate_K_s * step_s;
    time_s += step_s;
  }
  return { C: T, s: time_s };
}

/** Seconds in still air from one temperature to another, hand-warm unless said, the piece being even in itself. */
export function airCooling_s(section: BodySection, from_C: number, to_C = HAND_WARM_C): number {
  return evenly(section, AIR, from_C, { C: to_C, s: 1e5 }).s;
}

/** How hot a piece still is after so long in still air, being even in itself, C. */
export function airLeft_C(section: BodySection, from_C: number, time_s: number): number {
  return evenly(section, AIR, from_C, { C: AIR.surroundings_C + 1, s: time_s }).C;
}

/** How warm a piece still is after so long in a bath, being even in itself, C: the heat it has not given yet. */
export function leftAfter_C(section: BodySection, bath: Bath, from_C: number, time_s: number): number {
  return evenly(section, bathBoundary(bath), from_C, { C: bath.bath_C + 1, s: time_s }).C;
}

/** What is guessed about clay and cladding. */
export function coverNotices({ coat, cladding }: Pick<HardenPlan, "coat" | "cladding">): Notice[] {
  return [...(coat ? [{ code: "uncalibrated-coat" } as const] : []), ...(cladding ? [{ code: "uncalibrated-cladding" } as const] : [])];
}

/** Something worth knowing about the result. */
export function noticesOf(plan: HardenPlan, { austenite }: Case, chanceCentre: number, outcome: CourseResult["outcome"]): Notice[] {
  const notices = beyondModel(plan.steel.composition_wtpct);
  const { medium, section } = plan;
  if (medium.kind !== "textbook" && isGuessed(medium)) notices.push({ code: "uncalibrated-medium", medium: medium.name });
  notices.push(...coverNotices(plan));
  if (plan.prior === "as-forged") notices.push({ code: "grain-unknown" });
  if (austenite.extent < 0.05) notices.push({ code: "not-austenite", heat_C: plan.heat_C });
  else if (austenite.extent < 0.9) notices.push({ code: "part-austenite", extent: austenite.extent });
  if (austenite.astmGrain < 6.5 && austenite.extent > 0.5) notices.push({ code: "coarse-grain", astmGrain: austenite.astmGrain });
  if (chanceCentre > 0.1 && chanceCentre < 0.9) notices.push({ code: "may-fail", chance: chanceCentre });
  // A bevelled end was tried against finite elements to 60 degrees (test/simulate/bevelEnd.test.ts).
  if (section.shape === "wedge" && !("joined" in section) && section.spine_mm - section.edge_mm > 0.35 * section.height_mm)
    notices.push({ code: "steep-wedge" });
  if (outcome === "step-limit") notices.push({ code: "step-limit" });
  return notices;
}

/** At most `most` points of a curve, always with both ends. */
export function thinned(curve: CourseResult["curve"], most: number): CoolingCurve {
  const n = curve.time_s.length;
  const stride = Math.max(1, Math.ceil(n / most));
  const keep = Array.from({ length: n }, (_, i) => i).filter((i) => i % stride === 0 || i === n - 1);
  const pick = (a: Float64Array): number[] => keep.map((i) => a[i]!);
  return { time_s: pick(curve.time_s), surface_C: pick(curve.temperature_C[0]!), centre_C: pick(curve.temperature_C[1]!) };
}

/** Every node, surface to centre or edge to spine. */
export function profileOf(section: BodySection, grid: Grid, structure: Structure): ProfilePoint[] {
  const { columns, nodes, halfThickness_m, columnMiddle_m } = grid;
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
        y_mm: isOneColumn ? null : 1000 * columnMiddle_m[j]!,
        hardness_HRC: rockwellCFromVickers(hardness_HV),
        hardness_HV,
        martensite: structure.martensite[node]!,
        retainedAustenite: austeniteLeft(structure, node),
        drawn: drawnOf(structure, node),
      });
    }
  }
  return points;
}

/** Height above the edge of half martensite on the middle plane, and how wide the change from nine tenths to one tenth is, mm. */
export interface QuenchLine {
  readonly height_mm: number;
  /** Null when the section ends before it is complete. */
  readonly width_mm: number | null;
}

/** Lowest place where martensite on the middle plane falls through a share, mm above the edge; null when it does not. */
function crossing_mm({ columns, nodes, columnMiddle_m }: Grid, { martensite }: Structure, share: number): number | null {
  for (let j = 1; j < columns; j++) {
    const [below, above] = [martensite[(j - 1) * nodes]!, martensite[j * nodes]!];
    if (below < share || above >= share) continue;
    const part = (below - share) / (below - above);
    return 1000 * (columnMiddle_m[j - 1]! + part * (columnMiddle_m[j]! - columnMiddle_m[j - 1]!));
  }
  return null;
}

/** Where hard goes over into soft; null when it does not. */
export function quenchLine(grid: Grid, structure: Structure): QuenchLine | null {
  const height_mm = crossing_mm(grid, structure, 0.5);
  if (height_mm === null) return null;
  const [hard_mm, soft_mm] = [crossing_mm(grid, structure, 0.9), crossing_mm(grid, structure, 0.1)];
  return { height_mm, width_mm: hard_mm === null || soft_mm === null ? null : Math.max(0, soft_mm - hard_mm) };
}
