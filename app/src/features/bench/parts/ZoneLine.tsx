/** Each zone of the piece against the place one looks at, and the chance that all of them are in the window. */

import { chanceAllInWindow, expectedAt, zoneOffsets, type HeatEstimate, type PieceState, type Act, type WarmUp } from "@tembrak/core";
import { WINDOW_C } from "../../../format/heatNow.js";
import { showChance, showDegrees, showDifference, showDuration, type Units } from "../../../format/show.js";
import type { FireTime } from "../fireTime.js";

/** A zone that is off by less is not worth a word, K. */
const LEAST_TOLD_K = 8;
const NINETY_PERCENT = 1.6449;

interface Props {
  readonly state: PieceState;
  readonly act: Extract<Act, { kind: "heat" }>;
  readonly course: WarmUp | undefined;
  readonly fire: FireTime;
  readonly estimate: HeatEstimate | null;
  readonly units: Units;
}

/** What was last seen of its evenness in this heat; null when nobody looked. */
export function lastEven({ checks }: PieceState, act: Act) {
  const last = checks.findLast((c) => c.act === act.id && c.reading.check === "even");
  return last?.reading.check === "even" ? last.reading : null;
}

export function ZoneLine({ state, act, course, fire, estimate, units }: Props) {
  if (course === undefined || fire.state === "unknown") return null;
  const seen = lastEven(state, act);
  const expected = expectedAt(course, fire.in_s);
  const offsets = zoneOffsets(expected.offsets_K, seen);
  const told = offsets
    .filter(({ offset_K }) => Math.abs(offset_K) >= LEAST_TOLD_K)
    .map(({ zone, offset_K }) => `${zone} ${showDifference(Math.abs(offset_K), units)} ${offset_K > 0 ? "ahead" : "behind"}`);
  const left_s = course.allThere_s === null ? null : course.allThere_s - fire.in_s;
  const arrives =
    course.allThere_s === null
      ? "this fire does not bring all of it there"
      : left_s! > 10
        ? `all of it there in about ${showDuration(left_s!)}`
        : "all of it should be there";
  const chance =
    estimate === null || estimate.conflict !== null
      ? ""
      : ` · ${showChance(chanceAllInWindow({ mean_C: estimate.mean_C, sd_C: Math.max(1, (estimate.p95_C - estimate.p05_C) / (2 * NINETY_PERCENT)) }, offsets, [act.target_C - WINDOW_C, act.target_C + WINDOW_C]))} that every zone is in it`;
  return (
    <p className="drawn from zones">
      {seen === null ? `by the model about ${showDegrees(expected.seen_C, units)}, ` : "as seen: "}
      {told.length > 0 ? told.join(", ") : "even"}; {arrives}
      {chance}
    </p>
  );
}
