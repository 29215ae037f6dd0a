/** What a piece will be at the end of its route, and where the spread comes from. */

import { type EndName } from "../plan/dips.js";
import type { Notice } from "../notices.js";
import { alloyShift_K, growFilm_nm, filmHex, oxideName } from "../colour/oxide.js";
import { LEAST_FAIL } from "../evidence/belief.js";
import { heatingCurve } from "../kinetics/austenite.js";
import { ae1_C } from "../kinetics/composition.js";
import { decarbAdded_m2, decarbDepth_mm, grindOff_mm } from "../kinetics/decarb.js";
import { temperedHardness, type TemperCycle } from "../kinetics/temper.js";
import type { Catalogue } from "../plan/catalogue.js";
import { targetOf } from "../plan/route.js";
import type { Piece, Route } from "../schema/book.js";
import type { Effort, Known } from "../schema/job.js";
import { airLimit_s, harden, nominalCase, type CoolingCurve, type HardenPlan, type HardenResult, type ProfilePoint } from "./harden.js";
import { limitOf } from "./advice.js";
import { alongPiece, firstToShut, measuredPlaces, weakestOf, type AtPlace, type Measured } from "./alongPiece.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { planKey, requireSense } from "./hardenCase.js";
import { MEMBERS, membersOf, runMembers, type Member } from "./hardenSpread.js";
import { chanceBetween, temperedAt, temperPlace, type Estimate, type Share, type Tempers } from "./temperedPlace.js";
import { inFire_mm } from "../plan/inFire.js";
import { firstEndGets_C, mouthOf, type Mouth } from "./mouth.js";
import type { MoreCarbon } from "../kinetics/soak.js";
import { transformations, type Transformations } from "./transformations.js";
import { endOfQuench, firstEndOf, hardenPlanOf, otherEndOf, tempersOf, placesOf } from "./planOf.js";
import { runFallOf, tempersBehind } from "./runFall.js";

/** Members of the ensemble while a finger moves. */
const QUICK_MEMBERS = 8;

export interface Prediction {
  readonly hardening: HardenResult;
  readonly transformations: Transformations;
  /** Where the piece does its work: the edge of a blade, the surface of a bar. */
  readonly working: { readonly place: "edge" | "surface"; readonly asQuenched: Estimate; readonly tempered: Estimate };
  /** The thickest place. */
  readonly thickest: { readonly place: "spine" | "centre"; readonly asQuenched: Estimate; readonly tempered: Estimate };
  /** The working place of the end that goes second, where two go by turns; of the one that was hardened first, where each has its own heat. */
  readonly other: {
    readonly end: EndName;
    readonly asQuenched: Estimate;
    readonly tempered: Estimate;
    readonly curve: CoolingCurve;
    /** Of two by turns: out of the fire it has to be under by then, s. */
    readonly secondBy_s: number | null;
    /** Hardened first: how hot it got while the other end was heated, C; null where that is not followed. It was drawn by that. */
    readonly got_C: number | null;
  } | null;
  /**
   * Further places of a blade that were measured, each by its own section; none where it has one section. `hardening.straighten` is the window of
   * the first of all to shut, `hardening.handWarm_s` the last of all to be so: `firstToShut` and `weakest` say which, null where it is its own section.
   */
  readonly places: readonly AtPlace[];
  readonly firstToShut: number | null;
  readonly weakest: number | null;
  /** How far it hardens where a part of it is in the fire; null where all of it is. */
  readonly mouth: Mouth | null;
  readonly profile: readonly (ProfilePoint & { readonly tempered_HRC: number })[];
  readonly equivalent_C: number;
  readonly isEmbrittled: boolean;
  readonly oxide: { readonly name: string; readonly hex: string };
  readonly target: {
    readonly low_HRC: number;
    readonly high_HRC: number;
    readonly why: string;
    readonly name: string;
    readonly isOwn: boolean;
  };
  /** Chance that it does not harden at all: by the ensemble, and never less than what no model knows of a shop. */
  readonly failChance: number;
  /** Chance that the working place lands in the target, 0 ... 1. */
  readonly chanceInTarget: number;
  /** Where the spread of the working place comes from, largest first, HRC. */
  readonly spread: readonly Share[];
  /** To grind from each face, mm, if nothing protected it from the flame in all heats of the route. */
  readonly grindOff_mm: number;
  /** When the heat, not the bath, is the limit: what would bring enough carbon into solution. */
  readonly moreCarbon: MoreCarbon | null;
  readonly notices: readonly Notice[];
}

function oxideOf(plan: HardenPlan, cycles: readonly TemperCycle[]): { name: string; hex: string } {
  const shift = alloyShift_K(plan.steel.composition_wtpct);
  const film_nm = cycles.reduce((film, cycle) => growFilm_nm(film, { ...cycle, alloyShift_K: shift }), 0);
  return { name: oxideName(film_nm), hex: filmHex(film_nm) };
}

/** Steps by which the heats of a route are added up for the skin they leave, s. */
const SKIN_STEP_s = 5;

/** Depth of the soft skin after the heats of a route up to the last hardening, mm: each as its step says, in the flame the shop sets, an open one where nobody says. */
export function skinOf_mm({ steel, shop }: HardenPlan, route: Route): number {
  const Ae1 = ae1_C(steel.composition_wtpct);
  const last = route.steps.findLastIndex(({ kind }) => kind === "harden");
  let integral_m2 = 0;
  for (const step of route.steps.slice(0, last + 1)) {
    if (step.kind !== "normalise" && step.kind !== "harden" && step.kind !== "anneal") continue;
    const { temperature_C, duration_s } = heatingCurve({ heat_C: step.temperature_C, hold_s: 60 * step.hold_min });
    for (let t = 0; t < duration_s; t += SKIN_STEP_s)
      integral_m2 += decarbAdded_m2(temperature_C(t), Ae1, SKIN_STEP_s, shop?.fire ?? "oxidising");
  }
  return decarbDepth_mm(integral_m2);
}

/** Part of the ensemble of a prediction, to be run beside it: members `from` to `to`, the last not included. */
export function predictMembers(
  catalogue: Catalogue,
  piece: Piece,
  route: Route,
  { from, to, known }: { readonly from: number; readonly to: number; readonly known?: Known | undefined },
  desk: Desk = BARE_DESK,
): Member[] {
  const plan = hardenPlanOf(catalogue, piece, route, known);
  requireSense(plan);
  return runMembers(plan, MEMBERS, from, to, { desk });
}

/** Runs and remembers the case as planned, so that a prediction finds it beside its members. */
export function predictNominal(catalogue: Catalogue, piece: Piece, route: Route, desk: Desk, known?: Known): void {
  const plan = hardenPlanOf(catalogue, piece, route, known);
  requireSense(plan);
  nominalCase(plan, "full", { desk });
}

/** How likely it is one of those whose working place did not harden, after its tests. */
function softShare(members: readonly Member[], weights: readonly number[]): number {
  const hard = members.reduce((sum, { isHard, hardness_HRC }, i) => {
    return sum + (isHard[hardness_HRC.edge === null ? "surface" : "edge"] ? weights[i]! : 0);
  }, 0);
  // The last of them is the piece that is hard against all that was foreseen.
  return Math.min(1, Math.max(0, 1 - hard - weights.at(-1)!));
}

/** Cooler nothing is drawn, C; and so long an end is about as hot as it gets, min (judgement). */
const DRAWS_FROM_C = 100;
const HEATED_MIN = 2;

/** The other end has an ensemble of its own; no test says which end it was made at. */
function otherEnd(
  asked: { readonly plan: HardenPlan; readonly end: EndName; readonly isByTurns: boolean; readonly got_C: number | null },
  own: Tempers,
  isQuick: boolean,
  desk: Desk,
): NonNullable<Prediction["other"]> {
  const { plan, end, isByTurns, got_C } = asked;
  const tempers =
    got_C === null || got_C < DRAWS_FROM_C ? own : { ...own, cycles: [{ temperature_C: got_C, hold_min: HEATED_MIN }, ...own.cycles] };
  const { edge, surface, curve } = desk.recall("hardening", `other ${isQuick} ${planKey(plan)}`, () =>
    harden(plan, isQuick ? { resolution: "coarse", members: QUICK_MEMBERS, desk } : { desk }),
  );
  const { asQuenched, tempered } = temperPlace(tempers, edge ?? surface);
  return { end, asQuenched, tempered, curve, got_C, secondBy_s: isByTurns ? airLimit_s(plan, desk) : null };
}

/** The whole answer for a piece on a route, by what is `known` of its shop and its tests; `already` is its ensemble when that was run beside it; quick is coarse in space and leaves out what would help. @throws InputError for a route without a hardening or a quench. */
export function predict(
  catalogue: Catalogue,
  piece: Piece,
  route: Route,
  effort: Effort = "full",
  already?: readonly Member[],
  desk: Desk = BARE_DESK,
  known: Known = {},
  measured: readonly Measured[] = measuredPlaces(piece),
): Prediction {
  const plan = hardenPlanOf(catalogue, piece, route, known);
  const tempers = tempersOf(plan, route, runFallOf(catalogue, piece, route));
  const { cycles } = tempers;
  const isQuick = effort === "quick";
  const key = `${effort} ${planKey(plan)}`;
  const own = desk.recall("hardening", key, () => {
    if (isQuick) return harden(plan, { resolution: "coarse", members: QUICK_MEMBERS, desk });
    if (already !== undefined) desk.recall("members", `${MEMBERS} ${planKey(plan)}`, () => already);
    return harden(plan, { desk });
  });
  const places = alongPiece(catalogue, piece, route, measured, known, desk);
  const first = firstToShut(own.straighten, places);
  const hardening =
    places.length === 0
      ? own
      : {
          ...own,
          straighten: first === null ? own.straighten : places[first]!.straighten,
          handWarm_s: Math.max(own.handWarm_s, ...places.map(({ handWarm_s }) => handWarm_s)),
        };
  const temper = plan.steel.temper;
  const values = { working: hardening.edge ?? hardening.surface, thickest: hardening.spine ?? hardening.centre };
  const { working, thickest, weights } = placesOf(piece, tempers, values, known);
  const members = (): readonly Member[] => membersOf(plan, isQuick ? QUICK_MEMBERS : MEMBERS, { desk });
  const { low_HRC, high_HRC, why, name, isOwn } = targetOf(catalogue, piece);
  const equivalent_C =
    cycles.length === 0 ? 20 : temperedHardness({ steel: temper, cycles, asQuenched_HRC: working.asQuenched.mean_HRC }).equivalent_C;
  const band = plan.steel.file?.temper.embrittlement_C;
  const turned = otherEndOf(piece, route);
  const other = turned ?? firstEndOf(route);
  // How the last heat fell says nothing of an end that had a heat of its own before it.
  const knownThere: Known = turned !== null ? known : known.shop === undefined ? {} : { shop: known.shop };
  const otherPlan = other === null ? null : hardenPlanOf(catalogue, piece, other, knownThere);
  const changes = transformations(plan.steel.composition_wtpct, plan.prior, {
    solution_wtpct: hardening.austenite.solution_wtpct,
    heat_C: plan.heat_C,
  });
  return {
    hardening,
    transformations: changes,
    mouth: desk.recall("advice", `mouth ${key} ${inFire_mm(piece, route)} ${piece.length_mm}`, () => mouthOf(piece, route, changes)),
    working: { place: hardening.edge ? "edge" : "surface", asQuenched: working.asQuenched, tempered: working.tempered },
    thickest: { place: hardening.spine ? "spine" : "centre", asQuenched: thickest.asQuenched, tempered: thickest.tempered },
    other:
      other === null || otherPlan === null
        ? null
        : otherEnd(
            {
              plan: otherPlan,
              end: endOfQuench(other),
              isByTurns: turned !== null,
              got_C: turned === null ? firstEndGets_C(piece, route) : null,
            },
            tempers,
            isQuick,
            desk,
          ),
    places,
    firstToShut: first,
    weakest: weakestOf(chanceBetween(working.tempered, low_HRC, high_HRC), places),
    profile: hardening.profile.map((point) => ({
      ...point,
      tempered_HRC: temperedAt(temper, tempersBehind(tempers, point.y_mm ?? 0).cycles, point.hardness_HRC, point.drawn),
    })),
    equivalent_C,
    isEmbrittled: band !== undefined && equivalent_C >= band[0]! && equivalent_C <= band[1]!,
    oxide: oxideOf(plan, cycles),
    target: { low_HRC, high_HRC, why, name, isOwn },
    failChance: weights === null ? Math.max(LEAST_FAIL, 1 - hardening.chanceHard.working) : softShare(members(), weights),
    chanceInTarget: chanceBetween(working.tempered, low_HRC, high_HRC),
    spread: working.spread,
    grindOff_mm: plan.cladding ? 0 : grindOff_mm(skinOf_mm(plan, route)),
    moreCarbon: isQuick ? null : desk.recall("advice", `carbon ${high_HRC} ${key}`, () => limitOf(plan, hardening, high_HRC)),
    notices: hardening.notices,
  };
}
