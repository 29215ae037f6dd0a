/** What to look for on a piece before it is hardened: what cracks there, what it costs, and what makes no difference. */

import { mediaOf } from "./dips.js";
import { isWater } from "../heat/bathKind.js";
import type { Piece, Route } from "../schema/book.js";
import type { KindFile } from "../schema/kind.js";
import { thinnestEdge_mm } from "../shape/stations.js";
import type { Catalogue } from "./catalogue.js";

export const LOOKS = [
  "cracks",
  "inside-corners",
  "holes",
  "scratches-across",
  "edge-thin",
  "clay",
  "clean",
  "finish",
  "which-way",
] as const;
export type LookOver = (typeof LOOKS)[number];

/** Thinner than this an edge is the first to be too hot, to lose its skin and to bend or crack; it is left so thick, mm (common practice, no source). */
export const THIN_EDGE = { oil: { thin_mm: 0.7, leave_mm: 1 }, water: { thin_mm: 1.2, leave_mm: 1.5 } } as const;

/** What an edge is to be for the baths of a route. */
export function edgeFor(catalogue: Catalogue, { steps }: Pick<Route, "steps">): (typeof THIN_EDGE)["oil" | "water"] {
  const quench = steps.findLast((step) => step.kind === "quench");
  const baths = quench?.kind === "quench" ? mediaOf(quench) : [];
  return baths.some((id) => isWater(catalogue.medium(id))) ? THIN_EDGE.water : THIN_EDGE.oil;
}

/** Those that this piece has a reason for, the gravest first. */
export function lookOver(catalogue: Catalogue, piece: Piece, form: KindFile, route: Pick<Route, "steps">): LookOver[] {
  const isBlade = piece.section.shape === "wedge";
  const edge_mm = thinnestEdge_mm(piece);
  const has: Readonly<Record<LookOver, boolean>> = {
    cracks: true,
    "inside-corners": true,
    holes: form.hole !== undefined || form.eye !== undefined,
    "scratches-across": isBlade,
    "edge-thin": edge_mm !== null && edge_mm < edgeFor(catalogue, route).thin_mm,
    clay: route.steps.some((step) => step.kind === "quench" && step.clay !== undefined),
    clean: true,
    finish: true,
    "which-way": isBlade,
  };
  return LOOKS.filter((look) => has[look]);
}
