/** Beside every screen: what runs elsewhere, what is called now, and what was called while nobody could hear it. */

import { isInWork, type PieceState, type Prediction } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useState } from "react";
import { Link, useLocation, useNavigate } from "react-router";
import { useStandingSoon } from "../compute/useAnswers.js";
import { showAgo, showClock, showDuration } from "../format/show.js";
import { currentShop } from "../instruments/simulatedShop.js";
import { useNow, usePieces } from "../store/useStore.js";
import { liesIn } from "../words/vesselWords.js";
import { asksModel, bySoonest, clockOf, isLongBegun, type Clock } from "./clocks.js";
import { MayCall } from "./MayCall.js";
import type { Call } from "./unheard.js";
import { viewAt } from "../views.js";
import { isDoneSince, useCalls, type ShopTime } from "./useCalls.js";
import "./calls.css";
import { toPiece } from "../format/address.js";

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
    <Link to={toPiece(id, "bench")} className={isBrittle || s < 0 ? "clock-cell due" : "clock-cell"}>
      <b>{time}</b>
      <span>
        {name}
        <span className="clock-where">, {where}</span>
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
  const view = viewAt(useLocation().pathname);
  return view?.name === "bench" ? (view.id ?? null) : null;
}

/** So many are read at a glance; the others are behind a key. At a bench the keys need the room. */
const SHOWN_CALLS = 3;

/** One that was called: when, of what, and whether it was done meanwhile. */
function Called({ call: { id, name, cue, late_s }, isDone, now_ms }: { call: Call; isDone: boolean; now_ms: number }) {
  return (
    <li className={isDone ? "call-past" : `call-now ${cue.kind}`}>
      <Link to={toPiece(id, "bench")}>{name}</Link>: {cue.words} <span className="call-when">{showAgo(cue.at_ms, now_ms)}</span>
      {late_s > 0 ? <span className="call-when">, nobody could hear it: told {showDuration(late_s)} late</span> : null}
      {isDone ? <span className="call-when">, done since</span> : null}
    </li>
  );
}

interface Unheard {
  /** In order of time. */
  readonly calls: readonly Call[];
  readonly most: number;
  readonly isDone: (call: Call) => boolean;
  readonly nowOf: (id: string) => number;
  readonly onHeard: () => void;
}

/** Every call since somebody last said *Heard*, the newest first: nothing else takes one away. */
function CallLine({ calls, most, isDone, nowOf, onHeard }: Unheard) {
  const [isOpen, setOpen] = useState(false);
  if (calls.length === 0) return null;
  const shown = [...calls].reverse().slice(0, isOpen ? calls.length : most);
  return (
    <div className="call-line" role="alert" data-testid="unheard">
      <ul>
        {shown.map((call) => (
          <Called key={`${call.id} ${call.cue.at_ms} ${call.cue.words}`} call={call} isDone={isDone(call)} now_ms={nowOf(call.id)} />
        ))}
      </ul>
      {calls.length > shown.length ? (
        <Button variant="text" onClick={() => setOpen(true)}>
          and {calls.length - shown.length} more
        </Button>
      ) : null}
      <Button onClick={onHeard}>{calls.length === 1 ? "Heard" : `Heard, all ${calls.length}`}</Button>
    </div>
  );
}

/** The clock of a simulated shop while nobody stands at its bench. */
function AskShop({ id, onTime }: { id: string; onTime: (id: string, time: ShopTime | null) => void }) {
  const { data } = useQuery({
    queryKey: ["shop time", id],
    queryFn: () => currentShop(id),
    refetchInterval: ({ state }) => (state.data === null ? SHUT_ms : TICK_ms),
    refetchIntervalInBackground: true,
  });
  useEffect(() => {
    if (data !== undefined) onTime(id, data);
    return () => onTime(id, null);
  }, [data, id, onTime]);
  return null;
}

/** A shop that is not open is looked for again after so long, ms. */
const SHUT_ms = 30_000;
/** More practice pieces than these are not listened to. */
const MOST_SHOPS = 3;

/** The clocks of the practice pieces that somebody left running. */
function useShopTimes() {
  const [times, setTimes] = useState<ReadonlyMap<string, ShopTime>>(new Map());
  const keep = useCallback(
    (id: string, time: ShopTime | null) =>
      setTimes((all) => {
        const next = new Map(all);
        if (time === null) next.delete(id);
        else next.set(id, { now_ms: time.now_ms, speed: time.speed });
        return next;
      }),
    [],
  );
  return { times, keep };
}

/** A notification that was tapped brings the bench of its piece to the front. */
function useGoWhereCalled(): void {
  const navigate = useNavigate();
  useEffect(() => {
    if (!("serviceWorker" in navigator)) return;
    const go = ({ data }: MessageEvent<{ readonly type?: unknown; readonly path?: unknown } | null>): void => {
      if (data?.type === "go" && typeof data.path === "string" && data.path.startsWith("/piece/")) void navigate(data.path);
    };
    navigator.serviceWorker.addEventListener("message", go);
    return () => navigator.serviceWorker.removeEventListener("message", go);
  }, [navigate]);
}

/** Not with steel in the hand: at a bench only once it lies in its temper. */
function mayAsk(running: readonly PieceState[], here: string | null): boolean {
  return here === null || running.find(({ id }) => id === here)?.next?.kind === "temper";
}

export function CallBar() {
  useGoWhereCalled();
  const here = useHere();
  const pieces = usePieces();
  const now_ms = useNow(TICK_ms);
  const [known, setKnown] = useState<ReadonlyMap<string, Prediction>>(new Map());
  const shops = useShopTimes();
  const keep = useCallback(
    (id: string, prediction: Prediction) => setKnown((all) => (all.get(id) === prediction ? all : new Map(all).set(id, prediction))),
    [],
  );
  const running = useMemo(() => (pieces ?? []).filter(isInWork), [pieces]);
  const others = useMemo(() => running.filter(({ id }) => id !== here), [running, here]);
  const cooling = useMemo(() => others.filter(asksModel), [others]);
  const practised = others.filter(({ piece }) => piece.isPractice === true).slice(0, MOST_SHOPS);
  const { unheard, heard } = useCalls(here, known, shops.times);
  const nowOf = (id: string): number => shops.times.get(id)?.now_ms ?? now_ms;
  const clocks = others.flatMap((state) => clockOf(state, now_ms, known.get(state.id)) ?? []).sort(bySoonest);
  const long = running.flatMap((state) => clockOf(state, now_ms) ?? []).find(isLongBegun);
  return (
    <>
      {cooling.map((state) => (
        <Ask key={state.id} state={state} onKnown={keep} />
      ))}
      {practised.map(({ id }) => (
        <AskShop key={id} id={id} onTime={shops.keep} />
      ))}
      <div className={here === null ? "call-bar" : "call-bar at-bench"}>
        <CallLine
          calls={unheard}
          most={here === null ? SHOWN_CALLS : 1}
          isDone={(call) => isDoneSince(call, running)}
          nowOf={nowOf}
          onHeard={heard}
        />
        {mayAsk(running, here) ? <MayCall long={long} /> : null}
        {clocks.length === 0 ? null : (
          <nav className={here === null ? "clock-row" : "clock-row at-bench"} aria-label="What runs elsewhere">
            {clocks.slice(0, MOST_CLOCKS).map((clock) => (
              <Cell key={clock.id} clock={clock} />
            ))}
            {clocks.length > MOST_CLOCKS ? <span className="clock-more">and {clocks.length - MOST_CLOCKS} more</span> : null}
          </nav>
        )}
      </div>
    </>
  );
}
