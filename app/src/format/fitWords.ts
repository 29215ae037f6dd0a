/** What does not fit, in a sentence with its number in the user's unit. */

import type { FitProblem } from "@tembrak/core";
import { mediumName } from "./actWords.js";
import { showDifference, showLength, type Units } from "./show.js";

const PLACES = { forge: "forge", kiln: "kiln", oven: "temper oven", bath: "bath" } as const;

export function fitSentence(problem: FitProblem, units: Units): string {
  const { item, place } = problem;
  switch (problem.what) {
    case "missing":
      return place === "bath" ? `No ${mediumName(item).toLowerCase()} in the kit.` : `No ${PLACES[place]} in the kit.`;
    case "length":
      return `Too long for ${item}${place === "oven" ? " to temper in" : ""} by ${showLength(problem.over_mm, units)}.`;
    case "height":
      return `Too high for ${item} by ${showLength(problem.over_mm, units)}.`;
    case "depth":
      return `${item} is too shallow by ${showLength(problem.over_mm, units)}, with room left at the rim.`;
    case "weight":
      return `Too heavy for ${item}: it makes it ${showDifference(problem.over_K, units)} warmer than it should work at.`;
    case "too-hot":
      return `${item} stops ${showDifference(problem.over_K, units)} short of the temper.`;
  }
}
