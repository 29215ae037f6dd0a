import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, piecesOf, planRoute, predict, type Act, type PieceState } from "@tembrak/core";
import { demoEvents } from "../store/demoBook.js";
import { cuesOf, type Cue } from "./cues.js";
import { callsDue } from "./due.js";
import { marked } from "../testing.js";

const NOW_ms = Date.UTC(2026, 10, 25, 12);
const pieces = piecesOf(demoEvents(NOW_ms));
const named = (name: string): PieceState => pieces.find(({ piece }) => piece.name === name)!;
const froe = named("Froe");
const prediction = predict(CATALOGUE, froe.piece, planRoute(CATALOGUE, froe.piece, "forge"), "quick");
const actOf = (kind: Act["kind"]): Act => froe.acts.find((act) => act.kind === kind)!;
const at = (state: PieceState, act: Act): Cue[] => cuesOf(state, act, prediction);
const since: PieceState = { ...froe, nextSince_ms: NOW_ms };
const inBath: PieceState = {
  ...since,
  checks: [{ id: "in", at_ms: NOW_ms, act: actOf("quench").id, reading: { check: "bath", state: "in" } }],
};
const seconds = (cues: readonly Cue[]) => cues.map(({ at_ms, kind }) => [Math.round((at_ms - NOW_ms) / 1000), kind]);

describe("cues of the bench", () => {
  it("a hold is warned a minute before its end, called at its end, and again when too long", () => {
    const hold: Act = { id: "h", kind: "hold", step: 0, target_C: 800, hold_s: 600, purpose: "harden" };
    expect(seconds(at(since, hold))).toEqual([
      [540, "look"],
      [600, "now"],
      [660, "late"],
    ]);
  });
  it("a hold of a minute is warned at half", () => {
    const hold: Act = { id: "h", kind: "hold", step: 0, target_C: 800, hold_s: 60, purpose: "harden" };
    expect(seconds(at(since, hold))[0]).toEqual([30, "look"]);
  });
  it("a temper is never late: more of it does no harm", () => {
    expect(at(since, actOf("temper")).map(({ kind }) => kind)).toEqual(["look", "now"]);
  });
  it("hand-warm is counted from when it went under, however long it was looked at before", () => {
    const cooling: PieceState = { ...inBath, nextSince_ms: NOW_ms + 95_000 };
    expect(seconds(at(cooling, actOf("cool-down")))).toEqual([[Math.round(prediction.hardening.handWarm_s), "ready"]]);
    expect(at({ ...froe, checks: [], nextSince_ms: NOW_ms }, actOf("cool-down"))).toEqual([]);
  });
  it("no second of an edge quench is called: it comes out by what the body looks like", () => {
    const route = planRoute(CATALOGUE, froe.piece, "forge", { way: { hardens: "edge" } });
    expect(at({ ...inBath, route }, actOf("quench"))).toEqual([]);
  });
  it("a quench of more moves calls the next of them, and the next after that; the back one has to see dark", () => {
    const planned = planRoute(CATALOGUE, froe.piece, "forge", { way: { hardens: "edge" } });
    const withQuench = (more: object): PieceState => ({
      ...inBath,
      route: { ...planned, steps: planned.steps.map((step) => (step.kind === "quench" ? marked(step, more) : step)) },
    });
    const back = withQuench({ then: { after_s: 40 } });
    expect(at(back, actOf("quench"))).toMatchObject([{ at_ms: NOW_ms + 40_000, kind: "look", words: "Is the back dark? Then all of it." }]);
    const two = withQuench({ edgeDepth_mm: undefined, then: { after_s: 3, medium: "water" } });
    expect(at(two, actOf("quench"))).toMatchObject([{ at_ms: NOW_ms + 3000, kind: "now", words: "Change over." }]);
    const over = { id: "over", at_ms: NOW_ms + 3000, act: actOf("quench").id, reading: { check: "bath", state: "over" } } as const;
    expect(seconds(at({ ...two, checks: [...two.checks, over] }, actOf("quench")))).toEqual([
      [10, "look"],
      [30, "ready"],
    ]);
    const early = withQuench({ edgeDepth_mm: undefined, bath_s: 8 });
    expect(at(early, actOf("quench"))).toMatchObject([{ at_ms: NOW_ms + 8000, kind: "now", words: "Out." }]);
  });
  it("in the bath ten and thirty seconds, from the moment it went in", () => {
    expect(seconds(at(inBath, actOf("quench")))).toEqual([
      [10, "look"],
      [30, "ready"],
    ]);
    expect(at(since, actOf("quench"))).toEqual([]);
  });
  it("straightening is called off when the model says so, warned before", () => {
    const [warned, closed] = at(inBath, actOf("straighten"));
    expect(closed).toMatchObject({ kind: "late", words: "No more bending by hand." });
    expect(closed!.at_ms - warned!.at_ms).toBe(5000);
    expect((closed!.at_ms - NOW_ms) / 1000).toBeCloseTo(prediction.hardening.straighten!.to_s, 6);
  });
  it("out of the bath at the second that was worked out for it, and at no other", () => {
    const cues = cuesOf(inBath, actOf("quench"), prediction, null, 13);
    expect(cues.map(({ at_ms, kind }) => [(at_ms - NOW_ms) / 1000, kind])).toEqual([[13, "now"]]);
  });
  it("nothing to call while bringing to heat, or when nothing began", () => {
    expect(at(since, actOf("heat"))).toEqual([]);
    expect(at({ ...froe, nextSince_ms: null }, actOf("temper"))).toEqual([]);
  });
  it("each is told once; of those nobody could hear all but a warning, with how late", () => {
    const cues: readonly Cue[] = (["look", "now", "late"] as const).map((kind, i) => ({ at_ms: 1000 + 4000 * i, kind, words: "" }));
    const due = (from_ms: number, to_ms: number, speed = 1) =>
      callsDue(froe, cues, { from_ms, to_ms, speed }).map(({ cue, late_s }) => [cue.kind, late_s]);
    expect(due(0, 1500)).toEqual([["look", 0]]);
    expect(due(1500, 1600)).toEqual([]);
    expect(due(1600, 9100)).toEqual([
      ["now", 4.1],
      ["late", 0],
    ]);
    expect(due(0, 3_609_000)).toEqual([
      ["now", 3604],
      ["late", 3600],
    ]);
    expect(due(0, 9100, 100).map(([kind]) => kind)).toEqual(["look", "now", "late"]);
  });
});
