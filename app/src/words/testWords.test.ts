import { describe, expect, it } from "@jest/globals";
import {
  actsOfRoute,
  CATALOGUE,
  MILL_FILE_HRC,
  planRoute,
  pieceState,
  priorBelief,
  testVerdict,
  withSurprises,
  type BookEvent,
  type FileResult,
  type NextTemper,
  type Piece,
} from "@tembrak/core";
import type { Units } from "../format/show.js";
import { compareWords, evidenceWords, followUps, humpWords } from "./testWords.js";
import { EMPTY_TEST, type TestDraft } from "./testDraft.js";

const UNITS = { temperature: "C", length: "mm" } as const;
const TARGET = { low_HRC: 52, high_HRC: 57 };
const around = (mean_HRC: number) => ({
  mean_HRC,
  sd_HRC: 1.2,
  p05_HRC: mean_HRC - 2,
  p50_HRC: mean_HRC,
  p95_HRC: mean_HRC + 2,
  members: [{ mean: mean_HRC, sd: 1.2 }],
  against: [{ mean: mean_HRC, sd: 1.2 }],
});
const PRIOR = around(55);
const ENOUGH: NextTemper = { outcome: "enough" };
const HOTTER: NextTemper = { outcome: "found", temperature_C: 283.4, ifMaterial_C: 290, ifOven_C: 283.4, offset_HRC: 0.4 };

const hook: Piece = {
  name: "Billhook",
  mark: "7",
  kind: "hook",
  steel: "1075",
  start: "normalised",
  use: "sickle",
  length_mm: 376,
  section: { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 60 },
};
const route = planRoute(CATALOGUE, hook, "forge");
const state = pieceState("p", [
  { kind: "piece", id: "a", piece: "p", at_ms: 0, definition: hook },
  { kind: "route", id: "b", piece: "p", at_ms: 1, route },
  ...actsOfRoute(route).map((act, i): BookEvent => ({ kind: "act-done", id: `c${i}`, piece: "p", at_ms: 2 + i, act: act.id })),
])!;

const draft = (change: Partial<TestDraft>): TestDraft => ({ ...EMPTY_TEST, ...change });

describe("what a test says against what was predicted and wanted", () => {
  it("as predicted, harder, softer", () => {
    expect(compareWords(around(55.2), PRIOR, TARGET, false)).toBe("As predicted, inside the upper half of what its use wants.");
    expect(compareWords(around(53.2), PRIOR, TARGET, false)).toBe(
      "1.8 softer than predicted, inside the lower half of what its use wants.",
    );
    expect(compareWords(around(59), PRIOR, TARGET, false)).toBe("4.0 harder than predicted, and harder than the 52 to 57 its use wants.");
    expect(compareWords(around(49), PRIOR, TARGET, false)).toBe("6.0 softer than predicted, and softer than the 52 to 57 its use wants.");
  });
  it("a file that speaks against a sure prediction leaves two stories, and no number between them", () => {
    const said = humpWords({ soft: { share: 0.4, median_HRC: 44.2 }, hard: { share: 0.6, median_HRC: 61.3 } });
    expect(said).toMatch(/^One of two: it is soft, about 44 \(4 in 10\), or it is hard, about 61, and the file slipped/);
    expect(said).toMatch(/file once more: that parts them\.$/);
  });
  it("before the temper the use is not asked", () => {
    expect(compareWords(around(64), around(64.4), TARGET, true)).toBe("As predicted, before the temper.");
  });
  it("without a prediction it says so", () => {
    expect(compareWords(around(55), undefined, TARGET, true)).toMatch(/^Nothing was predicted/);
  });
});

describe("what each answer rules out", () => {
  it("the hardest that skates and the softest that bites, readings, and the skin", () => {
    const words = evidenceWords(
      draft({
        strokes: new Map([
          [50, "skates"],
          [55, "skates"],
          [60, "bites"],
          [65, "bites"],
        ]),
        readings: [56.1, 56.4],
        surface: "ground",
      }),
      testVerdict({ strokes: [], readings_HRC: [56.1, 56.4], surface: "ground" }, hook.section).corrected,
    );
    expect(words).toEqual([
      "55 skated: harder than that.",
      "60 bit: softer than that.",
      expect.stringMatching(/^2 tester readings: mean 56\.[23], spread 0\.2\.$/),
      "Ground past the scale: a soft skin hiding hard steel is 3 in 100.",
    ]);
  });
  it("says how likely a soft skin is for each surface, and nothing of it without a file", () => {
    const one = new Map([[60, "bites" as const]]);
    expect(evidenceWords(draft({ strokes: one }), null).at(-1)).toMatch(/1 in 10/);
    expect(evidenceWords(draft({ strokes: one, surface: "heated-long-unprotected" }), null).at(-1)).toMatch(/even chance/);
    // By hand: 59, 60, 61 have mean 60 and spread 1; a tester 0.5 too hard on its block makes it 59.5.
    const read = (readings_HRC: number[], blockBias_HRC?: number) =>
      evidenceWords(
        draft({ readings: readings_HRC }),
        testVerdict(
          { strokes: [], readings_HRC, surface: "ground", ...(blockBias_HRC === undefined ? {} : { blockBias_HRC }) },
          hook.section,
        ).corrected,
      );
    expect(read([60])).toEqual(["One tester reading: 60.0."]);
    expect(read([59, 60, 61])).toEqual(["3 tester readings: mean 60.0, spread 1.0."]);
    expect(read([59, 60, 61], 0.5)).toEqual(["3 tester readings: mean 60.0, spread 1.0; corrected 59.5."]);
  });
});

describe("what follows", () => {
  const bell = (mean: number, sd = 1.2) => priorBelief([{ mean, sd }]);
  const next = (mean: number, isFirst: boolean, more: NextTemper = ENOUGH, by: "oven" | "run" = "oven", units: Units = UNITS) =>
    followUps(
      {
        verdict: { summary: around(mean), belief: bell(mean) },
        draft: draft({ readings: [mean] }),
        isFirst,
        target: TARGET,
        prior: isFirst ? around(64) : PRIOR,
        more,
        by,
        state,
      },
      units,
    );
  it("hard after the quench: on to the temper, nothing else", () => {
    expect(next(64, true).map(({ key }) => key)).toEqual(["keep"]);
  });
  it("soft after the quench: another hardening first, going on is still allowed and says what it means", () => {
    const offered = next(48, true);
    expect(offered.map(({ key }) => key)).toEqual(["again", "keep"]);
    expect(offered[1]!.note).toBe("It will not get harder in its temper.");
  });
  it("inside what the use wants: leave it, or a further temper second", () => {
    expect(next(55, false, HOTTER).map(({ key }) => key)).toEqual(["keep", "temper"]);
  });
  it("too hard by a tester: the third temper first, rounded to what an oven can be set to", () => {
    const offered = next(59, false, HOTTER);
    expect(offered[0]).toMatchObject({ key: "temper", title: "A third temper at 285 °C" });
    const imperial = next(59, false, HOTTER, "oven", { ...UNITS, temperature: "F" });
    expect(imperial[0]!.title).toBe("A third temper at 540 °F");
  });
  it("too hard in a shop without an oven: no temper is offered, its colours are run once more", () => {
    expect(next(59, false, HOTTER, "run")[0]).toMatchObject({
      key: "temper",
      title: expect.stringMatching(/^Run its colours once more, to \w+/),
    });
  });
  it("softer than wanted is no failure; well below, hardening again is on offer", () => {
    expect(next(51.5, false).map(({ key }) => key)).toEqual(["keep"]);
    expect(next(51.5, false)[0]!.note).toMatch(/no failure/);
    expect(next(46, false).map(({ key }) => key)).toEqual(["keep", "again"]);
  });
});

/** A file test as it is made at the page, against a prediction with its surprises. */
function filed(strokes: Iterable<readonly [number, FileResult]>, expected: ReturnType<typeof around>, isFirst: boolean, ground = true) {
  const surface = ground ? "ground" : "as-it-came";
  const test = { strokes: [...strokes].map(([file_HRC, result]) => ({ file_HRC, result })), readings_HRC: [], surface } as const;
  const verdict = testVerdict(
    { ...test, strokes: [...test.strokes], readings_HRC: [] },
    hook.section,
    withSurprises([{ mean: expected.mean_HRC, sd: expected.sd_HRC }]),
  );
  const offered = followUps(
    {
      verdict,
      draft: draft({ strokes: new Map(strokes), surface }),
      isFirst,
      target: TARGET,
      prior: expected,
      more: HOTTER,
      by: "oven",
      state,
    },
    UNITS,
  );
  return { verdict, keys: offered.map(({ key }) => key), offered };
}

describe("a file straight after the bath, as the trade has it", () => {
  const fresh = { ...around(63), sd_HRC: 2, members: [{ mean: 63, sd: 2 }] };
  it("a mill file that bites ground, cold steel leads to why, and again; to test elsewhere; and to the temper last", () => {
    const { keys, offered } = filed([[MILL_FILE_HRC, "bites"]], fresh, true);
    expect(keys).toEqual(["again", "elsewhere", "keep"]);
    expect(offered[1]!.note).toMatch(/^A bite on clean steel is a failed quench; [3-6] in 10 that this one is\.$/);
    expect(offered[2]!.note).toBe("It will not get harder in its temper.");
  });
  it("not ground it may be skin: grind first", () => {
    expect(
      filed([[MILL_FILE_HRC, "bites"]], fresh, true, false).offered.some(({ title }) => title === "Grind past the scale, and once more"),
    ).toBe(true);
  });
  it("skating, it is hard enough and nothing else is offered", () => {
    expect(filed([[MILL_FILE_HRC, "skates"]], fresh, true).keys).toEqual(["keep"]);
    expect(evidenceWords(draft({ strokes: new Map([[MILL_FILE_HRC, "skates"]]), surface: "ground" }), null)[0]).toBe(
      "The mill file skated: about 60 or more.",
    );
  });
});

describe("one file after the temper tells, and measures nothing", () => {
  it("one that skates at 60 where 57 was expected does not order a third temper first", () => {
    const { keys } = filed([[60, "skates"]], around(58), false);
    expect(keys[0]).not.toBe("temper");
    expect(keys).toContain("elsewhere");
  });
});
