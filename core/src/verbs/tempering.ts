/** Verbs about tempering: temper, temper-for, dip, warp, settling, falling. */

import type { Static } from "@sinclair/typebox";
import { CATALOGUE } from "../catalogue.js";
import { alloyShift_K, filmHex, growFilm_nm, oxideName } from "../colour/oxide.js";
import { InputError } from "../errors.js";
import { falling } from "../evidence/falling.js";
import { settling, type OvenReading } from "../evidence/settling.js";
import { vickersFromRockwellC } from "../kinetics/hardness.js";
import { TEMPER_SEARCH_C, temperatureForHardness, temperedHardness } from "../kinetics/temper.js";
import { resolveSteel, type ResolvedSteel } from "../plan/catalogue.js";
import { dipOf } from "../plan/dip.js";
import { targetOf } from "../plan/route.js";
import { requireAny } from "../schema/checkAll.js";
import type { VERB_SCHEMAS } from "../schema/verbs.js";
import { warpOf } from "../standing/warp.js";
import type { Said } from "./english.js";

type AsQuenched = Static<(typeof VERB_SCHEMAS)["VerbTemper"]>["asQuenched"];

/** As quenched, HRC, and how far off that may be; undefined where nobody measured it. */
function asQuenchedOf(given: AsQuenched): { readonly mean_HRC: number | undefined; readonly sd_HRC: number } {
  const hrc = given?.hrc;
  return typeof hrc === "object" ? { mean_HRC: hrc.mean, sd_HRC: hrc.sd ?? 0 } : { mean_HRC: hrc, sd_HRC: 0 };
}

/** What is to be said of a temper of that worth. */
function temperNotices({ temper, file }: ResolvedSteel, equivalent_C: number, asQuenched_HRC: number): Said[] {
  const notices: Said[] = [];
  if (equivalent_C > 480)
    notices.push({ code: "outside-source-range", message: "Above 480 C equivalent the curve is good to about 3 HRC." });
  if (equivalent_C < 150) notices.push({ code: "stress-not-relieved", message: "Below 150 C for an hour plain steel keeps its stresses." });
  if (temper.nominal_HRC - asQuenched_HRC > 3) {
    notices.push({
      code: "soft-as-quenched",
      message: "Soft after the quench: slack quench, lost carbon or kept austenite. A temper does not mend the first.",
    });
  }
  if (file === null) notices.push({ code: "unlisted-steel", message: "Not a listed steel: general curve, wider spread." });
  return notices;
}

function isInDip({ file }: ResolvedSteel, equivalent_C: number): boolean {
  const band = file?.temper.embrittlement_C;
  return band !== undefined && equivalent_C >= band[0]! && equivalent_C <= band[1]!;
}

export function temperVerb(input: unknown) {
  const { steel, asQuenched, retainedAustenite, cycles } = requireAny("VerbTemper", input);
  const resolved = resolveSteel(CATALOGUE, steel);
  const { mean_HRC: asQuenched_HRC, sd_HRC } = asQuenchedOf(asQuenched);
  const at = (aq?: number) =>
    temperedHardness({
      steel: resolved.temper,
      cycles,
      ...(aq === undefined ? {} : { asQuenched_HRC: aq }),
      ...(retainedAustenite === undefined ? {} : { retainedAustenite }),
    });
  const { hardness_HRC, equivalent_C, model_HRC } = at(asQuenched_HRC);
  const aq = asQuenched_HRC ?? resolved.temper.nominal_HRC;
  const perPoint = hardness_HRC - at(aq - 1).hardness_HRC;
  const shift = alloyShift_K(resolved.composition_wtpct);
  const film_nm = cycles.reduce((film, cycle) => growFilm_nm(film, { ...cycle, alloyShift_K: shift }), 0);
  return {
    hrc: { mean: hardness_HRC, sd: Math.hypot(model_HRC, perPoint * sd_HRC) },
    hv: vickersFromRockwellC(hardness_HRC),
    equivalent_C,
    embrittlement: isInDip(resolved, equivalent_C),
    oxide: { name: oxideName(film_nm), hex: filmHex(film_nm) },
    notices: temperNotices(resolved, equivalent_C, aq),
  };
}

/** Nine in ten lie within so many standard deviations. */
const NINE_IN_TEN = 1.645;

/** The heat of tempers still to come that gives a hardness, and between which heats it may truly lie. */
export function temperForVerb(input: unknown) {
  const { steel, asQuenched, target, cycles, hold_min, done = [] } = requireAny("VerbTemperFor", input);
  const resolved = resolveSteel(CATALOGUE, steel);
  const { mean_HRC, sd_HRC } = asQuenchedOf(asQuenched);
  const aq = mean_HRC ?? resolved.temper.nominal_HRC;
  const holds_min = Array.from({ length: cycles }, () => hold_min);
  const at = (temperature_C: number, from_HRC = aq) =>
    temperedHardness({
      steel: resolved.temper,
      cycles: [...done, ...holds_min.map((hold) => ({ temperature_C, hold_min: hold }))],
      asQuenched_HRC: from_HRC,
    });
  const find = (target_HRC: number) => temperatureForHardness({ steel: resolved.temper, target_HRC, holds_min, done, asQuenched_HRC: aq });
  const [coolest_C, hottest_C] = TEMPER_SEARCH_C;
  const heatFor = (target_HRC: number): number => {
    const answer = find(target_HRC);
    if (answer.outcome === "found") return answer.temperature_C;
    return answer.outcome === "too-hard-to-reach" ? coolest_C : hottest_C;
  };
  const found = find(target.hrc);
  const temperature_C = heatFor(target.hrc);
  const { equivalent_C, model_HRC, hardness_HRC } = at(temperature_C);
  const sd = Math.hypot(model_HRC, (hardness_HRC - at(temperature_C, aq - 1).hardness_HRC) * sd_HRC);
  const warnings = temperNotices(resolved, equivalent_C, aq);
  if (found.outcome !== "found") {
    const nearest = `${hardness_HRC.toFixed(1)} HRC at ${Math.round(temperature_C)} C is the nearest.`;
    const why = found.outcome === "too-hard-to-reach" ? "No temper leaves it so hard" : "No temper up to 700 C makes it so soft";
    warnings.push({ code: "not-reachable", message: `${why}: ${nearest}` });
  }
  if (isInDip(resolved, equivalent_C)) {
    warnings.push({ code: "embrittlement", message: "In the dip of toughness of this steel: `dip` gives the two ways round it." });
  }
  return {
    temperature_C,
    low_C: heatFor(target.hrc + NINE_IN_TEN * sd),
    high_C: heatFor(target.hrc - NINE_IN_TEN * sd),
    reachable: found.outcome === "found",
    hrc: { mean: hardness_HRC, sd },
    warnings,
  };
}

export function dipVerb(input: unknown) {
  const { steel, asQuenched, temperature_C, holds_min, use, hottest_C = null } = requireAny("VerbDip", input);
  const resolved = resolveSteel(CATALOGUE, steel);
  const asQuenched_HRC = asQuenchedOf(asQuenched).mean_HRC ?? resolved.temper.nominal_HRC;
  const dip = dipOf(temperature_C, { steel: resolved, holds_min, asQuenched_HRC, use: targetOf(CATALOGUE, { use }), hottest_C });
  if (dip === null) return { isIn: false };
  const way = (around: typeof dip.cooler) =>
    around === null ? null : { temperature_C: around.temperature_C, hrc: around.hardness_HRC, isInUse: around.isInUse };
  return { isIn: true, from_C: dip.from_C, to_C: dip.to_C, cooler: way(dip.cooler), hotter: way(dip.hotter) };
}

export function warpVerb(input: unknown) {
  const { section, length_mm, log } = requireAny("VerbWarp", input);
  const now = warpOf(log, { section, length_mm });
  if (now === null) throw new InputError({ code: "no-evidence", path: "/log", message: "/log: a warp has to be measured first" });
  return now;
}

/** @throws InputError inconsistent for readings that run backwards in time. */
function inOrder(readings: readonly OvenReading[]): readonly OvenReading[] {
  readings.forEach(({ time_min }, i) => {
    const before = readings[i - 1]?.time_min ?? -Infinity;
    if (time_min >= before) return;
    const path = `/readings/${i}/time_min`;
    throw new InputError({
      code: "inconsistent",
      path,
      got: time_min,
      allowed: `${before} and later`,
      message: `${path}: ${time_min} min comes after ${before} min; readings stand in the order they were taken`,
    });
  });
  return readings;
}

export function settlingVerb(input: unknown) {
  const { readings, set_C = null } = requireAny("VerbSettling", input);
  return settling(inOrder(readings), set_C) ?? { isTold: false };
}

export function fallingVerb(input: unknown) {
  const { readings, target_C } = requireAny("VerbFalling", input);
  return falling(inOrder(readings), target_C) ?? { isThere: true };
}
