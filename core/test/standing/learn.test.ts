import { describe, expect, it } from "@jest/globals";
import { pieceState } from "../../src/book/state.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { hardenAgain } from "../../src/plan/nextTemper.js";
import { planRoute } from "../../src/plan/route.js";
import type { BookEvent, HardnessTest, Step } from "../../src/schema/book.js";
import { lessonOf, type Lesson } from "../../src/simulate/lesson.js";
import { predict } from "../../src/simulate/predict.js";
import {
  habitsOf,
  knownFrom_ms,
  learnShop,
  saysSomething,
  shopLearned,
  teachersOf,
  type Factor,
  type Taught,
} from "../../src/standing/learn.js";
import { standingQuestion } from "../../src/standing/question.js";
import { BILLHOOK } from "../pieces.js";
import { bathDoubtOf, rateDoubt } from "../../src/simulate/hardenSpread.js";

const lesson = (of: Partial<Lesson> = {}): Lesson => ({
  medium: "fast-oil",
  bathIsWater: false,
  steel: "1084",
  surprise_HRC: 0,
  sd_HRC: 1,
  steel_HRC: 1,
  perBath_HRC: 10,
  perRate_HRC: 0,
  perDissolution_HRC: 0,
  perOven_HRC_K: 0,
  ...of,
});
const taught = (lessons: readonly Lesson[]): Taught[] =>
  lessons.map((one, i) => ({ id: String(i), at_ms: i, lesson: one, transfer: null, heat: null }));
const bath = (lessons: readonly Lesson[]) => learnShop(taught(lessons)).find(({ name }) => name === "bath")!;

describe("what a shop's pieces teach", () => {
  it("nothing taught is nothing learned, and the plan stays as it is", () => {
    expect(learnShop([])).toEqual([]);
    expect(shopLearned([], { medium: "fast-oil", steel: "1084" }, undefined)).toBeUndefined();
  });
  it("one piece, one unknown: the conjugate normal in closed form", () => {
    const { mean, sd } = bath([lesson({ surprise_HRC: 2, steel_HRC: 1e-9 })]);
    const prior = Math.sqrt(0.7) * bathDoubtOf(false);
    const noise = Math.hypot(1, 10 * Math.sqrt(0.3) * bathDoubtOf(false));
    const precision = 1 / prior ** 2 + 100 / noise ** 2;
    expect(mean).toBeCloseTo((10 * 2) / noise ** 2 / precision, 9);
    expect(sd).toBeCloseTo(1 / Math.sqrt(precision), 9);
  });
  it("the more pieces the surer; the same book in any order says the same", () => {
    const all = [1.5, 2, 2.5, 1, 3, 2].map((surprise_HRC) => lesson({ surprise_HRC }));
    const sds = [1, 3, 6].map((n) => bath(all.slice(0, n)).sd);
    expect(sds[1]).toBeLessThan(sds[0]!);
    expect(sds[2]).toBeLessThan(sds[1]!);
    const [one, other] = [bath(all), bath([...all].reverse())];
    expect(other.mean).toBeCloseTo(one.mean, 12);
    expect(bath(all).pieces).toBe(6);
  });
  it("what one bath taught is not said of another, nor one steel's of another", () => {
    const factors = learnShop(taught([lesson({ surprise_HRC: 3 })]));
    const known = (medium: string, steel: string) => shopLearned(factors, { medium, steel }, undefined)!;
    expect(known("fast-oil", "o1").bathRatio).toBeDefined();
    expect(known("fast-oil", "o1").steel_HRC).toBeUndefined();
    expect(known("water", "1084").bathRatio).toBeUndefined();
    expect(known("water", "1084").steel_HRC!.mean).toBeGreaterThan(0);
  });
  it("a piece that went wrong in a way nobody logged teaches nothing", () => {
    const sound = [lesson({ surprise_HRC: 1 }), lesson({ surprise_HRC: 1.2 })];
    expect(bath([...sound, lesson({ surprise_HRC: -25 })])).toEqual(bath(sound));
  });
  it("bath and oven are told apart where pieces differ in what they are sensitive to", () => {
    const hot = (surprise_HRC: number): Lesson => lesson({ perBath_HRC: 0, perOven_HRC_K: -0.1, surprise_HRC });
    const factors = learnShop(taught([hot(-1.6), hot(-1.4), hot(-1.5), lesson({ surprise_HRC: 0 }), lesson({ surprise_HRC: 0.1 })]));
    const of = (name: string) => factors.find((factor) => factor.name === name)!;
    expect(of("oven").mean).toBeGreaterThan(4);
    expect(Math.abs(of("bath").mean)).toBeLessThan(0.06);
  });
  it("the way to the bath and the heats come from the log alone, and what one run may be off besides is kept", () => {
    const logged = [0.5, 0.6, 0.4, 0.55].map((transfer, i): Taught => ({
      id: String(i),
      at_ms: i,
      lesson: null,
      transfer,
      heat: { value: 20 + i, sd: 6 },
    }));
    const factors = learnShop(logged);
    expect(factors.map(({ name }) => name)).toEqual(["oven", "transfer", "heat"].slice(1));
    const { transferRatio, heat_K } = shopLearned(factors, { medium: "fast-oil", steel: "1084" }, { oven_K: { mean: 0, sd: 6 } })!;
    expect(transferRatio!.mean).toBeGreaterThan(0.35);
    expect(heat_K!.mean).toBeGreaterThan(12);
    expect(transferRatio!.sd).toBeGreaterThan(factors.find(({ name }) => name === "transfer")!.sd);
  });
  it("what was learned of bath and steel by the same test stays tied: the next such piece is as open as the closed form says", () => {
    // One test of slope a by its bath and b by its rates; the next piece has the same slopes.
    const [a, b, sd_HRC] = [8, -5, 0.6];
    const [bathStays, bathLeft, rate] = [Math.sqrt(0.7) * bathDoubtOf(false), Math.sqrt(0.3) * bathDoubtOf(false), rateDoubt({})];
    const factors = learnShop(taught([lesson({ surprise_HRC: 1, sd_HRC, steel_HRC: 1e-9, perBath_HRC: a, perRate_HRC: b })]));
    const { bathRatio, rateRatio, ties } = shopLearned(factors, { medium: "fast-oil", steel: "1084" }, undefined)!;
    const r = ties!.find(({ one, other }) => one === "bathRatio" && other === "rateRatio")!.r;
    const open = (a * bathRatio!.sd) ** 2 + (b * rateRatio!.sd) ** 2 + 2 * a * b * r * bathRatio!.sd * rateRatio!.sd;
    // The sum of both was seen once, with the noise of the test and of the bath of that day; the next has a day of its own.
    const before = (a * bathStays) ** 2 + (b * rate) ** 2;
    const noise = sd_HRC ** 2 + (a * bathLeft) ** 2;
    expect(open).toBeCloseTo(before - before ** 2 / (before + noise) + (a * bathLeft) ** 2, 6);
    const untied = (a * bathRatio!.sd) ** 2 + (b * rateRatio!.sd) ** 2;
    expect(open).toBeLessThan(untied);
  });
  it("a test that says nothing of a thing makes no line of it; one that does, does", () => {
    const factors = learnShop(taught([lesson({ surprise_HRC: 4, perRate_HRC: -0.01 })]));
    const says = (name: string): boolean => saysSomething(factors.find((factor) => factor.name === name)!);
    expect([says("bath"), says("rate")]).toEqual([true, false]);
  });
  it("what is switched off takes its ties along", () => {
    const factors = learnShop(taught([lesson({ surprise_HRC: 1, perRate_HRC: -5, perOven_HRC_K: -0.1 })]));
    const without = shopLearned(
      factors.filter(({ name }) => name !== "rate"),
      { medium: "fast-oil", steel: "1084" },
      undefined,
    )!;
    expect(without.rateRatio).toBeUndefined();
    expect(without.ties!.some(({ one, other }) => one === "rateRatio" || other === "rateRatio")).toBe(false);
    expect(without.ties!.some(({ one, other }) => one === "bathRatio" && other === "oven_K")).toBe(true);
  });
  it("heats of a shop are not thought to scatter more than anybody's, for having been seen once", () => {
    const once: Taught = { id: "1", at_ms: 1, lesson: null, transfer: 0.1, heat: { value: 4, sd: 5 } };
    const { heat_K, transferRatio } = shopLearned(learnShop([once]), { medium: "fast-oil", steel: "1084" }, undefined)!;
    expect(heat_K!.sd).toBeLessThan(12);
    expect(transferRatio!.sd).toBeLessThan(0.3);
  });
});

describe("a piece that was tested and hardened again", () => {
  const route = planRoute(CATALOGUE, BILLHOOK, "forge");
  const acts = actsOfRoute(route);
  const own = { piece: "p" };
  // Each act as long as planned.
  let at_ms = 1000;
  const ends_ms = acts.map((act) => (at_ms += 1000 * ("hold_s" in act ? act.hold_s : 2)));
  const test_ms = at_ms + 1000;
  const test: HardnessTest = { strokes: [], readings_HRC: [50, 51, 50], surface: "ground", blockBias_HRC: 0 };
  const first: readonly BookEvent[] = [
    { ...own, id: "a", at_ms: 0, kind: "piece", definition: BILLHOOK },
    { ...own, id: "b", at_ms: 1, kind: "route", route },
    ...acts.slice(0, -1).map((act, i): BookEvent => ({ ...own, id: `d${i}`, at_ms: ends_ms[i]!, kind: "act-done", act: act.id })),
    { ...own, id: "t", at_ms: test_ms, kind: "test", act: "prove", test },
  ];
  const again: BookEvent = {
    ...own,
    id: "r",
    at_ms: test_ms + 9000,
    kind: "route",
    route: { ...route, steps: hardenAgain<Step>(route.steps, null) },
  };
  const tested = pieceState("p", first)!;
  const planned = pieceState("p", [...first, again])!;
  it("its first try teaches from when it was planned again; before that it is only what it is", () => {
    expect(teachersOf(tested)).toEqual([]);
    const [attempt, ...more] = teachersOf(planned);
    expect(more).toEqual([]);
    expect(attempt!.at_ms).toBe(test_ms + 8999);
    expect(attempt!.state.route).toEqual(route);
    expect(standingQuestion(attempt!.state, { catalogue: CATALOGUE })!.known.tests).toHaveLength(1);
    // Its own prediction is open again, so that it learns from that try.
    expect(knownFrom_ms(planned)).toBe(Infinity);
    expect(knownFrom_ms(tested)).toBe(test_ms);
  });
  it("planned so and then not after all, it is no try", () => {
    const back: BookEvent = { ...own, id: "r2", at_ms: test_ms + 20_000, kind: "route", route };
    expect(teachersOf(pieceState("p", [...first, again, back])!)).toEqual([]);
  });
  it("what came out soft without a reason in its log is expected softer than if nobody had tested it", () => {
    const { state } = teachersOf(planned)[0]!;
    const asked = standingQuestion(state, { catalogue: CATALOGUE })!;
    const factors = learnShop([
      {
        id: "p",
        at_ms: 1,
        lesson: lessonOf(CATALOGUE, asked.piece, asked.route, asked.known),
        ...habitsOf(state, { catalogue: CATALOGUE }),
      },
    ]);
    const end = (learned: readonly Factor[]) => {
      const { piece, route: to, known } = standingQuestion(planned, { catalogue: CATALOGUE, factors: learned })!;
      return predict(CATALOGUE, piece, to, "quick", undefined, undefined, known);
    };
    expect(end(factors).working.tempered.mean_HRC).toBeLessThan(end([]).working.tempered.mean_HRC - 0.5);
  });
  it("of a practice piece nothing is learned, also not of its tries", () => {
    const isPractice: BookEvent = { ...first[0]!, definition: { ...BILLHOOK, isPractice: true } } as BookEvent;
    expect(teachersOf(pieceState("p", [isPractice, ...first.slice(1), again])!)).toEqual([]);
  });
});
