/** A piece that is out of the fire of its hardening and not in its bath yet: since when, and how hot it still is. */

import type { PieceState } from "../book/state.js";
import type { Act } from "../plan/acts.js";
import type { BookEvent } from "../schema/book.js";
import { airLeft_C } from "../simulate/hardenReadings.js";
import { bathTimes } from "./bathTimes.js";

/** What the way to the bath begins at the end of. */
const LEAVES: ReadonlySet<Act["kind"]> = new Set(["heat", "hold", "fall"]);
/** A hardening heat where the plan has none, C. */
const USUAL_C = 800;

/** When it left for the bath of a step: at the end of its heat, of its hold, or at the pull of a heat that falls. Undefined where it has not. */
export function leftForBath_ms({ acts, doneAt_ms }: Pick<PieceState, "acts" | "doneAt_ms">, step: number): number | undefined {
  const before = acts[acts.findIndex((act) => act.step === step && act.kind === "quench") - 1];
  return before !== undefined && LEAVES.has(before.kind) ? doneAt_ms.get(before.id) : undefined;
}

/** The last hardening heat up to a step: as planned, and when it left the fire for it, a heat that falls too; undefined where it has not. */
function heatLeft({ route, acts, doneAt_ms }: PieceState, step: number) {
  const heat = route?.steps.slice(0, step + 1).findLastIndex(({ kind }) => kind === "harden") ?? -1;
  const planned = route?.steps[heat];
  const left = acts.findLast(({ kind, step: of }) => of === heat && (kind === "heat" || kind === "hold"));
  return { from_C: planned?.kind === "harden" ? planned.temperature_C : USUAL_C, out_ms: left && doneAt_ms.get(left.id) };
}

/** How hot it still is in the air, C, from the heat of its hardening as planned. @param step its quench, or a heat that falls */
export function outOfFire_C(state: PieceState, step: number, now_ms: number): number {
  const { from_C, out_ms = now_ms } = heatLeft(state, step);
  return airLeft_C(state.piece.section, from_C, Math.max(0, (now_ms - out_ms) / 1000));
}

export interface OnItsWay {
  /** When it left the fire, and when its way to the bath began: of a heat that falls, at the pull. */
  readonly out_ms: number;
  readonly left_ms: number;
  readonly now_C: number;
}

/** Null for a piece that is anywhere else. */
export function onItsWay(state: PieceState, now_ms: number): OnItsWay | null {
  const { next } = state;
  if (next?.kind !== "quench" || bathTimes(state, next.step).in_ms !== null) return null;
  const left_ms = leftForBath_ms(state, next.step);
  if (left_ms === undefined) return null;
  return { out_ms: heatLeft(state, next.step).out_ms ?? left_ms, left_ms, now_C: outOfFire_C(state, next.step, now_ms) };
}

/** The heat before its bath; undefined of a piece that is not to be quenched next. */
export function heatBefore({ next, acts }: Pick<PieceState, "next" | "acts">): (Act & { readonly kind: "heat" }) | undefined {
  if (next?.kind !== "quench") return undefined;
  const before = acts
    .slice(
      0,
      acts.findIndex(({ id }) => id === next.id),
    )
    .findLast((act) => act.kind === "heat");
  return before?.kind === "heat" ? before : undefined;
}

/** The taps that said its heat was over, newest first: taken back, it is to be heated once more. */
export function endsOfHeat(state: Pick<PieceState, "next" | "acts" | "events">): readonly BookEvent[] {
  const { acts, events } = state;
  const heat = heatBefore(state);
  const own = new Set(acts.filter(({ step, kind }) => step === heat?.step && LEAVES.has(kind)).map(({ id }) => id));
  return events.filter((event) => event.kind === "act-done" && own.has(event.act)).reverse();
}
