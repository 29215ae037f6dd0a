/** What would help a hardening that is doubtful or short of carbon: each change alone, tried by computing it. */

import { isGuessed } from "../heat/bathKind.js";
import type { Catalogue } from "../plan/catalogue.js";
import { HARD_USE_HRC } from "../plan/route.js";
import { thickness_mm } from "../shape/thickness.js";
import type { HardenPlan, HardenResult } from "./harden.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { AS_PLANNED, forPlaces, hardened, runCase, type Variation } from "./hardenCase.js";
import { thicker } from "./section.js";
import { moreCarbon, wantedCarbon_wtpct, type MoreCarbon } from "../kinetics/soak.js";

/** One change that brings a doubtful hardening to safety. */
export type Safer =
  | { readonly kind: "longer"; readonly more_min: number }
  | { readonly kind: "hotter"; readonly more_K: number }
  | { readonly kind: "thinner"; readonly to_mm: number }
  | { readonly kind: "bath"; readonly medium: string };

/** So much short of it is not worth a word, wt%. */
const SHORT_OF_wtpct = 0.02;
/** A change that needs more than this is no advice. */
const [MOST_LONGER_min, MOST_HOTTER_K] = [60, 60];

/** What would bring enough carbon into solution; null when it is not the limit. */
export function limitOf(plan: HardenPlan, { austenite }: HardenResult, wanted_HRC: number): MoreCarbon | null {
  const steel = plan.steel.composition_wtpct;
  const wanted_wtpct = wantedCarbon_wtpct(steel);
  const isShort = austenite.solution_wtpct.C < wanted_wtpct - SHORT_OF_wtpct;
  if (!isShort || wanted_HRC < HARD_USE_HRC || austenite.extent < 0.5) return null;
  const answer = moreCarbon({ steel, prior: plan.prior, heat_C: plan.heat_C, hold_s: plan.hold_s, wanted_wtpct });
  return {
    ...answer,
    longer_s: answer.longer_s !== null && answer.longer_s > MOST_LONGER_min * 60 ? null : answer.longer_s,
    hotter_K: answer.hotter_K !== null && answer.hotter_K > MOST_HOTTER_K ? null : answer.hotter_K,
  };
}

/** Whether the place that must be hard hardens in some members and not in others: the edge of a blade, else the middle. */
export function doubtful({ chanceHard: { working, thickest }, spine }: HardenResult): boolean {
  const chance = spine === null ? thickest : working;
  return chance > 0.05 && chance < 0.95;
}

/** Slower luck: one standard deviation in rates and bath (hardening-note section 10). */
const UNLUCKY: Variation = { ...AS_PLANNED, rateRatio: 1.5, bathRatio: 0.78 };

/** Each kind of change, alone, at its mildest that still hardens the place that must be hard, with slower luck. */
export function saferChanges(catalogue: Catalogue, plan: HardenPlan, desk: Desk = BARE_DESK): Safer[] {
  const hardens = (changed: HardenPlan): boolean => {
    desk.letGo();
    const { structure, places } = runCase(changed, { variation: UNLUCKY, resolution: forPlaces(changed), untilSettled: true, desk });
    return hardened(structure, places.edge ?? places.centre) === 1;
  };
  const first = <T>(steps: readonly T[], change: (step: T) => HardenPlan): T | undefined => steps.find((step) => hardens(change(step)));
  const safer: Safer[] = [];
  const longer = first([5, 10, 20], (more_min) => ({ ...plan, hold_s: plan.hold_s + 60 * more_min }));
  if (longer !== undefined) safer.push({ kind: "longer", more_min: longer });
  const hotter = first([10, 20, 30], (more_K) => ({ ...plan, heat_C: plan.heat_C + more_K }));
  if (hotter !== undefined) safer.push({ kind: "hotter", more_K: hotter });
  const ratio = first([0.9, 0.8, 0.7, 0.6, 0.5, 0.4], (r) => ({ ...plan, section: thicker(plan.section, r) }));
  const { section } = plan;
  if (ratio !== undefined && section.shape !== "end") safer.push({ kind: "thinner", to_mm: ratio * thickness_mm(section) });
  if (plan.medium.kind === "oil") {
    const faster = catalogue.media.filter(
      (m): m is typeof m & { kind: "oil" } =>
        m.kind === "oil" && plan.medium.kind === "oil" && !isGuessed(m) && m.peak_W_m2K > plan.medium.peak_W_m2K,
    );
    const bath = first(
      [...faster].sort((a, b) => a.peak_W_m2K - b.peak_W_m2K),
      (medium) => ({ ...plan, medium, bath_C: medium.usualBath_C }),
    );
    if (bath !== undefined) safer.push({ kind: "bath", medium: bath.id });
  }
  return safer;
}
