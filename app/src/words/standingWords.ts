/** What really happened to a piece, where it moved what was planned: the facts of the log, and what became of them. */

import {
  backFirst,
  intoOf,
  lastOf_s,
  secondDip,
  seconds,
  turnsOf,
  type FallSeen,
  type Prediction,
  type Quench,
  type Route,
  type Step,
} from "@tembrak/core";
import { runColour } from "./actWords.js";
import { showDuration, showHardness, showTemperature, type Units } from "../format/show.js";
import { vesselNoun } from "./vesselWords.js";
import { endName } from "./zoneNames.js";

/** A smaller change of a hardness nobody can tell, HRC. */
const LEAST_TOLD_HRC = 1;
/** Harder than the model by so much, what its tests found ends that story: the model was wrong, HRC. */
const WRONG_HRC = 4;
/** Nearer to the plan than this is as planned: C, and a share of a time. */
const NEAR_K = 5;
const NEAR_SHARE = 0.1;

type Of<K extends Step["kind"]> = Extract<Step, { kind: K }>;

/** Taps are good to a second or so. */
function tapped(seconds: number): string {
  return `${seconds < 10 ? Number(seconds.toFixed(1)) : Math.round(seconds)} s`;
}

function isOff(is: number, was: number): boolean {
  return Math.abs(is - was) > Math.max(0.5, NEAR_SHARE * was);
}

function heatFacts(done: Of<"harden">, plan: Of<"harden">, now: Underway | null, units: Units): string[] {
  const facts: string[] = [];
  if (Math.abs(done.temperature_C - plan.temperature_C) > NEAR_K)
    facts.push(`heat ${showTemperature(done.temperature_C, units)}, planned ${showTemperature(plan.temperature_C, units)}`);
  if (isOff(done.hold_min, plan.hold_min)) facts.push(now === null ? `held ${showDuration(60 * done.hold_min)}` : "still held");
  return facts;
}

/** What goes on yet: of a quench also how many times it was changed over. The bench counts the time of it: no other is told beside that. */
export interface Underway {
  readonly step: number;
  readonly is: "held" | "on its way" | "in its bath" | "tempered";
  readonly moves: number;
}

/** How a quench of more moves than in and out went. @param now null where it is over */
function dipFacts(done: Quench, plan: Quench, now: Underway | null): string[] {
  const isFirst = now?.is === "in its bath" && now.moves === 0;
  const [is, was] = [done, plan].map(({ dips }) => seconds(dips[0]!)) as [number | null, number | null];
  const isLate = is !== null && was !== null && isOff(is, was);
  if (turnsOf(plan) !== null) {
    if (!isLate || turnsOf(done) === null) return [];
    return [isFirst ? "the second end not under yet" : `the second end under after ${tapped(is)}`];
  }
  const second = secondDip(plan);
  if (second === null) return [];
  const isTaken = secondDip(done) === null;
  if (backFirst(plan) !== null) {
    if (isTaken) return ["the edge never under"];
    return isLate ? [isFirst ? "not turned over yet" : `turned over after ${tapped(is)}`] : [];
  }
  const isOther = second.into.medium !== intoOf(plan).medium;
  if (isTaken) return [isOther ? "never into the second bath" : "the back never under"];
  if (!isLate) return [];
  if (isFirst) return [isOther ? "not in the second bath yet" : "the back not under yet"];
  return [`${isOther ? "into the second bath" : "the back under"} after ${tapped(is)}`];
}

interface WayTold {
  /** It waited for the pull of a magnet. */
  readonly falls: boolean;
  readonly now: Underway | null;
}

function wayFacts(transfer_s: number | undefined, { falls, now }: WayTold): string {
  if (transfer_s === undefined) return "";
  if (now?.is === "on its way") return `so long ${falls ? "since the pull" : "out of the fire"}`;
  return `${tapped(transfer_s)} from ${falls ? "the pull" : "fire"} to bath`;
}

function quenchFacts(done: Of<"quench">, plan: Of<"quench">, way: WayTold, units: Units): string[] {
  const [is, was] = [intoOf(done), intoOf(plan)];
  const last_s = lastOf_s(done);
  const out = last_s === null || isAsPlanned(last_s, lastOf_s(plan) ?? undefined) ? "" : `out of it after ${tapped(last_s)}`;
  return [
    Math.abs(is.bath_C - was.bath_C) > NEAR_K ? `bath at ${showTemperature(is.bath_C, units)}` : "",
    is.agitation === "none" && was.agitation !== "none" ? "bath not stirred" : "",
    wayFacts(done.transfer_s, way),
    ...dipFacts(done, plan, way.now),
    out !== "" && way.now?.is === "in its bath" ? "still in its bath" : out,
  ];
}

function isFalling({ steps }: Route): boolean {
  return steps.findLast((step) => step.kind === "harden")?.fallTo_C !== undefined;
}

/** How long a heat fell, where nobody says what it was meant to be: when it pulls is the steel's own affair. */
function fallFacts(fall: FallSeen | undefined): string {
  if (fall === undefined) return "";
  const { free_s, ended_s } = fall;
  return ended_s === null ? `still free after ${tapped(free_s)}` : `${tapped(ended_s)} in the air`;
}

/** Seconds in the bath that were meant so. */
function isAsPlanned(had_s: number, planned_s: number | undefined): boolean {
  return planned_s !== undefined && !isOff(had_s, planned_s);
}

function temperFacts(done: Of<"temper">, plan: Of<"temper">, now: Underway | null, units: Units): string[] {
  const held = now === null ? `tempered ${showDuration(60 * done.hold_min)}` : `still in the ${vesselNoun(done.in)}`;
  return [
    Math.abs(done.temperature_C - plan.temperature_C) > NEAR_K
      ? `${vesselNoun(done.in)} at ${showTemperature(done.temperature_C, units)}`
      : "",
    isOff(done.hold_min, plan.hold_min) ? held : "",
  ];
}

/** A run by the colours that were found. */
function runFacts(done: Of<"run">, plan: Of<"run">, steel: string): string[] {
  const isOff = (a: number, b: number): boolean => Math.abs(a - b) > NEAR_K;
  const colour = (T: number): string => runColour(steel, T);
  if (done.mark === undefined || plan.mark === undefined)
    return isOff(done.temperature_C, plan.temperature_C) ? [`run to ${colour(done.temperature_C)}`] : [];
  const edge = colour(done.temperature_C);
  return [
    ...(isOff(done.mark.temperature_C, plan.mark.temperature_C) ? [`the line run to ${colour(done.mark.temperature_C)}`] : []),
    ...(isOff(done.temperature_C, plan.temperature_C) && edge !== "bare" ? [`the edge is ${edge}`] : []),
  ];
}

/** What two ends or two tempers have alike is said once. */
const TIMES = ["", " both times", " each time"] as const;

/** What the log says of the last hardenings and their tempers where it is not the plan, in words; "" where it says nothing. @param heats of two ends each its own */
function factsOf(
  done: Route,
  plan: Route,
  heats: 1 | 2,
  { steel, underway = null }: Pick<Moved, "steel" | "underway">,
  units: Units,
): string {
  const hardens = done.steps.flatMap(({ kind }, i) => (kind === "harden" ? [i] : []));
  const last = hardens.at(-heats) ?? 0;
  const facts = done.steps
    .flatMap((step, i) => {
      const was = plan.steps[i];
      if (i < last || was === undefined) return [];
      const now = underway?.step === i ? underway : null;
      if (step.kind === "harden" && was.kind === "harden") return heatFacts(step, was, now, units);
      if (step.kind === "quench" && was.kind === "quench") return quenchFacts(step, was, { falls: isFalling(done), now }, units);
      if (step.kind === "run" && was.kind === "run") return runFacts(step, was, steel);
      return step.kind === "temper" && was.kind === "temper" ? temperFacts(step, was, now, units) : [];
    })
    .filter((part) => part !== "");
  return [...new Set(facts)].map((fact) => `${fact}${TIMES[facts.filter((other) => other === fact).length - 1] ?? TIMES[2]}`).join(", ");
}

export interface Moved {
  readonly planned: Prediction;
  readonly done: Prediction;
  readonly plan: Route;
  readonly route: Route;
  readonly fall?: FallSeen | undefined;
  readonly steel: string;
  /** It was tried since: this is what the model makes of it without that. */
  readonly isTested?: boolean;
  /** What it is after its tempers with them counted, HRC, where it works. */
  readonly found_HRC?: number | undefined;
  readonly underway?: Underway | null;
}

/** One sentence; null where what was done makes of the piece what was planned. */
export function movedWords(moved: Moved, units: Units): string | null {
  const { planned, done, plan, route, fall, isTested = false } = moved;
  const logged = factsOf(route, plan, done.other?.secondBy_s === null ? 2 : 1, moved, units);
  const facts = [fallFacts(fall), logged].filter((part) => part !== "").join(", ");
  if (facts === "") return null;
  const places: { place: string; now_HRC: number; then_HRC: number }[] = ([done.working, done.thickest] as const).map((now, i) => {
    const then = [planned.working, planned.thickest][i]!;
    const place = i === 0 && done.other !== null ? endName(done.other.end === "working" ? "other" : "working") : now.place;
    return { place, now_HRC: now.tempered.mean_HRC, then_HRC: then.tempered.mean_HRC };
  });
  if (done.other !== null && planned.other !== null) {
    const [now, then] = [done.other, planned.other];
    places.push({ place: endName(now.end), now_HRC: now.tempered.mean_HRC, then_HRC: then.tempered.mean_HRC });
  }
  const changed = places.filter(({ now_HRC, then_HRC }) => Math.abs(now_HRC - then_HRC) >= LEAST_TOLD_HRC);
  if (changed.length === 0) return null;
  const was_HRC = done.working.tempered.mean_HRC;
  if (isTested && moved.found_HRC !== undefined && moved.found_HRC - was_HRC >= WRONG_HRC)
    return `${facts.charAt(0).toUpperCase()}${facts.slice(1)}: the model made ${showHardness(was_HRC)} HRC of that, and was wrong. Its tests say ${showHardness(moved.found_HRC)}.`;
  const told = changed.map(({ place, now_HRC, then_HRC }) => `${place} ${showHardness(now_HRC)} instead of ${showHardness(then_HRC)}`);
  return `${facts.charAt(0).toUpperCase()}${facts.slice(1)}: ${isTested ? "by the model " : ""}${told.join(", ")} HRC.`;
}
