/** What is done to a bent piece in its window: each way one tap; when it has shut, only what does not bend it. */

import { STRAIGHTENERS, type PieceState, type Straightener } from "@tembrak/core";
import { showClock } from "../../../format/show.js";
import { STRAIGHTENER_WORDS } from "../../../words/workWords.js";
import type { ActProps } from "./ActKey.js";

/** Plates are pressed for five minutes (common practice, no source), s. */
const PLATES_s = 300;
/** These do not bend what is hard. */
const HARMLESS: ReadonlySet<Straightener> = new Set(["hang", "jig"]);

interface Props extends Pick<ActProps<"straighten">, "state" | "bench" | "now_ms"> {
  readonly actId: string;
  /** Undefined while nobody knows: then nothing that bends is offered either. */
  readonly isShut: boolean | undefined;
}

/** The way that was taken last, and when. */
function lastWay({ checks }: PieceState, actId: string): { readonly how: Straightener; readonly at_ms: number } | null {
  const last = checks.findLast(({ act, reading }) => act === actId && reading.check === "straightened");
  return last?.reading.check === "straightened" ? { how: last.reading.how, at_ms: last.at_ms } : null;
}

export function StraightenKeys({ state, actId, bench, now_ms, isShut }: Props) {
  const last = lastWay(state, actId);
  const left_s = last?.how === "plates" ? PLATES_s - (now_ms - last.at_ms) / 1000 : 0;
  return (
    <div className="straighten-ways">
      <div className="straighten-keys" role="group" aria-label="How it is straightened">
        {STRAIGHTENERS.filter((how) => isShut === false || HARMLESS.has(how)).map((how) => (
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
        {last === null
          ? isShut
            ? "Nothing that bends it now: the jig in the temper takes it out."
            : ""
          : STRAIGHTENER_WORDS[last.how].how}
        {left_s > 0 ? ` ${showClock(left_s)} more.` : ""}
      </p>
    </div>
  );
}
