/** An end ground to an edge across it: where such a piece works, and what goes of it. */

import type { Piece } from "../schema/book.js";
import type { BodySection, Section } from "../schema/parts.js";
import { thickness_mm } from "./thickness.js";

/** The section of the end that works: a wedge from its edge back to where the bevel meets the body; of any other piece its own. */
export function workingSection({ section, bevel }: Pick<Piece, "section" | "bevel">): Section {
  if (bevel === undefined || section.shape === "wedge") return section;
  return {
    shape: "wedge",
    spine_mm: thickness_mm(section),
    edge_mm: Math.min(bevel.edge_mm, thickness_mm(section)),
    height_mm: Math.max(2, bevel.length_mm),
  };
}

/** That section as what cools: the bevel of an end goes on into the bar, and nothing cools its back. */
export function cooledSection(piece: Pick<Piece, "section" | "bevel">): BodySection {
  const section = workingSection(piece);
  return section === piece.section || section.shape !== "wedge" ? section : { ...section, joined: true };
}

/** The same piece as the end that works has it: for what is decided there. */
export function asWorked(piece: Piece): Piece {
  const section = workingSection(piece);
  return section === piece.section ? piece : { ...piece, section };
}

/** The piece with the end that is asked about as the one that works. */
export function ofEnd(piece: Piece, end: "working" | "other"): Piece {
  if (end === "working") return piece;
  const turned = { ...piece };
  delete turned.bevel;
  delete turned.otherBevel;
  return piece.otherBevel === undefined ? turned : { ...turned, bevel: piece.otherBevel };
}

/** Of the length of the piece, what its bevels take off, mm: as a bar it would be shorter by so much. */
export function bevelled_mm({ section, bevel, otherBevel }: Pick<Piece, "section" | "bevel" | "otherBevel">): number {
  const thick_mm = thickness_mm(section);
  if (section.shape === "wedge") return 0;
  return [bevel, otherBevel].reduce(
    (sum, end) => sum + (end === undefined ? 0 : 0.5 * end.length_mm * (1 - Math.min(1, end.edge_mm / thick_mm))),
    0,
  );
}

export type BevelFault = "edge-too-thick" | "longer-than-piece" | "not-of-a-blade";

/** What is wrong with a bevel as it was typed; null where nothing is. */
export function bevelFault({ section, bevel, length_mm }: Pick<Piece, "section" | "bevel" | "length_mm">): BevelFault | null {
  if (bevel === undefined) return null;
  if (section.shape === "wedge") return "not-of-a-blade";
  if (bevel.edge_mm >= thickness_mm(section)) return "edge-too-thick";
  return bevel.length_mm >= length_mm ? "longer-than-piece" : null;
}
