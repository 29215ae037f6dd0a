/** Baths side by side for one piece: what each makes of it, what it risks, and which has the best of both. */

import type { Medium } from "../schema/medium.js";
import type { Agitation } from "../heat/media.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { inOtherBath } from "./hardenCase.js";
import type { CrackLevel } from "./crackRisk.js";
import { harden, type HardenPlan, type HardenResult } from "./harden.js";
import { MEMBERS } from "../schema/job.js";
import type { Catalogue } from "../plan/catalogue.js";

export interface BathTried {
  readonly medium: Medium;
  readonly bath_C: number;
  readonly agitation: Agitation;
}

export interface BathCompared extends BathTried {
  readonly result: HardenResult;
  /** Chance that it hardens where it works, less what the risk of a crack costs it, 0 ... 1. */
  readonly worth: number;
}

/** What a likely crack is worth against a chance to harden: a cracked piece is lost, a soft one is hardened again (judgement). */
const CRACK_COSTS = { low: 0, some: 0.1, high: 0.35 } as const;

function worthOf({ chanceHard, crackRisk }: HardenResult): number {
  return Math.max(0, chanceHard.working - CRACK_COSTS[crackRisk.level]);
}

/** In the order given. @param members of the ensemble for each @throws InputError as `harden` */
export function compareBaths(plan: HardenPlan, baths: readonly BathTried[], members: number, desk: Desk = BARE_DESK): BathCompared[] {
  return baths.map((bath) => {
    const result = harden(inOtherBath(plan, bath), { members, desk });
    return { ...bath, result, worth: worthOf(result) };
  });
}

/** The one that is worth the most; of two alike the slower, which bends and cracks less: so the first where the mildest come first. */
export function bestBath(compared: readonly BathCompared[]): number {
  return compared.reduce((best, { worth }, i) => (worth > compared[best]!.worth + 0.02 ? i : best), 0);
}

/** Better by so much another bath of the kit is worth a word (judgement). */
const WORTH_A_WORD = 0.15;

/** What a bath makes of a piece, at a glance. */
export interface BathChance {
  readonly medium: string;
  readonly chanceHard: number;
  readonly crack: CrackLevel;
  readonly worth: number;
}

/** The bath of a plan beside others; `better` is the one that is clearly worth more, by its place in `baths`, null where none is. */
export interface BetterBath {
  readonly planned: BathChance;
  readonly baths: readonly BathChance[];
  readonly better: number | null;
}

/** @param media others of the same shop, each at its usual heat; those that are not known are left out. @throws InputError as `harden` */
export function betterBath(catalogue: Catalogue, plan: HardenPlan, media: readonly string[], desk: Desk = BARE_DESK): BetterBath {
  const others = media.flatMap((id) => {
    const medium = catalogue.medium(id);
    return medium === undefined || medium === plan.medium ? [] : [{ medium, bath_C: medium.usualBath_C, agitation: plan.agitation }];
  });
  const [planned, ...baths] = compareBaths(plan, [plan as BathTried, ...others], MEMBERS, desk).map(
    ({ medium, result, worth }): BathChance => ({
      medium: medium.id,
      chanceHard: result.chanceHard.working,
      crack: result.crackRisk.level,
      worth,
    }),
  );
  const best = baths.reduce((best, { worth }, i) => (worth > (baths[best]?.worth ?? -1) ? i : best), 0);
  const isBetter = baths[best] !== undefined && baths[best].worth > planned!.worth + WORTH_A_WORD;
  return { planned: planned!, baths, better: isBetter ? best : null };
}
