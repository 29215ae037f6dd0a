/** The verdict of a test as it is stored: while it is being made, in the record, and for the next temper, from the same facts. */

import type { HardnessTest } from "../schema/book.js";
import type { Section } from "../schema/parts.js";
import { hardnessVerdict, type HardnessVerdict } from "./verdict.js";

/** An ordinary mill file is no marked file: its own hardness is not known to better than this, HRC (common practice, no source). */
export const MILL_FILE_HRC = 63;
const MILL_SPREAD_HRC = 1;

/** How thick a piece is where a tester presses: the middle of a blade's flat; null where nothing thin is tested. */
function thicknessTested_mm(section: Section): number | null {
  switch (section.shape) {
    case "wedge":
      return 0.5 * (section.spine_mm + section.edge_mm);
    case "plate":
      return section.thickness_mm;
    case "round":
    case "square":
      return null;
  }
}

export function testVerdict(test: HardnessTest, section: Section): HardnessVerdict {
  const { predicted, strokes, readings_HRC, blockBias_HRC, diameter_mm, surface, piece_C } = test;
  const thickness_mm = thicknessTested_mm(section);
  return hardnessVerdict({
    ...(predicted ? { prior: predicted } : {}),
    strokes: strokes.map(({ file_HRC, result }) => ({
      hardness_HRC: file_HRC,
      result,
      fileSpread_HRC: file_HRC === MILL_FILE_HRC ? MILL_SPREAD_HRC : 0,
    })),
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
  });
}
