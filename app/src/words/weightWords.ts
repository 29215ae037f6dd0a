/** What a piece weighs, and what is expected to go of it. */

import { formOf, groundOff_kg, mass_kg, type Piece } from "@tembrak/core";
import { showMass, showThin, type Units } from "../format/show.js";

/** Less skin than this nobody grinds off, mm. */
const SKIN_mm = 0.05;

/** @param grindOff_mm skin to take off each face; undefined while it is not worked out */
export function weightWords(piece: Piece, grindOff_mm: number | undefined, units: Units): string {
  const form = formOf(piece);
  const weighs = `By its measures about ${showMass(mass_kg(piece, form), units)}`;
  if (grindOff_mm === undefined || grindOff_mm < SKIN_mm) return `${weighs}.`;
  return `${weighs}; ${showMass(groundOff_kg(piece, form, grindOff_mm), units)} of it goes with the skin, ${showThin(grindOff_mm, units)} off each face.`;
}
