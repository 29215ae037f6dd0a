/** What one sees of a liquid on hot steel: the blanket of vapour, its boiling, and that it has gone quiet. */

import { clamp } from "../numerics/interpolate.js";
import type { Medium } from "../schema/medium.js";
import { isLiquid } from "./bathKind.js";

export interface Boiling {
  /** How whole the vapour jacket is, 1 ... 0: it breaks up between the two heats the medium has for it. */
  readonly jacket: number;
  readonly isBoiling: boolean;
}

/** @returns null for what does not boil on steel @source hardening-note (calibrated): the heats its curve was fitted with */
export function boilingOn(medium: Medium | undefined, surface_C: number): Boiling | null {
  if (!isLiquid(medium)) return null;
  const { leidenfrost_C, peak_C, convectionStart_C } = medium;
  return { jacket: clamp((surface_C - peak_C) / (leidenfrost_C - peak_C), 0, 1), isBoiling: surface_C > convectionStart_C };
}

/** The same of a course, so long after it left the fire. */
export function boilingAt(
  medium: Medium | undefined,
  { time_s, surface_C }: { readonly time_s: readonly number[]; readonly surface_C: readonly number[] },
  after_s: number,
): Boiling | null {
  const i = time_s.findIndex((t) => t >= after_s);
  const at = i < 0 ? time_s.length - 1 : i;
  return time_s.length === 0 ? null : boilingOn(medium, surface_C[at]!);
}
