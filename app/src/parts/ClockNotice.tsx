/** Watches the clock on every screen: what it has to be corrected by is kept over a reload, a jump is asked about, and a correction can be taken back. */

import type { BookEvent, PieceState } from "@tembrak/core";
import { useEffect, useRef, useState } from "react";
import { showDuration, showMoment } from "../format/show.js";
import { shopClock, shopNow, type Jump } from "../store/shopClock.js";
import { useLog, useNow, usePieces, useSet, useSettings } from "../store/useStore.js";
import { readingWords } from "../words/readingWords.js";

/** Often enough to notice a jump before the next tap, ms. */
const LOOKS_ms = 1000;
/** A smaller correction is the clocks' own difference, ms. */
const LEAST_SHIFT_ms = 1000;

const WORDS = {
  clock: { slept: "This machine slept: it counts", set: "The clock was set: it does not" },
  entry: { slept: "The clock is right", set: "The clock was set back: go on from the entry" },
} as const satisfies Record<Jump["of"], unknown>;

interface Newest {
  readonly state: PieceState;
  readonly event: BookEvent;
}

/** What was last logged of a piece of steel: the simulated shop has a time of its own. */
function useNewest(): Newest | null {
  const pieces = usePieces() ?? [];
  return pieces.reduce<Newest | null>((newest, state) => {
    const event = state.piece.isPractice === true ? undefined : state.events.at(-1);
    return event !== undefined && event.at_ms > (newest?.event.at_ms ?? -Infinity) ? { state, event } : newest;
  }, null);
}

/** Keeps a correction over a reload, and lets go of one whose entry was taken back. */
function useKeptShift(): void {
  const pieces = usePieces();
  const { clockShiftEntry } = useSettings();
  const set = useSet();
  const { shift } = shopClock;
  const kept = useRef(shift);
  useEffect(() => {
    if (kept.current === shift) return;
    kept.current = shift;
    set({ clockShift_ms: shift });
  }, [shift, set]);
  const isGone =
    clockShiftEntry !== null && pieces !== undefined && !pieces.some(({ events }) => events.some(({ id }) => id === clockShiftEntry));
  useEffect(() => {
    if (!isGone) return;
    shopClock.forget();
    kept.current = 0;
    set({ clockShift_ms: 0, clockShiftEntry: null });
  }, [isGone, set]);
}

function Said({ jump, newest }: { jump: Jump; newest: Newest | null }) {
  const units = useSettings();
  const time = showDuration(jump.by_ms / 1000);
  if (jump.of === "clock") return <span>The clock went {time} ahead all at once.</span>;
  return (
    <span>
      The newest entry lies {time} ahead of this machine&apos;s clock
      {newest === null
        ? "."
        : `: ${newest.state.piece.name}, ${readingWords(newest.event, newest.state, units)}, ${showMoment(newest.event.at_ms)}.`}
    </span>
  );
}

/** A correction that holds, said as long as it does. */
function Corrected() {
  const { shift } = shopClock;
  const set = useSet();
  if (Math.abs(shift) < LEAST_SHIFT_ms) return null;
  const takeBack = (): void => {
    shopClock.forget();
    set({ clockShift_ms: 0, clockShiftEntry: null });
  };
  return (
    <div className="bench-notice clock-notice" role="status">
      <span>
        Times here run {showDuration(Math.abs(shift) / 1000)} {shift > 0 ? "ahead of" : "behind"} this machine&apos;s clock, as you said.
      </span>
      <button type="button" className="small-key" onClick={takeBack}>
        Take that back
      </button>
    </div>
  );
}

/** @param isAtBench there a correction that holds is not said again */
export function ClockNotice({ isAtBench = false }: { readonly isAtBench?: boolean }) {
  useNow(LOOKS_ms);
  useKeptShift();
  const newest = useNewest();
  const newest_ms = newest?.event.at_ms ?? 0;
  const [, again] = useState(0);
  const { write } = useLog();
  const set = useSet();
  useEffect(() => {
    shopClock.heardOf(newest_ms);
  }, [newest_ms]);
  const jump = shopClock.unexplained();
  if (jump === null) return isAtBench ? null : <Corrected />;
  const words = WORDS[jump.of];
  const explain = (what: "slept" | "set"): void => {
    shopClock.explain(what);
    if (what === "set" && jump.of === "entry" && newest !== null) set({ clockShiftEntry: newest.event.id });
    again((n) => n + 1);
  };
  const withdraw = ({ state, event }: Newest): void => {
    explain("slept");
    void write(state.id, [{ kind: "withdrawn", event: event.id }], shopNow());
  };
  const canWithdraw = jump.of === "entry" && newest !== null && newest.event.kind !== "piece" && newest.event.kind !== "route";
  return (
    <div className="bench-notice clock-notice" role="alert">
      <Said jump={jump} newest={newest} />
      <button type="button" className="small-key" onClick={() => explain("slept")}>
        {words.slept}
      </button>
      <button type="button" className="small-key" onClick={() => explain("set")}>
        {words.set}
      </button>
      {canWithdraw ? (
        <button type="button" className="small-key" onClick={() => withdraw(newest)}>
          The entry is wrong: take it back
        </button>
      ) : null}
    </div>
  );
}
