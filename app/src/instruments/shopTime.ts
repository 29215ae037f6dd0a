/** The clock of a simulated shop as it is told apart from the wall's: one clock a piece, whatever its speed. Pure. */

import type { ShopReading } from "@tembrak/core";

type Told = Pick<ShopReading, "now_ms" | "speed">;

export interface Heard<R extends Told = ShopReading> {
  readonly reading: R;
  /** When it was heard of, real ms. */
  readonly at_ms: number;
  /** Simulated time by real time as it went between the last two: less than its speed where it is too much work. */
  readonly rate: number;
}

/** Between two that came closer than this no rate is told, ms. */
const TOO_CLOSE_ms = 50;
/** A shop is heard of four times a second: what it has not said for so long it is not taken to have done, ms. */
const HEARD_EVERY_ms = 250;

/** What is known of its clock once it was heard again. */
export function heardAt<R extends Told>(before: Heard<R> | null, reading: R, at_ms: number): Heard<R> {
  const { speed, now_ms } = reading;
  if (before === null || before.reading.speed !== speed) return { reading, at_ms, rate: speed };
  // Two that come at once, an answer and a message: the one that is further on.
  if (at_ms - before.at_ms < TOO_CLOSE_ms) return now_ms < before.reading.now_ms ? before : { reading, at_ms, rate: before.rate };
  return { reading, at_ms, rate: Math.min(speed, Math.max(0, (now_ms - before.reading.now_ms) / (at_ms - before.at_ms))) };
}

/** Its time now, ms: never further ahead of what was heard than it goes between two messages. */
export function ratedClock<R extends Told>({ reading, at_ms, rate }: Heard<R>, real_ms: number): number {
  return reading.now_ms + Math.min(HEARD_EVERY_ms, Math.max(0, real_ms - at_ms)) * rate;
}
