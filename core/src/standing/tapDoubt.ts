/** A tap into the bath that may have come late: which it is, what the shop's habit says, and the piece with the likelier of both. */

import type { PieceState } from "../book/state.js";
import { ASKED_FROM, chanceLate, type Habit } from "../hand/tap.js";
import { bathTimes } from "./bathTimes.js";
import type { Factor } from "./learn.js";
import { mishapsOf } from "./mishaps.js";
import { leftForBath_ms } from "./onItsWay.js";
import type { Prediction } from "../simulate/predict.js";

/** The way of a shop nobody knows: its middle, s, and its spread, a logarithm (judgement). */
const USUAL_s = 1.5;
const USUAL_LN = 0.3;

export interface TapDoubt {
  /** The entry that says it went in. */
  readonly event: string;
  readonly step: number;
  readonly tapped_s: number;
  readonly tapped_ms: number;
  /** As the shop does it, s; and when that would have been. */
  readonly usual_s: number;
  readonly usual_ms: number;
  /** Chance that it was tapped late, 0 … 1. */
  readonly chance: number;
  /** Whether it is worth a question: only where it makes a difference to the piece, which is not known here. */
  readonly isLikely: boolean;
}

function habitOf(factors: readonly Factor[]): Habit {
  const way = factors.find(({ name }) => name === "transfer");
  return way === undefined
    ? { usual_s: USUAL_s, sd_ln: USUAL_LN }
    : { usual_s: USUAL_s * Math.exp(way.mean), sd_ln: Math.max(0.15, Math.hypot(way.sd, way.scatter)) };
}

/** Null where it was not tapped, was asked about already, was said to be slow, or hangs in the air on purpose. */
export function tapDoubt(state: PieceState, step: number, factors: readonly Factor[] = []): TapDoubt | null {
  const { in_ms } = bathTimes(state, step);
  const left_ms = leftForBath_ms(state, step);
  if (in_ms === null || left_ms === undefined || in_ms <= left_ms) return null;
  const tap = state.checks.findLast(({ at_ms, reading }) => at_ms === in_ms && reading.check === "bath" && reading.state === "in");
  const before = state.acts[state.acts.findIndex((act) => act.step === step && act.kind === "quench") - 1];
  if (tap === undefined || state.asked.has(tap.id) || before?.kind === "fall" || mishapsOf(state, step).has("slow")) return null;
  const tapped_s = (in_ms - left_ms) / 1000;
  const habit = habitOf(factors);
  const chance = chanceLate(tapped_s, habit);
  if (chance < LEAST) return null;
  const usual_ms = Math.round(left_ms + 1000 * habit.usual_s);
  return { event: tap.id, step, tapped_s, tapped_ms: in_ms, usual_s: habit.usual_s, usual_ms, chance, isLikely: chance > ASKED_FROM };
}

/** Less likely than this nobody weighs it. */
const LEAST = 0.05;

/** The piece as if it had gone in when it usually does. */
export function asUsual(state: PieceState, { event, usual_ms }: TapDoubt): PieceState {
  return { ...state, checks: state.checks.map((check) => (check.id === event ? { ...check, at_ms: usual_ms } : check)) };
}

/** A piece another by so much, HRC, or by such a chance, is asked about (judgement). */
const MATTERS_HRC = 2;
const MATTERS_CHANCE = 0.1;

/** Whether it makes another piece of it. @param tapped as it was tapped, @param usual as it usually is */
export function tapMatters(tapped: Prediction, usual: Prediction): boolean {
  const hardness = ({ working }: Prediction): number => working.asQuenched.mean_HRC;
  const chance = ({ hardening }: Prediction): number => hardening.chanceHard.working;
  return Math.abs(hardness(tapped) - hardness(usual)) >= MATTERS_HRC || Math.abs(chance(tapped) - chance(usual)) >= MATTERS_CHANCE;
}
