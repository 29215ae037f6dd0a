/** A place of a piece as quenched and after its tempers: a set of simulated pieces, weighed by what was tested of this one. */

import { withSurprises } from "../evidence/belief.js";
import { bellOf, freshMember, memberAfter, type Likelihood, type LookedAt, type MemberBelief } from "../evidence/weigh.js";
import { temperedHardness, type TemperCycle, type TemperSteel } from "../kinetics/temper.js";
import { meanOf, mixtureBetween, summaryOf, type Bell } from "../numerics/mixture.js";
import type { Drawn } from "../kinetics/structure.js";
import type { HardnessValue, SimulatedBell } from "./hardenSpread.js";
import { DRAWN, tiedRows } from "./shopTies.js";

/** What a place will be: of the ensemble with all its doubts, HRC. */
export interface Estimate {
  readonly mean_HRC: number;
  readonly sd_HRC: number;
  readonly p05_HRC: number;
  readonly p50_HRC: number;
  readonly p95_HRC: number;
  /** Its members, each a bell; weighed, where something was tested. */
  readonly members: readonly Bell[];
  /** What a test is weighed against: the members, a piece beside them that failed for a reason nobody logged, and one that is hard all the same. */
  readonly against: readonly Bell[];
}

/** Chance that it lies between two hardnesses, 0 ... 1. */
export function chanceBetween({ members }: Estimate, low_HRC: number, high_HRC: number): number {
  return mixtureBetween(members, low_HRC, high_HRC);
}

function estimate(members: readonly Bell[], against: readonly Bell[]): Estimate {
  const { mean, sd, p05, p50, p95 } = summaryOf(members);
  return { mean_HRC: mean, sd_HRC: sd, p05_HRC: p05, p50_HRC: p50, p95_HRC: p95, members, against };
}

/** hardening-model: rates, bath, dissolution. heat-and-steel: what the smith does not know. colour: in the place of the oven, of a run. */
export type SpreadCause = "hardening-model" | "heat-and-steel" | "oven" | "colour" | "temper-model";

/** What would narrow it: a second thermometer in the oven, a probe in the fire, a tester on the piece when it is done. */
export type Narrowing = "oven-thermometer" | "probe" | "tester";

export interface Share {
  readonly cause: SpreadCause;
  readonly sd_HRC: number;
  /** What the whole spread of the place would be after the check that narrows this, HRC. */
  readonly narrowing: { readonly check: Narrowing; readonly leaves_HRC: number };
}

/** An oven nobody calibrated, and where in it the piece lies, K: temper-note sections 2 and 3. */
export const OVEN_K = 20;
const PLACE_K = 4;

export interface Tempers {
  readonly steel: TemperSteel;
  readonly cycles: readonly TemperCycle[];
  /** What says how hot it got. */
  readonly by: "oven" | "colour";
  /** How far that may be off what the cycles say, K, one deviation. */
  readonly oven_K: number;
  /** How far this steel is known to be off its curves, HRC; as far as the law may be, where nobody knows. */
  readonly off?: { readonly mean: number; readonly sd: number } | undefined;
  /** How both go with what of the shop a member was drawn with: the last two rows of `tiedRows`. Nothing where nobody knows. */
  readonly ties?: readonly [off: readonly number[], oven: readonly number[]] | undefined;
  /** How far the heat may have been off, K, one deviation. */
  readonly heat_K: number;
  /** Of a colour that was run to: the heat of each place behind the edge, in the place of the last cycle's. */
  readonly fall?: { readonly draw: number; readonly behind_mm: readonly number[]; readonly heat_C: readonly number[] } | null;
}

/** A node after the tempers, HRC. @param drawn what drew it before them: it comes to its tempers drawn already, and is not drawn twice */
export function temperedAt(steel: TemperSteel, cycles: readonly TemperCycle[], asQuenched_HRC: number, drawn?: Drawn | null): number {
  if (cycles.length === 0) return asQuenched_HRC;
  if (!drawn) return temperedHardness({ steel, cycles, asQuenched_HRC }).hardness_HRC;
  const before = { temperature_C: drawn.temperature_C, hold_min: 60 };
  const both = temperedHardness({ steel, cycles: [before, ...cycles], asQuenched_HRC: drawn.fresh_HRC });
  return Math.min(asQuenched_HRC, both.hardness_HRC);
}

/** What members were drawn by, in the middle; null where none was. */
function usuallyDrawn(members: readonly SimulatedBell[]): Drawn | null {
  const drawn = members.flatMap(({ drawn }) => drawn ?? []);
  if (drawn.length === 0) return null;
  const mean = (of: (one: Drawn) => number): number => drawn.reduce((sum, one) => sum + of(one), 0) / drawn.length;
  return { temperature_C: mean((one) => one.temperature_C), fresh_HRC: mean((one) => one.fresh_HRC) };
}

export interface Law {
  readonly at: (asQuenched_HRC: number, drawn?: Drawn | null, shop?: readonly number[]) => number;
  readonly perPoint: number;
  /** What a degree more in the oven changes, HRC. */
  readonly perKelvin_HRC_K: number;
  readonly oven_HRC: number;
  readonly law_HRC: number;
}

/** So much of what a steel may be off stands in the floor of every simulated piece too, HRC: once it is learned it counts once. */
const IN_THE_FLOOR_HRC = 1;
const LEAST_STEEL_HRC = 0.5;

function onceCounted(sd_HRC: number): number {
  return Math.sqrt(Math.max(LEAST_STEEL_HRC ** 2, sd_HRC ** 2 - IN_THE_FLOOR_HRC ** 2));
}

const [UNTIED_OFF, UNTIED_OVEN] = tiedRows({}).slice(DRAWN) as [readonly number[], readonly number[]];

/** How far the law of the tempers may be off, of all members together: hard ones and soft ones are told better than what lies between. */
function lawDoubt_HRC(members: readonly SimulatedBell[], steel: TemperSteel, cycles: readonly TemperCycle[]): number {
  let [sum, all] = [0, 0];
  for (const { mean: asQuenched_HRC, weight = 1 } of members) {
    sum += weight * temperedHardness({ steel, asQuenched_HRC, cycles }).model_HRC ** 2;
    all += weight;
  }
  return Math.sqrt(sum / all);
}

/** The tempers about members as quenched: where they lead, what a point more leaves, and how far off they may be. */
export function lawAbout(members: readonly SimulatedBell[], { steel, cycles, oven_K, off, ties }: Tempers): Law {
  const mean_HRC = meanOf(members);
  const usually = usuallyDrawn(members);
  if (cycles.length === 0) return { at: (hrc) => hrc, perPoint: 1, perKelvin_HRC_K: 0, oven_HRC: 0, law_HRC: 0 };
  const at = (asQuenched_HRC: number, drawn: Drawn | null, shift_K = 0): number =>
    (off?.mean ?? 0) +
    temperedAt(
      steel,
      cycles.map(({ temperature_C, hold_min }) => ({ temperature_C: temperature_C + shift_K, hold_min })),
      asQuenched_HRC,
      drawn,
    );
  const perKelvin_HRC_K = (at(mean_HRC, usually, 4) - at(mean_HRC, usually, -4)) / 8;
  // A point less is a point less of what it was before anything drew it.
  const softer = usually && { ...usually, fresh_HRC: usually.fresh_HRC - 1 };
  // What each deviation of the shop's own draws adds, and last what steel and oven add by themselves.
  const [offRow, ovenRow] = ties ?? [UNTIED_OFF, UNTIED_OVEN];
  const off_HRC = off?.sd ?? lawDoubt_HRC(members, steel, cycles);
  const adds = ovenRow.map((of, k) => off_HRC * (offRow[k] ?? 0) + perKelvin_HRC_K * oven_K * of);
  const [law_HRC, oven_HRC] = adds.slice(DRAWN).map(Math.abs) as [number, number];
  return {
    at: (asQuenched_HRC, drawn = null, shop = []) =>
      at(asQuenched_HRC, drawn) + shop.reduce((sum, deviations, k) => sum + deviations * adds[k]!, 0),
    perPoint: Math.max(0, at(mean_HRC, usually) - at(mean_HRC - 1, softer)),
    perKelvin_HRC_K,
    oven_HRC: Math.hypot(oven_HRC, perKelvin_HRC_K * PLACE_K),
    law_HRC: off === undefined ? law_HRC : onceCounted(law_HRC),
  };
}

function lookAt({ at, perPoint, oven_HRC, law_HRC }: Law, { simulated_HRC, drawn, shop }: Omit<Suspect, "belief">): LookedAt {
  return { hardness_HRC: at(simulated_HRC, drawn, shop), perPoint, law_HRC: Math.hypot(oven_HRC, law_HRC) };
}

/** A test of the place: after how many of the tempers it was made, and what it says. */
export interface Tested {
  readonly tempers: number;
  readonly says: Likelihood;
}

export interface TemperedPlace {
  readonly asQuenched: Estimate;
  readonly tempered: Estimate;
  /** Largest first. */
  readonly spread: readonly Share[];
}

/** What a place was simulated to be as quenched. */
export type Simulated = Pick<HardnessValue, "members" | "model_HRC" | "input_HRC" | "heat_HRC">;

/** Three readings of a tester that was set by a block, HRC (evidence/rockwell). */
export const TESTER_HRC = 0.75;
/** An oven that was checked, and a probe that was read as the piece left the fire, K (judgement; standing/known). */
const CHECKED_OVEN_K = 6;
const PROBED_K = 6;

interface Spread {
  readonly simulated: Simulated;
  readonly law: Law;
  readonly tempers: Tempers;
  /** Who it may be, and what is believed of each. */
  readonly beliefs: readonly MemberBelief[];
  readonly all_HRC: number;
}

/**
 * Where the spread comes from, and what each check would leave. What oven and law still leave open is in what is believed of each member;
 * the rest is which of them it is, told apart as the ensemble has it. The four together are the whole: a test ties quench and temper to
 * each other, so that both together are known better than each.
 */
function spreadOf({ simulated: { model_HRC, input_HRC, heat_HRC }, law, tempers, beliefs, all_HRC }: Spread): Share[] {
  const temper_HRC = Math.hypot(law.oven_HRC, law.law_HRC);
  const sum = beliefs.reduce((total, { weight }) => total + weight, 0);
  const mean = (of: (belief: MemberBelief) => number): number =>
    beliefs.reduce((total, belief) => total + belief.weight * of(belief), 0) / Math.max(1e-300, sum);
  const open = temper_HRC ** 2 * mean(({ varianceLaw }) => varianceLaw);
  const tied = 2 * law.perPoint * temper_HRC * mean(({ covariance }) => covariance);
  const quench = Math.max(0, all_HRC ** 2 - open - tied);
  const scale = all_HRC / Math.max(1e-9, Math.sqrt(quench + open));
  const temperLeft = (scale * Math.sqrt(open)) / Math.max(1e-9, temper_HRC);
  const [oven_HRC, law_HRC] = [temperLeft * law.oven_HRC, temperLeft * law.law_HRC];
  const hardening_HRC = (scale * Math.sqrt(quench)) / Math.max(1e-9, Math.hypot(model_HRC, input_HRC));
  const without = (part_HRC: number, share: number): number =>
    Math.sqrt(Math.max(0, all_HRC ** 2 - part_HRC ** 2 * (1 - Math.min(1, share) ** 2)));
  const oven = { check: "oven-thermometer", leaves_HRC: without(oven_HRC, CHECKED_OVEN_K / Math.max(1e-9, tempers.oven_K)) } as const;
  const probe = { check: "probe", leaves_HRC: without(hardening_HRC * heat_HRC, PROBED_K / Math.max(1e-9, tempers.heat_K)) } as const;
  const tester = { check: "tester", leaves_HRC: 1 / Math.sqrt(1 / Math.max(1e-9, all_HRC) ** 2 + 1 / TESTER_HRC ** 2) } as const;
  const shares: Share[] = [
    { cause: "hardening-model", sd_HRC: hardening_HRC * model_HRC, narrowing: tester },
    { cause: "heat-and-steel", sd_HRC: hardening_HRC * input_HRC, narrowing: probe },
    tempers.by === "oven" ? { cause: "oven", sd_HRC: oven_HRC, narrowing: oven } : { cause: "colour", sd_HRC: oven_HRC, narrowing: tester },
    { cause: "temper-model", sd_HRC: law_HRC, narrowing: tester },
  ];
  return shares.filter(({ sd_HRC }) => sd_HRC > 0).sort((a, b) => b.sd_HRC - a.sd_HRC);
}

/** A piece that may be this one: what it was simulated to be as quenched, and what is believed of it since. */
interface Suspect {
  readonly simulated_HRC: number;
  readonly drawn: Drawn | null;
  readonly shop: readonly number[];
  readonly belief: MemberBelief;
}

/** The members, and last of all the piece that failed unseen and the one that is hard all the same; all as they were before any test. */
function suspectsOf({ members }: Simulated): Suspect[] {
  const all: readonly SimulatedBell[] = withSurprises(members);
  return all.map(({ mean, sd, drawn = null, shop = [], weight = 1 }) => ({
    simulated_HRC: mean,
    drawn,
    shop,
    belief: freshMember(sd, weight),
  }));
}

const SURPRISES = 2;

function placeFrom(simulated: Simulated, tempers: Tempers, suspects: readonly Suspect[], wasTested: boolean): TemperedPlace {
  const law = lawAbout(simulated.members, tempers);
  const estimated = (at: Law, of: readonly Suspect[]): Estimate => {
    const against = of.map((suspect) => bellOf(suspect.belief, lookAt(at, suspect)));
    // Nobody expects the piece that failed unseen, or is hard all the same, until a test speaks for it.
    return estimate(wasTested ? against : against.slice(0, -SURPRISES), against);
  };
  const asQuenched = estimated(lawAbout(simulated.members, { ...tempers, cycles: [] }), suspects);
  const tempered = estimated(law, suspects);
  const beliefs = (wasTested ? suspects : suspects.slice(0, -SURPRISES)).map(({ belief }) => belief);
  return { asQuenched, tempered, spread: spreadOf({ simulated, law, tempers, beliefs, all_HRC: tempered.sd_HRC }) };
}

/** The same members after the tempers, nothing else: what a search asks of each temper it tries. */
export function temperedBells(members: readonly SimulatedBell[], tempers: Tempers): Bell[] {
  const law = lawAbout(members, tempers);
  return members.map(({ mean, sd, drawn = null, shop = [], weight = 1 }) =>
    bellOf(freshMember(sd, weight), lookAt(law, { simulated_HRC: mean, drawn, shop })),
  );
}

/** A place nobody tested, as quenched and after the tempers, member by member. */
export function temperPlace(tempers: Tempers, simulated: Simulated): TemperedPlace {
  return placeFrom(simulated, tempers, suspectsOf(simulated), false);
}

export interface TestedPlaces {
  readonly working: TemperedPlace;
  readonly thickest: TemperedPlace;
  /** Weight of each member, of the piece that failed unseen beside them, and of the one that is hard all the same: together 1. */
  readonly weights: readonly number[];
}

/**
 * The working place, where it was tested, and the thickest beside it. A piece that failed for a reason nobody logged stands beside the
 * members: weighed against it, a soft file is not forced into a soft member. What the thickest place learns is which members it may be,
 * and how the temper ran.
 * Importance weights, each member a bell of its own (West 1993, from memory); the linear rule for tied bells is exact for bells and
 * measurements that are bells.
 */
export function testedPlaces(
  tempers: Tempers,
  working: Simulated,
  thickest: Simulated,
  tests: readonly Tested[],
  thickestTempers: Tempers = tempers,
): TestedPlaces {
  let suspects = suspectsOf(working);
  for (const { tempers: count, says } of tests) {
    const law = lawAbout(working.members, { ...tempers, cycles: tempers.cycles.slice(0, count) });
    const after = suspects.map((suspect) => memberAfter(suspect.belief, lookAt(law, suspect), says));
    const sum = after.reduce((total, { weight }) => total + weight, 0);
    if (!(sum > 0)) continue;
    suspects = suspects.map((suspect, i) => ({ ...suspect, belief: { ...after[i]!, weight: after[i]!.weight / sum } }));
  }
  const beside = suspectsOf(thickest).map((suspect, i): Suspect => {
    const { weight, law, varianceLaw } = suspects[i]!.belief;
    return { ...suspect, belief: { ...suspect.belief, weight, law, varianceLaw } };
  });
  return {
    working: placeFrom(working, tempers, suspects, true),
    thickest: placeFrom(thickest, thickestTempers, beside, true),
    weights: suspects.map(({ belief }) => belief.weight),
  };
}
