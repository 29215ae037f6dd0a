/** A tap that may have come late: really, or tapped late? In one line, until it is answered or a file has told. */

import type { PieceState } from "@tembrak/core";
import { useTapDoubt } from "../../../compute/useTapDoubt.js";
import { useLog } from "../../../store/useStore.js";
import { tapKeys, tapWords } from "../../../words/tapWords.js";

/** @param now by which clock the answer is written */
export function TapAsk({ state, now }: { state: PieceState; now: () => number }) {
  const doubt = useTapDoubt(state);
  const { write } = useLog();
  if (doubt === null) return null;
  const say = (true_ms: number, why: "as-tapped" | "tapped-late"): void =>
    void write(state.id, [{ kind: "corrected", event: doubt.event, true_ms, why }], now());
  const keys = tapKeys(doubt);
  return (
    <div className="tap-ask" role="status">
      <span>{tapWords(doubt)}</span>
      <button type="button" className="log-key" onClick={() => say(doubt.tapped_ms, "as-tapped")}>
        {keys.really}
      </button>
      <button type="button" className="log-key" onClick={() => say(doubt.usual_ms, "tapped-late")}>
        {keys.late}
      </button>
    </div>
  );
}
