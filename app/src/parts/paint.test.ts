import { describe, expect, it } from "@jest/globals";
import {
  actsOfRoute,
  CATALOGUE,
  OXIDE_NAMES,
  filmNamed_nm,
  oxideName,
  pieceState,
  planRoute,
  type BookEvent,
  type Piece,
} from "@tembrak/core";
import { readingWords } from "../words/readingWords.js";
import { paintOf } from "./paint.js";

const CHISEL: Piece = {
  name: "Cold chisel",
  mark: "5",
  kind: "chisel",
  steel: "1075",
  start: "normalised",
  use: "chisel",
  length_mm: 180,
  section: { shape: "round", diameter_mm: 16 },
};
const UNITS = { temperature: "C", length: "mm" } as const;
const route = planRoute(CATALOGUE, CHISEL, "forge", { way: { hardens: "face", draws: "torch" } });
const acts = actsOfRoute(route);
const run = acts.find(({ kind }) => kind === "run")!.id;

function stateWith(...looks: object[]) {
  const done = acts.filter(({ id }) => id !== "prove").map(({ id }) => ({ kind: "act-done", act: id }));
  const begun = { kind: "check", act: run, reading: { check: "fire", state: "in" } };
  const list = [{ kind: "piece", definition: CHISEL }, { kind: "route", route }, begun, ...looks, ...done];
  return pieceState(
    "p",
    list.map((event, i) => ({ id: `e${i}`, piece: "p", at_ms: 60000 * i, ...event }) as BookEvent),
  )!;
}
const look = (name: string) => ({ kind: "check", act: run, reading: { check: "temper-colour", name } });
const dunked = { kind: "check", act: run, reading: { check: "dunked" } };
const words = (...looks: object[]): string => paintOf(stateWith(...looks), 200, 60000 * 40, null).words;

describe("what a piece that was run to a colour looks like", () => {
  it("is the colour that was found on it cold, then that which was seen last; the one of the plan where nobody looked", () => {
    expect(words(look("straw"), dunked, look("bronze"))).toBe("bronze");
    expect(words(look("purple"))).toBe("purple");
    expect(words()).not.toBe("bare");
  });
  it("a film named is one of that name, for every name", () => {
    for (const { name } of OXIDE_NAMES) expect(oxideName(filmNamed_nm(name))).toBe(name);
  });
  it("the heat that runs it is no fire, in the log", () => {
    const state = stateWith();
    const begun = state.events.find(({ kind }) => kind === "check")!;
    expect(readingWords(begun, state, UNITS)).toBe("the heat is on it");
  });
});
