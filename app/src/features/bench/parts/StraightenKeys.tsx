/** What is done to a bent piece: each way one tap, always to be logged; by hand only until it is surely hard. */

import { STRAIGHTENERS, type PieceState, type StraightenCall, type Straightener } from "@tembrak/core";
import { showClock } from "../../../format/show.js";
import { STRAIGHTENER_WORDS } from "../../../words/workWords.js";
import type { ActProps } from "./ActKey.js";

/** Plates are pressed for five minutes (common practice, no source), s. */
const PLATES_s = 300;
/** What surely snaps is not offered; anything else is a matter of what is in front of one. */
const BY_HAND: Straightener = "hands";

/** What each state asks for, where nothing was done yet. */
const WARNS: Readonly<Record<StraightenCall, string>> = {
  open: "",
  closing: "Gently, and stop where it springs.",
  careful: "Likelier hard than not: by hand no more. What you do is logged all the same.",
  shut: "By the model it is hard: the jig in the temper takes it out. What you do all the same is logged.",
};

interface Props extends Pick<ActProps<"straighten">, "state" | "bench" | "now_ms"> {
  readonly actId: string;
  /** Undefined while nobody knows. */
  readonly is: StraightenCall | undefined;
}

/** The way that was taken last, and when. */
function lastWay({ checks }: PieceState, actId: string): { readonly how: Straightener; readonly at_ms: number } | null {
  const last = checks.findLast(({ act, reading }) => act === actId && reading.check === "straightened");
  return last?.reading.check === "straightened" ? { how: last.reading.how, at_ms: last.at_ms } : null;
}

export function StraightenKeys({ state, actId, bench, now_ms, is }: Props) {
  const last = lastWay(state, actId);
  const left_s = last?.how === "plates" ? PLATES_s - (now_ms - last.at_ms) / 1000 : 0;
  return (
    <div className="straighten-ways" data-window={is ?? "awaited"}>
      <div className="straighten-keys" role="group" aria-label="How it is straightened">
        {STRAIGHTENERS.filter((how) => how !== BY_HAND || is === "open" || is === "closing").map((how) => (
          <button
            key={how}
            type="button"
            className="small-key"
            aria-pressed={last?.how === how}
            disabled={bench.isStoring}
            onClick={() => bench.check({ check: "straightened", how })}
          >
            {STRAIGHTENER_WORDS[how].name}
          </button>
        ))}
      </div>
      <p className="drawn from" role="status">
        {last === null ? (is === undefined ? "" : WARNS[is]) : STRAIGHTENER_WORDS[last.how].how}
        {left_s > 0 ? ` ${showClock(left_s)} more.` : ""}
      </p>
    </div>
  );
}
