/** Where austenite begins and is complete when a steel is heated as usual: what is shown. The kinetics count from `ae1_C` and `a3_C`. */

import type { Composition } from "./composition.js";

/** @source kasatkin1984 (from memory) */
function kasatkinAc1_C({ C, Mn, Si, Cr, Ni, Mo, V, W }: Composition): number {
  const alone = 723 - 7.08 * Mn + 37.7 * Si + 18.1 * Cr + 44.2 * Mo + 8.95 * Ni + 50.1 * V + 3.18 * W;
  const withCarbon = -11.5 * C * Si - 57.9 * C * Mo - 5.28 * C * Ni - 27.4 * C * V;
  const together = -14 * Mn * Si - 3.1 * Si * Cr - 15.5 * Mn * Mo - 6 * Mn * Ni + 6.77 * Si * Ni - 0.8 * Cr * Ni + 30.8 * Mo * V;
  const squared = -0.84 * Cr * Cr - 3.46 * Mo * Mo - 0.46 * Ni * Ni - 28 * V * V;
  return alone + withCarbon + together + squared;
}

/** @source trzaska2007 (from memory) */
function trzaskaAc1_C({ C, Mn, Si, Cr, Ni, Mo, V }: Composition): number {
  return 739 - 22.8 * C - 6.8 * Mn + 18.2 * Si + 11.7 * Cr - 15 * Ni - 6.4 * Mo - 5 * V;
}

/**
 * Lower critical temperature on heating, C: the mean of two published fits, which is nearer the handbook than either.
 * @source trzaska2007, kasatkin1984 (from memory)
 * @error test/kinetics/temperatures.test.ts: 7 C rms over twelve handbook steels
 */
export function ac1_C(steel: Composition): number {
  return 0.5 * (kasatkinAc1_C(steel) + trzaskaAc1_C(steel));
}

/**
 * Upper critical temperature on heating of a steel below the eutectoid, C.
 * @source trzaska2007 (from memory)
 * @error test/kinetics/temperatures.test.ts: 9 C rms over twelve handbook steels
 */
export function ac3_C({ C, Mn, Si, Ni, Mo, V }: Composition): number {
  return 937.3 - 224.5 * Math.sqrt(C) - 17 * Mn + 34 * Si - 14 * Ni + 21.6 * Mo + 41.8 * V;
}

/** Whether a steel lies beyond the eutectoid as handbooks count it: by carbon against a line that chromium lowers. */
export function isBeyondEutectoid({ C, Cr }: Composition): boolean {
  return C >= 0.77 - 0.09 * Cr;
}
