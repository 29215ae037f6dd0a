/** How sure a hardening is: a small seeded ensemble over what the model and what the smith does not know. */

import type { Kinetics } from "../kinetics/kinetics.js";
import { astmGrainNumber } from "../kinetics/grain.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { austeniteLeft, drawnOf, nodeHardness_HV, type Drawn, type Structure } from "../kinetics/structure.js";
import { MEMBERS, TIED, type ShopKnown } from "../schema/job.js";
import { isWater } from "../heat/bathKind.js";
import { eliminated } from "../numerics/elimination.js";
import { clamp } from "../numerics/interpolate.js";
import { summaryOf, type Bell } from "../numerics/mixture.js";
import { splitDraw } from "../hand/tap.js";
import { normalQuantile } from "../numerics/normal.js";
import { normalDraws } from "../numerics/sampling.js";
import type { Form } from "./course.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { explainsFall, type Pull } from "./fallSeen.js";
import { forPlaces, hardened, planKey, runCase, TIMES_s, type HardenPlan, type Variation } from "./hardenCase.js";
import type { Places } from "./section.js";
import { DRAWN, tiedRows } from "./shopTies.js";

/** How far a heat is off, one deviation, where nobody says, K. */
export const HEAT_K = 8;
/** Standard deviations assumed, not measured: hardening-note section 10; thickness, transfer and residuals are judgements. */
const SPREAD: Readonly<Record<keyof Variation, number>> = {
  rateRatio: 0.4,
  bathRatio: 0.25,
  dissolutionRatio: 0.35,
  martensiteStart_K: 12,
  heat_K: HEAT_K,
  carbonRatio: 0.025,
  alloyRatio: 0.08,
  residualRatio: 0.5,
  thicknessRatio: 0.03,
  transferRatio: 0.3,
};
/** Water is the least known of baths: its steam comes and goes with a few degrees, salt and stirring (judgement). */
const WATER_BATH = 0.4;
const NAMES = Object.keys(SPREAD) as (keyof Variation)[];
/** What the model does not know; the rest is what the smith does not. */
const MODEL: ReadonlySet<keyof Variation> = new Set<keyof Variation>(["rateRatio", "bathRatio", "dissolutionRatio", "martensiteStart_K"]);
/** What is left when nothing is uncertain: reading, steel to steel, and the known bias of a point or two. */
const FLOOR_HRC = 1.5;
/** The same where soft structure is more than half: how fine it is and what it is made of is known less well. */
const SOFT_FLOOR_HRC = 4;
/** From here to half soft the one goes over into the other. */
const BEGINS_SOFT = 0.2;
const MOSTLY_SOFT = 0.5;
export { MEMBERS };
const SEED = 20;

/** A member at a place, and what it was drawn by before any temper. */
export interface SimulatedBell extends Bell {
  /** What of its shop it was drawn with, in deviations: bath, rates, dissolution. The temper's own doubt goes with these. */
  readonly shop?: readonly number[];
  readonly drawn?: Drawn | null;
}

export interface HardnessValue {
  /** Of the members with their floors: mean, standard deviation, and what five, fifty and ninety-five in a hundred lie below. */
  readonly mean_HRC: number;
  readonly sd_HRC: number;
  readonly p05_HRC: number;
  readonly p50_HRC: number;
  readonly p95_HRC: number;
  /** From what the model does not know: rates, bath, dissolution, martensite start, and a floor. */
  readonly model_HRC: number;
  /** From what the smith does not know: heat, composition, thickness, time to the bath. */
  readonly input_HRC: number;
  /** The part of it that goes with the heat alone. */
  readonly heat_HRC: number;
  /** The members themselves, each a bell; one where nothing was varied: the case as planned. */
  readonly members: readonly SimulatedBell[];
  /** Hardness of the case as planned, HRC. */
  readonly nominal_HRC: number;
}

export type Place = "surface" | "centre" | "edge" | "spine";

/** What one member became; plain data, so that members may be run elsewhere. Null for a place the section does not have. */
export interface Member {
  readonly hardness_HRC: Readonly<Record<Place, number | null>>;
  /** What is left in doubt there when all else is known. */
  readonly floor_HRC: Readonly<Record<Place, number | null>>;
  readonly isHard: Readonly<Record<Place, boolean>>;
  /** What it was drawn by there by heat that was left in it, before any temper. */
  readonly drawn: Readonly<Record<Place, Drawn | null>>;
  /** ASTM number of the austenite it was quenched from, at its surface. */
  readonly astmGrain: number;
  /** Of a falling heat: when it first pulls a magnet, s after the fire; null where it does not, and of any other. */
  readonly pulls_s: number | null;
  /** How well it explains what the magnet said as it fell; all the same where nobody touched it. */
  readonly explains: number;
  /** As of a case: seconds in its bath after which any longer comes to the very same; null where there are none. */
  readonly decidedInBath_s: number | null;
}

export interface Ensemble {
  readonly bells: Readonly<Record<Place, readonly SimulatedBell[]>>;
  readonly chanceHard: Readonly<Record<Place, number>>;
  readonly draws: readonly (readonly number[])[];
  /** Of a falling heat: when each first pulls, and how much it counts. */
  readonly pulls: readonly Pull[];
}

/** What of the shop a member was drawn with, each by itself. */
function shopDraw(draw: readonly number[]): readonly number[] {
  return TIED.slice(0, DRAWN).map((name) => draw[NAMES.indexOf(name as keyof Variation)]!);
}

function variationOf(draw: readonly number[], { medium, shop = {} }: Pick<HardenPlan, "medium" | "shop">): Variation {
  const known = (name: "heat_K" | "bathRatio" | "transferRatio" | "rateRatio" | "dissolutionRatio", usual: number): number => {
    const { mean, sd } = shop[name] ?? { mean: 0, sd: usual };
    return mean + sd * z(name);
  };
  const [rows, own] = [tiedRows(shop), shopDraw(draw)];
  const z = (name: keyof Variation): number => {
    const at = (TIED as readonly string[]).indexOf(name);
    return at < 0 ? draw[NAMES.indexOf(name)]! : rows[at]!.reduce((sum, of, k) => sum + of * own[k]!, 0);
  };
  return {
    rateRatio: Math.exp(known("rateRatio", SPREAD.rateRatio)),
    bathRatio: Math.exp(known("bathRatio", bathDoubtOf(isWater(medium)))),
    dissolutionRatio: Math.exp(known("dissolutionRatio", SPREAD.dissolutionRatio)),
    martensiteStart_K: SPREAD.martensiteStart_K * z("martensiteStart_K"),
    heat_K: known("heat_K", SPREAD.heat_K),
    carbonRatio: 1 + SPREAD.carbonRatio * z("carbonRatio"),
    alloyRatio: Math.max(0, 1 + SPREAD.alloyRatio * z("alloyRatio")),
    residualRatio: Math.exp(SPREAD.residualRatio * z("residualRatio")),
    thicknessRatio: Math.max(0.5, 1 + SPREAD.thicknessRatio * z("thicknessRatio")),
    transferRatio: Math.exp(transferLn(shop, z("transferRatio"))),
  };
}

/** Of two ways it may have been on, each member goes one. */
function transferLn({ transferRatio: { mean, sd } = { mean: 0, sd: SPREAD.transferRatio }, transferElse }: ShopKnown, z: number): number {
  if (transferElse === undefined) return mean + sd * z;
  const { isFirst, part } = splitDraw(z, transferElse.chance);
  return mean + (isFirst ? transferElse.ln : 0) + sd * normalQuantile(Math.min(1 - 1e-6, Math.max(1e-6, part)));
}

/** What is left in doubt at a node when all else is known, HRC. */
export function floorOf_HRC(structure: Structure, node: number): number {
  const soft = 1 - structure.martensite[node]! - austeniteLeft(structure, node);
  return FLOOR_HRC + (SOFT_FLOOR_HRC - FLOOR_HRC) * clamp((soft - BEGINS_SOFT) / (MOSTLY_SOFT - BEGINS_SOFT), 0, 1);
}

function runMember(plan: HardenPlan, draw: readonly number[], options: RunOptions): Member {
  const { places, structure, pulls_s, decidedInBath_s } = runCase(plan, {
    variation: variationOf(draw, plan),
    resolution: forPlaces(plan),
    untilSettled: true,
    isLongStrided: true,
    ...options,
  });
  const each = <T>(read: (node: number) => T, none: T): Record<Place, T> => ({
    surface: read(places.surface),
    centre: read(places.centre),
    edge: places.edge === null ? none : read(places.edge),
    spine: places.spine === null ? none : read(places.spine),
  });
  return {
    hardness_HRC: each<number | null>((node) => rockwellCFromVickers(nodeHardness_HV(structure, node)), null),
    floor_HRC: each<number | null>((node) => floorOf_HRC(structure, node), null),
    isHard: each((node) => hardened(structure, node) === 1, false),
    drawn: each<Drawn | null>((node) => drawnOf(structure, node), null),
    astmGrain: astmGrainNumber(structure.grain_um[places.surface]!),
    pulls_s,
    explains: plan.falls?.seen ? explainsFall(pulls_s, plan.falls.seen) : 1,
    decidedInBath_s,
  };
}

/** Whether a member is the very same where nothing else of its plan changed but the seconds in its bath, to these; null until it is cold. */
export function isSameAfter_s({ decidedInBath_s }: Pick<Member, "decidedInBath_s">, bath_s: number | null): boolean {
  return decidedInBath_s !== null && (bath_s === null || bath_s > decidedInBath_s + TIMES_s);
}

/** How a run is made, where it is not as usual. */
export interface RunOptions {
  /** Other constants than the fitted ones: for the fit itself. */
  readonly kinetics?: Kinetics;
  readonly form?: Form;
  readonly desk?: Desk;
}

/** Some of the members of an ensemble, `from` included, `to` not: the section itself, coarsely, for each. @throws GivenUp */
export function runMembers(
  plan: HardenPlan,
  members: number,
  from: number,
  to: number,
  { desk = BARE_DESK, ...options }: RunOptions = {},
): Member[] {
  // The draws are the same for every question, so parts that were run apart fit together.
  return normalDraws(members, NAMES.length, SEED)
    .slice(from, to)
    .map((draw) => {
      desk.letGo();
      return runMember(plan, draw, { ...options, desk });
    });
}

/** A whole ensemble. */
export function membersOf(plan: HardenPlan, members: number, options: RunOptions = {}): readonly Member[] {
  const { desk = BARE_DESK } = options;
  return desk.recall("members", `${members} ${planKey(plan)}`, () => runMembers(plan, members, 0, members, options));
}

/** All members put together, weighed by how well they explain how the heat fell. */
export function gather(members: readonly Member[]): Ensemble {
  const draws = normalDraws(members.length, NAMES.length, SEED);
  const all = members.reduce((sum, { explains }) => sum + explains, 0);
  const weights = members.map(({ explains }) => (members.length * explains) / all);
  const isWeighed = members.some(({ explains }) => explains !== 1);
  const of = (place: Place): SimulatedBell[] =>
    members.flatMap(({ hardness_HRC, floor_HRC, drawn }, i) => {
      const mean = hardness_HRC[place];
      return mean === null
        ? []
        : [
            {
              mean,
              sd: floor_HRC[place] ?? FLOOR_HRC,
              ...(isWeighed ? { weight: weights[i]! } : {}),
              drawn: drawn[place],
              shop: shopDraw(draws[i]!),
            },
          ];
    });
  const chance = (place: Place): number =>
    members.reduce((sum, { isHard }, i) => sum + (isHard[place] ? weights[i]! : 0), 0) / members.length;
  const each = <T>(read: (place: Place) => T): Record<Place, T> => ({
    surface: read("surface"),
    centre: read("centre"),
    edge: read("edge"),
    spine: read("spine"),
  });
  const pulls = members.map(({ pulls_s }, i) => ({ pulls_s, weight: weights[i]! }));
  return { bells: each(of), chanceHard: each(chance), draws, pulls };
}

/** How far a bath may be off ours, one deviation: logarithm of a ratio. */
export function bathDoubtOf(water: boolean): number {
  return water ? WATER_BATH : SPREAD.bathRatio;
}

/** The same as this plan has it: by what is known of its shop. */
export function bathDoubt({ medium, shop }: HardenPlan): number {
  return shop?.bathRatio?.sd ?? bathDoubtOf(isWater(medium));
}

/** How far the rates of this steel may be off ours, one deviation: logarithm of a ratio. */
export function rateDoubt({ shop }: Pick<HardenPlan, "shop">): number {
  return shop?.rateRatio?.sd ?? SPREAD.rateRatio;
}

/** How far the dissolution of its carbide may be off ours, one deviation: logarithm of a ratio. */
export function dissolutionDoubt({ shop }: Pick<HardenPlan, "shop">): number {
  return shop?.dissolutionRatio?.sd ?? SPREAD.dissolutionRatio;
}

/** One of the draws of a member, in deviations. */
export function drawNamed(draw: readonly number[], name: keyof Variation): number {
  return draw[NAMES.indexOf(name)]!;
}

/** How values of the members go with one of their draws, all draws fitted together (least squares): change for one deviation. */
export function slopeOf(values: readonly number[], draws: readonly (readonly number[])[], name: keyof Variation): number {
  const columns = [...NAMES.map((_, k) => draws.map((draw) => draw[k]!)), draws.map(() => 1)];
  const n = columns.length;
  const rows = columns.map((a) => [
    ...columns.map((b) => a.reduce((sum, x, i) => sum + x * b[i]!, 0)),
    a.reduce((sum, x, i) => sum + x * values[i]!, 0),
  ]);
  return eliminated(rows)[NAMES.indexOf(name)]![n]!;
}

/** Variance of the members, and the share of it that goes with the model's own unknowns (by correlation with the draws). */
function splitVariance(
  bells: readonly Bell[],
  draws: readonly (readonly number[])[],
): { variance: number; modelShare: number; heatShare: number } {
  const n = bells.length;
  if (n < 2) return { variance: 0, modelShare: 1, heatShare: 0 };
  const total = bells.reduce((sum, { weight = 1 }) => sum + weight, 0);
  const average = (of: (value: number, i: number) => number): number =>
    bells.reduce((sum, { mean: value, weight = 1 }, i) => sum + weight * of(value, i), 0) / total;
  const mean = average((value) => value);
  const variance = average((value) => (value - mean) ** 2);
  let [model, input, heat] = [0, 0, 0];
  NAMES.forEach((name, k) => {
    const covariance = average((value, i) => (value - mean) * draws[i]![k]!);
    if (MODEL.has(name)) model += covariance * covariance;
    else input += covariance * covariance;
    if (name === "heat_K") heat = covariance * covariance;
  });
  const all = model + input;
  return { variance, modelShare: all > 0 ? model / all : 1, heatShare: all > 0 ? heat / all : 0 };
}

export function valueAt(structure: Structure, places: Places, place: Place, ensemble: Ensemble | null): HardnessValue {
  const node = places[place]!;
  const nominal_HRC = rockwellCFromVickers(nodeHardness_HV(structure, node));
  const members = ensemble?.bells[place] ?? [{ mean: nominal_HRC, sd: floorOf_HRC(structure, node), drawn: drawnOf(structure, node) }];
  const { mean, sd, p05, p50, p95 } = summaryOf(members);
  const { variance, modelShare, heatShare } =
    ensemble === null ? { variance: 0, modelShare: 1, heatShare: 0 } : splitVariance(members, ensemble.draws);
  const input_HRC = Math.sqrt(variance * (1 - modelShare));
  return {
    mean_HRC: mean,
    sd_HRC: sd,
    p05_HRC: p05,
    p50_HRC: p50,
    p95_HRC: p95,
    model_HRC: Math.sqrt(Math.max(0, sd * sd - input_HRC * input_HRC)),
    input_HRC,
    heat_HRC: Math.sqrt(variance * heatShare),
    members,
    nominal_HRC,
  };
}
