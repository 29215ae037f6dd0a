/**
 * A bath that changes: how warm it is now, by what was read of it, what hot steel went in and how it cools. A Kalman filter of one
 * number: each reading by the one rule (`hand/reading.ts`), each piece by its heat, in between Newton's law with a rate its own readings teach.
 */

import { BATH_JUMPS_AN_HOUR, BATH_JUMPS_UNREAD, BATH_STIRRED, BATH_TOP, type Instrument } from "../hand/instruments.js";
import { afterReading, jumpChance, surpriseOf, type Surprise } from "../hand/reading.js";
import type { BathReason } from "../schema/book.js";
import { bathAfter_C, steelVolume_L, warmingBar_kg, type BathLiquid } from "./bathHeat.js";

export interface BathTank {
  readonly liquid: BathLiquid;
  readonly volume_L: number;
  /** Walls, floor and surface together: what it cools by, m2. */
  readonly area_m2: number;
}

export type BathHappening =
  | { readonly entry: "read"; readonly top_C: number; readonly bottom_C?: number | undefined; readonly isStirred: boolean }
  | { readonly entry: "added"; readonly added_L: number }
  | { readonly entry: "bar"; readonly mass_kg: number; readonly bar_C: number }
  | { readonly entry: "quench"; readonly mass_kg: number; readonly piece_C: number }
  | { readonly entry: "burnt" }
  /** Why the last look did not fit; one that was misread counts no more. */
  | { readonly entry: "because"; readonly why: BathReason };

/** Seconds on any clock, in order. */
export type BathLog = readonly (BathHappening & { readonly at_s: number })[];

/** A look that nothing logged explains. */
export interface BathDoubt {
  /**
   * It moved; or it did or that look was nonsense, which the next one tells; or that look was nonsense: the one after it was as all before.
   */
  readonly is: Exclude<Surprise, "none"> | "slip";
  /** What it should have been then, what was read, and when, by the log's clock. */
  readonly expected_C: number;
  readonly read_C: number;
  readonly at_s: number;
}

export interface BathState {
  /** As it was read last, within the thermometer's own error, and what became of it since. */
  readonly mean_C: number;
  readonly sd_C: number;
  /** What was expected at the last look, C; null where nobody read it. */
  readonly expected_C: number | null;
  /** What has to be asked about; null where all looks fit, and once somebody said why. */
  readonly doubt: BathDoubt | null;
  /** Time constant of its cooling, s, and from how many pairs of readings; of its size alone where there are none. */
  readonly tau_s: number;
  readonly tauFrom: number;
  /** When it was read last, and whether that was stirred; null where nobody read it. */
  readonly read: { readonly age_s: number; readonly isStirred: boolean } | null;
  readonly quenches: number;
  readonly burns: number;
}

/** Of the air about it, and how well that is known, C (judgement). */
export const SHOP_AIR_C = 20;
const AIR_SD_K = 4;
/** A tank loses so much to still air, W/(m2 K), known to half as much again (textbook range of free convection and radiation, from memory). */
const LOSS_W_m2K = 11;
const TAU_SPREAD = 0.4;
/** Nobody read it: about the air, or left warm, K (judgement). */
const UNREAD_SD_K = 15;
/** At the top alone it is warmer than below, K (judgement). */
const TOP_WARMER_K = 2;
/** A look that does not fit is asked about for so long, s (judgement). */
const ASKED_s = 3600;
/** Two looks agree within so many of their deviations. */
const AGREE = 2.5;
/** What a piece brings is known to so much of it: its mass, its heat, what drips (judgement). */
const STEP_SHARE = 0.12;
/** Two readings tell a rate where the bath is so far over the air and fell so far, K; and after so long, s. */
const TELLS_K = 5;
const FELL_K = 1;
const APART_s = 300;

function heat_J_K({ liquid, volume_L }: BathTank): number {
  return (volume_L / 1000) * liquid.density_kg_m3 * liquid.heatCapacity_J_kgK;
}

/** Time constant of a tank that nobody has watched, s. */
export function usualTau_s(tank: BathTank): number {
  return heat_J_K(tank) / (LOSS_W_m2K * tank.area_m2);
}

interface Worth {
  readonly mean_C: number;
  readonly by: Instrument;
}

/** What a look says, and of what sort it is: stirred; at the top alone; top and bottom without stirring. */
function worth({ top_C, bottom_C, isStirred }: Extract<BathHappening, { entry: "read" }>): Worth {
  const mean_C = bottom_C === undefined ? (isStirred ? top_C : top_C - TOP_WARMER_K) : 0.5 * (top_C + bottom_C);
  if (isStirred) return { mean_C, by: BATH_STIRRED };
  return {
    mean_C,
    by: bottom_C === undefined ? BATH_TOP : { ...BATH_TOP, sd: Math.hypot(BATH_STIRRED.sd, Math.abs(top_C - bottom_C) / 4) },
  };
}

/** Readings further apart than this from what its size lets expect tell no rate: something happened between them (deviations of all that is unsure). */
const NO_RATE = 3;

/**
 * The rate of its cooling from readings with nothing between them, and what its size says, together (logarithms of time constants, each
 * a bell). The closed form of Newton's law: tau = dt / ln((T1 - air) / (T2 - air)).
 */
export function learnedTau_s(tank: BathTank, log: BathLog, air_C = SHOP_AIR_C): { tau_s: number; from: number; spread: number } {
  let [weight, sum, from] = [1 / TAU_SPREAD ** 2, Math.log(usualTau_s(tank)) / TAU_SPREAD ** 2, 0];
  log.forEach((second, i) => {
    const first = log[i - 1];
    if (first?.entry !== "read" || second.entry !== "read") return;
    const [a, b] = [worth(first), worth(second)];
    const dt = second.at_s - first.at_s;
    const fell_K = a.mean_C - b.mean_C;
    if (b.mean_C - air_C < TELLS_K || fell_K < FELL_K || dt < APART_s) return;
    const log_ratio = Math.log((a.mean_C - air_C) / (b.mean_C - air_C));
    // How far the logarithm of the time constant is off by either reading and by the air.
    const off = Math.hypot(
      a.by.sd / (a.mean_C - air_C),
      b.by.sd / (b.mean_C - air_C),
      (AIR_SD_K * fell_K) / ((a.mean_C - air_C) * (b.mean_C - air_C)),
    );
    const spread = off / log_ratio;
    const isItsOwn = Math.abs(Math.log(dt / log_ratio / usualTau_s(tank))) < NO_RATE * Math.hypot(TAU_SPREAD, spread);
    if (!isItsOwn) return;
    weight += 1 / spread ** 2;
    sum += Math.log(dt / log_ratio) / spread ** 2;
    from++;
  });
  return { tau_s: Math.exp(sum / weight), from, spread: 1 / Math.sqrt(weight) };
}

/** What is still to be asked after a look: a second one like it says that it moved, one as all before that the first was nonsense. */
function doubtAfter(
  before: BathDoubt | null,
  surprise: Surprise,
  { sd_K, ...look }: Omit<BathDoubt, "is"> & { readonly sd_K: number },
): BathDoubt | null {
  if (surprise === "none") return before?.is === "which" ? { ...before, is: "moved" } : before;
  const isAsBefore = before?.is === "which" && Math.abs(look.read_C - before.expected_C) < AGREE * sd_K;
  return isAsBefore ? { ...before, is: "slip" } : { ...look, is: surprise };
}

/** What each look said of the whole of a bath, C, those left out that were misread. */
export function looksAt(log: BathLog): readonly { readonly at_s: number; readonly C: number }[] {
  return withoutMisread(log).flatMap((what) => (what.entry === "read" ? [{ at_s: what.at_s, C: worth(what).mean_C }] : []));
}

/** Without the looks that somebody said were misread. */
function withoutMisread(log: BathLog): BathLog {
  const misread = new Set(
    log.flatMap((what, i) =>
      what.entry === "because" && what.why === "misread" ? [log.slice(0, i).findLastIndex(({ entry }) => entry === "read")] : [],
    ),
  );
  return misread.size === 0 ? log : log.filter((_, i) => !misread.has(i));
}

/** How a bath is at a moment, by all that was logged before it. */
export function bathState(tank: BathTank, whole: BathLog, now_s: number, air_C = SHOP_AIR_C): BathState {
  const log = withoutMisread(whole.filter(({ at_s }) => at_s <= now_s));
  const { tau_s, from, spread } = learnedTau_s(tank, log, air_C);
  let [mean, variance, at_s] = [air_C, UNREAD_SD_K ** 2, log[0]?.at_s ?? now_s];
  let { volume_L } = tank;
  let [quenches, burns] = [0, 0];
  let looked_s: number | null = null;
  let expected_C: number | null = null;
  let doubt: BathDoubt | null = null;
  const fall = (until_s: number): void => {
    const share = Math.exp(-(until_s - at_s) / tau_s);
    const unsure = (mean - air_C) * ((until_s - at_s) / tau_s) * share * spread;
    variance = variance * share ** 2 + unsure ** 2 + ((1 - share) * AIR_SD_K) ** 2;
    mean = air_C + (mean - air_C) * share;
    at_s = until_s;
  };
  const warmed = (mass_kg: number, steel_C: number): void => {
    const after = bathAfter_C(tank.liquid, volume_L, mean, mass_kg, steel_C);
    variance += (STEP_SHARE * (after - mean)) ** 2;
    mean = after;
  };
  for (const what of log) {
    fall(what.at_s);
    switch (what.entry) {
      case "read": {
        const { mean_C: read_C, by } = worth(what);
        // Before the first look nobody knows how it was left: nothing it reads is a surprise.
        const jumps = looked_s === null ? 1 - by.slip : jumpChance(what.at_s - looked_s, BATH_JUMPS_AN_HOUR, BATH_JUMPS_UNREAD);
        const after = afterReading({ mean, sd: Math.sqrt(variance) }, read_C, by, jumps);
        doubt = doubtAfter(doubt, looked_s === null ? "none" : surpriseOf(after.chance), {
          expected_C: mean,
          read_C,
          at_s: what.at_s,
          sd_K: Math.hypot(Math.sqrt(variance), by.sd),
        });
        expected_C = mean;
        looked_s = what.at_s;
        [mean, variance] = [after.mean, after.sd ** 2];
        break;
      }
      case "quench":
        quenches++;
        warmed(what.mass_kg, what.piece_C);
        break;
      case "bar":
        warmed(what.mass_kg, what.bar_C);
        break;
      case "added":
        mean = (mean * volume_L + air_C * what.added_L) / (volume_L + what.added_L);
        volume_L += what.added_L;
        break;
      case "burnt":
        burns++;
        break;
      case "because":
        doubt = null;
        break;
    }
  }
  fall(now_s);
  const last = log.findLast((what) => what.entry === "read");
  return {
    mean_C: mean,
    sd_C: Math.sqrt(variance),
    expected_C,
    doubt: doubt !== null && now_s - doubt.at_s <= ASKED_s ? doubt : null,
    tau_s,
    tauFrom: from,
    read: last?.entry === "read" ? { age_s: now_s - last.at_s, isStirred: last.isStirred } : null,
    quenches,
    burns,
  };
}

/** What pieces to come make of it: the warmest it gets with each, and how many go in before a limit. */
export function bathAhead(
  tank: BathTank,
  bath_C: number,
  pieces: readonly { readonly mass_kg: number; readonly piece_C: number }[],
): number[] {
  let now = bath_C;
  return pieces.map(({ mass_kg, piece_C }) => (now = bathAfter_C(tank.liquid, tank.volume_L, now, mass_kg, piece_C)));
}

/** How long until it has fallen to a temperature by itself, s; below 0 where it is colder. Newton's law in closed form. */
export function fallsTo_s({ mean_C, tau_s }: Pick<BathState, "mean_C" | "tau_s">, to_C: number, air_C = SHOP_AIR_C): number {
  return tau_s * Math.log(Math.max(1e-6, mean_C - air_C) / Math.max(0.1, to_C - air_C));
}

/** How long until it has fallen so far that a piece brings it no further than a limit, s; 0 where that is so, null where it never is. */
export function waitFor_s(
  tank: BathTank,
  { mean_C, tau_s }: Pick<BathState, "mean_C" | "tau_s">,
  piece: { readonly mass_kg: number; readonly piece_C: number },
  limit_C: number,
  air_C = SHOP_AIR_C,
): number | null {
  const ends = (from_C: number): number => bathAfter_C(tank.liquid, tank.volume_L, from_C, piece.mass_kg, piece.piece_C);
  if (ends(mean_C) <= limit_C) return 0;
  if (ends(air_C + 0.5) > limit_C) return null;
  let [low, high] = [air_C + 0.5, mean_C];
  for (let i = 0; i < 40; i++) {
    const middle = 0.5 * (low + high);
    if (ends(middle) > limit_C) high = middle;
    else low = middle;
  }
  return fallsTo_s({ mean_C, tau_s }, low, air_C);
}

export interface Warming {
  /** Of a bar at this heat, dipped once, kg; and how often a bar of the shop's own weight. */
  readonly bar_kg: number;
  readonly dips: number;
  /** With the heater of the bath, s; null without one, or where it never gets there. */
  readonly heater_s: number | null;
}

/** What warms it to a heat. @param dipped_kg the bar there is */
export function warmingTo(
  tank: BathTank,
  state: Pick<BathState, "mean_C" | "tau_s">,
  to_C: number,
  bar_C: number,
  dipped_kg: number,
  heater_W: number | null,
  air_C = SHOP_AIR_C,
): Warming {
  const bar_kg = state.mean_C >= to_C ? 0 : warmingBar_kg(tank.liquid, tank.volume_L, state.mean_C, to_C, bar_C);
  const C = heat_J_K(tank);
  // What the heater holds it at in the end; it comes there by Newton's law.
  const ends_C = heater_W === null ? air_C : air_C + (heater_W * state.tau_s) / C;
  const heater_s =
    state.mean_C >= to_C
      ? 0
      : heater_W === null || ends_C <= to_C
        ? null
        : state.tau_s * Math.log((ends_C - state.mean_C) / (ends_C - to_C));
  return { bar_kg, dips: Math.max(0, Math.ceil(bar_kg / dipped_kg - 1e-9)), heater_s };
}

/** How far a piece lifts the level, mm. */
export function levelRise_mm(mass_kg: number, surface_mm2: number): number {
  return (1e6 * steelVolume_L(mass_kg)) / surface_mm2;
}
