/** What a test does to a set of simulated pieces: each is weighed by how well it explains the test, and learns from it itself. */

import type { Bell } from "../numerics/mixture.js";

/** How well each hardness explains a test, in units of its own. */
export type Likelihood = (hardness_HRC: number) => number;

export interface Learned {
  readonly mean: number;
  readonly sd: number;
  /** How well the bell as a whole explained it. */
  readonly explains: number;
}

/** A bell is looked at out to so many deviations, at so many places. */
const FAR = 5;
const PLACES = 201;

/** A bell after a test, by its first two moments. */
export function learnedFrom({ mean, sd }: Bell, likelihood: Likelihood): Learned {
  if (sd <= 0) return { mean, sd, explains: likelihood(mean) };
  let [sum, all, first, second] = [0, 0, 0, 0];
  for (let i = 0; i < PLACES; i++) {
    const z = FAR * ((2 * i) / (PLACES - 1) - 1);
    const density = Math.exp(-0.5 * z * z);
    const weight = density * likelihood(mean + sd * z);
    all += density;
    sum += weight;
    first += weight * z;
    second += weight * z * z;
  }
  if (!(sum > 0)) return { mean, sd, explains: 0 };
  const at = first / sum;
  return { mean: mean + sd * at, sd: sd * Math.sqrt(Math.max(0, second / sum - at * at)), explains: sum / all };
}

/** A set after a test. @param bells one or more */
export function weighed(bells: readonly Bell[], likelihood: Likelihood): Bell[] {
  const after = bells.map((bell) => {
    const { mean, sd, explains } = learnedFrom(bell, likelihood);
    return { mean, sd, weight: (bell.weight ?? 1) * explains };
  });
  // What none of them can be tells none of them apart.
  return after.some(({ weight }) => weight > 0) ? after : [...bells];
}

/**
 * A member of such a set through quench and temper: how far its hardness as quenched lies from what was simulated, HRC, and how far
 * the temper ends from its law, in deviations of that; both together a plane bell.
 */
export interface MemberBelief {
  readonly weight: number;
  readonly asQuenched_HRC: number;
  readonly law: number;
  readonly varianceAsQuenched: number;
  readonly covariance: number;
  readonly varianceLaw: number;
}

export function freshMember(sd_HRC: number, weight = 1): MemberBelief {
  return { weight, asQuenched_HRC: 0, law: 0, varianceAsQuenched: sd_HRC ** 2, covariance: 0, varianceLaw: 1 };
}

/** Where a member's hardness is looked at: after some of the tempers, or none. */
export interface LookedAt {
  /** Of the member as simulated, HRC. */
  readonly hardness_HRC: number;
  /** What a point more as quenched leaves there, HRC. */
  readonly perPoint: number;
  /** One deviation of the temper from its law there, HRC. */
  readonly law_HRC: number;
}

/** What a member says of its hardness where it is looked at. */
export function bellOf(member: MemberBelief, { hardness_HRC, perPoint, law_HRC }: LookedAt): Bell {
  const variance =
    perPoint ** 2 * member.varianceAsQuenched + 2 * perPoint * law_HRC * member.covariance + law_HRC ** 2 * member.varianceLaw;
  return {
    mean: hardness_HRC + perPoint * member.asQuenched_HRC + law_HRC * member.law,
    sd: Math.sqrt(Math.max(0, variance)),
    weight: member.weight,
  };
}

/** The member after a test that was made where it is looked at: by the rule for bells that are tied to each other. */
export function memberAfter(member: MemberBelief, at: LookedAt, likelihood: Likelihood): MemberBelief {
  const bell = bellOf(member, at);
  const { mean, sd, explains } = learnedFrom(bell, likelihood);
  if (bell.sd === 0) return { ...member, weight: member.weight * explains };
  const variance = bell.sd ** 2;
  const tied = at.perPoint * member.varianceAsQuenched + at.law_HRC * member.covariance;
  const tiedLaw = at.perPoint * member.covariance + at.law_HRC * member.varianceLaw;
  const [gain, gainLaw] = [tied / variance, tiedLaw / variance];
  const less = sd ** 2 - variance;
  return {
    weight: member.weight * explains,
    asQuenched_HRC: member.asQuenched_HRC + gain * (mean - bell.mean),
    law: member.law + gainLaw * (mean - bell.mean),
    varianceAsQuenched: member.varianceAsQuenched + gain * gain * less,
    covariance: member.covariance + gain * gainLaw * less,
    varianceLaw: member.varianceLaw + gainLaw * gainLaw * less,
  };
}
