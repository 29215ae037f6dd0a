/** What files and tester say together about one piece, and what to mind. */

import { HAND_WARM_C } from "../constants.js";
import type { Notice } from "../errors.js";
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
  readonly notices: readonly Notice[];
}

/** The one place the command line and the screens share. @source temper-note section 4 (judgement) */
export function hardnessVerdict({ prior, strokes, rockwell: tester, surface, piece_C }: VerdictInput): HardnessVerdict {
  const notices: Notice[] = [];
  const add = (code: string, message: string): void => void notices.push({ code, message });
  const isHot = piece_C !== undefined && piece_C > HAND_WARM_C;
  if (isHot) add("too-hot-to-test", "Let it get to hand-warm first: it has not finished hardening. The files were not counted.");
  const counted = isHot ? [] : strokes;
  const before = priorBelief(prior?.mean_HRC ?? KNOWING_NOTHING.mean, prior?.sd_HRC ?? KNOWING_NOTHING.sd, prior?.failChance);
  if (prior === undefined) add("no-prior", "Nothing was predicted, so the answer rests on the test alone.");
  let belief = afterFiles(before, counted, SKIN_CHANCE[surface]);
  const bracket = fileBracket(counted);
  if (!bracket.isConsistent) add("inconsistent-files", "A harder file skated than one that bit. Test again on fresh metal.");
  if (counted.some(({ result }) => result === "bites") && surface !== "ground") {
    add("soft-skin-possible", "A soft skin may hide hard steel. Grind past the scale and try again before believing a bite.");
  }
  let corrected: RockwellResult | null = null;
  if (tester !== undefined && tester.readings_HRC.length > 0) {
    const { thickness_mm, ...readings } = tester;
    const result = rockwell(readings);
    corrected = result;
    if (result.cylinder_HRC > MOST_CYLINDER_HRC)
      add("too-round", "The round is too small for this scale: the correction is more than 3 HRC.");
    const least_mm = thinnestForRockwellC_mm(result.corrected_HRC);
    if (thickness_mm !== undefined && thickness_mm < least_mm) {
      add("too-thin", `Too thin for a Rockwell C test at this hardness: it takes ${least_mm.toFixed(2)} mm. Test the spine or the tang.`);
    }
    if (tester.readings_HRC.length < 3) add("few-readings", "Three readings or more, the first after setting up thrown away.");
    if (tester.blockBias_HRC === undefined) add("no-block", "No reference block: the tester itself may be out by a point.");
    belief = afterMeasurement(belief, result.corrected_HRC, result.standardError_HRC);
  }
  return { before, belief, summary: summarise(belief), bracket, corrected, notices };
}
