/** Hardness after tempering: Hollomon-Jaffe equivalent temperature, drop by carbon and alloy, mixed structures. */

import { temperLawFile } from "../generated/data.js";
import { requireRange } from "../errors.js";
import { clamp, linear, monotoneCubic, smoothstep } from "../numerics/interpolate.js";
import { bisect } from "../numerics/root.js";
import { celsiusFromKelvin, kelvin } from "../units.js";
import type { TemperLawFile } from "../schema/kinetics.js";
import { fullComposition, type Composition } from "./composition.js";
import { rockwellCFromVickers, vickersFromRockwellC } from "./hardness.js";

export interface TemperCycle {
  readonly temperature_C: number;
  readonly hold_min: number;
}

/** What tempering needs to know of a steel. Listed steels bring a nominal hardness and a trim; others get A255's line. */
export interface TemperSteel {
  readonly composition_wtpct: Composition;
  /** Carbon in the austenite at the usual hardening heat, wt%. */
  readonly carbonInSolution_wtpct: number;
  /** Hardness when fully hardened. */
  readonly nominal_HRC: number;
  readonly trim_HRC: number;
  readonly isListed: boolean;
}

export interface TemperLaw {
  /** Drop of martensite, HRC, by its equivalent temperature, C: of 0.7 % carbon, and what each per cent more adds. */
  readonly base: (equivalent_C: number) => number;
  readonly carbon: (equivalent_C: number) => number;
  /** What alloy holds back, HRC per wt% up to a cap. */
  readonly resistance: readonly {
    readonly element: keyof Composition;
    readonly scale: number;
    readonly cap_wtpct: number;
    readonly shape: (equivalent_C: number) => number;
  }[];
  /** Fully hardened steel that is not listed, HRC, by its carbon. */
  readonly nominal: (carbon_wtpct: number) => number;
}

/**
 * The law from its constants (core/data/kinetics/temper.json).
 * @source grange1977 (shapes of the resistance, from memory); the rest fitted: tools/fit, docs/model/temper-and-tests.md
 */
export function makeTemperLaw(file: TemperLawFile): TemperLaw {
  return {
    base: monotoneCubic(file.at_C, file.drop_HRC),
    carbon: monotoneCubic(file.at_C, file.carbon_HRC_wtpct),
    resistance: file.resistance.map(({ element, scale, cap_wtpct = Infinity, shape_HRC_wtpct }) => ({
      element,
      scale,
      cap_wtpct,
      shape: monotoneCubic(file.resistanceAt_C, shape_HRC_wtpct),
    })),
    nominal: (carbon_wtpct) => linear(file.nominal.carbon_wtpct, file.nominal.hardness_HRC, carbon_wtpct),
  };
}

/** As fitted. */
export const TEMPER_LAW = makeTemperLaw(temperLawFile);

/** Hollomon-Jaffe constant for hours. @source hollomonJaffe1945 (from memory) */
export function hollomonConstant(carbon_wtpct: number): number {
  return 21.3 - 5.8 * carbon_wtpct;
}

/** The parameter P = K (C + log10 t) after more time at an absolute temperature: what was done before counts as time there. */
export function addTemper_K(P: number, absolute_K: number, time_h: number, constant: number): number {
  // Exponential and logarithm to the base e: the powers of ten cost three times as much, in the innermost loop of an oven.
  const before_h = P > 0 ? Math.exp((P / absolute_K - constant) * Math.LN10) : 0;
  return Math.max(P, absolute_K * (constant + Math.log(before_h + time_h) * Math.LOG10E));
}

/**
 * The one-hour temperature that tempers as much as all the cycles, C. Cycles add by equivalent time, so a much cooler
 * later one adds nothing; 20 C when there is none.
 *
 *     P = K (C + log10 t)   t in hours, K absolute
 *
 * @throws InputError for a temperature outside 0 ... 750 C or a hold outside 0 ... 6000 min.
 * @source hollomonJaffe1945 (from memory)
 */
export function equivalentTemperature_C(cycles: readonly TemperCycle[], carbon_wtpct: number): number {
  const C = hollomonConstant(carbon_wtpct);
  let P = 0;
  cycles.forEach(({ temperature_C, hold_min }, i) => {
    requireRange(`/cycles/${i}/temperature_C`, temperature_C, 0, 750);
    requireRange(`/cycles/${i}/hold_min`, hold_min, 0, 6000);
    if (hold_min === 0) return;
    P = addTemper_K(P, kelvin(temperature_C), hold_min / 60, C);
  });
  return P > 0 ? Math.max(20, celsiusFromKelvin(P / C)) : 20;
}

/** Softening of a fully martensitic piece, HRC. */
export function temperDrop_HRC(steel: TemperSteel, equivalent_C: number, law: TemperLaw = TEMPER_LAW): number {
  const Te = equivalent_C;
  const alloy = law.resistance.reduce(
    (sum, { element, scale, cap_wtpct, shape }) => sum + scale * Math.min(steel.composition_wtpct[element], cap_wtpct) * shape(Te),
    0,
  );
  const carbon = law.carbon(Te) * (steel.carbonInSolution_wtpct - 0.7);
  return Math.max(0, law.base(Te) + carbon - alloy - steel.trim_HRC * clamp((Te - 100) / 100, 0, 1));
}

export interface TemperInput {
  readonly steel: TemperSteel;
  readonly cycles: readonly TemperCycle[];
  /** Hardness before tempering; nominal when nobody tested or simulated it. */
  readonly asQuenched_HRC?: number;
  /** Retained austenite before tempering, 0 ... 1. */
  readonly retainedAustenite?: number;
  /** Other than as fitted: for the fit itself. */
  readonly law?: TemperLaw;
}

export interface Tempered {
  readonly hardness_HRC: number;
  readonly equivalent_C: number;
  /** Standard deviation of the model itself, HRC. */
  readonly model_HRC: number;
}

/** How far a law may be off in its working range and beyond it, HRC: so that nine in ten of the table points lie inside (test/kinetics/temper.test.ts). */
const LISTED_HRC = [0.65, 1.1] as const;
const UNLISTED_HRC = [1.4, 1.8] as const;

/** Retained austenite in a tempered piece, HV. */
export const TEMPERED_RETAINED_HV = 250;

/**
 * Hardness after tempering. Martensite follows the steel's curve; what was pearlite or bainite hardly changes; retained
 * austenite becomes bainite between 200 and 300 C.
 * @source temper-note sections 1.2 to 1.4 (calibrated)
 * @error 0.5 HRC rms against 149 remembered table points, 0.6 leaving each steel out (test/kinetics/temper.test.ts)
 */
export function temperedHardness({ steel, cycles, asQuenched_HRC, retainedAustenite: ra = 0, law = TEMPER_LAW }: TemperInput): Tempered {
  const Te = equivalentTemperature_C(cycles, steel.carbonInSolution_wtpct);
  const AQ = asQuenched_HRC ?? steel.nominal_HRC;
  // Harder than the steel's usual figure is martensite harder than usual, not more than all of it.
  const full_HRC = Math.max(steel.nominal_HRC, AQ);
  const martensite_HRC = full_HRC - temperDrop_HRC(steel, Te, law);
  const [v0, vm] = [vickersFromRockwellC(full_HRC), vickersFromRockwellC(martensite_HRC)];
  const vn = 230 + 165 * Math.min(steel.carbonInSolution_wtpct, 0.8);
  const vnTempered = vn * (1 - 0.2 * smoothstep(Te, 480, 700));
  const withoutRetained = (vickersFromRockwellC(AQ) - ra * TEMPERED_RETAINED_HV) / (1 - ra);
  const share = clamp((withoutRetained - vn) / (v0 - vn), 0, 1);
  const phi = smoothstep(Te, 200, 300);
  const retained = (1 - phi) * TEMPERED_RETAINED_HV + phi * vm;
  const mixed = (1 - ra) * (share * vm + (1 - share) * vnTempered) + ra * retained;
  const inWorkingRange = Te >= 150 && Te <= 425;
  const [inside, outside] = steel.isListed ? LISTED_HRC : UNLISTED_HRC;
  const base = inWorkingRange ? inside : outside;
  // How the hard part of a mixture tempers is in doubt by a quarter of what it is short of hard; what never hardened has nothing to temper.
  const slack = 0.25 * Math.max(0, steel.nominal_HRC - AQ) * share;
  // A piece that never hardened is softer than the pearlite of the mixing rule: tempering cannot make it harder.
  const hardness_HRC = Math.min(rockwellCFromVickers(mixed), Math.max(AQ, martensite_HRC));
  return { hardness_HRC: share > 0 ? hardness_HRC : Math.min(AQ, hardness_HRC), equivalent_C: Te, model_HRC: Math.hypot(base, slack) };
}

/** What tempering knows of a steel that is not listed: nominal by its carbon, no trim. */
export function unlistedTemperSteel(composition_wtpct: Partial<Composition>, law: TemperLaw = TEMPER_LAW): TemperSteel {
  const full = fullComposition(composition_wtpct);
  return {
    composition_wtpct: full,
    carbonInSolution_wtpct: full.C,
    nominal_HRC: law.nominal(full.C),
    trim_HRC: 0,
    isListed: false,
  };
}

export interface TemperForInput {
  readonly steel: TemperSteel;
  readonly target_HRC: number;
  /** Length of each cycle still to come, min; all at one temperature. */
  readonly holds_min: readonly number[];
  readonly done?: readonly TemperCycle[];
  readonly asQuenched_HRC?: number;
}

export type TemperAnswer =
  | { readonly outcome: "found"; readonly temperature_C: number; readonly slope_HRC_K: number }
  | { readonly outcome: "too-hard-to-reach" }
  | { readonly outcome: "too-soft-to-reach" };

/** Between which a temper is looked for, C. */
export const TEMPER_SEARCH_C = [100, 700] as const;

/** Tempering temperature that gives a hardness, C, within TEMPER_SEARCH_C. */
export function temperatureForHardness({ steel, target_HRC, holds_min, done = [], asQuenched_HRC }: TemperForInput): TemperAnswer {
  const at = (temperature_C: number): number =>
    temperedHardness({
      steel,
      cycles: [...done, ...holds_min.map((hold_min) => ({ temperature_C, hold_min }))],
      ...(asQuenched_HRC === undefined ? {} : { asQuenched_HRC }),
    }).hardness_HRC;
  const [least_C, most_C] = TEMPER_SEARCH_C;
  const root = bisect((T) => at(T) - target_HRC, least_C, most_C, 0.005);
  if (root.outcome === "found") {
    const slope_HRC_K = (at(Math.min(most_C, root.x + 2)) - at(Math.max(least_C, root.x - 2))) / 4;
    return { outcome: "found", temperature_C: root.x, slope_HRC_K };
  }
  return { outcome: at(least_C) < target_HRC ? "too-hard-to-reach" : "too-soft-to-reach" };
}
