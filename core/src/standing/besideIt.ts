/** Pieces of its kind that lie quenched beside one, black with oil and scale, and may be taken for it. */

import type { PieceState } from "../book/state.js";

/** Acts between the bath and the oven where nothing hurries: there it is asked which one is in the hand. */
const LIES: ReadonlySet<string> = new Set(["first-file", "brighten", "oven"]);
const LIES_OR_COOLS: ReadonlySet<string> = new Set(["straighten", "cool-down", ...LIES]);
/** Quenched longer ago than this, the one before has found its place, ms (judgement). */
const RECENT_ms = 2 * 3600 * 1000;

function quenchedAt_ms({ acts, doneAt_ms }: PieceState): number | null {
  const quench = acts.findLast(({ kind, id }) => kind === "quench" && doneAt_ms.has(id));
  return quench === undefined ? null : doneAt_ms.get(quench.id)!;
}

/** The others it may be taken for; none once its mark was read since its quench, or where it lies alone. */
export function besideIt(state: PieceState, pieces: readonly PieceState[], now_ms: number): PieceState[] {
  const quenched_ms = quenchedAt_ms(state);
  if (quenched_ms === null || state.next === undefined || !LIES.has(state.next.kind)) return [];
  if (state.checks.some(({ reading, at_ms }) => reading.check === "mark" && at_ms >= quenched_ms)) return [];
  return pieces.filter((other) => {
    const at_ms = quenchedAt_ms(other);
    return (
      other.id !== state.id &&
      other.piece.kind === state.piece.kind &&
      other.fate === null &&
      (other.piece.isPractice === true) === (state.piece.isPractice === true) &&
      other.next !== undefined &&
      LIES_OR_COOLS.has(other.next.kind) &&
      at_ms !== null &&
      now_ms - at_ms < RECENT_ms
    );
  });
}
