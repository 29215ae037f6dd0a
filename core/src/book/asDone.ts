/** The route as it was done so far: what the log says of it in the place of what was planned. What is to come stays as planned. */

import { underOf } from "../plan/way.js";
import type { Route, Step } from "../schema/book.js";
import { LIMITS } from "../schema/limits.js";
import type { LoggedCheck, PieceState } from "./state.js";

type Quench = Extract<Step, { kind: "quench" }>;

/** When a step's piece went under last, and when it came out again, ms; null where the log does not say. */
export function bathTimes({ checks, acts, doneAt_ms }: Pick<PieceState, "checks" | "acts" | "doneAt_ms">, step: number) {
  const own = acts.filter((act) => act.step === step);
  const isOwn = ({ act }: LoggedCheck): boolean => own.some(({ id }) => id === act);
  const tap = (state: "in" | "out", from_ms: number): number | null =>
    checks.findLast((c) => isOwn(c) && c.at_ms >= from_ms && c.reading.check === "bath" && c.reading.state === state)?.at_ms ?? null;
  const in_ms = tap("in", -Infinity);
  if (in_ms === null) return { in_ms, out_ms: null };
  const quench = own.find(({ kind }) => kind === "quench");
  const done_ms = quench === undefined ? undefined : doneAt_ms.get(quench.id);
  return { in_ms, out_ms: tap("out", in_ms) ?? (done_ms !== undefined && done_ms >= in_ms ? done_ms : null) };
}

/** Seconds between two moments where they can be what they should be; undefined where they cannot. */
function seconds(from_ms: number | null | undefined, to_ms: number | null, [least, most]: readonly [number, number]): number | undefined {
  if (from_ms === null || from_ms === undefined || to_ms === null) return undefined;
  const s = (to_ms - from_ms) / 1000;
  return s >= least && s <= most ? s : undefined;
}

function quenchAsDone(state: PieceState, quench: Quench, step: number): Quench {
  const { in_ms, out_ms } = bathTimes(state, step);
  const at = state.acts.findIndex((act) => act.step === step && act.kind === "quench");
  const before = state.acts[at - 1];
  // A fall is part of the heat: the way to the bath begins beside it.
  const left_ms = before?.kind === "heat" || before?.kind === "hold" ? state.doneAt_ms.get(before.id) : undefined;
  const transfer_s = seconds(left_ms, in_ms, LIMITS.quench.transfer_s);
  // Of which only an edge or an end went under, the heat of the rest runs back and draws it: that is a temper of its own, not told here.
  const isWhole = underOf(quench).what === "whole";
  const bath_s = isWhole ? seconds(in_ms, out_ms, LIMITS.quench.bath_s) : undefined;
  return { ...quench, ...(transfer_s === undefined ? {} : { transfer_s }), ...(bath_s === undefined ? {} : { bath_s }) };
}

/** Null for a piece nobody planned; the very route where the log says nothing else. */
export function routeAsDone(state: PieceState): Route | null {
  const { route } = state;
  if (route === null) return null;
  const steps = route.steps.map((step, i) => (step.kind === "quench" ? quenchAsDone(state, step, i) : step));
  return steps.every((step, i) => JSON.stringify(step) === JSON.stringify(route.steps[i])) ? route : { ...route, steps };
}
