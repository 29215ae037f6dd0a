/** What is hardened and what draws it: what a shape allows, and what a route says. */

import { DRAWS, HARDENS, RUN_SOURCES, type Draws, type Hardens, type Route, type RunSource, type Step, type Way } from "../schema/book.js";
import type { Section } from "../schema/parts.js";

export const USUAL_WAY: Way = { hardens: "whole", draws: "oven" };

/** Only a blade has an edge, only a bar has ends. */
export function hardensFor(section: Section): readonly Hardens[] {
  return HARDENS.filter((what) => (section.shape === "wedge" ? what === "whole" || what === "edge" : what !== "edge"));
}

/** Heat is left in a body only where a part of it stayed out of the bath; of two ends each would need a temper of its own. */
export function drawsFor(hardens: Hardens): readonly Draws[] {
  switch (hardens) {
    case "whole":
      return DRAWS.filter((by) => by !== "residual");
    case "edge":
    case "face":
      return DRAWS;
    case "ends":
      return DRAWS.filter((by) => !isRun(by));
  }
}

/** Whether it is a colour that runs, seen and stopped, and no heat that is held. */
export function isRun(draws: Draws): draws is RunSource {
  return RUN_SOURCES.some((source) => source === draws);
}

/** How much of a piece goes into a bath: all of it, or an edge or an end so deep. */
export type Under = { readonly what: "whole" } | { readonly what: "edge" | "end"; readonly depth_mm: number };

export function underOf({ edgeDepth_mm, part }: Pick<Extract<Step, { kind: "quench" }>, "edgeDepth_mm" | "part">): Under {
  if (part !== undefined) return { what: "end", depth_mm: part.depth_mm };
  return edgeDepth_mm === undefined ? { what: "whole" } : { what: "edge", depth_mm: edgeDepth_mm };
}

/** What the steps of a route harden, and what draws it: the one place that says so. */
export function wayOf({ steps }: Pick<Route, "steps">): Way {
  const quenches = steps.flatMap((step) => (step.kind === "quench" ? [step] : []));
  const run = steps.findLast((step) => step.kind === "run");
  const temper = steps.findLast((step) => step.kind === "temper");
  const ends = new Set(quenches.flatMap(({ part }) => (part === undefined ? [] : [part.end])));
  const hardens =
    ends.size > 1 || quenches.at(-1)?.turns !== undefined
      ? "ends"
      : ends.size === 1
        ? "face"
        : quenches.at(-1)?.edgeDepth_mm !== undefined
          ? "edge"
          : "whole";
  const draws = run?.kind === "run" ? run.source : temper?.kind === "temper" ? (temper.in ?? "oven") : "oven";
  return { hardens, draws };
}

/**
 * What goes to heat in one step of a route: only for its hardening is one end heated alone, and two that go by turns out of one heat
 * together. `ends`: an end, with the other hard already.
 */
export function heatedOf({ steps }: Pick<Route, "steps">, index: number): Hardens {
  const kind = steps[index]?.kind;
  const at = steps.findIndex((step, i) => i > index && step.kind === "quench");
  const quench = steps[at];
  if ((kind !== "harden" && kind !== "preheat") || quench?.kind !== "quench") return "whole";
  if (quench.edgeDepth_mm !== undefined) return "edge";
  if (quench.part === undefined || quench.turns !== undefined) return "whole";
  return steps.slice(0, index).some((step) => step.kind === "quench" && step.part !== undefined && step.part.end !== quench.part!.end)
    ? "ends"
    : "face";
}
