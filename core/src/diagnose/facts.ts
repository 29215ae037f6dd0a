/** What of a hardening somebody saw, timed or read: what was logged is a fact, the rest may be otherwise than anybody thinks. */

import { lastOf_s } from "../plan/dips.js";
import { COLD_AFTER_s } from "../standing/straightening.js";
import { HAND_WARM_C } from "../constants.js";
import { pieceState, type PieceState } from "../book/state.js";
import { ovenRead_C } from "../standing/asDone.js";
import { standingQuestion, type Question, type StandingContext } from "../standing/question.js";
import { grainSeen } from "../standing/grainSeen.js";
import type { Run } from "../standing/logged.js";
import type { BreakLook } from "../schema/book.js";
import type { Fact, Finding } from "../schema/job.js";
import type { LogEntry } from "../schema/verbs.js";

export interface Diagnosed extends Question {
  readonly planned: Question["route"];
  readonly facts: readonly Fact[];
  readonly findings: readonly Finding[];
  readonly breaks: readonly BreakLook[];
}

function lastOf(state: PieceState, kind: string): number {
  return state.route?.steps.findLastIndex((step) => step.kind === kind) ?? -1;
}

/** The bath that was gone through last, by its step; -1 where none was. */
export function lastBathDone({ acts, doneAt_ms }: PieceState): number {
  return acts.findLast(({ kind, id }) => kind === "quench" && doneAt_ms.has(id))?.step ?? -1;
}

/**
 * A piece with an end still to be hardened, as if that were not planned: what was found is of the end that is done, and so are its causes
 * and its way on. Itself where no bath is ahead.
 */
export function endInHand(state: PieceState): PieceState {
  const { route, events, id } = state;
  const at = lastBathDone(state);
  const last = lastOf(state, "quench");
  if (route === null || at < 0 || last <= at) return state;
  const cut = { ...route, steps: [...route.steps.slice(0, at + 1), ...route.steps.slice(last + 1)] };
  const at_ms = Math.max(...events.map((event) => event.at_ms));
  return pieceState(id, [...events, { id: "end-in-hand", piece: id, at_ms, kind: "route", route: cut }]) ?? state;
}

/** The question of why a piece came out as it did; null for one that nobody planned, or that was not tested. */
export function whyQuestion(whole: PieceState, context: StandingContext): Diagnosed | null {
  const state = endInHand(whole);
  const question = standingQuestion(state, context);
  if (question?.known.tests === undefined || state.route === null) return null;
  const [heat, quench, temper] = [lastOf(state, "harden"), lastOf(state, "quench"), lastOf(state, "temper")];
  const done = question.route.steps[quench];
  const own = new Set(state.acts.filter(({ step }) => step === heat || step === quench).map(({ id }) => id));
  const holdAct = state.acts.find(({ step, kind }) => step === heat && kind === "hold");
  const facts: Fact[] = [];
  if (state.checks.some(({ act, reading }) => own.has(act) && ["glow", "magnet", "probe", "infrared", "stick"].includes(reading.check)))
    facts.push("heat");
  if (holdAct !== undefined && state.doneAt_ms.has(holdAct.id)) facts.push("hold");
  if (done?.kind === "quench" && done.transfer_s !== undefined) facts.push("transfer");
  if (state.checks.some(({ act, reading }) => own.has(act) && reading.check === "bath-heat")) facts.push("bath");
  if (done?.kind === "quench" && lastOf_s(done) !== null) facts.push("bath-time");
  if (temper >= 0 && ovenRead_C(state, temper) !== undefined) facts.push("oven");
  if (question.known.tests.every(({ test }) => test.piece_C !== undefined && test.piece_C <= HAND_WARM_C)) facts.push("cold");
  const tested_ms = state.tests.at(-1)?.at_ms ?? 0;
  // Of each look what it found last, since the piece was tested.
  const findings = new Map<Finding["of"], Finding>();
  for (const { reading, at_ms } of state.checks)
    if (reading.check === "finding" && at_ms >= tested_ms) findings.set(reading.of, { of: reading.of, answer: reading.answer });
  const seen = grainSeen(state);
  return { ...question, planned: state.route, facts, findings: [...findings.values()], breaks: seen === null ? [] : [seen] };
}

/** The same of a log as the command line has it. */
export function factsOf({ heat_s, fireOut_s, bathIn_s, bathOut_s, known }: Run, bathRead: boolean, firstTest_s: number): Fact[] {
  const facts: Fact[] = [];
  if (known.shop?.heat_K !== undefined) facts.push("heat");
  if (heat_s !== undefined && fireOut_s !== undefined) facts.push("hold");
  if (fireOut_s !== undefined && bathIn_s !== undefined) facts.push("transfer");
  if (bathRead) facts.push("bath");
  if (bathIn_s !== undefined && bathOut_s !== undefined) facts.push("bath-time");
  if (known.shop?.oven_K !== undefined) facts.push("oven");
  if (bathIn_s !== undefined && firstTest_s - bathIn_s > COLD_AFTER_s) facts.push("cold");
  return facts;
}

/** What a log tells of looks, each by its last since the piece was tested, and of its break since it met its bath. */
export function seenIn(log: readonly LogEntry[], bathIn_s: number, now_s: number): Pick<Diagnosed, "findings" | "breaks"> {
  const tested_s = log.findLast(({ act, at_s }) => act === "test" && at_s <= now_s)?.at_s ?? -Infinity;
  const findings = new Map<Finding["of"], Finding>();
  const breaks: BreakLook[] = [];
  for (const entry of log) {
    if (entry.at_s > now_s) continue;
    if (entry.act === "found" && entry.at_s >= tested_s) findings.set(entry.of, { of: entry.of, answer: entry.answer });
    if (entry.act === "break" && entry.at_s >= bathIn_s) breaks.splice(0, 1, entry.look);
  }
  return { findings: [...findings.values()], breaks };
}
