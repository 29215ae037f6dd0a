/** What a shop's own finished pieces teach of it: its baths, its oven, its way from fire to bath, its heats. From the book alone. */

import { SCHOOL_HEATING } from "../plan/heating.js";
import { pieceState, type PieceState } from "../book/state.js";
import type { HeatContext } from "../heatNow/heatNow.js";
import { eliminated } from "../numerics/elimination.js";
import { hierarchy, type Measured } from "../numerics/hierarchy.js";
import { ovensOf } from "../plan/kit.js";
import { TIED, type ShopKnown } from "../schema/job.js";
import type { Kit } from "../schema/kit.js";
import { bathDoubtOf, dissolutionDoubt, rateDoubt } from "../simulate/hardenSpread.js";
import type { Lesson } from "../simulate/lesson.js";
import { OVEN_K } from "../simulate/temperedPlace.js";
import { asDone } from "./asDone.js";
import { heatDoubt_K, ovenDoubt_K, testsThatCount } from "./known.js";

/** How much of what is not known of a bath, an oven or a steel is the same every time in one shop (judgement). */
const BATH_STAYS = 0.7;
const OVEN_STAYS = 0.8;
const STEEL_STAYS = 0.7;
/** The same of a way to the bath and of heats. */
const HABIT_STAYS = 0.5;
/** A piece further off than this went wrong in a way nobody logged: it teaches nothing of the shop, in deviations. */
const WENT_WRONG = 3;
/** Seconds nobody logs, and how well a tap tells them: logarithms of ratios. */
export const USUAL_TRANSFER_s = 1.5;
const TAPPED = 0.2;
const TRANSFER: Measured = { value: 0, sd: 0.3 };

export interface Factor {
  readonly name: "bath" | "oven" | "steel" | "rate" | "dissolution" | "transfer" | "heat";
  /** Which bath: its medium; which steel. */
  readonly item?: string;
  /** Bath, rate, dissolution and transfer: logarithm of a ratio. Oven and heat: C. Steel: HRC. */
  readonly mean: number;
  readonly sd: number;
  /** What one run more may be off besides. */
  readonly scatter: number;
  /** How many pieces stand behind it. */
  readonly pieces: number;
  /** How sure it was before any piece, where tests teach it. */
  readonly prior_sd?: number;
  /** What was learned from the same tests: covariance with each other factor, by its name and item. */
  readonly goesWith?: Readonly<Record<string, number>>;
}

/** Moved by less than this share of what was open before, and still as open, it says nothing to anybody. */
const MOVED = 0.2;
const NARROWED = 0.9;

/** Whether anything was learned of it that is worth a line. */
export function saysSomething({ mean, sd, prior_sd = 0 }: Factor): boolean {
  return sd < NARROWED * prior_sd || Math.abs(mean) > MOVED * prior_sd || prior_sd === 0;
}

/** What a factor is named by, and switched off by. */
export function factorKey({ name, item }: Pick<Factor, "name" | "item">): string {
  return item === undefined ? name : `${name} ${item}`;
}

/** What a factor that is the logarithm of a ratio says as one. */
export function ratioOf(log: number): number {
  return Math.exp(log);
}

/** What one piece of the book says of the shop. */
export interface Taught {
  readonly id: string;
  /** When the test was made, or it was done, ms: what comes later learns from it. */
  readonly at_ms: number;
  readonly lesson: Lesson | null;
  /** Logarithm of its seconds from fire to bath over the usual. */
  readonly transfer: number | null;
  /** How far its heat was over the one wanted, C. */
  readonly heat: Measured | null;
}

/** Whether a piece may teach: steel, not practice, and done. */
export function mayTeach({ piece, finishedAt_ms, fate }: PieceState): boolean {
  return piece.isPractice !== true && finishedAt_ms !== null && fate === null;
}

/** A piece as it taught, or as it stood when it was planned to be hardened once more. */
export interface Teacher {
  readonly state: PieceState;
  /** Since when what it teaches is known, ms. */
  readonly at_ms: number;
}

/** When what a piece was predicted to be no longer changes: with its first test after the temper, or when it was done. */
export function knownFrom_ms(state: PieceState): number {
  return testsThatCount(state).find(({ act }) => act === "prove")?.at_ms ?? state.finishedAt_ms ?? Infinity;
}

/** How a piece stood, tested, each time it was planned to be hardened once more: that teaches, too. */
function earlierAttempts(state: PieceState): Teacher[] {
  const { id, events, tests } = state;
  if (tests.length === 0) return [];
  // Planned so and then not: its tests are still those of what it is.
  const still = new Set(testsThatCount(state).map((test) => test.id));
  return events.flatMap((event, i): Teacher[] => {
    if (event.kind !== "route") return [];
    const before = pieceState(id, events.slice(0, i));
    const counted = before === null ? [] : testsThatCount(before);
    if (before === null || counted.length === 0 || counted.some((test) => still.has(test.id))) return [];
    const after = pieceState(id, events.slice(0, i + 1))!;
    return testsThatCount(after).length > 0 ? [] : [{ state: before, at_ms: event.at_ms - 1 }];
  });
}

const taughtBy = new WeakMap<PieceState, readonly Teacher[]>();

/** What of a piece may teach: each tested attempt, and what it is where it is done; nothing of practice. */
export function teachersOf(state: PieceState): readonly Teacher[] {
  const known = taughtBy.get(state);
  if (known !== undefined) return known;
  const own = state.piece.isPractice === true ? [] : earlierAttempts(state);
  const all = mayTeach(state) ? [...own, { state, at_ms: knownFrom_ms(state) }] : own;
  taughtBy.set(state, all);
  return all;
}

/** What the log of a piece says of the shop by itself, without a simulation. */
export function habitsOf(state: PieceState, context: HeatContext): Pick<Taught, "transfer" | "heat"> {
  const done = asDone(state, context);
  if (done === null || state.route === null) return { transfer: null, heat: null };
  const quench = done.route.steps.findLast((step) => step.kind === "quench");
  const wanted = state.route.steps.findLast((step) => step.kind === "harden");
  // A heat that falls waits for its pull over the bath: that is no habit of walking.
  const transfer_s = wanted?.fallTo_C === undefined ? quench?.transfer_s : undefined;
  return {
    transfer: transfer_s === undefined ? null : Math.log(transfer_s / USUAL_TRANSFER_s),
    heat:
      done.heat === null || wanted === undefined
        ? null
        : { value: done.heat.mean_C - wanted.temperature_C, sd: Math.max(1, done.heat.sd_C) },
  };
}

/** A joint bell of several unknowns that are learned from lines through them. */
class Unknowns {
  private readonly names: readonly string[];
  /** Precision, and precision times mean. */
  private readonly P: number[][];
  private readonly q: number[];
  readonly pieces: number[];

  constructor(prior: ReadonlyMap<string, number>) {
    this.names = [...prior.keys()];
    this.P = this.names.map((_, i) => this.names.map((__, j) => (i === j ? 1 / prior.get(this.names[i]!)! ** 2 : 0)));
    this.q = this.names.map(() => 0);
    this.pieces = this.names.map(() => 0);
  }

  /** `value` = sum of slopes times unknowns, give or take `sd`. */
  learn(slopes: ReadonlyMap<string, number>, value: number, sd: number): void {
    const h = this.names.map((name) => slopes.get(name) ?? 0);
    h.forEach((a, i) => {
      if (a === 0) return;
      this.pieces[i]!++;
      this.q[i]! += (a * value) / sd ** 2;
      h.forEach((b, j) => void (this.P[i]![j]! += (a * b) / sd ** 2));
    });
  }

  /** Mean and standard deviation of each, and how it goes with the others, by elimination. */
  known(): {
    readonly name: string;
    readonly mean: number;
    readonly sd: number;
    readonly pieces: number;
    readonly goesWith: Record<string, number>;
  }[] {
    const n = this.names.length;
    const rows = eliminated(this.P.map((row, i) => [...row, this.q[i]!, ...row.map((_, j) => (i === j ? 1 : 0))]));
    return this.names.map((name, i) => ({
      name,
      mean: rows[i]![n]!,
      sd: Math.sqrt(Math.max(0, rows[i]![n + 1 + i]!)),
      pieces: this.pieces[i]!,
      goesWith: Object.fromEntries(
        this.names.flatMap((other, j) => (j === i || this.pieces[j] === 0 ? [] : [[other, rows[i]![n + 1 + j]!]])),
      ),
    }));
  }
}

type Unknown = Pick<Factor, "name" | "item"> & { readonly prior_sd: number; readonly scatter: number };

/** What there is to be learned from these tests: each bath, each steel, and the oven; with how far it may be off. */
function unknownsOf(lessons: readonly Lesson[], oven_K: number): ReadonlyMap<string, Unknown> {
  const found = new Map<string, Unknown>();
  const add = (key: string, unknown: Pick<Factor, "name" | "item">, sd: number, stays: number): void =>
    void found.set(key, { ...unknown, prior_sd: Math.sqrt(stays) * sd, scatter: Math.sqrt(1 - stays) * sd });
  for (const { medium, bathIsWater, steel, steel_HRC } of lessons) {
    add(`bath ${medium}`, { name: "bath", item: medium }, bathDoubtOf(bathIsWater), BATH_STAYS);
    add(
      `steel ${steel}`,
      { name: "steel", item: steel },
      Math.max(steel_HRC, (found.get(`steel ${steel}`)?.prior_sd ?? 0) / Math.sqrt(STEEL_STAYS)),
      STEEL_STAYS,
    );
  }
  // What our kinetics do not know of a steel is the same every time.
  for (const { steel } of lessons) {
    add(`rate ${steel}`, { name: "rate", item: steel }, rateDoubt({}), 1);
    add(`dissolution ${steel}`, { name: "dissolution", item: steel }, dissolutionDoubt({}), 1);
  }
  add("oven", { name: "oven" }, oven_K, OVEN_STAYS);
  return new Map([...found].sort(([a], [b]) => (a < b ? -1 : 1)));
}

function fromTests(taught: readonly Taught[], oven_K: number): Factor[] {
  const lessons = taught.flatMap(({ lesson }) => (lesson === null ? [] : [lesson]));
  const all = unknownsOf(lessons, oven_K);
  const unknowns = new Unknowns(new Map([...all].map(([key, { prior_sd }]) => [key, prior_sd])));
  for (const { medium, steel, surprise_HRC, sd_HRC, perBath_HRC, perRate_HRC, perDissolution_HRC, perOven_HRC_K } of lessons) {
    const slopes = new Map([
      [`bath ${medium}`, perBath_HRC],
      [`steel ${steel}`, 1],
      [`rate ${steel}`, perRate_HRC],
      [`dissolution ${steel}`, perDissolution_HRC],
      ["oven", perOven_HRC_K],
    ]);
    const sum = (of: (unknown: Unknown) => number): number =>
      [...slopes].reduce((total, [key, slope]) => total + (slope * of(all.get(key)!)) ** 2, 0);
    const noise = Math.sqrt(sd_HRC ** 2 + sum(({ scatter }) => scatter));
    if (Math.abs(surprise_HRC) > WENT_WRONG * Math.sqrt(noise ** 2 + sum(({ prior_sd }) => prior_sd))) continue;
    unknowns.learn(slopes, surprise_HRC, noise);
  }
  return unknowns.known().flatMap(({ name: key, mean, sd, pieces, goesWith }): Factor[] => {
    const { name, item, scatter, prior_sd } = all.get(key)!;
    return pieces === 0 ? [] : [{ name, ...(item === undefined ? {} : { item }), mean, sd, scatter, pieces, prior_sd, goesWith }];
  });
}

function habit(name: "transfer" | "heat", measured: readonly Measured[], prior: Measured): Factor[] {
  if (measured.length === 0) return [];
  const { mean, sd, scatter } = hierarchy(
    measured,
    { ...prior, sd: Math.sqrt(HABIT_STAYS) * prior.sd },
    2 * prior.sd,
    Math.sqrt(1 - HABIT_STAYS) * prior.sd,
  );
  return [{ name, mean, sd, scatter, pieces: measured.length }];
}

export interface LearnOptions {
  /** How far an oven of this shop is off by what its kit says, one deviation, K. */
  readonly oven_K?: number;
  readonly heat_K?: number;
}

/**
 * Factors of the shop from what its pieces taught, whatever their order.
 * A joint normal of bath, steel and oven from the model's prior, and normal means with a half-normal prior of their scatter (Gelman et al.
 * 2013 and Gelman 2006, from memory).
 */
export function learnShop(taught: readonly Taught[], { oven_K = OVEN_K, heat_K = 12 }: LearnOptions = {}): Factor[] {
  const transfers = taught.flatMap(({ transfer }) => (transfer === null ? [] : [{ value: transfer, sd: TAPPED }]));
  const heats = taught.flatMap(({ heat }) => (heat === null ? [] : [heat]));
  return [...fromTests(taught, oven_K), ...habit("transfer", transfers, TRANSFER), ...habit("heat", heats, { value: 0, sd: heat_K })];
}

/** The same with what the kit says of oven and heats: one answer for the kit's page and the command line. */
export function learnedIn(kit: Kit | null, taught: readonly Taught[]): Factor[] {
  if (kit === null) return learnShop(taught);
  return learnShop(taught, { oven_K: ovenDoubt_K(ovensOf(kit)[0]), heat_K: heatDoubt_K(SCHOOL_HEATING.forge, kit) });
}

/** What the factors say of a run in this shop: of a bath it was never seen with, and of what was switched off, nothing. */
export function shopLearned(
  factors: readonly Factor[],
  { medium, steel }: { readonly medium: string; readonly steel: string },
  planned: ShopKnown | undefined,
): ShopKnown | undefined {
  const of = (name: Factor["name"], item?: string): Factor | undefined => factors.find((f) => f.name === name && f.item === item);
  const next = ({ mean, sd, scatter }: Factor) => ({ mean, sd: Math.hypot(sd, scatter) });
  const known: Readonly<Record<keyof Omit<ShopKnown, "fire" | "ties" | "transferElse">, Factor | undefined>> = {
    bathRatio: of("bath", medium),
    rateRatio: of("rate", steel),
    dissolutionRatio: of("dissolution", steel),
    steel_HRC: of("steel", steel),
    oven_K: of("oven"),
    transferRatio: of("transfer"),
    heat_K: of("heat"),
  };
  const learned = Object.fromEntries(
    Object.entries(known).flatMap(([name, factor]) => (factor === undefined ? [] : [[name, next(factor)]])),
  );
  if (Object.keys(learned).length === 0) return planned;
  const ties = TIED.flatMap((one, i) =>
    TIED.slice(i + 1).flatMap((other) => {
      const [a, b] = [known[one], known[other]];
      const together = b && a?.goesWith?.[factorKey(b)];
      return !together ? [] : [{ one, other, r: Math.max(-1, Math.min(1, together / (next(a).sd * next(b).sd))) }];
    }),
  );
  return { ...planned, ...learned, ...(ties.length === 0 ? {} : { ties }) };
}
