/** Places along a blade that were measured, in words: which shuts first, which is furthest from what is wanted. Pure. */

import type { AtPlace, Piece, Prediction } from "@tembrak/core";
import { showChance, showHardness, showLength, showRange, showThin, type Units } from "../format/show.js";

const TIP = 0.9;
const TANG = 0.1;

/** Where a place is, as one says it. @param at share of the length, 0 at the tang */
export function whereAlong(at: number, length_mm: number, units: Units): string {
  if (at >= TIP) return "the tip";
  if (at <= TANG) return "the end by the tang";
  return `the place ${showLength((1 - at) * length_mm, units)} from the tip`;
}

function thickWords({ section }: AtPlace, units: Units): string {
  return section.shape === "wedge" ? `, ${showThin(section.spine_mm, units)} thick` : "";
}

type Along = Pick<Prediction, "places" | "firstToShut" | "weakest">;

/** Which place turns stiff first; null where it is the section of the piece itself. */
export function shutsFirst({ places, firstToShut }: Along, { length_mm }: Pick<Piece, "length_mm">, units: Units): string | null {
  return firstToShut === null ? null : whereAlong(places[firstToShut]!.at, length_mm, units);
}

/** What the weakest place will be; "" where the section of the piece itself is. @param is "will be" or "is", as far as it is done */
export function weakestSentence({ places, weakest }: Along, { length_mm }: Pick<Piece, "length_mm">, is: string, units: Units): string {
  if (weakest === null) return "";
  const place = places[weakest]!;
  const { mean_HRC, p05_HRC, p95_HRC } = place.working.tempered;
  const said = `${showHardness(mean_HRC)} HRC, ${showRange(p05_HRC, p95_HRC)}`;
  return `Weakest is ${whereAlong(place.at, length_mm, units)}${thickWords(place, units)}: its ${place.working.place} ${is} ${said}, ${showChance(place.chanceInTarget)} that its use is content with that.`;
}
