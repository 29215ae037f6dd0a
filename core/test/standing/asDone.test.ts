import { describe, expect, it } from "@jest/globals";
import { pieceState, type PieceState } from "../../src/book/state.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { hardenAgain } from "../../src/plan/nextTemper.js";
import { planRoute } from "../../src/plan/route.js";
import type { BookEvent, Check, Piece, Route, Step } from "../../src/schema/book.js";
import { harden } from "../../src/simulate/harden.js";
import { predict } from "../../src/simulate/predict.js";
import { hardenPlanOf } from "../../src/simulate/planOf.js";
import { asDone as doneSoFar } from "../../src/standing/asDone.js";
import { bathTimes } from "../../src/standing/bathTimes.js";
import { BILLHOOK } from "../pieces.js";
import { marked } from "../quenches.js";
import { lastOf_s, seconds, turnsSaid } from "../../src/plan/dips.js";

const routeAsDone = (state: PieceState): Route | null => doneSoFar(state, { catalogue: CATALOGUE })?.route ?? null;

const route = planRoute(CATALOGUE, BILLHOOK, "forge");
const START_ms = 1_000_000_000;

interface Move {
  /** Seconds from the last act of the fire to the bath, and from there out of it. */
  readonly transfer_s?: number;
  readonly bath_s?: number;
  /** How many hardenings of the route are gone through before this one. */
  readonly before?: number;
}

/** A piece that left the fire at `START_ms`, went under and came out. */
function quenched({ transfer_s = 2, bath_s, before = 0 }: Move, of: Route = route, piece: Piece = BILLHOOK): PieceState {
  const acts = actsOfRoute(of);
  const quenches = acts.flatMap((act, i) => (act.kind === "quench" ? [i] : []));
  const at = quenches[before]!;
  const check = (id: string, at_ms: number, reading: Check): BookEvent => ({
    id,
    piece: "p",
    at_ms,
    kind: "check",
    act: acts[at]!.id,
    reading,
  });
  const in_ms = START_ms + 1000 * transfer_s;
  return pieceState("p", [
    { id: "a", piece: "p", at_ms: 0, kind: "piece", definition: piece },
    { id: "b", piece: "p", at_ms: 1, kind: "route", route: of },
    ...acts.slice(0, at).map((act, i): BookEvent => {
      const later = acts.slice(i + 1, at).reduce((sum, after) => sum + ("hold_s" in after ? 1000 * after.hold_s : 1000), 0);
      return { id: `d${i}`, piece: "p", at_ms: START_ms - later, kind: "act-done", act: act.id };
    }),
    check("in", in_ms, { check: "bath", state: "in" }),
    ...(bath_s === undefined
      ? []
      : [
          check("out", in_ms + 1000 * bath_s, { check: "bath", state: "out" }),
          { id: "done", piece: "p", at_ms: in_ms + 1000 * bath_s + 1, kind: "act-done", act: acts[at]!.id } as const,
        ]),
  ])!;
}
const quenchOf = (of: Route, n = -1) => of.steps.filter((step): step is Extract<Step, { kind: "quench" }> => step.kind === "quench").at(n)!;
const asDone = (move: Move): ReturnType<typeof predict> => predict(CATALOGUE, BILLHOOK, routeAsDone(quenched(move))!, "quick");

describe("a route as it was done", () => {
  it("is the plan itself until the log says something of the bath", () => {
    const acts = actsOfRoute(route);
    const state = pieceState("p", [
      { id: "a", piece: "p", at_ms: 0, kind: "piece", definition: BILLHOOK },
      { id: "b", piece: "p", at_ms: 1, kind: "route", route },
      { id: "c", piece: "p", at_ms: 2, kind: "act-done", act: acts[0]!.id },
    ])!;
    expect(routeAsDone(state)).toBe(route);
    expect(routeAsDone({ ...state, route: null })).toBeNull();
  });
  it("has the seconds to the bath as soon as it is under, and those in it once it is out", () => {
    expect(quenchOf(routeAsDone(quenched({ transfer_s: 4.2 }))!)).toEqual({ ...quenchOf(route), transfer_s: 4.2 });
    expect(quenchOf(routeAsDone(quenched({ transfer_s: 4.2, bath_s: 12 }))!)).toEqual(
      marked(quenchOf(route), { transfer_s: 4.2, bath_s: 12 }),
    );
  });
  it("takes no time that a hand cannot have needed", () => {
    expect(quenchOf(routeAsDone(quenched({ transfer_s: 900, bath_s: 12 }))!)).toEqual(marked(quenchOf(route), { bath_s: 12 }));
    expect(lastOf_s(quenchOf(routeAsDone(quenched({ transfer_s: 2, bath_s: 0 }))!))).toBeNull();
  });
  it("its heat is believed once, whatever is tapped after it", () => {
    const looked = (move: Move): PieceState => {
      const { events, acts, next, doneAt_ms } = quenched(move);
      const heat = acts.findLast(({ kind, step }) => kind === "heat" && step < next!.step)!;
      const look = { id: "l", piece: "p", at_ms: doneAt_ms.get(heat.id)! - 20_000, kind: "check", act: heat.id } as const;
      return pieceState("p", [...events, { ...look, reading: { check: "probe", temperature_C: 861 } }])!;
    };
    const [beliefs, at_ms] = [new Map<string, Float64Array>(), START_ms + 4500];
    const lent = (move: Move) => doneSoFar(looked(move), { catalogue: CATALOGUE, beliefs, now_ms: at_ms })!.heat!.mean_C;
    const own = doneSoFar(looked({}), { catalogue: CATALOGUE })!.heat!.mean_C;
    expect(lent({ transfer_s: 3 })).toBe(own);
    expect(lent({ transfer_s: 4 })).toBe(own);
    expect(beliefs.size).toBe(1);
    // It is the lent one that counts.
    beliefs.forEach((belief) => belief.reverse());
    expect(lent({ transfer_s: 3.5 })).not.toBe(own);
  });
  it("a tap taken back is as if it had not been", () => {
    const { events } = quenched({ bath_s: 3 });
    const back = (event: string): BookEvent => ({ id: `not ${event}`, piece: "p", at_ms: START_ms + 9e6, kind: "withdrawn", event });
    const state = pieceState("p", [...events, back("out"), back("done")])!;
    expect(lastOf_s(quenchOf(routeAsDone(state)!))).toBeNull();
    expect(bathTimes(state, quenched({}).next!.step)).toEqual({ in_ms: START_ms + 2000, over_ms: [], out_ms: null });
  });
  it("a quench in two dips has the seconds of each by its taps; taken out without the second it had none", () => {
    const then = { after_s: 40 };
    const twoDips: Route = {
      ...route,
      steps: route.steps.map((step) => (step.kind === "quench" ? marked(step, { edgeDepth_mm: 20, then }) : step)),
    };
    const { events } = quenched({ bath_s: 60 }, twoDips);
    const { id } = actsOfRoute(twoDips).find(({ kind }) => kind === "quench")!;
    const over = (at_ms: number): BookEvent => ({
      id: `over ${at_ms}`,
      piece: "p",
      at_ms,
      kind: "check",
      act: id,
      reading: { check: "bath", state: "over" },
    });
    const withOver = pieceState(
      "p",
      [...events, over(START_ms + 2000 + 25_000)].sort((a, b) => a.at_ms - b.at_ms),
    )!;
    expect(quenchOf(routeAsDone(withOver)!).dips.map(seconds)).toEqual([25, 35]);
    const without = quenchOf(routeAsDone(pieceState("p", events)!)!);
    expect(without.dips).toMatchObject([{ under: "edge", depth_mm: 20, until: { is: "seconds", s: 60 } }]);
    // While it is under what is planned is still to come.
    expect(quenchOf(routeAsDone(quenched({}, twoDips))!).dips.map(seconds)).toEqual([then.after_s, null]);
  });
  it("a back that went in first has its seconds up to when it was turned over; out without that, its edge was never under", () => {
    const backFirst = { depth_mm: 18, after_s: 20 };
    const steps = route.steps.map((step) => (step.kind === "quench" ? marked(step, { edgeDepth_mm: 20, backFirst }) : step));
    const { events } = quenched({ bath_s: 60 }, { ...route, steps });
    const { id } = actsOfRoute({ ...route, steps }).find(({ kind }) => kind === "quench")!;
    const over: BookEvent = {
      id: "o",
      piece: "p",
      at_ms: START_ms + 27_000,
      kind: "check",
      act: id,
      reading: { check: "bath", state: "over" },
    };
    const turned = pieceState(
      "p",
      [...events, over].sort((a, b) => a.at_ms - b.at_ms),
    )!;
    // 25 s by the taps; two of them were the turning.
    expect(quenchOf(routeAsDone(turned)!).dips).toMatchObject([
      { under: "back", depth_mm: 18, until: { s: 23 } },
      { under: "edge", depth_mm: 20, until: { s: 35 } },
    ]);
    const never = quenchOf(routeAsDone(pieceState("p", events)!)!);
    expect(never.dips).toMatchObject([{ under: "back", depth_mm: 18, until: { s: 60 } }]);
    expect(quenchOf(routeAsDone(quenched({}, { ...route, steps }))!).dips).toEqual(quenchOf({ ...route, steps }).dips);
  });
  it("two ends by turns have the seconds of the first turns by their taps", () => {
    const turns = { depth_mm: 20, first_s: 4, second_s: 4 };
    const byTurns: Route = {
      ...route,
      steps: route.steps.map((step) => (step.kind === "quench" ? marked(step, { part: { end: "working", depth_mm: 20 }, turns }) : step)),
    };
    const { events } = quenched({}, byTurns);
    const { id } = actsOfRoute(byTurns).find(({ kind }) => kind === "quench")!;
    const overs = [9, 14, 20].map((s): BookEvent => ({
      id: `over ${s}`,
      piece: "p",
      at_ms: START_ms + 2000 + 1000 * s,
      kind: "check",
      act: id,
      reading: { check: "bath", state: "over" },
    }));
    expect(turnsSaid(quenchOf(routeAsDone(pieceState("p", [...events, ...overs])!)!))).toMatchObject({ first_s: 9, second_s: 5 });
  });
  it("hardened again, each time has its own seconds", () => {
    const again: Route = { ...route, steps: hardenAgain<Step>(route.steps, route.steps[0]!) };
    const done = routeAsDone(quenched({ bath_s: 14, before: 1 }, again))!;
    expect([lastOf_s(quenchOf(done, 0)), lastOf_s(quenchOf(done, 1))]).toEqual([null, 14]);
  });
  it("of an edge quench too, but where the heat left in the body is meant to draw it: that drawing is a step of its own", () => {
    const route = (draws: "oven" | "residual"): Route => planRoute(CATALOGUE, BILLHOOK, "forge", { way: { hardens: "edge", draws } });
    const [oven, residual] = [route("oven"), route("residual")];
    expect(quenchOf(routeAsDone(quenched({ bath_s: 5 }, oven))!)).toEqual(marked(quenchOf(oven), { transfer_s: 2, bath_s: 5 }));
    expect(quenchOf(routeAsDone(quenched({ bath_s: 5 }, residual))!)).toEqual({ ...quenchOf(residual), transfer_s: 2 });
  });
  it("an edge out while the back still glows is drawn by it: softer, and long too hot to hold (trade fact: until the back is dark)", () => {
    const edge = planRoute(CATALOGUE, BILLHOOK, "forge", { way: { hardens: "edge" } });
    const of = (bath_s: number) => predict(CATALOGUE, BILLHOOK, routeAsDone(quenched({ bath_s }, edge))!, "quick");
    const [soon, late] = [of(5), of(60)];
    expect(soon.working.asQuenched.mean_HRC).toBeLessThan(late.working.asQuenched.mean_HRC - 4);
    expect(soon.hardening.handWarm_s).toBeGreaterThan(late.hardening.handWarm_s);
  });
});

describe("what a piece is expected to be follows what was done", () => {
  it("window, hand-warm and hardness are those of the same seconds, to the last digit", () => {
    const got = predict(CATALOGUE, BILLHOOK, routeAsDone(quenched({ transfer_s: 3, bath_s: 12 }))!).hardening;
    const wanted = harden({ ...hardenPlanOf(CATALOGUE, BILLHOOK, route), transfer_s: 3, bath_s: 12 });
    expect(got).toEqual(wanted);
  });
  it("out after 12 s there is far longer to straighten, and to wait, than if it had stayed in", () => {
    const [planned, done] = [predict(CATALOGUE, BILLHOOK, route, "quick").hardening, asDone({ bath_s: 12 }).hardening];
    expect(done.straighten!.to_s).toBeGreaterThan(1.5 * planned.straighten!.to_s);
    expect(done.handWarm_s).toBeGreaterThan(4 * planned.handWarm_s);
    // Under a wet hand in ten to twenty minutes (trade fact, of knives); this back is twice as thick as a knife's.
    expect(done.handWarm_s / 60).toBeGreaterThan(10);
    expect(done.handWarm_s / 60).toBeLessThan(40);
  });
  it("out after 3 s the spine stays soft (common practice: counted to three is too soon)", () => {
    const [planned, done] = [asDone({ bath_s: 12 }), asDone({ bath_s: 3 })];
    expect(done.thickest.asQuenched.mean_HRC).toBeLessThan(planned.thickest.asQuenched.mean_HRC - 8);
  });
  it("slow to the bath, and said to be so, is softer at the edge, which cools first", () => {
    const tapped = quenched({ transfer_s: 9, bath_s: 12 });
    const slow = pieceState("p", [
      ...tapped.events,
      { id: "really", piece: "p", at_ms: START_ms + 60_000, kind: "corrected", event: "in", true_ms: START_ms + 9000, why: "as-tapped" },
    ])!;
    expect(predict(CATALOGUE, BILLHOOK, routeAsDone(slow)!, "quick").working.asQuenched.mean_HRC).toBeLessThan(
      asDone({ bath_s: 12 }).working.asQuenched.mean_HRC - 5,
    );
  });
  it("an edge quench is locked once its edge is hard, however soft the body stays", () => {
    const edge = planRoute(CATALOGUE, BILLHOOK, "forge", { way: { hardens: "edge" } });
    const { straighten, edge: value } = predict(CATALOGUE, BILLHOOK, edge, "quick").hardening;
    expect(value!.mean_HRC).toBeGreaterThan(58);
    expect(straighten).not.toBeNull();
    expect(straighten!.to_s).toBeLessThan(60);
  });
});
