/** Taps the browser refused to store: kept for this tab in memory and in its session, on whatever screen, until stored or exported. */

import { migrateEvent, requireValid, type BookEvent } from "@tembrak/core";
import { useSyncExternalStore } from "react";
import { mergeBook } from "./db.js";

const KEY = "tembrak refused";
/** The last version whose events read otherwise than today's; what is of a later one is left as it is by the road from there. */
const LAST_OTHER = 16;

function fromSession(): readonly BookEvent[] {
  try {
    const kept = JSON.parse(sessionStorage.getItem(KEY) ?? "[]") as readonly unknown[];
    // Kept by the page before this one, which may have been of the version before: what is of today stays as it is.
    return kept.map((event) => requireValid("Event", migrateEvent(event, LAST_OTHER)));
  } catch {
    return [];
  }
}

let refused: readonly BookEvent[] = fromSession();
const watchers = new Set<() => void>();

function askBeforeLeaving(event: BeforeUnloadEvent): void {
  event.preventDefault();
}

function set(next: readonly BookEvent[]): void {
  refused = next;
  try {
    if (next.length === 0) sessionStorage.removeItem(KEY);
    else sessionStorage.setItem(KEY, JSON.stringify(next));
  } catch {
    // A browser that keeps nothing keeps no session either: memory has them.
  }
  if (next.length === 0) window.removeEventListener("beforeunload", askBeforeLeaving);
  else window.addEventListener("beforeunload", askBeforeLeaving);
  for (const watcher of watchers) watcher();
}

export function refusedTaps(): readonly BookEvent[] {
  return refused;
}

/** An act ends once, however often its key was pressed while the browser refused. */
function isSameEnd(a: BookEvent, b: BookEvent): boolean {
  return a.kind === "act-done" && b.kind === "act-done" && a.piece === b.piece && a.act === b.act;
}

export function keepRefused(events: readonly BookEvent[]): void {
  const fresh = events.filter((event) => !refused.some((kept) => isSameEnd(kept, event)));
  if (fresh.length > 0) set([...refused, ...fresh]);
}

/** Tries to store them once more. @throws what the browser says; they are kept then. */
export async function storeRefused(): Promise<void> {
  const tried = refused;
  if (tried.length === 0) return;
  await mergeBook(tried);
  set(refused.filter((event) => !tried.includes(event)));
}

function watch(onChange: () => void): () => void {
  watchers.add(onChange);
  return () => watchers.delete(onChange);
}

/** How many there are, on any screen. */
export function useRefused(): number {
  return useSyncExternalStore(watch, () => refused.length);
}
