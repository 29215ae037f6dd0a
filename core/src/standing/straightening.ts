/** Whether a piece that is out of its bath may still be straightened: the one answer of rack, card, bench and clocks. */

import type { PieceState } from "../book/state.js";
import type { StraightenWindow } from "../simulate/hardenReadings.js";
import { chanceOpen } from "../simulate/windowSpread.js";
import { bathTimes } from "./bathTimes.js";

/** open: it is nearly sure that less than half of it is hard; closing to even; careful, in boards or plates alone, until hardly a case is left; shut. */
export type StraightenCall = "open" | "closing" | "careful" | "shut";

export interface Straightening {
  readonly is: StraightenCall;
  /** Chance that less than half of it is hard by now, 0 … 1. */
  readonly chance: number;
  /** Until it is open no more, s; 0 where it is not, null where it hardly ever shuts. */
  readonly sure_s: number | null;
  /** Until it is as likely shut as open, s; null where it never is that likely to be shut. */
  readonly even_s: number | null;
  /** Until it is likelier shut than open, below 0 since, s; null where it hardly ever shuts. */
  readonly left_s: number | null;
  /** The edge by itself is likelier hard than not: it is stiff, and bends with the body no more than that lets it. */
  readonly isEdgeHard: boolean;
}

/**
 * From these chances that it is open it is called so (judgement, tried on made-up blades: told to bend when over half of it is hard is one in a
 * hundred, told shut while it is not two).
 */
const OPEN = 0.98;
const CLOSING = 0.5;
const CAREFUL = 0.015;

/** What a chance is called. */
export function straightenCall(chance: number): StraightenCall {
  if (chance >= OPEN) return "open";
  if (chance >= CLOSING) return "closing";
  return chance >= CAREFUL ? "careful" : "shut";
}

/** How a window stands so many seconds after the piece went in. */
export function windowAt(window: StraightenWindow | null, gone_s: number): Straightening {
  if (window === null) return { is: "open", chance: 1, sure_s: null, even_s: null, left_s: null, isEdgeHard: false };
  const { end, edge, to_s } = window;
  const chance = chanceOpen(end, gone_s);
  return {
    is: straightenCall(chance),
    chance,
    sure_s: Math.max(0, end.ends_s[Math.floor((1 - OPEN) * end.ends_s.length)]! - gone_s),
    even_s: Number.isFinite(end.p50_s) ? end.p50_s - gone_s : null,
    left_s: to_s - gone_s,
    isEdgeHard: edge !== null && chanceOpen(edge, gone_s) < CLOSING,
  };
}

/**
 * Null for a piece nobody straightens now, and while nobody knows.
 * @param window of the piece as it was done, by the model; null where it hardly ever shuts, undefined while it is worked out
 */
export function straighteningNow(state: PieceState, window: StraightenWindow | null | undefined, now_ms: number): Straightening | null {
  if (state.next?.kind !== "straighten" || window === undefined) return null;
  // Where nobody tapped that it went in, it is known when the quench was over.
  const in_ms = bathTimes(state, state.next.step).in_ms ?? state.nextSince_ms;
  return in_ms === null ? null : windowAt(window, (now_ms - in_ms) / 1000);
}

/** Whether it may still be bent by hand, with care. */
export function mayStillBend({ is }: Pick<Straightening, "is">): boolean {
  return is === "open" || is === "closing";
}

/** After so long in bath and air anything a smith hardens is cold, s (common practice, no source). */
export const COLD_AFTER_s = 1200;
