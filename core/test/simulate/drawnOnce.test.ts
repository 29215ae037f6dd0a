/** What heat left in a piece drew is not drawn again by a cooler temper. @source temper-note 1.2 (Hollomon and Jaffe: a cooler hour after a hotter one adds next to nothing, from memory) */

import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { planRoute } from "../../src/plan/route.js";
import { PracticeShop } from "../../src/practice/shop.js";
import type { Piece, Route } from "../../src/schema/book.js";
import { predict } from "../../src/simulate/predict.js";
import { bathResponses } from "../../src/simulate/response.js";
import { makeDesk } from "../../src/simulate/desk.js";
import { marked } from "../quenches.js";
import { edgeDepth_mm } from "../../src/plan/dips.js";

/** Remembered or not the bytes are the same (desk.test.ts). */
const desk = makeDesk();

const BLADE: Piece = {
  name: "Hay knife",
  mark: "3",
  kind: "knife",
  steel: "1084",
  start: "as-forged",
  use: "knife",
  length_mm: 240,
  section: { shape: "wedge", spine_mm: 5, edge_mm: 0.8, height_mm: 34 },
};
const PLAN = planRoute(CATALOGUE, BLADE, "forge", { way: { hardens: "edge" } });
const outAfter = (bath_s: number): Route => ({
  ...PLAN,
  steps: PLAN.steps.map((step) =>
    step.kind === "quench" ? marked(step, { bath_s, transfer_s: 2.5 }) : step.kind === "harden" ? { ...step, temperature_C: 820 } : step,
  ),
});
const quench = PLAN.steps.find((step) => step.kind === "quench");
const depth_mm = quench?.kind === "quench" ? edgeDepth_mm(quench)! : 0;

/** The same in the simulated shop: the edge under for so long, then in the air, and two hours twice at the temper of the plan. */
function shopSays_HRC(bath_s: number): { asQuenched: number; tempered: number } {
  const shop = new PracticeShop(CATALOGUE, {
    epoch_ms: 0,
    seed: 1,
    speed: 1,
    ambient_lux: 20,
    medium: "fast-oil",
    volume_L: 20,
    forge_C: 815,
    kiln_C: 800,
    oven_C: 195,
    bath_C: 55,
    pieces: [{ id: "a", piece: BLADE }],
  });
  const move = (to: "forge" | "air" | "bath" | "oven", seconds: number, more = {}): void => {
    shop.command({ do: "move", piece: "a", to, ...more });
    shop.advance(seconds);
  };
  move("forge", 900);
  move("air", 2.5);
  move("bath", bath_s, { immersion: { kind: "edge", depth_mm } });
  move("air", 3600);
  const asQuenched = shop.truth("a").hardness_HRC;
  move("oven", 4 * 3600);
  return { asQuenched, tempered: shop.truth("a").hardness_HRC };
}

describe("an edge that goes out while its back is hot", () => {
  it("is as hard as before after a temper cooler than what its back drew it by", () => {
    const { working } = predict(CATALOGUE, BLADE, outAfter(35), "full", undefined, desk);
    expect(working.asQuenched.mean_HRC).toBeLessThan(60);
    expect(working.asQuenched.mean_HRC - working.tempered.mean_HRC).toBeLessThan(1.6);
    expect(working.tempered.mean_HRC).toBeLessThanOrEqual(working.asQuenched.mean_HRC);
  });
  it.each([35, 60])("comes out within a point and a half of the simulated shop, out after %d s", (bath_s) => {
    const { working } = predict(CATALOGUE, BLADE, outAfter(bath_s), "full", undefined, desk);
    const said = shopSays_HRC(bath_s);
    expect(Math.abs(working.asQuenched.mean_HRC - said.asQuenched)).toBeLessThan(1.6);
    expect(Math.abs(working.tempered.mean_HRC - said.tempered)).toBeLessThan(1.6);
  });
  it("what-ifs say the same of it as the verdict", () => {
    const route = outAfter(35);
    const [bath] = bathResponses(CATALOGUE, BLADE, route, ["fast-oil"]);
    expect(Math.abs(bath!.working_HRC - predict(CATALOGUE, BLADE, route, "full", undefined, desk).working.tempered.mean_HRC)).toBeLessThan(
      1.5,
    );
  });
});
