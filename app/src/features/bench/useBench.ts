/** What a tap at the bench does: stored first, shown after. */

import type { Check, PieceState } from "@tembrak/core";
import { useState } from "react";
import { append, type NewEvent } from "../../store/db.js";

export interface Bench {
  /** Set while the last tap could not be stored. */
  readonly trouble: string | null;
  readonly isStoring: boolean;
  readonly done: (extra?: readonly NewEvent[]) => void;
  readonly check: (reading: Check) => void;
  readonly undo: () => void;
}

/** The last event a smith can take back: a reading, or an act called done. */
export function lastTap({ events }: PieceState): { readonly id: string; readonly kind: string } | undefined {
  return [...events].reverse().find(({ kind }) => kind === "check" || kind === "act-done" || kind === "test");
}

export function useBench(state: PieceState): Bench {
  const [trouble, setTrouble] = useState<string | null>(null);
  const [isStoring, setIsStoring] = useState(false);
  const keep = (events: readonly NewEvent[]): void => {
    setIsStoring(true);
    append(state.id, events)
      .then(() => setTrouble(null))
      .catch(() => setTrouble("Not stored: the browser refused. Write it down, and export the book."))
      .finally(() => setIsStoring(false));
  };
  const { next } = state;
  return {
    trouble,
    isStoring,
    done: (extra = []) => {
      if (next) keep([...extra, { kind: "act-done", act: next.id }]);
    },
    check: (reading) => {
      if (next) keep([{ kind: "check", act: next.id, reading }]);
    },
    undo: () => {
      const last = lastTap(state);
      if (last) keep([{ kind: "withdrawn", event: last.id }]);
    },
  };
}
