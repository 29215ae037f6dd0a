/** A tap into the bath that may have come late, in one line. */

import type { BookEvent, TapDoubt, TimeReason } from "@tembrak/core";
import { showClockTime } from "../format/show.js";

export function tapWords({ tapped_s, usual_s }: Pick<TapDoubt, "tapped_s" | "usual_s">): string {
  return `${Math.round(tapped_s)} s from the fire to the bath, where ${usual_s.toFixed(1)} is usual: really, or tapped late?`;
}

export function tapKeys({ tapped_s }: Pick<TapDoubt, "tapped_s">): { readonly really: string; readonly late: string } {
  return { really: `Really ${Math.round(tapped_s)} s`, late: "Tapped late" };
}

const WHY: Readonly<Record<TimeReason, string>> = {
  "tapped-late": "tapped late",
  "tapped-early": "tapped early",
  "as-tapped": "so it was, as tapped",
  remembered: "remembered later",
};

/** `10:41:07, tapped late`. */
export function correctedWords({ true_ms, why }: Extract<BookEvent, { kind: "corrected" }>): string {
  return why === "as-tapped" ? `${showClockTime(true_ms)}: ${WHY[why]}` : `it was at ${showClockTime(true_ms)}, ${WHY[why]}`;
}
