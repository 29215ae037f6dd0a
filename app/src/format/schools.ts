/** The schools of heating, and the ways to harden, in words: what each does, and when one might prefer it. */

import type { School, Way } from "@tembrak/core";

export interface SchoolWords {
  readonly name: string;
  readonly does: string;
  readonly prefer: string;
}

export const SCHOOL_WORDS: Readonly<Record<School, SchoolWords>> = {
  forge: {
    name: "Forge, a shade past the magnet",
    does: "By colour and magnet: a shade past where it lets go.",
    prefer: "When the start is not known to be fine pearlite: the shade is the margin.",
  },
  magnet: {
    name: "Forge, to the magnet and no further",
    does: "By magnet alone: normalised first, then to where it lets go, and into the bath.",
    prefer: "When normalising was done well: the least grain and the least skin, but no margin.",
  },
  falling: {
    name: "Forge, falling heat",
    does: "Past the magnet, then left to fall in air: into the bath at the first pull.",
    prefer: "For small simple tools, judged without colour; the model shows what late costs.",
  },
  kiln: {
    name: "Kiln, controlled soak",
    does: "By thermometer: a controlled heat and a soak.",
    prefer: "When a kiln is there: every piece alike, and steels with chromium get the soak they want.",
  },
};

/** What is hardened and what draws it, in words. */
export const WAY_WORDS: Readonly<Record<Way, SchoolWords>> = {
  whole: {
    name: "All of it, oven temper",
    does: "Hardened whole, then tempered in an oven.",
    prefer: "The usual way: every part the same, and the oven can be checked.",
  },
  edge: {
    name: "Edge only",
    does: "Only the edge goes under; the back stays tough.",
    prefer: "For blades that are struck or bent: a soft back does not break.",
  },
  face: {
    name: "One end or face",
    does: "Only the end that works is heated and quenched.",
    prefer: "For hammers, punches and chisels: the body must not be hard.",
  },
  ends: {
    name: "Two ends, one after the other",
    does: "One end, then the other, the first kept cool meanwhile.",
    prefer: "For tools that work with both ends.",
  },
  run: {
    name: "Hardened, then a colour run",
    does: "Rubbed bright and warmed from the body until the colour reaches the edge.",
    prefer: "Without an oven, or where the body should be softer than the edge.",
  },
  residual: {
    name: "Drawn by its own heat",
    does: "Only the end is quenched; the heat left in the body runs back and tempers it.",
    prefer: "One heat, no oven, in the old way; it wants a quick eye.",
  },
};
