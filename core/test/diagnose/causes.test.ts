import { describe, expect, it } from "@jest/globals";
import { pieceState } from "../../src/book/state.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { OFTEN, suspectsOf, withLast, type Asked } from "../../src/diagnose/causes.js";
import { afterFinding, findingSays, isAnswerOf } from "../../src/diagnose/check.js";
import { whyQuestion } from "../../src/diagnose/facts.js";
import { remedyFor } from "../../src/diagnose/remedy.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { planRoute } from "../../src/plan/route.js";
import { CHECKS, LOOK_ANSWERS, type BookEvent, type HardnessTest } from "../../src/schema/book.js";
import { CAUSES, type Cause, type Fact } from "../../src/schema/job.js";
import { BILLHOOK } from "../pieces.js";
import { marked } from "../quenches.js";

const ROUTE = planRoute(CATALOGUE, BILLHOOK, "forge");
const SOFT: HardnessTest = { strokes: [{ file_HRC: 50, result: "bites" }], readings_HRC: [], surface: "ground", piece_C: 22 };
const asked = (facts: readonly Fact[] = [], more: Partial<Asked> = {}): Asked => ({
  piece: BILLHOOK,
  planned: ROUTE,
  route: ROUTE,
  known: { tests: [{ tempers: 1, test: SOFT }] },
  facts,
  findings: [],
  breaks: [],
  ...more,
});
const of = (question: Asked, cause: Cause) => suspectsOf(CATALOGUE, question, false, 0.1).find((one) => one.cause === cause);

describe("causes that are suspected", () => {
  it("each is a set of pieces whose weights are one, with a chance before any test", () => {
    const all = suspectsOf(CATALOGUE, asked(), false, 0.1);
    expect(all.map(({ cause }) => cause)).toEqual(
      CAUSES.filter((cause) => cause !== "too-thick" && cause !== "as-planned" && of(asked(), cause)),
    );
    for (const { cause, prior, pieces } of all) {
      expect(prior).toBeGreaterThan(0);
      expect(pieces.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
      expect([cause, pieces.length > 0]).toEqual([cause, true]);
    }
    expect(all.reduce((sum, { prior }) => sum + prior, 0)).toBeLessThan(1);
  });
  it.each<[Fact, Cause]>([
    ["hold", "soak-too-short"],
    ["transfer", "slow-transfer"],
    ["bath", "cold-bath"],
    ["bath-time", "out-too-soon"],
    ["oven", "temper-too-hot"],
  ])("what was logged as %s hides no %s", (fact, cause) => {
    expect(of(asked(), cause)).toBeDefined();
    expect(of(asked([fact]), cause)).toBeUndefined();
  });
  it("a heat that was looked at may still have been misjudged, less often", () => {
    expect(of(asked(["heat"]), "heat-too-low")!.prior).toBe(OFTEN["heat-too-low"].seen);
    expect(of(asked(), "heat-too-low")!.prior).toBe(OFTEN["heat-too-low"].unseen);
  });
  it("a test while it was hot makes too early one in two; cold, next to nothing", () => {
    const prior = (facts: readonly Fact[], wasHot: boolean) =>
      suspectsOf(CATALOGUE, asked(facts), wasHot, 0.1).find(({ cause }) => cause === "tested-too-early")!.prior;
    expect(prior([], true)).toBe(0.5);
    expect(prior(["cold"], false)).toBeLessThan(0.01);
  });
  it("water is never too cold, an untempered piece has no oven, and no piece is taken for its own steel", () => {
    const water = withLast(ROUTE, "quench", (step) => marked(step, { medium: "water", bath_C: 20 }));
    expect(of(asked([], { route: water, planned: water }), "cold-bath")).toBeUndefined();
    const untempered = asked([], { known: { tests: [{ tempers: 0, test: SOFT }] } });
    expect(of(untempered, "oven-wrong")).toBeUndefined();
    expect(of(untempered, "temper-too-hot")).toBeUndefined();
    expect(of(asked(), "other-steel")!.pieces.map(({ piece }) => piece.steel)).not.toContain(BILLHOOK.steel);
  });
  it("a skin that is known not to be soft is no suspect", () => {
    expect(suspectsOf(CATALOGUE, asked(), false, 0).map(({ cause }) => cause)).not.toContain("soft-skin");
  });
});

describe("looks", () => {
  it("each answer of each is a chance for every cause, and the two are all there is", () => {
    for (const look of CHECKS)
      for (const cause of CAUSES) {
        const [first, second] = LOOK_ANSWERS[look].map((answer) => findingSays({ of: look, answer }, cause)) as [number, number];
        expect(first).toBeGreaterThan(0);
        expect(first).toBeLessThan(1);
        expect(first + second).toBeCloseTo(1, 12);
      }
  });
  it("an answer belongs to its own look", () => {
    expect(isAnswerOf({ of: "grind-and-file", answer: "hard-below" })).toBe(true);
    expect(isAnswerOf({ of: "grind-and-file", answer: "oven-off" })).toBe(false);
  });
  it("the order in which two were taken does not matter", () => {
    const causes = CAUSES.map((cause) => ({ cause, probability: 1 / CAUSES.length }));
    const [a, b] = [
      { of: "thin-and-thick", answer: "same-all-over" },
      { of: "coupon-in-water", answer: "coupon-soft" },
    ] as const;
    const [one, two] = [afterFinding(afterFinding(causes, a), b), afterFinding(afterFinding(causes, b), a)];
    for (const { cause, probability } of one) expect(two.find((other) => other.cause === cause)!.probability).toBeCloseTo(probability, 12);
    expect(one[0]!.cause).toBe("other-steel");
  });
});

describe("the question of a logged piece", () => {
  const acts = actsOfRoute(ROUTE);
  const quench = acts.findIndex(({ kind }) => kind === "quench");
  const heat = acts.slice(0, quench).findLastIndex(({ kind }) => kind === "heat");
  const at = (i: number) => 1_000_000 + i * 60_000;
  const base: BookEvent[] = [
    { id: "a", piece: "p", at_ms: 1, kind: "piece", definition: BILLHOOK },
    { id: "b", piece: "p", at_ms: 2, kind: "route", route: ROUTE },
    ...acts.slice(0, quench + 1).map((act, i): BookEvent => ({ id: `d${i}`, piece: "p", at_ms: at(i), kind: "act-done", act: act.id })),
  ];
  const test: BookEvent = { id: "t", piece: "p", at_ms: at(99), kind: "test", act: acts[quench + 3]!.id, test: SOFT };
  const ask = (...more: BookEvent[]) =>
    whyQuestion(
      pieceState(
        "p",
        [...base, ...more].sort((x, y) => x.at_ms - y.at_ms),
      )!,
      { catalogue: CATALOGUE, kit: null },
    );
  const check = (id: string, act: number, after_ms: number, reading: Extract<BookEvent, { kind: "check" }>["reading"]): BookEvent => ({
    id,
    piece: "p",
    at_ms: at(act) + after_ms,
    kind: "check",
    act: acts[act]!.id,
    reading,
  });
  it("is none before anything was tested", () => {
    expect(ask()).toBeNull();
  });
  it("has for facts what somebody saw, timed or read", () => {
    expect(ask(test)!.facts).toEqual(expect.arrayContaining(["cold"]));
    expect(ask(test)!.facts).not.toContain("heat");
    const more = [
      check("h", heat, -500, { check: "probe", temperature_C: 790 }),
      check("r", quench, -2000, { check: "bath-heat", temperature_C: 40 }),
      check("i", quench, -900, { check: "bath", state: "in" }),
      check("o", quench, -100, { check: "bath", state: "out" }),
    ];
    expect(ask(test, ...more)!.facts).toEqual(expect.arrayContaining(["heat", "bath", "cold"]));
  });
  it("keeps of each look what it found last, since the test", () => {
    const found = (id: string, back_ms: number, answer: "hard-below" | "soft-below"): BookEvent => ({
      id,
      piece: "p",
      at_ms: at(99) + back_ms,
      kind: "check",
      act: acts[quench + 3]!.id,
      reading: { check: "finding", of: "grind-and-file", answer },
    });
    expect(ask(test, found("f1", -10, "hard-below"))!.findings).toEqual([]);
    expect(ask(test, found("f1", 10, "hard-below"), found("f2", 20, "soft-below"))!.findings).toEqual([
      { of: "grind-and-file", answer: "soft-below" },
    ]);
  });
});

describe("the remedy", () => {
  const question = { ...asked(), baths: ["fast-oil", "water"], attempts: 1 };
  const remedy = (cause: Cause, felt_HRC: number, hasTemper = false, more = {}) =>
    remedyFor(
      CATALOGUE,
      { ...question, ...more },
      [
        { cause, probability: 0.9 },
        { cause: "as-planned", probability: 0.1 },
      ],
      { felt_HRC, target: { low_HRC: 52, high_HRC: 57 }, hasTemper, planned_HRC: 63 },
    );
  it("is no fire where none is needed", () => {
    expect(remedy("as-planned", 62).code).toBe("go-on");
    expect(remedy("soft-skin", 45).code).toBe("grind-and-test");
    expect(remedy("oven-wrong", 60, true).code).toBe("temper-again");
    expect(remedy("oven-wrong", 54, true).code).toBe("accept");
    expect(remedy("other-steel", 45).code).toBe("find-out-steel");
  });
  it("puts right what was wrong, and no more", () => {
    expect(remedy("cold-bath", 45).changes).toEqual([{ change: "warm-bath", to_C: expect.any(Number) }]);
    expect(remedy("out-too-soon", 45).changes).toEqual([{ change: "stay-in" }]);
    expect(remedy("slow-transfer", 45).changes).toEqual([{ change: "quicker" }]);
    expect(remedy("heat-too-high", 45).changes.map(({ change }) => change)).toEqual(["normalise", "cooler"]);
    expect(remedy("slow-bath", 45, false, { baths: [] }).changes).toEqual([]);
  });
  it("takes the next faster bath of the kit, not the fastest there is", () => {
    const slow = withLast(ROUTE, "quench", (step) => marked(step, { medium: "slow-oil" }));
    const [change] = remedy("slow-bath", 45, false, { route: slow, baths: ["water", "fast-oil", "slow-oil"] }).changes;
    expect(change).toMatchObject({ change: "bath", medium: "fast-oil" });
  });
});
