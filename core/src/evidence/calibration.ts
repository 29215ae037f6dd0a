/** A dial against a second thermometer: what stays wrong (offset) told from what only comes late (lag). */

import { ROOM_C } from "../constants.js";
import { OVEN_SECOND } from "../hand/instruments.js";
import { movedDial } from "./movedDial.js";
import { ovenShape, untilRest_min } from "./ovenShape.js";

export interface DialReading {
  /** After it was first set, min: through moves of its dial. Not later than the one before, it was set anew. */
  readonly time_min: number;
  readonly set_C: number;
  readonly second_C: number;
}

export interface Calibration {
  /** Truly hotter than it says once it has settled, C. */
  readonly offset_C: number;
  readonly offsetSd_C: number;
  /** Until what is left of the lag is under 3 C, min. */
  readonly settle_min: number;
  /** Whether the readings moved as a lag does. */
  readonly hasLag: boolean;
  /** Half of how far it goes up and down about its rest, C; 0 where the readings do not show that it does. */
  readonly swing_C: number;
  /** Its fault is another at another heat; null where the readings do not show that. */
  readonly grows: Growth | null;
  /** Whether a lag could have been told from a fault at all: readings far enough apart in time, or all long after it was set. */
  readonly isTold: boolean;
}

/** So much hotter than it says for each kelvin of its dial, about a heat where its offset is what is said, C. */
export interface Growth {
  readonly perK: number;
  readonly about_C: number;
}

/** Fewer readings than this say nothing. */
export const LEAST_READINGS = 3;
/** Nearer together than this, and sooner than that after it was set, late and wrong look the same, min (judgement). */
const APART_min = 10;
const AT_REST_min = 60;
/** What is left of a lag when it counts as settled, C (judgement). */
const SETTLED_K = 3;

/** Late is said at three to one. */
const SAID = 0.75;

/** A slope is told from so many of its own deviations on, and where it makes this much of a difference over what was read, K (judgement). */
const GROWS_sd = 2.5;
const GROWS_K = 6;
/** A fault that grows by more than this is an oven that does not follow its dial at all: no setting helps (judgement). */
const MOST_PER_K = 0.5;

/** Least squares of what it is off over its dial, at rest: a straight line is all that a few readings carry. */
function growthOf(readings: readonly DialReading[]): Growth | null {
  const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
  const about_C = mean(readings.map(({ set_C }) => set_C));
  const off_K = readings.map(({ set_C, second_C }) => second_C - set_C);
  const apart = readings.map(({ set_C }) => set_C - about_C);
  const squares = apart.reduce((sum, x) => sum + x * x, 0);
  const perK = apart.reduce((sum, x, i) => sum + x * (off_K[i]! - mean(off_K)), 0) / squares;
  const isClear = Math.abs(perK) * Math.sqrt(squares) > GROWS_sd * OVEN_SECOND.sd;
  return isClear && Math.abs(perK) < MOST_PER_K && Math.abs(perK) * (Math.max(...apart) - Math.min(...apart)) >= GROWS_K
    ? { perK, about_C }
    : null;
}

/** What it is off by at a heat of its dial, K. */
export function offsetAt_K({ offset_C, grows }: Pick<Calibration, "offset_C" | "grows">, at_C: number): number {
  return grows === null ? offset_C : offset_C + grows.perK * (at_C - grows.about_C);
}

/** A dial that was moved while it was read: what is not at rest yet is followed, and no setting counts as one oven by itself. */
function throughMoves(readings: readonly DialReading[]): Calibration {
  const { offset_C, offsetSd_C, late, tau_min } = movedDial(readings);
  const hasLag = late >= SAID;
  const hottest_C = Math.max(...readings.map(({ set_C }) => set_C));
  const apart_min = Math.max(...readings.map(({ time_min }) => time_min)) - Math.min(...readings.map(({ time_min }) => time_min));
  return {
    offset_C,
    offsetSd_C,
    settle_min: hasLag ? tau_min * Math.log(Math.max(1, (hottest_C - ROOM_C) / SETTLED_K)) : 0,
    hasLag,
    swing_C: 0,
    grows: hasLag ? null : growthOf(readings),
    isTold: apart_min >= APART_min,
  };
}

/**
 * Every pace, every swing and neither, by how well second - set is explained (ovenShape.ts).
 *
 * A second thermometer that is 30 too low after five minutes and right after forty is late, not wrong.
 * @param readings of one setting after another, each with the time since that setting.
 * @returns null for fewer than three readings.
 * @error test/evidence/calibration.test.ts: known oven with noise, offset within 3 C
 */
export function calibrate(readings: readonly DialReading[]): Calibration | null {
  if (readings.length < LEAST_READINGS) return null;
  if (readings.some(({ set_C }) => set_C !== readings[0]!.set_C)) return throughMoves(readings);
  const times_min = readings.map(({ time_min }) => time_min);
  const [first_min, last_min] = [Math.min(...times_min), Math.max(...times_min)];
  const shape = ovenShape(
    readings.map(({ time_min, set_C, second_C }) => ({ time_min, value_C: second_C - set_C, setting: set_C })),
    0,
    true,
  );
  // What their difference rests at is what stays wrong.
  const { rest_C: offset_C, sd_C: offsetSd_C } = shape;
  return {
    offset_C,
    offsetSd_C,
    settle_min: shape.isLate ? untilRest_min(shape, 0, SETTLED_K) : 0,
    hasLag: shape.isLate,
    swing_C: shape.swing_K,
    grows: null,
    isTold: last_min - first_min >= APART_min || first_min >= AT_REST_min,
  };
}

/** What to set a controlled chamber to so that it truly is at a heat, C: by its fault, and by how that grows in its own readings. */
export function dialFor_C(
  { offset_C, calibration = [] }: { readonly offset_C: number; readonly calibration?: readonly DialReading[] | undefined },
  wanted_C: number,
): number {
  const grows = calibrate(calibration)?.grows ?? null;
  // dial + offset + perK (dial - about) = wanted
  return grows === null ? wanted_C - offset_C : (wanted_C - offset_C + grows.perK * grows.about_C) / (1 + grows.perK);
}
