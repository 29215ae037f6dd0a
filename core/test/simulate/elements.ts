/** Linear finite elements on triangles, Crank and Nicolson in time, the system solved by a general-purpose library (mathjs, sparse LU): half a section that is symmetrical about its middle plane. */

import { create, lusolveDependencies, matrixDependencies, sluDependencies } from "mathjs";
import { AIR } from "../../src/simulate/section.js";

const math = create({ ...lusolveDependencies, ...matrixDependencies, ...sluDependencies });

export interface Mesh {
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly across: number;
  readonly up: number;
}

/** Half the section, from the middle plane to the face. @param y heights of its rows, m; @param half_m half its thickness at a height, m */
export function mesh(y: readonly number[], half_m: (y_m: number) => number, across: number): Mesh {
  const nodes = (across + 1) * y.length;
  const [xs, ys] = [new Float64Array(nodes), new Float64Array(nodes)];
  y.forEach((yj, j) => {
    for (let i = 0; i <= across; i++) [xs[j * (across + 1) + i], ys[j * (across + 1) + i]] = [(half_m(yj) * i) / across, yj];
  });
  return { x: xs, y: ys, across, up: y.length - 1 };
}

export interface Cooled {
  /** Conductivity, W/(m K), and volume heat, J/(m3 K). */
  readonly k: number;
  readonly rhoC: number;
  readonly wet: { readonly h: number; readonly T: number };
  /** The face is wet as far up as this, m; in air above. */
  readonly wetUpTo_m: number;
  readonly start_C: number;
  readonly times_s: readonly number[];
}

/** Temperatures of every node at the times asked for. */
export function byElements(
  { x, y, across, up }: Mesh,
  step_s: number,
  { k, rhoC, wet: bath, wetUpTo_m, start_C, times_s }: Cooled,
): Map<number, number[]> {
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
        add(stiff, p, q, (k * (gx[i]! * gx[j]! + gy[i]! * gy[j]!)) / (2 * Math.abs(area2)));
        add(mass, p, q, (rhoC * Math.abs(area2) * (i === j ? 2 : 1)) / 24);
      }),
    );
  };
  // Air takes little, and by the heat of the surface: at each step by what it was.
  const dry: (readonly [node: number, length_m: number])[] = [];
  const inAir = (p: number, q: number): void => {
    const half = Math.hypot(x[p]! - x[q]!, y[p]! - y[q]!) / 2;
    dry.push([p, half], [q, half]);
  };
  const wet = (p: number, q: number, { h, T }: Cooled["wet"]): void => {
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
    const isWet = y[at(across, j + 1)]! <= wetUpTo_m + 1e-9;
    if (isWet) wet(at(across, j), at(across, j + 1), bath);
    else inAir(at(across, j), at(across, j + 1));
  }
  for (let i = 0; i < across; i++) {
    wet(at(i, 0), at(i + 1, 0), bath);
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
  let T = new Float64Array(n).fill(start_C);
  const found = new Map<number, number[]>();
  for (let step = 1; step * step_s <= times_s.at(-1)! + 1e-9; step++) {
    const b = Float64Array.from(load);
    for (const [i, length_m] of dry) b[i]! -= length_m * AIR.heatTransfer_W_m2K(T[i]!) * (T[i]! - AIR.surroundings_C);
    for (const [i, j, value] of right) b[i]! += value * T[j]!;
    const next = math.lusolve(factors as never, math.matrix(Array.from(b)));
    T = Float64Array.from((next.toArray() as number[][]).flat());
    const time = times_s.find((s) => Math.abs(s - step * step_s) < step_s / 2);
    if (time !== undefined) found.set(time, Array.from(T));
  }
  return found;
}

/** What stands beside heights at another, in a line between. */
export function between(heights: readonly number[], values: readonly number[], y: number): number {
  const j = Math.min(heights.length - 2, Math.max(0, heights.findIndex((h) => h > y) - 1));
  const w = (y - heights[j]!) / (heights[j + 1]! - heights[j]!);
  return values[j]! + w * (values[j + 1]! - values[j]!);
}

/** The middle plane of a mesh at a moment, by height. */
export function middleOf({ y, across, up }: Mesh, T: readonly number[]): (y_m: number) => number {
  const rows = Array.from({ length: up + 1 }, (_, j) => j * (across + 1));
  const heights = rows.map((at) => y[at]!);
  const values = rows.map((at) => T[at]!);
  return (y_m) => between(heights, values, y_m);
}
