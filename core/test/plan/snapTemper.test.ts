import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { orderProblem } from "../../src/plan/order.js";
import { planRoute } from "../../src/plan/route.js";
import { withSnapTemper } from "../../src/plan/snapTemper.js";
import type { Draws, Piece } from "../../src/schema/book.js";
import { checkAny as check } from "../../src/schema/checkAll.js";
import { predict } from "../../src/simulate/predict.js";
import { BILLHOOK } from "../pieces.js";

const KNIFE: Piece = {
  ...BILLHOOK,
  kind: "knife",
  steel: "1084",
  use: "knife",
  section: { shape: "wedge", spine_mm: 3.5, edge_mm: 0.8, height_mm: 32 },
};
const plan = (draws: Draws) => planRoute(CATALOGUE, KNIFE, "forge", { way: { draws } });

describe("a short temper before the night", () => {
  it("comes before its own, whatever draws it, once, and is a route that can be done", () => {
    for (const draws of ["oven", "oil", "salt", "torch"] as const) {
      const route = plan(draws);
      const short = withSnapTemper(route)!;
      const at = short.steps.findIndex(({ why }) => why === "snap-temper");
      expect(short.steps[at - 1]!.kind).toBe("quench");
      expect(short.steps).toHaveLength(route.steps.length + 1);
      expect(orderProblem(short.steps)).toBeNull();
      expect(check("Route", short).ok).toBe(true);
      expect(withSnapTemper(short)).toBeNull();
    }
    expect(withSnapTemper(plan("salt"))!.steps.find(({ why }) => why === "snap-temper")).toMatchObject({ in: "salt", temperature_C: 160 });
  });
  // Trade fact, common practice, no source: it hardly costs a point, and nothing of what its own temper leaves.
  it("hardly changes what its own temper leaves", () => {
    const hrc = (route: ReturnType<typeof plan>): number => predict(CATALOGUE, KNIFE, route, "quick").working.tempered.mean_HRC;
    expect(Math.abs(hrc(withSnapTemper(plan("oven"))!) - hrc(plan("oven")))).toBeLessThan(0.3);
  });
});
