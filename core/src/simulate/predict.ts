/** What a piece will be at the end of its route, where the spread comes from, and how the answer moves with each choice. */

import { InputError } from "../errors.js";
import type { Notice } from "../notices.js";
import { alloyShift_K, growFilm_nm, filmHex, oxideName } from "../colour/oxide.js";
import { LEAST_FAIL } from "../evidence/belief.js";
import { testDone } from "../evidence/storedTest.js";
import { testSays } from "../evidence/verdict.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { nodeHardness_HV } from "../kinetics/structure.js";
import { heatingCurve } from "../kinetics/austenite.js";
import { ae1_C } from "../kinetics/composition.js";
import { decarbAdded_m2, decarbDepth_mm, grindOff_mm } from "../kinetics/decarb.js";
import { temperedHardness, type TemperCycle } from "../kinetics/temper.js";
import { resolveSteel, type Catalogue } from "../plan/catalogue.js";
import { sectionArea_mm2 } from "../plan/fit.js";
import { RUN_DOUBT_K, RUN_EQUAL_MIN, RUN_OVER_K, structureBeforeHardening, targetOf, thickness_mm } from "../plan/route.js";
import { breadth_mm } from "../shape/outline.js";
import type { Piece, Route, Step } from "../schema/book.js";
import type { Medium } from "../schema/medium.js";
import type { BodySection, Section } from "../schema/parts.js";
import type { Effort, Known } from "../schema/job.js";
import { airLimit_s, harden, nominalCase, type CoolingCurve, type HardenPlan, type HardenResult, type ProfilePoint } from "./harden.js";
import { doubtful, limitOf, saferChanges, type Safer } from "./advice.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { BESIDE_s, hardened, inOtherBath, planKey, type Dip, requireSense, runCase } from "./hardenCase.js";
import { HEAT_K, MEMBERS, membersOf, runMembers, type Member } from "./hardenSpread.js";
import { airCooling_s } from "./hardenReadings.js";
import { thicker } from "./section.js";
import {
  chanceBetween,
  OVEN_K,
  temperedAt,
  temperPlace,
  testedPlaces,
  type Estimate,
  type Share,
  type Tested,
  type TestedPlaces,
  type Tempers,
} from "./temperedPlace.js";
import type { Simulated } from "./temperedPlace.js";
import type { MoreCarbon } from "../kinetics/soak.js";
import { transformations, type Transformations } from "./transformations.js";

/** Members of the ensemble while a finger moves. */
const QUICK_MEMBERS = 8;

/** Seconds from fire to bath when nobody says otherwise. */
const TRANSFER_s = 1.5;

function stepOf<K extends Step["kind"]>(route: Route, kind: K): Extract<Step, { kind: K }> {
  // The last of its kind: a piece that was hardened again is what the last hardening made of it.
  const found = route.steps.findLast((step): step is Extract<Step, { kind: K }> => step.kind === kind);
  if (found === undefined) throw new InputError({ code: "missing", path: "/route/steps", message: `The route has no step to ${kind}.` });
  return found;
}

function usualTransfer_s({ section }: Piece, { temperature_C, fallTo_C }: Extract<Step, { kind: "harden" }>): number {
  return fallTo_C === undefined ? TRANSFER_s : BESIDE_s + airCooling_s(section, temperature_C, fallTo_C);
}

/** The hardening of a piece on a route, with nothing left open. */
export function hardenPlanOf(catalogue: Catalogue, piece: Piece, route: Route, { shop }: Known = {}): HardenPlan {
  const heat = stepOf(route, "harden");
  const quench = stepOf(route, "quench");
  const medium = mediumOf(catalogue, quench.medium);
  const dips = dipsOf(catalogue, piece, quench);
  return {
    steel: resolveSteel(catalogue, piece.steel),
    prior: structureBeforeHardening(piece, route.steps),
    section: bodyUnder(piece, quench),
    heat_C: heat.temperature_C,
    hold_s: heat.hold_min * 60,
    transfer_s: quench.transfer_s ?? usualTransfer_s(piece, heat),
    ...(quench.transfer_s === undefined && heat.fallTo_C !== undefined && heat.why === "first-pull" ? { falls: true } : {}),
    medium,
    bath_C: quench.bath_C,
    agitation: quench.agitation,
    bath_s: quench.then?.after_s ?? quench.turns?.first_s ?? quench.bath_s ?? null,
    immersion: immersionOf(piece, quench),
    ...(dips.length === 0 ? {} : { dips }),
    ...clayOf(piece.section, quench),
    ...(shop === undefined ? {} : { shop }),
  };
}

type Quench = Extract<Step, { kind: "quench" }>;

function mediumOf(catalogue: Catalogue, id: string): Medium {
  const medium = catalogue.medium(id);
  if (medium === undefined) {
    const allowed = catalogue.media.map((m) => m.id).join(", ");
    throw new InputError({ code: "unknown-medium", path: "/route/steps", got: id, allowed });
  }
  return medium;
}

/** No higher up than the section is: nearer the point it may cover nothing. */
function clayOf(section: Section, { clay }: Quench): Pick<HardenPlan, "coat"> {
  if (clay === undefined || section.shape !== "wedge") return {};
  return { coat: { ...clay, from_mm: Math.min(clay.from_mm, section.height_mm) } };
}

/** Each end goes under so many times: by then both are dark. */
const TURNS = 6;

/** What follows the first dip: all of it under, or the same end again each time the other has been in. */
function dipsOf(catalogue: Catalogue, piece: Piece, quench: Quench): Dip[] {
  const { then, turns, bath_C } = quench;
  if (then !== undefined) {
    const medium = mediumOf(catalogue, then.medium ?? quench.medium);
    const same_C = medium.id === quench.medium ? bath_C : medium.usualBath_C;
    return [{ air_s: 0, medium, bath_C: then.bath_C ?? same_C, immersion: { kind: "full" }, bath_s: quench.bath_s ?? null }];
  }
  if (turns === undefined) return [];
  const again = { air_s: turns.second_s, medium: mediumOf(catalogue, quench.medium), bath_C, immersion: immersionOf(piece, quench) };
  return Array.from({ length: TURNS - 1 }, (_, i) => ({ ...again, bath_s: i === TURNS - 2 ? null : turns.first_s }));
}

/** The route for the end that goes second of two by turns: it waits in the air while the first is under. Null where there are no turns. */
export function otherEndOf(piece: Piece, route: Route): Route | null {
  const heat = route.steps.findLast((step) => step.kind === "harden");
  const at = route.steps.findLastIndex(({ kind }) => kind === "quench");
  const quench = route.steps[at];
  if (quench?.kind !== "quench" || quench.turns === undefined || quench.part === undefined || heat?.kind !== "harden") return null;
  const { first_s, second_s, depth_mm } = quench.turns;
  const other: Quench = {
    ...quench,
    part: { end: quench.part.end === "working" ? "other" : "working", depth_mm },
    transfer_s: (quench.transfer_s ?? usualTransfer_s(piece, heat)) + first_s,
    turns: { first_s: second_s, second_s: first_s, depth_mm: quench.part.depth_mm },
  };
  return { ...route, steps: route.steps.map((step, i) => (i === at ? other : step)) };
}

/** An end that goes in less deep than it is thick is cooled from its face; deeper, it is cooled all around as the bar it is. */
function isFace({ section }: Piece, { part }: Quench): boolean {
  return part !== undefined && section.shape !== "wedge" && part.depth_mm < thickness_mm(section);
}

function bodyUnder(piece: Piece, quench: Quench): BodySection {
  const { section, length_mm } = piece;
  if (section.shape === "wedge" || !isFace(piece, quench)) return section;
  const area_mm2 = sectionArea_mm2(section, breadth_mm(piece));
  return { shape: "end", diameter_mm: Math.max(2, Math.sqrt((4 * area_mm2) / Math.PI)), length_mm: Math.min(400, Math.max(5, length_mm)) };
}

function immersionOf(piece: Piece, quench: Quench): HardenPlan["immersion"] {
  if (quench.edgeDepth_mm !== undefined) return { kind: "edge", depth_mm: edgeDepth_mm(piece.section, quench.edgeDepth_mm) };
  return quench.part !== undefined && isFace(piece, quench) ? { kind: "edge", depth_mm: quench.part.depth_mm } : { kind: "full" };
}

/** No deeper than the section is high: a station near the point is less so than where the piece was measured. */
function edgeDepth_mm(section: Section, wanted_mm: number): number {
  return section.shape === "wedge" ? Math.min(wanted_mm, section.height_mm) : wanted_mm;
}

export function temperCyclesOf(route: Route): TemperCycle[] {
  const last = route.steps.findLastIndex(({ kind }) => kind === "quench");
  return route.steps.slice(last + 1).flatMap((s) => {
    if (s.kind === "run") return [{ temperature_C: s.temperature_C + RUN_OVER_K, hold_min: RUN_EQUAL_MIN }];
    return s.kind === "temper" ? [{ temperature_C: s.temperature_C, hold_min: s.hold_min }] : [];
  });
}

/** Whether what draws the temper is a colour that was run to: no oven has a part in it. */
function isDrawnByColour({ steps }: Route): boolean {
  const draws = steps
    .slice(steps.findLastIndex(({ kind }) => kind === "quench") + 1)
    .filter(({ kind }) => kind === "temper" || kind === "run");
  return draws.length > 0 && draws.every(({ kind }) => kind === "run");
}

/** The tempers of a route by the oven they are done in, or by the colour. */
export function tempersOf(plan: HardenPlan, route: Route): Tempers {
  const by = isDrawnByColour(route) ? "colour" : "oven";
  const { mean, sd } = by === "colour" ? { mean: 0, sd: RUN_DOUBT_K } : (plan.shop?.oven_K ?? { mean: 0, sd: OVEN_K });
  const cycles = temperCyclesOf(route).map((cycle) => ({ ...cycle, temperature_C: cycle.temperature_C + mean }));
  return { steel: plan.steel.temper, cycles, by, oven_K: sd, heat_K: plan.shop?.heat_K?.sd ?? HEAT_K, off: plan.shop?.steel_HRC };
}

/** What the tests of a piece say, each after so many of its tempers. */
function testedOf({ section }: Piece, { tests = [] }: Known): Tested[] {
  return tests.flatMap(({ tempers, test }) => {
    const says = testSays(testDone(test, section));
    return says === null ? [] : [{ tempers, says }];
  });
}

/** The two places of a piece, by what was tested of it. */
export function placesOf(
  piece: Piece,
  tempers: Tempers,
  values: { readonly working: Simulated; readonly thickest: Simulated },
  known: Known,
): Pick<TestedPlaces, "working" | "thickest"> & { readonly weights: readonly number[] | null } {
  const tests = testedOf(piece, known);
  if (tests.length > 0) return testedPlaces(tempers, values.working, values.thickest, tests);
  return { working: temperPlace(tempers, values.working), thickest: temperPlace(tempers, values.thickest), weights: null };
}

export interface Prediction {
  readonly hardening: HardenResult;
  readonly transformations: Transformations;
  /** Where the piece does its work: the edge of a blade, the surface of a bar. */
  readonly working: { readonly place: "edge" | "surface"; readonly asQuenched: Estimate; readonly tempered: Estimate };
  /** The thickest place. */
  readonly thickest: { readonly place: "spine" | "centre"; readonly asQuenched: Estimate; readonly tempered: Estimate };
  /** The working place of the end that goes second, where two go by turns. */
  readonly other: {
    readonly asQuenched: Estimate;
    readonly tempered: Estimate;
    readonly curve: CoolingCurve;
    /** Out of the fire it has to be under by then, s. */
    readonly secondBy_s: number;
  } | null;
  readonly profile: readonly (ProfilePoint & { readonly tempered_HRC: number })[];
  readonly equivalent_C: number;
  readonly isEmbrittled: boolean;
  readonly oxide: { readonly name: string; readonly hex: string };
  readonly target: { readonly low_HRC: number; readonly high_HRC: number; readonly why: string; readonly name: string };
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
  /** When it may fail: changes that harden the place that must be hard even with slower luck, mildest first. */
  readonly safer: readonly Safer[];
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
function skinOf_mm({ steel, shop }: HardenPlan, route: Route): number {
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
  return Math.min(1, Math.max(0, 1 - hard));
}

/** The end that goes second has an ensemble of its own; no test says which end it was made at. */
function otherEnd(plan: HardenPlan, tempers: Tempers, isQuick: boolean, desk: Desk): NonNullable<Prediction["other"]> {
  const { edge, surface, curve } = desk.recall("hardening", `other ${isQuick} ${planKey(plan)}`, () =>
    harden(plan, isQuick ? { resolution: "coarse", members: QUICK_MEMBERS, desk } : { desk }),
  );
  const { asQuenched, tempered } = temperPlace(tempers, edge ?? surface);
  return { asQuenched, tempered, curve, secondBy_s: airLimit_s(plan, desk) };
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
): Prediction {
  const plan = hardenPlanOf(catalogue, piece, route, known);
  const tempers = tempersOf(plan, route);
  const { cycles } = tempers;
  const isQuick = effort === "quick";
  const key = `${effort} ${planKey(plan)}`;
  const hardening = desk.recall("hardening", key, () => {
    if (isQuick) return harden(plan, { resolution: "coarse", members: QUICK_MEMBERS, desk });
    if (already !== undefined) desk.recall("members", `${MEMBERS} ${planKey(plan)}`, () => already);
    return harden(plan, { desk });
  });
  const temper = plan.steel.temper;
  const values = { working: hardening.edge ?? hardening.surface, thickest: hardening.spine ?? hardening.centre };
  const { working, thickest, weights } = placesOf(piece, tempers, values, known);
  const members = (): readonly Member[] => membersOf(plan, isQuick ? QUICK_MEMBERS : MEMBERS, { desk });
  const { low_HRC, high_HRC, why, name } = targetOf(catalogue, piece.use);
  const equivalent_C =
    cycles.length === 0 ? 20 : temperedHardness({ steel: temper, cycles, asQuenched_HRC: working.asQuenched.mean_HRC }).equivalent_C;
  const band = plan.steel.file?.temper.embrittlement_C;
  const other = otherEndOf(piece, route);
  return {
    hardening,
    transformations: transformations(plan.steel.composition_wtpct, plan.prior, {
      solution_wtpct: hardening.austenite.solution_wtpct,
      heat_C: plan.heat_C,
    }),
    working: { place: hardening.edge ? "edge" : "surface", asQuenched: working.asQuenched, tempered: working.tempered },
    thickest: { place: hardening.spine ? "spine" : "centre", asQuenched: thickest.asQuenched, tempered: thickest.tempered },
    other: other === null ? null : otherEnd(hardenPlanOf(catalogue, piece, other, known), tempers, isQuick, desk),
    profile: hardening.profile.map((point) => ({ ...point, tempered_HRC: temperedAt(temper, cycles, point.hardness_HRC) })),
    equivalent_C,
    isEmbrittled: band !== undefined && equivalent_C >= band[0]! && equivalent_C <= band[1]!,
    oxide: oxideOf(plan, cycles),
    target: { low_HRC, high_HRC, why, name },
    failChance: weights === null ? Math.max(LEAST_FAIL, 1 - hardening.chanceHard.working) : softShare(members(), weights),
    chanceInTarget: chanceBetween(working.tempered, low_HRC, high_HRC),
    spread: working.spread,
    grindOff_mm: grindOff_mm(skinOf_mm(plan, route)),
    moreCarbon: isQuick ? null : desk.recall("advice", `carbon ${high_HRC} ${key}`, () => limitOf(plan, hardening, high_HRC)),
    safer: !isQuick && doubtful(hardening) ? desk.recall("advice", `safer ${key}`, () => saferChanges(catalogue, plan, desk)) : [],
    notices: hardening.notices,
  };
}

export type Track = "temper" | "heat" | "thickness";

/** How the tempered hardness of the working place and of the thickest place moves along one choice. */
export interface Response {
  readonly track: Track;
  readonly points: readonly { readonly x: number; readonly working_HRC: number; readonly thickest_HRC: number }[];
}

export interface BathResponse {
  readonly medium: string;
  readonly working_HRC: number;
  readonly thickest_HRC: number;
  readonly isHardThrough: boolean;
}

/** As quenched at the working place and at the thickest, quickly: coarse grid, no ensemble. */
interface QuickHardness {
  readonly working_HRC: number;
  readonly thickest_HRC: number;
  readonly isHardThrough: boolean;
}

function quickHardness(plan: HardenPlan, desk: Desk): QuickHardness {
  return desk.recall("quick", planKey(plan), () => {
    desk.letGo();
    return runQuickly(plan);
  });
}

function runQuickly(plan: HardenPlan): QuickHardness {
  requireSense(plan);
  const { structure, places } = runCase(plan, { resolution: "coarse", untilSettled: true, isLongStrided: true });
  const at = (node: number): number => rockwellCFromVickers(nodeHardness_HV(structure, node));
  const [working_HRC, thickest_HRC] = [at(places.edge ?? places.surface), at(places.spine ?? places.centre)];
  // Within 3 HRC of the edge a file tells no difference (judgement).
  const isHardThrough = places.spine === null ? hardened(structure, places.centre) === 1 : thickest_HRC > working_HRC - 3;
  return { working_HRC, thickest_HRC, isHardThrough };
}

function quickAnswer(plan: HardenPlan, cycles: readonly TemperCycle[], desk: Desk): QuickHardness {
  const { working_HRC, thickest_HRC, isHardThrough } = quickHardness(plan, desk);
  const end = (mean_HRC: number): number => temperedAt(plan.steel.temper, cycles, mean_HRC);
  return { working_HRC: end(working_HRC), thickest_HRC: end(thickest_HRC), isHardThrough };
}

const RANGES: Readonly<Record<Track, readonly [number, number]>> = { temper: [150, 450], heat: [720, 900], thickness: [0.5, 2] };
const POINTS: Readonly<Record<Track, number>> = { temper: 25, heat: 10, thickness: 8 };

/** The track of one slide: its range is fixed so that a handle does not move under the finger. Thickness in mm at the thickest. */
export function response(
  catalogue: Catalogue,
  piece: Piece,
  route: Route,
  track: Track,
  desk: Desk = BARE_DESK,
  known: Known = {},
): Response {
  const plan = hardenPlanOf(catalogue, piece, route, known);
  const { cycles, steel } = tempersOf(plan, route);
  const [low, high] = RANGES[track];
  const xs = Array.from({ length: POINTS[track] }, (_, i) => low + ((high - low) * i) / (POINTS[track] - 1));
  const base = thickness_mm(piece.section);
  if (track === "temper") {
    const fixed = quickHardness(plan, desk);
    const end = (mean_HRC: number, temperature_C: number): number =>
      temperedAt(
        steel,
        cycles.map((c) => ({ ...c, temperature_C: temperature_C + (plan.shop?.oven_K?.mean ?? 0) })),
        mean_HRC,
      );
    return { track, points: xs.map((x) => ({ x, working_HRC: end(fixed.working_HRC, x), thickest_HRC: end(fixed.thickest_HRC, x) })) };
  }
  return {
    track,
    points: xs.map((x) => {
      const moved = track === "heat" ? { ...plan, heat_C: x } : { ...plan, section: thicker(plan.section, x) };
      const { working_HRC, thickest_HRC } = quickAnswer(moved, cycles, desk);
      return { x: track === "heat" ? x : x * base, working_HRC, thickest_HRC };
    }),
  };
}

/** The same piece in each of several baths at their usual temperatures. */
export function bathResponses(
  catalogue: Catalogue,
  piece: Piece,
  route: Route,
  media: readonly string[],
  desk: Desk = BARE_DESK,
  known: Known = {},
): BathResponse[] {
  const plan = hardenPlanOf(catalogue, piece, route, known);
  const { cycles } = tempersOf(plan, route);
  return media.flatMap((id) => {
    const medium = catalogue.medium(id);
    if (medium === undefined) return [];
    const bath_C = medium === plan.medium ? plan.bath_C : medium.usualBath_C;
    return [{ medium: id, ...quickAnswer(inOtherBath(plan, { medium, bath_C }), cycles, desk) }];
  });
}
