/** Is it a liquid, is it water, how fast is it: asked here and nowhere else. */

import type { Medium } from "../schema/medium.js";

export type Liquid = Extract<Medium, { kind: "oil" | "water" | "brine" }>;

const KINDS = {
  oil: { isLiquid: true, isWater: false },
  water: { isLiquid: true, isWater: true },
  brine: { isLiquid: true, isWater: true },
  air: { isLiquid: false, isWater: false },
  constant: { isLiquid: false, isWater: false },
} as const satisfies Record<Medium["kind"], { isLiquid: boolean; isWater: boolean }>;

/** Whether nobody measured it for this model: as its own file says where its numbers are from. What is not in the catalogue was measured by nobody here. */
export function isGuessed(medium: Medium | undefined): boolean {
  return medium === undefined || medium.provenance.kind === "estimated";
}

/** Thick paste in a tray: an edge is pressed into it, and nothing else. */
export const PASTE = "quench-paste";

/** One can be dipped into it, and it boils on the steel. */
export function isLiquid(medium: Medium | undefined): medium is Liquid {
  return medium !== undefined && KINDS[medium.kind].isLiquid;
}

/** Water or brine: they strip heat fast and unevenly. */
export function isWater(medium: { readonly kind: Medium["kind"] | "textbook" } | undefined): boolean {
  return medium !== undefined && medium.kind !== "textbook" && KINDS[medium.kind].isWater;
}

/** Water boils at 100 C, brine a little above it (common physics). */
const BOILS_C = 100;
/** No oil is worked with hotter than this, C (judgement: over the flash points of all; the law of its boiling holds until then). */
const BURNS_C = 300;

/** No bath of it is hotter than this, C; null for what is no liquid. */
export function hottestBath_C(medium: Medium | undefined): number | null {
  if (!isLiquid(medium)) return null;
  return isWater(medium) ? BOILS_C : BURNS_C;
}

/** How hard a bath quenches at its fastest, W/(m2 K); 0 for what is no liquid. */
export function peakSpeed_W_m2K(medium: Medium | undefined): number {
  return isLiquid(medium) ? medium.peak_W_m2K : 0;
}
