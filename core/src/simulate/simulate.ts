/** A section through any thermal history: one state for every node, from the bench through fire, bath and oven. */

import { ROOM_C } from "../constants.js";
import { InputError, requireRange } from "../errors.js";
import { isWater } from "../heat/bathKind.js";
import { beyondModel, type Notice } from "../notices.js";
import { airBoundary } from "../heat/media.js";
import { CURIE_C } from "../kinetics/austenite.js";
import { ae1_C } from "../kinetics/composition.js";
import { decarbAdded_m2, decarbDepth_mm, grindOff_mm, type Atmosphere } from "../kinetics/decarb.js";
import { astmGrainNumber, fractureLook, type FractureLook } from "../kinetics/grain.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import type { Kinetics } from "../kinetics/kinetics.js";
import {
  austeniteCarbon_wtpct,
  austeniteLeft,
  makeStructure,
  nodeHardness_HV,
  temperEquivalent_C,
  undissolvedFraction,
  type PriorStructure,
  type Structure,
} from "../kinetics/structure.js";
import { isMagnetic } from "../kinetics/transform.js";
import type { ResolvedSteel } from "../plan/catalogue.js";
import type { HistoryStep } from "../schema/history.js";
import type { BodySection, Cladding, Coat } from "../schema/parts.js";
import { crackRisk, type CrackRisk } from "./crackRisk.js";
import { runCourse, type Form, type Frame, type Stretch, type WatchedCurve } from "./course.js";
import { requireFit } from "./hardenCase.js";
import { coverNotices, profileOf, type ProfilePoint } from "./hardenReadings.js";
import { allAround, bodyOf, gridOf, inBath, STEP_K, type AnyMedium, type Places, type Resolution } from "./section.js";

export interface SimulatePlan {
  readonly steel: ResolvedSteel;
  readonly prior: PriorStructure;
  readonly section: BodySection;
  readonly coat?: Coat | null;
  readonly cladding?: Cladding | null;
  readonly history: readonly HistoryStep<AnyMedium>[];
}

/** A place as it stands at a moment. Fractions 0 ... 1. */
export interface Reading {
  readonly temperature_C: number;
  /** Null while the place is too hot to test. */
  readonly hardness_HRC: number | null;
  readonly hardness_HV: number | null;
  readonly ferrite: number;
  readonly pearlite: number;
  /** Part of the matrix whose carbide is round. */
  readonly spheroidite: number;
  readonly bainite: number;
  readonly martensite: number;
  readonly austenite: number;
  /** Carbon of the austenite while there is a tenth of it; null below. */
  readonly carbonInSolution_wtpct: number | null;
  /** Undissolved carbide as a share of the steel, and its radius. */
  readonly carbide: number;
  readonly carbide_um: number;
  readonly astmGrain: number;
  readonly martensiteStart_C: number;
  /** One-hour temperature that tempered the martensite as much; null when fresh or none. */
  readonly temper_C: number | null;
  readonly isMagnetic: boolean;
}

export interface PlaceReadings {
  readonly surface: Reading;
  readonly centre: Reading;
  readonly edge: Reading | null;
  readonly spine: Reading | null;
}

export interface StepResult {
  readonly kind: HistoryStep<AnyMedium>["kind"];
  /** Since the start of the history, s. */
  readonly end_s: number;
  readonly places: PlaceReadings;
  /** Depth of the soft skin so far, mm. */
  readonly decarb_mm: number;
  /** When the piece hardened in this step. */
  readonly crackRisk: CrackRisk | null;
}

export interface SimulateResult {
  readonly steps: readonly StepResult[];
  readonly end: PlaceReadings;
  readonly profile: readonly ProfilePoint[];
  readonly decarb_mm: number;
  readonly grindOff_mm: number;
  readonly fractureLook: FractureLook;
  readonly curve: WatchedCurve;
  readonly frames: readonly Frame[];
  readonly notices: readonly Notice[];
}

/** Above this a hardness means nothing to a file, C. */
const TESTED_BELOW_C = 250;

function readingAt(s: Structure, i: number, temperature_C: number): Reading {
  const hardness_HV = temperature_C > TESTED_BELOW_C ? null : nodeHardness_HV(s, i);
  const austenite = austeniteLeft(s, i);
  const martensite = s.martensite[i]!;
  const temper = temperEquivalent_C(s, i);
  return {
    temperature_C,
    hardness_HRC: hardness_HV === null ? null : rockwellCFromVickers(hardness_HV),
    hardness_HV,
    ferrite: s.ferrite[i]!,
    pearlite: s.pearlite[i]!,
    spheroidite: s.spheroidite[i]!,
    bainite: s.bainite[i]!,
    martensite,
    austenite,
    carbonInSolution_wtpct:
      austenite >= 0.1 ? austeniteCarbon_wtpct(s, i) : martensite > 0 ? s.martensiteCarbon_wtpct[i]! / martensite : null,
    carbide: undissolvedFraction(s, i),
    carbide_um: s.carbide_um[i]!,
    astmGrain: astmGrainNumber(s.grain_um[i]!),
    martensiteStart_C: s.martensiteStart_C[i]!,
    temper_C: martensite > 0 && temper > 20 ? temper : null,
    isMagnetic: isMagnetic(s, i, temperature_C, CURIE_C),
  };
}

function readPlaces(s: Structure, { surface, centre, edge, spine }: Places, T: Float64Array): PlaceReadings {
  const at = (i: number): Reading => readingAt(s, i, T[i]!);
  return { surface: at(surface), centre: at(centre), edge: edge === null ? null : at(edge), spine: spine === null ? null : at(spine) };
}

/** Rise of a piece where nobody says how fast: as fast as a small forge brings it, C a minute (judgement). */
export const USUAL_RISE_C_min = 150;
const LONGEST_COOLING_s = 12 * 3600;
/** Steps are held short by the temperature and the change; this only ends the last, slow degrees. */
const LONGEST_STEP_s = 20;

/** Radiation of a glowing chamber, and moving gas. @source hardening-note (as still air) */
function chamber(chamber_C: number) {
  return airBoundary(0.8, 12, chamber_C);
}

function stretchOf(plan: SimulatePlan, step: HistoryStep<AnyMedium>, places: Places, now_C: number): Stretch {
  const { section, coat = null } = plan;
  switch (step.kind) {
    case "heat": {
      const rise_s = 60 * (step.rise_min ?? Math.abs(step.to_C - now_C) / USUAL_RISE_C_min);
      return {
        kind: "follow",
        duration_s: rise_s + 60 * step.hold_min,
        temperature_C: (t) => (t >= rise_s ? step.to_C : now_C + ((step.to_C - now_C) * t) / rise_s),
      };
    }
    case "rate": {
      const rate_K_s = step.rate_C_h / 3600;
      return {
        kind: "follow",
        duration_s: Math.max(0, (now_C - step.to_C) / rate_K_s),
        temperature_C: (t) => Math.max(step.to_C, now_C - rate_K_s * t),
      };
    }
    case "chamber":
      return {
        kind: "exchange",
        surroundings: allAround(section, places.grid, chamber(step.chamber_C)),
        duration_s: 60 * step.time_min,
        longestStep_s: 5,
        ...(step.untilPiece_C === undefined ? {} : { untilHot_C: step.untilPiece_C }),
      };
    case "cool": {
      const until_C = step.until_C ?? (step.time_s === undefined ? step.bath_C + 5 : undefined);
      return {
        kind: "exchange",
        surroundings: inBath(
          section,
          places.grid,
          { medium: step.medium, bath_C: step.bath_C, agitation: step.agitation ?? "mild", immersion: step.immersion ?? { kind: "full" } },
          coat,
        ),
        duration_s: step.time_s ?? LONGEST_COOLING_s,
        longestStep_s: LONGEST_STEP_s,
        ...(until_C === undefined ? {} : { until_C }),
      };
    }
  }
}

/** @throws InputError for a step that cannot happen to a piece as hot as it is. */
function requireStep(step: HistoryStep<AnyMedium>, index: number, coldest_C: number, hottest_C: number, plan: SimulatePlan): void {
  const at = `/history/${index}`;
  if (step.kind === "cool") {
    if (step.bath_C >= hottest_C) {
      throw new InputError({
        code: "bath-hotter-than-steel",
        path: `${at}/bath_C`,
        got: step.bath_C,
        allowed: `below ${Math.round(hottest_C)}`,
        message: `${at}/bath_C: surroundings at ${step.bath_C} C do not cool a piece at ${Math.round(hottest_C)} C`,
      });
    }
    if (step.until_C !== undefined && step.until_C < step.bath_C) {
      requireRange(`${at}/until_C`, step.until_C, step.bath_C, 1300);
    }
    requireFit(plan.section, step.immersion ?? { kind: "full" }, null, null, at);
  }
  if (step.kind === "rate" && step.to_C > coldest_C) requireRange(`${at}/to_C`, step.to_C, 20, coldest_C);
  if (step.kind === "chamber" && step.untilPiece_C !== undefined) requireRange(`${at}/untilPiece_C`, step.untilPiece_C, 20, step.chamber_C);
}

function noticesOf(plan: SimulatePlan, steps: readonly StepResult[]): Notice[] {
  const notices = [...beyondModel(plan.steel.composition_wtpct), ...coverNotices(plan)];
  const unmeasured = plan.history.flatMap((step) => (step.kind === "cool" && step.medium.kind === "constant" ? [step.medium.name] : []));
  notices.push(...[...new Set(unmeasured)].map((medium): Notice => ({ code: "uncalibrated-medium", medium })));
  steps.forEach(({ places: { centre } }, i) => {
    if (centre.astmGrain < 6.5 && centre.austenite > 0.5) notices.push({ code: "coarse-grain", astmGrain: centre.astmGrain, step: i + 1 });
  });
  return notices;
}

export interface SimulateOptions {
  readonly resolution?: Resolution;
  readonly kinetics?: Kinetics;
  /** Keeps the whole field at these times after the start, s. */
  readonly frames_s?: readonly number[];
  readonly form?: Form;
}

/**
 * Carries a section through a history, step by step.
 *
 * @throws InputError bath-hotter-than-steel, edge-deeper-than-blade, out-of-range, with the step's place.
 * @source hardening-note
 * @error test/simulate/simulate.test.ts: a history that is a hardening gives what `harden` gives
 */
export function simulate(
  plan: SimulatePlan,
  { resolution = "full", kinetics, frames_s = [], form = "kernel" }: SimulateOptions = {},
): SimulateResult {
  requireFit(plan.section, { kind: "full" }, plan.coat ?? null, plan.cladding ?? null);
  const places = gridOf(plan.section, resolution);
  const { grid } = places;
  const count = grid.columns * grid.nodes;
  const bar = plan.steel.composition_wtpct;
  const structure = makeStructure({
    nodes: count,
    bar_wtpct: bar,
    prior: plan.prior,
    temperSteel: plan.steel.temper,
    ...(kinetics === undefined ? {} : { kinetics }),
  });
  const body = bodyOf(structure, grid, plan.cladding ?? null);
  const watch = [places.surface, places.centre, places.edge ?? places.surface, places.spine ?? places.centre];
  const Ae1 = ae1_C(bar);
  let T: Float64Array = new Float64Array(count).fill(ROOM_C);
  let [time_s, decarb_m2] = [0, 0];
  const steps: StepResult[] = [];
  const curves: WatchedCurve[] = [];
  const frames: Frame[] = [];
  plan.history.forEach((step, index) => {
    const hottest_C = T.reduce((a, b) => Math.max(a, b), -Infinity);
    const coldest_C = T.reduce((a, b) => Math.min(a, b), Infinity);
    requireStep(step, index, coldest_C, hottest_C, plan);
    const wasHard = structure.martensite[places.surface]!;
    const stretch = stretchOf(plan, step, places, T[places.centre]!);
    const from_s = time_s;
    const result = runCourse({
      grid,
      start_C: T,
      stretches: [stretch],
      body,
      watch,
      stepAim_K: STEP_K[resolution],
      form,
      frames_s: frames_s.filter((t) => t >= from_s).map((t) => t - from_s),
    });
    T = result.temperature_C;
    const { curve } = result;
    const atmosphere: Atmosphere = step.kind === "heat" || step.kind === "chamber" ? (step.atmosphere ?? "oxidising") : "oxidising";
    for (let i = 1; i < curve.time_s.length; i++) {
      const middle_C = 0.5 * (curve.temperature_C[0]![i]! + curve.temperature_C[0]![i - 1]!);
      decarb_m2 += decarbAdded_m2(middle_C, Ae1, curve.time_s[i]! - curve.time_s[i - 1]!, atmosphere);
    }
    time_s = from_s + curve.time_s[curve.time_s.length - 1]!;
    curves.push({ ...curve, time_s: curve.time_s.map((t) => t + from_s) });
    frames.push(...result.frames.map((frame) => ({ ...frame, time_s: frame.time_s + from_s })));
    const readings = readPlaces(structure, places, T);
    const hasHardened = structure.martensite[places.surface]! - wasHard > 0.3;
    steps.push({
      kind: step.kind,
      end_s: time_s,
      places: readings,
      decarb_mm: decarbDepth_mm(decarb_m2),
      crackRisk:
        hasHardened && step.kind === "cool"
          ? crackRisk({
              curve,
              martensiteStart_C: readings.surface.martensiteStart_C,
              carbon_wtpct: readings.surface.carbonInSolution_wtpct ?? bar.C,
              astmGrain: readings.centre.astmGrain,
              isWater: isWater(step.medium),
            })
          : null,
    });
  });
  const end = readPlaces(structure, places, T);
  const points = curves.reduce((sum, { time_s: t }) => sum + t.length, 0);
  const join = (pick: (c: WatchedCurve) => Float64Array): Float64Array => {
    const all = new Float64Array(points);
    let from = 0;
    for (const c of curves) {
      all.set(pick(c), from);
      from += pick(c).length;
    }
    return all;
  };
  return {
    steps,
    end,
    profile: profileOf(plan.section, grid, structure),
    decarb_mm: decarbDepth_mm(decarb_m2),
    grindOff_mm: grindOff_mm(decarbDepth_mm(decarb_m2)),
    fractureLook: fractureLook(end.centre.astmGrain),
    curve: {
      time_s: join((c) => c.time_s),
      temperature_C: watch.map((_, w) => join((c) => c.temperature_C[w]!)),
      martensite: watch.map((_, w) => join((c) => c.martensite[w]!)),
    },
    frames,
    notices: noticesOf(plan, steps),
  };
}
