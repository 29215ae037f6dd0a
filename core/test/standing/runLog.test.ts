import { describe, expect, it } from "@jest/globals";
import { pieceState, type PieceState } from "../../src/book/state.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { planRoute } from "../../src/plan/route.js";
import { FIRST_COLOUR_C } from "../../src/plan/runHeat.js";
import type { BookEvent, Check, ColourName, Draws } from "../../src/schema/book.js";
import { heatOfColour_C } from "../../src/simulate/runNow.js";
import { asDone } from "../../src/standing/asDone.js";
import { runLogOf } from "../../src/standing/runLog.js";
import { BILLHOOK } from "../pieces.js";
import { RUN_CASES } from "../simulate/madeUpRuns.js";

const START_ms = 1e9;

/** A piece at its run, out of the bath at the start, with these looks so many seconds later. */
function running(
  draws: Draws,
  looks: readonly (readonly [number, Check])[],
  hasTaps = true,
  piece = BILLHOOK,
): { state: PieceState; step: number } {
  const hardens = piece === BILLHOOK ? "edge" : "whole";
  const route = planRoute(CATALOGUE, piece, "forge", { way: { hardens, draws } });
  const acts = actsOfRoute(route);
  const at = acts.findIndex(({ kind }) => kind === "run");
  const quench = acts.find(({ kind }) => kind === "quench")!;
  const check = (id: string, act: string, at_ms: number, reading: Check): BookEvent => ({
    id,
    piece: "p",
    at_ms,
    kind: "check",
    act,
    reading,
  });
  const state = pieceState("p", [
    { id: "a", piece: "p", at_ms: 1, kind: "piece", definition: piece },
    { id: "b", piece: "p", at_ms: 2, kind: "route", route },
    ...(hasTaps
      ? [
          check("in", quench.id, START_ms - 7000, { check: "bath", state: "in" }),
          check("out", quench.id, START_ms, { check: "bath", state: "out" }),
        ]
      : []),
    ...acts.slice(0, at).map(({ id }, i): BookEvent => ({ id: `d${i}`, piece: "p", at_ms: START_ms + i - 100, kind: "act-done", act: id })),
    ...looks.map(([after_s, reading], i) => check(`c${i}`, acts[at]!.id, START_ms + 1000 * after_s, reading)),
  ])!;
  return { state, step: acts[at]!.step };
}

const colour = (name: ColourName): Check => ({ check: "temper-colour", name });

describe("the log of a run", () => {
  it("by its own heat begins when it comes out of the bath, with the seconds it was in", () => {
    const { state, step } = running("residual", [[20, colour("straw")]]);
    expect(runLogOf(state, step)).toEqual({
      began_ms: START_ms,
      isHeated: false,
      dip_s: 7,
      off_ms: null,
      fresh_s: [],
      dunked_ms: null,
      seen: [{ name: "straw", after_s: 20 }],
      cold: null,
      edge: null,
    });
  });
  it("what was seen on an edge that was to stay bare is no look at the line", () => {
    const edge = (name: "bare" | "straw"): Check => ({ check: "temper-colour", name, at: "edge" });
    const { state, step } = running("torch", [
      [0, { check: "fire", state: "in" }],
      [20, colour("straw")],
      [25, { check: "dunked" }],
      [40, colour("bronze")],
      [44, edge("bare")],
    ]);
    expect(runLogOf(state, step)).toMatchObject({ seen: [{ name: "straw", after_s: 20 }], cold: "bronze", edge: "bare" });
  });
  it("begins when the quench was called done where nobody tapped the bath", () => {
    const { state, step } = running("residual", [], false);
    expect(runLogOf(state, step).began_ms).toBeGreaterThan(START_ms - 200);
  });
  it("by a torch waits for the torch", () => {
    const { state, step } = running("torch", []);
    expect(runLogOf(state, step).began_ms).toBeNull();
    const lit = running("torch", [
      [5, { check: "fire", state: "in" }],
      [65, { check: "fire", state: "out" }],
    ]);
    expect(runLogOf(lit.state, step)).toMatchObject({ began_ms: START_ms + 5000, off_ms: START_ms + 65000 });
  });
  it("a fresh bar is laid in the same run, at its time", () => {
    const { state, step } = running("hot-bar", [
      [5, { check: "fire", state: "in" }],
      [305, { check: "fresh-bar" }],
    ]);
    expect(runLogOf(state, step)).toMatchObject({ began_ms: START_ms + 5000, fresh_s: [300] });
  });
  it("heated again begins anew: what was seen and dunked before is of another run", () => {
    const { state, step } = running("torch", [
      [5, { check: "fire", state: "in" }],
      [60, colour("bronze")],
      [70, { check: "dunked" }],
      [75, colour("straw")],
      [200, { check: "fire", state: "in" }],
      [260, colour("bronze")],
    ]);
    expect(runLogOf(state, step)).toMatchObject({
      began_ms: START_ms + 200000,
      dunked_ms: null,
      cold: null,
      seen: [{ name: "bronze", after_s: 60 }],
    });
  });
  it("what was found cold is the temper it had; the colour planned is the plan", () => {
    const looks = (name: "straw" | "blue"): (readonly [number, Check])[] => [
      [5, { check: "fire", state: "in" }],
      [70, { check: "dunked" }],
      [80, colour(name)],
    ];
    const ran = (name: "straw" | "blue") => {
      const { state, step } = running("torch", looks(name));
      return asDone(state, { catalogue: CATALOGUE })!.route.steps[step]!;
    };
    const blue = ran("blue");
    expect(blue.kind === "run" && Math.abs(blue.temperature_C - heatOfColour_C("blue", 0))).toBeLessThan(10);
    const planned = running("torch", []);
    const plan = asDone(planned.state, { catalogue: CATALOGUE })!.route.steps[planned.step];
    expect(plan).toEqual(planned.state.route!.steps[planned.step]);
  });
});

describe("a run to a line behind an edge in water", () => {
  const { piece } = RUN_CASES.find(({ name }) => /edge in water/.test(name))!;
  const fire: readonly [number, Check] = [0, { check: "fire", state: "in" }];
  const dunked: readonly [number, Check] = [30, { check: "dunked" }];
  const edge = (name: ColourName): Check => ({ check: "temper-colour", name, at: "edge" });
  const drawn_C = (...cold: readonly Check[]): number => {
    const { state, step } = running(
      "hot-bar",
      [fire, dunked, ...cold.map((reading, i): readonly [number, Check] => [40 + i, reading])],
      true,
      piece,
    );
    const run = asDone(state, { catalogue: CATALOGUE })!.route.steps[step]!;
    if (run.kind !== "run") throw new Error(run.kind);
    return run.temperature_C;
  };
  it("a line as wanted leaves the edge as planned; past it the edge was hotter, short of it cooler", () => {
    const planned = drawn_C();
    expect(drawn_C(colour("dark straw"), edge("bare"))).toBe(planned);
    expect(drawn_C(colour("blue"), edge("bare"))).toBeGreaterThan(planned);
    expect(drawn_C(colour("light straw"), edge("bare"))).toBeLessThan(planned);
    // What shows no colour was under the first of them.
    expect(drawn_C(colour("grey"), edge("bare"))).toBeLessThan(FIRST_COLOUR_C);
  });
  it("a colour on the edge itself says what it was drawn to, whatever the line was", () => {
    expect(drawn_C(colour("dark straw"), edge("straw"))).toBeCloseTo(heatOfColour_C("straw", 0), -1);
    expect(drawn_C(edge("purple"))).toBeGreaterThan(drawn_C(edge("straw")));
  });
});
