import { afterEach, describe, expect, it } from "@jest/globals";
import { BOOK_VERSION, checkBook, migrateEvent, readBook } from "@tembrak/core";
import Dexie from "dexie";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { storeTrouble } from "./boot.js";
import { allEvents, store } from "./db.js";
import { readMirror } from "./mirror.js";

const text = readFileSync(join(__dirname, "../../../core/test/migrate/books/version-1.tembrak.json"), "utf8");
const old = JSON.parse(text) as { events: { id: string }[] };

/** The database as an application of an earlier or later version left it. */
async function leftBy(version: number, rows: readonly unknown[]): Promise<void> {
  store.close();
  await Dexie.delete("tembrak");
  const was = new Dexie("tembrak");
  was.version(version).stores({ events: "id, piece, at_ms", settings: "key", kit: "id" });
  await was.table("events").bulkAdd([...rows]);
  was.close();
}

afterEach(async () => {
  store.close();
  await Dexie.delete("tembrak");
});

describe("a database of an earlier version", () => {
  it("goes the way a file goes: the same events as the same book brought in", async () => {
    await leftBy(2, old.events);
    await store.open();
    const byId = <E extends { id: string }>(events: readonly E[]): E[] => [...events].sort((a, b) => (a.id < b.id ? -1 : 1));
    expect(byId(await allEvents())).toEqual(byId(readBook(text).events));
    expect((await readMirror()).unreadable).toEqual([]);
  });
  it("of the version before this one: what its rows say is what they said", async () => {
    const of3 = JSON.parse(readFileSync(join(__dirname, "../../../core/test/migrate/books/version-3.tembrak.json"), "utf8")) as typeof old;
    await leftBy(3, of3.events);
    await store.open();
    expect(new Map((await allEvents()).map((event) => [event.id, event]))).toEqual(
      new Map(of3.events.map((event) => [event.id, migrateEvent(event, 3)])),
    );
  });
  it("a row that could not be read then is kept as it was, and told", async () => {
    const spoiled = { id: "zz", piece: "p", at_ms: 5, kind: "route", route: 7 };
    await leftBy(2, [...old.events, spoiled]);
    await store.open();
    expect(await store.events.count()).toBe(old.events.length + 1);
    expect(await store.events.get("zz")).toEqual(spoiled);
    expect(migrateEvent(spoiled, 2)).toEqual(spoiled);
  });
});

describe("a database of a later version", () => {
  it("is refused, shut, and left as it is; a file of it likewise", async () => {
    await leftBy(BOOK_VERSION + 1, [{ id: "a", piece: "p", at_ms: 1, kind: "rung" }]);
    expect(await storeTrouble()).toBe("newer");
    await expect(store.events.count()).rejects.toThrow();
    const now = new Dexie("tembrak");
    await now.open();
    expect(await now.table("events").toArray()).toEqual([{ id: "a", piece: "p", at_ms: 1, kind: "rung" }]);
    now.close();
    expect(checkBook({ ...(JSON.parse(text) as object), formatVersion: BOOK_VERSION + 1 }).ok).toBe(false);
  });
});
