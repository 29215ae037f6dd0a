/** Carries a section through surroundings, one after another, while its structure changes. The one loop that joins heat and kinetics. */

import { makeScratch, stepConduction, type Grid, type Surroundings } from "../heat/conduction.js";
import {
  conductivity_W_mK,
  LATENT_DIFFUSIONAL_J_kg,
  LATENT_MARTENSITE_J_kg,
  STEEL_DENSITY_kg_m3,
  volumeHeat_J_m3K,
  type PlainMaterial,
} from "../heat/properties.js";
import { follow } from "../kinetics/follow.js";
import type { Structure } from "../kinetics/structure.js";
import { applyChange, formMartensite, proposeChange } from "../kinetics/transform.js";
import { noteCold, warm } from "../kinetics/warming.js";

/** One stretch: into these surroundings, until a time has passed or every node is cool (or hot) enough. */
export interface Exchange {
  readonly kind: "exchange";
  readonly surroundings: Surroundings;
  readonly duration_s: number;
  /** Ends the stretch early once the hottest node is at or below this, C. */
  readonly until_C?: number;
  /** Ends it early once the coldest node is at or above this, C. */
  readonly untilHot_C?: number;
  readonly longestStep_s: number;
}

/** One stretch in which the piece, even in itself, follows a temperature by time since its start. */
export interface Follow {
  readonly kind: "follow";
  readonly temperature_C: (time_s: number) => number;
  readonly duration_s: number;
}

export type Stretch = Exchange | Follow;

/** What a section is made of: steel throughout, a plain solid, or a steel core in a cladding (1 where a node is cladding). */
export type Body =
  | { readonly kind: "steel"; readonly structure: Structure }
  | { readonly kind: "clad"; readonly structure: Structure; readonly isCladding: Uint8Array; readonly cladding: PlainMaterial }
  | { readonly kind: "plain"; readonly material: PlainMaterial };

export interface CourseInput {
  readonly grid: Grid;
  /** Of the whole section, or of every node. */
  readonly start_C: number | Float64Array;
  readonly stretches: readonly Stretch[];
  readonly body: Body;
  /** Nodes whose temperature and martensite are kept in time. */
  readonly watch: readonly number[];
  /** Largest change of temperature aimed at in one step, K. */
  readonly stepAim_K?: number;
  /** Keeps the whole field at these times after the start, s, ascending; the last step before each is kept. */
  readonly frames_s?: readonly number[];
  /** Ends once no node can change any more but by martensite: enough for the hardness at room temperature. */
  readonly untilSettled?: boolean;
  /** Follows the heat lost against the heat given up, for checking. */
  readonly isBalanced?: boolean;
}

export interface WatchedCurve {
  readonly time_s: Float64Array;
  /** One array for each watched node. */
  readonly temperature_C: readonly Float64Array[];
  readonly martensite: readonly Float64Array[];
}

export interface Frame {
  readonly time_s: number;
  readonly temperature_C: Float32Array;
  readonly martensite: Float32Array;
}

export interface CourseResult {
  readonly outcome: "finished" | "step-limit";
  readonly temperature_C: Float64Array;
  readonly curve: WatchedCurve;
  /** When each stretch ended, s after the start. */
  readonly end_s: readonly number[];
  readonly frames: readonly Frame[];
  readonly steps: number;
  /** Heat lost to the surroundings and heat given up inside, J per m as in `stepConduction`; 0 unless asked for. */
  readonly balance: { readonly lost_J_m: number; readonly givenUp_J_m: number };
}

const SHORTEST_STEP_s = 1e-4;
const FIRST_STEP_s = 1e-3;
/** Largest fraction a node may change by in a step before the step is cut. */
const LARGEST_CHANGE = 0.02;
const MOST_STEPS = 60000;
const MOST_EXTRAPOLATION = 6;
/** Largest share of the carbon that may dissolve in a step. */
const LARGEST_DISSOLVED = 0.01;

interface Recorder {
  time_s: Float64Array;
  temperature_C: Float64Array[];
  martensite: Float64Array[];
  length: number;
}

function makeRecorder(watched: number): Recorder {
  const room = 1024;
  const arrays = (): Float64Array[] => Array.from({ length: watched }, () => new Float64Array(room));
  return { time_s: new Float64Array(room), temperature_C: arrays(), martensite: arrays(), length: 0 };
}

function grow(array: Float64Array): Float64Array {
  const larger = new Float64Array(array.length * 2);
  larger.set(array);
  return larger;
}

function record(r: Recorder, time_s: number, watch: readonly number[], temperature_C: Float64Array, structure: Structure | null): void {
  if (r.length === r.time_s.length) {
    r.time_s = grow(r.time_s);
    r.temperature_C = r.temperature_C.map(grow);
    r.martensite = r.martensite.map(grow);
  }
  r.time_s[r.length] = time_s;
  for (let w = 0; w < watch.length; w++) {
    r.temperature_C[w]![r.length] = temperature_C[watch[w]!]!;
    r.martensite[w]![r.length] = structure === null ? 0 : structure.martensite[watch[w]!]!;
  }
  r.length++;
}

/** Everything the loop writes on; made once a run so that the loop allocates nothing. */
interface Fields {
  readonly temperature_C: Float64Array;
  readonly before: Float64Array;
  readonly middle: Float64Array;
  readonly conductivity_W_mK: Float64Array;
  readonly volumeHeat_J_m3K: Float64Array;
  readonly released_J_m3: Float64Array;
  /** Heat capacity and martensite before the step, for the balance. */
  readonly capacityBefore: Float64Array;
  readonly martensiteBefore: Float64Array;
}

/**
 * Properties of every node at the temperatures of the middle of a step; below its martensite start the heat of the
 * martensite that will form rides on the capacity.
 */
function readProperties(body: Body, fields: Fields, temperature_C: Float64Array, withMartensite: boolean): void {
  const { conductivity_W_mK: k, volumeHeat_J_m3K: c } = fields;
  if (body.kind === "plain") {
    const { material } = body;
    for (let i = 0; i < temperature_C.length; i++) {
      k[i] = material.conductivity_W_mK(temperature_C[i]!);
      c[i] = material.volumeHeat_J_m3K(temperature_C[i]!);
    }
    return;
  }
  const s = body.structure;
  for (let i = 0; i < temperature_C.length; i++) {
    const T = temperature_C[i]!;
    if (body.kind === "clad" && body.isCladding[i] === 1) {
      k[i] = body.cladding.conductivity_W_mK(T);
      c[i] = body.cladding.volumeHeat_J_m3K(T);
      continue;
    }
    const M = s.martensite[i]!;
    const rest = 1 - s.ferrite[i]! - s.pearlite[i]! - s.bainite[i]! - M;
    const austenite = rest < 0 ? 0 : rest;
    k[i] = conductivity_W_mK(T, austenite, M);
    c[i] = volumeHeat_J_m3K(T, austenite, M);
    if (withMartensite && austenite > 0 && T < s.martensiteStart_C[i]!) {
      const alpha = s.coefficients[i]!.martensiteRate_1_K;
      // Only what is still to form here gives off heat: reheated martensite does not form again.
      const still = (austenite + M) * Math.exp(-alpha * (s.martensiteStart_C[i]! - T));
      if (still <= austenite + 1e-9) c[i]! += STEEL_DENSITY_kg_m3 * LATENT_MARTENSITE_J_kg * alpha * still;
    }
  }
}

/** Heat set free by the changes of a step; a cladding does not change. */
function setReleased(structure: Structure, isCladding: Uint8Array | null, released_J_m3: Float64Array): void {
  const { ferrite, pearlite, bainite } = structure.change;
  for (let i = 0; i < released_J_m3.length; i++) {
    released_J_m3[i] =
      STEEL_DENSITY_kg_m3 * LATENT_DIFFUSIONAL_J_kg * (ferrite[i]! + pearlite[i]! + bainite[i]! - structure.austenitised[i]!);
    if (isCladding?.[i] === 1) released_J_m3[i] = 0;
  }
}

/** True when every node has begun to be martensite or has no austenite left. */
function isSettled({ count, ferrite, pearlite, bainite, martensite }: Structure): boolean {
  for (let i = 0; i < count; i++) {
    if (martensite[i]! <= 0.01 && 1 - ferrite[i]! - pearlite[i]! - bainite[i]! > 1e-4) return false;
  }
  return true;
}

/** Heat a step took out of the inside: capacity at the middle of the step, less what the changes set free. */
function givenUp_J_m(grid: Grid, body: Body, fields: Fields): number {
  const structure = body.kind === "plain" ? null : body.structure;
  readProperties(body, fields, fields.before, false);
  fields.capacityBefore.set(fields.volumeHeat_J_m3K);
  readProperties(body, fields, fields.temperature_C, false);
  let sum = 0;
  for (let j = 0; j < grid.columns; j++) {
    for (let i = 0; i < grid.nodes; i++) {
      const at = j * grid.nodes + i;
      const volume = grid.halfThickness_m[j]! * grid.cellShare[i]! * grid.columnHeight_m[j]!;
      const capacity = 0.5 * (fields.capacityBefore[at]! + fields.volumeHeat_J_m3K[at]!);
      const martensite = structure === null ? 0 : structure.martensite[at]! - fields.martensiteBefore[at]!;
      sum +=
        volume *
        (capacity * (fields.before[at]! - fields.temperature_C[at]!) +
          fields.released_J_m3[at]! +
          STEEL_DENSITY_kg_m3 * LATENT_MARTENSITE_J_kg * martensite);
    }
  }
  return sum;
}

/**
 * Temperature and structure through the stretches, by implicit steps that follow the fastest node.
 *
 * @returns the nodes at the end, the watched curves, and whether it ran out of steps.
 * @error first order in time; heat lost and heat given up agree to 0.1 % (test/simulate/course.test.ts)
 */
export function runCourse({
  grid,
  start_C,
  stretches,
  body,
  watch,
  stepAim_K = 4,
  frames_s = [],
  untilSettled = false,
  isBalanced = false,
}: CourseInput): CourseResult {
  const count = grid.columns * grid.nodes;
  const array = (): Float64Array => new Float64Array(count);
  const fields: Fields = {
    temperature_C: typeof start_C === "number" ? array().fill(start_C) : Float64Array.from(start_C),
    before: array(),
    middle: array(),
    conductivity_W_mK: array(),
    volumeHeat_J_m3K: array(),
    released_J_m3: array(),
    capacityBefore: array(),
    martensiteBefore: array(),
  };
  const { temperature_C: T, before, middle } = fields;
  const scratch = makeScratch(grid);
  const recorder = makeRecorder(watch.length);
  const structure = body.kind === "plain" ? null : body.structure;
  const isCladding = body.kind === "clad" ? body.isCladding : null;
  const end_s: number[] = [];
  const frames: Frame[] = [];
  let time_s = 0;
  let steps = 0;
  let [lost_J_m, given_J_m] = [0, 0];
  const keepFrame = (): void => {
    if (frames.length >= frames_s.length || time_s < frames_s[frames.length]! - 1e-9) return;
    const martensite = structure === null ? new Float32Array(count) : Float32Array.from(structure.martensite);
    frames.push({ time_s, temperature_C: Float32Array.from(T), martensite });
  };
  record(recorder, 0, watch, T, structure);
  keepFrame();
  for (const stretch of stretches) {
    if (stretch.kind === "follow") {
      const from_s = time_s;
      const { temperature_C, duration_s } = stretch;
      const onStep = (since_s: number, now_C: number): void => {
        if (since_s === 0) return;
        T.fill(now_C);
        time_s = from_s + since_s;
        record(recorder, time_s, watch, T, structure);
        keepFrame();
      };
      if (structure === null) onStep(duration_s, temperature_C(duration_s));
      else follow({ structure, temperature_C, duration_s, onStep });
      end_s.push(time_s);
      continue;
    }
    if (structure?.isEven) structure.isEven = count === 1;
    let [dt_s, last_s, spent_s] = [FIRST_STEP_s, 0, 0];
    before.set(T);
    while (spent_s < stretch.duration_s - 1e-9 && steps < MOST_STEPS) {
      let step_s = Math.min(dt_s, stretch.duration_s - spent_s);
      let speed = 0;
      for (let attempt = 0; attempt < 2; attempt++) {
        const ahead = last_s > 0 ? (0.5 * step_s) / last_s : 0;
        for (let i = 0; i < count; i++) {
          const move = ahead * (T[i]! - before[i]!);
          middle[i] = T[i]! + (move > MOST_EXTRAPOLATION ? MOST_EXTRAPOLATION : move < -MOST_EXTRAPOLATION ? -MOST_EXTRAPOLATION : move);
        }
        if (structure === null) break;
        const largest = proposeChange(structure, middle, before, step_s);
        if (largest <= LARGEST_CHANGE || attempt === 1) break;
        step_s = Math.max(SHORTEST_STEP_s, (step_s * 0.8 * LARGEST_CHANGE) / largest);
      }
      readProperties(body, fields, middle, true);
      if (structure !== null) {
        applyChange(structure, middle);
        speed = warm(structure, T, before, step_s, last_s);
        setReleased(structure, isCladding, fields.released_J_m3);
        if (isBalanced) fields.martensiteBefore.set(structure.martensite);
      }
      before.set(T);
      lost_J_m += stepConduction(grid, fields, stretch.surroundings, scratch, step_s);
      if (structure !== null) formMartensite(structure, T);
      if (isBalanced) given_J_m += givenUp_J_m(grid, body, fields);
      time_s += step_s;
      spent_s += step_s;
      last_s = step_s;
      steps++;
      let largestMove = 0;
      let hottest_C = -Infinity;
      let coldest_C = Infinity;
      for (let i = 0; i < count; i++) {
        const move = Math.abs(T[i]! - before[i]!);
        if (move > largestMove) largestMove = move;
        if (T[i]! > hottest_C) hottest_C = T[i]!;
        if (T[i]! < coldest_C) coldest_C = T[i]!;
      }
      record(recorder, time_s, watch, T, structure);
      keepFrame();
      if (untilSettled && structure !== null && isSettled(structure)) break;
      if (stretch.until_C !== undefined && hottest_C <= stretch.until_C) break;
      if (stretch.untilHot_C !== undefined && coldest_C >= stretch.untilHot_C) break;
      const factor = Math.min(1.4, Math.max(0.5, stepAim_K / Math.max(largestMove, 1e-9)));
      const longest_s = speed > 0 ? Math.min(stretch.longestStep_s, Math.max(0.5, LARGEST_DISSOLVED / speed)) : stretch.longestStep_s;
      dt_s = Math.min(longest_s, Math.max(SHORTEST_STEP_s, step_s * factor));
    }
    if (structure !== null) noteCold(structure, T);
    end_s.push(time_s);
  }
  const cut = (a: Float64Array): Float64Array => a.slice(0, recorder.length);
  return {
    outcome: steps < MOST_STEPS ? "finished" : "step-limit",
    temperature_C: T,
    curve: { time_s: cut(recorder.time_s), temperature_C: recorder.temperature_C.map(cut), martensite: recorder.martensite.map(cut) },
    end_s,
    frames,
    steps,
    balance: { lost_J_m, givenUp_J_m: given_J_m },
  };
}
