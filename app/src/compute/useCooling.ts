/** What the model knows of a piece that cools: on its way to the bath, and out of it. */

import { bathTimes, lateNow_ms, onItsWay, straighteningNow, type PieceState, type Straightening } from "@tembrak/core";
import { usePieceTime } from "../store/pieceClock.js";
import { useAsPlannedYet, useStandingSoon } from "./useAnswers.js";

export interface Cooling {
  /** Out of the fire so long that it will not harden any more, s; null while it will, and of what is not on its way to its bath. */
  readonly tooLate_s: number | null;
  /** Whether it may still be straightened; null of what nobody straightens, and while that is worked out. */
  readonly straightening: Straightening | null;
  /** Whether it should be hand-warm by now; null of what does not cool from its bath, and while that is worked out. */
  readonly isHandWarm: boolean | null;
}

const COOLS: ReadonlySet<string> = new Set(["quench", "straighten", "cool-down"]);
/** Colder than this nobody quenches anything, C; and with less than this share of the chance it had it is heated once more (judgement). */
const COLDEST_C = 400;
const CHANCE_LEFT = 0.5;

/** Asked of the model only for what cools, as the clocks on top of every screen ask it. */
export function useCooling(state: PieceState, wall_ms: number): Cooling {
  const { next } = state;
  const now_ms = usePieceTime(state)(wall_ms);
  // In good time it goes in as planned, and nothing is to be asked.
  const way = lateNow_ms(state, now_ms) === null ? null : onItsWay(state, now_ms);
  const isWanted = next !== undefined && COOLS.has(next.kind) && (next.kind !== "quench" || way !== null);
  const hardening = useStandingSoon(state, isWanted)?.hardening;
  const in_ms = next?.kind === "cool-down" ? bathTimes(state, next.step).in_ms : null;
  // What would not have hardened in good time either is not told that it came too late.
  const inTime = useAsPlannedYet(state, way !== null)?.hardening.chanceHard.working;
  const chance = hardening?.chanceHard.working;
  const isGone = chance !== undefined && inTime !== undefined && chance < CHANCE_LEFT * inTime;
  return {
    tooLate_s: way !== null && (way.now_C < COLDEST_C || isGone) ? (now_ms - way.out_ms) / 1000 : null,
    straightening: straighteningNow(state, hardening?.straighten, now_ms),
    isHandWarm: in_ms === null || hardening === undefined ? null : (now_ms - in_ms) / 1000 > hardening.handWarm_s,
  };
}
