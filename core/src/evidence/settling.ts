/** An oven that comes to its heat: where it will come to rest, and when, by readings of a thermometer in it. */

export interface OvenReading {
  /** Since the first of them, min. */
  readonly time_min: number;
  readonly reads_C: number;
}

export interface Settling {
  /** Where it comes to rest, C, and how far that may be off. */
  readonly atRest_C: number;
  readonly sd_C: number;
  /** From the last reading until it is as near to that as nobody reads any more, min; 0 where it is. */
  readonly wait_min: number;
  /** Whether the readings show a rise or a fall that ends, or scatter about one heat. */
  readonly isMoving: boolean;
  /** Half of how far the readings swing about it, K. */
  readonly swing_K: number;
}

const LEAST_READINGS = 3;
/** A reading by hand scatters by so much; nearer to rest than this it is there, K (judgement). */
const READING_SD_C = 2;
const AT_REST_K = 3;
/** Known no better than this, nothing is said, K. */
const MOST_DOUBT_K = 25;
const TAUS_min = Array.from({ length: 40 }, (_, i) => 1.5 * 1.1 ** i);

interface Fit {
  readonly rest_C: number;
  readonly away_K: number;
  readonly tau_min: number;
  readonly squares: number;
  readonly variance: number;
}

/** Least squares of T = rest - away exp(-t/tau) for one tau. */
function fitFor(readings: readonly OvenReading[], tau_min: number): Fit | null {
  const n = readings.length;
  const g = readings.map(({ time_min }) => Math.exp(-time_min / tau_min));
  const gMean = g.reduce((a, b) => a + b, 0) / n;
  const mean = readings.reduce((sum, { reads_C }) => sum + reads_C, 0) / n;
  const gg = g.reduce((sum, x) => sum + (x - gMean) ** 2, 0);
  if (gg < 1e-4) return null;
  const slope = readings.reduce((sum, { reads_C }, i) => sum + (g[i]! - gMean) * (reads_C - mean), 0) / gg;
  const rest_C = mean - slope * gMean;
  const squares = readings.reduce((sum, { reads_C }, i) => sum + (reads_C - rest_C - slope * g[i]!) ** 2, 0);
  return { rest_C, away_K: -slope, tau_min, squares, variance: 1 / n + (gMean * gMean) / gg };
}

/**
 * @param readings since the oven was last set, in their order.
 * @returns null for fewer than three, or where they do not tell where it ends.
 * @error test/evidence/settling.test.ts: ovens made by a first-order rise, rest within 5 C
 */
export function settling(readings: readonly OvenReading[]): Settling | null {
  const n = readings.length;
  if (n < LEAST_READINGS) return null;
  const mean = readings.reduce((sum, { reads_C }) => sum + reads_C, 0) / n;
  const flat = readings.reduce((sum, { reads_C }) => sum + (reads_C - mean) ** 2, 0);
  const last = readings[n - 1]!;
  const fits = TAUS_min.flatMap((tau) => fitFor(readings, tau) ?? []);
  const best = fits.reduce<Fit | null>((least, fit) => (least === null || fit.squares < least.squares ? fit : least), null);
  const isMoving = best !== null && flat - best.squares > 9 * READING_SD_C ** 2;
  if (!isMoving) {
    const sd = Math.sqrt(flat / Math.max(1, n - 1));
    const swing_K = 0.5 * (Math.max(...readings.map((r) => r.reads_C)) - Math.min(...readings.map((r) => r.reads_C)));
    return { atRest_C: mean, sd_C: Math.max(READING_SD_C, sd) / Math.sqrt(n), wait_min: 0, isMoving: false, swing_K };
  }
  const left_K = Math.abs(best.away_K) * Math.exp(-last.time_min / best.tau_min);
  const scatter = Math.max(READING_SD_C, Math.sqrt(best.squares / Math.max(1, n - 3)));
  // Every pace counts by how well it explains the readings: what a few of them leave open is the pace above all.
  const weights = fits.map(({ squares }) => Math.exp(-0.5 * (squares - best.squares) * scatter ** -2));
  const sum = weights.reduce((x, y) => x + y, 0);
  const atRest_C = best.rest_C;
  const variance = fits.reduce(
    (total, { rest_C, variance: own }, i) => total + (weights[i]! / sum) * ((rest_C - atRest_C) ** 2 + scatter ** 2 * own),
    0,
  );
  const sd_C = Math.sqrt(variance);
  // A rise that has hardly begun to bend may end anywhere.
  if (sd_C > MOST_DOUBT_K) return null;
  return {
    atRest_C,
    sd_C,
    wait_min: left_K <= AT_REST_K ? 0 : best.tau_min * Math.log(left_K / AT_REST_K),
    isMoving: true,
    swing_K: 0,
  };
}
