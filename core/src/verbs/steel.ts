/** Verbs about the steel itself: steels, transformations. */

import { CATALOGUE } from "../catalogue.js";
import { resolveSteel } from "../plan/catalogue.js";
import { requireAny } from "../schema/checkAll.js";
import { moreCarbon, soakFor_s, wantedCarbon_wtpct } from "../kinetics/soak.js";
import type { Said } from "./english.js";
import { transformations, usualSolution } from "../simulate/transformations.js";

export function steelsVerb(input: unknown) {
  requireAny("VerbSteels", input ?? {});
  return CATALOGUE.steels.map(
    ({ id, name, family, about, composition_wtpct, austenitise_C, normalise_C, soak_min, soakDemand, bath, temper }) => ({
      id,
      name,
      composition_wtpct: composition_wtpct.value,
      family,
      about,
      austenitise_C: austenitise_C.range,
      normalise_C: normalise_C.value,
      soakDemand,
      soak_min: soak_min.base,
      bath: bath.medium,
      nominalAsQuenched_hrc: temper.nominalAsQuenched_HRC ?? null,
      embrittlement_C: temper.embrittlement_C,
      source: { composition: composition_wtpct.source, heats: austenitise_C.source, temper: temper.source },
    }),
  );
}

/** Notices for a composition outside what the formulas were made for. */
function compositionNotices({ C, Cr, Ni, Mn }: { C: number; Cr: number; Ni: number; Mn: number }): Said[] {
  if (C < 0.1 || C > 1.2 || Cr > 2 || Ni > 4 || Mn > 2) {
    return [{ code: "outside-source-range", message: "The published formulas were fitted to 0.1 to 1.2 % carbon and low alloy." }];
  }
  return [];
}

export function transformationsVerb(input: unknown) {
  const { steel, astmGrain, priorStructure } = requireAny("VerbTransformations", input);
  const { composition_wtpct, file } = resolveSteel(CATALOGUE, steel);
  const prior = priorStructure ?? "pearlite";
  const notices = compositionNotices(composition_wtpct);
  if (astmGrain !== undefined) notices.push({ code: "grain-not-used", message: "The formulas used here do not depend on grain." });
  const range_C = file?.austenitise_C.range;
  const solution = range_C === undefined ? null : usualSolution(composition_wtpct, prior, 0.5 * (range_C[0]! + range_C[1]!));
  return { ...transformations(composition_wtpct, prior, solution), notices };
}

export function soakVerb(input: unknown) {
  const { steel, priorStructure, temperature_C, hold_min = 0, wanted_wtpct } = requireAny("VerbSoak", input);
  const { composition_wtpct } = resolveSteel(CATALOGUE, steel);
  const wanted = wanted_wtpct ?? wantedCarbon_wtpct(composition_wtpct);
  const question = { steel: composition_wtpct, prior: priorStructure, heat_C: temperature_C, wanted_wtpct: wanted };
  const soak_s = soakFor_s(question);
  const { hotter_K } = moreCarbon({ ...question, hold_s: hold_min * 60 });
  return {
    wanted_wtpct: wanted,
    hold_min: soak_s === null ? null : soak_s / 60,
    heatForHold_C: hotter_K === null ? null : temperature_C + hotter_K,
    notices: compositionNotices(composition_wtpct),
  };
}
