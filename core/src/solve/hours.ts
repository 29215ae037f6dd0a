/** How long a plan takes from the first fire to the last temper, roughly: what parts a way of a morning from one of a day. */

import { canHold } from "../plan/heating.js";
import type { Piece, Route } from "../schema/book.js";
import { airCooling_s } from "../simulate/hardenReadings.js";

/** Until a piece is at heat, from cold: in a fire, in a kiln that is hot; a kiln and an oven until they are settled; min (common practice, no source). */
const IN_FIRE_MIN = 6;
const IN_KILN_MIN = 12;
const KILN_SETTLES_MIN = 40;
const OVEN_SETTLES_MIN = 25;
/** In its bath and until it can be held, then looked at and filed, min (judgement). */
const BATH_MIN = 10;
const RUN_MIN = 5;

/** Out of an oven until it can be held, min (common practice, no source). */
const OUT_OF_OVEN_MIN = 20;

/** Hours a plan lies in the air after its first heats: the same however it is hardened and tempered. */
export function airHours({ section }: Piece, { steps }: Pick<Route, "steps">): number {
  const s = steps.reduce((sum, step) => {
    if (step.kind === "normalise") return sum + airCooling_s(section, step.temperature_C);
    return step.kind === "anneal" ? sum + (3600 * Math.max(0, step.temperature_C - step.to_C)) / step.rate_C_h : sum;
  }, 0);
  return s / 3600;
}

/** h, with a factor of some 1.3 either way: nobody's forge is another's. @param air_h `airHours` of the same plan */
export function hoursOf({ heating, steps }: Route, air_h: number): number {
  const isHeld = canHold(heating);
  const rise_min = isHeld ? IN_KILN_MIN : IN_FIRE_MIN;
  const isTempered = steps.some(({ kind }) => kind === "temper");
  const min = steps.reduce(
    (sum, step) => {
      switch (step.kind) {
        case "quench":
          return sum + BATH_MIN;
        case "run":
          return sum + RUN_MIN;
        case "temper":
          return sum + step.hold_min + OUT_OF_OVEN_MIN;
        case "normalise":
        case "anneal":
        case "harden":
        case "preheat":
          return sum + rise_min + step.hold_min;
      }
    },
    (isHeld ? KILN_SETTLES_MIN : 0) + (isTempered ? OVEN_SETTLES_MIN : 0),
  );
  return air_h + min / 60;
}
