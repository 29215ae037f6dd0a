/** Beside every screen: what runs elsewhere, what is called now, and what was called while nobody could hear it. */

import { isInWork, type PieceState, type Prediction } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useCallback, useEffect, useMemo, useState } from "react";
import { Link, useLocation } from "react-router";
import { useStandingSoon } from "../compute/useAnswers.js";
import { showAgo, showClock, showDuration } from "../format/show.js";
import { writeSettings } from "../store/db.js";
import { useNow, usePieces, useSettings } from "../store/useStore.js";
import { liesIn } from "../words/vesselWords.js";
import { asksModel, bySoonest, clockOf, type Clock } from "./clocks.js";
import { useCalls, type Call } from "./useCalls.js";
import type { Missed } from "./missed.js";
import "./calls.css";

const TICK_ms = 1000;
/** More than these are not taken in at a glance. */
const MOST_CLOCKS = 5;

const WORDS = {
  hold: "at heat",
  slow: "cooling slowly",
  straighten: "to straighten",
  "hand-warm": "to hand-warm",
  brittle: "brittle",
} as const satisfies Record<Exclude<Clock["what"], "temper">, string>;

function Cell({ clock: { id, name, what, s, of_s, vessel } }: { clock: Clock }) {
  const isBrittle = what === "brittle";
  const share = Math.min(1, Math.max(0, s / of_s));
  const where = what === "temper" ? `in ${liesIn(vessel)}` : WORDS[what];
  const time = isBrittle ? `${Math.floor(s / 60)} min` : s < 0 ? `${showClock(-s)} over` : showClock(s);
  return (
    <Link to={`/piece/${id}/bench`} className={isBrittle || s < 0 ? "clock-cell due" : "clock-cell"}>
      <b>{time}</b>
      <span>
        {name}, {where}
      </span>
      <svg viewBox="0 0 100 6" preserveAspectRatio="none" aria-hidden="true">
        {isBrittle ? (
          <path
            d={`M0 6${Array.from({ length: Math.max(1, Math.round(12 * share)) }, (_, i) => `L${8 * i + 4} 0L${8 * i + 8} 6`).join("")}`}
            fill="none"
            stroke="var(--pale)"
            strokeWidth={1.4}
          />
        ) : (
          <line x1={0} x2={100 * share} y1={3} y2={3} stroke="var(--steel)" strokeWidth={3} />
        )}
      </svg>
    </Link>
  );
}

/** Asks the model for a piece whose clock hangs on it. */
function Ask({ state, onKnown }: { state: PieceState; onKnown: (id: string, prediction: Prediction) => void }) {
  const prediction = useStandingSoon(state);
  useEffect(() => {
    if (prediction !== undefined) onKnown(state.id, prediction);
  }, [prediction, state.id, onKnown]);
  return null;
}

/** The piece at whose bench one stands. */
function useHere(): string | null {
  return /^\/piece\/([^/]+)\/bench$/.exec(useLocation().pathname)?.[1] ?? null;
}

function CallLine({
  call,
  missed,
  dismiss,
  now_ms,
}: {
  call: Call | null;
  missed: readonly Missed[];
  dismiss: () => void;
  now_ms: number;
}) {
  if (call === null && missed.length === 0) return null;
  return (
    <div className="call-line" role="alert">
      {call === null ? null : (
        <span className={`call-now ${call.cue.kind}`}>
          <Link to={`/piece/${call.id}/bench`}>{call.name}</Link>: {call.cue.words}
        </span>
      )}
      {missed.map(({ id, name, cue }) => (
        <span key={id}>
          While nobody could hear it, {showAgo(cue.at_ms, now_ms)}: <Link to={`/piece/${id}/bench`}>{name}</Link>. {cue.words}{" "}
          {showDuration((now_ms - cue.at_ms) / 1000)} late.
        </span>
      ))}
      <Button onClick={dismiss}>Heard</Button>
    </div>
  );
}

/** Whether this browser may call in front of other windows: asked for once, in words, when something first runs for long. */
function MayCall({ isLong }: { isLong: boolean }) {
  const { hasAskedToCall } = useSettings();
  if (!isLong || hasAskedToCall || typeof Notification === "undefined" || Notification.permission !== "default") return null;
  const answer = (isWanted: boolean): void => {
    void writeSettings({ hasAskedToCall: true }).catch(() => undefined);
    if (isWanted) void Notification.requestPermission().catch(() => undefined);
  };
  return (
    <div className="call-line">
      <span>Shall this browser call you in front of other windows, when a hold or a temper is over?</span>
      <Button onClick={() => answer(true)}>Yes, ask the browser</Button>
      <Button variant="text" onClick={() => answer(false)}>
        No
      </Button>
    </div>
  );
}

/** Longer than this one does other things meanwhile; asked while it has just begun, s. */
const LONG_s = 600;

function isLongBegun({ what, s, of_s }: Clock): boolean {
  return what !== "brittle" && s > LONG_s && of_s - s < LONG_s;
}

export function CallBar() {
  const here = useHere();
  const pieces = usePieces();
  const now_ms = useNow(TICK_ms);
  const [known, setKnown] = useState<ReadonlyMap<string, Prediction>>(new Map());
  const keep = useCallback(
    (id: string, prediction: Prediction) => setKnown((all) => (all.get(id) === prediction ? all : new Map(all).set(id, prediction))),
    [],
  );
  const others = useMemo(() => (pieces ?? []).filter((state) => isInWork(state) && state.id !== here), [pieces, here]);
  const cooling = useMemo(() => others.filter(asksModel), [others]);
  const { call, missed, dismiss } = useCalls(here, known);
  const clocks = others.flatMap((state) => clockOf(state, now_ms, known.get(state.id)) ?? []).sort(bySoonest);
  return (
    <>
      {cooling.map((state) => (
        <Ask key={state.id} state={state} onKnown={keep} />
      ))}
      <CallLine call={call} missed={missed} dismiss={dismiss} now_ms={now_ms} />
      <MayCall isLong={here === null && clocks.some(isLongBegun)} />
      {clocks.length === 0 ? null : (
        <nav className={here === null ? "clock-row" : "clock-row at-bench"} aria-label="What runs elsewhere">
          {clocks.slice(0, MOST_CLOCKS).map((clock) => (
            <Cell key={clock.id} clock={clock} />
          ))}
          {clocks.length > MOST_CLOCKS ? <span className="clock-more">and {clocks.length - MOST_CLOCKS} more</span> : null}
        </nav>
      )}
    </>
  );
}
