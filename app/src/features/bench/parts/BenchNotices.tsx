/** What concerns the whole bench: another tab that leads, a clock that jumped, a piece that is no longer as planned. */

import type { PieceState } from "@tembrak/core";
import { useMoved } from "../../../compute/useAnswers.js";
import { showDuration } from "../../../format/show.js";
import type { BenchClock } from "../../../store/useBenchClock.js";
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

export function ClockNotice({ jump, explain }: Pick<BenchClock, "jump" | "explain">) {
  if (jump === null) return null;
  return (
    <div className="bench-notice" role="alert">
      <span>The clock went {showDuration(jump.by_ms / 1000)} ahead all at once.</span>
      <button type="button" className="small-key" onClick={() => explain("slept")}>
        This machine slept: it counts
      </button>
      <button type="button" className="small-key" onClick={() => explain("set")}>
        The clock was set: it does not
      </button>
    </div>
  );
}
