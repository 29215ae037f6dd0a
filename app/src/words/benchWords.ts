/** The one line under the number of an act that waits, quenches or holds: what to do now, or until when. */

import { dialFor_C, windowAt, type Act, type KitItem, type Prediction, type Straightening, type Under } from "@tembrak/core";
import {
  capital,
  showChance,
  showDegrees,
  showDifference,
  showDuration,
  showHardness,
  showSpan,
  type Units,
  showTemperature,
} from "../format/show.js";
import { runColour } from "./actWords.js";
import { readyWords, vesselItem } from "./vesselWords.js";

export type Waiting = Extract<
  Act,
  { kind: "air-cool" | "slow-cool" | "fall" | "brighten" | "run" | "cool-down" | "first-file" | "oven" | "prove" }
>;

type Oven = Extract<KitItem, { kind: "oven" | "kiln" }>;

export interface WaitFacts {
  readonly gone_s: number;
  readonly steel: string;
  /** Until hand-warm by the model; left out while it is not worked out. */
  readonly handWarm_s?: number | undefined;
  readonly oven?: Oven | undefined;
}

/** An oven's fault that is not worth a word, K. */
const LEAST_FAULT_K = 1;

function ovenWords({ target_C, in: vessel }: Extract<Act, { kind: "oven" }>, oven: WaitFacts["oven"], units: Units): string {
  if (oven !== undefined && dialFor_C(oven, target_C) > oven.limit_C) {
    const ends = `${oven.name} ends at ${showDegrees(oven.limit_C, units)}`;
    return `${ends}: ${showDegrees(dialFor_C(oven, target_C), units)} would be wanted of it. Another ${vesselItem(vessel)}, or a cooler temper in the steps`;
  }
  const fault_K = oven === undefined ? 0 : target_C - dialFor_C(oven, target_C);
  if (oven === undefined || Math.abs(fault_K) < LEAST_FAULT_K) return readyWords(vessel, target_C, units);
  const fault = `it runs ${showDifference(Math.abs(fault_K), units)} ${fault_K > 0 ? "hot" : "cold"}`;
  return `Set ${oven.name} to ${showDegrees(dialFor_C(oven, target_C), units)}: ${fault}. Steady after ${Math.max(1, Math.round(oven.settle_min))} min`;
}

function handWarmWords(gone_s: number, handWarm_s: number | undefined): string {
  if (handWarm_s === undefined) return "";
  return gone_s < handWarm_s
    ? `Hand-warm in about ${showDuration(handWarm_s - gone_s)}, by the model`
    : "Should be hand-warm by now: feel it";
}

export function waitWords(act: Waiting, { gone_s, steel, handWarm_s, oven }: WaitFacts, units: Units): string {
  switch (act.kind) {
    case "slow-cool":
      return gone_s < act.time_s ? `${showDuration(act.time_s - gone_s)} more at that rate` : "Far enough: now air will do";
    case "brighten":
      return "Bright from where it works to well past where it is hard";
    case "run":
      return `Stop at ${runColour(steel, act.target_C)}: dunk it whole, at once`;
    case "fall":
      return "In shade, off the tongs' grip: touch every second";
    case "air-cool":
      return act.coolTo === "black" ? "Black when no glow is left, in shade" : "Hand-warm all through, tang and spine too";
    case "cool-down":
      return handWarmWords(gone_s, handWarm_s);
    case "oven":
      return ovenWords(act, oven, units);
    case "first-file":
      return "New edge of the file, light stroke, on clean steel";
    case "prove":
      return "Bare ground steel, three places";
  }
}

/** When the first pull is to be looked for, and what it is good for with this piece. @param gone_s since it left the fire */
export function fallWords(
  { chanceHard, firstPull_s }: Pick<Prediction["hardening"], "chanceHard" | "firstPull_s">,
  gone_s: number,
): string {
  const chance = `${showChance(chanceHard.working)} that it hardens. Each second later makes it less.`;
  if (firstPull_s === null) return `Into the bath at the first pull: ${chance}`;
  const { p05, p95 } = firstPull_s;
  if (gone_s > p95)
    return "It should have pulled by now, by the model. Touch it: if it pulls hard it has turned soft, and goes back in the fire.";
  return `Look for the first pull ${showSpan(p05, p95)} after the fire, then into the bath: ${chance}`;
}

/** Nearer than this to what is wanted an oven is there: swing and thermometer are no better, K. */
const OVEN_NEAR_K = 8;

/** What a thermometer in the oven says against what is wanted. */
export function ovenReadWords(read_C: number, target_C: number, units: Units): string {
  const off_K = read_C - target_C;
  const said = `The thermometer says ${showTemperature(read_C, units)}`;
  if (Math.abs(off_K) <= OVEN_NEAR_K) return `${said}: it is there`;
  return `${said}: ${showDifference(Math.abs(off_K), units)} ${off_K > 0 ? "too hot, turn it down" : "short, turn it up or wait"}`;
}

export interface BathFacts {
  readonly kind: "quench" | "straighten";
  /** Since it went under, s; null before. */
  readonly gone_s: number | null;
  readonly least_s: number;
  /** Null where it never gets too stiff; undefined while that is worked out. */
  readonly window: Prediction["hardening"]["straighten"] | undefined;
  /** How much of it is under: all of it where nothing is said. */
  readonly under?: Under["what"];
  /** What to do now of a way that has more moves than in and out. */
  readonly dip?: string | null;
  /** Of an end: when the body should be black by the model, s after it went under. */
  readonly bodyBlack_s?: number | null | undefined;
  /** Taken out while the body still glows: what is left in it draws it. */
  readonly leavesHeat?: boolean;
}

/** With more time than this left no second counts, s. */
const SECONDS_COUNT_s = 100;

const KEEP_WORDS: Readonly<Record<Under["what"], string>> = {
  whole: "Keep it under, moving",
  edge: "Keep the edge under, rocking",
  back: "Keep the back under, rocking",
  end: "Keep the end under, moving",
};

/** The heat of the body runs back and draws it: it comes out by what the body looks like, not by the clock. Of an end, the model says about when. */
function partWords(under: Exclude<Under["what"], "whole">, gone_s: number, bodyBlack_s: number | null): string {
  const left_s = bodyBlack_s === null ? 0 : bodyBlack_s - gone_s;
  const about = left_s > 0 ? `, in about ${showDuration(left_s)}` : "";
  return `${KEEP_WORDS[under]}, until the body is black${about}${under === "end" ? ": then all of it" : ""}`;
}

/** In the bath, and in the window to straighten after it. */
export function bathWords({
  kind,
  gone_s,
  least_s,
  window,
  under = "whole",
  leavesHeat = false,
  dip = null,
  bodyBlack_s = null,
}: BathFacts): string {
  if (gone_s === null) return dip ?? "Press as it goes under";
  if (kind === "quench") {
    if (dip !== null) return dip;
    if (under !== "whole" && !leavesHeat) return partWords(under, gone_s, bodyBlack_s);
    if (leavesHeat) return `${KEEP_WORDS[under]}. Out while the body still glows dull`;
    if (gone_s < least_s) return `${KEEP_WORDS[under]}. Out in ${Math.ceil(least_s - gone_s)}`;
    // What is too short to bend.
    return window === null ? "Out, and let it cool" : "Out, and sight along it";
  }
  if (window === undefined) return "Sight along it; bend nothing yet: how long it may be bent is being worked out";
  return straightenWords(windowAt(window, gone_s));
}

function spanWords(s: number): string {
  return s < SECONDS_COUNT_s ? `${Math.max(0, Math.ceil(s))} s` : showDuration(s);
}

/** How the window to straighten stands: with how sure that is, and from what on it is a matter of boards. */
export function straightenWords({ is, sure_s, even_s, left_s, chance, isEdgeHard }: Straightening): string {
  if (sure_s === null || left_s === null) return "By the model it hardly hardened: bend it gently all the same";
  const edge = isEdgeHard ? ". Its edge is hard: no further than that lets you" : "";
  switch (is) {
    case "open":
      return `${spanWords(sure_s)} to straighten for sure, about ${spanWords(left_s)} in all${edge}`;
    case "closing":
      // What stays soft in most cases never comes to evens.
      return `Closing: ${showChance(1 - chance)} that half of it is hard by now${even_s === null ? "" : `, evens in ${spanWords(even_s)}`}. Only while it gives easily${edge}`;
    case "careful":
      return `Likelier hard than not: boards, vise or plates alone, gently. ${capital(showChance(1 - chance))} that it is`;
    case "shut":
      return "Hard by the model: a bend by hand snaps it. Correct it in the temper";
  }
}

/** A smaller difference no file finds, HRC. */
const LEAST_TOLD_HRC = 0.5;

/** What a hold that ends early costs against the whole of it. */
export function earlyWords(early: Prediction, planned: Prediction): string {
  const { place } = planned.working;
  const [is, was] = [early.working.tempered.mean_HRC, planned.working.tempered.mean_HRC];
  if (Math.abs(is - was) < LEAST_TOLD_HRC) return `Out now the ${place} comes to the same, ${showHardness(was, 1)} HRC.`;
  return `Out now the ${place} is ${showHardness(is, 1)} HRC in the end, in its time ${showHardness(was, 1)}.`;
}

/** Of a hold or a temper. */
export function leftWords(left_s: number, waitsForChamber: boolean, target_C: number, units: Units): string {
  // What is over is not called left.
  if (waitsForChamber) return `${left_s > 0 ? "left, and the" : "the"} clock waits: chamber back to ${showDegrees(target_C, units)}?`;
  return left_s <= 0 ? "over. Go on now" : "left";
}
