/** In what and by what a piece is heated, and the ways to harden, in words: what each does, and when one might prefer it. */

import type { Draws, Hardens, HeatedIn, Heating, JudgedBy, Way } from "@tembrak/core";

export interface SchoolWords {
  readonly name: string;
  readonly does: string;
  readonly prefer: string;
}

/** What it is heated in. `does`: what to mind of it. */
export const PLACE_OF_HEAT: Readonly<Record<HeatedIn, { readonly name: string; readonly does: string }>> = {
  forge: { name: "Forge", does: "A fire that is set, and stays so." },
  coal: { name: "Coal fire", does: "Coal or charcoal: deep, clean, and no blast on the piece." },
  torch: { name: "Torch", does: "Small pieces, a flame kept moving: the thin parts run ahead." },
  kiln: { name: "Kiln", does: "Even and slow; it can hold." },
  salt: { name: "Salt pot", does: "Even, quick, no scale. Dry pieces only, and by the maker's sheet: water in it bursts." },
};

/** By what one sees that it is hot enough. */
export const JUDGE_WORDS: Readonly<Record<JudgedBy, SchoolWords>> = {
  shade: {
    name: "A shade past the magnet",
    does: "By colour and magnet: a shade past where it lets go.",
    prefer: "When the start is not known to be fine pearlite: the shade is the margin.",
  },
  touch: {
    name: "To the magnet and no further",
    does: "By magnet alone: normalised first, then to where it lets go, and into the bath.",
    prefer: "When normalising was done well: the least grain and the least skin, but no margin.",
  },
  pull: {
    name: "Falling heat",
    does: "Past the magnet, then left to fall in air: into the bath at the first pull.",
    prefer: "For small simple tools, judged without colour; the model shows what late costs.",
  },
  colour: {
    name: "By colour alone",
    does: "By its glow in your own light: the middle of what the steel bears.",
    prefer: "With a trained eye and no magnet at hand; an eye errs to both sides.",
  },
  controller: {
    name: "Controlled soak",
    does: "By thermometer: a controlled heat and a soak.",
    prefer: "When a kiln is there: every piece alike, and steels with chromium get the soak they want.",
  },
  probe: {
    name: "By a probe beside it",
    does: "By a thermometer held beside the steel, to the middle of its range.",
    prefer: "When heat and soak should be known, and nothing sets them.",
  },
};

/** Both answers in one line. */
export function heatingName({ in: place, by }: Heating): string {
  const judged = JUDGE_WORDS[by].name;
  return `${PLACE_OF_HEAT[place].name}, ${judged[0]!.toLowerCase()}${judged.slice(1)}`;
}

export const HARDENS_WORDS: Readonly<Record<Hardens, SchoolWords>> = {
  whole: { name: "All of it", does: "Hardened whole.", prefer: "The usual way: every part the same." },
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
};

export const DRAWS_WORDS: Readonly<Record<Draws, SchoolWords>> = {
  oven: { name: "Oven", does: "Tempered in an oven, after a thermometer.", prefer: "The usual way: it can be checked." },
  oil: {
    name: "Hot oil",
    does: "Tempered in a pot of warm oil, after the thermometer in it.",
    prefer: "Even heat, and quick to be there; it ends where the oil smokes.",
  },
  salt: {
    name: "Molten salt",
    does: "Tempered in a pot of molten salt, after the thermometer in it.",
    prefer: "The evenest heat there is, up to a spring's; for a shop that knows its dangers.",
  },
  sand: {
    name: "Hot sand",
    does: "Buried in a tray of sand over a heat, a thermometer beside it.",
    prefer: "What is too long for any oven; the heat is less even.",
  },
  torch: {
    name: "Colour run, with a torch",
    does: "Rubbed bright and warmed from the body until the colour reaches the edge.",
    prefer: "Without an oven, or where the body should be softer than the edge.",
  },
  "hot-bar": {
    name: "Colour run, on a hot bar",
    does: "Rubbed bright, the back laid on a hot bar until the colour reaches the edge.",
    prefer: "Without a torch: slower, and easier to stop in time.",
  },
  residual: {
    name: "Its own heat",
    does: "The heat left in the body runs back and tempers it.",
    prefer: "One heat, no oven, in the old way; it wants a quick eye.",
  },
};

/** What of it is not as usual, short; nothing for all of it in the oven. */
export function wayWords({ hardens, draws }: Way): string {
  const what = hardens === "whole" ? [] : [HARDENS_WORDS[hardens].name.toLowerCase()];
  return [...what, ...(draws === "oven" ? [] : [DRAWS_WORDS[draws].name.toLowerCase()])].join(", ");
}
