/** What a tap at the bench does: stored first, shown after. */

import {
  endsOfHeat,
  heatBefore,
  onItsWay,
  pieceState,
  requireValid,
  type BookEvent,
  type Check,
  type PieceState,
  type Route,
} from "@tembrak/core";
import { useState } from "react";
import { decide, newId, type NewEvent } from "../../store/db.js";
import { shopNow } from "../../store/shopClock.js";
import { keepRefused, storeRefused, useRefused } from "../../store/refused.js";
import { exportBook } from "../../store/exportBook.js";

export interface Bench {
  /** Set while the last tap could not be stored. */
  readonly trouble: string | null;
  readonly isStoring: boolean;
  /** Taps the browser refused: kept in this tab, and put into the export. */
  readonly unstored: number;
  readonly done: (extra?: readonly NewEvent[]) => void;
  readonly check: (reading: Check) => void;
  /** Another route from here on. */
  readonly replan: (route: Route) => void;
  readonly undo: () => void;
  /** What was on its way to its bath is to be heated once more: out of the fire since then, and its heat not over. */
  readonly backInFire: () => void;
  /** Stored as of a moment, and only while the piece is still at the act. */
  readonly at: (act: string, events: readonly NewEvent[], at_ms: number) => void;
  /** Tries to store the refused taps once more. */
  readonly retry: () => void;
  /** The book with the refused taps, as a file. */
  readonly rescue: () => void;
}

/** Storing that takes longer than this is shown, and takes no second tap meanwhile, ms. */
const SLOW_ms = 150;

/** The last event a smith can take back: a reading, or an act called done. */
export function lastTap({ events }: Pick<PieceState, "events">): { readonly id: string; readonly kind: string } | undefined {
  return [...events].reverse().find(({ kind }) => kind === "check" || kind === "act-done" || kind === "test");
}

type Follow = (stored: readonly BookEvent[]) => readonly NewEvent[];

/** @param now the time by which this piece is worked: the clock of the bench, or that of the simulated shop. */
export function useBench(state: PieceState, now: () => number = shopNow): Bench {
  const { id, next } = state;
  const [trouble, setTrouble] = useState<string | null>(null);
  const [isStoring, setIsStoring] = useState(false);
  const unstored = useRefused();
  const keep = (follow: Follow, at_ms = now()): void => {
    // Drawing anew takes as long as storing does: the keys are shut only where storing is slow.
    const slow = setTimeout(() => setIsStoring(true), SLOW_ms);
    decide(id, follow, at_ms)
      .then(() => setTrouble(null))
      .catch(() => {
        const lost = follow([]).flatMap((event) => {
          try {
            return [requireValid("Event", { ...event, id: newId(at_ms), piece: id, at_ms: Math.round(at_ms) })];
          } catch {
            return [];
          }
        });
        keepRefused(lost);
        setTrouble("Not stored: the browser refused. Write it down, and export the book.");
      })
      .finally(() => {
        clearTimeout(slow);
        setIsStoring(false);
      });
  };
  /** A second press, or another tab, may have ended this act already: then there is nothing left to end. */
  const whileAt =
    (act: string, events: readonly NewEvent[]): Follow =>
    (stored) =>
      stored.length === 0 || pieceState(id, stored)?.next?.id === act ? events : [];
  return {
    trouble,
    isStoring,
    unstored,
    done: (extra = []) => {
      if (next !== undefined) keep(whileAt(next.id, [...extra, { kind: "act-done", act: next.id }]));
    },
    check: (reading) => {
      if (next) keep(() => [{ kind: "check", act: next.id, reading }]);
    },
    replan: (route) => keep(() => [{ kind: "route", route }]),
    undo: () =>
      keep((stored) => {
        const now = pieceState(id, stored);
        const last = now === null ? undefined : lastTap(now);
        return last ? [{ kind: "withdrawn", event: last.id }] : [];
      }),
    backInFire: () => {
      const at_ms = now();
      const way = onItsWay(state, at_ms);
      const heat = way === null ? undefined : heatBefore(state);
      if (way === null || heat === undefined || next === undefined) return;
      keep(whileAt(next.id, [{ kind: "check", act: heat.id, reading: { check: "fire", state: "out" } }]), way.out_ms);
      keep(
        whileAt(
          next.id,
          endsOfHeat(state).map(({ id: event }) => ({ kind: "withdrawn", event })),
        ),
        at_ms,
      );
    },
    at: (act, events, at_ms) => keep(whileAt(act, events), at_ms),
    retry: () =>
      void storeRefused().then(
        () => setTrouble(null),
        () => undefined,
      ),
    rescue: () => void exportBook().catch(() => setTrouble("Not even the export could be written. Write it down.")),
  };
}
