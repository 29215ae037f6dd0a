/** Baths side by side for one piece, in words: what each makes of it, what it risks, and how it differs from the one that is planned. */

import type { Prediction } from "@tembrak/core";
import { capital, showChance, showHardness, showRange } from "../format/show.js";

const CRACKS = ["low", "some", "high"] as const;
const CRACK_WORDS = { low: "little risk of a crack", some: "some risk of a crack", high: "high risk of a crack" } as const;

/** How much hotter its middle is than its skin when that begins to be hard, K: what pulls a piece crooked (an order, and judgement). */
const [MAY_BEND_K, BENDS_K] = [40, 120];

function bendsWords(difference_K: number): string {
  return difference_K < MAY_BEND_K ? "bends little" : difference_K < BENDS_K ? "may bend" : "bends much";
}

/** Hardness by place, after its tempers. */
export function placesBeside({ working, thickest }: Prediction): string {
  const of = ({ place, tempered }: Prediction["working"] | Prediction["thickest"]): string =>
    `${place} ${showHardness(tempered.mean_HRC)} HRC (${showRange(tempered.p05_HRC, tempered.p95_HRC)})`;
  return `${capital(of(working))}, ${of(thickest)}.`;
}

/** The chance, and what it risks. */
export function riskBeside({ hardening: { chanceHard, crackRisk } }: Prediction): string {
  return `${capital(showChance(chanceHard.working))} that it hardens; ${CRACK_WORDS[crackRisk.level]}, ${bendsWords(crackRisk.difference_K)}.`;
}

/** A smaller difference of chances is none. */
const SURER = 0.1;

/** One sentence: this bath against the planned one. */
export function againstPlan(here: Prediction, planned: Prediction): string {
  const by = here.hardening.chanceHard.working - planned.hardening.chanceHard.working;
  const surely = by > SURER ? "more surely than" : by < -SURER ? "less surely than" : "as surely as";
  const cracks = CRACKS.indexOf(here.hardening.crackRisk.level) - CRACKS.indexOf(planned.hardening.crackRisk.level);
  const bends = here.hardening.crackRisk.difference_K - planned.hardening.crackRisk.difference_K;
  const harm = cracks !== 0 ? cracks : bends > MAY_BEND_K ? 1 : bends < -MAY_BEND_K ? -1 : 0;
  const risk = harm === 0 ? "harms it no more and no less" : harm > 0 ? "is harder on it" : "is gentler";
  return `Hardens it ${surely} the planned one, and ${risk}.`;
}
