/** What runs now, piece by piece: time that gets less, and brittleness that grows. Pure. */

import {
  bathTimes,
  brittleSince,
  isInWork,
  mayStillBend,
  soakClock,
  straighteningNow,
  type PieceState,
  type Prediction,
  type Vessel,
} from "@tembrak/core";
import { BRITTLE_LIMIT_s } from "./cues.js";

export interface Clock {
  readonly id: string;
  readonly name: string;
  readonly what: "hold" | "temper" | "slow" | "straighten" | "hand-warm" | "brittle";
  /** Left of it, below 0 when it is over; of brittleness how long it has lasted, s. */
  readonly s: number;
  /** Of the whole of it, s. */
  readonly of_s: number;
  /** What a temper lies in, where that is no oven. */
  readonly vessel?: Vessel | undefined;
}

type Running = Pick<Clock, "what" | "s" | "of_s" | "vessel"> | null;

function ofAct(state: PieceState, now_ms: number, prediction: Prediction | undefined): Running {
  const { next, nextSince_ms: since_ms } = state;
  if (next === undefined || since_ms === null) return null;
  const left = (what: Clock["what"], of_s: number, from_ms = since_ms): NonNullable<Running> => ({
    what,
    of_s,
    s: of_s - (now_ms - from_ms) / 1000,
  });
  switch (next.kind) {
    case "hold":
      return { what: "hold", of_s: next.hold_s, s: soakClock(state, next, now_ms).left_s };
    case "temper":
      return { ...left("temper", next.hold_s), ...(next.in === undefined ? {} : { vessel: next.in }) };
    case "slow-cool":
      return left("slow", next.time_s);
    case "cool-down": {
      const warm_s = prediction?.hardening.handWarm_s;
      const { in_ms } = bathTimes(state, next.step);
      return warm_s === undefined || in_ms === null ? null : left("hand-warm", warm_s, in_ms);
    }
    case "straighten": {
      const straightening = straighteningNow(state, prediction?.hardening.straighten, now_ms);
      const { from_s, to_s } = prediction?.hardening.straighten ?? { from_s: 0, to_s: 0 };
      return straightening !== null && mayStillBend(straightening) && straightening.left_s !== null
        ? { what: "straighten", s: straightening.left_s, of_s: to_s - from_s }
        : null;
    }
    default:
      return null;
  }
}

/** Out of its bath and not known yet to be too late to straighten: it is not called brittle. */
function mayBend(state: PieceState, now_ms: number, prediction: Prediction | undefined): boolean {
  if (state.next?.kind !== "straighten" || !asksModel(state)) return false;
  const now = straighteningNow(state, prediction?.hardening.straighten, now_ms);
  return now === null || mayStillBend(now);
}

/** Whether the clock of a piece hangs on what the model says of it: it cools or is straightened, and it is known when it went into the bath. */
export function asksModel(state: PieceState): boolean {
  const { next, piece } = state;
  return (
    (next?.kind === "cool-down" || next?.kind === "straighten") && piece.isPractice !== true && bathTimes(state, next.step).in_ms !== null
  );
}

/** The clock of a piece, if one runs; what is brittle is told as that, unless it is still too hot to hold. */
export function clockOf(state: PieceState, now_ms: number, prediction?: Prediction): Clock | null {
  if (!isInWork(state) || state.piece.isPractice === true) return null;
  const { id, piece } = state;
  const own = ofAct(state, now_ms, prediction);
  const since_ms = mayBend(state, now_ms, prediction) ? null : brittleSince(state, now_ms);
  const running = own ?? (since_ms === null ? null : { what: "brittle" as const, s: (now_ms - since_ms) / 1000, of_s: BRITTLE_LIMIT_s });
  return running === null ? null : { id, name: piece.name, ...running };
}

/** Which of two wants its smith first. */
export function bySoonest(a: Clock, b: Clock): number {
  const due = ({ what, s, of_s }: Clock): number => (what === "brittle" ? of_s - s : s);
  return due(a) - due(b);
}

/** Longer than this one does other things meanwhile; asked about while it has just begun, s. */
const LONG_s = 600;

export function isLongBegun({ what, s, of_s }: Clock): boolean {
  return what !== "brittle" && s > LONG_s && of_s - s < LONG_s;
}
