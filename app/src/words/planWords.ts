/** What the ways of a plan are called, what set their numbers, and what would be worth knowing: core's codes in words. */

import { intoOf, type CheckName, type PlannedWay, type PlanWay, type Solved, type WayOn } from "@tembrak/core";
import { showChance, showDegrees, showLength, showRange, showTemperature, type Units } from "../format/show.js";
import { mediumName } from "./actWords.js";

export const WAY_NAMES: Readonly<Record<PlanWay, string>> = { surest: "surest", toughest: "toughest", quickest: "quickest" };

const MANY = ["No way", "One way", "Two ways", "Three ways"] as const;

/** `6 h 10`. */
export function showHours(hours: number): string {
  const all = 10 * Math.round(6 * hours);
  const [h, min] = [Math.floor(all / 60), all % 60];
  return h === 0 ? `${min} min` : min === 0 ? `${h} h` : `${h} h ${min}`;
}

/** Rarer than one in two hundred nobody counts. */
const RAREST = 200;

/** `1 in 90`. */
export function showOneIn(chance: number): string {
  const n = 1 / Math.max(1 / RAREST, chance);
  return chance < 1 / RAREST ? `under 1 in ${RAREST}` : `1 in ${n < 10 ? Math.round(n) : 5 * Math.round(n / 5)}`;
}

/** What a way does, in short: heat and hold, bath, tempers. */
export function wayInShort({ route: { steps } }: Pick<PlannedWay, "route">, units: Units): string {
  const said = steps.flatMap((step) => {
    switch (step.kind) {
      case "harden":
        return [
          step.hold_min === 0
            ? showTemperature(step.temperature_C, units)
            : `${showTemperature(step.temperature_C, units)} for ${step.hold_min} min`,
        ];
      case "quench":
        return [mediumName(intoOf(step).medium).toLowerCase()];
      default:
        return [];
    }
  });
  const tempers = steps.filter((step) => step.kind === "temper");
  const [first] = tempers;
  const drawn =
    first?.kind === "temper"
      ? [`tempered ${tempers.length === 1 ? "once" : "twice"} at ${showTemperature(first.temperature_C, units)}`]
      : [];
  return [...said.slice(-2), ...drawn].join(", ");
}

/** The sentence on top. */
export function solvedSentence({ ways, target, isBest }: Solved, place: string): string {
  const surest = ways[0]!;
  const many = `${MANY[ways.length]} to ${showRange(target.low_HRC, target.high_HRC)} at the ${place}.`;
  const gets = `The surest lands there ${showChance(surest.chance)}, in ${showHours(surest.hours)}`;
  return `${many} ${gets}${isBest ? "; it is the one that is planned." : "."}`;
}

/** What is said of a plan that may fail whatever way it goes; null where the surest is safe. */
export function mayFailSentence({ ways, waysOn }: Solved, place: string): string | null {
  const { failChance } = ways[0]!;
  if (failChance <= 0.1 && waysOn.length === 0) return null;
  const fails =
    failChance > 0.1
      ? `Not made safe by this kit: ${showChance(failChance)} that the ${place} does not harden.`
      : "It may come out softer than its use wants, whatever way it goes.";
  return waysOn.length === 0 ? `${fails} Nothing tried here helps by much: another steel, or another use.` : fails;
}

export function wayOnWords(way: WayOn, units: Units): string {
  const chance = `lands ${showChance(way.chance)}`;
  switch (way.kind) {
    case "bath":
      return `${mediumName(way.medium)}: ${chance}${way.crackChance > 0.05 ? `, and cracks ${showOneIn(way.crackChance)}` : ""}`;
    case "soak":
      return `A kiln, held ${way.hold_min} min: ${chance}`;
    case "thinner":
      return `Ground to ${showLength(way.to_mm, units)} before: ${chance}`;
    case "softer":
      return `Content with ${showRange(way.low_HRC, way.high_HRC)}: ${chance}`;
  }
}

/** What set the hardening heat, and how far this fire and this eye are off. */
export function limitWords({ limits: { low_C, high_C, highBecause, reaches_C } }: Solved, units: Units) {
  return {
    low:
      low_C === null
        ? "no heat dissolves its carbon in this hold"
        : `under ${showDegrees(low_C, units)} the carbon is not dissolved in this hold (model)`,
    high:
      highBecause === "grain"
        ? `over ${showDegrees(high_C, units)} the grain grows (model)`
        : `over ${showDegrees(high_C, units)} is beyond its published range (table)`,
    reaches: `nine in ten heats of this fire and eye: ${showDegrees(reaches_C[0], units)} to ${showDegrees(reaches_C[1], units)}`,
  };
}

export const CHECK_WORDS: Readonly<
  Record<CheckName, { readonly what: string; readonly why: string; readonly to: string; readonly key: string }>
> = {
  probe: { what: "a probe in the fire", why: "the heat by eye is far off either way", to: "/kit", key: "Kit" },
  kiln: { what: "a second thermometer in the kiln", why: "its dial may lie", to: "/kit", key: "Check it" },
  eye: { what: "the eye tried in this light", why: "practice tells by how much it errs", to: "/", key: "Practise" },
  oven: { what: "a second thermometer in the oven", why: "its dial may lie", to: "/kit", key: "Check it" },
  oil: { what: "the bath tried on a known bar", why: "how fast it is, is guessed", to: "/new", key: "A piece for it" },
  coupon: { what: "a coupon of this bar", why: "what is in it, and how thick it hardens", to: "/new", key: "A piece for it" },
  tester: { what: "a tester after the first temper", why: "a second one brings it where it is wanted", to: "/kit", key: "Kit" },
};

/** What the card says where a plan worked out is clearly better than the one that stands; null where it is not. */
export function solvedNotice({ ways, today, isBest }: Solved, place: string, units: Units): string | null {
  const surest = ways[0]!;
  const [then, now] = [showChance(surest.chance), showChance(today.chance)];
  if (isBest || then === now)
    return surest.failChance > 0.1
      ? `No way of this kit is safe: ${showChance(surest.failChance)} that the ${place} does not harden.`
      : null;
  return `Worked out: ${wayInShort(surest, units)} lands ${then}; as it is planned, ${now}.`;
}
