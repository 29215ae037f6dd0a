/** What a piece in the fire is now, by all that was logged of it: the one judgement of bench, rack and command line. */

import { isControlled, isInKiln } from "../plan/heating.js";
import type { LoggedCheck, PieceState } from "../book/state.js";
import type { Act } from "../plan/acts.js";
import { resolveSteel, type Catalogue } from "../plan/catalogue.js";
import { structureBeforeHardening } from "../plan/route.js";
import type { Zone } from "../schema/book.js";
import type { Section } from "../schema/parts.js";
import type { Kit } from "../schema/kit.js";
import type { EvidenceKind, Eye, HeatEvidence, MagnetPoint } from "../simulate/heatBelief.js";
import { estimateHeat, type HeatConflict, type HeatEstimate } from "../simulate/heatEstimate.js";
import { bodySize } from "../simulate/hardenCase.js";
import { magnetPoint } from "../simulate/magnetPoint.js";
import type { Approach, Drift } from "../simulate/movedSince.js";
import { expectedAt, type WarmUp } from "../simulate/warmUp.js";
import { chanceAllInWindow, zoneOffsets, type ZoneOffset } from "../simulate/zones.js";
import { evidenceOf } from "./evidence.js";
import { fireSays, type FireSays } from "./fire.js";
import { backInFire, fireTime, LONG_OUT_s, type FireTime } from "./fireTime.js";

type Heat = Extract<Act, { kind: "heat" }>;
export type MagnetState = "sticks" | "weak" | "free";

/** Older readings say nothing of now, s; a witness is asked for its last few only. */
const TOO_OLD_s = 240;
const LAST_OF_A_KIND = 4;
/** In the fire steel goes on rising towards what it lies in: how far over the heat wanted that is, K (judgement). */
const FIRES_OVER_K = [30, 110, 220] as const;
/** A kiln is set to it, and is off by as much as its thermocouple, K (judgement). */
const KILNS_OVER_K = [-15, 10, 40] as const;
/** By a time of its own: what it holds against what a blown fire brings it, W/(m2 K), near a hardening heat; fires differ by a factor. */
const FIRE_W_m2K = 285;
const HOLDS_J_m3K = 5.1e6;
const SLOWER = [0.8, 1.5, 2.9, 5.5] as const;
/** Out of it, or held, it stands. */
export const STANDS = { rate_K_s: 0, unsure: 0 } as const;

/** Every way a piece may be rising: which it is, its readings tell in their order. */
function risesTo(target_C: number, section: Section, changes_C: number, over: readonly number[] = FIRES_OVER_K): Approach[] {
  const { size_mm, isRound } = bodySize(section);
  const tau_s = (HOLDS_J_m3K * size_mm) / 1000 / (isRound ? 4 : 2) / FIRE_W_m2K;
  return over.flatMap((over_K) => SLOWER.map((ratio) => ({ towards_C: target_C + over_K, tau_s: ratio * tau_s, changes_C })));
}
/** Held, its fire may have been turned about the heat wanted, so far over it, from about so far; or it burns on as it did, K (judgement). */
const TURNED_TO_K = [-30, 20] as const;
const TURNED_FROM_K = 110;

/** The same of a piece that is held: until then it rose, and since `held_s` ago it goes wherever its fire was set. */
function holdsAt(target_C: number, section: Section, changes_C: number, held_s: number): Approach[] {
  return risesTo(target_C, section, changes_C).flatMap((rise) => {
    const isTurned = rise.towards_C === target_C + TURNED_FROM_K;
    const to_C = [...(isTurned ? TURNED_TO_K.map((over_K) => target_C + over_K) : []), rise.towards_C];
    return to_C.map((towards_C) => ({ ...rise, held: { age_s: held_s, towards_C } }));
  });
}

/** When its fire was last turned, and which way, by a tap; null where nobody did. */
function turnedAt({ checks, acts }: PieceState, act: Heat): { readonly at_ms: number; readonly isDown: boolean } | null {
  const own = new Set(acts.filter(({ step }) => step === act.step).map(({ id }) => id));
  const last = checks.findLast((check) => check.reading.check === "turned" && own.has(check.act));
  return last?.reading.check === "turned" ? { at_ms: last.at_ms, isDown: last.reading.state === "down" } : null;
}

/** Every way this piece may have moved until now: in its heat, or in the hold of it. `changes_C`: where it becomes austenite. */
export function waysOf(state: PieceState, act: Heat, now_ms: number, changes_C: number): Drift[] {
  const { piece, route, doneAt_ms, acts } = state;
  // A kiln stands where it was set, in the heat as in its hold.
  if (route !== null && isControlled(route.heating)) return risesTo(act.target_C, piece.section, changes_C, KILNS_OVER_K);
  const turned = turnedAt(state, act);
  // It was heard that the fire was turned down: since then it goes about the heat wanted, and burns on as it did no more.
  if (turned?.isDown === true && turned.at_ms <= now_ms)
    return holdsAt(act.target_C, piece.section, changes_C, (now_ms - turned.at_ms) / 1000).filter(
      ({ towards_C, held }) => held?.towards_C !== towards_C,
    );
  const atHeat_ms = doneAt_ms.get(act.id);
  const isHeld = atHeat_ms !== undefined && atHeat_ms < now_ms && acts.some(({ kind, step }) => kind === "hold" && step === act.step);
  return isHeld
    ? holdsAt(act.target_C, piece.section, changes_C, (now_ms - atHeat_ms) / 1000)
    : risesTo(act.target_C, piece.section, changes_C);
}

/** Half the width of the window a heat should fall in, C: as the jaws of the rule are drawn. */
export const WINDOW_K = 14;
/** Over the heat wanted by this much for sure, and the grain has begun to grow: it wants another normalising heat, C (judgement). */
const OVERHEATED_C = 40;
/** So near it is called at heat, and so far over it is called past, C (judgement). */
const SHORT_K = 8;
const PAST_K = 25;
/** Of a range from the fifth to the ninety-fifth part of a hundred. */
const NINETY_PERCENT = 1.6449;
const KINDS: readonly EvidenceKind[] = ["glow", "magnet", "probe", "infrared", "stick", "time"];

export interface HeatRead {
  readonly estimate: HeatEstimate;
  readonly newest_ms: number;
  /** What it is made of. */
  readonly from: readonly EvidenceKind[];
  /** Only the magnet spoke: it says above or below, not how far. */
  readonly isOneSided: boolean;
  /** What does not fit the look that was just made, or what that does not fit; what is shown is that look all the same. */
  readonly doubt: HeatConflict | null;
}

/** How far it is, in the order in which one thing keeps another from being said. */
export type HeatCall =
  | { readonly call: "out"; readonly out_s: number; readonly isLong: boolean }
  | { readonly call: "too-hot"; readonly over_K: number | null }
  | { readonly call: "unread" }
  /** Nobody has looked for a while: what it is now is a guess, and no order is given by it. */
  | { readonly call: "look-again"; readonly age_s: number }
  | { readonly call: "magnet"; readonly magnet: MagnetState | null }
  | { readonly call: "to-go"; readonly left_K: number }
  | { readonly call: "past"; readonly over_K: number }
  /** The middle is there, and so much is not known that it says little: half of the range, K. */
  | { readonly call: "about"; readonly give_K: number }
  /** So far over the heat wanted, K: beyond its window by a shade at most. */
  | { readonly call: "at-heat"; readonly over_K: number };

export interface ZonesNow {
  /** By the model where nobody looked, as seen where somebody did. */
  readonly isSeen: boolean;
  readonly expected_C: number;
  readonly offsets: readonly ZoneOffset[];
  /** Until all of it is there, s; negative when it should be; null when this fire does not bring it there. */
  readonly left_s: number | null;
  /** That every zone is in the window; null without a reading, or while readings contradict. */
  readonly chance: number | null;
}

export interface HeatNow {
  readonly fire: FireTime;
  /** When somebody first looked in this heat, ms; null before. */
  readonly firstLook_ms: number | null;
  readonly magnet: MagnetState | null;
  /** Null when nothing counts: no check in this heat, or all too old. */
  readonly read: HeatRead | null;
  readonly call: HeatCall;
  readonly isTooHot: boolean;
  /** So far over what is wanted it may be, at the end of its range, K; null where it hardly is. */
  readonly mayBeOver_K: number | null;
  readonly zones: ZonesNow | null;
  /** What was last seen of it all over, in this heat. */
  readonly evenness: "not-looked" | "even" | "uneven";
}

/** What is known beside the log. */
export interface HeatContext {
  readonly catalogue: Catalogue;
  readonly eye?: Eye | undefined;
  readonly kit?: Kit | null;
  /** The heating model's course (`warmUpQuestion`); left out while it is not there, or nobody said how the piece went in. */
  readonly course?: WarmUp | undefined;
  /** Lent by the caller: the magnet's points worked out so far. */
  readonly points?: Map<string, MagnetPoint>;
  /** The same of what past heats were believed to be: taps after a heat do not ask it again. */
  readonly beliefs?: Map<string, Float64Array>;
}

/** Where the magnet lets go of this piece as it is in this heat. */
export function magnetPointOf({ piece, route }: PieceState, act: Heat, { catalogue, points }: HeatContext): MagnetPoint {
  const steps = act.purpose === "harden" ? (route?.steps ?? []) : (route?.steps.slice(0, act.step) ?? []);
  const prior = structureBeforeHardening(piece, steps);
  const key = `${piece.steel} ${prior}`;
  const known = points?.get(key) ?? magnetPoint(resolveSteel(catalogue, piece.steel).composition_wtpct, prior, "heating");
  points?.set(key, known);
  return known;
}

/** The heat an act is of: its own, or that which it holds; undefined for an act that is neither. */
export function heatBehind({ acts }: Pick<PieceState, "acts">, act: Act | undefined): Heat | undefined {
  if (act?.kind === "heat") return act;
  return act?.kind === "hold" ? acts.find((a): a is Heat => a.kind === "heat" && a.step === act.step) : undefined;
}

/** What was logged while it was brought to heat, and while it was held there: since it is back in its fire, where it was away for long. */
export function looksOf({ acts, checks }: PieceState, heat: Heat): LoggedCheck[] {
  const hold = acts.find(({ kind, step }) => kind === "hold" && step === heat.step);
  const from_ms = backInFire({ checks }, heat)?.at_ms ?? -Infinity;
  return checks.filter(({ act, at_ms }) => at_ms >= from_ms && (act === heat.id || act === hold?.id));
}

/** Who holds a magnet to it taps as it lets go: a first touch that says so is one at its point, not one of long ago. A kiln's is a look at what was left alone. */
function asItLetGo({ route }: PieceState, act: Heat, evidence: readonly HeatEvidence[]): HeatEvidence[] {
  const first = evidence.findIndex(({ kind }) => kind === "magnet");
  const isAsIt = (route === null || !isControlled(route.heating)) && act.kind === "heat";
  return evidence.map((look, i) =>
    isAsIt && i === first && look.kind === "magnet" && look.state === "free" ? { ...look, asItLetGo: true } : look,
  );
}

function readHeat(state: PieceState, act: Heat, now_ms: number, fire: FireSays | null, context: HeatContext): HeatRead | null {
  const { eye, kit = null } = context;
  // A forge is turned down for a hold, or the piece is moved out of its flame: what it would have done on is no witness any more.
  const says = state.doneAt_ms.has(act.id) && !isInKiln(state.route) ? null : fire;
  const own = looksOf(state, act).filter(({ at_ms }) => now_ms - at_ms < TOO_OLD_s * 1000);
  const seen = own.flatMap(({ reading, at_ms }) => {
    const says = evidenceOf(reading, Math.max(0, (now_ms - at_ms) / 1000), kit);
    return says === null ? [] : [{ says, at_ms }];
  });
  const evidence = asItLetGo(
    state,
    act,
    seen.map(({ says }) => says),
  );
  const last = evidence.filter((e, i) => evidence.slice(i + 1).filter(({ kind }) => kind === e.kind).length < LAST_OF_A_KIND);
  // The clock alone is told beside the zones: it is no look at the steel.
  if (last.length === 0) return null;
  if (says !== null) last.push({ kind: "time", expected_C: Math.min(1400, Math.max(20, says.expected_C)), sd_C: Math.min(300, says.sd_C) });
  const from = KINDS.filter((kind) => last.some((e) => e.kind === kind));
  const magnet = magnetPointOf(state, act, context);
  const estimate = estimateHeat({
    evidence: last,
    magnet,
    wanted_C: act.target_C,
    drift: [...waysOf(state, act, now_ms, magnet.at_C), says === null ? STANDS : { rate_K_s: says.rate_K_s, unsure: 0.7 }],
    ...(eye === undefined ? {} : { eye }),
    window_C: [act.target_C - WINDOW_K, act.target_C + WINDOW_K],
  });
  return {
    estimate,
    newest_ms: seen[seen.length - 1]!.at_ms,
    from,
    // The clock of the model is no look at the steel.
    isOneSided: from.includes("magnet") && from.every((kind) => kind === "magnet" || kind === "time"),
    doubt: estimate.conflict,
  };
}

/** So far over at the end of its range, and likelier over than not, it is worth another look, K (judgement: above this grain grows in minutes). */
const MAY_BE_OVER_K = 40;

function mayBeOver_K(estimate: HeatEstimate | null, target_C: number): number | null {
  if (estimate === null || estimate.conflict !== null || estimate.mean_C - target_C < SHORT_K) return null;
  return estimate.p95_C - target_C > MAY_BE_OVER_K ? estimate.p95_C - target_C : null;
}

/** Known no better than this, nobody says that a piece is at heat, K (judgement: from a shade short to well past). */
const VAGUE_K = 70;
/** A look this old gives no order any more, s (judgement: a small piece rises a hundred degrees meanwhile). */
const OLD_LOOK_s = 60;

interface Called {
  readonly read: HeatRead | null;
  readonly fire: FireTime;
  readonly isTooHot: boolean;
  /** Somebody saw that it is too hot, and nothing was read since. */
  readonly isSeenTooHot: boolean;
  readonly magnet: MagnetState | null;
  readonly target_C: number;
  readonly now_ms: number;
}

function callOf({ read, fire, isTooHot, isSeenTooHot, magnet, target_C, now_ms }: Called): HeatCall {
  if (fire.out_s > 0) return { call: "out", out_s: fire.out_s, isLong: fire.out_s > LONG_OUT_s };
  if (isSeenTooHot)
    return { call: "too-hot", over_K: read !== null && read.estimate.mean_C > target_C ? read.estimate.mean_C - target_C : null };
  if (read === null) return { call: "unread" };
  const { mean_C, p05_C } = read.estimate;
  if (isTooHot) return { call: "too-hot", over_K: mean_C - target_C };
  const age_s = (now_ms - read.newest_ms) / 1000;
  if (age_s > OLD_LOOK_s) return { call: "look-again", age_s };
  if (read.isOneSided) return { call: "magnet", magnet };
  const left_K = target_C - mean_C;
  if (left_K > SHORT_K) return { call: "to-go", left_K };
  // An order to let it fall back is given where it surely is over, not where its middle is.
  if (left_K < -PAST_K && p05_C > target_C) return { call: "past", over_K: -left_K };
  const give_K = 0.5 * (read.estimate.p95_C - read.estimate.p05_C);
  return give_K > VAGUE_K || left_K < -PAST_K ? { call: "about", give_K } : { call: "at-heat", over_K: -left_K };
}

type Seen = Readonly<Record<"behind" | "ahead", readonly Zone[]>>;

function zonesOf(course: WarmUp, fire: FireTime, seen: Seen | null, estimate: HeatEstimate | null, target_C: number): ZonesNow {
  const expected = expectedAt(course, fire.in_s);
  const offsets = zoneOffsets(expected.offsets_K, seen);
  const chanceOf = ({ mean_C, p05_C, p95_C }: HeatEstimate): number =>
    chanceAllInWindow({ mean_C, sd_C: Math.max(1, (p95_C - p05_C) / (2 * NINETY_PERCENT)) }, offsets, [
      target_C - WINDOW_K,
      target_C + WINDOW_K,
    ]);
  return {
    isSeen: seen !== null,
    expected_C: expected.seen_C,
    offsets,
    left_s: course.allThere_s === null ? null : course.allThere_s - fire.in_s,
    chance: estimate === null || estimate.conflict !== null ? null : chanceOf(estimate),
  };
}

/** Looking, touching or reading it: not going through the safety list, or putting it in. */
export function isLook({ reading }: LoggedCheck): boolean {
  return reading.check === "too-hot" || reading.check === "even" || evidenceOf(reading, 0, null) !== null;
}

/**
 * @param act the heat; of a hold that which it holds (`heatBehind`)
 * @param now_ms by the clock the piece is worked by, milliseconds since 1970 UTC
 */
export function heatNow(state: PieceState, act: Heat, now_ms: number, context: HeatContext): HeatNow {
  const { course } = context;
  const own = looksOf(state, act);
  const fire = fireTime(state, act, now_ms);
  const touch = own.findLast((c) => c.reading.check === "magnet")?.reading;
  const magnet = touch?.check === "magnet" ? touch.state : null;
  const even = own.findLast((c) => c.reading.check === "even")?.reading;
  const seen = even?.check === "even" ? even : null;
  const read = readHeat(state, act, now_ms, course === undefined ? null : fireSays(course, fire), context);
  const estimate = read?.estimate ?? null;
  const seen_ms = own.findLast(({ reading }) => reading.check === "too-hot")?.at_ms;
  const isSeenTooHot = seen_ms !== undefined && (read === null || seen_ms >= read.newest_ms);
  const isTooHot = isSeenTooHot || (act.purpose === "harden" && estimate !== null && estimate.p05_C > act.target_C + OVERHEATED_C);
  return {
    fire,
    firstLook_ms: own.find(isLook)?.at_ms ?? null,
    magnet,
    read,
    call: callOf({ read, fire, isTooHot, isSeenTooHot, magnet, target_C: act.target_C, now_ms }),
    isTooHot,
    mayBeOver_K: mayBeOver_K(estimate, act.target_C),
    zones: course === undefined || fire.state === "unknown" ? null : zonesOf(course, fire, seen, estimate, act.target_C),
    evenness: seen === null ? "not-looked" : seen.behind.length + seen.ahead.length > 0 ? "uneven" : "even",
  };
}
