import { describe, expect, it } from "@jest/globals";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { checkBook, parseJson, readBook, writeBook } from "../../src/book/exchange.js";
import { piecesOf } from "../../src/book/state.js";
import { migrateEvent } from "../../src/migrate/index.js";
import { SENTENCES_OF_1 } from "../../src/migrate/book2To3.js";
import { orderProblem } from "../../src/plan/order.js";
import { wayOf } from "../../src/plan/way.js";
import type { Step } from "../../src/schema/book.js";
import { REASONS } from "../../src/schema/reasons.js";
import { BOOK_VERSION } from "../../src/schema/version.js";

const folder = join(__dirname, "books");
const textOf = (name: string): string => readFileSync(join(folder, name), "utf8");
const books = readdirSync(folder);

interface OldRoute {
  readonly way?: string;
  readonly steps: readonly { readonly why: string }[];
}
interface OldEvent {
  readonly id: string;
  readonly kind: string;
  readonly route?: OldRoute;
}

/** What the one word of version 1 said, for a blade and for a bar. */
const MEANT: Readonly<Record<string, readonly string[]>> = {
  whole: ["whole oven"],
  edge: ["edge oven"],
  face: ["face oven"],
  ends: ["ends oven"],
  run: ["whole torch", "face torch"],
  residual: ["edge residual", "face residual"],
};

describe("a book of every version", () => {
  it.each(books)("%s opens, loses no event and no piece, and comes back the same once written", (name) => {
    const before = parseJson(textOf(name)) as { events: OldEvent[] };
    const book = readBook(textOf(name));
    expect(book.formatVersion).toBe(BOOK_VERSION);
    expect(book.events.map(({ id }) => id)).toEqual(before.events.map(({ id }) => id));
    expect(piecesOf(book.events).length).toBeGreaterThan(30);
    const again = writeBook(book.events, book.exportedAt_ms, book.kit ?? null);
    // A file of today says no earlier moment than that of its last entry.
    expect(readBook(again)).toEqual({ ...book, exportedAt_ms: readBook(again).exportedAt_ms });
    expect(readBook(again).exportedAt_ms).toBeGreaterThanOrEqual(Math.max(book.exportedAt_ms, ...book.events.map(({ at_ms }) => at_ms)));
    expect(writeBook(readBook(again).events, book.exportedAt_ms, book.kit ?? null)).toBe(again);
  });
  it("the folder has one of each version a file ever had", () => {
    expect(books).toEqual([1, 10, 11, 12, 13, 14, 15, 16, 17, 18, 3, 4, 5, 6, 7, 8, 9].map((version) => `version-${version}.tembrak.json`));
  });
});

describe("from version 1", () => {
  const old = (parseJson(textOf("version-1.tembrak.json")) as { events: OldEvent[] }).events;
  const now = readBook(textOf("version-1.tembrak.json")).events;
  const pairs = old.flatMap((event, i) => {
    const then = now[i]!;
    return event.route !== undefined && then.kind === "route" ? [{ was: event.route, is: then.route }] : [];
  });
  it("what was hardened and drawn by a word is what the steps say", () => {
    const told = new Set<string>();
    for (const { was, is } of pairs.filter(({ is }) => orderProblem(is.steps) === null)) {
      const { hardens, draws } = wayOf(is);
      expect(MEANT[was.way ?? "whole"]).toContain(`${hardens} ${draws}`);
      told.add(was.way ?? "whole");
    }
    expect([...told].sort()).toEqual(Object.keys(MEANT).sort());
  });
  it("every reason it knew has its code, one to one; a stranger's sentence is kept word for word", () => {
    const reasons = new Map<string, Step["why"]>();
    for (const { was, is } of pairs) was.steps.forEach(({ why }, i) => reasons.set(why, is.steps[i]!.why));
    const strangers = [...reasons].filter(([, code]) => code === "said").map(([sentence]) => sentence);
    expect(strangers.sort()).toEqual(["", "A sentence nobody here ever wrote."]);
    for (const sentence of strangers) {
      expect(pairs.some(({ is }) => is.steps.some((step) => step.why === "said" && step.said === sentence))).toBe(true);
    }
    const codes = Object.values(SENTENCES_OF_1);
    expect(new Set(codes).size).toBe(codes.length);
    // Later versions have more.
    const later = [
      "oven-ends",
      "clear-of-dip",
      "clad-core",
      "plates",
      "snap-temper",
      "oil-too-slow",
      "edge-stays-bare",
      "softens-back",
      "paste",
      "by-colour",
      "worked-out",
    ] as const;
    expect([...codes, "said", ...later].sort()).toEqual([...REASONS].sort());
    expect(Object.keys(SENTENCES_OF_1).filter((sentence) => !reasons.has(sentence))).toEqual([]);
  });
  it("a sentence that is the name of something every object has is a stranger too", () => {
    const event = { kind: "route", route: { school: "forge", steps: [{ kind: "run", why: "constructor" }] } };
    expect(migrateEvent(event, 1)).toMatchObject({ route: { steps: [{ why: "said", said: "constructor" }] } });
  });
  it("what is no event is left for the schema to refuse, and nothing is thrown", () => {
    for (const spoiled of [
      null,
      7,
      "route",
      [],
      { kind: "route" },
      { kind: "route", route: { steps: [null, 3, {}] } },
      { kind: "route", route: [] },
    ]) {
      expect(() => migrateEvent(spoiled, 1)).not.toThrow();
    }
  });
  it("the input is not touched", () => {
    const event = { kind: "route", route: { school: "forge", way: "edge", steps: [{ kind: "run", why: "Evens out what forging left." }] } };
    const copy = structuredClone(event);
    migrateEvent(event, 1);
    expect(event).toEqual(copy);
  });
});

describe("times that cannot be", () => {
  const late = (formatVersion: number, isPractice = false): unknown => {
    const book = parseJson(textOf("version-5.tembrak.json")) as {
      exportedAt_ms: number;
      events: { kind: string; piece: string; at_ms: number; definition?: object }[];
    };
    const [first] = book.events;
    const events = book.events.map((event) =>
      event.piece === first!.piece && event.definition !== undefined && isPractice
        ? { ...event, definition: { ...event.definition, isPractice } }
        : event,
    );
    const after = { ...first!, id: "late", at_ms: book.exportedAt_ms + 3_600_000, kind: "note", text: "later", definition: undefined };
    return JSON.parse(JSON.stringify({ ...book, formatVersion, events: [...events, after] }));
  };
  it("an entry of after the file was written is refused with its place; of old files, and of the simulated shop, it is not", () => {
    const { ok, problems } = checkBook(late(5));
    expect(ok).toBe(false);
    expect(problems[0]).toMatchObject({ path: expect.stringMatching(/^\/events\/\d+\/at_ms$/) });
    expect(checkBook(late(4)).ok).toBe(true);
    expect(checkBook(late(5, true)).ok).toBe(true);
  });
});

describe("versions it cannot open", () => {
  const book = (formatVersion: unknown): unknown => ({ format: "tembrak", formatVersion, exportedAt_ms: 0, events: [] });
  it("a newer book is refused in words that say what to do", () => {
    const { ok, problems } = checkBook(book(BOOK_VERSION + 1));
    expect(ok).toBe(false);
    expect(problems[0]!.message).toMatch(/newer Tembrak.*nothing was changed/);
  });
  it.each([0, -1, 1.5, "3", null, undefined])("%s is no version", (version) => {
    expect(checkBook(book(version)).problems[0]!.message).toMatch(/reads versions 1 to 18/);
  });
  it("version 2 is a database's, and opens too", () => {
    expect(checkBook(book(2)).ok).toBe(true);
  });
});
