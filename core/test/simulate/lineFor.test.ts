import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { runVerb } from "../../src/verbs/index.js";
import { makeDesk } from "../../src/simulate/desk.js";
import { bestBath, compareBaths } from "../../src/simulate/chooseBath.js";
import { harden, type HardenPlan } from "../../src/simulate/harden.js";
import { depthForLine } from "../../src/simulate/lineFor.js";
import { BLADE } from "./blade.js";
import { steel } from "../catalogue.js";

const desk = makeDesk();

describe("the inverse of an edge quench", () => {
  // The figure asked of it: what is found, done, gives the line within half a millimetre.
  it.each([8, 12, 18])("%d mm: done as it says, the line is there", (wanted_mm) => {
    const { depth_mm, hold_s, isReachable } = depthForLine(BLADE, wanted_mm, desk);
    expect(isReachable).toBe(true);
    const { quenchLine } = harden({ ...BLADE, immersion: { kind: "edge", depth_mm } }, { members: 0, desk });
    expect(Math.abs(quenchLine!.height_mm - wanted_mm)).toBeLessThanOrEqual(0.5);
    // Common practice, no source: the back of a knife is dark within ten seconds to a minute of the edge going in.
    expect(hold_s).toBeGreaterThan(5);
    expect(hold_s).toBeLessThan(60);
  });
  it("a higher line wants a deeper bath", () => {
    const depths = [8, 12, 18].map((mm) => depthForLine(BLADE, mm, desk).depth_mm);
    expect(depths[1]!).toBeGreaterThan(depths[0]!);
    expect(depths[2]!).toBeGreaterThan(depths[1]!);
  });
  it("a line above the blade is refused, and so is a bar", () => {
    expect(() => depthForLine(BLADE, 32)).toThrow(/above a blade that is 32 mm high/);
    expect(() => depthForLine({ ...BLADE, section: { shape: "round", diameter_mm: 10 } }, 5)).toThrow(/only a blade/);
  });
  it("what hardens nowhere has no line, and says the nearest", () => {
    const cold = depthForLine({ ...BLADE, heat_C: 690 }, 12);
    expect(cold).toMatchObject({ isReachable: false, line_mm: null });
  });
  it("a bath that cannot be so hot is refused by name, and no figure is ever none (issue 41: the nearest is NaN mm)", () => {
    const input = {
      steel: "1084",
      section: { shape: "wedge", spine_mm: 3, edge_mm: 0.5, height_mm: 20 },
      priorStructure: "pearlite",
      austenitise: { temperature_C: 815, hold_min: 2 },
      wanted: { height_mm: 8 },
    };
    for (const [medium, bath_C] of [
      ["vegetable-oil", 600],
      ["water", 150],
      ["brine", 250],
    ] as const)
      expect(() => runVerb("line", { ...input, quench: { medium, bath_C } })).toThrow(/bath_C: out-of-range/);
    for (const [medium, bath_C] of [
      ["vegetable-oil", 250],
      ["water", 100],
      ["still-air", 20],
    ] as const) {
      const said = runVerb("line", { ...input, quench: { medium, bath_C } }) as Record<string, unknown>;
      for (const value of Object.values(said)) expect(typeof value === "number" && !Number.isFinite(value)).toBe(false);
      expect(JSON.stringify(said)).not.toContain("NaN");
    }
  });
  it("on the command line: depth, hold, line, and a notice where it is not to be had", () => {
    const input = {
      steel: "1084",
      priorStructure: "pearlite",
      section: BLADE.section,
      austenitise: { temperature_C: 690, hold_min: 3 },
      quench: { medium: "fast-oil", bath_C: 55 },
      wanted: { height_mm: 12 },
    };
    expect(runVerb("line", input)).toMatchObject({ reachable: false, notices: [{ code: "line-not-reachable" }] });
  });
});

describe("baths side by side", () => {
  const tried = (...ids: string[]) =>
    ids.map((id) => {
      const medium = CATALOGUE.medium(id)!;
      return { medium, bath_C: medium.usualBath_C, agitation: "mild" as const };
    });
  // Trade facts, common practice, no source: a thin knife of 1084 wants no water, a thick hammer of W1 does not harden in cooking oil.
  it("a thin knife of plain steel stays in oil: water hardens it no better and cracks it", () => {
    const compared = compareBaths(BLADE, tried("vegetable-oil", "fast-oil", "water"), 8);
    expect(compared[bestBath(compared)]!.medium.kind).toBe("oil");
    expect(compared[2]!.worth).toBeLessThan(compared[0]!.worth);
  });
  it("a hammer's face as thick as a thumb goes into water", () => {
    const plan: HardenPlan = { ...BLADE, steel: steel("w1"), section: { shape: "round", diameter_mm: 30 }, heat_C: 790 };
    const compared = compareBaths(plan, tried("vegetable-oil", "water"), 8);
    expect(compared[bestBath(compared)]!.medium.id).toBe("water");
  });
  it("on the command line, with the best named", () => {
    const answer = runVerb("choose-bath", {
      steel: "1084",
      priorStructure: "pearlite",
      section: { shape: "plate", thickness_mm: 3 },
      austenitise: { temperature_C: 800, hold_min: 3 },
      baths: [{ medium: "fast-oil" }, { medium: "water", bath_C: 20 }],
    }) as { best: string; baths: { medium: string; chanceHard: { working: number } }[] };
    expect(answer.best).toBe("fast-oil");
    expect(answer.baths.map(({ medium }) => medium)).toEqual(["fast-oil", "water"]);
  });
});

describe("a bath by its log, on the command line", () => {
  const base = { medium: "fast-oil", volume_L: 20, bath_C: 50, pieces: [{ mass_kg: 0.5, temperature_C: 800 }] };
  it("says how it stands now; the pieces to come go in from there", () => {
    const log = [
      { at_s: 0, entry: "quench", mass_kg: 0.5, piece_C: 800 },
      { at_s: 600, entry: "read", top_C: 56, isStirred: true },
    ];
    const { state, pieces } = runVerb("bath", { ...base, log, now_s: 900 }) as {
      state: { bath_C: number; quenches: number };
      pieces: { bath_C: number; rise_C: number }[];
    };
    expect(state.quenches).toBe(1);
    expect(state.bath_C).toBeGreaterThan(53);
    expect(state.bath_C).toBeLessThan(57);
    expect(pieces[0]!.bath_C).toBeCloseTo(state.bath_C + pieces[0]!.rise_C, 9);
  });
  it("a log that runs backwards is refused with its place", () => {
    const log = [
      { at_s: 600, entry: "burnt" },
      { at_s: 10, entry: "burnt" },
    ];
    expect(() => runVerb("bath", { ...base, log, now_s: 900 })).toThrow(/\/log\/1\/at_s/);
  });
});
