/** Verbs about what is seen: glow, oxide. */

import { CATALOGUE } from "../catalogue.js";
import { ambientFromLux, glowHex, glowName, isGlowVisible } from "../colour/glow.js";
import { alloyShift_K, filmHex, oxideFilm_nm, oxideName } from "../colour/oxide.js";
import type { Notice } from "../errors.js";
import { resolveSteel } from "../plan/catalogue.js";
import { requireValid } from "../schema/check.js";

export function glowVerb(input: unknown) {
  const { temperature_C, ambient_lux } = requireValid("VerbGlow", input);
  const ambient = ambientFromLux(ambient_lux);
  const notices: Notice[] = ambient_lux >= 20000 ? [{ code: "sunlight", message: "Do not judge a heat in sunlight: go into shade." }] : [];
  return {
    hex: glowHex(temperature_C, ambient),
    name: glowName(temperature_C, ambient),
    visible: isGlowVisible(temperature_C, ambient),
    notices,
  };
}

export function oxideVerb(input: unknown) {
  const { temperature_C, hold_min, steel } = requireValid("VerbOxide", input);
  const shift = steel === undefined ? 0 : alloyShift_K(resolveSteel(CATALOGUE, steel).composition_wtpct);
  const film_nm = oxideFilm_nm({ temperature_C, hold_min, alloyShift_K: shift });
  const notices: Notice[] =
    hold_min < 1 || hold_min > 240
      ? [{ code: "outside-source-range", message: "Outside what the colours were fitted to: 1 minute to 4 hours." }]
      : [];
  return { hex: filmHex(film_nm), name: oxideName(film_nm), film_nm, notices };
}
