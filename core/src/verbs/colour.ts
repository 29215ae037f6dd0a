/** Verbs about what is seen: glow, glow-read, oxide, heat-estimate. */

import { CATALOGUE } from "../catalogue.js";
import { ambientFromLux, glowHex, glowName, isGlowVisible } from "../colour/glow.js";
import { alloyShift_K, filmHex, oxideFilm_nm, oxideName } from "../colour/oxide.js";
import { glowBand } from "../simulate/heatBelief.js";
import { estimateHeat } from "../simulate/heatEstimate.js";
import { resolveSteel } from "../plan/catalogue.js";
import { requireAny } from "../schema/checkAll.js";
import { conflictText, type Said } from "./english.js";
import { magnetPoint } from "../simulate/magnetPoint.js";

export function glowVerb(input: unknown) {
  const { temperature_C, ambient_lux } = requireAny("VerbGlow", input);
  const ambient = ambientFromLux(ambient_lux);
  const notices: Said[] = ambient_lux >= 20000 ? [{ code: "sunlight", message: "Do not judge a heat in sunlight: go into shade." }] : [];
  return {
    hex: glowHex(temperature_C, ambient),
    name: glowName(temperature_C, ambient),
    visible: isGlowVisible(temperature_C, ambient),
    notices,
  };
}

export function oxideVerb(input: unknown) {
  const { temperature_C, hold_min, steel } = requireAny("VerbOxide", input);
  const shift = steel === undefined ? 0 : alloyShift_K(resolveSteel(CATALOGUE, steel).composition_wtpct);
  const film_nm = oxideFilm_nm({ temperature_C, hold_min, alloyShift_K: shift });
  const notices: Said[] =
    hold_min < 1 || hold_min > 240
      ? [{ code: "outside-source-range", message: "Outside what the colours were fitted to: 1 minute to 4 hours." }]
      : [];
  return { hex: filmHex(film_nm), name: oxideName(film_nm), film_nm, notices };
}

export function glowReadVerb(input: unknown) {
  const { name, ambient_lux } = requireAny("VerbGlowRead", input);
  const { mean_C, sd_C, low_C, high_C } = glowBand(name, ambient_lux, "/name");
  return { mean_C, sd_C, low_C, high_C };
}

/** How unsure a rate is that somebody typed, as a share of it (judgement). */
const RATE_UNSURE = 0.4;

export function heatEstimateVerb(input: unknown) {
  const { steel, priorStructure, direction, evidence, wanted_C, window_C, rate_C_min, eye } = requireAny("VerbHeatEstimate", input);
  const { composition_wtpct } = resolveSteel(CATALOGUE, steel);
  const { mean_C, sd_C, p05_C, p95_C, conflict, chanceInWindow } = estimateHeat({
    evidence,
    magnet: magnetPoint(composition_wtpct, priorStructure ?? "pearlite", direction),
    ...(wanted_C === undefined ? {} : { wanted_C }),
    ...(window_C === undefined ? {} : { window_C: [window_C[0]!, window_C[1]!] as const }),
    ...(rate_C_min === undefined ? {} : { drift: { rate_K_s: rate_C_min / 60, unsure: RATE_UNSURE } }),
    ...(eye === undefined ? {} : { eye }),
  });
  const notices: Said[] = conflict === null ? [] : [{ code: "conflict", message: conflictText(conflict) }];
  return {
    mean_C,
    sd_C,
    p05_C,
    p95_C,
    conflict: conflict !== null,
    ...(conflict === null ? {} : { odd: conflict.odd }),
    chanceInWindow,
    notices,
  };
}
