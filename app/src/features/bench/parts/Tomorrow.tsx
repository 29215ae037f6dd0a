/** A piece that is hard, and a day that is over: a short temper, or until tomorrow as it is, with what that risks. */

import { withSnapTemper, type Act } from "@tembrak/core";
import { useStandingSoon } from "../../../compute/useAnswers.js";
import { useLog, useSettings } from "../../../store/useStore.js";
import { shortTemperWords, tomorrowWords, WAITS_NOTE } from "../../../words/workWords.js";
import type { ActProps } from "./ActKey.js";

/** Between the bath and whatever draws it. */
const HARD: ReadonlySet<Act["kind"]> = new Set(["cool-down", "first-file", "brighten", "oven"]);

export function Tomorrow({ state, act, bench, onDone }: Pick<ActProps, "state" | "act" | "bench"> & { readonly onDone: () => void }) {
  const units = useSettings();
  const { write } = useLog();
  const prediction = useStandingSoon(state);
  if (!HARD.has(act.kind) || state.brittleSince_ms === null || state.route === null) return null;
  const short = withSnapTemper(state.route);
  return (
    <>
      <h3>No time to temper it today</h3>
      <p>{tomorrowWords(prediction?.hardening.crackRisk.level)}</p>
      <div className="fate-keys">
        {short === null ? null : (
          <button
            type="button"
            className="log-key"
            disabled={bench.isStoring}
            onClick={() => {
              bench.replan(short);
              onDone();
            }}
          >
            <b>A short temper now</b>
            <small>{shortTemperWords(short, units)}</small>
          </button>
        )}
        <button
          type="button"
          className="log-key"
          disabled={bench.isStoring}
          onClick={() => {
            void write(state.id, [{ kind: "note", text: WAITS_NOTE }]);
            onDone();
          }}
        >
          <b>It waits until tomorrow</b>
          <small>warm and dry, on wood, where nobody knocks it</small>
        </button>
      </div>
    </>
  );
}
