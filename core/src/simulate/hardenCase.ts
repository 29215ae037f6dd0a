/** One case of a hardening: the plan, its grid and stages, and the run that joins fire and bath. */

import { HAND_WARM_C, ROOM_C } from "../constants.js";
import { InputError, requireRange } from "../errors.js";
import { makeGrid, type Grid, type Surroundings } from "../heat/conduction.js";
import { airBoundary, constantBoundary, mediumBoundary, type Agitation, type Boundary } from "../heat/media.js";
import { austenitise, heatingCurve, type Austenite, type PriorStructure } from "../kinetics/austenite.js";
import { austeniteLeft, formMartensite, startStructure, type NodeStructure } from "../kinetics/transform.js";
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
export interface Variation {
  readonly rateRatio: number;
  readonly bathRatio: number;
  readonly dissolutionRatio: number;
  readonly heat_K: number;
  readonly martensiteStart_K: number;
  readonly carbonRatio: number;
  readonly alloyRatio: number;
}

export const AS_PLANNED: Variation = {
  rateRatio: 1,
  bathRatio: 1,
  dissolutionRatio: 1,
  heat_K: 0,
  martensiteStart_K: 0,
  carbonRatio: 1,
  alloyRatio: 1,
};

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
export const COARSE_STEP_K = 8;
export const COARSE_PLATE_NODES = 11;
const COARSE_WEDGE_NODES = 6;
const COARSE_WEDGE_COLUMNS = 18;

export interface Places {
  readonly grid: Grid;
  readonly surface: number;
  readonly centre: number;
  readonly edge: number | null;
  readonly spine: number | null;
}

/** Full for an answer; coarse for sliding through many, within 1 HRC of it away from a cliff. */
export type Resolution = "full" | "coarse";

export function gridOf(section: Section, resolution: Resolution): Places {
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

export const AIR = airBoundary(0.8, 8, ROOM_C);

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

export interface Case {
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

export function runCase(plan: HardenPlan, grid: Grid, watch: readonly number[], v: Variation, stepAim_K?: number): Case {
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
export function placeSection(section: Section, place: "body" | "edge" | "spine"): { size_mm: number; isRound: boolean } {
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

/** A node counts as hardened when this much of it is martensite or austenite kept with it (judgement). */
const HARDENED = 0.8;

/** 1 when a place hardened, 0 when not. */
export function hardened(structure: NodeStructure, node: number): number {
  return structure.martensite[node]! + austeniteLeft(structure, node) >= HARDENED ? 1 : 0;
}

/** @throws InputError for a plan that means nothing. */
export function requireSense(plan: HardenPlan): void {
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
