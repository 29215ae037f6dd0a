/**
 * Lessons that were worked out before, by the question they answer: a page that opens tells at once what it would come to anyway, instead of
 * another figure first. No second book: a question not asked any more is never looked up, and another core asks anew.
 */

import type { Lesson } from "@tembrak/core";
import { coreBuild } from "./coreBuild.js";

const PLACE = "tembrak.lessons";
/** More than are read at a time: a book has them all, and one taken back and given again too. */
const MOST = 80;

type Entry = readonly [question: string, lesson: Lesson | null];

let entries: Map<string, Lesson | null> | null = null;

function isEntry(value: unknown): value is Entry {
  if (!Array.isArray(value) || typeof value[0] !== "string") return false;
  const lesson: unknown = value[1];
  return lesson === null || (typeof lesson === "object" && "surprise_HRC" in lesson && Number.isFinite(lesson.surprise_HRC));
}

function kept(): Map<string, Lesson | null> {
  if (entries !== null) return entries;
  entries = new Map();
  if (coreBuild === null) return entries;
  try {
    const { core, lessons } = JSON.parse(localStorage.getItem(PLACE) ?? "{}") as { core?: unknown; lessons?: unknown };
    if (core === coreBuild && Array.isArray(lessons)) entries = new Map(lessons.filter(isEntry));
  } catch {
    // Nothing is kept here, or it was spoiled: it is worked out again.
  }
  return entries;
}

/** Undefined for what was not asked yet. */
export function recalledLesson(question: string): Lesson | null | undefined {
  return kept().get(question);
}

export function rememberLesson(question: string, lesson: Lesson | null): void {
  const all = kept();
  all.delete(question);
  all.set(question, lesson);
  for (const oldest of all.keys()) {
    if (all.size <= MOST) break;
    all.delete(oldest);
  }
  if (coreBuild === null) return;
  try {
    localStorage.setItem(PLACE, JSON.stringify({ core: coreBuild, lessons: [...all] }));
  } catch {
    // No room, or not allowed: the next page works it out again.
  }
}
