/**
 * The quick form of conduction.ts: the same step, with the shape of the grid worked out once, all rows of a section eliminated
 * side by side and one division a node. conduction.ts is the form to read; test/simulate/kernel.test.ts holds this one to it.
 */

import type { Grid, StepFields, Surroundings } from "./conduction.js";
import { HOTTEST_SURFACE_C } from "./media.js";

/** What a step needs to know of its grid, and what it writes on; made once a run. */
export interface ConductionKernel {
  readonly columns: number;
  readonly nodes: number;
  /** Of each column: thickness times height, and half its height, m. */
  readonly area_m2: Float64Array;
  readonly halfHeight_m: Float64Array;
  readonly halfThickness_m: Float64Array;
  readonly columnHeight_m: Float64Array;
  readonly cellShare: Float64Array;
  /** Half the conductance of unit conductivity to the next column, and of each node to the next node outward. */
  readonly along: Float64Array;
  readonly through: Float64Array;
  /** Volume of each cell of unit height, m. */
  readonly cell_m: Float64Array;
  /** The upper band after elimination, and the conductance to the row before. */
  readonly band: Float64Array;
  readonly link: Float64Array;
  /** Conductance of the foot and the top, by row. */
  readonly foot: Float64Array;
  readonly top: Float64Array;
  /** Of each column's face in this step: heat that leaves, W/m2, its slope, and the surface as it was, C. */
  readonly flux: Float64Array;
  readonly slope: Float64Array;
  readonly surface_C: Float64Array;
  /** Heat lost to the surroundings in the last step, J per m as in `stepConduction`: one number. */
  readonly lost_J_m: Float64Array;
  /** One over the length of this step: one number, in an array so that no call has to box it. */
  readonly perStep_1_s: Float64Array;
}

export function makeConductionKernel(grid: Grid): ConductionKernel {
  const { columns: m, nodes: n, halfThickness_m: H, columnHeight_m: dy, cellShare, faceShare } = grid;
  const each = (f: (j: number, i: number) => number): Float64Array =>
    Float64Array.from({ length: m * n }, (_, at) => f((at / n) | 0, at % n));
  return {
    columns: m,
    nodes: n,
    area_m2: H.map((half, j) => half * dy[j]!),
    halfHeight_m: dy.map((height) => 0.5 * height),
    halfThickness_m: H,
    columnHeight_m: dy,
    cellShare,
    along: Float64Array.from({ length: m }, (_, j) => (j + 1 < m ? (0.25 * (H[j]! + H[j + 1]!)) / (0.5 * (dy[j]! + dy[j + 1]!)) : 0)),
    through: each((j, i) => (0.5 * faceShare[i]! * (n - 1)) / H[j]!),
    cell_m: each((j, i) => H[j]! * cellShare[i]!),
    band: new Float64Array(m * n),
    link: new Float64Array(n),
    foot: new Float64Array(n),
    top: new Float64Array(n),
    flux: new Float64Array(m),
    slope: new Float64Array(m),
    surface_C: new Float64Array(m),
    lost_J_m: new Float64Array(1),
    perStep_1_s: new Float64Array(1),
  };
}

/** As `sweepAlong`; what a row weighs drops out of it. Adds up the heat lost. */
function sweepAlongQuickly(kernel: ConductionKernel, fields: StepFields, ends: Surroundings, dt_s: number): void {
  const { columns: m, nodes: n, halfHeight_m, halfThickness_m: H, band, cellShare, foot, top } = kernel;
  const { temperature_C: T, conductivity_W_mK: k } = fields;
  const last = (m - 1) * n;
  const foot_C = ends.foot?.surroundings_C ?? 0;
  const top_C = ends.top?.surroundings_C ?? 0;
  readEnd(foot, ends.foot, T, k, 0, H[0]!, halfHeight_m[0]!, n);
  readEnd(top, ends.top, T, k, last, H[m - 1]!, halfHeight_m[m - 1]!, n);
  endRow(kernel, fields, 0, foot, foot_C);
  for (let j = 1; j < m - 1; j++) innerRow(kernel, fields, j);
  endRow(kernel, fields, m - 1, top, top_C);
  for (let at = last - 1; at >= 0; at--) T[at]! += band[at]! * T[at + n]!;
  let lost = 0;
  for (let i = 0; i < n; i++) {
    lost += cellShare[i]! * (foot[i]! * (T[i]! - foot_C) + top[i]! * (T[last + i]! - top_C));
  }
  kernel.lost_J_m[0]! += lost * dt_s;
}

/** Eliminates a row between two others. */
function innerRow(kernel: ConductionKernel, fields: StepFields, j: number): void {
  const { nodes: n, along, band, link } = kernel;
  const { temperature_C: T, conductivity_W_mK: k, volumeHeat_J_m3K: c } = fields;
  const heat = kernel.area_m2[j]! * kernel.perStep_1_s[0]!;
  const G = along[j]!;
  const row = j * n;
  for (let i = 0; i < n; i++) {
    const at = row + i;
    const held = heat * c[at]!;
    const A = G * (k[at]! + k[at + n]!);
    const B = link[i]!;
    const inverse = 1 / (held + A + B * (1 - band[at - n]!));
    T[at] = (held * T[at]! + B * T[at - n]!) * inverse;
    band[at] = A * inverse;
    link[i] = A;
  }
}

/** The row at the foot or at the top, with its conductance to what is beyond. */
function endRow(kernel: ConductionKernel, fields: StepFields, j: number, end: Float64Array, end_C: number): void {
  const { columns: m, nodes: n, along, band, link } = kernel;
  const { temperature_C: T, conductivity_W_mK: k, volumeHeat_J_m3K: c } = fields;
  const heat = kernel.area_m2[j]! * kernel.perStep_1_s[0]!;
  for (let i = 0; i < n; i++) {
    const at = j * n + i;
    const held = heat * c[at]!;
    const A = j < m - 1 ? along[j]! * (k[at]! + k[at + n]!) : 0;
    const B = j > 0 ? link[i]! : 0;
    const before = j > 0 ? B * T[at - n]! : 0;
    const inverse = 1 / (held + A + end[i]! + (j > 0 ? B * (1 - band[at - n]!) : 0));
    T[at] = (held * T[at]! + before + end[i]! * end_C) * inverse;
    band[at] = A * inverse;
    link[i] = A;
  }
}

/** Conductance from the middle of the end cells into their surroundings; 0 where an end is closed. */
function readEnd(
  to: Float64Array,
  end: Surroundings["foot"],
  T: Float64Array,
  k: Float64Array,
  from: number,
  thickness_m: number,
  halfHeight_m: number,
  n: number,
): void {
  if (end === null) {
    to.fill(0);
    return;
  }
  const table = end.byDegree_W_m2K;
  for (let i = 0; i < n; i++) {
    const Ts = T[from + i]!;
    const t = Ts < 0 ? 0 : Ts > HOTTEST_SURFACE_C ? HOTTEST_SURFACE_C : Ts;
    const d = t | 0;
    const h = table[d]! + (t - d) * (table[d + 1]! - table[d]!);
    to[i] = thickness_m / (1 / h + halfHeight_m / k[from + i]!);
  }
}

/** Heat that leaves each face at its temperature, and its slope there: never below a third of h, or boiling would be unstable. */
function readFaces(kernel: ConductionKernel, T: Float64Array, faces: Surroundings["faces"]): void {
  const { columns: m, nodes: n, flux, slope, surface_C } = kernel;
  for (let j = 0; j < m; j++) {
    const face = faces[j]!;
    const table = face.byDegree_W_m2K;
    const Ts = T[j * n + n - 1]!;
    // A degree more is the next entry, except below 0 C, where the table stays as it is there.
    const t = Ts < 0 ? 0 : Ts > HOTTEST_SURFACE_C ? HOTTEST_SURFACE_C : Ts;
    const t1 = Ts + 1 < 0 ? 0 : Ts + 1 > HOTTEST_SURFACE_C + 1 ? HOTTEST_SURFACE_C + 1 : Ts + 1;
    const d = t | 0;
    const d1 = t1 | 0;
    const h = table[d]! + (t - d) * (table[d + 1]! - table[d]!);
    const h1 = table[d1]! + (t1 - d1) * (table[d1 + 1]! - table[d1]!);
    const q = h * (Ts - face.surroundings_C);
    const steep = h1 * (Ts + 1 - face.surroundings_C) - q;
    flux[j] = q;
    slope[j] = steep > 0.3 * h ? steep : 0.3 * h;
    surface_C[j] = Ts;
  }
}

/** One column from its middle plane to its face and back; `j` and what follows of its face as `readFaces` left it. */
function eliminateOne(kernel: ConductionKernel, fields: StepFields, j: number): void {
  const { nodes: n, through, cell_m, band, flux, slope, surface_C } = kernel;
  const perStep = kernel.perStep_1_s[0]!;
  const { temperature_C: T, conductivity_W_mK: k, volumeHeat_J_m3K: c, released_J_m3: released } = fields;
  const first = j * n;
  const last = first + n - 1;
  let B = 0;
  let b = 0;
  let t = 0;
  for (let at = first; at < last; at++) {
    const A = through[at]! * (k[at]! + k[at + 1]!);
    const cell = cell_m[at]! * perStep;
    const held = cell * c[at]!;
    const inverse = 1 / (held + A + B * (1 - b));
    t = (held * T[at]! + cell * released[at]! + B * t) * inverse;
    b = A * inverse;
    T[at] = t;
    band[at] = b;
    B = A;
  }
  const cell = cell_m[last]! * perStep;
  const held = cell * c[last]!;
  t = held * T[last]! + cell * released[last]! + slope[j]! * surface_C[j]! - flux[j]! + B * t;
  t /= held + slope[j]! + B * (1 - b);
  T[last] = t;
  for (let at = last - 1; at >= first; at--) {
    t = T[at]! + band[at]! * t;
    T[at] = t;
  }
}

/** Columns `j` and `j + 1` side by side: while one waits for its division the other goes on. Half as long as one by one. */
function eliminateTwo(kernel: ConductionKernel, fields: StepFields, j: number): void {
  const { nodes: n, through, cell_m, band, flux, slope, surface_C } = kernel;
  const perStep = kernel.perStep_1_s[0]!;
  const { temperature_C: T, conductivity_W_mK: k, volumeHeat_J_m3K: c, released_J_m3: released } = fields;
  const first = j * n;
  const last = first + n - 1;
  let B = 0;
  let b = 0;
  let t = 0;
  let B2 = 0;
  let b2 = 0;
  let t2 = 0;
  for (let at = first; at < last; at++) {
    const at2 = at + n;
    const A = through[at]! * (k[at]! + k[at + 1]!);
    const A2 = through[at2]! * (k[at2]! + k[at2 + 1]!);
    const cell = cell_m[at]! * perStep;
    const cell2 = cell_m[at2]! * perStep;
    const held = cell * c[at]!;
    const held2 = cell2 * c[at2]!;
    const inverse = 1 / (held + A + B * (1 - b));
    const inverse2 = 1 / (held2 + A2 + B2 * (1 - b2));
    t = (held * T[at]! + cell * released[at]! + B * t) * inverse;
    t2 = (held2 * T[at2]! + cell2 * released[at2]! + B2 * t2) * inverse2;
    b = A * inverse;
    b2 = A2 * inverse2;
    T[at] = t;
    T[at2] = t2;
    band[at] = b;
    band[at2] = b2;
    B = A;
    B2 = A2;
  }
  const last2 = last + n;
  const cell = cell_m[last]! * perStep;
  const cell2 = cell_m[last2]! * perStep;
  const held = cell * c[last]!;
  const held2 = cell2 * c[last2]!;
  t = held * T[last]! + cell * released[last]! + slope[j]! * surface_C[j]! - flux[j]! + B * t;
  t2 = held2 * T[last2]! + cell2 * released[last2]! + slope[j + 1]! * surface_C[j + 1]! - flux[j + 1]! + B2 * t2;
  t /= held + slope[j]! + B * (1 - b);
  t2 /= held2 + slope[j + 1]! + B2 * (1 - b2);
  T[last] = t;
  T[last2] = t2;
  for (let at = last - 1; at >= first; at--) {
    const at2 = at + n;
    t = T[at]! + band[at]! * t;
    t2 = T[at2]! + band[at2]! * t2;
    T[at] = t;
    T[at2] = t2;
  }
}

/** As `sweepThrough`. Adds up the heat lost. */
function sweepThroughQuickly(kernel: ConductionKernel, fields: StepFields, { faces }: Surroundings, dt_s: number): void {
  const { columns: m, nodes: n, flux, slope, surface_C, columnHeight_m } = kernel;
  const T = fields.temperature_C;
  readFaces(kernel, T, faces);
  let j = 0;
  for (; j + 1 < m; j += 2) eliminateTwo(kernel, fields, j);
  if (j < m) eliminateOne(kernel, fields, j);
  let lost = 0;
  for (j = 0; j < m; j++) lost += (flux[j]! + slope[j]! * (T[j * n + n - 1]! - surface_C[j]!)) * columnHeight_m[j]!;
  kernel.lost_J_m[0]! += lost * dt_s;
}

/** As `stepConduction`; `lost_J_m` becomes the heat lost to the surroundings in the step. Sections have two nodes or more. */
export function conductQuickly(kernel: ConductionKernel, fields: StepFields, surroundings: Surroundings, dt_s: number): void {
  kernel.lost_J_m[0] = 0;
  kernel.perStep_1_s[0] = 1 / dt_s;
  if (kernel.columns > 1) sweepAlongQuickly(kernel, fields, surroundings, dt_s);
  sweepThroughQuickly(kernel, fields, surroundings, dt_s);
}
