/** Live views of the store for React. */

import { pieceState, type BookEvent, type Kit, type PieceState } from "@tembrak/core";
import { useLiveQuery } from "dexie-react-hooks";
import { use, useCallback, useEffect, useState, useSyncExternalStore } from "react";
import type { Units } from "../format/show.js";
import { onBeat } from "./beat.js";
import { eventsOf, newId, removeKitItem, writeKitItems, writeSettings, type Settings } from "./db.js";
import { shopNow } from "./shopClock.js";
import { LogContext, type Log } from "./LogProvider.js";
import { ShopData } from "./ShopProvider.js";

/** Undefined while it is being read. */
export function usePieces(): readonly PieceState[] | undefined {
  return use(ShopData).book?.pieces;
}

/** Stored rows that are no events of any version known here. */
export function useUnreadable(): readonly unknown[] {
  return use(ShopData).book?.unreadable ?? [];
}

const NO_BATHS: ReadonlyMap<string, readonly BookEvent[]> = new Map();

/** What was logged of each bath, by its id in the kit. */
export function useBathEntries(): ReadonlyMap<string, readonly BookEvent[]> {
  return use(ShopData).book?.baths ?? NO_BATHS;
}

/** Undefined while it is being read, null when there is no such piece. */
export function usePiece(id: string): PieceState | null | undefined {
  const { book } = use(ShopData);
  const state = book?.pieces.find((piece) => piece.id === id);
  const isLooked = book !== undefined && state === undefined;
  // One that was stored a moment ago is on disk before it is in the book in memory: only the disk can say that there is none.
  const missing = useLiveQuery(async () => (isLooked && pieceState(id, await eventsOf(id)) === null ? id : null), [id, isLooked]);
  return state ?? (isLooked && missing === id ? null : undefined);
}

/** What the shop has: undefined while it is being read, null when nobody has said. */
export function useKit(): Kit | null | undefined {
  return use(ShopData).kit;
}

export function useSettings(): Settings {
  return use(ShopData).settings;
}

export function useUnits(): Units {
  const { temperature, length } = useSettings();
  return { temperature, length };
}

/** How a screen writes to the log of a piece. */
export function useLog(): Log {
  return use(LogContext);
}

/** How a screen changes the settings: refused, it says so at its head. */
export function useSet(): (change: Partial<Settings>) => void {
  const { keep } = useLog();
  return useCallback((change) => void keep(() => writeSettings(change)), [keep]);
}

/** How a screen changes the kit: refused, it says so at its head. */
export function useKeepKit() {
  const { keep } = useLog();
  return {
    put: (items: readonly unknown[]): Promise<boolean> => keep(() => writeKitItems(items)),
    /** Each with an id of its own. */
    add: (items: readonly object[]): Promise<boolean> =>
      keep(() => writeKitItems(items.map((item) => ({ ...item, id: newId(shopNow()) })))),
    remove: (id: string): Promise<boolean> => keep(() => removeKitItem(id)),
  };
}

/** What the clock of the shop makes of something, looked at every `interval_ms`: who asks is drawn again only when that changes. */
export function useClocked<T extends string | number | null>(interval_ms: number, read: (now_ms: number) => T): T {
  const watch = useCallback((tell: () => void): (() => void) => onBeat(interval_ms, tell), [interval_ms]);
  return useSyncExternalStore(watch, () => read(shopNow()));
}

/** The clock of the shop, as a value that changes every `interval_ms`. Right again after sleep: it reads the clock, it does not count. */
export function useNow(interval_ms: number): number {
  const [now_ms, setNow] = useState(shopNow);
  useEffect(() => onBeat(interval_ms, () => setNow(shopNow())), [interval_ms]);
  return now_ms;
}
