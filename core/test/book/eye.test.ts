import { describe, expect, it } from "@jest/globals";
import type { LoggedCheck } from "../../src/book/state.js";
import { eyeErrors_K, learnEye, LEAST_PAIRS, shrunk } from "../../src/book/eye.js";
import { glowInLight } from "../../src/simulate/heatBelief.js";
import { outside } from "../outside.js";

const NOW_ms = Date.UTC(2026, 10, 25);
let made = 0;
const check = (reading: LoggedCheck["reading"], after_s: number, act = "0-heat"): LoggedCheck => ({
  id: `c${made++}`,
  at_ms: NOW_ms + 1000 * after_s,
  act,
  reading,
});
const cherry = { check: "glow", name: "full cherry", ambient_lux: 20 } as const;
const middle_C = glowInLight("full cherry", 20)!.mean_C;

describe("the smith's own eye", () => {
  for (const [pairs, wanted_C, se_C] of [
    [3, 30.3, 18],
    [6, 33.7, 13.5],
    [12, 35.7, 9.8],
  ] as const) {
    it(`a bias of -38 C, scatter 35, ${pairs} guesses: corrected by ${wanted_C} C, sure to ${se_C}`, () => {
      const { bias_C, sd_C } = shrunk(-38, 35, pairs);
      const shared = {
        topic: "Own eye",
        source: "worked example of the colour note, section 3.3",
        unit: "C",
        tolerance: 0.1,
        because: "rounded",
      };
      outside({ ...shared, what: `${pairs} guesses, correction`, wanted: wanted_C, got: -bias_C });
      outside({ ...shared, what: `${pairs} guesses, standard error`, wanted: se_C, got: sd_C });
    });
  }
  it("below a dozen pairs nothing is corrected, from a dozen on it is, and surer", () => {
    const errors = Array.from({ length: LEAST_PAIRS }, (_, i) => -38 + (i % 2 === 0 ? 25 : -25));
    expect(learnEye(errors.slice(1))).toMatchObject({ bias_C: 0, sd_C: 30 });
    const { bias_C, sd_C, pairs } = learnEye(errors);
    expect(pairs).toBe(12);
    expect(bias_C).toBeLessThan(-30);
    expect(bias_C).toBeGreaterThan(-38);
    expect(sd_C).toBeLessThan(12);
  });
  it("only colours with a probe's reading beside them count, in the same act, within twenty seconds", () => {
    const probe = { check: "probe", temperature_C: middle_C + 40 } as const;
    expect(eyeErrors_K([check(cherry, 0), check(probe, 15)])).toEqual([-40]);
    expect(eyeErrors_K([check(cherry, 0), check(probe, 40)])).toEqual([]);
    expect(eyeErrors_K([check(cherry, 0), check(probe, 5, "1-heat")])).toEqual([]);
    expect(eyeErrors_K([check({ check: "magnet", state: "free" }, 0), check(probe, 5)])).toEqual([]);
  });
});
