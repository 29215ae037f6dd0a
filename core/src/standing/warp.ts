/** A warp that is taken out in the temper: how far past the line to hold it, pass by pass, by what the passes before did. */

import type { PieceState } from "../book/state.js";
import { ovensOf } from "../plan/kit.js";
import type { Clamp, Piece, Route } from "../schema/book.js";
import type { Kit } from "../schema/kit.js";
import { thickness_mm } from "../shape/thickness.js";

export interface WarpPass {
  readonly how: Clamp;
  readonly past_mm: number;
  readonly before_mm: number;
  readonly after_mm: number;
}

export interface WarpNow {
  /** As last measured, over that length. */
  readonly bow_mm: number;
  readonly over_mm: number;
  readonly tolerance_mm: number;
  readonly isWithin: boolean;
  readonly passes: readonly WarpPass[];
  /** Held against it now, where somebody said so after the last measure. */
  readonly held: { readonly how: Clamp; readonly past_mm: number } | null;
  /** How far past the line for the next pass. */
  readonly past_mm: number;
  /** Of the way it is pushed, what stayed so far; as usual where there was no pass yet. */
  readonly stays: number;
  /** What its skin is stretched by, held so; over the limit it may break even while it is warm. */
  readonly strain: number;
  readonly isRisky: boolean;
}

/** Off the line by so much of its length a tool of this trade still does (judgement). */
const TOLERANCE = 0.0025;
const LEAST_TOLERANCE_mm = 0.3;
/** Of the way a piece is pushed in a temper of two hours at some 200 C about this much stays; hotter more (judgement). */
const USUALLY_STAYS = 0.5;
const [LEAST_STAYS, MOST_STAYS] = [0.15, 0.9] as const;
/** Hardened steel is stretched no further than this on purpose, m/m (judgement: a third of where it yields). */
const SAFE_STRAIN = 0.004;

/** Skin of a bar bent over three points: 6 t d / L2 (beam theory; Gere and Timoshenko, from memory). */
export function skinStrain(thickness: number, bent_mm: number, over_mm: number): number {
  return (6 * thickness * bent_mm) / over_mm ** 2;
}

export function tolerance_mm({ length_mm }: Pick<Piece, "length_mm">): number {
  return Math.max(LEAST_TOLERANCE_mm, TOLERANCE * length_mm);
}

/** What was done about a warp, in order: measured, or held so far past the line in a temper. */
export type WarpAct =
  | { readonly act: "measured"; readonly bow_mm: number; readonly over_mm: number }
  | { readonly act: "clamped"; readonly how: Clamp; readonly past_mm: number };

/** Null before anybody measured it. */
export function warpOf(acts: readonly WarpAct[], piece: Pick<Piece, "section" | "length_mm">): WarpNow | null {
  let last: { readonly bow_mm: number; readonly over_mm: number } | null = null;
  let held: WarpNow["held"] = null;
  const passes: WarpPass[] = [];
  for (const done of acts) {
    if (done.act === "clamped") {
      held = { how: done.how, past_mm: done.past_mm };
      continue;
    }
    if (held !== null && last !== null) passes.push({ ...held, before_mm: last.bow_mm, after_mm: done.bow_mm });
    last = { bow_mm: done.bow_mm, over_mm: done.over_mm };
    held = null;
  }
  if (last === null) return null;
  const { bow_mm, over_mm } = last;
  const pushed = passes.map(({ past_mm, before_mm, after_mm }) => (before_mm - after_mm) / Math.max(0.1, before_mm + past_mm));
  const learned = pushed.length === 0 ? USUALLY_STAYS : pushed.reduce((a, b) => a + b, 0) / pushed.length;
  const stays = Math.min(MOST_STAYS, Math.max(LEAST_STAYS, learned));
  // Pushed by bow and past together, of which this share stays: just enough to come to the line.
  const past_mm = Math.round(10 * Math.max(0, bow_mm / stays - bow_mm)) / 10;
  const strain = skinStrain(thickness_mm(piece.section), bow_mm + past_mm, over_mm);
  const within_mm = tolerance_mm(piece);
  return {
    bow_mm,
    over_mm,
    tolerance_mm: within_mm,
    isWithin: bow_mm <= within_mm,
    passes,
    held,
    past_mm,
    stays,
    strain,
    isRisky: strain > SAFE_STRAIN,
  };
}

/** Null before anybody measured it since it was last quenched. */
export function warpNow({ piece, acts, checks, doneAt_ms }: PieceState): WarpNow | null {
  const quench = acts.findLast(({ kind, id }) => kind === "quench" && doneAt_ms.has(id));
  const from_ms = quench === undefined ? -Infinity : doneAt_ms.get(quench.id)!;
  const done = checks.flatMap(({ reading, at_ms }): WarpAct[] => {
    if (at_ms < from_ms) return [];
    if (reading.check === "clamped") return [{ act: "clamped", how: reading.how, past_mm: reading.past_mm }];
    return reading.check === "warp" ? [{ act: "measured", bow_mm: reading.bow_mm, over_mm: reading.over_mm }] : [];
  });
  return warpOf(done, piece);
}

/** The plan with its last temper once more, or its last run where that is what draws it: a warp is held in one of the two. Null where neither is. */
export function onceMore(route: Route): Route | null {
  const last = route.steps.findLast((step) => step.kind === "temper" || step.kind === "run");
  if (last === undefined) return null;
  // A mark and a bare edge are the whole run's: the same once more.
  return { ...route, steps: [...route.steps, { ...last, why: last.kind === "run" ? last.why : "one-more-temper" }] };
}

/** What makes it softer still: an oven where the shop has one; without one, once more what drew it. */
export function drawnFurtherBy(route: Route, kit: Kit | null): "oven" | "run" {
  const last = route.steps.findLast((step) => step.kind === "temper" || step.kind === "run");
  const hasOven = kit === null || ovensOf(kit).length > 0;
  return !hasOven && last?.kind === "run" && last.mark === undefined ? "run" : "oven";
}
