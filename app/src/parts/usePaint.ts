/** How a piece looks now, its heat judged as the bench judges it. */

import type { PieceState } from "@tembrak/core";
import { useHeatNow } from "../compute/useHeatNow.js";
import { useSettings } from "../store/useStore.js";
import { timeFor } from "../format/pieceTime.js";
import { paintOf, type Paint } from "./paint.js";

export function usePaint(state: PieceState, wall_ms: number): Paint {
  const { ambient_lux } = useSettings();
  // A practice piece lives by the simulated clock, wherever it is drawn.
  const now_ms = timeFor(state, wall_ms);
  const now = useHeatNow(state, state.next, now_ms);
  return paintOf(state, ambient_lux, now_ms, now?.read?.estimate.mean_C ?? null);
}
