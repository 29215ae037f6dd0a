/** What one step of a course does, in the form to read: `runCourse` decides how long a step is, a form takes it. */

import { makeScratch, stepConduction, type Grid, type Surroundings } from "../heat/conduction.js";
import {
  conductivity_W_mK,
  LATENT_DIFFUSIONAL_J_kg,
  LATENT_MARTENSITE_J_kg,
  STEEL_DENSITY_kg_m3,
  volumeHeat_J_m3K,
  type PlainMaterial,
} from "../heat/properties.js";
import type { Structure } from "../kinetics/structure.js";
import { applyChange, formMartensite, proposeChange } from "../kinetics/transform.js";
import { warm } from "../kinetics/warming.js";
import { atDegree } from "../numerics/degreeTable.js";

/** What a section is made of: steel throughout, a plain solid, or a steel core in a cladding (1 where a node is cladding). */
export type Body =
  | { readonly kind: "steel"; readonly structure: Structure }
  | { readonly kind: "clad"; readonly structure: Structure; readonly isCladding: Uint8Array; readonly cladding: PlainMaterial }
  | { readonly kind: "plain"; readonly material: PlainMaterial };

/** Everything a course writes on, by node; made once a run so that the loop allocates nothing. */
export interface Fields {
  readonly temperature_C: Float64Array;
  /** At the start of the last step, and in the middle of the next. */
  readonly before: Float64Array;
  readonly middle: Float64Array;
  readonly conductivity_W_mK: Float64Array;
  readonly volumeHeat_J_m3K: Float64Array;
  readonly released_J_m3: Float64Array;
}

export function makeFields(count: number, start_C: number | Float64Array): Fields {
  const array = (): Float64Array => new Float64Array(count);
  return {
    temperature_C: typeof start_C === "number" ? array().fill(start_C) : Float64Array.from(start_C),
    before: array(),
    middle: array(),
    conductivity_W_mK: array(),
    volumeHeat_J_m3K: array(),
    released_J_m3: array(),
  };
}

/** Entries of `read`: what a step tells of itself. */
export const [LOST_J_m, SPEED_1_s, LARGEST_MOVE_K, HOTTEST_C, COLDEST_C, READ] = [0, 1, 2, 3, 4, 5];

export interface CourseForm {
  /** Of the last step taken: heat lost, share of the carbon that dissolves a second, largest move, hottest and coldest node. */
  readonly read: Float64Array;
  /** Works out what a step would change, `last_s` being the length of the one before. @returns the largest fraction. */
  propose(step_s: number, last_s: number): number;
  /** Takes the step that was proposed last. */
  take(surroundings: Surroundings, step_s: number, last_s: number): void;
}

/** How far ahead the temperature in the middle of a step is guessed from the step before, K. */
export const MOST_EXTRAPOLATION_K = 6;

/**
 * Properties of every node at the temperatures of the middle of a step; below its martensite start the heat of the
 * martensite that will form rides on the capacity.
 */
export function readProperties(body: Body, fields: Fields, temperature_C: Float64Array, withMartensite: boolean): void {
  const { conductivity_W_mK: k, volumeHeat_J_m3K: c } = fields;
  const plain = body.kind === "plain" ? body.material : body.kind === "clad" ? body.cladding : null;
  for (let i = 0; i < temperature_C.length; i++) {
    const T = temperature_C[i]!;
    if (plain !== null && (body.kind === "plain" || (body.kind === "clad" && body.isCladding[i] === 1))) {
      k[i] = atDegree(plain.conductivity_W_mK, T);
      c[i] = atDegree(plain.volumeHeat_J_m3K, T);
      continue;
    }
    if (body.kind === "plain") continue;
    const s = body.structure;
    const M = s.martensite[i]!;
    const rest = 1 - s.ferrite[i]! - s.pearlite[i]! - s.bainite[i]! - M;
    const austenite = rest < 0 ? 0 : rest;
    k[i] = conductivity_W_mK(T, austenite, M);
    c[i] = volumeHeat_J_m3K(T, austenite, M);
    if (withMartensite && austenite > 0 && T < s.martensiteStart_C[i]!) {
      const alpha = s.coefficients[i]!.martensiteRate_1_K;
      // Only what is still to form here gives off heat: reheated martensite does not form again.
      const still = (austenite + M) * Math.exp(-alpha * (s.martensiteStart_C[i]! - T));
      if (still <= austenite + STILL_TO_FORM) c[i]! += STEEL_DENSITY_kg_m3 * LATENT_MARTENSITE_J_kg * alpha * still;
    }
  }
}

/** Rounding of fractions. */
export const STILL_TO_FORM = 1e-9;

/** Heat set free by the changes of a step; a cladding does not change. */
function setReleased(structure: Structure, isCladding: Uint8Array | null, released_J_m3: Float64Array): void {
  const { ferrite, pearlite, bainite } = structure.change;
  for (let i = 0; i < released_J_m3.length; i++) {
    released_J_m3[i] =
      STEEL_DENSITY_kg_m3 * LATENT_DIFFUSIONAL_J_kg * (ferrite[i]! + pearlite[i]! + bainite[i]! - structure.austenitised[i]!);
    if (isCladding?.[i] === 1) released_J_m3[i] = 0;
  }
}

/** The form to read: node by node, function by function. */
export function referenceForm(grid: Grid, body: Body, fields: Fields): CourseForm {
  const { temperature_C: T, before, middle } = fields;
  const scratch = makeScratch(grid);
  const structure = body.kind === "plain" ? null : body.structure;
  const isCladding = body.kind === "clad" ? body.isCladding : null;
  const read = new Float64Array(READ);
  return {
    read,
    propose(step_s, last_s) {
      const ahead = last_s > 0 ? (0.5 * step_s) / last_s : 0;
      for (let i = 0; i < T.length; i++) {
        const move = ahead * (T[i]! - before[i]!);
        middle[i] = T[i]! + Math.max(-MOST_EXTRAPOLATION_K, Math.min(MOST_EXTRAPOLATION_K, move));
      }
      return structure === null ? 0 : proposeChange(structure, middle, before, step_s);
    },
    take(surroundings, step_s, last_s) {
      readProperties(body, fields, middle, true);
      read[SPEED_1_s] = 0;
      if (structure !== null) {
        applyChange(structure, middle);
        read[SPEED_1_s] = warm(structure, T, before, step_s, last_s);
        setReleased(structure, isCladding, fields.released_J_m3);
      }
      before.set(T);
      read[LOST_J_m] = stepConduction(grid, fields, surroundings, scratch, step_s);
      if (structure !== null) formMartensite(structure, T);
      read[LARGEST_MOVE_K] = T.reduce((largest, now, i) => Math.max(largest, Math.abs(now - before[i]!)), 0);
      read[HOTTEST_C] = T.reduce((a, b) => Math.max(a, b), -Infinity);
      read[COLDEST_C] = T.reduce((a, b) => Math.min(a, b), Infinity);
    },
  };
}
