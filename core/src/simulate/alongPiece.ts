/**
 * A blade at every further place that was measured: each section hardened and tempered by itself, when it shuts, and whether it comes to
 * what is wanted. Heat along the steel is not followed: in the ten seconds that decide it goes some 7 mm (the root of 5.4e-6 m2/s times the
 * time, as plan/fit has it), and places lie farther apart than that.
 */

import { formOf } from "../catalogue.js";
import type { Catalogue } from "../plan/catalogue.js";
import { targetOf } from "../plan/route.js";
import type { Piece, Route } from "../schema/book.js";
import type { Known } from "../schema/job.js";
import type { Section } from "../schema/parts.js";
import { sectionAt } from "../shape/stations.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { planKey, type HardenPlan } from "./hardenCase.js";
import { harden } from "./harden.js";
import type { StraightenWindow } from "./hardenReadings.js";
import { hardenPlanOf, placesOf, tempersOf } from "./planOf.js";
import { chanceBetween, type Estimate } from "./temperedPlace.js";

export interface Measured {
  /** Share of the length, 0 at the tang or the struck end, 1 at the tip. */
  readonly at: number;
  readonly section: Section;
}

export interface AtPlace extends Measured {
  readonly straighten: StraightenWindow | null;
  readonly handWarm_s: number;
  readonly working: { readonly place: "edge" | "surface"; readonly asQuenched: Estimate; readonly tempered: Estimate };
  readonly thickest: { readonly place: "spine" | "centre"; readonly asQuenched: Estimate; readonly tempered: Estimate };
  readonly chanceHard: number;
  /** Chance that it lands in what its use wants, 0 … 1. */
  readonly chanceInTarget: number;
}

/** A place is as the section of the piece where its thicknesses are this near, and its height, shares of them (judgement: a file's stroke; a hand's width of the outline). */
const ALIKE = 0.03;
const AS_HIGH = 0.15;
/** The ensemble of a place: enough for its chance in eighths and its spread. */
const MEMBERS_A_PLACE = 8;

function isAlike(a: Section, b: Section): boolean {
  if (a.shape !== "wedge" || b.shape !== "wedge") return false;
  const isNear = (x: number, y: number, share: number): boolean => Math.abs(x - y) <= share * Math.max(x, y);
  return isNear(a.spine_mm, b.spine_mm, ALIKE) && isNear(a.edge_mm, b.edge_mm, ALIKE) && isNear(a.height_mm, b.height_mm, AS_HIGH);
}

/** The further places of a piece that were measured, in order, but for what is as its own section is. */
export function measuredPlaces(piece: Piece): Measured[] {
  const { stations = [] } = piece;
  if (stations.length === 0) return [];
  const form = formOf(piece);
  return [...stations]
    .sort((a, b) => a.at - b.at)
    .map(({ at }) => ({ at, section: sectionAt(piece, form, at) }))
    .filter(({ section }) => !isAlike(section, piece.section));
}

/** The plan of the hardening at each of them: no deeper in the bath than it is high there. */
export function plansAlong(
  catalogue: Catalogue,
  piece: Piece,
  route: Route,
  measured: readonly Measured[],
  known: Known = {},
): HardenPlan[] {
  // What was tested, and how its heat fell, is known of the piece, not of a place of it.
  const { shop, fall } = known;
  const there: Known = { ...(shop === undefined ? {} : { shop }), ...(fall === undefined ? {} : { fall }) };
  return measured.map(({ section }) => hardenPlanOf(catalogue, { ...piece, section }, route, there));
}

/** Each of them by its own section. @throws InputError as `harden` */
export function alongPiece(
  catalogue: Catalogue,
  piece: Piece,
  route: Route,
  measured: readonly Measured[],
  known: Known = {},
  desk: Desk = BARE_DESK,
): AtPlace[] {
  const { low_HRC, high_HRC } = targetOf(catalogue, piece);
  return plansAlong(catalogue, piece, route, measured, known).map((plan, i): AtPlace => {
    desk.letGo();
    const { at, section } = measured[i]!;
    const hardening = desk.recall("hardening", `place ${planKey(plan)}`, () =>
      harden(plan, { resolution: "coarse", members: MEMBERS_A_PLACE, desk }),
    );
    const values = { working: hardening.edge ?? hardening.surface, thickest: hardening.spine ?? hardening.centre };
    const { working, thickest } = placesOf({ ...piece, section }, tempersOf(plan, route), values, {});
    return {
      at,
      section,
      straighten: hardening.straighten,
      handWarm_s: hardening.handWarm_s,
      working: { place: hardening.edge === null ? "surface" : "edge", asQuenched: working.asQuenched, tempered: working.tempered },
      thickest: { place: hardening.spine === null ? "centre" : "spine", asQuenched: thickest.asQuenched, tempered: thickest.tempered },
      chanceHard: hardening.chanceHard.working,
      chanceInTarget: chanceBetween(working.tempered, low_HRC, high_HRC),
    };
  });
}

/** Whether one window shuts before another: by its end, and where hardly a case of either shuts, by what does. */
export function shutsBefore(a: StraightenWindow | null, b: StraightenWindow | null): boolean {
  if (a === null || b === null) return a !== null;
  return a.end.p50_s === b.end.p50_s ? a.to_s < b.to_s : a.end.p50_s < b.end.p50_s;
}

/** Which place shuts first of the piece's own section and those; null where its own does. */
export function firstToShut(own: StraightenWindow | null, places: readonly Pick<AtPlace, "straighten">[]): number | null {
  return places.reduce<number | null>((first, { straighten }, i) => {
    const before = first === null ? own : places[first]!.straighten;
    return shutsBefore(straighten, before) ? i : first;
  }, null);
}

/** So much less likely to come to what is wanted, 0 … 1, it is told as the weakest (judgement: less than that eight members do not tell). */
const WEAKER = 0.15;

/** Which place is least likely to come to what its use wants; null where its own section is, or all are alike in that. */
export function weakestOf(own: number, places: readonly Pick<AtPlace, "chanceInTarget">[]): number | null {
  const worst = places.reduce<number | null>(
    (least, { chanceInTarget }, i) => (chanceInTarget < (least === null ? own : places[least]!.chanceInTarget) ? i : least),
    null,
  );
  return worst === null || places[worst]!.chanceInTarget > own - WEAKER ? null : worst;
}
