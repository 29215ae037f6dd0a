import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { piecesOf, pieceState, planRoute, PRESETS, CATALOGUE, readBook, writeBook, type BookEvent } from "@tembrak/core";
import {
  allEvents,
  append,
  eventsOf,
  mergeBook,
  newId,
  readKit,
  readSettings,
  removeKitItem,
  replaceBook,
  store,
  takeTheirs,
  writeKitItems,
  writeSettings,
} from "./db.js";
import { demoEvents } from "./demoBook.js";
import { readMirror } from "./mirror.js";

const NOW_ms = Date.UTC(2026, 10, 25, 12);

afterEach(async () => {
  await store.events.clear();
  await store.settings.clear();
});

describe("the store", () => {
  it("a book without a kit leaves the kit; rows nobody can read stay until they too are asked to go", async () => {
    const oven = { ...PRESETS[0]!.items.find(({ kind }) => kind === "oven")!, id: "own" };
    await writeKitItems([oven]);
    const odd = { id: "odd", piece: "p", at_ms: 5, kind: "rung" };
    await store.events.add(odd as never);
    await replaceBook(demoEvents(NOW_ms));
    expect(await readKit()).toEqual([oven]);
    expect(await store.events.get("odd")).toEqual(odd);
    await replaceBook([]);
    expect(await store.events.count()).toBe(1);
    await replaceBook([], { alsoUnreadable: true });
    expect(await store.events.count()).toBe(0);
    await removeKitItem("own");
  });
  it("the same entry with another content is told apart, and taken only when asked", async () => {
    const events = demoEvents(NOW_ms);
    await replaceBook(events);
    const note = events.find((event) => event.kind === "note")!;
    const other = { ...note, text: "Another hand wrote this." } as BookEvent;
    const { fresh, differing } = await mergeBook([...events.filter(({ id }) => id !== note.id), other]);
    expect([fresh, differing]).toEqual([0, [other]]);
    expect(await store.events.get(note.id)).toEqual(note);
    await takeTheirs(differing);
    expect(await store.events.get(note.id)).toEqual(other);
  });
  it("keeps events as they were given, in order, and refuses what does not fit without keeping half", async () => {
    const piece = demoEvents(NOW_ms).find((e) => e.kind === "piece")!;
    await append("p", [{ kind: "piece", definition: piece.definition }], NOW_ms);
    await expect(
      append(
        "p",
        [
          { kind: "note", text: "fine" },
          { kind: "note", text: "" },
        ],
        NOW_ms,
      ),
    ).rejects.toThrow("/text");
    expect(await eventsOf("p")).toHaveLength(1);
  });
  it("a row that is no event is left where it is and breaks nothing", async () => {
    await mergeBook(demoEvents(NOW_ms));
    const good = (await allEvents()).length;
    await store.events.put({ id: "zz", piece: "demo-1", at_ms: 5, kind: "act-done" } as never);
    expect(await allEvents()).toHaveLength(good);
    expect((await readMirror()).unreadable).toEqual([{ id: "zz", piece: "demo-1", at_ms: 5, kind: "act-done" }]);
    expect(await store.events.count()).toBe(good + 1);
  });
  it("with the clock a little behind the log still runs forward", async () => {
    await append("p", [{ kind: "note", text: "first" }], NOW_ms);
    await append("p", [{ kind: "note", text: "after" }], NOW_ms - 20_000);
    const events = await eventsOf("p");
    expect(events.at(-1)).toMatchObject({ kind: "note", text: "after" });
    expect(events.at(-1)!.at_ms).toBeGreaterThan(events.at(-2)!.at_ms);
  });
  it("an entry from a machine a day ahead shifts no tap; a plan that replaces an earlier one still comes after it", async () => {
    await append("p", [{ kind: "note", text: "from tomorrow" }], NOW_ms + 86400000);
    await append("p", [{ kind: "note", text: "now" }], NOW_ms);
    await append("p", [{ kind: "finished" }], NOW_ms + 5);
    const events = await eventsOf("p");
    expect(events.map(({ at_ms }) => at_ms)).toEqual([NOW_ms, NOW_ms + 86400000, NOW_ms + 86400001]);
  });
  it("a practice piece lives ahead of every clock: what is done to it comes after what was done, so that its tests count", async () => {
    const { definition } = demoEvents(NOW_ms).find((e) => e.kind === "piece")!;
    await append("p", [{ kind: "piece", definition: { ...definition, isPractice: true } }], NOW_ms);
    await append("p", [{ kind: "note", text: "simulated, four hours on" }], NOW_ms + 4 * 3600_000);
    await append("p", [{ kind: "note", text: "after it" }], NOW_ms + 5);
    const texts = (await eventsOf("p")).flatMap((event) => (event.kind === "note" ? [event.text] : []));
    expect(texts).toEqual(["simulated, four hours on", "after it"]);
  });
  it("two taps in one millisecond keep their order", () => {
    const ids = Array.from({ length: 200 }, () => newId(NOW_ms));
    expect([...ids].sort()).toEqual(ids);
    expect(newId(NOW_ms + 1) > ids[199]!).toBe(true);
  });
  it("export and import on an empty browser give the identical book", async () => {
    await mergeBook(demoEvents(NOW_ms));
    const before = await allEvents();
    const text = writeBook(before, NOW_ms);
    await store.events.clear();
    await replaceBook(readBook(text).events);
    const after = await allEvents();
    expect(writeBook(after, NOW_ms)).toBe(text);
    expect(piecesOf(after)).toEqual(piecesOf(before));
  });
  it("bringing the same book in twice adds nothing", async () => {
    const events = demoEvents(NOW_ms);
    expect(await mergeBook(events)).toEqual({ fresh: events.length, differing: [] });
    expect(await mergeBook(events)).toEqual({ fresh: 0, differing: [] });
  });
  it("a book that cannot be stored leaves the old one as it was", async () => {
    const events = demoEvents(NOW_ms);
    await mergeBook(events);
    await expect(replaceBook([events[0]!, events[0]!])).rejects.toThrow();
    expect(await store.events.count()).toBe(events.length);
  });
  it("settings start with their defaults and keep what is changed", async () => {
    // In the units of the browser's owner, until somebody says otherwise.
    const language = jest.spyOn(navigator, "language", "get").mockReturnValue("en-US");
    expect(await readSettings()).toMatchObject({ temperature: "F", length: "in" });
    language.mockReturnValue("en-GB");
    expect((await readSettings()).temperature).toBe("C");
    await writeSettings({ temperature: "F" });
    expect(await readSettings()).toMatchObject({ temperature: "F", length: "mm" });
  });
});

describe("the demo shop", () => {
  const pieces = piecesOf(demoEvents(NOW_ms));
  it("shows every stage of the work, and one brittle piece that waits", () => {
    expect(new Set(pieces.map(({ stage }) => stage))).toEqual(
      new Set(["prepare", "normalise", "harden", "cool", "temper", "prove", "done"]),
    );
    expect(pieces.find(({ piece }) => piece.name === "Reed sickle")!.next?.kind).toBe("oven");
  });
  it("nothing in it lies in the future, and its routes are those of the core", () => {
    for (const state of pieces) {
      for (const { at_ms } of state.events) expect(at_ms).toBeLessThanOrEqual(NOW_ms);
      expect(state.route).toEqual(planRoute(CATALOGUE, state.piece, state.route!.heating));
    }
  });
  it("a state can be made of any of its pieces alone", async () => {
    await mergeBook(demoEvents(NOW_ms));
    expect(pieceState("demo-4", await eventsOf("demo-4"))!.piece.name).toBe("Froe");
  });
});
