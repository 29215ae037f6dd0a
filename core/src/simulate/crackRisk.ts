/** How near a quench comes to cracking the piece: who hardens first, who last, and how brittle the first already is. */

import type { WatchedCurve } from "./course.js";

export const CRACK_LEVELS = ["low", "some", "high"] as const;
export type CrackLevel = (typeof CRACK_LEVELS)[number];

export type CrackReason =
  | { readonly code: "late-core"; readonly martensiteGap: number; readonly lag_s: number | null }
  | { readonly code: "steep-at-start"; readonly difference_K: number; readonly martensiteStart_C: number }
  | { readonly code: "rich-martensite"; readonly carbon_wtpct: number }
  | { readonly code: "coarse-grain"; readonly astmGrain: number }
  | { readonly code: "water" | "corners-not-known" };

export interface CrackRisk {
  /** 0 ... 1; an order, not a chance. */
  readonly index: number;
  readonly level: CrackLevel;
  /** Most by which the surface was ahead of the centre in martensite, times how far the centre got, 0 ... 1. */
  readonly martensiteGap: number;
  /** Seconds from half martensite at the surface to half at the centre; null when one of them never gets there. */
  readonly lag_s: number | null;
  /** How much hotter the centre was when the surface began to harden, K. */
  readonly difference_K: number;
  readonly reasons: readonly CrackReason[];
}

/** Weights and limits are judgements: no published scale rates a smith's quench. Only the order is meant. */
const GAP_WEIGHT = 0.55;
const DIFFERENCE_WEIGHT = 0.25;
const FULL_DIFFERENCE_K = 250;
const GRAIN_WEIGHT = 0.2;
const [SOME, HIGH] = [0.2, 0.4];

/** So often it cracks at an index of 1, and how fast that falls off below it (judgement: water on a thin high-carbon blade, one of some ten). */
const MOST_CRACKS = 0.5;
const CRACKS_FALL = 1.5;

/** About how often a quench of that index cracks a piece, 0 ... 1. @error judgement: a factor of two either way; the order is that of the index */
export function crackChance({ index }: Pick<CrackRisk, "index">): number {
  return MOST_CRACKS * index ** CRACKS_FALL;
}

export interface CrackInput {
  /** Watched nodes: surface first, then centre. */
  readonly curve: WatchedCurve;
  readonly martensiteStart_C: number;
  readonly carbon_wtpct: number;
  readonly astmGrain: number;
  /** A bath of water or brine. */
  readonly isWater: boolean;
}

export function crackRisk({ curve, martensiteStart_C: Ms, carbon_wtpct: C, astmGrain, isWater }: CrackInput): CrackRisk {
  const [surface, centre] = [curve.martensite[0]!, curve.martensite[1]!];
  const [surface_C, centre_C] = [curve.temperature_C[0]!, curve.temperature_C[1]!];
  let martensiteGap = 0;
  for (let i = 0; i < surface.length; i++) martensiteGap = Math.max(martensiteGap, surface[i]! - centre[i]!);
  // A core that turned soft swelled before the skin did, which is then pressed, not pulled: only a late core counts.
  const endOf = (m: Float64Array): number => m[m.length - 1]!;
  if (endOf(surface) > 0) martensiteGap *= Math.min(1, endOf(centre) / endOf(surface));
  const begun = surface.findIndex((m) => m > 0);
  const difference_K = begun < 0 ? 0 : Math.max(0, centre_C[begun]! - surface_C[begun]!);
  const [halfSurface, halfCentre] = [surface.findIndex((m) => m >= 0.5), centre.findIndex((m) => m >= 0.5)];
  const lag_s = halfSurface < 0 || halfCentre < 0 ? null : curve.time_s[halfCentre]! - curve.time_s[halfSurface]!;
  // Low-carbon martensite gives; from about 0.8 % it does not.
  const brittle = Math.min(1, Math.max(0.1, (C - 0.2) / 0.6));
  const coarse = Math.min(1, Math.max(0, (7 - astmGrain) / 3));
  const strain = GAP_WEIGHT * martensiteGap + DIFFERENCE_WEIGHT * Math.min(1, difference_K / FULL_DIFFERENCE_K);
  const index = begun < 0 ? 0 : Math.min(1, brittle * (strain + GRAIN_WEIGHT * coarse));
  const reasons: CrackReason[] = [];
  if (martensiteGap > 0.3) reasons.push({ code: "late-core", martensiteGap, lag_s });
  if (difference_K > 100) reasons.push({ code: "steep-at-start", difference_K, martensiteStart_C: Ms });
  if (C > 0.7 && index > SOME) reasons.push({ code: "rich-martensite", carbon_wtpct: C });
  if (coarse > 0) reasons.push({ code: "coarse-grain", astmGrain });
  if (isWater && C > 0.5) reasons.push({ code: "water" });
  reasons.push({ code: "corners-not-known" });
  return { index, level: index >= HIGH ? "high" : index >= SOME ? "some" : "low", martensiteGap, lag_s, difference_K, reasons };
}
