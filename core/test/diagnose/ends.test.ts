import { describe, expect, it } from "@jest/globals";
import {
  actsOfRoute,
  againRoute,
  CATALOGUE,
  diagnose,
  lastBathDone,
  pieceState,
  planRoute,
  whyQuestion,
  type BookEvent,
  type Piece,
} from "../../src/index.js";
import { endUnder } from "../../src/plan/dips.js";

const DRIFT: Piece = {
  name: "Drift",
  mark: "3",
  kind: "punch",
  form: "punch",
  steel: "1084",
  start: "as-forged",
  use: "punch",
  length_mm: 220,
  section: { shape: "round", diameter_mm: 12 },
};
const route = planRoute(CATALOGUE, DRIFT, "forge", { way: { hardens: "ends", draws: "oven" } });
const acts = actsOfRoute(route);
const first = acts.findIndex(({ kind }) => kind === "quench");

/** Its first end through the bath, and a file found it soft. */
function firstEndSoft() {
  const events: BookEvent[] = [];
  const add = (event: object): void =>
    void events.push({ id: `e${events.length}`, piece: "p", at_ms: 1e12 + 60_000 * events.length, ...event } as BookEvent);
  add({ kind: "piece", definition: DRIFT });
  add({ kind: "route", route });
  acts.slice(0, first + 1).forEach(({ id }) => add({ kind: "act-done", act: id }));
  const file = acts.slice(first).find(({ kind }) => kind === "first-file")!;
  add({
    kind: "test",
    act: file.id,
    test: { strokes: [{ file_HRC: 50, result: "bites" }], readings_HRC: [], surface: "ground", piece_C: 20 },
  });
  return pieceState("p", events)!;
}

describe("two ends, the first found soft (2026-12, issue 41: a page with no cause and no way)", () => {
  const state = firstEndSoft();
  it("causes are of the end that is done: every heat of it is asked, and the other end does not stand in the plan", () => {
    const question = whyQuestion(state, { catalogue: CATALOGUE, kit: null })!;
    expect(question).not.toBeNull();
    expect(question.planned.steps.filter(({ kind }) => kind === "quench")).toHaveLength(1);
    const { causes } = diagnose(CATALOGUE, { ...question, baths: null, attempts: 1 });
    expect(causes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 6);
    expect(causes.length).toBeGreaterThan(2);
  });
  it("it is hardened again before the other end, which stays planned behind it", () => {
    const again = againRoute(route, [{ change: "hotter", to_C: 830 }], lastBathDone(state));
    const ends = again.steps.flatMap((step) => (step.kind === "quench" ? [endUnder(step)?.end] : []));
    expect(ends).toEqual(["working", "working", "other"]);
    const heats = again.steps.flatMap((step) => (step.kind === "harden" ? [step.temperature_C] : []));
    expect(heats[1]).toBe(830);
    expect(heats[0]).toBe(heats[2]);
  });
});
