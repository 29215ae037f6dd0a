import { describe, expect, it } from "@jest/globals";
import { runCourse } from "../../src/simulate/course.js";
import { gridOf, inBath, type Resolution } from "../../src/simulate/section.js";
import { outside } from "../outside.js";
import { between, byElements, mesh, middleOf } from "./elements.js";

// The same edge quench computed another way: linear finite elements on triangles, Crank and Nicolson in time, the system solved by a
// general-purpose library (mathjs, sparse LU). Constant properties and bath, so that nothing but conduction is compared.

const SECTION = { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 40 } as const;
const DEPTH_m = 0.013;
const [K, C] = [30, 4.6e6];
const WET = { h: 3000, T: 55 };
const START_C = 800;
const TIMES_s = [1, 3, 8];

/** Height at which the middle plane is at a heat, mm. */
function heightOf(temperature: (y_m: number) => number, T: number): number {
  let [low, high] = [0, SECTION.height_mm / 1000];
  for (let i = 0; i < 60; i++) {
    const mid = 0.5 * (low + high);
    if (temperature(mid) < T) low = mid;
    else high = mid;
  }
  return 1000 * low;
}

function byCore(resolution: Resolution, depth_m: number): Map<number, (y_m: number) => number> {
  const { grid } = gridOf(SECTION, resolution);
  const medium = { kind: "textbook", heatTransfer_W_m2K: WET.h } as const;
  const bath = { medium, bath_C: WET.T, agitation: "none", immersion: { kind: "edge", depth_mm: 1000 * depth_m } } as const;
  const table = (value: number): Float64Array => new Float64Array(1302).fill(value);
  const { frames } = runCourse({
    grid,
    start_C: START_C,
    stretches: [{ kind: "exchange", surroundings: inBath(SECTION, grid, bath, null), duration_s: TIMES_s.at(-1)!, longestStep_s: 0.05 }],
    body: { kind: "plain", material: { conductivity_W_mK: table(K), volumeHeat_J_m3K: table(C) } },
    watch: [0],
    frames_s: TIMES_s,
  });
  const heights = Array.from(grid.columnMiddle_m);
  return new Map(
    TIMES_s.map((s, i) => {
      const middle = heights.map((_, j) => frames[i]!.temperature_C[j * grid.nodes]!);
      return [s, (y: number) => between(heights, middle, y)];
    }),
  );
}

describe("an edge quench against finite elements", () => {
  const { spine_mm, edge_mm, height_mm } = SECTION;
  const [H, UP] = [height_mm / 1000, 60];
  const below = Math.round(0.4 * UP);
  // Laid close about the line.
  const rows = Array.from({ length: UP + 1 }, (_, j) =>
    j <= below ? (DEPTH_m * j) / below : DEPTH_m + ((H - DEPTH_m) * (j - below)) / (UP - below),
  );
  const grid = mesh(rows, (y) => (edge_mm + ((spine_mm - edge_mm) * y) / H) / 2000, 8);
  const found = byElements(grid, 0.05, { k: K, rhoC: C, wet: WET, wetUpTo_m: DEPTH_m, start_C: START_C, times_s: TIMES_s });
  const elements = (s: number) => middleOf(grid, found.get(s)!);
  // What members of an ensemble are run on, a hardening in full, and a picture.
  for (const [resolution, tolerance] of [
    ["coarse", 0.5],
    ["full", 0.2],
    ["fine", 0.2],
  ] as const) {
    it(`${resolution}: how high the middle plane is at 500, 600 and 700 C after 1, 3 and 8 s, within ${tolerance} mm`, () => {
      const core = byCore(resolution, DEPTH_m);
      for (const s of TIMES_s)
        for (const T of [500, 600, 700])
          outside({
            topic: "Conduction in two dimensions",
            what: `edge 13 mm under, ${resolution} grid: height of ${T} C after ${s} s`,
            source: "finite elements on mathjs, the same constants; worked by the test",
            unit: "mm",
            wanted: heightOf(elements(s), T),
            got: heightOf(core.get(s)!, T),
            tolerance,
            because:
              resolution === "coarse" ? "columns of 2.7 mm; the line is wanted within 0.5" : "a third of a column, and air of one transfer",
          });
    });
  }
  it("a bath that ends inside a column is not taken for one that ends at its rim: the line follows the depth", () => {
    const at = (mm: number): number => heightOf(byCore("coarse", mm / 1000).get(3)!, 600);
    for (const [lower, higher] of [
      [12, 12.7],
      [12.7, 13.4],
      [13.4, 14.1],
    ] as const)
      expect(Math.abs(at(higher) - at(lower) - (higher - lower))).toBeLessThan(0.35);
  });
});
