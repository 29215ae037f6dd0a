/** What does not fit, in a sentence with its number in the user's unit. */

import type { FitProblem, FitWay } from "@tembrak/core";
import { mediumName } from "./actWords.js";
import { showDifference, showLength, showTemperature, type Units } from "../format/show.js";
import { vesselItem } from "./vesselWords.js";

const PLACES = { forge: "forge", kiln: "kiln", oven: "temper oven", bath: "bath", eye: "eye" } as const;

export function fitSentence(problem: FitProblem, units: Units): string {
  const { item, place } = problem;
  switch (problem.what) {
    case "missing":
      if (place === "eye")
        return item === "magnet"
          ? "No magnet in the kit, and this way goes by it."
          : "Nothing in the kit tells a heat: no magnet, no thermometer.";
      if (item === "oil" || item === "salt" || item === "sand") return `No ${vesselItem(item)} in the kit.`;
      return place === "bath" ? `No ${mediumName(item).toLowerCase()} in the kit.` : `No ${PLACES[place]} in the kit.`;
    case "length":
      return `Too long for ${item}${place === "oven" ? " to temper in" : ""} by ${showLength(problem.over_mm, units)}.`;
    case "height":
      return `Too high for ${item} by ${showLength(problem.over_mm, units)}.`;
    case "depth":
      return `${item} is too shallow by ${showLength(problem.over_mm, units)}, with room left at the rim.`;
    case "weight":
      return `Too heavy for ${item}: it makes it ${showDifference(problem.over_K, units)} warmer than it should work at.`;
    case "not-so-hot":
      return `${item} does not get to ${showTemperature(problem.wanted_C, units)}: it is ${showDifference(problem.over_K, units)} short.`;
    case "too-hot":
      return `${item} stops ${showDifference(problem.over_K, units)} short of the temper.`;
  }
}

export const FIT_WAY_WORDS: Readonly<Record<FitWay, string>> = {
  "draw-through": "Draw it slowly to and fro through the fire, so that every part passes the hot zone.",
  "only-working-part": "Harden only the part that works: heat and quench that end or edge alone.",
  "longer-fire": "Build a longer fire: fire bricks at both mouths, or a trough of charcoal with air along it.",
  "other-shop-fire": "Let a shop with a longer forge or kiln do this heat.",
  "open-forge": "Heat it in a forge that is open at both ends, drawn through.",
  "hotter-fire": "More fire: air, fuel, another burner or a smaller chamber; then put into the kit how hot it runs.",
  "other-steel": "A steel that hardens from a lower heat.",
  "door-on-part": "Harden only the part that works: the door closed on it with fibre, the rest outside.",
  "two-pieces": "Make it in two pieces, or shorter.",
  "other-shop-kiln": "Let a shop with a longer kiln do this heat.",
  "colour-run": "Temper by colour with a torch or a hot bar along the back, and dunk it when the colour is there.",
  "temper-in-kiln": "Temper in the kiln, switched low and checked with a second thermometer.",
  "one-bath": "One bath from beginning to end, straight through.",
  "two-ovens":
    "Two ovens mouth to mouth, doors off, the seam wrapped: as one they must be read again, at the seam too, where it is coldest.",
  "temper-in-tray": "Temper in warmed oil or sand in a long metal tray, with a thermometer in it.",
  "end-by-end": "One end at a time, the other out of the door and shielded, twice as long.",
  "edge-trough": "Quench it edge first in a long, shallow trough of the same oil.",
  "end-as-deep": "Quench only the working end, as deep as the tank takes it.",
  "pipe-tank": "A length of steel pipe with a welded foot, set so that it cannot tip, makes a deep tank.",
  "other-shop-bath": "Let a shop with a deeper tank do this one.",
  "more-oil": "More oil: a bigger tank, or a second one for the second piece.",
  "cool-between": "Let the bath cool between pieces, with a thermometer in it.",
  "only-hard-part": "Quench only the part that has to be hard.",
  "get-magnet": "A magnet on a wire: where it lets go is a sure mark, whatever the light.",
  "get-probe": "A thermocouple with a long stem reads the steel itself.",
  "hot-in-kiln": "A kiln with a controller needs no eye: heat it there.",
  "aim-harder": "Aim for a harder result: the temper this oven can reach.",
};

/** What the key says that takes a way on, where it is more than planning it so. */
export const FIT_WAY_KEYS: Readonly<Partial<Record<FitWay, string>>> = {
  "colour-run": "Plan a colour run",
  "temper-in-tray": "Plan it for the tray",
  "open-forge": "Plan it for the forge",
  "hot-in-kiln": "Plan it for the kiln",
  "only-working-part": "Plan only that part",
  "only-hard-part": "Plan only that part",
};
