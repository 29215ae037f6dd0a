/** Words for what is done by hand to a bent piece, and for the proofs of a finished one. */

import type { Check, Clamp, Falling, Grade, Piece, Proof, ProofOutcome, Route, Settling, Straightener, WarpNow } from "@tembrak/core";
import { showDegrees, showDifference, showDuration, showLength, showTemperature, showThin, type Units } from "../format/show.js";

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
    pass: "Pressed over a rod as thick as a pencil, nearly flat, the edge bends and comes back.",
    caution: "Edge away from you. Eyes covered.",
  },
  bend: {
    name: "Bend and let go",
    pass: "Bent a little way in the vise, it comes back straight.",
    caution: "Wrap it. It may break: eyes and face covered, nobody in line.",
  },
  chop: { name: "Chop", pass: "Thirty cuts in hard dry wood, edge neither chipped nor rolled.", caution: "Clear of knees and of people." },
  cut: { name: "Cut", pass: "Fifty cuts in rope or reed, and it still shaves.", caution: "Edge away from you." },
  drop: { name: "Drop", pass: "From knee height on wood, tip neither broken nor bent.", caution: "Feet clear. Eyes covered." },
  "cut-rod": {
    name: "Cut a rod",
    pass: "Driven through a mild steel rod as thick as a pencil, the edge is unmarked.",
    caution: "Rod on a block, nobody in line. Eyes covered: ends fly.",
  },
  rebound: {
    name: "Rebound",
    pass: "A ball bearing dropped on the face comes back at least half as high, and alike all over it.",
    caution: "Says hard or soft, no number.",
  },
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

/** Which proofs a use asks for, the first first. */
export function proofsFor({ use, section }: Pick<Piece, "use" | "section">): readonly Proof[] {
  switch (use) {
    case "striker":
      return ["spark", "coupon"];
    case "spring":
      return ["bend", "coupon"];
    case "sword":
      return ["bend", "edge-flex", "chop", "cut", "drop", "coupon"];
    case "hammer-face":
      return ["rebound", "coupon"];
    case "punch":
      return ["cut-rod", "drop", "coupon"];
    case "wood-chisel":
    case "chisel":
      return ["cut-rod", "chop", "coupon"];
    case "slicer":
    case "knife":
    case "hoof-knife":
    case "sickle":
      return ["edge-flex", "cut", "chop", "drop", "coupon"];
    default:
      return section.shape === "wedge" ? ["edge-flex", "chop", "bend", "drop", "coupon"] : ["drop", "bend", "coupon"];
  }
}

/** What of the way it is made is worth a word. */
export const PROOF_ASKS: Readonly<Record<Proof, readonly ("sample" | "count" | "height" | "force")[]>> = {
  "edge-flex": ["sample", "force"],
  bend: ["force"],
  chop: ["sample", "count"],
  cut: ["sample", "count"],
  drop: ["sample", "height"],
  "cut-rod": ["sample", "count"],
  rebound: ["height"],
  spark: ["count"],
  coupon: [],
};

type ProofCheck = Extract<Check, { check: "proof" }>;

/** How it was made, where somebody said: `, 30 times, on seasoned oak, from 300 mm, 200 N`. */
export function proofHow({ sample, count, height_mm, force_N }: Omit<ProofCheck, "check" | "of" | "outcome">, units: Units): string {
  const told = [
    ...(count === undefined ? [] : [count === 1 ? "once" : `${count} times`]),
    ...(sample === undefined ? [] : [`on ${sample}`]),
    ...(height_mm === undefined ? [] : [`from ${showLength(height_mm, units)}`]),
    ...(force_N === undefined ? [] : [`${Math.round(force_N)} N`]),
  ];
  return told.length === 0 ? "" : `, ${told.join(", ")}`;
}

/** How each may end; held first. */
export const OUTCOMES_OF: Readonly<Record<Proof, readonly ProofOutcome[]>> = {
  "edge-flex": ["held", "chipped", "stayed-bent"],
  bend: ["held", "stayed-bent", "broke"],
  chop: ["held", "chipped", "rolled"],
  cut: ["held", "rolled", "failed"],
  drop: ["held", "chipped", "broke"],
  "cut-rod": ["held", "chipped", "rolled"],
  rebound: ["held", "failed"],
  spark: ["held", "failed"],
  coupon: ["held", "failed"],
};

/** What an outcome says of the temper. */
export const OUTCOME_MEANS: Readonly<Record<ProofOutcome, string>> = {
  held: "As it should be.",
  chipped: "Too hard for this: one more temper, a little hotter.",
  rolled: "Too soft, or too thin behind the edge: thicken it, or harden again.",
  "stayed-bent": "Too soft there: it did not harden through, or was drawn too far.",
  broke: "Too hard, or coarse in the grain: look at the break.",
  failed: "Too soft for this, or the face is not clean steel.",
};

/** By what a hardness is known. */
export const GRADE_WORDS: Readonly<Record<Grade, string>> = {
  tester: "known by a hardness tester",
  files: "known by hardness files, to a few points",
  "one-file": "known by one file: harder or softer than it, no more",
  proof: "known by a proof in use: no number",
  colour: "known by its colour alone, to some five points",
  model: "worked out, not tested",
};

/** The same of a piece that was measured once, or tried before its temper: a temper after that leaves it worked out from there. */
export function gradeWords(grade: Grade, isMeasured: boolean, isTried: boolean): string {
  if (grade !== "model" && grade !== "colour") return GRADE_WORDS[grade];
  if (isMeasured) return "measured before its last temper, worked out from there";
  return grade === "model" && isTried ? "worked out, and from what was tried before its temper" : GRADE_WORDS[grade];
}

/** A warp and what to do about it. */
export function warpWords(now: WarpNow, units: Units): string {
  const is = `${showThin(now.bow_mm, units)} off the line over ${showLength(now.over_mm, units)}`;
  if (now.isWithin) return `${is}: within ${showThin(now.tolerance_mm, units)}, straight enough.`;
  const learned = now.passes.length === 0 ? "" : ` So far ${Math.round(100 * now.stays)} % of what it was pushed stayed.`;
  const held =
    now.held === null
      ? `Hold it ${showThin(now.past_mm, units)} past the line in the temper.`
      : `Held ${showThin(now.held.past_mm, units)} past the line.`;
  return `${is}. ${held}${learned}${now.isRisky ? " That is far for hard steel: warm it first, and take it in two passes." : ""}`;
}

/** Longer than this a hard piece should not lie, min (common practice, no source). */
const HARD_FOR_min = 60;

/** When a kiln that was switched off has fallen to a temper. */
export function fallingWords({ left_min, from_min, to_min, isLearned }: Falling, target_C: number, units: Units): string {
  const [left, from, to] = [left_min, from_min, to_min].map((min) => showDuration(60 * 5 * Math.max(1, Math.round(min / 5)))) as [
    string,
    string,
    string,
  ];
  const by = isLearned ? "by its own fall" : "as kilns usually fall; a reading later tells";
  const lies =
    from_min > HARD_FOR_min
      ? " It should not lie hard so long: a first temper in any oven that reaches it, or a colour run, is safer."
      : "";
  return `Power off, door shut: down to ${showDegrees(target_C, units)} in about ${left}, ${from} to ${to}, ${by}.${lies}`;
}

/** Where an oven becomes steady, and when. */
export function settlingWords({ atRest_C, sd_C, wait_min, isMoving, swing_K }: Settling, target_C: number, units: Units): string {
  const off_K = atRest_C - target_C;
  const give_K = Math.max(3, 1.6 * sd_C);
  const rest = `${showDegrees(atRest_C, units)} give or take ${showDifference(give_K, units)}`;
  const where = isMoving ? `By these readings it will be steady at ${rest}` : `It is steady at ${rest}`;
  const when = wait_min < 1 ? "" : `, in about ${showDuration(60 * wait_min)}`;
  const swings =
    swing_K === 0 ? "" : ` It goes ${showDifference(swing_K, units)} up and down about that; steel in it follows a part of it.`;
  if (Math.abs(off_K) <= Math.max(8, give_K)) return `${where}${when}: ${wait_min < 1 ? "it can go in" : "then it can go in"}.${swings}`;
  const way = off_K > 0 ? "lower" : "higher";
  return `${where}${when}: set its dial ${showDifference(Math.abs(off_K), units)} ${way}, and read it again.${swings}`;
}

/** What stands in the record of a piece that was left hard. */
export const WAITS_NOTE = "Left hard and untempered until another day.";

/** What a night as hard as this risks, by what its quench was. */
export function tomorrowWords(crack: "low" | "some" | "high" | undefined): string {
  const risk =
    crack === undefined || crack === "low"
      ? "Most such pieces last the night; some crack by themselves hours later."
      : "It was quenched hard: such pieces crack by themselves, hours later and unseen.";
  return `${risk} Cold, a draught or a knock make it likelier. Look at it again in good light before it goes on.`;
}

/** The short temper, with its heat and its time. */
export function shortTemperWords({ steps }: Route, units: Units): string {
  const short = steps.find(({ why }) => why === "snap-temper");
  if (short?.kind !== "temper") return "";
  return `${showDuration(60 * short.hold_min)} at ${showTemperature(short.temperature_C, units)}: then its own may wait`;
}
