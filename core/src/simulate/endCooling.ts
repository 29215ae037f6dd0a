/** A bar of which only one end goes into the bath: when the rest of it, which cools in air, can be held. */

import { HAND_WARM_C, ROOM_C } from "../constants.js";
import { finScratch, makeFin, stepFin, FIN_CONDUCTIVITY_W_mK } from "../heat/fin.js";
import { AIR, bathBoundary, type Bath } from "./section.js";

export interface EndBar {
  readonly length_mm: number;
  /** Of the end that goes in, from its face. */
  readonly depth_mm: number;
  /** Cross section, mm2, and its outline, mm. */
  readonly area_mm2: number;
  readonly outline_mm: number;
}

const CELLS = 60;
/** No glow is seen in the body of an evening, C: Draper 1847 has 525 for a dark room (from memory). */
const BODY_BLACK_C = 500;
/** So many thicknesses beyond the end that works are as hot as it in the fire; from there it falls off over as many (judgement: the tongs hold the rest). */
const HOT_BEYOND = 3;
/** Cooler than this nothing is drawn, C; a moment is kept when it is so far from the one before, K. */
const DRAWS_FROM_C = 100;
const KEPT_K = 5;
const BATH_STEP_s = 0.5;
const LONGEST_BATH_s = 900;
/** Nobody waits longer, s: half a day. */
const LONGEST_s = 43200;

export interface EndCooling {
  /** Seconds from the bath until the hottest place of it can be held. */
  readonly handWarm_s: number;
  /** Seconds from the bath until no glow is left in the body. */
  readonly black_s: number;
  /** As hot as the face gets once more by what was left in the body, C. */
  readonly drawn_C: number;
  /** The face after it came out, from then on; null where it hardly warms again. */
  readonly again: { readonly time_s: readonly number[]; readonly temperature_C: readonly number[] } | null;
}

/**
 * The end goes in; once the body is black all of it goes under, as the bench says, unless it is taken out before.
 * @param bath_s under, all told; null until it is cold
 */
export function coolEnd(
  { length_mm, depth_mm, area_mm2, outline_mm }: EndBar,
  heat_C: number,
  bath: Bath,
  bath_s: number | null,
): EndCooling {
  const thick_mm = (4 * area_mm2) / outline_mm;
  const fin = makeFin(CELLS, length_mm, () => ({ area_m2: area_mm2 / 1e6, outline_m: outline_mm / 1000 }));
  const from_mm = (i: number): number => (length_mm * (i + 0.5)) / CELLS;
  const hot_mm = depth_mm + HOT_BEYOND * thick_mm;
  const T = Float64Array.from({ length: CELLS }, (_, i) => {
    const beyond_mm = Math.max(0, from_mm(i) - hot_mm);
    return ROOM_C + (heat_C - ROOM_C) * Math.exp(-beyond_mm / (HOT_BEYOND * thick_mm));
  });
  const wet = bathBoundary(bath);
  const scratch = finScratch(CELLS);
  // From the middle of a bar to its skin: a quarter of its thickness, about.
  const inside_m2K_W = thick_mm / 1000 / 4 / FIN_CONDUCTIVITY_W_mK;
  const underTo = (to_mm: number) => (i: number, now_C: number) =>
    from_mm(i) > to_mm
      ? { heatTransfer_W_m2K: AIR.heatTransfer_W_m2K(now_C), surroundings_C: AIR.surroundings_C }
      : { heatTransfer_W_m2K: 1 / (1 / wet.heatTransfer_W_m2K(now_C) + inside_m2K_W), surroundings_C: wet.surroundings_C };
  const hottest = (): number => T.reduce((a, b) => Math.max(a, b));
  const out_s = bath_s ?? LONGEST_BATH_s;
  const cold_C = Math.max(HAND_WARM_C, bath.bath_C + 5);
  let time_s = 0;
  const bathe = (to_mm: number, isDone: () => boolean): void => {
    while (time_s < out_s && !isDone()) {
      stepFin(fin, T, BATH_STEP_s, underTo(to_mm), scratch);
      time_s += BATH_STEP_s;
    }
  };
  bathe(depth_mm, () => hottest() <= BODY_BLACK_C);
  const black_s = time_s;
  bathe(Infinity, () => bath_s === null && hottest() <= cold_C);
  let drawn_C = T[0]!;
  const again: { time_s: number[]; temperature_C: number[] } = { time_s: [0], temperature_C: [T[0]!] };
  const from_s = time_s;
  while (hottest() > HAND_WARM_C && time_s < LONGEST_s) {
    const step_s = Math.min(20, Math.max(1, 0.02 * time_s));
    stepFin(fin, T, step_s, underTo(-1), scratch);
    time_s += step_s;
    drawn_C = Math.max(drawn_C, T[0]!);
    const last_C = again.temperature_C.at(-1)!;
    if (Math.abs(T[0]! - last_C) > KEPT_K) {
      again.time_s.push(time_s - from_s);
      again.temperature_C.push(T[0]!);
    }
  }
  again.time_s.push(Math.max(time_s - from_s, again.time_s.at(-1)! + 1));
  again.temperature_C.push(T[0]!);
  return { handWarm_s: time_s, black_s, drawn_C, again: drawn_C > DRAWS_FROM_C ? again : null };
}
