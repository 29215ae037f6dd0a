/** Verb about what to do: route. */

import { CATALOGUE, formOf } from "../catalogue.js";
import { InputError } from "../errors.js";
import { fitProblems } from "../plan/fit.js";
import { missingFor } from "../plan/kit.js";
import { intoOf } from "../plan/dips.js";
import { planRoute } from "../plan/route.js";
import type { Piece, Start } from "../schema/book.js";
import { requireAny } from "../schema/checkAll.js";
import type { Desk } from "../simulate/desk.js";
import { predict } from "../simulate/predict.js";
import { LACK_TEXT, REASON_TEXT, saidNotices, WAY_ON_TEXT, type Said } from "./english.js";
import { wayNamed } from "./wayNamed.js";

/** What each word for where steel comes from means here: bought and reclaimed stock is taken as coarse, the slowest to harden. */
const STARTS: Readonly<Record<string, Start>> = {
  forged: "as-forged",
  "as-supplied": "coarse-spheroidised",
  reclaimed: "coarse-spheroidised",
};

export function startNamed(start: string): Start {
  return STARTS[start] ?? (start as Start);
}

export function routeVerb(input: unknown, desk: Desk) {
  const { steel, piece: shape, start, use, school, kit = null, ...said } = requireAny("VerbRoute", input);
  if (typeof steel !== "string") {
    throw new InputError({
      code: "unknown-steel",
      path: "/steel",
      message: "/steel: a route needs a steel of the catalogue; harden takes any composition",
    });
  }
  const piece: Piece = { name: "Piece", mark: "1", steel: steel.toLowerCase(), start: startNamed(start), use, ...shape };
  const route = planRoute(CATALOGUE, piece, school, { way: wayNamed(said, piece.section), kit });
  const { working, hardening, notices } = predict(CATALOGUE, piece, route, "full", undefined, desk);
  const warnings: Said[] = saidNotices(notices);
  if (start === "reclaimed") {
    warnings.push({ code: "unknown-stock", message: "Reclaimed steel may be another grade: harden and break a coupon of it first." });
  }
  const missing = missingFor(school, kit);
  if (missing !== null) warnings.push({ code: "not-in-kit", message: LACK_TEXT[missing] });
  for (const { place, item, what, ways } of fitProblems(CATALOGUE, piece, formOf(piece), route, kit)) {
    warnings.push({ code: "does-not-fit", message: `${item} (${place}): ${what}. ${ways.map((way) => WAY_ON_TEXT[way]).join(" ")}` });
  }
  return {
    steps: route.steps.map((step) => {
      const { kind, ...rest } = step;
      // The bath it goes into first is said beside its dips.
      const first = step.kind === "quench" ? intoOf(step) : {};
      return { kind, ...first, ...rest, reason: REASON_TEXT[rest.why] };
    }),
    expected: { hrc: { mean: working.tempered.mean_HRC, sd: working.tempered.sd_HRC }, chanceHard: hardening.chanceHard.working },
    warnings,
  };
}
