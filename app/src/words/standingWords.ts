/** What really happened to a piece, where it moved what was planned: the facts of the log, and what became of them. */

import type { Prediction, Route, Step } from "@tembrak/core";
import { showHardness } from "../format/show.js";

/** A smaller change of a hardness nobody can tell, HRC. */
const LEAST_TOLD_HRC = 1;

type Quench = Extract<Step, { kind: "quench" }>;

/** Taps are good to a second or so. */
function tapped(seconds: number): string {
  return `${seconds < 10 ? Number(seconds.toFixed(1)) : Math.round(seconds)} s`;
}

/** What the log says of the last quench, in words; "" where it says nothing. */
function factsOf(done: Route): string {
  const quench = done.steps.findLast((step): step is Quench => step.kind === "quench");
  const { transfer_s, bath_s } = quench ?? {};
  return [
    transfer_s === undefined ? "" : `${tapped(transfer_s)} from fire to bath`,
    bath_s === undefined ? "" : `out of it after ${tapped(bath_s)}`,
  ]
    .filter((part) => part !== "")
    .join(", ");
}

export interface Moved {
  readonly planned: Prediction;
  readonly done: Prediction;
  readonly route: Route;
}

/** One sentence; null where what was done makes of the piece what was planned. */
export function movedWords({ planned, done, route }: Moved): string | null {
  const facts = factsOf(route);
  if (facts === "") return null;
  const places = ([done.working, done.thickest] as const).map((now, i) => {
    const then = [planned.working, planned.thickest][i]!;
    return { place: now.place, now_HRC: now.tempered.mean_HRC, then_HRC: then.tempered.mean_HRC };
  });
  const moved = places.filter(({ now_HRC, then_HRC }) => Math.abs(now_HRC - then_HRC) >= LEAST_TOLD_HRC);
  if (moved.length === 0) return null;
  const told = moved.map(({ place, now_HRC, then_HRC }) => `${place} ${showHardness(now_HRC)} instead of ${showHardness(then_HRC)}`);
  return `${facts.charAt(0).toUpperCase()}${facts.slice(1)}: ${told.join(", ")} HRC.`;
}
