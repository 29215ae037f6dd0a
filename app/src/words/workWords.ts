/** Words for what is done by hand to a bent piece, and for the proofs of a finished one. */

import type { Clamp, Proof, ProofOutcome, Straightener } from "@tembrak/core";

export const STRAIGHTENER_WORDS: Readonly<Record<Straightener, { readonly name: string; readonly how: string }>> = {
  hands: {
    name: "By hand",
    how: "Dry gloves, over a knee of wood. Sight, press, sight. Never one side on cold steel: that bends it the other way.",
  },
  vise: { name: "In the vise", how: "Warm jaws or wood between: squeeze, count ten, look." },
  boards: { name: "Between boards", how: "Two dry boards, a clamp, until it is hand-warm." },
  plates: { name: "Between plates", how: "Flat plates on both faces, pressed, five minutes." },
  forks: { name: "With forks", how: "At the bend only, a hair past straight, and let go." },
  jig: { name: "In a jig", how: "Clamped to a straight edge; it goes into the temper with it." },
  hang: { name: "Left hanging", how: "Tip down in still air. Nothing touches it." },
};

export const CLAMP_WORDS: Readonly<Record<Clamp, string>> = {
  jig: "In a jig",
  clamp: "Clamped to a bar",
  "three-points": "Over three points",
};

export const PROOF_WORDS: Readonly<Record<Proof, { readonly name: string; readonly pass: string; readonly caution: string }>> = {
  "edge-flex": {
    name: "Edge on a brass rod",
    pass: "Pressed over a 6 mm rod at 10 to 15 degrees the edge bends and comes back.",
    caution: "Edge away from you. Eyes covered.",
  },
  bend: {
    name: "Bend and let go",
    pass: "Ten degrees in the vise, and it comes back straight.",
    caution: "Wrap it. It may break: eyes and face covered, nobody in line.",
  },
  chop: { name: "Chop", pass: "Thirty cuts in hard dry wood, edge neither chipped nor rolled.", caution: "Clear of knees and of people." },
  cut: { name: "Cut", pass: "Fifty cuts in rope or reed, and it still shaves.", caution: "Edge away from you." },
  drop: { name: "Drop", pass: "From knee height on wood, tip neither broken nor bent.", caution: "Feet clear. Eyes covered." },
  spark: { name: "Strike sparks", pass: "Flint brings sparks at nearly every stroke.", caution: "Flakes fly: eyes covered. Tinder apart." },
  coupon: { name: "Break a coupon", pass: "Fine and silky grey across the break.", caution: "In a vise, wrapped: it flies." },
};

export const OUTCOME_WORDS: Readonly<Record<ProofOutcome, string>> = {
  held: "Held",
  chipped: "Chipped",
  rolled: "Rolled over",
  "stayed-bent": "Stayed bent",
  broke: "Broke",
  failed: "Did not do it",
};
