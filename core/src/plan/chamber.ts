/** Whether a piece goes into a forge, a kiln or an oven. Sums in mm. */

import type { Piece } from "../schema/book.js";
import type { KitItem } from "../schema/kit.js";
import { breadth_mm } from "../shape/outline.js";

export type Chamber = Extract<KitItem, { kind: "forge" | "kiln" | "oven" }>;

/** Room around a piece in a chamber, mm at each end (common practice, no source). */
export const ROOM_mm = 10;

/** The longest straight piece a chamber takes, slanted if that helps, mm. */
function longest_mm({ length_mm, width_mm, height_mm }: Chamber, across_mm: number): number {
  const flat = Math.hypot(length_mm, Math.max(0, width_mm - across_mm));
  const upright = Math.hypot(length_mm, Math.max(0, height_mm - across_mm));
  return Math.max(flat, upright) - 2 * ROOM_mm;
}

/** What a chamber lacks to take a piece, mm; null where it takes it. */
export function lacks(item: Chamber, piece: Piece): { readonly what: "length" | "height"; readonly over_mm: number } | null {
  const across_mm = breadth_mm(piece);
  const over_mm = piece.length_mm - longest_mm(item, across_mm);
  if (over_mm > 0 && !(item.kind === "forge" && item.isOpenEnded && piece.length_mm < 3 * item.length_mm)) {
    return { what: "length", over_mm };
  }
  const high_mm = across_mm + ROOM_mm - Math.max(item.width_mm, item.height_mm);
  return high_mm > 0 ? { what: "height", over_mm: high_mm } : null;
}
