/** How far a steel's alloy moves its temper colours; those of a steel nobody knows are those of plain carbon steel. */

import { alloyShift_K, CATALOGUE, resolveSteel } from "@tembrak/core";

export function alloyShiftOf_K(steel: string): number {
  return CATALOGUE.steel(steel) === undefined ? 0 : alloyShift_K(resolveSteel(CATALOGUE, steel).composition_wtpct);
}
