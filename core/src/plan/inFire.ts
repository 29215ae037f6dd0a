/** How much of a piece is in the fire for its hardening; the rest stays outside, as it was. */

import type { Piece, Route, Step } from "../schema/book.js";
import type { KindFile } from "../schema/kind.js";

type Harden = Extract<Step, { kind: "harden" }>;

function hardenOf({ steps }: Pick<Route, "steps">): Harden | undefined {
  return steps.findLast((step): step is Harden => step.kind === "harden");
}

/** Of it in the fire, from the end that works, mm; null where all of it is. */
export function inFire_mm(piece: Pick<Piece, "length_mm">, route: Pick<Route, "steps">): number | null {
  const mm = hardenOf(route)?.inFire_mm;
  return mm === undefined || mm >= piece.length_mm ? null : mm;
}

/** As long as what of it is in the fire: what chamber and bath have to take. */
export function partHeated(piece: Piece, route: Pick<Route, "steps">): Piece {
  const mm = inFire_mm(piece, route);
  return mm === null ? piece : { ...piece, length_mm: mm };
}

/** The heat with so much of it in the fire; null for all of it. */
export function heatWithPart(step: Harden, mm: number | null): Harden {
  const rest = { ...step };
  delete rest.inFire_mm;
  if (mm === null) delete rest.guard;
  return mm === null ? rest : { ...rest, inFire_mm: mm };
}

/** The plan with so much of it in the fire, from the end that works; null for all of it. */
export function withInFire(route: Route, mm: number | null): Route {
  const steps = route.steps.map((step): Step => (step.kind === "harden" ? heatWithPart(step, mm) : step));
  return { ...route, steps };
}

/** Where the tang ends and the part that works begins, mm from the end that works: by the bevel of its form, else two thirds of it (judgement). */
export function bladeOf_mm({ length_mm }: Pick<Piece, "length_mm">, form: Pick<KindFile, "bevel">): number {
  return length_mm * (form.bevel === undefined ? 2 / 3 : 1 - form.bevel.from);
}

/** How steel near its change carries heat along, and takes it from a hot wall, W/(m K) and W/(m2 K): the fin of simulate/mouth.ts at 800 C. */
const ALONG_W_mK = 38;
const WALL_W_m2K = 239;
/** So many lengths of that fin inside the mouth it is as good as at heat: e to the minus 2.4 of half the way is a twentieth (judgement). */
const LENGTHS = 2.4;

/** How far inside the mouth of the fire a piece stays short of its heat, mm: it drains into what is outside. */
export function shortInside_mm(thickness: number): number {
  return 1000 * LENGTHS * Math.sqrt((ALONG_W_mK * (thickness / 2000)) / WALL_W_m2K);
}

/** What is in the fire where the tang is to stay as it is, mm; null for a form that has none. */
export function tangOut_mm(piece: Pick<Piece, "length_mm" | "section">, form: Pick<KindFile, "bevel">): number | null {
  if (piece.section.shape !== "wedge" || form.bevel === undefined) return null;
  const { spine_mm, edge_mm } = piece.section;
  const mm = Math.round(bladeOf_mm(piece, form) + shortInside_mm(0.5 * (spine_mm + edge_mm)));
  return mm < piece.length_mm ? mm : null;
}

/** Whether somebody wants its tang, or its struck end, left as it is. */
export function leavesTang({ zones = [] }: Pick<Piece, "zones">): boolean {
  return zones.some(({ zone, wants }) => zone === "tang" && wants === "untreated");
}
