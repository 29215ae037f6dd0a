/** A section as the computation sees it: its grid, the places that are named, its cladding, and what surrounds each face. */

import { ROOM_C } from "../constants.js";
import { makeGrid, type Grid, type Surroundings } from "../heat/conduction.js";
import {
  airBoundary,
  coatedBoundary,
  constantBoundary,
  mediumBoundary,
  mixedBoundary,
  type Agitation,
  type Boundary,
} from "../heat/media.js";
import { MILD_STEEL, STAINLESS } from "../heat/properties.js";
import type { Structure } from "../kinetics/structure.js";
import type { Medium } from "../schema/medium.js";
import type { BodySection, Cladding, Coat, Immersion } from "../schema/parts.js";
import type { Body } from "./course.js";

/**
 * Fine for a picture, full for an answer; coarse for sliding through many, within 1 HRC of full away from a cliff; sparse where
 * nothing but the named places of a section is read, and no line runs across it: no surface of a bath, no rim of clay.
 */
export type Resolution = "fine" | "full" | "coarse" | "sparse";

interface Counts {
  readonly plate: number;
  readonly square: number;
  /** Columns of a blade from its edge up, so many of so many parts of its height each; nodes across half its thickness. */
  readonly wedge: { readonly runs: readonly (readonly [columns: number, parts: number])[]; readonly nodes: number };
  readonly end: readonly [columns: number, nodes: number];
}

/** How high a blade's named places stand, whatever the division: parts of its height. */
const EDGE_SHARE = 1 / 60;
const MIDDLE_SHARE = 31 / 60;
export const SPINE_SHARE = 0.95;

/** Nodes across half a thickness; columns along a blade, a square or from a quenched face. Every blade's parts have a column middle at each named place. */
const COUNTS: Readonly<Record<Resolution, Counts>> = {
  fine: {
    plate: 41,
    square: 24,
    wedge: {
      runs: [
        [3, 2],
        [29, 85.5 / 29],
        [1, 3],
        [25, 73.5 / 25],
        [6, 2],
      ],
      nodes: 24,
    },
    end: [80, 8],
  },
  full: { plate: 41, square: 16, wedge: { runs: [[30, 1]], nodes: 10 }, end: [48, 6] },
  coarse: {
    plate: 11,
    square: 8,
    wedge: {
      runs: [
        [1, 1],
        [1, 1.5],
        [12, 2],
        [1, 1.5],
        [2, 1],
      ],
      nodes: 4,
    },
    end: [24, 4],
  },
  sparse: {
    plate: 11,
    square: 8,
    wedge: {
      runs: [
        [1, 1],
        [1, 1.5],
        [1, 2.5],
        [1, 4],
        [1, 5],
        [1, 3],
        [1, 5],
        [1, 3.5],
        [1, 2.5],
        [2, 1],
      ],
      nodes: 4,
    },
    end: [24, 4],
  },
};

/** Change of temperature aimed at in a step, K. */
export const STEP_K: Readonly<Record<Resolution, number>> = { fine: 4, full: 4, coarse: 8, sparse: 8 };

export interface Places {
  readonly grid: Grid;
  readonly surface: number;
  readonly centre: number;
  readonly edge: number | null;
  readonly spine: number | null;
}

/** Height of each column of a blade, parts of the whole. */
function columnShares(runs: Counts["wedge"]["runs"]): number[] {
  const parts = runs.flatMap(([columns, each]) => Array.from({ length: columns }, () => each));
  const whole = parts.reduce((sum, part) => sum + part, 0);
  return parts.map((part) => part / whole);
}

/** The column whose middle is nearest to this height. */
function columnAt({ columnMiddle_m }: Grid, y_m: number): number {
  return columnMiddle_m.reduce(
    (nearest, middle_m, j) => (Math.abs(middle_m - y_m) < Math.abs(columnMiddle_m[nearest]! - y_m) ? j : nearest),
    0,
  );
}

/** What stands for a quenched face is as thick in every division, part of the length. */
const FACE = 1 / 240;

/** Heights that grow by a constant ratio from the quenched face, m. */
function growingHeights_m(length_m: number, count: number): number[] {
  // Found by halving: the ratio whose series fills the length.
  let [low, high] = [1, 1.5];
  const first_m = length_m * FACE;
  const filled = (ratio: number): number => (ratio === 1 ? first_m * count : (first_m * (ratio ** count - 1)) / (ratio - 1));
  for (let i = 0; i < 60; i++) {
    const middle = 0.5 * (low + high);
    if (filled(middle) < length_m) low = middle;
    else high = middle;
  }
  return Array.from({ length: count }, (_, j) => first_m * low ** j);
}

export function gridOf(section: BodySection, resolution: Resolution): Places {
  const counts = COUNTS[resolution];
  switch (section.shape) {
    case "plate":
    case "round": {
      const size_mm = section.shape === "plate" ? section.thickness_mm : section.diameter_mm;
      const nodes = counts.plate;
      const grid = makeGrid({ nodes, halfThickness_m: [size_mm / 2000], geometryExponent: section.shape === "plate" ? 0 : 1 });
      return { grid, surface: nodes - 1, centre: 0, edge: null, spine: null };
    }
    case "square": {
      const half_m = section.side_mm / 2000;
      const m = counts.square;
      const grid = makeGrid({ nodes: m, halfThickness_m: Array.from({ length: m }, () => half_m), columnHeight_m: half_m / m });
      return { grid, surface: m - 1, centre: 0, edge: null, spine: null };
    }
    case "wedge": {
      const { runs, nodes: n } = counts.wedge;
      const { spine_mm, edge_mm } = section;
      const height_m = section.height_mm / 1000;
      const shares = columnShares(runs);
      let foot = 0;
      const middles = shares.map((share) => (foot += share) - 0.5 * share);
      const grid = makeGrid({
        nodes: n,
        halfThickness_m: middles.map((up) => 0.0005 * (edge_mm + (spine_mm - edge_mm) * up)),
        columnHeight_m: shares.map((share) => share * height_m),
      });
      const at = (up: number): number => columnAt(grid, up * height_m) * n;
      const half = at(MIDDLE_SHARE);
      return { grid, surface: half + n - 1, centre: half, edge: at(EDGE_SHARE), spine: at(SPINE_SHARE) };
    }
    case "end": {
      const [m, n] = counts.end;
      const grid = makeGrid({
        nodes: n,
        halfThickness_m: Array.from({ length: m }, () => section.diameter_mm / 2000),
        columnHeight_m: growingHeights_m(section.length_mm / 1000, m),
        geometryExponent: 1,
      });
      // The face is what works; "centre" is the axis a diameter behind it, or the far end of a short body.
      const back_m = Math.min(section.diameter_mm, 0.9 * section.length_mm) / 1000;
      const behind = grid.columnMiddle_m.findIndex((y) => y >= back_m);
      return { grid, surface: 0, centre: (behind < 0 ? m - 1 : behind) * n, edge: 0, spine: (m - 2) * n };
    }
  }
}

/** The section with every thickness multiplied. */
export function thicker<S extends BodySection>(section: S, ratio: number): S {
  const s: BodySection = section;
  switch (s.shape) {
    case "plate":
      return { ...section, thickness_mm: s.thickness_mm * ratio };
    case "round":
      return { ...section, diameter_mm: s.diameter_mm * ratio };
    case "square":
      return { ...section, side_mm: s.side_mm * ratio };
    case "wedge":
      return { ...section, spine_mm: s.spine_mm * ratio, edge_mm: s.edge_mm * ratio };
    case "end":
      return { ...section, diameter_mm: s.diameter_mm * ratio };
  }
}

/** The steel, with its nodes under the cladding marked when it is clad. */
export function bodyOf(structure: Structure, grid: Grid, cladding: Cladding | null): Body {
  if (cladding === null) return { kind: "steel", structure };
  const isCladding = new Uint8Array(grid.columns * grid.nodes);
  const core_m = cladding.core_mm / 2000;
  for (let j = 0; j < grid.columns; j++) {
    for (let i = 0; i < grid.nodes; i++) {
      const from_m = (grid.halfThickness_m[j]! * i) / (grid.nodes - 1);
      isCladding[j * grid.nodes + i] = from_m > core_m + 1e-9 ? 1 : 0;
    }
  }
  return { kind: "clad", structure, isCladding, cladding: cladding.material === "stainless" ? STAINLESS : MILD_STEEL };
}

/** A bath, or a textbook boundary. */
export type AnyMedium = Medium | { readonly kind: "textbook"; readonly heatTransfer_W_m2K: number };

export interface Bath {
  readonly medium: AnyMedium;
  readonly bath_C: number;
  readonly agitation: Agitation;
  readonly immersion: Immersion;
  /** Multiplies the bath's speed: 1 as calibrated. */
  readonly speedRatio?: number;
}

export const AIR = airBoundary(0.8, 8, ROOM_C);

export function bathBoundary({ medium, bath_C, agitation, speedRatio = 1 }: Bath): Boundary {
  if (medium.kind === "textbook") return constantBoundary(medium.heatTransfer_W_m2K * speedRatio, bath_C);
  return mediumBoundary(medium, bath_C, agitation, speedRatio);
}

/** One boundary on all faces. A mirror closes the middle of a square; plate and round have no ends. */
export function allAround(section: BodySection, grid: Grid, face: Boundary): Surroundings {
  const hasFoot = section.shape === "wedge" || section.shape === "end";
  const hasTop = (hasFoot && !("joined" in section)) || section.shape === "square";
  return { faces: Array.from({ length: grid.columns }, () => face), foot: hasFoot ? face : null, top: hasTop ? face : null };
}

/** Less of a column than this counts for nothing. */
const SLIVER = 1e-3;

/** In a bath, wholly or as deep as the edge goes, or turned over as deep as the back does, with clay where it lies. */
export function inBath(section: BodySection, grid: Grid, bath: Bath, coat: Coat | null): Surroundings {
  const wet = bathBoundary(bath);
  const { immersion } = bath;
  const tall_m = grid.columnMiddle_m[grid.columns - 1]! + 0.5 * grid.columnHeight_m[grid.columns - 1]!;
  const isTurnedOver = immersion.kind === "back";
  /** Where the surface of the bath is, up from the edge. */
  const line_m = immersion.kind === "full" ? Infinity : isTurnedOver ? tall_m - immersion.depth_mm / 1000 : immersion.depth_mm / 1000;
  const whole = allAround(section, grid, wet);
  const coated =
    coat === null ? null : { wet: coatedBoundary(wet, coat.thickness_mm / 1000), air: coatedBoundary(AIR, coat.thickness_mm / 1000) };
  const from_m = coat === null ? Infinity : coat.from_mm / 1000;
  const under = (y_m: number): Boundary => {
    const isWet = isTurnedOver ? y_m >= line_m : y_m <= line_m;
    if (coated !== null && y_m >= from_m) return isWet ? coated.wet : coated.air;
    return isWet ? wet : AIR;
  };
  /** A column that the surface of the bath, or the rim of the clay, runs across has a share of each. */
  const column = (middle_m: number, j: number): Boundary => {
    const height_m = grid.columnHeight_m[j]!;
    const [low_m, high_m] = [middle_m - 0.5 * height_m, middle_m + 0.5 * height_m];
    const cuts = [line_m, from_m]
      .filter((y_m) => y_m > low_m + SLIVER * height_m && y_m < high_m - SLIVER * height_m)
      .sort((a, b) => a - b);
    if (cuts.length === 0) return under(middle_m);
    const ends = [low_m, ...cuts, high_m];
    return mixedBoundary(
      ends.slice(1).map((to_m, i) => ({ boundary: under(0.5 * (ends[i]! + to_m)), share: (to_m - ends[i]!) / height_m })),
    );
  };
  return {
    faces: Array.from(grid.columnMiddle_m, (y_m, j) => (grid.columns === 1 ? under(0) : column(y_m, j))),
    foot: whole.foot === null ? null : isTurnedOver ? under(0) : wet,
    top: whole.top === null ? null : immersion.kind === "full" && coated === null ? wet : under(tall_m),
  };
}

/** In still air, with its clay. */
export function inAir(section: BodySection, grid: Grid, coat: Coat | null): Surroundings {
  if (coat === null) return allAround(section, grid, AIR);
  const still: AnyMedium = { kind: "textbook", heatTransfer_W_m2K: 1 };
  const bare = inBath(section, grid, { medium: still, bath_C: ROOM_C, agitation: "none", immersion: { kind: "edge", depth_mm: 0 } }, coat);
  return { ...bare, foot: bare.foot === null ? null : AIR };
}
