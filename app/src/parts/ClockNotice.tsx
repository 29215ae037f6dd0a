/** Watches the clock on every screen: what it has to be corrected by is kept over a reload, and a jump is asked about. */

import { useEffect, useRef, useState } from "react";
import { writeSettings } from "../store/db.js";
import { showDuration } from "../format/show.js";
import { shopClock, type Jump } from "../store/shopClock.js";
import { useNow, usePieces } from "../store/useStore.js";

/** Often enough to notice a jump before the next tap, ms. */
const LOOKS_ms = 1000;

const WORDS = {
  clock: {
    said: (time: string) => `The clock went ${time} ahead all at once.`,
    slept: "This machine slept: it counts",
    set: "The clock was set: it does not",
  },
  entry: {
    said: (time: string) => `The newest entry lies ${time} ahead of this machine's clock.`,
    slept: "The clock is right",
    set: "The clock was set back: go on from the entry",
  },
} as const satisfies Record<Jump["of"], unknown>;

/** When anything was last logged of a piece of steel, ms: the simulated shop has a time of its own. */
function useNewest_ms(): number {
  const pieces = usePieces() ?? [];
  return pieces.reduce(
    (newest, { piece, events }) => (piece.isPractice === true ? newest : Math.max(newest, events.at(-1)?.at_ms ?? 0)),
    0,
  );
}

export function ClockNotice() {
  useNow(LOOKS_ms);
  const newest_ms = useNewest_ms();
  const { shift } = shopClock;
  const kept = useRef(shift);
  const [, again] = useState(0);
  useEffect(() => {
    shopClock.heardOf(newest_ms);
  }, [newest_ms]);
  useEffect(() => {
    if (kept.current === shift) return;
    kept.current = shift;
    void writeSettings({ clockShift_ms: shift }).catch(() => undefined);
  }, [shift]);
  const jump = shopClock.unexplained();
  if (jump === null) return null;
  const words = WORDS[jump.of];
  const explain = (what: "slept" | "set"): void => {
    shopClock.explain(what);
    again((n) => n + 1);
  };
  return (
    <div className="bench-notice clock-notice" role="alert">
      <span>{words.said(showDuration(jump.by_ms / 1000))}</span>
      <button type="button" className="small-key" onClick={() => explain("slept")}>
        {words.slept}
      </button>
      <button type="button" className="small-key" onClick={() => explain("set")}>
        {words.set}
      </button>
    </div>
  );
}
