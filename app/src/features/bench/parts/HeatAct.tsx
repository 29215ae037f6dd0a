/** Bringing it to heat: what to look for in this light, what the last reading says, how far to go, one tap a check. */

import {
  ambientFromLux,
  conflictMessage,
  glowHex,
  glowName,
  GLOW_NAMES,
  readGlow,
  type Act,
  type PieceState,
  type Route,
  eyeErrors_C,
  learnEye,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useMemo, useState } from "react";
import { usePrediction } from "../../../compute/useAnswers.js";
import { actWords } from "../../../format/actWords.js";
import { heatNow, WINDOW_C, type HeatNow } from "../../../format/heatNow.js";
import { showAgo, showChance, showClock, showDegrees, showDifference, temperatureNumber, type Units } from "../../../format/show.js";
import { lightName } from "../../../parts/TitleBlock.js";
import { usePieces, useSettings } from "../../../store/useStore.js";
import { useKeys } from "../useKeys.js";
import { ActKey, type ActProps } from "../BenchPage.js";
import { GlowRule, Swatch } from "./Glow.js";
import { MagnetKey } from "./MagnetKey.js";
import { ReadingDialog } from "./ReadingDialog.js";

/** A smaller correction of the eye is not worth a word, C. */
const LEAST_TOLD_C = 8;
/** Over the heat wanted by this much for sure, and the grain has begun to grow: it wants another normalising heat, C (judgement). */
const OVERHEATED_C = 40;

function toGoWords(now: HeatNow | null, target_C: number, magnet: string | null, units: Units): string {
  if (now === null) return "Check it: magnet, colour or probe";
  const { mean_C, conflict } = now.estimate;
  if (conflict !== null) return conflictMessage(conflict);
  if (now.isOneSided) {
    if (magnet === "free") return "Past the magnet: now go by its colour";
    return magnet === "weak" ? "The magnet is about to let go" : "Not there yet: the magnet sticks";
  }
  const left_C = target_C - mean_C;
  if (left_C > 8) return `${showDifference(left_C, units)} to go`;
  if (left_C < -25) return `${showDifference(-left_C, units)} past. Let it fall back`;
  return "At heat";
}

/** The route with one more normalising heat before this hardening, as hot as the last of them. */
function normaliseOnceMore({ route }: PieceState, act: Extract<Act, { kind: "heat" }>): Route {
  const { school, steps } = route!;
  const before = steps.slice(0, act.step).findLast((step) => step.kind === "normalise");
  const again: Route["steps"][number] = {
    kind: "normalise",
    temperature_C: before?.kind === "normalise" ? before.temperature_C : act.target_C,
    hold_min: 0,
    coolTo: "hand-warm",
    why: "It was too hot: this makes the grain small again.",
  };
  return { school, steps: [...steps.slice(0, act.step), again, ...steps.slice(act.step)] };
}

type Sheet = "glow" | "reading" | null;

export function HeatAct({ state, act, bench, now_ms }: ActProps<"heat">) {
  const settings = useSettings();
  const ambient = ambientFromLux(settings.ambient_lux);
  const [sheet, setSheet] = useState<Sheet>(null);
  const prediction = usePrediction(state.piece, state.route);
  // Every two seconds is often enough for a heat, and what was read grows older by no more in between.
  const tick = Math.floor(now_ms / 2000);
  const pieces = usePieces();
  const eye = useMemo(() => learnEye((pieces ?? []).flatMap(({ checks }) => eyeErrors_C(checks))), [pieces]);
  const now = useMemo(() => heatNow(state, act, tick * 2000, eye), [state, act, tick, eye]);
  const magnets = state.checks.filter((c) => c.act === act.id && c.reading.check === "magnet");
  const magnet = magnets[magnets.length - 1];
  const magnetState = magnet?.reading.check === "magnet" ? magnet.reading.state : null;
  const words = actWords(act, state, settings);
  const lets_C = prediction.data?.transformations.magnetLost_C;
  const first = state.checks.find((c) => c.act === act.id)?.at_ms ?? state.nextSince_ms;
  const estimate = now?.estimate ?? null;
  const isTooHot =
    act.purpose === "harden" && estimate !== null && estimate.conflict === null && estimate.p05_C > act.target_C + OVERHEATED_C;
  // As the keys on the screen: a tap that is still being stored takes no second one.
  const touch = (value: "sticks" | "weak" | "free"): void => {
    if (!bench.isStoring) bench.check({ check: "magnet", state: value });
  };
  useKeys({
    s: () => touch("sticks"),
    w: () => touch("weak"),
    f: () => touch("free"),
    l: () => setSheet("glow"),
    p: () => setSheet("reading"),
  });
  return (
    <>
      <div className="bench-main heat">
        <div className="bench-left">
          <div className="bench-now">
            <span className="numeral" data-testid="numeral">
              {Math.round(temperatureNumber(estimate?.mean_C ?? act.target_C, settings))}
            </span>
            <span className="numeral-side">
              <span className="unit">°{settings.temperature}</span>
              {estimate ? (
                <>
                  <span>now, between</span>
                  <b>
                    {Math.round(temperatureNumber(estimate.p05_C, settings))} and {Math.round(temperatureNumber(estimate.p95_C, settings))}
                  </b>
                </>
              ) : (
                <b>wanted</b>
              )}
            </span>
          </div>
          <p className={estimate?.conflict ? "to-go conflict" : "to-go"}>
            {isTooHot
              ? `Too hot: ${showDifference(estimate.mean_C - act.target_C, settings)} over, the grain grows`
              : toGoWords(now, act.target_C, magnetState, settings)}
          </p>
          <p className="drawn from">
            {now ? `from ${now.from}, ${showAgo(now.newest_ms, now_ms)}` : "no reading yet"}
            {estimate?.chanceInWindow !== null && estimate?.chanceInWindow !== undefined && !now?.isOneSided
              ? ` · ${showChance(estimate.chanceInWindow)} within ${showDifference(WINDOW_C, settings)}`
              : ""}
            {Math.abs(eye.bias_C) >= LEAST_TOLD_C && now?.from.includes("colour")
              ? ` · your eye, ${eye.pairs} times beside a probe: ${showDifference(Math.abs(eye.bias_C), settings)} ${eye.bias_C > 0 ? "too hot" : "too cold"}, allowed for`
              : ""}
            {first ? ` · ${showClock((now_ms - first) / 1000)} in the fire` : ""}
          </p>
          {isTooHot ? (
            <Button className="too-hot" disabled={bench.isStoring} onClick={() => bench.replan(normaliseOnceMore(state, act))}>
              Cool to black, normalise once more
            </Button>
          ) : null}
        </div>
        <Swatch
          target_C={act.target_C}
          ambient={ambient}
          words={`${glowName(act.target_C, ambient) ?? "no glow can be seen"}, in ${lightName(settings.ambient_lux)} light`}
        />
      </div>
      <GlowRule target_C={act.target_C} estimate={estimate} lets_C={lets_C} ambient={ambient} units={settings} />
      <div className="bench-keys">
        {(["sticks", "weak", "free"] as const).map((value) => (
          <MagnetKey key={value} value={value} isOn={magnetState === value} isDisabled={bench.isStoring} onPress={() => touch(value)} />
        ))}
        <Button className="log-key" onClick={() => setSheet("glow")}>
          <i style={{ background: glowHex(act.target_C, ambient) }} className="key-swatch" />
          it looks…
        </Button>
        <Button className="log-key" onClick={() => setSheet("reading")}>
          <i className="key-probe drawn">°{settings.temperature}</i>
          probe reads…
        </Button>
        <ActKey label={words.done} bench={bench} onPress={() => bench.done()} />
      </div>
      <Dialog open={sheet === "glow"} onClose={() => setSheet(null)} fullWidth maxWidth="sm">
        <DialogTitle>What does it look like, in {lightName(settings.ambient_lux)} light?</DialogTitle>
        <DialogContent>
          <div className="glow-names">
            {GLOW_NAMES.map((band) => {
              const read = readGlow(band, ambient);
              if (read === null) return null;
              return (
                <button
                  key={band.name}
                  type="button"
                  onClick={() => {
                    bench.check({ check: "glow", name: band.name, ambient_lux: settings.ambient_lux });
                    setSheet(null);
                  }}
                >
                  <i style={{ background: glowHex(read.mean_C, ambient) }} />
                  <b>{band.name}</b>
                  <span className="drawn">
                    {showDegrees(read.low_C, settings)} to {showDegrees(read.high_C, settings)}
                  </span>
                </button>
              );
            })}
          </div>
          <p style={{ color: "var(--ink2)", marginBottom: 0 }}>
            A screen shows relative looks only. Names are rough: a trained eye is good to about {showDifference(25, settings)}.
          </p>
        </DialogContent>
      </Dialog>
      <ReadingDialog
        isOpen={sheet === "reading"}
        target_C={act.target_C}
        units={settings}
        onClose={() => setSheet(null)}
        onCheck={bench.check}
      />
    </>
  );
}
