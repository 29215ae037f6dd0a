/** Whether a piece that is out of its bath may still be straightened: the one answer of rack, card, bench and clocks. */

import type { PieceState } from "../book/state.js";
import type { StraightenWindow } from "../simulate/hardenReadings.js";
import { bathTimes } from "./bathTimes.js";

export interface Straightening {
  readonly is: "open" | "shut";
  /** Of an open one how long yet, of a shut one how long ago (below 0), s; null where it never shuts. */
  readonly left_s: number | null;
}

/**
 * Null for a piece nobody straightens now, and while nobody knows.
 * @param window of the piece as it was done, by the model; null where it stays soft enough, undefined while it is worked out
 */
export function straighteningNow(state: PieceState, window: StraightenWindow | null | undefined, now_ms: number): Straightening | null {
  if (state.next?.kind !== "straighten" || window === undefined) return null;
  // Where nobody tapped that it went in, it is known when the quench was over.
  const in_ms = bathTimes(state, state.next.step).in_ms ?? state.nextSince_ms;
  if (in_ms === null) return null;
  if (window === null) return { is: "open", left_s: null };
  const left_s = window.to_s - (now_ms - in_ms) / 1000;
  return { is: left_s < 0 ? "shut" : "open", left_s };
}

/** After so long in bath and air anything a smith hardens is cold, s (common practice, no source). */
export const COLD_AFTER_s = 1200;
