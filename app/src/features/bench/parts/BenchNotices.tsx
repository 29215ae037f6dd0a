/** What concerns the whole bench: another tab that leads, a piece that is no longer as planned. */

import type { PieceState } from "@tembrak/core";
import { useMoved } from "../../../compute/useAnswers.js";
import type { Leader } from "../useLeader.js";

export function LeadNotice({ leading, take }: Leader) {
  if (leading !== "follows") return null;
  return (
    <div className="bench-notice" role="status">
      <span>Another tab leads this piece; this one follows it.</span>
      <button type="button" className="small-key" onClick={take}>
        Lead from here
      </button>
    </div>
  );
}

/** Told at once, and for as long as it is so. */
export function MovedNotice({ state }: { state: PieceState }) {
  const moved = useMoved(state);
  if (moved === null) return null;
  return (
    <div className="bench-notice" role="status">
      <span>{moved}</span>
    </div>
  );
}
