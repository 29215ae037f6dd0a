/** In which order the parts of a piece take the heat: the heavy part first, what is thin or pointed last. */

import type { Hardens, Piece } from "../schema/book.js";
import { thickness_mm } from "../shape/thickness.js";

/** From here the back is so much thicker than the edge that it has to lead (judgement). */
const UNEVEN = 4;
/** From here a blade does not lie in a small fire all at once, mm (judgement). */
const LONG_mm = 300;

export type HeatPrompt =
  | "eye-first"
  | "spine-first"
  | "edge-away"
  | "tip-last"
  | "to-and-fro"
  | "only-end"
  | "face-last"
  | "point-last"
  | "first-end-cool"
  | "thick-first"
  | "corners-last";

/**
 * Short prompts, first things first.
 * Common practice, no source.
 */
export function heatOrder({ kind, section, length_mm }: Piece, hardens: Hardens): readonly HeatPrompt[] {
  const prompts: HeatPrompt[] = [];
  if (section.shape === "wedge") {
    prompts.push(kind === "axe" || kind === "froe" ? "eye-first" : "spine-first");
    if (section.spine_mm / section.edge_mm >= UNEVEN) prompts.push("edge-away");
    prompts.push("tip-last");
    if (length_mm >= LONG_mm) prompts.push("to-and-fro");
  } else if (hardens === "face" || hardens === "ends") {
    prompts.push("only-end");
    prompts.push(kind === "hammer" ? "face-last" : "point-last");
    if (hardens === "ends") prompts.push("first-end-cool");
  } else {
    prompts.push("thick-first");
    if (thickness_mm(section) < 10) prompts.push("corners-last");
  }
  return prompts;
}
