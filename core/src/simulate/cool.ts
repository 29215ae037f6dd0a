/** Cooling of a section or a probe that does not change: what a test house would record. */

import { InputError, requireRange } from "../errors.js";
import { makeGrid, type Grid, type Surroundings } from "../heat/conduction.js";
import type { Boundary } from "../heat/media.js";
import { INCONEL_600, MILD_STEEL, NICKEL, plainMaterial, type PlainMaterial } from "../heat/properties.js";
import type { Section } from "../schema/parts.js";
import { runCourse } from "./course.js";

export type CoolMaterial =
  | "steel"
  | "nickel"
  | "inconel-600"
  | { readonly conductivity_W_mK: number; readonly density_kg_m3: number; readonly heatCapacity_J_kgK: number };

function materialOf(material: CoolMaterial): PlainMaterial {
  if (material === "steel") return MILD_STEEL;
  if (material === "nickel") return NICKEL;
  if (material === "inconel-600") return INCONEL_600;
  const { conductivity_W_mK: k, density_kg_m3, heatCapacity_J_kgK } = material;
  return plainMaterial(
    () => k,
    () => density_kg_m3 * heatCapacity_J_kgK,
  );
}

interface CoolGrid {
  readonly grid: Grid;
  readonly surroundings: Surroundings;
  readonly surface: number;
}

const NODES = 41;
const SQUARE_NODES = 20;

function gridOf(section: Section, face: Boundary): CoolGrid {
  if (section.shape === "plate" || section.shape === "round") {
    const size_mm = section.shape === "plate" ? section.thickness_mm : section.diameter_mm;
    const grid = makeGrid({ nodes: NODES, halfThickness_m: [size_mm / 2000], geometryExponent: section.shape === "plate" ? 0 : 1 });
    return { grid, surroundings: { faces: [face], foot: null, top: null }, surface: NODES - 1 };
  }
  const columns = SQUARE_NODES;
  const isSquare = section.shape === "square";
  const height_m = (isSquare ? section.side_mm / 2 : section.height_mm) / 1000;
  const halves = Array.from({ length: columns }, (_, j) =>
    isSquare ? section.side_mm / 2000 : 0.0005 * (section.edge_mm + ((section.spine_mm - section.edge_mm) * (j + 0.5)) / columns),
  );
  const grid = makeGrid({ nodes: SQUARE_NODES, halfThickness_m: halves, columnHeight_m: height_m / columns });
  const surroundings = { faces: halves.map(() => face), foot: isSquare ? null : face, top: face };
  return { grid, surroundings, surface: SQUARE_NODES - 1 };
}

export interface CoolPlan {
  readonly section: Section;
  readonly start_C: number;
  readonly face: Boundary;
  readonly time_s: number;
  readonly material: CoolMaterial;
}

export interface CoolResult {
  readonly curve: readonly { readonly time_s: number; readonly centre_C: number; readonly surface_C: number }[];
  /** Fastest cooling of the centre, and where it happens. */
  readonly maxRate_C_s: number;
  readonly maxRateAt_C: number;
}

const MOST_POINTS = 400;

/** @throws InputError bath-hotter-than-steel, out-of-range. For a wedge, centre and surface are those of the middle of its height. */
export function coolBody({ section, start_C, face, time_s, material }: CoolPlan): CoolResult {
  requireRange("/start_C", start_C, -100, 1400);
  if (face.surroundings_C >= start_C) {
    throw new InputError({
      code: "bath-hotter-than-steel",
      path: "/bath_C",
      got: face.surroundings_C,
      message: `/bath_C: surroundings at ${face.surroundings_C} C do not cool a body at ${start_C} C`,
    });
  }
  const { grid, surroundings, surface } = gridOf(section, face);
  const row = section.shape === "wedge" ? Math.floor(grid.columns / 2) * grid.nodes : 0;
  const { curve } = runCourse({
    grid,
    start_C,
    stretches: [{ kind: "exchange", surroundings, duration_s: time_s, longestStep_s: Math.max(0.05, time_s / 200) }],
    body: { kind: "plain", material: materialOf(material) },
    watch: [row + surface, row],
    stepAim_K: 2,
  });
  const [surface_C, centre_C] = curve.temperature_C as [Float64Array, Float64Array];
  let [maxRate_C_s, maxRateAt_C] = [0, start_C];
  for (let i = 1; i < curve.time_s.length; i++) {
    const rate = (centre_C[i - 1]! - centre_C[i]!) / (curve.time_s[i]! - curve.time_s[i - 1]!);
    if (rate > maxRate_C_s) [maxRate_C_s, maxRateAt_C] = [rate, 0.5 * (centre_C[i]! + centre_C[i - 1]!)];
  }
  const n = curve.time_s.length;
  const stride = Math.max(1, Math.ceil(n / MOST_POINTS));
  const keep = Array.from({ length: n }, (_, i) => i).filter((i) => i % stride === 0 || i === n - 1);
  return {
    curve: keep.map((i) => ({ time_s: curve.time_s[i]!, centre_C: centre_C[i]!, surface_C: surface_C[i]! })),
    maxRate_C_s,
    maxRateAt_C,
  };
}
