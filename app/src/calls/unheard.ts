/** What was called and nobody said *Heard* to: kept over a reload, and emptied by that word alone. */

import { useSyncExternalStore } from "react";
import type { Cue, CueKind } from "./cues.js";

/** A call with the piece it is of, and when it was told. */
export interface Call {
  readonly id: string;
  readonly name: string;
  readonly cue: Cue;
  /** How long after it was due it was told, s: more than a moment where nobody could hear it. */
  readonly late_s: number;
}

const KEY = "tembrak-unheard";
/** The same words of the same piece within this are one call that was worked out anew, ms. */
const SAME_ms = 60_000;
/** More than a day's calls are not kept. */
const MOST = 200;
const KINDS: ReadonlySet<string> = new Set<CueKind>(["ready", "look", "now", "late"]);

function isCall(kept: unknown): kept is Call {
  const { id, name, cue, late_s } = (kept ?? {}) as Partial<Call>;
  return (
    typeof id === "string" &&
    typeof name === "string" &&
    typeof late_s === "number" &&
    typeof cue?.words === "string" &&
    Number.isFinite(cue.at_ms) &&
    KINDS.has(cue.kind)
  );
}

function kept(): readonly Call[] {
  try {
    const read = JSON.parse(localStorage.getItem(KEY) ?? "[]") as unknown;
    return Array.isArray(read) ? read.filter(isCall) : [];
  } catch {
    return [];
  }
}

function isSame(a: Call, b: Call): boolean {
  return a.id === b.id && a.cue.words === b.cue.words && Math.abs(a.cue.at_ms - b.cue.at_ms) < SAME_ms;
}

/** Those of `more` that are not in `list` yet. Pure. */
export function newCalls(list: readonly Call[], more: readonly Call[]): readonly Call[] {
  return more.filter((call) => !list.some((one) => isSame(one, call)));
}

let list: readonly Call[] = kept();
const watchers = new Set<() => void>();

function show(next: readonly Call[]): void {
  list = next;
  for (const watcher of watchers) watcher();
}

function set(next: readonly Call[]): void {
  try {
    if (next.length === 0) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, JSON.stringify(next));
  } catch {
    // A browser that keeps nothing: this tab has them.
  }
  show(next);
}

/** Adds what was called. @returns those that are news */
export function keepUnheard(calls: readonly Call[]): readonly Call[] {
  // Another tab may have told the same a moment ago, or been told *Heard*.
  const fresh = newCalls(list, calls);
  if (fresh.length > 0) set([...list, ...fresh].sort((a, b) => a.cue.at_ms - b.cue.at_ms).slice(-MOST));
  return fresh;
}

export function hearAll(): void {
  set([]);
}

function watch(tell: () => void): () => void {
  const other = ({ key }: StorageEvent): void => (key === KEY ? show(kept()) : undefined);
  watchers.add(tell);
  window.addEventListener("storage", other);
  return () => {
    watchers.delete(tell);
    window.removeEventListener("storage", other);
  };
}

/** All that nobody has said *Heard* to, in order of time. */
export function useUnheard(): readonly Call[] {
  return useSyncExternalStore(watch, () => list);
}
