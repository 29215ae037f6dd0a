/** The schools of heating in words: what each does, and when one might prefer it. */

import type { School } from "@tembrak/core";

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
