/** One hardening with its ensemble, and what each temper makes of it: the two halves of a plan that is tried. */

import { equivalentTemperature_C } from "../kinetics/temper.js";
import { meanOf, mixtureBelow, type Bell } from "../numerics/mixture.js";
import { normalCdf } from "../numerics/normal.js";
import type { Catalogue } from "../plan/catalogue.js";
import { targetOf } from "../plan/route.js";
import { wayOf } from "../plan/way.js";
import type { Piece, Route, Zone } from "../schema/book.js";
import type { Known } from "../schema/job.js";
import { crackChance } from "../simulate/crackRisk.js";
import type { Desk } from "../simulate/desk.js";
import { harden, type HardenPlan } from "../simulate/harden.js";
import { gather, membersOf, type SimulatedBell } from "../simulate/hardenSpread.js";
import { hardenPlanOf, tempersOf } from "../simulate/planOf.js";
import { skinOf_mm } from "../simulate/predict.js";
import { runFallOf, tempersBehind } from "../simulate/runFall.js";
import { SPINE_SHARE } from "../simulate/section.js";
import { temperedBells, type Tempers } from "../simulate/temperedPlace.js";
import { wantedOf_HRC } from "../simulate/zoneReport.js";
import { hardenedBy, temperedBy, type Hardening } from "./domain.js";
import { hoursOf } from "./hours.js";
import { dipShare, type Weighed } from "./weights.js";

export interface Asked {
  readonly catalogue: Catalogue;
  readonly piece: Piece;
  readonly route: Route;
  readonly known: Known;
  readonly desk: Desk;
  /** `airHours` of the route. */
  readonly air_h: number;
}

/** Where it has to come to: what is wanted at the place it works, and at its thickest. */
interface Wanted {
  readonly place: "working" | "thickest";
  readonly low_HRC: number;
  readonly high_HRC: number;
}

const AT_WORK: ReadonlySet<Zone> = new Set(["edge", "tip"]);

/** Of a piece nobody wished anything of, the place where it works. The tang of a blade follows what is in the fire, and is not asked here. */
export function wantedOf({ catalogue, piece, route }: Pick<Asked, "catalogue" | "piece" | "route">): readonly Wanted[] {
  const target = targetOf(catalogue, piece);
  const working: Wanted = { place: "working", low_HRC: target.low_HRC, high_HRC: target.high_HRC };
  const isEnds = wayOf(route).hardens === "ends";
  const wished = (piece.zones ?? []).flatMap(({ zone, wants }): Wanted[] => {
    if (zone === "tang" && !isEnds) return [];
    const range = wantedOf_HRC(wants, target);
    return range === null
      ? []
      : [{ place: AT_WORK.has(zone) || zone === "tang" ? "working" : "thickest", low_HRC: range[0], high_HRC: range[1] }];
  });
  return wished.some(({ place }) => place === "working") ? wished : [working, ...wished];
}

/** A hardening that was tried. */
export interface Hardened {
  readonly hardening: Hardening;
  readonly route: Route;
  readonly plan: HardenPlan;
  readonly working: readonly SimulatedBell[];
  readonly thickest: readonly SimulatedBell[];
  readonly draws: readonly (readonly number[])[];
  /** Chance that it hardens where it works, 0 ... 1: no temper lands more often. */
  readonly chanceHard: number;
  readonly crackChance: number;
  readonly astmGrain: number;
  readonly skin_mm: number;
  /** Seconds to spare in the bath until its slowest place turns soft, as planned; below 0 it is too slow; null where nothing turns. */
  readonly spare_s: number | null;
}

export function tryHardening({ catalogue, piece, route, known, desk }: Asked, hardening: Hardening, members: number): Hardened {
  const hardened = hardenedBy(route, hardening);
  const plan = hardenPlanOf(catalogue, piece, hardened, known);
  const all = membersOf(plan, members, { desk });
  const { bells, chanceHard, draws } = gather(all);
  const isBlade = bells.edge.length > 0;
  const { crackRisk, noseMargin_s } = harden(plan, { members: 0, resolution: "coarse", desk });
  return {
    hardening,
    route: hardened,
    plan,
    working: isBlade ? bells.edge : bells.surface,
    thickest: bells.spine.length > 0 ? bells.spine : bells.centre,
    draws,
    chanceHard: chanceHard[isBlade ? "edge" : "surface"],
    crackChance: crackChance(crackRisk),
    // What grows is grown by the hot half of what may be: the mean of the members, not of the plan.
    astmGrain: all.reduce((sum, member) => sum + member.astmGrain, 0) / all.length,
    skin_mm: plan.cladding ? 0 : skinOf_mm(plan, hardened),
    spare_s: Number.isFinite(noseMargin_s) ? noseMargin_s : null,
  };
}

/** A whole plan that was tried. */
export interface Tried extends Weighed {
  readonly hardened: Hardened;
  readonly temper_C: number | null;
  readonly route: Route;
  /** Every zone lands where it was wanted, 0 ... 1. */
  readonly chance: number;
  readonly working: readonly Bell[];
}

/** Chance of each member by itself that all of it lands, 0 ... 1. */
export function landing(bells: Readonly<Record<Wanted["place"], readonly Bell[]>>, wanted: readonly Wanted[]): number[] {
  return bells.working.map((_, i) =>
    wanted.reduce((chance, { place, low_HRC, high_HRC }) => {
      const { mean, sd } = bells[place][i]!;
      return chance * Math.max(0, normalCdf((high_HRC - mean) / sd) - normalCdf((low_HRC - mean) / sd));
    }, 1),
  );
}

/** Mean of values by the weights of their members. */
export function weighedMean(values: readonly number[], bells: readonly Bell[], weights?: readonly number[]): number {
  let [sum, all] = [0, 0];
  values.forEach((value, i) => {
    const weight = (bells[i]!.weight ?? 1) * (weights?.[i] ?? 1);
    sum += weight * value;
    all += weight;
  });
  return sum / all;
}

function tempersFor({ catalogue, piece }: Asked, { plan }: Hardened, route: Route): Tempers {
  return tempersOf(plan, route, runFallOf(catalogue, piece, route));
}

/** Of one plan: each member after its tempers at both places. `oven_K`: as if the oven were known so well. */
export function bellsOf(asked: Asked, hardened: Hardened, route: Route, wanted: readonly Wanted[], oven_K?: number) {
  const known = tempersFor(asked, hardened, route);
  const tempers = oven_K === undefined || known.by === "colour" ? known : { ...known, oven_K: Math.min(known.oven_K, oven_K) };
  const { section } = asked.piece;
  const back = section.shape === "wedge" ? tempersBehind(tempers, SPINE_SHARE * section.height_mm) : tempers;
  const working = temperedBells(hardened.working, tempers);
  const isAskedThere = wanted.some(({ place }) => place === "thickest");
  return { working, thickest: isAskedThere ? temperedBells(hardened.thickest, back) : working, tempers };
}

/** A hardening with one choice of tempers; null leaves what was planned. */
export function tryTemper(asked: Asked, hardened: Hardened, wanted: readonly Wanted[], temper_C: number | null, count: number): Tried {
  const route = temper_C === null ? hardened.route : temperedBy(hardened.route, temper_C, count);
  const bells = bellsOf(asked, hardened, route, wanted);
  const { cycles } = bells.tempers;
  const chance = weighedMean(landing(bells, wanted), bells.working);
  const band = hardened.plan.steel.file?.temper.embrittlement_C;
  const equivalent_C = cycles.length === 0 ? 20 : equivalentTemperature_C(cycles, hardened.plan.steel.temper.carbonInSolution_wtpct);
  const target = targetOf(asked.catalogue, asked.piece);
  return {
    hardened,
    temper_C,
    route,
    chance,
    working: bells.working,
    lands: chance * (1 - hardened.crackChance),
    isEmbrittled: band !== undefined && equivalent_C >= band[0]! && equivalent_C <= band[1]!,
    dipShare: dipShare(asked.piece.use),
    astmGrain: hardened.astmGrain,
    skin_mm: hardened.skin_mm,
    hours: hoursOf(route, asked.air_h),
    inRange: (meanOf(bells.working) - target.low_HRC) / Math.max(1, target.high_HRC - target.low_HRC),
    tempers: cycles.length,
  };
}

/** Share of it below what its use wants: no further temper brings that back. */
export function tooSoft(bells: readonly Bell[], low_HRC: number): number {
  return mixtureBelow(bells, low_HRC);
}
