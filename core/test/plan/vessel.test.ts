import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { fitProblems } from "../../src/plan/fit.js";
import { canDraw, hottestTemper_C, ovenFor, ovensOf, PRESETS } from "../../src/plan/kit.js";
import { planRoute } from "../../src/plan/route.js";
import { wayOf } from "../../src/plan/way.js";
import { formOf } from "../../src/catalogue.js";
import type { Draws, Piece, Route } from "../../src/schema/book.js";
import { VESSELS, type Kit, type KitItem } from "../../src/schema/kit.js";
import { lessonOf } from "../../src/simulate/lesson.js";
import { predict } from "../../src/simulate/predict.js";
import { ovenDoubt_K, shopOf } from "../../src/standing/known.js";
import { BILLHOOK } from "../pieces.js";

const KNIFE: Piece = {
  ...BILLHOOK,
  kind: "knife",
  steel: "1084",
  use: "knife",
  section: { shape: "wedge", spine_mm: 4, edge_mm: 0.8, height_mm: 34 },
};
const SPRING: Piece = { ...KNIFE, kind: "spring", steel: "5160", use: "spring", section: { shape: "plate", thickness_mm: 4 } };
const bare: Kit = PRESETS[0]!.items.map((item, i) => ({ ...item, id: `k${i}` }));
const pot = (holds: (typeof VESSELS)[number], more: object = {}): KitItem => ({
  id: holds,
  kind: "oven",
  name: `Pot of ${holds}`,
  holds,
  length_mm: 400,
  width_mm: 200,
  height_mm: 200,
  limit_C: 300,
  offset_C: 0,
  swing_C: 4,
  settle_min: 30,
  ...more,
});
const planned = (kit: Kit | null, draws: Draws, piece = KNIFE): Route => planRoute(CATALOGUE, piece, "forge", { kit, way: { draws } });
const tempers = ({ steps }: Route) => steps.flatMap((step) => (step.kind === "temper" ? [step] : []));

describe("a temper in oil, salt or sand", () => {
  it("is what steps and acts say, and is told back as the way it is", () => {
    for (const vessel of VESSELS) {
      const route = planned([...bare, pot(vessel)], vessel);
      expect(tempers(route).map((step) => step.in)).toEqual([vessel, vessel]);
      expect(wayOf(route).draws).toBe(vessel);
      const acts = actsOfRoute(route).filter(({ kind }) => kind === "oven" || kind === "temper");
      expect(acts.every((act) => "in" in act && act.in === vessel)).toBe(true);
    }
    expect(tempers(planned(bare, "oven")).every((step) => !("in" in step))).toBe(true);
  });
  it("a shop without one tempers in its oven; one without an oven in what it has, before it runs colours", () => {
    expect(canDraw("oil", bare)).toBe(false);
    expect(wayOf(planned(bare, "oil")).draws).toBe("oven");
    const only = [...bare.filter(({ kind }) => kind !== "oven"), pot("sand")];
    expect(canDraw("oven", only)).toBe(false);
    expect(wayOf(planned(only, "oven")).draws).toBe("sand");
    // A pot of oil is no oven: nothing is put in it that was planned for one.
    expect(ovensOf([...bare, pot("oil")]).map(({ name }) => name)).toEqual(["Old kitchen oven"]);
    expect(ovenFor(ovensOf([...bare, pot("oil")], "oil"), 200, KNIFE)!.name).toBe("Pot of oil");
  });
  it("oil ends where it smokes, whatever its pot could; a spring's temper is said to be too hot for it, and salt reaches it", () => {
    expect(hottestTemper_C([...bare, pot("oil")], SPRING, "oil")).toBe(230);
    expect(hottestTemper_C([...bare, pot("oil", { limit_C: 200 })], SPRING, "oil")).toBe(200);
    expect(hottestTemper_C(null, SPRING, "oil")).toBe(230);
    const kit = [...bare, pot("oil"), pot("salt", { limit_C: 500 })];
    const oil = planned(kit, "oil", SPRING);
    expect(Math.max(...tempers(oil).map(({ temperature_C }) => temperature_C))).toBeLessThanOrEqual(230);
    const problems = fitProblems(CATALOGUE, SPRING, formOf(SPRING), oil, kit);
    expect(problems).toContainEqual(expect.objectContaining({ place: "oven", what: "too-hot", item: "Pot of oil" }));
    const salt = planned(kit, "salt", SPRING);
    expect(tempers(salt)[0]!.temperature_C).toBeGreaterThan(350);
    expect(fitProblems(CATALOGUE, SPRING, formOf(SPRING), salt, kit).filter(({ place }) => place === "oven")).toEqual([]);
  });
  it("salt is not asked to be molten colder than it is", () => {
    const striker: Piece = { ...KNIFE, steel: "1095", use: "razor" };
    const use = CATALOGUE.use("razor") ? striker : { ...striker, use: CATALOGUE.uses.at(-1)!.id };
    for (const { temperature_C } of tempers(planned([...bare, pot("salt")], "salt", use)))
      expect(temperature_C).toBeGreaterThanOrEqual(160);
  });
  it("a plan for a pot that is not there says so by its name", () => {
    const route = planned(null, "salt");
    expect(fitProblems(CATALOGUE, KNIFE, formOf(KNIFE), route, bare)).toContainEqual(
      expect.objectContaining({ place: "oven", what: "missing", item: "salt" }),
    );
  });
  it("stirred oil is surer than an oven nobody checked, sand less; each moves the spread of the piece", () => {
    const doubt = (item: KitItem): number => ovenDoubt_K(item as Parameters<typeof ovenDoubt_K>[0]);
    const oven = bare.find(({ kind }) => kind === "oven")!;
    expect(doubt(pot("oil"))).toBeLessThan(doubt(oven));
    expect(doubt(pot("sand"))).toBeGreaterThan(doubt(oven));
    const kit = [...bare, pot("oil"), pot("sand")];
    const sd = (draws: Draws): number => {
      const route = planned(kit, draws);
      return predict(CATALOGUE, KNIFE, route, "quick", undefined, undefined, { shop: shopOf(KNIFE, route, kit)! }).working.tempered.sd_HRC;
    };
    expect(sd("oil")).toBeLessThan(sd("oven"));
    expect(sd("sand")).toBeGreaterThan(sd("oven"));
  });
  it("a piece from the oil teaches nothing of the shop's oven", () => {
    const test = { strokes: [], readings_HRC: [58, 58.5, 58], surface: "ground" as const };
    const known = { tests: [{ tempers: 2, test }] };
    const lesson = (draws: Draws) => lessonOf(CATALOGUE, KNIFE, planned([...bare, pot("oil")], draws), known)!;
    expect(lesson("oven").perOven_HRC_K).toBeLessThan(0);
    expect(lesson("oil").perOven_HRC_K).toBe(0);
    expect(lesson("oil").sd_HRC).toBeGreaterThan(lesson("oven").sd_HRC);
  });
});
