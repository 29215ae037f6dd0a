/** How a colour run stands by what was seen of it: which of the simulated runs explain it, and when to stop. */

import { OXIDE_NAMES, oxideFilm_nm, oxideName, temperatureForFilm_C } from "../colour/oxide.js";
import { RUN_COLOUR } from "../hand/instruments.js";
import { normalCdf } from "../numerics/normal.js";
import type { ColourRun, OneRun } from "../plan/colourRun.js";
import { COLOUR_MIN } from "../plan/runHeat.js";
import type { ColourName } from "../schema/book.js";

/** How well an eye names a temper colour, nm of film: some 8 C (judgement); how often it names another altogether. */
const NAMING_nm = 2.7;
const SLIP = RUN_COLOUR.slip;
/**
 * Every run may go quicker or slower than any that is simulated: a hotter torch, a thinner edge, a block laid closer. How many times as fast,
 * and how often (judgement). Without these a colour that no run explains would change nothing, however often it was seen.
 */
const PACES = [
  { pace: 1, weight: 0.9 },
  { pace: 0.6, weight: 0.025 },
  { pace: 1.7, weight: 0.025 },
  { pace: 0.35, weight: 0.015 },
  { pace: 3, weight: 0.015 },
  { pace: 6, weight: 0.01 },
  { pace: 12, weight: 0.01 },
] as const;

/** A colour that was seen where it is watched, so long after heat began to run. */
export interface ColourSeen {
  readonly name: ColourName;
  readonly after_s: number;
}

/** Films that have a name, nm. */
export function bandOf(name: ColourName): readonly [number, number] {
  const at = OXIDE_NAMES.findIndex((band) => band.name === name);
  return [OXIDE_NAMES[at]!.from_nm, OXIDE_NAMES[at + 1]?.from_nm ?? Infinity];
}

/** How likely an eye is to give a film a name. */
export function namesIt(name: ColourName, film_nm: number): number {
  const [low, high] = bandOf(name);
  const over = (edge: number): number => (edge === 0 ? 1 : edge === Infinity ? 0 : normalCdf((film_nm - edge) / NAMING_nm));
  return SLIP / OXIDE_NAMES.length + (1 - SLIP) * (over(low) - over(high));
}

/** What each run at each pace is worth by the colours that were seen, together 1: all runs at the first pace, then all at the next. */
export function weighRuns({ runs, times_s }: ColourRun, seen: readonly ColourSeen[]): number[] {
  const weights = PACES.flatMap(({ pace, weight }) =>
    runs.map(({ watched_nm }) =>
      seen.reduce(
        (worth, { name, after_s }) => worth * namesIt(name, filmAt(watched_nm, rowAt(times_s, pace * after_s))),
        weight as number,
      ),
    ),
  );
  const sum = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / sum);
}

/** Between which rows a moment lies: 1.5 is half way from the second to the third. */
function rowAt(times_s: readonly number[], after_s: number): number {
  const next = times_s.findIndex((t) => t > after_s);
  if (next <= 0) return next === 0 ? 0 : times_s.length - 1;
  const before_s = times_s[next - 1]!;
  return next - 1 + (after_s - before_s) / (times_s[next]! - before_s);
}

function filmAt(film_nm: Float32Array, at: number): number {
  const last = film_nm.length - 1;
  const i = Math.min(last, Math.max(0, Math.floor(at)));
  const share = Math.min(1, Math.max(0, at - i));
  return film_nm[i]! + share * (film_nm[Math.min(last, i + 1)]! - film_nm[i]!);
}

/** When a run reaches a film, s; Infinity where it never does. */
function reaches_s({ watched_nm }: OneRun, times_s: readonly number[], film_nm: number): number {
  const i = watched_nm.findIndex((film) => film >= film_nm);
  if (i <= 0) return i === 0 ? 0 : Infinity;
  const [a, b] = [watched_nm[i - 1]!, watched_nm[i]!];
  return times_s[i - 1]! + ((times_s[i]! - times_s[i - 1]!) * (film_nm - a)) / Math.max(1e-9, b - a);
}

function weighedQuantile(values: readonly number[], weights: readonly number[], p: number): number {
  const order = values.map((value, i) => ({ value, weight: weights[i]! })).sort((a, b) => a.value - b.value);
  let below = 0;
  for (const { value, weight } of order) {
    below += weight;
    if (below >= p) return value;
  }
  return order[order.length - 1]!.value;
}

/** Of their own sum; all alike where none is worth anything. */
function shareOf(weights: readonly number[]): readonly number[] {
  const sum = weights.reduce((a, b) => a + b, 0);
  return sum > 0 ? weights.map((w) => w / sum) : weights.map(() => 1 / weights.length);
}

export interface RunNow {
  /** look: by the model it should be there, and nobody has seen that it is. */
  readonly call: "wait" | "look" | "stop";
  /** The last look bears out that it is near. */
  readonly isBorneOut: boolean;
  /** It names the colour wanted, or one past it. One glance is too early as often as not: that alone is no call to stop. */
  readonly isSeen: boolean;
  /** Until it has the colour wanted, s: the middle, and from when to when in nine of ten; Infinity where it may never come. */
  readonly left_s: number;
  readonly from_s: number;
  readonly to_s: number;
  /** Chance that it never comes by this heat. */
  readonly never: number;
  /** Between these it is near enough, s from now, of the likeliest run. */
  readonly window_s: readonly [number, number];
  /** Colour of what is watched, how hot the edge is, and films along the piece now and in `AHEAD_s`, of the likeliest run. */
  readonly colour: ColourName;
  readonly watched_nm: number;
  readonly edge_C: number;
  readonly along_nm: readonly number[];
  readonly ahead_nm: readonly number[];
  /** What is watched of the likeliest run over the `COMING_s` from now, evenly, nm. */
  readonly coming_nm: readonly number[];
}

/** How far what is watched is looked ahead on the strip, s, and in how many places. */
export const COMING_s = 60;
const COMING = 41;
/** How far ahead the dashed colours stand, s. */
export const AHEAD_s = 10;
/** Less than this a run that explains nothing seen is not looked at. */
const NO_WORTH = 1e-3;

/** A look older than this says nothing of the moment, s (judgement). */
const FRESH_s = 12;
/** A colour that is seen is waited for no longer than this until its middle, s, or this share of the time that the run has taken (judgement). */
const SOON_s = 30;
const SOON = 0.5;

/** How many names the last look is past the one wanted; null where nobody looked, or long ago and short of it: a colour does not go back. */
function namesPast({ target_nm }: ColourRun, seen: readonly ColourSeen[], after_s: number): number | null {
  const last = seen[seen.length - 1];
  if (last === undefined) return null;
  const past = namesBeyond(last.name, target_nm);
  return past < 0 && after_s - last.after_s > FRESH_s ? null : past;
}

function namesBeyond(name: ColourName, target_nm: number): number {
  const at = (name: ColourName): number => OXIDE_NAMES.findIndex((band) => band.name === name);
  return at(name) - at(oxideName(target_nm));
}

/** A run as it stands so long after heat began to run, by what was seen of it; `weights` where they are known already. */
export function runNow(
  run: ColourRun,
  seen: readonly ColourSeen[],
  after_s: number,
  weights: readonly number[] = weighRuns(run, seen),
): RunNow {
  const { runs, times_s, target_nm, near_nm, places_mm } = run;
  const reached = PACES.flatMap(({ pace }) => runs.map((one) => reaches_s(one, times_s, target_nm) / pace));
  const at = (p: number): number => weighedQuantile(reached, weights, p) - after_s;
  // The one nearest the middle of those that explain what was seen.
  const middle_s = weighedQuantile(reached, weights, 0.5);
  const far = (i: number): number => (Number.isFinite(middle_s) ? Math.abs(reached[i]! - middle_s) : -weights[i]!);
  const likeliest = reached.reduce(
    (best, _, i) => (weights[i]! >= NO_WORTH && far(i) < far(best) ? i : best),
    weights.indexOf(Math.max(...weights)),
  );
  const one = runs[likeliest % runs.length]!;
  const { pace } = PACES[Math.floor(likeliest / runs.length)]!;
  const count = places_mm.length;
  const along = (t_s: number): readonly number[] => {
    const row = Math.min(one.watched_nm.length - 1, Math.round(rowAt(times_s, pace * t_s)));
    return Array.from(one.along_nm.subarray(row * count, (row + 1) * count));
  };
  const watchedAt = (t_s: number): number => filmAt(one.watched_nm, rowAt(times_s, pace * t_s));
  const watched_nm = watchedAt(after_s);
  const left_s = at(0.5);
  const past = namesPast(run, seen, after_s);
  const isBorneOut = past !== null && past >= -1;
  const isSeen = past !== null && past >= 0;
  // Seen twice, or a while ago, it is there, whatever the model has: a colour only goes on, and is never sent more heat. A name begins before
  // the middle of its colour, and an eye is as often early: where the runs that explain what was seen are soon there, their seconds are counted.
  const before = seen[seen.length - 2];
  const isTwice = before !== undefined && namesBeyond(before.name, run.target_nm) >= 0;
  const isSoon = left_s < Math.max(SOON_s, SOON * after_s);
  // The same name tapped again is meant.
  const isMeant = isTwice && before.name === seen[seen.length - 1]!.name;
  const isThere = isSeen && (isMeant || !isSoon) && (isTwice || after_s - seen[seen.length - 1]!.after_s > FRESH_s);
  // One glance that only another pace explains is a slip as often as not: it asks for a second.
  const isOnlyGlance = seen.filter(({ name }) => namesBeyond(name, target_nm) >= -1).length < 2;
  const isExplained = weighedQuantile(reached.slice(0, runs.length), shareOf(weights.slice(0, runs.length)), 0.5) <= after_s;
  const isSure = isBorneOut && (isExplained || !isOnlyGlance);
  return {
    call: isThere ? "stop" : left_s > 0 ? "wait" : isSure ? "stop" : "look",
    isBorneOut,
    isSeen,
    left_s,
    from_s: at(0.05),
    to_s: at(0.95),
    never: reached.reduce((sum, t, i) => sum + (t === Infinity ? weights[i]! : 0), 0),
    window_s: [reaches_s(one, times_s, near_nm[0]) / pace - after_s, reaches_s(one, times_s, near_nm[1]) / pace - after_s],
    colour: oxideName(watched_nm),
    watched_nm,
    edge_C: filmAt(one.edge_C, rowAt(times_s, pace * after_s)),
    along_nm: along(after_s),
    ahead_nm: along(after_s + AHEAD_s),
    coming_nm: Array.from({ length: COMING }, (_, k) => watchedAt(after_s + (k * COMING_s) / (COMING - 1))),
  };
}

/** The colour a heat is named by. */
export function colourAtHeat(temperature_C: number, surface_K: number): ColourName {
  return oxideName(oxideFilm_nm({ temperature_C, hold_min: COLOUR_MIN, alloyShift_K: surface_K }));
}

/** The heat a colour stands for where it comes in a moment, C: the middle of its band; of bare steel and of grey their near ends. */
export function heatOfColour_C(name: ColourName, surface_K: number): number {
  const [low, high] = bandOf(name);
  const film_nm = low === 0 ? 0.8 * high : high === Infinity ? low : 0.5 * (low + high);
  return temperatureForFilm_C(film_nm, COLOUR_MIN, surface_K);
}
