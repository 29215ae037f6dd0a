/** What happens once when the app opens: ask to keep the data, and fill an empty book when the server offers the demo. */

import { fetchConfig } from "../api/config.js";
import { mergeBook, readSettings, store, writeSettings } from "./db.js";

/** Asks the browser not to throw the data away. @returns whether it promised. */
export async function askToPersist(): Promise<boolean> {
  try {
    return (await navigator.storage?.persist?.()) ?? false;
  } catch {
    return false;
  }
}

export async function boot(): Promise<void> {
  void askToPersist();
  const { isSettled } = await readSettings();
  if (isSettled || (await store.events.count()) > 0) return;
  const { demo } = await fetchConfig();
  if (!demo) return;
  const { demoEvents, demoKit } = await import("./demoBook.js");
  await mergeBook(demoEvents(Date.now()), demoKit());
  await writeSettings({ shopName: "Withy Lane forge" });
}
