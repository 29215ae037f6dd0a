/** Where a number of the plan comes from, in a few words beside it. */

import { CATALOGUE, SHADE_K, type Piece, type Route, type School, type SteelFile, type Step } from "@tembrak/core";
import { mediumName } from "./actWords.js";
import { showDegrees, showDifference, showTemperature, type Units } from "../format/show.js";

const SOAK = { short: "a short hold", medium: "a few minutes at heat", long: "a real soak" } as const;

/** What a smith wants to know before choosing a steel. */
export function steelFacts({ austenitise_C, bath, soakDemand }: SteelFile, units: Units): string {
  const [low, high] = austenitise_C.range;
  return `Hardens from ${showDegrees(low!, units)} to ${showTemperature(high!, units)} after ${SOAK[soakDemand]}, in ${mediumName(bath.medium).toLowerCase()}.`;
}

const MEMORY = "makers' data, from memory";
const PRACTICE = "common practice, no source";

/** What each forge school adds to the magnet. */
const OVER: Readonly<Record<Exclude<School, "kiln">, (units: Units) => string>> = {
  forge: (units) => ` plus a shade, ${showDifference(SHADE_K, units)}`,
  magnet: () => " and no further",
  falling: () => ", gone past and fallen back to the first pull (model)",
};

/** The source of a step's numbers. */
export function stepSource(step: Step, piece: Piece, { school }: Route, magnet_C: number | undefined, units: Units): string {
  const steel = CATALOGUE.steel(piece.steel);
  switch (step.kind) {
    case "preheat":
      return `Heat and time: ${PRACTICE}.`;
    case "anneal":
      return `Below the hardening heat, half an hour, then ${showDifference(step.rate_C_h, units)} an hour: ${PRACTICE}.`;
    case "run":
      return `Worked back from the hardness its use wants, half a minute at the colour: temper curve (fitted to tables from memory), the colour from docs/model.`;
    case "normalise":
      return `Usual for this steel: ${steel ? showDegrees(steel.normalise_C.value, units) : "?"} (${MEMORY}); how many and how much cooler: ${PRACTICE}.`;
    case "harden": {
      const [low, high] = steel?.austenitise_C.range ?? [];
      const range =
        low === undefined || high === undefined ? "" : `Range ${showDegrees(low, units)} to ${showDegrees(high, units)} (${MEMORY}). `;
      if (school === "kiln") return `${range}Soak by thickness and steel: ${PRACTICE}.`;
      const magnet =
        magnet_C === undefined
          ? ""
          : `Lets go of the magnet at ${showDegrees(magnet_C, units)} (model)${OVER[school](units)}: ${PRACTICE}.`;
      return `${range}${magnet}`;
    }
    case "quench":
      return `Bath and its warmth: ${PRACTICE}. How fast it is: fitted, docs/model/hardening.md.`;
    case "temper":
      return `Worked back from the hardness its use wants, by this steel's temper curve (fitted to tables from memory). Twice two hours: ${PRACTICE}.`;
  }
}
