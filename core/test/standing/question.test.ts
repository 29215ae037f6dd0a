import { describe, expect, it } from "@jest/globals";
import { pieceState, type PieceState } from "../../src/book/state.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { testVerdict } from "../../src/evidence/storedTest.js";
import { heatNow } from "../../src/heatNow/heatNow.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { PRESETS } from "../../src/plan/kit.js";
import { hardenAgain } from "../../src/plan/nextTemper.js";
import { planRoute } from "../../src/plan/route.js";
import type { BookEvent, Check, HardnessTest, School, Step } from "../../src/schema/book.js";
import type { Kit } from "../../src/schema/kit.js";
import { predict } from "../../src/simulate/predict.js";
import { gradeOf } from "../../src/standing/grade.js";
import { lateNow_ms } from "../../src/standing/late.js";
import { endsOfHeat, heatBefore, onItsWay } from "../../src/standing/onItsWay.js";
import { standingQuestion } from "../../src/standing/question.js";
import { BILLHOOK } from "../pieces.js";
import { marked } from "../quenches.js";
import { lastOf_s, seconds, type Quench } from "../../src/plan/dips.js";

const T0_ms = 1_000_000_000;

interface Told {
  readonly school?: School;
  /** So many acts are done, each as long as planned. */
  readonly done?: number;
  /** Seconds after the act before them was done; to acts by their number. */
  readonly checks?: readonly (readonly [act: number, after_s: number, reading: Check])[];
  readonly tests?: readonly (readonly [act: number, HardnessTest])[];
  /** Seconds an act took in the place of what was planned. */
  readonly took_s?: Readonly<Record<number, number>>;
}

function told({ school = "forge", done = 0, checks = [], tests = [], took_s = {} }: Told): PieceState {
  const route = planRoute(CATALOGUE, BILLHOOK, school);
  const acts = actsOfRoute(route);
  const ends_ms: number[] = [];
  acts.forEach((act, i) => {
    const long_s = took_s[i] ?? ("hold_s" in act ? act.hold_s : 60);
    ends_ms.push((ends_ms[i - 1] ?? T0_ms) + 1000 * long_s);
  });
  const from_ms = (act: number): number => ends_ms[act - 1] ?? T0_ms;
  const own = { piece: "p" };
  const events: BookEvent[] = [
    { ...own, id: "a", at_ms: 0, kind: "piece", definition: BILLHOOK },
    { ...own, id: "b", at_ms: 1, kind: "route", route },
    ...acts.slice(0, done).map((act, i): BookEvent => ({ ...own, id: `d${i}`, at_ms: ends_ms[i]!, kind: "act-done", act: act.id })),
    ...checks.map(([act, after_s, reading], i): BookEvent => ({
      ...own,
      id: `c${i}`,
      at_ms: from_ms(act) + 1000 * after_s,
      kind: "check",
      act: acts[act]!.id,
      reading,
    })),
    ...tests.map(([act, test], i): BookEvent => ({
      ...own,
      id: `t${i}`,
      at_ms: from_ms(act) + 500,
      kind: "test",
      act: acts[act]!.id,
      test,
    })),
  ];
  return pieceState("p", events)!;
}

const forge = actsOfRoute(planRoute(CATALOGUE, BILLHOOK, "forge"));
const at = (kind: string, of = forge): number => of.findLastIndex((act) => act.kind === kind);
const HEAT = forge.findLastIndex((act) => act.kind === "heat");
const QUENCH = at("quench");
const FILE = at("first-file");
const TEMPER = forge.findIndex((act) => act.kind === "temper");
const PROVE = at("prove");
const kit = (id: string): Kit => PRESETS.find((preset) => preset.id === id)!.items.map((item, i) => ({ ...item, id: String(i) }));
const question = (state: PieceState, own: Kit | null = null) => standingQuestion(state, { catalogue: CATALOGUE, kit: own })!;
const SOFT: HardnessTest = {
  strokes: [60, 55, 50].map((file_HRC) => ({ file_HRC, result: "bites" })),
  readings_HRC: [],
  surface: "ground",
};
const tester = (...readings_HRC: number[]): HardnessTest => ({ strokes: [], readings_HRC, surface: "ground", blockBias_HRC: 0 });

describe("a piece as it stands, as one question", () => {
  const planned = JSON.stringify(question(told({ done: HEAT })));
  it.each<[string, Told]>([
    ["a probe far over the heat", { done: HEAT + 1, checks: [[HEAT, 50, { check: "probe", temperature_C: 905 }]] }],
    ["a colour over the heat", { done: HEAT + 1, checks: [[HEAT, 55, { check: "glow", name: "orange", ambient_lux: 20 }]] }],
    ["a stick that melts", { done: HEAT + 1, checks: [[HEAT, 55, { check: "stick", rated_C: 870, hasMelted: true }]] }],
    ["a gun", { done: HEAT + 1, checks: [[HEAT, 55, { check: "infrared", temperature_C: 860, emissivity: 0.9, surface: "scale" }]] }],
    ["too hot, by eye", { done: HEAT + 1, checks: [[HEAT, 57, { check: "too-hot" }]] }],
    ["a magnet that still pulls", { done: HEAT + 1, checks: [[HEAT, 57, { check: "magnet", state: "sticks" }]] }],
    ["a cold bath", { done: QUENCH, checks: [[QUENCH, 1, { check: "bath-heat", temperature_C: 12 }]] }],
    ["slow to the bath", { done: QUENCH, checks: [[QUENCH, 9, { check: "bath", state: "in" }]] }],
    [
      "out of it too soon",
      {
        done: QUENCH + 1,
        checks: [
          [QUENCH, 2, { check: "bath", state: "in" }],
          [QUENCH, 5, { check: "bath", state: "out" }],
        ],
      },
    ],
    ["slow on the way, by no clock", { done: QUENCH, checks: [[QUENCH, 1, { check: "mishap", what: "slow" }]] }],
    ["a bath nobody stirred", { done: QUENCH, checks: [[QUENCH, 1, { check: "mishap", what: "not-stirred" }]] }],
    ["tempered too short", { done: TEMPER + 1, took_s: { [TEMPER]: 1800 } }],
    ["an oven that reads hotter", { done: TEMPER + 1, checks: [[TEMPER, 900, { check: "chamber", temperature_C: 262 }]] }],
    ["a file that bites", { done: FILE, tests: [[FILE, SOFT]] }],
    ["a tester", { done: PROVE, tests: [[PROVE, tester(52, 53)]] }],
  ])("%s changes it", (_, log) => {
    expect(JSON.stringify(question(told(log)))).not.toBe(planned);
  });
  it.each(["hold", "temper"] as const)("a %s that nobody has ended lasts as long as it has lasted", (kind) => {
    const act = forge.findLastIndex((a) => a.kind === kind);
    const state = told({ done: act });
    const { next, nextSince_ms } = state;
    const planned_min = next!.kind === kind && "hold_s" in next! ? next.hold_s / 60 : 0;
    const held_min = (after_min: number): number => {
      const now_ms = lateNow_ms(state, nextSince_ms! + 60_000 * after_min);
      const { steps } = standingQuestion(state, { catalogue: CATALOGUE, now_ms })!.route;
      const step = steps[next!.step]!;
      return step.kind === "harden" || step.kind === "temper" ? step.hold_min : NaN;
    };
    expect(planned_min).toBeGreaterThan(0);
    expect(held_min(0.5 * planned_min)).toBe(planned_min);
    expect(held_min(planned_min + 0.9)).toBe(planned_min);
    // Told in steps of a tenth of its plan, a minute at least, and never more than it was.
    const over_min = held_min(3.05 * planned_min);
    expect(over_min).toBeLessThanOrEqual(3.05 * planned_min);
    expect(over_min).toBeGreaterThan(3.05 * planned_min - Math.max(1, 0.1 * planned_min) - 1e-6);
  });
  it("on its way to the bath it takes as long as it has taken; longer than a minute nobody takes for one", () => {
    const state = told({ done: QUENCH });
    const at = (out_s: number) => {
      const now_ms = lateNow_ms(state, state.nextSince_ms! + 1000 * out_s);
      const { route, known } = standingQuestion(state, { catalogue: CATALOGUE, now_ms })!;
      const step = route.steps.findLast(({ kind }) => kind === "quench")!;
      return { s: step.kind === "quench" ? step.transfer_s : NaN, known };
    };
    expect(at(3).s).toBeUndefined();
    expect(at(12).s).toBeGreaterThan(8);
    expect(at(12).s).toBeLessThanOrEqual(12);
    expect(at(12).known.shop?.transferRatio?.sd).toBeLessThan(0.1);
    expect(at(600).s).toBe(60);
    expect(lateNow_ms(told({ done: QUENCH, checks: [[QUENCH, 2, { check: "bath", state: "in" }]] }), T0_ms + 1e9)).toBeNull();
  });
  it("in a bath that it was to leave it stays as long as it has stayed; until it is cold was planned otherwise", () => {
    const checks = [[QUENCH, 2, { check: "bath", state: "in" }]] as const;
    const plan = told({ done: QUENCH, checks });
    const short = {
      ...plan,
      route: { ...plan.route!, steps: plan.route!.steps.map((s) => (s.kind === "quench" ? marked(s, { bath_s: 6 }) : s)) },
    };
    const bath_s = (state: PieceState, in_s: number): number | undefined => {
      const now_ms = lateNow_ms(state, state.nextSince_ms! + 2000 + 1000 * in_s);
      const step = standingQuestion(state, { catalogue: CATALOGUE, now_ms })!.route.steps.findLast(({ kind }) => kind === "quench");
      return step?.kind === "quench" ? (lastOf_s(step) ?? undefined) : NaN;
    };
    expect(bath_s(short, 7)).toBe(6);
    expect(bath_s(short, 20)).toBeGreaterThan(16);
    expect(bath_s(short, 20)).toBeLessThanOrEqual(20);
    expect(bath_s(short, 600)).toBeGreaterThan(480);
    // In steps: nothing is worked out anew between them.
    expect(new Set(Array.from({ length: 60 }, (_, i) => bath_s(short, 600 + i))).size).toBeLessThanOrEqual(2);
    expect(bath_s(plan, 600)).toBeUndefined();
  });
  it.each([
    ["its edge alone", { edgeDepth_mm: 20, then: { after_s: 12 } }, (q: Quench) => seconds(q.dips[0]!), []],
    ["all of it after its edge", { edgeDepth_mm: 20, then: { after_s: 12 }, bath_s: 20 }, lastOf_s, [14]],
    ["its back alone", { edgeDepth_mm: 20, backFirst: { depth_mm: 15, after_s: 12 } }, (q: Quench) => seconds(q.dips[0]!), []],
    [
      "the first of two ends",
      { part: { end: "working", depth_mm: 15 }, turns: { depth_mm: 15, first_s: 4, second_s: 6 } },
      (q: Quench) => seconds(q.dips[0]!),
      [],
    ],
    [
      "the second of two ends",
      { part: { end: "working", depth_mm: 15 }, turns: { depth_mm: 15, first_s: 4, second_s: 6 } },
      (q: Quench) => seconds(q.dips[1]!),
      [5],
    ],
  ] as const)("%s is under as long as it has been, where nobody changed it over in time", (_, way, lasts, over) => {
    const plan = told({
      done: QUENCH,
      checks: [[QUENCH, 2, { check: "bath", state: "in" }], ...over.map((s) => [QUENCH, 2 + s, { check: "bath", state: "over" }] as const)],
    });
    const steps = plan.route!.steps.map((s) => (s.kind === "quench" ? marked(s, way) : s));
    const state = { ...plan, route: { ...plan.route!, steps } };
    const quenchAt = (under_s: number): Quench => {
      const now_ms = lateNow_ms(state, state.nextSince_ms! + 1000 * (2 + (over[0] ?? 0) + under_s));
      const had = standingQuestion(state, { catalogue: CATALOGUE, now_ms })!.route.steps.findLast(({ kind }) => kind === "quench");
      return had as Quench;
    };
    const planned = steps.findLast(({ kind }) => kind === "quench") as Quench;
    const planned_s = lasts(planned)!;
    // A moment past it is within what a hand takes; what was done before it stays as it was done.
    expect(lasts(quenchAt(planned_s + 0.5))).toBe(planned_s);
    expect(lasts(quenchAt(2.5 * planned_s))).toBeGreaterThan(1.9 * planned_s);
    expect(lasts(quenchAt(2.5 * planned_s))).toBeLessThanOrEqual(2.5 * planned_s);
    const others = (quench: Quench) => quench.dips.slice(0, 2).map(seconds);
    const [soon, late] = [others(quenchAt(1)), others(quenchAt(2.5 * planned_s))];
    expect(soon.filter((s, i) => s !== late[i])).toHaveLength(1);
    // Longer than there is room for in the book it is not, however long nobody looks.
    expect(lasts(quenchAt(1e6))).toBeGreaterThan(7 * planned_s);
  });
  it("what came to no bath in time is at its heat again once the taps that ended it are taken back", () => {
    const state = told({ done: QUENCH });
    const way = onItsWay(state, state.nextSince_ms! + 45_000)!;
    expect([way.left_ms, way.out_ms]).toEqual([state.nextSince_ms, state.nextSince_ms]);
    // Of a heat that falls the way begins at the pull, and it left the fire before.
    const falls = told({
      school: "falling",
      done: actsOfRoute(planRoute(CATALOGUE, BILLHOOK, "falling")).findIndex(({ kind }) => kind === "quench"),
    });
    const fell = onItsWay(falls, falls.nextSince_ms! + 5000)!;
    expect(fell.left_ms).toBe(falls.nextSince_ms);
    expect(fell.out_ms).toBe(fell.left_ms - 60_000);
    expect(way.now_C).toBeLessThan(730);
    const ends = endsOfHeat(state);
    expect(ends.map(({ kind }) => kind)).toEqual(["act-done", "act-done"]);
    const again = pieceState("p", [
      ...state.events,
      { id: "out", piece: "p", at_ms: way.left_ms, kind: "check", act: heatBefore(state)!.id, reading: { check: "fire", state: "out" } },
      ...ends.map(({ id: event }, i): BookEvent => ({ id: `w${i}`, piece: "p", at_ms: way.left_ms + 45_000, kind: "withdrawn", event })),
    ])!;
    expect(again.next).toMatchObject({ kind: "heat", purpose: "harden" });
    const now = heatNow(again, again.next as Parameters<typeof heatNow>[1], way.left_ms + 50_000, { catalogue: CATALOGUE });
    expect(now?.call).toMatchObject({ call: "out" });
    expect([endsOfHeat(told({ done: HEAT })), heatBefore(told({ done: HEAT })), onItsWay(told({ done: HEAT }), T0_ms)]).toEqual([
      [],
      undefined,
      null,
    ]);
  });
  it("nothing else runs late: a heat is judged by what is seen of it", () => {
    for (const done of [0, HEAT, FILE]) expect(lateNow_ms(told({ done }), T0_ms + 1e9)).toBeNull();
  });
  it("what says nothing of the steel changes nothing", () => {
    const log: Check[] = [
      { check: "safety" },
      { check: "rehearsal", took_s: 2 },
      { check: "power-off" },
      { check: "straight", state: "straight" },
      { check: "mishap", what: "flare" },
      { check: "finding", of: "grind-and-file", answer: "soft-below" },
    ];
    expect(JSON.stringify(question(told({ done: HEAT, checks: log.map((reading) => [HEAT, 5, reading]) })))).toBe(planned);
  });
  it("a probe is believed of the heat to a few degrees, a colour far less, and nothing looked at is the plan", () => {
    const heat = (checks: Told["checks"]) => {
      const { route, known } = question(told({ done: HEAT + 1, checks: checks ?? [] }), kit("kiln"));
      const step = route.steps.findLast(({ kind }) => kind === "harden")!;
      return { is_C: step.kind === "harden" ? step.temperature_C : 0, sd_K: known.shop?.heat_K?.sd };
    };
    const planned_C = heat([]).is_C;
    const probe: Check = { check: "probe", temperature_C: planned_C + 85 };
    const orange: Check = { check: "glow", name: "orange", ambient_lux: 20 };
    // By itself it may have stood in the flame; with an eye that says the same it has not.
    expect(heat([[HEAT, 58, probe]]).is_C - planned_C).toBeGreaterThan(55);
    const both = heat([
      [HEAT, 50, orange],
      [HEAT, 58, probe],
    ]);
    expect(Math.abs(both.is_C - planned_C - 85)).toBeLessThan(12);
    expect(both.sd_K).toBeLessThan(20);
    const seen = heat([[HEAT, 58, { check: "glow", name: "bright cherry", ambient_lux: 20 }]]);
    expect(Math.abs(seen.is_C - planned_C)).toBeLessThan(25);
    expect(seen.sd_K).toBeGreaterThan(5);
  });
  it("what was read before the hold and in it is one story: 60 short and hardly rising is not at heat when it comes out, as the bench says", () => {
    const at = (off_K: number): number => {
      const probe = (more_K: number): Check => ({ check: "probe", temperature_C: planned_C + off_K + more_K });
      const state = told({
        done: HEAT + 2,
        checks: [
          [HEAT, 40, probe(-5)],
          [HEAT + 1, 30, probe(0)],
        ],
      });
      const { route } = question(state, kit("kiln"));
      const step = route.steps.findLast(({ kind }) => kind === "harden")!;
      const act = state.acts[HEAT]!;
      const out_ms = state.doneAt_ms.get(state.acts[HEAT + 1]!.id)!;
      const bench = act.kind === "heat" ? heatNow(state, act, out_ms, { catalogue: CATALOGUE, kit: kit("kiln") }).read!.estimate : null;
      const is_C = step.kind === "harden" ? step.temperature_C : 0;
      expect(Math.abs(is_C - bench!.mean_C)).toBeLessThan(25);
      return is_C - planned_C;
    };
    const planned_C = told({}).acts.flatMap((act, i) => (i === HEAT && act.kind === "heat" ? act.target_C : []))[0]!;
    expect(at(-60)).toBeLessThan(-30);
    expect(at(60)).toBeGreaterThan(30);
    expect(Math.abs(at(0))).toBeLessThan(10);
  });
  it("seconds to the bath that were logged are not lengthened by the shop's habit once more, and a tap knows them better than a plan", () => {
    const factors = [{ name: "transfer", mean: Math.log(2), sd: 0.1, scatter: 0.1, pieces: 6 }] as const;
    const way = (checks: Told["checks"]) =>
      standingQuestion(told({ done: QUENCH, checks: checks ?? [] }), { catalogue: CATALOGUE, kit: kit("beginner"), factors })!.known.shop!
        .transferRatio!;
    expect(way([]).mean).toBeCloseTo(Math.log(2), 9);
    const timed = way([[QUENCH, 6, { check: "bath", state: "in" }]]);
    expect(timed.mean).toBe(0);
    expect(timed.sd).toBeLessThan(way([]).sd);
    expect(way([[QUENCH, 1, { check: "mishap", what: "slow" }]]).mean).toBe(0);
  });
  it("a kiln that was checked is surer than one that was not, and both than an eye at a forge", () => {
    const sd_K = (school: School, own: Kit): number => question(told({ school }), own).known.shop!.heat_K!.sd;
    const checked = kit("kiln").map((item) =>
      item.kind === "kiln" ? { ...item, calibration: [10, 20, 30].map((time_min) => ({ time_min, set_C: 800, second_C: 797 })) } : item,
    );
    expect(sd_K("kiln", checked)).toBeLessThan(sd_K("kiln", kit("kiln")));
    expect(sd_K("kiln", kit("kiln"))).toBeLessThan(sd_K("forge", kit("beginner")));
  });
  it("an oven checked with a second thermometer narrows what is said of the hardness", () => {
    // An oven that goes as hot as this temper.
    const own = kit("beginner").map((item) => (item.kind === "oven" ? { ...item, limit_C: 330 } : item));
    const checked = own.map((item) =>
      item.kind === "oven" ? { ...item, calibration: [30, 45, 60].map((time_min) => ({ time_min, set_C: 200, second_C: 206 })) } : item,
    );
    const sd = (of: Kit): number => {
      const { piece, route, known } = question(told({ done: QUENCH }), of);
      const { spread } = predict(CATALOGUE, piece, route, "quick", undefined, undefined, known);
      return spread.find(({ cause }) => cause === "oven")!.sd_HRC;
    };
    expect(sd(checked)).toBeLessThan(0.5 * sd(own));
  });
});

describe("tests of a piece", () => {
  const expected = (log: Told) => {
    const { piece, route, known } = question(told(log));
    return predict(CATALOGUE, piece, route, "quick", undefined, undefined, known);
  };
  const untested = expected({ done: PROVE });
  it("where a file bites what should be hard, the doubt is of the hardening, not of its temper; and the parts are the whole", () => {
    const bites: HardnessTest = { strokes: [{ file_HRC: 50, result: "bites" }], readings_HRC: [], surface: "ground", piece_C: 20 };
    const { spread, working } = expected({ done: PROVE - 4, tests: [[PROVE - 5, bites]] });
    const { sd_HRC } = working.tempered;
    expect(sd_HRC).toBeGreaterThan(5);
    expect(Math.hypot(...spread.map((share) => share.sd_HRC))).toBeCloseTo(sd_HRC, 6);
    for (const { cause, sd_HRC: part_HRC } of spread)
      expect([cause, cause === "hardening-model" || cause === "heat-and-steel" || part_HRC < 0.4 * sd_HRC]).toEqual([cause, true]);
  });
  it("say nothing of a hardening that is still to come", () => {
    const soft = told({ done: PROVE, tests: [[PROVE, tester(40, 41)]] });
    const steps = hardenAgain<Step>(soft.route!.steps, null);
    const again = pieceState("p", [
      ...soft.events,
      { id: "r", piece: "p", at_ms: 2 * T0_ms, kind: "route", route: { ...soft.route!, steps } },
    ])!;
    // Nor does what was read in its oven.
    const read = told({ done: PROVE, checks: [[PROVE - 1, 900, { check: "chamber", temperature_C: 300 }]] });
    const replanned: BookEvent = { id: "r", piece: "p", at_ms: 2 * T0_ms, kind: "route", route: { ...read.route!, steps } };
    const coming = question(pieceState("p", [...read.events, replanned])!);
    expect(question(read).route.steps.at(-1)).toMatchObject({ temperature_C: 300 });
    expect(coming.route).toEqual(replanned.route);
    expect(coming.known.shop).toBeUndefined();
    // Read when it was long over it says nothing of the whole.
    const late = told({ done: PROVE, checks: [[PROVE - 1, 4 * 3600, { check: "chamber", temperature_C: 300 }]] });
    expect(question(late).route).toEqual(question(told({ done: PROVE })).route);
    expect(question(soft).known.tests).toHaveLength(1);
    expect(question(again).known.tests).toBeUndefined();
    expect(gradeOf(again)).toBe("model");
  });
  it("the number of the test page is the number of every other screen, to nine digits", () => {
    const test = tester(52, 53, 52.5);
    const page = testVerdict(test, BILLHOOK.section, untested.working.tempered.against).summary;
    const card = expected({ done: PROVE, tests: [[PROVE, test]] }).working.tempered;
    for (const number of ["mean_HRC", "sd_HRC", "p05_HRC", "p95_HRC"] as const) expect(card[number]).toBeCloseTo(page[number], 9);
  });
  it("files that bite before the temper leave it soft after it too, and its back with it", () => {
    const soft = expected({ done: FILE, tests: [[FILE, SOFT]] });
    expect(soft.working.asQuenched.mean_HRC).toBeLessThan(52);
    expect(soft.working.tempered.mean_HRC).toBeLessThan(untested.working.tempered.mean_HRC - 5);
    expect(soft.failChance).toBeGreaterThan(0.8);
  });
  it("a second test of the same piece narrows", () => {
    const [one, two] = [[tester(55)], [tester(55), tester(55.4)]].map(
      (tests) => expected({ done: PROVE, tests: tests.map((test) => [PROVE, test]) }).working.tempered.sd_HRC,
    );
    expect(one).toBeLessThan(untested.working.tempered.sd_HRC);
    expect(two).toBeLessThan(one!);
  });
  it("a test of an earlier hardening says nothing of the last", () => {
    const log = told({ done: QUENCH, tests: [[QUENCH, SOFT]] });
    expect(question({ ...log, doneAt_ms: new Map([...log.doneAt_ms, [forge[QUENCH]!.id, T0_ms * 2]]) }).known.tests).toBeUndefined();
  });
});
