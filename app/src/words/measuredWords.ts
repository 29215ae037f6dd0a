/** What a piece's tests say in one phrase. */

import { testVerdict, type PieceState } from "@tembrak/core";
import { showHardness, showRange } from "../format/show.js";

/** `56.4 HRC, 54 to 59`, of the last test after the temper; null when there is none. */
export function measured({ tests, piece }: PieceState): string | null {
  const last = tests.filter(({ act }) => act === "prove").at(-1);
  if (last === undefined) return null;
  const { summary } = testVerdict(last.test, piece.section);
  return `${showHardness(summary.mean_HRC, 1)} HRC, ${showRange(summary.p05_HRC, summary.p95_HRC)}`;
}
