/** What a test says, in sentences, and what follows from it. */

import { type Disagreement, type Estimate, type HardnessVerdict, type NextTemper, type PieceState } from "@tembrak/core";
import { onTo } from "./actWords.js";
import { showDuration, showHardness, showRange, showTemperature, type Units } from "../format/show.js";
import type { TestDraft } from "../features/fileTest/useTest.js";

interface Summary {
  readonly mean_HRC: number;
  readonly p05_HRC: number;
  readonly p95_HRC: number;
}

/** Of two tests that cannot both be right; null where all agree. */
export function disagreeWords(found: Disagreement | null): string | null {
  if (found === null) return null;
  const range = ({ p05_HRC, p95_HRC }: Summary): string => showRange(p05_HRC, p95_HRC);
  return `Two tests of it do not agree: ${range(found.earlier)} HRC before, ${range(found.later)} now. One is wrong: clean ground steel, the same place, a third time.`;
}

interface SinceQuench {
  readonly gone_s: number;
  /** By the model; undefined while that is worked out. */
  readonly handWarm_s: number | undefined;
  /** Somebody held it. */
  readonly wasFelt: boolean;
}

/** A hand may be sooner than the model by no more than this, as a share of its time. */
const SOONEST_SHARE = 0.5;

/** How long it has been out of the fire, and whether a file can say anything yet. */
export function sinceQuenchWords({ gone_s, handWarm_s, wasFelt }: SinceQuench): string {
  const since = `${showDuration(gone_s)} since it went under.`;
  if (handWarm_s === undefined || gone_s >= handWarm_s) return since;
  if (!wasFelt) return `${since} By the model it is hand-warm in ${showDuration(handWarm_s - gone_s)}: a file says nothing before.`;
  return gone_s > SOONEST_SHARE * handWarm_s
    ? since
    : `${since} You found it hand-warm; by the model it is not for ${showDuration(handWarm_s - gone_s)}. Feel it again, at its thickest.`;
}

/** Measured against predicted and against what the use wants. */
export function compareWords(
  summary: Summary,
  prior: Estimate | undefined,
  target: { readonly low_HRC: number; readonly high_HRC: number },
  isFirst: boolean,
): string {
  const off = prior ? summary.mean_HRC - prior.mean_HRC : 0;
  const against = !prior
    ? "Nothing was predicted."
    : Math.abs(off) < 0.5
      ? "As predicted"
      : `${Math.abs(off).toFixed(1)} ${off > 0 ? "harder" : "softer"} than predicted`;
  if (isFirst) return `${against}, before the temper.`;
  const { mean_HRC } = summary;
  if (mean_HRC > target.high_HRC) return `${against}, and harder than the ${showRange(target.low_HRC, target.high_HRC)} its use wants.`;
  if (mean_HRC < target.low_HRC) return `${against}, and softer than the ${showRange(target.low_HRC, target.high_HRC)} its use wants.`;
  const middle = (target.low_HRC + target.high_HRC) / 2;
  return `${against}, inside the ${mean_HRC >= middle ? "upper" : "lower"} half of what its use wants.`;
}

/** How many readings, their mean and how far they scatter; what the mean is once block and roundness are counted. */
function testerWords({ raw_HRC, spread_HRC, corrected_HRC, count }: NonNullable<HardnessVerdict["corrected"]>): string {
  const many = count === 1 ? "One tester reading" : `${count} tester readings`;
  const mean = count === 1 ? showHardness(raw_HRC, 1) : `mean ${showHardness(raw_HRC, 1)}, spread ${spread_HRC.toFixed(1)}`;
  const off = Math.abs(corrected_HRC - raw_HRC) < 0.05 ? "" : `; corrected ${showHardness(corrected_HRC, 1)}`;
  return `${many}: ${mean}${off}.`;
}

/** What each answer rules out. */
export function evidenceWords(
  { strokes, surface }: Pick<TestDraft, "strokes" | "surface">,
  corrected: HardnessVerdict["corrected"],
): string[] {
  const skated = [...strokes].filter(([, r]) => r === "skates").map(([f]) => f);
  const bit = [...strokes].filter(([, r]) => r === "bites").map(([f]) => f);
  const words: string[] = [];
  if (skated.length > 0) words.push(`${Math.max(...skated)} skated: harder than that.`);
  if (bit.length > 0) words.push(`${Math.min(...bit)} bit: softer than that.`);
  if (corrected !== null) words.push(testerWords(corrected));
  if (strokes.size > 0) {
    words.push(
      surface === "ground"
        ? "Ground past the scale: a soft skin hiding hard steel is 3 in 100."
        : surface === "as-it-came"
          ? "Not ground: a soft skin hiding hard steel is 1 in 10."
          : "Heated long in the open: it is an even chance that a soft skin hides hard steel.",
    );
  }
  return words;
}

export interface FollowUp {
  readonly key: "keep" | "temper" | "again";
  readonly title: string;
  readonly note: string;
}

/** The next acts on offer, the likeliest first. */
export function followUps(
  summary: Summary,
  isFirst: boolean,
  target: { readonly low_HRC: number; readonly high_HRC: number },
  prior: Estimate | undefined,
  more: NextTemper,
  units: Units,
  state: PieceState,
): FollowUp[] {
  const isSoft = isFirst && summary.mean_HRC < Math.max(target.low_HRC, (prior?.mean_HRC ?? 60) - 5);
  const again: FollowUp = {
    key: "again",
    title: "Why, and harden it again",
    note: "What most likely went wrong, what tells it, and what to do otherwise.",
  };
  if (isFirst) {
    const step =
      state.next?.kind === "first-file" ? state.next.step : (state.acts.findLast(({ kind }) => kind === "first-file")?.step ?? 0);
    const on: FollowUp = {
      key: "keep",
      title: onTo(state.route, step),
      note: isSoft ? "It will not get harder in its temper." : "Hard enough. Within the hour.",
    };
    return isSoft ? [again, on] : [on];
  }
  const isInside = summary.mean_HRC >= target.low_HRC && summary.mean_HRC <= target.high_HRC;
  const keep: FollowUp = {
    key: "keep",
    title: "Leave it and finish",
    note: isInside
      ? "It is where its use wants it."
      : summary.mean_HRC < target.low_HRC
        ? "Softer is tougher, and no failure."
        : "Harder, and it may chip.",
  };
  if (more.outcome === "found") {
    const count = state.acts.filter(({ kind }) => kind === "temper").length + 1;
    const ordinal = ["", "first", "second", "third", "fourth", "fifth"][count] ?? `${count}th`;
    const temper: FollowUp = {
      key: "temper",
      title: `A ${ordinal} temper at ${showTemperature(Math.round(more.temperature_C / 5) * 5, units)}`,
      note: "2 h, for the middle of what its use wants; then try again.",
    };
    return isInside ? [keep, temper] : [temper, keep];
  }
  return summary.mean_HRC < target.low_HRC - 1 ? [keep, again] : [keep];
}
