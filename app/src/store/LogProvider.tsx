/**
 * The one way to write to the log of a piece outside the bench: stored, or said at the head of every screen that it was not. The
 * bench has its own (useBench), which keeps the taps a browser refused.
 */

import { pieceState, type BookEvent } from "@tembrak/core";
import { createContext, useCallback, useMemo, useState, type ReactNode } from "react";
import { shopNow } from "./shopClock.js";
import { decide, type NewEvent } from "./db.js";

export interface Log {
  /** Stores all of it or nothing. @returns whether it is on disk; when not, the screen has been told. */
  readonly write: (piece: string, events: readonly NewEvent[], at_ms?: number) => Promise<boolean>;
  /** Anything else that is stored, kit and settings: the screen is told when it was not. @returns whether it is on disk */
  readonly keep: (store: () => Promise<unknown>) => Promise<boolean>;
  /** What was refused last and not looked at yet. */
  readonly refusal: string | null;
  readonly dismiss: () => void;
}

/** Without a provider nothing is stored, and that is said by the answer. */
export const LogContext = createContext<Log>({
  write: () => Promise.resolve(false),
  keep: () => Promise.resolve(false),
  refusal: null,
  dismiss: () => undefined,
});

const REFUSED = "Not stored: the browser refused. Nothing was changed; export the book and try again.";

/** Less the acts that another tab, or an earlier press, has called done already. */
function stillToDo(piece: string, stored: readonly BookEvent[], events: readonly NewEvent[]): readonly NewEvent[] {
  const done = pieceState(piece, stored)?.doneAt_ms;
  return events.filter((event) => event.kind !== "act-done" || done === undefined || !done.has(event.act));
}

export function LogProvider({ children }: { children: ReactNode }) {
  const [refusal, setRefusal] = useState<string | null>(null);
  const keep = useCallback(async (store: () => Promise<unknown>): Promise<boolean> => {
    try {
      await store();
      setRefusal(null);
      return true;
    } catch {
      setRefusal(REFUSED);
      return false;
    }
  }, []);
  const write = useCallback(
    async (piece: string, events: readonly NewEvent[], at_ms = shopNow()): Promise<boolean> => {
      return keep(() => decide(piece, (stored) => stillToDo(piece, stored, events), at_ms));
    },
    [keep],
  );
  const log = useMemo(() => ({ write, keep, refusal, dismiss: () => setRefusal(null) }), [write, keep, refusal]);
  return <LogContext value={log}>{children}</LogContext>;
}
