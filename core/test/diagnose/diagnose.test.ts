import { describe, expect, it } from "@jest/globals";
import { diagnose, type DiagnoseQuestion, type Ranked } from "../../src/diagnose/diagnose.js";
import { afterFinding, nextCheck } from "../../src/diagnose/check.js";
import { celsiusFromFahrenheit } from "../../src/units.js";
import { againRoute, inRoundHeat, MOST_ATTEMPTS } from "../../src/diagnose/remedy.js";
import { withLast } from "../../src/diagnose/causes.js";
import { planRoute } from "../../src/plan/route.js";
import { wayOf } from "../../src/plan/way.js";
import type { HardnessTest, Piece, Route } from "../../src/schema/book.js";
import type { Cause, Fact } from "../../src/schema/job.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { makeDesk } from "../../src/simulate/desk.js";
import { bathOf, intoOf } from "../../src/plan/dips.js";
import { marked } from "../quenches.js";

/** Remembered or not the bytes are the same (desk.test.ts). */
const desk = makeDesk();

const PIECE: Piece = {
  name: "Coupon",
  mark: "1",
  kind: "other",
  steel: "1084",
  start: "as-forged",
  use: "knife",
  length_mm: 200,
  section: { shape: "plate", thickness_mm: 3.5 },
};
const PLAN = planRoute(CATALOGUE, PIECE, "forge");

type Stroke = HardnessTest["strokes"][number];
/** Skates on all up to one, bites from there on. */
const row = (hardest: number): Stroke[] =>
  [45, 50, 55, 60, 65].map((file_HRC) => ({ file_HRC, result: file_HRC <= hardest ? "skates" : "bites" }));
const files = (hardest: number, more: Partial<HardnessTest> = {}): HardnessTest => ({
  strokes: row(hardest),
  readings_HRC: [],
  surface: "ground",
  piece_C: 22,
  ...more,
});

interface Case {
  readonly tests: readonly (readonly [tempers: number, test: HardnessTest])[];
  readonly route?: Route;
  readonly facts?: readonly Fact[];
  readonly more?: Partial<DiagnoseQuestion>;
}

function asked({ tests, route = PLAN, facts = [], more = {} }: Case): DiagnoseQuestion {
  const known = { tests: tests.map(([tempers, test]) => ({ tempers, test })) };
  return { piece: PIECE, planned: PLAN, route, known, facts, findings: [], breaks: [], baths: null, attempts: 1, ...more };
}

const topOf = (question: DiagnoseQuestion): Cause => diagnose(CATALOGUE, question, desk).causes[0]!.cause;

// Trade facts, common practice, no source: each is what a smith would say first of such a log.
describe("what a smith would say first", () => {
  it("read well short of its heat, and soft all through: it was not hot enough", () => {
    const route = withLast(PLAN, "harden", (step) => ({ ...step, temperature_C: 735 }));
    const more = { known: { shop: { heat_K: { mean: 0, sd: 10 } }, tests: [{ tempers: 0, test: files(40) }] } };
    const said = diagnose(
      CATALOGUE,
      asked({ tests: [], route, facts: ["heat", "hold", "transfer", "bath", "bath-time", "cold"], more }),
      desk,
    );
    expect(said.causes[0]!.cause).toBe("heat-too-low");
    expect(said.remedy.code).toBe("harden-again");
    expect(said.remedy.changes).toContainEqual({ change: "hotter", to_C: PLAN.steps.findLast((s) => s.kind === "harden")!.temperature_C });
  });
  it("soft to the file as it came, hard where it was ground: the skin", () => {
    const tests = [
      [0, files(50, { surface: "as-it-came" })],
      [0, files(60)],
    ] as const;
    expect(topOf(asked({ tests, facts: ["cold"] }))).toBe("soft-skin");
  });
  it("filed while it was too hot to hold: too early, and the remedy is to wait", () => {
    const { causes, remedy } = diagnose(CATALOGUE, asked({ tests: [[0, files(45, { piece_C: 90 })]] }), desk);
    expect(causes[0]!.cause).toBe("tested-too-early");
    expect(remedy).toMatchObject({ code: "wait-and-test", changes: [] });
  });
  it("out of the oil after two seconds, in a bar that is hot inside: too soon", () => {
    const piece: Piece = { ...PIECE, section: { shape: "round", diameter_mm: 20 } };
    const planned = planRoute(CATALOGUE, piece, "forge");
    const route = withLast(planned, "quench", (step) => marked(step, { bath_s: 2, transfer_s: 1.5 }));
    const facts: readonly Fact[] = ["heat", "hold", "transfer", "bath", "bath-time", "cold"];
    const { causes, remedy } = diagnose(CATALOGUE, { ...asked({ tests: [[0, files(40)]], route, facts }), piece, planned }, desk);
    expect(causes[0]!.cause).toBe("out-too-soon");
    expect(remedy.changes).toContainEqual({ change: "stay-in" });
  });
  it("hard as quenched, too soft after an oven whose thermometer read eighty too much: the oven", () => {
    const last = PLAN.steps.findLastIndex(({ kind }) => kind === "quench");
    const steps = PLAN.steps.map((s, i) => (i > last && s.kind === "temper" ? { ...s, temperature_C: s.temperature_C + 80 } : s));
    const tests = [
      [0, files(60)],
      [2, files(50, { readings_HRC: [53, 53.5, 52.5], blockBias_HRC: 0 })],
    ] as const;
    expect(topOf(asked({ tests, route: { ...PLAN, steps }, facts: ["heat", "oven", "cold"] }))).toBe("oven-wrong");
  });
  it("as hard as it should be: no fault stands out, and one goes on", () => {
    const { causes, remedy } = diagnose(
      CATALOGUE,
      asked({ tests: [[0, files(60)]], facts: ["heat", "hold", "transfer", "bath", "bath-time", "cold"] }),
    );
    expect(causes[0]!.cause).toBe("as-planned");
    expect(remedy.code).toBe("go-on");
  });
  it("an inch of plain steel in oil: no fault of anybody's, it is too thick", () => {
    const piece: Piece = { ...PIECE, section: { shape: "round", diameter_mm: 40 } };
    const own = planRoute(CATALOGUE, piece, "forge");
    const oil = { medium: "fast-oil", bath_C: 55 };
    const planned = { ...own, steps: own.steps.map((step) => (step.kind === "quench" ? marked(step, oil) : step)) };
    const facts: readonly Fact[] = ["heat", "hold", "transfer", "bath", "bath-time", "cold"];
    const { causes } = diagnose(CATALOGUE, { ...asked({ tests: [[0, files(40)]], facts }), piece, planned, route: planned }, desk);
    expect(causes.slice(0, 2).map(({ cause }) => cause)).toContain("too-thick");
  });
});

describe("a diagnosis", () => {
  const question = asked({ tests: [[0, files(45)]] });
  it("is a set of chances, and the same for the same question", () => {
    const [one, two] = [diagnose(CATALOGUE, question), diagnose(CATALOGUE, question)];
    expect(one.causes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 12);
    expect(JSON.stringify(two)).toBe(JSON.stringify(one));
  });
  it("advises another look once one was taken, and the answer moves it", () => {
    const { next, causes } = diagnose(CATALOGUE, question, desk);
    const answer = next.then[0]!.answer;
    const after = diagnose(CATALOGUE, { ...question, findings: [{ of: next.check, answer }] }, desk);
    expect(after.next.check).not.toBe(next.check);
    const [first, told] = [after.causes[0]!, next.then[0]!.top];
    expect(first.cause).toBe(told.cause);
    expect(first.probability).toBeCloseTo(told.probability, 12);
    expect(after.causes).not.toEqual(causes);
  });
  it("a break as coarse as sugar speaks for too hot, a silky one against it; then no other is asked for", () => {
    const hard = asked({ tests: [[0, files(60)]] });
    const tooHot = (more: Partial<DiagnoseQuestion>): number =>
      diagnose(CATALOGUE, { ...hard, ...more }, desk).causes.find(({ cause }) => cause === "heat-too-high")?.probability ?? 0;
    const [coarse, none, fine] = [tooHot({ breaks: [1] }), tooHot({}), tooHot({ breaks: [5] })];
    expect(coarse).toBeGreaterThan(3 * none);
    expect(fine).toBeLessThan(none);
    expect(diagnose(CATALOGUE, { ...hard, breaks: [2] }, desk).causes[0]!.cause).toBe("heat-too-high");
    expect(diagnose(CATALOGUE, { ...hard, breaks: [5] }).next.check).not.toBe("broken-coupon");
  });
  it("an answer of another look says nothing", () => {
    const odd = { of: "grind-and-file", answer: "oven-off" } as const;
    expect(diagnose(CATALOGUE, { ...question, findings: [odd] }).causes).toEqual(diagnose(CATALOGUE, question).causes);
  });
  it("after three hardenings a fourth is not advised", () => {
    expect(diagnose(CATALOGUE, { ...question, attempts: MOST_ATTEMPTS }).remedy.code).toBe("enough-tries");
  });
});

describe("a look", () => {
  const even: readonly Ranked[] = [
    { cause: "soft-skin", probability: 0.5 },
    { cause: "heat-too-low", probability: 0.5 },
  ];
  // Bayes by hand: 0.5 x 0.95 against 0.5 x 0.05, the chances written in diagnose/check.
  it("weighs by Bayes", () => {
    const [first] = afterFinding(even, { of: "grind-and-file", answer: "hard-below" });
    expect(first).toEqual({ cause: "soft-skin", probability: expect.closeTo(0.95, 10) });
  });
  it("that tells the two apart is the one advised", () => {
    expect(nextCheck(even, [], false).check).toBe("grind-and-file");
    const oven: readonly Ranked[] = [
      { cause: "oven-wrong", probability: 0.5 },
      { cause: "as-planned", probability: 0.5 },
    ];
    expect(nextCheck(oven, [], false).check).toBe("oven-thermometer");
  });
});

describe("hardened again", () => {
  const changes = [
    { change: "normalise", at_C: 870 },
    { change: "longer", to_min: 4 },
    { change: "bath", medium: "water", bath_C: 25 },
  ] as const;
  it("the last hardening is done otherwise, the first stays as it was", () => {
    const again = againRoute(PLAN, changes);
    const quenches = again.steps.filter((step) => step.kind === "quench");
    const heats = again.steps.filter((step) => step.kind === "harden");
    expect(quenches.map((one) => intoOf(one).medium)).toEqual([bathOf(PLAN), "water"]);
    expect(heats.map(({ hold_min }) => hold_min)).toEqual([PLAN.steps.find((s) => s.kind === "harden")!.hold_min, 4]);
    expect(again.steps.filter(({ why }) => why === "soft-quench")).toHaveLength(1);
    expect(wayOf(again)).toEqual(wayOf(PLAN));
  });
  it("in Fahrenheit what is otherwise is round in it, as the dial is set", () => {
    const inF = changes.map((change) => inRoundHeat(change, "F"));
    expect(inF[0]).toEqual({ change: "normalise", at_C: celsiusFromFahrenheit(1600) });
    expect(inF[1]).toBe(changes[1]);
    expect(changes.map((change) => inRoundHeat(change, "C"))).toEqual(changes);
  });
  it("nothing is normalised that nobody asked to", () => {
    expect(againRoute(PLAN, []).steps).toHaveLength(PLAN.steps.length + 2);
  });
});
