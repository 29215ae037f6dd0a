import { afterEach, describe, expect, it } from "@jest/globals";
import { piecesOf } from "@tembrak/core";
import { allEvents, append, mergeBook, replaceBook, store } from "./db.js";
import { appendBath, withdrawBath } from "./bathEntries.js";
import { demoEvents } from "./demoBook.js";
import { forgetMirror, readMirror } from "./mirror.js";

const NOW_ms = Date.UTC(2026, 10, 25, 12);

afterEach(async () => {
  forgetMirror();
  await store.events.clear();
  await store.settings.clear();
});

/** What the mirror has to be: everything on disk read and summed up from nothing. */
async function fromDisk() {
  return piecesOf(await allEvents());
}

describe("the book in memory", () => {
  it("is what is on disk after every kind of change", async () => {
    expect((await readMirror()).pieces).toEqual([]);
    await mergeBook(demoEvents(NOW_ms));
    expect((await readMirror()).pieces).toEqual(await fromDisk());
    await append("demo-3", [{ kind: "note", text: "one" }], NOW_ms + 5);
    await append("demo-1", [{ kind: "note", text: "two" }], NOW_ms + 5);
    expect((await readMirror()).pieces).toEqual(await fromDisk());
    // Older than everything known: a book from another machine.
    await mergeBook(demoEvents(NOW_ms - 9e7).map((event) => ({ ...event, id: `old-${event.id}`, piece: `old-${event.piece}` })));
    expect((await readMirror()).pieces).toEqual(await fromDisk());
    await replaceBook(demoEvents(NOW_ms + 1e6));
    expect((await readMirror()).pieces).toEqual(await fromDisk());
    await replaceBook([]);
    expect((await readMirror()).pieces).toEqual([]);
  });
  it("a tap makes one piece anew and leaves the others as they were", async () => {
    await mergeBook(demoEvents(NOW_ms));
    const before = (await readMirror()).pieces;
    await append("demo-3", [{ kind: "note", text: "one" }], NOW_ms + 5);
    const after = (await readMirror()).pieces;
    const changed = after.filter((state, i) => state !== before[i]).map(({ id }) => id);
    expect(changed).toEqual(["demo-3"]);
  });
  it("nothing new is nothing read: the same object", async () => {
    await mergeBook(demoEvents(NOW_ms));
    expect(await readMirror()).toBe(await readMirror());
  });
  it("another book with as many entries is noticed", async () => {
    const events = demoEvents(NOW_ms);
    await mergeBook(events);
    await readMirror();
    await replaceBook(events.map((event) => ({ ...event, piece: `x-${event.piece}` })));
    expect((await readMirror()).pieces.every(({ id }) => id.startsWith("x-"))).toBe(true);
  });
  it("a row that cannot be read is held as it is and told once", async () => {
    await mergeBook(demoEvents(NOW_ms));
    await readMirror();
    const spoiled = { id: "zz", piece: "demo-1", at_ms: NOW_ms + 9, kind: "act-done" };
    await store.events.put(spoiled as never);
    await readMirror();
    expect((await readMirror()).unreadable).toEqual([spoiled]);
  });
  it("has what was logged of each bath; what is taken back is there with what takes it back, and no piece is made anew for it", async () => {
    await mergeBook(demoEvents(NOW_ms));
    const before = await readMirror();
    const had = before.baths.get("demo-kit-3")!.length;
    expect(had).toBeGreaterThan(0);
    await appendBath("demo-kit-3", { entry: "read", top_C: 52, isStirred: true }, NOW_ms + 5);
    const after = await readMirror();
    expect(after.baths.get("demo-kit-3")).toHaveLength(had + 1);
    const last = after.baths.get("demo-kit-3")!.at(-1)!;
    await withdrawBath("demo-kit-3", last.id, NOW_ms + 9);
    const back = await readMirror();
    expect(back.baths.get("demo-kit-3")!.at(-1)).toMatchObject({ kind: "withdrawn", event: last.id });
    expect(back.pieces.every((piece) => before.pieces.includes(piece))).toBe(true);
    await expect(appendBath("demo-kit-3", { entry: "read", top_C: 5000, isStirred: true })).rejects.toThrow();
  });
});
