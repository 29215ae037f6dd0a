/** Voltage of a type K thermocouple, and back. */

import { requireRange } from "../errors.js";
import { bisect } from "../numerics/root.js";

/** Coefficients of the reference function, mV over C, below and above 0 C. @source nistItsK (from memory) */
const BELOW = [
  0, 0.39450128025e-1, 0.23622373598e-4, -0.32858906784e-6, -0.49904828777e-8, -0.67509059173e-10, -0.57410327428e-12, -0.31088872894e-14,
  -0.10451609365e-16, -0.19889266878e-19, -0.16322697486e-22,
];
const ABOVE = [
  -0.17600413686e-1, 0.38921204975e-1, 0.1855877032e-4, -0.99457592874e-7, 0.31840945719e-9, -0.56072844889e-12, 0.56075059059e-15,
  -0.32020720003e-18, 0.97151147152e-22, -0.12104721275e-25,
];
const PEAK_mV = 0.1185976;
const PEAK_PER_C2 = -0.1183432e-3;
const PEAK_AT_C = 126.9686;

const LOWEST_C = -270;
const HIGHEST_C = 1372;

function polynomial(coefficients: readonly number[], x: number): number {
  return coefficients.reduceRight((sum, c) => sum * x + c, 0);
}

/**
 * Voltage with the cold junction at 0 C, mV.
 * @throws InputError outside -270 ... 1372 C.
 * @source nistItsK (from memory)
 * @error test/simulate/diagrams.test.ts: within 0.001 mV of the published table
 */
export function typeKVoltage_mV(temperature_C: number): number {
  requireRange("/temperature_C", temperature_C, LOWEST_C, HIGHEST_C);
  if (temperature_C < 0) return polynomial(BELOW, temperature_C);
  return polynomial(ABOVE, temperature_C) + PEAK_mV * Math.exp(PEAK_PER_C2 * (temperature_C - PEAK_AT_C) ** 2);
}

/**
 * Temperature that gives a voltage, by bisection on the reference function, C.
 * @throws InputError for a voltage outside the table.
 */
export function typeKTemperature_C(emf_mV: number, coldJunction_C = 0): number {
  const total_mV = emf_mV + typeKVoltage_mV(coldJunction_C);
  requireRange("/emf_mV", total_mV, typeKVoltage_mV(LOWEST_C), typeKVoltage_mV(HIGHEST_C));
  const root = bisect((T) => typeKVoltage_mV(T) - total_mV, LOWEST_C, HIGHEST_C, 1e-6);
  return root.outcome === "found" ? root.x : NaN;
}
