/** The quick form of a course's step: kernels of heat and change over flat arrays, the properties between them. */

import { conductQuickly, makeConductionKernel } from "../heat/conductionKernel.js";
import type { Grid } from "../heat/conduction.js";
import {
  CONDUCTIVITY,
  LATENT_DIFFUSIONAL_J_kg,
  LATENT_MARTENSITE_J_kg,
  STEEL_DENSITY_kg_m3,
  VOLUME_HEAT,
  type PlainMaterial,
} from "../heat/properties.js";
import { applyQuickly, clearReleased } from "../kinetics/applyKernel.js";
import { formQuickly, makeChangeKernel, proposeQuickly, restart, type ChangeKernel } from "../kinetics/changeKernel.js";
import type { Structure } from "../kinetics/structure.js";
import { STILL_TEMPERS_K_s, warm } from "../kinetics/warming.js";
import {
  COLDEST_C,
  HOTTEST_C,
  LARGEST_MOVE_K,
  LOST_J_m,
  MOST_EXTRAPOLATION_K,
  READ,
  SPEED_1_s,
  STILL_TO_FORM,
  type Body,
  type CourseForm,
  type Fields,
} from "./courseForm.js";

/** Temperatures of the middle of a step, guessed from the last. */
function guessMiddle(T: Float64Array, before: Float64Array, middle: Float64Array, ahead: number): void {
  for (let i = 0; i < T.length; i++) {
    const move = ahead * (T[i]! - before[i]!);
    middle[i] = T[i]! + (move > MOST_EXTRAPOLATION_K ? MOST_EXTRAPOLATION_K : move < -MOST_EXTRAPOLATION_K ? -MOST_EXTRAPOLATION_K : move);
  }
}

/** As `readProperties`, of steel. */
function readSteel({ s, martensiteRate_1_K }: ChangeKernel, { middle, conductivity_W_mK: k, volumeHeat_J_m3K: c }: Fields): void {
  const { ferrite, pearlite, bainite, martensite, martensiteStart_C } = s;
  const [kA, kA1] = CONDUCTIVITY.austenite;
  const [kP, kP1] = CONDUCTIVITY.product;
  const [kM, kM1] = CONDUCTIVITY.martensite;
  const [cA, cA1] = VOLUME_HEAT.austenite;
  const [cP, cP1] = VOLUME_HEAT.product;
  const [cM, cM1] = VOLUME_HEAT.martensite;
  for (let i = 0; i < middle.length; i++) {
    const T = middle[i]!;
    const M = martensite[i]!;
    const rest = 1 - ferrite[i]! - pearlite[i]! - bainite[i]! - M;
    const A = rest < 0 ? 0 : rest;
    const P = 1 - A - M;
    k[i] = A * (kA + kA1 * T) + P * (kP + kP1 * T) + M * (kM + kM1 * T);
    let heat = A * (cA + cA1 * T) + P * (cP + cP1 * T) + M * (cM + cM1 * T);
    const Ms = martensiteStart_C[i]!;
    if (A > 0 && T < Ms) {
      const alpha = martensiteRate_1_K[i]!;
      const still = (A + M) * Math.exp(-alpha * (Ms - T));
      if (still <= A + STILL_TO_FORM) heat += STEEL_DENSITY_kg_m3 * LATENT_MARTENSITE_J_kg * alpha * still;
    }
    c[i] = heat;
  }
}

/** Of a plain solid, or of the nodes marked as cladding. */
function readPlain(material: PlainMaterial, isCladding: Uint8Array | null, fields: Fields): void {
  const { middle, conductivity_W_mK: k, volumeHeat_J_m3K: c } = fields;
  const { conductivity_W_mK, volumeHeat_J_m3K } = material;
  const last = conductivity_W_mK.length - 1;
  for (let i = 0; i < middle.length; i++) {
    if (isCladding !== null && isCladding[i] === 0) continue;
    const T = middle[i]!;
    const t = T < 0 ? 0 : T > last ? last : T;
    const d = t >= last ? last - 1 : t | 0;
    k[i] = conductivity_W_mK[d]! + (t - d) * (conductivity_W_mK[d + 1]! - conductivity_W_mK[d]!);
    c[i] = volumeHeat_J_m3K[d]! + (t - d) * (volumeHeat_J_m3K[d + 1]! - volumeHeat_J_m3K[d]!);
  }
}

function readMoves(T: Float64Array, before: Float64Array, read: Float64Array): void {
  let largest = 0;
  let hottest = -Infinity;
  let coldest = Infinity;
  for (let i = 0; i < T.length; i++) {
    const now = T[i]!;
    const move = Math.abs(now - before[i]!);
    if (move > largest) largest = move;
    if (now > hottest) hottest = now;
    if (now < coldest) coldest = now;
  }
  read[LARGEST_MOVE_K] = largest;
  read[HOTTEST_C] = hottest;
  read[COLDEST_C] = coldest;
}

/** What warming takes in; a cladding neither gives nor takes. */
function mindWarming(released_J_m3: Float64Array, s: Structure): void {
  const { austenitised } = s;
  for (let i = 0; i < released_J_m3.length; i++) released_J_m3[i]! -= LATENT_J_m3 * austenitised[i]!;
}

function clearCladding(released_J_m3: Float64Array, isCladding: Uint8Array): void {
  for (let i = 0; i < released_J_m3.length; i++) if (isCladding[i] === 1) released_J_m3[i] = 0;
}

/** Heat of a change of the whole matrix that needs diffusion, J/m3. */
const LATENT_J_m3 = STEEL_DENSITY_kg_m3 * LATENT_DIFFUSIONAL_J_kg;

/** Growth is applied once it has come to `least` of the matrix. */
export function kernelForm(grid: Grid, body: Body, fields: Fields, least: number): CourseForm {
  const { temperature_C: T, before, middle, released_J_m3 } = fields;
  const conduction = makeConductionKernel(grid);
  const s = body.kind === "plain" ? null : body.structure;
  const change = s === null ? null : makeChangeKernel(s, least);
  const isCladding = body.kind === "clad" ? body.isCladding : null;
  const read = new Float64Array(READ);
  /** Whether the last step warmed a node, and so left heat on nodes that are not on the list. */
  let hasWarmed = true;
  return {
    read,
    propose(step_s, last_s) {
      const ahead = last_s > 0 ? (0.5 * step_s) / last_s : 0;
      if (change === null) {
        guessMiddle(T, before, middle, ahead);
        return 0;
      }
      clearReleased(change, released_J_m3);
      return proposeQuickly(change, fields, ahead, MOST_EXTRAPOLATION_K, STILL_TEMPERS_K_s * last_s, step_s);
    },
    take(surroundings, step_s, last_s) {
      if (change !== null) readSteel(change, fields);
      if (body.kind === "plain") readPlain(body.material, null, fields);
      if (body.kind === "clad") readPlain(body.cladding, body.isCladding, fields);
      read[SPEED_1_s] = 0;
      if (s !== null && change !== null) {
        if (hasWarmed) released_J_m3.fill(0);
        applyQuickly(change, middle, released_J_m3, LATENT_J_m3);
        hasWarmed = change.isAnySlow;
        if (hasWarmed) {
          read[SPEED_1_s] = warm(s, T, before, step_s, last_s);
          mindWarming(released_J_m3, s);
          restart(change);
          change.mayBeStale = true;
        }
        if (isCladding !== null) clearCladding(released_J_m3, isCladding);
      }
      before.set(T);
      conductQuickly(conduction, fields, surroundings, step_s);
      read[LOST_J_m] = conduction.lost_J_m[0]!;
      if (change !== null) formQuickly(change, T);
      readMoves(T, before, read);
    },
  };
}
