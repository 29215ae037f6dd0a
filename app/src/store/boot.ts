/** What happens once when the app opens: ask to keep the data, and fill an empty book when the server offers the demo. */

import { fetchConfig } from "../api/config.js";
import { piecesOf } from "@tembrak/core";
import { shopClock, shopNow } from "./shopClock.js";
import { allEvents, isFromNewer, mergeBook, readSettings, store, writeSettings } from "./db.js";

/** Asks the browser not to throw the data away. @returns whether it promised. */
export async function askToPersist(): Promise<boolean> {
  try {
    return (await navigator.storage?.persist?.()) ?? false;
  } catch {
    return false;
  }
}

/** After so long without a tap nothing runs that a corrected clock could upset, ms. */
const FORGET_SHIFT_ms = 12 * 3600000;

/** What keeps the store from being used. newer: its book was written by a Tembrak that knows more. silent: it does not answer. */
export type StoreTrouble = "refused" | "newer" | "silent" | null;

/** Asked for so long without an answer it is held by somebody else, ms. */
const SILENT_ms = 6000;

let tried: Promise<StoreTrouble> | null = null;

async function tryStore(): Promise<StoreTrouble> {
  try {
    if (!(await isFromNewer())) return null;
    // Shut, so that no screen reads half of it or writes into it.
    store.close();
    return "newer";
  } catch {
    return "refused";
  }
}

/** Tries the store once. */
export function storeTrouble(silent_ms = SILENT_ms): Promise<StoreTrouble> {
  tried ??= Promise.race([tryStore(), new Promise<StoreTrouble>((resolve) => setTimeout(() => resolve("silent"), silent_ms))]);
  return tried;
}

/** When anything was last logged of a piece of steel, ms: a practice piece lives by a time of its own. */
async function newestOfSteel_ms(): Promise<number> {
  const pieces = piecesOf(await allEvents());
  return Math.max(0, ...pieces.flatMap(({ piece, events }) => (piece.isPractice === true ? [] : [events.at(-1)?.at_ms ?? 0])));
}

export async function boot(): Promise<void> {
  if ((await storeTrouble()) !== null) return;
  void askToPersist();
  const { isSettled, clockShift_ms } = await readSettings();
  if (clockShift_ms !== 0) {
    const newest_ms = await newestOfSteel_ms();
    if (shopNow() - newest_ms > FORGET_SHIFT_ms) await writeSettings({ clockShift_ms: 0 });
    else shopClock.resume(clockShift_ms);
  }
  if (isSettled || (await store.events.count()) > 0) return;
  const { demo } = await fetchConfig();
  if (!demo) return;
  const { demoEvents, demoKit } = await import("./demoBook.js");
  await mergeBook(demoEvents(shopNow()), demoKit());
  await writeSettings({ shopName: "Withy Lane forge" });
}
