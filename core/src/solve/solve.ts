/** A plan worked out: of what this shop can do with a piece, the ways that land it, what set their numbers, and what more would be worth knowing. */

import type { TemperatureUnit } from "../quantity.js";
import type { Catalogue } from "../plan/catalogue.js";
import { grindOff_mm } from "../kinetics/decarb.js";
import { targetOf } from "../plan/route.js";
import type { Piece, Route } from "../schema/book.js";
import type { Known, Pin } from "../schema/job.js";
import type { Kit } from "../schema/kit.js";
import { meanOf, summaryOf } from "../numerics/mixture.js";
import { BARE_DESK, type Desk } from "../simulate/desk.js";
import { domainOf, temperedBy, tempersIn, type Domain } from "./domain.js";
import { airHours } from "./hours.js";
import { limitsOf, type HeatLimits } from "./limits.js";
import { search } from "./search.js";
import { bellsOf, tooSoft, wantedOf, type Asked, type Tried } from "./tried.js";
import { LEAST_SHARE, MAY_FAIL, SURE, SURER, WAYS, worthOf, type WayName } from "./weights.js";
import { quenchesThrough } from "./through.js";
import { waysOn, type WayOn } from "./waysOn.js";
import { worthKnowing, type Check } from "./worth.js";

/** A place of a plan at its end, HRC. */
export interface Comes {
  readonly mean_HRC: number;
  readonly p05_HRC: number;
  readonly p95_HRC: number;
}

export interface PlannedWay {
  readonly route: Route;
  /** Every zone lands where it was wanted, with all that may be off, 0 ... 1. */
  readonly chance: number;
  /** It does not harden where it works, 0 ... 1. */
  readonly failChance: number;
  readonly working: Comes;
  readonly thickest: Comes;
  readonly hours: number;
  readonly astmGrain: number;
  readonly skin_mm: number;
  readonly crackChance: number;
  readonly isEmbrittled: boolean;
  /** Seconds to spare in the bath; below 0 it is too slow there as planned; null where nothing turns. */
  readonly spare_s: number | null;
}

export interface Solved {
  /** The surest first; others only where they differ from those before. */
  readonly ways: readonly (PlannedWay & { readonly name: WayName })[];
  readonly today: PlannedWay;
  /** Whether the plan as it stands is as good as the surest: then nothing has to be changed. */
  readonly isBest: boolean;
  readonly target: { readonly low_HRC: number; readonly high_HRC: number };
  readonly limits: HeatLimits;
  /** Checks that are worth a word, the one that lifts most first, each with the chance of the surest way after it. */
  readonly worth: readonly Check[];
  /** More often than `MAY_FAIL` it does not come to what was wanted, whatever way it goes. */
  readonly mayFail: boolean;
  /** What would help, beyond this kit and, where it may fail, beyond this piece and this wish. */
  readonly waysOn: readonly WayOn[];
  /** What sets its temper; null where no oven does. */
  readonly temper: TemperCurve | null;
  /** To be ground from each face after the bath, mm. */
  readonly grindOff_mm: number;
}

/** Hardness where it works by the heat of its tempers, with the surest hardening. */
export interface TemperCurve {
  readonly points: readonly { readonly temperature_C: number; readonly mean_HRC: number }[];
  /** Where toughness dips, by the tempering heat; null where this steel has no such band. */
  readonly dip_C: readonly [number, number] | null;
}

export interface SolveOptions {
  /** Null where nobody said what the shop has. */
  readonly kit?: Kit | null;
  readonly known?: Known;
  readonly pins?: readonly Pin[];
  /** Heats are round in it; Celsius where nobody says. */
  readonly unit?: TemperatureUnit;
  /** Only the ways: nothing of what would be worth knowing, or would help. */
  readonly isBrief?: boolean;
  readonly desk?: Desk;
}

function comesTo(bells: Parameters<typeof summaryOf>[0]): Comes {
  const { mean, p05, p95 } = summaryOf(bells);
  return { mean_HRC: mean, p05_HRC: p05, p95_HRC: p95 };
}

function plannedWay(asked: Asked, tried: Tried): PlannedWay {
  const { hardened, route, chance, working, hours, astmGrain, skin_mm, isEmbrittled } = tried;
  const { thickest } = bellsOf(asked, hardened, route, [{ place: "thickest", low_HRC: 0, high_HRC: 0 }]);
  return {
    route,
    chance,
    failChance: 1 - hardened.chanceHard,
    working: comesTo(working),
    thickest: comesTo(thickest),
    hours,
    astmGrain,
    skin_mm,
    crackChance: hardened.crackChance,
    isEmbrittled,
    spare_s: hardened.spare_s,
  };
}

const CURVE_STEP_K = 25;

function temperCurve(asked: Asked, { tempers_C }: Domain, { hardened, tempers }: Tried): TemperCurve | null {
  if (tempers_C.length === 0) return null;
  const all = tempers_C.filter((T, i) => T % CURVE_STEP_K === 0 || i === 0 || i === tempers_C.length - 1);
  const points = all.map((temperature_C) => {
    const { working } = bellsOf(asked, hardened, temperedBy(hardened.route, temperature_C, tempers), []);
    return { temperature_C, mean_HRC: meanOf(working) };
  });
  const band = hardened.plan.steel.file?.temper.embrittlement_C;
  return { points, dip_C: band === undefined ? null : [band[0]!, band[1]!] };
}

/** Nobody calls two plans two ways for less: a step of the heat and of the temper, K. */
const SAME_K = 5;

/** Whether two plans are the same one to whoever does it. */
export function isSamePlan(a: Tried, b: Tried): boolean {
  const [one, other] = [a.hardened.hardening, b.hardened.hardening];
  return (
    JSON.stringify(one.quench.dips) === JSON.stringify(other.quench.dips) &&
    a.tempers === b.tempers &&
    one.hold_min === other.hold_min &&
    Math.abs(one.heat_C - other.heat_C) <= SAME_K &&
    Math.abs((tempersIn(a.route)[0]?.temperature_C ?? 0) - (tempersIn(b.route)[0]?.temperature_C ?? 0)) <= SAME_K
  );
}

/** The best of each way among plans that were tried; the plan as it stands where nothing beats it by what one sees. */
export function waysAmong(whole: readonly Tried[], today: Tried): readonly { readonly name: WayName; readonly tried: Tried }[] {
  const bestBy = (way: WayName, among: readonly Tried[]): Tried => among.reduce((a, b) => (worthOf(b, way) > worthOf(a, way) ? b : a));
  const best = bestBy("surest", whole);
  const isWorth = worthOf(best, "surest") - worthOf(today, "surest") >= SURER;
  const surest = isWorth ? best : today;
  const ways = [{ name: WAYS[0] as WayName, tried: surest }];
  for (const name of WAYS.slice(1)) {
    const enough = whole.filter(({ lands, isEmbrittled }) => lands >= LEAST_SHARE * surest.lands && (!isEmbrittled || surest.isEmbrittled));
    if (enough.length === 0) continue;
    const tried = bestBy(name, enough);
    const isMore = worthOf(tried, name) - worthOf(surest, name) >= SURER;
    if (isMore && ways.every((way) => !isSamePlan(way.tried, tried))) ways.push({ name, tried });
  }
  return ways;
}

/**
 * Works a plan out within the school it is in: of heats, holds, baths and tempers this shop can do, by the table of weights.
 *
 * @param route as planned: what is not searched (normalising, the way of hardening, what draws it) stays as it is there
 * @throws InputError as `predict`; GivenUp where nobody waits any more
 * @error docs/plan.md: against a fine grid with the whole ensemble
 */
export function solve(catalogue: Catalogue, piece: Piece, route: Route, options: SolveOptions = {}): Solved {
  const { kit = null, known = {}, pins = [], isBrief = false, unit = "C", desk = BARE_DESK } = options;
  const asked: Asked = {
    catalogue,
    piece,
    route,
    known: known.shop === undefined ? {} : { shop: known.shop },
    desk,
    air_h: airHours(piece, route),
  };
  const through = pins.includes("bath") ? [] : quenchesThrough(asked, kit);
  const domain = domainOf(catalogue, piece, route, kit, { pins, through, unit });
  const searched = search(asked, domain);
  const ways = waysAmong(searched.whole, searched.today);
  const surest = ways[0]!.tried;
  const { low_HRC, high_HRC } = targetOf(catalogue, piece);
  const working = wantedOf(asked).find(({ place }) => place === "working")!;
  const mayFail = 1 - surest.hardened.chanceHard > MAY_FAIL || tooSoft(surest.working, working.low_HRC) > 1 - MAY_FAIL;
  return {
    ways: ways.map(({ name, tried }) => ({ name, ...plannedWay(asked, tried) })),
    today: plannedWay(asked, searched.today),
    isBest: surest === searched.today,
    target: { low_HRC, high_HRC },
    limits: limitsOf(domain, surest, asked.known, high_HRC),
    worth: isBrief ? [] : worthKnowing(asked, domain, searched, surest, kit),
    mayFail,
    waysOn: isBrief || (!mayFail && surest.chance >= SURE) ? [] : waysOn(asked, domain, surest, kit, mayFail),
    temper: temperCurve(asked, domain, surest),
    grindOff_mm: surest.hardened.plan.cladding ? 0 : grindOff_mm(surest.skin_mm),
  };
}
