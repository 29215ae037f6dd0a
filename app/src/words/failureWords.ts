/** Why something could not be worked out: by the code of core's refusal, or that the computation itself failed. */

import type { InputErrorCode } from "@tembrak/core";

/** Refusals that a plan of the card can come to; the others cannot be reached from a stored piece. */
const WORDS: Readonly<Partial<Record<InputErrorCode, string>>> = {
  "bath-hotter-than-steel": "the bath is not colder than the steel that goes in.",
  "edge-deeper-than-blade": "more of it is to go under than there is.",
  "unknown-steel": "its steel is none that this version knows.",
  "unknown-medium": "its bath is none that this version knows.",
  "out-of-range": "a number of it lies beyond what the model can answer for.",
  "not-a-choice": "a word of it is none that this version knows.",
  inconsistent: "parts of it contradict each other.",
};

function isKnown(code: unknown): code is keyof typeof WORDS {
  return typeof code === "string" && Object.hasOwn(WORDS, code);
}

export function failureWords(failure: Error): string {
  const code: unknown = "code" in failure ? failure.code : undefined;
  return `It could not be worked out: ${isKnown(code) ? WORDS[code] : "the computation failed. Open this screen again."}`;
}
