/** When a piece was in its bath, by the taps. */

import type { LoggedCheck, PieceState } from "../book/state.js";

export interface BathTimes {
  readonly in_ms: number | null;
  /** When it was changed over while under: all of it, into the second bath, or the other end. */
  readonly over_ms: readonly number[];
  readonly out_ms: number | null;
}

/** When a step's piece went under last, and when it came out again, ms; null where the log does not say. */
export function bathTimes({ checks, acts, doneAt_ms }: Pick<PieceState, "checks" | "acts" | "doneAt_ms">, step: number): BathTimes {
  const own = acts.filter((act) => act.step === step);
  const isOwn = ({ act }: LoggedCheck): boolean => own.some(({ id }) => id === act);
  const tap = (state: "in" | "out", from_ms: number): number | null =>
    checks.findLast((c) => isOwn(c) && c.at_ms >= from_ms && c.reading.check === "bath" && c.reading.state === state)?.at_ms ?? null;
  const in_ms = tap("in", -Infinity);
  if (in_ms === null) return { in_ms, over_ms: [], out_ms: null };
  const quench = own.find(({ kind }) => kind === "quench");
  const done_ms = quench === undefined ? undefined : doneAt_ms.get(quench.id);
  const over_ms = checks.flatMap((c) =>
    isOwn(c) && c.at_ms >= in_ms && c.reading.check === "bath" && c.reading.state === "over" ? [c.at_ms] : [],
  );
  return { in_ms, over_ms, out_ms: tap("out", in_ms) ?? (done_ms !== undefined && done_ms >= in_ms ? done_ms : null) };
}
