/** How a piece has moved since a reading: risen towards its fire, stood while it became austenite, been held. */

import { LATENT_DIFFUSIONAL_J_kg, STEEL_DENSITY_kg_m3, VOLUME_HEAT } from "../heat/properties.js";
import { heatOfNode_C, LOWEST_C, NODES, STEP_K } from "./heatGrid.js";

/** Towards the temperature of what it lies in, by a time of its own; and since `held` ago towards another: its fire was turned down for a hold. */
export interface Approach {
  readonly towards_C: number;
  /** Of steel above its change: below it that takes up more heat, and in it the piece all but stands still. */
  readonly tau_s: number;
  /** Where it takes in the heat of its change, C. */
  readonly changes_C: number;
  readonly held?: { readonly age_s: number; readonly towards_C: number };
}

/** How a piece has moved since a reading: at a rate, as unsure as a share of it; or towards something. */
export type Drift = { readonly rate_K_s: number; readonly unsure: number } | Approach;

/** Math.hypot takes ten times as long, and this is asked a hundred thousand times a look. */
export function together(a: number, b: number): number {
  return Math.sqrt(a * a + b * b);
}

/** A piece does not keep to any curve better than this, as a share of how far it moved. */
const OFF_CURVE = 0.055;
/** A fire that is held by hand wanders: so far in a second, as a walk, K / s^0.5 (judgement: ten degrees in a minute). */
const WANDERS_K_s05 = 1.3;
/** A hold says nothing of what was longer ago than so many of its times. */
const MOST_TAUS = 4;

/** Where a piece was when a reading was taken that is `age_s` old, by each heat of the grid it may be at now; and the spread that adds. */
export interface Then {
  readonly was_C: Float64Array;
  readonly sd_C: Float64Array;
  /** How fast it moved then, K/s. */
  readonly rate_K_s: Float64Array;
}

export function then(drift: Drift, age_s = 0): Then {
  const was_C = new Float64Array(NODES);
  const sd_C = new Float64Array(NODES);
  const moving_K_s = new Float64Array(NODES);
  if ("rate_K_s" in drift) {
    const { rate_K_s, unsure } = drift;
    sd_C.fill(Math.abs(rate_K_s) * age_s * unsure);
    for (let i = 0; i < NODES; i++) was_C[i] = heatOfNode_C(i) - rate_K_s * age_s;
    return { was_C, sd_C, rate_K_s: moving_K_s.fill(rate_K_s) };
  }
  const { towards_C, tau_s, changes_C, held } = drift;
  const held_s = held === undefined ? 0 : Math.min(age_s, held.age_s);
  const wander_K = WANDERS_K_s05 * Math.sqrt(held_s);
  const backInHold = Math.exp(Math.min(MOST_TAUS, held_s / tau_s));
  const clock = clockOf(drift);
  for (let i = 0; i < NODES; i++) {
    const T = heatOfNode_C(i);
    // A hold lets it fall as well as rise; before it nothing stands above its fire and has fallen to it.
    const atHold_C = held === undefined ? T : held.towards_C + (T - held.towards_C) * backInHold;
    const isInHold = held !== undefined && age_s <= held.age_s;
    was_C[i] = isInHold || atHold_C >= towards_C ? atHold_C : before_C(clock, atHold_C, age_s - held_s);
    const moved_K = Math.abs(T - atHold_C) + Math.abs(atHold_C - was_C[i]!);
    sd_C[i] = together(together(OFF_CURVE * moved_K, wander_K), CHANGE_SD_K * changedBetween(was_C[i]!, atHold_C, changes_C));
    moving_K_s[i] = isInHold
      ? (held.towards_C - was_C[i]!) / tau_s
      : Math.max(0, towards_C - was_C[i]!) / tau_s / slower(was_C[i]!, changes_C);
  }
  return { was_C, sd_C, rate_K_s: moving_K_s };
}

/** Becoming austenite is spread over so many degrees below where the magnet lets go (judgement). */
const CHANGES_OVER_K = 14;

/** Where and how long it stands there differs from bar to bar and from place to place by this much of the way, K (judgement). */
const CHANGE_SD_K = 10;

/** What share of the change lies between two heats. */
function changedBetween(was_C: number, now_C: number, changes_C: number): number {
  return Math.max(0, Math.min(now_C, changes_C) - Math.max(was_C, changes_C - CHANGES_OVER_K)) / CHANGES_OVER_K;
}

/** How much slower it rises there than steel above its change would. */
function slower(T: number, changes_C: number): number {
  const isAbove = T >= changes_C;
  const [at0, perDegree] = isAbove ? VOLUME_HEAT.austenite : VOLUME_HEAT.product;
  const [hot0, hotPerDegree] = VOLUME_HEAT.austenite;
  const change = isAbove || T < changes_C - CHANGES_OVER_K ? 0 : (STEEL_DENSITY_kg_m3 * LATENT_DIFFUSIONAL_J_kg) / CHANGES_OVER_K;
  return (at0 + perDegree * T + change) / (hot0 + hotPerDegree * T);
}

/** When a piece on its way passes each heat of the grid, s after the lowest; it has as many as lie below what it rises to. */
const clocks = new WeakMap<Approach, Float64Array>();

function clockOf(way: Approach): Float64Array {
  const known = clocks.get(way);
  if (known !== undefined) return known;
  const { towards_C, tau_s, changes_C } = way;
  const clock = new Float64Array(Math.min(NODES, Math.ceil((towards_C - LOWEST_C) / STEP_K)));
  for (let i = 1; i < clock.length; i++) {
    let cell_s = 0;
    for (let T = heatOfNode_C(i - 1); T < heatOfNode_C(i); T++) {
      cell_s += tau_s * slower(T + 0.5, changes_C) * Math.log((towards_C - T) / Math.max(1e-3, towards_C - T - 1));
    }
    clock[i] = clock[i - 1]! + cell_s;
  }
  clocks.set(way, clock);
  return clock;
}

/** Where it was so long before it came to a heat. */
function before_C(clock: Float64Array, heat_C: number, ago_s: number): number {
  const at = Math.max(0, Math.min(clock.length - 1, (heat_C - LOWEST_C) / STEP_K));
  const cell = Math.min(clock.length - 2, Math.floor(at));
  const then_s = clock[cell]! + (at - cell) * (clock[cell + 1]! - clock[cell]!) - ago_s;
  let [low, high] = [0, cell + 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (clock[middle]! <= then_s) low = middle;
    else high = middle;
  }
  return heatOfNode_C(low) + (STEP_K * Math.max(0, then_s - clock[low]!)) / (clock[high]! - clock[low]!);
}
