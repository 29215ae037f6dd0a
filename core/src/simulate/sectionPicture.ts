/** The section of a piece at a station, every node of it: what a picture through the steel is painted from. */

import { formOf } from "../catalogue.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { drawnOf, nodeHardness_HV } from "../kinetics/structure.js";
import type { Catalogue } from "../plan/catalogue.js";
import type { Piece, Route } from "../schema/book.js";
import type { Effort, Known } from "../schema/job.js";
import type { Cladding, Section } from "../schema/parts.js";
import { workingSection } from "../shape/bevel.js";
import { sectionAt } from "../shape/stations.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { isPartUnder, planKey, requireSense, runCase, type HardenPlan } from "./hardenCase.js";
import { profileOf, quenchLine, type QuenchLine } from "./hardenReadings.js";
import { gather, MEMBERS, membersOf, valueAt, type Member, type Place } from "./hardenSpread.js";
import type { Prediction } from "./predict.js";
import { bodyOf } from "./section.js";
import { hardenPlanOf, placesOf, tempersOf } from "./planOf.js";
import { runFallOf, tempersBehind } from "./runFall.js";
import { temperedAt, type Estimate } from "./temperedPlace.js";

/** One moment of the quench. */
export interface PictureFrame {
  /** Since the piece left the fire, s. */
  readonly time_s: number;
  /** By column and node, as below, C. */
  readonly temperature_C: Float32Array;
  readonly martensite: Float32Array;
}

export interface SectionPicture {
  readonly section: Section;
  /** Columns from edge to back (one for plate and round; from the centre of a square), nodes from the middle plane to the surface. */
  readonly columns: number;
  readonly nodes: number;
  /** Height of the columns above the edge, or the centre, mm. */
  readonly columnMiddle_mm: readonly number[];
  readonly columnHeight_mm: readonly number[];
  readonly halfThickness_mm: readonly number[];
  /** Index [column * nodes + node]. */
  readonly asQuenched_HRC: Float32Array;
  readonly tempered_HRC: Float32Array;
  readonly martensite: Float32Array;
  /** 1 where a node is of the cladding; null where it is one steel. */
  readonly isCladding: Uint8Array | null;
  readonly frames: readonly PictureFrame[];
  /** Where hard goes over into soft, of an edge quench or under clay. */
  readonly quenchLine: QuenchLine | null;
  /** What the curve through the middle needs: as a prediction has it. */
  readonly profile: Prediction["profile"];
  readonly working: { readonly asQuenched: Estimate; readonly tempered: Estimate };
  readonly thickest: { readonly asQuenched: Estimate; readonly tempered: Estimate };
}

export interface PictureInput {
  readonly piece: Piece;
  readonly route: Route;
  /** Share of the length; null for the section as it was measured. */
  readonly station: number | null;
  readonly effort: Effort;
  /** The ensemble of this section, when it was run before. */
  readonly members?: readonly Member[] | undefined;
  /** What is known beside the plan; a test is of the section that was measured, and of no other station. */
  readonly known?: Known | undefined;
}

/** What does not harden, about; stainless as rolled, mild steel as cooled in oil, HV (from memory). */
const CLADDING_HV: Readonly<Record<Cladding["material"], number>> = { stainless: 190, "mild-steel": 150 };

/** Moments of the quench that are kept: the air before the bath, then ever longer apart. */
const FRAMES = 36;
const [SOONEST_s, LATEST_s] = [0.1, 400];

function moments_s({ transfer_s }: HardenPlan): number[] {
  const ratio = (LATEST_s / SOONEST_s) ** (1 / (FRAMES - 1));
  return [0, transfer_s, ...Array.from({ length: FRAMES }, (_, i) => transfer_s + SOONEST_s * ratio ** i)];
}

/**
 * Hardens and tempers the section at a station and keeps its whole field. Quick: a coarse grid, no spread, no moments.
 * @throws InputError as `harden` does.
 */
export function pictureSection(
  catalogue: Catalogue,
  { piece, route, station, effort, members, known = {} }: PictureInput,
  desk: Desk = BARE_DESK,
): SectionPicture {
  const section = station === null ? workingSection(piece) : sectionAt(piece, formOf(piece), station);
  const plan = hardenPlanOf(catalogue, { ...piece, section }, route, known);
  requireSense(plan);
  const isQuick = effort === "quick";
  const { places, result, structure } = desk.recall(isQuick ? "station" : "picture", planKey(plan), () => {
    desk.letGo();
    return runCase(plan, {
      resolution: isQuick ? "coarse" : "fine",
      untilSettled: isQuick,
      desk,
      ...(isQuick ? {} : { frames_s: moments_s(plan) }),
    });
  });
  const { grid } = places;
  const tempers = tempersOf(plan, route, runFallOf(catalogue, { ...piece, section }, route));
  const { steel } = tempers;
  const count = grid.columns * grid.nodes;
  const { cladding = null } = plan;
  const body = bodyOf(structure, grid, cladding);
  const isCore = (i: number): boolean => body.kind !== "clad" || body.isCladding[i] === 0;
  const soft_HRC = cladding === null ? 0 : rockwellCFromVickers(CLADDING_HV[cladding.material]);
  const asQuenched_HRC = Float32Array.from({ length: count }, (_, i) =>
    isCore(i) ? rockwellCFromVickers(nodeHardness_HV(structure, i)) : soft_HRC,
  );
  const others = isQuick ? null : gather(members ?? membersOf(plan, MEMBERS, { desk }));
  const at = (place: Place) => valueAt(structure, places, place, others);
  const { working, thickest } = placesOf(
    piece,
    tempers,
    { working: at(places.edge === null ? "surface" : "edge"), thickest: at(places.spine === null ? "centre" : "spine") },
    station === null ? known : {},
  );
  const cyclesOf = Array.from(grid.columnMiddle_m, (y_m) => tempersBehind(tempers, 1000 * y_m).cycles);
  const mm = (metres: Float64Array): number[] => Array.from(metres, (m) => 1000 * m);
  return {
    section,
    columns: grid.columns,
    nodes: grid.nodes,
    columnMiddle_mm: mm(grid.columnMiddle_m),
    columnHeight_mm: mm(grid.columnHeight_m),
    halfThickness_mm: mm(grid.halfThickness_m),
    asQuenched_HRC,
    tempered_HRC: asQuenched_HRC.map((hrc, i) =>
      isCore(i) ? temperedAt(steel, cyclesOf[Math.floor(i / grid.nodes)]!, hrc, drawnOf(structure, i)) : hrc,
    ),
    martensite: Float32Array.from(structure.martensite, (m, i) => (isCore(i) ? m : 0)),
    isCladding: body.kind === "clad" ? body.isCladding : null,
    frames: result.frames,
    quenchLine: isPartUnder(plan) || plan.coat ? quenchLine(grid, structure) : null,
    profile: profileOf(section, grid, structure).map((point) => ({
      ...point,
      tempered_HRC: temperedAt(steel, tempersBehind(tempers, point.y_mm ?? 0).cycles, point.hardness_HRC, point.drawn),
    })),
    working,
    thickest,
  };
}
