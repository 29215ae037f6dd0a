/** One case of a hardening: the plan, its stretches of heat and bath, and the run through them. */

import { HAND_WARM_C, ROOM_C } from "../constants.js";
import { InputError, requireRange } from "../errors.js";
import type { Agitation } from "../heat/media.js";
import { austeniteOf, CURIE_C, heatingCurve, type Austenite } from "../kinetics/austenite.js";
import { ae1_C, type Composition } from "../kinetics/composition.js";
import { decarbAdded_m2, decarbDepth_mm } from "../kinetics/decarb.js";
import { follow } from "../kinetics/follow.js";
import { KINETICS, type Kinetics } from "../kinetics/kinetics.js";
import { allAs, austeniteLeft, makeStructure, type PriorStructure, type Structure } from "../kinetics/structure.js";
import { formMartensite, isMagnetic } from "../kinetics/transform.js";
import type { ResolvedSteel } from "../plan/catalogue.js";
import type { FallSeen, ShopKnown } from "../schema/job.js";
import type { BodySection, Cladding, Coat, Immersion } from "../schema/parts.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { runCourse, type CourseResult, type Exchange, type Form } from "./course.js";
import { bodyOf, inAir, inBath, STEP_K, thicker, gridOf, type AnyMedium, type Bath, type Places, type Resolution } from "./section.js";
import { linear } from "../numerics/interpolate.js";
import type { EndCooling } from "./endCooling.js";
import { pulledAt_s } from "./fallSeen.js";

/** A further dip, after so long in the air. */
export interface Dip {
  readonly air_s: number;
  readonly medium: AnyMedium;
  readonly bath_C: number;
  /** As in the first where nothing is said. */
  readonly agitation?: Agitation;
  readonly immersion: Immersion;
  /** Time in it, s; null until it is as cold as the bath. */
  readonly bath_s: number | null;
}

export interface Falls {
  /** From the pull into the bath, s. */
  readonly beside_s: number;
  /** Nobody waits for a pull longer than this, s. */
  readonly longest_s: number;
  /** What the magnet said of it so far; null where nobody touched it. */
  readonly seen: FallSeen | null;
}

export interface HardenPlan {
  readonly steel: ResolvedSteel;
  readonly prior: PriorStructure;
  readonly section: BodySection;
  readonly heat_C: number;
  /** Time at heat, s; the piece takes six minutes more to get there. */
  readonly hold_s: number;
  readonly transfer_s: number;
  /** Falling heat: it hangs in still air until it pulls a magnet again, whenever that is, and only then goes in; `transfer_s` says about when. */
  readonly falls?: Falls | undefined;
  /** A quench medium, or a textbook boundary. */
  readonly medium: AnyMedium;
  readonly bath_C: number;
  readonly agitation: Agitation;
  /** Time in the bath, s; null until it is as cold as the bath. */
  readonly bath_s: number | null;
  readonly immersion: Immersion;
  /** What it is dipped into after the first bath, in order. */
  readonly dips?: readonly Dip[];
  readonly coat?: Coat | null;
  readonly cladding?: Cladding | null;
  /** Of a bar of which only one end goes in, deeper than it is thick: the rest, which stays in the air. The section is that of the end. */
  readonly end?: EndCooling;
  /** What is known of this shop and this run beyond what the model takes for granted. */
  readonly shop?: ShopKnown;
}

/** The same text for the same plan. */
export function planKey(plan: HardenPlan): string {
  return JSON.stringify(plan);
}

/** What the ensemble varies. All 1 or 0 for the case as planned. */
export interface Variation {
  readonly rateRatio: number;
  readonly bathRatio: number;
  readonly dissolutionRatio: number;
  readonly martensiteStart_K: number;
  readonly heat_K: number;
  readonly carbonRatio: number;
  readonly alloyRatio: number;
  /** Of the residual elements that nobody named. */
  readonly residualRatio: number;
  readonly thicknessRatio: number;
  readonly transferRatio: number;
}

export const AS_PLANNED: Variation = {
  rateRatio: 1,
  bathRatio: 1,
  dissolutionRatio: 1,
  martensiteStart_K: 0,
  heat_K: 0,
  carbonRatio: 1,
  alloyRatio: 1,
  residualRatio: 1,
  thicknessRatio: 1,
  transferRatio: 1,
};

/** The case as planned in the shop it is done in. */
export function asKnown({ shop }: HardenPlan): Variation {
  if (shop === undefined) return AS_PLANNED;
  return {
    ...AS_PLANNED,
    heat_K: shop.heat_K?.mean ?? 0,
    rateRatio: Math.exp(shop.rateRatio?.mean ?? 0),
    bathRatio: Math.exp(shop.bathRatio?.mean ?? 0),
    dissolutionRatio: Math.exp(shop.dissolutionRatio?.mean ?? 0),
    transferRatio: Math.exp(shop.transferRatio?.mean ?? 0),
  };
}

/** How long a falling heat hangs in the air, s: until it pulls, or by a watch. */
interface Hangs {
  readonly most_s: number;
  readonly untilPulls: boolean;
}

/**
 * A case falls by its own clock: where the magnet first pulled earlier or later than this case would have it, air was quicker or slower
 * than ours by that, and what it hung after the pull it hangs in the same measure. @param pulls_s of this case, by our air
 */
function hangs({ longest_s, seen }: Falls, pulls_s: number | null): Hangs {
  const usual: Hangs = { most_s: longest_s, untilPulls: true };
  if (seen === null || seen.ended_s === null || pulls_s === null) return usual;
  return { most_s: (seen.ended_s * pulls_s) / pulledAt_s(pulls_s, seen), untilPulls: false };
}

/** When the piece met its first bath and when it left the last, s after the fire. */
export function bathTimes_s({ falls }: HardenPlan, { end_s }: CourseResult): { readonly in_s: number; readonly out_s: number } {
  // After the last bath comes the air, and nothing more.
  return { in_s: end_s[falls ? 1 : 0]!, out_s: end_s[end_s.length - 2]! };
}

/** Whether it goes in by an edge, a face or its back, not whole. */
export function isPartUnder({ immersion }: Pick<HardenPlan, "immersion">): boolean {
  return immersion.kind !== "full";
}

/** How finely a run is divided of which nothing is read but its named places. */
export function forPlaces({ immersion, dips = [], coat = null }: HardenPlan): Resolution {
  return coat !== null || [{ immersion }, ...dips].some(isPartUnder) ? "coarse" : "sparse";
}

/** The bath it leaves last. */
export function lastBath({ dips, ...first }: HardenPlan): Pick<HardenPlan, "medium" | "bath_C" | "bath_s"> {
  return dips?.at(-1) ?? first;
}

/** The same plan with another liquid wherever its first bath is meant. */
export function inOtherBath(
  plan: HardenPlan,
  bath: Pick<HardenPlan, "medium" | "bath_C"> & Partial<Pick<HardenPlan, "agitation">>,
): HardenPlan {
  const { medium, bath_C } = bath;
  const dips = plan.dips?.map((dip) => (dip.medium === plan.medium ? { ...dip, medium, bath_C } : dip));
  return { ...plan, ...bath, ...(dips === undefined ? {} : { dips }) };
}

/** Nobody waits longer for a piece to be as cold as its bath, s. */
const LONGEST_BATH_s = 3600;
/** Nearer to each other than this two moments are one, s. */
export const TIMES_s = 1e-6;

function stretchesOf(plan: HardenPlan, places: Places, v: Variation, fall: Hangs | null): Exchange[] {
  const { section, coat = null } = plan;
  const { grid } = places;
  const air = inAir(section, grid, coat);
  const cold_C = Math.max(HAND_WARM_C + 40, lastBath(plan).bath_C + 5);
  const dipped = (dip: Pick<Dip, "medium" | "bath_C" | "agitation" | "immersion" | "bath_s">): Exchange => ({
    kind: "exchange",
    surroundings: inBath(
      section,
      grid,
      { ...dip, agitation: dip.agitation ?? plan.agitation, speedRatio: v.bathRatio } satisfies Bath,
      coat,
    ),
    duration_s: dip.bath_s ?? LONGEST_BATH_s,
    until_C: dip.bath_C + 5,
    longestStep_s: 1,
  });
  const bathward: Exchange[] =
    plan.falls && fall
      ? [
          {
            kind: "exchange",
            surroundings: air,
            duration_s: fall.most_s,
            longestStep_s: 0.5,
            ...(fall.untilPulls ? { untilPulls: places.surface } : {}),
          },
          { kind: "exchange", surroundings: air, duration_s: plan.falls.beside_s * v.transferRatio, longestStep_s: 0.5 },
        ]
      : [{ kind: "exchange", surroundings: air, duration_s: plan.transfer_s * v.transferRatio, longestStep_s: 0.5 }];
  return [
    ...bathward,
    dipped(plan),
    ...(plan.dips ?? []).flatMap((dip): Exchange[] => [
      { kind: "exchange", surroundings: air, duration_s: dip.air_s, longestStep_s: 0.5 },
      dipped(dip),
    ]),
    { kind: "exchange", surroundings: air, duration_s: 7200, until_C: cold_C, longestStep_s: 2 },
  ];
}

/** The bar as a member of the ensemble has it. */
function barOf({ composition_wtpct: x, assumed_wtpct: assumed }: ResolvedSteel, v: Variation): Composition {
  const named = { ...x, C: x.C * v.carbonRatio, Mn: x.Mn * v.alloyRatio, Cr: x.Cr * v.alloyRatio };
  const residual = Object.fromEntries(Object.entries(assumed).map(([element, wtpct]) => [element, wtpct * v.residualRatio]));
  return { ...named, ...residual };
}

export interface Case {
  readonly places: Places;
  readonly result: CourseResult;
  readonly structure: Structure;
  readonly austenite: Austenite;
  /** Depth of the soft skin the fire left, mm, if nothing protected the piece. */
  readonly decarb_mm: number;
  /** Of a falling heat: when it first pulls a magnet, s after the fire; null where it does not as long as anybody waits, and of any other. */
  readonly pulls_s: number | null;
  /** Seconds in its one bath after which this run left it by itself, decided or cold: any longer in it comes to the very same; null where it was taken out. */
  readonly decidedInBath_s: number | null;
}

export interface CaseOptions {
  readonly variation?: Variation;
  readonly resolution?: Resolution;
  /** Places whose curves are kept, in this order. */
  readonly watch?: (places: Places) => readonly number[];
  readonly frames_s?: readonly number[];
  readonly kinetics?: Kinetics;
  /** Stops as soon as the hardness at room temperature is decided. */
  readonly untilSettled?: boolean;
  /** Steps half as long again as the grid asks for: for runs of which only many together, or one beside others, are read. */
  readonly isLongStrided?: boolean;
  readonly form?: Form;
  /** No further than the first pull of a falling heat. */
  readonly isToThePull?: boolean;
  /** Where the heat of a piece is remembered: what comes after it, a tap or a slide changes far oftener. */
  readonly desk?: Desk;
}

/** A piece at the end of its heat, one node that all are like. */
interface Heated {
  readonly structure: Structure;
  readonly austenite: Austenite;
  readonly decarb_m2: number;
}

function heated(plan: HardenPlan, v: Variation, kinetics: Kinetics): Heated {
  const structure = makeStructure({
    nodes: 1,
    bar_wtpct: barOf(plan.steel, v),
    prior: plan.prior,
    temperSteel: plan.steel.temper,
    kinetics,
    rateRatio: v.rateRatio,
    dissolutionRatio: v.dissolutionRatio,
    martensiteStartShift_K: v.martensiteStart_K,
  });
  let magnetLost_s: number | null = null;
  let magnetLost_C: number | null = null;
  const Ae1 = ae1_C(structure.bar);
  let [decarb_m2, last_s] = [0, 0];
  follow({
    structure,
    ...heatingCurve({ heat_C: plan.heat_C + v.heat_K, hold_s: plan.hold_s }),
    onStep: (time_s, T) => {
      decarb_m2 += decarbAdded_m2(T, Ae1, time_s - last_s, "oxidising");
      last_s = time_s;
      if (magnetLost_s === null && !isMagnetic(structure, 0, T, CURIE_C)) [magnetLost_s, magnetLost_C] = [time_s, T];
    },
  });
  return { structure, austenite: { ...austeniteOf(structure, 0), magnetLost_s, magnetLost_C }, decarb_m2 };
}

/** All that the heat hangs on: neither the section nor what comes after. */
function heatKey({ steel, prior, heat_C, hold_s }: HardenPlan, v: Variation): string {
  const { rateRatio, dissolutionRatio, martensiteStart_K, heat_K } = v;
  return JSON.stringify([barOf(steel, v), steel.temper, prior, heat_C + heat_K, hold_s, rateRatio, dissolutionRatio, martensiteStart_K]);
}

/**
 * Over 120 hardenings of 24 members the mean of a place moves by 0.04 to 0.21 HRC rms (0.58 at worst) against steps of 1 K; the
 * usual coarse steps by 0.04 to 0.12 (0.33 at worst). Chance of 24 draws alone is a quarter of a spread, 0.4 HRC.
 */
const LONG_STRIDE = { stepAim_K: 12, largestChange: 0.05 } as const;

/** What was left in the body of a bar warms the end that was hard once more: that is a temper. */
function drawAgain(structure: Structure, { end }: HardenPlan): void {
  if (end === undefined || end.again === null) return;
  const { time_s, temperature_C } = end.again;
  follow({ structure, temperature_C: (t) => linear(time_s, temperature_C, t), duration_s: time_s.at(-1)! });
}

/** When this case first pulls a magnet, by our air, where a watch and not the pull ended its fall. */
function ownPull_s(plan: HardenPlan, options: CaseOptions): number | null {
  const { falls } = plan;
  if (falls === undefined || falls.seen === null || falls.seen.ended_s === null) return null;
  return runCase({ ...plan, falls: { ...falls, seen: null } }, { ...options, isToThePull: true }).pulls_s ?? falls.longest_s;
}

/** Of a bath that is followed by others, or by heat that was left in a body, what comes after hangs on its seconds in any case. */
function decidedInBath_s({ falls, bath_s, dips, end }: HardenPlan, { end_s }: CourseResult): number | null {
  if ((dips?.length ?? 0) > 0 || end !== undefined) return null;
  const into = falls ? 1 : 0;
  const spent_s = (end_s[into + 1] ?? Infinity) - end_s[into]!;
  return spent_s < (bath_s ?? LONGEST_BATH_s) - TIMES_s ? spent_s : null;
}

/** Heats, quenches and cools to the room. */
export function runCase(plan: HardenPlan, options: CaseOptions = {}): Case {
  const {
    variation: v = asKnown(plan),
    resolution = "full",
    watch,
    frames_s,
    kinetics = KINETICS,
    untilSettled = false,
    isLongStrided = false,
    form = "kernel",
    isToThePull = false,
    desk = BARE_DESK,
  } = options;
  const own_s = ownPull_s(plan, options);
  const fall = plan.falls === undefined ? null : hangs(plan.falls, own_s);
  const section = v.thicknessRatio === 1 ? plan.section : thicker(plan.section, v.thicknessRatio);
  const varied = { ...plan, section };
  const places = gridOf(section, resolution);
  const { grid } = places;
  // Other constants are those of a fit: there no heat comes twice.
  const heat = kinetics === KINETICS ? desk.recall("heated", heatKey(plan, v), () => heated(plan, v, kinetics)) : heated(plan, v, kinetics);
  const structure = allAs(heat.structure, grid.columns * grid.nodes);
  const result = runCourse({
    grid,
    start_C: plan.heat_C + v.heat_K,
    stretches: stretchesOf(varied, places, v, fall).slice(0, isToThePull ? 1 : undefined),
    body: bodyOf(structure, grid, plan.cladding ?? null),
    watch: watch?.(places) ?? [],
    stepAim_K: STEP_K[resolution],
    ...(isLongStrided ? LONG_STRIDE : {}),
    untilSettled,
    form,
    ...(frames_s === undefined ? {} : { frames_s }),
  });
  // Once it pulls some of it has turned: had it not, it was the watch that ended the fall.
  const hung_s = fall?.untilPulls && result.end_s[0]! < fall.most_s ? result.end_s[0]! : null;
  formMartensite(structure, new Float64Array(grid.columns * grid.nodes).fill(ROOM_C));
  drawAgain(structure, plan);
  return {
    places,
    result,
    structure,
    austenite: heat.austenite,
    decarb_mm: decarbDepth_mm(heat.decarb_m2),
    pulls_s: own_s ?? hung_s,
    decidedInBath_s: decidedInBath_s(plan, result),
  };
}

/** A thinner question: a plate or round of the thickness of the body. */
export function bodySize(section: BodySection): { size_mm: number; isRound: boolean } {
  switch (section.shape) {
    case "plate":
      return { size_mm: section.thickness_mm, isRound: false };
    case "round":
    case "end":
      return { size_mm: section.diameter_mm, isRound: true };
    case "square":
      // A square bar cools like a round of about 1.1 of its side at the centre (from memory).
      return { size_mm: 1.1 * section.side_mm, isRound: true };
    case "wedge":
      return { size_mm: 0.5 * (section.spine_mm + section.edge_mm), isRound: false };
  }
}

/** A node counts as hardened when this much of it is martensite or austenite kept with it (judgement). */
const HARDENED = 0.8;

/** 1 when a place hardened, 0 when not. */
export function hardened(structure: Structure, node: number): number {
  return structure.martensite[node]! + austeniteLeft(structure, node) >= HARDENED ? 1 : 0;
}

/** @throws InputError edge-deeper-than-blade, or out-of-range for clay and cladding that do not fit. */
export function requireFit(section: BodySection, immersion: Immersion, coat: Coat | null, cladding: Cladding | null, at = ""): void {
  const tall_mm = section.shape === "wedge" ? section.height_mm : section.shape === "end" ? section.length_mm : 0;
  if (immersion.kind === "back" && section.shape !== "wedge") {
    throw new InputError({
      code: "out-of-range",
      path: `${at}/immersion/kind`,
      got: immersion.kind,
      message: `${at}/immersion: only a wedge section has a back that goes under alone`,
    });
  }
  if (immersion.kind !== "full" && immersion.depth_mm > tall_mm) {
    throw new InputError({
      code: "edge-deeper-than-blade",
      path: `${at}/immersion/depth_mm`,
      got: immersion.depth_mm,
      allowed: `0 … ${tall_mm}`,
      message:
        tall_mm === 0
          ? `${at}/immersion/depth_mm: only a wedge section can be quenched by its edge`
          : `${at}/immersion/depth_mm: a depth of ${immersion.depth_mm} mm is more than the blade's ${tall_mm} mm`,
    });
  }
  if (coat !== null && coat.from_mm > tall_mm) {
    throw new InputError({
      code: "out-of-range",
      path: "/coat/from_mm",
      got: coat.from_mm,
      allowed: `0 … ${tall_mm}`,
      message: `/coat/from_mm: clay that begins ${coat.from_mm} mm above the edge does not touch this section`,
    });
  }
  const thick_mm = section.shape === "wedge" ? section.spine_mm : section.shape === "plate" ? section.thickness_mm : 0;
  if (cladding !== null && cladding.core_mm >= thick_mm) {
    throw new InputError({
      code: "out-of-range",
      path: "/cladding/core_mm",
      got: cladding.core_mm,
      allowed: `below ${thick_mm}`,
      message:
        thick_mm === 0
          ? "/cladding/core_mm: only a plate or a wedge section can be clad"
          : `/cladding/core_mm: a core of ${cladding.core_mm} mm leaves no cladding on ${thick_mm} mm`,
    });
  }
}

/** @throws InputError for a plan that means nothing. */
export function requireSense(plan: HardenPlan): void {
  requireRange("/austenitise/temperature_C", plan.heat_C, 20, 1300);
  requireRange("/austenitise/hold_min", plan.hold_s / 60, 0, 1440);
  requireRange("/transfer_s", plan.transfer_s, 0, 600);
  requireRange("/quench/bath_C", plan.bath_C, -100, 1300);
  for (const [at, { bath_C, immersion }] of [plan, ...(plan.dips ?? [])].entries()) {
    const path = at === 0 ? "/quench" : `/quench/dips/${at - 1}`;
    if (bath_C >= plan.heat_C) {
      throw new InputError({
        code: "bath-hotter-than-steel",
        path: `${path}/bath_C`,
        got: bath_C,
        allowed: `below ${plan.heat_C}`,
        message: `${path}/bath_C: the bath at ${bath_C} C is not colder than the steel at ${plan.heat_C} C`,
      });
    }
    requireFit(plan.section, immersion, plan.coat ?? null, plan.cladding ?? null, path);
  }
}
