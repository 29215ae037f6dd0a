/** Whether a tap into the bath is worth a question: only where late or not makes another piece of it. */

import {
  asUsual,
  knownFrom_ms,
  standingQuestion,
  tapDoubt,
  tapMatters,
  testsThatCount,
  type PieceState,
  type TapDoubt,
} from "@tembrak/core";
import { useMemo } from "react";
import { unknownOf } from "../words/unknownWords.js";
import { usePrediction } from "./useAnswers.js";
import { useFactorsFor } from "./LearnProvider.js";
import { useHeatContext } from "./useHeatContext.js";

function answered(state: PieceState, event: string): PieceState {
  return { ...state, asked: new Set([...state.asked, event]) };
}

/** Null while it is not known whether it matters. */
export function useTapDoubt(state: PieceState): TapDoubt | null {
  const context = useHeatContext();
  const factors = useFactorsFor(state.piece, knownFrom_ms(state));
  const asked = useMemo(() => {
    const step = state.route?.steps.findLastIndex(({ kind }) => kind === "quench") ?? -1;
    const doubt = step < 0 || unknownOf(state).length > 0 || testsThatCount(state).length > 0 ? null : tapDoubt(state, step, factors);
    if (doubt === null || !doubt.isLikely) return null;
    const known = answered(state, doubt.event);
    const of = (one: PieceState) => standingQuestion(one, { ...context, factors });
    return { doubt, tapped: of(known), usual: of(asUsual(known, doubt)) };
  }, [state, context, factors]);
  const tapped = usePrediction(asked?.tapped ?? null, "quick").data;
  const usual = usePrediction(asked?.usual ?? null, "quick").data;
  if (asked === null || tapped === undefined || usual === undefined || !tapMatters(tapped, usual)) return null;
  return asked.doubt;
}
