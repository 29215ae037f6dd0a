/** The move from fire to bath, walked through cold before it counts: timed, and logged. */

import type { PieceState } from "@tembrak/core";
import { useState } from "react";
import type { Bench } from "../useBench.js";

/** From fire to bath no longer than this, s (common practice, no source: thin edges lose a heat in two or three). */
const GOAL_s = 3;
const LEAST_s = 0.1;
const MOST_s = 60;

export function Rehearsal({ state, bench }: { state: PieceState; bench: Bench }) {
  const [from_ms, setFrom] = useState<number | null>(null);
  const last = state.checks.findLast(({ reading }) => reading.check === "rehearsal");
  const took_s = last?.reading.check === "rehearsal" ? last.reading.took_s : null;
  const told =
    took_s === null
      ? `Cold, tongs in hand: side, path, tip first. Within ${GOAL_s} s.`
      : took_s <= GOAL_s
        ? `${took_s.toFixed(1)} s last time: good.`
        : `${took_s.toFixed(1)} s last time: bring the bath nearer than ${GOAL_s} s.`;
  return (
    <div className="rehearsal">
      <span>{told}</span>
      {from_ms === null ? (
        <button type="button" className="small-key" onClick={() => setFrom(performance.now())}>
          Rehearse the move
        </button>
      ) : (
        <button
          type="button"
          className="small-key is-on"
          onClick={() => {
            const seconds = (performance.now() - from_ms) / 1000;
            setFrom(null);
            bench.check({ check: "rehearsal", took_s: Math.min(MOST_s, Math.max(LEAST_s, Math.round(10 * seconds) / 10)) });
          }}
        >
          It is over the bath
        </button>
      )}
    </div>
  );
}
