/** How the hardness of a piece moves along one choice, and from one bath to the next: quickly, without an ensemble. */

import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { drawnOf, nodeHardness_HV, type Drawn } from "../kinetics/structure.js";
import type { Catalogue } from "../plan/catalogue.js";
import { thickness_mm } from "../shape/thickness.js";
import type { Piece, Route } from "../schema/book.js";
import type { Known } from "../schema/job.js";
import type { HardenPlan } from "./harden.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { forPlaces, hardened, inOtherBath, planKey, requireSense, runCase } from "./hardenCase.js";
import { SPINE_SHARE, thicker } from "./section.js";
import { temperedAt, type Tempers } from "./temperedPlace.js";
import { hardenPlanOf, tempersOf } from "./planOf.js";
import { runFallOf, tempersBehind } from "./runFall.js";

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
  readonly working: Quick;
  readonly thickest: Quick;
  readonly isHardThrough: boolean;
}

interface Quick {
  readonly hardness_HRC: number;
  readonly drawn: Drawn | null;
}

function quickHardness(plan: HardenPlan, desk: Desk): QuickHardness {
  return desk.recall("quick", planKey(plan), () => {
    desk.letGo();
    return runQuickly(plan, desk);
  });
}

function runQuickly(plan: HardenPlan, desk: Desk): QuickHardness {
  requireSense(plan);
  const { structure, places } = runCase(plan, { resolution: forPlaces(plan), untilSettled: true, isLongStrided: true, desk });
  const at = (node: number): Quick => ({
    hardness_HRC: rockwellCFromVickers(nodeHardness_HV(structure, node)),
    drawn: drawnOf(structure, node),
  });
  const [working, thickest] = [at(places.edge ?? places.surface), at(places.spine ?? places.centre)];
  // Within 3 HRC of the edge a file tells no difference (judgement).
  const isHardThrough = places.spine === null ? hardened(structure, places.centre) === 1 : thickest.hardness_HRC > working.hardness_HRC - 3;
  return { working, thickest, isHardThrough };
}

function quickAnswer(plan: HardenPlan, tempers: Tempers, desk: Desk): Omit<BathResponse, "medium"> {
  const { working, thickest, isHardThrough } = quickHardness(plan, desk);
  const end = ({ cycles }: Tempers, { hardness_HRC, drawn }: Quick): number => temperedAt(plan.steel.temper, cycles, hardness_HRC, drawn);
  const { section } = plan;
  const back = section.shape === "wedge" ? tempersBehind(tempers, SPINE_SHARE * section.height_mm) : tempers;
  return { working_HRC: end(tempers, working), thickest_HRC: end(back, thickest), isHardThrough };
}

const RANGES: Readonly<Record<Track, readonly [number, number]>> = { temper: [150, 450], heat: [720, 900], thickness: [0.5, 2] };
const POINTS: Readonly<Record<Track, number>> = { temper: 25, heat: 10, thickness: 8 };

/**
 * The track of one slide: its range is fixed so that a handle does not move under the finger. Thickness in mm at the thickest.
 * @param tempersDone so many tempers stay as they are
 */
export function response(
  catalogue: Catalogue,
  piece: Piece,
  route: Route,
  track: Track,
  desk: Desk = BARE_DESK,
  known: Known = {},
  tempersDone = 0,
): Response {
  const plan = hardenPlanOf(catalogue, piece, route, known);
  const tempers = tempersOf(plan, route, runFallOf(catalogue, piece, route));
  const { cycles, steel } = tempers;
  const [low, high] = RANGES[track];
  const xs = Array.from({ length: POINTS[track] }, (_, i) => low + ((high - low) * i) / (POINTS[track] - 1));
  const base = thickness_mm(piece.section);
  if (track === "temper") {
    const fixed = quickHardness(plan, desk);
    const end = ({ hardness_HRC, drawn }: Quick, temperature_C: number): number =>
      temperedAt(
        steel,
        cycles.map((c, i) => (i < tempersDone ? c : { ...c, temperature_C: temperature_C + (plan.shop?.oven_K?.mean ?? 0) })),
        hardness_HRC,
        drawn,
      );
    return { track, points: xs.map((x) => ({ x, working_HRC: end(fixed.working, x), thickest_HRC: end(fixed.thickest, x) })) };
  }
  return {
    track,
    points: xs.map((x) => {
      const moved = track === "heat" ? { ...plan, heat_C: x } : { ...plan, section: thicker(plan.section, x) };
      const { working_HRC, thickest_HRC } = quickAnswer(moved, tempers, desk);
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
  const tempers = tempersOf(plan, route, runFallOf(catalogue, piece, route));
  return media.flatMap((id) => {
    const medium = catalogue.medium(id);
    if (medium === undefined) return [];
    const bath_C = medium === plan.medium ? plan.bath_C : medium.usualBath_C;
    return [{ medium: id, ...quickAnswer(inOtherBath(plan, { medium, bath_C }), tempers, desk) }];
  });
}
