/** Cools a section through one or more surroundings while its structure changes. The one loop that joins heat and kinetics. */

import { makeScratch, stepConduction, type Grid, type Surroundings } from "../heat/conduction.js";
import {
  conductivity_W_mK,
  LATENT_DIFFUSIONAL_J_kg,
  LATENT_MARTENSITE_J_kg,
  STEEL_DENSITY_kg_m3,
  volumeHeat_J_m3K,
  type PlainMaterial,
} from "../heat/properties.js";
import { applyChange, austeniteLeft, formMartensite, proposeChange, type NodeStructure } from "../kinetics/transform.js";

/** One stretch of cooling: into these surroundings, until a time has passed or every node is cool enough. */
export interface Stage {
  readonly surroundings: Surroundings;
  readonly duration_s: number;
  /** Ends the stage early once the hottest node is at or below this, C. */
  readonly until_C?: number;
  readonly longestStep_s: number;
}

export interface QuenchInput {
  readonly grid: Grid;
  readonly start_C: number;
  readonly stages: readonly Stage[];
  readonly body:
    { readonly kind: "steel"; readonly structure: NodeStructure } | { readonly kind: "plain"; readonly material: PlainMaterial };
  /** Nodes whose temperature and martensite are kept in time. */
  readonly watch: readonly number[];
  /** Largest change of temperature aimed at in one step, K. */
  readonly stepAim_K?: number;
}

export interface WatchedCurve {
  readonly time_s: Float64Array;
  /** One array for each watched node. */
  readonly temperature_C: readonly Float64Array[];
  readonly martensite: readonly Float64Array[];
}

export interface QuenchResult {
  readonly outcome: "finished" | "step-limit";
  readonly temperature_C: Float64Array;
  readonly curve: WatchedCurve;
  /** When each stage ended, s after the start. */
  readonly stageEnd_s: readonly number[];
  readonly steps: number;
}

const SHORTEST_STEP_s = 1e-4;
const FIRST_STEP_s = 1e-3;
/** Largest fraction a node may change by in a step before the step is cut. */
const LARGEST_CHANGE = 0.02;
const MOST_STEPS = 20000;
const MOST_EXTRAPOLATION = 6;

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

function record(r: Recorder, time_s: number, watch: readonly number[], temperature_C: Float64Array, structure: NodeStructure | null): void {
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

interface Fields {
  readonly temperature_C: Float64Array;
  readonly conductivity_W_mK: Float64Array;
  readonly volumeHeat_J_m3K: Float64Array;
  readonly released_J_m3: Float64Array;
}

/** Properties of every node as it stands; below its martensite start the heat of martensite rides on the capacity. */
function readProperties(body: QuenchInput["body"], fields: Fields): void {
  const { temperature_C, conductivity_W_mK: k, volumeHeat_J_m3K: c } = fields;
  for (let i = 0; i < temperature_C.length; i++) {
    const T = temperature_C[i]!;
    if (body.kind === "plain") {
      k[i] = body.material.conductivity_W_mK(T);
      c[i] = body.material.volumeHeat_J_m3K(T);
      continue;
    }
    const s = body.structure;
    const austenite = austeniteLeft(s, i);
    k[i] = conductivity_W_mK(T, austenite, s.martensite[i]!);
    c[i] = volumeHeat_J_m3K(T, austenite, s.martensite[i]!);
    if (T < s.martensiteStart_C[i]!) c[i]! += STEEL_DENSITY_kg_m3 * LATENT_MARTENSITE_J_kg * s.martensiteRate_1_K * austenite;
  }
}

/**
 * Temperature and structure through the stages, by implicit steps that follow the fastest node.
 *
 * @returns the nodes at the end, the watched curves, and whether it ran out of steps.
 * @error first order in time; 1 HRC at most from halving the step in the worst case (test/simulate/quench.test.ts)
 */
export function runQuench({ grid, start_C, stages, body, watch, stepAim_K = 4 }: QuenchInput): QuenchResult {
  const count = grid.columns * grid.nodes;
  const array = (): Float64Array => new Float64Array(count);
  const fields: Fields = {
    temperature_C: array().fill(start_C),
    conductivity_W_mK: array(),
    volumeHeat_J_m3K: array(),
    released_J_m3: array(),
  };
  const [before, middle] = [array().fill(start_C), array()];
  const scratch = makeScratch(grid);
  const recorder = makeRecorder(watch.length);
  const structure = body.kind === "steel" ? body.structure : null;
  const T = fields.temperature_C;
  const stageEnd_s: number[] = [];
  let time_s = 0;
  let steps = 0;
  record(recorder, 0, watch, T, structure);
  for (const stage of stages) {
    let [dt_s, last_s, spent_s] = [FIRST_STEP_s, 0, 0];
    while (spent_s < stage.duration_s - 1e-9 && steps < MOST_STEPS) {
      let step_s = Math.min(dt_s, stage.duration_s - spent_s);
      readProperties(body, fields);
      if (structure !== null) {
        for (let attempt = 0; attempt < 2; attempt++) {
          const ahead = last_s > 0 ? (0.5 * step_s) / last_s : 0;
          for (let i = 0; i < count; i++) {
            const move = ahead * (T[i]! - before[i]!);
            middle[i] = T[i]! + (move > MOST_EXTRAPOLATION ? MOST_EXTRAPOLATION : move < -MOST_EXTRAPOLATION ? -MOST_EXTRAPOLATION : move);
          }
          const largest = proposeChange(structure, middle, step_s);
          if (largest <= LARGEST_CHANGE || attempt === 1) break;
          step_s = Math.max(SHORTEST_STEP_s, (step_s * 0.8 * LARGEST_CHANGE) / largest);
        }
        applyChange(structure, middle);
        for (let i = 0; i < count; i++) {
          const { ferrite, pearlite, bainite } = structure.change;
          fields.released_J_m3[i] = STEEL_DENSITY_kg_m3 * LATENT_DIFFUSIONAL_J_kg * (ferrite[i]! + pearlite[i]! + bainite[i]!);
        }
      }
      before.set(T);
      stepConduction(grid, fields, stage.surroundings, scratch, step_s);
      if (structure !== null) formMartensite(structure, T);
      time_s += step_s;
      spent_s += step_s;
      last_s = step_s;
      steps++;
      let [largestMove, hottest_C] = [0, -Infinity];
      for (let i = 0; i < count; i++) {
        const move = Math.abs(T[i]! - before[i]!);
        if (move > largestMove) largestMove = move;
        if (T[i]! > hottest_C) hottest_C = T[i]!;
      }
      record(recorder, time_s, watch, T, structure);
      if (stage.until_C !== undefined && hottest_C <= stage.until_C) break;
      const factor = Math.min(1.4, Math.max(0.5, stepAim_K / Math.max(largestMove, 1e-9)));
      dt_s = Math.min(stage.longestStep_s, Math.max(SHORTEST_STEP_s, step_s * factor));
    }
    stageEnd_s.push(time_s);
  }
  const cut = (a: Float64Array): Float64Array => a.slice(0, recorder.length);
  return {
    outcome: steps < MOST_STEPS ? "finished" : "step-limit",
    temperature_C: T,
    curve: { time_s: cut(recorder.time_s), temperature_C: recorder.temperature_C.map(cut), martensite: recorder.martensite.map(cut) },
    stageEnd_s,
    steps,
  };
}
