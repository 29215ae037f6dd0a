import { describe, expect, it } from "@jest/globals";
import besselj0 from "@stdlib/math-base-special-besselj0";
import besselj1 from "@stdlib/math-base-special-besselj1";
import { makeGrid, makeScratch, stepConduction, type Surroundings } from "../../src/heat/conduction.js";
import { constantBoundary } from "../../src/heat/media.js";
import { outside } from "../outside.js";

/** A body of unit properties from 1 into surroundings at 0, to a Fourier number; centre and surface. */
function cool(
  exponent: 0 | 1,
  biot: number,
  fourier: number,
  nodes: number,
  step_s: number,
): { centre: number; surface: number; energy: number } {
  const grid = makeGrid({ nodes, halfThickness_m: [1], geometryExponent: exponent });
  const fill = (v: number): Float64Array => new Float64Array(nodes).fill(v);
  const fields = { temperature_C: fill(1), conductivity_W_mK: fill(1), volumeHeat_J_m3K: fill(1), released_J_m3: fill(0) };
  const surroundings: Surroundings = { faces: [constantBoundary(biot, 0)], foot: null, top: null };
  const scratch = makeScratch(grid);
  const steps = Math.round(fourier / step_s);
  let lost = 0;
  for (let i = 0; i < steps; i++) {
    stepConduction(grid, fields, surroundings, scratch, step_s);
    lost += biot * fields.temperature_C[nodes - 1]! * step_s;
  }
  const left = fields.temperature_C.reduce((sum, T, i) => sum + T * grid.cellShare[i]!, 0);
  const all = 1 / (exponent + 1);
  return { centre: fields.temperature_C[0]!, surface: fields.temperature_C[nodes - 1]!, energy: (left + lost) / all };
}

function rootBetween(f: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high];
  for (let i = 0; i < 200; i++) {
    const m = 0.5 * (a + b);
    if (f(a) * f(m) <= 0) b = m;
    else a = m;
  }
  return 0.5 * (a + b);
}

/** Series for a slab: z tan z = Bi. Carslaw and Jaeger 1959, section 3.11. */
function slabSeries(biot: number, fourier: number): { centre: number; surface: number } {
  let [centre, surface] = [0, 0];
  for (let n = 0; n < 60; n++) {
    const z = rootBetween((x) => x * Math.sin(x) - biot * Math.cos(x), n * Math.PI + 1e-12, n * Math.PI + Math.PI / 2 + 1e-9);
    const C = (4 * Math.sin(z)) / (2 * z + Math.sin(2 * z));
    centre += C * Math.exp(-z * z * fourier);
    surface += C * Math.exp(-z * z * fourier) * Math.cos(z);
  }
  return { centre, surface };
}

/** Series for a cylinder: z J1(z) = Bi J0(z). Carslaw and Jaeger 1959, section 7.7. */
function cylinderSeries(biot: number, fourier: number): { centre: number; surface: number } {
  const f = (x: number): number => x * besselj1(x) - biot * besselj0(x);
  let [centre, surface, x, found] = [0, 0, 1e-9, 0];
  while (found < 40 && x < 200) {
    const next = x + 0.05;
    if (f(x) * f(next) < 0) {
      const z = rootBetween(f, x, next);
      const C = ((2 / z) * besselj1(z)) / (besselj0(z) ** 2 + besselj1(z) ** 2);
      centre += C * Math.exp(-z * z * fourier);
      surface += C * Math.exp(-z * z * fourier) * besselj0(z);
      found++;
    }
    x = next;
  }
  return { centre, surface };
}

/** carslawJaeger1959, and for the one-term table incropera2007. */
const SOURCE = "Carslaw and Jaeger 1959, sections 3.11 and 7.7; Bessel functions by @stdlib";
const BECAUSE = "first order in time at steps of Fo 0.002, second in space at 41 nodes";

describe("conduction against series solutions", () => {
  for (const biot of [0.1, 1, 10]) {
    for (const fourier of [0.2, 0.5, 1]) {
      it(`slab Bi ${biot}, Fo ${fourier}: within 0.002 of the series at centre and surface`, () => {
        const [got, series] = [cool(0, biot, fourier, 41, 0.002), slabSeries(biot, fourier)];
        for (const place of ["centre", "surface"] as const) {
          outside({
            topic: "Conduction",
            what: `slab, Bi ${biot}, Fo ${fourier}, ${place}`,
            source: SOURCE,
            unit: "of the range",
            wanted: series[place],
            got: got[place],
            tolerance: 0.002,
            because: BECAUSE,
          });
        }
      });
      it(`cylinder Bi ${biot}, Fo ${fourier}: within 0.002 of the series at centre and surface`, () => {
        const [got, series] = [cool(1, biot, fourier, 41, 0.002), cylinderSeries(biot, fourier)];
        for (const place of ["centre", "surface"] as const) {
          outside({
            topic: "Conduction",
            what: `cylinder, Bi ${biot}, Fo ${fourier}, ${place}`,
            source: SOURCE,
            unit: "of the range",
            wanted: series[place],
            got: got[place],
            tolerance: 0.002,
            because: BECAUSE,
          });
        }
      });
    }
  }

  it("slab, Bi 1, Fo 1: the one-term value of a textbook table, z1 0.8603, C1 1.1191", () => {
    outside({
      topic: "Conduction",
      what: "slab, Bi 1, Fo 1, centre, one term",
      source: "Incropera and others 2007, table 5.1, from memory",
      unit: "of the range",
      wanted: 1.1191 * Math.exp(-(0.8603 ** 2)),
      got: cool(0, 1, 1, 41, 0.002).centre,
      tolerance: 0.003,
      because: "the table keeps four digits and one term",
    });
  });

  it("half the step, half the error: first order in time", () => {
    const exact = slabSeries(1, 0.5).centre;
    const error = (step_s: number): number => Math.abs(cool(0, 1, 0.5, 81, step_s).centre - exact);
    const order = Math.log2(error(0.02) / error(0.01));
    expect(order).toBeGreaterThan(0.85);
    expect(order).toBeLessThan(1.2);
  });

  it("half the cell, a quarter of the error: second order in space", () => {
    const fine = cool(0, 1, 0.5, 161, 0.0005).centre;
    const error = (nodes: number): number => Math.abs(cool(0, 1, 0.5, nodes, 0.0005).centre - fine);
    expect(Math.log2(error(6) / error(11))).toBeGreaterThan(1.7);
  });

  it("keeps its energy: what is left and what was lost make the whole", () => {
    for (const exponent of [0, 1] as const) expect(cool(exponent, 10, 0.5, 41, 0.002).energy).toBeCloseTo(1, 10);
  });

  it("a bar of 2 x 2 against the product of two slabs: within 0.004 at centre and mid-face", () => {
    const [n, m] = [21, 21];
    const grid = makeGrid({ nodes: n, halfThickness_m: Array.from({ length: m }, () => 1), columnHeight_m: 1 / m });
    const fill = (v: number): Float64Array => new Float64Array(n * m).fill(v);
    const fields = { temperature_C: fill(1), conductivity_W_mK: fill(1), volumeHeat_J_m3K: fill(1), released_J_m3: fill(0) };
    const face = constantBoundary(1, 0);
    const surroundings: Surroundings = { faces: Array.from({ length: m }, () => face), foot: null, top: face };
    const scratch = makeScratch(grid);
    for (let i = 0; i < 250; i++) stepConduction(grid, fields, surroundings, scratch, 0.002);
    const one = slabSeries(1, 0.5);
    const at = (j: number, i: number): number => fields.temperature_C[j * n + i]!;
    const source = "product of two slab series, Carslaw and Jaeger 1959";
    outside({
      topic: "Conduction",
      what: "square bar, Bi 1, Fo 0.5, centre",
      source,
      unit: "of the range",
      wanted: one.centre ** 2,
      got: at(0, 0),
      tolerance: 0.004,
      because: "the lowest cell centre stands half a cell above the middle",
    });
    outside({
      topic: "Conduction",
      what: "square bar, Bi 1, Fo 0.5, mid-face",
      source,
      unit: "of the range",
      wanted: one.centre * one.surface,
      got: at(0, n - 1),
      tolerance: 0.004,
      because: "the lowest cell centre stands half a cell above the middle",
    });
  });
});
