/** Out before its time: asked once, with what it costs. */

import type { Act, PieceState, Prediction, Question, Step } from "@tembrak/core";
import Button from "@mui/material/Button";
import type { UseQueryResult } from "@tanstack/react-query";
import { useMemo } from "react";
import { usePrediction, useQuestion } from "../../../compute/useAnswers.js";
import { showClock, showDuration } from "../../../format/show.js";
import { earlyWords } from "../../../words/benchWords.js";
import { Sheet } from "./Sheet.js";

type Held = Extract<Act, { kind: "hold" | "temper" }>;

/** Less than this left is no more than a hand is late, s, and as a share of the hold. */
const LEAST_s = 30;
const LEAST_SHARE = 0.1;

/** Whether ending it now is worth a question. */
export function isEarly(left_s: number, hold_s: number): boolean {
  return left_s > Math.max(LEAST_s, LEAST_SHARE * hold_s);
}

/** The piece as it would be had this hold been so long. */
function endedAfter(question: Question | null, act: Held, held_s: number): Question | null {
  if (question === null) return null;
  const steps = question.route.steps.map((step, i): Step => {
    if (i !== act.step || !("hold_min" in step)) return step;
    return { ...step, hold_min: Math.max(step.kind === "temper" ? 1 : 0, held_s / 60) };
  });
  return { ...question, route: { ...question.route, steps } };
}

/** Nothing where it cannot be worked out: of a route without a hardening, of a steel nobody knows. */
function costWords(early: UseQueryResult<Prediction>, planned: UseQueryResult<Prediction>): string {
  if (early.data !== undefined && planned.data !== undefined) return earlyWords(early.data, planned.data);
  return early.isFetching || planned.isFetching ? "What that costs is being worked out." : "";
}

interface Props {
  readonly state: PieceState;
  readonly act: Held;
  readonly held_s: number;
  readonly left_s: number;
  readonly out: string;
  readonly onOut: () => void;
  readonly onClose: () => void;
}

export function EarlySheet({ state, act, held_s, left_s, out, onOut, onClose }: Props) {
  const question = useQuestion(state);
  // Asked for the whole minute: a clock that runs asks nothing anew.
  const minute_s = 60 * Math.floor(held_s / 60);
  const early = usePrediction(
    useMemo(() => endedAfter(question, act, minute_s), [question, act, minute_s]),
    "quick",
  );
  const planned = usePrediction(
    useMemo(() => endedAfter(question, act, act.hold_s), [question, act]),
    "quick",
  );
  return (
    <Sheet isOpen title={`${showClock(left_s)} too early`} close="Leave it in" onClose={onClose}>
      <p className="early-words">
        It has had {showDuration(minute_s)} of {showDuration(act.hold_s)}. {costWords(early, planned)}
      </p>
      <div className="fate-keys one">
        <Button className="log-key" onClick={onOut}>
          <b>{out}</b>
          <small>now, all the same</small>
        </Button>
      </div>
    </Sheet>
  );
}
