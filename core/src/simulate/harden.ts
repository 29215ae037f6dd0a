/** Heat, soak and quench of one section: what the steel becomes from surface to centre, and how sure that is. */

import { HAND_WARM_C } from "../constants.js";
import { isWater } from "../heat/bathKind.js";
import type { Notice } from "../notices.js";
import type { Austenite } from "../kinetics/austenite.js";
import { decompositionTable, type DecompositionTable } from "../kinetics/decomposition.js";
import { fractureLook, type FractureLook } from "../kinetics/grain.js";
import { grindOff_mm } from "../kinetics/decarb.js";
import { austeniteLeft } from "../kinetics/structure.js";
import { crackRisk, type CrackRisk } from "./crackRisk.js";
import {
  bathTimes_s,
  forPlaces,
  hardened,
  isPartUnder,
  lastBath,
  planKey,
  requireSense,
  runCase,
  type Case,
  type HardenPlan,
} from "./hardenCase.js";
import type { Resolution } from "./section.js";
import {
  airCooling_s,
  begins_s,
  fallAfter,
  noseMargin,
  noticesOf,
  profileOf,
  quenchLine,
  startCurve,
  straightenWindow,
  thinned,
  type CoolingCurve,
  type ProfilePoint,
  type QuenchLine,
  type StartPoint,
  type StraightenWindow,
} from "./hardenReadings.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { firstPullOf } from "./fallSeen.js";
import { martensiteRate_1_K } from "../kinetics/martensite.js";
import { shutSpread, type ShutSpread } from "./windowSpread.js";
import {
  bathDoubt,
  gather,
  MEMBERS,
  membersOf,
  valueAt,
  type HardnessValue,
  type Member,
  type Place,
  type RunOptions,
} from "./hardenSpread.js";

export type { HardenPlan } from "./hardenCase.js";
export type { Resolution } from "./section.js";
export type { CoolingCurve, ProfilePoint, StartPoint } from "./hardenReadings.js";
export type { HardnessValue } from "./hardenSpread.js";

export interface HardenResult {
  readonly surface: HardnessValue;
  readonly centre: HardnessValue;
  /** Only of a wedge. */
  readonly edge: HardnessValue | null;
  readonly spine: HardnessValue | null;
  readonly martensite: { readonly surface: number; readonly centre: number };
  /** Chance that the place hardens, 0 ... 1; of a wedge also at its edge (where it works) and at its spine. */
  readonly chanceHard: { readonly surface: number; readonly centre: number; readonly working: number; readonly thickest: number };
  /** Of a falling heat: when the first pull is to be looked for, s after the fire; null of any other, and where most never pull. */
  readonly firstPull_s: { readonly p05: number; readonly p50: number; readonly p95: number } | null;
  readonly retainedAustenite: number;
  readonly austenite: Austenite;
  readonly martensiteStart_C: number;
  /** Seconds the slowest place could have spent longer at the nose before the first tenth turned soft; below 0, too late. */
  readonly noseMargin_s: number;
  /** Its slowest place had lost its first tenth in the air, before it met the bath. */
  readonly turnedInAir: boolean;
  readonly nose_C: number;
  readonly straighten: StraightenWindow | null;
  readonly handWarm_s: number;
  /** Of a bar of which one end goes in: seconds from the bath until no glow is left in the rest; null of anything else. */
  readonly bodyBlack_s: number | null;
  /** Of a blade in part under the bath, or under clay. */
  readonly quenchLine: QuenchLine | null;
  readonly profile: readonly ProfilePoint[];
  readonly curve: CoolingCurve;
  readonly startCurve: readonly StartPoint[];
  /** Where the start curve ends: below it the change that was wanted begins. */
  readonly ae1_C: number;
  readonly crackRisk: CrackRisk;
  readonly fractureLook: FractureLook;
  /** Soft skin of a piece heated without protection, and what to grind from each face, mm. */
  readonly decarb_mm: number;
  readonly grindOff_mm: number;
  readonly notices: readonly Notice[];
}

export interface HardenOptions extends RunOptions {
  /** Size of the ensemble; 0 leaves out the spread (for sliding through many cases). */
  readonly members?: number;
  readonly resolution?: Resolution;
  /** The whole ensemble, when it was run elsewhere. */
  readonly already?: readonly Member[];
}

/** Where the body's surface and the edge stand among the watched places. */
const [BODY, EDGE] = [0, 3];

/** The case as planned, with the curves that its readings are taken from. */
export function nominalCase(plan: HardenPlan, resolution: Resolution, { desk = BARE_DESK, ...options }: RunOptions): Case {
  return desk.recall("case", `${resolution} ${planKey(plan)}`, () => {
    desk.letGo();
    return runCase(plan, {
      resolution,
      watch: ({ surface, centre, spine, edge }) => [surface, centre, spine ?? centre, edge ?? surface],
      desk,
      ...options,
    });
  });
}

interface WindowOf {
  readonly martensiteStart_C: number;
  readonly chanceHard: HardenResult["chanceHard"];
  readonly isEdgeOnly: boolean;
  /** As if it came out then, s after it went in; as planned where nothing is said. */
  readonly out_s?: number;
}

/** The window to straighten by a run. */
function windowIn(
  plan: HardenPlan,
  { result, places, austenite }: Case,
  { martensiteStart_C, chanceHard, isEdgeOnly, out_s }: WindowOf,
): StraightenWindow | null {
  const { in_s, out_s: left_s } = bathTimes_s(plan, result);
  const of = (place: number, chance: number): ShutSpread =>
    shutSpread({
      fall: fallAfter(result, in_s, place),
      section: plan.section,
      bath_C: lastBath(plan).bath_C,
      leftAt_s: left_s - in_s,
      out_s: out_s ?? (lastBath(plan).bath_s === null ? LONGEST_WINDOW_s : left_s - in_s),
      martensiteStart_C,
      martensiteRate_1_K: martensiteRate_1_K(austenite.solution_wtpct),
      chanceHard: chance,
      bath_ln: bathDoubt(plan),
    });
  const edge = places.edge === null ? null : of(EDGE, chanceHard.working);
  if (isEdgeOnly && edge !== null) return straightenWindow(begins_s(result, in_s, EDGE), edge, null);
  const body = of(BODY, chanceHard.surface);
  return straightenWindow(Math.min(begins_s(result, in_s, BODY), edge === null ? Infinity : begins_s(result, in_s, EDGE)), body, edge);
}

/** The same of a plan that is left in until it is cold, as if it came out at a second. */
export function windowOf(
  plan: HardenPlan,
  chanceHard: HardenResult["chanceHard"],
  out_s: number,
  desk: Desk = BARE_DESK,
): StraightenWindow | null {
  const run = nominalCase(plan, "full", { desk });
  const { martensiteStart_C } = tableOf(plan, run, {});
  return windowIn(plan, run, { martensiteStart_C, chanceHard, isEdgeOnly: false, out_s });
}

function tableOf({ steel }: HardenPlan, { austenite }: Case, { kinetics }: Pick<RunOptions, "kinetics">): DecompositionTable {
  return decompositionTable({
    solution_wtpct: austenite.solution_wtpct,
    astmGrain: austenite.astmGrain,
    nucleation_1_um: austenite.nucleation_1_um,
    barVanadium_wtpct: steel.composition_wtpct.V,
    ...(kinetics === undefined ? {} : { kinetics }),
  });
}

/** Left in until it is cold it does not come out in time to matter, s. */
const LONGEST_WINDOW_s = 3600;

/** Nobody waits longer over a bath, s; a moment is found to within this. */
const LONGEST_WAIT_s = 120;
const NEAR_s = 0.5;
/** What ends so much softer no file finds, HRC. */
export const AS_HARD_HRC = 1.5;

/**
 * Seconds from the fire by which a piece has to be under, or its working place turns softer than it would have been at once; no more
 * than two minutes are looked at. A search over the hardening itself, coarse in space. @throws InputError as `harden`
 */
export function airLimit_s(plan: HardenPlan, desk: Desk = BARE_DESK): number {
  const working_HRC = (transfer_s: number): number => {
    const waited = { ...plan, falls: undefined, dips: [], transfer_s, bath_s: null };
    const { edge, surface } = harden(waited, { members: 0, resolution: forPlaces(waited), desk });
    return (edge ?? surface).mean_HRC;
  };
  const wanted_HRC = working_HRC(NEAR_s) - AS_HARD_HRC;
  let [early_s, late_s] = [NEAR_s, LONGEST_WAIT_s];
  if (working_HRC(late_s) >= wanted_HRC) return late_s;
  while (late_s - early_s > NEAR_s) {
    const middle_s = 0.5 * (early_s + late_s);
    if (working_HRC(middle_s) >= wanted_HRC) early_s = middle_s;
    else late_s = middle_s;
  }
  return early_s;
}

/**
 * Hardens a section.
 *
 * @throws InputError bath-hotter-than-steel, edge-deeper-than-blade, out-of-range.
 * @source hardening-note (calibrated); every published part named where it stands
 * @error docs/validation.md; hardenability right to about a quarter in ideal diameter
 */
export function harden(
  plan: HardenPlan,
  { members = MEMBERS, resolution = "full", already, desk = BARE_DESK, ...options }: HardenOptions = {},
): HardenResult {
  requireSense(plan);
  const run = nominalCase(plan, resolution, { desk, ...options });
  const { places, result, structure, austenite } = run;
  const { grid, surface, centre } = places;
  const others = already ? gather(already) : members > 0 ? gather(membersOf(plan, members, { desk, ...options })) : null;
  const at = (place: Place): HardnessValue => valueAt(structure, places, place, others);
  const { in_s: transferEnd_s, out_s: bathEnd_s } = bathTimes_s(plan, result);
  const table = tableOf(plan, run, options);
  const slowest = { time_s: result.curve.time_s, temperature_C: result.curve.temperature_C[2]! };
  const { margin_s, nose_C } = noseMargin(slowest, table);
  const inAir = slowest.time_s.findIndex((t) => t > transferEnd_s);
  const toBath = { time_s: slowest.time_s.slice(0, inAir), temperature_C: slowest.temperature_C.slice(0, inAir) };
  const lastHot_C = result.temperature_C.reduce((a, b) => Math.max(a, b), -Infinity);
  const endOfRun_s = result.curve.time_s[result.curve.time_s.length - 1]!;
  const last = lastBath(plan);
  const isEdgeOnly = [plan, ...(plan.dips ?? [])].every(isPartUnder);
  const bathCold_s = last.bath_C + 5 <= HAND_WARM_C ? bathEnd_s : null;
  const chanceHard = {
    surface: others?.chanceHard.surface ?? hardened(structure, surface),
    centre: others?.chanceHard.centre ?? hardened(structure, centre),
    working: others?.chanceHard[places.edge === null ? "surface" : "edge"] ?? hardened(structure, places.edge ?? surface),
    thickest: others?.chanceHard[places.spine === null ? "centre" : "spine"] ?? hardened(structure, places.spine ?? centre),
  };
  return {
    surface: at("surface"),
    centre: at("centre"),
    edge: places.edge === null ? null : at("edge"),
    spine: places.spine === null ? null : at("spine"),
    martensite: { surface: structure.martensite[surface]!, centre: structure.martensite[centre]! },
    chanceHard,
    firstPull_s: others === null ? null : firstPullOf(others.pulls),
    retainedAustenite: austeniteLeft(structure, centre),
    austenite,
    martensiteStart_C: table.martensiteStart_C,
    noseMargin_s: margin_s,
    turnedInAir: inAir > 0 && noseMargin(toBath, table).margin_s < 0,
    nose_C,
    straighten: windowIn(plan, run, { martensiteStart_C: table.martensiteStart_C, chanceHard, isEdgeOnly }),
    handWarm_s:
      plan.end === undefined
        ? (last.bath_s === null && bathCold_s !== null ? bathCold_s : endOfRun_s + airCooling_s(plan.section, lastHot_C)) - transferEnd_s
        : plan.end.handWarm_s,
    bodyBlack_s: plan.end?.black_s ?? null,
    quenchLine: isPartUnder(plan) || plan.coat ? quenchLine(grid, structure) : null,
    profile: profileOf(plan.section, grid, structure),
    curve: thinned(result.curve, 240),
    startCurve: startCurve(table),
    ae1_C: table.ae1_C,
    crackRisk: crackRisk({
      curve: result.curve,
      martensiteStart_C: table.martensiteStart_C,
      carbon_wtpct: austenite.solution_wtpct.C,
      astmGrain: austenite.astmGrain,
      isWater: [plan, ...(plan.dips ?? [])].some(({ medium }) => isWater(medium)),
    }),
    fractureLook: fractureLook(austenite.astmGrain),
    decarb_mm: run.decarb_mm,
    grindOff_mm: grindOff_mm(run.decarb_mm),
    notices: [
      ...noticesOf(plan, run, chanceHard.thickest, result.outcome),
      ...(plan.end?.again ? [{ code: "body-draws", drawn_C: plan.end.drawn_C } as const] : []),
    ],
  };
}
