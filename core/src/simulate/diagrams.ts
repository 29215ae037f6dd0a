/** Two pictures of hardenability that handbooks print: the start and end of change at constant heat, and the end-quenched bar. */

import { ROOM_C } from "../constants.js";
import type { Surroundings } from "../heat/conduction.js";
import { airBoundary, jetBoundary } from "../heat/media.js";
import type { Composition } from "../kinetics/composition.js";
import { decompositionTable, type DecompositionTable } from "../kinetics/decomposition.js";
import { reducedTime, sluggishReducedTime } from "../kinetics/extent.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { heatingCurve } from "../kinetics/austenite.js";
import { follow } from "../kinetics/follow.js";
import { grainOfNumber_um } from "../kinetics/grain.js";
import { KINETICS, type Kinetics } from "../kinetics/kinetics.js";
import { makeStructure, nodeHardness_HV } from "../kinetics/structure.js";
import { formMartensite } from "../kinetics/transform.js";
import { summaryOf } from "../numerics/mixture.js";
import { normalDraws } from "../numerics/sampling.js";
import { runCourse } from "./course.js";
import { testHeat_C } from "./idealDiameter.js";
import { gridOf, STEP_K, type Resolution } from "./section.js";

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
const EVERY_K = 10;

/** Less than this share is not drawn. */
const LEAST_DRAWN = 0.02;

function curve(rate_1_s: Float64Array, from_C: number, last = LAST): IsothermalPoint[] {
  const points: IsothermalPoint[] = [];
  for (let T = Math.ceil(from_C / EVERY_K) * EVERY_K; T <= 900; T += EVERY_K) {
    const r = rate_1_s[T]!;
    if (r > 0 && FIRST / r < LONGEST_s) points.push({ temperature_C: T, start_s: FIRST / r, end_s: last / r });
  }
  return points;
}

function noseOf(table: DecompositionTable): IsothermalDiagram["nose"] {
  let nose = { temperature_C: NaN, start_s: Infinity };
  for (let T = Math.ceil(table.martensiteStart_C); T < table.ae1_C; T++) {
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
export function isothermalDiagram(steel: Composition, astmGrain = USUAL_GRAIN, kinetics: Kinetics = KINETICS): IsothermalDiagram {
  const table = decompositionTable({ solution_wtpct: steel, astmGrain, kinetics });
  const from_C = table.martensiteStart_C;
  const hasFerrite = table.ferriteLimit[Math.round(table.ae1_C)]! > LEAST_DRAWN;
  return {
    nose: noseOf(table),
    pearlite: curve(table.pearlite_1_s, from_C),
    bainite: curve(table.bainite_1_s, from_C, sluggishReducedTime(0.99, table.bainiteEnd)),
    ferrite: hasFerrite ? curve(table.ferrite_1_s, from_C).filter(({ temperature_C: T }) => table.ferriteLimit[T]! > LEAST_DRAWN) : [],
  };
}

/** The bar of ASTM A255: 25.4 mm round, 100 mm long, water on one end. @source astmA255 */
const BAR = { shape: "end", diameter_mm: 25.4, length_mm: 100 } as const;
const DISTANCES_16ths = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20, 22, 24, 28, 32];

export interface EndQuench {
  /** By sixteenths of an inch from the quenched end. */
  readonly points: readonly { readonly distance_mm: number; readonly hardness_HRC: number; readonly martensite: number }[];
  /** Where half is martensite, mm; null when the bar never gets there. */
  readonly half_mm: number | null;
  /** Cooling at 704 C at the same distances, K/s: what the standard prints for its bar. */
  readonly rateAt704_K_s: readonly (number | null)[];
}

/** Bands are those of fine-grained heats, 5 to 8; the standard counts them as 7. @source astmA255 */
const BAR_ASTM_GRAIN = 7;
/** Half an hour at heat, from a normalised bar. @source astmA255 */
const SOAK_s = 1800;
const WATER_C = 25;

/** Rate at which a watched curve passes 704 C, K/s; null when it never does. */
function rateAt704_K_s(time_s: Float64Array, T: Float64Array): number | null {
  const i = T.findIndex((value) => value < 704.4);
  if (i < 1) return null;
  const [a, b] = [Math.max(0, i - 3), Math.min(T.length - 1, i + 2)];
  return (T[a]! - T[b]!) / (time_s[b]! - time_s[a]!);
}

/**
 * The end-quenched bar, normalised and soaked as the standard has it; hardness at the surface of its flats.
 * @param astmGrain of the heat; the model's own for so short a soak is finer by one.
 */
export function endQuench(
  steel: Composition,
  astmGrain = BAR_ASTM_GRAIN,
  kinetics: Kinetics = KINETICS,
  resolution: Resolution = "full",
  rateRatio = 1,
): EndQuench {
  const { grid } = gridOf(BAR, resolution);
  const { columns, nodes, columnMiddle_m } = grid;
  const start_C = testHeat_C(steel);
  const structure = makeStructure({ nodes: columns * nodes, bar_wtpct: steel, prior: "pearlite", kinetics, rateRatio });
  follow({ structure, ...heatingCurve({ heat_C: start_C, hold_s: SOAK_s }) });
  structure.grain_um.fill(grainOfNumber_um(astmGrain));
  const air = airBoundary(0.8, 8, ROOM_C);
  const surroundings: Surroundings = {
    faces: Array.from({ length: columns }, () => air),
    foot: jetBoundary(kinetics.constants.jetHot_W_m2K, kinetics.constants.jetCold_W_m2K, WATER_C),
    top: air,
  };
  const watch = Array.from({ length: columns }, (_, j) => j * nodes + nodes - 1);
  const { curve } = runCourse({
    grid,
    start_C,
    stretches: [{ kind: "exchange", surroundings, duration_s: 900, until_C: 200, longestStep_s: 4 }],
    body: { kind: "steel", structure },
    watch,
    stepAim_K: STEP_K.coarse,
  });
  formMartensite(structure, new Float64Array(columns * nodes).fill(ROOM_C));
  const along = (read: (column: number) => number) => (distance_m: number) => {
    let j = 0;
    while (j < columns - 2 && columnMiddle_m[j + 1]! < distance_m) j++;
    const share = Math.max(0, (distance_m - columnMiddle_m[j]!) / (columnMiddle_m[j + 1]! - columnMiddle_m[j]!));
    return read(j) + share * (read(j + 1) - read(j));
  };
  const hardness_HV = along((j) => nodeHardness_HV(structure, watch[j]!));
  const martensite = along((j) => structure.martensite[watch[j]!]!);
  const rate_K_s = along((j) => rateAt704_K_s(curve.time_s, curve.temperature_C[j]!) ?? NaN);
  const distances_mm = DISTANCES_16ths.map((n) => (n * 25.4) / 16);
  const points = distances_mm.map((distance_mm) => ({
    distance_mm,
    hardness_HRC: rockwellCFromVickers(hardness_HV(distance_mm / 1000)),
    martensite: martensite(distance_mm / 1000),
  }));
  let half_mm: number | null = null;
  for (let mm = 0.5; mm < 90 && half_mm === null; mm += 0.1) if (martensite(mm / 1000) < 0.5) half_mm = mm;
  return { points, half_mm, rateAt704_K_s: distances_mm.map((mm) => rate_K_s(mm / 1000)) };
}

/** What many heats of a steel would show: by distance, HRC. */
export interface EndQuenchSpread {
  readonly points: readonly {
    readonly distance_mm: number;
    readonly mean_HRC: number;
    readonly p05_HRC: number;
    readonly p95_HRC: number;
  }[];
}

/** Bars that are run, with what differs from heat to heat: rates (ln, for all that is not named; judgement), carbon, manganese and chromium (as in the ensemble). */
const BARS = 24;
const SEED = 20;
const [RATE_LN, CARBON, ALLOY] = [0.25, 0.025, 0.08];
/** Reading, and what is left of bias, HRC. */
const READ_HRC = 1.5;

/** The end-quenched bar over many heats: the middle of a published band is that, and not the bar of the middle composition. */
export function endQuenchSpread(steel: Composition, astmGrain = BAR_ASTM_GRAIN, kinetics: Kinetics = KINETICS): EndQuenchSpread {
  const bars = normalDraws(BARS, 3, SEED).map(([rate, carbon, alloy]) => {
    const more = 1 + ALLOY * alloy!;
    const heat = { ...steel, C: steel.C * (1 + CARBON * carbon!), Mn: steel.Mn * more, Cr: steel.Cr * more };
    return endQuench(heat, astmGrain, kinetics, "coarse", Math.exp(RATE_LN * rate!));
  });
  return {
    points: bars[0]!.points.map(({ distance_mm }, i) => {
      const { mean, p05, p95 } = summaryOf(bars.map(({ points }) => ({ mean: points[i]!.hardness_HRC, sd: READ_HRC })));
      return { distance_mm, mean_HRC: mean, p05_HRC: p05, p95_HRC: p95 };
    }),
  };
}
