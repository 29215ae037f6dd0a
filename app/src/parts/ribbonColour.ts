/** Colour of the heat line at a temperature: glow where it glows, film from the first temper on, steel between. */

import { alloyShiftOf_K } from "../format/alloyShift.js";
import { ambientFromLux, filmHex, glowHex, isGlowVisible, oxideFilm_nm } from "@tembrak/core";
import { onRibbon, type Ribbon } from "./ribbon.js";

export interface ColourStop {
  readonly at: number;
  readonly colour: string;
}

const STOPS = 220;
/** Colours no eye tells apart are worked out once: films by the half nanometre, glows by two degrees. */
const FILM_STEP_nm = 0.5;
const GLOW_STEP_K = 2;

const films = new Map<number, string>();
const glows = new Map<string, string>();

function from<K>(known: Map<K, string>, key: K, make: () => string): string {
  const colour = known.get(key) ?? make();
  known.set(key, colour);
  return colour;
}

/** The colour of a film, by the half nanometre. */
export function filmColour(film_nm: number): string {
  const step = Math.round(film_nm / FILM_STEP_nm);
  return from(films, step, () => filmHex(step * FILM_STEP_nm));
}

function glowColour(temperature_C: number, lux: number): string {
  const step = Math.round(temperature_C / GLOW_STEP_K);
  return from(glows, `${lux} ${step}`, () => glowHex(step * GLOW_STEP_K, ambientFromLux(lux)));
}

/** Stops along the line. The film of a temper only grows: what was coloured stays coloured when it cools. */
export function ribbonStops(ribbon: Ribbon, steelId: string, lux: number, holds_min: ReadonlyMap<number, number>): ColourStop[] {
  const ambient = ambientFromLux(lux);
  const shift = alloyShiftOf_K(steelId);
  let film_nm = 0;
  return Array.from({ length: STOPS + 1 }, (_, i) => {
    const x = i / STOPS;
    const { temperature_C, surface } = onRibbon(ribbon, x);
    if (surface === "oxide") {
      const step = ribbon.spans.find((span) => x >= span.x0 && x <= span.x1);
      const hold_min = step ? (holds_min.get(step.step) ?? 60) : 60;
      film_nm = Math.max(film_nm, oxideFilm_nm({ temperature_C, hold_min, alloyShift_K: shift }));
      return { at: x, colour: film_nm < 3 ? "var(--pale)" : filmColour(film_nm) };
    }
    if (surface === "hard") return { at: x, colour: "var(--pale)" };
    return { at: x, colour: isGlowVisible(temperature_C, ambient) ? glowColour(temperature_C, lux) : "var(--line2)" };
  });
}
