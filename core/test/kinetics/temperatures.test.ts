import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { fullComposition } from "../../src/kinetics/composition.js";
import { ac1_C, ac3_C, isBeyondEutectoid } from "../../src/kinetics/criticalTemperatures.js";
import { martensiteFraction, martensiteRate_1_K, martensiteStart_C } from "../../src/kinetics/martensite.js";
import { outside } from "../outside.js";
import msRows from "../reference/martensiteStart.json" with { type: "json" };
import acRows from "../reference/criticalTemperatures.json" with { type: "json" };

// asmHandbook4
describe("martensite start", () => {
  it("holds at least 12 compositions", () => expect(msRows.rows.length).toBeGreaterThanOrEqual(12));
  for (const { name, composition_wtpct, ms_C } of msRows.rows) {
    it(`${name}: within 35 C of ${ms_C} C`, () => {
      outside({
        topic: "Martensite start",
        what: name,
        source: msRows.source,
        unit: "C",
        wanted: ms_C,
        got: martensiteStart_C(fullComposition(composition_wtpct)),
        tolerance: 35,
        because: "published formulas scatter by about 25 C and the diagrams are read by eye",
      });
    });
  }
  it("1080 and 5160: the model note's 219.4 and 264.1 C", () => {
    expect(martensiteStart_C(fullComposition({ C: 0.79, Mn: 0.76, Si: 0.2, Cr: 0.05 }))).toBeCloseTo(219.4, 1);
    expect(martensiteStart_C(fullComposition({ C: 0.6, Mn: 0.87, Si: 0.25, Cr: 0.8 }))).toBeCloseTo(264.1, 1);
    expect(martensiteRate_1_K(fullComposition({ C: 0.79, Mn: 0.76, Si: 0.2, Cr: 0.05 }))).toBeCloseTo(0.01302, 5);
  });
});

describe("critical temperatures on heating", () => {
  for (const { name, composition_wtpct, ac1_C: wanted1, ac3_C: wanted3 } of acRows.rows) {
    it(`${name}: Ac1 and Ac3 within 30 C`, () => {
      const steel = fullComposition(composition_wtpct);
      const shared = { topic: "Critical temperatures", source: acRows.source, unit: "C" };
      outside({
        ...shared,
        what: `${name}, Ac1`,
        wanted: wanted1,
        got: ac1_C(steel),
        tolerance: 30,
        because: "two and a half of the standard deviations such formulas are given (11.5 C)",
      });
      outside({
        ...shared,
        what: `${name}, Ac3`,
        wanted: wanted3,
        got: ac3_C(steel),
        tolerance: 30,
        because: "two of the standard deviations such formulas are given (16.7 C)",
      });
    });
  }
});

describe("critical temperatures, all steels together", () => {
  const steels = acRows.rows.map((row) => ({ ...row, steel: fullComposition(row.composition_wtpct) }));
  const rms = (misses: readonly number[]): number => Math.sqrt(misses.reduce((sum, miss) => sum + miss * miss, 0) / misses.length);
  const shared = { topic: "Critical temperatures", source: acRows.source, unit: "C", wanted: 0 };
  it("Ac1: 10 C rms, nearer than the same for every steel", () => {
    const got = rms(steels.map(({ steel, ac1_C: wanted }) => ac1_C(steel) - wanted));
    outside({ ...shared, what: "Ac1, rms", got, tolerance: 10, because: "the handbook itself is rounded to 5 C" });
    expect(got).toBeLessThan(rms(steels.map(({ ac1_C: wanted }) => 727 - wanted)));
  });
  it("Ac3: 10 C rms", () => {
    const got = rms(steels.map(({ steel, ac3_C: wanted }) => ac3_C(steel) - wanted));
    outside({ ...shared, what: "Ac3, rms", got, tolerance: 10, because: "the handbook itself is rounded to 5 C" });
  });
  it("5160 lies below the eutectoid, 1095 and 52100 beyond it (handbooks, from memory)", () => {
    const beyond = (C: number, Cr: number): boolean => isBeyondEutectoid(fullComposition({ C, Cr }));
    expect([beyond(0.6, 0.8), beyond(0.75, 0.08), beyond(0.95, 0.08), beyond(1, 1.45)]).toEqual([false, false, true, true]);
  });
});

describe("martensite fraction", () => {
  it("with 0.011 a kelvin: two thirds at 100 below Ms, nine tenths at 209 below (Koistinen and Marburger 1959)", () => {
    const f = (below_K: number): number => martensiteFraction({ temperature_C: 300 - below_K, martensiteStart_C: 300, rate_1_K: 0.011 });
    const shared = {
      topic: "Martensite fraction",
      source: "Koistinen and Marburger 1959, 1 - exp(-0.011 (Ms - T))",
      unit: "",
      tolerance: 0.001,
      because: "arithmetic",
    };
    outside({ ...shared, what: "100 K below Ms", wanted: 0.6671, got: f(100) });
    outside({ ...shared, what: "209 K below Ms", wanted: 0.8996, got: f(209) });
  });
  it("stays in 0 ... 1 and never falls as the steel cools", () => {
    fc.assert(
      fc.property(fc.double({ min: -200, max: 900, noNaN: true }), fc.double({ min: 0, max: 300, noNaN: true }), (T, drop) => {
        const at = (temperature_C: number): number => martensiteFraction({ temperature_C, martensiteStart_C: 250, rate_1_K: 0.012 });
        const [hot, cold] = [at(T), at(Math.max(-273, T - drop))];
        return hot >= 0 && cold <= 1 && cold >= hot;
      }),
    );
  });
  it("refuses what has no meaning, at the edge itself", () => {
    const ask = (rate_1_K: number) => () => martensiteFraction({ temperature_C: 20, martensiteStart_C: 250, rate_1_K });
    expect(ask(9.9e-5)).toThrow(/rate_1_K/);
    expect(ask(NaN)).toThrow(/out-of-range/);
    expect(ask(1e-4)).not.toThrow();
  });
});
