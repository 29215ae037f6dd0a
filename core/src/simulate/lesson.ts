/** What one tested piece teaches of the shop it was made in: how far it came out from what was expected, and what that goes with. */

import { bathOf } from "../plan/dips.js";
import { testDone } from "../evidence/storedTest.js";
import { testSays } from "../evidence/verdict.js";
import { learnedFrom } from "../evidence/weigh.js";
import { isWater } from "../heat/bathKind.js";
import type { Catalogue } from "../plan/catalogue.js";
import { wayOf } from "../plan/way.js";
import type { Piece, Route } from "../schema/book.js";
import type { Known } from "../schema/job.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { bathDoubt, dissolutionDoubt, gather, MEMBERS, membersOf, rateDoubt, slopeOf } from "./hardenSpread.js";
import { hardenPlanOf, tempersOf } from "./planOf.js";
import { lawAbout } from "./temperedPlace.js";

export interface Lesson {
  readonly medium: string;
  readonly steel: string;
  /** Harder than expected by, HRC; and how sure that is where bath, oven and steel are known. */
  readonly surprise_HRC: number;
  readonly sd_HRC: number;
  /** How far this steel may be off the curves, temper and hardness both, HRC. */
  readonly steel_HRC: number;
  /** HRC for a bath that takes heat out e times as fast, and what was taken for granted of it: logarithm of a ratio. */
  readonly perBath_HRC: number;
  readonly bathIsWater: boolean;
  /** HRC for a steel that changes e times as fast as ours. */
  readonly perRate_HRC: number;
  /** HRC for a steel whose carbide dissolves e times as fast as ours. */
  readonly perDissolution_HRC: number;
  /** HRC for an oven that is truly a degree hotter. */
  readonly perOven_HRC_K: number;
}

/** A test that leaves it this open, by itself, teaches nothing, HRC. */
const TOO_OPEN_HRC = 6;
/** What a test says by itself is asked of anything steel can be about what was expected, HRC. */
const ANYTHING_HRC = 15;

/** Null for a piece whose tests say too little. @throws InputError as `predict` */
export function lessonOf(catalogue: Catalogue, piece: Piece, route: Route, known: Known, desk: Desk = BARE_DESK): Lesson | null {
  const last = known.tests?.at(-1);
  const says = last === undefined ? null : testSays(testDone(last.test, piece.section));
  if (last === undefined || says === null) return null;
  const plan = hardenPlanOf(catalogue, piece, route, known);
  const members = membersOf(plan, MEMBERS, { desk });
  const { bells, draws } = gather(members);
  const working = piece.section.shape === "wedge" ? bells.edge : bells.surface;
  const tempers = tempersOf(plan, route);
  const law = lawAbout(working, { ...tempers, cycles: tempers.cycles.slice(0, last.tempers) });
  const values = working.map(({ mean, drawn, shop }) => law.at(mean, drawn, shop));
  const average = (of: (value: number, i: number) => number): number =>
    values.reduce((sum, value, i) => sum + (working[i]!.weight ?? 1) * of(value, i), 0) / values.length;
  const expected_HRC = average((value) => value);
  const alone = learnedFrom({ mean: expected_HRC, sd: ANYTHING_HRC }, says);
  if (alone.sd > TOO_OPEN_HRC) return null;
  // What went through two liquids, or lay under clay, does not say which of them was slow.
  if (plan.coat || plan.dips?.some(({ medium }) => medium !== plan.medium)) return null;
  const perDraw = slopeOf(values, draws, "bathRatio");
  const perRateDraw = slopeOf(values, draws, "rateRatio");
  const perDissolutionDraw = slopeOf(values, draws, "dissolutionRatio");
  const variance = average((value) => (value - expected_HRC) ** 2);
  const floor = average((_, i) => working[i]!.sd ** 2);
  // A colour that was run to, or a pot of oil, teaches nothing of an oven: what it leaves open is open.
  const isOven = wayOf(route).draws === "oven";
  const other_HRC = isOven ? 0 : law.oven_HRC;
  const rest = Math.max(0, variance - perDraw ** 2 - perRateDraw ** 2 - perDissolutionDraw ** 2) + alone.sd ** 2 + other_HRC ** 2;
  return {
    medium: plan.medium.kind === "constant" ? "" : bathOf(route),
    steel: piece.steel,
    surprise_HRC: alone.mean - expected_HRC,
    sd_HRC: Math.sqrt(rest),
    steel_HRC: Math.hypot(law.law_HRC, law.perPoint * Math.sqrt(floor)),
    perBath_HRC: perDraw / bathDoubt(plan),
    bathIsWater: isWater(plan.medium),
    perRate_HRC: perRateDraw / rateDoubt(plan),
    perDissolution_HRC: perDissolutionDraw / dissolutionDoubt(plan),
    perOven_HRC_K: isOven ? law.perKelvin_HRC_K : 0,
  };
}
