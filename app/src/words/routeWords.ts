/** Why a step is there, what others do instead, what is wrong with an order: one word table a subject, typed by core's codes. */

import {
  missingFor,
  type HeatPrompt,
  type Kit,
  type KitLack,
  type NamedHeat,
  type OrderProblem,
  type OtherPractice,
  type Practice,
  type Prediction,
  type Reason,
  type Heating,
  type School,
  type Step,
} from "@tembrak/core";
import { mediumName } from "./actWords.js";

export const REASON_WORDS: Readonly<Record<Exclude<Reason, "said">, string>> = {
  "evens-forging": "Evens out what forging left.",
  "small-grain": "Makes the grain small again.",
  "last-cooler": "A last, cooler heat: small grain and fine pearlite, so a magnet heat is enough.",
  "supplied-carbide": "Turns the supplied round carbide into pearlite, which dissolves fast.",
  "was-hard": "It was hard before: this puts it back to small grain and pearlite. Look for cracks first.",
  "once-more": "One more: small, even grain.",
  "was-too-hot": "It was too hot: this makes the grain small again.",
  "soft-quench": "A soft quench is normalised before another try.",
  "slowly-from-cold": "Slowly from cold: hard steel that is heated fast cracks.",
  "warms-evenly": "Warmed through first, thick and thin change together: less bending, and no thin edge that waits hot for the rest.",
  "soft-for-cutting": "Soft, with fine round carbide: it saws and drills. Before forge hardening leave it out.",
  "shade-past": "Past the magnet by a shade: all of it has changed, and the grain is still small.",
  "magnet-only": "From fine pearlite the carbon dissolves as soon as the magnet lets go: no hotter, and the grain stays small.",
  "first-pull": "Past the magnet, then left to fall: the first pull is the sign. For small, simple pieces that fall slowly.",
  soak: "The soak brings the carbon into solution; start counting when the piece, not the chamber, is at heat.",
  "by-colour": "By its colour alone, in your own light: the middle of what it bears, for an eye errs to both sides.",
  "warm-oil": "Warm oil is thinner and takes heat out faster. Move it along the edge, never sideways.",
  "oil-too-slow":
    "The oil that is there is too slow for this thickness: water hardens it, and may crack it. In quickly, and listen for a ping.",
  "needs-water": "This steel in this thickness needs water. In quickly, and listen for a ping.",
  "nearest-bath": "The nearest bath this shop has to the one the steel asks for: look at what the verdict says of it.",
  "other-end": "The other end. The first, already hard, stays cool in a wet rag or a tray of water.",
  "keeps-heat": "Only the part that works, and out while the rest still glows dull: that heat draws the temper.",
  "softens-back":
    "The edge keeps what the oven gave it, in water; the back is drawn further, and bends before it breaks. Watch the line: past it less is hard.",
  "edge-stays-bare":
    "The first colour on the edge is softer than it is to be: the edge stays bare. Watch the line behind it; the back is tougher.",
  "runs-from-body": "Warm it far from the edge and let the colours run towards it: dunk it when the colour is there.",
  "runs-from-heat": "What is left of the heat runs back to the edge: dunk it when the colour is there.",
  "first-temper": "Takes the brittleness out. Start within the hour, when it can just be held.",
  "second-temper": "Tempers what turned hard while the first one cooled.",
  "one-more-temper": "Takes more of the brittleness out.",
  "came-out-hard": "It came out harder than wanted.",
  "snap-temper": "A short one, so that it does not lie hard until its own: it takes the worst of the strain.",
  paste: "The paste clings to the edge and cools that alone; the back cools in air and stays soft.",
  plates: "Two thick cold plates take the heat out of both faces and hold it flat, without a liquid.",
  "worked-out": "Worked out: of what this shop can do the one that lands it most often, with all that may be off.",
  "clad-core": "The cladding slows the core: a faster oil than this steel asks for bare makes up for it.",
  "clear-of-dip": "Takes the brittleness out, at a heat clear of the dip where this steel is more brittle than its hardness says.",
  "oven-ends": "As hot as it can be tempered there: its use wants it hotter.",
};

export function reasonWords({ why, said }: Pick<Step, "why" | "said">): string {
  return why === "said" ? (said ?? "") : REASON_WORDS[why];
}

export const ORDER_WORDS: Readonly<Record<OrderProblem, string>> = {
  "no-harden": "There is no hardening heat left in it.",
  "harden-needs-bath": "A hardening heat goes into its bath next.",
  "bath-needs-harden": "A bath comes right after a hardening heat.",
  "temper-needs-bath": "A temper comes after the bath.",
  "run-needs-bath": "A colour is run after the bath.",
  "preheat-needs-heat": "A preheat comes right before a hotter heat.",
  "normalise-undoes": "Normalising after the bath undoes the hardening: harden again after it, or leave it out.",
  "heat-undoes": "Such a heat after the bath undoes the hardening: harden again after it, or leave it out.",
};

interface PracticeWords {
  readonly name: string;
  readonly prefer: string;
}

const PRACTICE_WORDS: Readonly<Record<Exclude<Practice, "faster-bath" | "gentler-bath">, PracticeWords>> = {
  "once-only": { name: "Once only", prefer: "When the forging heats were few and low: less scale and less skin lost." },
  "same-heat": { name: "All at the same heat", prefer: "Published tests see no gain in falling heats; one number is easier to hit." },
  "black-again": { name: "Back in the fire at black", prefer: "Faster, and the change is over by then." },
  "until-held": { name: "Cool until it can be held", prefer: "Nothing is left to guess: all of it has changed." },
  "second-to-taste": {
    name: "One hour, then a second to taste",
    prefer: "When a tester or files are at hand: the second is set by what the first gave.",
  },
  "three-times": { name: "Three times ninety minutes", prefer: "For springs and long blades: a little more certainty for half a day." },
  "school-forge": {
    name: "A shade past the magnet",
    prefer: "When the start is not known to be fine pearlite: the shade is the margin.",
  },
  "school-magnet": { name: "To the magnet and no further", prefer: "After good normalising: least grain and skin, but no margin." },
  "school-falling": { name: "Falling heat", prefer: "For small simple tools, without judging colour." },
  "school-kiln": { name: "Kiln and soak", prefer: "When every piece has to come out alike, or the steel wants a soak." },
  "straight-in": { name: "Straight into the heat", prefer: "Thin and short pieces warm evenly enough." },
  "no-anneal": { name: "No anneal", prefer: "Before forge hardening: pearlite dissolves at a magnet heat, round carbide does not." },
};

export function practiceWords({ practice, medium = "" }: OtherPractice): PracticeWords {
  if (practice === "faster-bath")
    return { name: `${mediumName(medium)} instead`, prefer: "Harder in thick or shallow steel, at the price of bending and cracks." };
  if (practice === "gentler-bath")
    return { name: `${mediumName(medium)} instead`, prefer: "Gentler: less bending and fewer cracks, where it still hardens." };
  return PRACTICE_WORDS[practice];
}

export const PROMPT_WORDS: Readonly<Record<HeatPrompt, string>> = {
  "eye-first": "Eye and poll first: the heavy part leads.",
  "spine-first": "Tang and spine first: the heavy part leads.",
  "edge-away": "Edge up, or away from the flame: thin, it runs ahead.",
  "tip-last": "Tip past the flame, and in last: it is the first to be too hot.",
  "to-and-fro": "Draw it to and fro: no part waits in the hot spot.",
  "only-end": "Only the end that works goes to heat; the rest stays out of the fire.",
  "face-last": "Struck face last into the hot spot: corners run ahead.",
  "point-last": "Back from the point first, then the point.",
  "first-end-cool": "Keep the end that is hard already cool: wet rag, or its tray.",
  "thick-first": "Thick parts first, then turn it: every side sees the fire.",
  "corners-last": "Points and corners last: they run ahead.",
};

const LACK_WORDS: Readonly<Record<KitLack, string>> = {
  kiln: "There is no kiln in the kit.",
  torch: "There is no torch in the kit.",
  coal: "There is no forge for coal or charcoal in the kit.",
  salt: "There is no pot of salt in the kit that comes to a hardening heat.",
  probe: "There is no thermometer for such heats in the kit.",
  fire: "There is no forge and no torch in the kit.",
  eye: "There is no magnet and no thermometer in the kit.",
  magnet: "There is no magnet in the kit.",
};

export const NAMED_HEAT_WORDS: Readonly<Record<NamedHeat["name"], string>> = {
  "sub-critical": "Held for hours just under the change: carbide turns round and it gets soft, without new grain.",
  destress: "Warmed to a dull black-red and cooled: lets go of the strains of forging and grinding, changes nothing else.",
  refine: "Just past the change and out into air: new, smaller grain each time, up to twice.",
  normalise: "Well past the change and cooled in still air: evens out what forging left and makes pearlite.",
  anneal: "Past the change, or near it, and cooled slowly: soft enough to saw and drill.",
};

/** What a way of heating lacks in this shop; null when nothing. */
export function lackWords(heating: School | Heating, kit: Kit | null): string | null {
  const lack = missingFor(heating, kit);
  return lack === null ? null : LACK_WORDS[lack];
}

/** Why a way of heating that has no margin is not offered for a piece. */
export function unfairWords({ hardening }: Prediction): string {
  return `Not for this piece: from the first pull it would not harden, or hardly ever (chance ${Math.round(100 * hardening.chanceHard.working)} %). A shade past the magnet, straight into the bath, is safer.`;
}
