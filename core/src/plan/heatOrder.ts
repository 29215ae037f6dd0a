/** In which order the parts of a piece take the heat: the heavy part first, what is thin or pointed last. */

import type { Piece, Way } from "../schema/book.js";
import { thickness_mm } from "./route.js";

/** From here the back is so much thicker than the edge that it has to lead (judgement). */
const UNEVEN = 4;
/** From here a blade does not lie in a small fire all at once, mm (judgement). */
const LONG_mm = 300;

/**
 * Short prompts, first things first.
 * Common practice, no source.
 */
export function heatOrder({ kind, section, length_mm }: Piece, way: Way | undefined): readonly string[] {
  const prompts: string[] = [];
  if (section.shape === "wedge") {
    prompts.push(
      kind === "axe" || kind === "froe" ? "Eye and poll first: the heavy part leads." : "Tang and spine first: the heavy part leads.",
    );
    if (section.spine_mm / section.edge_mm >= UNEVEN) prompts.push("Edge up, or away from the flame: thin, it runs ahead.");
    prompts.push("Tip past the flame, and in last: it is the first to be too hot.");
    if (length_mm >= LONG_mm) prompts.push("Draw it to and fro: no part waits in the hot spot.");
  } else if (way === "face" || way === "ends" || way === "residual") {
    prompts.push("Only the end that works goes to heat; the rest stays out of the fire.");
    prompts.push(
      kind === "hammer" ? "Struck face last into the hot spot: corners run ahead." : "Back from the point first, then the point.",
    );
    if (way === "ends") prompts.push("Keep the end that is hard already cool: wet rag, or its tray.");
  } else {
    prompts.push("Thick parts first, then turn it: every side sees the fire.");
    if (thickness_mm(section) < 10) prompts.push("Points and corners last: they run ahead.");
  }
  return prompts;
}
