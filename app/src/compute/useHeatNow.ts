/** The judgement of a heat for whoever shows it: bench, rack and record ask the same question of the same log. */

import { fireTime, heatBehind, heatNow, warmUpQuestion, type Act, type HeatNow, type PieceState } from "@tembrak/core";
import { useMemo } from "react";
import { unknownOf } from "../words/unknownWords.js";
import { useWarmUp } from "./useAnswers.js";
import { useHeatContext } from "./useHeatContext.js";

/** Often enough for a heat: what was read grows older by no more in between, ms. Out of the fire seconds count. */
const TICK_ms = 2000;
const OUT_TICK_ms = 500;

/** Null for an act that is neither a heat nor the hold after one. */
export function useHeatNow(state: PieceState, act: Act | undefined, now_ms: number): HeatNow | null {
  const context = useHeatContext();
  const { kit } = context;
  // Of a steel nobody knows nothing is judged.
  const heat = unknownOf(state).length === 0 ? (heatBehind(state, act) ?? null) : null;
  const question = useMemo(() => (heat === null ? null : warmUpQuestion(state, heat, kit)), [state, heat, kit]);
  const course = useWarmUp(question).data;
  const fire = heat === null ? null : fireTime(state, heat, now_ms);
  const every_ms = fire?.state === "out" ? OUT_TICK_ms : TICK_ms;
  const tick_ms = Math.round(now_ms / every_ms) * every_ms;
  const judged = useMemo(
    () => (heat === null ? null : heatNow(state, heat, tick_ms, { ...context, course })),
    [state, heat, tick_ms, context, course],
  );
  return judged === null || fire === null ? null : { ...judged, fire };
}
