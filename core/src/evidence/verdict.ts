/** What files and tester say together about one piece, and what to mind. */

import { HAND_WARM_C } from "../constants.js";
import type { TestNotice } from "../notices.js";
import { summaryOf, type Bell } from "../numerics/mixture.js";
import {
  believedAfter,
  fileBracket,
  filesSay,
  hardnessOfNode_HRC,
  measurementSays,
  priorBelief,
  SKIN_CHANCE,
  summarise,
  type BeliefSummary,
  type FileBracket,
  type FileStroke,
  type HardnessBelief,
  type Surface,
} from "./belief.js";
import { humpsOf, type Humps } from "./humps.js";
import { MOST_CYLINDER_HRC, rockwell, thinnestForRockwellC_mm, type RockwellResult } from "./rockwell.js";
import { weighed, type Likelihood } from "./weigh.js";

/** Where nothing is known: anything a heat-treated steel can be. */
const KNOWING_NOTHING: Bell = { mean: 50, sd: 12 };

/** What was done to a piece to learn its hardness. */
export interface TestDone {
  readonly strokes: readonly FileStroke[];
  readonly rockwell?: {
    readonly readings_HRC: readonly number[];
    readonly blockBias_HRC?: number;
    readonly blockReadings?: number;
    readonly diameter_mm?: number;
    readonly thickness_mm?: number;
  };
  readonly surface: Surface;
  readonly piece_C?: number;
}

export interface VerdictInput extends TestDone {
  /** The simulated pieces it is one of; one bell, where no more is known. */
  readonly prior?: readonly Bell[];
}

export interface HardnessVerdict {
  readonly before: HardnessBelief;
  readonly belief: HardnessBelief;
  readonly summary: BeliefSummary;
  /** Two stories, neither of them the mean; null where one number tells it. */
  readonly humps: Humps | null;
  readonly bracket: FileBracket;
  readonly corrected: RockwellResult | null;
  readonly notices: readonly TestNotice[];
}

function isTooHot({ piece_C }: TestDone): boolean {
  return piece_C !== undefined && piece_C > HAND_WARM_C;
}

/** How well each hardness explains a test; null where it says nothing. @param skinChance that its skin is soft, where more is known of that */
export function testSays(test: TestDone, skinChance = SKIN_CHANCE[test.surface]): Likelihood | null {
  const { strokes, rockwell: tester } = test;
  const says: Likelihood[] = [];
  if (strokes.length > 0 && !isTooHot(test)) says.push(filesSay(strokes, skinChance));
  if (tester !== undefined && tester.readings_HRC.length > 0) {
    const { corrected_HRC, standardError_HRC } = rockwell(tester);
    says.push(measurementSays(corrected_HRC, standardError_HRC));
  }
  return says.length === 0 ? null : (H) => says.reduce((product, say) => product * say(H), 1);
}

/** So many bells are a prediction with its surprises, and no ensemble. */
const FEW_BELLS = 4;

/** A wide bell or two are cut out of shape by a row of files; of many narrow ones, each moves a little. */
function summaryAfter(prior: readonly Bell[], says: Likelihood | null, belief: HardnessBelief): BeliefSummary {
  if (prior.length <= FEW_BELLS) return summarise(belief);
  const { mean, sd, p05, p95 } = summaryOf(says === null ? prior : weighed(prior, says));
  return { mean_HRC: mean, sd_HRC: sd, p05_HRC: p05, p95_HRC: p95 };
}

/** Readings of one hardness lie no further apart than this, six times a bench tester's scatter, HRC (judgement). */
const MOST_APART_HRC = 5;

/** Rockwell C holds between these, HRC (ASTM E18, from memory: 20 to 70; steel of a smith's stands no harder than 68). */
const SCALE_HRC = [20, 68] as const;
/** Off what was expected by so many of both spreads together, a measurement is asked about. */
const ODD_sd = 3;

function testerNotices({ thickness_mm, ...readings }: NonNullable<TestDone["rockwell"]>, result: RockwellResult): TestNotice[] {
  const notices: TestNotice[] = [];
  if (result.cylinder_HRC > MOST_CYLINDER_HRC) notices.push({ code: "too-round" });
  const least_mm = thinnestForRockwellC_mm(result.corrected_HRC);
  if (thickness_mm !== undefined && thickness_mm < least_mm) notices.push({ code: "too-thin", least_mm });
  const apart_HRC = Math.max(...readings.readings_HRC) - Math.min(...readings.readings_HRC);
  const beyond = readings.readings_HRC.find((reading) => reading < SCALE_HRC[0] || reading > SCALE_HRC[1]);
  if (beyond !== undefined) notices.push({ code: "beyond-scale", reading_HRC: beyond });
  if (apart_HRC > MOST_APART_HRC) notices.push({ code: "scattered-readings", apart_HRC });
  if (readings.readings_HRC.length < 3) notices.push({ code: "few-readings" });
  if (readings.blockBias_HRC === undefined) notices.push({ code: "no-block" });
  return notices;
}

/** A measurement stands as it was made; where it is nothing that was expected, the slips of a tester are named. */
function oddNotices(prior: readonly Bell[] | undefined, { corrected_HRC, standardError_HRC }: RockwellResult): TestNotice[] {
  if (prior === undefined) return [];
  const { p50, p05, p95 } = summaryOf(prior);
  const sd_HRC = Math.hypot((p95 - p05) / 3.29, standardError_HRC);
  return Math.abs(corrected_HRC - p50) > ODD_sd * sd_HRC ? [{ code: "not-as-expected", expected_HRC: p50 }] : [];
}

/** Chance that it is softer than a limit, 0 ... 1. */
export function chanceBelow(belief: HardnessBelief, limit_HRC: number): number {
  return belief.reduce((sum, weight, i) => sum + (hardnessOfNode_HRC(i) < limit_HRC ? weight : 0), 0);
}

/** The one place the command line and the screens share. @source temper-note section 4 (judgement) */
export function hardnessVerdict({ prior, ...test }: VerdictInput): HardnessVerdict {
  const { strokes, rockwell: tester, surface } = test;
  const notices: TestNotice[] = [];
  const isHot = isTooHot(test);
  if (isHot) notices.push({ code: "too-hot-to-test" });
  const counted = isHot ? [] : strokes;
  if (prior === undefined) notices.push({ code: "no-prior" });
  const bells = prior ?? [KNOWING_NOTHING];
  const before = priorBelief(bells);
  const bracket = fileBracket(counted);
  if (!bracket.isConsistent) notices.push({ code: "inconsistent-files" });
  if (counted.some(({ result }) => result === "bites") && surface !== "ground") notices.push({ code: "soft-skin-possible" });
  const corrected = tester === undefined || tester.readings_HRC.length === 0 ? null : rockwell(tester);
  if (corrected !== null) notices.push(...testerNotices(tester!, corrected), ...oddNotices(prior, corrected));
  const says = testSays(test);
  const belief = says === null ? before : believedAfter(before, says);
  return { before, belief, summary: summaryAfter(bells, says, belief), humps: humpsOf(belief), bracket, corrected, notices };
}
