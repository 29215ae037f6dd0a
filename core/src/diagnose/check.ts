/** Looks that tell causes apart: what each answers, how often with each cause, and which is worth the most now. */

import { CHECKS, LOOK_ANSWERS, type Answer, type CheckCode } from "../schema/book.js";
import type { Cause, Finding } from "../schema/job.js";
import type { Ranked } from "./diagnose.js";

/** How often each gives its first answer: with a cause that is named, and with any other (judgement; no count of them is known). */
const FIRST: Readonly<Record<CheckCode, { readonly usual: number } & Partial<Record<Cause, number>>>> = {
  "grind-and-file": { usual: 0.05, "soft-skin": 0.95 },
  "wait-and-file": { usual: 0.05, "tested-too-early": 0.95 },
  "oven-thermometer": { usual: 0.1, "oven-wrong": 0.9, "temper-too-hot": 0.15 },
  "thin-and-thick": {
    usual: 0.25,
    "heat-too-low": 0.1,
    "soak-too-short": 0.1,
    "other-steel": 0.15,
    "coarse-start": 0.15,
    "slow-bath": 0.8,
    "cold-bath": 0.8,
    "too-thick": 0.9,
    "slow-transfer": 0.4,
    "out-too-soon": 0.75,
  },
  "bath-thermometer": { usual: 0.05, "cold-bath": 0.95 },
  "coupon-in-water": { usual: 0.05, "other-steel": 0.7, "coarse-start": 0.25 },
  "broken-coupon": { usual: 0.08, "heat-too-high": 0.85, "coarse-start": 0.4 },
  "with-a-clock": { usual: 0.1, "slow-transfer": 0.85, "out-too-soon": 0.6 },
};

/** What each costs: an eye and a minute, or a fire (judgement); of two that tell as much the cheaper is done. */
const COST: Readonly<Record<CheckCode, number>> = {
  "wait-and-file": 0,
  "grind-and-file": 0.005,
  "bath-thermometer": 0.005,
  "thin-and-thick": 0.005,
  "oven-thermometer": 0.01,
  "with-a-clock": 0.02,
  "broken-coupon": 0.03,
  "coupon-in-water": 0.03,
};

export interface Check {
  readonly check: CheckCode;
  /** The two likeliest causes it has to tell apart. */
  readonly tells: readonly [Cause, Cause];
  /** What the likeliest cause will be after either answer, and how likely that is. */
  readonly then: readonly { readonly answer: Answer; readonly top: Ranked }[];
}

function firstChance(check: CheckCode, cause: Cause): number {
  return FIRST[check][cause] ?? FIRST[check].usual;
}

/** A look has its own two answers: another's says nothing. */
export function isAnswerOf({ of, answer }: Finding): boolean {
  return (LOOK_ANSWERS[of] as readonly Answer[]).includes(answer);
}

/** How well a cause explains what a look found. */
export function findingSays({ of, answer }: Finding, cause: Cause): number {
  const first = firstChance(of, cause);
  return answer === LOOK_ANSWERS[of][0] ? first : 1 - first;
}

/** The causes after a finding, likeliest first. */
export function afterFinding(causes: readonly Ranked[], finding: Finding): Ranked[] {
  const weights = causes.map(({ cause, probability }) => ({ cause, probability: probability * findingSays(finding, cause) }));
  const sum = weights.reduce((total, { probability }) => total + probability, 0);
  return weights.map(({ cause, probability }) => ({ cause, probability: probability / sum })).sort((a, b) => b.probability - a.probability);
}

/** The look after which one is likeliest to be right about the cause. @param causes likeliest first, two or more. @param done looks that were taken @param isBroken a break was looked at */
export function nextCheck(causes: readonly Ranked[], done: readonly Finding[], isBroken: boolean): Check {
  const open = CHECKS.filter((check) => done.every(({ of }) => of !== check) && !(isBroken && check === "broken-coupon"));
  const worth = (check: CheckCode): number => {
    const right = LOOK_ANSWERS[check].reduce((sum, answer) => {
      const explained = causes.map(({ cause, probability }) => probability * findingSays({ of: check, answer }, cause));
      return sum + Math.max(...explained);
    }, 0);
    return right - COST[check];
  };
  const all = open.length > 0 ? open : CHECKS;
  const check = all.reduce((best, one) => (worth(one) > worth(best) ? one : best));
  return {
    check,
    tells: [causes[0]!.cause, (causes[1] ?? causes[0]!).cause],
    then: LOOK_ANSWERS[check].map((answer) => ({ answer, top: afterFinding(causes, { of: check, answer })[0]! })),
  };
}
