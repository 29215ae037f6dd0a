/** Bevelled ends by the model's wedge and by finite elements that have the body behind it: middle planes side by side. */

import { runCourse } from "../../src/simulate/course.js";
import { gridOf, inBath } from "../../src/simulate/section.js";
import { between, byElements, mesh, middleOf } from "./elements.js";

export interface BevelCase {
  readonly name: string;
  readonly spine_mm: number;
  readonly edge_mm: number;
  readonly height_mm: number;
  readonly times_s: readonly number[];
  /** How far up from the edge, mm, and how near, K. */
  readonly at: readonly (readonly [up_mm: number, tolerance: number])[];
}

// The edge decides. Where the bevel meets the body that is thicker than the wedge, and warmer: the wedge ends in a mirror there.
export const BEVEL_CASES: readonly BevelCase[] = [
  {
    name: "plane iron of 4/0.8 over 9 mm",
    spine_mm: 4,
    edge_mm: 0.8,
    height_mm: 9,
    times_s: [0.5, 1, 1.5, 2],
    at: [
      [1, 15],
      [3, 15],
      [8, 27],
    ],
  },
  {
    name: "chisel of 16/1.5 over 14 mm",
    spine_mm: 16,
    edge_mm: 1.5,
    height_mm: 14,
    times_s: [1, 2, 4, 6],
    at: [
      [1, 15],
      [3, 17],
      [13, 27],
    ],
  },
];
const BODY_m = 0.04;
const [K, C] = [30, 4.6e6];
const WET = { h: 3000, T: 55 };
const START_C = 800;

export interface Compared {
  readonly up_mm: number;
  readonly time_s: number;
  readonly model_C: number;
  readonly elements_C: number;
}

/** Both after each time at each height. */
export function compareBevel({ times_s, at, spine_mm, edge_mm, height_mm }: BevelCase): Compared[] {
  const section = { shape: "wedge", spine_mm, edge_mm, height_mm, joined: true } as const;
  const H = height_mm / 1000;
  const rows = [
    ...Array.from({ length: 31 }, (_, j) => (H * j) / 30),
    ...Array.from({ length: 30 }, (_, j) => H + (BODY_m * (j + 1)) / 30),
  ];
  const half = (y: number): number => (y < H ? edge_mm + ((spine_mm - edge_mm) * y) / H : spine_mm) / 2000;
  const grid = mesh(rows, half, 6);
  const found = byElements(grid, 0.02, { k: K, rhoC: C, wet: WET, wetUpTo_m: Infinity, start_C: START_C, times_s });
  const { grid: own } = gridOf(section, "full");
  const medium = { kind: "textbook", heatTransfer_W_m2K: WET.h } as const;
  const bath = { medium, bath_C: WET.T, agitation: "none", immersion: { kind: "full" } } as const;
  const table = (value: number): Float64Array => new Float64Array(1302).fill(value);
  const { frames } = runCourse({
    grid: own,
    start_C: START_C,
    stretches: [{ kind: "exchange", surroundings: inBath(section, own, bath, null), duration_s: times_s.at(-1)!, longestStep_s: 0.02 }],
    body: { kind: "plain", material: { conductivity_W_mK: table(K), volumeHeat_J_m3K: table(C) } },
    watch: [0],
    frames_s: times_s,
  });
  const heights = Array.from(own.columnMiddle_m);
  return times_s.flatMap((time_s, i) => {
    const middle = heights.map((_, j) => frames[i]!.temperature_C[j * own.nodes]!);
    return at.map(([up_mm]) => ({
      up_mm,
      time_s,
      model_C: between(heights, middle, up_mm / 1000),
      elements_C: middleOf(grid, found.get(time_s)!)(up_mm / 1000),
    }));
  });
}
