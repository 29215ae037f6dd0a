import { describe, expect, it } from "@jest/globals";
import { pieceState } from "../../src/book/state.js";
import { CATALOGUE, formOf } from "../../src/catalogue.js";
import { firesTook_s, risesOf, stepTimes_s } from "../../src/heatNow/stepTimes.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { planRoute } from "../../src/plan/route.js";
import type { BookEvent, Piece, Route } from "../../src/schema/book.js";
import { warmUp } from "../../src/simulate/warmUp.js";
import { BILLHOOK } from "../pieces.js";

function times(piece: Piece, route: Route, took: readonly (number | null)[] = []): (number | null)[] {
  const rises = risesOf(piece, route, null).map((q) =>
    q === null ? null : warmUp(q.piece, formOf(q.piece), q.hardens, q.fire, q.target_C, q.start_C),
  );
  return stepTimes_s(piece, route, rises, took);
}
const thick = (spine_mm: number): Piece => ({ ...BILLHOOK, section: { shape: "wedge", spine_mm, edge_mm: 1, height_mm: 60 } });

describe("how long a step takes", () => {
  it("a thin blade is hot in a minute or two, one three times as thick takes longer, and holds are as planned", () => {
    const route = planRoute(CATALOGUE, BILLHOOK, "forge");
    const at = route.steps.findIndex(({ kind }) => kind === "harden");
    const [thin_s, thick_s] = [3, 9].map((mm) => times(thick(mm), route)[at]!) as [number, number];
    expect(thin_s).toBeGreaterThan(40);
    expect(thin_s).toBeLessThan(240);
    expect(thick_s).toBeGreaterThan(1.7 * thin_s);
    route.steps.forEach((step, i) => step.kind === "temper" && expect(times(BILLHOOK, route)[i]).toBe(60 * step.hold_min));
  });
  it("a heat from black is shorter than one from cold, and to hand-warm in air takes longer than to black", () => {
    const route = planRoute(CATALOGUE, BILLHOOK, "forge");
    const questions = risesOf(BILLHOOK, route, null);
    const starts = route.steps.flatMap(({ kind }, i) => (kind === "normalise" ? [questions[i]!.start_C] : []));
    expect(starts[0]).toBe(25);
    expect(starts[1]).toBe(450);
    const all = times(BILLHOOK, route);
    const air = route.steps.flatMap((step, i) => (step.kind === "normalise" ? [{ to: step.coolTo, s: all[i]! }] : []));
    expect(air.at(-1)!.to).toBe("hand-warm");
    expect(air.at(-1)!.s).toBeGreaterThan(air[1]!.s + 120);
  });
  it("what was tapped into the fire and out of it took so long, whatever the model has; what nobody tapped is the model's", () => {
    const route = planRoute(CATALOGUE, BILLHOOK, "forge");
    const acts = actsOfRoute(route);
    const events: BookEvent[] = [
      { id: "a", piece: "p", at_ms: 1, kind: "piece", definition: BILLHOOK },
      { id: "b", piece: "p", at_ms: 2, kind: "route", route },
      { id: "c", piece: "p", at_ms: 10_000, kind: "check", act: acts[0]!.id, reading: { check: "fire", state: "in" } },
      ...acts
        .slice(0, 4)
        .map(({ id }, i): BookEvent => ({ id: `d${i}`, piece: "p", at_ms: 430_000 + 60_000 * i, kind: "act-done", act: id })),
    ];
    const took = firesTook_s(pieceState("p", events)!);
    const ofHeat = acts.filter(({ step, kind }) => step === 0 && (kind === "heat" || kind === "hold")).length;
    expect(took[0]).toBe(420 + 60 * (ofHeat - 1));
    expect(took.slice(1).every((s) => s === null)).toBe(true);
    const [plain, logged] = [times(BILLHOOK, route), times(BILLHOOK, route, took)];
    expect(logged[0]! - plain[0]!).toBeGreaterThan(200);
    expect(logged.slice(1)).toEqual(plain.slice(1));
  });
  it("an anneal takes as long as its rate asks; what is not known is not told", () => {
    const route: Route = {
      heating: { in: "kiln", by: "controller" },
      steps: [
        { kind: "anneal", temperature_C: 760, hold_min: 10, how: "kiln", rate_C_h: 20, to_C: 600, why: "as-bought" },
      ] as unknown as Route["steps"],
    };
    expect(times(BILLHOOK, route)[0]).toBeGreaterThan(8 * 3600);
    expect(stepTimes_s(BILLHOOK, route, [undefined])).toEqual([null]);
    expect(stepTimes_s(BILLHOOK, route, [null])).toEqual([null]);
  });
});
