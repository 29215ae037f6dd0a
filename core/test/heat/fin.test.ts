/** The fin against the closed forms of its equation. @source carslaw1959 and incropera: fin with an insulated tip, half-infinite rod (from memory) */

import { describe, expect, it } from "@jest/globals";
import { FIN_CONDUCTIVITY_W_mK as k, FIN_VOLUME_HEAT_J_m3K as rc, finScratch, makeFin, stepFin } from "../../src/heat/fin.js";

const [d_m, L_mm, CELLS] = [0.016, 200, 200];
const round = makeFin(CELLS, L_mm, () => ({ area_m2: (Math.PI / 4) * d_m ** 2, outline_m: Math.PI * d_m }));
const HELD = { at_C: 700, conductance_W_m2K: 1e7 };

/** Distance of a cell's middle from the end that is held, m. */
const from_m = (i: number): number => (CELLS - i - 0.5) * (L_mm / 1000 / CELLS);

/** erfc to 1.5e-7 (Abramowitz and Stegun 7.1.26, 1964). */
function erfc(x: number): number {
  const t = 1 / (1 + 0.3275911 * x);
  return t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) * Math.exp(-x * x);
}

describe("heat along a bar", () => {
  it("comes to rest as cosh m(L - x) over cosh mL where its end is held", () => {
    const T = new Float64Array(CELLS).fill(25);
    const h = 25;
    for (let s = 0; s < 400; s++) stepFin(round, T, 60, () => ({ heatTransfer_W_m2K: h, surroundings_C: 25 }), finScratch(CELLS), HELD);
    const m = Math.sqrt((4 * h) / (k * d_m));
    for (const i of [0, 50, 100, 150, 190]) {
      const exact = 25 + (675 * Math.cosh(m * (L_mm / 1000 - from_m(i)))) / Math.cosh((m * L_mm) / 1000);
      expect(Math.abs(T[i]! - exact)).toBeLessThan(1);
    }
  });

  it("goes in by the error function while nothing is lost and the far end has felt nothing", () => {
    const T = new Float64Array(CELLS).fill(25);
    for (let s = 0; s < 340; s++) stepFin(round, T, 0.1, () => ({ heatTransfer_W_m2K: 0, surroundings_C: 25 }), finScratch(CELLS), HELD);
    for (const mm of [15, 25, 40]) {
      const i = CELLS - Math.round((mm * CELLS) / L_mm);
      const exact = 25 + 675 * erfc(from_m(i) / (2 * Math.sqrt((k / rc) * 34)));
      expect(Math.abs(T[i]! - exact)).toBeLessThan(2);
    }
  });

  it("keeps its heat where nothing is lost, thin end and thick", () => {
    const wedge = makeFin(60, 40, (mm) => ({ area_m2: 0.001 * (0.4 + 0.13 * mm), outline_m: 2 }));
    const T = Float64Array.from({ length: 60 }, (_, i) => (i > 40 ? 600 : 30));
    const heat = (): number => T.reduce((sum, t, i) => sum + t * wedge.area_m2[i]!, 0);
    const before = heat();
    for (let s = 0; s < 100; s++) stepFin(wedge, T, 1, () => ({ heatTransfer_W_m2K: 0, surroundings_C: 25 }), finScratch(60));
    expect(heat()).toBeCloseTo(before, 6);
    expect(Math.max(...T) - Math.min(...T)).toBeLessThan(60);
  });

  it("takes up what is put in: a watt second for each of its heat", () => {
    const T = new Float64Array(CELLS).fill(25);
    const put = { heatTransfer_W_m2K: 0, surroundings_C: 25, source_W_m: 5000 };
    for (let s = 0; s < 10; s++) stepFin(round, T, 1, () => put, finScratch(CELLS));
    expect(T[100]).toBeCloseTo(25 + 50000 / (rc * round.area_m2[0]!), 6);
  });
});
