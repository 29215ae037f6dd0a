/** What runs on: a hold, a temper or a way to the bath that nobody has ended yet lasts as long as it has lasted, not as long as it was planned. */

import type { PieceState } from "../book/state.js";
import { dipAfter, keepsHeat, moveAfter, seconds, turnsOf, type Quench } from "../plan/dips.js";
import { LIMITS } from "../schema/limits.js";
import { bathTimes, type BathTimes } from "./bathTimes.js";
import { USUAL_TRANSFER_s } from "./learn.js";
import { onItsWay } from "./onItsWay.js";

/** How often what runs on is looked at anew: so much of what was planned, and no oftener than this, ms (judgement). */
const SHARE = 0.1;
const LEAST_ms = 60_000;
/** The same of a way to the bath; longer than the longest nobody takes for one, ms. */
const WAY_ms = 3000;
const LONGEST_WAY_ms = 1000 * LIMITS.quench.transfer_s[1];

/** Of what is over in seconds each step is a quarter longer than the one before. */
const GROWS = 1.25;

interface Move {
  readonly since_ms: number;
  readonly planned_s: number;
  readonly most_s: number;
}

/** Which of its moves a piece that is in its bath is in, as planned; null for one that lasts until it is cold, or is watched and not timed. */
function moveIn(quench: Quench, { in_ms, over_ms, out_ms }: BathTimes): Move | null {
  if (in_ms === null || out_ms !== null || keepsHeat(quench)) return null;
  const isTurning = turnsOf(quench) !== null;
  // Of two ends by turns the first turn of each says how they went.
  if (isTurning && over_ms.length > 1) return null;
  const planned_s = seconds(dipAfter(quench, over_ms.length));
  if (planned_s === null) return null;
  const { bath_s: dip, after_s, turn_s } = LIMITS.quench;
  const isOver = moveAfter(quench, over_ms.length) === "over";
  const most_s = (isTurning ? turn_s : isOver ? after_s : dip)[1];
  const changed = isTurning ? over_ms.length : Math.min(over_ms.length, quench.dips.length - 1);
  return { since_ms: over_ms[changed - 1] ?? in_ms, planned_s, most_s };
}

function grown(move: Move | null, now_ms: number): number | null {
  if (move === null) return null;
  const { since_ms, planned_s, most_s } = move;
  const lasted_s = Math.min(most_s, (now_ms - since_ms) / 1000);
  const steps = Math.floor(Math.log(lasted_s / planned_s) / Math.log(GROWS));
  return steps < 1 ? null : since_ms + 1000 * planned_s * GROWS ** steps;
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
    const times = bathTimes(state, next.step);
    if (times.in_ms !== null) return grown(moveIn(quench, times), now_ms);
    const way = onItsWay(state, now_ms);
    const late_ms = way === null ? null : after(way.left_ms, 1000 * (quench.transfer_s ?? USUAL_TRANSFER_s), WAY_ms);
    return way === null || late_ms === null ? null : Math.min(late_ms, way.left_ms + LONGEST_WAY_ms);
  }
  if (nextSince_ms === null || (next?.kind !== "hold" && next?.kind !== "temper")) return null;
  const planned_ms = 1000 * next.hold_s;
  return after(nextSince_ms, planned_ms, Math.max(LEAST_ms, SHARE * planned_ms));
}
