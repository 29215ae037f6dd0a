import { describe, expect, it } from "@jest/globals";
import { insertedIn, movedAct } from "../../src/book/inserted.js";
import { pieceState } from "../../src/book/state.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { heatNow } from "../../src/heatNow/heatNow.js";
import { planRoute } from "../../src/plan/route.js";
import type { BookEvent, Piece, Route } from "../../src/schema/book.js";
import { BILLHOOK } from "../pieces.js";

const KNIFE: Piece = { ...BILLHOOK, start: "normalised" };
const route = planRoute(CATALOGUE, KNIFE, "forge");
const at = route.steps.findIndex(({ kind }) => kind === "harden");
const again: Route["steps"][number] = { kind: "normalise", temperature_C: 860, hold_min: 0, coolTo: "hand-warm", why: "was-too-hot" };
const longer: Route = { ...route, steps: [...route.steps.slice(0, at), again, ...route.steps.slice(at)] };

function events(more: readonly object[]): BookEvent[] {
  const first = [
    { kind: "piece", definition: KNIFE },
    { kind: "route", route },
    ...route.steps.slice(0, at).map((_, i) => ({ kind: "act-done", act: `${i}-heat` })),
  ];
  return [...first, ...more].map((event, i) => ({ id: `e${i}`, piece: "p", at_ms: 60000 * i, ...event }) as BookEvent);
}
const check = (act: string, reading: object) => ({ kind: "check", act, reading });

describe("a heat put before the one that was too hot", () => {
  const state = pieceState(
    "p",
    events([
      check(`${at + 1}-quench`, { check: "bath-heat", temperature_C: 54 }),
      check(`${at}-heat`, { check: "fire", state: "in" }),
      check(`${at}-heat`, { check: "probe", temperature_C: 930 }),
      check(`${at}-heat`, { check: "too-hot" }),
      { kind: "route", route: longer },
    ]),
  )!;
  it("begins anew: it is not too hot itself, in no fire, and offers no further one", () => {
    const next = state.next!;
    expect(next).toMatchObject({ kind: "heat", purpose: "normalise", step: at });
    const now = heatNow(state, next as Parameters<typeof heatNow>[1], 60000 * 9, { catalogue: CATALOGUE, kit: null });
    expect(now.isTooHot).toBe(false);
    expect(now.call.call).not.toBe("too-hot");
    expect(now.fire.state).toBe("unknown");
  });
  it("what was read of the bath stays with its quench; what was seen of the heat is of no act any more, and in the log all the same", () => {
    const acts = state.checks.map(({ act, reading }) => `${reading.check} ${act}`);
    expect(acts[0]).toBe(`bath-heat ${at + 2}-quench`);
    expect(acts.slice(1).every((said) => said.endsWith(` before-${at}-heat`))).toBe(true);
    expect(state.checks).toHaveLength(4);
  });
  it("a route that was only changed, or changed beside it, moves nothing", () => {
    const hotter: Route = { ...route, steps: route.steps.map((step) => (step.kind === "harden" ? { ...step, temperature_C: 820 } : step)) };
    expect(insertedIn(route, hotter)).toBeNull();
    expect(insertedIn(hotter, longer)).toBeNull();
    expect(insertedIn(longer, route)).toBeNull();
    expect(insertedIn(route, longer)).toEqual({ at, count: 1, hardens: false });
    expect(movedAct("prove", { at: 0, count: 1, hardens: false })).toBe("prove");
  });
});

describe("what is too short to bend", () => {
  it("is not sighted along: a hammer goes from its bath to hand-warm; a punch and a blade are", () => {
    const kinds = (piece: Piece): string[] => {
      const own = planRoute(CATALOGUE, piece, "forge");
      return pieceState("p", [
        { kind: "piece", id: "a", piece: "p", at_ms: 0, definition: piece },
        { kind: "route", id: "b", piece: "p", at_ms: 1, route: own },
      ])!.acts.map(({ kind }) => kind);
    };
    const hammer: Piece = { ...KNIFE, kind: "hammer", section: { shape: "square", side_mm: 32 }, length_mm: 120 };
    expect(kinds(hammer)).not.toContain("straighten");
    expect(kinds(hammer)).toContain("cool-down");
    expect(kinds({ ...KNIFE, kind: "punch", section: { shape: "round", diameter_mm: 9 }, length_mm: 140 })).toContain("straighten");
    expect(kinds(KNIFE)).toContain("straighten");
  });
});
