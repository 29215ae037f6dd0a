/** By what the hardness of a piece is known: the best of what was done to find it. */

import type { PieceState } from "../book/state.js";
import { isToBeHardened, testsOf } from "./known.js";

export const GRADES = ["tester", "files", "one-file", "proof", "colour", "model"] as const;
export type Grade = (typeof GRADES)[number];

/** With fewer files than these a hardness lies above or below one mark, no more. */
const LEAST_FILES = 2;

/** How many tempers a piece is to have after its last quench. */
function tempersWanted({ acts }: PieceState): number {
  const last = acts.findLastIndex(({ kind }) => kind === "quench");
  return acts.slice(last + 1).filter(({ kind }) => kind === "temper" || kind === "run").length;
}

export function gradeOf(state: PieceState): Grade {
  // A file on untempered steel says nothing of what the temper leaves.
  const wanted = tempersWanted(state);
  const tests = testsOf(state).flatMap(({ test, tempers }) => (tempers >= wanted ? [test] : []));
  if (tests.some(({ readings_HRC }) => readings_HRC.length > 0)) return "tester";
  const files = new Set(tests.flatMap(({ strokes }) => strokes.map(({ file_HRC }) => file_HRC)));
  if (files.size >= LEAST_FILES) return "files";
  if (files.size > 0) return "one-file";
  if (isToBeHardened(state)) return "model";
  const quench = state.acts.findLast(({ kind, id }) => kind === "quench" && state.doneAt_ms.has(id));
  const from_ms = quench === undefined ? Infinity : state.doneAt_ms.get(quench.id)!;
  const since = state.checks.filter(({ at_ms }) => at_ms >= from_ms);
  if (since.some(({ reading }) => reading.check === "proof")) return "proof";
  if (since.some(({ reading }) => reading.check === "temper-colour")) return "colour";
  return "model";
}
