import { describe, expect, it } from "@jest/globals";
import { spreadOfEnds, CATALOGUE, piecesOf, planRoute, type PieceState, type Prediction } from "@tembrak/core";
import { demoEvents } from "../store/demoBook.js";
import { HAY_KNIFE, standingAt } from "../testing.js";
import { asksModel, clockOf, bySoonest } from "./clocks.js";
import { callsOf } from "./cues.js";
import { callsDue } from "./due.js";

const NOW_ms = Date.UTC(2026, 10, 25, 12);
const pieces = piecesOf(demoEvents(NOW_ms));
const route = planRoute(CATALOGUE, HAY_KNIFE, "forge");
const temperAt = standingAt(HAY_KNIFE, route, { done: 0 }).acts.findIndex(({ kind }) => kind === "temper");
const tempering = standingAt(HAY_KNIFE, route, { done: temperAt, id: "t" });
const since_ms = tempering.nextSince_ms!;

describe("what runs elsewhere", () => {
  it("a temper counts down to its end and on past it; a piece that waits cold has no clock", () => {
    const hold_s = tempering.next?.kind === "temper" ? tempering.next.hold_s : NaN;
    expect(clockOf(tempering, since_ms + 600_000)).toMatchObject({ what: "temper", s: hold_s - 600, of_s: hold_s });
    expect(clockOf(tempering, since_ms + 1000 * (hold_s + 60))!.s).toBe(-60);
    expect(clockOf(standingAt(HAY_KNIFE, route), NOW_ms)).toBeNull();
  });
  it("hard and untempered it is told as brittle, with how long", () => {
    const brittle = pieces.find(({ brittleSince_ms }) => brittleSince_ms !== null)!;
    const clock = clockOf(brittle, NOW_ms)!;
    expect(clock.what).toBe("brittle");
    expect(clock.s).toBeCloseTo((NOW_ms - brittle.brittleSince_ms!) / 1000, 6);
  });
  it("the simulated shop has a time of its own, and what is finished has none", () => {
    expect(clockOf({ ...tempering, piece: { ...HAY_KNIFE, isPractice: true } }, since_ms + 1000)).toBeNull();
    expect(clockOf({ ...tempering, finishedAt_ms: since_ms }, since_ms + 1000)).toBeNull();
  });
  it("the model is asked for a piece that cools once it is known when it went into the bath", () => {
    const cools = standingAt(HAY_KNIFE, route, { done: 0 }).acts.findIndex(({ kind }) => kind === "cool-down");
    const cooling = standingAt(HAY_KNIFE, route, { done: cools });
    expect(cooling.next?.kind).toBe("cool-down");
    expect(asksModel(cooling)).toBe(false);
    const quench = cooling.acts[cools - 1]!.id;
    const dipped = { ...cooling, checks: [{ id: "in", act: quench, at_ms: since_ms, reading: { check: "bath", state: "in" } as const }] };
    expect(asksModel(dipped)).toBe(true);
    expect(asksModel({ ...dipped, piece: { ...HAY_KNIFE, isPractice: true } })).toBe(false);
    expect(pieces.filter(asksModel)).toEqual([]);
  });
  it("while it may be straightened that runs out, and only then it is brittle", () => {
    const quench = standingAt(HAY_KNIFE, route, { done: 0 }).acts.findIndex(({ kind }) => kind === "quench");
    const out = standingAt(HAY_KNIFE, route, { done: quench + 1 });
    const in_ms = out.nextSince_ms! - 12_000;
    const bent = {
      ...out,
      checks: [{ id: "in", act: out.acts[quench]!.id, at_ms: in_ms, reading: { check: "bath", state: "in" } as const }],
    };
    const prediction = {
      hardening: { straighten: { from_s: 8, to_s: 100, end: spreadOfEnds([90, 95, 100, 105, 110]), edge: null } },
    } as Prediction;
    const at = (after_s: number, known?: Prediction) => clockOf(bent, in_ms + 1000 * after_s, known);
    expect([bent.next!.kind, asksModel(bent)]).toEqual(["straighten", true]);
    expect(at(20, prediction)).toMatchObject({ what: "straighten", of_s: 92 });
    expect(at(20, prediction)!.s).toBeCloseTo(80, 6);
    expect(at(106, prediction)).toMatchObject({ what: "brittle" });
    expect(at(20)).toBeNull();
  });
  it("who is due sooner comes first: an hour of brittleness is due like the end of a temper", () => {
    const clock = (what: "temper" | "brittle", s: number) => ({ id: what, name: what, what, s, of_s: what === "temper" ? 7200 : 3600 });
    const sorted = [clock("temper", 1500), clock("brittle", 3000), clock("brittle", 60)].sort(bySoonest);
    expect(sorted.map(({ what, s }) => [what, s])).toEqual([
      ["brittle", 3000],
      ["temper", 1500],
      ["brittle", 60],
    ]);
  });
});

describe("what came due while nobody could hear", () => {
  const found = (state: PieceState, from_ms: number, to_ms: number) =>
    callsDue(state, callsOf(state, undefined, null, to_ms), { from_ms, to_ms });
  const end_ms = since_ms + 1000 * (tempering.next?.kind === "temper" ? tempering.next.hold_s : NaN);
  it("is told with what it was; a warning that is past is no news", () => {
    const told = found(tempering, end_ms - 120_000, end_ms + 9e6);
    expect(told[0]).toMatchObject({ id: "t", cue: { kind: "now", at_ms: end_ms, words: "The temper is over." }, late_s: 9000 });
    expect(found(tempering, end_ms - 120_000, end_ms - 1000)).toEqual([]);
  });
  it("what was acted on since is not told", () => {
    const out = standingAt(HAY_KNIFE, route, { done: temperAt + 1, id: "t" });
    expect(found(out, end_ms - 120_000, end_ms + 9e6).filter(({ cue }) => /temper is over/.test(cue.words))).toEqual([]);
  });
  it("an hour brittle is called by what draws it in its plan, and not while its colours run", () => {
    const by = (draws: "hot-bar" | "oil"): PieceState => {
      const planned = planRoute(CATALOGUE, HAY_KNIFE, "forge", { way: { hardens: "whole", draws } });
      const acts = standingAt(HAY_KNIFE, planned, { done: 0 }).acts;
      return standingAt(HAY_KNIFE, planned, { done: acts.findIndex(({ kind }) => kind === "run" || kind === "oven"), id: "o" });
    };
    const said = (state: PieceState): string | undefined =>
      callsOf(state, undefined, null, state.nextSince_ms!).find(({ words }) => /for an hour/.test(words))?.words;
    expect(said(by("hot-bar"))).toMatch(/: run its colours\.$/);
    expect(said(by("oil"))).toMatch(/: into the oil\.$/);
    const bar = by("hot-bar");
    const on = { act: bar.next!.id, reading: { check: "fire", state: "in" }, at_ms: bar.nextSince_ms! + 1000, id: "on" } as const;
    expect(said({ ...bar, checks: [...bar.checks, on] })).toBeUndefined();
  });
  it("an hour brittle is called, and an oven that should be steady", () => {
    const oven = standingAt(HAY_KNIFE, route, { done: temperAt - 1, id: "o" });
    const words = callsOf(oven, undefined, null, oven.nextSince_ms!).map((cue) => cue.words);
    expect(words.some((said) => /steady/.test(said))).toBe(true);
    expect(words.some((said) => /for an hour/.test(said))).toBe(true);
  });
});
