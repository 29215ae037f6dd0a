/**
 * The book in memory: every row read and checked once. A tap reads what is new by its time and makes one piece anew, whatever the
 * book holds; anything that does not add up is read again in full.
 */

import { check, pieceState, type BookEvent, type PieceState } from "@tembrak/core";
import { GENERATION, store } from "./db.js";

export interface Mirror {
  /** Oldest first; the same object for a piece nothing happened to. */
  readonly pieces: readonly PieceState[];
  /** Rows as they are stored that are no events. */
  readonly unreadable: readonly unknown[];
  /** What was logged of each bath of the kit, by its id; the same array while nothing more was. */
  readonly baths: ReadonlyMap<string, readonly BookEvent[]>;
}

interface Held {
  generation: unknown;
  /** Every stored row, readable or not, by its id. */
  readonly known: Set<string>;
  readonly events: Map<string, BookEvent[]>;
  readonly states: Map<string, PieceState | null>;
  readonly unreadable: unknown[];
  newest_ms: number;
  shown: Mirror;
}

function empty(generation: unknown): Held {
  const shown = { pieces: [], unreadable: [], baths: new Map<string, readonly BookEvent[]>() };
  return { generation, known: new Set(), events: new Map(), states: new Map(), unreadable: [], newest_ms: -Infinity, shown };
}

let held: Held | null = null;

/** Takes rows in that were not known. @returns whether there were any. */
function take(into: Held, rows: readonly { readonly id: string }[]): boolean {
  const touched = new Set<string>();
  let isUnread = false;
  for (const row of rows) {
    if (into.known.has(row.id)) continue;
    into.known.add(row.id);
    const checked = check("Event", row);
    if (!checked.ok) {
      into.unreadable.push(row);
      isUnread = true;
      continue;
    }
    const event = checked.value;
    const own = into.events.get(event.piece);
    if (own) own.push(event);
    else into.events.set(event.piece, [event]);
    touched.add(event.piece);
    into.newest_ms = Math.max(into.newest_ms, event.at_ms);
  }
  for (const id of touched) into.states.set(id, pieceState(id, into.events.get(id)!));
  if (touched.size === 0 && !isUnread) return false;
  const pieces = [...into.states.values()].flatMap((state) => state ?? []).sort((a, b) => a.madeAt_ms - b.madeAt_ms);
  const baths = new Map(into.shown.baths);
  for (const id of touched) if (into.events.get(id)!.some(({ kind }) => kind === "bath")) baths.set(id, [...into.events.get(id)!]);
  into.shown = { pieces, unreadable: [...into.unreadable], baths };
  return true;
}

/** The book as it is on disk now. Call it inside a live query: it reads the tables that query has to watch. */
export async function readMirror(): Promise<Mirror> {
  const [generation, count] = await Promise.all([store.settings.get(GENERATION), store.events.count()]);
  const before = held;
  if (before !== null && before.generation === generation?.value && count >= before.known.size) {
    if (count > before.known.size) take(before, await store.events.where("at_ms").aboveOrEqual(before.newest_ms).toArray());
    else await store.events.where("at_ms").aboveOrEqual(before.newest_ms).primaryKeys();
    if (count <= before.known.size) return before.shown;
  }
  const fresh = empty(generation?.value);
  take(fresh, await store.events.orderBy("at_ms").toArray());
  held = fresh;
  return fresh.shown;
}

/** Forgets everything: the next look reads all of it. For tests that change rows behind its back. */
export function forgetMirror(): void {
  held = null;
}
