/** How far the hardening of a piece that counts has come, and what of its plan is still open. */

import { hardeningFrom, type FitPlace, type PieceState, type Route, type Step } from "@tembrak/core";
import type { Trial } from "./useTrial.js";

/** How far the hardening that counts has come. */
export interface DoneOfIt {
  readonly isQuenched: boolean;
  /** Tempers that were held. Where all were, none: then a slide shows what another would have been. */
  readonly tempersDone: number;
  readonly isTempered: boolean;
}

export function doneOfIt({ acts, doneAt_ms }: Pick<PieceState, "acts" | "doneAt_ms">, route: Route): DoneOfIt {
  const from = hardeningFrom(route);
  const held = (kind: "quench" | "temper"): boolean[] =>
    acts.flatMap((act) => (act.kind === kind && act.step >= from ? [doneAt_ms.has(act.id)] : []));
  const tempers = held("temper");
  const done = tempers.filter((isDone) => isDone).length;
  const isTempered = tempers.length > 0 && done === tempers.length;
  return { isQuenched: held("quench").some((isDone) => isDone), tempersDone: isTempered ? 0 : done, isTempered };
}

type Quench = Extract<Step, { kind: "quench" }>;

/** The same route with its bath otherwise: that of the hardening that counts, and no other. What was done before it stays as it was. */
export function quenchedOtherwise(route: Route, otherwise: (quench: Quench) => Quench): Route {
  const from = hardeningFrom(route);
  return { ...route, steps: route.steps.map((step, i) => (step.kind === "quench" && i >= from ? otherwise(step) : step)) };
}

/** Whether what is tried can be planned: it is all of what is still to come. */
export function canBeKept({ thickness_mm: thick, heat_C, medium, temper_C }: Trial, { isQuenched, isTempered }: DoneOfIt): boolean {
  if (thick !== undefined || (isTempered && temper_C !== undefined)) return false;
  return !isQuenched || (heat_C === undefined && medium === undefined);
}

/** Where a piece is still to go: where it has been it fitted. Undefined: everywhere. */
export function placesAhead(state: Pick<PieceState, "acts" | "doneAt_ms" | "next">, route: Route): readonly FitPlace[] | undefined {
  const { isQuenched, isTempered } = doneOfIt(state, route);
  if (isTempered || state.next === undefined) return [];
  return isQuenched ? ["oven"] : undefined;
}
