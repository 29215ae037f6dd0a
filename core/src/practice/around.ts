/** What a piece in the simulated shop meets where it is: its fires, its bath, a torch, a block, the air. */

import type { BodySection } from "../schema/parts.js";
import type { Surroundings } from "../heat/conduction.js";
import { airBoundary, constantBoundary, type Boundary } from "../heat/media.js";
import { WET_BLOCK_C, WET_C, WET_TORCH, WET_W_m2K, wetEdge_mm } from "../plan/colourRun.js";
import type { Vessel } from "../schema/kit.js";
import type { Coat } from "../schema/parts.js";
import type { ShopPlace } from "../schema/practice.js";
import { allAround, AIR, bathBoundary, inAir, inBath, type Bath, type Places } from "../simulate/section.js";
import type { BarMeets } from "./barAlong.js";

const GAS_W_m2K = 45;
const STILL_W_m2K = 10;
/** A torch on the back of a blade: gas that hot, taken up so well, over so much of its height at most, mm. */
const TORCH_C = 1150;
const TORCH_W_m2K = 95;
const TORCH_mm = 10;
/** A block from the fire under the back of a blade, as the bench takes it to be (plan/colourRun): it lies with one side on it. */
const BLOCK_C = 600;
const BLOCK_COOLS_s = 1200;
const BLOCK_W_m2K = 300;
/** What a pot or a tray gives to steel that lies in it, in the place of an oven's air, W/m2K (judgement). */
const VESSEL_W_m2K: Readonly<Record<Vessel, number>> = { oil: 180, salt: 400, sand: 60 };

/** Where a piece is, and how warm that is now. */
export interface Whereabouts {
  readonly place: ShopPlace;
  readonly forge_C: number;
  readonly kiln_C: number;
  readonly oven_C: number;
  readonly room_C: number;
  readonly bath: Bath;
  readonly coat: Coat | null;
  /** What it lies in where its oven is none. */
  readonly vessel: Vessel | undefined;
  /** How far behind its edge a line is that it is warmed down to, the edge in water, mm; null where none is. */
  readonly line_mm: number | null;
  /** How long the block has been laid there, s. */
  readonly laid_s: number;
}

/** Its back in the flame of a torch, or on a block, the rest in air; with a line, all above that, and the edge in water. */
function warmedBack(section: BodySection, grid: Places["grid"], warms: Boundary, line_mm: number | null): Surroundings {
  const air = inAir(section, grid, null);
  const last = grid.columns - 1;
  const top_m = grid.columnMiddle_m[last]! + 0.5 * grid.columnHeight_m[last]!;
  const from_m = line_mm === null ? top_m - Math.min(TORCH_mm / 1000, top_m / 3) : line_mm / 1000;
  const wet_m = line_mm === null ? 0 : wetEdge_mm({ mark: { behind_mm: line_mm } }) / 1000;
  const water = constantBoundary(WET_W_m2K, WET_C);
  return {
    ...air,
    faces: Array.from(grid.columnMiddle_m, (y_m) => (y_m > from_m ? warms : y_m < wet_m ? water : AIR)),
    top: air.top === null ? null : warms,
  };
}

/** What a block gives to what lies on it now. */
function block({ line_mm, laid_s, room_C }: Whereabouts): Boundary {
  const laid_C = line_mm === null ? BLOCK_C : WET_BLOCK_C;
  return constantBoundary(BLOCK_W_m2K, room_C + (laid_C - room_C) * Math.exp(-laid_s / BLOCK_COOLS_s));
}

/** What the length of a bar meets. */
export function barMeets(at: Whereabouts): BarMeets {
  const { immersion } = at.bath;
  switch (at.place) {
    case "forge":
      return { what: "fire", heats: "end" };
    case "kiln":
      return { what: "fire", heats: "all" };
    case "oven":
      return { what: "oven" };
    case "bath":
      return { what: "bath", wet: bathBoundary(at.bath), depth_mm: immersion.kind === "full" ? Infinity : immersion.depth_mm };
    case "torch":
      return { what: "warmed", by: constantBoundary(TORCH_W_m2K, TORCH_C), share: 1 };
    case "bar":
      // It lies on the block with half of what is round it.
      return { what: "warmed", by: block(at), share: 0.5 };
    case "air":
    case "rack":
      return { what: "air" };
  }
}

/** What a section meets. */
export function sectionMeets(section: BodySection, grid: Places["grid"], at: Whereabouts): Surroundings {
  switch (at.place) {
    case "forge":
      return allAround(section, grid, airBoundary(0.8, GAS_W_m2K, at.forge_C));
    case "kiln":
      return allAround(section, grid, airBoundary(0.8, STILL_W_m2K, at.kiln_C));
    case "oven":
      return at.vessel === undefined
        ? allAround(section, grid, airBoundary(0.8, STILL_W_m2K, at.oven_C))
        : allAround(section, grid, constantBoundary(VESSEL_W_m2K[at.vessel], at.oven_C));
    case "torch":
      return warmedBack(section, grid, constantBoundary((at.line_mm === null ? 1 : WET_TORCH) * TORCH_W_m2K, TORCH_C), at.line_mm);
    case "bar":
      return warmedBack(section, grid, block(at), at.line_mm);
    case "bath":
      return inBath(section, grid, at.bath, at.coat);
    case "air":
    case "rack":
      return inAir(section, grid, at.coat);
  }
}
