/** What became of a piece, in words. */

import type { Fate, PieceState } from "@tembrak/core";
import { showMoment } from "../format/show.js";
import { measured } from "./measuredWords.js";

interface Fated {
  readonly is: string;
  /** What it means for the piece. */
  readonly then: string;
}

export const FATE_WORDS: Readonly<Record<Fate | "sound", Fated>> = {
  cracked: { is: "Cracked", then: "No heat and no bath until it is forged anew and looked at: a crack only runs on." },
  broken: { is: "Broken", then: "The broken face shows the grain: look at it before it rusts." },
  "given-up": { is: "Given up", then: "" },
  mistaken: { is: "Made by mistake", then: "" },
  lost: { is: "Lost", then: "" },
  sound: { is: "Forged anew, no crack to be seen", then: "" },
};

/** How it stands with a piece, on its record. */
export function endWords({ fate, finishedAt_ms, tests }: PieceState): string {
  if (fate !== null) return `${FATE_WORDS[fate.is].is} ${showMoment(fate.at_ms)}.`;
  if (finishedAt_ms === null) return "In work.";
  return `Finished ${showMoment(finishedAt_ms)}${tests.length === 0 ? ", untested" : ""}.`;
}

/** The same in a row of the book. */
export function rowEnd(state: PieceState): string {
  if (state.fate !== null) return FATE_WORDS[state.fate.is].is.toLowerCase();
  return measured(state)?.replace(/^[A-Z]/, (first) => first.toLowerCase()) ?? (state.finishedAt_ms === null ? "in work" : "not tested");
}
