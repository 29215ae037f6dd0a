/** Bringing it to heat: what to look for in this light, what the last reading says, how far to go, one tap a check. */

import { ambientFromLux, glowHex, glowName, GLOW_NAMES, readGlow, type LoggedCheck } from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState } from "react";
import { usePrediction } from "../../../compute/useAnswers.js";
import { actWords } from "../../../format/actWords.js";
import { showAgo, showClock, showDegrees, showDifference, temperatureNumber } from "../../../format/show.js";
import { TemperatureField } from "../../../parts/QuantityField.js";
import { lightName } from "../../../parts/TitleBlock.js";
import { useSettings } from "../../../store/useStore.js";
import { ActKey, type ActProps } from "../BenchPage.js";
import { GlowRule, Swatch } from "./Glow.js";
import { MagnetKey } from "./MagnetKey.js";

/** Spread of a hand-held probe on hot steel, C (judgement). */
const PROBE_SD_C = 8;

interface Belief {
  readonly mean_C: number;
  readonly sd_C: number;
  readonly at_ms: number;
  readonly from: string;
}

/** What the newest reading of temperature in this act says. */
function beliefOf(checks: readonly LoggedCheck[], act: string): Belief | null {
  for (const { act: of, at_ms, reading } of [...checks].reverse()) {
    if (of !== act) continue;
    if (reading.check === "probe") return { mean_C: reading.temperature_C, sd_C: PROBE_SD_C, at_ms, from: "the probe" };
    if (reading.check !== "glow") continue;
    const band = GLOW_NAMES.find(({ name }) => name === reading.name);
    const read = band && readGlow(band, ambientFromLux(reading.ambient_lux));
    if (read) return { mean_C: read.mean_C, sd_C: read.sd_C, at_ms, from: `its colour, ${reading.name}` };
  }
  return null;
}

type Sheet = "glow" | "probe" | null;

export function HeatAct({ state, act, bench, now_ms }: ActProps<"heat">) {
  const settings = useSettings();
  const ambient = ambientFromLux(settings.ambient_lux);
  const [sheet, setSheet] = useState<Sheet>(null);
  const [probe_C, setProbe] = useState(act.target_C);
  const [probeBad, setProbeBad] = useState(false);
  const prediction = usePrediction(state.piece, state.route);
  const belief = beliefOf(state.checks, act.id);
  const magnets = state.checks.filter((c) => c.act === act.id && c.reading.check === "magnet");
  const magnet = magnets[magnets.length - 1];
  const magnetState = magnet?.reading.check === "magnet" ? magnet.reading.state : null;
  const left_C = belief === null ? null : act.target_C - belief.mean_C;
  const words = actWords(act, state.route, settings);
  const lets_C = prediction.data?.transformations.magnetLost_C;
  const first = state.checks.find((c) => c.act === act.id)?.at_ms ?? state.nextSince_ms;
  const toGo =
    left_C === null
      ? magnetState === "free"
        ? "Past the magnet: now go by its colour"
        : "Check it: magnet, colour or probe"
      : left_C > 8
        ? `${showDifference(left_C, settings)} to go`
        : left_C < -25
          ? `${showDifference(-left_C, settings)} past. Let it fall back`
          : "At heat";
  return (
    <>
      <div className="bench-main heat">
        <div className="bench-left">
          <div className="bench-now">
            <span className="numeral" data-testid="numeral">
              {Math.round(temperatureNumber(belief?.mean_C ?? act.target_C, settings))}
            </span>
            <span className="numeral-side">
              <span className="unit">°{settings.temperature}</span>
              {belief ? (
                <>
                  <span>now, between</span>
                  <b>
                    {Math.round(temperatureNumber(belief.mean_C - 1.645 * belief.sd_C, settings))} and{" "}
                    {Math.round(temperatureNumber(belief.mean_C + 1.645 * belief.sd_C, settings))}
                  </b>
                </>
              ) : (
                <b>wanted</b>
              )}
            </span>
          </div>
          <p className="to-go">{toGo}</p>
          <p className="drawn from">
            {belief ? `from ${belief.from}, ${showAgo(belief.at_ms, now_ms)}` : "no reading yet"}
            {first ? ` · ${showClock((now_ms - first) / 1000)} in the fire` : ""}
          </p>
        </div>
        <Swatch
          target_C={act.target_C}
          ambient={ambient}
          words={`${glowName(act.target_C, ambient) ?? "no glow can be seen"}, in ${lightName(settings.ambient_lux)} light`}
        />
      </div>
      <GlowRule target_C={act.target_C} belief={belief} lets_C={lets_C} ambient={ambient} units={settings} />
      <div className="bench-keys">
        {(["sticks", "weak", "free"] as const).map((value) => (
          <MagnetKey
            key={value}
            value={value}
            isOn={magnetState === value}
            isDisabled={bench.isStoring}
            onPress={() => bench.check({ check: "magnet", state: value })}
          />
        ))}
        <Button className="log-key" onClick={() => setSheet("glow")}>
          <i style={{ background: glowHex(act.target_C, ambient) }} className="key-swatch" />
          it looks…
        </Button>
        <Button className="log-key" onClick={() => setSheet("probe")}>
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
      <Dialog open={sheet === "probe"} onClose={() => setSheet(null)} fullWidth maxWidth="xs">
        <DialogTitle>What does the probe read?</DialogTitle>
        <DialogContent>
          <div style={{ paddingTop: 8 }}>
            <TemperatureField
              label="Reading"
              value_C={probe_C}
              units={settings}
              low_C={-50}
              high_C={1400}
              question={(T) => (T > act.target_C + 250 ? { code: "odd", message: "That is far above the heat wanted. Right unit?" } : null)}
              onFault={setProbeBad}
              onChange={setProbe}
            />
          </div>
        </DialogContent>
        <DialogActions>
          <Button variant="text" onClick={() => setSheet(null)}>
            Not now
          </Button>
          <Button
            variant="contained"
            disabled={probeBad}
            onClick={() => {
              bench.check({ check: "probe", temperature_C: probe_C });
              setSheet(null);
            }}
          >
            Log it
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
