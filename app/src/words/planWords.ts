/** What the ways of a plan are called, what set their numbers, and what would be worth knowing: core's codes in words. */

import {
  intoOf,
  MAY_FAIL,
  type Kit,
  type Piece,
  type PlanCheck,
  type PlannedWay,
  type PlanWay,
  type Route,
  type Solved,
  type TemperCurve,
  type WayOn,
} from "@tembrak/core";
import { showChance, showDegrees, showLength, showRange, showTemperature, showThin, type Units } from "../format/show.js";
import { toAdd, toCheck, toCoupon } from "../format/address.js";
import { mediumName } from "./actWords.js";

export const WAY_NAMES: Readonly<Record<PlanWay, string>> = { surest: "surest", toughest: "toughest", quickest: "quickest" };

/** Thinner skin nobody grinds for; a thin edge is left so thick when it is done, mm (judgement). */
const LEAST_SKIN_mm = 0.03;
const FINISHED_mm = 0.3;

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

/** How often it is tempered: a second temper is what a surer way often has and a quicker one lacks, though both land as often. */
export function temperCount({ route: { steps } }: Pick<PlannedWay, "route">): string {
  const count = steps.filter(({ kind }) => kind === "temper").length;
  return count === 0 ? "" : count === 1 ? "one temper" : `${count} tempers`;
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
export function mayFailSentence({ ways, waysOn, mayFail }: Solved, place: string): string | null {
  if (!mayFail) return null;
  const { failChance } = ways[0]!;
  const fails =
    failChance > MAY_FAIL
      ? `No way of this kit is safe: ${showChance(failChance)} that the ${place} does not harden.`
      : "It may come out softer than its use wants, whatever way it goes.";
  return waysOn.length === 0 ? `${fails} Nothing tried here helps by much: another steel, or another use.` : fails;
}

export function wayOnWords(way: WayOn, units: Units): string {
  const chance = `lands ${showChance(way.chance)}${way.isEmbrittled ? " in the dip of toughness" : ""}`;
  switch (way.kind) {
    case "bath":
      return `${mediumName(way.medium)}, from ${showTemperature(way.heat_C, units)}: ${chance}${way.crackChance > 0.05 ? `, and cracks ${showOneIn(way.crackChance)}` : ""}`;
    case "soak":
      return `A kiln, ${showTemperature(way.heat_C, units)} held ${way.hold_min} min: ${chance}`;
    case "thinner":
      return `Ground to ${showLength(way.to_mm, units)} before: ${chance}`;
    case "softer":
      return `Content with ${showRange(way.low_HRC, way.high_HRC)}: ${chance}`;
  }
}

/** The one thing more that a shop could have; null where none would help, or where all that helps is told. */
export function oneThingWords({ waysOn, mayFail }: Solved, units: Units): string | null {
  const thing = waysOn.find(({ kind }) => kind === "bath" || kind === "soak");
  return mayFail || thing === undefined ? null : `With one thing more: ${wayOnWords(thing, units)}.`;
}

/** What of the bath there is to spare. */
export function spareWords({ spare_s }: Pick<PlannedWay, "spare_s">): string | null {
  if (spare_s === null) return null;
  const s = Math.abs(spare_s) < 10 ? Math.abs(spare_s).toFixed(1) : Math.round(Math.abs(spare_s)).toString();
  return spare_s < 0 ? `the bath is too slow for its thickest part by ${s} s` : `the bath has ${s} s to spare at its slowest place`;
}

/** What the heats take of each face, and what that asks of an edge before the bath. */
export function grindWords({ grindOff_mm }: Pick<Solved, "grindOff_mm">, { section }: Pick<Piece, "section">, units: Units): string | null {
  if (grindOff_mm < LEAST_SKIN_mm) return null;
  const off = `Soft skin of these heats: ${showThin(grindOff_mm, units)} of each face to grind off.`;
  if (section.shape !== "wedge") return off;
  const least_mm = 2 * grindOff_mm;
  return section.edge_mm < least_mm
    ? `${off} An edge of ${showThin(section.edge_mm, units)} is skin all through: leave it ${showThin(least_mm + FINISHED_mm, units)} before the bath.`
    : off;
}

/** What set the hardening heat, and how far this fire and this eye are off. */
export function limitWords({ limits: { low_C, high_C, highBecause, reaches_C } }: Solved, units: Units) {
  return {
    low:
      low_C === null
        ? "no heat dissolves the carbon its use needs in this hold (model)"
        : `under ${showDegrees(low_C, units)} the carbon its use needs is not dissolved in this hold (model)`,
    high:
      highBecause === "grain"
        ? `over ${showDegrees(high_C, units)} the grain grows (model)`
        : `over ${showDegrees(high_C, units)} is beyond its published range (table)`,
    reaches: `nine in ten heats of this fire and eye: ${showDegrees(reaches_C[0], units)} to ${showDegrees(reaches_C[1], units)}`,
  };
}

interface CheckWords {
  readonly what: string;
  readonly why: string;
  readonly key: string;
  /** Where it is made; null where that is at the bench, later. */
  readonly to: string | null;
}

/** A check that would be worth it, in words, and where it is made. @param id of the piece it would be for */
export function checkWords({ check, item }: PlanCheck, kit: Kit, id: string): CheckWords {
  const has = (kind: Kit[number]["kind"]): boolean => kit.some((one) => one.kind === kind);
  const dial = kit.find((one) => one.id === item);
  const there = dial === undefined ? { key: "Kit", to: "/kit" } : { key: "Check it", to: toCheck(dial.id) };
  const coupon = { key: "A coupon for it", to: toCoupon(id) };
  switch (check) {
    case "probe":
      return { what: "a probe in the fire", why: "the heat by eye is far off either way", key: "Put it in the kit", to: toAdd("probe") };
    case "kiln":
      return { what: `a second thermometer in the ${dial?.name ?? "kiln"}`, why: "its dial may lie", ...there };
    case "eye":
      return { what: "the eye tried in this light", why: "practice tells by how much it errs", key: "Practise", to: "/new?practice" };
    case "oven":
      return { what: `a second thermometer in the ${dial?.name ?? "oven"}`, why: "its dial may lie", ...there };
    case "oil":
      return { what: "the bath tried on a known bar", why: "how fast it is, is guessed", ...coupon };
    case "coupon":
      return { what: "a coupon of this bar", why: "what is in it, and how thick it hardens", ...coupon };
    case "tester":
      return {
        what: "a tester after the first temper",
        why: "a second temper brings it where it is wanted",
        key: "Put it in the kit",
        to: has("tester") ? null : toAdd("tester"),
      };
  }
}

/** What the card says where a plan worked out is clearly better than the one that stands; null where it is not. */
export function solvedNotice({ ways, today, isBest }: Solved, units: Units): string | null {
  const surest = ways[0]!;
  const [then, now] = [showChance(surest.chance), showChance(today.chance)];
  const isClear = today.isEmbrittled && !surest.isEmbrittled;
  if (isBest || (then === now && !isClear)) return null;
  const dips = surest.isEmbrittled ? ", in the dip of toughness" : isClear ? ", clear of the dip of toughness" : "";
  return `Worked out: ${wayInShort(surest, units)} lands ${then}${dips}; as it is planned, ${now}${isClear ? " and in it" : ""}.`;
}

/** What set the temper: what its use wants of it, and where toughness dips. */
export function temperWords({ points, dip_C }: TemperCurve, temper_C: number, units: Units): readonly string[] {
  const ends_C = points.at(-1)!.temperature_C;
  const dip =
    dip_C === null || dip_C[0] > ends_C
      ? "no dip of toughness within its oven"
      : `toughness dips from ${showDegrees(dip_C[0], units)} to ${showDegrees(dip_C[1], units)} (table)`;
  return [`${showDegrees(temper_C, units)}: what its use wants lies between the lines (model)`, dip];
}

/** What a change by hand comes to beside the plan. */
export function changedWords(planned: number, changed: number): string {
  const [before, now] = [showChance(planned), showChance(changed)];
  return before === now ? `Changed so it lands ${now}, as it was planned.` : `Changed so it lands ${now}; as it was planned, ${before}.`;
}

export function isSameSteps(a: Route, b: Route): boolean {
  return JSON.stringify(a.steps) === JSON.stringify(b.steps);
}
