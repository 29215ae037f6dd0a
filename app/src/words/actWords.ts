/** The sentences of the work: what an act asks for, what ends it, why. All words that carry a unit are made here. */

import { alloyShiftOf_K } from "../format/alloyShift.js";
import { FATE_WORDS } from "./fateWords.js";
import { brightenWords, runActWords, runAfter } from "./runWords.js";
import {
  CATALOGUE,
  growFilm_nm,
  oxideName,
  COLOUR_MIN,
  PLATES,
  patternOf,
  soakClock,
  testsThatCount,
  type Act,
  type HeatCall,
  type PieceState,
  type Route,
  type Step,
} from "@tembrak/core";
import {
  showClock,
  showDegrees,
  showDifference,
  showDuration,
  showLength,
  showMoment,
  showTemperature,
  showTimeOfDay,
  type Units,
} from "../format/show.js";
import { dipPhrase, inOutKeys, quenchCaution } from "./patternWords.js";
import { reasonWords } from "./routeWords.js";
import { intoCaution, liesIn, outCaution } from "./vesselWords.js";

/** Where it goes on to once it was tried: its temper, or the end that is still soft. */
export function onTo(route: Route | null, step: number): string {
  const isMore = route?.steps.some(({ kind }, i) => i > step && kind === "quench") === true;
  return isMore ? "Go on to the other end" : "Go on to the temper";
}

/** As it goes in: brittle the first time; then what may be hot, or wrong. */
function ovenCaution({ in: vessel, count, target_C }: Extract<Act, { kind: "oven" }>, units: Units): string {
  const own = intoCaution(vessel, target_C, units);
  if (count > 1) return own ?? "Trust a second thermometer, not the dial.";
  return `${BRITTLE} ${own ?? "An oven for steel is no oven for food."}`;
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

function reasonOf(route: Route | null, act: Act): string {
  const step = route?.steps[act.step];
  return step === undefined ? "" : reasonWords(step);
}

/** No glow is seen any more, and it still burns, C (common practice, no source). */
const BLACK_C = 400;
const BRITTLE = "Brittle: do not drop, clamp, straighten or strike it.";

function edgeWords(route: Route | null, step: number, units: Units): string {
  const own = route?.steps[step];
  if (own?.kind !== "quench") return "all of it";
  if (own.part !== undefined) {
    if (own.turns !== undefined) return `${dipPhrase(own, units)}, ${showLength(own.part.depth_mm, units)} deep`;
    return `${own.part.end === "working" ? "the working end" : "the other end"} only, ${showLength(own.part.depth_mm, units)} deep`;
  }
  const special = dipPhrase(own, units);
  if (own.edgeDepth_mm === undefined) return special ?? (own.edgeFirst === true ? "all of it, edge first" : "all of it, straight down");
  const edge = `${showLength(own.edgeDepth_mm, units)} deep`;
  if (own.backFirst !== undefined) return `${special}, then the edge, ${edge}`;
  return special === null ? `the edge only, ${edge}` : `the edge ${edge}, ${special}`;
}

const PURPOSE_WORDS = { preheat: "Warm through", normalise: "Normalise", anneal: "Anneal", harden: "Harden" } as const;
const HOLD_ENDS = {
  preheat: "Warm right through: go on",
  normalise: "Out to cool in air",
  anneal: "Let it cool slowly",
  harden: "Out of the fire: to the bath",
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

/** Words for one act of a route. */
export function actWords(act: Act, { route, piece: { steel } }: Pick<PieceState, "route" | "piece">, units: Units): ActWords {
  const reason = reasonOf(route, act);
  switch (act.kind) {
    case "heat": {
      const own = route?.steps[act.step];
      const falls = own?.kind === "harden" && own.fallTo_C !== undefined;
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
        title: `${what}: to ${showDegrees(act.target_C, units)}`,
        done: end,
        why: reason,
        caution:
          route?.school === "kiln"
            ? "Power off before a hand or tongs go in. Eyes, gloves, natural fibres; a hot lining burns."
            : "Eyes, gloves, no synthetics. Carbon monoxide: keep the air moving. No zinc.",
      };
    }
    case "hold":
      return {
        title: `Hold it at ${showTemperature(act.target_C, units)}`,
        done: isUnderTheChange(route?.steps[act.step]) ? HOLD_ENDS.normalise : HOLD_ENDS[act.purpose],
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
            : `Into the ${mediumName(act.medium).toLowerCase()} at ${showTemperature(act.bath_C, units)}, ${edgeWords(route, act.step, units)}`,
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
        title: "Sight along it. Straighten now or not at all",
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
        caution: "Eye protection for any bend or chop test.",
      };
  }
}

/** One short line under a piece's name on the rack. */
export function statusLine(state: PieceState, now_ms: number, now_C: number | null, units: Units, call: HeatCall | null = null): string {
  const status = statusOf(state, now_ms, now_C, call, units);
  return state.piece.isPractice === true ? `Practice: ${status[0]!.toLowerCase()}${status.slice(1)}` : status;
}

/** How far a heat is, as the bench calls it, in few words. */
function heatStatus(target_C: number, now_C: number | null, call: HeatCall | null, units: Units): string {
  const wants = `wants ${showDegrees(target_C, units)}`;
  switch (call?.call) {
    case "out":
      return `Out of the fire, ${wants}`;
    case "too-hot":
      return `Too hot, ${wants}`;
    case "look-again":
      return `Look again, ${wants}`;
    case "conflict":
      return "Its readings differ";
    case "magnet":
      return call.magnet === "free" ? "Past the magnet" : `Magnetic, ${wants}`;
    case "to-go":
      return now_C === null ? `To ${showDegrees(target_C, units)}` : `${showDegrees(now_C, units)}, ${wants}`;
    case "past":
      return `${showDifference(call.over_K, units)} past`;
    case "about":
      return "About there";
    case "at-heat":
      return "At heat";
    case "unread":
    case undefined:
      return `To ${showDegrees(target_C, units)}`;
  }
}

function statusOf(state: PieceState, now_ms: number, now_C: number | null, call: HeatCall | null, units: Units): string {
  const { next, nextSince_ms, doneAt_ms, stage } = state;
  if (stage === "done") return "Finished";
  if (next === undefined) return "All done";
  const since_s = nextSince_ms === null ? 0 : (now_ms - nextSince_ms) / 1000;
  switch (next.kind) {
    case "slow-cool":
      return since_s < next.time_s ? `${showDuration(next.time_s - since_s)} of slow cooling left` : "Cool enough for air";
    case "brighten":
      return "Rub it bright";
    case "run":
      return "Run the colours";
    case "heat":
      if (doneAt_ms.size === 0 && now_C === null && (call === null || call.call === "unread")) return "Ready for the fire";
      return heatStatus(next.target_C, now_C, call, units);
    case "hold": {
      const { left_s, waitsForChamber } = soakClock(state, next, now_ms);
      if (waitsForChamber) return "Hold waits for the chamber";
      return left_s > 0 ? `${showClock(left_s)} left at heat` : "Hold is over";
    }
    case "air-cool":
      return next.coolTo === "black" ? "Cooling to black" : "Cooling to hand-warm";
    case "fall":
      return "Falling to the first pull";
    case "quench":
      return "To the bath";
    case "straighten":
      return "Straighten now";
    case "cool-down":
      return "Cooling down";
    case "first-file":
      return "Try a file";
    case "oven":
      return next.count === 1 && state.brittleSince_ms !== null
        ? `Quenched ${showTimeOfDay(state.brittleSince_ms)}`
        : `To ${liesIn(next.in)}, ${showDegrees(next.target_C, units)}`;
    case "temper":
      return since_s < next.hold_s ? `${showClock(next.hold_s - since_s)} left at ${showDegrees(next.target_C, units)}` : "Take it out";
    case "prove":
      return "Try the files";
  }
}

/** Which piece wants its smith first: larger is more urgent. */
export function urgency({ next, nextSince_ms, brittleSince_ms, checks, doneAt_ms, stage }: PieceState, now_ms: number): number {
  if (stage === "done" || next === undefined) return -1;
  const since_s = nextSince_ms === null ? 0 : (now_ms - nextSince_ms) / 1000;
  const brittle_min = brittleSince_ms === null ? 0 : (now_ms - brittleSince_ms) / 60000;
  const isStarted = doneAt_ms.size > 0 || checks.some(({ act }) => act === next.id);
  switch (next.kind) {
    case "fall":
    case "quench":
    case "run":
      return 300;
    case "brighten":
      return 270;
    case "slow-cool":
      return since_s > next.time_s ? 100 : 5;
    case "straighten":
      return 290;
    case "hold":
      return since_s > next.hold_s ? 280 : 240;
    case "cool-down":
    case "first-file":
      return 180 + Math.min(30, brittle_min / 4);
    case "oven":
      return next.count === 1 ? 200 + Math.min(60, brittle_min / 4) : 120;
    case "heat":
      return isStarted ? 170 : 20;
    case "air-cool":
      return since_s > 300 ? 150 : 30;
    case "temper":
      return since_s > next.hold_s ? 140 : 10;
    case "prove":
      return 60;
  }
}

/** Begun minutes are not counted, as the number beside the piece counts them. */
function wholeMinutes(time_s: number): string {
  return showDuration(time_s < 60 ? time_s : 60 * Math.floor(time_s / 60));
}

export interface NextActWords {
  readonly sentence: string;
  readonly reason: string;
}

/** The line on top of the rack: imperative, the piece, and why now. */
export function nextActWords(state: PieceState, now_ms: number, units: Units): NextActWords {
  const name = `the ${state.piece.name.toLowerCase()}`;
  const { next, brittleSince_ms, nextSince_ms, route, finishedAt_ms } = state;
  if (state.fate !== null)
    return { sentence: `${FATE_WORDS[state.fate.is].is} ${showMoment(state.fate.at_ms)}.`, reason: FATE_WORDS[state.fate.is].then };
  if (finishedAt_ms !== null) return { sentence: `Finished ${showMoment(finishedAt_ms)}.`, reason: "" };
  if (next === undefined) return { sentence: `Record ${name}.`, reason: "All its steps are done." };
  const since_s = nextSince_ms === null ? 0 : (now_ms - nextSince_ms) / 1000;
  const brittle = brittleSince_ms === null ? "" : `It has been brittle for ${wholeMinutes((now_ms - brittleSince_ms) / 1000)}. `;
  const reason = reasonOf(route, next);
  switch (next.kind) {
    case "slow-cool":
      return since_s < next.time_s
        ? { sentence: `Leave ${name} shut, ${showDuration(next.time_s - since_s)} more.`, reason }
        : { sentence: `Take ${name} out to cool in air.`, reason };
    case "brighten":
      return { sentence: `Rub ${name} bright.`, reason: `${brittle}Then its colours can be seen.` };
    case "run":
      return { sentence: `Run the colours of ${name}, now.`, reason };
    case "heat":
      return state.doneAt_ms.size === 0
        ? { sentence: `Put ${name} in the fire.`, reason: `${reason} To ${showTemperature(next.target_C, units)}.` }
        : { sentence: `Bring ${name} to ${showTemperature(next.target_C, units)}.`, reason };
    case "hold": {
      const { left_s, waitsForChamber } = soakClock(state, next, now_ms);
      if (waitsForChamber) return { sentence: `Leave ${name} shut in until its chamber is back at heat.`, reason };
      return left_s > 0
        ? { sentence: `Hold ${name} at heat, ${showClock(left_s)} more.`, reason }
        : { sentence: `Take ${name} out, now.`, reason: `Its hold was over ${showDuration(-left_s)} ago.` };
    }
    case "air-cool":
      return { sentence: `See whether ${name} is ${next.coolTo}.`, reason: `Out of the fire for ${showDuration(since_s)}.` };
    case "fall":
      return { sentence: `Magnet on ${name}: into the bath at the first pull.`, reason };
    case "quench":
      return { sentence: `Quench ${name}, now.`, reason: "It is out of the fire and losing heat." };
    case "straighten":
      return { sentence: `Sight along ${name} and straighten it, now.`, reason: "It stiffens as it cools: the bench counts the seconds." };
    case "cool-down":
      return { sentence: `Let ${name} cool until you can hold it.`, reason: `${brittle}Hardening goes on until it is cold.` };
    case "first-file":
      return { sentence: `Try a file on ${name}.`, reason: `${brittle}Then straight to its temper.` };
    case "oven":
      if (next.count === 1 && brittleSince_ms === null && testsThatCount(state).length > 0)
        return {
          sentence: `See why ${name} came out soft, before its temper.`,
          reason: "A test found it so after its bath: it can be hardened again.",
        };
      return next.count === 1
        ? {
            sentence: `Put ${name} in ${liesIn(next.in)}, now.`,
            reason: `${brittle}Temper at ${showTemperature(next.target_C, units)}, within the hour.`,
          }
        : {
            sentence: `Put ${name} back in ${liesIn(next.in)}.`,
            reason: `Temper ${next.count} of ${next.of} at ${showTemperature(next.target_C, units)}. ${reason}`,
          };
    case "temper":
      return since_s < next.hold_s
        ? { sentence: `Nothing to do for ${showDuration(next.hold_s - since_s)}.`, reason: `Then ${name} comes out of ${liesIn(next.in)}.` }
        : { sentence: `Take ${name} out of ${liesIn(next.in)}.`, reason: `It has had its ${showDuration(next.hold_s)}.` };
    case "prove":
      return { sentence: `Try the files on ${name}.`, reason: "It is tempered. What you find closes its record." };
  }
}
