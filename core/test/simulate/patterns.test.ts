import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { runJob } from "../../src/job/runJob.js";
import { planRoute } from "../../src/plan/route.js";
import { wayOf } from "../../src/plan/way.js";
import type { Piece, Route } from "../../src/schema/book.js";
import type { Kit } from "../../src/schema/kit.js";
import { makeDesk } from "../../src/simulate/desk.js";
import { airLimit_s, harden, type HardenPlan, type HardenResult } from "../../src/simulate/harden.js";
import { airCooling_s } from "../../src/simulate/hardenReadings.js";
import type { Prediction } from "../../src/simulate/predict.js";
import { hardenPlanOf, otherEndOf } from "../../src/simulate/planOf.js";
import { patternOf, PATTERNS, patternsFor, type Pattern, type PatternTried } from "../../src/simulate/patterns.js";
import { zoneReports } from "../../src/simulate/zoneReport.js";
import { BILLHOOK } from "../pieces.js";
import { steel } from "../catalogue.js";
import { BLADE } from "./blade.js";
import { edgeDepth_mm } from "../../src/plan/dips.js";
import { bathed, marked, type Marks } from "../quenches.js";

const desk = makeDesk();
const BAR: Piece = {
  ...BILLHOOK,
  name: "Two-ended punch",
  kind: "punch",
  use: "punch",
  steel: "1075",
  length_mm: 180,
  section: { shape: "round", diameter_mm: 14 },
};
const run = (plan: HardenPlan): HardenResult => harden(plan, { members: 0, resolution: "coarse", desk });
const water = { medium: CATALOGUE.medium("water")!, bath_C: 20 };
const oil = { medium: BLADE.medium, bath_C: 55 };
const full = { kind: "full" } as const;

describe("a quench in more than one dip", () => {
  it("out of a bath and at once into the same is no other quench than staying in it", () => {
    const once = run(BLADE);
    const twice = run({ ...BLADE, bath_s: 4, dips: [{ air_s: 0, ...oil, immersion: full, bath_s: null }] });
    expect(twice.edge!.mean_HRC).toBeCloseTo(once.edge!.mean_HRC, 1);
    expect(twice.spine!.mean_HRC).toBeCloseTo(once.spine!.mean_HRC, 1);
    expect(Math.abs(twice.handWarm_s - once.handWarm_s)).toBeLessThan(1 + 0.05 * once.handWarm_s);
  });
  it("what has cooled through in the first bath is no harder for a second", () => {
    const dips = [{ air_s: 0, ...water, immersion: full, bath_s: null }];
    expect(run({ ...BLADE, bath_s: 240, dips }).spine!.mean_HRC).toBeCloseTo(run({ ...BLADE, bath_s: 240 }).spine!.mean_HRC, 1);
  });
  // Heat that is left goes into the second bath: water takes it faster than oil, so the thick back lies between the two.
  it("oil and then water leaves a thick back between what each alone would", () => {
    const thick = { ...BLADE, steel: steel("1095"), section: { shape: "wedge", spine_mm: 12, edge_mm: 2, height_mm: 40 } } as const;
    const mixed = run({ ...thick, bath_s: 1, dips: [{ air_s: 0, ...water, immersion: full, bath_s: null }] }).spine!.mean_HRC;
    expect(mixed).toBeGreaterThan(run(thick).spine!.mean_HRC);
    expect(mixed).toBeLessThanOrEqual(run({ ...thick, ...water }).spine!.mean_HRC + 0.5);
  });
  it("the back under when it is dark stays soft, and the piece is hand-warm sooner; under while it glows it gets hard", () => {
    const edge = { ...BLADE, immersion: { kind: "edge", depth_mm: 11 } } as const;
    const back = (bath_s: number): HardenResult => run({ ...edge, bath_s, dips: [{ air_s: 0, ...oil, immersion: full, bath_s: null }] });
    const alone = run(edge);
    const dark = back(60);
    expect(dark.edge!.mean_HRC).toBeCloseTo(alone.edge!.mean_HRC, 0);
    expect(Math.abs(dark.spine!.mean_HRC - alone.spine!.mean_HRC)).toBeLessThan(1);
    expect(dark.handWarm_s).toBeLessThan(alone.handWarm_s);
    expect(back(1).spine!.mean_HRC).toBeGreaterThan(alone.spine!.mean_HRC + 10);
  });
  // By symmetry: turned upside down, a section with parallel sides is the same section.
  it("a parallel bar under by its back is the one under by its edge, upside down", () => {
    const bar = { ...BLADE, section: { shape: "wedge", spine_mm: 4, edge_mm: 4, height_mm: 30 } } as const;
    const fine = (plan: HardenPlan): HardenResult => harden(plan, { members: 0, resolution: "full", desk });
    const byEdge = fine({ ...bar, immersion: { kind: "edge", depth_mm: 10 } });
    const byBack = fine({ ...bar, immersion: { kind: "back", depth_mm: 10 } });
    const heightOf = ({ profile }: HardenResult, share: number): number =>
      profile.filter(({ martensite }) => martensite > share).length / profile.length;
    expect(Math.abs(byBack.spine!.mean_HRC - byEdge.edge!.mean_HRC)).toBeLessThan(0.5);
    expect(Math.abs(byBack.edge!.mean_HRC - byEdge.spine!.mean_HRC)).toBeLessThan(0.5);
    expect(Math.abs(heightOf(byBack, 0.5) - heightOf(byEdge, 0.5))).toBeLessThan(0.05);
    expect(heightOf(byEdge, 0.5)).toBeGreaterThan(0.2);
  });
  it("the back first and then the edge: both hard, the middle soft; with the edge never under, the edge soft", () => {
    const section = { shape: "wedge", spine_mm: 6, edge_mm: 4, height_mm: 60 } as const;
    const thick = { ...BLADE, steel: steel("80crv2"), section, bath_s: 18 } as const;
    const back = { ...thick, immersion: { kind: "back", depth_mm: 15 } } as const;
    const both = run({ ...back, dips: [{ air_s: 2, ...oil, immersion: { kind: "edge", depth_mm: 15 }, bath_s: null }] });
    const middle = both.profile.filter(({ y_mm }) => Math.abs(y_mm! - 30) < 4).map(({ hardness_HRC }) => hardness_HRC);
    expect(Math.min(both.edge!.mean_HRC, both.spine!.mean_HRC)).toBeGreaterThan(Math.max(...middle) + 15);
    expect(both.quenchLine!.height_mm).toBeLessThan(30);
    expect(run({ ...back, bath_s: 60 }).edge!.mean_HRC).toBeLessThan(both.edge!.mean_HRC - 15);
  });
  it("a back deeper than the blade, or of what has none, is a sentence", () => {
    expect(() => run({ ...BLADE, immersion: { kind: "back", depth_mm: 300 } })).toThrow(/more than the blade/);
    expect(() => run({ ...BLADE, section: { shape: "round", diameter_mm: 8 }, immersion: { kind: "back", depth_mm: 3 } })).toThrow(
      /has a back/,
    );
  });
  it("water in any of its baths is said among the reasons to crack", () => {
    const codes = (plan: HardenPlan): string[] => run(plan).crackRisk.reasons.map(({ code }) => code);
    expect(codes(BLADE)).not.toContain("water");
    expect(codes({ ...BLADE, bath_s: 3, dips: [{ air_s: 0, ...water, immersion: full, bath_s: null }] })).toContain("water");
  });
});

describe("two ends by turns out of one heat", () => {
  const planned = planRoute(CATALOGUE, BAR, "forge", { way: { hardens: "face", draws: "oven" } });
  const at = planned.steps.findIndex(({ kind }) => kind === "quench");
  const byTurns = (first_s: number): Route => ({
    ...planned,
    steps: planned.steps.map((step) =>
      step.kind === "quench"
        ? marked(step, { part: { end: "working", depth_mm: 25 }, turns: { depth_mm: 25, first_s, second_s: 4 } })
        : step,
    ),
  });
  const second = (first_s: number): HardenPlan => hardenPlanOf(CATALOGUE, BAR, otherEndOf(BAR, byTurns(first_s))!);
  it("both ends are hardened, and a route without turns has no second end", () => {
    expect(wayOf(byTurns(4)).hardens).toBe("ends");
    expect(otherEndOf(BAR, planned)).toBeNull();
  });
  it("the second end waits in the air while the first is under, and then has the turns the other way round", () => {
    const [first, other] = [hardenPlanOf(CATALOGUE, BAR, byTurns(6)), second(6)];
    expect(other.transfer_s).toBeCloseTo(first.transfer_s + 6, 9);
    expect([first.bath_s, first.dips![0]!.air_s]).toEqual([6, 4]);
    expect([other.bath_s, other.dips![0]!.air_s]).toEqual([4, 6]);
  });
  it("the longer it waits the softer it can only be; past the last moment it is soft, well before it hard", () => {
    const limit_s = airLimit_s(second(4), desk);
    const hrc = (wait_s: number): number => run({ ...second(4), transfer_s: wait_s }).surface.mean_HRC;
    const waited = [2, 0.8 * limit_s, 1.2 * limit_s, 2 * limit_s].map(hrc);
    for (let i = 1; i < waited.length; i++) expect(waited[i]!).toBeLessThan(waited[i - 1]! + 0.3);
    expect(waited[1]!).toBeGreaterThan(waited[0]! - 1.5);
    expect(waited[2]!).toBeLessThan(waited[0]! - 1.5);
    expect(waited[3]!).toBeLessThan(45);
  });
  // By hand: a round loses heat as a lump, Biot number far below 0.1 in air; the change begins well below the 727 C of equilibrium.
  it("the last moment is later than the lump takes to 727 C, and earlier than to 500 C", () => {
    const plan = second(4);
    const limit_s = airLimit_s(plan, desk);
    expect(limit_s).toBeGreaterThan(airCooling_s(plan.section, plan.heat_C, 727));
    expect(limit_s).toBeLessThan(airCooling_s(plan.section, plan.heat_C, 500));
  });
  it("the zone of the second end is told by that end", () => {
    const zones = [
      { zone: "tip", wants: "hard" },
      { zone: "tang", wants: "hard" },
    ] as const;
    const answer = runJob(CATALOGUE, { kind: "predict", piece: BAR, route: byTurns(55), effort: "quick" }, desk);
    if (answer.type !== "done") throw new Error(JSON.stringify(answer));
    const prediction = answer.answer as Prediction;
    const [tip, tang] = zoneReports({ ...BAR, zones: [...zones] }, prediction, "ends");
    expect(tip!.expected.mean_HRC).toBeGreaterThan(tang!.expected.mean_HRC + 10);
    expect(prediction.other!.secondBy_s).toBeLessThan(55);
  });
  it("is offered for a bar at its one bath, with seconds that leave the second end its time", () => {
    const way = patternsFor(CATALOGUE, BAR, planned, at, {}, desk).find(({ pattern }) => pattern === "by-turns")!;
    const other = hardenPlanOf(
      CATALOGUE,
      BAR,
      otherEndOf(BAR, { ...planned, steps: planned.steps.map((s, i) => (i === at ? way.quench : s)) })!,
    );
    expect(other.transfer_s).toBeLessThan(way.secondBy_s!);
    expect(Math.abs(way.working.mean_HRC - way.other!.mean_HRC)).toBeLessThan(6);
  });
});

describe("what a piece teaches its shop", () => {
  const planned = planRoute(CATALOGUE, BILLHOOK, "forge");
  const lesson = (more: Marks): unknown => {
    const route = { ...planned, steps: planned.steps.map((step) => (step.kind === "quench" ? marked(step, more) : step)) };
    const tests = [{ tempers: 0, test: { strokes: [], readings_HRC: [62, 62, 63], surface: "ground", piece_C: 22 } }];
    const outcome = runJob(CATALOGUE, { kind: "lesson", piece: BILLHOOK, route, known: { tests } }, desk);
    if (outcome.type !== "done") throw new Error(JSON.stringify(outcome));
    return outcome.answer;
  };
  it("one bath is told by it; two liquids, or clay, are not", () => {
    expect(lesson({})).toMatchObject({ medium: "fast-oil" });
    expect(lesson({ then: { after_s: 3, medium: "water" } })).toBeNull();
    expect(lesson({ clay: { thickness_mm: 3, from_mm: 20 } })).toBeNull();
  });
});

describe("the ways through a bath of a piece", () => {
  const planned = planRoute(CATALOGUE, BILLHOOK, "forge");
  const at = planned.steps.findIndex(({ kind }) => kind === "quench");
  const ways = patternsFor(CATALOGUE, BILLHOOK, planned, at, {}, desk);
  const way = (pattern: Pattern): PatternTried => ways.find((w) => w.pattern === pattern)!;
  it("are all a blade has, each the step it says, the planned one as it is planned", () => {
    expect(ways.map(({ pattern }) => pattern)).toEqual(PATTERNS.filter((p) => p !== "by-turns" && p !== "paste" && p !== "back-first"));
    for (const { pattern, quench } of ways) expect(patternOf(quench)).toBe(pattern);
    expect(way("whole").quench).toBe(planned.steps[at]);
  });
  // Trade facts, common practice, no source: thin O1 hardens between plates, five minutes; a hook of plain steel does not.
  it("plates for what is thin and flat: of O1 as hard as oil makes it, with less strain; and back from them into the bath it would have", () => {
    const thin: Piece = {
      ...BILLHOOK,
      kind: "knife",
      steel: "o1",
      use: "knife",
      section: { shape: "wedge", spine_mm: 3, edge_mm: 0.8, height_mm: 30 },
    };
    const route = planRoute(CATALOGUE, thin, "forge");
    const quench = route.steps.findIndex(({ kind }) => kind === "quench");
    const all = patternsFor(CATALOGUE, thin, route, quench, {}, desk);
    const of = (pattern: Pattern): PatternTried => all.find((w) => w.pattern === pattern)!;
    expect(of("plates").quench).toEqual({
      ...bathed({ medium: "metal-plates", bath_C: 25, bath_s: 300, agitation: "none", why: "plates" }),
    });
    expect(of("plates").chanceHard).toBeGreaterThan(0.9);
    expect(way("plates").thickest.mean_HRC).toBeLessThan(way("whole").thickest.mean_HRC - 5);
    const pressed: Route = { ...route, steps: route.steps.map((step, i) => (i === quench ? of("plates").quench : step)) };
    const back = patternsFor(CATALOGUE, thin, pressed, quench, { media: ["vegetable-oil"] }, desk);
    expect(back.find(({ pattern }) => pattern === "whole")!.quench.dips[0]!.into.medium).toBe("vegetable-oil");
    expect(back.find(({ pattern }) => pattern === "plates")!.quench).toBe(pressed.steps[quench]);
    const thick: Piece = { ...thin, section: { shape: "plate", thickness_mm: 12 } };
    const none = patternsFor(CATALOGUE, thick, planRoute(CATALOGUE, thick, "forge"), quench, {}, desk);
    expect(none.map(({ pattern }) => pattern)).not.toContain("plates");
  });
  it("edge, edge then back, and clay leave the back softer than all of it under; the edge is as hard", () => {
    for (const pattern of ["edge", "back-after", "clay"] as const) {
      expect(way(pattern).thickest.mean_HRC).toBeLessThan(way("whole").thickest.mean_HRC);
      expect(Math.abs(way(pattern).working.mean_HRC - way("whole").working.mean_HRC)).toBeLessThan(2);
      expect(way(pattern).line_mm).toBeGreaterThan(0);
    }
  });
  // Its edge of 1 mm has cooled in the air by then; one as thick as an axe's has not.
  it("the back first is a way for a thick edge alone, with seconds that leave back and edge near what all of it under has", () => {
    const axe: Piece = { ...BILLHOOK, steel: "80crv2", section: { shape: "wedge", spine_mm: 9, edge_mm: 4, height_mm: 70 } };
    const all = patternsFor(CATALOGUE, axe, planRoute(CATALOGUE, axe, "forge"), at, {}, desk);
    const of = (pattern: Pattern): PatternTried => all.find((w) => w.pattern === pattern)!;
    expect(of("back-first").quench.dips).toMatchObject([{ under: "back", depth_mm: 21 }, of("edge").quench.dips[0]!]);
    expect(of("back-first").working.mean_HRC).toBeGreaterThan(of("whole").working.mean_HRC - 8);
    expect(of("back-first").thickest.mean_HRC).toBeGreaterThan(of("edge").thickest.mean_HRC + 10);
  });
  it("out early keeps the edge within what a file finds, and has less martensite when it comes out", () => {
    expect(way("out-early").working.mean_HRC).toBeGreaterThan(way("whole").working.mean_HRC - 2.5);
    expect(way("out-early").martensiteOut).toBeLessThan(way("whole").martensiteOut);
  });
  it("the second bath is one the shop has; without one there is no such way", () => {
    expect(way("two-baths").quench.dips[1]!.into.medium).toBe("water");
    const own = patternsFor(CATALOGUE, BILLHOOK, planned, at, { media: ["fast-oil", "brine"] }, desk);
    expect(own.find(({ pattern }) => pattern === "two-baths")!.quench.dips[1]!.into.medium).toBe("brine");
    const none = patternsFor(CATALOGUE, BILLHOOK, planned, at, { media: ["fast-oil"] }, desk);
    expect(none.map(({ pattern }) => pattern)).not.toContain("two-baths");
  });
  it("what is drawn by its own heat, and what is no quench, has none; an unknown second bath is a sentence", () => {
    const warm = { ...planned, steps: planned.steps.map((s) => (s.kind === "quench" ? marked(s, { leavesHeat: true }) : s)) };
    expect(patternsFor(CATALOGUE, BILLHOOK, warm, at, {}, desk)).toEqual([]);
    expect(patternsFor(CATALOGUE, BILLHOOK, planned, 0, {}, desk)).toEqual([]);
    const then = { after_s: 3, medium: "soup" };
    const odd = { ...planned, steps: planned.steps.map((s) => (s.kind === "quench" ? marked(s, { then }) : s)) };
    const outcome = runJob(CATALOGUE, { kind: "patterns", piece: BILLHOOK, route: odd, index: at }, desk);
    expect(outcome).toMatchObject({ type: "failed", failure: { code: "unknown-medium" } });
  });
  it("a paste that is there takes an edge, held still, and nothing else; a plan never goes into it by itself", () => {
    const at = planRoute(CATALOGUE, BILLHOOK, "forge");
    const index = at.steps.findIndex(({ kind }) => kind === "quench");
    const find = (media?: string[]) => patternsFor(CATALOGUE, BILLHOOK, at, index, { media }).find(({ pattern }) => pattern === "paste");
    expect(find(["fast-oil"])).toBeUndefined();
    expect(find()).toBeUndefined();
    const paste = find(["fast-oil", "quench-paste"])!;
    expect(paste.quench).toMatchObject({ dips: [{ under: "edge", into: { medium: "quench-paste", agitation: "none" } }], why: "paste" });
    expect(edgeDepth_mm(paste.quench)).toBeGreaterThan(0);
    // The back stays in the air: soft, as of every edge quench.
    expect(paste.thickest.mean_HRC).toBeLessThan(paste.working.mean_HRC - 10);
    const own: Kit = [
      { id: "p", kind: "bath", name: "Tray", medium: "quench-paste", tank: "square", width_mm: 300, depth_mm: 60, fill_mm: 40 },
    ];
    expect(planRoute(CATALOGUE, BILLHOOK, "forge", { kit: own }).steps[index]).not.toMatchObject({ medium: "quench-paste" });
    // From it the other ways are those of the shop's bath.
    const steps = at.steps.map((step, i) => (i === index ? paste.quench : step));
    const back = patternsFor(CATALOGUE, BILLHOOK, { ...at, steps }, index, { media: ["quench-paste", "fast-oil"] });
    expect(back.find(({ pattern }) => pattern === "whole")!.quench.dips[0]!.into.medium).toBe("fast-oil");
  });
});
