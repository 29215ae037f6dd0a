/** The whole book and the kit as one file, handed to the browser to keep: from the book, and from wherever storing was refused. */

import { writeBook } from "@tembrak/core";
import { handOver } from "./handOver.js";
import { shopNow } from "./shopClock.js";
import { refusedTaps } from "./refused.js";
import { allEvents, readKit, readSettings, writeSettings } from "./db.js";

function fileName(shop: string, at_ms: number, what: string): string {
  const word =
    shop
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-|-$/g, "") || "book";
  return `${word}-${new Date(at_ms).toISOString().slice(0, 10)}.${what}.json`;
}

/** With the taps that the browser refused to store. @returns the name of the file. */
export async function exportBook(): Promise<string> {
  const at_ms = shopNow();
  const { shopName } = await readSettings();
  const name = fileName(shopName, at_ms, "tembrak");
  handOver(writeBook([...(await allEvents()), ...refusedTaps()], at_ms, await readKit()), name);
  // A browser that refuses to store refuses this too: the file is written all the same.
  await writeSettings({ exportedAt_ms: at_ms }).catch(() => undefined);
  return name;
}

/** Rows that cannot be read, as they are stored, in a file of their own. */
export async function exportRows(rows: readonly unknown[]): Promise<void> {
  const { shopName } = await readSettings();
  handOver(JSON.stringify(rows, null, 1), fileName(shopName, shopNow(), "unread"));
}
