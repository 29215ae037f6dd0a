/** Words for the grain of a break, and for how it stands to what the log says. */

import { BREAK_ASTM, type BreakLook } from "@tembrak/core";

export const BREAK_WORDS: Readonly<Record<BreakLook, { readonly name: string; readonly looks: string }>> = {
  1: { name: "Coarse sugar", looks: "facets one can count" },
  2: { name: "Sugar", looks: "glitters as it is turned" },
  3: { name: "Fine sand", looks: "dull, with a glint here and there" },
  4: { name: "Flour", looks: "even grey, no glint" },
  5: { name: "Silk", looks: "grey as velvet, smooth" },
};

/** Model and eye each are about a number off: further apart than this they do not agree (judgement). */
const APART = 2.5;

/** What a look at a break says beside the grain that the log makes. @param astmGrain by the model; null where it does not say */
export function breakWords(look: BreakLook, astmGrain: number | null): string {
  const is = `Its break looks like ${BREAK_WORDS[look].name.toLowerCase()}, grain about ${BREAK_ASTM[look].toFixed(0)}`;
  if (astmGrain === null) return `${is}.`;
  const finer = BREAK_ASTM[look] - Math.min(astmGrain, BREAK_ASTM[5]);
  if (finer < -APART)
    return `${is}, for ${astmGrain.toFixed(0)} by its log: it was hotter, or hot for longer, than anybody saw. Normalise it before it is hardened again.`;
  if (finer > APART) return `${is}, for ${astmGrain.toFixed(0)} by its log: it was less hot than logged.`;
  return `${is}: as its heats make it.`;
}
