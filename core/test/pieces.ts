/** A piece that many tests work on: the billhook of the demo's forge. */

import type { Piece } from "../src/schema/book.js";

export const BILLHOOK: Piece = {
  name: "Billhook",
  mark: "7",
  kind: "hook",
  form: "billhook",
  steel: "1075",
  start: "as-forged",
  use: "sickle",
  length_mm: 376,
  section: { shape: "wedge", spine_mm: 6.5, edge_mm: 0.9, height_mm: 62 },
};
