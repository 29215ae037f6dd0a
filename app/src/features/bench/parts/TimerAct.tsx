/** A hold or a temper: what is left, from the stored start and the wall clock, so it is right after a reload or sleep. */

import { actWords } from "../../../format/actWords.js";
import { showClock, showDegrees, showDuration, showTimeOfDay } from "../../../format/show.js";
import { useSettings } from "../../../store/useStore.js";
import { ActKey, type ActProps } from "../BenchPage.js";

export function TimerAct({ state, act, bench, now_ms }: ActProps<"hold" | "temper">) {
  const settings = useSettings();
  const start_ms = state.nextSince_ms ?? now_ms;
  const gone_s = (now_ms - start_ms) / 1000;
  const left_s = act.hold_s - gone_s;
  const isOver = left_s <= 0;
  const words = actWords(act, state, settings);
  const share = Math.min(1, Math.max(0, gone_s / act.hold_s));
  return (
    <>
      <div className="bench-main">
        <div className="bench-left">
          <div className="bench-now">
            <span className={left_s >= 3600 || left_s <= -3600 ? "numeral long" : "numeral"} data-testid="numeral">
              {isOver ? showClock(-left_s) : showClock(left_s)}
            </span>
          </div>
          <p className="to-go">{isOver ? "over. Go on now" : "left"}</p>
          <p className="drawn from">
            {showDegrees(act.target_C, settings)} for {showDuration(act.hold_s)}, since {showTimeOfDay(start_ms)}, until{" "}
            {showTimeOfDay(start_ms + act.hold_s * 1000)}
          </p>
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
        <ActKey
          label={words.done}
          {...(isOver ? {} : { note: `${showClock(left_s)} too early` })}
          bench={bench}
          onPress={() => bench.done()}
        />
      </div>
    </>
  );
}
