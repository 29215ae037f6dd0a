/** A route as what is computed of it: the hardening with nothing left open, its tempers, and the places they are told of. */

import { InputError } from "../errors.js";
import { testDone } from "../evidence/storedTest.js";
import { testSays } from "../evidence/verdict.js";
import type { TemperCycle } from "../kinetics/temper.js";
import { resolveSteel, type Catalogue } from "../plan/catalogue.js";
import { endOf, endUnder, intoOf, keepsHeat, lastOf_s, seconds, turnsOf, type EndName, type Quench } from "../plan/dips.js";
import { girth_mm, sectionArea_mm2 } from "../plan/fit.js";
import { structureBeforeHardening } from "../plan/route.js";
import { COLOUR_MIN, RUN_DOUBT_K } from "../plan/runHeat.js";
import { asWorked, cooledSection, ofEnd } from "../shape/bevel.js";
import { thickness_mm } from "../shape/thickness.js";
import { breadth_mm } from "../shape/outline.js";
import type { Dip, Piece, Route, Step } from "../schema/book.js";
import type { Medium } from "../schema/medium.js";
import type { BodySection, Immersion, Section } from "../schema/parts.js";
import { cladOf } from "../shape/cladding.js";
import type { FallSeen, Known } from "../schema/job.js";
import type { HardenPlan } from "./harden.js";
import type { Dip as FurtherDip } from "./hardenCase.js";
import { tempersBehind, type RunFall } from "./runFall.js";
import { HEAT_K } from "./hardenSpread.js";
import { airCooling_s } from "./hardenReadings.js";
import { coolEnd } from "./endCooling.js";
import { DRAWN, tiedRows } from "./shopTies.js";
import { OVEN_K, temperPlace, testedPlaces, type Tested, type TestedPlaces, type Tempers } from "./temperedPlace.js";
import type { Simulated } from "./temperedPlace.js";
import { SPINE_SHARE } from "./section.js";

/** Seconds from fire to bath when nobody says otherwise. */
const TRANSFER_s = 1.5;

function stepOf<K extends Step["kind"]>(route: Route, kind: K): Extract<Step, { kind: K }> {
  // The last of its kind: a piece that was hardened again is what the last hardening made of it.
  const found = route.steps.findLast((step): step is Extract<Step, { kind: K }> => step.kind === kind);
  if (found === undefined) throw new InputError({ code: "missing", path: "/route/steps", message: `The route has no step to ${kind}.` });
  return found;
}

/** Seconds to the bath for a piece that falls to its heat right over it. */
const BESIDE_s = 0.5;
/** Nobody waits for a pull longer than so many times what it should take. */
const LONGEST_FALL = 3;

/** Of a falling heat the seconds of the step begin at the first pull; of any other, at the fire. */
function wayToBath(
  { section }: Piece,
  { temperature_C, fallTo_C }: Extract<Step, { kind: "harden" }>,
  { transfer_s }: Quench,
  fall: FallSeen | undefined,
): Pick<HardenPlan, "transfer_s" | "falls"> {
  if (fallTo_C === undefined) return { transfer_s: transfer_s ?? TRANSFER_s };
  const beside_s = transfer_s ?? BESIDE_s;
  const usual_s = airCooling_s(section, temperature_C, fallTo_C);
  return {
    transfer_s: beside_s + (fall?.ended_s ?? usual_s),
    falls: { beside_s, longest_s: LONGEST_FALL * usual_s, seen: fall ?? null },
  };
}

/** The hardening of a piece on a route, with nothing left open. */
export function hardenPlanOf(catalogue: Catalogue, whole: Piece, route: Route, { shop, fall }: Known = {}): HardenPlan {
  const heat = stepOf(route, "harden");
  const quench = stepOf(route, "quench");
  // An end that is ground to an edge is what works: it is decided there.
  const bar = ofEnd(whole, endUnder(quench)?.end ?? "working");
  const piece = asWorked(bar);
  const { agitation, bath_C, medium: id } = intoOf(quench);
  const medium = mediumOf(catalogue, id);
  const own = ownDips(quench);
  const dips = furtherDips(catalogue, piece, quench, own);
  const clad = cladOf(piece.section, piece.cladding);
  return {
    steel: resolveSteel(catalogue, piece.steel),
    prior: structureBeforeHardening(piece, route.steps),
    section: piece === bar ? bodyUnder(bar, quench) : cooledSection(bar),
    heat_C: heat.temperature_C,
    hold_s: heat.hold_min * 60,
    ...wayToBath(bar, heat, quench, fall),
    medium,
    bath_C,
    agitation,
    bath_s: seconds(own[0]!),
    immersion: immersionOf(piece, own[0]!),
    ...(dips.length === 0 ? {} : { dips }),
    ...clayOf(piece.section, quench),
    ...(clad === null ? {} : { cladding: clad }),
    ...endHeld(bar, heat, quench, medium),
    ...(shop === undefined ? {} : { shop }),
  };
}

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

/** Out, turned over and in again: nobody is quicker, s (judgement). */
export const TURNED_OVER_s = 2;

/** The dips of the end it begins with: all of them, but where two go by turns. */
function ownDips(quench: Quench): Dip[] {
  const { dips } = quench;
  return turnsOf(quench) === null ? dips : dips.filter(({ under }) => under === dips[0]!.under);
}

/** What follows the first dip of the same steel, each after the air between: turned over, or while the other end is in. */
function furtherDips(catalogue: Catalogue, piece: Piece, quench: Quench, own: readonly Dip[]): FurtherDip[] {
  const other_s = seconds(turnsOf(quench)?.[1] ?? own[0]!) ?? 0;
  const isTurning = turnsOf(quench) !== null;
  return own.slice(1).map((dip, i): FurtherDip => {
    const { medium, bath_C, agitation } = dip.into;
    const isTurnedOver = [own[i]!.under, dip.under].sort().join() === "back,edge";
    return {
      air_s: isTurning ? other_s : isTurnedOver ? TURNED_OVER_s : 0,
      medium: mediumOf(catalogue, medium),
      bath_C,
      agitation,
      immersion: immersionOf(piece, dip),
      bath_s: seconds(dip),
    };
  });
}

/** The route for the end that goes second of two by turns: it waits in the air while the first is under. Null where there are no turns. */
export function otherEndOf(piece: Piece, route: Route): Route | null {
  const heat = route.steps.findLast((step) => step.kind === "harden");
  const at = route.steps.findLastIndex(({ kind }) => kind === "quench");
  const quench = route.steps[at];
  if (quench?.kind !== "quench" || turnsOf(quench) === null || heat?.kind !== "harden") return null;
  const [first, ...dips] = quench.dips as [Dip, ...Dip[]];
  const transfer_s = (quench.transfer_s ?? (heat.fallTo_C === undefined ? TRANSFER_s : BESIDE_s)) + (seconds(first) ?? 0);
  return { ...route, steps: route.steps.map((step, i) => (i === at ? { ...quench, dips, transfer_s } : step)) };
}

/** Which end the last bath of a route is for. */
export function endOfQuench(route: Route): EndName {
  return endUnder(stepOf(route, "quench"))?.end ?? "working";
}

/** A heat that undoes what was hardened before it. */
const UNDOES: ReadonlySet<Step["kind"]> = new Set(["normalise", "anneal"]);

/** The route for the end that was hardened first, where each of two has a heat of its own: as if the second had not come. Null where none was. */
export function firstEndOf({ steps, ...route }: Route): Route | null {
  const at = steps.findLastIndex(({ kind }) => kind === "quench");
  const last = steps[at];
  const own = last?.kind === "quench" && turnsOf(last) === null ? endUnder(last)?.end : undefined;
  if (own === undefined) return null;
  const from = steps.findLastIndex(({ kind }, i) => i < at && UNDOES.has(kind));
  const isFirst = steps.some((step, i) => i > from && i < at && step.kind === "quench" && (endUnder(step)?.end ?? own) !== own);
  const heatAt = steps.findLastIndex(({ kind }, i) => i < at && kind === "harden");
  return isFirst ? { ...route, steps: steps.filter((_, i) => i < heatAt || i > at) } : null;
}

/** An end that goes in less deep than it is thick is cooled from its face; deeper, it is cooled all around as the bar it is. */
function isFace({ section }: Piece, end: ReturnType<typeof endOf>): boolean {
  return end !== null && section.shape !== "wedge" && end.depth_mm < thickness_mm(section);
}

function bodyUnder(piece: Piece, quench: Quench): BodySection {
  const { section, length_mm } = piece;
  if (section.shape === "wedge" || !isFace(piece, endUnder(quench))) return section;
  const area_mm2 = sectionArea_mm2(section, breadth_mm(piece));
  return { shape: "end", diameter_mm: Math.max(2, Math.sqrt((4 * area_mm2) / Math.PI)), length_mm: Math.min(400, Math.max(5, length_mm)) };
}

/** What of a bar stays in the air where one end of it goes in deeper than it is thick. Of two by turns both are in. */
function endHeld(piece: Piece, heat: Extract<Step, { kind: "harden" }>, quench: Quench, medium: Medium): Pick<HardenPlan, "end"> {
  const { section, length_mm } = piece;
  const end = endUnder(quench);
  // Where its own heat is what draws it, the colour it ran to says how far.
  if (end === null || turnsOf(quench) !== null || keepsHeat(quench)) return {};
  if (section.shape === "wedge" || isFace(piece, end)) return {};
  if (end.depth_mm >= length_mm) return {};
  const breadth = breadth_mm(piece);
  const bar = { length_mm, depth_mm: end.depth_mm, area_mm2: sectionArea_mm2(section, breadth), outline_mm: girth_mm(section, breadth) };
  const { bath_C, agitation } = intoOf(quench);
  return { end: coolEnd(bar, heat.temperature_C, { medium, bath_C, agitation, immersion: { kind: "full" } }, lastOf_s(quench)) };
}

/** What is under in a dip: all, the edge, the back, or the face of an end. What is only told of a blade is all of a bar. */
function immersionOf(piece: Piece, dip: Dip): Immersion {
  const { section } = piece;
  if (dip.under === "edge") return { kind: "edge", depth_mm: bladeDepth_mm(section, dip.depth_mm) };
  if (dip.under === "back" && section.shape === "wedge") return { kind: "back", depth_mm: bladeDepth_mm(section, dip.depth_mm) };
  const end = endOf(dip);
  // A bevelled end that goes in less deep than its bevel is long: its edge is under, and no more.
  if (end !== null && piece.bevel !== undefined && section.shape === "wedge" && end.depth_mm < section.height_mm)
    return { kind: "edge", depth_mm: end.depth_mm };
  return end !== null && isFace(piece, end) ? { kind: "edge", depth_mm: end.depth_mm } : { kind: "full" };
}

/** No deeper than the section is high: a station near the point is less so than where the piece was measured. */
function bladeDepth_mm(section: Section, wanted_mm: number): number {
  return section.shape === "wedge" ? Math.min(wanted_mm, section.height_mm) : wanted_mm;
}

export function temperCyclesOf(route: Route): TemperCycle[] {
  const last = route.steps.findLastIndex(({ kind }) => kind === "quench");
  return route.steps.slice(last + 1).flatMap((s) => {
    if (s.kind === "run") return [{ temperature_C: s.temperature_C, hold_min: COLOUR_MIN }];
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
export function tempersOf(plan: HardenPlan, route: Route, fall: RunFall | null = null): Tempers {
  const by = isDrawnByColour(route) ? "colour" : "oven";
  const { mean, sd } = by === "colour" ? { mean: 0, sd: RUN_DOUBT_K } : (plan.shop?.oven_K ?? { mean: 0, sd: OVEN_K });
  const cycles = temperCyclesOf(route).map((cycle) => ({ ...cycle, temperature_C: cycle.temperature_C + mean }));
  return {
    steel: plan.steel.temper,
    cycles,
    by,
    oven_K: sd,
    heat_K: plan.shop?.heat_K?.sd ?? HEAT_K,
    off: plan.shop?.steel_HRC,
    ...(by === "oven" && plan.shop?.ties ? { ties: tiedRows(plan.shop).slice(DRAWN) as [readonly number[], readonly number[]] } : {}),
    fall,
  };
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
  const back = piece.section.shape === "wedge" ? tempersBehind(tempers, SPINE_SHARE * piece.section.height_mm) : tempers;
  if (tests.length > 0) return testedPlaces(tempers, values.working, values.thickest, tests, back);
  return { working: temperPlace(tempers, values.working), thickest: temperPlace(back, values.thickest), weights: null };
}
