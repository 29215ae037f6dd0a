/** A piece as it stands: the sum of its events, in the order they happened. */

import { testFound } from "../evidence/storedTest.js";
import { actsOfRoute, stageOf, type Act, type Stage } from "../plan/acts.js";
import { hardeningFrom } from "../plan/way.js";
import { thickness_mm } from "../shape/thickness.js";
import { insertedIn, movedAct } from "./inserted.js";
import { unsaid } from "../unsaid.js";
import type { BookEvent, Check, Fate, HardnessTest, Piece, Route } from "../schema/book.js";

export interface LoggedCheck {
  readonly id: string;
  readonly at_ms: number;
  readonly act: string;
  readonly reading: Check;
}

export interface LoggedTest {
  readonly id: string;
  readonly at_ms: number;
  readonly act: string;
  readonly test: HardnessTest;
}

export interface PieceState {
  readonly id: string;
  readonly piece: Piece;
  readonly route: Route | null;
  readonly madeAt_ms: number;
  readonly acts: readonly Act[];
  /** The act that comes next; undefined when all are done. */
  readonly next: Act | undefined;
  /** When each done act was done. */
  readonly doneAt_ms: ReadonlyMap<string, number>;
  /** When the next act began: when the one before it was done. Null before the first. */
  readonly nextSince_ms: number | null;
  readonly checks: readonly LoggedCheck[];
  readonly tests: readonly LoggedTest[];
  readonly notes: readonly { readonly id: string; readonly at_ms: number; readonly text: string }[];
  /** Entries whose time somebody put right, or said to be right. */
  readonly asked: ReadonlySet<string>;
  /** When it left the bath hard and untempered; null once the first temper has been held, or before. */
  readonly brittleSince_ms: number | null;
  readonly finishedAt_ms: number | null;
  /** What became of it, where it did not get done; null while it is sound. */
  readonly fate: { readonly is: Fate; readonly at_ms: number; readonly event: string } | null;
  readonly stage: Stage;
  /** Events that count, oldest first. */
  readonly events: readonly BookEvent[];
}

/** Shorter than so many times its thickness nothing bends in the bath, and nobody could bend it back (judgement). */
const STUBBY = 6;

/** Whether it is too short to bend. */
export function isStubby({ length_mm, section }: Pick<Piece, "length_mm" | "section">): boolean {
  return length_mm < STUBBY * thickness_mm(section);
}

/** The acts of a route for this piece: a hammer is not sighted along. */
function actsFor(piece: Piece, route: Route): readonly Act[] {
  const acts = actsOfRoute(route);
  return isStubby(piece) ? acts.filter(({ kind }) => kind !== "straighten") : acts;
}

/**
 * Events in the order they happened, each when it really was, without those withdrawn and the withdrawals themselves. Equal times keep
 * their order.
 */
export function standing(events: readonly BookEvent[]): BookEvent[] {
  const ordered = [...events].sort((a, b) => a.at_ms - b.at_ms);
  const withdrawn = new Set(ordered.flatMap((e) => (e.kind === "withdrawn" ? [e.event] : [])));
  const left = ordered.filter((e) => e.kind !== "withdrawn" && !withdrawn.has(e.id));
  const really = new Map(left.flatMap((e) => (e.kind === "corrected" ? [[e.event, e.true_ms] as const] : [])));
  if (really.size === 0) return left;
  return left.map((e) => ({ ...e, at_ms: really.get(e.id) ?? e.at_ms })).sort((a, b) => a.at_ms - b.at_ms);
}

function stageNow(route: Route | null, next: Act | undefined, started: boolean, isFinished: boolean): Stage {
  if (isFinished) return "done";
  if (route === null || !started) return "prepare";
  return stageOf(next) === "done" ? "prove" : stageOf(next);
}

/** Null when the events do not say what the piece is. */
export function pieceState(id: string, all: readonly BookEvent[]): PieceState | null {
  const events = standing(all);
  let piece: Piece | null = null;
  let route: Route | null = null;
  let finishedAt_ms: number | null = null;
  let fate: PieceState["fate"] = null;
  let madeAt_ms = 0;
  const doneAt_ms = new Map<string, number>();
  const asked = new Set<string>();
  let checks: LoggedCheck[] = [];
  const tests: LoggedTest[] = [];
  const notes: { id: string; at_ms: number; text: string }[] = [];
  for (const event of events) {
    const { at_ms } = event;
    switch (event.kind) {
      case "piece":
        if (piece === null) madeAt_ms = at_ms;
        piece = event.definition;
        break;
      case "route": {
        const put = route === null ? null : insertedIn(route, event.route);
        if (put !== null) checks = checks.map((check) => ({ ...check, act: movedAct(check.act, put) }));
        route = event.route;
        break;
      }
      case "act-done":
        doneAt_ms.set(event.act, at_ms);
        break;
      case "check":
        checks.push({ id: event.id, at_ms, act: event.act, reading: event.reading });
        break;
      case "test":
        tests.push({ id: event.id, at_ms, act: event.act, test: event.test });
        break;
      case "note":
        notes.push({ id: event.id, at_ms, text: event.text });
        break;
      case "finished":
        finishedAt_ms = at_ms;
        break;
      case "fate":
        fate = event.fate === "sound" ? null : { is: event.fate, at_ms, event: event.id };
        break;
      case "bath":
        // Of a bath of the kit: no piece's.
        break;
      case "corrected":
        asked.add(event.event);
        break;
      case "withdrawn":
        // Already taken out by `standing`, with what it withdraws.
        break;
      default:
        unsaid(event);
    }
  }
  if (piece === null) return null;
  const acts = route === null ? [] : actsFor(piece, route);
  const next = acts.find((act) => !doneAt_ms.has(act.id));
  const at = next === undefined ? acts.length : acts.indexOf(next);
  const nextSince_ms = at > 0 ? (doneAt_ms.get(acts[at - 1]!.id) ?? null) : null;
  const isDone = ({ id: act }: Act): boolean => doneAt_ms.has(act);
  const lastQuench = acts.map((act) => act.kind === "quench" && isDone(act)).lastIndexOf(true);
  const isRelieved = lastQuench >= 0 && isDrawn(acts, lastQuench, doneAt_ms);
  return {
    id,
    piece,
    route,
    madeAt_ms,
    acts,
    next,
    doneAt_ms,
    nextSince_ms,
    checks,
    tests,
    notes,
    asked,
    brittleSince_ms:
      lastQuench < 0 || isRelieved || fate !== null ? null : brittleFrom(piece, tests, doneAt_ms.get(acts[lastQuench]!.id) ?? null),
    finishedAt_ms,
    fate,
    stage: stageNow(route, next, doneAt_ms.size > 0, finishedAt_ms !== null || fate !== null),
    events,
  };
}

/** What takes the brittleness out, by how its act is named: also one of a route that was planned anew since. */
const DRAWS_IT = /-(temper|run|heat)$/;

/** Whether any heat came after a quench: what stands before it in the plan did not, whatever its clock said. */
function isDrawn(acts: readonly Act[], quench: number, doneAt_ms: ReadonlyMap<string, number>): boolean {
  const out_ms = doneAt_ms.get(acts[quench]!.id)!;
  const before = new Set(acts.slice(0, quench).map(({ id }) => id));
  return [...doneAt_ms].some(([id, at_ms]) => at_ms > out_ms && DRAWS_IT.test(id) && !before.has(id));
}

/** Steel that is surely no harder than this bends before it breaks, HRC (judgement). */
const BRITTLE_HRC = 50;

/** Out of the bath and untempered it is taken to be brittle, until a test of it says that it did not harden. */
function brittleFrom({ section }: Piece, tests: readonly LoggedTest[], out_ms: number | null): number | null {
  const last = out_ms === null ? undefined : tests.findLast(({ at_ms }) => at_ms >= out_ms);
  const found = last === undefined ? null : testFound(last.test, section);
  return found !== null && found.p95_HRC < BRITTLE_HRC ? null : out_ms;
}

/** Still to be worked on: not finished, and sound. */
export function isInWork({ finishedAt_ms, fate }: Pick<PieceState, "finishedAt_ms" | "fate">): boolean {
  return finishedAt_ms === null && fate === null;
}

/** After this long in the first temper the piece is at heat and no longer brittle, min (judgement). */
const RELIEVED_MIN = 15;

/** Since when a piece is hard and untempered; null when it is not, when its first temper has reached its heat, or it is in the fire again. */
export function brittleSince(
  { brittleSince_ms, checks, acts, doneAt_ms, route, next, nextSince_ms }: PieceState,
  now_ms: number,
): number | null {
  const isAtHeat = next?.kind === "temper" && nextSince_ms !== null && now_ms - nextSince_ms > RELIEVED_MIN * 60000;
  const fire = next?.kind === "heat" ? checks.findLast(({ act, reading }) => act === next.id && reading.check === "fire") : undefined;
  const last = acts.findLast(({ id, kind }) => kind === "quench" && doneAt_ms.has(id));
  // Of two ends the first stays hard while the other is heated.
  const isAgain = last !== undefined && route !== null && last.step < hardeningFrom(route);
  const isInFire = isAgain && fire?.reading.check === "fire" && fire.reading.state === "in";
  return isAtHeat || isInFire ? null : brittleSince_ms;
}

/** Heats a piece has had: normalising, hardening and tempering acts that were done. */
export function heatsDone(state: PieceState): number {
  return state.acts.filter(({ id, kind }) => (kind === "heat" || kind === "temper") && state.doneAt_ms.has(id)).length;
}

/** Every piece of a log, oldest first. */
export function piecesOf(events: readonly BookEvent[]): PieceState[] {
  const byPiece = new Map<string, BookEvent[]>();
  for (const event of events) {
    const own = byPiece.get(event.piece);
    if (own) own.push(event);
    else byPiece.set(event.piece, [event]);
  }
  return [...byPiece].flatMap(([id, own]) => pieceState(id, own) ?? []).sort((a, b) => a.madeAt_ms - b.madeAt_ms);
}
