import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { HEATINGS, JUDGES, judgedIn, SCHOOL_HEATING, schoolOf } from "../../src/plan/heating.js";
import { missingFor } from "../../src/plan/kit.js";
import { orderProblem } from "../../src/plan/order.js";
import { planRoute, structureBeforeHardening } from "../../src/plan/route.js";
import { HEATED_IN, SCHOOLS, type Heating } from "../../src/schema/book.js";
import { requireAny } from "../../src/schema/checkAll.js";
import type { Kit } from "../../src/schema/kit.js";
import { magnetLost_C } from "../../src/kinetics/austenite.js";
import { resolveSteel } from "../../src/plan/catalogue.js";
import { predict } from "../../src/simulate/predict.js";
import { BILLHOOK } from "../pieces.js";

const STEEL = "1084";
const PIECE = { ...BILLHOOK, steel: STEEL };
const planned = (heating: Heating) => planRoute(CATALOGUE, PIECE, heating);
const hardenOf = (heating: Heating) => planned(heating).steps.find((step) => step.kind === "harden")!;
const inside = { length_mm: 600, width_mm: 200, height_mm: 200 };
const ITEMS = {
  gas: {
    id: "g",
    kind: "forge",
    name: "Gas forge",
    fuel: "gas",
    isOpenEnded: true,
    burners: 2,
    chamber_C: 1000,
    atmosphere: "rich",
    ambient_lux: 20,
    ...inside,
  },
  coal: {
    id: "c",
    kind: "forge",
    name: "Hearth",
    fuel: "coal",
    isOpenEnded: true,
    burners: 0,
    chamber_C: 1100,
    atmosphere: "rich",
    ambient_lux: 20,
    ...inside,
  },
  torch: { id: "t", kind: "torch", name: "Torch" },
  kiln: { id: "k", kind: "kiln", name: "Kiln", limit_C: 1200, offset_C: 0, swing_C: 3, settle_min: 30, recovery_min: 3, ...inside },
  salt: { id: "s", kind: "oven", name: "Pot", holds: "salt", limit_C: 900, offset_C: 0, swing_C: 3, settle_min: 60, ...inside },
  magnet: { id: "m", kind: "magnet", name: "Magnet" },
} as unknown as Record<string, Kit[number]>;

describe("heated in, and judged by", () => {
  it("every pair there is gives a plan that follows, is stored, and is worked out", () => {
    for (const heating of HEATINGS) {
      const route = planned(heating);
      expect(orderProblem(route.steps)).toBeNull();
      expect(() => requireAny("Event", { id: "r", piece: "p", at_ms: 1, kind: "route", route })).not.toThrow();
      expect(predict(CATALOGUE, PIECE, route, "quick").working.tempered.mean_HRC).toBeGreaterThan(25);
    }
  });
  it("a school is the name of one pair, and plans what that pair plans", () => {
    for (const school of SCHOOLS) {
      expect(schoolOf(SCHOOL_HEATING[school])).toBe(school);
      expect(planRoute(CATALOGUE, PIECE, school)).toEqual(planned(SCHOOL_HEATING[school]));
    }
    expect(schoolOf({ in: "kiln", by: "shade" })).toBeNull();
  });
  it("a kiln watched by a magnet is as hot as a forge so judged, and soaks; a fall out of a kiln falls", () => {
    const [forge, kiln] = [hardenOf({ in: "forge", by: "shade" }), hardenOf({ in: "kiln", by: "shade" })];
    expect(kiln.temperature_C).toBe(forge.temperature_C);
    expect(kiln.hold_min).toBeGreaterThan(forge.hold_min + 3);
    const route = planned({ in: "kiln", by: "pull" });
    expect(actsOfRoute(route).some(({ kind }) => kind === "fall")).toBe(true);
    const before = structureBeforeHardening(PIECE, route.steps);
    expect(hardenOf({ in: "kiln", by: "touch" }).temperature_C).toBeCloseTo(
      magnetLost_C(resolveSteel(CATALOGUE, STEEL).composition_wtpct, before) + 5,
      -1,
    );
  });
  it("by colour alone it is aimed at the middle of what the steel bears, which no fire holds for long", () => {
    const heat = hardenOf({ in: "torch", by: "colour" });
    const [low_C, high_C] = CATALOGUE.steel(STEEL)!.austenitise_C.range as [number, number];
    expect(Math.abs(heat.temperature_C - 0.5 * (low_C + high_C))).toBeLessThanOrEqual(2.5);
    expect(heat).toMatchObject({ why: "by-colour" });
    expect(heat.hold_min).toBeLessThanOrEqual(4);
    expect(hardenOf({ in: "forge", by: "probe" }).hold_min).toBeLessThanOrEqual(4);
    expect(hardenOf({ in: "salt", by: "probe" }).hold_min).toBe(hardenOf({ in: "kiln", by: "controller" }).hold_min);
  });
  it("a shop lacks the place first, then what it is judged by", () => {
    const lack = (heating: Heating, ...items: string[]) =>
      missingFor(
        heating,
        items.map((name) => ITEMS[name]!),
      );
    expect(HEATED_IN.map((place) => lack({ in: place, by: JUDGES[place][0]! }))).toEqual(["fire", "kiln", "torch", "coal", "salt"]);
    expect(lack({ in: "coal", by: "shade" }, "gas", "magnet")).toBe("coal");
    expect(lack({ in: "coal", by: "shade" }, "coal", "magnet")).toBeNull();
    expect(lack({ in: "torch", by: "colour" }, "torch")).toBeNull();
    expect(lack({ in: "kiln", by: "touch" }, "kiln")).toBe("eye");
    expect(lack({ in: "forge", by: "probe" }, "gas", "magnet")).toBe("probe");
    expect(lack({ in: "salt", by: "probe" }, "salt")).toBeNull();
    expect(missingFor({ in: "salt", by: "probe" }, [{ ...ITEMS["salt"]!, limit_C: 400 } as Kit[number]])).toBe("salt");
  });
  it("elsewhere what was as usual is as usual there, and what was chosen stays where it can be judged", () => {
    expect(judgedIn("kiln", SCHOOL_HEATING.forge)).toEqual(SCHOOL_HEATING.kiln);
    expect(judgedIn("coal", SCHOOL_HEATING.magnet)).toEqual({ in: "coal", by: "touch" });
    expect(judgedIn("salt", SCHOOL_HEATING.falling)).toEqual({ in: "salt", by: "probe" });
  });
});
