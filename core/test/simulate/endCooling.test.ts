import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { planRoute } from "../../src/plan/route.js";
import type { Piece, Route } from "../../src/schema/book.js";
import { coolEnd } from "../../src/simulate/endCooling.js";
import { airCooling_s } from "../../src/simulate/hardenReadings.js";
import { predict } from "../../src/simulate/predict.js";
import { outside } from "../outside.js";
import { marked } from "../quenches.js";

const BATH = { medium: CATALOGUE.medium("water")!, bath_C: 25, agitation: "mild", immersion: { kind: "full" } } as const;
const ROUND = { area_mm2: (Math.PI / 4) * 18 * 18, outline_mm: Math.PI * 18 };
const HAMMER: Piece = {
  name: "Hammer",
  mark: "1",
  kind: "hammer",
  form: "hammer",
  steel: "1045",
  start: "as-forged",
  use: "hammer-face",
  length_mm: 120,
  section: { shape: "square", side_mm: 32 },
};
const plan = planRoute(CATALOGUE, HAMMER, "forge", { way: { hardens: "face" } });
const outAt = (bath_s: number | undefined): Route => ({
  ...plan,
  steps: plan.steps.map((step) => (step.kind === "quench" && bath_s !== undefined ? marked(step, { bath_s }) : step)),
});
const of = (bath_s: number | undefined) => predict(CATALOGUE, HAMMER, outAt(bath_s), "quick").hardening;

describe("a bar of which one end goes in", () => {
  it("where hardly any of it was under, the rest cools as a bar of that section does in still air", () => {
    const { handWarm_s } = coolEnd({ length_mm: 160, depth_mm: 1, ...ROUND }, 800, BATH, 0);
    // Lumped cooling with the same transfer; mean heat capacity for the capacity at each heat.
    const byHand_s = airCooling_s({ shape: "round", diameter_mm: 18 }, 800);
    expect(Math.abs(handWarm_s - byHand_s) / byHand_s).toBeLessThan(0.15);
  });
  it("a bar that is as hot all along is lumped in closed form: ln of the ratio of what is above the room", () => {
    // By hand: from 400 to 300 C above a room of 25, h taken at the middle, rho c 4.37 MJ/(m3 K), area over outline 4.5 mm.
    const at = (to: number): number => coolEnd({ length_mm: 54, depth_mm: 1, ...ROUND }, to, BATH, 0).handWarm_s;
    const h = 8 + (0.8 * 5.670374e-8 * (623.15 ** 4 - 298.15 ** 4)) / 325;
    const byHand_s = ((4.37e6 * 0.0045) / h) * Math.log((400 - 25) / (300 - 25));
    outside({
      topic: "Cooling in air",
      what: "18 mm round from 400 to 300 C",
      source: "lumped capacity, worked by hand",
      unit: "s",
      wanted: byHand_s,
      got: at(400) - at(300),
      tolerance: 0.12 * byHand_s,
      because: "the transfer taken at the middle",
    });
  });
  it("taken out hot it cannot be held for half an hour; all of it under once the body is black, it can in minutes", () => {
    expect(of(10).handWarm_s).toBeGreaterThan(1800);
    expect(of(undefined).handWarm_s).toBeLessThan(400);
    expect(of(undefined).bodyBlack_s).toBeGreaterThan(60);
    expect(of(undefined).bodyBlack_s).toBeLessThan(of(undefined).handWarm_s);
  });
  it("the sooner it is out, the hotter its body draws the face; as planned not at all, and only then nothing is said", () => {
    const drawn = [4, 10, 30, 60].map(
      (bath_s) => coolEnd({ length_mm: 120, depth_mm: 40, area_mm2: 1024, outline_mm: 128 }, 815, BATH, bath_s).drawn_C,
    );
    for (let i = 1; i < drawn.length; i++) expect(drawn[i]!).toBeLessThan(drawn[i - 1]!);
    expect(of(30).notices).toContainEqual(expect.objectContaining({ code: "body-draws" }));
    expect(of(undefined).notices.map(({ code }) => code)).not.toContain("body-draws");
  });
});

describe("an end that was drawn by its own body", () => {
  const at = (bath_s: number | undefined) => predict(CATALOGUE, HAMMER, outAt(bath_s), "quick").working;
  it("is as soft when it is cold as an hour at about that heat leaves it, and a cooler temper takes nothing more", () => {
    const [planned, early] = [at(undefined), at(60)];
    // 1045 as quenched, an hour at 284 C: a handbook has 48 to 50 HRC at 260 to 315 C (1040, two hours, from memory).
    expect(early.asQuenched.mean_HRC).toBeGreaterThan(46);
    expect(early.asQuenched.mean_HRC).toBeLessThan(planned.asQuenched.mean_HRC - 4);
    // Its colour run is an hour at 230 C: less than what it has had.
    expect(early.asQuenched.mean_HRC - early.tempered.mean_HRC).toBeLessThan(1.5);
    expect(planned.asQuenched.mean_HRC - planned.tempered.mean_HRC).toBeGreaterThan(4);
  });
  it("is not drawn twice where its own heat is the way: there the colour says how far it ran", () => {
    const own = planRoute(CATALOGUE, HAMMER, "forge", { way: { hardens: "face", draws: "residual" } });
    const after = (bath_s: number): number => {
      const steps = own.steps.map((step) => (step.kind === "quench" ? marked(step, { bath_s }) : step));
      return predict(CATALOGUE, HAMMER, { ...own, steps }, "quick").working.tempered.mean_HRC;
    };
    expect(Math.abs(after(30) - predict(CATALOGUE, HAMMER, own, "quick").working.tempered.mean_HRC)).toBeLessThan(1);
  });
  it("the later it is out, the less of it", () => {
    const hrc = [10, 30, 60, 137].map((bath_s) => at(bath_s).asQuenched.mean_HRC);
    for (let i = 1; i < hrc.length; i++) expect(hrc[i]!).toBeGreaterThan(hrc[i - 1]!);
  });
});
