/** Colour of the heat line at a temperature: glow where it glows, film from the first temper on, steel between. */

import { alloyShiftOf_K } from "../format/alloyShift.js";
import { ambientFromLux, filmHex, glowHex, isGlowVisible, oxideFilm_nm } from "@tembrak/core";
import { onRibbon, type Ribbon } from "./ribbon.js";

export interface ColourStop {
  readonly at: number;
  readonly colour: string;
}

const STOPS = 220;

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
      return { at: x, colour: film_nm < 3 ? "var(--pale)" : filmHex(film_nm) };
    }
    if (surface === "hard") return { at: x, colour: "var(--pale)" };
    return { at: x, colour: isGlowVisible(temperature_C, ambient) ? glowHex(temperature_C, ambient) : "var(--line2)" };
  });
}
