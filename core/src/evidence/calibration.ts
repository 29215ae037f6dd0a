/** A dial against a second thermometer: what stays wrong (offset) told from what only comes late (lag). */

export interface DialReading {
  /** After it was set, min. */
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
  /** Whether a lag could have been told from a fault at all: readings far enough apart in time, or all long after it was set. */
  readonly isTold: boolean;
}

/** Fewer readings than this say nothing. */
export const LEAST_READINGS = 3;
/** Nearer together than this, and sooner than that after it was set, late and wrong look the same, min (judgement). */
const APART_min = 10;
const AT_REST_min = 60;
/** A reading by a second thermometer scatters by so much, C; what is left of a lag when it counts as settled, C (judgement). */
const READING_SD_C = 2;
const SETTLED_K = 3;
/** Time constants tried, min: from a small toaster to a thick kiln. */
const TAUS_min = Array.from({ length: 60 }, (_, i) => 1 * 1.075 ** i);

/**
 * Fits second − set = offset − lag · exp(−t/tau) by least squares, tau by search; without the lag where that is as good.
 *
 * A second thermometer that is 30 too low after five minutes and right after forty is late, not wrong.
 * @param readings of one setting after another, each with the time since that setting.
 * @returns null for fewer than three readings.
 * @error test/evidence/calibration.test.ts: known oven with noise, offset within 3 C
 */
export function calibrate(readings: readonly DialReading[]): Calibration | null {
  if (readings.length < LEAST_READINGS) return null;
  const e = readings.map(({ second_C, set_C }) => second_C - set_C);
  const n = e.length;
  const times_min = readings.map(({ time_min }) => time_min);
  const [first_min, last_min] = [Math.min(...times_min), Math.max(...times_min)];
  const mean = e.reduce((a, b) => a + b, 0) / n;
  const flat = e.reduce((sum, x) => sum + (x - mean) ** 2, 0);
  let best = { squares: Infinity, offset_C: mean, lag: 0, tau_min: 0, weight: n };
  for (const tau_min of TAUS_min) {
    const g = readings.map(({ time_min }) => Math.exp(-time_min / tau_min));
    const gMean = g.reduce((a, b) => a + b, 0) / n;
    const gg = g.reduce((sum, x) => sum + (x - gMean) ** 2, 0);
    if (gg < 1e-9) continue;
    const slope = g.reduce((sum, x, i) => sum + (x - gMean) * (e[i]! - mean), 0) / gg;
    const offset_C = mean - slope * gMean;
    const squares = e.reduce((sum, x, i) => sum + (x - offset_C - slope * g[i]!) ** 2, 0);
    // An oven comes from below: the second thermometer starts too low.
    if (slope < 0 && squares < best.squares) {
      best = { squares, offset_C, lag: -slope, tau_min, weight: 1 / (1 / n + (gMean * gMean) / gg) };
    }
  }
  // A lag is believed when it explains much more than chance would (three times the scatter of a reading).
  const hasLag = flat - best.squares > 9 * READING_SD_C ** 2;
  const offset_C = hasLag ? best.offset_C : mean;
  const left = hasLag ? best.squares : flat;
  const scatter = Math.max(READING_SD_C, Math.sqrt(left / Math.max(1, n - (hasLag ? 3 : 1))));
  return {
    offset_C,
    offsetSd_C: scatter / Math.sqrt(hasLag ? best.weight : n),
    settle_min: hasLag ? Math.max(0, best.tau_min * Math.log(best.lag / SETTLED_K)) : 0,
    hasLag,
    isTold: last_min - first_min >= APART_min || first_min >= AT_REST_min,
  };
}
