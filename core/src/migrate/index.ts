/**
 * The road from every version there ever was to today's: pure steps, one a version. File and database share the number. A step is
 * never changed once a version has gone out; test/migrate opens a book of every version.
 */

import { BOOK_VERSION } from "../schema/version.js";
import { event16To17 } from "./book16To17.js";
import { event2To3 } from "./book2To3.js";

type EventStep = (event: unknown) => unknown;

/** What each version makes of an event of the version before it. */
const EVENT_STEPS: Readonly<
  Record<2 | 3 | 4 | 5 | 6 | 7 | 8 | 9 | 10 | 11 | 12 | 13 | 14 | 15 | 16 | 17 | typeof BOOK_VERSION, EventStep>
> = {
  2: (event) => event,
  3: event2To3,
  // Only more can be said.
  4: (event) => event,
  5: (event) => event,
  6: (event) => event,
  7: (event) => event,
  8: (event) => event,
  9: (event) => event,
  10: (event) => event,
  11: (event) => event,
  12: (event) => event,
  13: (event) => event,
  14: (event) => event,
  15: (event) => event,
  16: (event) => event,
  17: event16To17,
  18: (event) => event,
};

/** An event as today's schema has it, or that of an earlier version, from the version it was stored in. Not checked: what was spoiled stays spoiled. */
export function migrateEvent(event: unknown, from: number, until: number = BOOK_VERSION): unknown {
  return Object.entries(EVENT_STEPS).reduce((now, [to, step]) => (Number(to) > from && Number(to) <= until ? step(now) : now), event);
}

/** What a file says it is: a version this can open, one from a newer Tembrak, or nothing sensible. */
export function versionOf(value: { readonly formatVersion?: unknown }): number | "newer" | null {
  const { formatVersion: version } = value;
  if (typeof version !== "number" || !Number.isInteger(version) || version < 1) return null;
  return version > BOOK_VERSION ? "newer" : version;
}

/** A parsed book of any version as one of today. Not checked. */
export function migrateBook(value: Readonly<Record<string, unknown>>, from: number): Readonly<Record<string, unknown>> {
  if (from === BOOK_VERSION) return value;
  const { events } = value;
  return {
    ...value,
    formatVersion: BOOK_VERSION,
    events: Array.isArray(events) ? events.map((event) => migrateEvent(event, from)) : events,
  };
}
