/** What each zone of a piece was wanted to be against what it will be, and the way that comes nearest. */

import { formOf } from "../catalogue.js";
import { bladeOf_mm } from "../plan/inFire.js";
import type { Piece, Hardens, Wish, Zone } from "../schema/book.js";
import { chanceBetween, type Estimate } from "./temperedPlace.js";

/** What soft and medium mean where nobody says a number, HRC (common practice, no source); hard is what the use wants. */
const MEDIUM_HRC = [40, 52] as const;
const SOFT_HRC = [15, 40] as const;

/** The shoulder of a tang is hot for so far behind the mouth of the fire, mm (judgement: two thumbs). */
const NEAR_mm = 40;

export interface ZoneReport {
  readonly zone: Zone;
  readonly wants: Wish;
  /** Null for a zone that is to stay as it is. */
  readonly wanted_HRC: readonly [number, number] | null;
  readonly expected: Estimate;
  /** Chance that it lands in what is wanted, 0 ... 1; null for a zone that is to stay as it is. */
  readonly chance: number | null;
  /** It stays out of the fire, as it was: not hardened whatever the rest is. */
  readonly isLeft: boolean;
}

/** What a report is made of: of a prediction, or of a way that was tried. */
export interface Outcome {
  readonly working: { readonly tempered: Estimate };
  readonly thickest: { readonly tempered: Estimate };
  readonly other: { readonly tempered: Estimate } | null;
  readonly target: { readonly low_HRC: number; readonly high_HRC: number };
  readonly mouth: { readonly asItWasFrom_mm: number } | null;
}

/** Edge and tip are where the piece works, and both ends where both are hardened; spine and tang are its thickest place. */
function estimateOf(zone: Zone, { working, thickest, other }: Outcome, hardens: Hardens): Estimate {
  if (zone === "tang" && other !== null) return other.tempered;
  const isWorking = zone === "edge" || zone === "tip" || (zone === "tang" && hardens === "ends");
  return isWorking ? working.tempered : thickest.tempered;
}

/** What a wish means in HRC; null for a zone that is to stay as it is. */
export function wantedOf_HRC(wants: Wish, { low_HRC, high_HRC }: Outcome["target"]): readonly [number, number] | null {
  switch (wants) {
    case "hard":
      return [low_HRC, high_HRC];
    case "medium":
      return MEDIUM_HRC;
    case "soft":
      return SOFT_HRC;
    case "untreated":
      return null;
  }
}

/** @param hardens what the route hardens of it */
export function zoneReports(piece: Piece, prediction: Outcome, hardens: Hardens = "whole"): ZoneReport[] {
  const { zones = [] } = piece;
  const { mouth } = prediction;
  const blade_mm = zones.length === 0 ? 0 : bladeOf_mm(piece, formOf(piece));
  return zones.map(({ zone, wants }) => {
    const expected = estimateOf(zone, prediction, hardens);
    const wanted_HRC = wantedOf_HRC(wants, prediction.target);
    const chance = wanted_HRC === null ? null : chanceBetween(expected, wanted_HRC[0], wanted_HRC[1]);
    const isLeft = zone === "tang" && mouth !== null && mouth.asItWasFrom_mm <= blade_mm + NEAR_mm;
    // Soft as it was forged or bought: nothing hardens it.
    return { zone, wants, wanted_HRC, expected, chance: isLeft && chance !== null ? (wants === "soft" ? 1 : 0) : chance, isLeft };
  });
}

/** What such wishes ask to be hardened; null when they ask for none in particular. */
export function hardensForZones({ zones = [], section }: Pick<Piece, "zones" | "section">): Hardens | null {
  const wants = (zone: Zone): Wish | undefined => zones.find((z) => z.zone === zone)?.wants;
  const back = wants("spine");
  if (section.shape !== "wedge") {
    if (wants("tip") !== "hard" || back === undefined) return null;
    return back === "hard" ? "whole" : wants("tang") === "hard" ? "ends" : "face";
  }
  if (wants("edge") !== "hard" || back === undefined) return null;
  // What never hardens is soft, not medium: a medium back is hardened and drawn.
  return back === "soft" || back === "untreated" ? "edge" : "whole";
}
