import { describe, expect, it } from "@jest/globals";
import { actsOfRoute, CATALOGUE, pieceState, planRoute, testVerdict, type BookEvent, type HardnessTest } from "@tembrak/core";
import { HAY_KNIFE, standingAt, START_ms } from "../testing.js";
import { nextActWords } from "./actWords.js";
import { measured } from "./measuredWords.js";

const route = planRoute(CATALOGUE, HAY_KNIFE, "forge");
const done = standingAt(HAY_KNIFE, route, { done: actsOfRoute(route).length - 1 });
const test = (readings_HRC: number[]): HardnessTest => ({ strokes: [], readings_HRC, surface: "ground", piece_C: 20 });
const made = (n: number, act: string, of: HardnessTest): BookEvent => ({
  id: `t${n}`,
  piece: "p",
  at_ms: START_ms + 60_000 * n,
  kind: "test",
  act,
  test: of,
});
const after = (...tests: readonly BookEvent[]) => measured(pieceState("p", [...done.events, ...tests])!);

describe("what was measured of a piece", () => {
  it("nothing where nothing was tried, and a test after the quench is not what it is after the temper", () => {
    expect(after()).toBeNull();
    expect(after(made(1, "5.first-file", test([65])))).toBeNull();
  });
  it("the last test counts, as its own verdict has it", () => {
    const last = test([57, 57.5, 57]);
    const { mean_HRC } = testVerdict(last, HAY_KNIFE.section).summary;
    expect(after(made(1, "prove", test([50, 50, 51])), made(2, "prove", last))).toContain(`${mean_HRC.toFixed(1)} HRC, `);
  });
});

describe("a finished piece", () => {
  it("has nothing to be recorded any more: it says since when it is finished", () => {
    const finished: BookEvent = { id: "f", piece: "p", at_ms: new Date(2026, 10, 25, 14, 7).getTime(), kind: "finished" };
    const state = pieceState("p", [...done.events, finished])!;
    expect(nextActWords(state, finished.at_ms + 9e6, { temperature: "C", length: "mm" }).sentence).toBe(
      "Finished 25 November 2026, 14:07.",
    );
  });
});
