import { describe, expect, it } from "@jest/globals";
import { austenitise, heatingCurve } from "../../src/kinetics/austenite.js";
import { heatFor_C, moreCarbon, soakFor_s, wantedCarbon_wtpct } from "../../src/kinetics/soak.js";
import { limitOf } from "../../src/simulate/advice.js";
import { harden } from "../../src/simulate/harden.js";
import { plan, slab, steel } from "../catalogue.js";
import { outside } from "../outside.js";

const composition = (id: string) => steel(id).composition_wtpct;

describe("soak for a wanted carbon", () => {
  it("coarse annealed chrome-vanadium steel at 830 C wants a quarter of an hour and more, pearlite minutes (trade)", () => {
    const minutes = (prior: "coarse-spheroidised" | "pearlite"): number =>
      soakFor_s({ steel: composition("80crv2"), prior, heat_C: 830, wanted_wtpct: 0.6 })! / 60;
    outside({
      topic: "Soak",
      what: "80CrV2, coarse spheroidised, 830 C, 0.6 % dissolved",
      source: "common practice, no source: about 18 min at heat for annealed stock",
      unit: "min",
      wanted: 18,
      got: minutes("coarse-spheroidised"),
      tolerance: 8,
      because: "carbide of annealed stock differs by half in size",
    });
    expect(minutes("pearlite")).toBeLessThan(4);
  });
  it("held so long, that much is in solution; a minute less, not yet", () => {
    const soak_s = soakFor_s({ steel: composition("52100"), prior: "fine-spheroidised", heat_C: 820, wanted_wtpct: 0.6 })!;
    const at = (hold_s: number): number =>
      austenitise({ steel: composition("52100"), prior: "fine-spheroidised", ...heatingCurve({ heat_C: 820, hold_s }) }).solution_wtpct.C;
    expect(at(soak_s + 5)).toBeGreaterThanOrEqual(0.6);
    expect(at(Math.max(0, soak_s - 90))).toBeLessThan(0.6);
  });
  it("hotter for the same time does too, and the heat before it does not", () => {
    const question = { steel: composition("52100"), prior: "fine-spheroidised", heat_C: 780, wanted_wtpct: 0.6, hold_s: 600 } as const;
    const heat_C = heatFor_C(question)!;
    const at = (T: number): number =>
      austenitise({ steel: composition("52100"), prior: "fine-spheroidised", ...heatingCurve({ heat_C: T, hold_s: 600 }) }).solution_wtpct
        .C;
    expect(at(heat_C)).toBeGreaterThanOrEqual(0.6);
    expect(at(heat_C - 5)).toBeLessThan(0.6);
    expect(moreCarbon(question).hotter_K).toBe(heat_C - 780);
  });
  it("more than the bar has, or than this heat can hold, never comes", () => {
    expect(soakFor_s({ steel: composition("1045"), prior: "pearlite", heat_C: 850, wanted_wtpct: 0.6 })).toBeNull();
    expect(soakFor_s({ steel: composition("1095"), prior: "pearlite", heat_C: 735, wanted_wtpct: 0.9 })).toBeNull();
    expect(heatFor_C({ steel: composition("1045"), prior: "pearlite", heat_C: 850, wanted_wtpct: 0.6, hold_s: 600 })).toBeNull();
  });
});

describe("what handbooks ask of annealed bar", () => {
  for (const [id, wanted] of [
    ["52100", 25],
    ["5160", 15],
  ] as const) {
    it(`${id} at 845 C: about ${wanted} min`, () => {
      outside({
        topic: "Soak",
        what: `${id} as it is bought, 845 C`,
        source: "handbooks: a quarter to half an hour at heat, from memory",
        unit: "min",
        wanted,
        got:
          soakFor_s({
            steel: composition(id),
            prior: "coarse-spheroidised",
            heat_C: 845,
            wanted_wtpct: wantedCarbon_wtpct(composition(id)),
          })! / 60,
        tolerance: 12,
        because: "carbide of annealed stock differs by half in size",
      });
    });
  }
});

describe("advice", () => {
  const short = plan({ steel: "80crv2", prior: "coarse-spheroidised", section: slab(3), heat_C: 825, furnace_s: 660, medium: "fast-oil" });
  it("names the heat as the limit where carbon is short, and what it asks for is enough", () => {
    const result = harden(short, { members: 0 });
    const limit = limitOf(short, result, 61)!;
    expect(limit.longer_s).not.toBeNull();
    const longer = harden({ ...short, hold_s: short.hold_s + limit.longer_s! + 10 }, { members: 0 });
    expect(longer.austenite.solution_wtpct.C).toBeGreaterThanOrEqual(limit.wanted_wtpct - 0.001);
    expect(longer.surface.mean_HRC).toBeGreaterThan(result.surface.mean_HRC + 1);
  });
  it("does not name it for a tough tool, nor where the carbon is there", () => {
    expect(limitOf(short, harden(short, { members: 0 }), 52)).toBeNull();
    const enough = plan({ steel: "1084", prior: "pearlite", section: slab(4), heat_C: 815, furnace_s: 900, medium: "fast-oil" });
    expect(limitOf(enough, harden(enough, { members: 0 }), 61)).toBeNull();
  });
});
