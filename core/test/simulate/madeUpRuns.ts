/** Made-up smiths at made-up colour runs: what the bench says when, and what colour they dunk. */

import { OXIDE_NAMES, temperatureForFilm_C } from "../../src/colour/oxide.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { uniforms } from "../../src/numerics/sampling.js";
import { planRoute } from "../../src/plan/route.js";
import { COLOUR_MIN } from "../../src/plan/runHeat.js";
import type { ColourName, Hardens, Piece, RunSource } from "../../src/schema/book.js";
import { colourRun, runPlanOf, type ColourRun, type OneRun } from "../../src/plan/colourRun.js";
import { namesIt, runNow, weighRuns, type ColourSeen } from "../../src/simulate/runNow.js";

const COMMON = { mark: 1, start: "normalised" } as const;
const CHISEL = {
  ...COMMON,
  name: "Stake chisel",
  kind: "chisel",
  steel: "w1",
  use: "chisel",
  length_mm: 200,
  section: { shape: "round", diameter_mm: 16 },
};
const BLADE = {
  ...COMMON,
  name: "Reed knife",
  kind: "hook",
  steel: "1075",
  use: "chopper",
  length_mm: 260,
  section: { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 40 },
};

/** Planned with its edge in water, and a line behind it that is watched. */
const STRIKER = {
  name: "Fire striker",
  mark: "2",
  kind: "striker",
  form: "striker",
  steel: "w1",
  start: "normalised",
  use: "striker",
  length_mm: 80,
  section: { shape: "wedge", spine_mm: 5, edge_mm: 4, height_mm: 26 },
};

export interface RunCase {
  readonly name: string;
  readonly piece: Piece;
  readonly hardens: Hardens;
  readonly source: RunSource;
}

const pieceOf = (made: object): Piece => made as Piece;
export const RUN_CASES: readonly RunCase[] = [
  { name: "chisel, its own heat", piece: pieceOf(CHISEL), hardens: "face", source: "residual" },
  { name: "chisel, torch", piece: pieceOf(CHISEL), hardens: "face", source: "torch" },
  { name: "chisel, hot bar", piece: pieceOf(CHISEL), hardens: "face", source: "hot-bar" },
  { name: "blade, torch on its back", piece: pieceOf(BLADE), hardens: "whole", source: "torch" },
  { name: "striker, edge in water, hot bar", piece: pieceOf(STRIKER), hardens: "whole", source: "hot-bar" },
  { name: "blade, back on a hot bar", piece: pieceOf(BLADE), hardens: "whole", source: "hot-bar" },
];

export interface Stopped {
  /** Off the heat of the colour wanted, K; null for a run that never got there, nor was said to. */
  readonly off_K: number | null;
  readonly looks: number;
}

/** When one looks first, s. */
const FIRST_LOOK_s = 2;

/** A bar lies for so long before another is fetched, s. */
const BAR_LIES_s = 240;

/** The same run, and what the bench knows of it, with fresh bars at these times. */
type Rerun = (fresh_s: readonly number[]) => { readonly run: ColourRun; readonly truth: OneRun };

/**
 * A run that is not one of those the bench knows, looked at every few seconds and dunked when the bench says so; on a hot bar a fresh
 * one is fetched when the bench says that it will not come.
 */
export function stopped(first: ReturnType<Rerun>, again: Rerun | null, surface_K: number, target_C: number, seed: number): Stopped {
  let { run, truth } = first;
  const fresh_s: number[] = [];
  const even = uniforms(seed);
  const filmAt = (t_s: number): number => {
    const next = run.times_s.findIndex((t) => t > t_s);
    const i = Math.min(truth.watched_nm.length - 1, next < 0 ? truth.watched_nm.length - 1 : next - 1);
    const j = Math.min(truth.watched_nm.length - 1, i + 1);
    const share = j === i ? 0 : (t_s - run.times_s[i]!) / (run.times_s[j]! - run.times_s[i]!);
    return truth.watched_nm[i]! + Math.min(1, share) * (truth.watched_nm[j]! - truth.watched_nm[i]!);
  };
  const nameOf = (film_nm: number): ColourName => {
    let left = even();
    for (const { name } of OXIDE_NAMES) {
      left -= namesIt(name, film_nm);
      if (left <= 0) return name;
    }
    return "grey";
  };
  const reaction_s = 0.3 + 0.7 * even();
  const seen: ColourSeen[] = [];
  let look_s = FIRST_LOOK_s;
  let weights = weighRuns(run, seen);
  const log = (t: number): void => {
    seen.push({ name: nameOf(filmAt(t)), after_s: t });
    weights = weighRuns(run, seen);
  };
  for (let t = 0; t < 900; t += t < 60 ? 0.25 : 0.5) {
    if (t >= look_s) {
      // Bare steel is not said; a colour whenever it is another than the last.
      if (nameOf(filmAt(t)) !== (seen.at(-1)?.name ?? "bare")) log(t);
      // Once colours show one does not look away.
      look_s = t + (seen.length === 0 ? 2 + 3 * even() : 0.8 + 0.7 * even());
    }
    const { call, left_s } = runNow(run, seen, t, weights);
    if (again !== null && left_s === Infinity && t - (fresh_s.at(-1) ?? 0) > BAR_LIES_s) {
      fresh_s.push(t);
      ({ run, truth } = again(fresh_s));
      weights = weighRuns(run, seen);
    }
    // Asked to look, one looks and says what it is.
    if (call === "look" && t - (seen.at(-1)?.after_s ?? -9) > 2) log(t);
    if (call === "stop") {
      return { off_K: temperatureForFilm_C(filmAt(t + reaction_s), COLOUR_MIN, surface_K) - target_C, looks: seen.length };
    }
  }
  return { off_K: null, looks: seen.length };
}

/** `count` runs of a case. */
export function runsOf({ piece, hardens, source }: RunCase, count: number, seed = 77): Stopped[] {
  const route = planRoute(CATALOGUE, piece, "forge", { way: { hardens, draws: source } });
  const plan = runPlanOf(CATALOGUE, piece, route);
  const run = colourRun(piece, plan);
  const truths = colourRun(piece, plan, { seed: seed + 1000, count }).runs;
  const afresh = (i: number): Rerun | null =>
    source !== "hot-bar"
      ? null
      : (fresh_s) => ({
          run: colourRun(piece, { ...plan, fresh_s }),
          truth: colourRun(piece, { ...plan, fresh_s }, { seed: seed + 1000, count, only: i }).runs[0]!,
        });
  return truths.map((truth, i) => stopped({ run, truth }, afresh(i), plan.surface_K, plan.target_C, seed + i));
}
