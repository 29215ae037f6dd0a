/** The rack's lines: which piece wants its smith first, for what, and how far it is. */

import { heatPlace } from "./heatPlace.js";
import {
  bathTimes,
  COLD_AFTER_s,
  fireTime,
  onItsWay,
  runLogOf,
  soakClock,
  testsThatCount,
  type Act,
  type HeatCall,
  type PieceState,
  type StraightenCall,
  type Straightening,
} from "@tembrak/core";
import {
  showClock,
  showDegrees,
  showDifference,
  showDuration,
  showMoment,
  showTemperature,
  showTimeOfDay,
  type Units,
} from "../format/show.js";
import { reasonOf } from "./actWords.js";
import { FATE_WORDS } from "./fateWords.js";
import { isShadePast } from "./heatWords.js";
import { liesIn } from "./vesselWords.js";

/** What is known of a piece beside its log: how far its heat is, and whether it may still be straightened. */
export interface SeenNow {
  readonly call?: HeatCall | null;
  readonly straightening?: Straightening | null;
  readonly isHandWarm?: boolean | null;
  readonly tooLate_s?: number | null;
}

/** One short line under a piece's name on the rack. */
export function statusLine(state: PieceState, now_ms: number, now_C: number | null, units: Units, seen: SeenNow = {}): string {
  const status = statusOf(state, now_ms, now_C, seen, units);
  return state.piece.isPractice === true ? `Practice: ${status[0]!.toLowerCase()}${status.slice(1)}` : status;
}

/** How far a heat is, as the bench calls it, in few words. */
function heatStatus(target_C: number, now_C: number | null, call: HeatCall | null, place: string, units: Units): string {
  const wants = `wants ${showDegrees(target_C, units)}`;
  switch (call?.call) {
    case "out":
      return `Out of ${place}, ${wants}`;
    case "too-hot":
      return `Too hot, ${wants}`;
    case "look-again":
      return `Look again, ${wants}`;
    case "magnet":
      return call.magnet === "free" ? "Past the magnet" : `Magnetic, ${wants}`;
    case "to-go":
      return now_C === null ? `To ${showDegrees(target_C, units)}` : `${showDegrees(now_C, units)}, ${wants}`;
    case "past":
      return `${showDifference(call.over_K, units)} past`;
    case "about":
      return "About there";
    case "at-heat":
      return isShadePast(call) ? "A shade past" : "At heat";
    case "unread":
    case undefined:
      return `To ${showDegrees(target_C, units)}`;
  }
}

/** Whether it is in its bath, or was when it was last heard of. */
function isUnder(state: PieceState, { step }: Act): boolean {
  return bathTimes(state, step).in_ms !== null;
}

/** Left in its bath or out of it, or on its way there, until anything is cold. */
function isColdByNow(state: PieceState, { step }: Act, now_ms: number): boolean {
  const since_ms = bathTimes(state, step).in_ms ?? onItsWay(state, now_ms)?.left_ms;
  return since_ms !== undefined && (now_ms - since_ms) / 1000 > COLD_AFTER_s;
}

/** Whether heat runs in it: its own since it left the bath, or that of a torch or bar; after twenty minutes none does. */
function isRunning(state: PieceState, { step }: Act, now_ms: number): boolean {
  const { began_ms } = runLogOf(state, step);
  return began_ms !== null && (now_ms - began_ms) / 1000 < COLD_AFTER_s;
}

const STRAIGHTEN_STATUS: Readonly<Record<StraightenCall, string>> = {
  open: "Straighten now",
  closing: "Closing: only if it gives",
  careful: "Boards or plates only",
  shut: "Too late to straighten",
};

/** What is to be straightened, or is too late for it; while that is worked out it is looked at. */
function straightenStatus(straightening: Straightening | null): string {
  if (straightening === null) return "Sight along it";
  return STRAIGHTEN_STATUS[straightening.is];
}

function statusOf(
  state: PieceState,
  now_ms: number,
  now_C: number | null,
  { call = null, straightening = null, isHandWarm = null, tooLate_s = null }: SeenNow,
  units: Units,
): string {
  const { next, nextSince_ms, doneAt_ms, stage } = state;
  if (stage === "done") return "Finished";
  if (next === undefined) return "All done";
  const since_s = nextSince_ms === null ? 0 : (now_ms - nextSince_ms) / 1000;
  switch (next.kind) {
    case "slow-cool":
      return since_s < next.time_s ? `${showDuration(next.time_s - since_s)} of slow cooling left` : "Cool enough for air";
    case "brighten":
      return "Rub it bright";
    case "run":
      return "Run the colours";
    case "heat":
      if (doneAt_ms.size === 0 && now_C === null && (call === null || call.call === "unread")) return `Ready for ${heatPlace(state.route)}`;
      return heatStatus(next.target_C, now_C, call, heatPlace(state.route), units);
    case "hold": {
      const { left_s, waitsForChamber } = soakClock(state, next, now_ms);
      if (waitsForChamber) return "Hold waits for the chamber";
      return left_s > 0 ? `${showClock(left_s)} left at heat` : "Hold is over";
    }
    case "air-cool":
      return next.coolTo === "black" ? "Cooling to black" : "Cooling to hand-warm";
    case "fall":
      return "Falling to the first pull";
    case "quench":
      if (isUnder(state, next)) return "In its quench";
      return tooLate_s === null ? "To the bath" : "Too cold to quench";
    case "straighten":
      return straightenStatus(straightening);
    case "cool-down":
      return isHandWarm === true ? "Should be hand-warm" : "Cooling down";
    case "first-file":
      return "Try a file";
    case "oven":
      return next.count === 1 && state.brittleSince_ms !== null
        ? `Quenched ${showTimeOfDay(state.brittleSince_ms)}`
        : `To ${liesIn(next.in)}, ${showDegrees(next.target_C, units)}`;
    case "temper":
      return since_s < next.hold_s ? `${showClock(next.hold_s - since_s)} left at ${showDegrees(next.target_C, units)}` : "Take it out";
    case "prove":
      return "Try the files";
  }
}

/** Nobody leaves steel in a fire unseen for longer, ms (judgement). */
const WATCHED_ms = 10 * 60_000;

/** Whether a piece that is to be heated is in its fire now, or just out of it: by its taps, or because somebody looks at it. */
function isAtFire({ next, checks }: PieceState, now_ms: number): false | "in" | "out" {
  const last_ms = checks.findLast(({ act, reading }) => act === next?.id && !["safety", "rehearsal"].includes(reading.check))?.at_ms;
  if (next === undefined || last_ms === undefined || now_ms - last_ms > WATCHED_ms) return false;
  return fireTime({ checks }, next, now_ms).state === "out" ? "out" : "in";
}

/** Which piece wants its smith first: larger is more urgent. */
export function urgency(state: PieceState, now_ms: number): number {
  const { next, nextSince_ms, brittleSince_ms, checks, doneAt_ms, stage } = state;
  if (stage === "done" || next === undefined) return -1;
  const since_s = nextSince_ms === null ? 0 : (now_ms - nextSince_ms) / 1000;
  const brittle_min = brittleSince_ms === null ? 0 : (now_ms - brittleSince_ms) / 60000;
  const isStarted = doneAt_ms.size > 0 || checks.some(({ act }) => act === next.id);
  // Then it is brittle, and nothing else hurries.
  const isCold = isColdByNow(state, next, now_ms);
  switch (next.kind) {
    case "quench":
      return isCold ? 190 : 300;
    case "fall":
      return 300;
    case "run":
    case "brighten":
      // Drawn by the heat left in it, or with a torch on it, it does not wait; bright and cold it waits as for an oven.
      if (isRunning(state, next, now_ms)) return next.kind === "run" ? 300 : 270;
      return 200 + Math.min(60, brittle_min / 4);
    case "slow-cool":
      return since_s > next.time_s ? 100 : 5;
    case "straighten":
      return isCold ? 190 : 290;
    case "hold":
      return since_s > next.hold_s ? 280 : 240;
    case "cool-down":
    case "first-file":
      return 180 + Math.min(30, brittle_min / 4);
    case "oven":
      return next.count === 1 ? 200 + Math.min(60, brittle_min / 4) : 120;
    case "heat":
      return isAtFire(state, now_ms) === "out" ? 285 : isStarted ? 170 : 20;
    case "air-cool":
      return since_s > 300 ? 150 : 30;
    case "temper":
      return since_s > next.hold_s ? 140 : 10;
    case "prove":
      return 60;
  }
}

/** Begun minutes are not counted, as the number beside the piece counts them. */
function wholeMinutes(time_s: number): string {
  return showDuration(time_s < 60 ? time_s : 60 * Math.floor(time_s / 60));
}

export interface NextActWords {
  readonly sentence: string;
  readonly reason: string;
}

/** How long it has been under: the bench has what it is to do there. */
function underWords(state: PieceState, { step }: Act, now_ms: number): string {
  const { in_ms } = bathTimes(state, step);
  return `It has been in for ${wholeMinutes((now_ms - (in_ms ?? now_ms)) / 1000)}: the bench says when it comes out.`;
}

/** Of a piece that came to no bath in time. */
export function tooLateWords(out_s: number, place: string): string {
  return `Out of ${place} for ${wholeMinutes(out_s)}: by the model it is too cold to harden well.`;
}

function straightenWords(name: string, straightening: Straightening | null): NextActWords {
  if (straightening === null) return { sentence: `Sight along ${name}.`, reason: "It stiffens as it cools: the bench counts the seconds." };
  switch (straightening.is) {
    case "open":
      return { sentence: `Sight along ${name} and straighten it, now.`, reason: "It stiffens as it cools: the bench counts the seconds." };
    case "closing":
      return { sentence: `Bend ${name} only while it gives easily.`, reason: "Half of it may be hard by now: the bench says how likely." };
    case "careful":
      return { sentence: `Bend ${name} no more by hand.`, reason: "Likelier hard than not by now: boards, vise or plates alone, gently." };
    case "shut":
      return {
        sentence: `Do not bend ${name} any more.`,
        reason: "By the model it is too hard for it by now: what is bent is taken out in its temper.",
      };
  }
}

/** The line on top of the rack: imperative, the piece, and why now. */
export function nextActWords(
  state: PieceState,
  now_ms: number,
  units: Units,
  { straightening = null, isHandWarm = null, tooLate_s = null }: SeenNow = {},
): NextActWords {
  const name = `the ${state.piece.name.toLowerCase()}`;
  const { next, brittleSince_ms, nextSince_ms, route, finishedAt_ms } = state;
  if (state.fate !== null)
    return { sentence: `${FATE_WORDS[state.fate.is].is} ${showMoment(state.fate.at_ms)}.`, reason: FATE_WORDS[state.fate.is].then };
  if (finishedAt_ms !== null) return { sentence: `Finished ${showMoment(finishedAt_ms)}.`, reason: "" };
  if (next === undefined) return { sentence: `Record ${name}.`, reason: "All its steps are done." };
  const since_s = nextSince_ms === null ? 0 : (now_ms - nextSince_ms) / 1000;
  const brittle = brittleSince_ms === null ? "" : `It has been brittle for ${wholeMinutes((now_ms - brittleSince_ms) / 1000)}. `;
  const reason = reasonOf(route, next);
  switch (next.kind) {
    case "slow-cool":
      return since_s < next.time_s
        ? { sentence: `Leave ${name} shut, ${showDuration(next.time_s - since_s)} more.`, reason }
        : { sentence: `Take ${name} out to cool in air.`, reason };
    case "brighten":
      return { sentence: `Rub ${name} bright.`, reason: `${brittle}Then its colours can be seen.` };
    case "run":
      return isRunning(state, next, now_ms)
        ? { sentence: `Run the colours of ${name}, now.`, reason }
        : { sentence: `Run the colours of ${name}.`, reason: `${brittle}${reason}` };
    case "heat":
      return state.doneAt_ms.size === 0 && !isAtFire(state, now_ms)
        ? { sentence: `Put ${name} in ${heatPlace(route)}.`, reason: `${reason} To ${showTemperature(next.target_C, units)}.` }
        : { sentence: `Bring ${name} to ${showTemperature(next.target_C, units)}.`, reason };
    case "hold": {
      const { left_s, waitsForChamber } = soakClock(state, next, now_ms);
      if (waitsForChamber) return { sentence: `Leave ${name} shut in until its chamber is back at heat.`, reason };
      return left_s > 0
        ? { sentence: `Hold ${name} at heat, ${showClock(left_s)} more.`, reason }
        : { sentence: `Take ${name} out, now.`, reason: `Its hold was over ${showDuration(-left_s)} ago.` };
    }
    case "air-cool":
      return { sentence: `See whether ${name} is ${next.coolTo}.`, reason: `Out of ${heatPlace(route)} for ${showDuration(since_s)}.` };
    case "fall":
      return { sentence: `Magnet on ${name}: into the bath at the first pull.`, reason };
    case "quench":
      if (tooLate_s !== null) return { sentence: `Heat ${name} once more.`, reason: tooLateWords(tooLate_s, heatPlace(route)) };
      return isUnder(state, next)
        ? { sentence: `See to ${name} in its quench.`, reason: underWords(state, next, now_ms) }
        : { sentence: `Quench ${name}, now.`, reason: `It is out of ${heatPlace(route)} and losing heat.` };
    case "straighten":
      return straightenWords(name, straightening);
    case "cool-down":
      if (isHandWarm === true) return { sentence: `Feel whether ${name} is hand-warm.`, reason: `${brittle}By the model it should be.` };
      return { sentence: `Let ${name} cool until you can hold it.`, reason: `${brittle}Hardening goes on until it is cold.` };
    case "first-file":
      return { sentence: `Try a file on ${name}.`, reason: `${brittle}Then straight to its temper.` };
    case "oven":
      if (next.count === 1 && brittleSince_ms === null && testsThatCount(state).length > 0)
        return {
          sentence: `See why ${name} came out soft, before its temper.`,
          reason: "A test found it so after its bath: it can be hardened again.",
        };
      return next.count === 1
        ? {
            sentence: `Put ${name} in ${liesIn(next.in)}, now.`,
            reason: `${brittle}Temper at ${showTemperature(next.target_C, units)}, within the hour.`,
          }
        : {
            sentence: `Put ${name} back in ${liesIn(next.in)}.`,
            reason: `Temper ${next.count} of ${next.of} at ${showTemperature(next.target_C, units)}. ${reason}`,
          };
    case "temper":
      return since_s < next.hold_s
        ? { sentence: `Nothing to do for ${showDuration(next.hold_s - since_s)}.`, reason: `Then ${name} comes out of ${liesIn(next.in)}.` }
        : { sentence: `Take ${name} out of ${liesIn(next.in)}.`, reason: `It has had its ${showDuration(next.hold_s)}.` };
    case "prove":
      return { sentence: `Try the files on ${name}.`, reason: "It is tempered. What you find closes its record." };
  }
}
