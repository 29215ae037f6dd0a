/** An oven whose dial was moved while it was read: what is late and what is wrong come apart by following it through the moves. */

import { ROOM_C } from "../constants.js";
import { OVEN_SECOND } from "../hand/instruments.js";

export interface DialRead {
  /** Since it was first set; where a time is not later than the one before, since it was set anew. */
  readonly time_min: number;
  readonly set_C: number;
  readonly second_C: number;
}

export interface MovedDial {
  readonly offset_C: number;
  readonly offsetSd_C: number;
  /** Chance that it was on its way, and not at rest, when it was read. */
  readonly late: number;
  /** Of oven and thermometer together, the middle of what explains the readings, min. */
  readonly tau_min: number;
}

/** How far off an oven rests, K, and how fast it and its thermometer follow, min, and the spread of that, a logarithm (model-hand 2; judgement). */
const OFFSET_SD_K = 12;
const TAU_min = 8;
const TAU_LN = 0.7;
const OFFSETS = Array.from({ length: 101 }, (_, i) => -50 + i);
const LN_TAUS = Array.from({ length: 29 }, (_, i) => -2.5 + (5 * i) / 28);
/** The dial was moved somewhere between the two readings: tried at so many moments. */
const MOMENTS = [0.1, 0.5, 0.9];
/** Before it was read it stood in the cold, or nobody knows where (as likely). */
const COLD = 0.5;
const STARTS_C = [60, 110, 160, 210, 260];

function likely(off_K: number): number {
  const { sd, slip, range } = OVEN_SECOND;
  return ((1 - slip) * Math.exp(-0.5 * (off_K / sd) ** 2)) / (sd * Math.sqrt(2 * Math.PI)) + slip / range;
}

/** Where it stands after a time at one setting: dT/dt = (set + offset - T) / tau. */
function after_C(T: number, rest_C: number, time_min: number, tau_min: number): number {
  return rest_C + (T - rest_C) * Math.exp(-time_min / tau_min);
}

/** How well one oven explains all readings: followed from its start through the moves of its dial. */
function explains(readings: readonly DialRead[], offset_K: number, tau_min: number, start_C: number, moment: number): number {
  let [T, at_min, product] = [start_C, 0, 1];
  readings.forEach(({ time_min, set_C, second_C }, i) => {
    const before = readings[i - 1];
    const isAnew = before !== undefined && time_min <= before.time_min;
    const passed_min = isAnew ? time_min : time_min - at_min;
    if (before !== undefined && !isAnew && before.set_C !== set_C) {
      T = after_C(T, before.set_C + offset_K, moment * passed_min, tau_min);
      T = after_C(T, set_C + offset_K, (1 - moment) * passed_min, tau_min);
    } else T = after_C(T, set_C + offset_K, passed_min, tau_min);
    at_min = time_min;
    product *= likely(second_C - T);
  });
  return product;
}

function atRest(readings: readonly DialRead[], offset_K: number): number {
  return readings.reduce((product, { set_C, second_C }) => product * likely(second_C - set_C - offset_K), 1);
}

/**
 * Offset and pace on a grid, late and at rest as likely before, with a share for slips of the thermometer.
 *
 * @param readings in their order, two or more settings among them
 * @error test/evidence/calibration.test.ts: a worked case from cold, made-up ovens with a moved dial
 */
export function movedDial(readings: readonly DialRead[]): MovedDial {
  const starts = [{ C: ROOM_C, weight: COLD }, ...STARTS_C.map((C) => ({ C, weight: (1 - COLD) / STARTS_C.length }))];
  let [late, rest, sum, first, second, lnTau] = [0, 0, 0, 0, 0, 0];
  const taus = LN_TAUS.map((z) => ({ tau_min: TAU_min * Math.exp(TAU_LN * z), weight: Math.exp(-0.5 * z * z) }));
  const allTaus = taus.reduce((total, { weight }) => total + weight, 0);
  for (const offset_K of OFFSETS) {
    const prior = Math.exp(-0.5 * (offset_K / OFFSET_SD_K) ** 2);
    const ownRest = prior * atRest(readings, offset_K);
    let ownLate = 0;
    for (const { tau_min, weight } of taus) {
      let of = 0;
      for (const { C, weight: share } of starts)
        for (const moment of MOMENTS) of += (share / MOMENTS.length) * explains(readings, offset_K, tau_min, C, moment);
      ownLate += (weight / allTaus) * of;
      lnTau += prior * (weight / allTaus) * of * Math.log(tau_min);
    }
    const own = prior * ownLate + ownRest;
    late += prior * ownLate;
    rest += ownRest;
    sum += own;
    first += own * offset_K;
    second += own * offset_K ** 2;
  }
  const offset_C = first / sum;
  return {
    offset_C,
    offsetSd_C: Math.sqrt(Math.max(0, second / sum - offset_C ** 2)),
    late: late / (late + rest),
    tau_min: Math.exp(lnTau / late),
  };
}
