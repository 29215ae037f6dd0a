/** The sentences of the work: what an act asks for, what ends it, why. All words that carry a unit are made here. */

import { heatPlace } from "./heatPlace.js";
import { alloyShiftOf_K } from "../format/alloyShift.js";
import { brightenWords, runActWords, runAfter } from "./runWords.js";
import {
  backFirst,
  CATALOGUE,
  COLOUR_MIN,
  edgeDepth_mm,
  endUnder,
  growFilm_nm,
  isInKiln,
  isLaid,
  oxideName,
  patternOf,
  PLATES,
  turnsOf,
  type Act,
  type PieceState,
  type Route,
  type Step,
} from "@tembrak/core";
import { showDegrees, showDifference, showDuration, showLength, showTemperature, type Units } from "../format/show.js";
import { dipPhrase, inOutKeys, quenchCaution } from "./patternWords.js";
import { reasonWords } from "./routeWords.js";
import { intoCaution, liesIn, outCaution } from "./vesselWords.js";

/** Where it goes on to once it was tried: its temper, or the end that is still soft. */
export function onTo(route: Route | null, step: number): string {
  const endOf = (of: Step | undefined): string | undefined => (of?.kind === "quench" ? endUnder(of)?.end : undefined);
  const here = endOf(route?.steps.slice(0, step + 1).findLast(({ kind }) => kind === "quench"));
  const later = route?.steps.slice(step + 1) ?? [];
  const next = later.find(({ kind }) => kind === "quench");
  if (next !== undefined) {
    const end = endOf(next);
    if (end === undefined || end === here) return "Go on to harden it again";
    return end === "working" ? "Go on to the working end" : "Go on to the other end";
  }
  if (later.some(({ kind }) => kind === "temper")) return "Go on to the temper";
  return later.some(({ kind }) => kind === "run") ? "Go on to run its colours" : "Go on: it is not tempered";
}

/** As it goes in: brittle the first time; then what may be hot, or wrong. */
function ovenCaution({ in: vessel, count, target_C }: Extract<Act, { kind: "oven" }>, units: Units): string {
  const own = intoCaution(vessel, target_C, units);
  if (count > 1) return own ?? "Trust a second thermometer, not the dial.";
  return `${BRITTLE} ${own ?? "Wipe the oil off: it smokes and burns. An oven for steel is no oven for food."}`;
}

export interface ActWords {
  /** Imperative, without the piece's name: the title of a bench screen. */
  readonly title: string;
  /** Label of the one act, worded as the fact that ends it. */
  readonly done: string;
  readonly why: string;
  /** Safety, brief, there where it matters; empty where nothing can hurt. */
  readonly caution: string;
}

export function mediumName(id: string): string {
  return CATALOGUE.medium(id)?.name ?? id;
}

/** Why an act is in the plan, as its step has it. */
export function reasonOf(route: Route | null, act: Act): string {
  const step = route?.steps[act.step];
  return step === undefined ? "" : reasonWords(step);
}

/** No glow is seen any more, and it still burns, C (common practice, no source). */
const BLACK_C = 400;
const BRITTLE = "Brittle: do not drop, clamp, straighten or strike it.";

function edgeWords(route: Route | null, step: number, units: Units): string {
  const own = route?.steps[step];
  if (own?.kind !== "quench") return "all of it";
  const end = endUnder(own);
  if (end !== null) {
    const deep = `${showLength(end.depth_mm, units)} deep`;
    if (turnsOf(own) !== null) return `${dipPhrase(own, units)}, ${deep}`;
    return `${end.end === "working" ? "the working end" : "the other end"} only, ${deep}`;
  }
  const special = dipPhrase(own, units);
  const edge_mm = edgeDepth_mm(own);
  if (edge_mm === undefined) return special ?? (isLaid(own) ? "all of it, edge first" : "all of it, straight down");
  const edge = `${showLength(edge_mm, units)} deep`;
  if (backFirst(own) !== null) return `${special}, then the edge, ${edge}`;
  return special === null ? `the edge only, ${edge}` : `the edge ${edge}, ${special}`;
}

const PURPOSE_WORDS = { preheat: "Warm through", normalise: "Normalise", anneal: "Anneal", harden: "Harden" } as const;
const HOLD_ENDS = {
  preheat: "Warm right through: go on",
  normalise: "Out to cool in air",
  anneal: "Let it cool slowly",
  harden: "to the bath",
} as const;
const ANNEAL_WORDS = {
  kiln: "in the kiln, at a steady rate",
  vermiculite: "buried in dry vermiculite",
  "dead-fire": "in the dying fire, mouth closed",
  "sub-critical": "in air",
} as const;

/** The colour clean steel shows where it is tempered for a moment at a heat. */
export function runColour(steel: string, temperature_C: number): string {
  return oxideName(growFilm_nm(0, { temperature_C, hold_min: COLOUR_MIN, alloyShift_K: alloyShiftOf_K(steel) }));
}

/** A hold that never reaches the change: spheroidising and stress relief. It may cool as it likes. */
export function isUnderTheChange(step: Step | undefined): boolean {
  return step?.kind === "anneal" && step.how === "sub-critical";
}

/** A bath is called by what it was read at, with the heat of its plan beside it where that is another, K. */
const SAME_BATH_K = 5;

function bathTitleHeat(planned_C: number, is_C: number | undefined, units: Units): string {
  const isOther = is_C !== undefined && Math.abs(is_C - planned_C) >= SAME_BATH_K;
  return isOther ? `${showDegrees(is_C, units)}, not ${showTemperature(planned_C, units)}` : showTemperature(planned_C, units);
}

/** What the bath of an act was read at, C, where somebody did; and that the piece is in it. */
export interface BathSeen {
  readonly is_C?: number | undefined;
  readonly isUnder?: boolean;
}

/** Words for one act of a route. */
export function actWords(
  act: Act,
  { route, piece: { steel } }: Pick<PieceState, "route" | "piece">,
  units: Units,
  { is_C, isUnder = false }: BathSeen = {},
): ActWords {
  const reason = reasonOf(route, act);
  switch (act.kind) {
    case "heat": {
      const own = route?.steps[act.step];
      const falls = own?.kind === "harden" && own.fallTo_C !== undefined;
      const part =
        own?.kind === "harden" && own.inFire_mm !== undefined ? `, ${showLength(own.inFire_mm, units)} of it in ${heatPlace(route)}` : "";
      const what = `${isUnderTheChange(own) ? "Hold under the change" : PURPOSE_WORDS[act.purpose]}${act.of > 1 ? ` ${act.count} of ${act.of}` : ""}`;
      const next = route?.steps[act.step];
      const hold = next !== undefined && "hold_min" in next && next.hold_min > 0;
      const end =
        act.purpose === "harden"
          ? hold
            ? "At heat: start the hold"
            : falls
              ? "At heat: out into still air"
              : "At heat: go to the bath"
          : hold
            ? "At heat: start the hold"
            : act.purpose === "preheat"
              ? "Warm right through: go on"
              : act.purpose === "anneal" && !isUnderTheChange(own)
                ? "At heat: let it cool slowly"
                : "At heat: out to cool";
      return {
        title: `${what}: to ${showDegrees(act.target_C, units)}${part}`,
        done: end,
        why: reason,
        caution: isInKiln(route)
          ? "Power off before a hand or tongs go in. Eyes, gloves, natural fibres; a hot lining burns."
          : "Eyes, gloves, no synthetics. Carbon monoxide: keep the air moving. No zinc.",
      };
    }
    case "hold":
      return {
        title: `Hold it at ${showTemperature(act.target_C, units)}`,
        done: isUnderTheChange(route?.steps[act.step])
          ? HOLD_ENDS.normalise
          : act.purpose === "harden"
            ? `Out of ${heatPlace(route)}: ${HOLD_ENDS.harden}`
            : HOLD_ENDS[act.purpose],
        why: reason,
        caution: act.purpose === "harden" ? "Before you move: lid and extinguisher in reach, path clear, metal tank that cannot tip." : "",
      };
    case "air-cool":
      return {
        title: act.coolTo === "black" ? "Let it cool in still air until it is black" : "Let it cool in still air until you can hold it",
        done: act.coolTo === "black" ? "It is black" : "It is hand-warm",
        why:
          act.coolTo === "black"
            ? "Black means the change is done; it may go back in the fire."
            : "Cool right through before the hardening heat.",
        caution: `Black steel still burns: about ${showTemperature(BLACK_C, units)} looks cold. Tongs, and a marked place.`,
      };
    case "slow-cool": {
      const own = route?.steps[act.step];
      const how = own?.kind === "anneal" ? ANNEAL_WORDS[own.how] : "slowly";
      if (isUnderTheChange(own)) {
        return {
          title: `Let it fall to ${showTemperature(act.to_C, units)}, ${how}`,
          done: "Far enough: the rest in air",
          why: "It stayed under the change: it may cool as it likes.",
          caution: `Black steel still burns: about ${showTemperature(BLACK_C, units)} looks cold. Tongs, and a marked place.`,
        };
      }
      return {
        title: `Let it fall to ${showTemperature(act.to_C, units)}, ${how}`,
        done: "Far enough: the rest in air",
        why: `No faster than ${showDifference(act.rate_C_h, units)} an hour: ${showDuration(act.time_s)} by that rate.`,
        caution: "Leave it shut. Vermiculite and fibre dust: mask on.",
      };
    }
    case "fall":
      return {
        title: "Let it fall in still air, magnet in hand",
        done: "It pulls: to the bath",
        why: `The first pull comes at about ${showTemperature(act.to_C, units)}: later than that it has begun to turn soft.`,
        caution: "Before you move: lid and extinguisher in reach, path clear, metal tank that cannot tip.",
      };
    case "quench": {
      const own = route?.steps[act.step];
      return {
        title:
          act.medium === PLATES
            ? `Between the plates, ${edgeWords(route, act.step, units)}`
            : `${isUnder ? "In" : "Into"} the ${mediumName(act.medium).toLowerCase()} at ${bathTitleHeat(act.bath_C, is_C, units)}, ${edgeWords(route, act.step, units)}`,
        done: inOutKeys(own?.kind === "quench" ? patternOf(own) : null).out,
        why: reason,
        caution: quenchCaution(act.medium, own?.kind === "quench" ? own : null),
      };
    }
    case "brighten":
      return {
        title: brightenWords(runAfter(route, act.step), units),
        done: "It is bright",
        why: "Oil, scale and fingers hide or falsify the colour.",
        caution: `${BRITTLE} A stone or worn belt, lightly; gloves.`,
      };
    case "run": {
      const { title, caution } = runActWords(runAfter(route, act.step), runColour(steel, act.target_C));
      return {
        title,
        done: "The colour is there: dunked",
        why: `${reason} That is about ${showTemperature(act.target_C, units)}.`,
        caution,
      };
    }
    case "straighten":
      return {
        title: "Sight along it, and straighten only while it gives",
        done: "It is straight",
        why: "While little of it is hard yet, a glove and a block will move it. Once it stiffens, stop.",
        caution: "Gloves, gently, on wood. If it resists, stop: it will break, not bend.",
      };
    case "cool-down":
      return {
        title: "Let it cool right down to hand-warm",
        done: "It is hand-warm",
        why: "Hardening goes on until it is cold. A file tells nothing before.",
        caution: BRITTLE,
      };
    case "first-file":
      return {
        title: "Try a file on it",
        done: onTo(route, act.step),
        why: "Now you can still go back cheaply: a soft piece is normalised and hardened again.",
        caution: BRITTLE,
      };
    case "oven":
      return {
        title: `Into ${liesIn(act.in)} at ${showTemperature(act.target_C, units)}${act.of > 1 ? `, ${act.count} of ${act.of}` : ""}`,
        done: `It is in ${liesIn(act.in)}`,
        why: reason,
        caution: ovenCaution(act, units),
      };
    case "temper":
      return {
        title: `Temper ${act.of > 1 ? `${act.count} of ${act.of} ` : ""}at ${showTemperature(act.target_C, units)}`,
        done: "Out, and cool to the touch",
        why: reason,
        caution: outCaution(act.in),
      };
    case "prove":
      return {
        title: "Try it: files or tester on clean ground steel",
        done: "Keep the result",
        why: "What you measure now is what the book remembers.",
        caution: "Bright flat steel for a tester. Eye protection for any bend or chop test. Oil or wax it while it is warm.",
      };
  }
}
