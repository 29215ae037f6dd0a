/** A hold or a temper that runs on: what nobody has ended yet lasts as long as it has lasted, not as long as it was planned. */

import type { PieceState } from "../book/state.js";

/** How often what runs on is looked at anew: so much of what was planned, and no oftener than this, ms (judgement). */
const SHARE = 0.1;
const LEAST_ms = 60_000;

/**
 * The moment up to which what is under way has outlasted its plan; null where it has not. It moves in steps, so that what hangs on it
 * need not be worked out every second.
 */
export function lateNow_ms({ next, nextSince_ms }: Pick<PieceState, "next" | "nextSince_ms">, now_ms: number): number | null {
  if (nextSince_ms === null || (next?.kind !== "hold" && next?.kind !== "temper")) return null;
  const planned_ms = 1000 * next.hold_s;
  const step_ms = Math.max(LEAST_ms, SHARE * planned_ms);
  const steps = Math.floor((now_ms - nextSince_ms - planned_ms) / step_ms);
  return steps < 1 ? null : nextSince_ms + planned_ms + steps * step_ms;
}
