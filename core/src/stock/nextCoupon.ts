/**
 * The coupon that tells most of what matters for a piece: in which baths its thickness hardens, and how hard. By expected information (Shannon;
 * Lindley 1956, from memory): how much sooner one would know, averaged over what the coupon may show.
 */

import { normalCdf } from "../numerics/normal.js";
import { isWater } from "../heat/bathKind.js";
import type { Medium } from "../schema/medium.js";
import type { Section } from "../schema/parts.js";
import { usualHeat_C, type Treated } from "./bench.js";
import { spreadOf, type Belief } from "./belief.js";
import type { Member } from "./members.js";

/** What a row of files tells apart, HRC, and to how much. */
const FILES_HRC = [45, 50, 55, 60, 65] as const;
const FILE_SD = 2;

export interface Outcome {
  /** Between these files it comes to; null beyond the last. */
  readonly from_HRC: number | null;
  readonly to_HRC: number | null;
  readonly chance: number;
  /** After it, how likely it is that the best bath hardens the piece. */
  readonly bestBath: { readonly medium: string; readonly hardens: number };
}

export interface NextCoupon {
  readonly treated: Treated;
  /** How much of what is not known yet it tells, 0 ... 1. */
  readonly tells: number;
  readonly outcomes: readonly Outcome[];
  /** The chance that the best bath hardens the piece, now, and after it on the average. */
  readonly now: number;
  readonly after: number;
}

export interface Wanted {
  /** Of the piece that is to be made of it. */
  readonly section: Section;
  /** Baths the shop has. */
  readonly media: readonly Medium[];
  /** Heats its fire gives, C. */
  readonly heats_C?: readonly number[];
}

const HOLD_MIN = 5;
/** Hard through. */
const THROUGH = 0.8;
/** Carbon is known well enough in such steps, wt%: what each makes of martensite differs by a file. */
const CARBON_wtpct = [0.35, 0.48, 0.58, 0.7, 0.85, 1] as const;

export function entropy(shares: readonly number[]): number {
  return -shares.reduce((sum, p) => (p > 0 ? sum + p * Math.log(p) : sum), 0);
}

/** Information that a reading of classes gives of a state, nats: by the chance of each class for each member. */
export function information(states: readonly string[], weights: readonly number[], chances: readonly (readonly number[])[]): number {
  const classes = chances[0]!.length;
  const joint = new Map<string, number[]>();
  const marginal = Array.from({ length: classes }, () => 0);
  states.forEach((state, i) => {
    const own = joint.get(state) ?? Array.from({ length: classes }, () => 0);
    chances[i]!.forEach((p, k) => {
      own[k] = own[k]! + weights[i]! * p;
      marginal[k] = marginal[k]! + weights[i]! * p;
    });
    joint.set(state, own);
  });
  const whole = entropy([...joint.values()].map((own) => own.reduce((sum, p) => sum + p, 0)));
  const left = marginal.reduce((sum, p, k) => {
    if (p <= 0) return sum;
    return sum + p * entropy([...joint.values()].map((own) => own[k]! / p));
  }, 0);
  return whole - left;
}

/** Chance of each class of a row of files for a hardness. */
export function classesOf(hrc: number): number[] {
  const below = [...FILES_HRC.map((file) => normalCdf((file - hrc) / FILE_SD)), 1];
  return below.map((p, k) => p - (k === 0 ? 0 : below[k - 1]!));
}

/** For each bath how likely it hardens the piece, by the heat each member wants. */
export function hardensIn({ members, bench }: Belief, { section, media }: Wanted): readonly (readonly boolean[])[] {
  return media.map((medium) =>
    members.map(
      (member) =>
        bench.harden(
          member,
          { section, heat_C: usualHeat_C(member.steel), hold_min: HOLD_MIN, medium, bath_C: medium.usualBath_C },
          "centre",
        ).hard >= THROUGH,
    ),
  );
}

/** A coupon as thick as the piece, or a forged flat of so much, mm. */
const FLATS_mm = [3, 6] as const;
const HEATS_C = [800, 830, 860] as const;
/** A coupon that tells less than this of what is open is not worth its steel. */
export const WORTH_ITS_STEEL = 0.08;
/** So likely to harden it is planned without another one. */
export const SAFE = 0.95;

/** In water so many of what is rich in carbon or alloy crack, and of all else (judgement; Grossmann and Bain 1964 on the causes, from memory). */
const [CRACKS, CRACKS_PLAIN] = [0.35, 0.05];
const [RICH_C, RICH_ALLOY] = [0.68, 0.4];

function survives({ steel: { C, Cr, Mo, Ni } }: Member, medium: Medium): number {
  if (!isWater(medium)) return 1;
  return 1 - (C > RICH_C || Cr + Mo + 0.5 * Ni > RICH_ALLOY ? CRACKS : CRACKS_PLAIN);
}

/**
 * The bath that most likely hardens it and leaves it whole: of two alike the milder, which comes first.
 * @returns its place, and how likely it hardens in it
 */
export function bestBath({ members, weights: own }: Belief, { media }: Wanted, hardens: readonly (readonly boolean[])[], weights = own) {
  const worth = media.map((medium, k) =>
    members.reduce((sum, member, i) => sum + (hardens[k]![i] ? weights[i]! * survives(member, medium) : 0), 0),
  );
  const index = worth.reduce((found, chance, i) => (chance > worth[found]! + 0.02 ? i : found), 0);
  return { index, chance: hardens[index]!.reduce((sum, isHard, i) => sum + (isHard ? weights[i]! : 0), 0) };
}

/** How much a coupon tells of what is open, and its classes for each member; what is open is none where all is known. */
export function teller(belief: Belief, wanted: Wanted, hardens = hardensIn(belief, wanted)) {
  const { members, weights, bench } = belief;
  const states = members.map(({ steel }, i) => {
    const carbon = CARBON_wtpct.filter((C) => steel.C >= C).length;
    return `${carbon} ${hardens.map((own) => (own[i] ? 1 : 0)).join("")}`;
  });
  const whole = entropy([...weightsBy(states, weights).values()]);
  return (treated: Treated): { readonly tells: number; readonly chances: readonly (readonly number[])[] } => {
    const chances = members.map((member) => classesOf(bench.harden(member, treated, "centre").hrc));
    return { tells: whole < 1e-6 ? 0 : Math.min(1, information(states, weights, chances) / whole), chances };
  };
}

/** Null where nothing that could be made tells enough. */
export function nextCoupon(belief: Belief, wanted: Wanted): NextCoupon | null {
  const { weights } = belief;
  const { media, section, heats_C = HEATS_C } = wanted;
  if (media.length === 0) return null;
  const hardens = hardensIn(belief, wanted);
  const told = teller(belief, wanted, hardens);
  const sections: Section[] = [section, ...FLATS_mm.map((thickness_mm): Section => ({ shape: "plate", thickness_mm }))];
  let best: (ReturnType<typeof told> & { readonly treated: Treated }) | null = null;
  for (const medium of media) {
    for (const heat_C of heats_C) {
      for (const own of sections) {
        const treated: Treated = { section: own, heat_C, hold_min: HOLD_MIN, medium, bath_C: medium.usualBath_C };
        const one = told(treated);
        if (best === null || one.tells > best.tells + 1e-9) best = { ...one, treated };
      }
    }
  }
  if (best === null || best.tells < WORTH_ITS_STEEL) return null;
  const { treated, chances, tells } = best;
  const now = bestBath(belief, wanted, hardens);
  const outcomes = [...FILES_HRC, null].flatMap((to_HRC, k): Outcome[] => {
    const own = weights.map((w, i) => w * chances[i]![k]!);
    const chance = own.reduce((sum, w) => sum + w, 0);
    if (chance < 0.01) return [];
    const then = bestBath(
      belief,
      wanted,
      hardens,
      own.map((w) => w / chance),
    );
    return [
      { from_HRC: k === 0 ? null : FILES_HRC[k - 1]!, to_HRC, chance, bestBath: { medium: media[then.index]!.id, hardens: then.chance } },
    ];
  });
  const after =
    outcomes.reduce((sum, { chance, bestBath: { hardens: then } }) => sum + chance * then, 0) /
    outcomes.reduce((sum, { chance }) => sum + chance, 0);
  return { treated, tells, outcomes, now: now.chance, after };
}

function weightsBy(states: readonly string[], weights: readonly number[]): Map<string, number> {
  const sums = new Map<string, number>();
  states.forEach((state, i) => sums.set(state, (sums.get(state) ?? 0) + weights[i]!));
  return sums;
}

/** Whether a piece can be planned as it is known now: its best bath hardens nearly all that is possible, and they come out alike. */
export function isSafe(belief: Belief, wanted: Wanted): boolean {
  const hardens = hardensIn(belief, wanted);
  if (wanted.media.length === 0) return false;
  const { index, chance } = bestBath(belief, wanted, hardens);
  if (chance < SAFE) return false;
  const medium = wanted.media[index]!;
  const hard = belief.members.flatMap((member, i) => (hardens[index]![i] ? [[member, belief.weights[i]!] as const] : []));
  const treated = (heat_C: number): Treated => ({
    section: wanted.section,
    heat_C,
    hold_min: HOLD_MIN,
    medium,
    bath_C: medium.usualBath_C,
  });
  const all = hard.reduce((sum, [, w]) => sum + w, 0);
  const hrc = hard.map(([member]) => belief.bench.harden(member, treated(usualHeat_C(member.steel)), "surface").hrc);
  return (
    spreadOf(
      hrc,
      hard.map(([, w]) => w / all),
    ).sd <= ALIKE_HRC
  );
}

/** As hard as each other, one deviation, HRC: a temper and a file then find the rest. */
const ALIKE_HRC = 2;
