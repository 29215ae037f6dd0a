/**
 * The quench without hands: from one press the bench calls each move and logs it, until the piece is out of the bath. Whether it is
 * straight, or hand-warm, somebody has to see and feel: that is called, and logged by a key alone. Pure.
 */

import { bathTimes, dipNow, soakClock, underOf, type Act, type PieceState, type Prediction } from "@tembrak/core";
import type { NewEvent } from "../../store/db.js";
import { BATH_LEAST_s, type CueKind } from "../../calls/cues.js";

/** From the press to "now", s: time to take the tongs up (judgement). */
export const COUNTDOWN_s = 8;
/** From fire to bath where nobody rehearsed it, s (common practice, no source). */
const USUAL_MOVE_s = 2;
/** In the bath at least, and where the model gives no window, s (common practice, no source). */
const USUAL_BATH_s = 12;

export interface SequenceMove {
  /** The act it belongs to. */
  readonly act: string;
  readonly at_ms: number;
  readonly events: readonly NewEvent[];
  /** What is called at that moment, and what while waiting for it. */
  readonly cue: CueKind;
  readonly words: string;
  readonly until: string;
}

/** Whether an act can begin the sequence: the last of the fire, with the bath next. */
export function canStart(state: PieceState, act: Act): boolean {
  const next = state.acts[state.acts.indexOf(act) + 1];
  if (!(act.kind === "heat" || act.kind === "hold") || act.purpose !== "harden" || next?.kind !== "quench") return false;
  // When an edge or an end may come out nobody can call by the clock: the body tells.
  const quench = state.route?.steps[next.step];
  return quench?.kind === "quench" && underOf(quench).what === "whole";
}

/** When the running sequence was started, ms; null when none runs. */
export function sequenceSince_ms({ checks }: PieceState): number | null {
  const last = checks.findLast(({ reading }) => reading.check === "sequence");
  return last?.reading.check === "sequence" && last.reading.state === "started" ? last.at_ms : null;
}

function move_s({ checks }: PieceState): number {
  const last = checks.findLast(({ reading }) => reading.check === "rehearsal");
  return last?.reading.check === "rehearsal" ? last.reading.took_s : USUAL_MOVE_s;
}

/**
 * The next move of the running sequence; null when none runs, or it has come to its end.
 * @param out_s when it should come out of its bath, where that was worked out, s after it went under
 */
export function nextMove(state: PieceState, prediction: Prediction | undefined, out_s: number | null = null): SequenceMove | null {
  const started_ms = sequenceSince_ms(state);
  const { next } = state;
  if (started_ms === null || next === undefined) return null;
  const done: NewEvent = { kind: "act-done", act: next.id };
  const since_ms = state.nextSince_ms ?? started_ms;
  const move = (at_ms: number, cue: CueKind, words: string, until: string, events: readonly NewEvent[]): SequenceMove => ({
    act: next.id,
    at_ms,
    events,
    cue,
    words,
    until,
  });
  switch (next.kind) {
    case "heat":
    case "hold": {
      // Only the fire it was started in: a later heat is a heat of its own.
      if (!canStart(state, next) || started_ms < since_ms) return null;
      const held_ms = next.kind === "hold" ? soakClock(state, next, started_ms).end_ms : started_ms;
      return held_ms === null
        ? null
        : move(Math.max(started_ms + 1000 * COUNTDOWN_s, held_ms), "now", "Now: to the bath.", "to the bath", [done]);
    }
    case "quench": {
      const { in_ms } = bathTimes(state, next.step);
      if (in_ms === null) {
        const under: NewEvent = { kind: "check", act: next.id, reading: { check: "bath", state: "in" } };
        return move(since_ms + 1000 * move_s(state), "look", "Under. Keep it moving.", "under", [under]);
      }
      const step = state.route?.steps[next.step];
      const due = step?.kind === "quench" ? dipNow(step, bathTimes(state, next.step), in_ms).due : null;
      if (due?.move === "over") {
        const over: NewEvent = { kind: "check", act: next.id, reading: { check: "bath", state: "over" } };
        return move(in_ms + 1000 * due.at_s, "now", "Now: over into the second bath.", "over", [over]);
      }
      const window = prediction?.hardening.straighten ?? null;
      const usual_s = out_s ?? Math.max(BATH_LEAST_s, Math.min(window?.from_s ?? USUAL_BATH_s, 30));
      const bath_s = due !== null ? due.at_s : usual_s;
      const out: NewEvent = { kind: "check", act: next.id, reading: { check: "bath", state: "out" } };
      return move(in_ms + 1000 * bath_s, "now", "Out. Sight the spine.", "out of the bath", [out, done]);
    }
    default:
      return null;
  }
}
