/** What files and tester say together about one piece, and what to mind. */

import { HAND_WARM_C } from "../constants.js";
import type { TestNotice } from "../notices.js";
import {
  afterFiles,
  afterMeasurement,
  fileBracket,
  priorBelief,
  SKIN_CHANCE,
  summarise,
  type BeliefSummary,
  type FileBracket,
  type FileStroke,
  type HardnessBelief,
  type Surface,
} from "./belief.js";
import { MOST_CYLINDER_HRC, rockwell, thinnestForRockwellC_mm, type RockwellResult } from "./rockwell.js";

/** Where nothing is known: anything a heat-treated steel can be. */
const KNOWING_NOTHING = { mean: 50, sd: 12 };

export interface VerdictInput {
  readonly prior?: { readonly mean_HRC: number; readonly sd_HRC: number; readonly failChance?: number };
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

export interface HardnessVerdict {
  readonly before: HardnessBelief;
  readonly belief: HardnessBelief;
  readonly summary: BeliefSummary;
  readonly bracket: FileBracket;
  readonly corrected: RockwellResult | null;
  readonly notices: readonly TestNotice[];
}

/** The one place the command line and the screens share. @source temper-note section 4 (judgement) */
export function hardnessVerdict({ prior, strokes, rockwell: tester, surface, piece_C }: VerdictInput): HardnessVerdict {
  const notices: TestNotice[] = [];
  const isHot = piece_C !== undefined && piece_C > HAND_WARM_C;
  if (isHot) notices.push({ code: "too-hot-to-test" });
  const counted = isHot ? [] : strokes;
  const before = priorBelief(prior?.mean_HRC ?? KNOWING_NOTHING.mean, prior?.sd_HRC ?? KNOWING_NOTHING.sd, prior?.failChance);
  if (prior === undefined) notices.push({ code: "no-prior" });
  let belief = afterFiles(before, counted, SKIN_CHANCE[surface]);
  const bracket = fileBracket(counted);
  if (!bracket.isConsistent) notices.push({ code: "inconsistent-files" });
  if (counted.some(({ result }) => result === "bites") && surface !== "ground") {
    notices.push({ code: "soft-skin-possible" });
  }
  let corrected: RockwellResult | null = null;
  if (tester !== undefined && tester.readings_HRC.length > 0) {
    const { thickness_mm, ...readings } = tester;
    const result = rockwell(readings);
    corrected = result;
    if (result.cylinder_HRC > MOST_CYLINDER_HRC) notices.push({ code: "too-round" });
    const least_mm = thinnestForRockwellC_mm(result.corrected_HRC);
    if (thickness_mm !== undefined && thickness_mm < least_mm) {
      notices.push({ code: "too-thin", least_mm });
    }
    if (tester.readings_HRC.length < 3) notices.push({ code: "few-readings" });
    if (tester.blockBias_HRC === undefined) notices.push({ code: "no-block" });
    belief = afterMeasurement(belief, result.corrected_HRC, result.standardError_HRC);
  }
  return { before, belief, summary: summarise(belief), bracket, corrected, notices };
}
