/** Whether the steps of a route can follow each other as they stand. */

import type { Step } from "../schema/book.js";

const BEFORE_HARDENING: ReadonlySet<Step["kind"]> = new Set(["normalise", "anneal", "preheat"]);

/** The first thing that is wrong with the order, as a sentence; null when nothing is. */
export function orderProblem(steps: readonly Pick<Step, "kind">[]): string | null {
  const kinds = steps.map(({ kind }) => kind);
  if (!kinds.includes("harden")) return "There is no hardening heat left in it.";
  for (let i = 0; i < kinds.length; i++) {
    const kind = kinds[i]!;
    const isAfterBath = kinds.slice(0, i).includes("quench");
    if (kind === "harden" && kinds[i + 1] !== "quench") return "A hardening heat goes into its bath next.";
    if (kind === "quench" && kinds[i - 1] !== "harden") return "A bath comes right after a hardening heat.";
    if (kind === "temper" && !isAfterBath) return "A temper comes after the bath.";
    if (kind === "run" && !isAfterBath) return "A colour is run after the bath.";
    if (kind === "preheat" && !["normalise", "anneal", "harden"].includes(kinds[i + 1] ?? "")) {
      return "A preheat comes right before a hotter heat.";
    }
    if (BEFORE_HARDENING.has(kind) && isAfterBath && !kinds.slice(i).includes("harden")) {
      return `${kind === "normalise" ? "Normalising" : "Such a heat"} after the bath undoes the hardening: harden again after it, or leave it out.`;
    }
  }
  return null;
}
