import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute, type HeatNow, type Kit } from "@tembrak/core";
import { DEFAULT_SETTINGS } from "../store/db.js";
import { HAY_KNIFE } from "../testing.js";
import { fireNote, heldWords } from "./heatWords.js";

describe("a piece in its hold", () => {
  const said = (call: HeatNow["call"], mayBeOver_K: number | null): string => {
    const estimate = { mean_C: 805, sd_C: 30, p05_C: 760, p95_C: 858, conflict: null, chanceInWindow: null, belief: new Float64Array() };
    const read = { estimate, newest_ms: 0, from: ["glow"], isOneSided: false } as const;
    return heldWords({ read, call, mayBeOver_K } as unknown as HeatNow, DEFAULT_SETTINGS, 3000).words;
  };
  it("that may be far over is to be looked at again, with how far; that is over is told so", () => {
    expect(said({ call: "at-heat", over_K: 3 }, 73)).toMatch(/^It may be 73° over: look again\. 805°, between 760° and 858°/);
    expect(said({ call: "at-heat", over_K: 3 }, null)).toMatch(/^805°, between/);
    expect(said({ call: "past", over_K: 38 }, 90)).toMatch(/^38° over: less fire/);
  });
});

describe("how this shop's fire is set", () => {
  it("is told of the kiln the piece goes into, not of the first one", () => {
    const kiln = (name: string, length_mm: number): Kit[number] => ({
      id: name,
      kind: "kiln",
      name,
      length_mm,
      width_mm: 150,
      height_mm: 150,
      limit_C: 1200,
      offset_C: 12,
      swing_C: 2,
      settle_min: 40,
      recovery_min: 2,
    });
    const route = planRoute(CATALOGUE, HAY_KNIFE, "kiln");
    expect(fireNote([kiln("Small kiln", 150), kiln("Long kiln", 600)], { piece: HAY_KNIFE, route }, 815, DEFAULT_SETTINGS)).toMatch(
      /^Set Long kiln to 803°/,
    );
  });
});
