/** A plan worked out: of what this shop can do with a piece, the ways that land it, what set their numbers, and what more would be worth knowing. */

import type { Catalogue } from "../plan/catalogue.js";
import { targetOf } from "../plan/route.js";
import type { Piece, Route } from "../schema/book.js";
import type { Known, Pin } from "../schema/job.js";
import type { Kit } from "../schema/kit.js";
import { summaryOf } from "../numerics/mixture.js";
import { BARE_DESK, type Desk } from "../simulate/desk.js";
import { domainOf, tempersIn } from "./domain.js";
import { airHours } from "./hours.js";
import { limitsOf, type HeatLimits } from "./limits.js";
import { search } from "./search.js";
import { bellsOf, tooSoft, wantedOf, type Asked, type Tried } from "./tried.js";
import { LEAST_SHARE, MAY_FAIL, SURER, WAYS, worthOf, type WayName } from "./weights.js";
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
  /** Where the surest may fail more often than it may: what would help, beyond this kit and this wish. */
  readonly waysOn: readonly WayOn[];
}

export interface SolveOptions {
  /** Null where nobody said what the shop has. */
  readonly kit?: Kit | null;
  readonly known?: Known;
  readonly pins?: readonly Pin[];
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
  };
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
  const { kit = null, known = {}, pins = [], desk = BARE_DESK } = options;
  const asked: Asked = {
    catalogue,
    piece,
    route,
    known: known.shop === undefined ? {} : { shop: known.shop },
    desk,
    air_h: airHours(piece, route),
  };
  const domain = domainOf(catalogue, piece, route, kit, pins);
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
    limits: limitsOf(domain, surest, asked.known),
    worth: worthKnowing(asked, domain, searched, surest, kit),
    waysOn: mayFail ? waysOn(asked, domain, surest, kit) : [],
  };
}
