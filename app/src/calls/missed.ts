/** What came due while nobody could hear it: the page was closed, or the machine slept. Pure. */

import type { PieceState } from "@tembrak/core";
import type { Cue } from "./cues.js";

export interface Missed {
  readonly id: string;
  readonly name: string;
  readonly cue: Cue;
}

/** Warnings of what is to come are no news once it has come. */
const NEWS: ReadonlySet<Cue["kind"]> = new Set(["now", "late", "ready"]);

/** The last thing each piece was due between two moments; what was acted on since is no cue of it any more. */
export function missedOf(
  calls: readonly { readonly state: PieceState; readonly cues: readonly Cue[] }[],
  from_ms: number,
  to_ms: number,
): Missed[] {
  return calls.flatMap(({ state, cues }) => {
    const cue = cues.findLast(({ at_ms, kind }) => NEWS.has(kind) && at_ms > from_ms && at_ms <= to_ms);
    return cue === undefined ? [] : [{ id: state.id, name: state.piece.name, cue }];
  });
}
