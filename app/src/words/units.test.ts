/** Every sentence of the application that holds a quantity, in both sets of units: nothing of the other set may stand in it. */

import { describe, expect, it } from "@jest/globals";
import {
  actsOfRoute,
  annealStep,
  CATALOGUE,
  DRAWS,
  drawsFor,
  HARDENS,
  hardensFor,
  HEATED_IN,
  heatNow,
  JUDGED_BY,
  pieceState,
  planRoute,
  predict,
  PRESETS,
  REASONS,
  resolveSteel,
  SCHOOLS,
  STARTS,
  zoneReports,
  type BookEvent,
  type Check,
  type FitProblem,
  type HeatCall,
  type HeatConflict,
  type Notice,
  type OrderProblem,
  type Piece,
  type PieceState,
  type Practice,
  type Route,
  type TestNotice,
} from "@tembrak/core";
import { showAgo, showDifference, showLength, showMoment, showTemperature, type Units } from "../format/show.js";
import { actWords } from "./actWords.js";
import { nextActWords, statusLine, urgency } from "./rackWords.js";
import { FIT_WAY_WORDS, fitSentence } from "./fitWords.js";
import { callWords, fireNote, fromWords, zoneWords } from "./heatWords.js";
import { factsOf } from "./kitWords.js";
import { conflictWords, noticeWords, testNoticeWords } from "./noticeWords.js";
import { readingWords } from "./readingWords.js";
import { lackWords, NAMED_HEAT_WORDS, ORDER_WORDS, practiceWords, PROMPT_WORDS, REASON_WORDS, reasonWords } from "./routeWords.js";
import { DRAWS_WORDS, HARDENS_WORDS, JUDGE_WORDS, PLACE_OF_HEAT, wayWords } from "./schools.js";
import { steelFacts, stepSource } from "./sources.js";
import { verdictWords } from "./verdictWords.js";
import { whyOf } from "./whyCards.js";

const METRIC: Units = { temperature: "C", length: "mm" };
const INCHES: Units = { temperature: "F", length: "in" };
const START_ms = Date.UTC(2026, 10, 25, 9);

const blade: Piece = {
  name: "Froe",
  mark: "4",
  kind: "froe",
  form: "froe",
  steel: "5160",
  start: "as-forged",
  use: "froe",
  length_mm: 640,
  section: { shape: "wedge", spine_mm: 8.5, edge_mm: 1.5, height_mm: 60 },
  zones: [
    { zone: "edge", wants: "hard" },
    { zone: "spine", wants: "soft" },
    { zone: "tang", wants: "untreated" },
  ],
};
const bar: Piece = {
  ...blade,
  name: "Punch",
  kind: "punch",
  form: "punch",
  steel: "w2",
  use: "punch",
  section: { shape: "round", diameter_mm: 14 },
};

function stateOf(piece: Piece, route: Route, done: number, checks: readonly Check[] = []): PieceState {
  const acts = actsOfRoute(route);
  const events: BookEvent[] = [
    { id: "a", piece: "p", at_ms: START_ms, kind: "piece", definition: piece },
    { id: "b", piece: "p", at_ms: START_ms + 1, kind: "route", route },
    ...acts
      .slice(0, done)
      .map(({ id }, i): BookEvent => ({ id: `d${i}`, piece: "p", at_ms: START_ms + 1000 + i, kind: "act-done", act: id })),
    ...checks.map((reading, i): BookEvent => ({
      id: `c${i}`,
      piece: "p",
      at_ms: START_ms + 5000 + i,
      kind: "check",
      act: acts[done]!.id,
      reading,
    })),
  ];
  return pieceState("p", events)!;
}

/** Routes with every kind of step there is, and every way. */
const routes: readonly (readonly [Piece, Route])[] = [blade, bar].flatMap((piece) =>
  hardensFor(piece.section).flatMap((hardens) =>
    drawsFor(hardens).flatMap((draws) =>
      SCHOOLS.map((school, i): readonly [Piece, Route] => {
        const own = { ...piece, start: STARTS[(i + draws.length) % STARTS.length]! };
        const route = planRoute(CATALOGUE, own, school, { way: { hardens, draws } });
        return [own, { ...route, steps: i === 0 ? [annealStep(resolveSteel(CATALOGUE, own.steel), null), ...route.steps] : route.steps }];
      }),
    ),
  ),
);

const NOTICES: readonly Notice[] = [
  { code: "outside-source-range", beyond: "low-carbon" },
  { code: "outside-source-range", beyond: "high-carbon" },
  { code: "outside-source-range", beyond: "alloy" },
  { code: "uncalibrated-medium", medium: "Vermiculite" },
  { code: "uncalibrated-coat" },
  { code: "uncalibrated-cladding" },
  { code: "grain-unknown" },
  { code: "not-austenite", heat_C: 640 },
  { code: "part-austenite", extent: 0.6 },
  { code: "coarse-grain", astmGrain: 4.2 },
  { code: "may-fail", chance: 0.4 },
  { code: "steep-wedge" },
  { code: "body-draws", drawn_C: 312 },
  { code: "step-limit" },
];
const TEST_NOTICES: readonly TestNotice[] = [
  { code: "too-hot-to-test" },
  { code: "no-prior" },
  { code: "inconsistent-files" },
  { code: "soft-skin-possible" },
  { code: "too-round" },
  { code: "few-readings" },
  { code: "no-block" },
  { code: "too-thin", least_mm: 0.81 },
  { code: "scattered-readings", apart_HRC: 8.5 },
  { code: "beyond-scale", reading_HRC: 71 },
  { code: "not-as-expected", expected_HRC: 62.4 },
];
const KINDS = ["glow", "magnet", "probe", "infrared", "stick", "time"] as const;
const CONFLICTS: readonly HeatConflict[] = KINDS.flatMap((odd) =>
  (["high", "low"] as const).map((reading) => ({ odd, between: [odd, "magnet"] as const, reading })),
);
const CALLS: readonly HeatCall[] = [
  { call: "out", out_s: 3.4, isLong: false },
  { call: "out", out_s: 8, isLong: true },
  { call: "too-hot", over_K: 60 },
  { call: "unread" },
  { call: "magnet", magnet: "weak" },
  { call: "magnet", magnet: null },
  { call: "to-go", left_K: 50 },
  { call: "past", over_K: 30 },
  { call: "at-heat", over_K: 3 },
];
const ORDERS = Object.keys(ORDER_WORDS) as OrderProblem[];
const PRACTICES: readonly Practice[] = [
  "once-only",
  "same-heat",
  "black-again",
  "until-held",
  "faster-bath",
  "gentler-bath",
  "second-to-taste",
  "three-times",
  "school-forge",
  "school-magnet",
  "school-falling",
  "school-kiln",
  "straight-in",
  "no-anneal",
];
const CHECKS: readonly Check[] = [
  { check: "magnet", state: "weak" },
  { check: "glow", name: "full cherry", ambient_lux: 20 },
  { check: "probe", temperature_C: 801 },
  { check: "infrared", temperature_C: 790, emissivity: 0.9, surface: "scale" },
  { check: "stick", rated_C: 760, hasMelted: true },
  { check: "stick", rated_C: 760, hasMelted: false },
  { check: "bath", state: "in" },
  { check: "bath", state: "out" },
  { check: "safety" },
  { check: "fire", state: "in" },
  { check: "fire", state: "out" },
  { check: "even", behind: ["spine"], ahead: ["tip"] },
  { check: "even", behind: [], ahead: [] },
  { check: "rehearsal", took_s: 1.4 },
  { check: "door", state: "open" },
  { check: "door", state: "shut" },
  { check: "chamber", temperature_C: 812 },
  { check: "power-off" },
  { check: "sequence", state: "started" },
  { check: "sequence", state: "stopped" },
  { check: "straight", state: "bent" },
];
const PROBLEMS: readonly FitProblem[] = [
  { place: "forge", item: "Forge", what: "length", over_mm: 120, ways: ["draw-through"] },
  { place: "oven", item: "Oven", what: "length", over_mm: 120, ways: ["end-by-end"] },
  { place: "kiln", item: "Kiln", what: "height", over_mm: 12, ways: ["open-forge"] },
  { place: "bath", item: "Can", what: "depth", over_mm: 40, ways: ["pipe-tank"] },
  { place: "bath", item: "Can", what: "weight", over_K: 25, ways: ["more-oil"] },
  { place: "oven", item: "Oven", what: "too-hot", over_K: 25, ways: ["aim-harder"] },
  { place: "oven", item: "oven", what: "missing", ways: ["colour-run"] },
  { place: "bath", item: "fast-oil", what: "missing", ways: ["edge-trough"] },
];

/** Every sentence there is, by where it comes from. */
function sentences(units: Units): readonly (readonly [string, string])[] {
  const said: (readonly [string, string])[] = [];
  const say = (from: string, ...words: readonly (string | null | undefined)[]): void =>
    words.forEach((word) => word !== null && word !== undefined && said.push([from, word]));
  for (const [piece, route] of routes) {
    const state = stateOf(piece, route, 0);
    for (const act of actsOfRoute(route)) {
      const { title, done, why, caution } = actWords(act, state, units);
      say(`act ${act.kind}`, title, done, why, caution, whyOf(act, units));
    }
    route.steps.forEach((step) => say(`step ${step.kind}`, reasonWords(step), stepSource(step, piece, route, 735, units)));
    actsOfRoute(route).forEach((act, i) => {
      for (const after_s of [20, 4000]) {
        const now = stateOf(piece, route, i);
        const { sentence, reason } = nextActWords(now, START_ms + 1000 * after_s, units);
        say(
          `next ${act.kind}`,
          sentence,
          reason,
          statusLine(now, START_ms + 1000 * after_s, null, units),
          statusLine(now, START_ms, 700, units),
        );
      }
    });
  }
  for (const [piece, route] of routes.filter((_, i) => i % 6 === 0)) {
    const prediction = predict(CATALOGUE, piece, route, "quick");
    const { headline, reasons, spread } = verdictWords(prediction, route, piece.section, units, zoneReports(piece, prediction));
    say("verdict", headline, ...reasons, ...spread.flatMap(({ label, hint }) => [label, hint]));
  }
  for (const notice of NOTICES) say(`notice ${notice.code}`, noticeWords(notice, units));
  for (const notice of TEST_NOTICES) say(`test ${notice.code}`, testNoticeWords(notice, units));
  for (const call of CALLS) say(`call ${call.call}`, callWords(call, units, ": about ASTM 4 for 9"));
  for (const problem of PROBLEMS) say(`fit ${problem.what}`, fitSentence(problem, units), ...problem.ways.map((way) => FIT_WAY_WORDS[way]));
  for (const practice of PRACTICES) {
    const { name, prefer } = practiceWords({ practice, medium: "fast-oil", route: routes[0]![1] });
    say(`practice ${practice}`, name, prefer);
  }
  const kit = PRESETS.flatMap(({ id, items }) => items.map((item, i) => ({ id: `${id}${i}`, ...item })));
  for (const item of kit) say(`kit ${item.kind}`, factsOf(item, units));
  const inKiln = planRoute(CATALOGUE, blade, "kiln");
  say(
    "fire",
    fireNote(kit, { piece: blade, route: inKiln }, 815, units),
    fireNote([{ ...kit.find(({ kind }) => kind === "kiln")!, offset_C: 12 } as never], { piece: blade, route: inKiln }, 815, units),
  );
  const heat = stateOf(blade, planRoute(CATALOGUE, blade, "forge"), 0, CHECKS);
  for (const event of heat.events) say(`log ${event.kind}`, readingWords(event, heat, units));
  for (const { id } of CATALOGUE.steels) say("steel", steelFacts(CATALOGUE.steel(id)!, units));
  return said;
}

describe("every sentence", () => {
  const [metric, inches] = [sentences(METRIC), sentences(INCHES)];
  it("there are enough of them to mean something, and none is empty of words where it must not be", () => {
    expect(metric.length).toBeGreaterThan(1500);
    expect(metric.length).toBe(inches.length);
    expect(metric.filter(([, text]) => text.includes("undefined") || text.includes("NaN") || text.includes("[object"))).toEqual([]);
  });
  it("in a Fahrenheit shop nothing stands in Celsius or millimetres", () => {
    const wrong = inches.filter(([, text]) => /°C|\b\d+ C\b|\d mm\b|\d cm\b/.test(text));
    expect([...new Set(wrong.map(([from, text]) => `${from}: ${text}`))]).toEqual([]);
  });
  it("in a Celsius shop nothing stands in Fahrenheit or inches", () => {
    const wrong = metric.filter(([, text]) => /°F|\b\d+ F\b|\d in\b(?! \d)/.test(text.replace(/\d in 10\b/g, "")));
    expect([...new Set(wrong.map(([from, text]) => `${from}: ${text}`))]).toEqual([]);
  });
  it("a quantity that is said in one set is said in the other", () => {
    const count = (text: string): number => (text.match(/\d/g) ?? []).length;
    const silent = metric.filter(([, text], i) => count(text) > 0 && count(inches[i]![1]) === 0);
    expect(silent).toEqual([]);
  });
});

describe("words for every code", () => {
  it("a reason, a wrong order, a lack, a prompt and a named heat each say something of their own", () => {
    for (const table of [REASON_WORDS, ORDER_WORDS, PROMPT_WORDS, NAMED_HEAT_WORDS, FIT_WAY_WORDS]) {
      const words = Object.values(table);
      expect(new Set(words).size).toBe(words.length);
      expect(words.filter((text) => !/^[A-Z].*\.$/.test(text))).toEqual([]);
    }
    expect(Object.keys(REASON_WORDS)).toHaveLength(REASONS.length - 1);
    expect(ORDERS).toHaveLength(8);
  });
  it("a sentence that is not ours is read as it was written; an empty one says nothing", () => {
    expect(reasonWords({ why: "said", said: "As grandfather did." })).toBe("As grandfather did.");
    expect(reasonWords({ why: "said" })).toBe("");
  });
  it("what is not as usual of a way is named, and nothing of the usual", () => {
    expect(wayWords({ hardens: "whole", draws: "oven" })).toBe("");
    expect(wayWords({ hardens: "edge", draws: "oven" })).toBe("edge only");
    expect(wayWords({ hardens: "edge", draws: "hot-bar" })).toBe("edge only, colour run, on a hot bar");
    expect(wayWords({ hardens: "whole", draws: "torch" })).toBe("colour run, with a torch");
    expect([
      Object.keys(HARDENS_WORDS),
      Object.keys(DRAWS_WORDS),
      Object.keys(PLACE_OF_HEAT).sort(),
      Object.keys(JUDGE_WORDS).sort(),
    ]).toEqual([[...HARDENS], [...DRAWS], [...HEATED_IN].sort(), [...JUDGED_BY].sort()]);
  });
  it("a school that lacks something says what", () => {
    const bare = PRESETS.find(({ id }) => id === "beginner")!.items.map((item, i) => ({ id: `${i}`, ...item }));
    expect(lackWords("kiln", bare)).toBe("There is no kiln in the kit.");
    expect(lackWords("magnet", bare)).toBeNull();
    expect(
      lackWords(
        "falling",
        bare.filter(({ kind }) => kind !== "magnet"),
      ),
    ).toBe("There is no magnet and no thermometer in the kit.");
    expect(lackWords("forge", [])).toBe("There is no forge and no torch in the kit.");
  });
  it("two that cannot both be right are both named, and what to do is said", () => {
    const words = conflictWords({ odd: null, between: ["glow", "probe"], reading: "high" });
    expect(words).toBe("Colour and the probe cannot both be right. Once more, or a third way.");
    expect(new Set(CONFLICTS.map(conflictWords)).size).toBe(8);
  });
});

describe("what a number rests on", () => {
  it("names its witnesses as one would", () => {
    expect(fromWords([])).toBe("");
    expect(fromWords(["magnet"])).toBe("magnet");
    expect(fromWords(["glow", "magnet", "probe"])).toBe("colour, magnet and probe");
  });
  it("the zones: what leads, what lags, when all of it is there, and how sure", () => {
    const offsets = [
      { zone: "edge", offset_K: 22, sd_K: 5 },
      { zone: "spine", offset_K: -3, sd_K: 5 },
    ] as never;
    const BLADE = { shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 40 } as const;
    const zones = { isSeen: false, expected_C: 760, offsets, left_s: 95, chance: 0.5 };
    expect(zoneWords(zones, BLADE, METRIC, false)).toBe(
      "by the model about 760°, edge 22° ahead; all of it there in about 2 min · 5 in 10 that every zone is in it",
    );
    expect(zoneWords({ ...zones, isSeen: true, left_s: 3, chance: null }, BLADE, METRIC, true)).toBe(
      "as seen: edge 22° ahead; all of it should be there",
    );
    expect(zoneWords({ ...zones, offsets: [] as never, left_s: null, chance: null }, BLADE, INCHES, false)).toBe(
      "by the model about 1400°, even; this fire does not bring all of it there",
    );
    const hammer = zoneWords(
      { ...zones, offsets: [{ zone: "tip", offset_K: 30, sd_K: 5 }] as never },
      { shape: "square", side_mm: 30 },
      METRIC,
      false,
    );
    expect(zoneWords(zones, BLADE, METRIC, true)).toMatch(/^by the model edge 22° ahead;/);
    expect(hammer).toContain("working end 30° ahead");
  });
});

describe("which piece comes first", () => {
  it("hot steel, then what is brittle, then what is due, then what waits", () => {
    const route = planRoute(CATALOGUE, blade, "forge");
    const acts = actsOfRoute(route);
    const at = (kind: string, after_s: number): number => {
      const i = acts.findIndex((act) => act.kind === kind);
      return urgency(stateOf(blade, route, i), START_ms + 1000 * after_s);
    };
    const order = [
      at("quench", 5),
      at("straighten", 5),
      at("hold", 4000),
      at("oven", 60),
      at("cool-down", 60),
      at("temper", 9000),
      at("prove", 60),
      at("temper", 60),
    ];
    expect([...order].sort((a, b) => b - a)).toEqual(order);
    expect(urgency(stateOf(blade, route, acts.length), START_ms)).toBe(-1);
  });
  it("a first heat that is in its fire is not to be put there, and out of it it comes before what is brittle", () => {
    const route = planRoute(CATALOGUE, blade, "forge");
    const acts = actsOfRoute(route);
    const i = acts.findIndex(({ kind }) => kind === "heat");
    const before = stateOf(blade, route, i);
    const tapped = (state: "in" | "out", at_ms: number) => ({
      act: acts[i]!.id,
      at_ms,
      id: `t${at_ms}`,
      reading: { check: "fire", state } as const,
    });
    const inFire: PieceState = { ...before, checks: [tapped("in", START_ms)] };
    expect(nextActWords(before, START_ms, METRIC).sentence).toBe("Put the froe in the fire.");
    expect(nextActWords(inFire, START_ms + 60_000, METRIC).sentence).toMatch(/^Bring the froe to/);
    const out: PieceState = { ...inFire, checks: [...inFire.checks, tapped("out", START_ms + 60_000)] };
    const brittle = acts.findIndex((act) => act.kind === "oven");
    expect(urgency(out, START_ms + 70_000)).toBeGreaterThan(urgency(stateOf(blade, route, brittle), START_ms + 60_000));
    expect(urgency(inFire, START_ms + 70_000)).toBeLessThan(urgency(stateOf(blade, route, brittle), START_ms + 60_000));
  });
});

describe("quantities by themselves", () => {
  it("a difference converts without the 32, a temperature with it", () => {
    expect([showTemperature(100, INCHES), showDifference(100, INCHES), showTemperature(100, METRIC), showDifference(100, METRIC)]).toEqual([
      "212 °F",
      "180°",
      "100 °C",
      "100°",
    ]);
  });
  it("lengths as a rule has them", () => {
    expect([showLength(4.7625, INCHES), showLength(25.4, INCHES), showLength(376, METRIC), showLength(4.76, METRIC)]).toEqual([
      "3/16 in",
      "1 in",
      "376 mm",
      "4.8 mm",
    ]);
  });
  it("moments and ages", () => {
    expect(showMoment(new Date(2026, 10, 5, 9, 7).getTime())).toBe("5 November 2026, 09:07");
    expect([0.4, 5, 89, 120, 60 * 35, 60 * 60].map((min) => showAgo(0, min * 60000))).toEqual([
      "just now",
      "5 min ago",
      "89 min ago",
      "2 hr ago",
      "35 hr ago",
      "3 days ago",
    ]);
  });
});

describe("the judgement reaches the words", () => {
  it("a probe short of the heat is so far to go, in the shop's own degrees", () => {
    const route = planRoute(CATALOGUE, blade, "forge");
    const i = actsOfRoute(route).findIndex((act) => act.kind === "heat" && act.purpose === "harden");
    const state = stateOf(blade, route, i, [{ check: "probe", temperature_C: 700 }]);
    const act = state.next!;
    if (act.kind !== "heat") throw new Error("not a heat");
    const { call } = heatNow(state, act, START_ms + 6000, { catalogue: CATALOGUE });
    const left = call.call === "to-go" ? call.left_K : NaN;
    expect(callWords(call, METRIC)).toBe(`${Math.round(left)}° to go`);
    expect(callWords(call, INCHES)).toBe(`${Math.round(left * 1.8)}° to go`);
  });
});
