/** What the break of a piece, or of a coupon that went with it, looked like: one look, that every screen reads. */

import type { PieceState } from "../book/state.js";
import type { BreakLook } from "../schema/book.js";

/** The newest look at a break since it was hardened last; null where nobody looked. */
export function grainSeen({ acts, doneAt_ms, checks }: Pick<PieceState, "acts" | "doneAt_ms" | "checks">): BreakLook | null {
  const quench = acts.findLast(({ kind, id }) => kind === "quench" && doneAt_ms.has(id));
  const since_ms = quench === undefined ? -Infinity : doneAt_ms.get(quench.id)!;
  const last = checks.findLast(({ reading, at_ms }) => reading.check === "grain" && at_ms >= since_ms)?.reading;
  return last?.check === "grain" ? last.look : null;
}
