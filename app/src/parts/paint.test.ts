import { describe, expect, it } from "@jest/globals";
import {
  actsOfRoute,
  airCooling_s,
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

describe("what a piece that cools in air looks like", () => {
  const NOW_ms = 1e9;
  /** Out of the fire so long ago: of its first normalising heat, or falling in its hardening. */
  const cooling = (section: Piece["section"], kind: "air-cool" | "fall" | "quench", s: number, under = false) => {
    const piece: Piece = { ...CHISEL, steel: "w1", start: "as-forged", section };
    const plan = planRoute(CATALOGUE, piece, kind === "air-cool" ? "forge" : "falling");
    const all = actsOfRoute(plan);
    const at = kind === "air-cool" ? all.findIndex((act) => act.kind === kind) : all.findLastIndex((act) => act.kind === kind);
    const events = [
      { kind: "piece", definition: piece, at_ms: 1 },
      { kind: "route", route: plan, at_ms: 2 },
      ...all
        .slice(0, at)
        .map((act, i) => ({ kind: "act-done", act: act.id, at_ms: NOW_ms - 1000 * s - (act.kind === "fall" ? 0 : 60 * (at - i)) })),
      ...(under ? [{ kind: "check", act: all[at]!.id, reading: { check: "bath", state: "in" }, at_ms: NOW_ms - 1 }] : []),
    ];
    const state = pieceState(
      "p",
      events.map((event, i) => ({ id: `e${i}`, piece: "p", ...event }) as BookEvent),
    )!;
    return { paint: paintOf(state, 20, NOW_ms, null), plan };
  };
  const rod = (diameter_mm: number): Piece["section"] => ({ shape: "round", diameter_mm });
  it("is as hot as the core's own time to black says, for thick and thin", () => {
    for (const mm of [4, 16, 40]) {
      const { plan } = cooling(rod(mm), "air-cool", 0);
      const from_C = plan.steps.find((step) => step.kind === "normalise")!.temperature_C;
      const { paint } = cooling(rod(mm), "air-cool", airCooling_s(rod(mm), from_C, 600));
      expect(Math.abs(paint.now_C! - 600)).toBeLessThan(2);
    }
  });
  it("hung too long it is dark, and under the bath nothing glows", () => {
    expect(cooling(rod(8), "fall", 5).paint.isGlowing).toBe(true);
    expect(cooling(rod(8), "fall", 400).paint.isGlowing).toBe(false);
    expect(cooling(rod(8), "quench", 3).paint.isGlowing).toBe(true);
    expect(cooling(rod(8), "quench", 3, true).paint).toMatchObject({ isGlowing: false, words: "in the bath" });
  });
});

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
