/** The browser's own store: an append-only log of events, and a few facts about the shop. */

import isEqual from "fast-deep-equal";
import {
  BOOK_VERSION,
  check,
  migrateEvent,
  requireValid,
  type BookEvent,
  type Kit,
  type KitItem,
  type LengthUnit,
  type TemperatureUnit,
} from "@tembrak/core";
import Dexie, { type EntityTable, type Table } from "dexie";
import { unitsOfLocale } from "../format/localeUnits.js";
import { shopNow } from "./shopClock.js";
import { v7 as uuid } from "uuid";

export type ThemeName = "forge" | "yard";

export interface Settings {
  readonly temperature: TemperatureUnit;
  readonly length: LengthUnit;
  readonly theme: ThemeName;
  readonly ambient_lux: number;
  readonly shopName: string;
  /** Whether the heat line has the symbols of the book (Ac1, Ms) beside its plain words. */
  readonly symbols: boolean;
  /** How the bench calls: flash always; sound, and a voice, where wished. */
  readonly cues: "flash" | "sound" | "speech";
  /** When the kit was last changed, ms. */
  readonly kitChangedAt_ms: number;
  /** Whether it was asked once if this browser may call in front of other windows. */
  readonly hasAskedToCall: boolean;
  readonly exportedAt_ms: number | null;
  /** What the bench adds to the wall clock since that was set in the middle of a run, ms. */
  readonly clockShift_ms: number;
  /** The entry that this goes on from; null where the clock itself was seen to be set. */
  readonly clockShiftEntry: string | null;
  /** What the shop taught that is not to count. */
  readonly unlearned: readonly string[];
  /** The book was filled from the demo, or emptied on purpose: never fill it again by itself. */
  readonly isSettled: boolean;
}

export const DEFAULT_SETTINGS: Settings = {
  temperature: "C",
  length: "mm",
  theme: "forge",
  ambient_lux: 20,
  shopName: "My forge",
  symbols: false,
  cues: "sound",
  hasAskedToCall: false,
  kitChangedAt_ms: 0,
  exportedAt_ms: null,
  clockShift_ms: 0,
  clockShiftEntry: null,
  unlearned: [],
  isSettled: false,
};

/** Which filling of the book this is: another whenever it is replaced, so that whoever holds it in memory reads it anew. */
export const GENERATION = "generation";

interface SettingRow {
  readonly key: keyof Settings | typeof GENERATION;
  readonly value: Settings[keyof Settings];
}

class TembrakStore extends Dexie {
  events!: EntityTable<BookEvent & { id: string }, "id">;
  settings!: Table<SettingRow, string>;
  kit!: EntityTable<KitItem & { id: string }, "id">;

  constructor(name: string) {
    super(name);
    this.version(1).stores({ events: "id, piece, at_ms", settings: "key" });
    this.version(2).stores({ kit: "id" });
    // One number for file and database: what a file goes through, the rows go through, a step a version, and none of them twice.
    // What cannot be read stays as it is.
    for (let version = 3; version <= BOOK_VERSION; version++) {
      this.version(version)
        .stores({})
        .upgrade((change) =>
          change
            .table("events")
            .toCollection()
            .modify((row: unknown, at: { value: unknown }) => {
              at.value = migrateEvent(row, version - 1, version);
            }),
        );
    }
  }
}

export const store = new TembrakStore("tembrak");

/** Whether this browser's book was written by a newer Tembrak: then nothing here may touch it. */
export async function isFromNewer(): Promise<boolean> {
  await store.open();
  // IndexedDB counts ten for one of Dexie's.
  return store.backendDB().version / 10 > BOOK_VERSION;
}

/** Counted so far, then anew: 31 bits. */
const MOST_IDS = 0x8000_0000;
let made = 0;

/** Ids sort by the time they were made, also within one millisecond (uuid version 7, RFC 9562). */
export function newId(at_ms: number): string {
  made = (made + 1) % MOST_IDS;
  return uuid({ msecs: Math.max(0, Math.round(at_ms)), seq: made });
}

/** What stands in the place of an earlier one of its kind has to come after it. */
const REPLACES: ReadonlySet<BookEvent["kind"]> = new Set(["piece", "route", "finished", "fate"]);
/** The last entry may be so far ahead of a tap, ms; one further ahead has a wrong time, and shifts no other. */
const AHEAD_ms = 60_000;

type WithoutMeta<E> = E extends BookEvent ? Omit<E, "id" | "piece" | "at_ms"> : never;
export type NewEvent = WithoutMeta<BookEvent>;

/**
 * Stores what happened to a piece, all or nothing, and settles only when it is on disk.
 *
 * The log of a piece does not run backwards: an entry follows the last one. Where that came from a machine far ahead of this one, the
 * new entry stands at its own time all the same: a wrong time shifts no other.
 * @throws InputError when an event does not fit its schema; a Dexie error when the browser refuses to store.
 */
export async function append(piece: string, happened: readonly NewEvent[], now_ms = shopNow()): Promise<readonly string[]> {
  return decide(piece, () => happened, now_ms);
}

/**
 * Stores what follows from the log of a piece as it is on disk: reading and writing are one transaction, so two tabs that press at
 * once cannot both end the same act.
 * @param follow what happened, given what is stored; nothing is stored when it gives nothing.
 */
export async function decide(
  piece: string,
  follow: (stored: readonly BookEvent[]) => readonly NewEvent[],
  now_ms = shopNow(),
): Promise<readonly string[]> {
  return store.transaction("rw", store.events, async () => {
    const stored = await store.events.where("piece").equals(piece).sortBy("at_ms");
    const before = readable(stored);
    const happened = follow(before);
    if (happened.length === 0) return [];
    const last_ms = stored.at(-1)?.at_ms ?? -1;
    const at = Math.round(now_ms);
    // A practice piece lives by a simulated clock that runs ahead of every other: what is done to it comes after what was.
    const isFarAhead = last_ms - at > AHEAD_ms && !before.some((event) => event.kind === "piece" && event.definition.isPractice === true);
    const events = happened.map((event) => {
      const at_ms = isFarAhead && !REPLACES.has(event.kind) ? at : Math.max(at, last_ms + 1);
      return requireValid("Event", { ...event, id: newId(at_ms), piece, at_ms });
    });
    await store.events.bulkAdd(events);
    return events.map(({ id }) => id);
  });
}

/** Rows that are events. What does not fit its schema is left where it is, unread: it breaks nothing and is not lost. */
function readable(rows: readonly unknown[]): BookEvent[] {
  return rows.flatMap((row) => {
    const checked = check("Event", row);
    return checked.ok ? [checked.value] : [];
  });
}

/** Every event that can be read, in the order of time. */
export async function allEvents(): Promise<BookEvent[]> {
  return readable(await store.events.orderBy("at_ms").toArray());
}

export async function eventsOf(piece: string): Promise<BookEvent[]> {
  return readable(await store.events.where("piece").equals(piece).sortBy("at_ms"));
}

export async function readSettings(): Promise<Settings> {
  const rows = (await store.settings.toArray()).filter(({ key }) => key !== GENERATION);
  return {
    ...DEFAULT_SETTINGS,
    ...unitsOfLocale(globalThis.navigator?.language),
    ...Object.fromEntries(rows.map(({ key, value }) => [key, value])),
  };
}

export async function writeSettings(change: Partial<Settings>): Promise<void> {
  const rows = Object.entries(change).map(([key, value]) => ({ key, value }) as SettingRow);
  await store.settings.bulkPut(rows);
}

/** What the shop has, in the order it was said; null when nothing was. A row that is no item is left where it is, unread. */
export async function readKit(): Promise<Kit | null> {
  const items = (await store.kit.toArray()).flatMap((row) => {
    const checked = check("KitItem", row);
    return checked.ok ? [checked.value] : [];
  });
  return items.length === 0 ? null : items;
}

/** @throws InputError when an item does not fit its schema. */
export async function writeKitItems(items: readonly unknown[]): Promise<void> {
  await store.kit.bulkPut(items.map((item) => requireValid("KitItem", item)));
  await writeSettings({ kitChangedAt_ms: shopNow() });
}

export async function removeKitItem(id: string): Promise<void> {
  await store.kit.delete(id);
  await writeSettings({ kitChangedAt_ms: shopNow() });
}

/** Rows that no schema fits, by their keys: they are nobody's to erase unasked. */
async function unreadableKeys(): Promise<ReadonlySet<string>> {
  const rows = (await store.events.toArray()) as readonly { readonly id: string }[];
  const read = new Set(readable(rows).map(({ id }) => id));
  return new Set(rows.map(({ id }) => id).filter((id) => !read.has(id)));
}

interface Replacing {
  /** The kit in the place of the one here; left out, that stays. */
  readonly kit?: Kit | undefined;
  /** Rows that cannot be read go too. */
  readonly alsoUnreadable?: boolean;
}

/** Replaces the whole book in one transaction: on any error the old one is still there. */
export async function replaceBook(events: readonly BookEvent[], { kit, alsoUnreadable = false }: Replacing = {}): Promise<void> {
  await store.transaction("rw", store.events, store.settings, store.kit, async () => {
    const kept = alsoUnreadable ? new Set<string>() : await unreadableKeys();
    const theirs = new Set(events.map(({ id }) => id));
    await store.events.bulkDelete((await store.events.toCollection().primaryKeys()).filter((id) => !kept.has(id) || theirs.has(id)));
    await store.events.bulkAdd([...events]);
    if (kit !== undefined) {
      await store.kit.clear();
      await store.kit.bulkAdd([...kit]);
    }
    await store.settings.put({ key: GENERATION, value: uuid() });
    await writeSettings({ isSettled: true });
  });
}

export interface Merged {
  readonly fresh: number;
  /** Events that are here under the same id with another content: left as they are here. */
  readonly differing: readonly BookEvent[];
}

/** Adds the events of a book that are not here yet. */
export async function mergeBook(events: readonly BookEvent[], kit: Kit = []): Promise<Merged> {
  return store.transaction("rw", store.events, store.settings, store.kit, async () => {
    const owned = new Set(await store.kit.toCollection().primaryKeys());
    await store.kit.bulkAdd(kit.filter(({ id }) => !owned.has(id)));
    const found = await store.events.bulkGet(events.map(({ id }) => id));
    const fresh = events.filter((_, i) => found[i] === undefined);
    const differing = events.filter((event, i) => found[i] !== undefined && !isEqual(found[i], event));
    await store.events.bulkAdd(fresh);
    await writeSettings({ isSettled: true });
    return { fresh: fresh.length, differing };
  });
}

/** Takes what another book says of events that are here too, in the place of what they say here. */
export async function takeTheirs(events: readonly BookEvent[]): Promise<void> {
  await store.transaction("rw", store.events, store.settings, async () => {
    await store.events.bulkPut([...events]);
    await store.settings.put({ key: GENERATION, value: uuid() });
  });
}
