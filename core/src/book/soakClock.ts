/** The two clocks of a soak: how long the chamber is at heat, and how long the piece has truly had, door openings left out. */

import type { Act } from "../plan/acts.js";
import type { PieceState } from "./state.js";

/** The chamber is back when its reading is within 10 F of the heat wanted, K (capabilities row 54, common practice). */
export const BACK_WITHIN_K = 5.6;

export interface SoakClock {
  /** What the piece has had at heat, s: while the chamber was down it is not counted. */
  readonly piece_s: number;
  /** Left of the hold, s; negative when over. */
  readonly left_s: number;
  /** Since the chamber first read its heat, s; null where nobody read it. */
  readonly chamber_s: number | null;
  /** The door was opened and no reading since says that the chamber is back. */
  readonly waitsForChamber: boolean;
  /** Lost to door openings so far, s. */
  readonly lost_s: number;
  /** When the hold ends if nothing more happens, ms; null while it waits for the chamber. */
  readonly end_ms: number | null;
}

/**
 * Reads the clocks of a hold from the log.
 *
 * An opening of the door stops the piece's clock until a chamber reading is back within 10 F of the heat. A hold in a forge has no
 * door, so its clock never stops.
 * @param now_ms the present, milliseconds since 1970 UTC.
 */
export function soakClock({ checks, acts, nextSince_ms }: PieceState, act: Extract<Act, { kind: "hold" }>, now_ms: number): SoakClock {
  const start_ms = nextSince_ms ?? now_ms;
  let [opened_ms, lost_ms] = [null as number | null, 0];
  let chamber_ms: number | null = null;
  // Of this heat alone: the chamber of an earlier, hotter one says nothing.
  const own = new Set(acts.filter(({ step }) => step === act.step).map(({ id }) => id));
  for (const { reading, at_ms, act: of } of checks) {
    if (!own.has(of)) continue;
    if (reading.check === "chamber" && reading.temperature_C >= act.target_C - BACK_WITHIN_K) {
      chamber_ms ??= at_ms;
      if (opened_ms !== null) lost_ms += at_ms - opened_ms;
      opened_ms = null;
    }
    if (reading.check === "door" && reading.state === "open" && at_ms >= start_ms && opened_ms === null) opened_ms = at_ms;
  }
  const open_ms = opened_ms === null ? 0 : Math.max(0, now_ms - opened_ms);
  const piece_s = Math.max(0, now_ms - start_ms - lost_ms - open_ms) / 1000;
  return {
    piece_s,
    left_s: act.hold_s - piece_s,
    chamber_s: chamber_ms === null ? null : Math.max(0, now_ms - chamber_ms) / 1000,
    waitsForChamber: opened_ms !== null,
    lost_s: (lost_ms + open_ms) / 1000,
    end_ms: opened_ms === null ? start_ms + act.hold_s * 1000 + lost_ms : null,
  };
}
