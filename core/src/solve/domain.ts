/** What a planner may choose of a route: heats, holds, baths and tempers within what this shop has and its school allows. */

import type { TemperatureUnit } from "../quantity.js";
import { roundHeat_C } from "../plan/roundHeats.js";
import { isGuessed, isLiquid, isWater, PASTE } from "../heat/bathKind.js";
import { magnetLost_C } from "../kinetics/austenite.js";
import { resolveSteel, type Catalogue, type ResolvedSteel } from "../plan/catalogue.js";
import { inOtherBath, intoOf, lastOf_s, secondDip, type Quench } from "../plan/dips.js";
import { canHold, isByNumber } from "../plan/heating.js";
import { hottest_C, hottestTemper_C, kitOf, VESSEL_C } from "../plan/kit.js";
import { LOWEST_TEMPER_C, structureBeforeHardening, TOUCH_K } from "../plan/route.js";
import { hardeningFrom } from "../plan/way.js";
import type { PriorStructure } from "../kinetics/structure.js";
import type { Piece, Route, Step } from "../schema/book.js";
import { PINS, type Pin } from "../schema/job.js";
import type { Kit } from "../schema/kit.js";
import { LIMITS } from "../schema/limits.js";

export interface Domain {
  readonly steel: ResolvedSteel;
  readonly prior: PriorStructure;
  readonly heats_C: readonly number[];
  readonly holds_min: readonly number[];
  /** Each with the bath it goes into; the planned one first. */
  readonly quenches: readonly Quench[];
  /** None where no oven draws it: the colour that was planned stays. */
  readonly tempers_C: readonly number[];
  readonly counts: readonly number[];
  /** A heat as this shop sets it, C: round in its own unit. */
  readonly asSet: (heat_C: number) => number;
}

/** A fire is tried so far under the published range of a steel, as its schools are; nothing above it, and a kiln inside it, K (judgement). */
const BELOW_K = 15;
const STEP_K = 5;
/** Holds that are tried, min: what a fire bears, and nobody counts shorter ones; and what a kiln does (common practice, no source). */
const IN_FIRE_MIN = [1, 2, 4];
const IN_KILN_MIN = [5, 10, 15, 20, 30];
/** No temper for hardness goes beyond this, C. */
const MOST_TEMPER_C = 650;

export function hardenOf({ steps }: Pick<Route, "steps">): Extract<Step, { kind: "harden" }> {
  return steps.findLast((step): step is Extract<Step, { kind: "harden" }> => step.kind === "harden")!;
}

export function quenchOf({ steps }: Pick<Route, "steps">): Quench {
  return steps.findLast((step): step is Quench => step.kind === "quench")!;
}

/** The tempers after the last bath. */
export function tempersIn({ steps }: Pick<Route, "steps">): readonly Extract<Step, { kind: "temper" }>[] {
  const last = steps.findLastIndex(({ kind }) => kind === "quench");
  return steps
    .slice(last + 1)
    .filter((step): step is Extract<Step, { kind: "temper" }> => step.kind === "temper" && step.why !== "snap-temper");
}

function range(from: number, to: number, step: number): number[] {
  const all: number[] = [];
  for (let x = step * Math.ceil(from / step); x <= to; x += step) all.push(x);
  return all;
}

/** As hot as the fire of a route gets with room to spare, C; null where nobody said. */
function fireEnds_C({ heating }: Route, kit: Kit | null): number {
  if (kit === null) return Infinity;
  const kilns = kitOf(kit, "kiln").map(hottest_C);
  const fires = kitOf(kit, "forge").map(({ chamber_C }) => chamber_C);
  const ends = heating.in === "kiln" ? kilns : heating.in === "forge" || heating.in === "coal" ? fires : [];
  return ends.length === 0 ? Infinity : Math.max(...ends);
}

function heatsOf(route: Route, steel: ResolvedSteel, prior: PriorStructure, kit: Kit | null): number[] {
  const { temperature_C: planned_C } = hardenOf(route);
  const { by } = route.heating;
  // Where the sign is the heat, there is nothing to choose.
  if (by === "touch" || by === "pull") return [planned_C];
  const [low_C, high_C] = (steel.file?.austenitise_C.range ?? [800, 830]) as [number, number];
  const below_K = isByNumber(route.heating) ? 0 : BELOW_K;
  const least_C = Math.max(
    by === "shade" ? magnetLost_C(steel.composition_wtpct, prior) + TOUCH_K : 0,
    Math.min(planned_C, low_C - below_K),
    LIMITS.harden.temperature_C[0],
  );
  const most_C = Math.min(Math.max(planned_C, high_C), fireEnds_C(route, kit), LIMITS.harden.temperature_C[1]);
  return [...new Set([...range(least_C, most_C, STEP_K), planned_C])].sort((a, b) => a - b);
}

/** Alloyed steel cracks in water, and a clad core parts: neither is tried. */
const BEARS_WATER: ReadonlySet<string> = new Set(["high-carbon", "medium-carbon"]);
export function bearsWater({ file }: ResolvedSteel, piece: Piece): boolean {
  return file !== null && BEARS_WATER.has(file.family) && piece.cladding === undefined;
}

/** Of some media those that may be proposed for a piece. */
export function mediaFor(catalogue: Catalogue, piece: Piece, media: readonly string[]): string[] {
  const steel = resolveSteel(catalogue, piece.steel);
  return media.filter((id) => {
    const medium = catalogue.medium(id);
    return medium === undefined || !isWater(medium) || bearsWater(steel, piece);
  });
}

/** The same way through each bath the shop has. A way whose seconds were found for its bath is that bath's. */
function quenchesOf(catalogue: Catalogue, piece: Piece, route: Route, steel: ResolvedSteel, kit: Kit | null): Quench[] {
  const planned = quenchOf(route);
  const { medium: own } = intoOf(planned);
  const isTimed = lastOf_s(planned) !== null || secondDip(planned) !== null;
  if (kit === null || isTimed || !isLiquid(catalogue.medium(own))) return [planned];
  const others = [...new Set(kitOf(kit, "bath").map(({ medium }) => medium))].flatMap((id) => {
    const medium = catalogue.medium(id);
    if (medium === undefined || id === own || id === PASTE || !isLiquid(medium)) return [];
    if (isWater(medium) && !bearsWater(steel, piece)) return [];
    // What nobody measured is used where it is planned, and proposed nowhere.
    if (isGuessed(medium) && !isGuessed(catalogue.medium(own))) return [];
    return [inOtherBath({ ...planned, why: "worked-out" as const }, { medium: id, bath_C: medium.usualBath_C })];
  });
  return [planned, ...others];
}

/** Heats as they are set, the planned one as it stands. */
function asSetAll(heats_C: readonly number[], planned_C: number, asSet: (heat_C: number) => number): number[] {
  return [...new Set([planned_C, ...heats_C.filter((T) => T !== planned_C).map(asSet)])].sort((a, b) => a - b);
}

/** What may be chosen around what was fixed. @param through other ways through the planned bath, with their seconds */
export function domainOf(
  catalogue: Catalogue,
  piece: Piece,
  route: Route,
  kit: Kit | null,
  {
    pins = [],
    through = [],
    unit = "C",
  }: { readonly pins?: readonly Pin[]; readonly through?: readonly Quench[]; readonly unit?: TemperatureUnit } = {},
): Domain {
  const asSet = (heat_C: number): number => (unit === "C" ? heat_C : roundHeat_C(heat_C, unit));
  const steel = resolveSteel(catalogue, piece.steel);
  const prior = structureBeforeHardening(piece, route.steps);
  const heat = hardenOf(route);
  const planned = tempersIn(route);
  const [first] = planned;
  const isPinned = (pin: Pin): boolean => pins.includes(pin);
  const holds = canHold(route.heating) ? IN_KILN_MIN : IN_FIRE_MIN;
  const isBySign = route.heating.by === "touch" || route.heating.by === "pull";
  const least_C = first?.in === undefined ? LOWEST_TEMPER_C : Math.max(LOWEST_TEMPER_C, VESSEL_C[first.in][0]);
  const ends_C = Math.min(MOST_TEMPER_C, hottestTemper_C(kit, piece, first?.in) ?? MOST_TEMPER_C);
  const temperIsFixed = first === undefined || isPinned("temper");
  return {
    steel,
    prior,
    heats_C: isPinned("heat") ? [heat.temperature_C] : asSetAll(heatsOf(route, steel, prior, kit), heat.temperature_C, asSet),
    holds_min: isPinned("heat") || isBySign ? [heat.hold_min] : [...new Set([heat.hold_min, ...holds])].sort((a, b) => a - b),
    quenches: isPinned("bath") ? [quenchOf(route)] : [...quenchesOf(catalogue, piece, route, steel, kit), ...through],
    tempers_C: temperIsFixed ? [] : range(least_C, ends_C, STEP_K),
    counts: temperIsFixed ? [planned.length] : [1, 2],
    asSet,
  };
}

/** What was chosen of a hardening. */
export interface Hardening {
  readonly heat_C: number;
  readonly hold_min: number;
  readonly quench: Quench;
}

/** The route so hardened: of two ends with a heat each, both. What is as planned keeps its reason. */
export function hardenedBy(route: Route, { heat_C, hold_min, quench }: Hardening): Route {
  const from = hardeningFrom(route);
  const { medium, bath_C } = intoOf(quench);
  const planned = quenchOf(route);
  return {
    ...route,
    steps: route.steps.map((step, i): Step => {
      if (i < from) return step;
      if (step.kind === "harden") {
        const isAsPlanned = step.temperature_C === heat_C && step.hold_min === hold_min;
        return isAsPlanned ? step : { ...step, temperature_C: heat_C, hold_min, why: "worked-out" };
      }
      if (step.kind !== "quench" || quench === planned) return step;
      return step === planned ? quench : inOtherBath(step, { medium, bath_C });
    }),
  };
}

/** The route with so many tempers at such a heat in the place of its own. */
export function temperedBy(route: Route, temperature_C: number, count: number): Route {
  const planned = tempersIn(route);
  const [first] = planned;
  const isAsPlanned = planned.length === count && planned.every((step) => step.temperature_C === temperature_C);
  if (first === undefined || isAsPlanned) return route;
  const at = route.steps.indexOf(first);
  const own = new Set<Step>(planned);
  const tempers = Array.from({ length: count }, (_, i): Step => ({
    ...first,
    temperature_C,
    why: i === 0 ? "worked-out" : "second-temper",
  }));
  return {
    ...route,
    steps: [...route.steps.slice(0, at), ...tempers, ...route.steps.slice(at).filter((step) => !own.has(step))],
  };
}

/** What of a plan was changed by hand: that stays, and the rest is worked out around it. Two ends with a heat each: the later one. */
export function pinsBetween(planned: Route, changed: Route): Pin[] {
  const of = (route: Route, pin: Pin): unknown => {
    const heat = hardenOf(route);
    if (pin === "heat") return [heat.temperature_C, heat.hold_min];
    return pin === "bath" ? quenchOf(route) : tempersIn(route).map(({ temperature_C, hold_min }) => [temperature_C, hold_min]);
  };
  return PINS.filter((pin) => JSON.stringify(of(planned, pin)) !== JSON.stringify(of(changed, pin)));
}
