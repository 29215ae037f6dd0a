/** A piece while it is being described, and what a form supplies until it is measured. Pure. */

import { FORMS, formOf, LIMITS, sectionAt, type KindFile, type Piece, type Section } from "@tembrak/core";

/** Forms in the order a smith looks for them. */
const ORDER = [
  "knife",
  "billhook",
  "sickle",
  "drawknife",
  "froe",
  "hoof-knife",
  "hay-knife",
  "bark-spud",
  "cold-chisel",
  "wood-chisel",
  "plane-iron",
  "punch",
  "awl",
  "hammer",
  "axe",
  "sword",
  "striker",
  "spring",
  "coupon",
  "other",
];

export const ORDERED_FORMS: readonly KindFile[] = [...FORMS].sort((a, b) => ORDER.indexOf(a.id) - ORDER.indexOf(b.id));

export const START_WORDS = {
  "as-forged": ["As forged", "From the hammer, not normalised yet."],
  normalised: ["Normalised already", "Heated and air cooled after forging."],
  "fine-spheroidised": ["Bought, fine", "Soft annealed stock with fine round carbide."],
  "coarse-spheroidised": ["Bought, coarse or unknown", "Soft annealed stock; the slowest to harden."],
  hardened: ["Was hard before", "Hardened once and to be hardened again: a blade that failed, an old file, a spring."],
} as const;

/** The piece as the form has it; what was typed before and still fits stays. */
export function pieceOfForm(form: KindFile, before: Piece | null, mark: string): Piece {
  return {
    name: before !== null && !FORMS.some(({ name }) => name === before.name) ? before.name : form.name,
    mark: before?.mark ?? mark,
    kind: form.kind,
    form: form.id,
    steel: before?.steel ?? "1084",
    start: before?.start ?? "as-forged",
    use: form.use,
    length_mm: form.usualLength_mm,
    section: form.usualSection,
    ...(form.usualBevel === undefined ? {} : { bevel: form.usualBevel }),
  };
}

export type ShapeName = Section["shape"];

export const SHAPE_WORDS: Readonly<Record<ShapeName, string>> = {
  wedge: "Blade",
  plate: "Flat, even",
  round: "Round bar",
  square: "Square bar",
};

/** Another shape of about the same size. */
export function asShape(section: Section, shape: ShapeName): Section {
  const thick =
    section.shape === "wedge"
      ? section.spine_mm
      : section.shape === "plate"
        ? section.thickness_mm
        : section.shape === "round"
          ? section.diameter_mm
          : section.side_mm;
  switch (shape) {
    case "wedge":
      return {
        shape,
        spine_mm: Math.min(LIMITS.wedge.spine_mm[1], thick),
        edge_mm: Math.min(1, thick),
        height_mm: Math.min(LIMITS.wedge.height_mm[1], Math.max(8, thick * 6)),
      };
    case "plate":
      return { shape, thickness_mm: thick };
    case "round":
      return { shape, diameter_mm: thick };
    case "square":
      return { shape, side_mm: thick };
  }
}

/** The piece in another shape. A blade has its edge along it, and none across its end. */
export function inShape(piece: Piece, shape: ShapeName): Piece {
  const next = { ...piece, section: asShape(piece.section, shape) };
  if (shape !== "wedge") return next;
  delete next.bevel;
  delete next.otherBevel;
  return next;
}

/** As many further places as a piece keeps. */
export const MOST_PLACES = 6;
/** Nearer than this to a place that is there, share of the length, one is meant by the other (judgement: a finger's width). */
const SAME_PLACE = 0.04;

/** One more place of a blade, as thick there as what was measured about it; the piece as it is where it is no blade, has a place there, or has enough. */
export function withPlace(piece: Piece, at: number): Piece {
  const { stations = [] } = piece;
  const form = formOf(piece);
  const there = sectionAt(piece, form, at);
  const isKnown = stations.some((station) => Math.abs(station.at - at) < SAME_PLACE);
  if (there.shape !== "wedge" || stations.length >= MOST_PLACES || isKnown) return piece;
  const told = (mm: number): number => Math.round(10 * mm) / 10;
  const place = { at: Math.round(1000 * at) / 1000, spine_mm: told(there.spine_mm), edge_mm: told(there.edge_mm) };
  return { ...piece, stations: [...stations, place] };
}

/** The next whole number no piece carries yet. */
export function nextMark(marks: readonly string[]): string {
  const used = marks.map(Number).filter(Number.isInteger);
  return String(Math.max(0, ...used) + 1);
}
