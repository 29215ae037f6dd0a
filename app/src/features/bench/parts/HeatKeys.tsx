/** One tap a check at the fire, by key or by letter, and the key that ends the heat. */

import {
  ambientFromLux,
  bathBars,
  bathFor,
  CATALOGUE,
  glowHex,
  intoOf,
  isInKiln,
  type Act,
  type BathBar,
  type HeatNow,
  type MagnetState,
  type PieceState,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState, type ReactNode } from "react";
import { showDegrees, showDifference } from "../../../format/show.js";
import { useLatest_C } from "../../../instruments/registry.js";
import { useShopBeside } from "../../../instruments/useSimulatedShop.js";
import { useKit, useLog, usePieces, useSettings } from "../../../store/useStore.js";
import { BAR_NOTES } from "../../../words/bathWords.js";
import { actWords } from "../../../words/actWords.js";
import { heatPlace } from "../../../words/heatPlace.js";
import type { Bench } from "../useBench.js";
import { useKeys } from "../useKeys.js";
import { ActKey } from "./ActKey.js";
import { useBathOff, type BathOff } from "./BathAhead.js";
import { EvenDialog } from "./EvenDialog.js";
import { GlowDialog } from "./GlowDialog.js";
import { logToKiln, matesOf } from "./KilnPanel.js";
import { MagnetKey } from "./MagnetKey.js";
import { Sheet } from "./Sheet.js";
import { ReadingDialog } from "./ReadingDialog.js";

const MAGNET_STATES: readonly MagnetState[] = ["sticks", "weak", "free"];
const EVENNESS = { "not-looked": "not looked at", even: "even", uneven: "uneven" } as const;

interface Props {
  readonly state: PieceState;
  /** Of a hold the looks alone: it is in the fire, and stays there. */
  readonly act: Extract<Act, { kind: "heat" | "hold" }>;
  readonly bench: Bench;
  readonly now: HeatNow;
  readonly now_ms: number;
  /** What ends the act. */
  readonly children: ReactNode;
}

/** The key that ends a heat; an uneven one first has to even out. */
/** What keeps a tank from being quenched in: said before the steel is hot enough to need it. Null where nothing does. */
function useBathBar({ route, piece }: PieceState, { step, purpose }: Props["act"]): BathBar | null {
  const kit = useKit() ?? null;
  const quench = route?.steps.slice(step).find((later) => later.kind === "quench");
  // The simulated shop has a tank of its own.
  if (purpose !== "harden" || kit === null || piece.isPractice === true || quench?.kind !== "quench") return null;
  const bath = bathFor(kit, intoOf(quench));
  return bath === undefined ? null : (bathBars(CATALOGUE, bath)[0] ?? null);
}

/** Called at heat so far short of it, by looks that say so, it is asked about once, K (judgement: twice what an eye is off). */
const FAR_SHORT_K = 50;

export function HeatEnd({ state, act, bench, now }: Pick<Props, "state" | "act" | "bench" | "now">) {
  const isUneven = now.evenness === "uneven";
  const bar = useBathBar(state, act);
  const why = bar !== null ? BAR_NOTES[bar] : isUneven ? "Uneven: let it even out, then look again" : null;
  const settings = useSettings();
  const [asks, setAsks] = useState(false);
  const { done } = actWords(act, state, settings);
  const short_K = now.call.call === "to-go" && now.call.left_K >= FAR_SHORT_K ? now.call.left_K : null;
  const end = (): void => {
    setAsks(false);
    bench.done();
  };
  return (
    <>
      <Sheet
        isOpen={asks && short_K !== null}
        title={`By what was read it is ${showDifference(short_K ?? 0, settings)} short`}
        close="Heat on"
        onClose={() => setAsks(false)}
      >
        <div className="fate-keys one">
          <Button className="log-key" onClick={end}>
            <b>{done}</b>
            <small>it is hotter than that: I see it</small>
          </Button>
        </div>
      </Sheet>
      <ActKey
        label={done}
        {...(why === null ? {} : { note: why })}
        isLocked={why !== null}
        bench={bench}
        onPress={() => (short_K === null ? end() : setAsks(true))}
      />
    </>
  );
}

type Open = "glow" | "reading" | "even" | null;

/** Into the fire over a bath that is off its plan: asked once, while hands are free. What was answered is kept. */
function BathAsk({ off, place, onGo, onClose }: { off: BathOff; place: string; onGo: () => void; onClose: () => void }) {
  return (
    <Sheet isOpen title={off.words} close="Back: see to the bath first" onClose={onClose}>
      <div className="fate-keys one">
        <Button className="log-key" onClick={onGo}>
          <b>Into {place} all the same</b>
          <small>the bath is meant so, or is being seen to</small>
        </Button>
      </div>
    </Sheet>
  );
}

/** A bath that holds the fire back; null once it was answered for this heat, and where it is in the fire already. */
function useHeldBack({ state, act, now, now_ms }: Pick<Props, "state" | "act" | "now" | "now_ms">): BathOff | null {
  const off = useBathOff(state, act, now_ms);
  const isAnswered = state.checks.some((check) => check.act === act.id && check.reading.check === "bath-as-is");
  return now.fire.state === "unknown" && now.read === null && !isAnswered ? off : null;
}

/** What a tap does; a tap that is still being stored takes no second one. */
function useChecks({ state, bench, now, now_ms }: Omit<Props, "children">) {
  const pieces = usePieces();
  const shop = useShopBeside();
  const probe_C = useLatest_C("piece");
  const log = useLog();
  const isKiln = isInKiln(state.route);
  const unlessStoring = (tap: () => void) => (): void => {
    if (!bench.isStoring) tap();
  };
  return {
    isKiln,
    shop,
    probe_C,
    toFire: unlessStoring(() => {
      if (isKiln) void logToKiln(log, matesOf(state, pieces ?? []), { check: "door", state: "open" }, now_ms);
      bench.check({ check: "fire", state: now.fire.state === "in" ? "out" : "in" });
    }),
    seenTooHot: unlessStoring(() => bench.check({ check: "too-hot" })),
    touch: (value: MagnetState) => unlessStoring(() => bench.check({ check: "magnet", state: value })),
    touchShop: unlessStoring(() => {
      void shop?.ask({ ask: "magnet", piece: state.id }).then((answer) => {
        if (answer.ask === "magnet") bench.check({ check: "magnet", state: answer.state });
      });
    }),
  };
}

/** The tap that puts it in, and what it asks first where the bath is off. */
function useFire(props: Omit<Props, "children">, toFire: () => void): { readonly fire: () => void; readonly ask: ReactNode } {
  const held = useHeldBack(props);
  const [asks, setAsks] = useState(false);
  if (held === null) return { fire: toFire, ask: null };
  const go = (): void => {
    setAsks(false);
    props.bench.check({ check: "bath-as-is", temperature_C: Math.round(held.is_C) });
    toFire();
  };
  const ask = asks ? <BathAsk off={held} place={heatPlace(props.state.route)} onGo={go} onClose={() => setAsks(false)} /> : null;
  return { fire: () => setAsks(true), ask };
}

function fireWords(isIn: boolean, place: string): string {
  return isIn ? `out of ${place}` : `it is in ${place}`;
}

interface MagnetProps {
  readonly now: HeatNow;
  readonly isSimulated: boolean;
  readonly isStoring: boolean;
  readonly onTouch: (value: MagnetState) => () => void;
  readonly onAsk: () => void;
}

/** Three keys for what a magnet does; in the simulated shop one, which asks the shop. */
function MagnetKeys({ now, isSimulated, isStoring, onTouch, onAsk }: MagnetProps) {
  return (
    <>
      {isSimulated ? (
        <button type="button" className="log-key wide-key" disabled={isStoring} onClick={onAsk}>
          touch it with the magnet
          <small>{now.magnet === null ? "" : `last: ${now.magnet === "free" ? "lets go" : now.magnet}`}</small>
        </button>
      ) : (
        MAGNET_STATES.map((value) => (
          <MagnetKey key={value} value={value} isOn={now.magnet === value} isDisabled={isStoring} onPress={onTouch(value)} />
        ))
      )}
    </>
  );
}

interface KeyProps {
  readonly isStoring: boolean;
  readonly onPress: () => void;
}

function FireKey({ isIn, place, isStoring, onPress }: KeyProps & { isIn: boolean; place: string }) {
  return (
    <button type="button" className="log-key" aria-pressed={isIn} disabled={isStoring} onClick={onPress}>
      {fireWords(isIn, place)}
    </button>
  );
}

/** Logs what a probe reads by itself; asks where none does. */
function ProbeKey({ probe_C, isStoring, onPress }: KeyProps & { probe_C: number | null }) {
  const settings = useSettings();
  return (
    <Button className="log-key" disabled={probe_C !== null && isStoring} onClick={onPress}>
      <i className="key-probe drawn">{probe_C === null ? `°${settings.temperature}` : showDegrees(probe_C, settings)}</i>
      {probe_C === null ? "probe reads…" : "probe: log it"}
    </Button>
  );
}

/** Where it is to be hardened: too hot, by no number; and before it leaves the fire, whether it is the same all over. */
function HardenKeys({
  now,
  isHeat,
  isStoring,
  onTooHot,
  onEven,
}: {
  now: HeatNow;
  isHeat: boolean;
  isStoring: boolean;
  onTooHot: () => void;
  onEven: () => void;
}) {
  return (
    <>
      <button type="button" className="log-key" aria-pressed={now.call.call === "too-hot"} disabled={isStoring} onClick={onTooHot}>
        too hot
        <small>by eye</small>
      </button>
      {isHeat ? (
        <Button className="log-key" onClick={onEven}>
          even?
          <small>{EVENNESS[now.evenness]}</small>
        </Button>
      ) : null}
    </>
  );
}

/** That the fire was turned down, as the line asked: since then it goes about the heat wanted. */
function TurnKey({ now, isHeat, isKiln, bench }: Pick<Props, "now" | "bench"> & { isHeat: boolean; isKiln: boolean }) {
  if (isKiln || (isHeat && now.call.call !== "past")) return null;
  return (
    <button type="button" className="log-key" disabled={bench.isStoring} onClick={() => bench.check({ check: "turned", state: "down" })}>
      less fire
      <small>turned down</small>
    </button>
  );
}

export function HeatKeys(props: Props) {
  const { state, act, bench, now, children } = props;
  const isHeat = act.kind === "heat";
  const settings = useSettings();
  const kit = useKit() ?? null;
  const [sheet, setSheet] = useState<Open>(null);
  const { isKiln, shop, probe_C, toFire, seenTooHot, touch, touchShop } = useChecks(props);
  const logProbe = (): void => (probe_C === null ? setSheet("reading") : bench.check({ check: "probe", temperature_C: probe_C }));
  const close = (): void => setSheet(null);
  const { fire, ask } = useFire(props, toFire);
  useKeys({
    s: touch("sticks"),
    w: touch("weak"),
    f: touch("free"),
    l: () => setSheet("glow"),
    p: logProbe,
    ...(isHeat ? { o: fire } : {}),
    e: () => setSheet("even"),
    h: seenTooHot,
    t: touchShop,
  });
  return (
    <>
      <div className="bench-keys heat-keys">
        {isHeat ? (
          <FireKey isIn={now.fire.state === "in"} place={heatPlace(state.route)} isStoring={bench.isStoring} onPress={fire} />
        ) : null}
        <MagnetKeys now={now} isSimulated={Boolean(shop?.piece)} isStoring={bench.isStoring} onTouch={touch} onAsk={touchShop} />
        <Button className="log-key" onClick={() => setSheet("glow")}>
          <i style={{ background: glowHex(act.target_C, ambientFromLux(settings.ambient_lux)) }} className="key-swatch" />
          it looks…
        </Button>
        <ProbeKey probe_C={probe_C} isStoring={bench.isStoring} onPress={logProbe} />
        <TurnKey now={now} isHeat={isHeat} isKiln={isKiln} bench={bench} />
        {act.purpose === "harden" ? (
          <HardenKeys now={now} isHeat={isHeat} isStoring={bench.isStoring} onTooHot={seenTooHot} onEven={() => setSheet("even")} />
        ) : null}
        {children}
      </div>
      {ask}
      <GlowDialog isOpen={sheet === "glow"} settings={settings} onClose={close} onCheck={bench.check} />
      <EvenDialog section={state.piece.section} isOpen={sheet === "even"} onClose={close} onCheck={bench.check} />
      {/* Opened anew each time: a field that still shows the last reading is logged again by mistake. */}
      <ReadingDialog
        key={sheet === "reading" ? "open" : "shut"}
        isOpen={sheet === "reading"}
        gunEmissivity={kit?.find((item) => item.kind === "infrared")?.emissivity}
        target_C={act.target_C}
        units={settings}
        onClose={close}
        onCheck={bench.check}
      />
    </>
  );
}
