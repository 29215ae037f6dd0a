/** How long each step of a plan takes: into the fire by the log or the heating model, held, and out of it by cooling in air. */

import { isInKiln } from "../plan/heating.js";
import { lastOf_s } from "../plan/dips.js";
import type { PieceState } from "../book/state.js";
import { kitOf } from "../plan/kit.js";
import { heatedOf } from "../plan/way.js";
import type { Piece, Route, Step } from "../schema/book.js";
import type { Kit } from "../schema/kit.js";
import { airCooling_s } from "../simulate/hardenReadings.js";
import type { WarmUp } from "../simulate/warmUp.js";
import { BLACK_C, COLD_C, fireOf, KILN_SHORT_C, partOf, type WarmUpQuestion } from "./fire.js";

/** In a bath until it may come out, and a colour run until it is stopped, s (common practice, no source). */
const BATH_s = 12;
const RUN_s = 180;

/** As it goes into the fire of a step, C. */
function start_C(before: Step | undefined): number {
  if (before?.kind === "preheat") return before.temperature_C;
  return before?.kind === "normalise" && before.coolTo === "black" ? BLACK_C : COLD_C;
}

/** What the heating model has to be asked of each step; null for one without a fire. */
export function risesOf(piece: Piece, route: Route, kit: Kit | null): readonly (WarmUpQuestion | null)[] {
  const isKiln = isInKiln(route) || (kit !== null && kitOf(kit, "forge").length === 0 && kitOf(kit, "kiln").length > 0);
  return route.steps.map((step, i) => {
    if (step.kind === "quench" || step.kind === "run" || step.kind === "temper") return null;
    const target_C = step.temperature_C;
    return {
      piece,
      hardens: heatedOf(route, i),
      fire: fireOf(kit, isKiln, target_C),
      target_C: isKiln ? target_C - KILN_SHORT_C : target_C,
      start_C: Math.min(target_C - 50, start_C(route.steps[i - 1])),
      ...partOf(step),
    };
  });
}

function after_s(step: Step, { section }: Piece): number {
  if (step.kind === "normalise") return airCooling_s(section, step.temperature_C, step.coolTo === "black" ? BLACK_C : undefined);
  return step.kind === "anneal" ? (3600 * Math.max(0, step.temperature_C - step.to_C)) / step.rate_C_h : 0;
}

/** Seconds from the tap into the fire to the end of the heat or its hold, of each step where both were logged; null where not. */
export function firesTook_s({ route, acts, checks, doneAt_ms }: PieceState): readonly (number | null)[] {
  return (route?.steps ?? []).map((_, step) => {
    const own = acts.filter((act) => act.step === step && (act.kind === "heat" || act.kind === "hold"));
    const [first, last] = [own[0], own.at(-1)];
    const in_ms = checks.find(({ act, reading }) => act === first?.id && reading.check === "fire" && reading.state === "in")?.at_ms;
    const out_ms = last === undefined ? undefined : doneAt_ms.get(last.id);
    return in_ms === undefined || out_ms === undefined || out_ms < in_ms ? null : (out_ms - in_ms) / 1000;
  });
}

/**
 * Seconds of each step; null where the fire does not bring the piece to its heat, or that is not worked out yet.
 * @param rises answers to `risesOf`, in its order
 * @param took what the log has of each (`firesTook_s`): it goes before what the model has
 */
export function stepTimes_s(
  piece: Piece,
  { steps }: Pick<Route, "steps">,
  rises: readonly (WarmUp | null | undefined)[],
  took: readonly (number | null)[] = [],
): (number | null)[] {
  return steps.map((step, i) => {
    if (step.kind === "quench") return lastOf_s(step) ?? BATH_s;
    if (step.kind === "run") return RUN_s;
    if (step.kind === "temper") return 60 * step.hold_min;
    const rise_s = rises[i]?.allThere_s ?? null;
    const fire_s = took[i] ?? (rise_s === null ? null : rise_s + 60 * step.hold_min);
    return fire_s === null ? null : fire_s + after_s(step, piece);
  });
}
