import { describe, expect, it } from "@jest/globals";
import {
  actsOfRoute,
  CATALOGUE,
  fireTime,
  piecesOf,
  planRoute,
  SCHOOL_HEATING,
  type Act,
  type Check,
  type PieceState,
} from "@tembrak/core";
import { demoEvents } from "../store/demoBook.js";
import { isToBeMoved, moveOf, placeOf, settingOf } from "./placeOf.js";
import { marked } from "../testing.js";

const NOW_ms = Date.UTC(2026, 10, 25, 12);
const pieces = piecesOf(demoEvents(NOW_ms));
const froe = pieces.find(({ piece }) => piece.name === "Froe")!;
const heat = froe.next!;
const checks = (act: Act, ...of: readonly (readonly [number, Check])[]): PieceState["checks"] =>
  of.map(([s, reading], i) => ({ id: `c${i}`, at_ms: NOW_ms + 1000 * s, act: act.id, reading }));
const fire = (state: "in" | "out"): Check => ({ check: "fire", state });

describe("how long it is in the fire", () => {
  it("unknown until somebody says it went in", () => {
    expect(fireTime({ checks: [] }, heat, NOW_ms)).toEqual({ state: "unknown", in_s: 0, out_s: 0 });
  });
  it("adds up the times in, and counts the seconds out", () => {
    const log = checks(heat, [0, fire("in")], [60, fire("out")], [70, fire("in")], [100, fire("out")]);
    expect(fireTime({ checks: log }, heat, NOW_ms + 106_000)).toEqual({ state: "out", in_s: 90, out_s: 6 });
  });
  it("a second tap for the same moves nothing; another heat's taps do not count", () => {
    const log = checks(heat, [0, fire("in")], [20, fire("in")]);
    expect(fireTime({ checks: log }, heat, NOW_ms + 50_000)).toEqual({ state: "in", in_s: 50, out_s: 0 });
    expect(fireTime({ checks: log }, { ...heat, id: "9-heat" }, NOW_ms + 50_000).state).toBe("unknown");
  });
});

describe("where the simulated hands have it", () => {
  const at = (kind: Act["kind"], log: PieceState["checks"] = [], school: "forge" | "kiln" = "forge"): PieceState => ({
    ...froe,
    route: { ...froe.route!, heating: SCHOOL_HEATING[school] },
    next: froe.acts.findLast((act) => act.kind === kind)!,
    checks: log,
  });
  it("on the rack before the fire, in it when it is said, in air when it is out; a kiln piece goes into the kiln", () => {
    const act = at("heat").next!;
    expect(placeOf(at("heat"))).toBe("rack");
    expect(placeOf(at("heat", checks(act, [0, fire("in")])))).toBe("forge");
    expect(placeOf(at("heat", checks(act, [0, fire("in")], [9, fire("out")])))).toBe("air");
    expect(placeOf(at("heat", checks(act, [0, fire("in")]), "kiln"))).toBe("kiln");
  });
  it("in the bath only while it is under, in the oven only while it tempers", () => {
    const act = at("quench").next!;
    expect(placeOf(at("quench"))).toBe("air");
    expect(placeOf(at("quench", checks(act, [0, { check: "bath", state: "in" }])))).toBe("bath");
    expect(placeOf(at("oven"))).toBe("air");
    expect(placeOf(at("temper"))).toBe("oven");
    expect(placeOf({ ...froe, next: undefined })).toBe("rack");
  });
  it("sets the kiln to the heat and the oven to the temper", () => {
    const hold = at("hold", [], "kiln");
    expect(settingOf(hold)).toEqual({ kiln_C: hold.next?.kind === "hold" ? hold.next.target_C : NaN });
    const oven = at("oven");
    expect(settingOf(oven)).toEqual({ oven_C: oven.next?.kind === "oven" ? oven.next.target_C : NaN });
    expect(settingOf(at("quench"))).toEqual({});
  });
});

describe("how much of it goes under", () => {
  const bar = { ...froe.piece, kind: "chisel", use: "chisel", steel: "w1", length_mm: 200 } as const;
  const piece: PieceState["piece"] = { ...bar, section: { shape: "round", diameter_mm: 16 } };
  const inBath = (hardens: "whole" | "face") => {
    const route = planRoute(CATALOGUE, piece, "forge", { way: { hardens, draws: hardens === "face" ? "residual" : "oven" } });
    const acts = actsOfRoute(route);
    const next = acts.find(({ kind }) => kind === "quench")!;
    return moveOf({ ...froe, piece, route, acts, next, checks: checks(next, [0, { check: "bath", state: "in" }]) });
  };
  it("of a chisel its end as deep as planned, or all of it", () => {
    expect(inBath("face")).toMatchObject({ to: "bath", immersion: { kind: "edge", depth_mm: 32 } });
    expect(inBath("whole")).toEqual({ do: "move", piece: froe.id, to: "bath" });
  });
});

describe("what draws it", () => {
  const planned = (draws: "hot-bar" | "oil" | "torch") => {
    const { piece } = froe;
    const route = planRoute(CATALOGUE, piece, "forge", { way: { hardens: "whole", draws } });
    return { ...froe, route, acts: actsOfRoute(route) };
  };
  it("on the hot bar until it is off it; a fresh one is another block; in the slack tub once dunked", () => {
    const state = planned("hot-bar");
    const next = state.acts.find(({ kind }) => kind === "run")!;
    const at = (...readings: (readonly [number, Check])[]): PieceState => ({ ...state, next, checks: checks(next, ...readings) });
    expect(moveOf(at())).toMatchObject({ to: "air" });
    expect(moveOf(at([0, fire("in")]))).toMatchObject({ to: "bar", block: 0 });
    const fresh = moveOf(at([0, fire("in")], [400, { check: "fresh-bar" }]));
    expect(fresh).toMatchObject({ to: "bar", block: 1 });
    expect(moveOf(at([0, fire("in")], [9, { check: "dunked" }]))).toMatchObject({ to: "bath" });
    expect(placeOf({ ...planned("torch"), next, checks: checks(next, [0, fire("in")]) })).toBe("torch");
    // The same place, said otherwise: the hands move.
    const first = JSON.stringify(moveOf(at([0, fire("in")])));
    expect(isToBeMoved("bar", "bar", JSON.stringify(fresh), first)).toBe(true);
    expect(isToBeMoved("bar", "bar", first, first)).toBe(false);
    expect(isToBeMoved("bar", "bar", first, "")).toBe(false);
    expect(isToBeMoved("air", "bar", first, first)).toBe(true);
  });
  it("in the pot of oil its plan has", () => {
    const state = planned("oil");
    const next = state.acts.find(({ kind }) => kind === "temper")!;
    expect(moveOf({ ...state, next, checks: [] })).toMatchObject({ to: "oven", in: "oil" });
  });
});

describe("a quench of more moves than in and out", () => {
  const act = froe.acts.find(({ kind }) => kind === "quench")!;
  const tap = (s: number, state: "in" | "over" | "out"): readonly [number, Check] => [s, { check: "bath", state }];
  const at = (quench: object, ...taps: readonly (readonly [number, Check])[]): PieceState => ({
    ...froe,
    route: { ...froe.route!, steps: froe.route!.steps.map((step) => (step.kind === "quench" ? marked(step, quench) : step)) },
    next: act,
    checks: checks(act, ...taps),
  });
  it("the edge is under, then all of it, then it is out", () => {
    const back = { edgeDepth_mm: 20, then: { after_s: 40 } };
    expect(moveOf(at(back, tap(0, "in")))).toMatchObject({ to: "bath", immersion: { kind: "edge", depth_mm: 20 } });
    const under = moveOf(at(back, tap(0, "in"), tap(40, "over")));
    expect(under).toMatchObject({ to: "bath" });
    expect("immersion" in under).toBe(false);
    expect(moveOf(at(back, tap(0, "in"), tap(40, "over"), tap(60, "out")))).toMatchObject({ to: "air" });
  });
  it("the back is under, then the edge", () => {
    const back = { edgeDepth_mm: 20, backFirst: { depth_mm: 15, after_s: 18 } };
    expect(moveOf(at(back, tap(0, "in")))).toMatchObject({ to: "bath", immersion: { kind: "back", depth_mm: 15 } });
    expect(moveOf(at(back, tap(0, "in"), tap(18, "over")))).toMatchObject({ to: "bath", immersion: { kind: "edge", depth_mm: 20 } });
  });
  it("goes over into the second tub, with its clay if it has some", () => {
    const two = { then: { after_s: 3, medium: "water" }, clay: { thickness_mm: 3, from_mm: 20 } };
    expect("medium" in moveOf(at(two, tap(0, "in")))).toBe(false);
    expect(moveOf(at(two, tap(0, "in"), tap(3, "over")))).toMatchObject({ to: "bath", medium: "water", coat: two.clay });
  });
  it("of two ends by turns the first hangs in the air while the second is under", () => {
    const turns = { part: { end: "working", depth_mm: 20 }, turns: { depth_mm: 20, first_s: 4, second_s: 4 } };
    expect(placeOf(at(turns, tap(0, "in")))).toBe("bath");
    expect(placeOf(at(turns, tap(0, "in"), tap(4, "over")))).toBe("air");
    expect(placeOf(at(turns, tap(0, "in"), tap(4, "over"), tap(8, "over")))).toBe("bath");
  });
});
