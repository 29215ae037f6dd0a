/** What the model knows of a piece that is out of its bath and cools. */

import { bathTimes, straighteningNow, type PieceState, type Straightening } from "@tembrak/core";
import { timeFor } from "../format/pieceTime.js";
import { useStandingSoon } from "./useAnswers.js";

export interface Cooling {
  /** Whether it may still be straightened; null of what nobody straightens, and while that is worked out. */
  readonly straightening: Straightening | null;
  /** Whether it should be hand-warm by now; null of what does not cool from its bath, and while that is worked out. */
  readonly isHandWarm: boolean | null;
}

/** Asked of the model only for what cools from its bath, as the clocks on top of every screen ask it. */
export function useCooling(state: PieceState, wall_ms: number): Cooling {
  const { next } = state;
  const isWanted = next?.kind === "straighten" || next?.kind === "cool-down";
  const hardening = useStandingSoon(state, isWanted)?.hardening;
  const now_ms = timeFor(state, wall_ms);
  const in_ms = next?.kind === "cool-down" ? bathTimes(state, next.step).in_ms : null;
  return {
    straightening: straighteningNow(state, hardening?.straighten, now_ms),
    isHandWarm: in_ms === null || hardening === undefined ? null : (now_ms - in_ms) / 1000 > hardening.handWarm_s,
  };
}
