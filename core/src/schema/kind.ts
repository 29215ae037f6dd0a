/** A form of piece: the outline a kind supplies until it is measured, in shares of length and height. */

import { Type, type Static } from "@sinclair/typebox";
import { HARDENS, PIECE_KINDS } from "./book.js";
import { BevelSchema, between, choice, SectionSchema, strict } from "./parts.js";

const share = between(-3, 3, "Share of the height (offsets) or of the length (axis)");

export const KindSchema = strict({
  formatVersion: Type.Literal(1),
  id: Type.String({ pattern: "^[a-z-]+$" }),
  kind: choice(PIECE_KINDS),
  name: Type.String(),
  /** Use offered first. */
  use: Type.String(),
  /** What of it works and is hardened alone (common practice, no source): all of it where nothing is said. */
  usualHardens: Type.Optional(choice(HARDENS)),
  usualLength_mm: between(20, 1500, "mm"),
  usualSection: SectionSchema,
  /** Of a form that is ground to an edge across its end. */
  usualBevel: Type.Optional(BevelSchema),
  /** Points of a bent axis in shares of the length, x to the edge side, y down. Straight when absent. */
  axis: Type.Optional(Type.Array(Type.Array(share, { minItems: 2, maxItems: 2 }), { minItems: 3, maxItems: 16 })),
  /** Along the axis: s 0 ... 1, offsets to the back and to the edge in shares of the height, corner where the line breaks. */
  stations: Type.Array(strict({ s: between(0, 1, "Share of the axis"), back: share, edge: share, corner: Type.Optional(Type.Boolean()) }), {
    minItems: 2,
    maxItems: 40,
  }),
  /** Where the bevel begins, share of the height from the edge; stations between which it runs. */
  bevel: Type.Optional(strict({ depth: between(0, 1, "Share of the height"), from: between(0, 1, "s"), to: between(0, 1, "s") })),
  hole: Type.Optional(strict({ s: between(0, 1, "s"), radius: between(0, 1, "Share of the height") })),
  eye: Type.Optional(
    strict({ s: between(0, 1, "s"), width: between(0, 1, "Share of the height"), length: between(0, 1, "Share of the length") }),
  ),
});
export type KindFile = Static<typeof KindSchema>;
