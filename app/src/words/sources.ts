/** Where a number of the plan comes from, in a few words beside it. */

import {
  ac1_C,
  BELOW_RANGE_K,
  CATALOGUE,
  COLOUR_MIN,
  FALLING_OVER_K,
  forgeHeat,
  intoOf,
  resolveSteel,
  SHADE_K,
  structureBeforeHardening,
  targetOf,
  TOUCH_K,
  isGuessed,
  type Piece,
  type Route,
  type JudgedBy,
  type SteelFile,
  type Step,
} from "@tembrak/core";
import { isUnderTheChange, mediumName } from "./actWords.js";
import { showDegrees, showDifference, showTemperature, type Units } from "../format/show.js";

const SOAK = { short: "a short hold", medium: "a few minutes at heat", long: "a real soak" } as const;

/** What a smith wants to know before choosing a steel. */
export function steelFacts({ austenitise_C, bath, soakDemand }: SteelFile, units: Units): string {
  const [low, high] = austenitise_C.range;
  return `Hardens from ${showDegrees(low!, units)} to ${showTemperature(high!, units)} after ${SOAK[soakDemand]}, in ${mediumName(bath.medium).toLowerCase()}.`;
}

const MEMORY = "makers' data, from memory";
const PRACTICE = "common practice, no source";

/** Heats are planned to five degrees: a sum that comes to within this is the number beside it, K. */
const ROUNDED_K = 2.6;

type ByMagnet = Extract<JudgedBy, "shade" | "touch" | "pull">;

/** What is added to the magnet, by what it is judged by. */
const OVER: Readonly<Record<ByMagnet, { readonly over_K: number; readonly words: string }>> = {
  shade: { over_K: SHADE_K, words: "and a shade" },
  touch: { over_K: TOUCH_K, words: "and a touch, no further" },
  pull: { over_K: FALLING_OVER_K, words: "gone past, to fall back to the first pull" },
};

/** Where the heat of a forge comes from: the sum that makes it, or that somebody changed it. */
function forgeSource(
  temperature_C: number,
  steel: SteelFile | undefined,
  by: ByMagnet,
  magnet_C: number,
  isForCarbon: boolean,
  units: Units,
): string {
  const [low, high] = steel?.austenitise_C.range ?? [];
  const { over_K, words } = OVER[by];
  const isSum = (sum_C: number): boolean => Math.abs(sum_C - temperature_C) <= ROUNDED_K;
  const lets = `It lets go of the magnet at ${showDegrees(magnet_C, units)} (model)`;
  if (isSum(magnet_C + over_K)) return `${lets}, ${showDifference(over_K, units)} more ${words}: ${PRACTICE}.`;
  if (isForCarbon) {
    return `${lets}, ${showDifference(temperature_C - magnet_C, units)} more, and held: so much carbon is in solution then (our model of it).`;
  }
  if (low === undefined || high === undefined) return `Changed by hand. ${lets}.`;
  const range = `${showDegrees(low, units)} to ${showDegrees(high, units)} (${MEMORY})`;
  if (by === "shade" && isSum(low - BELOW_RANGE_K)) {
    return `${showDifference(BELOW_RANGE_K, units)} below its range of ${range}: after fine normalising a forge needs no more (judgement). ${lets}.`;
  }
  return `Changed by hand. Its range is ${range}. ${lets}.`;
}

/** Whether a forge heat is the one that was planned for the carbon it dissolves. */
function isForCarbon(step: Extract<Step, { kind: "harden" }>, piece: Piece, { heating, steps }: Route): boolean {
  if (heating.by !== "shade" || step.why !== "soak") return false;
  const before = structureBeforeHardening(piece, steps.slice(0, Math.max(0, steps.indexOf(step))));
  const planned = forgeHeat(resolveSteel(CATALOGUE, piece.steel), before, targetOf(CATALOGUE, piece).high_HRC);
  return planned.from === "carbon" && planned.temperature_C === step.temperature_C;
}

/** The source of a step's numbers. */
export function stepSource(step: Step, piece: Piece, route: Route, magnet_C: number | undefined, units: Units): string {
  const { by } = route.heating;
  const steel = CATALOGUE.steel(piece.steel);
  switch (step.kind) {
    case "preheat":
      return `Heat and time: ${PRACTICE}.`;
    case "anneal":
      if (isUnderTheChange(step)) {
        const ac1 =
          steel === undefined ? "" : `, which is ${showDegrees(ac1_C(resolveSteel(CATALOGUE, piece.steel).composition_wtpct), units)}`;
        return `Under where austenite begins${ac1} (two published formulas, from memory). Heat and time: ${PRACTICE}.`;
      }
      return `Below the hardening heat, half an hour, then ${showDifference(step.rate_C_h, units)} an hour: ${PRACTICE}.`;
    case "run":
      if (step.mark !== undefined)
        return "Where the line is, its colour, and that water keeps the edge near its boil: judgement. The colour by how fast the oxide grows (fitted to published colours).";
      return `Worked back from the hardness its use wants, from its hard side: as ${COLOUR_MIN} min at the heat of the colour, by the same clock as the film: temper curve (fitted to tables from memory), the colour by how fast the oxide grows (fitted to published colours).`;
    case "normalise":
      return `Usual for this steel: ${steel ? showDegrees(steel.normalise_C.value, units) : "?"} (${MEMORY}); how many and how much cooler: ${PRACTICE}.`;
    case "harden": {
      const [low, high] = steel?.austenitise_C.range ?? [];
      if (by !== "controller" && by !== "probe" && by !== "colour")
        return magnet_C === undefined ? "" : forgeSource(step.temperature_C, steel, by, magnet_C, isForCarbon(step, piece, route), units);
      const isMiddle = low !== undefined && high !== undefined && Math.abs(0.5 * (low + high) - step.temperature_C) <= ROUNDED_K;
      const range =
        low === undefined || high === undefined
          ? ""
          : `${isMiddle ? "The middle of its range" : "Changed by hand. Its range is"} ${showDegrees(low, units)} to ${showDegrees(high, units)} (${MEMORY}). `;
      return `${range}${by === "colour" ? `What an eye calls it, and how long: ${PRACTICE}` : `Soak by thickness and steel: ${PRACTICE}`}.`;
    }
    case "quench":
      return isGuessed(CATALOGUE.medium(intoOf(step).medium))
        ? `How it is done: ${PRACTICE}. How fast it is: nobody measured it (judgement).`
        : `Bath and its warmth: ${PRACTICE}. How fast it is: fitted to published cooling curves and hardness.`;
    case "temper":
      return `Worked back from the hardness its use wants, by this steel's temper curve (fitted to tables from memory). Twice two hours: ${PRACTICE}.`;
  }
}
