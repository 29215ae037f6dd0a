/** What the shop taught, in words. */

import { CATALOGUE, ratioOf, USUAL_TRANSFER_s, type Factor } from "@tembrak/core";
import { mediumName } from "./actWords.js";
import { showDifference, type Units } from "../format/show.js";

/** Of a range from the fifth to the ninety-fifth part of a hundred. */
const NINETY_PERCENT = 1.6449;

/** Nearer than this is as it was said, K. */
const LEAST_TOLD_K = 1;

function times(log: number): string {
  return ratioOf(log).toFixed(2);
}

function seconds(log: number): string {
  return (USUAL_TRANSFER_s * ratioOf(log)).toFixed(1);
}

export function factorTitle({ name, item }: Factor): string {
  switch (name) {
    case "bath":
      return `Your ${mediumName(item ?? "").toLowerCase()}`;
    case "oven":
      return "Your oven";
    case "rate":
    case "dissolution":
    case "steel":
      return `Your ${CATALOGUE.steel(item ?? "")?.name ?? item ?? ""}`;
    case "transfer":
      return "Your way to the bath";
    case "heat":
      return "Your heats";
  }
}

/** `1.15 times ours, 0.95 to 1.40, from 6 pieces`. */
export function factorWords(factor: Factor, units: Units): string {
  const { name, mean, sd, pieces } = factor;
  const from = `from ${pieces} ${pieces === 1 ? "piece" : "pieces"}`;
  const [low, high] = [mean - NINETY_PERCENT * sd, mean + NINETY_PERCENT * sd];
  switch (name) {
    case "bath":
      return `takes heat out ${times(mean)} times as fast as ours, ${times(low)} to ${times(high)}, ${from}.`;
    case "rate":
      return `turns soft ${times(mean)} times as fast as ours in the bath, ${times(low)} to ${times(high)}, ${from}.`;
    case "dissolution":
      return `lets its carbide dissolve ${times(mean)} times as fast as ours in the heat, ${times(low)} to ${times(high)}, ${from}.`;
    case "steel":
      return `comes out ${Math.abs(mean).toFixed(1)} HRC ${mean < 0 ? "softer" : "harder"} than its curve, give or take ${(NINETY_PERCENT * sd).toFixed(1)}, ${from}.`;
    case "transfer":
      return `${seconds(mean)} s from fire to bath, ${seconds(low)} to ${seconds(high)}, ${from}.`;
    case "oven":
    case "heat": {
      const way = mean < 0 ? "colder" : "hotter";
      const what = name === "oven" ? "than it was taken for" : "than planned";
      if (Math.abs(mean) < LEAST_TOLD_K)
        return `${name === "oven" ? "as it was taken for" : "as planned"}, give or take ${showDifference(NINETY_PERCENT * sd, units)}, ${from}.`;
      return `${showDifference(Math.abs(mean), units)} ${way} ${what}, give or take ${showDifference(NINETY_PERCENT * sd, units)}, ${from}.`;
    }
  }
}
