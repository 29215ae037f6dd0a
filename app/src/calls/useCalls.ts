/** Listens for every piece that runs, on whatever screen one is: what is due now, and what came due while nobody could hear. */

import { isInWork, type PieceState, type Prediction } from "@tembrak/core";
import { useEffect, useMemo, useState } from "react";
import { useCalledTitle } from "../parts/pageTitle.js";
import { useKit, useNow, usePieces, useSettings } from "../store/useStore.js";
import { callsOf } from "./cues.js";
import { callsDue } from "./due.js";
import { notify, shake } from "./notify.js";
import { playCue, sayCue } from "./sound.js";
import { hearAll, keepUnheard, useUnheard, type Call } from "./unheard.js";

const LOOKS_ms = 1000;
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

export interface Calls {
  /** Everything that was called and not said *Heard* to, in order of time. */
  readonly unheard: readonly Call[];
  readonly heard: () => void;
}

/** The time of a simulated shop as it was last heard. */
export interface ShopTime {
  readonly now_ms: number;
  readonly speed: number;
}

/** Told by tone, voice, shaking and, where the page is not seen, in front of other windows. */
export function tell(calls: readonly Call[], wish: ReturnType<typeof useSettings>["cues"]): void {
  const newest = calls.at(-1);
  if (newest === undefined) return;
  notify(calls);
  shake(newest.cue.kind);
  if (wish !== "flash") playCue(newest.cue.kind);
  if (wish === "speech") sayCue(calls.map(({ name, cue }) => `${name}. ${cue.words}`).join(" "));
}

/** Since when each piece was looked at, ms by its own clock. */
class Looks {
  private wall_ms: number | null = null;
  private readonly shops = new Map<string, number>();

  /** From when on the wall nobody looked. */
  fromWall(now_ms: number): number {
    const from_ms = this.wall_ms ?? lastSeen_ms() ?? now_ms;
    this.wall_ms = now_ms;
    keepSeen(now_ms);
    return from_ms;
  }

  fromShop(id: string, now_ms: number): number {
    const from_ms = this.shops.get(id) ?? now_ms;
    this.shops.set(id, now_ms);
    return from_ms;
  }
}

/**
 * @param here the piece at whose bench one stands: it calls by itself
 * @param shops the clocks of the practice pieces that run
 */
export function useCalls(
  here: string | null,
  predictions: ReadonlyMap<string, Prediction>,
  shops: ReadonlyMap<string, ShopTime> = new Map(),
): Calls {
  const pieces = usePieces();
  const kit = useKit() ?? null;
  const { cues: wish } = useSettings();
  const now_ms = useNow(LOOKS_ms);
  const [looks] = useState(() => new Looks());
  const running = useMemo(() => (pieces ?? []).filter(isInWork), [pieces]);
  useEffect(() => {
    if (pieces === undefined) return;
    const wall = { from_ms: looks.fromWall(now_ms), to_ms: now_ms };
    const due = running.flatMap((state) => {
      const shop = shops.get(state.id);
      if (state.piece.isPractice === true && shop === undefined) return [];
      const span = shop === undefined ? wall : { from_ms: looks.fromShop(state.id, shop.now_ms), to_ms: shop.now_ms, speed: shop.speed };
      // At its bench it is called there: here only what nobody stood there to hear.
      const all = callsDue(state, callsOf(state, predictions.get(state.id), kit, span.to_ms), span);
      return state.id === here ? all.filter(({ late_s }) => late_s > 0) : all;
    });
    tell(keepUnheard(due.sort((a, b) => a.cue.at_ms - b.cue.at_ms)), wish);
  }, [now_ms, pieces, running, predictions, kit, here, wish, shops, looks]);
  const unheard = useUnheard();
  const newest = unheard.at(-1);
  useCalledTitle(newest === undefined ? null : `${newest.name}: ${newest.cue.words}`);
  return { unheard, heard: hearAll };
}

/** Whether its piece has gone on since: to its next act, or back into the fire. */
export function isDoneSince({ id, cue }: Call, pieces: readonly PieceState[]): boolean {
  const state = pieces.find((piece) => piece.id === id && isInWork(piece));
  if (state === undefined) return true;
  const moved = state.checks.findLast(({ reading }) => reading.check === "fire")?.at_ms ?? 0;
  return Math.max(state.nextSince_ms ?? 0, moved) > cue.at_ms;
}
