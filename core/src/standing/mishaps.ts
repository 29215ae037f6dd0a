/** What went otherwise in a quench, by the taps. */

import type { PieceState } from "../book/state.js";
import type { Mishap } from "../schema/book.js";

/** What went otherwise in a quench, as it was tapped. */
export function mishapsOf({ checks, acts }: Pick<PieceState, "checks" | "acts">, step: number): ReadonlySet<Mishap> {
  const own = new Set(acts.filter((act) => act.step === step).map(({ id }) => id));
  return new Set(checks.flatMap(({ act, reading }) => (reading.check === "mishap" && own.has(act) ? [reading.what] : [])));
}
