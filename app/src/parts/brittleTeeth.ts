/** The saw-tooth that marks brittle steel, round what is hard of a piece: all of it, its edge, or an end that went in alone. Pure. */

import { nearestPoint } from "../format/nearest.js";
import { backFirst, endOf, endUnder, inFire_mm, sawTooth, underOf, type Point, type Route } from "@tembrak/core";
import { pathOf, type Drawn, type Lie } from "./Silhouette.js";

export interface HardParts {
  readonly what: "whole" | "edge" | "ends";
  /** How deep the working end, and the other, went in, mm; 0 where it did not. */
  readonly working_mm: number;
  readonly other_mm: number;
}

export const ALL_HARD: HardParts = { what: "whole", working_mm: 0, other_mm: 0 };

/** Of each route once: a drawing is laid out anew only for another answer. */
const known = new WeakMap<Route, HardParts>();

/** What the quenches of a route leave hard. */
export function hardParts(route: Route | null): HardParts {
  if (route === null) return ALL_HARD;
  const parts = known.get(route) ?? partsOf(route);
  known.set(route, parts);
  return parts;
}

function partsOf(route: Route): HardParts {
  const quenches = route.steps.flatMap((step) => (step.kind === "quench" ? [step] : []));
  const last = quenches.at(-1);
  const heated_mm = inFire_mm({ length_mm: Infinity }, route);
  if (last !== undefined && heated_mm !== null && underOf(last).what === "whole")
    return { what: "ends", working_mm: heated_mm, other_mm: 0 };
  if (last === undefined || underOf(last).what === "whole" || backFirst(last) !== null) return ALL_HARD;
  if (endUnder(last) === null) return { ...ALL_HARD, what: "edge" };
  const deep = (end: "working" | "other"): number =>
    Math.max(0, ...quenches.flatMap(({ dips }) => dips.map((dip) => (endOf(dip)?.end === end ? endOf(dip)!.depth_mm : 0))));
  return { what: "ends", working_mm: deep("working"), other_mm: deep("other") };
}

const [SPACING_px, NEAR_px, FAR_px] = [4.4, 4, 7.4];

/** The teeth of a drawing as a path; open where they begin and end. */
export function teethPath({ outline, toPx, width_px, height_px }: Drawn, lie: Lie, { what, working_mm, other_mm }: HardParts): string {
  const contour = outline.contour.map(toPx);
  const teeth = sawTooth(contour, SPACING_px, NEAR_px, FAR_px);
  if (what === "whole") return pathOf(teeth, true);
  const [length_px, k] = lie === "hang" ? [height_px, height_px / outline.box.height_mm] : [width_px, width_px / outline.box.height_mm];
  const along = ({ x, y }: Point): number => (lie === "hang" ? y : x);
  // The contour runs down its back and up its edge.
  const isEdge = (tooth: Point): boolean => nearestPoint(contour, tooth) >= contour.length / 2;
  const isHard = (tooth: Point): boolean =>
    what === "edge" ? isEdge(tooth) : along(tooth) >= length_px - working_mm * k || (other_mm > 0 && along(tooth) <= other_mm * k);
  const runs: Point[][] = [[]];
  for (const tooth of teeth) {
    if (isHard(tooth)) runs.at(-1)!.push(tooth);
    else if (runs.at(-1)!.length > 0) runs.push([]);
  }
  return runs.map((run) => pathOf(run, false)).join("");
}
