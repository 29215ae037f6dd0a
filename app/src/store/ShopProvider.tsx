/** What every screen reads of the shop, asked for once: settings, kit, and the book as it stands. */

import { type Kit } from "@tembrak/core";
import { useLiveQuery } from "dexie-react-hooks";
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

export function ShopProvider({ children }: { children: ReactNode }) {
  const settings = useLiveQuery(readSettings, []) ?? DEFAULT_SETTINGS;
  const kit = useLiveQuery(readKit, []);
  const book = useLiveQuery(readMirror, []);
  const data = useMemo(() => ({ settings, kit, book }), [settings, kit, book]);
  return <ShopData value={data}>{children}</ShopData>;
}
