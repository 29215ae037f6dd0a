import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute, predict, thickness_mm, type Piece, type Route } from "@tembrak/core";
import { otherwise } from "../features/card/parts/BathsBeside.js";
import { triedRoute } from "../features/card/useTrial.js";
import { FROE } from "../testing.js";
import { againstPlan, placesBeside, riskBeside } from "./besideWords.js";

const route = planRoute(CATALOGUE, FROE, "forge");
const inBath = (medium: string, piece: Piece = FROE, from: Route = route) =>
  predict(CATALOGUE, piece, triedRoute(from, { medium }), "quick");

describe("baths side by side", () => {
  const [slow, fast, water] = [inBath("slow-oil"), inBath("fast-oil"), inBath("water")];
  it("hardness by place has its range, and water is told to be harder on it than oil", () => {
    expect(placesBeside(fast)).toMatch(/^Edge \d\d HRC \(\d\d to \d\d\), spine \d\d HRC \(\d\d to \d\d\)\.$/);
    expect(riskBeside(fast)).toMatch(/that it hardens; little risk of a crack, (bends little|may bend)\.$/);
    expect(riskBeside(water)).toMatch(/bends much\.$/);
    expect(againstPlan(water, fast)).toMatch(/, and is harder on it\.$/);
    expect(againstPlan(fast, water)).toMatch(/, and is gentler\.$/);
    expect(againstPlan(fast, fast)).toBe("Hardens it as surely as the planned one, and harms it no more and no less.");
  });
  it("a bath that is too slow for it hardens it less surely", () => {
    const thick: Piece = { ...FROE, steel: "1084", section: { shape: "plate", thickness_mm: 6 } };
    const planned = planRoute(CATALOGUE, thick, "forge");
    const [slower, surer] = [inBath("slow-oil", thick, planned), inBath("water", thick, planned)];
    expect(againstPlan(slower, surer)).toMatch(/^Hardens it less surely than the planned one/);
    expect(againstPlan(surer, slower)).toMatch(/^Hardens it more surely than the planned one/);
    expect(slow.hardening.noseMargin_s).toBeLessThan(fast.hardening.noseMargin_s);
  });
  it("another start has no normalising, another soak is longer, another thickness is that, and what is planned is as it is", () => {
    const thick_mm = thickness_mm(FROE.section);
    const as = (more: object) => otherwise(FROE, route, { start: "plan", soak: "plan", thickness: "plan", ...more }, thick_mm);
    expect(as({})).toMatchObject({ piece: FROE, route });
    const annealed = as({ start: "annealed" });
    expect(annealed.piece.start).toBe("coarse-spheroidised");
    expect(annealed.route.steps.some(({ kind }) => kind === "normalise")).toBe(false);
    const hold = ({ steps }: Route): number => steps.reduce((sum, step) => sum + (step.kind === "harden" ? step.hold_min : 0), 0);
    expect(hold(as({ soak: "longer" }).route)).toBe(hold(route) + 5);
    expect(thickness_mm(as({ thickness: "thicker" }).piece.section)).toBeCloseTo(1.5 * thick_mm, 9);
  });
});
