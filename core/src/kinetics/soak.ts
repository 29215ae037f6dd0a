/** How long or how hot, until enough carbon is in solution. */

import { heatingCurve } from "./austenite.js";
import { acmCarbon_wtpct, type Composition } from "./composition.js";
import { follow } from "./follow.js";
import { KINETICS, type Kinetics } from "./kinetics.js";
import { austeniteLeft, makeStructure, solution_wtpct, type PriorStructure, type Structure } from "./structure.js";

/** Carbon beyond which martensite hardly hardens any more, wt%, and the share of a leaner bar's that is as good as all of it. */
const ENOUGH_CARBON_wtpct = 0.6;
const AS_GOOD_AS_ALL = 0.95;

/** Carbon a hardening wants in solution, wt%: the last of it takes as long as all the rest. */
export function wantedCarbon_wtpct({ C }: Composition): number {
  return Math.min(ENOUGH_CARBON_wtpct, AS_GOOD_AS_ALL * C);
}

const LONGEST_s = 4 * 3600;
const HOTTEST_C = 950;
const STEP_K = 5;

/** Below this the first austenite is rich in carbon but there is little of it. */
const MOSTLY_AUSTENITE = 0.95;

function hasEnough(structure: Structure, wanted_wtpct: number): boolean {
  return austeniteLeft(structure, 0) >= MOSTLY_AUSTENITE && solution_wtpct(structure, 0).C >= wanted_wtpct;
}

interface SoakInput {
  readonly steel: Composition;
  readonly prior: PriorStructure;
  readonly heat_C: number;
  readonly wanted_wtpct: number;
  readonly kinetics?: Kinetics;
}

/** Time at heat until that much carbon is in solution, s; null when this heat never gets there in four hours. */
export function soakFor_s({ steel, prior, heat_C, wanted_wtpct, kinetics = KINETICS }: SoakInput): number | null {
  if (Math.min(steel.C, acmCarbon_wtpct(steel, heat_C)) < wanted_wtpct) return null;
  const structure = makeStructure({ nodes: 1, bar_wtpct: steel, prior, kinetics });
  const { temperature_C, duration_s } = heatingCurve({ heat_C, hold_s: LONGEST_s });
  const atHeat_s = duration_s - LONGEST_s;
  let reached_s: number | null = null;
  follow({
    structure,
    temperature_C,
    duration_s,
    onStep: (time_s) => {
      if (reached_s === null && hasEnough(structure, wanted_wtpct)) reached_s = Math.max(0, time_s - atHeat_s);
    },
  });
  return reached_s;
}

/** Lowest heat at which a hold brings that much carbon into solution, C; null below 950 C. */
export function heatFor_C({ steel, prior, heat_C, wanted_wtpct, hold_s }: SoakInput & { readonly hold_s: number }): number | null {
  const enough = (heat: number): boolean => {
    const structure = makeStructure({ nodes: 1, bar_wtpct: steel, prior });
    follow({ structure, ...heatingCurve({ heat_C: heat, hold_s }) });
    return hasEnough(structure, wanted_wtpct);
  };
  for (let heat = heat_C; heat <= HOTTEST_C; heat += STEP_K) if (enough(heat)) return heat;
  return null;
}

export interface MoreCarbon {
  readonly wanted_wtpct: number;
  /** Longer at the same heat, s; null when time alone does not do it. */
  readonly longer_s: number | null;
  /** Hotter for the same time, K; null when no sensible heat does it. */
  readonly hotter_K: number | null;
}

/** What would bring more carbon into solution. */
export function moreCarbon(input: SoakInput & { readonly hold_s: number }): MoreCarbon {
  const soak_s = soakFor_s(input);
  const heat_C = heatFor_C(input);
  return {
    wanted_wtpct: input.wanted_wtpct,
    longer_s: soak_s === null ? null : Math.max(0, soak_s - input.hold_s),
    hotter_K: heat_C === null ? null : heat_C - input.heat_C,
  };
}
