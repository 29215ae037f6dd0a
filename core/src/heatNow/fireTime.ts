/** How long a piece has been in the fire in this heat, from its taps in and out; and where it is now. Pure. */

import type { PieceState } from "../book/state.js";
import type { Act } from "../plan/acts.js";

export interface FireTime {
  readonly state: "in" | "out" | "unknown";
  /** In the fire in this heat, s; since it is back, where it was away for long. */
  readonly in_s: number;
  /** Out of it since the last tap, s; 0 while it is in. */
  readonly out_s: number;
}

/** Longer than this in air and a magnet check costs more heat than it tells, s (capabilities row 50, common practice). */
export const LONG_OUT_s = 5;

/** Away for longer than this it is another heat: what was seen before says nothing of it, s (judgement: a blade falls a hundred degrees). */
const AWAY_s = 15;

/** When a piece came back into the fire of its heat after it was away for long, and for how long. */
export interface BackInFire {
  readonly at_ms: number;
  readonly away_s: number;
}

/** Null for a piece that was never away from its fire longer than for a look. @param until_ms what came after that is left out */
export function backInFire({ checks }: Pick<PieceState, "checks">, { id }: Act, until_ms = Infinity): BackInFire | null {
  let [out_ms, back]: [number | null, BackInFire | null] = [null, null];
  for (const { reading, at_ms, act } of checks) {
    if (act !== id || reading.check !== "fire" || at_ms > until_ms) continue;
    if (reading.state === "out") out_ms ??= at_ms;
    else {
      if (out_ms !== null && at_ms - out_ms > 1000 * AWAY_s) back = { at_ms, away_s: (at_ms - out_ms) / 1000 };
      out_ms = null;
    }
  }
  return back;
}

export function fireTime({ checks }: Pick<PieceState, "checks">, act: Act, now_ms: number): FireTime {
  const from_ms = backInFire({ checks }, act, now_ms)?.at_ms ?? -Infinity;
  let [state, since_ms, in_ms] = ["unknown" as FireTime["state"], 0, 0];
  for (const { reading, at_ms, act: of } of checks) {
    if (of !== act.id || reading.check !== "fire" || at_ms < from_ms) continue;
    if (reading.state === "in" && state !== "in") [state, since_ms] = ["in", at_ms];
    else if (reading.state === "out" && state === "in") {
      in_ms += at_ms - since_ms;
      [state, since_ms] = ["out", at_ms];
    } else if (reading.state === "out") [state, since_ms] = ["out", at_ms];
  }
  const now = state === "unknown" ? 0 : Math.max(0, now_ms - since_ms);
  return { state, in_s: (in_ms + (state === "in" ? now : 0)) / 1000, out_s: state === "out" ? now / 1000 : 0 };
}
