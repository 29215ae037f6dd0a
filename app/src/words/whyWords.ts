/** Why a piece came out otherwise, what tells two causes apart, and what to do now: a word for each of core's codes. */

import {
  intoOf,
  lastOf_s,
  type Answer,
  type Cause,
  type Change,
  type CheckCode,
  type Diagnosed,
  type Fact,
  type Mishap,
  type Remedy,
  type RemedyCode,
  type Route,
  type Step,
} from "@tembrak/core";
import { showDuration, showTemperature, type Units } from "../format/show.js";
import { mediumName } from "./actWords.js";
import { vesselNoun } from "./vesselWords.js";

interface CauseWords {
  readonly name: string;
  readonly why: string;
}

export const CAUSE_WORDS: Readonly<Record<Cause, CauseWords>> = {
  "heat-too-low": { name: "Not hot enough", why: "Past the magnet is not always far enough: what does not dissolve does not harden." },
  "heat-too-high": { name: "Too hot", why: "Its grain has grown, and more of it stays soft between the needles." },
  "soak-too-short": { name: "Not held long enough", why: "Its carbon needs minutes at heat, not seconds." },
  "coarse-start": { name: "Coarse to begin with", why: "Bought soft or never normalised, its carbide is too round to dissolve in time." },
  "slow-bath": { name: "The bath is slower than its name", why: "Old, thick, another oil, or not moved: it takes the heat too slowly." },
  "cold-bath": { name: "Oil too cold", why: "Cold oil is thick and lies still on the steel." },
  "out-too-soon": { name: "Out of the bath too soon", why: "What was still hot inside drew it, or never came under." },
  "slow-transfer": { name: "Too slow to the bath", why: "On the way it fell below the heat it has to be quenched from." },
  "too-thick": { name: "Too thick for this bath", why: "This steel in this bath does not harden so deep." },
  "soft-skin": { name: "Soft skin over hard steel", why: "The fire took carbon from the skin; below it is hard." },
  "tested-too-early": { name: "Tested too early", why: "It goes on hardening until it is cold." },
  "temper-too-hot": { name: "Tempered too hot", why: "Set too high, or left where it was hotter." },
  "oven-wrong": { name: "The oven is not what it says", why: "A dial tells what it was made to tell." },
  "other-steel": { name: "Another steel", why: "A bar with less carbon, or more alloy, than it is taken for." },
  "as-planned": { name: "None of these", why: "As it comes with any piece, or by something nobody saw." },
};

interface LookWords {
  readonly title: string;
  readonly how: string;
}

export const LOOK_WORDS: Readonly<Record<CheckCode, LookWords>> = {
  "grind-and-file": { title: "Grind a spot, and file it there", how: "Two tenths of a millimetre deep, wet so that it stays cold." },
  "wait-and-file": { title: "Let it get cold, and file it again", how: "Cold to the hand all through." },
  "oven-thermometer": {
    title: "A second thermometer in the oven",
    how: "At the same setting, where the piece lay, until it stands still.",
  },
  "thin-and-thick": { title: "File the thinnest and the thickest part", how: "The same file at both, on clean steel." },
  "bath-thermometer": { title: "Read the bath", how: "Stirred, at the depth where the piece was." },
  "coupon-in-water": {
    title: "A thin coupon of the same bar into water",
    how: "A shade hotter than the piece was, then file it. Steam: long tongs, face away.",
  },
  "broken-coupon": {
    title: "Break a coupon that had the same heat",
    how: "Quenched, in a vise under a cloth, with glasses on. Look at the break.",
  },
  "with-a-clock": {
    title: "Do it once cold, with a clock running",
    how: "From the fire to the bath as you did it, and count how long it stayed.",
  },
};

export const ANSWER_WORDS: Readonly<Record<Answer, string>> = {
  "hard-below": "Hard below the skin",
  "soft-below": "Soft below it too",
  "hard-when-cold": "Hard now",
  "soft-when-cold": "Soft as before",
  "oven-off": "The oven is off",
  "oven-right": "The oven is right",
  "thin-is-hard": "The thin part is hard",
  "same-all-over": "Soft in both",
  "bath-cold": "Too cold",
  "bath-warm": "Warm as planned",
  "coupon-soft": "The coupon stays soft",
  "coupon-hard": "The coupon is hard",
  "grain-coarse": "Coarse, it glitters",
  "grain-fine": "Fine, grey as velvet",
  "seconds-lost": "Seconds were lost",
  "in-time": "In time",
};

const REMEDY_WORDS: Readonly<Record<RemedyCode, string>> = {
  "go-on": "Go on as planned",
  "wait-and-test": "Let it get cold, then test it again",
  "grind-and-test": "Grind through the skin, test it again",
  "temper-again": "One more temper",
  accept: "Leave it as it is",
  "harden-again": "Harden it again",
  "find-out-steel": "First find out what steel it is",
  "enough-tries": "Three hardenings are enough",
};

const REMEDY_WHY: Readonly<Record<RemedyCode, string>> = {
  "go-on": "Nothing its tests say speaks against the plan",
  "wait-and-test": "A file on a warm piece says nothing",
  "grind-and-test": "What the file felt is likely the skin alone",
  "temper-again": "It is harder than its use wants; heat only makes it softer",
  accept: "Its use allows what it is",
  "harden-again": "",
  "find-out-steel": "Another heat by the wrong card costs the piece",
  "enough-tries": "Each heat takes carbon from the skin and adds grain. Normalise it three times first, or make another",
};

export function changeWords(change: Change, units: Units): string {
  switch (change.change) {
    case "hotter":
      return `hotter, ${showTemperature(change.to_C, units)}`;
    case "cooler":
      return `no hotter than ${showTemperature(change.to_C, units)}`;
    case "longer":
      return `held ${showDuration(60 * change.to_min)}`;
    case "bath":
      return `into ${mediumName(change.medium).toLowerCase()} at ${showTemperature(change.bath_C, units)}`;
    case "warm-bath":
      return `bath warmed to ${showTemperature(change.to_C, units)}`;
    case "quicker":
      return "from fire to bath in two seconds";
    case "stay-in":
      return "in the bath until it may come out";
    case "normalise":
      return `normalised first, ${showTemperature(change.at_C, units)}`;
  }
}

export interface RemedyWords {
  readonly title: string;
  readonly note: string;
}

export function remedyWords({ code, changes }: Remedy, units: Units): RemedyWords {
  const note = code === "harden-again" ? changes.map((change) => changeWords(change, units)).join("; ") : REMEDY_WHY[code];
  return { title: REMEDY_WORDS[code], note };
}

export interface DoneLine {
  readonly is: string;
  /** What was wanted, where it was something else. */
  readonly wanted: string;
}

/** What the log says of the last hardening, in order, each beside what was wanted. */
export function doneLines({ route, planned, facts }: Diagnosed, units: Units): DoneLine[] {
  const last = <K extends Step["kind"]>(of: Route, kind: K) =>
    of.steps.findLast((step): step is Extract<Step, { kind: K }> => step.kind === kind);
  const [heat, wantedHeat] = [last(route, "harden"), last(planned, "harden")];
  const falls = heat?.fallTo_C !== undefined;
  const [quench, wantedQuench] = [last(route, "quench"), last(planned, "quench")];
  const [temper, wantedTemper] = [last(route, "temper"), last(planned, "temper")];
  const lines: DoneLine[] = [];
  const other = (is: string, wanted: string): string => (is === wanted ? "" : `wanted ${wanted}`);
  const add = (fact: Fact, is: string, wanted: string): void => {
    if (facts.includes(fact)) lines.push({ is, wanted });
  };
  if (heat !== undefined && wantedHeat !== undefined) {
    const [is, wanted] = [heat, wantedHeat].map(({ temperature_C }) => showTemperature(temperature_C, units)) as [string, string];
    const [held, toHold] = [heat, wantedHeat].map(({ hold_min }) => showDuration(60 * hold_min)) as [string, string];
    add("heat", `heat ${is}`, other(is, wanted));
    add("hold", `held ${held}`, other(held, toHold));
  }
  if (quench !== undefined && wantedQuench !== undefined) {
    if (quench.transfer_s !== undefined)
      add(
        "transfer",
        `${quench.transfer_s.toFixed(1)} s ${falls ? "from the pull " : ""}to the bath`,
        falls ? "at once is best" : "two seconds are usual",
      );
    const medium = mediumName(intoOf(quench).medium).toLowerCase();
    const [is, wanted] = [quench, wantedQuench].map((one) => showTemperature(intoOf(one).bath_C, units)) as [string, string];
    add("bath", `${medium} at ${is}`, other(is, wanted));
    const last_s = lastOf_s(quench);
    if (last_s !== null) add("bath-time", `${last_s.toFixed(0)} s in it`, "");
  }
  if (temper !== undefined && wantedTemper !== undefined) {
    const [is, wanted] = [temper, wantedTemper].map(({ temperature_C }) => showTemperature(temperature_C, units)) as [string, string];
    add("oven", `${vesselNoun(temper.in)} read ${is}`, other(is, wanted));
  }
  return lines;
}

export const MISHAP_WORDS: Readonly<Record<Mishap, string>> = {
  dropped: "It was dropped",
  "double-dip": "In twice",
  flare: "It flared",
  "wrong-way-up": "Wrong way in",
  slow: "Slow on the way",
  "not-stirred": "Bath not stirred",
  "touched-the-side": "It touched the side",
};
