/** Acts that wait for a fact, not a clock: black, hand-warm, in the oven, tried with a file. Time since is shown large. */

import { brittleSince, dialFor_C, kitOf } from "@tembrak/core";
import { usePrediction } from "../../../compute/useAnswers.js";
import { actWords, runColour } from "../../../words/actWords.js";
import { showClock, showDegrees, showDifference, showDuration } from "../../../format/show.js";
import { usePaint } from "../../../parts/usePaint.js";
import { drawPiece, Silhouette } from "../../../parts/Silhouette.js";
import { useKit, useSettings } from "../../../store/useStore.js";
import { ActKey, type ActProps } from "./ActKey.js";

export function CoolAct({
  state,
  act,
  bench,
  now_ms,
}: ActProps<"air-cool" | "slow-cool" | "fall" | "brighten" | "run" | "cool-down" | "first-file" | "oven" | "prove">) {
  const settings = useSettings();
  const kit = useKit() ?? null;
  const prediction = usePrediction(state.piece, state.route);
  const words = actWords(act, state, settings);
  const brittle_ms = brittleSince(state, now_ms);
  const since_ms = brittle_ms ?? state.nextSince_ms;
  const gone_s = since_ms === null ? 0 : (now_ms - since_ms) / 1000;
  const handWarm_s = prediction.data?.hardening.handWarm_s;
  const box = drawPiece(state.piece, 1, "lay");
  const k = Math.min(480 / box.width_px, 250 / box.height_px);
  const drawn = drawPiece(state.piece, k, "lay");
  const paint = usePaint(state, now_ms);
  const oven = kit === null ? undefined : kitOf(kit, "oven")[0];
  const told = (() => {
    switch (act.kind) {
      case "slow-cool":
        return gone_s < act.time_s ? `${showDuration(act.time_s - gone_s)} more at that rate` : "Far enough: now air will do";
      case "brighten":
        return "Bright from the edge to well past where it is hard";
      case "run":
        return `Stop at ${runColour(state.piece.steel, act.target_C)}: dunk it whole, at once`;
      case "fall":
        return "In shade, off the tongs' grip: touch every second";
      case "air-cool":
        return act.coolTo === "black" ? "Black when no glow is left, in shade" : "Hand-warm all through, tang and spine too";
      case "cool-down":
        return handWarm_s === undefined
          ? ""
          : gone_s < handWarm_s
            ? `Hand-warm in about ${showDuration(handWarm_s - gone_s)}, by the model`
            : "Should be hand-warm by now: feel it";
      case "oven":
        return oven === undefined || Math.abs(oven.offset_C) < 1
          ? `Oven at ${showDegrees(act.target_C, settings)} by a second thermometer, steady for 20 min`
          : `Set ${oven.name} to ${showDegrees(dialFor_C(oven, act.target_C), settings)}: it runs ${showDifference(Math.abs(oven.offset_C), settings)} ${oven.offset_C > 0 ? "hot" : "cold"}. At rest after ${Math.max(1, Math.round(oven.settle_min))} min`;
      case "first-file":
        return "New edge of the file, light stroke, on clean steel";
      case "prove":
        return "Bare ground steel, three places";
    }
  })();
  const test = `/piece/${state.id}/test/${act.id}`;
  return (
    <>
      <div className="bench-main quench">
        <svg viewBox="0 0 520 300" className="tank" role="img" aria-label={`${state.piece.name}: ${paint.words}`}>
          <g transform={`translate(${260 - drawn.width_px / 2} ${150 - drawn.height_px / 2})`}>
            <Silhouette drawn={drawn} lie="lay" paint={paint} isBrittle={brittle_ms !== null} />
          </g>
        </svg>
        <div className="bench-left">
          <div className="bench-now">
            <span className="numeral" data-testid="numeral">
              {since_ms === null ? "–" : brittle_ms !== null ? Math.floor(gone_s / 60) : showClock(gone_s)}
            </span>
          </div>
          <p className="from2">{brittle_ms !== null ? "min brittle" : since_ms === null ? "" : "since the last step"}</p>
          <p className="to-go">{told}</p>
        </div>
      </div>
      <div className="bench-keys">
        {act.kind === "first-file" ? (
          <>
            <button type="button" className="log-key wide-key" disabled={bench.isStoring} onClick={() => bench.done()}>
              {words.done}, untested
            </button>
            <ActKey label="Try the files" bench={bench} onPress={() => undefined} isTest={test} />
          </>
        ) : act.kind === "prove" ? (
          <ActKey label="Try the files" bench={bench} onPress={() => undefined} isTest={test} />
        ) : (
          <ActKey label={words.done} bench={bench} onPress={() => bench.done()} />
        )}
      </div>
    </>
  );
}
