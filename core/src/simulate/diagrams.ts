/** Two pictures of hardenability that handbooks print: the start and end of change at constant heat, and the end-quenched bar. */

import { ROOM_C } from "../constants.js";
import { makeGrid, type Surroundings } from "../heat/conduction.js";
import { airBoundary, constantBoundary } from "../heat/media.js";
import { a3_C, acm_C, type Composition } from "../kinetics/composition.js";
import { decompositionTable, type DecompositionTable } from "../kinetics/decomposition.js";
import { reducedTime } from "../kinetics/extent.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { formMartensite, nodeHardness_HV, startStructure, type NodeStructure } from "../kinetics/transform.js";
import { austenitise, heatingCurve } from "../kinetics/austenite.js";
import { runQuench } from "./quench.js";

/** Grain of a steel hardened as it should be, where nobody says otherwise, ASTM number. */
export const USUAL_GRAIN = 7;

export interface IsothermalPoint {
  readonly temperature_C: number;
  /** First and last hundredth, s. */
  readonly start_s: number;
  readonly end_s: number;
}

export interface IsothermalDiagram {
  readonly nose: { readonly temperature_C: number; readonly start_s: number };
  readonly pearlite: readonly IsothermalPoint[];
  readonly bainite: readonly IsothermalPoint[];
  readonly ferrite: readonly IsothermalPoint[];
}

const [FIRST, LAST] = [reducedTime(0.01), reducedTime(0.99)];
/** Beyond this nobody waits, s. */
const LONGEST_s = 1e6;
const EVERY_C = 10;

function curve(rate_1_s: Float64Array, from_C: number): IsothermalPoint[] {
  const points: IsothermalPoint[] = [];
  for (let T = Math.ceil(from_C / EVERY_C) * EVERY_C; T <= 900; T += EVERY_C) {
    const r = rate_1_s[T]!;
    if (r > 0 && FIRST / r < LONGEST_s) points.push({ temperature_C: T, start_s: FIRST / r, end_s: LAST / r });
  }
  return points;
}

function noseOf(table: DecompositionTable): IsothermalDiagram["nose"] {
  let nose = { temperature_C: NaN, start_s: Infinity };
  for (let T = Math.ceil(table.martensiteStart_C); T < table.ac1_C; T++) {
    const start_s = FIRST / Math.max(table.pearlite_1_s[T]!, table.bainite_1_s[T]!);
    if (start_s < nose.start_s) nose = { temperature_C: T, start_s };
  }
  return nose;
}

/**
 * Start (1 %) and end (99 %) of each change at constant temperature, from austenite with everything dissolved.
 * @source kirkaldy1984 (form), coefficients calibrated: hardening-note section 5
 * @error test/simulate/diagrams.test.ts: 1080 nose 30 to 80 % slow and 40 C high, a known compromise
 */
export function isothermalDiagram(steel: Composition, astmGrain = USUAL_GRAIN): IsothermalDiagram {
  const table = decompositionTable({ solution_wtpct: steel, astmGrain });
  const from_C = table.martensiteStart_C;
  const hasFerrite = table.ferriteLimit[Math.round(table.ac1_C)]! > 0.02;
  return {
    nose: noseOf(table),
    pearlite: curve(table.pearlite_1_s, from_C),
    bainite: curve(table.bainite_1_s, from_C),
    ferrite: hasFerrite ? curve(table.ferrite_1_s, from_C) : [],
  };
}

/** The bar of ASTM A255: 25.4 mm round, 100 mm long, water on one end. @source astmA255 */
const BAR_RADIUS_m = 0.0127;
const BAR_LENGTH_m = 0.1;
const COLUMNS = 64;
const NODES = 4;
/** Water jet on the end: calibrated by hand, hardening-note section 9.3. */
const JET_W_m2K = 20000;
const DISTANCES_16ths = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20, 22, 24, 28, 32];

export interface EndQuench {
  /** By sixteenths of an inch from the quenched end. */
  readonly points: readonly { readonly distance_mm: number; readonly hardness_HRC: number; readonly martensite: number }[];
  /** Where half is martensite, mm; null when the bar never gets there. */
  readonly half_mm: number | null;
}

function alongBar(structure: NodeStructure, read: (node: number) => number): (distance_m: number) => number {
  const dy = BAR_LENGTH_m / COLUMNS;
  return (distance_m) => {
    const x = Math.min(COLUMNS - 1.001, Math.max(0, distance_m / dy - 0.5));
    const j = Math.floor(x);
    const at = (k: number): number => read(k * NODES + NODES - 1);
    return at(j) + (x - j) * (at(j + 1) - at(j));
  };
}

/** Half an hour at heat, from a normalised bar. @source astmA255 */
const SOAK_s = 1800;

/**
 * The end-quenched bar, normalised and soaked as the standard has it; hardness at the surface of its flats.
 * @param astmGrain in place of the grain the model gives.
 */
export function endQuench(steel: Composition, astmGrain?: number): EndQuench {
  const grid = makeGrid({
    nodes: NODES,
    halfThickness_m: Array.from({ length: COLUMNS }, () => BAR_RADIUS_m),
    columnHeight_m: BAR_LENGTH_m / COLUMNS,
    geometryExponent: 1,
  });
  // 30 C over the line of the steel, between the 845 and 925 C of the standard's table of heats.
  const start_C = Math.max(845, Math.min(925, Math.max(a3_C(steel), Math.min(acm_C(steel), 840)) + 30));
  const soaked = austenitise({ steel, prior: "pearlite", ...heatingCurve({ heat_C: start_C, hold_s: SOAK_s }) });
  const austenite = astmGrain === undefined ? soaked : { ...soaked, astmGrain };
  const structure = startStructure({ nodes: COLUMNS * NODES, austenite, barVanadium_wtpct: steel.V });
  const air = airBoundary(0.8, 8, ROOM_C);
  const surroundings: Surroundings = {
    faces: Array.from({ length: COLUMNS }, () => air),
    foot: constantBoundary(JET_W_m2K, ROOM_C),
    top: air,
  };
  runQuench({
    grid,
    start_C,
    stages: [{ surroundings, duration_s: 900, until_C: 200, longestStep_s: 4 }],
    body: { kind: "steel", structure },
    watch: [],
    stepAim_K: 8,
  });
  formMartensite(structure, new Float64Array(COLUMNS * NODES).fill(ROOM_C));
  const hardness_HV = alongBar(structure, (node) => nodeHardness_HV(structure, node));
  const martensite = alongBar(structure, (node) => structure.martensite[node]!);
  const points = DISTANCES_16ths.map((n) => {
    const distance_mm = (n * 25.4) / 16;
    return { distance_mm, hardness_HRC: rockwellCFromVickers(hardness_HV(distance_mm / 1000)), martensite: martensite(distance_mm / 1000) };
  });
  let half_mm: number | null = null;
  for (let mm = 0.5; mm < 90 && half_mm === null; mm += 0.1) if (martensite(mm / 1000) < 0.5) half_mm = mm;
  return { points, half_mm };
}
