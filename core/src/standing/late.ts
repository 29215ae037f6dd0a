/** What runs on: a hold, a temper or a way to the bath that nobody has ended yet lasts as long as it has lasted, not as long as it was planned. */

import type { PieceState } from "../book/state.js";
import type { Step } from "../schema/book.js";
import { LIMITS } from "../schema/limits.js";
import { bathTimes } from "./bathTimes.js";
import { USUAL_TRANSFER_s } from "./learn.js";
import { onItsWay } from "./onItsWay.js";

/** How often what runs on is looked at anew: so much of what was planned, and no oftener than this, ms (judgement). */
const SHARE = 0.1;
const LEAST_ms = 60_000;
/** The same of a way to the bath; longer than the longest nobody takes for one, ms. */
const WAY_ms = 3000;
const LONGEST_WAY_ms = 1000 * LIMITS.quench.transfer_s[1];

type Quench = Extract<Step, { kind: "quench" }>;

/** Into one bath and out of it after so many seconds: what has more moves, or is drawn by what heat is left, has its own. */
export function isOneDip(quench: Quench): quench is Quench & { readonly bath_s: number } {
  const { bath_s, then, turns, backFirst, leavesHeat } = quench;
  return bath_s !== undefined && then === undefined && turns === undefined && backFirst === undefined && leavesHeat !== true;
}

/** Of what is over in seconds each step is a quarter longer than the one before. */
const GROWS = 1.25;

function grown(since_ms: number, planned_ms: number, now_ms: number): number | null {
  const steps = Math.floor(Math.log((now_ms - since_ms) / planned_ms) / Math.log(GROWS));
  return steps < 1 ? null : since_ms + planned_ms * GROWS ** steps;
}

/**
 * The moment up to which what is under way has outlasted its plan; null where it has not. It moves in steps, so that what hangs on it
 * need not be worked out every second.
 */
export function lateNow_ms(state: PieceState, now_ms: number): number | null {
  const { next, nextSince_ms, route } = state;
  const after = (since_ms: number, planned_ms: number, step_ms: number): number | null => {
    const steps = Math.floor((now_ms - since_ms - planned_ms) / step_ms);
    return steps < 1 ? null : since_ms + planned_ms + steps * step_ms;
  };
  if (next?.kind === "quench") {
    const quench = route?.steps[next.step];
    if (quench?.kind !== "quench") return null;
    const { in_ms } = bathTimes(state, next.step);
    if (in_ms !== null) return isOneDip(quench) ? grown(in_ms, 1000 * quench.bath_s, now_ms) : null;
    const way = onItsWay(state, now_ms);
    const late_ms = way === null ? null : after(way.left_ms, 1000 * (quench.transfer_s ?? USUAL_TRANSFER_s), WAY_ms);
    return way === null || late_ms === null ? null : Math.min(late_ms, way.left_ms + LONGEST_WAY_ms);
  }
  if (nextSince_ms === null || (next?.kind !== "hold" && next?.kind !== "temper")) return null;
  const planned_ms = 1000 * next.hold_s;
  return after(nextSince_ms, planned_ms, Math.max(LEAST_ms, SHARE * planned_ms));
}
