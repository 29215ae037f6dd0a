/** Verbs about the shop: fit, warm-up, calibrate. */

import { CATALOGUE, formOf } from "../catalogue.js";
import { calibrate } from "../evidence/calibration.js";
import { fitProblems, mass_kg } from "../plan/fit.js";
import { missingFor } from "../plan/kit.js";
import { planRoute } from "../plan/route.js";
import { requireAny } from "../schema/checkAll.js";
import { warmUp } from "../simulate/warmUp.js";
import { LACK_TEXT, WAY_ON_TEXT } from "./english.js";
import { wayNamed } from "./wayNamed.js";

export function fitVerb(input: unknown) {
  const { piece, school, kit, ...said } = requireAny("VerbFit", input);
  const route = planRoute(CATALOGUE, piece, school, { way: wayNamed(said, piece.section), kit });
  const lack = missingFor(school, kit);
  return {
    mass_kg: mass_kg(piece, formOf(piece)),
    missing: lack === null ? null : LACK_TEXT[lack],
    problems: fitProblems(CATALOGUE, piece, formOf(piece), route, kit).map((p) => ({ ...p, ways: p.ways.map((way) => WAY_ON_TEXT[way]) })),
  };
}

export function warmUpVerb(input: unknown) {
  const { piece, fire, target_C, start_C, ...said } = requireAny("VerbWarmUp", input);
  const { allThere_s, first, ahead_K, zones } = warmUp(
    piece,
    formOf(piece),
    wayNamed(said, piece.section).hardens,
    fire,
    target_C,
    start_C,
  );
  return { allThere_s, first, ahead_K, zones: zones.map(({ zone, arrives_s }) => ({ zone, arrives_s })) };
}

export function calibrateVerb(input: unknown) {
  return calibrate(requireAny("VerbCalibrate", input).readings);
}
