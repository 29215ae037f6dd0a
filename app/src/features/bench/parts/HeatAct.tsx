/** Bringing it to heat: what to look for in this light, what the last reading says, how far to go, one tap a check. */

import {
  ambientFromLux,
  dialFor_C,
  glowHex,
  glowName,
  GLOW_NAMES,
  readGlow,
  type Act,
  type PieceState,
  type Route,
  eyeErrors_C,
  expectedAt,
  heatOrder,
  kitOf,
  type FireInput,
  type Kit,
  type WarmUp,
  learnEye,
  wayOf,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useMemo, useState } from "react";
import { usePrediction, useWarmUp } from "../../../compute/useAnswers.js";
import { actWords } from "../../../words/actWords.js";
import { heatNow, WINDOW_C, type HeatNow } from "../../../format/heatNow.js";
import { showAgo, showChance, showClock, showDegrees, showDifference, temperatureNumber, type Units } from "../../../format/show.js";
import { conflictWords } from "../../../words/noticeWords.js";
import { PROMPT_WORDS } from "../../../words/routeWords.js";
import { lightName } from "../../../parts/TitleBlock.js";
import { useKit, usePieces, useSettings } from "../../../store/useStore.js";
import { latest_C, useShopBeside } from "../../../instruments/useSimulatedShop.js";
import { fireTime, LONG_OUT_s, type FireTime } from "../fireTime.js";
import { useKeys } from "../useKeys.js";
import { ActKey, type ActProps } from "../BenchPage.js";
import { EvenDialog } from "./EvenDialog.js";
import { GlowRule, Swatch } from "./Glow.js";
import { KilnPanel, logToKiln, matesOf } from "./KilnPanel.js";
import { MagnetKey } from "./MagnetKey.js";
import { ReadingDialog } from "./ReadingDialog.js";
import { lastEven, ZoneLine } from "./ZoneLine.js";

const NO_STEPS = { steps: [] };

/** More than this nobody reads at the fire. */
const MOST_PROMPTS = 3;
/** A smaller correction of the eye is not worth a word, C. */
const LEAST_TOLD_C = 8;
/** Over the heat wanted by this much for sure, and the grain has begun to grow: it wants another normalising heat, C (judgement). */
const OVERHEATED_C = 40;

function toGoWords(now: HeatNow | null, target_C: number, magnet: string | null, units: Units): string {
  if (now === null) return "Check it: magnet, colour or probe";
  const { mean_C, conflict } = now.estimate;
  if (conflict !== null) return conflictWords(conflict);
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
  const { steps } = route!;
  const before = steps.slice(0, act.step).findLast((step) => step.kind === "normalise");
  const again: Route["steps"][number] = {
    kind: "normalise",
    temperature_C: before?.kind === "normalise" ? before.temperature_C : act.target_C,
    hold_min: 0,
    coolTo: "hand-warm",
    why: "was-too-hot",
  };
  return { ...route!, steps: [...steps.slice(0, act.step), again, ...steps.slice(act.step)] };
}

/** The route as if this heat had been so hot. */
function heatedTo({ route }: PieceState, act: Extract<Act, { kind: "heat" }>, temperature_C: number): Route | null {
  if (route === null) return null;
  const steps = route.steps.map((step, i) =>
    i === act.step && step.kind === "harden" ? { ...step, temperature_C: Math.min(1200, temperature_C) } : step,
  );
  return { ...route, steps };
}

type Sheet = "glow" | "reading" | "even" | null;

/** A kiln that stands at the heat wanted brings a piece to within this of it in good time, C (judgement). */
const KILN_SHORT_C = 6;
/** As it goes in: cold, or black from the heat before, C (common practice, no source). */
const COLD_C = 25;
const BLACK_C = 450;

/** How hot it went in; null where it was looked at before it went in, or came out of a preheat: then nobody knows. */
function startOf({ checks, acts }: PieceState, act: Act): number | null {
  const own = checks.filter((c) => c.act === act.id && !["safety", "rehearsal"].includes(c.reading.check));
  if (own[0]?.reading.check !== "fire" || own[0].reading.state !== "in") return null;
  const before = acts[acts.indexOf(act) - 1];
  if (before === undefined) return COLD_C;
  if (before.kind === "air-cool") return before.coolTo === "black" ? BLACK_C : COLD_C;
  return before.kind === "heat" || before.kind === "hold" ? null : COLD_C;
}

/** The fire of a shop that has not said what it has (common practice, no source). */
const USUAL_FORGE: FireInput = { kind: "forge", fuel: "gas", chamber_C: 950, length_mm: null };
/** In air it falls about so fast near its heat, K/s (judgement). */
const FALLS_C_s = -2;
const FALLS_SD_C_s = 2;

/** The fire a heat is done in, from the kit. */
function fireOf(kit: Kit | null, isKiln: boolean, target_C: number): FireInput {
  if (isKiln) return { kind: "kiln", fuel: "gas", chamber_C: target_C, length_mm: null };
  const forge = kit === null ? undefined : kitOf(kit, "forge")[0];
  return forge === undefined ? USUAL_FORGE : { kind: "forge", fuel: forge.fuel, chamber_C: forge.chamber_C, length_mm: forge.length_mm };
}

/** How this shop's own fire is set for a heat: the controller with its fault, or what was noted of the forge. */
function shopNote(kit: Kit | null, isKiln: boolean, target_C: number, units: Units): string | undefined {
  if (kit === null) return undefined;
  if (!isKiln) return kitOf(kit, "forge")[0]?.notes;
  const kiln = kitOf(kit, "kiln")[0];
  if (kiln === undefined || Math.abs(kiln.offset_C) < 1) return kiln?.notes;
  return `Set ${kiln.name} to ${showDegrees(dialFor_C(kiln, target_C), units)}: it runs ${showDifference(Math.abs(kiln.offset_C), units)} ${kiln.offset_C > 0 ? "hot" : "cold"}.`;
}

/** What the heating model says of now: where it should be, and how fast it moves. */
function fireEvidence(course: WarmUp, { state, in_s, out_s }: FireTime): { expected_C: number; sd_C: number; rate_C_s: number } {
  const { seen_C, sd_C } = expectedAt(course, in_s);
  if (state === "out") return { expected_C: seen_C + FALLS_C_s * out_s, sd_C: sd_C + FALLS_SD_C_s * out_s, rate_C_s: FALLS_C_s };
  const next = expectedAt(course, in_s + 5).seen_C;
  return { expected_C: seen_C, sd_C, rate_C_s: (next - seen_C) / 5 };
}

export function HeatAct({ state, act, bench, now_ms }: ActProps<"heat">) {
  const settings = useSettings();
  const ambient = ambientFromLux(settings.ambient_lux);
  const [sheet, setSheet] = useState<Sheet>(null);
  const prediction = usePrediction(state.piece, state.route);
  // Every two seconds is often enough for a heat, and what was read grows older by no more in between.
  const tick = Math.floor(now_ms / 2000);
  const pieces = usePieces();
  const kit = useKit() ?? null;
  const shop = useShopBeside();
  const eye = useMemo(
    // Practice trains the eye of its smith; what it says of a screen is no evidence for steel.
    () => learnEye((pieces ?? []).filter(({ piece }) => piece.isPractice !== true).flatMap(({ checks }) => eyeErrors_C(checks))),
    [pieces],
  );
  const isKiln = state.route?.school === "kiln";
  const fire = fireTime(state, act, now_ms);
  const start_C = startOf(state, act);
  const course = useWarmUp(
    state.piece,
    wayOf(state.route ?? NO_STEPS).hardens,
    start_C === null ? null : fireOf(kit, isKiln, act.target_C),
    isKiln ? act.target_C - KILN_SHORT_C : act.target_C,
    start_C ?? COLD_C,
  ).data;
  const now = useMemo(
    () =>
      heatNow(state, act, tick * 2000, {
        eye,
        kit,
        fire: course === undefined ? null : fireEvidence(course, fireTime(state, act, tick * 2000)),
      }),
    [state, act, tick, eye, kit, course],
  );
  const even = lastEven(state, act);
  const isUneven = even !== null && even.behind.length + even.ahead.length > 0;
  const toFire = (): void => {
    if (bench.isStoring) return;
    if (isKiln) void logToKiln(matesOf(state, pieces ?? []), { check: "door", state: "open" }, now_ms);
    bench.check({ check: "fire", state: fire.state === "in" ? "out" : "in" });
  };
  const touchShop = (): void => {
    if (shop === null || bench.isStoring) return;
    void shop.ask({ ask: "magnet", piece: state.id }).then((answer) => {
      if (answer.ask === "magnet") bench.check({ check: "magnet", state: answer.state });
    });
  };
  const probe_C = latest_C(shop, "piece");
  const magnets = state.checks.filter((c) => c.act === act.id && c.reading.check === "magnet");
  const magnet = magnets[magnets.length - 1];
  const magnetState = magnet?.reading.check === "magnet" ? magnet.reading.state : null;
  const words = actWords(act, state, settings);
  const note = shopNote(kit, isKiln, act.target_C, settings);
  const lets_C = prediction.data?.transformations.magnetLost_C;
  const first = state.checks.find((c) => c.act === act.id)?.at_ms ?? state.nextSince_ms;
  const estimate = now?.estimate ?? null;
  const isTooHot =
    act.purpose === "harden" && estimate !== null && estimate.conflict === null && estimate.p05_C > act.target_C + OVERHEATED_C;
  // What so hot a heat makes of the grain, to the nearest ten degrees so that it is asked seldom.
  const hot_C = isTooHot ? 10 * Math.round(estimate.mean_C / 10) : null;
  const overheated = usePrediction(
    hot_C === null ? undefined : state.piece,
    hot_C === null ? null : heatedTo(state, act, hot_C),
    "quick",
  ).data;
  const grain =
    overheated === undefined || prediction.data === undefined
      ? ""
      : `: about ASTM ${overheated.hardening.austenite.astmGrain.toFixed(0)} for ${prediction.data.hardening.austenite.astmGrain.toFixed(0)}`;
  // As the keys on the screen: a tap that is still being stored takes no second one.
  const touch = (value: "sticks" | "weak" | "free"): void => {
    if (!bench.isStoring) bench.check({ check: "magnet", state: value });
  };
  useKeys({
    s: () => touch("sticks"),
    w: () => touch("weak"),
    f: () => touch("free"),
    l: () => setSheet("glow"),
    p: () => (probe_C === null ? setSheet("reading") : bench.check({ check: "probe", temperature_C: probe_C })),
    o: toFire,
    e: () => setSheet("even"),
    t: touchShop,
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
          <p className={estimate?.conflict || fire.out_s > LONG_OUT_s ? "to-go conflict" : "to-go"}>
            {fire.out_s > 0
              ? `${fire.out_s > LONG_OUT_s ? "Back in: " : ""}${Math.floor(fire.out_s)} s out of the fire`
              : isTooHot
                ? `Too hot: ${showDifference(estimate.mean_C - act.target_C, settings)} over, the grain grows${grain}`
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
            {fire.state !== "unknown"
              ? ` · ${showClock(fire.in_s)} in the fire`
              : first
                ? ` · ${showClock((now_ms - first) / 1000)} since the first look`
                : ""}
          </p>
          <ZoneLine state={state} act={act} course={course} fire={fire} estimate={estimate} units={settings} />
          {isKiln ? <KilnPanel state={state} act={act} pieces={pieces ?? []} units={settings} now_ms={now_ms} /> : null}
          {fire.state === "unknown" ? (
            <p className="drawn from order">
              {heatOrder(state.piece, wayOf(state.route ?? NO_STEPS).hardens)
                .slice(0, MOST_PROMPTS)
                .map((prompt) => PROMPT_WORDS[prompt])
                .join(" ")}
            </p>
          ) : null}
          {fire.state === "unknown" && note ? <p className="drawn from order">{note}</p> : null}
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
      <div className="bench-keys heat-keys">
        <button type="button" className="log-key" aria-pressed={fire.state === "in"} disabled={bench.isStoring} onClick={toFire}>
          {fire.state === "in" ? (isKiln ? "out of the kiln" : "out of the fire") : isKiln ? "it is in the kiln" : "it is in the fire"}
        </button>
        {shop?.piece ? (
          <button type="button" className="log-key wide-key" disabled={bench.isStoring} onClick={touchShop}>
            touch it with the magnet
            <small>{magnetState === null ? "" : `last: ${magnetState === "free" ? "lets go" : magnetState}`}</small>
          </button>
        ) : (
          (["sticks", "weak", "free"] as const).map((value) => (
            <MagnetKey key={value} value={value} isOn={magnetState === value} isDisabled={bench.isStoring} onPress={() => touch(value)} />
          ))
        )}
        <Button className="log-key" onClick={() => setSheet("glow")}>
          <i style={{ background: glowHex(act.target_C, ambient) }} className="key-swatch" />
          it looks…
        </Button>
        {probe_C === null ? (
          <Button className="log-key" onClick={() => setSheet("reading")}>
            <i className="key-probe drawn">°{settings.temperature}</i>
            probe reads…
          </Button>
        ) : (
          <Button className="log-key" disabled={bench.isStoring} onClick={() => bench.check({ check: "probe", temperature_C: probe_C })}>
            <i className="key-probe drawn">{showDegrees(probe_C, settings)}</i>
            probe: log it
          </Button>
        )}
        {act.purpose === "harden" ? (
          <Button className="log-key" onClick={() => setSheet("even")}>
            even?
            <small>{even === null ? "not looked at" : isUneven ? "uneven" : "even"}</small>
          </Button>
        ) : null}
        <ActKey
          label={words.done}
          {...(isUneven ? { note: "Uneven: let it even out, then look again" } : {})}
          isLocked={isUneven}
          bench={bench}
          onPress={() => bench.done()}
        />
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
      <EvenDialog isOpen={sheet === "even"} onClose={() => setSheet(null)} onCheck={bench.check} />
      <ReadingDialog
        isOpen={sheet === "reading"}
        gunEmissivity={kit === null ? undefined : kitOf(kit, "infrared")[0]?.emissivity}
        target_C={act.target_C}
        units={settings}
        onClose={() => setSheet(null)}
        onCheck={bench.check}
      />
    </>
  );
}
