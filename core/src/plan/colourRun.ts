/** A temper drawn by heat that runs through a piece: when each colour comes to the edge, by a set of runs that differ in what nobody measures. */

import { intoOf, seconds, underOf, type Quench } from "./dips.js";
import { alloyShift_K, growFilm_nm, oxideFilm_nm, temperatureForFilm_C } from "../colour/oxide.js";
import { ROOM_C, STEFAN_BOLTZMANN_W_m2K4 } from "../constants.js";
import { InputError } from "../errors.js";
import { FIN_CONDUCTIVITY_W_mK, finScratch, makeFin, stepFin, type CellOutside, type Fin } from "../heat/fin.js";
import { mediumBoundary, type Boundary } from "../heat/media.js";
import { normalDraws } from "../numerics/sampling.js";
import type { Piece, Route, RunSource } from "../schema/book.js";
import type { Medium } from "../schema/medium.js";
import { breadth_mm } from "../shape/outline.js";
import { kelvin } from "../units.js";
import { resolveSteel, type Catalogue } from "./catalogue.js";
import { girth_mm, sectionArea_mm2 } from "./fit.js";
import { COLOUR_MIN, watchedOf } from "./runHeat.js";

export const RUNS = 96;
const CELLS = 40;
/** A row each second while it may go fast, each three later; two steps of the equation a row; nobody waits longer for a colour, s. */
const TIMES_s: readonly number[] = (() => {
  const times = Array.from({ length: 121 }, (_, i) => i);
  while (times[times.length - 1]! < 900) times.push(times[times.length - 1]! + 3);
  return times;
})();
const STEPS_A_ROW = 2;
/** Colder than this steel takes no colour in so short a time, C. */
const NO_COLOUR_C = 150;
/** An edge that has fallen so far from its hottest colours no more, K. */
const FALLEN_K = 30;
/** Past this nobody looks for a colour any more, nm: grey. */
const GREY_nm = 68;

/** What nobody measures, one deviation (judgement, all of it): loss to the air, the source, what it reaches, the surface, the start. */
const LOSS_LN = 0.25;
const FLUX_LN = 0.4;
const CONTACT_LN = 0.4;
const REACH_LN = 0.3;
const SURFACE_K = 12;
const START_LN = 0.25;
/** A torch on both faces, W/m2 taken up; a block it lies on: how hot, how well it touches, by what time it cools, s (temper-note 7.4, from memory). */
const TORCH_W_m2 = 90e3;
const BLOCK_C = 600;
const BLOCK_SD_K = 60;
const CONTACT_W_m2K = 600;
const BLOCK_COOLS_s = 1200;
/** Of a blade the back is warmed over so much of its height, mm at most; of a bar this much, behind what was hardened (judgement). */
const BACK_mm = 10;
const BODY_mm = 40;
const BEHIND_mm = 25;
/** Beyond this from the working end a bar is not followed, mm: heat from there comes too late. */
const FOLLOWED_mm = 160;
/** What comes out of a fire to be drawn by its own heat is hot for so much of its length, mm at most beyond what is dipped (judgement). */
const HOT_BEYOND_mm = 90;
const STILL_AIR_W_m2K = 8;
const SCALE = 0.8;
/** Of an edge that stands in water: how much of the way to the line, and what holds it near the boil, so much for each kelvin over it (judgement). */
const WET_SHARE = 1 / 4;
export const WET_W_m2K = 6000;
export const WET_C = 95;
/** What the water takes has to be brought: a torch held so much closer, a bar so much hotter, C (judgement). */
export const WET_TORCH = 1.6;
export const WET_BLOCK_C = 800;
/** Thinner than this no colour shows, nm. */
const BARE_nm = 3;
/** So far to either side of the colour wanted still does, K. */
const NEAR_K = 10;

export interface RunPlan {
  readonly source: RunSource;
  /** Heat of the colour that is watched for, C, and how far behind the edge, mm. */
  readonly target_C: number;
  readonly behind_mm: number;
  /** So much of the edge stands in water, mm. */
  readonly wet_mm: number;
  /** The heat it was hardened at, the bath it was drawn out of, how deep and how long it was in: of what is drawn by its own heat. */
  readonly from: {
    readonly heat_C: number;
    readonly medium: Medium;
    readonly bath_C: number;
    readonly depth_mm: number;
    readonly bath_s: number;
  } | null;
  /** How far behind the edge it was hardened, mm. */
  readonly hard_mm: number;
  /** The torch, or the block, is taken away after so long, s; null while it is not. */
  readonly heats_s: number | null;
  /** When a fresh block took the place of one that had cooled, in order, s. */
  readonly fresh_s: readonly number[];
  readonly surface_K: number;
}

/** One run over time. */
export interface OneRun {
  /** Film at the place that is watched at each of the run's times, nm. */
  readonly watched_nm: Float32Array;
  /** The edge itself, C. */
  readonly edge_C: Float32Array;
  /** By row of time, `places` to a row: film from the edge back, nm. */
  readonly along_nm: Float32Array;
}

export interface ColourRun {
  /** Of the rows, since heat began to run, s; a run that ended earlier has fewer. */
  readonly times_s: readonly number[];
  /** Distances of the places that are drawn, from the edge back, mm. */
  readonly places_mm: readonly number[];
  readonly target_nm: number;
  /** Films between which it is right, nm. */
  readonly near_nm: readonly [number, number];
  readonly runs: readonly OneRun[];
}

/** How a blade was dipped where nobody says: the least that leaves heat in the body, s (judgement). */
const USUAL_DIP_s = 6;

/** What the log says of a run: how long it was dipped, when its heat was taken away, and when a fresh bar came, s. */
export interface RunLogged {
  readonly dip_s?: number | undefined;
  readonly heats_s?: number | undefined;
  readonly fresh_s?: readonly number[] | undefined;
}

/** The plan of a run as a route has it. @throws InputError inconsistent for a route without one, unknown-steel, unknown-medium. */
export function runPlanOf(catalogue: Catalogue, piece: Piece, route: Route, { dip_s, heats_s, fresh_s = [] }: RunLogged = {}): RunPlan {
  const at = route.steps.findLastIndex(({ kind }) => kind === "run");
  const run = route.steps[at];
  if (run?.kind !== "run") throw new InputError({ code: "inconsistent", path: "/route", message: "This route runs no colours." });
  const steel = resolveSteel(catalogue, piece.steel);
  const quench = route.steps.slice(0, at).findLast((step): step is Quench => step.kind === "quench");
  const heat = route.steps.slice(0, at).findLast((step) => step.kind === "harden");
  const deep_mm = hardBehind_mm(piece, quench);
  const plan = {
    source: run.source,
    target_C: watchedOf(run).temperature_C,
    behind_mm: watchedOf(run).behind_mm,
    wet_mm: wetEdge_mm(run),
    hard_mm: deep_mm,
    heats_s: heats_s ?? null,
    fresh_s,
    surface_K: surfaceShift_K(steel.composition_wtpct),
  };
  if (run.source !== "residual" || quench === undefined) return { ...plan, from: null };
  const into = intoOf(quench);
  const medium = catalogue.medium(into.medium);
  if (medium === undefined) throw new InputError({ code: "unknown-medium", path: "/route", got: into.medium });
  const heat_C = heat?.kind === "harden" ? heat.temperature_C : 800;
  return {
    ...plan,
    from: { heat_C, medium, bath_C: into.bath_C, depth_mm: deep_mm, bath_s: dip_s ?? seconds(quench.dips.at(-1)!) ?? USUAL_DIP_s },
  };
}

/** How much of the edge stands in water, mm. */
export function wetEdge_mm({ mark }: { readonly mark?: { readonly behind_mm: number } | undefined }): number {
  return mark === undefined ? 0 : WET_SHARE * mark.behind_mm;
}

/** How far behind the edge a bath hardens, mm. */
function hardBehind_mm(piece: Piece, quench: Quench | undefined): number {
  const under = quench === undefined ? ({ what: "whole" } as const) : underOf(quench);
  return under.what === "whole" ? runLength_mm(piece) : under.depth_mm;
}

/** The way heat runs, mm: up the height of a blade, along a bar. */
function runLength_mm({ section, length_mm }: Piece): number {
  return section.shape === "wedge" ? section.height_mm : Math.min(length_mm, FOLLOWED_mm);
}

function finOf(piece: Piece): Fin {
  const { section } = piece;
  const length_mm = runLength_mm(piece);
  if (section.shape === "wedge") {
    const { spine_mm, edge_mm, height_mm } = section;
    return makeFin(CELLS, length_mm, (mm) => ({ area_m2: 0.001 * (edge_mm + ((spine_mm - edge_mm) * mm) / height_mm), outline_m: 2 }));
  }
  const area_m2 = sectionArea_mm2(section, breadth_mm(piece)) / 1e6;
  const outline_m = girth_mm(section, breadth_mm(piece)) / 1000;
  return makeFin(CELLS, length_mm, () => ({ area_m2, outline_m }));
}

/** What differs from one run to the next, as multiples or degrees. */
interface Draw {
  readonly loss: number;
  readonly flux: number;
  readonly contact: number;
  readonly reach: number;
  readonly surface_K: number;
  readonly start: number;
  readonly block_K: number;
}

function drawsOf(seed: number, count: number): Draw[] {
  return normalDraws(count, 7, seed).map(([a, b, c, d, e, f, g]) => ({
    loss: Math.exp(LOSS_LN * a!),
    flux: Math.exp(FLUX_LN * b!),
    contact: Math.exp(CONTACT_LN * c!),
    reach: Math.exp(REACH_LN * d!),
    surface_K: SURFACE_K * e!,
    start: Math.exp(START_LN * f!),
    block_K: BLOCK_SD_K * g!,
  }));
}

function airLoss_W_m2K(T: number, loss: number): number {
  const [a, b] = [kelvin(Math.max(T, ROOM_C)), kelvin(ROOM_C)];
  return loss * (STILL_AIR_W_m2K + SCALE * STEFAN_BOLTZMANN_W_m2K4 * (a * a + b * b) * (a + b));
}

interface Running {
  readonly fin: Fin;
  readonly T: Float64Array;
  /** What each cell meets at a time since heat began to run, s. */
  readonly outside: (t_s: number) => (cell: number, T_C: number) => CellOutside;
}

/** Taken from the fire, dipped, and out again: where the heat stands when the colours begin to run. */
function afterDip(fin: Fin, draw: Draw, from: NonNullable<RunPlan["from"]>, bath: Boundary, isBlade: boolean): Float64Array {
  const middle_mm = (i: number): number => 1000 * fin.cell_m * (i + 0.5);
  const hot_mm = from.depth_mm + HOT_BEYOND_mm * draw.reach;
  const T = Float64Array.from({ length: fin.cells }, (_, i) =>
    middle_mm(i) <= hot_mm ? from.heat_C : Math.max(ROOM_C, from.heat_C - 8 * (middle_mm(i) - hot_mm)),
  );
  const scratch = finScratch(fin.cells);
  const sides = isBlade ? 2 : 4;
  // From the middle of a section to its skin a quarter of its thickness, about: of a bar of 16 mm as much as water leaves.
  const inside_m2K_W = (i: number): number => (sides * fin.area_m2[i]!) / fin.outline_m[i]! / 4 / FIN_CONDUCTIVITY_W_mK;
  const wet = (i: number, at_C: number): CellOutside =>
    middle_mm(i) <= from.depth_mm
      ? { heatTransfer_W_m2K: 1 / (1 / bath.heatTransfer_W_m2K(at_C) + inside_m2K_W(i)), surroundings_C: bath.surroundings_C }
      : { heatTransfer_W_m2K: airLoss_W_m2K(at_C, draw.loss), surroundings_C: ROOM_C };
  const seconds = from.bath_s * draw.start;
  const steps = Math.max(1, Math.ceil(seconds / 0.1));
  for (let k = 0; k < steps; k++) stepFin(fin, T, seconds / steps, wet, scratch);
  return T;
}

function begin(piece: Piece, plan: RunPlan, draw: Draw, bath: Boundary | null): Running {
  const fin = finOf(piece);
  const middle_mm = (i: number): number => 1000 * fin.cell_m * (i + 0.5);
  const air = (T: number): CellOutside => ({ heatTransfer_W_m2K: airLoss_W_m2K(T, draw.loss), surroundings_C: ROOM_C });
  const isBlade = piece.section.shape === "wedge";
  if (plan.from !== null && bath !== null)
    return { fin, T: afterDip(fin, draw, plan.from, bath, isBlade), outside: () => (_, T) => air(T) };
  // What stands in water meets it, the rest the air.
  const cold = (i: number, T: number): CellOutside =>
    middle_mm(i) < plan.wet_mm ? { heatTransfer_W_m2K: WET_W_m2K, surroundings_C: WET_C } : air(T);
  const T = new Float64Array(fin.cells).fill(ROOM_C);
  const length_mm = runLength_mm(piece);
  const back_mm = plan.behind_mm > 0 ? length_mm - plan.behind_mm : Math.min(BACK_mm, length_mm / 3);
  const wide_mm = (isBlade ? back_mm : BODY_mm) * draw.reach;
  const to_mm = isBlade ? length_mm : Math.min(length_mm, Math.min(plan.hard_mm, length_mm / 2) + BEHIND_mm + wide_mm);
  const isWarmed = (i: number): boolean => middle_mm(i) <= to_mm && middle_mm(i) > to_mm - wide_mm;
  const isOff = (t_s: number): boolean => plan.heats_s !== null && t_s >= plan.heats_s;
  if (plan.source === "torch") {
    const put = (i: number): number => (plan.wet_mm > 0 ? WET_TORCH : 1) * TORCH_W_m2 * draw.flux * fin.outline_m[i]!;
    return { fin, T, outside: (t_s) => (i, at_C) => (isWarmed(i) && !isOff(t_s) ? { ...air(at_C), source_W_m: put(i) } : cold(i, at_C)) };
  }
  const through_W_m2K = CONTACT_W_m2K * draw.contact;
  return {
    fin,
    T,
    outside: (t_s) => {
      const laid_s = plan.fresh_s.findLast((s) => s <= t_s) ?? 0;
      const laid_C = (plan.wet_mm > 0 ? WET_BLOCK_C : BLOCK_C) + draw.block_K;
      const block_C = ROOM_C + (laid_C - ROOM_C) * Math.exp((laid_s - t_s) / BLOCK_COOLS_s);
      return (i, at_C) => {
        if (!isWarmed(i) || isOff(t_s)) return cold(i, at_C);
        // Half of its outline lies on the block; the other half is taken to lose nothing to speak of beside it.
        return { heatTransfer_W_m2K: 0.5 * through_W_m2K, surroundings_C: block_C };
      };
    },
  };
}

/** Between which cells a place lies, as a number: 1.5 is half way from the second to the third. */
function cellAt({ cell_m, cells }: Fin, mm: number): number {
  return Math.min(cells - 1, Math.max(0, mm / (1000 * cell_m) - 0.5));
}

/** Between two cells as far as a place lies between them. */
function between(values: Float64Array, at: number): number {
  const i = Math.floor(at);
  return values[i]! + (at - i) * (values[Math.min(values.length - 1, i + 1)]! - values[i]!);
}

/** Followed until what is watched is grey, or the edge cools. */
function follow({ fin, T, outside }: Running, surface_K: number, behind_mm: number): OneRun {
  const film = new Float64Array(fin.cells);
  const scratch = finScratch(fin.cells);
  const at = cellAt(fin, behind_mm);
  const [watched, edge_C, along]: [number[], number[], number[]] = [[0], [T[0]!], Array.from(film)];
  let hottest_C = T[0]!;
  for (let row = 1; row < TIMES_s.length; row++) {
    const from_s = TIMES_s[row - 1]!;
    const row_s = TIMES_s[row]! - from_s;
    for (let k = 0; k < STEPS_A_ROW; k++) stepFin(fin, T, row_s / STEPS_A_ROW, outside(from_s + (k * row_s) / STEPS_A_ROW), scratch);
    for (let i = 0; i < fin.cells; i++) {
      if (T[i]! > NO_COLOUR_C) film[i] = growFilm_nm(film[i]!, { temperature_C: T[i]!, hold_min: row_s / 60, alloyShift_K: surface_K });
    }
    hottest_C = Math.max(hottest_C, T[0]!);
    watched.push(between(film, at));
    edge_C.push(T[0]!);
    along.push(...film);
    if (between(film, at) > GREY_nm || T[0]! < hottest_C - FALLEN_K) break;
  }
  return { watched_nm: Float32Array.from(watched), edge_C: Float32Array.from(edge_C), along_nm: Float32Array.from(along) };
}

/**
 * When each colour comes to the edge, or to the mark behind it.
 *
 * @param seed another gives another set of runs, of the same kind. @param only one of them
 * @source temper-note 7 (fin, colours in seconds), judgements beside the rest
 * @error docs/colour-run.md: 500 simulated runs stopped by it
 */
export function colourRun(
  piece: Piece,
  plan: RunPlan,
  { seed = 1, count = RUNS, only, draws = drawsOf(seed, count) }: { seed?: number; count?: number; only?: number; draws?: Draw[] } = {},
): ColourRun {
  const film = (T: number): number => oxideFilm_nm({ temperature_C: T, hold_min: COLOUR_MIN, alloyShift_K: plan.surface_K });
  const fin = finOf(piece);
  const bath = plan.from === null ? null : mediumBoundary(plan.from.medium, plan.from.bath_C, "mild");
  return {
    times_s: TIMES_s,
    places_mm: Array.from({ length: fin.cells }, (_, i) => 1000 * fin.cell_m * (i + 0.5)),
    target_nm: film(plan.target_C),
    near_nm: [film(plan.target_C - NEAR_K), film(plan.target_C + NEAR_K)],
    runs: draws
      .filter((_, i) => only === undefined || i === only)
      .map((draw) => follow(begin(piece, plan, draw, bath), plan.surface_K + draw.surface_K, plan.behind_mm)),
  };
}

const NOMINAL: Draw = { loss: 1, flux: 1, contact: 1, reach: 1, surface_K: 0, start: 1, block_K: 0 };

/**
 * The heat each place got by the colour it has when the one that is watched is there, from the edge back, C, by the run with nothing
 * off; where no colour shows, 0.
 *
 * @error as `colourRun`
 */
export function heatsAlong(piece: Piece, plan: RunPlan): { readonly behind_mm: readonly number[]; readonly heat_C: readonly number[] } {
  const { places_mm, target_nm, runs } = colourRun(piece, plan, { draws: [NOMINAL] });
  const { watched_nm, along_nm } = runs[0]!;
  const reached = watched_nm.findIndex((film) => film >= target_nm);
  const row = reached < 0 ? watched_nm.length - 1 : reached;
  const films = Array.from(along_nm.subarray(row * places_mm.length, (row + 1) * places_mm.length));
  return {
    behind_mm: places_mm,
    heat_C: films.map((film) => (film < BARE_nm ? 0 : temperatureForFilm_C(film, COLOUR_MIN, plan.surface_K))),
  };
}

/** How much hotter this steel has to be for the same colour, K. */
export function surfaceShift_K({ Cr = 0, Si = 0 }: { readonly Cr?: number; readonly Si?: number }): number {
  return alloyShift_K({ Cr, Si });
}
