/** Whether the steps of a route can follow each other as they stand. */

import type { Step } from "../schema/book.js";

const BEFORE_HARDENING: ReadonlySet<Step["kind"]> = new Set(["normalise", "anneal", "preheat"]);

export type OrderProblem =
  | "no-harden"
  | "harden-needs-bath"
  | "bath-needs-harden"
  | "temper-needs-bath"
  | "run-needs-bath"
  | "preheat-needs-heat"
  | "normalise-undoes"
  | "heat-undoes";

/** The first thing that is wrong with the order; null when nothing is. */
export function orderProblem(steps: readonly Pick<Step, "kind">[]): OrderProblem | null {
  const kinds = steps.map(({ kind }) => kind);
  if (!kinds.includes("harden")) return "no-harden";
  for (let i = 0; i < kinds.length; i++) {
    const kind = kinds[i]!;
    const isAfterBath = kinds.slice(0, i).includes("quench");
    if (kind === "harden" && kinds[i + 1] !== "quench") return "harden-needs-bath";
    if (kind === "quench" && kinds[i - 1] !== "harden") return "bath-needs-harden";
    if (kind === "temper" && !isAfterBath) return "temper-needs-bath";
    if (kind === "run" && !isAfterBath) return "run-needs-bath";
    if (kind === "preheat" && !["normalise", "anneal", "harden"].includes(kinds[i + 1] ?? "")) {
      return "preheat-needs-heat";
    }
    if (BEFORE_HARDENING.has(kind) && isAfterBath && !kinds.slice(i).includes("harden")) {
      return kind === "normalise" ? "normalise-undoes" : "heat-undoes";
    }
  }
  return null;
}
