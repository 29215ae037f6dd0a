/** What every screen reads of the shop, asked for once: settings, kit, and the book as it stands. */

import { type Kit } from "@tembrak/core";
import { liveQuery } from "dexie";
import { useLiveQuery, useObservable } from "dexie-react-hooks";
import { createContext, useMemo, type ReactNode } from "react";
import { DEFAULT_SETTINGS, readKit, readSettings, type Settings } from "./db.js";
import { readMirror, type Mirror } from "./mirror.js";

export interface ShopData {
  readonly settings: Settings;
  /** Undefined while it is being read, null when nobody has said. */
  readonly kit: Kit | null | undefined;
  /** Undefined while it is being read. */
  readonly book: Mirror | undefined;
}

export const ShopData = createContext<ShopData>({ settings: DEFAULT_SETTINGS, kit: undefined, book: undefined });

/** The book, read from the moment it is asked for: whoever listens later has what was read last at once. */
function makeHot(): { readonly subscribe: (next: (book: Mirror) => void, failed?: (error: unknown) => void) => () => void } {
  const listeners = new Set<(book: Mirror) => void>();
  const failing = new Set<(error: unknown) => void>();
  let last: Mirror | undefined;
  const follow = (): void =>
    void liveQuery(readMirror).subscribe(
      (book) => {
        last = book;
        for (const tell of listeners) tell(book);
      },
      (error: unknown) => {
        for (const tell of failing) tell(error);
      },
    );
  // Read once unwatched: a live query notes every key it has read, and of a long book that takes as long as reading. What was written
  // meanwhile the watched one finds, by its count.
  readMirror().then(follow, follow);
  return {
    subscribe: (next, failed) => {
      listeners.add(next);
      if (failed !== undefined) failing.add(failed);
      if (last !== undefined) next(last);
      return () => {
        listeners.delete(next);
        if (failed !== undefined) failing.delete(failed);
      };
    },
  };
}

let hot: ReturnType<typeof makeHot> | null = null;

/** Begins to read the book while the page is still being built. */
export function readBookEarly(): void {
  hot ??= makeHot();
}

function liveBook(): ReturnType<typeof makeHot> {
  readBookEarly();
  return hot!;
}

export function ShopProvider({ children }: { children: ReactNode }) {
  const settings = useLiveQuery(readSettings, []) ?? DEFAULT_SETTINGS;
  const kit = useLiveQuery(readKit, []);
  const book = useObservable(liveBook, []);
  const data = useMemo(() => ({ settings, kit, book }), [settings, kit, book]);
  return <ShopData value={data}>{children}</ShopData>;
}
