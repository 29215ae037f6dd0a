/** A hold or a temper: what is left, from the stored start and the wall clock, so it is right after a reload or sleep. */

import { soakClock } from "@tembrak/core";
import { actWords } from "../../../words/actWords.js";
import { showClock, showDegrees, showDuration, showTimeOfDay } from "../../../format/show.js";
import { useLog, usePieces, useSettings } from "../../../store/useStore.js";
import { ActKey, type ActProps } from "./ActKey.js";
import { KilnPanel, logToKiln, matesOf } from "./KilnPanel.js";

export function TimerAct({ state, act, bench, now_ms }: ActProps<"hold" | "temper">) {
  const settings = useSettings();
  const pieces = usePieces();
  const log = useLog();
  const start_ms = state.nextSince_ms ?? now_ms;
  const clock = act.kind === "hold" ? soakClock(state, act, now_ms) : null;
  const isKiln = act.kind === "hold" && state.route?.school === "kiln";
  const left_s = clock?.left_s ?? act.hold_s - (now_ms - start_ms) / 1000;
  const isOver = left_s <= 0;
  const waits = clock?.waitsForChamber ?? false;
  const isPowerOff = !isKiln || state.checks.some(({ act: of, reading }) => of === act.id && reading.check === "power-off");
  const words = actWords(act, state, settings);
  const share = Math.min(1, Math.max(0, 1 - left_s / act.hold_s));
  const end_ms = clock === null ? start_ms + act.hold_s * 1000 : clock.end_ms;
  return (
    <>
      <div className="bench-main">
        <div className="bench-left">
          <div className="bench-now">
            <span className={left_s >= 3600 || left_s <= -3600 ? "numeral long" : "numeral"} data-testid="numeral">
              {isOver ? showClock(-left_s) : showClock(left_s)}
            </span>
          </div>
          <p className="to-go">
            {waits
              ? `left, and the clock waits: chamber back to ${showDegrees(act.target_C, settings)}?`
              : isOver
                ? "over. Go on now"
                : "left"}
          </p>
          <p className="drawn from">
            {showDegrees(act.target_C, settings)} for {showDuration(act.hold_s)}, since {showTimeOfDay(start_ms)}
            {end_ms === null ? "" : `, until ${showTimeOfDay(end_ms)}`}
          </p>
          {clock !== null && isKiln ? (
            <p className="two-clocks" data-testid="two-clocks">
              <b>piece</b> {showClock(clock.piece_s)} at heat
              <b>chamber</b> {clock.chamber_s === null ? "not read yet" : showClock(clock.chamber_s)}
              {clock.lost_s >= 1 ? (
                <>
                  <b>door</b> {showClock(clock.lost_s)} not counted
                </>
              ) : null}
            </p>
          ) : null}
          {isKiln && act.kind === "hold" ? (
            <KilnPanel state={state} act={act} pieces={pieces ?? []} units={settings} now_ms={now_ms} />
          ) : null}
        </div>
      </div>
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
      <div className="bench-keys">
        {isPowerOff ? null : (
          <button type="button" className="log-key wide-key" disabled={bench.isStoring} onClick={() => bench.check({ check: "power-off" })}>
            Power is off
            <small>before a hand goes in</small>
          </button>
        )}
        <ActKey
          label={words.done}
          {...(isPowerOff ? (isOver ? {} : { note: `${showClock(left_s)} too early` }) : { note: "Power off first" })}
          isLocked={!isPowerOff}
          bench={bench}
          onPress={() => {
            // The hand that takes this one out lets the heat out over the others. Theirs first: once this tap is seen, theirs are stored.
            if (isKiln) void logToKiln(log, matesOf(state, pieces ?? []), { check: "door", state: "open" }, now_ms);
            bench.done();
          }}
        />
      </div>
    </>
  );
}
