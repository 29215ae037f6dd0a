/** The ways to take a piece through its bath, in words: what each is for, what it risks, what it made of this piece, what to do now. */

import {
  backFirst,
  CATALOGUE,
  intoOf,
  isWater,
  lastOf_s,
  patternOf,
  PLATES,
  secondDip,
  seconds,
  turnsOf,
  turnsSaid,
  underOf,
  type DipNow,
  type Pattern,
  type PatternTried,
  type Piece,
  type Prediction,
  type Quench,
  type Under,
} from "@tembrak/core";
import {
  capital,
  showChance,
  showClock,
  showDuration,
  showHardness,
  showLength,
  showRange,
  showTemperature,
  type Units,
} from "../format/show.js";

interface PatternWords {
  readonly name: string;
  readonly does: string;
  /** What can go wrong or hurt; empty where no more than ever. */
  readonly mind: string;
}

export const PATTERN_WORDS: Readonly<Record<Pattern, PatternWords>> = {
  whole: { name: "All of it under", does: "As hard as steel and bath make it, right through.", mind: "" },
  edge: { name: "The edge only", does: "Hard edge, soft back: it bends before it breaks.", mind: "" },
  "back-after": {
    name: "The edge, then the back",
    does: "The edge is held until the back is dark, then all of it goes under: no heat is left that could draw the edge.",
    mind: "A back that still glows gets hard too, and bends the blade.",
  },
  "back-first": {
    name: "The back, then the edge",
    does: "Out of one heat: the back goes under first, then it is turned over and the edge follows. The middle stays soft.",
    mind: "The edge waits in the air: a thin one turns soft. Turn it over above the tank, away from you.",
  },
  "out-early": {
    name: "Out early, the rest in air",
    does: "Out as soon as it is past the heats where it turns soft. Less strain, less bending, and time to straighten.",
    mind: "Too early is soft. It comes out hot and oily: it may flare.",
  },
  "two-baths": {
    name: "One bath, then another",
    does: "",
    mind: "",
  },
  clay: {
    name: "Clay on the back",
    does: "The back cools slowly under the clay and stays soft; the edge is bare.",
    mind: "Dry it right through, slowly: wet clay bursts off in the fire. Pieces of it may fly in the bath.",
  },
  "by-turns": {
    name: "Both ends by turns",
    does: "Out of one heat, for a tank too short: one end is under while the other waits in the air.",
    mind: "The hot end comes near the hand and the oil: long tongs, and never over the rim.",
  },
  plates: {
    name: "Between two plates",
    does: "Pressed between thick cold plates of aluminium or copper: flat, and without a liquid.",
    mind: "Only what is thin and flat. Clamp it within two seconds, on both faces at once; the plates get hot: gloves.",
  },
  paste: {
    name: "The edge into paste",
    does: "Pressed into a tray of thick paste: a hard edge, a back that cooled in air, and no tank.",
    mind: "It smokes and may flare where it meets the hot back: fan on, lid at hand. No deeper than the edge; the maker's sheet goes first.",
  },
};

const OIL_THEN_WATER = {
  does: "A gentle start in oil, a fast end in water.",
  mind: "Cracks more than either alone. Oil on it flares off and floats burning on the water: keep clear, lid at hand.",
};
const WATER_THEN_OIL = {
  does: "Past its soft heats in water, the rest gently in oil: fewer cracks than in water alone.",
  mind: "Water that is carried into hot oil boils up and throws it: let it run off, oil below the boil of water.",
};

export function patternWords(pattern: Pattern, quench: Pick<Quench, "dips">): PatternWords {
  const words = PATTERN_WORDS[pattern];
  if (pattern !== "two-baths") return words;
  return { ...words, ...(isWater(CATALOGUE.medium(intoOf(quench).medium)) ? WATER_THEN_OIL : OIL_THEN_WATER) };
}

/** How it is moved in the bath, by how much of it is under. */
const MOVE_WORDS: Readonly<Record<Under["what"], string>> = {
  whole: "Whole piece under before you move it.",
  edge: "Rock it along its edge, so that no line is left where the oil ends.",
  back: "The back alone, the edge up in the air; then turn it over.",
  end: "Up and down a little, so that no line is left where the oil ends.",
};

/** Ways that have a danger of their own. */
const OWN_DANGER: ReadonlySet<Pattern> = new Set(["two-baths", "by-turns", "plates", "paste"]);

/** What can hurt at a bath: of a way that has a danger of its own, that one. */
export function quenchCaution(medium: string, own: Quench | null): string {
  const pattern = own === null ? "whole" : patternOf(own);
  if (own !== null && OWN_DANGER.has(pattern)) return patternWords(pattern, own).mind;
  if (isWater(CATALOGUE.medium(medium))) return "Steam: long tongs, face away. Steel may ping and crack; stay clear of it.";
  return `Oil may flare: lid, not water. ${MOVE_WORDS[own === null ? "whole" : underOf(own).what]} The maker's sheet says how hot the oil may get.`;
}

function bathName(id: string): string {
  return (CATALOGUE.medium(id)?.name ?? id).toLowerCase();
}

/** What is special about how it goes in, for the title of the act; null where all of it simply goes under. */
export function dipPhrase(quench: Quench, units: Units): string | null {
  const { clay } = quench;
  const { medium } = intoOf(quench);
  const last_s = lastOf_s(quench);
  const out = last_s === null ? null : `out after ${showDuration(last_s)}`;
  if (medium === PLATES) return last_s === null ? null : `pressed for ${showDuration(last_s)}`;
  if (turnsOf(quench) !== null) return "both ends by turns";
  if (backFirst(quench) !== null) return "the back first";
  if (clay !== undefined) {
    const coat = `clay ${showLength(clay.thickness_mm, units)} thick from ${showLength(clay.from_mm, units)} up`;
    const move = movePhrase(quench, out);
    return move === null ? coat : `${coat}, ${move}`;
  }
  return movePhrase(quench, out);
}

/** What follows its first dip, or when it comes out of that; null where it is left in until it is cold. */
function movePhrase(quench: Quench, out: string | null): string | null {
  const second = secondDip(quench);
  if (second === null) return out;
  if (!isOtherBath(quench, second)) return "then the back";
  const first_s = seconds(quench.dips[0]!);
  return `${first_s === null ? "" : `${showDuration(first_s)}, `}then into the ${bathName(second.into.medium)}`;
}

/** Its seconds, where the title of the act leaves them to the bath. */
function secondsPhrase(quench: Quench): string | null {
  const turns = turnsSaid(quench);
  if (turns !== null) return `${showDuration(turns.first_s)} and ${showDuration(turns.second_s)} at a time`;
  const first_s = seconds(quench.dips[0]!);
  if (first_s === null) return null;
  if (backFirst(quench) !== null) return `back under for ${showDuration(first_s)}`;
  return patternOf(quench) === "back-after" ? `back dark after about ${showDuration(first_s)}` : null;
}

const CRACK_WORDS = { low: "little risk of a crack", some: "some risk of a crack", high: "high risk of a crack" } as const;

function hrc({ mean_HRC, p05_HRC, p95_HRC }: PatternTried["working"]): string {
  return `${showHardness(mean_HRC)} HRC (${showRange(p05_HRC, p95_HRC)})`;
}

/** What a way would make of a piece in the end. */
export function triedWords(
  { pattern, working, thickest, other, chanceHard, crack, line_mm, martensiteOut, quench }: PatternTried,
  piece: Piece,
  units: Units,
): string {
  const [work, thick] = piece.section.shape === "wedge" ? ["edge", "spine"] : ["surface", "centre"];
  const ends =
    other === null
      ? `${work} ${hrc(working)}, ${thick} ${showHardness(thickest.mean_HRC)}`
      : `first end ${hrc(working)}, second ${hrc(other)}`;
  const line = line_mm === null ? "" : `, line ${showLength(line_mm, units)} up`;
  // Taken out early, the rest of it gets hard in air: so much already is.
  const out = pattern === "out-early" ? `, ${Math.round(100 * martensiteOut)} % of it martensite as it comes out` : "";
  const how = secondsPhrase(quench) ?? dipPhrase(quench, units);
  return `${how === null ? "" : `${capital(how)}: `}${ends}${line}${out}. ${capital(showChance(chanceHard))} that it hardens; ${CRACK_WORDS[crack]}.`;
}

/** When the second of two ends has to be under. */
export function secondByWords({ secondBy_s }: { readonly secondBy_s: number }): string {
  return `The second end has to be under within ${showDuration(secondBy_s)} of the fire.`;
}

/** What the keys say that log a piece as in and out, and what is said before and between. */
interface InOut {
  readonly in: string;
  readonly asIt: string;
  readonly out: string;
  readonly notYet: string;
  readonly since: string;
  /** Where it is meanwhile. */
  readonly where: string;
}

const IN_BATH: InOut = {
  in: "It is in the bath",
  asIt: "as it goes under",
  out: "It is out",
  notYet: "not in the bath yet",
  since: "seconds in the bath",
  where: "in the bath",
};
const IN_PLATES: InOut = {
  in: "The plates are on it",
  asIt: "as they close",
  out: "The plates are off",
  notYet: "not between the plates yet",
  since: "seconds between the plates",
  where: "between the plates",
};

const IN_PASTE: InOut = {
  in: "The edge is in the paste",
  asIt: "as it goes in",
  out: "It is out of the paste",
  notYet: "not in the paste yet",
  since: "seconds in the paste",
  where: "in the paste",
};

export function inOutKeys(pattern: Pattern | null): InOut {
  if (pattern === "paste") return IN_PASTE;
  return pattern === "plates" ? IN_PLATES : IN_BATH;
}

function isOtherBath(quench: Quench, { into }: Quench["dips"][number]): boolean {
  return into.medium !== intoOf(quench).medium;
}

/** The key that logs the next move of a quench; null where there is none but out. */
export function overKey({ pattern, changed }: DipNow, quench: Quench): string | null {
  if (pattern === "by-turns" && quench.dips[changed + 1] === undefined && quench.dips.length === 2) return null;
  if (pattern === "by-turns") return changed % 2 === 0 ? "Second end is under" : "First end is under again";
  if (pattern === "back-first") return changed > 0 ? null : "Turned over: the edge is under";
  const next = quench.dips[changed + 1];
  if (next === undefined) return null;
  return isOtherBath(quench, next) ? `It is in the ${bathName(next.into.medium)}` : "The back is under too";
}

/** A tap in a quench, as the log has it: in, changed over, out. */
export function bathTapWords(tap: "in" | "over" | "out", quench: Quench | null): string {
  const what = quench === null ? "whole" : patternOf(quench);
  if (tap === "over") {
    if (what === "by-turns") return "the other end under";
    if (what === "back-first") return "turned over, the edge under";
    const second = quench === null ? null : secondDip(quench);
    return second === null || !isOtherBath(quench!, second) ? "all of it under" : `in the ${bathName(second.into.medium)}`;
  }
  const where = what === "plates" ? "the plates" : what === "paste" ? "the paste" : "the bath";
  if (tap === "out") return `out of ${where}`;
  return what === "plates" ? "between the plates" : `in ${where}`;
}

/** The temperature of one end as it is by the model, so long after the fire, C. */
function heatAt_C(
  { time_s, surface_C }: { readonly time_s: readonly number[]; readonly surface_C: readonly number[] },
  at_s: number,
): number {
  const i = time_s.findIndex((t) => t >= at_s);
  return surface_C[i < 0 ? surface_C.length - 1 : i]!;
}

function intoNext(quench: Quench): string {
  const second = secondDip(quench);
  return second === null || !isOtherBath(quench, second) ? "all of it under" : `into the ${bathName(second.into.medium)}`;
}

/** What to do now in a quench that has more moves than in and out; null where it has not. */
export function dipWords(dip: DipNow, quench: Quench): string | null {
  const { pattern, changed, due, gone_s } = dip;
  if (gone_s === null) return pattern === "plates" ? "Press as they close" : pattern === "paste" ? "Press it in, and hold it still" : null;
  const left_s = due === null ? 0 : Math.ceil(due.at_s - gone_s);
  switch (pattern) {
    case "back-after":
      if (changed > 0) return null;
      return left_s > 0 ? `Rock the edge until the back is dark, about ${showDuration(left_s)}` : "Is the back dark? All of it under";
    case "back-first":
      if (changed > 0) return null;
      return left_s > 0 ? `Back under, edge up. Turn it over in ${left_s}` : "Turn it over: the edge under";
    case "two-baths": {
      if (changed > 0) return null;
      const into = intoNext(quench);
      return left_s > 0 ? `Keep it under, moving. ${left_s}, then ${into}` : `Now ${into}`;
    }
    case "out-early":
      return left_s > 0 ? `Keep it under, moving. Out in ${left_s}, then still air` : "Out, and hold it in still air";
    case "by-turns":
      return left_s > 0 ? `${changed % 2 === 0 ? "First" : "Second"} end under. Change over in ${left_s}` : "Change over now";
    case "plates":
      return left_s > 0 ? `Pressed. Off in ${showClock(left_s)}` : "Off, and sight along it";
    case "paste":
      return "Still, pressed in. Out when the back is black";
    case "whole":
      return null;
    case "edge":
    case "clay":
      // Left in until it is cold, or until one sees that its back is dark.
      if (due === null) return null;
      if (due.move === "over") return left_s > 0 ? `Keep it under. ${left_s}, then ${intoNext(quench)}` : `Now ${intoNext(quench)}`;
      return left_s > 0 ? `Keep it under. Out in ${left_s}` : "Out";
  }
}

/** Both ends of a piece that is quenched by turns, by the model, and whether the second has waited too long. */
export function endsWords(dip: DipNow, prediction: Prediction, transfer_s: number, units: Units): string | null {
  const { other, hardening } = prediction;
  if (other === null || dip.gone_s === null) return null;
  const at_s = transfer_s + dip.gone_s;
  if (other.secondBy_s === null) return null;
  if (dip.changed === 0 && at_s > other.secondBy_s)
    return "The second end has waited too long to harden: back in the fire, and begin with that one.";
  // As the taps have it: until it is changed over the second hangs in the air, whatever the plan's clock says.
  const until_s = dip.due?.move === "over" ? Math.min(at_s, transfer_s + dip.due.at_s) : at_s;
  const [first_C, second_C] = [heatAt_C(hardening.curve, until_s), heatAt_C(other.curve, until_s)];
  return `First end about ${showTemperature(round10(first_C), units)}, second ${showTemperature(round10(second_C), units)}, by the model.`;
}

function round10(value: number): number {
  return 10 * Math.round(value / 10);
}
