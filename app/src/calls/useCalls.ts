/** Listens for every piece that runs, on whatever screen one is: what is due now, and what came due while nobody could hear. */

import { isInWork, type PieceState, type Prediction } from "@tembrak/core";
import { useEffect, useMemo, useRef, useState } from "react";
import { shopNow } from "../store/shopClock.js";
import { useKit, useNow, usePieces, useSettings } from "../store/useStore.js";
import { callsOf, dueCues, type Cue } from "./cues.js";
import { missedOf, type Missed } from "./missed.js";
import { playCue, sayCue } from "./sound.js";

const LOOKS_ms = 1000;
/** Longer without a look nobody heard what was called, ms. */
const DEAF_ms = 5000;
const SEEN = "tembrak-seen-ms";

/** When this shop was last looked at from this browser, ms; null where that is not known. */
function lastSeen_ms(): number | null {
  try {
    const kept = Number(localStorage.getItem(SEEN));
    return Number.isFinite(kept) && kept > 0 ? kept : null;
  } catch {
    return null;
  }
}

function keepSeen(now_ms: number): void {
  try {
    localStorage.setItem(SEEN, String(Math.round(now_ms)));
  } catch {
    // A browser that keeps nothing cannot say what was missed.
  }
}

export interface Call {
  readonly id: string;
  readonly name: string;
  readonly cue: Cue;
}

export interface Calls {
  /** What was called last and not looked at yet. */
  readonly call: Call | null;
  readonly missed: readonly Missed[];
  readonly dismiss: () => void;
}

/** In front of other windows, where the browser was allowed to. */
function notify({ id, name, cue }: Call): void {
  if (typeof Notification === "undefined" || Notification.permission !== "granted" || document.visibilityState === "visible") return;
  try {
    new Notification(name, { body: cue.words, tag: `${id} ${cue.at_ms}` });
  } catch {
    // Some browsers only let a worker do so: sound, title and flash are there.
  }
}

/** In the name of the tab, for those who look at another. */
function useTitle(call: Call | null): void {
  useEffect(() => {
    if (call === null) return;
    const before = document.title;
    document.title = `${call.name}: ${call.cue.words}`;
    return () => {
      document.title = before;
    };
  }, [call]);
}

/** @param here the piece at whose bench one stands: it calls by itself */
export function useCalls(here: string | null, predictions: ReadonlyMap<string, Prediction>): Calls {
  const pieces = usePieces();
  const kit = useKit() ?? null;
  const { cues: wish } = useSettings();
  const now_ms = useNow(LOOKS_ms);
  const last_ms = useRef<number | null>(null);
  const [call, setCall] = useState<Call | null>(null);
  const [missed, setMissed] = useState<readonly Missed[]>([]);
  const running = useMemo(() => (pieces ?? []).filter((state) => isInWork(state) && state.piece.isPractice !== true), [pieces]);
  useEffect(() => {
    if (pieces === undefined) return;
    const from_ms = last_ms.current ?? lastSeen_ms() ?? now_ms;
    const isDeaf = now_ms - from_ms > DEAF_ms;
    last_ms.current = now_ms;
    keepSeen(now_ms);
    const calls = running.map((state) => ({ state, cues: callsOf(state, predictions.get(state.id), kit, now_ms) }));
    if (isDeaf) {
      const found = missedOf(calls, from_ms, now_ms);
      if (found.length > 0) setMissed(found);
      return;
    }
    const due = calls
      .filter(({ state }) => state.id !== here)
      .flatMap(({ state, cues }) => dueCues(cues, from_ms, now_ms).map((cue) => ({ id: state.id, name: state.piece.name, cue })));
    const newest = due.sort((a, b) => a.cue.at_ms - b.cue.at_ms).at(-1);
    if (newest === undefined) return;
    setCall(newest);
    notify(newest);
    if (wish !== "flash") playCue(newest.cue.kind);
    if (wish === "speech") sayCue(`${newest.name}. ${newest.cue.words}`);
  }, [now_ms, pieces, running, predictions, kit, here, wish]);
  // Once the act is over there is nothing to call any more.
  const isOver = call !== null && !stillDue(call, running, predictions, kit);
  const shown = isOver || call?.id === here ? null : call;
  useTitle(shown);
  return {
    call: shown,
    missed: missed.filter((one) => stillDue(one, running, predictions, kit)),
    dismiss: () => {
      setCall(null);
      setMissed([]);
    },
  };
}

function stillDue(
  { id, cue }: Call,
  running: readonly PieceState[],
  predictions: ReadonlyMap<string, Prediction>,
  kit: Parameters<typeof callsOf>[2],
): boolean {
  const state = running.find((piece) => piece.id === id);
  return state !== undefined && callsOf(state, predictions.get(id), kit, shopNow()).some(({ words }) => words === cue.words);
}
