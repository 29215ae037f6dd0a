/** The end of a long clock as a calendar file (RFC 5545): a locked phone's own calendar rings where a page cannot. */

import { createEvent } from "ics";

/** As long as it takes to read it, min. */
const LASTS_min = 5;

/** @throws Error where the calendar refuses it */
export function endEvent(title: string, end_ms: number, uid: string): string {
  const { error, value } = createEvent({
    uid,
    title,
    start: end_ms,
    startInputType: "utc",
    duration: { minutes: LASTS_min },
    productId: "tembrak",
    alarms: [{ action: "display", description: title, trigger: end_ms }],
  });
  if (typeof value !== "string") throw error ?? new Error("no calendar file");
  return value;
}
