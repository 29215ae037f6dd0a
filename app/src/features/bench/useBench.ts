/** What a tap at the bench does: stored first, shown after. */

import { pieceState, type Check, type PieceState, type Route } from "@tembrak/core";
import { useState } from "react";
import { append, eventsOf, type NewEvent } from "../../store/db.js";

export interface Bench {
  /** Set while the last tap could not be stored. */
  readonly trouble: string | null;
  readonly isStoring: boolean;
  readonly done: (extra?: readonly NewEvent[]) => void;
  readonly check: (reading: Check) => void;
  /** Another route from here on. */
  readonly replan: (route: Route) => void;
  readonly undo: () => void;
}

/** The last event a smith can take back: a reading, or an act called done. */
export function lastTap({ events }: PieceState): { readonly id: string; readonly kind: string } | undefined {
  return [...events].reverse().find(({ kind }) => kind === "check" || kind === "act-done" || kind === "test");
}

/** The piece as it is stored now: what is on the screen may be a moment behind, or another tab ahead. */
async function stored(id: string): Promise<PieceState | null> {
  return pieceState(id, await eventsOf(id));
}

export function useBench({ id, next }: PieceState): Bench {
  const [trouble, setTrouble] = useState<string | null>(null);
  const [isStoring, setIsStoring] = useState(false);
  const keep = (make: () => Promise<readonly NewEvent[]>): void => {
    setIsStoring(true);
    make()
      .then((events) => (events.length > 0 ? append(id, events) : undefined))
      .then(() => setTrouble(null))
      .catch(() => setTrouble("Not stored: the browser refused. Write it down, and export the book."))
      .finally(() => setIsStoring(false));
  };
  return {
    trouble,
    isStoring,
    done: (extra = []) => {
      if (next === undefined) return;
      // A second press, or another tab, may have ended this act already: then there is nothing left to end.
      keep(async () => ((await stored(id))?.next?.id === next.id ? [...extra, { kind: "act-done", act: next.id }] : []));
    },
    check: (reading) => {
      if (next) keep(() => Promise.resolve([{ kind: "check", act: next.id, reading }]));
    },
    replan: (route) => keep(() => Promise.resolve([{ kind: "route", route }])),
    undo: () =>
      keep(async () => {
        const now = await stored(id);
        const last = now === null ? undefined : lastTap(now);
        return last ? [{ kind: "withdrawn", event: last.id }] : [];
      }),
  };
}
