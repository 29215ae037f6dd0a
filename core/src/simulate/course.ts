/** Carries a section through surroundings, one after another, while its structure changes. The one loop that joins heat and kinetics. */

import type { Grid, Surroundings } from "../heat/conduction.js";
import { LATENT_MARTENSITE_J_kg, STEEL_DENSITY_kg_m3 } from "../heat/properties.js";
import { HIDDEN } from "../kinetics/changeKernel.js";
import { follow } from "../kinetics/follow.js";
import { CURIE_C } from "../kinetics/austenite.js";
import type { Structure } from "../kinetics/structure.js";
import { pullsAgain } from "../kinetics/transform.js";
import { noteCold } from "../kinetics/warming.js";
import {
  COLDEST_C,
  HOTTEST_C,
  LARGEST_MOVE_K,
  LOST_J_m,
  makeFields,
  readProperties,
  referenceForm,
  SPEED_1_s,
  type Body,
  type Fields,
} from "./courseForm.js";
import { kernelForm } from "./kernelForm.js";

export type { Body } from "./courseForm.js";

/** One stretch: into these surroundings, until a time has passed or every node is cool (or hot) enough. */
export interface Exchange {
  readonly kind: "exchange";
  readonly surroundings: Surroundings;
  readonly duration_s: number;
  /** Ends the stretch early once the hottest node is at or below this, C. */
  readonly until_C?: number;
  /** Ends it early once the coldest node is at or above this, C. */
  readonly untilHot_C?: number;
  /** Ends it early once this node pulls a magnet again. */
  readonly untilPulls?: number;
  readonly longestStep_s: number;
}

/** One stretch in which the piece, even in itself, follows a temperature by time since its start. */
export interface Follow {
  readonly kind: "follow";
  readonly temperature_C: (time_s: number) => number;
  readonly duration_s: number;
}

export type Stretch = Exchange | Follow;

/**
 * Kernel: as quick as it goes. Reference: the same equations as they are meant to be read. Unhidden: the kernel with every
 * growth applied at once, which nothing but rounding parts from the reference.
 */
export type Form = "kernel" | "unhidden" | "reference";

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
  /** Largest fraction a node may change by in a step before the step is cut. */
  readonly largestChange?: number;
  /** Keeps the whole field at these times after the start, s, ascending; the last step before each is kept. */
  readonly frames_s?: readonly number[];
  /** Ends once no node can change any more but by martensite: enough for the hardness at room temperature. */
  readonly untilSettled?: boolean;
  /** Follows the heat lost against the heat given up, for checking. */
  readonly isBalanced?: boolean;
  readonly form?: Form;
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
const MOST_STEPS = 60000;
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

/** The first node from `from` on that has not begun to be martensite and has austenite left; `count` when there is none. */
function firstUnsettled({ count, ferrite, pearlite, bainite, martensite }: Structure, from: number): number {
  let i = from;
  while (i < count && (martensite[i]! > 0.01 || 1 - ferrite[i]! - pearlite[i]! - bainite[i]! <= 1e-4)) i++;
  return i;
}

/** Follows the heat given up inside a step: capacity before and after, less what the changes set free. */
function makeBalance(grid: Grid, body: Body, fields: Fields): { begin: () => void; givenUp_J_m: () => number } {
  const structure = body.kind === "plain" ? null : body.structure;
  const martensiteBefore = new Float64Array(fields.temperature_C.length);
  return {
    begin: () => void (structure !== null && martensiteBefore.set(structure.martensite)),
    givenUp_J_m: () => {
      readProperties(body, fields, fields.before, false);
      const capacityBefore = Float64Array.from(fields.volumeHeat_J_m3K);
      readProperties(body, fields, fields.temperature_C, false);
      let sum = 0;
      for (let j = 0; j < grid.columns; j++) {
        for (let i = 0; i < grid.nodes; i++) {
          const at = j * grid.nodes + i;
          const volume = grid.halfThickness_m[j]! * grid.cellShare[i]! * grid.columnHeight_m[j]!;
          const capacity = 0.5 * (capacityBefore[at]! + fields.volumeHeat_J_m3K[at]!);
          const martensite = structure === null ? 0 : structure.martensite[at]! - martensiteBefore[at]!;
          sum +=
            volume *
            (capacity * (fields.before[at]! - fields.temperature_C[at]!) +
              fields.released_J_m3[at]! +
              STEEL_DENSITY_kg_m3 * LATENT_MARTENSITE_J_kg * martensite);
        }
      }
      return sum;
    },
  };
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
  largestChange = 0.02,
  frames_s = [],
  untilSettled = false,
  isBalanced = false,
  form = "kernel",
}: CourseInput): CourseResult {
  const count = grid.columns * grid.nodes;
  const fields = makeFields(count, start_C);
  const { temperature_C: T, before } = fields;
  const step = form === "reference" ? referenceForm(grid, body, fields) : kernelForm(grid, body, fields, form === "kernel" ? HIDDEN : 0);
  const balance = isBalanced ? makeBalance(grid, body, fields) : null;
  const recorder = makeRecorder(watch.length);
  const structure = body.kind === "plain" ? null : body.structure;
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
    let [dt_s, last_s, spent_s, settled] = [FIRST_STEP_s, 0, 0, 0];
    before.set(T);
    while (spent_s < stretch.duration_s - 1e-9 && steps < MOST_STEPS) {
      let step_s = Math.min(dt_s, stretch.duration_s - spent_s);
      for (let attempt = 0; attempt < 2; attempt++) {
        const largest = step.propose(step_s, last_s);
        if (largest <= largestChange || attempt === 1) break;
        step_s = Math.max(SHORTEST_STEP_s, (step_s * 0.8 * largestChange) / largest);
      }
      balance?.begin();
      step.take(stretch.surroundings, step_s, last_s);
      lost_J_m += step.read[LOST_J_m]!;
      given_J_m += balance?.givenUp_J_m() ?? 0;
      time_s += step_s;
      spent_s += step_s;
      last_s = step_s;
      steps++;
      record(recorder, time_s, watch, T, structure);
      keepFrame();
      // What has settled stays so while it cools: the search goes on where it ended.
      if (untilSettled && structure !== null) {
        settled = firstUnsettled(structure, settled);
        if (settled === count) break;
      }
      if (
        stretch.untilPulls !== undefined &&
        structure !== null &&
        pullsAgain(structure, stretch.untilPulls, T[stretch.untilPulls]!, CURIE_C)
      )
        break;
      if (stretch.until_C !== undefined && step.read[HOTTEST_C]! <= stretch.until_C) break;
      if (stretch.untilHot_C !== undefined && step.read[COLDEST_C]! >= stretch.untilHot_C) break;
      const factor = Math.min(1.4, Math.max(0.5, stepAim_K / Math.max(step.read[LARGEST_MOVE_K]!, 1e-9)));
      const speed = step.read[SPEED_1_s]!;
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
