import { describe, expect, it } from "@jest/globals";
import { checkBook, parseJson } from "../../src/book/exchange.js";
import { InputError } from "../../src/errors.js";
import { check } from "../../src/schema/checkPage.js";
import { BOOK_VERSION } from "../../src/schema/version.js";
import { runVerb } from "../../src/verbs/index.js";
import { BILLHOOK } from "../pieces.js";

const nested = (levels: number): string => "[".repeat(levels) + "]".repeat(levels);
const book = (more: object): object => ({ format: "tembrak", formatVersion: 4, exportedAt_ms: 0, events: [], ...more });
const magnet = (id: string): object => ({ id, kind: "magnet", name: "Magnet" });

describe("what comes in spoiled", () => {
  it("a text nested beyond all sense is refused with its place; one that only holds brackets in a name is not", () => {
    expect(() => parseJson(nested(20000))).toThrow(/nested deeper .* line 1, column 201/);
    expect(parseJson(JSON.stringify({ name: nested(5000) }))).toEqual({ name: nested(5000) });
    expect(parseJson(nested(150))).toBeDefined();
  });
  it("a value nested beyond all sense is refused by the schema, and nothing is thrown", () => {
    const deep = Array.from({ length: 20000 }).reduce<unknown>((inner) => [inner], 1);
    expect(check("Event", deep).ok).toBe(false);
    expect(checkBook(book({ events: deep })).ok).toBe(false);
  });
  it("a byte-order mark is no damage", () => {
    expect(parseJson(`\uFEFF{"hrc":60}`)).toEqual({ hrc: 60 });
  });
  it("a hundred thousand letters where a steel should be make a short sentence", () => {
    const ask = (): unknown => runVerb("transformations", { steel: "x".repeat(100000) });
    expect(ask).toThrow(InputError);
    expect(ask).toThrow(/^.{50,700}$/s);
  });
  it("a kit that names one thing twice is refused, with its place", () => {
    expect(checkBook(book({ kit: [magnet("a"), magnet("b")] })).ok).toBe(true);
    const { ok, problems } = checkBook(book({ kit: [magnet("a"), magnet("a")] }));
    expect([ok, problems[0]!.path]).toEqual([false, "/kit/1/id"]);
  });
});

describe("a moment no clock has", () => {
  // 2026-12, issue 41: a file that called itself version 4 was read with an entry of the year 275760.
  it.each([4, BOOK_VERSION])("the year 275760 is refused by a file of version %d", (formatVersion) => {
    const note = (at_ms: number) => ({ id: `n${at_ms}`, piece: "p", at_ms, kind: "note", text: "x" });
    const events = [{ id: "a", piece: "p", at_ms: 1, kind: "piece", definition: BILLHOOK }, note(8640000000000000)];
    const book = { format: "tembrak", formatVersion, exportedAt_ms: 8640000000000000, events };
    expect(checkBook(book).ok).toBe(false);
    expect(checkBook({ ...book, exportedAt_ms: 5, events: [events[0], note(2)] }).ok).toBe(true);
  });
});
