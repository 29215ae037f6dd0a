/**
 * How a reading meets what was expected. What was just read is what is shown, within its instrument's own error; what was expected stands
 * beside it, and where the two cannot both be right one of three things is so: the reading is nonsense, something happened that nobody
 * logged, or neither is likely enough to be said.
 */

import type { Bell } from "../numerics/mixture.js";
import type { Instrument } from "./instruments.js";

/** What a reading says of the thing it was taken of. */
export interface Read {
  /** What is shown now: never further from the reading than half of its instrument's error. */
  readonly mean: number;
  readonly sd: number;
  /** Chances, summing to 1: as expected; something happened; the reading is nonsense. */
  readonly chance: { readonly expected: number; readonly moved: number; readonly slip: number };
}

export type Surprise = "none" | "moved" | "which";

/** Less likely than this to be as expected, a reading is a surprise; and a cause is named that is so many times likelier than the other (judgement). */
const SURPRISED = 0.25;
const CLEAR = 4;

/** What is shown lies so near to what was read, in its instrument's errors (judgement: half of one still lets two looks help each other). */
const NEAR = 0.5;

function density(x: number, sd: number): number {
  return Math.exp(-0.5 * (x / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI));
}

/**
 * One number after one reading of it (a Kalman step with a share for slips and a share for surprises).
 *
 *     r expected     weight (1 - slip - jump) N(r; m, P + s^2)
 *     moved          weight jump              N(r; m, P + J^2 + s^2)
 *     nonsense       weight slip              1 / range
 *
 * Shown is m + g (r - m) with g = P' / (P' + s^2) and P' = max(P + q J^2, s |r - m| / n - s^2), q the share of *moved* against *expected*: so
 * much of doubt as it takes for what is shown to lie within s of what was read.
 *
 * @param expected what it was thought to be, all in one unit
 * @param jumpChance that something happened to it since it was last looked at, 0 ... 1
 * @error test/hand/reading.test.ts: the closed form of two bells; within s of any reading (fast-check)
 */
export function afterReading(
  { mean, sd }: Pick<Bell, "mean" | "sd">,
  read: number,
  { sd: s, slip, range, jump }: Instrument,
  jumpChance: number,
): Read {
  const off = read - mean;
  const expected = (1 - slip - jumpChance) * density(off, Math.hypot(sd, s));
  const moved = jumpChance * density(off, Math.hypot(sd, jump, s));
  const nonsense = slip / range;
  const sum = expected + moved + nonsense;
  const wentOff = moved > 0 ? moved / (expected + moved) : 0;
  const variance = Math.max(sd ** 2 + wentOff * jump ** 2, (s * Math.abs(off)) / NEAR - s ** 2);
  const gain = variance / (variance + s ** 2);
  return {
    mean: mean + gain * off,
    sd: Math.sqrt(gain) * s,
    chance: { expected: expected / sum, moved: moved / sum, slip: nonsense / sum },
  };
}

/** Whether a reading has to be asked about, and whether it is known which of the two it was. */
export function surpriseOf({ expected, moved, slip }: Read["chance"]): Surprise {
  if (expected >= SURPRISED) return "none";
  return moved > CLEAR * slip ? "moved" : "which";
}

/** Chance that something happened to a thing in a time, from how often that is in an hour and how far it goes at most. */
export function jumpChance(since_s: number, anHour: number, most: number): number {
  return Math.min(most, 1 - (1 - anHour) ** (Math.max(0, since_s) / 3600));
}
