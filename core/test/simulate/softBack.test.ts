/** The back of a tempered blade drawn further, its edge in water: one piece, an oven and a colour. */

import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { planRoute } from "../../src/plan/route.js";
import { softBack } from "../../src/plan/runStep.js";
import { isBackDrawn, isBackToDraw, wayOf } from "../../src/plan/way.js";
import type { Piece, Route } from "../../src/schema/book.js";
import { predict } from "../../src/simulate/predict.js";
import { BILLHOOK } from "../pieces.js";
import { pictureSection } from "../../src/simulate/sectionPicture.js";

const KNIFE: Piece = { ...BILLHOOK, use: "knife", section: { shape: "wedge", spine_mm: 3.2, edge_mm: 0.8, height_mm: 30 } };
const plain = planRoute(CATALOGUE, KNIFE, "forge");
const drawn: Route = { ...plain, steps: [...plain.steps, softBack(KNIFE)!] };
const [before, after] = [predict(CATALOGUE, KNIFE, plain), predict(CATALOGUE, KNIFE, drawn)];

describe("a back that is drawn after its tempers", () => {
  it("is softer, with the doubt of a colour; the edge is as the oven left it", () => {
    expect(after.working.tempered.mean_HRC).toBeCloseTo(before.working.tempered.mean_HRC, 1);
    // Blue at the spine of a straw knife: a spring's hardness, common practice, no source. By the one clock of film and temper two or three
    // points harder, as a colour that comes in minutes is.
    expect(after.thickest.tempered.mean_HRC).toBeLessThan(57);
    expect(after.thickest.tempered.mean_HRC).toBeGreaterThan(42);
    expect(after.thickest.tempered.sd_HRC).toBeGreaterThan(before.thickest.tempered.sd_HRC);
  });
  it("stands so in the picture of its section, softer from the edge to the back", () => {
    const picture = pictureSection(CATALOGUE, { piece: KNIFE, route: drawn, station: null, effort: "quick" });
    const at = (edge: "first" | "last"): number => picture.profile.at(edge === "first" ? 0 : -1)!.tempered_HRC;
    expect(at("first")).toBeGreaterThan(at("last") + 2.5);
    expect(Math.abs(at("last") - after.thickest.tempered.mean_HRC)).toBeLessThan(3);
  });
  it("a temper that follows draws both, and the run keeps its own heat", () => {
    const hotter = { kind: "temper", temperature_C: 260, hold_min: 120, why: "one-more-temper" } as const;
    const last = predict(CATALOGUE, KNIFE, { ...drawn, steps: [...drawn.steps, hotter] });
    expect(last.working.tempered.mean_HRC).toBeLessThan(after.working.tempered.mean_HRC + 0.1);
    expect(last.thickest.tempered.mean_HRC).toBeLessThan(after.thickest.tempered.mean_HRC + 0.1);
    expect(last.thickest.tempered.mean_HRC).toBeGreaterThan(after.thickest.tempered.mean_HRC - 3);
  });
  it("its way is still the oven; it can be drawn once, after tempers, where there is an edge and a back", () => {
    expect(wayOf(drawn)).toEqual(wayOf(plain));
    expect([isBackToDraw(plain), isBackToDraw(drawn), isBackDrawn(plain), isBackDrawn(drawn)]).toEqual([true, false, false, true]);
    const run = planRoute(CATALOGUE, KNIFE, "forge", { way: { hardens: "whole", draws: "torch" } });
    expect([isBackToDraw(run), isBackDrawn(run), wayOf(run).draws]).toEqual([false, false, "torch"]);
    // A back that never hardened needs none.
    const edge = planRoute(CATALOGUE, KNIFE, "forge", { way: { hardens: "edge" } });
    const clay = plain.steps.map((step) => (step.kind === "quench" ? { ...step, clay: { thickness_mm: 3, from_mm: 12 } } : step));
    expect([isBackToDraw(edge), isBackToDraw({ steps: clay })]).toEqual([false, false]);
    expect(softBack({ section: { shape: "round", diameter_mm: 20 } })).toBeNull();
    expect(softBack({ section: { shape: "wedge", spine_mm: 3, edge_mm: 1, height_mm: 15 } })).toBeNull();
  });
  it("a short one that only holds out until a run is no temper of its own", () => {
    const run = planRoute(CATALOGUE, KNIFE, "forge", { way: { hardens: "whole", draws: "torch" } });
    const at = run.steps.findIndex(({ kind }) => kind === "run");
    const snap = { kind: "temper", temperature_C: 150, hold_min: 30, why: "snap-temper" } as const;
    const held = { ...run, steps: [...run.steps.slice(0, at), snap, ...run.steps.slice(at)] };
    expect(wayOf(held).draws).toBe("torch");
    expect(isBackDrawn(held)).toBe(false);
  });
});
