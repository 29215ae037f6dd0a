/** Moments of an act at which a smith should look up: told by sound, flash and, if wished, voice. Pure. */

import {
  bathTimes,
  brittleSince,
  dipNow,
  ovenFor,
  ovensOf,
  LONG_OUT_s,
  runLogOf,
  soakClock,
  underOf,
  type Act,
  type Kit,
  type PieceState,
  type Prediction,
} from "@tembrak/core";
import { capital } from "../format/show.js";
import { liesIn } from "../words/vesselWords.js";

/** ready: it may go on. look: soon. now: do it. late: it is too long. */
export type CueKind = "ready" | "look" | "now" | "late";

export interface Cue {
  readonly at_ms: number;
  readonly kind: CueKind;
  readonly words: string;
}

/** Warned before the end of a hold, s; late after it by as much. A short hold is warned at half. */
const WARN_s = 60;
/** Least and usual time in a bath, s (common practice, no source). */
export const BATH_LEAST_s = 10;
const BATH_USUAL_s = 30;
/** Warned before the jaws close, s. */
const BEFORE_CLOSED_s = 5;

/** A quench of more moves than in and out: by the clock, but for the back, which one has to see dark. */
const DUE_WORDS = {
  dark: ["look", "Is the back dark? Then all of it."],
  over: ["now", "Change over."],
  out: ["now", "Out."],
} as const satisfies Record<string, readonly [CueKind, string]>;

/** An edge or an end comes out by what the body looks like: no second of it is called. */
function isWhole({ route }: PieceState, step: number): boolean {
  const quench = route?.steps[step];
  return quench?.kind !== "quench" || underOf(quench).what === "whole";
}

/** Hard and untempered longer than this it may crack by itself, s (common practice, no source: within the hour). */
export const BRITTLE_LIMIT_s = 3600;
/** An oven nobody checked is at rest after so long, min (common practice, no source). */
const USUAL_REST_min = 20;

/** What its plan draws it by next, and an end that is to be hardened before; null while it is being drawn. */
function drawsNext(state: PieceState): string | null {
  const { acts, doneAt_ms, next } = state;
  const draws = acts.find(({ kind, id }) => (kind === "temper" || kind === "run") && !doneAt_ms.has(id));
  const before = acts.slice(0, draws === undefined ? acts.length : acts.indexOf(draws));
  const other = before.some(({ kind, id }) => kind === "quench" && !doneAt_ms.has(id)) ? "its other end now, then " : "";
  if (draws?.kind !== "run") return `${other}into ${liesIn(draws?.kind === "temper" ? draws.in : undefined)}`;
  const isRunning = next?.id === draws.id && runLogOf(state, draws.step).began_ms !== null;
  return isRunning ? null : `${other}run its colours`;
}

/** While it is hard and not tempered: an hour of it is called, whatever is going on. */
function brittleCues(state: PieceState, now_ms: number): Cue[] {
  const since_ms = brittleSince(state, now_ms);
  const draws = since_ms === null ? null : drawsNext(state);
  if (since_ms === null || draws === null) return [];
  return [{ at_ms: since_ms + 1000 * BRITTLE_LIMIT_s, kind: "late", words: `Hard and untempered for an hour: ${draws}.` }];
}

/** All that is called of a piece where nobody stands at its bench. */
export function callsOf(state: PieceState, prediction: Prediction | undefined, kit: Kit | null, now_ms: number): Cue[] {
  const { next } = state;
  if (next === undefined) return [];
  return [...cuesOf(state, next, prediction, kit), ...brittleCues(state, now_ms)].sort((a, b) => a.at_ms - b.at_ms);
}

/** All cues of the act that is going on, in order of time. @param out_s when it should come out of its bath, where that was worked out, s after it went under */
export function cuesOf(
  state: PieceState,
  act: Act,
  prediction: Prediction | undefined,
  kit: Kit | null = null,
  out_s: number | null = null,
): Cue[] {
  const since_ms = state.nextSince_ms;
  const after = (from_ms: number, s: number, kind: CueKind, words: string): Cue => ({ at_ms: from_ms + 1000 * s, kind, words });
  switch (act.kind) {
    case "slow-cool":
      return since_ms === null ? [] : [after(since_ms, act.time_s, "ready", "It has fallen far enough: now air will do.")];
    case "hold": {
      // A door that was opened moves the end: nothing is called while the chamber is not back.
      const ends = since_ms === null ? null : soakClock(state, act, since_ms).end_ms;
      if (ends === null) return [];
      const warn_s = act.hold_s > 2 * WARN_s ? WARN_s : 0.5 * act.hold_s;
      return [
        after(ends, -warn_s, "look", warn_s === WARN_s ? "One minute left." : "Half of it is over."),
        after(ends, 0, "now", "The hold is over."),
        after(ends, WARN_s, "late", "Too long at heat: the grain grows."),
      ];
    }
    case "heat": {
      const moved = state.checks.findLast((c) => c.act === act.id && c.reading.check === "fire");
      return moved?.reading.check === "fire" && moved.reading.state === "out"
        ? [after(moved.at_ms, LONG_OUT_s, "late", "Back in the fire.")]
        : [];
    }
    case "temper": {
      if (since_ms === null) return [];
      const warn_s = act.hold_s > 2 * WARN_s ? WARN_s : 0.5 * act.hold_s;
      return [
        after(since_ms, act.hold_s - warn_s, "look", warn_s === WARN_s ? "One minute left." : "Half of it is over."),
        after(since_ms, act.hold_s, "now", "The temper is over."),
      ];
    }
    case "quench": {
      const times = bathTimes(state, act.step);
      const { in_ms } = times;
      if (in_ms === null) return [];
      const step = state.route?.steps[act.step];
      const dip = step?.kind === "quench" ? dipNow(step, times, in_ms) : null;
      if (dip?.due) {
        const [kind, words] = DUE_WORDS[dip.pattern === "back-after" ? "dark" : dip.due.move];
        return [after(in_ms, dip.due.at_s, kind, words)];
      }
      if (!isWhole(state, act.step)) return [];
      // Where a second was worked out, that one is called, and no other.
      if (out_s !== null) return [after(in_ms, out_s, "now", "Out, and sight along it.")];
      return [after(in_ms, BATH_LEAST_s, "look", "Ten seconds. Keep it moving."), after(in_ms, BATH_USUAL_s, "ready", "Thirty seconds.")];
    }
    case "straighten": {
      const { in_ms } = bathTimes(state, act.step);
      const window = prediction?.hardening.straighten;
      if (in_ms === null || !window) return [];
      return [
        after(in_ms, Math.max(0, window.to_s - BEFORE_CLOSED_s), "look", "Last seconds to straighten by hand."),
        after(in_ms, window.to_s, "late", "No more bending by hand."),
      ];
    }
    case "cool-down": {
      const warm_s = prediction?.hardening.handWarm_s;
      const { in_ms } = bathTimes(state, act.step);
      if (in_ms === null || warm_s === undefined) return [];
      return [after(in_ms, warm_s, "ready", "It should be hand-warm. Feel it, then temper.")];
    }
    case "oven": {
      if (since_ms === null) return [];
      const oven = kit === null ? undefined : ovenFor(ovensOf(kit, act.in), act.target_C, state.piece);
      const rest_min = oven?.settle_min ?? USUAL_REST_min;
      const words = `${capital(liesIn(act.in))} should be steady now: read the thermometer in it.`;
      return [after(since_ms, 60 * Math.max(1, rest_min), "ready", words)];
    }
    case "fall":
    case "air-cool":
    case "first-file":
    case "brighten":
    case "run":
    case "prove":
      return [];
  }
}
