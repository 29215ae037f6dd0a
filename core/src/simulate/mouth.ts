/**
 * A piece of which a part is in the fire: how hot it is along its length as it comes out, how far it hardens, and from where it stays as it
 * was. One temperature a cross section (heat/fin.ts): what is inside takes the heat of the fire, what is outside gives it to the air.
 */

import { ROOM_C, STEFAN_BOLTZMANN_W_m2K4 } from "../constants.js";
import { formOf } from "../catalogue.js";
import { finScratch, makeFin, stepFin } from "../heat/fin.js";
import { heatingCurve } from "../kinetics/austenite.js";
import { girth_mm, sectionArea_mm2 } from "../plan/fit.js";
import { endUnder, type Quench } from "../plan/dips.js";
import { inFire_mm } from "../plan/inFire.js";
import type { Piece, Route } from "../schema/book.js";
import { breadth_mm } from "../shape/outline.js";
import { sectionAt } from "../shape/stations.js";
import { AIR } from "./section.js";
import { kelvin } from "../units.js";
import type { Transformations } from "./transformations.js";

export interface Mouth {
  readonly inFire_mm: number;
  /** From the end that works: it hardens as far as here, and from there on nothing of it changes, mm. */
  readonly hardTo_mm: number;
  readonly asItWasFrom_mm: number;
  /** The end outside, as the piece is taken out, C. */
  readonly farEnd_C: number;
}

/** What a wet rag or a tray of water takes from the end it is about: it boils there (8 kW/(m2 K): nucleate boiling of water, from memory). */
const WET = { at_C: 80, conductance_W_m2K: 8000 };
/** At heat where the end that works is no shorter of it, K; nobody waits longer for that, s (judgement). */
const AT_HEAT_K = 3;
const LONGEST_s = 2400;

const CELLS = 160;
const STEP_s = 4;
/** What a hot wall gives to what lies before it: grey, with a little convection, W/(m2 K) (EN 1993-1-2 takes 0.7 for steel; judgement). */
const EMISSIVITY = 0.8;
const CONVECTS_W_m2K = 15;
/** Above the eutectoid no line says when enough carbon is dissolved: so far over the change, K (judgement). */
const OVER_AC1_K = 25;

function wall_W_m2K(T_C: number, wall_C: number): number {
  const [a, b] = [kelvin(T_C), kelvin(wall_C)];
  return CONVECTS_W_m2K + EMISSIVITY * STEFAN_BOLTZMANN_W_m2K4 * (a * a + b * b) * (a + b);
}

/** Cross section and outline at a distance from the end that works. */
function sectionsOf(piece: Piece): (from_mm: number) => { readonly area_m2: number; readonly outline_m: number } {
  const form = formOf(piece);
  return (from_mm) => {
    const section = sectionAt(piece, form, 1 - from_mm / piece.length_mm);
    const area_m2 = sectionArea_mm2(section, breadth_mm(piece)) / 1e6;
    // A blade loses heat from both faces.
    const outline_mm = section.shape === "wedge" ? 2 * section.height_mm : girth_mm(section, breadth_mm(piece));
    return { area_m2, outline_m: outline_mm / 1000 };
  };
}

/** Temperature of a piece along its length as it comes out, C, at `CELLS` places from the end that works; inside, far from the mouth, its heat. */
export function alongMouth(piece: Piece, in_mm: number, heat_C: number, hold_s: number, guard?: "wet"): Float64Array {
  const fin = makeFin(CELLS, piece.length_mm, sectionsOf(piece));
  const { temperature_C, duration_s } = heatingCurve({ heat_C, hold_s });
  const T = new Float64Array(CELLS).fill(ROOM_C);
  const scratch = finScratch(CELLS);
  const inside = Math.round((CELLS * in_mm) / piece.length_mm);
  // A thick one takes longer than the usual course: it is waited for.
  for (let time_s = STEP_s; time_s <= duration_s || (T[0]! < heat_C - AT_HEAT_K && time_s < LONGEST_s); time_s += STEP_s) {
    const wall_C = temperature_C(time_s);
    stepFin(
      fin,
      T,
      STEP_s,
      (i, now_C) =>
        i < inside
          ? { heatTransfer_W_m2K: wall_W_m2K(now_C, wall_C), surroundings_C: wall_C }
          : { heatTransfer_W_m2K: AIR.heatTransfer_W_m2K(now_C), surroundings_C: AIR.surroundings_C },
      scratch,
      guard === "wet" ? WET : undefined,
    );
  }
  // Somebody watches the end that works: it is taken out when that is at heat.
  const short_K = heat_C - T[0]!;
  return T.map((t) => ROOM_C + ((t - ROOM_C) * (heat_C - ROOM_C)) / (heat_C - short_K - ROOM_C));
}

/** How far from the end that works it is at least so hot, mm: in a line between places. */
function reaches_mm(T: Float64Array, from_C: number, length_mm: number): number {
  const at = (i: number): number => (length_mm * (i + 0.5)) / T.length;
  const beyond = T.findIndex((t) => t < from_C);
  if (beyond < 0) return length_mm;
  if (beyond === 0) return 0;
  const [hot, cold] = [T[beyond - 1]!, T[beyond]!];
  return at(beyond - 1) + ((hot - from_C) / (hot - cold)) * (at(beyond) - at(beyond - 1));
}

/** How hot the end that was hardened first gets while the other is heated, C; null where nobody said how much of it is in the fire. */
export function firstEndGets_C(piece: Piece, route: Route): number | null {
  const in_mm = inFire_mm(piece, route);
  const heat = route.steps.findLast((step) => step.kind === "harden");
  if (in_mm === null || heat?.kind !== "harden") return null;
  return alongMouth(piece, in_mm, heat.temperature_C, 60 * heat.hold_min, heat.guard)[CELLS - 1]!;
}

/** Null where all of it is in the fire, an end alone goes into the bath, or the route hardens nothing. */
export function mouthOf(piece: Piece, route: Route, { ac1_C, ac3_C }: Pick<Transformations, "ac1_C" | "ac3_C">): Mouth | null {
  const in_mm = inFire_mm(piece, route);
  const heat = route.steps.findLast((step) => step.kind === "harden");
  const quench = route.steps.findLast((step): step is Quench => step.kind === "quench");
  if (in_mm === null || heat?.kind !== "harden" || quench === undefined || endUnder(quench) !== null) return null;
  const T = alongMouth(piece, in_mm, heat.temperature_C, 60 * heat.hold_min, heat.guard);
  const all_C = Math.min(heat.temperature_C - 1, ac3_C ?? ac1_C + OVER_AC1_K);
  return {
    inFire_mm: in_mm,
    hardTo_mm: reaches_mm(T, all_C, piece.length_mm),
    asItWasFrom_mm: reaches_mm(T, Math.min(all_C, ac1_C), piece.length_mm),
    farEnd_C: T[CELLS - 1]!,
  };
}
