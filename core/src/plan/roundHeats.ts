/** Heats of a plan as one sets them: whole fives of Celsius, whole tens of Fahrenheit. */

import { intoOf, withInto } from "./dips.js";
import type { TemperatureUnit } from "../quantity.js";
import type { Step } from "../schema/book.js";
import {
  celsiusDifferenceFromFahrenheit,
  celsiusFromFahrenheit,
  fahrenheitDifferenceFromCelsius,
  fahrenheitFromCelsius,
} from "../units.js";

const STEP_C = 5;
/** As dials and charts in Fahrenheit are read (common practice, no source). */
const STEP_F = 10;
/** Cooling by the hour, F. */
const RATE_STEP_F_h = 50;
/** A slower rate is set by fives, F an hour. */
const SLOW_F_h = 100;

type Rounding = (value: number) => number;

/**
 * The nearest heat one would set, C.
 *
 * @param most_C never rounded up above this: what the oven or the kiln can reach. What is above it as it stands stays there: that it cannot be
 * had is told by what does not fit, not by a plan of another heat.
 */
export function roundHeat_C(temperature_C: number, unit: TemperatureUnit, most_C = Infinity, round: Rounding = Math.round): number {
  const in_C = (steps: number): number => (unit === "C" ? STEP_C * steps : celsiusFromFahrenheit(STEP_F * steps));
  const value = unit === "C" ? temperature_C / STEP_C : fahrenheitFromCelsius(temperature_C) / STEP_F;
  const steps = round(value);
  return in_C(steps) <= most_C || temperature_C > most_C
    ? in_C(steps)
    : in_C(Math.floor(unit === "C" ? most_C / STEP_C : fahrenheitFromCelsius(most_C) / STEP_F));
}

/** A rate of cooling as one sets it, C an hour. */
function wholeRate(rate_C_h: number): number {
  const rate_F_h = fahrenheitDifferenceFromCelsius(rate_C_h);
  const step_F_h = rate_F_h < SLOW_F_h ? 5 : RATE_STEP_F_h;
  return celsiusDifferenceFromFahrenheit(Math.max(step_F_h, step_F_h * Math.round(rate_F_h / step_F_h)));
}

/** Ends of what holds the steps, C; null where nobody has said. */
export interface Ends {
  readonly heat_C: number | null;
  readonly temper_C: number | null;
}

/** A step with its heats as that shop sets them. Made in Celsius it is in whole fives already. */
function rounded(step: Step, { heat_C, temper_C }: Ends): Step {
  const heat = (T: number, most_C: number | null = heat_C): number => roundHeat_C(T, "F", most_C ?? Infinity);
  switch (step.kind) {
    case "normalise":
    case "preheat":
      return { ...step, temperature_C: heat(step.temperature_C) };
    case "harden":
      return {
        ...step,
        temperature_C: heat(step.temperature_C),
        ...(step.fallTo_C === undefined ? {} : { fallTo_C: heat(step.fallTo_C, null) }),
      };
    case "anneal": {
      // Under the change: never rounded up into it.
      const temperature_C =
        step.how === "sub-critical" ? roundHeat_C(step.temperature_C, "F", Infinity, Math.floor) : heat(step.temperature_C);
      return { ...step, temperature_C, rate_C_h: wholeRate(step.rate_C_h), to_C: heat(step.to_C, null) };
    }
    case "quench":
      return withInto(step, { bath_C: heat(intoOf(step).bath_C, null) });
    case "temper":
      return { ...step, temperature_C: heat(step.temperature_C, temper_C) };
    // A colour is what it is.
    case "run":
      return step;
  }
}

/** The steps as a shop of that unit sets them. */
export function roundSteps(steps: readonly Step[], unit: TemperatureUnit, ends: Ends): Step[] {
  return unit === "C" ? [...steps] : steps.map((step) => rounded(step, ends));
}
