import { expect, it } from "@jest/globals";
import { actsOfRoute, CATALOGUE, pieceState, planRoute, predict, standingQuestion, type BookEvent, type Route } from "../../src/index.js";
import { BILLHOOK } from "../pieces.js";
import { intoOf } from "../../src/plan/dips.js";
import { marked } from "../quenches.js";

// 2026-12: a water bath read as 130, in Fahrenheit by a shop in Celsius, left the piece without any answer.
it("a reading that no such bath can give is taken as hot as it can be, and the piece is still told", () => {
  const planned = planRoute(CATALOGUE, BILLHOOK, "forge");
  const route: Route = {
    ...planned,
    steps: planned.steps.map((s) => (s.kind === "quench" ? marked(s, { medium: "water", bath_C: 25 }) : s)),
  };
  const acts = actsOfRoute(route);
  const quench = acts.findIndex(({ kind }) => kind === "quench");
  const events: BookEvent[] = [
    { id: "a", piece: "p", at_ms: 1, kind: "piece", definition: BILLHOOK },
    { id: "b", piece: "p", at_ms: 2, kind: "route", route },
    ...acts
      .slice(0, quench)
      .map((act, i): BookEvent => ({ id: `d${i}`, piece: "p", at_ms: 60_000 * (i + 1), kind: "act-done", act: act.id })),
    {
      id: "r",
      piece: "p",
      at_ms: 60_000 * quench + 500,
      kind: "check",
      act: acts[quench]!.id,
      reading: { check: "bath-heat", temperature_C: 130 },
    },
  ];
  const question = standingQuestion(pieceState("p", events)!, { catalogue: CATALOGUE, kit: null })!;
  const done = question.route.steps.find(({ kind }) => kind === "quench");
  expect(done?.kind === "quench" ? intoOf(done).bath_C : NaN).toBe(100);
  expect(Number.isFinite(predict(CATALOGUE, question.piece, question.route, "quick").working.asQuenched.mean_HRC)).toBe(true);
});
