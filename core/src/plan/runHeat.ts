/** What a colour that was run to stands for, and where it is looked for. */

import type { Step } from "../schema/book.js";

/** The heat of a temper colour is that of a chart held so long, min (colour-note 2.2: films are calibrated to it). */
export const COLOUR_MIN = 3;
/**
 * What a colour that was run to has done, as a temper of an hour: so much over the heat of its colour, K, and how far that may be off
 * (temper-note 7.4, from memory: it runs on after it was seen, and in passes). A chisel of 54 to 58 HRC is run to brown and purple
 * (common practice, no source); by half a minute at that heat alone it would be six points harder.
 */
export const RUN_OVER_K = 20;
export const RUN_EQUAL_MIN = 60;
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
