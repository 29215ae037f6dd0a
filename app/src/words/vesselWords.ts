/** What a temper lies in, in words: the oven, or the oil, salt or sand that takes its place. */

import { VESSEL_C, type Vessel } from "@tembrak/core";
import { capital, showDegrees, type Units } from "../format/show.js";

interface VesselWords {
  /** As in *in the oil*. */
  readonly lies: string;
  /** As in *no oil pot in the kit*. */
  readonly item: string;
  /** Ready when. */
  readonly ready: string;
  /** What can hurt, and whose word goes before ours. */
  readonly caution: string;
  readonly out: string;
}

const WORDS: Readonly<Record<Vessel, VesselWords>> = {
  oil: {
    lies: "the oil",
    item: "oil pot",
    ready: "stirred, by a thermometer in it",
    caution: "Dry steel only. Well under the oil's flash, by its maker's sheet; lid and extinguisher at hand, no flame beside it.",
    out: "Hot oil drips and smokes: gloves, and hang it over the pot.",
  },
  salt: {
    lies: "the salt",
    item: "salt pot",
    ready: "all of it molten, by a thermometer in it",
    caution: "Dry, warm steel only: a drop of water throws molten salt. Face shield; the salt's own sheet goes before this.",
    out: "Molten salt clings: gloves and face shield. Cold, wash it off with hot water, or it rusts.",
  },
  sand: {
    lies: "the sand",
    item: "sand tray",
    ready: "by a thermometer as deep in it as the piece lies",
    caution: "Sand hides its heat: hottest below. Bury it flat, the thermometer beside it. Dry sand only.",
    out: "Gloves: steel and sand at this heat look cold.",
  },
};

/** As in *in the oven*, *take it out of the oil*. */
export function liesIn(vessel: Vessel | undefined): string {
  return vessel === undefined ? "the oven" : WORDS[vessel].lies;
}

/** As in *oven at 210*. */
export function vesselNoun(vessel: Vessel | undefined): string {
  return vessel ?? "oven";
}

/** As in *no oven in the kit*. */
export function vesselItem(vessel: Vessel | undefined): string {
  return vessel === undefined ? "oven" : WORDS[vessel].item;
}

/** When it may go in. */
export function readyWords(vessel: Vessel | undefined, target_C: number, units: Units): string {
  const at = `at ${showDegrees(target_C, units)}`;
  if (vessel === undefined) return `Oven ${at} by a second thermometer, steady for 20 min`;
  return `${capital(vesselNoun(vessel))} ${at}, ${WORDS[vessel].ready}`;
}

/** What to mind as it goes in; null for an oven. */
export function intoCaution(vessel: Vessel | undefined, target_C: number, units: Units): string | null {
  if (vessel === undefined) return null;
  const [, most_C] = VESSEL_C[vessel];
  const over = target_C > most_C ? ` No hotter than ${showDegrees(most_C, units)}.` : "";
  return `${WORDS[vessel].caution}${over}`;
}

/** For the kit: of what may be brought in. */
export function keepCaution(vessel: Vessel | undefined): string {
  return vessel === undefined ? "An oven for steel is no oven for food again. No altered appliances." : WORDS[vessel].caution;
}

export function outCaution(vessel: Vessel | undefined): string {
  return vessel === undefined ? "Gloves: steel at this heat looks cold." : WORDS[vessel].out;
}
