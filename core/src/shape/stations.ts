/** Sections along a piece: how high it is at a station of its form, and where a point of that section lies on its outline. */

import { linear } from "../numerics/interpolate.js";
import type { Piece } from "../schema/book.js";
import type { KindFile } from "../schema/kind.js";
import type { Section } from "../schema/parts.js";
import { axisOf, beside, breadth_mm, offsetsAt, type Point } from "./outline.js";

/** Least height that can be computed, mm. */
const LEAST_mm = 2;

/** Whether sections differ along the piece: a blade's do, a bar's are taken as one. */
export function hasStations(piece: Piece, form: KindFile): boolean {
  return piece.section.shape === "wedge" && form.bevel !== undefined;
}

/** Where the section that was measured is taken to lie: the middle of the bevel. */
export function measuredStation({ bevel }: KindFile): number {
  return bevel === undefined ? 0.5 : 0.5 * (bevel.from + bevel.to);
}

/**
 * Section across the axis at a station. Thickness is that of the measured section: only the height follows the outline, and
 * outside the bevel both sides are parallel.
 * @param s share of the axis, 0 ... 1.
 */
export function sectionAt(piece: Piece, form: KindFile, s: number): Section {
  const { section } = piece;
  if (section.shape !== "wedge" || form.bevel === undefined) return section;
  const { back, edge } = offsetsAt(form, s);
  const height_mm = Math.max(LEAST_mm, (back + edge) * section.height_mm);
  // Where an edge was measured there is one: the bevel goes as far as that.
  const told = (piece.stations ?? []).map(({ at }) => at);
  const isBevelled = s >= Math.min(form.bevel.from, ...told) && s <= Math.max(form.bevel.to, ...told);
  const { spine_mm, edge_mm } = thicknessAt(piece, form, s);
  return { ...section, height_mm, spine_mm, edge_mm: isBevelled ? edge_mm : spine_mm };
}

/** Thickness at back and edge: in a line between the places that were measured, as at the outermost beyond them. */
function thicknessAt(piece: Piece, form: KindFile, s: number): { spine_mm: number; edge_mm: number } {
  const { section, stations = [] } = piece;
  if (section.shape !== "wedge") return { spine_mm: 0, edge_mm: 0 };
  const measured = [{ at: measuredStation(form), spine_mm: section.spine_mm, edge_mm: section.edge_mm }, ...stations].sort(
    (a, b) => a.at - b.at,
  );
  const at = measured.map((m) => m.at);
  return {
    spine_mm: linear(
      at,
      measured.map((m) => m.spine_mm),
      s,
    ),
    edge_mm: linear(
      at,
      measured.map((m) => m.edge_mm),
      s,
    ),
  };
}

/** Thinnest place of the edge that was measured, mm; null for a piece without an edge. */
export function thinnestEdge_mm({ section, stations = [] }: Piece): number | null {
  return section.shape === "wedge" ? Math.min(section.edge_mm, ...stations.map(({ edge_mm }) => edge_mm)) : null;
}

/** A point of the outline's plane by its station and its share of the height there, 0 at the edge, 1 at the back, mm. */
export function pointAt(piece: Piece, form: KindFile): (s: number, share: number) => Point {
  const axis = axisOf(form, piece.length_mm);
  const breadth = breadth_mm(piece);
  return (s, share) => {
    const { back, edge } = offsetsAt(form, s);
    return beside(axis, s, (edge - share * (back + edge)) * breadth);
  };
}
