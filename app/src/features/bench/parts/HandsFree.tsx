/** The quench that needs no hand: started by one press, called move by move, stopped by one press. */

import type { Act, PieceState, Prediction } from "@tembrak/core";
import { useEffect, useRef } from "react";
import { showDuration } from "../../../format/show.js";
import { canStart, nextMove, sequenceSince_ms, type SequenceMove } from "../sequence.js";
import type { Bench } from "../useBench.js";

/** Logs each move of a running sequence as its time comes. @returns the move that is waited for; null when none runs. */
export function useSequence(
  state: PieceState,
  { prediction, out_s }: { readonly prediction: Prediction | undefined; readonly out_s: number | null },
  bench: Bench,
  now_ms: number,
  isLeading: boolean,
): SequenceMove | null {
  const move = nextMove(state, prediction, out_s);
  const sent = useRef("");
  const isDue = move !== null && now_ms >= move.at_ms;
  useEffect(() => {
    if (move === null || !isDue || !isLeading || bench.isStoring) return;
    const key = `${move.act} ${move.words}`;
    if (sent.current === key) return;
    sent.current = key;
    bench.at(move.act, move.events, move.at_ms);
  }, [move, isDue, isLeading, bench]);
  return move;
}

export function HandsFree({
  state,
  act,
  bench,
  move,
  now_ms,
}: {
  state: PieceState;
  act: Act;
  bench: Bench;
  move: SequenceMove | null;
  now_ms: number;
}) {
  if (move !== null) {
    return (
      <div className="hands-free" role="timer">
        <span>
          Hands-free: {move.until} in {showDuration(Math.max(0, (move.at_ms - now_ms) / 1000))}
        </span>
        <button type="button" className="small-key" onClick={() => bench.check({ check: "sequence", state: "stopped" })}>
          Stop it
        </button>
      </div>
    );
  }
  if (!canStart(state, act) || sequenceSince_ms(state) !== null) return null;
  return (
    <button
      type="button"
      className="small-key"
      disabled={bench.isStoring}
      onClick={() => bench.check({ check: "sequence", state: "started" })}
    >
      Hands-free from here
    </button>
  );
}
