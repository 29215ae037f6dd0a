/** The number of a heat: what it is now and between what, how far to go, and what that rests on. */

import { WINDOW_K, type Act, type HeatNow, type LearnedEye } from "@tembrak/core";
import { showAgo, showChance, showClock, showDifference, temperatureNumber, type Units } from "../../../format/show.js";
import { callWords, fromWords } from "../../../words/heatWords.js";
import { conflictWords } from "../../../words/noticeWords.js";

/** A smaller correction of the eye is not worth a word, C. */
const LEAST_TOLD_K = 8;

interface Props {
  readonly act: Extract<Act, { kind: "heat" }>;
  readonly now: HeatNow;
  /** What it is heated in. */
  readonly place: string;
  readonly eye: LearnedEye;
  /** What too hot a heat has made of the grain. */
  readonly grain: string;
  readonly units: Units;
  readonly now_ms: number;
}

/** Since when it is in the fire, or looked at. */
function sinceWords({ fire, firstLook_ms }: HeatNow, place: string, now_ms: number): string {
  if (fire.state !== "unknown") return `${showClock(fire.in_s)} in ${place}`;
  return firstLook_ms === null ? "" : `${showClock((now_ms - firstLook_ms) / 1000)} since the first look`;
}

/** How a smith's own eye was corrected; "" where it was not. */
function eyeWords({ read }: HeatNow, { bias_C, pairs }: LearnedEye, units: Units): string {
  if (Math.abs(bias_C) < LEAST_TOLD_K || read === null || !read.from.includes("glow")) return "";
  return `your eye, ${pairs} times beside a probe: ${showDifference(Math.abs(bias_C), units)} ${bias_C > 0 ? "too hot" : "too cold"}, allowed for`;
}

/** What the number rests on. */
function fromLine(now: HeatNow, eye: LearnedEye, units: Units, now_ms: number): string {
  const { read } = now;
  const chance = read === null || read.isOneSided ? null : read.estimate.chanceInWindow;
  const said = [
    read === null ? "no reading yet" : `from ${fromWords(read.from)}, ${showAgo(read.newest_ms, now_ms)}`,
    chance === null ? "" : `${showChance(chance)} within ${showDifference(WINDOW_K, units)}`,
    eyeWords(now, eye, units),
  ];
  return said.filter((part) => part !== "").join(" · ");
}

/** What the number rests on: told under the screen's own fold. */
export function FromLine({ now, place, eye, units, now_ms }: Pick<Props, "now" | "place" | "eye" | "units" | "now_ms">) {
  const since = sinceWords(now, place, now_ms);
  return (
    <p className="drawn from">
      {fromLine(now, eye, units, now_ms)}
      {since === "" ? null : <span className="since"> · {since}</span>}
    </p>
  );
}

/** A sentence of two lines is set smaller on a phone. */
function callClass(call: HeatNow["call"]["call"], isTrouble: boolean): string {
  if (isTrouble) return "to-go conflict";
  return call === "about" ? "to-go long" : "to-go";
}

/** The number, and its range or that it is only wanted yet. */
function HeatNumber({ act, now, units }: Pick<Props, "act" | "now" | "units">) {
  const estimate = now.read?.estimate ?? null;
  const number = (T: number): number => Math.round(temperatureNumber(T, units));
  return (
    <div className="bench-now">
      <span className="numeral" data-testid="numeral">
        {number(estimate?.mean_C ?? act.target_C)}
      </span>
      <span className="numeral-side">
        <span className="unit">°{units.temperature}</span>
        {estimate ? (
          <>
            <span>now, between</span>
            <b>
              {number(estimate.p05_C)} and {number(estimate.p95_C)}
            </b>
          </>
        ) : (
          <b>wanted</b>
        )}
      </span>
    </div>
  );
}

export function HeatNumeral({ act, now, place, grain, units }: Omit<Props, "eye" | "now_ms">) {
  const isTrouble = now.call.call === "out" && now.call.isLong;
  const doubt = now.read?.doubt ?? null;
  return (
    <>
      <HeatNumber act={act} now={now} units={units} />
      <p className={callClass(now.call.call, isTrouble)}>{callWords(now.call, units, grain, now.zones?.chance ?? null, place)}</p>
      {doubt === null ? null : (
        <p className="drawn from conflict" role="status" data-testid="doubt">
          {conflictWords(doubt)}
        </p>
      )}
    </>
  );
}
