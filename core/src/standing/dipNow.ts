/** A quench that goes in more than one move: which has been made by the taps, and when the next is due. */

import { dipAfter, moveAfter, seconds, type Quench } from "../plan/dips.js";
import { patternOf, type Pattern } from "../simulate/patterns.js";
import type { BathTimes } from "./bathTimes.js";

export interface DipNow {
  readonly pattern: Pattern;
  /** How often it has been changed over: all of it under, into the second bath, the edge after the back, or to the other end. */
  readonly changed: number;
  /** The move that is due, and when, s after it first went under; null where it comes out by what one sees, or as usual. */
  readonly due: { readonly move: "over" | "out"; readonly at_s: number } | null;
  /** Since it first went under, s; null before. */
  readonly gone_s: number | null;
  /** Since it was last changed over, s; since it went under before that. */
  readonly sinceMove_s: number | null;
}

function dueOf(quench: Quench, changed: number, lastMove_s: number): DipNow["due"] {
  const s = seconds(dipAfter(quench, changed));
  return s === null ? null : { move: moveAfter(quench, changed), at_s: lastMove_s + s };
}

/** @param quench as it is planned */
export function dipNow(quench: Quench, { in_ms, over_ms }: BathTimes, now_ms: number): DipNow {
  const pattern = patternOf(quench);
  if (in_ms === null) return { pattern, changed: 0, due: null, gone_s: null, sinceMove_s: null };
  const last_ms = over_ms.at(-1) ?? in_ms;
  const since = (from_ms: number): number => Math.max(0, (now_ms - from_ms) / 1000);
  return {
    pattern,
    changed: over_ms.length,
    due: dueOf(quench, over_ms.length, (last_ms - in_ms) / 1000),
    gone_s: since(in_ms),
    sinceMove_s: since(last_ms),
  };
}
