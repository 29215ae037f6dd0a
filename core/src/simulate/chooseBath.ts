/** Baths side by side for one piece: what each makes of it, what it risks, and which has the best of both. */

import type { Medium } from "../schema/medium.js";
import type { Agitation } from "../heat/media.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { harden, type HardenPlan, type HardenResult } from "./harden.js";

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
    const result = harden({ ...plan, ...bath }, { members, desk });
    return { ...bath, result, worth: worthOf(result) };
  });
}

/** The one that is worth the most; of two alike the slower, which bends and cracks less: so the first where the mildest come first. */
export function bestBath(compared: readonly BathCompared[]): number {
  return compared.reduce((best, { worth }, i) => (worth > compared[best]!.worth + 0.02 ? i : best), 0);
}
