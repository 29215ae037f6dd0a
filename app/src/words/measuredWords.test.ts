import { describe, expect, it } from "@jest/globals";
import {
  actsOfRoute,
  CATALOGUE,
  pieceState,
  planRoute,
  testVerdict,
  type BookEvent,
  type Estimate,
  type HardnessTest,
} from "@tembrak/core";
import { HAY_KNIFE, standingAt, START_ms } from "../testing.js";
import { nextActWords } from "./rackWords.js";
import { expectedWords, measured } from "./measuredWords.js";

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
  it("one file that bites a piece that should be hard tells a range, and no number that nobody has", () => {
    const bit: HardnessTest = {
      strokes: [{ file_HRC: 63, result: "bites" }],
      readings_HRC: [],
      surface: "ground",
      piece_C: 20,
      predicted: { mean_HRC: 62, sd_HRC: 1.5 },
    };
    expect(after(made(1, "prove", bit))).toMatch(/^One file tells no more than \d\d to 6\d HRC$/);
  });
});

describe("what the model says beside it, in the record", () => {
  const about = (mean_HRC: number) => ({ mean_HRC, p05_HRC: mean_HRC - 2, p95_HRC: mean_HRC + 2 }) as Estimate;
  const said = (...events: readonly BookEvent[]): string =>
    expectedWords(pieceState("p", [...done.events, ...events])!, about(54.3), about(54.6));
  it("it is the number of every other screen, its tests counted; its tempers held it is no longer to be", () => {
    expect(said()).toMatch(/^By the model it is 54\.3 HRC, 52 to 56\. Without a test/);
    expect(said(made(1, "5.first-file", test([65])))).toMatch(/tried of it before its temper it is 54\.3 HRC/);
    expect(said({ id: "f", piece: "p", at_ms: START_ms + 9e7, kind: "finished" })).toMatch(/^By the model it is 54\.3 HRC/);
  });
  it("measured it is what was expected then, as it was stored", () => {
    expect(said(made(1, "prove", test([57])))).toBe("The model expected 54.6 HRC, 53 to 57.");
    expect(said(made(1, "prove", { ...test([57]), predicted: { mean_HRC: 54.1, sd_HRC: 2.3 } }))).toBe(
      "The model expected 54.1 HRC, give or take 2.3.",
    );
  });
  it("nothing of it is said any more once it is to be hardened again", () => {
    const steps = [...route.steps];
    const at = steps.findLastIndex(({ kind }) => kind === "harden");
    steps.splice(at + 2, 0, steps[at]!, steps[at + 1]!);
    const again: BookEvent = { id: "r", piece: "p", at_ms: START_ms + 9e7, kind: "route", route: { ...route, steps } };
    expect(after(made(1, "prove", test([40])))).not.toBeNull();
    expect(after(made(1, "prove", test([40])), again)).toBeNull();
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
