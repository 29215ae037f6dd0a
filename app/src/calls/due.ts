/** What of a piece's cues came due between two looks at the clock. Pure. */

import type { PieceState } from "@tembrak/core";
import type { Cue } from "./cues.js";
import type { Call } from "./unheard.js";

/** Told later than this nobody heard it when it was due: the page was closed, or the machine slept, s. */
export const HEARD_s = 4;
/** A warning of what is to come is no news once it has come. */
const NEWS: ReadonlySet<Cue["kind"]> = new Set(["now", "late", "ready"]);

/**
 * Every one of them, in order of time. What was acted on since is no cue of it any more.
 *
 * @param speed simulated seconds in one of the wall: what is late by a moment of the wall is not late
 */
export function callsDue(
  { id, piece }: Pick<PieceState, "id" | "piece">,
  cues: readonly Cue[],
  { from_ms, to_ms, speed = 1 }: { readonly from_ms: number; readonly to_ms: number; readonly speed?: number },
): Call[] {
  return cues.flatMap((cue) => {
    const late_s = (to_ms - cue.at_ms) / 1000 / Math.max(1, speed);
    if (cue.at_ms <= from_ms || cue.at_ms > to_ms || (late_s > HEARD_s && !NEWS.has(cue.kind))) return [];
    return [{ id, name: piece.name, cue, late_s: late_s > HEARD_s ? late_s : 0 }];
  });
}
