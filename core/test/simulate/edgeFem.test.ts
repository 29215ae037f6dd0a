import { describe, expect, it } from "@jest/globals";
import { create, lusolveDependencies, matrixDependencies, sluDependencies } from "mathjs";
import { runCourse } from "../../src/simulate/course.js";
import { AIR, gridOf, inBath, type Resolution } from "../../src/simulate/section.js";
import { outside } from "../outside.js";

// The same edge quench computed another way: linear finite elements on triangles, Crank and Nicolson in time, the system solved by a
// general-purpose library (mathjs, sparse LU). Constant properties and bath, so that nothing but conduction is compared.

const math = create({ ...lusolveDependencies, ...matrixDependencies, ...sluDependencies });

const SECTION = { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 40 } as const;
const DEPTH_m = 0.013;
const [K, C] = [30, 4.6e6];
const WET = { h: 3000, T: 55 };
const START_C = 800;
const TIMES_s = [1, 3, 8];

interface Mesh {
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly across: number;
  readonly up: number;
}

/** Half the section, from the middle plane to the face, rows laid close about the line. */
function mesh(across: number, up: number): Mesh {
  const { spine_mm, edge_mm, height_mm } = SECTION;
  const H = height_mm / 1000;
  const below = Math.round(0.4 * up);
  const y = Array.from({ length: up + 1 }, (_, j) =>
    j <= below ? (DEPTH_m * j) / below : DEPTH_m + ((H - DEPTH_m) * (j - below)) / (up - below),
  );
  const nodes = (across + 1) * (up + 1);
  const [xs, ys] = [new Float64Array(nodes), new Float64Array(nodes)];
  y.forEach((yj, j) => {
    const half = (edge_mm + ((spine_mm - edge_mm) * yj) / H) / 2000;
    for (let i = 0; i <= across; i++) [xs[j * (across + 1) + i], ys[j * (across + 1) + i]] = [(half * i) / across, yj];
  });
  return { x: xs, y: ys, across, up };
}

/** Temperatures of every node at the times asked for. */
function byElements({ x, y, across, up }: Mesh, step_s: number): Map<number, number[]> {
  const n = x.length;
  const stiff = new Map<number, number>();
  const mass = new Map<number, number>();
  const load = new Float64Array(n);
  const add = (to: Map<number, number>, i: number, j: number, value: number): void =>
    void to.set(i * n + j, (to.get(i * n + j) ?? 0) + value);
  const triangle = (nodes: readonly [number, number, number]): void => {
    const [a, b, c] = nodes;
    const area2 = (x[b]! - x[a]!) * (y[c]! - y[a]!) - (x[c]! - x[a]!) * (y[b]! - y[a]!);
    const gx = [y[b]! - y[c]!, y[c]! - y[a]!, y[a]! - y[b]!];
    const gy = [x[c]! - x[b]!, x[a]! - x[c]!, x[b]! - x[a]!];
    nodes.forEach((p, i) =>
      nodes.forEach((q, j) => {
        add(stiff, p, q, (K * (gx[i]! * gx[j]! + gy[i]! * gy[j]!)) / (2 * Math.abs(area2)));
        add(mass, p, q, (C * Math.abs(area2) * (i === j ? 2 : 1)) / 24);
      }),
    );
  };
  // Air takes little, and by the heat of the surface: at each step by what it was.
  const dry: (readonly [node: number, length_m: number])[] = [];
  const inAir = (p: number, q: number): void => {
    const half = Math.hypot(x[p]! - x[q]!, y[p]! - y[q]!) / 2;
    dry.push([p, half], [q, half]);
  };
  const wet = (p: number, q: number, { h, T }: typeof WET): void => {
    const length = Math.hypot(x[p]! - x[q]!, y[p]! - y[q]!);
    for (const [i, j] of [
      [p, q],
      [q, p],
    ] as const) {
      add(stiff, i, i, (h * length) / 3);
      add(stiff, i, j, (h * length) / 6);
      load[i]! += (h * length * T) / 2;
    }
  };
  const at = (i: number, j: number): number => j * (across + 1) + i;
  for (let j = 0; j < up; j++) {
    for (let i = 0; i < across; i++) {
      triangle([at(i, j), at(i + 1, j), at(i + 1, j + 1)]);
      triangle([at(i, j), at(i + 1, j + 1), at(i, j + 1)]);
    }
    const isWet = y[at(across, j + 1)]! <= DEPTH_m + 1e-9;
    if (isWet) wet(at(across, j), at(across, j + 1), WET);
    else inAir(at(across, j), at(across, j + 1));
  }
  for (let i = 0; i < across; i++) {
    wet(at(i, 0), at(i + 1, 0), WET);
    inAir(at(i, up), at(i + 1, up));
  }
  const left = math.matrix("sparse");
  left.resize([n, n]);
  const keys = new Set([...stiff.keys(), ...mass.keys()]);
  const right = [...keys].map((key) => {
    const [m, s] = [(mass.get(key) ?? 0) / step_s, stiff.get(key) ?? 0];
    left.set([Math.floor(key / n), key % n], m + s / 2);
    return [Math.floor(key / n), key % n, m - s / 2] as const;
  });
  const factors = math.slu(left, 1, 0.001);
  let T = new Float64Array(n).fill(START_C);
  const found = new Map<number, number[]>();
  for (let step = 1; step * step_s <= TIMES_s.at(-1)! + 1e-9; step++) {
    const b = Float64Array.from(load);
    for (const [i, length_m] of dry) b[i]! -= length_m * AIR.heatTransfer_W_m2K(T[i]!) * (T[i]! - AIR.surroundings_C);
    for (const [i, j, value] of right) b[i]! += value * T[j]!;
    const next = math.lusolve(factors as never, math.matrix(Array.from(b)));
    T = Float64Array.from((next.toArray() as number[][]).flat());
    const time = TIMES_s.find((s) => Math.abs(s - step * step_s) < step_s / 2);
    if (time !== undefined) found.set(time, Array.from(T));
  }
  return found;
}

/** Temperature of the middle plane at a height, straight between its nodes. */
function between(heights: readonly number[], values: readonly number[], y: number): number {
  const j = Math.min(heights.length - 2, Math.max(0, heights.findIndex((h) => h > y) - 1));
  const w = (y - heights[j]!) / (heights[j + 1]! - heights[j]!);
  return values[j]! + w * (values[j + 1]! - values[j]!);
}

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
  const grid = mesh(8, 60);
  const found = byElements(grid, 0.05);
  const rows = Array.from({ length: grid.up + 1 }, (_, j) => j * (grid.across + 1));
  const heights = rows.map((at) => grid.y[at]!);
  const elements = (s: number) => {
    const values = rows.map((at) => found.get(s)![at]!);
    return (y: number) => between(heights, values, y);
  };
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
