import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, formOf } from "../../src/catalogue.js";
import { planRoute } from "../../src/plan/route.js";
import { checkAny as check } from "../../src/schema/checkAll.js";
import type { Piece, Wish, Zone } from "../../src/schema/book.js";
import { sectionAt, thinnestEdge_mm } from "../../src/shape/stations.js";
import { predict } from "../../src/simulate/predict.js";
import { warmUp } from "../../src/simulate/warmUp.js";
import { hardensForZones, zoneReports } from "../../src/simulate/zoneReport.js";
import { BILLHOOK } from "../pieces.js";
import { marked } from "../quenches.js";

const wished: Piece = {
  ...BILLHOOK,
  zones: [
    { zone: "edge", wants: "hard" },
    { zone: "spine", wants: "soft" },
    { zone: "tang", wants: "untreated" },
  ],
};

describe("zones of a piece", () => {
  it("a station lower than the edge's depth is quenched as deep as it is high", () => {
    const route = planRoute(CATALOGUE, BILLHOOK, "forge", { way: { hardens: "edge" } });
    const steps = route.steps.map((step) => (step.kind === "quench" ? marked(step, { edgeDepth_mm: 30 }) : step));
    const near = { ...BILLHOOK, section: { shape: "wedge", spine_mm: 4, edge_mm: 0.9, height_mm: 12 } } as const;
    const { working } = predict(CATALOGUE, near, { ...route, steps }, "quick");
    const whole = predict(CATALOGUE, near, planRoute(CATALOGUE, near, "forge", { way: { hardens: "whole" } }), "quick");
    expect(working.asQuenched.mean_HRC).toBeGreaterThan(55);
    expect(Math.abs(working.asQuenched.mean_HRC - whole.working.asQuenched.mean_HRC)).toBeLessThan(2);
  });
  it("a piece that is never tempered has had no more than the warmth of the room", () => {
    const route = planRoute(CATALOGUE, BILLHOOK, "forge");
    const hard = { ...route, steps: route.steps.filter(({ kind }) => kind !== "temper") };
    const { equivalent_C, working } = predict(CATALOGUE, BILLHOOK, hard, "quick");
    expect(equivalent_C).toBe(20);
    expect(working.tempered.mean_HRC).toBeCloseTo(working.asQuenched.mean_HRC, 9);
  });
  it("a hard edge and a soft back ask for an edge quench; there the back is far likelier to be soft than quenched whole", () => {
    expect(check("Piece", wished).ok).toBe(true);
    expect(hardensForZones(wished)).toBe("edge");
    const chanceOfSpine = (hardens: "edge" | "whole"): number => {
      const prediction = predict(CATALOGUE, wished, planRoute(CATALOGUE, wished, "forge", { way: { hardens } }), "quick");
      return zoneReports(wished, prediction).find(({ zone }) => zone === "spine")!.chance!;
    };
    expect(chanceOfSpine("edge")).toBeGreaterThan(chanceOfSpine("whole") + 0.3);
    expect(chanceOfSpine("whole")).toBeLessThan(0.2);
  });
  it("a part that is left as it is has no target, and its number is told all the same", () => {
    const prediction = predict(CATALOGUE, wished, planRoute(CATALOGUE, wished, "forge"), "quick");
    const tang = zoneReports(wished, prediction).find(({ zone }) => zone === "tang")!;
    expect([tang.wanted_HRC, tang.chance]).toEqual([null, null]);
    expect(tang.expected.mean_HRC).toBeGreaterThan(30);
  });
  it("no wishes, no way and no report", () => {
    expect(hardensForZones(BILLHOOK)).toBeNull();
    expect(zoneReports(BILLHOOK, predict(CATALOGUE, BILLHOOK, planRoute(CATALOGUE, BILLHOOK, "forge"), "quick"))).toEqual([]);
  });
});

describe("a blade measured at more places", () => {
  const tapered: Piece = { ...BILLHOOK, stations: [{ at: 0.95, spine_mm: 2.5, edge_mm: 0.4 }] };
  it("is as thick as measured where it was, in a line between, and its thinnest edge is found", () => {
    const form = formOf(tapered);
    const tip = sectionAt(tapered, form, 0.95);
    expect(tip.shape === "wedge" && tip.spine_mm).toBeCloseTo(2.5, 9);
    const middle = sectionAt(tapered, form, 0.8);
    expect(middle.shape === "wedge" && middle.spine_mm > 2.5 && middle.spine_mm < 6.5).toBe(true);
    expect(thinnestEdge_mm(tapered)).toBe(0.4);
    expect(thinnestEdge_mm({ ...BILLHOOK, section: { shape: "round", diameter_mm: 8 } })).toBeNull();
  });
  it("a thinner tip is at heat sooner (capabilities row 14)", () => {
    const fire = { kind: "forge", fuel: "gas", chamber_C: 950, length_mm: 400 } as const;
    const tipAt = (piece: Piece): number =>
      warmUp(piece, formOf(piece), "whole", fire, 800).zones.find(({ zone }) => zone === "tip")!.arrives_s!;
    expect(tipAt(tapered)).toBeLessThan(tipAt(BILLHOOK));
  });
  it("a bar with one hard end and a soft body is quenched by that end, with two by both, and whole where its body is to be hard", () => {
    const hammer: Piece = { ...BILLHOOK, form: "hammer", kind: "hammer", section: { shape: "square", side_mm: 30 } };
    const asks = (...zones: readonly [Zone, Wish][]) =>
      hardensForZones({ ...hammer, zones: zones.map(([zone, wants]) => ({ zone, wants })) });
    expect(asks(["tip", "hard"], ["spine", "soft"])).toBe("face");
    expect(asks(["tip", "hard"], ["spine", "soft"], ["tang", "hard"])).toBe("ends");
    expect(asks(["tip", "hard"], ["spine", "hard"])).toBe("whole");
    expect(asks(["tip", "hard"], ["tang", "soft"])).toBeNull();
  });
});
