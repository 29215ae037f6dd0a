/** How long a piece has been in the fire in this heat, from its taps in and out; and where it is now. Pure. */

import type { PieceState } from "../book/state.js";
import type { Act } from "../plan/acts.js";

export interface FireTime {
  readonly state: "in" | "out" | "unknown";
  /** In the fire in this heat, s. */
  readonly in_s: number;
  /** Out of it since the last tap, s; 0 while it is in. */
  readonly out_s: number;
}

/** Longer than this in air and a magnet check costs more heat than it tells, s (capabilities row 50, common practice). */
export const LONG_OUT_s = 5;

export function fireTime({ checks }: Pick<PieceState, "checks">, act: Act, now_ms: number): FireTime {
  let [state, since_ms, in_ms] = ["unknown" as FireTime["state"], 0, 0];
  for (const { reading, at_ms, act: of } of checks) {
    if (of !== act.id || reading.check !== "fire") continue;
    if (reading.state === "in" && state !== "in") [state, since_ms] = ["in", at_ms];
    else if (reading.state === "out" && state === "in") {
      in_ms += at_ms - since_ms;
      [state, since_ms] = ["out", at_ms];
    } else if (reading.state === "out") [state, since_ms] = ["out", at_ms];
  }
  const now = state === "unknown" ? 0 : Math.max(0, now_ms - since_ms);
  return { state, in_s: (in_ms + (state === "in" ? now : 0)) / 1000, out_s: state === "out" ? now / 1000 : 0 };
}
