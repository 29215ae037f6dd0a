/** Why a piece may have come out otherwise than planned: each cause as pieces that can be simulated, and how often it happens. */

import { intoOf, keepsHeat, lastFor, withInto } from "../plan/dips.js";
import { isWater } from "../heat/bathKind.js";
import type { Catalogue } from "../plan/catalogue.js";
import { structureBeforeHardening } from "../plan/route.js";
import type { BreakLook, Piece, Route, Step } from "../schema/book.js";
import type { Cause, Fact, FallSeen, Finding, Known, ShopKnown } from "../schema/job.js";
import { LIMITS } from "../schema/limits.js";
import { knownOtherwise } from "../simulate/shopTies.js";

export interface Asked {
  readonly piece: Piece;
  /** As it was planned, and as the log has it done. */
  readonly planned: Route;
  readonly route: Route;
  readonly known: Known;
  readonly facts: readonly Fact[];
  readonly findings: readonly Finding[];
  readonly breaks: readonly BreakLook[];
}

/** A piece with a fault, as it would have been simulated. */
export interface Faulty {
  readonly weight: number;
  readonly piece: Piece;
  readonly route: Route;
  readonly shop: ShopKnown | undefined;
  /** How its heat fell, where that was logged. */
  readonly fall?: FallSeen | undefined;
  /** A skin that is softer than what is under it, as files feel it; a change that had not come to its end, as everything does: HRC. */
  readonly skin_HRC?: number;
  readonly early_HRC?: number;
}

export interface Suspected {
  readonly cause: Cause;
  /** How often it is that, before any test. */
  readonly prior: number;
  readonly pieces: readonly Faulty[];
}

/**
 * How often a hardening in a small shop has each fault, and how often in spite of a log that speaks against it: a look can be wrong,
 * a second can not (judgement; no count of such faults is known).
 */
export const OFTEN = {
  "heat-too-low": { unseen: 0.14, seen: 0.04 },
  "heat-too-high": { unseen: 0.06, seen: 0.02 },
  "soak-too-short": { unseen: 0.05, seen: 0 },
  "coarse-start": { unseen: 0.04, seen: 0.015 },
  "slow-bath": { unseen: 0.06, seen: 0.06 },
  "cold-bath": { unseen: 0.06, seen: 0 },
  "out-too-soon": { unseen: 0.04, seen: 0 },
  "slow-transfer": { unseen: 0.05, seen: 0 },
  "tested-too-early": { unseen: 0.03, seen: 0.002 },
  "temper-too-hot": { unseen: 0.05, seen: 0 },
  "oven-wrong": { unseen: 0.1, seen: 0.02 },
  "other-steel": { unseen: 0.03, seen: 0.03 },
} as const satisfies Partial<Record<Cause, { readonly unseen: number; readonly seen: number }>>;

/** What was tested while it was too hot to hold feels soft one time in two (judgement). */
const WAS_HOT = 0.5;

/** How bad each fault is when it is there, with how often (judgement). */
const LOW_K = [
  [-30, 0.35],
  [-55, 0.35],
  [-85, 0.3],
] as const;
const HIGH_K = [
  [55, 0.5],
  [100, 0.5],
] as const;
/** Where a break was looked at: so hot that it can be coarse, too. */
const COARSE_K = [
  [55, 0.35],
  [100, 0.35],
  [180, 0.2],
  [280, 0.1],
] as const;
const SHORT_SOAK = [
  [0.1, 0.5],
  [0.35, 0.5],
] as const;
const SLOW_BATH = [
  [0.4, 0.5],
  [0.6, 0.5],
] as const;
const COLD_BATH_C = [
  [8, 0.4],
  [20, 0.6],
] as const;
const SOON_s = [
  [2.5, 0.5],
  [5, 0.5],
] as const;
const SLOW_s = [
  [4, 0.4],
  [7, 0.4],
  [11, 0.2],
] as const;
const EARLY_HRC = [
  [6, 0.5],
  [15, 0.5],
] as const;
const HOT_TEMPER_K = [
  [35, 0.5],
  [70, 0.5],
] as const;
const OVEN_OFF_K = [
  [-35, 0.25],
  [30, 0.4],
  [55, 0.35],
] as const;
/** A skin is so much softer, HRC (model note; judgement). */
const SKIN_HRC = 8;
/** How well a fault that is there is known: its own nodes say the rest, K. */
const NODE_K = 8;

type Harden = Extract<Step, { kind: "harden" }>;
type Quench = Extract<Step, { kind: "quench" }>;

function clamped(value: number, [least, most]: readonly [number, number]): number {
  return Math.min(most, Math.max(least, value));
}

/** A route with its last step of a kind changed. */
export function withLast<K extends Step["kind"]>(route: Route, kind: K, change: (step: Extract<Step, { kind: K }>) => Step): Route {
  const at = route.steps.findLastIndex((step) => step.kind === kind);
  return { ...route, steps: route.steps.map((step, i) => (i === at ? change(step as Extract<Step, { kind: K }>) : step)) };
}

function lastStep<K extends Step["kind"]>(route: Route, kind: K): Extract<Step, { kind: K }> | undefined {
  return route.steps.findLast((step): step is Extract<Step, { kind: K }> => step.kind === kind);
}

/** All tempers after the last quench, hotter by so much. */
function tempersBy(route: Route, more_K: number): Route {
  const last = route.steps.findLastIndex(({ kind }) => kind === "quench");
  const steps = route.steps.map((step, i): Step =>
    i > last && step.kind === "temper"
      ? { ...step, temperature_C: clamped(step.temperature_C + more_K, LIMITS.temper.temperature_C) }
      : step,
  );
  return { ...route, steps };
}

type Nodes = readonly (readonly [value: number, weight: number])[];

/** Every cause that can be simulated of a piece, but for those that its plan and what was logged hold themselves. */
export function suspectsOf(
  catalogue: Catalogue,
  { piece, planned, route, known, facts, breaks }: Asked,
  wasHot: boolean,
  skinChance: number,
): Suspected[] {
  const { shop, fall } = known;
  const heat = lastStep(planned, "harden") as Harden;
  const quench = lastStep(route, "quench") as Quench;
  const medium = catalogue.medium(intoOf(quench).medium);
  const isOil = medium !== undefined && !isWater(medium) && medium.kind === "oil";
  const hasTemper = known.tests?.some(({ tempers }) => tempers > 0) === true;
  const is = (fact: Fact): boolean => facts.includes(fact);
  const base = { piece, route, shop, fall };
  const suspected = (
    cause: keyof typeof OFTEN,
    seen: boolean,
    nodes: Nodes,
    make: (value: number) => Partial<Omit<Faulty, "weight">>,
  ): Suspected => ({
    cause,
    prior: OFTEN[cause][seen ? "seen" : "unseen"],
    pieces: nodes.map(([value, weight]) => ({ ...base, ...make(value), weight })),
  });
  const atHeat = (off_K: number): Partial<Faulty> => ({
    route: withLast(route, "harden", (step) => ({
      ...step,
      temperature_C: clamped(heat.temperature_C + off_K, LIMITS.harden.temperature_C),
    })),
    shop: { ...shop, heat_K: { mean: 0, sd: NODE_K } },
  });
  const prior = structureBeforeHardening(piece, route.steps);
  const others = catalogue.steels.flatMap(({ id, liesAbout }) => (liesAbout === true && id !== piece.steel ? [id] : []));
  const all: (Suspected | null)[] = [
    suspected("heat-too-low", is("heat"), LOW_K, atHeat),
    suspected("heat-too-high", is("heat"), breaks.length > 0 ? COARSE_K : HIGH_K, atHeat),
    suspected("soak-too-short", is("hold"), SHORT_SOAK, (share) => ({
      route: withLast(route, "harden", (step) => ({ ...step, hold_min: share * step.hold_min })),
    })),
    prior === "coarse-spheroidised"
      ? null
      : suspected(
          "coarse-start",
          route.steps.some(({ kind }) => kind === "normalise"),
          [[0, 1]],
          () => ({
            piece: { ...piece, start: "coarse-spheroidised" },
            route: { ...route, steps: route.steps.filter(({ kind }) => kind !== "normalise" && kind !== "anneal") },
          }),
        ),
    suspected("slow-bath", false, SLOW_BATH, (ratio) => ({
      shop: knownOtherwise(shop, {
        bathRatio: { mean: (shop?.bathRatio?.mean ?? 0) + Math.log(ratio), sd: shop?.bathRatio?.sd ?? 0.2 },
      }),
    })),
    isOil
      ? suspected("cold-bath", is("bath"), COLD_BATH_C, (bath_C) => ({
          route: withLast(route, "quench", (step) => withInto(step, { bath_C })),
        }))
      : null,
    keepsHeat(quench)
      ? null
      : suspected("out-too-soon", is("bath-time"), SOON_s, (bath_s) => ({
          route: withLast(route, "quench", (step) => lastFor(step, bath_s)),
        })),
    suspected("slow-transfer", is("transfer"), SLOW_s, (transfer_s) => ({
      route: withLast(route, "quench", (step) => ({ ...step, transfer_s })),
    })),
    { cause: "soft-skin", prior: skinChance, pieces: [{ ...base, weight: 1, skin_HRC: SKIN_HRC }] },
    wasHot
      ? { ...suspected("tested-too-early", false, EARLY_HRC, (early_HRC) => ({ early_HRC })), prior: WAS_HOT }
      : suspected("tested-too-early", is("cold"), EARLY_HRC, (early_HRC) => ({ early_HRC })),
    hasTemper ? suspected("temper-too-hot", is("oven"), HOT_TEMPER_K, (more_K) => ({ route: tempersBy(route, more_K) })) : null,
    hasTemper
      ? suspected("oven-wrong", is("oven"), OVEN_OFF_K, (off_K) => ({
          shop: knownOtherwise(shop, { oven_K: { mean: off_K, sd: NODE_K } }),
        }))
      : null,
    suspected(
      "other-steel",
      false,
      others.map((_, i) => [i, 1 / others.length]),
      (i) => ({ piece: { ...piece, steel: others[i]! } }),
    ),
  ];
  return all.flatMap((one) => (one === null || one.prior <= 0 ? [] : [one]));
}
