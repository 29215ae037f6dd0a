/** How a piece looks now, its heat judged as the bench judges it. */

import type { HeatCall, PieceState } from "@tembrak/core";
import { useHeatNow } from "../compute/useHeatNow.js";
import { useSettings } from "../store/useStore.js";
import { usePieceTime } from "../store/pieceClock.js";
import { paintOf, type Paint } from "./paint.js";

export interface PaintNow extends Paint {
  /** Of a heat, how far it is. */
  readonly call: HeatCall | null;
}

export function usePaint(state: PieceState, wall_ms: number): PaintNow {
  const { ambient_lux } = useSettings();
  // A practice piece lives by the simulated clock, wherever it is drawn.
  const now_ms = usePieceTime(state)(wall_ms);
  const now = useHeatNow(state, state.next, now_ms);
  return { ...paintOf(state, ambient_lux, now_ms, now?.read?.estimate.mean_C ?? null), call: now?.call ?? null };
}
