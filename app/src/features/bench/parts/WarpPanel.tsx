/** How far it is off the line, and how it is held against that in the temper. */

import { CLAMPS, onceMore, warpNow, type PieceState } from "@tembrak/core";
import { useState, type ReactNode } from "react";
import { showThin } from "../../../format/show.js";
import { useSettings } from "../../../store/useStore.js";
import { CLAMP_WORDS, warpWords } from "../../../words/workWords.js";
import type { ActProps } from "./ActKey.js";
import { Sheet } from "./Sheet.js";

const BOWS_mm = [0, 0.5, 1, 1.5, 2, 3, 4, 6, 8, 12] as const;

/** Whether anybody has a reason to ask: it was called bent, or measured. */
function isAsked({ checks }: PieceState): boolean {
  return checks.some(({ reading }) => reading.check === "warp" || (reading.check === "straight" && reading.state === "bent"));
}

/** How it is held in the next temper; at the end there is none left, and one more is planned first. */
function HoldKeys({ state, bench, past_mm }: Pick<ActProps, "state" | "bench"> & { past_mm: number }) {
  if (state.next?.kind === "prove") {
    const more = state.route === null ? null : onceMore(state.route);
    return more === null ? null : (
      <button type="button" className="small-key" disabled={bench.isStoring} onClick={() => bench.replan(more)}>
        One more {more.steps.at(-1)?.kind === "run" ? "run" : "temper"}, held
      </button>
    );
  }
  return (
    <>
      {CLAMPS.map((how) => (
        <button
          key={how}
          type="button"
          className="small-key"
          disabled={bench.isStoring}
          onClick={() => bench.check({ check: "clamped", how, past_mm })}
        >
          {CLAMP_WORDS[how]}
        </button>
      ))}
    </>
  );
}

export function WarpPanel({ state, bench, children }: Pick<ActProps, "state" | "bench"> & { children?: ReactNode }) {
  const units = useSettings();
  const [isOpen, setOpen] = useState(false);
  const now = warpNow(state);
  const measure = (bow_mm: number): void => {
    setOpen(false);
    bench.check({ check: "warp", bow_mm, over_mm: Math.max(10, Math.min(5000, state.piece.length_mm)) });
  };
  return (
    <div className="warp-panel">
      <div className="straighten-keys">
        <button type="button" className="small-key" disabled={bench.isStoring} onClick={() => setOpen(true)}>
          {isAsked(state) ? "Off the line by…" : "Bent? Off the line by…"}
        </button>
        {now !== null && !now.isWithin && now.held === null ? <HoldKeys state={state} bench={bench} past_mm={now.past_mm} /> : null}
        {children}
      </div>
      {now === null ? null : <p className="drawn from">{warpWords(now, units)}</p>}
      <Sheet isOpen={isOpen} title="Sighted along a straight edge: off the line by" onClose={() => setOpen(false)}>
        <div className="fate-keys">
          {BOWS_mm.map((bow_mm) => (
            <button key={bow_mm} type="button" className="log-key" onClick={() => measure(bow_mm)}>
              <b>{bow_mm === 0 ? "Straight" : showThin(bow_mm, units)}</b>
            </button>
          ))}
        </div>
        <p>Never bend it cold by force: as hard as it is, it breaks.</p>
      </Sheet>
    </div>
  );
}
