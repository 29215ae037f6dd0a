/** A section's field as patches to paint, in mm: x from back to edge (or across), y through the thickness. Pure. */

import type { SectionPicture } from "@tembrak/core";

/** A patch and the node whose value it shows. */
export type Cell =
  | { readonly kind: "box"; readonly x: number; readonly y: number; readonly width: number; readonly height: number; readonly node: number }
  | { readonly kind: "disc"; readonly radius: number; readonly node: number };

export interface Cells {
  readonly cells: readonly Cell[];
  readonly width_mm: number;
  readonly height_mm: number;
}

/** From the middle to the surface each node stands for the half way to its neighbours. */
function bounds(node: number, nodes: number, half_mm: number): readonly [number, number] {
  const at = (i: number): number => Math.min(1, Math.max(0, i / (nodes - 1))) * half_mm;
  return [at(node - 0.5), at(node + 0.5)];
}

/** Share of the width of a plate to its thickness in the drawing: it goes on to both sides. */
const PLATE_LOOKS = 6;

export function cellsOf({ section, columns, nodes, columnMiddle_mm, columnHeight_mm, halfThickness_mm }: SectionPicture): Cells {
  const cells: Cell[] = [];
  if (section.shape === "round") {
    const half = halfThickness_mm[0]!;
    for (let i = nodes - 1; i >= 0; i--) cells.push({ kind: "disc", radius: bounds(i, nodes, half)[1], node: i });
    return { cells, width_mm: 2 * half, height_mm: 2 * half };
  }
  const middle_mm = Math.max(...halfThickness_mm);
  const isSquare = section.shape === "square";
  const tall_mm = section.shape === "wedge" ? section.height_mm : isSquare ? section.side_mm : PLATE_LOOKS * 2 * middle_mm;
  for (let j = 0; j < columns; j++) {
    const [at, run] = columns === 1 ? [0.5 * tall_mm, tall_mm] : [columnMiddle_mm[j]!, columnHeight_mm[j]!];
    // Edge to the right; a square's columns run from its middle and are mirrored.
    const lefts = isSquare ? [middle_mm + at - 0.5 * run, middle_mm - at - 0.5 * run] : [tall_mm - at - 0.5 * run];
    for (let i = 0; i < nodes; i++) {
      const [from, to] = bounds(i, nodes, halfThickness_mm[j]!);
      for (const x of lefts) {
        const node = j * nodes + i;
        cells.push({ kind: "box", x, y: middle_mm + from, width: run, height: to - from, node });
        cells.push({ kind: "box", x, y: middle_mm - to, width: run, height: to - from, node });
      }
    }
  }
  return { cells, width_mm: tall_mm, height_mm: 2 * middle_mm };
}

export interface FieldRow {
  readonly x_mm: number;
  readonly middle: number;
  /** Of a blade only. */
  readonly surface: number | null;
}

/** A field along the line a smith thinks of: back to edge of a blade (middle and surface), surface to centre of a bar. */
export function fieldRows(picture: SectionPicture, field: ArrayLike<number>): FieldRow[] {
  const { section, columns, nodes, columnMiddle_mm, halfThickness_mm } = picture;
  if (section.shape === "wedge") {
    return Array.from({ length: columns }, (_, k) => columns - 1 - k).map((j) => ({
      x_mm: section.height_mm - columnMiddle_mm[j]!,
      middle: field[j * nodes]!,
      surface: field[j * nodes + nodes - 1]!,
    }));
  }
  const half = halfThickness_mm[0]!;
  return Array.from({ length: nodes }, (_, k) => nodes - 1 - k).map((i) => ({
    x_mm: half - (half * i) / (nodes - 1),
    middle: field[i]!,
    surface: null,
  }));
}

/** Length of that line, mm. */
export function rowsLength_mm({ section, halfThickness_mm }: SectionPicture): number {
  return section.shape === "wedge" ? section.height_mm : halfThickness_mm[0]!;
}
