/** Verb that works a plan out: solve. */

import { CATALOGUE } from "../catalogue.js";
import { InputError } from "../errors.js";
import { missingFor } from "../plan/kit.js";
import { inOtherBath } from "../plan/dips.js";
import { planRoute } from "../plan/route.js";
import type { Piece, Route, Step } from "../schema/book.js";
import { requireAny } from "../schema/checkAll.js";
import type { VerbPin } from "../schema/verbs.js";
import type { Desk } from "../simulate/desk.js";
import { solve, type Comes, type PlannedWay } from "../solve/solve.js";
import { shopOf } from "../standing/known.js";
import { LACK_TEXT, type Said } from "./english.js";
import { startNamed } from "./route.js";
import { wayNamed } from "./wayNamed.js";

const OF_STEP = { heat: "harden", bath: "quench", temper: "temper" } as const;

/** The step as it was fixed. @throws InputError unknown-medium */
function pinned(step: Step, { temperature_C, hold_min, medium, bath_C }: VerbPin): Step {
  if (step.kind === "quench") {
    if (medium === undefined) return step;
    const found = CATALOGUE.medium(medium);
    if (found === undefined)
      throw new InputError({ code: "unknown-medium", path: "/pins", got: medium, allowed: CATALOGUE.media.map(({ id }) => id).join(", ") });
    return inOtherBath(step, { medium, bath_C: bath_C ?? found.usualBath_C });
  }
  if (step.kind !== "harden" && step.kind !== "temper") return step;
  return { ...step, ...(temperature_C === undefined ? {} : { temperature_C }), ...(hold_min === undefined ? {} : { hold_min }) };
}

function pinnedRoute(route: Route, pins: readonly VerbPin[]): Route {
  return {
    ...route,
    steps: route.steps.map((step) => {
      const pin = pins.find((one) => OF_STEP[one.step] === step.kind);
      return pin === undefined ? step : pinned(step, pin);
    }),
  };
}

const said = ({ mean_HRC, p05_HRC, p95_HRC }: Comes) => ({ mean: mean_HRC, p05: p05_HRC, p95: p95_HRC });

export function solveVerb(input: unknown, desk: Desk) {
  const { steel, piece: shape, start, use, school, kit = null, eye_K, wishes, pins = [], ...way } = requireAny("VerbSolve", input);
  const piece: Piece = {
    name: "Piece",
    mark: "1",
    steel: steel.toLowerCase(),
    start: startNamed(start),
    use,
    ...shape,
    ...(wishes === undefined ? {} : { zones: wishes }),
  };
  const route = pinnedRoute(planRoute(CATALOGUE, piece, school, { way: wayNamed(way, piece.section), kit }), pins);
  const known = shopOf(piece, route, kit);
  const shop = eye_K === undefined ? known : { ...known, heat_K: { mean: 0, sd: eye_K } };
  const { ways, today, limits, worth, mayFail, waysOn } = solve(CATALOGUE, piece, route, {
    kit,
    known: shop === undefined ? {} : { shop },
    pins: pins.map(({ step }) => step),
    desk,
  });
  const isBlade = piece.section.shape === "wedge";
  const told = ({ route: { steps }, chance, working, thickest, hours, astmGrain, skin_mm, crackChance, isEmbrittled }: PlannedWay) => ({
    steps,
    chance,
    hrc: { [isBlade ? "edge" : "surface"]: said(working), [isBlade ? "spine" : "centre"]: said(thickest) },
    hours,
    grain: astmGrain,
    skin_mm,
    crackChance,
    isEmbrittled,
  });
  const missing = missingFor(school, kit);
  const notices: Said[] = missing === null ? [] : [{ code: "not-in-kit", message: LACK_TEXT[missing] }];
  return {
    ways: ways.map(({ name, ...way }) => ({ name, ...told(way) })),
    limits: { heat_C: [limits.low_C, limits.high_C], lowBecause: limits.lowBecause, highBecause: limits.highBecause },
    worth,
    mayFail,
    waysOn,
    today: told(today),
    notices,
  };
}
