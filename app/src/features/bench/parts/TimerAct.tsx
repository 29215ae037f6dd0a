/** A hold or a temper: what is left, from the stored start and the wall clock, so it is right after a reload or sleep. */

import { isInKiln, soakClock, type HeatNow, type SoakClock } from "@tembrak/core";
import { useState, type ReactNode } from "react";
import { actWords } from "../../../words/actWords.js";
import { showClock, showDegrees, showDuration, showTimeOfDay } from "../../../format/show.js";
import { useHeatNow } from "../../../compute/useHeatNow.js";
import { heldWords } from "../../../words/heatWords.js";
import { useLog, usePieces, useSettings } from "../../../store/useStore.js";
import { leftWords } from "../../../words/benchWords.js";
import { ActKey, type ActProps } from "./ActKey.js";
import { HeatKeys } from "./HeatKeys.js";
import { KilnPanel, logToKiln, matesOf } from "./KilnPanel.js";
import { EarlySheet, isEarly } from "./EarlySheet.js";
import { OvenRead } from "./OvenRead.js";

type Props = ActProps<"hold" | "temper">;

/** From here minutes no longer say it, s. */
const LONG_s = 3600;

interface Left {
  readonly start_ms: number;
  readonly clock: SoakClock | null;
  readonly left_s: number;
  readonly end_ms: number | null;
}

function leftOf({ state, act, now_ms }: Pick<Props, "state" | "act" | "now_ms">): Left {
  const start_ms = state.nextSince_ms ?? now_ms;
  const clock = act.kind === "hold" ? soakClock(state, act, now_ms) : null;
  if (clock !== null) return { start_ms, clock, left_s: clock.left_s, end_ms: clock.end_ms };
  return { start_ms, clock, left_s: act.hold_s - (now_ms - start_ms) / 1000, end_ms: start_ms + act.hold_s * 1000 };
}

function TwoClocks({ clock: { piece_s, chamber_s, lost_s } }: { clock: SoakClock }) {
  return (
    <p className="two-clocks" data-testid="two-clocks">
      <b>piece</b> {showClock(piece_s)} at heat
      <b>chamber</b> {chamber_s === null ? "not read yet" : showClock(chamber_s)}
      {lost_s >= 1 ? (
        <>
          <b>door</b> {showClock(lost_s)} not counted
        </>
      ) : null}
    </p>
  );
}

function Bar({ share }: { share: number }) {
  return (
    <svg
      viewBox="0 0 1000 34"
      preserveAspectRatio="none"
      className="timer-bar"
      role="img"
      aria-label={`${Math.round(share * 100)} % of the time is gone`}
    >
      <rect x={1} y={6} width={998} height={22} fill="none" stroke="var(--line2)" strokeWidth={1.4} vectorEffect="non-scaling-stroke" />
      <rect x={1} y={6} width={998 * share} height={22} fill="var(--steel)" opacity={0.55} />
      <line
        x1={1 + 998 * share}
        x2={1 + 998 * share}
        y1={0}
        y2={34}
        stroke="var(--pale)"
        strokeWidth={3}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}

/** Out; of a kiln only when its power is off. */
function Ends({ state, act, bench, now_ms, left_s, isKiln }: Props & { left_s: number; isKiln: boolean }) {
  const pieces = usePieces();
  const log = useLog();
  const words = actWords(act, state, useSettings());
  const isPowerOff = !isKiln || state.checks.some(({ act: of, reading }) => of === act.id && reading.check === "power-off");
  const early = left_s > 0 ? { note: `${showClock(left_s)} too early` } : {};
  const takeOut = (): void => {
    // The hand that takes this one out lets the heat out over the others. Theirs first: once this tap is seen, theirs are stored.
    if (isKiln) void logToKiln(log, matesOf(state, pieces ?? []), { check: "door", state: "open" }, now_ms);
    bench.done();
  };
  const [asks, setAsks] = useState(false);
  const press = (): void => (isEarly(left_s, act.hold_s) ? setAsks(true) : takeOut());
  return (
    <>
      {asks ? (
        <EarlySheet
          state={state}
          act={act}
          held_s={act.hold_s - left_s}
          left_s={left_s}
          out={words.done}
          onOut={() => {
            setAsks(false);
            takeOut();
          }}
          onClose={() => setAsks(false)}
        />
      ) : null}
      {isPowerOff ? null : (
        <button type="button" className="log-key wide-key" disabled={bench.isStoring} onClick={() => bench.check({ check: "power-off" })}>
          Power is off
          <small>before a hand goes in</small>
        </button>
      )}
      <ActKey
        label={words.done}
        {...(isPowerOff ? early : { note: "Power off first" })}
        isLocked={!isPowerOff}
        bench={bench}
        onPress={press}
      />
    </>
  );
}

/** What it is while it is held in a fire that has no controller, by the looks at it. */
function Held({ now, now_ms }: { now: HeatNow; now_ms: number }) {
  const said = heldWords(now, useSettings(), now_ms);
  return (
    <p className={said.isTrouble ? "held conflict" : "held"} data-testid="held" role="status">
      {said.words}
    </p>
  );
}

/** Of what, until when. */
function PlanLine({ act, start_ms, end_ms }: Pick<Props, "act"> & Pick<Left, "start_ms" | "end_ms">) {
  const until = end_ms === null ? "" : `, until ${showTimeOfDay(end_ms)}`;
  return (
    <p className="drawn from">
      {showDegrees(act.target_C, useSettings())} for {showDuration(act.hold_s)}, since {showTimeOfDay(start_ms)}
      {until}
    </p>
  );
}

/** The kiln a piece is held in: both clocks, and its panel. */
function Kiln({ state, act, now_ms, clock }: Omit<Props, "bench"> & { clock: SoakClock | null }) {
  const pieces = usePieces();
  const settings = useSettings();
  if (act.kind !== "hold") return null;
  return (
    <>
      {clock === null ? null : <TwoClocks clock={clock} />}
      <KilnPanel state={state} pieces={pieces ?? []} units={settings} now_ms={now_ms} />
    </>
  );
}

function Numeral({ left_s }: { left_s: number }) {
  return (
    <div className="bench-now">
      <span className={Math.abs(left_s) >= LONG_s ? "numeral long" : "numeral"} data-testid="numeral">
        {showClock(Math.abs(left_s))}
      </span>
    </div>
  );
}

/** Of a hold in a fire the looks too; else what ends it alone. */
function Keys({ state, act, bench, now_ms, heat, children }: Props & { heat: HeatNow | null; children: ReactNode }) {
  if (heat === null || act.kind !== "hold") return <div className="bench-keys">{children}</div>;
  return (
    <HeatKeys state={state} act={act} bench={bench} now={heat} now_ms={now_ms}>
      {children}
    </HeatKeys>
  );
}

export function TimerAct(props: Props) {
  const { state, act, now_ms } = props;
  const settings = useSettings();
  const { start_ms, clock, left_s, end_ms } = leftOf(props);
  const isKiln = act.kind === "hold" && isInKiln(state.route);
  const heat = useHeatNow(state, act.kind === "hold" && !isKiln ? act : undefined, now_ms);
  return (
    <>
      <div className="bench-main">
        <div className="bench-left">
          <Numeral left_s={left_s} />
          <p className="to-go">{leftWords(left_s, clock?.waitsForChamber ?? false, act.target_C, settings)}</p>
          {heat === null ? null : <Held now={heat} now_ms={now_ms} />}
          <PlanLine act={act} start_ms={start_ms} end_ms={end_ms} />
          {act.kind === "temper" ? <OvenRead state={state} act={act} bench={props.bench} /> : null}
          {isKiln ? <Kiln state={state} act={act} now_ms={now_ms} clock={clock} /> : null}
        </div>
      </div>
      <Bar share={Math.min(1, Math.max(0, 1 - left_s / act.hold_s))} />
      <Keys {...props} heat={heat}>
        <Ends {...props} left_s={left_s} isKiln={isKiln} />
      </Keys>
    </>
  );
}
