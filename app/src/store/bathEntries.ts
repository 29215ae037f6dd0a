/** Writes what happens to a bath of the kit: under its id, in the same log as everything else. */

import { requireValid, type BathEntry } from "@tembrak/core";
import { newId, store } from "./db.js";
import { shopNow } from "./shopClock.js";

/** @throws InputError for what does not fit; a Dexie error when the browser refuses to store. */
export async function appendBath(bath: string, log: BathEntry, now_ms = shopNow()): Promise<void> {
  const at_ms = Math.round(now_ms);
  await store.events.add(requireValid("Event", { id: newId(at_ms), piece: bath, at_ms, kind: "bath", log }));
}

/** Takes an entry back: a further one, as everywhere. */
export async function withdrawBath(bath: string, event: string, now_ms = shopNow()): Promise<void> {
  const at_ms = Math.round(now_ms);
  await store.events.add(requireValid("Event", { id: newId(at_ms), piece: bath, at_ms, kind: "withdrawn", event }));
}
