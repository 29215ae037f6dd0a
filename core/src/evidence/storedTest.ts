/** The verdict of a test as it is stored: while it is being made, in the record, and for the next temper, from the same facts. */

import type { HardnessTest } from "../schema/book.js";
import type { Section } from "../schema/parts.js";
import type { Bell } from "../numerics/mixture.js";
import { FAILED, withSurprises, type BeliefSummary, type FileStroke } from "./belief.js";
import { thinnestTested_mm } from "./testPlaces.js";
import { hardnessVerdict, type HardnessVerdict, type TestDone } from "./verdict.js";

/** What an ordinary mill file is stored as. */
export const MILL_FILE_HRC = 63;
/**
 * It skates on steel from about here, bites below, and drags between; a new one changes a point or two higher than a worn one (common
 * practice, no source: clean steel that a mill file bites straight after the bath did not harden).
 */
const MILL: Pick<FileStroke, "hardness_HRC" | "fileSpread_HRC" | "drags_HRC"> = { hardness_HRC: 60, fileSpread_HRC: 1.2, drags_HRC: 0.75 };

/** What was done, as the judgement takes it. */
export function testDone(
  { strokes, readings_HRC, places, blockBias_HRC, diameter_mm, surface, piece_C }: HardnessTest,
  section: Section,
): TestDone {
  const thickness_mm = thinnestTested_mm(section, places);
  return {
    strokes: strokes.map(({ file_HRC, result }) => (file_HRC === MILL_FILE_HRC ? { ...MILL, result } : { hardness_HRC: file_HRC, result })),
    ...(readings_HRC.length > 0
      ? {
          rockwell: {
            readings_HRC,
            ...(blockBias_HRC === undefined ? {} : { blockBias_HRC }),
            ...(diameter_mm === undefined ? {} : { diameter_mm }),
            ...(thickness_mm === null ? {} : { thickness_mm }),
          },
        }
      : {}),
    surface,
    ...(piece_C === undefined ? {} : { piece_C }),
  };
}

/** What a stored test says was predicted: a bell, and a part that failed. */
function priorOf({ predicted }: HardnessTest): readonly Bell[] | undefined {
  if (predicted === undefined) return undefined;
  const { mean_HRC, sd_HRC, failChance = 0 } = predicted;
  const bell = { mean: mean_HRC, sd: sd_HRC, weight: 1 - failChance };
  return failChance === 0 ? withSurprises([bell]) : [bell, { ...FAILED, weight: failChance }];
}

/** A test against the pieces it may be one of; without them against what it says was predicted. */
export function testVerdict(test: HardnessTest, section: Section, prior = priorOf(test)): HardnessVerdict {
  return hardnessVerdict({ ...(prior === undefined ? {} : { prior }), ...testDone(test, section) });
}

/** What a test found, as it was told when it was made; of an old one, which does not say, worked out again from itself. */
export function testFound(test: HardnessTest, section: Section): BeliefSummary {
  return test.found ?? testVerdict(test, section).summary;
}
