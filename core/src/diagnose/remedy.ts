/** What to do now: the cheapest act that serves the likeliest causes, with the route it leads to where that is another. */

import { bathOf, inOtherBath, intoOf, withInto, type Quench } from "../plan/dips.js";
import type { Catalogue } from "../plan/catalogue.js";
import { peakSpeed_W_m2K } from "../heat/bathKind.js";
import { hardenAgain } from "../plan/nextTemper.js";
import { roundHeat_C } from "../plan/roundHeats.js";
import type { TemperatureUnit } from "../quantity.js";
import type { Route, Step } from "../schema/book.js";
import type { Cause } from "../schema/job.js";
import { LIMITS } from "../schema/limits.js";
import type { Ranked, DiagnoseQuestion } from "./diagnose.js";

/** What is done otherwise the next time. */
export type Change =
  | { readonly change: "hotter"; readonly to_C: number }
  | { readonly change: "cooler"; readonly to_C: number }
  | { readonly change: "longer"; readonly to_min: number }
  | { readonly change: "bath"; readonly medium: string; readonly bath_C: number }
  | { readonly change: "warm-bath"; readonly to_C: number }
  | { readonly change: "quicker" }
  | { readonly change: "stay-in" }
  | { readonly change: "normalise"; readonly at_C: number };

/** A change with its heat as that shop sets it. */
export function inRoundHeat(change: Change, unit: TemperatureUnit): Change {
  const heat = (T: number): number => (unit === "C" ? T : roundHeat_C(T, unit));
  switch (change.change) {
    case "hotter":
    case "cooler":
    case "warm-bath":
      return { ...change, to_C: heat(change.to_C) };
    case "bath":
      return { ...change, bath_C: heat(change.bath_C) };
    case "normalise":
      return { ...change, at_C: heat(change.at_C) };
    default:
      return change;
  }
}

export type RemedyCode =
  "go-on" | "wait-and-test" | "grind-and-test" | "temper-again" | "accept" | "harden-again" | "find-out-steel" | "enough-tries";

export interface Remedy {
  readonly code: RemedyCode;
  readonly changes: readonly Change[];
}

/** How often a piece is hardened before its carbon, its skin and its grain are spent (common practice, no source). */
export const MOST_ATTEMPTS = 3;
/** A cause is provided for from here on. */
const WORTH = 0.12;
/** Over the heat that was planned when that was kept and did not do, K; and the longer hold (judgement). */
const HOTTER_K = 15;
const LONGER = 2;
const LEAST_LONGER_min = 3;
/** What is so near to its range is in it, HRC. */
const NEAR_HRC = 0.5;

interface Found {
  readonly felt_HRC: number;
  readonly target: { readonly low_HRC: number; readonly high_HRC: number };
  readonly hasTemper: boolean;
  /** What was planned as quenched. */
  readonly planned_HRC: number;
}

/** So much under what was planned as quenched it did not harden, HRC (judgement). */
const SOFT_HRC = 5;

function isSoft({ felt_HRC, target, hasTemper, planned_HRC }: Found): boolean {
  return felt_HRC < (hasTemper ? target.low_HRC - NEAR_HRC : Math.max(target.low_HRC, planned_HRC - SOFT_HRC));
}

function lastOf<K extends Step["kind"]>({ steps }: Route, kind: K): Extract<Step, { kind: K }> | undefined {
  return steps.findLast((step): step is Extract<Step, { kind: K }> => step.kind === kind);
}

/** The next faster oil or water that there is. */
function fasterBath(catalogue: Catalogue, { route, baths }: DiagnoseQuestion): Change | null {
  const now = catalogue.medium(bathOf(route));
  if (now === undefined) return null;
  const there = catalogue.media
    .filter(({ id }) => baths === null || baths.includes(id))
    .filter((medium) => peakSpeed_W_m2K(medium) > 1.1 * peakSpeed_W_m2K(now))
    .sort((a, b) => peakSpeed_W_m2K(a) - peakSpeed_W_m2K(b));
  const next = there[0];
  return next === undefined ? null : { change: "bath", medium: next.id, bath_C: next.usualBath_C };
}

/** What puts a cause right the next time. */
function cureOf(catalogue: Catalogue, question: DiagnoseQuestion, cause: Cause): readonly Change[] {
  const { planned, route, piece } = question;
  const [was, is] = [lastOf(planned, "harden"), lastOf(route, "harden")];
  const quench = lastOf(planned, "quench");
  if (was === undefined || is === undefined || quench === undefined) return [];
  const { medium, bath_C } = intoOf(quench);
  const steel = catalogue.steel(piece.steel);
  const top_C = Math.min(
    LIMITS.harden.temperature_C[1],
    Math.max(was.temperature_C, steel?.austenitise_C.range?.[1] ?? was.temperature_C + HOTTER_K),
  );
  switch (cause) {
    case "heat-too-low":
      return [
        {
          change: "hotter",
          to_C: is.temperature_C < was.temperature_C - HOTTER_K ? was.temperature_C : Math.min(top_C, was.temperature_C + HOTTER_K),
        },
      ];
    case "soak-too-short":
      return [{ change: "longer", to_min: Math.max(LEAST_LONGER_min, is.hold_min < was.hold_min ? was.hold_min : LONGER * was.hold_min) }];
    case "heat-too-high":
      return [
        { change: "normalise", at_C: steel?.normalise_C.value ?? 870 },
        { change: "cooler", to_C: was.temperature_C },
      ];
    case "coarse-start":
      return [{ change: "normalise", at_C: steel?.normalise_C.value ?? 870 }];
    case "cold-bath":
      return [{ change: "warm-bath", to_C: Math.max(bath_C, catalogue.medium(medium)?.usualBath_C ?? bath_C) }];
    case "slow-bath":
    case "too-thick": {
      const faster = fasterBath(catalogue, question);
      return faster === null ? [] : [faster];
    }
    case "slow-transfer":
      return [{ change: "quicker" }];
    case "out-too-soon":
      return [{ change: "stay-in" }];
    case "soft-skin":
    case "tested-too-early":
    case "temper-too-hot":
    case "oven-wrong":
    case "other-steel":
    case "as-planned":
      return [];
  }
}

const HARDENS = new Set<Cause>([
  "heat-too-low",
  "soak-too-short",
  "heat-too-high",
  "coarse-start",
  "cold-bath",
  "slow-bath",
  "too-thick",
  "slow-transfer",
  "out-too-soon",
]);

/** The route with the changes in its last hardening. The steps of the plan, not those of what went wrong. */
export function changedRoute(
  planned: Route,
  changes: readonly Change[],
  last = planned.steps.findLastIndex(({ kind }) => kind === "quench"),
): Route {
  const heatAt = planned.steps.slice(0, last + 1).findLastIndex(({ kind }) => kind === "harden");
  const steps = planned.steps.map((step, i): Step => {
    if (i === heatAt && step.kind === "harden") return changes.reduce((now, change) => heatWith(now, change), step);
    if (i === last && step.kind === "quench") return changes.reduce((now, change) => quenchWith(now, change), step);
    return step;
  });
  return { ...planned, steps };
}

/**
 * A route with one more hardening after its last bath, done otherwise by the changes.
 *
 * @param at the bath that came out wrong, by its step, where that is not the last: the first end of two, say
 */
export function againRoute(
  route: Route,
  changes: readonly Change[],
  at = route.steps.findLastIndex(({ kind }) => kind === "quench"),
): Route {
  const normalise = changes.find((change) => change.change === "normalise");
  const step: Step | null =
    normalise?.change === "normalise"
      ? { kind: "normalise", temperature_C: normalise.at_C, hold_min: 0, coolTo: "hand-warm", why: "soft-quench" }
      : null;
  const steps = hardenAgain<Step>(route.steps, step, at);
  // The new bath stands behind the old one by what was put between them.
  return changedRoute({ ...route, steps }, changes, at + steps.length - route.steps.length);
}

type Harden = Extract<Step, { kind: "harden" }>;

function heatWith(step: Harden, change: Change): Harden {
  if (change.change === "hotter" || change.change === "cooler") return { ...step, temperature_C: change.to_C };
  return change.change === "longer" ? { ...step, hold_min: change.to_min } : step;
}

function quenchWith(step: Quench, change: Change): Quench {
  if (change.change === "bath") return inOtherBath(step, change);
  return change.change === "warm-bath" ? withInto(step, { bath_C: change.to_C }) : step;
}

function sameChange(a: Change, b: Change): boolean {
  return a.change === b.change;
}

/** Of what only tests or tempers are asked. Null where it has to be hardened again, or another steel found out. */
function withoutFire(top: Cause, found: Found): RemedyCode | null {
  if (top === "tested-too-early") return "wait-and-test";
  if (top === "soft-skin") return "grind-and-test";
  if (isSoft(found)) return null;
  if (!found.hasTemper) return "go-on";
  return found.felt_HRC > found.target.high_HRC + NEAR_HRC ? "temper-again" : "accept";
}

export function remedyFor(catalogue: Catalogue, question: DiagnoseQuestion, causes: readonly Ranked[], found: Found): Remedy {
  const top = causes[0]!.cause;
  const code = withoutFire(top, found);
  if (code !== null) return { code, changes: [] };
  if (top === "other-steel") return { code: "find-out-steel", changes: [] };
  if (question.attempts >= MOST_ATTEMPTS) return { code: "enough-tries", changes: [] };
  const hardening = causes.filter(({ cause }) => HARDENS.has(cause));
  const worth = hardening.filter(({ probability }, i) => i === 0 || probability >= WORTH).map(({ cause }) => cause);
  const changes = worth
    .flatMap((cause) => cureOf(catalogue, question, cause))
    .filter((change, i, all) => all.findIndex((other) => sameChange(change, other)) === i);
  return { code: "harden-again", changes };
}
