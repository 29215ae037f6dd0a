/** How a piece looks now, its heat judged as the bench judges it. */

import type { PieceState } from "@tembrak/core";
import { useHeatNow } from "../compute/useHeatNow.js";
import { useSettings } from "../store/useStore.js";
import { paintOf, type Paint } from "./paint.js";

export function usePaint(state: PieceState, now_ms: number): Paint {
  const { ambient_lux } = useSettings();
  const now = useHeatNow(state, state.next, now_ms);
  return paintOf(state, ambient_lux, now_ms, now?.read?.estimate.mean_C ?? null);
}
