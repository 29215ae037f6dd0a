/** What fields say of a text that is no quantity, and ask of one that probably means another. */

import type { HeatQuestion, HeatRole, LengthQuestion, QuantityFault } from "@tembrak/core";
import { showLength, showTemperature, type Units } from "../format/show.js";

const FOR_EXAMPLE: Readonly<Record<"length" | "temperature" | "duration", string>> = {
  length: "4.8 mm, 3/16 or 1 1/4 in",
  temperature: "815 C or 1500 F",
  duration: "10 min, 2 h or 1 h 30",
};
const OF_WORDS: Readonly<Record<"length" | "temperature" | "duration", string>> = {
  length: "a length",
  temperature: "a temperature",
  duration: "a time",
};

export function faultWords(fault: QuantityFault): string {
  switch (fault.code) {
    case "empty":
      return `Type ${OF_WORDS[fault.of]}, for example ${FOR_EXAMPLE[fault.of]}.`;
    case "unreadable":
      return `"${fault.text}" is not ${OF_WORDS[fault.of]}. Write ${FOR_EXAMPLE[fault.of]}.`;
    case "below-zero":
      return "A length cannot be below zero.";
    case "below-absolute-zero":
      return "That is colder than anything can be.";
  }
}

const ROLE_WORDS: Readonly<Record<HeatRole, string>> = {
  harden: "a hardening heat",
  normalise: "a normalising heat",
  "under-the-change": "a hold under the change",
  anneal: "an anneal",
  preheat: "a preheat",
  temper: "a temper",
  run: "a temper colour",
  bath: "a bath",
  reading: "this",
};

/** What was typed stands in the unit it was typed in; what it comes to, in the shop's. */
export function heatQuestionWords(asked: HeatQuestion, units: Units): string {
  const { typed, unit, role } = asked;
  const said = `${Math.round(typed)} °${unit}`;
  switch (asked.code) {
    case "looks-like-other-unit": {
      const meant = `${Math.round(typed)} °${unit === "C" ? "F" : "C"}`;
      const here = showTemperature(asked.probably_C, units);
      return `${said} is odd for ${ROLE_WORDS[role]}. Did you mean ${meant}${meant === here ? "" : ` (${here})`}?`;
    }
    case "digit-lost": {
      const meant = `${Math.round(asked.meant_F)} °F`;
      const here = showTemperature(asked.probably_C, units);
      return `${said} will not harden steel. Did you mean ${meant}${meant === here ? "" : ` (${here})`}?`;
    }
    case "improbably-cold":
      return `${said} is cold for ${ROLE_WORDS[role]}. Is it meant?`;
    case "improbably-hot":
      return `${said} is hot for ${ROLE_WORDS[role]}. Is it meant?`;
  }
}

export function lengthQuestionWords(asked: LengthQuestion, units: Units): string {
  const typed = showLength(asked.typed_mm, units);
  switch (asked.code) {
    case "fraction-stroke-lost":
      return `Did you mean ${asked.fraction} in? ${typed} thick is more than an anvil's face.`;
    case "improbably-large":
      return `Is it really ${typed}? Check the unit and the decimal point.`;
    case "improbably-small":
      return `Is it really ${typed}? Check the unit.`;
  }
}
