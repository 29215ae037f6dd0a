/** The clock a piece lives by where it is being worked: of a practice piece that of its simulated shop while it is open. */

import type { PieceState } from "@tembrak/core";
import { createContext, use } from "react";
import { timeFor } from "../format/pieceTime.js";

export interface PieceClock {
  readonly id: string;
  readonly now: () => number;
}

export const PieceClockContext = createContext<PieceClock | null>(null);

/** Turns the clock on the wall into the time that counts for a piece. */
export function usePieceTime(state: PieceState): (wall_ms: number) => number {
  const own = use(PieceClockContext);
  return (wall_ms) => (own?.id === state.id ? own.now() : timeFor(state, wall_ms));
}
