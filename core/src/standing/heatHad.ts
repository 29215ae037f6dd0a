/** The heat a piece had when it left the fire, by all that was logged of it. */

import type { LoggedCheck, PieceState } from "../book/state.js";
import { evidenceOf } from "../heatNow/evidence.js";
import { isLook, looksOf, magnetPointOf, STANDS, waysOf, type HeatContext } from "../heatNow/heatNow.js";
import type { Act } from "../plan/acts.js";
import { normalCdf } from "../numerics/normal.js";
import { UNKNOWN_EYE } from "../simulate/heatBelief.js";
import { estimateHeat, type HeatQuestion } from "../simulate/heatEstimate.js";
import { heatOfNode_C, NODES } from "../simulate/heatGrid.js";

export interface HeatHad {
  readonly mean_C: number;
  readonly sd_C: number;
}

/** Of each witness the last few looks before it was at heat, s: an older one is of another heat. In a hold all count. */
const COUNTS_s = 240;
const LAST_OF_A_KIND = 4;
/** Who watches a piece takes it out about the heat wanted; one in four is well off, and does not know it (judgement). */
const ASTRAY = 0.25;
const ASTRAY_K = 80;

/** So far over what is wanted a smith sees that it is too hot, K (judgement). */
const SEEN_OVER_K = 40;

type Heat = Extract<Act, { kind: "heat" }>;

function about(T: number, wanted_C: number, sd_K: number): number {
  const bell = (sd: number): number => Math.exp(-0.5 * ((T - wanted_C) / sd) ** 2) / sd;
  return (1 - ASTRAY) * bell(sd_K) + ASTRAY * bell(ASTRAY_K);
}

const MOST_BELIEFS = 32;

/** By the looks alone, as from `estimateHeat`; what was asked last is lent by the caller. */
function beliefFrom(asked: HeatQuestion, lent: Map<string, Float64Array> | undefined): Float64Array {
  const key = JSON.stringify(asked);
  const belief = lent?.get(key) ?? estimateHeat(asked).asLooked;
  lent?.delete(key);
  lent?.set(key, belief);
  if (lent !== undefined && lent.size > MOST_BELIEFS) lent.delete(lent.keys().next().value!);
  return belief;
}

/** @param sd_K how far a heat in this fire, by these eyes, is usually off, one deviation */
function had(
  state: PieceState,
  act: Heat,
  looks: readonly LoggedCheck[],
  out_ms: number,
  sd_K: number,
  context: HeatContext,
): HeatHad | null {
  const { eye, kit = null } = context;
  const atHeat_ms = state.doneAt_ms.get(act.id) ?? out_ms;
  const near = looks.filter(({ at_ms }) => at_ms <= out_ms && atHeat_ms - at_ms < COUNTS_s * 1000);
  const evidence = near.flatMap(({ reading, at_ms }) => evidenceOf(reading, Math.max(0, (out_ms - at_ms) / 1000), kit) ?? []);
  const last = evidence.filter((e, i) => evidence.slice(i + 1).filter(({ kind }) => kind === e.kind).length < LAST_OF_A_KIND);
  const isSeenTooHot = near.some(({ reading }) => reading.check === "too-hot");
  if (last.length === 0 && !isSeenTooHot) return null;
  const magnet = magnetPointOf(state, act, context);
  const belief =
    last.length === 0
      ? new Float64Array(NODES).fill(1 / NODES)
      : beliefFrom(
          {
            evidence: last,
            magnet,
            wanted_C: act.target_C,
            drift: [...waysOf(state, act, out_ms, magnet.at_C), STANDS],
            ...(eye === undefined ? {} : { eye }),
          },
          context.beliefs,
        );
  const eye_K = eye?.sd_C ?? UNKNOWN_EYE.sd_C;
  const seen = (T: number): number => (isSeenTooHot ? normalCdf((T - act.target_C - SEEN_OVER_K) / eye_K) : 1);
  const weights = belief.map((w, i) => w * about(heatOfNode_C(i), act.target_C, sd_K) * seen(heatOfNode_C(i)));
  const sum = weights.reduce((a, b) => a + b, 0);
  const mean_C = weights.reduce((total, w, i) => total + w * heatOfNode_C(i), 0) / sum;
  const variance = weights.reduce((total, w, i) => total + w * (heatOfNode_C(i) - mean_C) ** 2, 0) / sum;
  return { mean_C, sd_C: Math.sqrt(variance) };
}

/**
 * What a step's heat really was, from what was seen, touched and read of it: in its hold where somebody looked then, else before it left
 * the fire. Null while it is in it, and where nobody looked.
 */
export function heatHad(state: PieceState, step: number, sd_K: number, context: HeatContext): HeatHad | null {
  const own = state.acts.filter((act) => act.step === step);
  const heat = own.find((act): act is Heat => act.kind === "heat");
  const out_ms = heat === undefined ? undefined : state.doneAt_ms.get(heat.id);
  if (heat === undefined || out_ms === undefined) return null;
  const hold = own.find(({ kind }) => kind === "hold");
  const held_ms = hold === undefined ? undefined : state.doneAt_ms.get(hold.id);
  const looks = looksOf(state, heat);
  const ofHeat = looks.filter(({ act }) => act === heat.id);
  const inHold = looks.filter(({ act }) => act === hold?.id);
  // Looks before the hold tell whether it was still rising in it: nobody's are left out for there being one later.
  if (held_ms !== undefined && inHold.some(isLook)) return had(state, heat, [...ofHeat, ...inHold], held_ms, sd_K, context);
  return had(state, heat, ofHeat, out_ms, sd_K, context);
}
