/** The fire a heat is done in, how the piece went in, and what the heating model says of now. */

import { isInKiln } from "../plan/heating.js";
import type { PieceState } from "../book/state.js";
import type { Act } from "../plan/acts.js";
import { kitOf } from "../plan/kit.js";
import { heatedOf } from "../plan/way.js";
import type { Hardens, Piece, Step } from "../schema/book.js";
import type { FireInput } from "../schema/job.js";
import type { Kit } from "../schema/kit.js";
import { expectedAt, type WarmUp } from "../simulate/warmUp.js";
import { backInFire, type FireTime } from "./fireTime.js";

type Heat = Extract<Act, { kind: "heat" }>;

/** A kiln that stands at the heat wanted brings a piece to within this of it in good time, C (judgement). */
export const KILN_SHORT_C = 6;
/** As it goes in: cold, or black from the heat before, C (common practice, no source). */
export const COLD_C = 25;
export const BLACK_C = 450;
/** The fire of a shop that has not said what it has (common practice, no source). */
const USUAL_FORGE: FireInput = { kind: "forge", fuel: "gas", chamber_C: 950, length_mm: null };
/** In air it falls about so fast near its heat, K/s (judgement). */
const FALLS_K_s = -2;
const FALLS_SD_C_s = 2;

/** How hot it went in; null where it was looked at before, came out of a preheat, or was away from its fire for long: then nobody knows. */
function startOf_C({ checks, acts }: PieceState, act: Heat): number | null {
  if (backInFire({ checks }, act) !== null) return null;
  const own = checks.filter((c) => c.act === act.id && !["safety", "rehearsal"].includes(c.reading.check));
  if (own[0]?.reading.check !== "fire" || own[0].reading.state !== "in") return null;
  const before = acts[acts.indexOf(act) - 1];
  if (before === undefined) return COLD_C;
  if (before.kind === "air-cool") return before.coolTo === "black" ? BLACK_C : COLD_C;
  return before.kind === "heat" || before.kind === "hold" ? null : COLD_C;
}

export function fireOf(kit: Kit | null, isKiln: boolean, target_C: number): FireInput {
  if (isKiln) return { kind: "kiln", fuel: "gas", chamber_C: target_C, length_mm: null };
  const forge = kit === null ? undefined : kitOf(kit, "forge")[0];
  return forge === undefined ? USUAL_FORGE : { kind: "forge", fuel: forge.fuel, chamber_C: forge.chamber_C, length_mm: forge.length_mm };
}

/** What the heating model is asked. */
export interface WarmUpQuestion {
  readonly piece: Piece;
  readonly hardens: Hardens;
  readonly fire: FireInput;
  readonly target_C: number;
  readonly start_C: number;
  readonly inFire_mm?: number;
}

/** How much of it is in the fire for a step, as the heating model is asked; nothing where all of it is. */
export function partOf(step: Step | undefined): Pick<WarmUpQuestion, "inFire_mm"> {
  return step?.kind === "harden" && step.inFire_mm !== undefined ? { inFire_mm: step.inFire_mm } : {};
}

/** What to ask the heating model for this heat; null while nobody knows how hot the piece went in. */
export function warmUpQuestion(state: PieceState, act: Heat, kit: Kit | null): WarmUpQuestion | null {
  const start_C = startOf_C(state, act);
  if (start_C === null || state.route === null) return null;
  const isKiln = isInKiln(state.route);
  return {
    piece: state.piece,
    hardens: heatedOf(state.route, act.step),
    fire: fireOf(kit, isKiln, act.target_C),
    target_C: isKiln ? act.target_C - KILN_SHORT_C : act.target_C,
    start_C,
    ...partOf(state.route.steps[act.step]),
  };
}

export interface FireSays {
  readonly expected_C: number;
  readonly sd_C: number;
  readonly rate_K_s: number;
}

/**
 * What steel takes up on its way is known to this, as a share (judgement): from 450 to 700 C that of structural steel (en1993-1-2), by which
 * the fire is followed, is a sixth more than the capacity that the quench counts by (heat/properties).
 */
const CAPACITY_SHARE = 0.12;

/** Where it should be by the model, and how fast it moves. */
export function fireSays(course: WarmUp, { state, in_s, out_s }: FireTime): FireSays {
  const { seen_C, sd_C: fire_K } = expectedAt(course, in_s);
  const late_s = CAPACITY_SHARE * in_s;
  const sd_C = Math.hypot(fire_K, expectedAt(course, in_s + late_s).seen_C - seen_C);
  if (state === "out") return { expected_C: seen_C + FALLS_K_s * out_s, sd_C: sd_C + FALLS_SD_C_s * out_s, rate_K_s: FALLS_K_s };
  const next = expectedAt(course, in_s + 5).seen_C;
  return { expected_C: seen_C, sd_C, rate_K_s: (next - seen_C) / 5 };
}
