import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { step16To17 } from "../../src/migrate/book16To17.js";
import {
  allUnder,
  byTurns,
  dipAfter,
  edgeDepth_mm,
  edgeSoDeep,
  endUnder,
  inOtherBath,
  isLaid,
  lastFor,
  lastOf_s,
  mediaOf,
  moveAfter,
  seconds,
  turnsOf,
  turnsSaid,
  turnWith,
  underOf,
  withInto,
  type Quench,
} from "../../src/plan/dips.js";
import { planRoute } from "../../src/plan/route.js";
import { wayOf } from "../../src/plan/way.js";
import type { Dip, Piece, Route } from "../../src/schema/book.js";
import { requireAny } from "../../src/schema/checkAll.js";
import { patternOf } from "../../src/simulate/patterns.js";
import { hardenPlanOf } from "../../src/simulate/planOf.js";
import { predict } from "../../src/simulate/predict.js";
import { BILLHOOK } from "../pieces.js";
import { bathed, marked } from "../quenches.js";

const OIL = { medium: "fast-oil", bath_C: 55, agitation: "mild" } as const;
const WATER = { medium: "water", bath_C: 25, agitation: "mild" } as const;
const COLD = { is: "cold" } as const;
const BAR: Piece = {
  ...BILLHOOK,
  kind: "chisel",
  form: "chisel",
  steel: "w1",
  use: "chisel",
  length_mm: 200,
  section: { shape: "square", side_mm: 18 },
};
const of = (...dips: Dip[]): Quench => ({ kind: "quench", dips, why: "warm-oil" });
const routed = (piece: Piece, quench: Quench): Route => {
  const route = planRoute(CATALOGUE, piece, "forge");
  return { ...route, steps: route.steps.map((step) => (step.kind === "quench" ? quench : step)) };
};

describe("a list of dips", () => {
  it("what is under, by what ends it, and where it goes next, are read from the list alone", () => {
    const two = of({ under: "edge", depth_mm: 20, into: OIL, until: { is: "seconds", s: 8 } }, { under: "all", into: WATER, until: COLD });
    expect(underOf(two)).toEqual({ what: "edge", depth_mm: 20 });
    expect([moveAfter(two, 0), moveAfter(two, 1)]).toEqual(["over", "out"]);
    expect([seconds(dipAfter(two, 0)), seconds(dipAfter(two, 1)), seconds(dipAfter(two, 7))]).toEqual([8, null, null]);
    expect([mediaOf(two), isLaid(two), lastOf_s(two)]).toEqual([["fast-oil", "water"], true, null]);
    expect(lastOf_s(lastFor(two, 30))).toBe(30);
  });
  it("a bath that is read, changed or named is that bath in every dip of it, and no other", () => {
    const three = of({ under: "all", into: OIL, until: { is: "seconds", s: 2 } }, ...allUnder(WATER), ...allUnder(OIL));
    expect(withInto(three, { bath_C: 40 }).dips.map(({ into }) => into.bath_C)).toEqual([40, 25, 40]);
    const named = withInto(three, { bath: "tank-2" });
    expect(inOtherBath(named, { medium: "brine", bath_C: 20 }).dips.map(({ into }) => into)).toEqual([
      { medium: "brine", bath_C: 20, agitation: "mild" },
      WATER,
      { medium: "brine", bath_C: 20, agitation: "mild" },
    ]);
  });
  it("two ends by turns are counted as often as they go, and go on as they began", () => {
    const said = { end: "other", depth_mm: 30, first_s: 4, otherDepth_mm: 20, second_s: 6 } as const;
    const turns = of(...byTurns(OIL, said));
    expect(turnsSaid(turns)).toEqual(said);
    expect([0, 1, 2, 15].map((changed) => seconds(dipAfter(turns, changed)))).toEqual([4, 6, 4, 6]);
    expect([moveAfter(turns, 40), lastOf_s(turns), lastFor(turns, 9)]).toEqual(["over", null, turns]);
    expect(() => requireAny("Event", { id: "r", piece: "p", at_ms: 1, kind: "route", route: routed(BAR, turns) })).not.toThrow();
    // One end twice is no turn.
    expect(turnsOf(of(turns.dips[0]!, turns.dips[0]!))).toBeNull();
  });
  it("one end is made so deep, or so long each time, without touching the other or any bath", () => {
    const two = of(
      { under: "end", depth_mm: 25, into: WATER, until: { is: "seconds", s: 6 } },
      { under: "other-end", depth_mm: 15, into: OIL, until: COLD },
    );
    const other = turnWith(turnWith(two, 0, { s: 9, depth_mm: 20 }), 1, { s: 3, depth_mm: 12 });
    expect(other.dips).toEqual([
      { under: "end", depth_mm: 20, into: WATER, until: { is: "seconds", s: 9 } },
      { under: "other-end", depth_mm: 12, into: OIL, until: COLD },
    ]);
    const said = { end: "working", depth_mm: 30, first_s: 4, otherDepth_mm: 20, second_s: 6 } as const;
    expect(turnWith(of(...byTurns(OIL, said)), 1, { s: 8 }).dips).toEqual(byTurns(OIL, { ...said, second_s: 8 }));
  });
  it("an edge is made so deep wherever it is told, and of what went in whole the first dip", () => {
    expect(edgeDepth_mm(edgeSoDeep(of(...allUnder(OIL), ...allUnder(WATER)), 12))).toBe(12);
    const back = bathed({ edgeDepth_mm: 20, backFirst: { depth_mm: 15, after_s: 9 } });
    expect(edgeSoDeep(back, 12).dips.map((dip) => (dip.under === "all" ? 0 : dip.depth_mm))).toEqual([15, 12]);
  });
});

describe("what marks beside a bath could not say", () => {
  const hrc = (piece: Piece, quench: Quench) => predict(CATALOGUE, piece, routed(piece, quench), "quick");
  // Trade fact, common practice, no source: what leaves its bath too soon is drawn by the heat left in it.
  it("clay and out early, and an edge out early: softer than until it is cold, and told by a name", () => {
    const clay = { thickness_mm: 3, from_mm: 30 };
    for (const whole of [bathed({ clay }), bathed({ edgeDepth_mm: 20 })]) {
      const early = lastFor(whole, 2);
      expect(patternOf(early)).toBe(patternOf(whole));
      expect(hardenPlanOf(CATALOGUE, BILLHOOK, routed(BILLHOOK, early)).bath_s).toBe(2);
      expect(hrc(BILLHOOK, early).working.tempered.mean_HRC).toBeLessThan(hrc(BILLHOOK, whole).working.tempered.mean_HRC - 2);
    }
  });
  it("two ends in two baths: each has its own, and each is worked out", () => {
    const two = of(
      { under: "end", depth_mm: 25, into: WATER, until: { is: "seconds", s: 6 } },
      { under: "other-end", depth_mm: 25, into: OIL, until: COLD },
    );
    expect([patternOf(two), wayOf(routed(BAR, two)).hardens, endUnder(two)?.end]).toEqual(["by-turns", "ends", "working"]);
    // Once each: after the second there is none but out.
    expect([moveAfter(two, 0), moveAfter(two, 1), seconds(dipAfter(two, 1))]).toEqual(["over", "out", null]);
    const { other, working } = hrc(BAR, two);
    expect(other).not.toBeNull();
    // Water takes a bar of W1 past its nose where oil does not (trade fact).
    expect(working.asQuenched.mean_HRC).toBeGreaterThan(other!.asQuenched.mean_HRC + 5);
  });
});

describe("from version 16", () => {
  it("a step that is no quench, or has its dips, is left as it is; rubbish is left for the schema to refuse", () => {
    const quench = bathed({});
    for (const step of [quench, { kind: "temper" }, null, 7, "quench", []]) expect(step16To17(step)).toBe(step);
    expect(() => step16To17({ kind: "quench", then: 3, turns: "no", part: [] })).not.toThrow();
  });
  it("marks that contradicted each other are read as the bench read them", () => {
    const then = { after_s: 3, medium: "water" };
    const backFirst = { depth_mm: 15, after_s: 9 };
    expect(bathed({ edgeDepth_mm: 20, backFirst, then })).toEqual(bathed({ edgeDepth_mm: 20, backFirst }));
    const turns = { depth_mm: 20, first_s: 4, second_s: 5 };
    expect(bathed({ part: { end: "working", depth_mm: 20 }, turns, then })).toEqual(
      bathed({ part: { end: "working", depth_mm: 20 }, turns }),
    );
    // Clay and a second bath are no contradiction any more.
    const both = bathed({ clay: { thickness_mm: 3, from_mm: 20 }, then });
    expect([both.clay, mediaOf(both)]).toEqual([{ thickness_mm: 3, from_mm: 20 }, ["fast-oil", "water"]]);
  });
  it("a second bath nobody said the heat of is as warm as such a bath is; the same again as warm as it was", () => {
    const heats = (then: object) => bathed({ bath_C: 48, then: { after_s: 3, ...then } }).dips.map(({ into }) => into.bath_C);
    expect(heats({})).toEqual([48, 48]);
    expect(heats({ medium: "water" })).toEqual([48, 25]);
    expect(heats({ medium: "slow-oil" })).toEqual([48, 55]);
    expect(heats({ medium: "water", bath_C: 40 })).toEqual([48, 40]);
    for (const { id, usualBath_C } of CATALOGUE.media)
      expect([id, heats({ medium: id })[1]]).toEqual([id, id === "fast-oil" ? 48 : usualBath_C]);
  });
  it("what tests say shortly is what it is", () => {
    expect(marked(bathed({ edgeDepth_mm: 9 }), { bath_s: 4 })).toEqual(lastFor(bathed({ edgeDepth_mm: 9 }), 4));
  });
});
