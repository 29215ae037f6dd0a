import { describe, expect, it } from "@jest/globals";
import type { HeatNow } from "@tembrak/core";
import { DEFAULT_SETTINGS } from "../store/db.js";
import { heldWords } from "./heatWords.js";

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
