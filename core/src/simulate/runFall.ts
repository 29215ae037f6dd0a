/** How hot a blade got behind its edge when its colours were stopped: its back was drawn further than its edge. */

import { heatsAlong, runPlanOf } from "../plan/colourRun.js";
import type { Catalogue } from "../plan/catalogue.js";
import { COLOUR_MIN, RUN_DOUBT_K } from "../plan/runHeat.js";
import type { Piece, Route } from "../schema/book.js";
import type { Tempers } from "./temperedPlace.js";

/** The heat of a run's colour from the edge back, C, rising. */
export interface RunFall {
  /** Which of the draws after the bath the run is. */
  readonly draw: number;
  readonly behind_mm: readonly number[];
  readonly heat_C: readonly number[];
}

/** Null for what is drawn otherwise, and for a bar, of which all that is computed lies at one distance. */
export function runFallOf(catalogue: Catalogue, piece: Piece, route: Route): RunFall | null {
  const run = route.steps.findLast((step) => step.kind === "run" || step.kind === "quench");
  if (run?.kind !== "run" || piece.section.shape !== "wedge") return null;
  const { behind_mm, heat_C } = heatsAlong(piece, runPlanOf(catalogue, piece, route));
  const edge_C = run.temperature_C;
  // Up to the first place with a colour nobody sees how hot it got: evenly from the edge to there.
  const first = heat_C.findIndex((T) => T > edge_C);
  const bare_C = (i: number): number =>
    first < 0 ? edge_C : edge_C + ((heat_C[first]! - edge_C) * (behind_mm[i]! - behind_mm[0]!)) / (behind_mm[first]! - behind_mm[0]!);
  let hottest_C = edge_C;
  const last = route.steps.findLastIndex(({ kind }) => kind === "quench");
  const draw = route.steps.slice(last + 1, route.steps.indexOf(run)).filter(({ kind }) => kind === "temper").length;
  return { draw, behind_mm, heat_C: heat_C.map((T, i) => (hottest_C = Math.max(hottest_C, i < first || first < 0 ? bare_C(i) : T))) };
}

/** The same tempers for a place so far behind the edge, mm. Where an oven drew the edge, the back has the doubt of a colour. */
export function tempersBehind(tempers: Tempers, mm: number): Tempers {
  const { fall, cycles } = tempers;
  if (!fall || cycles.length === 0) return tempers;
  const { draw, behind_mm, heat_C } = fall;
  const next = behind_mm.findIndex((at) => at >= mm);
  const [i, j] = next < 0 ? [behind_mm.length - 1, behind_mm.length - 1] : [Math.max(0, next - 1), next];
  const share = i === j ? 0 : (mm - behind_mm[i]!) / (behind_mm[j]! - behind_mm[i]!);
  const T = heat_C[i]! + Math.max(0, share) * (heat_C[j]! - heat_C[i]!);
  const drawn = cycles.map((cycle, i) => (i === draw ? { temperature_C: T, hold_min: COLOUR_MIN } : cycle));
  return { ...tempers, cycles: drawn, by: "colour", oven_K: tempers.by === "colour" ? tempers.oven_K : RUN_DOUBT_K };
}
