/** The steps from normalising to temper for a piece, by school, each with the code of its reason. */

import { formOf } from "../catalogue.js";
import { heatWithPart, leavesTang, tangOut_mm, withInFire } from "./inFire.js";
import { InputError } from "../errors.js";
import { austenitise, heatingCurve, magnetLost_C, magnetReturns_C } from "../kinetics/austenite.js";
import { ac1_C } from "../kinetics/criticalTemperatures.js";
import type { PriorStructure } from "../kinetics/structure.js";
import { martensiteHardness_HV, rockwellCFromVickers } from "../kinetics/hardness.js";
import { KINETICS } from "../kinetics/kinetics.js";
import { temperatureForHardness } from "../kinetics/temper.js";
import type { Draws, Hardens, Heating, Piece, Route, School, Step, Way } from "../schema/book.js";
import { LIMITS } from "../schema/limits.js";
import { VESSELS, type Kit, type Vessel } from "../schema/kit.js";
import type { Section } from "../schema/parts.js";
import type { Reason } from "../schema/reasons.js";
import { resolveSteel, type Catalogue, type ResolvedSteel } from "./catalogue.js";
import { heatFor_C, wantedCarbon_wtpct } from "../kinetics/soak.js";
import { thickness_mm } from "../shape/thickness.js";
import { isLiquid, PASTE } from "../heat/bathKind.js";
import { dipOf } from "./dip.js";
import { canHold, heatingOf } from "./heating.js";
import { edgeUnder, endIn, intoOf, type EndName, type Quench } from "./dips.js";
import { roundSteps } from "./roundHeats.js";
import type { TemperatureUnit } from "../quantity.js";
import { canDraw, hottestTemper_C, VESSEL_C } from "./kit.js";
import { quenchStep } from "./quenchStep.js";
import { runStep } from "./runStep.js";
import { drawsFor, hardensFor, isRun, USUAL_WAY } from "./way.js";

/** What an instrument-less smith adds to the point where the magnet lets go, K (common practice, no source). */
export const SHADE_K = 30;
/** A magnet is judged a little after it let go, K; and how far over it falling heat goes first (common practice, no source). */
export const TOUCH_K = 5;
export const FALLING_OVER_K = 45;
/** A forge may be so far below the low end of a steel's published range: short heats and fine pearlite want less (judgement). */
export const BELOW_RANGE_K = 15;
/** A forge cannot hold a heat for longer than this without losing or gaining, min (common practice, no source). */
const FORGE_HOLD_MIN = 1;
/** The longest a patient smith keeps a piece at heat in a forge, min (common practice, no source); what wants less than this does not miss the carbon, HRC. */
const FORGE_SOAK_MIN = 4;
export const HARD_USE_HRC = 57;
/** Two times two hours (common practice, no source). */
const TEMPER_HOLD_MIN = 120;
/** Plain steel keeps its stresses below this temper (temper-note section 6, common practice). */
export const LOWEST_TEMPER_C = 150;
/** An oven that ends below this is none for steel, C (judgement: a drying cupboard). */
const LEAST_OVEN_C = 100;
/** From here a piece is warmed through before it goes into the full heat, mm (judgement); how hot, how long in a kiln (common practice, no source). */
const LONG_mm = 600;
const THICK_mm = 25;
const PREHEAT_C = 650;
const PREHEAT_MIN = 20;
/** Below the hardening heat by this a bar is annealed, and for how long (trade facts: 1400 F for 30 min for 80CrV2; common practice, no source). */
const ANNEAL_BELOW_K = 55;
const ANNEAL_MIN = 30;
/** Spheroidising holds so far under Ac1, for how long; stress relief, where it holds (common practice, no source). */
const UNDER_AC1_K = 25;
const SPHEROIDISE_MIN = 120;
const DESTRESS_C = 620;
const DESTRESS_MIN = 60;
/** Out in still air, K an hour: what such a step says instead of a rate that is kept (common practice, no source). */
const IN_AIR_K_h = 2000;
/** From here a hold under the change rounds carbide (judgement). */
const ROUNDS_FROM_C = 660;
const ROUNDS_FROM_min = 60;
/** 600 F an hour down to 1000 F (trade facts; a difference of temperature). */
export const ANNEAL_RATE_C_h = 333;
const ANNEAL_TO_C = 540;
/** Slower than this leaves coarse round carbide, C an hour (judgement between 600 and 50 F an hour of the trade facts). */
const COARSE_BELOW_K_h = 100;

/** A hold under the change that is too cool or too short to round carbide only lets go of strains (judgement). */
function roundsCarbide({ how, temperature_C, hold_min }: Extract<Step, { kind: "anneal" }>): boolean {
  return how !== "sub-critical" || (temperature_C >= ROUNDS_FROM_C && hold_min >= ROUNDS_FROM_min);
}

/** What the steel is when it goes into the hardening heat: normalising leaves pearlite, whatever was there before. */
export function structureBeforeHardening(piece: Piece, steps: readonly Step[]): PriorStructure {
  const last = steps.findLast((step) => step.kind === "normalise" || (step.kind === "anneal" && roundsCarbide(step)));
  if (last?.kind === "normalise") return "pearlite";
  if (last?.kind === "anneal")
    return last.rate_C_h < COARSE_BELOW_K_h || last.how === "vermiculite" ? "coarse-spheroidised" : "fine-spheroidised";
  // Hardened steel that is heated again is full of fine round carbide long before it changes.
  if (piece.start === "hardened") return "fine-spheroidised";
  return piece.start === "normalised" ? "pearlite" : piece.start;
}

function roundTo(value: number, step: number): number {
  return Math.round(value / step) * step;
}

type NormalisePlan = readonly { readonly below_K: number; readonly why: Reason }[];

/** How many normalising heats, how far below the steel's normalising heat, and why. */
function normalising(start: Piece["start"], heating: Heating): NormalisePlan {
  const even = { below_K: 0, why: "evens-forging" } as const;
  const small = { below_K: 30, why: "small-grain" } as const;
  const smaller = { below_K: 80, why: "last-cooler" } as const;
  const supplied = { below_K: 0, why: "supplied-carbide" } as const;
  const again = { below_K: 30, why: "was-hard" } as const;
  if (start === "normalised") return [];
  if (start === "hardened") return [again, smaller];
  if (start === "as-forged") return canHold(heating) ? [even, small] : [even, small, smaller];
  if (!canHold(heating)) return [supplied, smaller];
  return start === "coarse-spheroidised" ? [supplied] : [];
}

function normaliseSteps(steel: ResolvedSteel, piece: Piece, heating: Heating): Step[] {
  const top_C = steel.file?.normalise_C.value ?? 880;
  const plans = normalising(piece.start, heating);
  return plans.map(({ below_K, why }, i) => ({
    kind: "normalise",
    temperature_C: roundTo(top_C - below_K, 5),
    hold_min: canHold(heating) ? 10 : 0,
    coolTo: i === plans.length - 1 ? "hand-warm" : "black",
    why,
  }));
}

export interface ForgeHeat {
  readonly temperature_C: number;
  readonly hold_min: number;
  /** Shade: so far past the magnet, or just under the steel's range. Carbon: hotter and longer, because too little dissolves else. */
  readonly from: "shade" | "carbon";
}

/**
 * The hardening heat of a forge: a shade past the magnet, held for a minute where carbon has to dissolve. Where that leaves a use
 * that wants it hard short of carbon, hotter within the steel's own range, and for as long as a forge can be held.
 */
export function forgeHeat(steel: ResolvedSteel, before: PriorStructure, wanted_HRC: number): ForgeHeat {
  const [low_C, high_C] = (steel.file?.austenitise_C.range ?? [800, 830]) as [number, number];
  const { composition_wtpct: composition } = steel;
  const needsCarbon = steel.file?.soakDemand !== "short" || composition.C > 0.85;
  const shade: ForgeHeat = {
    temperature_C: roundTo(Math.max(magnetLost_C(composition, before) + SHADE_K, low_C - BELOW_RANGE_K), 5),
    hold_min: needsCarbon ? FORGE_HOLD_MIN : 0.5,
    from: "shade",
  };
  if (!needsCarbon || wanted_HRC < HARD_USE_HRC) return shade;
  const enoughAfter = (hold_min: number): number =>
    heatFor_C({
      steel: composition,
      prior: before,
      heat_C: shade.temperature_C,
      wanted_wtpct: wantedCarbon_wtpct(composition),
      hold_s: 60 * hold_min,
    }) ?? Infinity;
  if (enoughAfter(FORGE_HOLD_MIN) <= shade.temperature_C) return shade;
  const top_C = Math.max(shade.temperature_C, roundTo(high_C, 5));
  return { temperature_C: Math.min(top_C, enoughAfter(FORGE_SOAK_MIN)), hold_min: FORGE_SOAK_MIN, from: "carbon" };
}

/** Soaked as long as steel and thickness ask, min; a block as thick as a hand as long as a plan may say. */
function soakOf_min(steel: ResolvedSteel, piece: Piece, before: PriorStructure): number {
  const soak = steel.file?.soak_min ?? { base: 8, perThickness_min_mm: 1 };
  const soak_min = Math.round(soak.base + soak.perThickness_min_mm * thickness_mm(piece.section));
  const hold_min = Math.min(soak_min, LIMITS.harden.hold_min[1]);
  return before === "pearlite" ? Math.max(5, Math.round(0.7 * hold_min)) : hold_min;
}

/** To a number: the middle of the steel's range, and held as long as it asks, or as a fire can. */
function byNumber(steel: ResolvedSteel, piece: Piece, heating: Heating, before: PriorStructure): Harden {
  const [low_C, high_C] = steel.file?.austenitise_C.range ?? [800, 830];
  const soak_min = soakOf_min(steel, piece, before);
  const hold_min = canHold(heating) ? soak_min : Math.min(soak_min, FORGE_SOAK_MIN);
  return { kind: "harden", temperature_C: roundTo(0.5 * (low_C! + high_C!), 5), hold_min, why: "soak" };
}

function hardenStep(steel: ResolvedSteel, piece: Piece, heating: Heating, before: PriorStructure, wanted_HRC: number): Harden {
  const magnet_C = magnetLost_C(steel.composition_wtpct, before);
  switch (heating.by) {
    case "controller":
    case "probe":
      return byNumber(steel, piece, heating, before);
    case "touch":
      return { kind: "harden", temperature_C: roundTo(magnet_C + TOUCH_K, 5), hold_min: 0, why: "magnet-only" };
    case "pull": {
      const temperature_C = roundTo(magnet_C + FALLING_OVER_K, 5);
      const pulls_C = magnetReturns_C(steel.composition_wtpct, temperature_C);
      return { kind: "harden", temperature_C, hold_min: 0, fallTo_C: roundTo(pulls_C, 5), why: "first-pull" };
    }
    case "colour": {
      // No magnet says where it is: the middle of what it bears, for an eye errs to both sides.
      const { temperature_C } = byNumber(steel, piece, heating, before);
      const hold_min = Math.max(FORGE_HOLD_MIN, forgeHeat(steel, before, wanted_HRC).hold_min);
      return { kind: "harden", temperature_C, hold_min, why: "by-colour" };
    }
    case "shade": {
      const { temperature_C, hold_min, from } = forgeHeat(steel, before, wanted_HRC);
      // What holds its heat soaks it there, too: a magnet says how hot, not how long.
      const held_min = canHold(heating) ? Math.max(hold_min, soakOf_min(steel, piece, before)) : hold_min;
      return { kind: "harden", temperature_C, hold_min: held_min, why: from === "carbon" ? "soak" : "shade-past" };
    }
  }
}

/** Hardness wanted of a piece: of this one alone where somebody said so, else by its use, HRC. */
export function targetOf(
  catalogue: Catalogue,
  { use, aims_HRC }: Pick<Piece, "use" | "aims_HRC">,
): { low_HRC: number; high_HRC: number; mid_HRC: number; why: string; name: string; isOwn: boolean } {
  const found = catalogue.use(use);
  if (found === undefined)
    throw new InputError({ code: "not-a-choice", path: "/use", got: use, allowed: catalogue.uses.map((u) => u.id).join(", ") });
  const [low, high] =
    aims_HRC === undefined
      ? (found.target_HRC as [number, number])
      : ([Math.min(aims_HRC.low_HRC, aims_HRC.high_HRC), Math.max(aims_HRC.low_HRC, aims_HRC.high_HRC)] as const);
  return { low_HRC: low, high_HRC: high, mid_HRC: 0.5 * (low + high), why: found.why, name: found.name, isOwn: aims_HRC !== undefined };
}

/** As quenched where all of it hardens: by the carbon that the heat brings into solution, no harder than the steel gets, HRC. */
function hardAfter_HRC({ composition_wtpct: steel, temper }: ResolvedSteel, prior: PriorStructure, heat: Harden): number {
  const { solution_wtpct } = austenitise({ steel, prior, ...heatingCurve({ heat_C: heat.temperature_C, hold_s: 60 * heat.hold_min }) });
  return Math.min(temper.nominal_HRC, rockwellCFromVickers(martensiteHardness_HV(solution_wtpct.C, KINETICS)));
}

/** @param within what it lies in, and what that comes to; null where nobody has said */
function temperSteps(catalogue: Catalogue, steel: ResolvedSteel, piece: Piece, asQuenched_HRC: number, within: Within): Step[] {
  const { vessel, hottest_C } = within;
  const lies = vessel === undefined ? {} : { in: vessel };
  const least_C = Math.max(LOWEST_TEMPER_C, vessel === undefined ? 0 : VESSEL_C[vessel][0]);
  const use = targetOf(catalogue, piece);
  const holds_min = [TEMPER_HOLD_MIN, TEMPER_HOLD_MIN];
  const answer = temperatureForHardness({ steel: steel.temper, target_HRC: use.mid_HRC, holds_min, asQuenched_HRC });
  const wanted_C = answer.outcome === "found" ? answer.temperature_C : least_C;
  const best_C = Math.max(least_C, roundTo(wanted_C, 5));
  // An oven that does not get so hot tempers nothing: planned all the same, and said by what does not fit.
  const ends_C = hottest_C === null ? Infinity : Math.max(LEAST_OVEN_C, 5 * Math.floor(hottest_C / 5));
  const set_C = Math.min(best_C, ends_C);
  const dip = dipOf(set_C, { steel, holds_min, asQuenched_HRC, use, hottest_C });
  // Round the dip of toughness where the use is content with it: cooler first, for one can always go again.
  const round = [dip?.cooler, dip?.hotter].find((way) => way?.isInUse === true);
  if (round) {
    const whys = ["clear-of-dip", "second-temper"] as const;
    return whys.map((why) => ({ kind: "temper", temperature_C: round.temperature_C, hold_min: TEMPER_HOLD_MIN, ...lies, why }));
  }
  const whys = best_C > ends_C ? (["oven-ends", "oven-ends"] as const) : (["first-temper", "second-temper"] as const);
  return whys.map((why) => ({ kind: "temper", temperature_C: set_C, hold_min: TEMPER_HOLD_MIN, ...lies, why }));
}

interface Within {
  readonly vessel: Vessel | undefined;
  readonly hottest_C: number | null;
}

function withinOf(piece: Piece, draws: Draws, kit: Kit | null): Within {
  const vessel = VESSELS.find((one) => one === draws);
  return { vessel, hottest_C: hottestTemper_C(kit, piece, vessel) };
}

type Harden = Extract<Step, { kind: "harden" }>;

/** A third of the height is where an edge quench usually begins (common practice, no source). */
const EDGE_SHARE = 1 / 3;
/** An end is hardened as deep as it is thick twice over, and no more than a third of its length (judgement). */
function endDepth_mm({ section, length_mm }: Piece): number {
  return Math.max(5, Math.round(Math.min(2 * thickness_mm(section), length_mm / 3)));
}

/** How deep the edge of a blade goes under where only that is to be hard, mm. */
export function usualEdgeDepth_mm(height_mm: number): number {
  return Math.max(1, Math.round(EDGE_SHARE * height_mm));
}

/** The edge pressed into paste, where that is all a shop has for a blade; null where it has a bath, or nobody has said. */
function pasteStep(catalogue: Catalogue, { section }: Piece, kit: Kit | null): Quench | null {
  const media = (kit ?? []).flatMap((item) => (item.kind === "bath" ? [item.medium] : []));
  const paste = catalogue.medium(PASTE);
  const isAll = media.includes(PASTE) && !media.some((id) => id !== PASTE && isLiquid(catalogue.medium(id)));
  if (!isAll || paste === undefined || section.shape !== "wedge") return null;
  const into = { medium: PASTE, bath_C: paste.usualBath_C, agitation: "none" } as const;
  return { kind: "quench", dips: edgeUnder(into, usualEdgeDepth_mm(section.height_mm)), why: "paste" };
}

/** One bath of what is to be hardened. */
function immersed(piece: Piece, quench: Quench, hardens: Hardens, end: EndName = "working"): Quench {
  const { section } = piece;
  switch (hardens) {
    case "whole":
      return quench;
    case "edge":
      return section.shape === "wedge" ? { ...quench, dips: edgeUnder(intoOf(quench), usualEdgeDepth_mm(section.height_mm)) } : quench;
    case "face":
    case "ends":
      return { ...quench, dips: endIn(intoOf(quench), end, endDepth_mm(piece)) };
  }
}

/** So many thicknesses behind what is dipped are in the fire with it (judgement: less drains it, more heats the end that is hard). */
const BEHIND = 1.5;

/** The other end's heat: no more of it in the fire than that needs, the first end kept wet. */
function secondHeat(piece: Piece, heat: Extract<Step, { kind: "harden" }>): Step {
  const mm = Math.round(Math.min(0.5 * piece.length_mm, endDepth_mm(piece) + BEHIND * thickness_mm(piece.section)));
  return { ...heatWithPart(heat, Math.max(LIMITS.harden.inFire_mm[0], mm)), guard: "wet" };
}

export function preheatStep(heating: Heating, isHard: boolean): Step {
  return {
    kind: "preheat",
    temperature_C: PREHEAT_C,
    hold_min: canHold(heating) ? PREHEAT_MIN : 0,
    why: isHard ? "slowly-from-cold" : "warms-evenly",
  };
}

/**
 * An anneal for cutting and drilling, or before a kiln's hardening: just under the hardening heat, then down at a steady rate.
 * Trade facts (common practice, no source): 1400 F, 30 min, 600 F an hour.
 */
export function annealStep(steel: ResolvedSteel, kit: Kit | null): Extract<Step, { kind: "anneal" }> {
  const [low_C, high_C] = steel.file?.austenitise_C.range ?? [800, 830];
  const hasKiln = kit === null || kit.some(({ kind }) => kind === "kiln");
  return {
    kind: "anneal",
    temperature_C: roundTo(0.5 * (low_C! + high_C!) - ANNEAL_BELOW_K, 5),
    hold_min: hasKiln ? ANNEAL_MIN : 0,
    how: hasKiln ? "kiln" : "vermiculite",
    rate_C_h: hasKiln ? ANNEAL_RATE_C_h : COARSE_BELOW_K_h - 20,
    to_C: ANNEAL_TO_C,
    why: "soft-for-cutting",
  };
}

type Anneal = Extract<Step, { kind: "anneal" }>;

/** Held for hours under the change, then out into air: carbide turns round without new grain. */
export function subCriticalStep({ composition_wtpct }: ResolvedSteel): Anneal {
  const temperature_C = 5 * Math.floor((ac1_C(composition_wtpct) - UNDER_AC1_K) / 5);
  return { ...underTheChange(temperature_C, SPHEROIDISE_MIN), why: "soft-for-cutting" };
}

/** Stress relief: warmed well under the change and cooled, nothing else. @param said why, in words of the front end */
export function destressStep(said: string): Anneal {
  return { ...underTheChange(DESTRESS_C, DESTRESS_MIN), why: "said", said };
}

function underTheChange(temperature_C: number, hold_min: number): Omit<Anneal, "why"> {
  return { kind: "anneal", temperature_C, hold_min, how: "sub-critical", rate_C_h: IN_AIR_K_h, to_C: ANNEAL_TO_C };
}

/** @throws InputError not-a-choice for what the shape does not have, or what cannot draw it. */
function requireWay(section: Section, hardens: Hardens, draws: Draws): void {
  const refuse = (path: string, got: string, allowed: readonly string[], what: string): InputError =>
    new InputError({
      code: "not-a-choice",
      path,
      got,
      allowed: allowed.join(", "),
      message: `${path}: ${what} by ${allowed.join(", ")}; got ${got}`,
    });
  if (!hardensFor(section).includes(hardens))
    throw refuse("/way/hardens", hardens, hardensFor(section), `a ${section.shape} can be hardened`);
  if (!drawsFor(hardens).includes(draws)) throw refuse("/way/draws", draws, drawsFor(hardens), `what is hardened ${hardens} can be drawn`);
}

export interface RouteOptions {
  /** What is not said is as usual: all of it, in the oven. */
  readonly way?: Partial<Way>;
  /** Null, or left out, where nobody has said what the shop has. */
  readonly kit?: Kit | null;
  /** In which the shop thinks: its heats are whole in that. */
  readonly unit?: TemperatureUnit;
}

/** What draws it in this shop: as asked where the kit can, else what it can, else as asked: then what is missing is said. */
function drawnIn(kit: Kit | null, hardens: Hardens, draws: Draws): Draws {
  const allowed = drawsFor(hardens);
  // A colour run stays one, by what there is to warm it; a heat that is held stays one, by what there is to hold it.
  const held: readonly Draws[] = ["oven", ...VESSELS];
  const order: readonly Draws[] = isRun(draws) ? [draws, "torch", "hot-bar", ...held] : [draws, ...held, "torch", "hot-bar"];
  return order.find((by) => allowed.includes(by) && canDraw(by, kit)) ?? draws;
}

/**
 * A route for a piece, heated in one thing and judged by another; of the usual pairs by the name of a school. The reasons are codes; a front
 * end has the words.
 * @throws InputError unknown-steel, not-a-choice for a use that is not there, or a way that the shape does not have.
 */
export function planRoute(catalogue: Catalogue, piece: Piece, said: School | Heating, options: RouteOptions = {}): Route {
  const { kit = null, unit = "C" } = options;
  const heating = heatingOf(said);
  const { steps, ...route } = plannedRoute(catalogue, piece, heating, options);
  const temper = steps.find((step) => step.kind === "temper");
  const temper_C = temper === undefined ? null : hottestTemper_C(kit, piece, temper.in);
  const heat_C = heating.in === "kiln" ? hottestKiln_C(kit) : null;
  const whole = { ...route, steps: roundSteps(steps, unit, { heat_C, temper_C }) };
  // A tang that is to stay as it is stays out of the fire; a kiln is shut about all of it, and the practised shop's fire is.
  const out_mm = leavesTang(piece) && heating.in !== "kiln" && piece.isPractice !== true ? tangOut_mm(piece, formOf(piece)) : null;
  return out_mm === null ? whole : withInFire(whole, out_mm);
}

/** The hottest a kiln of the kit goes, C; null where none is told. */
function hottestKiln_C(kit: Kit | null): number | null {
  const ends_C = (kit ?? []).flatMap((item) => (item.kind === "kiln" ? [item.limit_C] : []));
  return ends_C.length === 0 ? null : Math.max(...ends_C);
}

function plannedRoute(catalogue: Catalogue, piece: Piece, heating: Heating, { way = {}, kit = null }: RouteOptions): Route {
  const { hardens, draws: asked } = { ...USUAL_WAY, ...way };
  requireWay(piece.section, hardens, asked);
  const draws = drawnIn(kit, hardens, asked);
  const steel = resolveSteel(catalogue, piece.steel);
  const isHard = piece.start === "hardened";
  const normalise = normaliseSteps(steel, piece, heating);
  const before = structureBeforeHardening(piece, normalise);
  const isLong = piece.length_mm >= LONG_mm || thickness_mm(piece.section) >= THICK_mm;
  const warmed = isLong ? [preheatStep(heating, false)] : [];
  const { high_HRC, mid_HRC } = targetOf(catalogue, piece);
  const heat = hardenStep(steel, piece, heating, before, high_HRC);
  const hard_HRC = hardAfter_HRC(steel, before, heat);
  const bath = pasteStep(catalogue, piece, kit) ?? quenchStep(catalogue, steel, piece, kit);
  const quench = immersed(piece, bath, hardens);
  const first = [...(isHard && normalise.length > 0 ? [preheatStep(heating, true)] : []), ...normalise, ...warmed];
  if (hardens === "ends") {
    const other: Quench = { ...immersed(piece, bath, hardens, "other"), why: "other-end" };
    return {
      heating,
      steps: [
        ...first,
        heat,
        quench,
        secondHeat(piece, heat),
        other,
        ...temperSteps(catalogue, steel, piece, hard_HRC, withinOf(piece, draws, kit)),
      ],
    };
  }
  switch (draws) {
    case "oven":
    case "oil":
    case "salt":
    case "sand":
      return { heating, steps: [...first, heat, quench, ...temperSteps(catalogue, steel, piece, hard_HRC, withinOf(piece, draws, kit))] };
    case "torch":
    case "hot-bar":
      return { heating, steps: [...first, heat, quench, runStep(steel, piece, { source: draws, hard_HRC, mid_HRC, high_HRC })] };
    case "residual": {
      const warm: Quench = { ...quench, dips: quench.dips.map((dip) => ({ ...dip, until: { is: "keeps-heat" } })), why: "keeps-heat" };
      return { heating, steps: [...first, heat, warm, runStep(steel, piece, { source: draws, hard_HRC, mid_HRC, high_HRC })] };
    }
  }
}
