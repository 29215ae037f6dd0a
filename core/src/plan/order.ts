/** Whether the steps of a route can follow each other as they stand. */

import type { Step } from "../schema/book.js";

/** The first thing that is wrong with the order, as a sentence; null when nothing is. */
export function orderProblem(steps: readonly Pick<Step, "kind">[]): string | null {
  const kinds = steps.map(({ kind }) => kind);
  if (!kinds.includes("harden")) return "There is no hardening heat left in it.";
  for (let i = 0; i < kinds.length; i++) {
    if (kinds[i] === "harden" && kinds[i + 1] !== "quench") return "A hardening heat goes into its bath next.";
    if (kinds[i] === "quench" && kinds[i - 1] !== "harden") return "A bath comes right after a hardening heat.";
    if (kinds[i] === "temper" && !kinds.slice(0, i).includes("quench")) return "A temper comes after the bath.";
    if (kinds[i] === "normalise" && kinds.slice(0, i).includes("quench") && !kinds.slice(i).includes("harden")) {
      return "Normalising after the bath undoes the hardening: harden again after it, or leave it out.";
    }
  }
  return null;
}
