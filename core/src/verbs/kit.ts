/** Verbs about the shop: fit, warm-up, calibrate. */

import { CATALOGUE, formOf } from "../catalogue.js";
import { calibrate } from "../evidence/calibration.js";
import { fitProblems, mass_kg } from "../plan/fit.js";
import { missingFor } from "../plan/kit.js";
import { planRoute } from "../plan/route.js";
import { requireAny } from "../schema/checkAll.js";
import { warmUp } from "../simulate/warmUp.js";

export function fitVerb(input: unknown) {
  const { piece, school, way, kit } = requireAny("VerbFit", input);
  const route = planRoute(CATALOGUE, piece, school, { ...(way === undefined ? {} : { way }), kit });
  return {
    mass_kg: mass_kg(piece, formOf(piece)),
    missing: missingFor(school, kit),
    problems: fitProblems(CATALOGUE, piece, formOf(piece), route, kit),
  };
}

export function warmUpVerb(input: unknown) {
  const { piece, way, fire, target_C, start_C } = requireAny("VerbWarmUp", input);
  const { allThere_s, first, ahead_K, zones } = warmUp(piece, formOf(piece), way, fire, target_C, start_C);
  return { allThere_s, first, ahead_K, zones: zones.map(({ zone, arrives_s }) => ({ zone, arrives_s })) };
}

export function calibrateVerb(input: unknown) {
  return calibrate(requireAny("VerbCalibrate", input).readings);
}
