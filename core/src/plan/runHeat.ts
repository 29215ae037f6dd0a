/** What a colour that was run to stands for, and where it is looked for. */

import type { Step } from "../schema/book.js";

/** The heat of a temper colour is that of a chart held so long, min (colour-note 2.2: films are calibrated to it). */
export const COLOUR_MIN = 3;
/**
 * What a colour that was run to has done to the steel: what its film took to grow, by the one clock of film and temper: its heat for so many
 * minutes. How far that may be off, K (temper-note 7.4, from memory: runs go on after they were seen, and in passes).
 */
export const RUN_DOUBT_K = 25;
/** First of the colours anybody can stop at, C: light straw. */
export const FIRST_COLOUR_C = 210;
/** What a line behind an edge in water is watched for, C: dark straw. Behind it the back is blue by then, a spring. */
export const MARK_C = 240;

type Run = Extract<Step, { kind: "run" }>;

/** What is looked for in a run: the colour of a mark behind an edge that stays bare, or of the edge itself. */
export function watchedOf({ temperature_C, mark }: Pick<Run, "temperature_C" | "mark">): NonNullable<Run["mark"]> {
  return mark ?? { temperature_C, behind_mm: 0 };
}
