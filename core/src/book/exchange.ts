/** The `.tembrak.json` file: written so that it comes back identical, read so that a bad one changes nothing. */

import { InputError } from "../errors.js";
import { migrateBook, versionOf } from "../migrate/index.js";
import type { Book, BookEvent } from "../schema/book.js";
import type { Kit } from "../schema/kit.js";
import { check } from "../schema/checkPage.js";
import { BOOK_VERSION } from "../schema/version.js";
import { heatsDone, piecesOf } from "./state.js";

export interface FileProblem {
  readonly path: string;
  readonly message: string;
}

export interface FileReport {
  readonly ok: boolean;
  readonly pieces: number;
  readonly heats: number;
  readonly problems: readonly FileProblem[];
}

/** Line and column of a character, both from 1. */
function placeOf(text: string, at: number): string {
  const before = text.slice(0, at).split("\n");
  return `line ${before.length}, column ${before[before.length - 1]!.length + 1}`;
}

/** Nothing that is read here is nested deeper than a dozen levels. */
const DEEPEST = 200;

/** Where a text is nested deeper than anything meant, or -1. */
function tooDeepAt(text: string): number {
  let [depth, inString] = [0, false];
  for (let i = 0; i < text.length; i++) {
    const letter = text.charCodeAt(i);
    if (inString) {
      if (letter === 92) i++;
      else if (letter === 34) inString = false;
    } else if (letter === 34) inString = true;
    else if (letter === 91 || letter === 123) {
      if (++depth > DEEPEST) return i;
    } else if (letter === 93 || letter === 125) depth--;
  }
  return -1;
}

/** With or without a byte-order mark. @throws InputError invalid-json, saying where in the text where that is known. */
export function parseJson(marked: string): unknown {
  const text = marked.startsWith("\uFEFF") ? marked.slice(1) : marked;
  const deep = tooDeepAt(text);
  if (deep >= 0) {
    const message = `The text is nested deeper than anything here is: see ${placeOf(text, deep)}.`;
    throw new InputError({ code: "invalid-json", path: "", message });
  }
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    const said = error instanceof Error ? error.message : "";
    const position = /position (\d+)/.exec(said)?.[1];
    const isCut = /Unexpected end|Unterminated/.test(said);
    const place = isCut
      ? `it ends too early, at ${placeOf(text, text.length)}`
      : position === undefined
        ? "it is not JSON"
        : `it stops making sense at ${placeOf(text, Number(position))}`;
    throw new InputError({ code: "invalid-json", path: "", message: `The text is damaged: ${place}.` });
  }
}

function eventProblems(events: readonly BookEvent[]): FileProblem[] {
  const problems: FileProblem[] = [];
  const ids = new Set<string>();
  // What is told of a bath stands under its id in the kit, which may have been thrown out since.
  const defined = new Set(events.flatMap((e) => (e.kind === "piece" || e.kind === "bath" ? [e.piece] : [])));
  events.forEach((event, i) => {
    const path = `/events/${i}`;
    if (ids.has(event.id)) problems.push({ path: `${path}/id`, message: `${path}/id: the event "${event.id}" stands twice in the file` });
    ids.add(event.id);
    if (!defined.has(event.piece)) {
      problems.push({ path: `${path}/piece`, message: `${path}/piece: nothing in the file says what piece "${event.piece}" is` });
    }
  });
  return problems;
}

/** Clocks of two tabs may be so far apart, ms. */
const GRACE_ms = 60_000;

/** When anything of steel was last logged, ms: a practice piece lives by a time of its own. */
function newest_ms(events: readonly BookEvent[]): number {
  const practice = new Set(events.flatMap((e) => (e.kind === "piece" && e.definition.isPractice === true ? [e.piece] : [])));
  return events.reduce((newest, { piece, at_ms }) => (practice.has(piece) ? newest : Math.max(newest, at_ms)), 0);
}

/** Nothing can have been logged after the file was written; before version 5 that was not seen to. */
function timeProblems({ events, exportedAt_ms }: Book, from: number): FileProblem[] {
  if (from < 5 || newest_ms(events) <= exportedAt_ms + GRACE_ms) return [];
  const i = events.findIndex(({ at_ms }) => at_ms === newest_ms(events));
  const path = `/events/${i}/at_ms`;
  return [{ path, message: `${path}: this was logged after the file was written (/exportedAt_ms): one of the two times is wrong` }];
}

function kitProblems(kit: Kit): FileProblem[] {
  const ids = new Set<string>();
  return kit.flatMap(({ id }, i) => {
    const path = `/kit/${i}/id`;
    const isTwice = ids.has(id);
    ids.add(id);
    return isTwice ? [{ path, message: `${path}: the kit has "${id}" twice` }] : [];
  });
}

/** All that is wrong with a parsed file, and what is in it. Never throws. */
export function checkBook(value: unknown): FileReport & { readonly book: Book | null } {
  const empty = { ok: false, pieces: 0, heats: 0, book: null };
  if (typeof value !== "object" || value === null || (value as { format?: unknown }).format !== "tembrak") {
    return { ...empty, problems: [{ path: "/format", message: '/format: this is not a Tembrak file; it should say "format": "tembrak"' }] };
  }
  const version = versionOf(value);
  if (version === null || version === "newer") {
    const said = JSON.stringify((value as { formatVersion?: unknown }).formatVersion) ?? "nothing";
    const message =
      version === "newer"
        ? `/formatVersion: this file is of version ${said}, from a newer Tembrak; this one reads up to version ${BOOK_VERSION}. Take the new Tembrak first: nothing was changed`
        : `/formatVersion: this file says version ${said}; this Tembrak reads versions 1 to ${BOOK_VERSION}`;
    return { ...empty, problems: [{ path: "/formatVersion", message }] };
  }
  const checked = check("Book", migrateBook(value as Readonly<Record<string, unknown>>, version));
  if (!checked.ok) return { ...empty, problems: checked.problems.map(({ path, message }) => ({ path, message: message ?? path })) };
  const problems = [
    ...eventProblems(checked.value.events),
    ...timeProblems(checked.value, version),
    ...kitProblems(checked.value.kit ?? []),
  ];
  const pieces = piecesOf(checked.value.events);
  return {
    ok: problems.length === 0,
    pieces: pieces.length,
    heats: pieces.reduce((sum, piece) => sum + heatsDone(piece), 0),
    problems,
    book: problems.length === 0 ? checked.value : null,
  };
}

/** A book from the text of a file. @throws InputError with the place in the file at fault. */
export function readBook(text: string): Book {
  return requireBook(parseJson(text));
}

/** A book from a parsed file. @throws InputError as `readBook`. */
export function requireBook(value: unknown): Book {
  const report = checkBook(value);
  if (report.book !== null) return report.book;
  const { path, message } = report.problems[0]!;
  throw new InputError({
    code: path === "/format" ? "not-a-tembrak-file" : path === "/formatVersion" ? "wrong-version" : "inconsistent",
    path,
    message,
  });
}

/** The text of a file: events in the order of their time, then of their id, so that equal books give equal text. */
export function writeBook(events: readonly BookEvent[], exportedAt_ms: number, kit: Kit | null = null): string {
  const ordered = [...events].sort((a, b) => a.at_ms - b.at_ms || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));
  const book: Book = {
    format: "tembrak",
    formatVersion: BOOK_VERSION,
    exportedAt_ms: Math.max(exportedAt_ms, newest_ms(ordered)),
    events: ordered,
    ...(kit === null ? {} : { kit: [...kit] }),
  };
  return `${JSON.stringify(book, null, 1)}\n`;
}
