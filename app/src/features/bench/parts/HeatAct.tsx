/** Bringing it to heat: what to look for in this light, what the log says it is, how far to go, one tap a check. */

import { ambientFromLux, GLOW_KEYS, glowName, isInKiln, type Act, type HeatNow, type PieceState, type Route } from "@tembrak/core";
import Button from "@mui/material/Button";
import { usePlanned } from "../../../compute/useAnswers.js";
import { useEye } from "../../../compute/useHeatContext.js";
import { useHeatNow } from "../../../compute/useHeatNow.js";
import { inLight } from "../../../parts/TitleBlock.js";
import { usePieces, useSettings } from "../../../store/useStore.js";
import { heatPlace } from "../../../words/heatPlace.js";
import { zoneWords } from "../../../words/heatWords.js";
import type { ActProps } from "./ActKey.js";
import { GlowRule, Swatch } from "./Glow.js";
import { BathAhead, BathBefore } from "./BathAhead.js";
import { BeforeFire } from "./BeforeFire.js";
import { HeatEnd, HeatKeys } from "./HeatKeys.js";
import { FromLine, HeatNumeral } from "./HeatNumeral.js";
import { ReadyKey } from "./ReadyList.js";
import { KilnPanel } from "./KilnPanel.js";

type Heat = Extract<Act, { kind: "heat" }>;

/** The route with one more normalising heat before this hardening, as hot as the last of them. */
function normaliseOnceMore(route: Route, act: Heat): Route {
  const before = route.steps.slice(0, act.step).findLast((step) => step.kind === "normalise");
  const again: Route["steps"][number] = {
    kind: "normalise",
    temperature_C: before?.kind === "normalise" ? before.temperature_C : act.target_C,
    hold_min: 0,
    coolTo: "hand-warm",
    why: "was-too-hot",
  };
  return { ...route, steps: [...route.steps.slice(0, act.step), again, ...route.steps.slice(act.step)] };
}

/** The route as if this heat had been so hot. */
function heatedTo(route: Route | null, act: Heat, temperature_C: number): Route | null {
  if (route === null) return null;
  const steps = route.steps.map((step, i) =>
    i === act.step && step.kind === "harden" ? { ...step, temperature_C: Math.min(1200, temperature_C) } : step,
  );
  return { ...route, steps };
}

/** What so hot a heat makes of the grain, to the nearest ten degrees so that it is asked seldom; "" where it is not too hot. */
function useGrain({ piece, route }: PieceState, act: Heat, { read, isTooHot }: HeatNow): string {
  const planned = usePlanned(piece, route).data;
  const hot_C = isTooHot && read !== null ? 10 * Math.round(read.estimate.mean_C / 10) : null;
  const hot = usePlanned(hot_C === null ? undefined : piece, hot_C === null ? null : heatedTo(route, act, hot_C), "quick").data;
  if (hot === undefined || planned === undefined) return "";
  return `: about ASTM ${hot.hardening.austenite.astmGrain.toFixed(0)} for ${planned.hardening.austenite.astmGrain.toFixed(0)}`;
}

/** What an overheated piece is offered. */
function OnceMore({ state: { route }, act, bench }: Omit<ActProps<"heat">, "now_ms">) {
  if (route === null) return null;
  return (
    <Button className="too-hot" disabled={bench.isStoring} onClick={() => bench.replan(normaliseOnceMore(route, act))}>
      Cool to black, normalise once more
    </Button>
  );
}

/** It is not in the fire yet: hands are free, and there is time to read. */
function isAheadOf({ fire, read }: HeatNow): boolean {
  return fire.state === "unknown" && read === null;
}

/** What the one number and the one sentence rest on: there for who asks. */
function RestsOn({ state, act, now, now_ms }: ActProps<"heat"> & { now: HeatNow }) {
  const settings = useSettings();
  const eye = useEye();
  return (
    <details className="rests-on">
      <summary>What it rests on</summary>
      <FromLine now={now} place={heatPlace(state.route)} eye={eye} units={settings} now_ms={now_ms} />
      {now.zones === null ? null : (
        <p className="drawn from zones">{zoneWords(now.zones, state.piece.section, settings, now.read !== null)}</p>
      )}
      <BathBefore state={state} act={act} now_ms={now_ms} />
      {now.fire.state === "unknown" && !isAheadOf(now) ? <BeforeFire state={state} act={act} /> : null}
    </details>
  );
}

/** Beside the numeral: what differs along the piece, its kiln, what to know before it is in, and what an overheated one is offered. */
function BesideIt({ now, ...props }: ActProps<"heat"> & { now: HeatNow }) {
  const { state, act, bench, now_ms } = props;
  const isAhead = isAheadOf(now);
  const settings = useSettings();
  const pieces = usePieces();
  return (
    <>
      {isInKiln(state.route) ? <KilnPanel state={state} pieces={pieces ?? []} units={settings} now_ms={now_ms} /> : null}
      <BathAhead state={state} act={act} now_ms={now_ms} />
      <RestsOn {...props} now={now} />
      {isAhead ? <BeforeFire state={state} act={act} /> : null}
      {isAhead && act.purpose === "harden" ? <ReadyKey {...props} /> : null}
      {now.isTooHot ? <OnceMore state={state} act={act} bench={bench} /> : null}
    </>
  );
}

export function HeatAct({ state, act, bench, now_ms }: ActProps<"heat">) {
  // Never null for a heat.
  const now = useHeatNow(state, act, now_ms)!;
  const settings = useSettings();
  const ambient = ambientFromLux(settings.ambient_lux);
  const lets_C = usePlanned(state.piece, state.route).data?.transformations.magnetLost_C;
  const grain = useGrain(state, act, now);
  return (
    <>
      <div className="bench-main heat">
        <div className="bench-left">
          <HeatNumeral act={act} now={now} place={heatPlace(state.route)} grain={grain} units={settings} />
          <BesideIt state={state} act={act} bench={bench} now={now} now_ms={now_ms} />
        </div>
        <Swatch
          target_C={act.target_C}
          ambient={ambient}
          words={`${glowName(act.target_C, ambient, GLOW_KEYS) ?? "no glow can be seen"}, in ${inLight(settings.ambient_lux)}`}
        />
      </div>
      <GlowRule target_C={act.target_C} estimate={now.read?.estimate ?? null} lets_C={lets_C} ambient={ambient} units={settings} />
      <HeatKeys state={state} act={act} bench={bench} now={now} now_ms={now_ms}>
        <HeatEnd state={state} act={act} bench={bench} now={now} />
      </HeatKeys>
    </>
  );
}
