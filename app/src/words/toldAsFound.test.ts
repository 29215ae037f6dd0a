import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, pieceState, planRoute, predict, standingQuestion, type BookEvent, type PieceState } from "@tembrak/core";
import { doneSoFar, endTense, expectedWords, knownBy } from "./measuredWords.js";
import { verdictWords } from "./verdictWords.js";
import { HAMMER, HAY_KNIFE, marked, standingAt, START_ms } from "../testing.js";

const UNITS = { temperature: "C", length: "mm" } as const;
const route = planRoute(CATALOGUE, HAY_KNIFE, "forge");
const all = standingAt(HAY_KNIFE, route).acts;
const at = (kind: string): number => all.findIndex((act) => act.kind === kind);

function told(state: PieceState) {
  const { piece, route: asDone, known } = standingQuestion(state, { catalogue: CATALOGUE, kit: null, factors: [] })!;
  const is = predict(CATALOGUE, piece, asDone, "quick", undefined, undefined, known);
  const found = { hardness_HRC: null, look: null, done: doneSoFar(state), end: endTense(state) };
  const card = verdictWords(is, asDone, piece.section, UNITS, [], found);
  return { card, all: [card.headline, ...card.reasons].join(" "), record: expectedWords(state, is.working.tempered, undefined), is };
}
const with_ = (state: PieceState, event: object): PieceState =>
  pieceState("p", [...state.events, { id: "more", piece: "p", at_ms: START_ms + 60_000, ...event } as BookEvent])!;
const tense = (text: string): string | undefined => /(will be|would be|\bis)(?= \d| below)/.exec(text)?.[1];

describe("card and record speak of a piece in one tense", () => {
  it.each([
    ["to come", standingAt(HAY_KNIFE, route), "will be"],
    ["quenched", standingAt(HAY_KNIFE, route, { done: at("oven") }), "will be"],
    ["all its tempers held", standingAt(HAY_KNIFE, route, { done: at("prove") }), "is"],
    ["cracked in the bath", with_(standingAt(HAY_KNIFE, route, { done: at("cool-down") }), { kind: "fate", fate: "cracked" }), "would be"],
  ])("%s", (_, state, wanted) => {
    const { card, record } = told(state);
    expect([tense(card.headline), tense(record)]).toEqual([wanted, wanted]);
  });
});

describe("a piece of which a file says another thing than the model", () => {
  const quenched = standingAt(HAY_KNIFE, route, { done: at("oven") });
  const bitten = with_(quenched, {
    kind: "test",
    act: all[at("first-file")]!.id,
    test: { strokes: [45, 50, 55].map((file_HRC) => ({ file_HRC, result: "bites" })), readings_HRC: [], surface: "ground", piece_C: 20 },
  });
  it("is not said to be worked out without a test, nor to have hardened", () => {
    expect(knownBy(quenched)).toBe("worked out, not tested");
    expect(knownBy(bitten)).toMatch(/from what was tried/);
    expect(told(quenched).all).toMatch(/The edge hardened|ardened right through/);
    const soft = with_(quenched, {
      kind: "test",
      act: all[at("first-file")]!.id,
      test: { strokes: [], readings_HRC: [38, 39, 38], surface: "ground", piece_C: 20 },
    });
    expect(told(soft).all).not.toMatch(/The edge hardened|may have hardened/);
    const { all: text, is } = told(bitten);
    expect(is.failChance).toBeGreaterThan(0.5);
    expect(text).not.toMatch(/The edge hardened|Hardened right through|Should have hardened/);
    expect(text).toMatch(/May have failed: \d in 10 that it hardened|did not harden/);
  });
});

it("an end that is drawn by its own body as it comes out of the bath has not failed for that", () => {
  const way = planRoute(CATALOGUE, HAMMER, "forge", { way: { hardens: "face" } });
  const steps = way.steps.map((step) => (step.kind === "quench" ? marked(step, { bath_s: 12 }) : step));
  const is = predict(CATALOGUE, HAMMER, { ...way, steps }, "quick");
  expect(is.hardening.chanceHard.working).toBeGreaterThan(0.8);
  expect(is.working.asQuenched.mean_HRC).toBeLessThan(50);
  expect(verdictWords(is, { ...way, steps }, HAMMER.section, UNITS).reasons.join(" ")).toMatch(/^Hard at the surface, softer inside/);
});
