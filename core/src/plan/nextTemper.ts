/** A further temper after a measurement: what to set, by two readings of why it came out as it did. */

import { temperatureForHardness, temperedHardness, type TemperCycle, type TemperSteel } from "../kinetics/temper.js";
import { bisect } from "../numerics/root.js";

export interface NextTemperInput {
  readonly steel: TemperSteel;
  readonly asQuenched_HRC: number;
  readonly done: readonly TemperCycle[];
  readonly measured_HRC: number;
  /** Standard deviation of the measurement, HRC. */
  readonly measuredSd_HRC: number;
  /** How far the prediction may be off, HRC; that of a steel about its curve where it is not given. */
  readonly modelSd_HRC?: number;
  readonly target_HRC: number;
  readonly hold_min: number;
}

export type NextTemper =
  | { readonly outcome: "enough" }
  /** No temper makes it harder again. */
  | { readonly outcome: "already-softer" }
  | {
      readonly outcome: "found";
      /** The cooler of the two, so that one can always go again. */
      readonly temperature_C: number;
      /** If this bar simply runs harder or softer than the curve. */
      readonly ifMaterial_C: number | null;
      /** If the oven was off in the tempers so far. */
      readonly ifOven_C: number | null;
      /** How far the piece is taken to be off the curve after weighing model and measurement, HRC. */
      readonly offset_HRC: number;
    };

/** Standard deviation of a steel about its curve, HRC: temper-note section 2. */
const MODEL_HRC = 1;
/** Nearer to the target than this is near enough, HRC. */
const NEAR_HRC = 0.3;

/** @source temper-note section 2 (judgement); check values in test/plan/route.test.ts */
export function nextTemper({
  steel,
  asQuenched_HRC,
  done,
  measured_HRC,
  measuredSd_HRC,
  modelSd_HRC = MODEL_HRC,
  target_HRC,
  hold_min,
}: NextTemperInput): NextTemper {
  if (target_HRC > measured_HRC + NEAR_HRC) return { outcome: "already-softer" };
  if (target_HRC > measured_HRC - NEAR_HRC) return { outcome: "enough" };
  const at = (cycles: readonly TemperCycle[]): number => temperedHardness({ steel, cycles, asQuenched_HRC }).hardness_HRC;
  const model_HRC = at(done);
  const offset_HRC = ((measured_HRC - model_HRC) * modelSd_HRC ** 2) / (modelSd_HRC ** 2 + measuredSd_HRC ** 2);
  const solve = (before: readonly TemperCycle[], wanted_HRC: number): number | null => {
    const answer = temperatureForHardness({ steel, asQuenched_HRC, done: before, target_HRC: wanted_HRC, holds_min: [hold_min] });
    return answer.outcome === "found" ? answer.temperature_C : null;
  };
  const ifMaterial_C = solve(done, target_HRC - offset_HRC);
  const shift = bisect(
    (K) => at(done.map((c) => ({ ...c, temperature_C: c.temperature_C + K }))) - (model_HRC + offset_HRC),
    -60,
    60,
    0.005,
  );
  const ifOven_C =
    shift.outcome === "found"
      ? solve(
          done.map((c) => ({ ...c, temperature_C: c.temperature_C + shift.x })),
          target_HRC,
        )
      : null;
  const found = [ifMaterial_C, ifOven_C].filter((T): T is number => T !== null);
  if (found.length === 0) return { outcome: "already-softer" };
  return { outcome: "found", temperature_C: Math.min(...found), ifMaterial_C, ifOven_C, offset_HRC };
}

/** A route whose last hardening is done over: normalised first where that is wanted, heated and quenched before the tempers still to come. */
export function hardenAgain<S extends { readonly kind: string }>(
  steps: readonly S[],
  normalise: S | null,
  last = steps.map(({ kind }) => kind).lastIndexOf("quench"),
): S[] {
  const heat = steps
    .slice(0, last + 1)
    .filter(({ kind }) => kind === "harden")
    .at(-1);
  if (last < 0 || heat === undefined) return [...steps];
  return [...steps.slice(0, last + 1), ...(normalise === null ? [] : [normalise]), heat, steps[last]!, ...steps.slice(last + 1)];
}
