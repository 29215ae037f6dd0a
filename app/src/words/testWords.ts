/** What a test says, in sentences, and what follows from it. */

import {
  chanceBelow,
  MILL_FILE_HRC,
  roundHeat_C,
  type Disagreement,
  type Estimate,
  type FileResult,
  type HardnessVerdict,
  type Humps,
  type NextTemper,
  type PieceState,
} from "@tembrak/core";
import { onTo, runColour } from "./actWords.js";
import { showChance, showDuration, showHardness, showRange, showTemperature, type Units } from "../format/show.js";
import type { TestDraft } from "./testDraft.js";

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

interface Target {
  readonly low_HRC: number;
  readonly high_HRC: number;
}

/** What was found against what was predicted and what the use wants. */
export function compareWords(summary: Summary, prior: Estimate | undefined, target: Target, isFirst: boolean): string {
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

/** A file that speaks against a sure prediction: both stories, and what parts them. */
export function humpWords({ soft, hard }: Humps): string {
  const [failed, slipped] = [`it is soft, about ${showHardness(soft.median_HRC)}`, `it is hard, about ${showHardness(hard.median_HRC)}`];
  return `One of two: ${failed} (${showChance(soft.share)}), or ${slipped}, and the file slipped or met a soft skin. Grind there and file once more: that parts them.`;
}

/** How many readings, their mean and how far they scatter; what the mean is once block and roundness are counted. */
function testerWords({ raw_HRC, spread_HRC, corrected_HRC, count }: NonNullable<HardnessVerdict["corrected"]>): string {
  const many = count === 1 ? "One tester reading" : `${count} tester readings`;
  const mean = count === 1 ? showHardness(raw_HRC, 1) : `mean ${showHardness(raw_HRC, 1)}, spread ${spread_HRC.toFixed(1)}`;
  const off = Math.abs(corrected_HRC - raw_HRC) < 0.05 ? "" : `; corrected ${showHardness(corrected_HRC, 1)}`;
  return `${many}: ${mean}${off}.`;
}

/** Where a mill file changes is nobody's mark: near 60 (common practice, no source). */
const MILL_WORDS: Readonly<Record<FileResult, string>> = {
  skates: "The mill file skated: about 60 or more.",
  drags: "The mill file dragged: near 60.",
  bites: "The mill file bit: under about 61, and most likely under 60.",
};

/** What each answer rules out. */
export function evidenceWords(
  { strokes, surface }: Pick<TestDraft, "strokes" | "surface">,
  corrected: HardnessVerdict["corrected"],
): string[] {
  const marked = (result: FileResult): number[] =>
    [...strokes].filter(([file, r]) => r === result && file !== MILL_FILE_HRC).map(([file]) => file);
  const [skated, bit] = [marked("skates"), marked("bites")];
  const mill = strokes.get(MILL_FILE_HRC);
  const words: string[] = [];
  if (skated.length > 0) words.push(`${Math.max(...skated)} skated: harder than that.`);
  if (bit.length > 0) words.push(`${Math.min(...bit)} bit: softer than that.`);
  if (mill !== undefined) words.push(MILL_WORDS[mill]);
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
  readonly key: "keep" | "temper" | "again" | "elsewhere";
  readonly title: string;
  readonly note: string;
}

/** What a test was, for what follows from it. */
export interface TestMade {
  readonly verdict: Pick<HardnessVerdict, "summary" | "belief">;
  readonly draft: Pick<TestDraft, "strokes" | "readings" | "surface">;
  /** After the quench, before any temper. */
  readonly isFirst: boolean;
  readonly target: Target;
  readonly prior: Estimate | undefined;
  readonly more: NextTemper;
  /** What draws it further in this shop. */
  readonly by: "oven" | "run";
  readonly state: PieceState;
}

/** So much softer than it should be straight after its bath, a piece failed, HRC; and from this chance of it that is asked before all else (judgement). */
const FAILED_BY_HRC = 4;
const MAYBE_FAILED = 0.3;
/** Harder than wanted by the files alone with no less than this chance, a further temper stands first (judgement): one file tells, and measures nothing. */
const SURELY_HARDER = 0.8;

const AGAIN: FollowUp = {
  key: "again",
  title: "Why, and harden it again",
  note: "What most likely went wrong, what tells it, and what to do otherwise.",
};

/** Softer than this straight after its bath it did not harden, HRC. */
function failedBelow_HRC({ target, prior }: Pick<TestMade, "target" | "prior">): number {
  return Math.max(target.low_HRC, (prior?.p50_HRC ?? 62) - FAILED_BY_HRC);
}

function afterQuench(made: TestMade): FollowUp[] {
  const { verdict, draft, state } = made;
  const failed = chanceBelow(verdict.belief, failedBelow_HRC(made));
  const isSoft = failed >= MAYBE_FAILED;
  const hasBitten = [...draft.strokes.values()].includes("bites");
  const step = state.next?.kind === "first-file" ? state.next.step : (state.acts.findLast(({ kind }) => kind === "first-file")?.step ?? 0);
  const isGround = draft.surface === "ground";
  const on: FollowUp = {
    key: "keep",
    title: onTo(state.route, step),
    note: isSoft ? "It will not get harder in its temper." : hasBitten ? "If it skates elsewhere." : "Hard enough. Within the hour.",
  };
  const elsewhere: FollowUp = {
    key: "elsewhere",
    title: isGround ? "Test once more elsewhere" : "Grind past the scale, and once more",
    note: `A bite on clean steel is a failed quench; ${showChance(failed)} that this one is.`,
  };
  if (!hasBitten) return isSoft ? [AGAIN, on] : [on];
  return isSoft ? [AGAIN, elsewhere, on] : isGround ? [elsewhere, AGAIN, on] : [elsewhere, on, AGAIN];
}

function afterTemper({ verdict, draft, target, more, by, state }: TestMade, units: Units): FollowUp[] {
  const { mean_HRC } = verdict.summary;
  const isInside = mean_HRC >= target.low_HRC && mean_HRC <= target.high_HRC;
  const keep: FollowUp = {
    key: "keep",
    title: "Leave it and finish",
    note: isInside
      ? "It is where its use wants it."
      : mean_HRC < target.low_HRC
        ? "Softer is tougher, and no failure."
        : "Harder, and it may chip.",
  };
  if (more.outcome === "found") {
    const count = state.acts.filter(({ kind }) => kind === "temper").length + 1;
    const ordinal = ["", "first", "second", "third", "fourth", "fifth"][count] ?? `${count}th`;
    const temper: FollowUp = {
      key: "temper",
      title:
        by === "run"
          ? `Run its colours once more, to ${runColour(state.piece.steel, more.temperature_C)}`
          : `A ${ordinal} temper at ${showTemperature(roundHeat_C(more.temperature_C, units.temperature), units)}`,
      note: `${by === "run" ? "F" : "2 h, f"}or the middle of what its use wants; then try again.`,
    };
    if (isInside) return [keep, temper];
    const harder = 1 - chanceBelow(verdict.belief, target.high_HRC);
    if (draft.readings.length > 0 || (draft.strokes.size > 1 && harder >= SURELY_HARDER)) return [temper, keep];
    const elsewhere: FollowUp = {
      key: "elsewhere",
      title: "Try one more file, or a tester",
      note: `By what was tried it is too hard in ${showChance(harder)}: that is no measure yet.`,
    };
    return [elsewhere, keep, temper];
  }
  return mean_HRC < target.low_HRC - 1 ? [keep, AGAIN] : [keep];
}

/** The next acts on offer, the likeliest first. */
export function followUps(made: TestMade, units: Units): FollowUp[] {
  return made.isFirst ? afterQuench(made) : afterTemper(made, units);
}
