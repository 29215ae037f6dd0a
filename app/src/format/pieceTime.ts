/** The time that counts for a piece. Pure. */

import type { PieceState } from "@tembrak/core";

/** The wall clock; for a practice piece the simulated clock as it last stood: it runs at its own speed, and only while it is open. */
export function timeFor({ piece, events }: PieceState, now_ms: number): number {
  return piece.isPractice === true ? (events[events.length - 1]?.at_ms ?? now_ms) : now_ms;
}
