/** A belief about hardness on a grid, and what a row of files does to it. */

import { FILE } from "../hand/instruments.js";
import type { Bell } from "../numerics/mixture.js";
import { normalCdf } from "../numerics/normal.js";
import type { Likelihood } from "./weigh.js";

const LOWEST_HRC = 20;
const STEP_HRC = 0.1;
const NODES = 501;

export type FileResult = "skates" | "drags" | "bites";

export interface FileStroke {
  /** Where it changes from bite to skate: what the file is marked with; of an ordinary mill file what such files do. */
  readonly hardness_HRC: number;
  readonly result: FileResult;
  /** Spread of the file itself, HRC; as a marked one is made where nobody says. */
  readonly fileSpread_HRC?: number;
  /** On either side of that it drags, HRC; as a marked one where nobody says. */
  readonly drags_HRC?: number;
}

/** Chance of each hardness from 20 to 70 HRC in steps of 0.1, summing to 1. */
export type HardnessBelief = Float64Array;

export function hardnessOfNode_HRC(i: number): number {
  return LOWEST_HRC + STEP_HRC * i;
}

/** What cannot be told apart any more, because all of it is next to impossible, is taken as even: a file may hold anything. */
function normalised(weights: Float64Array): HardnessBelief {
  let sum = 0;
  for (const w of weights) sum += w;
  return sum > 0 && Number.isFinite(sum) ? weights.map((w) => w / sum) : new Float64Array(NODES).fill(1 / NODES);
}

/**
 * What a piece is that failed to harden for a reason nobody logged: pearlite and bainite, HRC (hardening-note: 30 ... 52). Three pieces
 * in a hundred: a heat misjudged, a step forgotten (judgement).
 */
export const FAILED: Bell = { mean: 42, sd: 9 };
export const LEAST_FAIL = 0.03;

/**
 * What a piece is that hardened though its model says that it did not: hard steel, HRC. As many of a hundred: a bath quicker than ours, a tap
 * that came late, a steel that is another (judgement). Without it no file could speak against a model that is sure.
 */
export const HARD_ALL_THE_SAME: Bell = { mean: 61, sd: 4 };
export const LEAST_HARD = 0.03;

/** A prediction, and beside it what it cannot have foreseen either way. */
export function withSurprises(bells: readonly Bell[]): readonly Bell[] {
  const all = bells.reduce((sum, { weight = 1 }) => sum + weight, 0);
  const share = 1 - LEAST_FAIL - LEAST_HARD;
  return [...bells, { ...FAILED, weight: (all * LEAST_FAIL) / share }, { ...HARD_ALL_THE_SAME, weight: (all * LEAST_HARD) / share }];
}

/** A set of bells as a belief. A narrow bell alone would rather believe in any soft skin than in a piece that was never hot enough. */
export function priorBelief(bells: readonly Bell[]): HardnessBelief {
  let belief = new Float64Array(NODES);
  for (const { mean, sd, weight = 1 } of bells) {
    const density = (i: number): number => (weight / sd) * Math.exp(-0.5 * ((hardnessOfNode_HRC(i) - mean) / sd) ** 2);
    belief = belief.map((w, i) => w + density(i));
  }
  return normalised(belief);
}

/** How far on either side of its mark a marked file drags, and how far the mark may be off as it was made, HRC (common practice, no source; judgement). */
const DRAGS_HRC = 1;
const AS_MADE_HRC = 1;

function strokeChance(H: number, { hardness_HRC: F, result, fileSpread_HRC = AS_MADE_HRC, drags_HRC = DRAGS_HRC }: FileStroke): number {
  const s = Math.hypot(FILE.sd, fileSpread_HRC);
  const skate = normalCdf((H - F - drags_HRC) / s);
  const bite = normalCdf((F - drags_HRC - H) / s);
  const chance = result === "skates" ? skate : result === "bites" ? bite : 1 - skate - bite;
  return FILE.slip / 3 + (1 - FILE.slip) * chance;
}

/** How much softer a skin that lost its carbon is than what lies below, HRC. */
const SKIN_HRC = 8;

/** What was done to the surface before the file touched it. */
export type Surface = "as-it-came" | "ground" | "heated-long-unprotected";

/** Chance that a soft skin hides hard steel. Judgement: temper-note section 4. */
export const SKIN_CHANCE: Readonly<Record<Surface, number>> = { "as-it-came": 0.1, ground: 0.03, "heated-long-unprotected": 0.5 };

/** How well each hardness explains a row of files. All strokes meet the same skin. */
export function filesSay(strokes: readonly FileStroke[], skinChance: number): Likelihood {
  return (H) => {
    const core = strokes.reduce((p, stroke) => p * strokeChance(H, stroke), 1);
    const skin = strokes.reduce((p, stroke) => p * strokeChance(H - SKIN_HRC, stroke), 1);
    return (1 - skinChance) * core + skinChance * skin;
  };
}

/**
 * How well each hardness explains a measurement with a standard error. No floor under it: it would let any prior win against any number of
 * readings. What was expected is never surer than its own surprises (`withSurprises`), and a reading that does not fit is asked about.
 */
export function measurementSays(value_HRC: number, error_HRC: number): Likelihood {
  return (H) => Math.exp(-0.5 * ((H - value_HRC) / error_HRC) ** 2);
}

/** A belief after a test. */
export function believedAfter(belief: HardnessBelief, says: Likelihood): HardnessBelief {
  return normalised(belief.map((prior, i) => prior * says(hardnessOfNode_HRC(i))));
}

export interface BeliefSummary {
  readonly mean_HRC: number;
  readonly sd_HRC: number;
  readonly p05_HRC: number;
  readonly p95_HRC: number;
}

/** Hardness below which the share `p` of a belief lies; linear inside a node's cell. */
export function quantile_HRC(belief: HardnessBelief, p: number): number {
  let below = 0;
  for (let i = 0; i < NODES; i++) {
    const here = belief[i]!;
    if (below + here >= p) return hardnessOfNode_HRC(i) - STEP_HRC / 2 + (STEP_HRC * (p - below)) / here;
    below += here;
  }
  return hardnessOfNode_HRC(NODES - 1);
}

export function summarise(belief: HardnessBelief): BeliefSummary {
  let mean = 0;
  belief.forEach((w, i) => (mean += w * hardnessOfNode_HRC(i)));
  let variance = 0;
  belief.forEach((w, i) => (variance += w * (hardnessOfNode_HRC(i) - mean) ** 2));
  return { mean_HRC: mean, sd_HRC: Math.sqrt(variance), p05_HRC: quantile_HRC(belief, 0.05), p95_HRC: quantile_HRC(belief, 0.95) };
}

/** What the files say on their own: the hardest that bites is above the steel, the softest that skates is below it. */
export interface FileBracket {
  readonly above_HRC: number | null;
  readonly below_HRC: number | null;
  /** A harder file skated than one that bit: test again on fresh metal. */
  readonly isConsistent: boolean;
}

export function fileBracket(strokes: readonly FileStroke[]): FileBracket {
  const skated = strokes.filter((s) => s.result === "skates").map((s) => s.hardness_HRC);
  const bit = strokes.filter((s) => s.result === "bites").map((s) => s.hardness_HRC);
  const above_HRC = skated.length > 0 ? Math.max(...skated) : null;
  const below_HRC = bit.length > 0 ? Math.min(...bit) : null;
  return { above_HRC, below_HRC, isConsistent: above_HRC === null || below_HRC === null || above_HRC < below_HRC };
}
