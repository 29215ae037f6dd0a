/** A quench that goes in more than one move: which has been made by the taps, and when the next is due. */

import type { Step } from "../schema/book.js";
import { patternOf, type Pattern } from "../simulate/patterns.js";
import type { BathTimes } from "./bathTimes.js";

type Quench = Extract<Step, { kind: "quench" }>;

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

function dueOf({ then, turns, backFirst, bath_s }: Quench, changed: number, lastMove_s: number): DipNow["due"] {
  if (backFirst !== undefined && changed === 0) return { move: "over", at_s: backFirst.after_s };
  if (turns !== undefined) return { move: "over", at_s: lastMove_s + (changed % 2 === 0 ? turns.first_s : turns.second_s) };
  if (then !== undefined && changed === 0) return { move: "over", at_s: then.after_s };
  return bath_s === undefined ? null : { move: "out", at_s: lastMove_s + bath_s };
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
