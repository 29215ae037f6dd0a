/** What a piece's tests say in one phrase. */

import { gradeOf, testFound, testsThatCount, type Estimate, type HardnessTest, type HardnessVerdict, type PieceState } from "@tembrak/core";
import { showHardness, showRange } from "../format/show.js";
import type { DoneSoFar, EndTense } from "./verdictWords.js";
import { gradeWords } from "./workWords.js";

/** What the last test after the temper came to; null when there is none, or it is to be hardened once more. */
export function measuredSummary(state: PieceState): HardnessVerdict["summary"] | null {
  const last = testsThatCount(state).findLast(({ act }) => act === "prove");
  return last === undefined ? null : testFound(last.test, state.piece.section);
}

/** How far the last hardening of its route has come. */
export function doneSoFar({ acts, doneAt_ms, next }: PieceState): DoneSoFar {
  const quench = acts.findLast(({ kind }) => kind === "quench");
  if (quench === undefined || !doneAt_ms.has(quench.id)) return "nothing";
  return next === undefined || next.kind === "prove" ? "tempered" : "quenched";
}

/** Once all of its tempers are held it is what it will be; of a piece that is given up before, nothing is to come. */
export function endTense(state: PieceState): EndTense {
  if (state.finishedAt_ms !== null || doneSoFar(state) === "tempered") return "is";
  return state.fate === null ? "will be" : "would be";
}

/** By what its hardness is known. */
export function knownBy(state: PieceState): string {
  return gradeWords(gradeOf(state), measured(state) !== null, testsThatCount(state).length > 0);
}

/**
 * What the model has to say of it beside what was measured. In work it is what every screen says, its tests counted; measured, it is what
 * was expected before, as it was stored then. @param is by all that is known, @param was before any test
 */
export function expectedWords(state: PieceState, is: Estimate | undefined, was: Estimate | undefined): string {
  const range = ({ mean_HRC, p05_HRC, p95_HRC }: Estimate): string => `${showHardness(mean_HRC, 1)} HRC, ${showRange(p05_HRC, p95_HRC)}`;
  const counts = testsThatCount(state);
  if (!counts.some(({ act }) => act === "prove")) {
    const by = counts.length > 0 ? "By the model and what was tried of it before its temper" : "By the model";
    const told = is === undefined ? "" : `${by} it ${endTense(state)} ${range(is)}. `;
    return counts.length > 0 ? told.trim() : `${told}Without a test this record says what was done, not what it is.`;
  }
  const then = counts.findLast(({ act }) => act === "prove")?.test.predicted;
  if (then !== undefined) return `The model expected ${showHardness(then.mean_HRC, 1)} HRC, give or take ${then.sd_HRC.toFixed(1)}.`;
  return was === undefined ? "" : `The model expected ${range(was)}.`;
}

/** A tester measures; a row of files brackets; one file tells. */
function foundBy({ readings_HRC, strokes }: HardnessTest): string {
  if (readings_HRC.length > 0) return "Measured";
  return strokes.length > 1 ? "By its files" : "One file tells about";
}

/** A range that one number does not stand for, HRC (judgement). */
const WIDE_HRC = 10;

/** `Measured 56.4 HRC, 54 to 59`, of the last test after the temper; null when there is none. */
export function measured(state: PieceState): string | null {
  const last = testsThatCount(state).findLast(({ act }) => act === "prove");
  if (last === undefined) return null;
  const { mean_HRC, p05_HRC, p95_HRC } = testFound(last.test, state.piece.section);
  const by = foundBy(last.test);
  // So wide that its middle is nobody's: the range alone is what was found.
  if (p95_HRC - p05_HRC > WIDE_HRC)
    return `${last.test.strokes.length > 1 ? "Its files tell" : "One file tells"} no more than ${showRange(p05_HRC, p95_HRC)} HRC`;
  return `${by} ${showHardness(mean_HRC, by === "Measured" ? 1 : 0)} HRC, ${showRange(p05_HRC, p95_HRC)}`;
}
