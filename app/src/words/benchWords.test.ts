import { describe, expect, it } from "@jest/globals";
import { spreadOfEnds } from "@tembrak/core";
import { bathWords, fallWords, leftWords, waitWords, type BathFacts, type Waiting } from "./benchWords.js";

const METRIC = { temperature: "C", length: "mm" } as const;
const INCHES = { temperature: "F", length: "in" } as const;
/** Ends evenly from five seconds before to five after the middle of twenty cases; so many of them never. */
const windowTo = (to_s: number, never = 0, from_s = 7): NonNullable<BathFacts["window"]> => ({
  from_s,
  to_s,
  end: spreadOfEnds(Array.from({ length: 20 }, (_, i) => (i < never ? Infinity : to_s - 5 + (10 * i) / 19))),
  edge: null,
});
const window = windowTo(17);
const facts = { gone_s: 40, steel: "1084" };
const oven = (offset_C: number, settle_min = 25) => ({ kind: "oven", name: "Kitchen oven", offset_C, settle_min, limit_C: 260 }) as never;
const act = (kind: Waiting["kind"], more: object = {}): Waiting => ({ id: "a", kind, step: 0, ...more }) as Waiting;

describe("in the bath and after it", () => {
  const at = (kind: "quench" | "straighten", gone_s: number | null, of: BathFacts["window"] = window): string =>
    bathWords({ kind, gone_s, least_s: 10, window: of });
  it("counts down what is left under, then lets it out, then sends it to the spine", () => {
    expect(at("quench", null)).toBe("Press as it goes under");
    expect(at("quench", 0.2)).toBe("Keep it under, moving. Out in 10");
    expect(at("quench", 9.9)).toBe("Keep it under, moving. Out in 1");
    expect(at("quench", 12)).toBe("Out, and sight along it");
    // The second that was worked out for it, where there is one.
    expect(bathWords({ kind: "quench", gone_s: 7, least_s: 14, window })).toBe("Keep it under, moving. Out in 7");
  });
  it("an edge is kept under and rocked, an end moved; what keeps heat comes out by its glow, not by the clock", () => {
    const under = (what: BathFacts["under"], more: Partial<BathFacts> = {}): string =>
      bathWords({ kind: "quench", gone_s: 3, least_s: 10, window, ...(what === undefined ? {} : { under: what }), ...more });
    expect(under("edge")).toBe("Keep the edge under, rocking, until the body is black");
    expect(under("end")).toBe("Keep the end under, moving, until the body is black: then all of it");
    expect(under("end", { gone_s: 30, bodyBlack_s: 150 })).toBe(
      "Keep the end under, moving, until the body is black, in about 2 min: then all of it",
    );
    expect(under("end", { gone_s: 30, leavesHeat: true })).toBe("Keep the end under, moving. Out while the body still glows dull");
  });
  it("says how long it can be bent and how sure that is, when it is a matter of boards, and when it snaps", () => {
    expect(at("straighten", 8)).toBe("4 s to straighten for sure, about 9 s in all");
    expect(at("straighten", 6, windowTo(271, 0, 2))).toBe("4 min to straighten for sure, about 4 min in all");
    expect(at("straighten", 15)).toBe("Closing: 3 in 10 that half of it is hard by now, evens in 3 s. Only while it gives easily");
    expect(at("straighten", 19)).toBe("Likelier hard than not: boards, vise or plates alone, gently. 7 in 10 that it is");
    expect(at("straighten", 30)).toMatch(/^Hard by the model: a bend by hand snaps it/);
    expect(at("straighten", 90, null)).toMatch(/^By the model it hardly hardened: bend it gently/);
    // Before the model has answered nobody is told to take his time.
    expect(bathWords({ kind: "straighten", gone_s: 14, least_s: 10, window: undefined })).toMatch(/bend nothing yet/);
  });
  it("three in ten that it is hard is no leave to take one's time: boards, or gently", () => {
    const doubtful = windowTo(17, 13);
    expect(at("straighten", 60, doubtful)).toBe("Closing: 4 in 10 that half of it is hard by now. Only while it gives easily");
    expect(at("straighten", 60, doubtful)).not.toMatch(/take your time|for sure/);
  });
  it("a hard edge on a body that still bends is said to be stiff", () => {
    const edge = { ...window, edge: spreadOfEnds([4, 5, 6]) };
    expect(at("straighten", 8, edge)).toMatch(/Its edge is hard: no further than that lets you$/);
  });
});

describe("what waits for a fact", () => {
  const say = (a: Waiting, more: object = {}): string => waitWords(a, { ...facts, ...more }, METRIC);
  it("hand-warm by the model, until it should be, and nothing while the model is not there", () => {
    expect(say(act("cool-down"))).toBe("");
    expect(say(act("cool-down"), { handWarm_s: 240 })).toBe("Hand-warm in about 3 min, by the model");
    expect(say(act("cool-down"), { handWarm_s: 39 })).toBe("Should be hand-warm by now: feel it");
  });
  it("the dial of an oven that lies, in the shop's own degrees, and a thermometer for one that does not", () => {
    const temper = act("oven", { target_C: 200, count: 1, of: 2 });
    expect(say(temper)).toBe("Oven at 200° by a second thermometer, steady for 20 min");
    expect(say(temper, { oven: oven(0.9) })).toBe("Oven at 200° by a second thermometer, steady for 20 min");
    expect(say(temper, { oven: oven(12) })).toBe("Set Kitchen oven to 188°: it runs 12° hot. Steady after 25 min");
    expect(say(act("oven", { target_C: 275, count: 1, of: 2 }), { oven: oven(2) })).toBe(
      "Kitchen oven ends at 260°: 273° would be wanted of it. Another oven, or a cooler temper in the steps",
    );
    expect(waitWords(temper, { ...facts, oven: oven(-10, 0.2) }, INCHES)).toBe(
      "Set Kitchen oven to 410°: it runs 18° cold. Steady after 1 min",
    );
  });
  it("a slow cooling counts what is left of it by its rate", () => {
    expect(say(act("slow-cool", { time_s: 7240 }))).toBe("2 h more at that rate");
    expect(say(act("slow-cool", { time_s: 30 }))).toBe("Far enough: now air will do");
  });
  it("black and hand-warm are told apart, and a run stops at its colour", () => {
    expect(say(act("air-cool", { coolTo: "black" }))).toMatch(/^Black when no glow is left/);
    expect(say(act("air-cool", { coolTo: "hand-warm" }))).toMatch(/^Hand-warm all through/);
    expect(say(act("run", { target_C: 285 }))).toMatch(/^Stop at [a-z ]+: dunk it whole/);
  });
  it("every such act says something", () => {
    for (const kind of ["brighten", "fall", "first-file", "prove"] as const) expect(say(act(kind)).length).toBeGreaterThan(15);
  });
});

describe("a hold", () => {
  it("is left, over, or waits for its chamber", () => {
    expect(leftWords(1, false, 815, METRIC)).toBe("left");
    expect(leftWords(0, false, 815, METRIC)).toBe("over. Go on now");
    expect(leftWords(-30, true, 815, INCHES)).toBe("the clock waits: chamber back to 1499°?");
  });
});

describe("a heat that falls", () => {
  const hardening = {
    chanceHard: { surface: 0.4, centre: 0.1, working: 0.4, thickest: 0.1 },
    firstPull_s: { p05: 19.2, p50: 28, p95: 40.4 },
  };
  it("says when to look for the pull, then that it is overdue, and nothing of it where most never pull", () => {
    expect(fallWords(hardening, 5)).toMatch(/^Look for the first pull 19 to 40 s after the fire, then into the bath: .* that it hardens/);
    expect(fallWords(hardening, 41)).toMatch(/should have pulled by now.*back in the fire/);
    expect(fallWords({ ...hardening, firstPull_s: null }, 41)).toMatch(/^Into the bath at the first pull: /);
  });
});
