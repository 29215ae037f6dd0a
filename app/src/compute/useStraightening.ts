/** Whether a piece may still be straightened. */

import { straighteningNow, type PieceState, type Straightening } from "@tembrak/core";
import { timeFor } from "../format/pieceTime.js";
import { useStandingSoon } from "./useAnswers.js";

/** Asked of the model only for what is being straightened; null for anything else, and while it is worked out. */
export function useStraightening(state: PieceState, wall_ms: number): Straightening | null {
  const isWanted = state.next?.kind === "straighten";
  const prediction = useStandingSoon(state, isWanted);
  return isWanted ? straighteningNow(state, prediction?.hardening.straighten, timeFor(state, wall_ms)) : null;
}
