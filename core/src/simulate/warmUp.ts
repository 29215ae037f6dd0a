/** A piece in the fire, zone by zone: when each arrives, and how far thin edge and tip run ahead of the rest. */

import { stepWarmUp, type Fire, type WarmBody } from "../heat/warmUp.js";
import { thickness_mm } from "../shape/thickness.js";
import type { Piece, Hardens, Zone } from "../schema/book.js";
import type { KindFile } from "../schema/kind.js";
import type { FireInput } from "../schema/job.js";
import { breadth_mm } from "../shape/outline.js";
import { sectionAt } from "../shape/stations.js";

export interface ZoneCourse {
  readonly zone: Zone;
  /** Temperature at each of `time_s`, C. */
  readonly temperature_C: readonly number[];
  /** When it reaches the heat wanted, s; null when it does not within the time followed. */
  readonly arrives_s: number | null;
}

export interface WarmUp {
  readonly time_s: readonly number[];
  /** Where one looks: the middle of the part that is heated. */
  readonly seen_C: readonly number[];
  /** Standard deviation of that, C: the fire is not as hot, nor the gas as fast, as said. */
  readonly sd_C: readonly number[];
  readonly zones: readonly ZoneCourse[];
  /** When all zones have arrived, s; null when they do not. */
  readonly allThere_s: number | null;
  /** The zone that arrives first, and how far it is over the last when that arrives, K. */
  readonly first: Zone;
  readonly ahead_K: number;
}

const STATIONS = 14;
const ROWS = 4;
const STEP_s = 0.5;
const KEPT_s = 5;
const LONGEST_s = 90 * 60;
/** A piece that was not heated before, C. */
const COLD_C = 25;
/** How fast the gas moves past the piece, W/(m2 K): blown flame, a bed of coal it lies in, the still air of a kiln (judgement). */
const CONVECTION_W_m2K = { gas: 45, coal: 80, charcoal: 80, kiln: 10 } as const;
/** How wrong the temperature of a fire is said, K, and the speed of its gas, as a factor (judgement). */
const FIRE_SD_K = { forge: 50, kiln: 12 } as const;
const GAS_FACTOR = 1.4;
/** Nobody knows the moment it went in, or its place in the fire, better than this, C (judgement). */
const LEAST_SD_C = 20;
/** An end that is heated alone lies this much deeper in the fire than it is hardened (judgement). */
const END_RATIO = 1.5;

interface Built extends WarmBody {
  readonly at: (station: number, row: number) => number;
  readonly rows: number;
  readonly inFireRatio: Float64Array;
}

/** Half-thickness and face of a row of a wedge, from the edge up. */
function buildBody(piece: Piece, form: KindFile, fire: FireInput, lies_mm: number | null): Built {
  const { section, length_mm } = piece;
  const rows = section.shape === "wedge" ? ROWS : 1;
  const count = STATIONS * rows;
  const dx = length_mm / STATIONS / 1000;
  const volume_m3 = new Float64Array(count);
  const face_m2 = new Float64Array(count);
  const across = new Float64Array(count);
  const inFireRatio = new Float64Array(count);
  const joints: { a: number; b: number; shape_m: number }[] = [];
  const at = (station: number, row: number): number => station * rows + row;
  const breadth = breadth_mm(piece) / 1000;
  // Longer than the fire: it is drawn to and fro, so every part sees the fire for a share of the time.
  const duty = fire.length_mm === null ? 1 : Math.min(1, fire.length_mm / Math.min(length_mm, lies_mm ?? length_mm));
  for (let j = 0; j < STATIONS; j++) {
    const s = (j + 0.5) / STATIONS;
    const own = sectionAt(piece, form, s);
    const fromTip_mm = (1 - s) * length_mm;
    const isIn = lies_mm === null || fromTip_mm <= lies_mm;
    for (let r = 0; r < rows; r++) {
      const i = at(j, r);
      inFireRatio[i] = isIn ? duty : 0;
      if (own.shape === "wedge") {
        const high = own.height_mm / 1000 / rows;
        const thick = (own.edge_mm + ((own.spine_mm - own.edge_mm) * (r + 0.5)) / rows) / 1000;
        volume_m3[i] = thick * high * dx;
        face_m2[i] = 2 * high * dx + (r === 0 ? own.edge_mm : r === rows - 1 ? own.spine_mm : 0) * 1e-3 * dx;
        across[i] = thick * high;
        if (r > 0) joints.push({ a: at(j, r - 1), b: i, shape_m: (thick * dx) / high });
      } else {
        const t = thickness_mm(own) / 1000;
        const area = own.shape === "round" ? (Math.PI / 4) * t * t : own.shape === "square" ? t * t : t * breadth;
        const around = own.shape === "round" ? Math.PI * t : own.shape === "square" ? 4 * t : 2 * (t + breadth);
        volume_m3[i] = area * dx;
        face_m2[i] = around * dx;
        across[i] = area;
      }
      if (j === STATIONS - 1 || j === 0) face_m2[i] += across[i];
      if (j > 0) joints.push({ a: at(j - 1, r), b: i, shape_m: (0.5 * (across[i] + across[at(j - 1, r)]!)) / dx });
    }
  }
  return { volume_m3, face_m2, joints, at, rows, inFireRatio };
}

/** Mean over stations of one row. */
function rowMean(T: Float64Array, { at }: Built, row: number, from: number, to: number): number {
  let sum = 0;
  for (let j = from; j <= to; j++) sum += T[at(j, row)]!;
  return sum / (to - from + 1);
}

const ZONE_ORDER: readonly Zone[] = ["edge", "spine", "tip", "tang"];

interface Followed {
  readonly time_s: number[];
  readonly zones: Readonly<Record<Zone, number[]>>;
  readonly seen_C: number[];
}

function followFire(body: Built, fire: Fire, target_C: number, from: number, isWhole: boolean, until_s: number, start_C: number): Followed {
  const T = new Float64Array(body.volume_m3.length).fill(start_C);
  const followed: Followed = { time_s: [], zones: { edge: [], spine: [], tip: [], tang: [] }, seen_C: [] };
  const top = body.rows - 1;
  const [low, high] = [Math.max(from, 3), STATIONS - 3];
  for (let step = 0; step * STEP_s <= until_s; step++) {
    if ((step * STEP_s) % KEPT_s === 0) {
      const edge = rowMean(T, body, 0, low, high);
      const spine = rowMean(T, body, top, low, high);
      const tip = rowMean(T, body, 0, STATIONS - 1, STATIONS - 1);
      const tang = rowMean(T, body, top, isWhole ? 0 : from, isWhole ? 1 : from);
      followed.time_s.push(step * STEP_s);
      followed.zones.edge.push(edge);
      followed.zones.spine.push(spine);
      followed.zones.tip.push(tip);
      followed.zones.tang.push(tang);
      followed.seen_C.push(0.5 * (rowMean(T, body, Math.floor(top / 2), low, high) + rowMean(T, body, Math.ceil(top / 2), low, high)));
      if (until_s === LONGEST_s && Math.min(edge, spine, tip, isWhole ? tang : edge) > target_C + 25) break;
    }
    stepWarmUp(body, fire, T, STEP_s);
  }
  return followed;
}

/**
 * Follows a piece in a fire until all of it is at heat.
 *
 * Lumped through the thickness: true while the piece is thinner than about 30 mm (Biot number under 0.1 in a forge); thicker, the
 * middle comes later than said.
 * @source en1993-1-2 for steel; convection and fire by judgement, unmeasured
 * @error test/simulate/warmUp.test.ts
 */
export function warmUp(
  piece: Piece,
  form: KindFile,
  hardens: Hardens,
  fire: FireInput,
  target_C: number,
  start_C = COLD_C,
  inFire_mm?: number,
): WarmUp {
  const isEnd = inFire_mm !== undefined || (piece.section.shape !== "wedge" && hardens !== "whole");
  const end_mm = END_RATIO * Math.min(2 * thickness_mm(piece.section), piece.length_mm / 3);
  const lies_mm = isEnd ? (inFire_mm ?? end_mm) : null;
  const body = buildBody(piece, form, fire, lies_mm);
  const convection_W_m2K = CONVECTION_W_m2K[fire.kind === "kiln" ? "kiln" : fire.fuel];
  const at = (fire_C: number, factor: number): Fire => ({
    fire_C,
    convection_W_m2K: convection_W_m2K * factor,
    inFireRatio: body.inFireRatio,
  });
  const from = lies_mm === null ? 0 : STATIONS - Math.max(1, Math.round((lies_mm * STATIONS) / piece.length_mm));
  const nominal = followFire(body, at(fire.chamber_C, 1), target_C, from, !isEnd, LONGEST_s, start_C);
  const until_s = nominal.time_s[nominal.time_s.length - 1]!;
  const sd_K = FIRE_SD_K[fire.kind];
  const slow = followFire(body, at(fire.chamber_C - sd_K, 1 / GAS_FACTOR), target_C, from, !isEnd, until_s, start_C);
  const quick = followFire(body, at(fire.chamber_C + sd_K, GAS_FACTOR), target_C, from, !isEnd, until_s, start_C);
  const { time_s, zones } = nominal;
  // A bar has no edge; of one that is heated at an end the other stays out of it.
  const isThere = (zone: Zone): boolean => !(isEnd && zone === "tang") && (body.rows > 1 || zone !== "edge");
  const courses = ZONE_ORDER.filter(isThere).map((zone): ZoneCourse => {
    const temperature_C = zones[zone];
    const k = temperature_C.findIndex((T) => T >= target_C);
    return { zone, temperature_C, arrives_s: k < 0 ? null : time_s[k]! };
  });
  const first = courses.reduce((a, b) => ((b.arrives_s ?? Infinity) < (a.arrives_s ?? Infinity) ? b : a));
  const isLate = courses.some(({ arrives_s }) => arrives_s === null);
  const allThere_s = isLate ? null : Math.max(...courses.map(({ arrives_s }) => arrives_s!));
  const k = allThere_s === null ? time_s.length - 1 : time_s.indexOf(allThere_s);
  const coldest = Math.min(...courses.map(({ temperature_C }) => temperature_C[k]!));
  return {
    time_s,
    seen_C: nominal.seen_C,
    sd_C: nominal.seen_C.map((_, i) => Math.max(LEAST_SD_C, 0.5 * Math.abs(quick.seen_C[i]! - slow.seen_C[i]!))),
    zones: courses,
    allThere_s,
    first: first.zone,
    ahead_K: Math.max(...courses.map(({ temperature_C }) => temperature_C[k]!)) - coldest,
  };
}

/** What the model expects after so long in the fire; the last of it when followed no longer. */
export function expectedAt(
  course: WarmUp,
  time_s: number,
): { readonly seen_C: number; readonly sd_C: number; readonly offsets_K: readonly { readonly zone: Zone; readonly offset_K: number }[] } {
  const { time_s: times, seen_C, sd_C, zones } = course;
  const step = times.length > 1 ? times[1]! - times[0]! : 1;
  const k = Math.min(times.length - 1, Math.max(0, time_s / step));
  const [i, j] = [Math.floor(k), Math.min(times.length - 1, Math.ceil(k))];
  const mix = (xs: readonly number[]): number => xs[i]! + (k - i) * (xs[j]! - xs[i]!);
  const seen = mix(seen_C);
  return {
    seen_C: seen,
    sd_C: mix(sd_C),
    offsets_K: zones.map(({ zone, temperature_C }) => ({ zone, offset_K: mix(temperature_C) - seen })),
  };
}
