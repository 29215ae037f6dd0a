/** What a piece's tests say in one phrase. */

import { hardnessVerdict, type HardnessTest, type HardnessVerdict, type PieceState } from "@tembrak/core";
import { showHardness, showRange } from "../../format/show.js";

/** The verdict of one stored test, from what was predicted then. */
export function verdictOfTest(test: HardnessTest): HardnessVerdict {
  const { predicted, strokes, readings_HRC, blockBias_HRC, diameter_mm, surface, piece_C } = test;
  return hardnessVerdict({
    ...(predicted ? { prior: predicted } : {}),
    strokes: strokes.map(({ file_HRC, result }) => ({ hardness_HRC: file_HRC, result })),
    ...(readings_HRC.length > 0
      ? {
          rockwell: {
            readings_HRC,
            ...(blockBias_HRC === undefined ? {} : { blockBias_HRC }),
            ...(diameter_mm === undefined ? {} : { diameter_mm }),
          },
        }
      : {}),
    surface,
    ...(piece_C === undefined ? {} : { piece_C }),
  });
}

/** `56.4 HRC, 54 to 59`, of the last test after the temper; null when there is none. */
export function measured({ tests }: PieceState): string | null {
  const last = tests.filter(({ act }) => act === "prove").at(-1);
  if (last === undefined) return null;
  const { summary } = verdictOfTest(last.test);
  return `${showHardness(summary.mean_HRC, 1)} HRC, ${showRange(summary.p05_HRC, summary.p95_HRC)}`;
}
