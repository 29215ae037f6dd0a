/** What is hardened and what draws it: what a shape allows, and what a route says. */

import { DRAWS, HARDENS, RUN_SOURCES, type Draws, type Hardens, type Route, type RunSource, type Step, type Way } from "../schema/book.js";
import { backFirst, edgeDepth_mm, endUnder, turnsOf } from "./dips.js";
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

/** The last of its own tempers and the run that come after the last bath; a snap temper only holds out until them. */
function drawsAfter(steps: readonly Step[]) {
  const after = steps.slice(steps.findLastIndex(({ kind }) => kind === "quench") + 1);
  return {
    temper: after.findLast((step): step is Extract<Step, { kind: "temper" }> => step.kind === "temper" && step.why !== "snap-temper"),
    run: after.findLast((step): step is Extract<Step, { kind: "run" }> => step.kind === "run"),
  };
}

/** What the steps of a route harden, and what draws it: the one place that says so. */
export function wayOf({ steps }: Pick<Route, "steps">): Way {
  const quenches = steps.flatMap((step) => (step.kind === "quench" ? [step] : []));
  const { temper, run } = drawsAfter(steps);
  const ends = new Set(quenches.flatMap((quench) => endUnder(quench)?.end ?? []));
  const last = quenches.at(-1);
  const hardens =
    ends.size > 1 || (last !== undefined && turnsOf(last) !== null)
      ? "ends"
      : ends.size === 1
        ? "face"
        : last !== undefined && edgeDepth_mm(last) !== undefined
          ? "edge"
          : "whole";
  // A run after tempers draws the back alone: what draws the piece is the oven.
  const draws = temper === undefined && run !== undefined ? run.source : (temper?.in ?? "oven");
  return { hardens, draws };
}

/** Whether one more step would draw the back of a blade: it is hard, has its tempers, and nothing runs on it yet. */
export function isBackToDraw({ steps }: Pick<Route, "steps">): boolean {
  const { temper, run } = drawsAfter(steps);
  const quench = steps.findLast((step) => step.kind === "quench");
  // After an edge quench, or under clay, the back is soft as it is.
  const isHard =
    quench?.kind === "quench" && (edgeDepth_mm(quench) === undefined || backFirst(quench) !== null) && quench.clay === undefined;
  return isHard && temper !== undefined && run === undefined;
}

/** Whether a run draws the back alone of what its tempers drew. */
export function isBackDrawn({ steps }: Pick<Route, "steps">): boolean {
  const { temper, run } = drawsAfter(steps);
  return temper !== undefined && run !== undefined;
}

/**
 * Where the hardening begins that counts, as an index: the first heat behind the last bath whose work a later one of the same end took back; 0 where
 * a piece is hardened once, or each of its ends is.
 */
export function hardeningFrom({ steps }: Pick<Route, "steps">): number {
  const quenches = steps.flatMap((step, i) => (step.kind === "quench" ? [{ i, end: endUnder(step)?.end }] : []));
  const last = quenches.at(-1);
  const undone = quenches.slice(0, -1).findLast(({ end }) => end === undefined || last!.end === undefined || end === last!.end);
  if (undone === undefined) return 0;
  // Its tempers went with it.
  return steps.findIndex(({ kind }, i) => i > undone.i && kind !== "temper" && kind !== "run");
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
  if (backFirst(quench) !== null) return "whole";
  if (edgeDepth_mm(quench) !== undefined) return "edge";
  const own = endUnder(quench);
  if (own === null || turnsOf(quench) !== null) return "whole";
  const hadOther = steps.slice(0, index).some((step) => step.kind === "quench" && (endUnder(step) ?? own).end !== own.end);
  return hadOther ? "ends" : "face";
}
