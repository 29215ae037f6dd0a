/** What a thermometer's readings say of an oven: where it rests (offset), what is late (lag) and what goes up and down (swing). */

/** One reading, of the oven itself or of its difference from the dial. */
export interface ShapeReading {
  readonly time_min: number;
  readonly value_C: number;
  /** Which setting it belongs to: a swing keeps its beat within one. */
  readonly setting?: number;
}

/** One way an oven could move, and how likely the readings make it. */
interface Way {
  readonly isLate: boolean;
  readonly weight: number;
  readonly rest_C: number;
  readonly variance: number;
  /** Below its rest at the time 0, K, and how fast that goes; 0 and 1 where nothing is late. */
  readonly away_K: number;
  readonly tau_min: number;
  readonly swing_K: number;
}

export interface OvenShape {
  readonly rest_C: number;
  readonly sd_C: number;
  /** Whether it was late when first read, three to one at least. */
  readonly isLate: boolean;
  /** Half of the way between its hottest and its coldest, K; 0 where it is not three to one that it swings. */
  readonly swing_K: number;
  /** How far from its rest it is at a time, K, by the likeliest pace. */
  readonly left_K: (time_min: number) => number;
}

/** A reading by hand scatters by so much, C (judgement). */
export const READING_SD_C = 2;
/** Before anything is read: how far from what it should be it rests where that is told and where it is not, how far it is away, K (judgement). */
const REST_SD_K = 30;
const REST_UNTOLD_SD_K = 100;
const AWAY_SD_K = 120;
/** Paces from a small toaster to a thick kiln, min; half swings, K, and their periods, min (judgement; temper-note 3: 10 to 20 min). */
const TAUS_min = Array.from({ length: 22 }, (_, i) => 2.5 * 1.16 ** i);
const SWINGS_K = [5, 8, 12, 17];
const PERIODS_min = [6, 8, 10.5, 14, 19];
/** For so many of its periods a swing keeps its beat (judgement). */
const KEEPS_BEAT = 6;
/** A lag or a swing is said when it is as likely as this: three to one (judgement: at even chance one resting oven in fourteen was called late). */
const SAID = 0.75;
/** Older readings than these say nothing more. */
const MOST_READINGS = 24;

interface Solved {
  readonly log: number;
  readonly rest_K: number;
  readonly variance: number;
  readonly away_K: number;
}

interface Told {
  readonly times: readonly number[];
  readonly settings: readonly number[];
  /** From where it should rest, K, and how far it may rest from there. */
  readonly off: readonly number[];
  readonly rest_K: number;
}

/** Lower triangle L of a symmetric, positive definite matrix: L Lt, in place. */
function factored(a: Float64Array, n: number): Float64Array {
  for (let j = 0; j < n; j++) {
    for (let i = j; i < n; i++) {
      let sum = a[i * n + j]!;
      for (let k = 0; k < j; k++) sum -= a[i * n + k]! * a[j * n + k]!;
      a[i * n + j] = i === j ? Math.sqrt(sum) : sum / a[j * n + j]!;
    }
  }
  return a;
}

function halfSolved(L: Float64Array, n: number, b: readonly number[]): number[] {
  const x: number[] = [];
  for (let i = 0; i < n; i++) {
    let sum = b[i]!;
    for (let k = 0; k < i; k++) sum -= L[i * n + k]! * x[k]!;
    x.push(sum / L[i * n + i]!);
  }
  return x;
}

const dot = (a: readonly number[], b: readonly number[]): number => a.reduce((sum, x, i) => sum + x * b[i]!, 0);

/** How alike two moments of a swing are: no thermostat keeps its beat for long. */
function beat(apart_min: number, period_min: number): number {
  return Math.cos((2 * Math.PI * apart_min) / period_min) * Math.exp(-Math.abs(apart_min) / (KEEPS_BEAT * period_min));
}

/** The readings under one way: rest and what is away have broad normal priors, a swing an unknown phase; all of it normal, so in closed form. */
function solved({ times, settings, off, rest_K: sd }: Told, tau_min: number | null, swing_K: number, period_min: number): Solved {
  const n = times.length;
  const g = times.map((t) => (tau_min === null ? 0 : -Math.exp(-t / tau_min)));
  const a = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      const swings = swing_K === 0 || settings[i] !== settings[j] ? 0 : 0.5 * swing_K ** 2 * beat(times[i]! - times[j]!, period_min);
      a[i * n + j] = sd ** 2 + AWAY_SD_K ** 2 * g[i]! * g[j]! + swings + (i === j ? READING_SD_C ** 2 : 0);
    }
  }
  const L = factored(a, n);
  const y = halfSolved(L, n, off);
  const ones = halfSolved(
    L,
    n,
    times.map(() => 1),
  );
  let log = -0.5 * dot(y, y);
  for (let i = 0; i < n; i++) log -= Math.log(L[i * n + i]!);
  return {
    log,
    rest_K: sd ** 2 * dot(ones, y),
    variance: sd ** 2 - sd ** 4 * dot(ones, ones),
    away_K: tau_min === null ? 0 : AWAY_SD_K ** 2 * dot(halfSolved(L, n, g), y),
  };
}

/**
 * Every pace, every swing and none of either, by how well each explains all readings at once (Bayes; Gaussian processes, Rasmussen and
 * Williams 2006, from memory). Late or not and swinging or not are as likely before.
 *
 * @param should_C where it should rest; null where nobody set it.
 * @param onlyRises an oven that was set comes from below.
 * @error test/evidence/settling.test.ts, docs/ovens.md: made-up ovens
 */
export function ovenShape(all: readonly ShapeReading[], should_C: number | null, onlyRises: boolean): OvenShape {
  const readings = all.slice(-MOST_READINGS);
  const times = readings.map(({ time_min }) => time_min);
  const about_C = should_C ?? readings.reduce((sum, { value_C }) => sum + value_C, 0) / readings.length;
  const off = readings.map(({ value_C }) => value_C - about_C);
  const settings = readings.map(({ setting }) => setting ?? 0);
  const told = { times, settings, off, rest_K: should_C === null ? REST_UNTOLD_SD_K : REST_SD_K };
  const swings = [
    { swing_K: 0, period_min: 1, prior: 0.5 },
    ...SWINGS_K.flatMap((swing_K) =>
      PERIODS_min.map((period_min) => ({ swing_K, period_min, prior: 0.5 / (SWINGS_K.length * PERIODS_min.length) })),
    ),
  ];
  const taus = [{ tau: null, prior: 0.5 }, ...TAUS_min.map((tau) => ({ tau, prior: 0.5 / TAUS_min.length }))];
  const tried = swings.flatMap(({ swing_K, period_min, prior }) =>
    taus.flatMap(({ tau, prior: late }) => {
      const { log, rest_K, variance, away_K } = solved(told, tau, swing_K, period_min);
      if (onlyRises && away_K < 0) return [];
      return [
        { log: log + Math.log(prior * late), rest_C: about_C + rest_K, variance, away_K, tau_min: tau ?? 1, swing_K, isLate: tau !== null },
      ];
    }),
  );
  const most = Math.max(...tried.map(({ log }) => log));
  const sum = tried.reduce((total, { log }) => total + Math.exp(log - most), 0);
  const ways: Way[] = tried.map(({ log, ...way }) => ({ ...way, weight: Math.exp(log - most) / sum }));
  const total = (of: (way: Way) => number): number => ways.reduce((so, way) => so + way.weight * of(way), 0);
  // Where the likeliest rests; how far off that may be, all the others say.
  const likeliest = (of: readonly Way[]): Way => of.reduce((best, way) => (way.weight > best.weight ? way : best));
  const { rest_C } = likeliest(ways);
  const swinging = total((way) => (way.swing_K > 0 ? 1 : 0));
  const late = ways.filter((way) => way.isLate);
  const pace = late.length === 0 ? null : likeliest(late);
  return {
    rest_C,
    sd_C: Math.sqrt(total((way) => way.variance + (way.rest_C - rest_C) ** 2)),
    isLate: total((way) => (way.isLate ? 1 : 0)) >= SAID,
    swing_K: swinging >= SAID ? total((way) => way.swing_K) / swinging : 0,
    left_K: (time_min) => (pace === null ? 0 : Math.abs(pace.away_K) * Math.exp(-time_min / pace.tau_min)),
  };
}

/** From a time until it is nearer than this to its rest, min. */
export function untilRest_min({ left_K }: OvenShape, from_min: number, near_K: number): number {
  if (left_K(from_min) <= near_K) return 0;
  let [low, high] = [from_min, from_min + 1];
  while (left_K(high) > near_K) [low, high] = [high, from_min + 2 * (high - from_min)];
  for (let i = 0; i < 40; i++) {
    const middle = 0.5 * (low + high);
    if (left_K(middle) > near_K) low = middle;
    else high = middle;
  }
  return high - from_min;
}
