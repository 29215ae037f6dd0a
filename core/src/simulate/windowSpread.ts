/**
 * How long a piece may be bent after its bath, with its spread: the fall of one simulated piece, run again through what nobody knows of bath,
 * air and steel. A cooling rate is known to a quarter; half a per cent of martensite must not move a window by a minute.
 */

import { ROOM_C } from "../constants.js";
import { LATENT_MARTENSITE_J_kg, STEEL_DENSITY_kg_m3, volumeHeat_J_m3K } from "../heat/properties.js";
import { normalDraws } from "../numerics/sampling.js";
import type { BodySection } from "../schema/parts.js";
import { bodySize } from "./hardenCase.js";
import { AIR } from "./section.js";

/** When half of a place is hard, s after the piece went in, in the middle and in five and ninety-five of a hundred; infinite where it never is. */
export interface ShutSpread {
  readonly p05_s: number;
  readonly p50_s: number;
  readonly p95_s: number;
  /** Every case, soonest first, all as likely; infinite where it never shuts. */
  readonly ends_s: readonly number[];
}

/** How a place falls: its temperatures from the moment it goes under. */
export interface PlaceFall {
  readonly time_s: Float64Array;
  readonly temperature_C: Float64Array;
  readonly martensite: Float64Array;
}

export interface WindowAsked {
  /** From the moment it went under, as the case had it; left in for as long as that run has it. */
  readonly fall: PlaceFall;
  readonly section: BodySection;
  readonly bath_C: number;
  /** When it left its last bath in that run, and when it is to leave it here, s after it went in. */
  readonly leftAt_s: number;
  readonly out_s: number;
  readonly martensiteStart_C: number;
  readonly martensiteRate_1_K: number;
  /** Chance that the place hardens at all. */
  readonly chanceHard: number;
  /** How far the bath may be off ours, one deviation: logarithm of a ratio. */
  readonly bath_ln: number;
}

/** Below this a bath no longer boils and its rate is known to a quarter: logarithm (judgement). Air is known better. */
const CALM_C = 350;
const CALM_LN = 0.22;
const AIR_LN = 0.1;
/** Of the martensite start, K, as the ensemble has it; of the thickness. */
const START_SD_K = 12;
const THICKNESS = 0.03;
/** Half hard: bending by hand is dangerous above (common practice, no source). */
const HALF = 0.5;
const CASES = 64;
const SEED = 41;
const STEP_s = 0.25;
const LONGEST_s = 900;

/** When the case passed each temperature on its way down, s; below what it saw in its bath it goes on as it did last (Newton). */
function passes({ fall: { time_s, temperature_C }, leftAt_s, bath_C }: WindowAsked): (T: number) => number {
  const last = Math.max(
    1,
    time_s.findIndex((t) => t > leftAt_s),
  );
  const n = time_s[last]! > leftAt_s ? last : time_s.length;
  const lowest: number[] = [];
  let low = Infinity;
  for (let i = 0; i < n; i++) lowest.push((low = Math.min(low, temperature_C[i]!)));
  const [end_s, end_C] = [time_s[n - 1]!, Math.max(bath_C + 0.5, low)];
  const back = Math.max(0, n - 6);
  const fell = Math.log(Math.max(1e-6, lowest[back]! - bath_C) / Math.max(1e-6, end_C - bath_C));
  const rate_1_s = Math.max(1e-3, fell / Math.max(1e-6, end_s - time_s[back]!));
  return (T) => {
    if (T <= end_C) return end_s + Math.log((end_C - bath_C) / Math.max(1e-6, T - bath_C)) / rate_1_s;
    let [a, b] = [0, n - 1];
    while (b - a > 1) {
      const middle = (a + b) >> 1;
      if (lowest[middle]! > T) a = middle;
      else b = middle;
    }
    const span = lowest[a]! - lowest[b]!;
    return time_s[a]! + (span > 0 ? ((lowest[a]! - T) / span) * (time_s[b]! - time_s[a]!) : 0);
  };
}

interface Drawn {
  /** Slower in its bath by this, where it boils and below; slower in air; later to turn hard, K. */
  readonly hot: number;
  readonly calm: number;
  readonly air: number;
  readonly start_K: number;
}

/** In air from a temperature until it is so hard, s: the heat of its own change holds it back. Infinite where it never is. */
function inAir_s({ section, martensiteRate_1_K: k }: WindowAsked, from_C: number, start_C: number, half_C: number, slower: number): number {
  const { size_mm, isRound } = bodySize(section);
  const perArea_m = size_mm / 1000 / (isRound ? 4 : 2);
  let [T, time_s] = [from_C, 0];
  while (T > half_C) {
    if (time_s > LONGEST_s) return Infinity;
    const turning = T < start_C ? k * Math.exp(-k * (start_C - T)) : 0;
    const heat_J_m3K = volumeHeat_J_m3K(T, 0.5, 0.5) + STEEL_DENSITY_kg_m3 * LATENT_MARTENSITE_J_kg * turning;
    T -= (STEP_s * AIR.heatTransfer_W_m2K(T) * (T - ROOM_C)) / (perArea_m * heat_J_m3K) / slower;
    time_s += STEP_s;
  }
  return time_s;
}

function shutsAt_s(asked: WindowAsked, passed_s: (T: number) => number, half_C: number, { hot, calm, air, start_K }: Drawn): number {
  const own_C = half_C + start_K;
  const calm_s = passed_s(CALM_C);
  const under_s = (T: number): number => {
    const t = passed_s(T);
    return t <= calm_s ? hot * t : hot * calm_s + hot * calm * (t - calm_s);
  };
  const bathShut_s = under_s(Math.max(asked.bath_C + 1, own_C));
  if (bathShut_s <= asked.out_s) return own_C > asked.bath_C ? bathShut_s : Infinity;
  // How warm it is as it comes out, by halving: under_s falls with the temperature.
  let [low_C, high_C] = [own_C, 900];
  for (let i = 0; i < 30; i++) {
    const middle_C = 0.5 * (low_C + high_C);
    if (under_s(middle_C) > asked.out_s) low_C = middle_C;
    else high_C = middle_C;
  }
  return asked.out_s + inAir_s(asked, high_C, asked.martensiteStart_C + start_K, own_C, air);
}

/** Temperature at which half of the place was hard in the case; by the law of martensite where all of it was not hard. */
function halfHard_C({ fall: { temperature_C, martensite }, martensiteStart_C, martensiteRate_1_K }: WindowAsked): number {
  const i = martensite.findIndex((m) => m >= HALF);
  return i > 0 && martensite[martensite.length - 1]! > 0.8 ? temperature_C[i]! : martensiteStart_C - Math.LN2 / martensiteRate_1_K;
}

function quantile(sorted: readonly number[], p: number): number {
  return sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))]!;
}

export function spreadOfEnds(ends: readonly number[]): ShutSpread {
  const ends_s = [...ends].sort((a, b) => a - b);
  return { p05_s: quantile(ends_s, 0.05), p50_s: quantile(ends_s, 0.5), p95_s: quantile(ends_s, 0.95), ends_s };
}

/**
 * When half of a place is hard, in as many cases as there are doubts of bath (boiling, and calm below 350 C), air, martensite start and thickness;
 * in as many of them as it does not harden, never.
 *
 * @error docs/hand.md: 500 blades of the simulated shop
 */
export function shutSpread(asked: WindowAsked): ShutSpread {
  const passed_s = passes(asked);
  const half_C = halfHard_C(asked);
  const soft = Math.round((1 - asked.chanceHard) * CASES);
  const ends = normalDraws(CASES, 5, SEED).map(([a, b, c, d, e], i) =>
    // The soft ones lie anywhere among the draws.
    (i * 37) % CASES < soft
      ? Infinity
      : shutsAt_s(asked, passed_s, half_C, {
          hot: Math.exp(asked.bath_ln * a! + THICKNESS * e!),
          calm: Math.exp(CALM_LN * b!),
          air: Math.exp(AIR_LN * c!),
          start_K: START_SD_K * d!,
        }),
  );
  return spreadOfEnds(ends);
}

/** Chance that it may still be bent at a moment, 0 … 1. */
export function chanceOpen({ ends_s }: Pick<ShutSpread, "ends_s">, at_s: number): number {
  return ends_s.filter((end_s) => end_s > at_s).length / ends_s.length;
}
