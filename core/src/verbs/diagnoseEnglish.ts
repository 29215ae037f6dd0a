/** What a diagnosis says on the command line: a sentence for each of its codes. */

import type { CheckCode } from "../schema/book.js";
import type { RemedyCode } from "../diagnose/remedy.js";
import type { Cause } from "../schema/job.js";

export const CAUSE_ENGLISH: Readonly<Record<Cause, string>> = {
  "heat-too-low": "It was not hot enough when it went into the bath.",
  "heat-too-high": "It was too hot, and its grain has grown.",
  "soak-too-short": "It was not held long enough for its carbon to dissolve.",
  "coarse-start": "It began with coarse carbide: a normalising heat was missing.",
  "slow-bath": "The bath takes heat out more slowly than its kind should.",
  "cold-bath": "The oil was too cold, and thick.",
  "out-too-soon": "It came out of the bath before it was hard through.",
  "slow-transfer": "It was too long on its way to the bath.",
  "too-thick": "It is too thick for this steel in this bath.",
  "soft-skin": "Its skin is soft; the steel below is hard.",
  "tested-too-early": "It was tested before its change had come to an end.",
  "temper-too-hot": "The temper was hotter than planned.",
  "oven-wrong": "The oven is not what its dial says.",
  "other-steel": "It is not the steel it is taken for.",
  "as-planned": "None of these: as it comes with any piece, or by something nobody saw.",
};

export const CHECK_ENGLISH: Readonly<Record<CheckCode, string>> = {
  "grind-and-file": "Grind a spot 0.2 mm deep and file it again: hard there, it was the skin.",
  "wait-and-file": "Let it cool to the hand and file it again.",
  "oven-thermometer": "Put a second thermometer into the oven at the same setting.",
  "thin-and-thick": "File the thinnest and the thickest part: soft in both, it was the heat; hard where it is thin, the bath.",
  "bath-thermometer": "Read the bath with a thermometer, stirred.",
  "coupon-in-water": "Heat a thin coupon of the same bar a shade hotter, into water: soft even so, it is another steel.",
  "broken-coupon": "Break a coupon that had the same heat, and look at its grain.",
  "with-a-clock": "Do it once more with a clock running: seconds to the bath, seconds in it.",
};

export const REMEDY_ENGLISH: Readonly<Record<RemedyCode, string>> = {
  "go-on": "Go on as planned.",
  "wait-and-test": "Let it cool to the hand, then test it again.",
  "grind-and-test": "Grind through the skin, then test it again.",
  "temper-again": "Temper it once more, hotter than before.",
  accept: "Leave it as it is: its use allows it.",
  "harden-again": "Harden it again, with what was wrong put right.",
  "find-out-steel": "Find out what steel it is before another heat.",
  "enough-tries": "Three hardenings are enough: normalise it, or make another.",
};
