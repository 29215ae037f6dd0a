/** What has to be ready before a piece is heated to be hardened: asked while hands are free, and only what this plan and this kit want. Pure. */

import { dialFor_C } from "../evidence/calibration.js";
import { isInKiln } from "../plan/heating.js";
import { intoOf } from "../plan/dips.js";
import { isInWork, type PieceState } from "../book/state.js";
import type { Kit } from "../schema/kit.js";
import type { Step } from "../schema/book.js";
import { ovenFor, ovensOf } from "../plan/kit.js";

/** What is known of the bath it comes to. */
export interface BathSeen {
  /** By the last reading, stirred or not, C; null where nobody read it. */
  readonly is_C: number | null;
  /** Since it was read, s; null where nobody did. */
  readonly age_s: number | null;
}

export type Ready =
  | { readonly what: "bath"; readonly isDone: boolean; readonly wanted_C: number; readonly is_C: number | null }
  /** Whether it is on nobody can see but the smith. */
  | { readonly what: "oven"; readonly isDone: null; readonly name: string; readonly set_C: number; readonly settle_min: number }
  | { readonly what: "move"; readonly isDone: boolean; readonly took_s: number | null }
  | { readonly what: "mark"; readonly isDone: boolean; readonly mark: string }
  /** Nobody can see that but the smith. */
  | { readonly what: "tongs"; readonly isDone: null };

/** A reading older than this says little of a bath, s; one so far off its plan is not right, K (judgement: what an oil may be off without a point of hardness). */
const FRESH_s = 1800;
const NEAR_K = 8;
/** An oven that is steady sooner may be switched on after the bath, min (judgement: hand-warm takes about so long). */
const SLOW_min = 10;
/** A move walked through within this is still in the hand, ms (judgement). */
const REMEMBERED_ms = 12 * 3_600_000;
/** From fire to bath, s (common practice, no source). */
const GOAL_s = 3;

type Quench = Extract<Step, { kind: "quench" }>;
type Temper = Extract<Step, { kind: "temper" }>;

/**
 * @param step the heat it is about to be given
 * @param bath null for what is pressed between plates, or where the kit has none
 * @param others whoever else is at work
 */
export function readyFor(
  state: PieceState,
  step: number,
  {
    kit,
    bath,
    others,
    now_ms,
  }: { readonly kit: Kit | null; readonly bath: BathSeen | null; readonly others: readonly PieceState[]; readonly now_ms: number },
): Ready[] {
  const later = state.route?.steps.slice(step + 1) ?? [];
  const quench = later.find((one): one is Quench => one.kind === "quench");
  const temper = later.find((one): one is Temper => one.kind === "temper");
  if (quench === undefined) return [];
  const list: Ready[] = [];
  if (bath !== null) {
    const wanted_C = intoOf(quench).bath_C;
    const isDone = bath.is_C !== null && bath.age_s !== null && bath.age_s < FRESH_s && Math.abs(bath.is_C - wanted_C) <= NEAR_K;
    list.push({ what: "bath", isDone, wanted_C, is_C: bath.is_C });
  }
  // The simulated shop has an oven of its own, and no mark to take for another's.
  const isPractice = state.piece.isPractice === true;
  const oven =
    isPractice || kit === null || temper === undefined ? undefined : ovenFor(ovensOf(kit, temper.in), temper.temperature_C, state.piece);
  // A kiln that hardens first falls to its temper by itself.
  const isOwnKiln = oven?.kind === "kiln" && isInKiln(state.route);
  if (oven !== undefined && temper !== undefined && !isOwnKiln && oven.settle_min >= SLOW_min)
    list.push({
      what: "oven",
      isDone: null,
      name: oven.name,
      set_C: dialFor_C(oven, temper.temperature_C),
      settle_min: oven.settle_min,
    });
  const walked = state.checks.findLast(({ reading }) => reading.check === "rehearsal");
  const took_s = walked?.reading.check === "rehearsal" ? walked.reading.took_s : null;
  const isFresh = walked !== undefined && now_ms - walked.at_ms < REMEMBERED_ms;
  list.push({ what: "move", isDone: isFresh && took_s !== null && took_s <= GOAL_s, took_s });
  list.push({ what: "tongs", isDone: null });
  if (!isPractice && others.some((other) => other.id !== state.id && isInWork(other) && other.piece.isPractice !== true)) {
    const isRead = state.checks.some(({ reading }) => reading.check === "mark");
    list.push({ what: "mark", isDone: isRead, mark: state.piece.mark });
  }
  return list;
}
