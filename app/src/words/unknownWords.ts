/** What of a piece this Tembrak does not know, in a sentence. */

import { CATALOGUE, unknownIn, type PieceState, type Unknown } from "@tembrak/core";

const WHAT: Readonly<Record<Unknown["what"], string>> = { steel: "steel", use: "use", medium: "bath" };

export function unknownOf({ piece, route }: Pick<PieceState, "piece" | "route">): readonly Unknown[] {
  return unknownIn(CATALOGUE, piece, route);
}

/** Null where all of it is known. */
export function unknownWords(state: Pick<PieceState, "piece" | "route">): string | null {
  const unknown = unknownOf(state);
  if (unknown.length === 0) return null;
  const named = unknown.map(({ what, got }) => `the ${WHAT[what]} "${got}"`).join(" and ");
  return `This Tembrak does not know ${named}: nothing can be worked out for it. Its name and its log are kept as they came.`;
}
