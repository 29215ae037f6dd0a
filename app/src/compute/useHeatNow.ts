/** The judgement of a heat for whoever shows it: bench, rack and record ask the same question of the same log. */

import {
  CATALOGUE,
  eyeErrors_K,
  fireTime,
  heatNow,
  learnEye,
  warmUpQuestion,
  type Act,
  type HeatNow,
  type LearnedEye,
  type MagnetPoint,
  type PieceState,
} from "@tembrak/core";
import { useMemo } from "react";
import { useKit, usePieces } from "../store/useStore.js";
import { useWarmUp } from "./useAnswers.js";

/** Often enough for a heat: what was read grows older by no more in between, ms. Out of the fire seconds count. */
const TICK_ms = 2000;
const OUT_TICK_ms = 500;

const points = new Map<string, MagnetPoint>();

/** What each piece has to say of the eye: a piece nothing happened to is the same object, and is not read again. */
const errors = new WeakMap<PieceState, readonly number[]>();

function errorsOf(state: PieceState): readonly number[] {
  const known = errors.get(state) ?? eyeErrors_K(state.checks);
  errors.set(state, known);
  return known;
}

/** The eye of this shop. Practice trains the eye of its smith; what it says of a screen is no evidence for steel. */
export function useEye(): LearnedEye {
  const pieces = usePieces();
  return useMemo(() => learnEye((pieces ?? []).filter(({ piece }) => piece.isPractice !== true).flatMap(errorsOf)), [pieces]);
}

/** Null for an act that is no heat. */
export function useHeatNow(state: PieceState, act: Act | undefined, now_ms: number): HeatNow | null {
  const kit = useKit() ?? null;
  const eye = useEye();
  const heat = act?.kind === "heat" ? act : null;
  const question = useMemo(() => (heat === null ? null : warmUpQuestion(state, heat, kit)), [state, heat, kit]);
  const course = useWarmUp(question).data;
  const fire = heat === null ? null : fireTime(state, heat, now_ms);
  const every_ms = fire?.state === "out" ? OUT_TICK_ms : TICK_ms;
  const tick_ms = Math.floor(now_ms / every_ms) * every_ms;
  const judged = useMemo(
    () => (heat === null ? null : heatNow(state, heat, tick_ms, { catalogue: CATALOGUE, eye, kit, course, points })),
    [state, heat, tick_ms, eye, kit, course],
  );
  return judged === null || fire === null ? null : { ...judged, fire };
}
