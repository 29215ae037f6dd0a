/** What the log says of a temper that is drawn by colour: when heat began to run, what was seen of it, and when it was dunked. */

import type { PieceState } from "../book/state.js";
import type { ColourName } from "../schema/book.js";
import type { ColourSeen } from "../simulate/runNow.js";
import { bathTimes } from "./bathTimes.js";

export interface RunLog {
  /** When heat began to run: out of the bath, or when the torch or the block came to it, ms; null before. */
  readonly began_ms: number | null;
  /** By a torch or a block, also where its own heat was to draw it and did not. */
  readonly isHeated: boolean;
  /** How long it was in the bath, where its own heat draws it, s; null where nobody tapped. */
  readonly dip_s: number | null;
  /** When its heat was taken away, ms; null while it is not, or of its own heat. */
  readonly off_ms: number | null;
  /** When a fresh bar took the place of the last, since heat began to run, s. */
  readonly fresh_s: readonly number[];
  readonly dunked_ms: number | null;
  readonly seen: readonly ColourSeen[];
  /** The colour of what was watched after the dunk, looked at cold, and of the edge where that was to stay bare; null before somebody did. */
  readonly cold: ColourName | null;
  readonly edge: ColourName | null;
}

/** @param step of the run in the route. */
export function runLogOf(state: PieceState, step: number): RunLog {
  const { acts, checks, route } = state;
  const own = new Set(acts.filter((act) => act.step === step).map(({ id }) => id));
  const all = checks.filter(({ act }) => own.has(act));
  const plan = route?.steps[step];
  const quench = route === null ? -1 : route.steps.slice(0, step).findLastIndex(({ kind }) => kind === "quench");
  const quenched = acts.find((act) => act.step === quench && act.kind === "quench");
  const { in_ms, out_ms } = quench < 0 ? { in_ms: null, out_ms: null } : bathTimes(state, quench);
  // Warmed a second time by a torch, its own heat is no longer what draws it.
  const fire_ms = all.findLast(({ reading }) => reading.check === "fire" && reading.state === "in")?.at_ms ?? null;
  const began_ms =
    fire_ms ??
    (plan?.kind === "run" && plan.source === "residual" ? (out_ms ?? (quenched && state.doneAt_ms.get(quenched.id)) ?? null) : null);
  const since = began_ms === null ? [] : all.filter(({ at_ms }) => at_ms >= began_ms);
  const dunked_ms = since.find(({ reading }) => reading.check === "dunked")?.at_ms ?? null;
  const off_ms = since.find(({ reading }) => reading.check === "fire" && reading.state === "out")?.at_ms ?? null;
  const named = since.flatMap(({ reading, at_ms }) =>
    reading.check === "temper-colour" ? [{ name: reading.name, at_ms, isEdge: reading.at === "edge" }] : [],
  );
  const colours = named.filter(({ isEdge }) => !isEdge);
  const isBefore = ({ at_ms }: { at_ms: number }): boolean => dunked_ms === null || at_ms < dunked_ms;
  return {
    began_ms,
    isHeated: fire_ms !== null,
    dip_s: in_ms === null || out_ms === null ? null : (out_ms - in_ms) / 1000,
    off_ms,
    fresh_s: since.flatMap(({ reading, at_ms }) => (reading.check === "fresh-bar" ? [(at_ms - began_ms!) / 1000] : [])),
    dunked_ms,
    seen: began_ms === null ? [] : colours.filter(isBefore).map(({ name, at_ms }) => ({ name, after_s: (at_ms - began_ms) / 1000 })),
    cold: colours.findLast((colour) => !isBefore(colour))?.name ?? null,
    edge: named.findLast(({ isEdge }) => isEdge)?.name ?? null,
  };
}
