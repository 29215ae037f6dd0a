/** In what units a browser's owner probably thinks, until somebody says otherwise. Pure. */

import type { Units } from "./show.js";

/** Where shops measure in inches and Fahrenheit (common practice, no source). */
const INCHES: ReadonlySet<string> = new Set(["US", "LR"]);
/** Where it is Fahrenheit, and millimetres (CLDR 46, supplemental/units: temperature "US" beside metric lengths). */
const FAHRENHEIT: ReadonlySet<string> = new Set([...INCHES, "BS", "BZ", "KY", "PR", "PW", "FM", "MH"]);

/** @param language as a browser tells it: `en-US`, `de`; one without a country is as most of its speakers write it */
export function unitsOfLocale(language: string | undefined): Units {
  const region = ((): string | undefined => {
    try {
      return language === undefined ? undefined : new Intl.Locale(language).maximize().region;
    } catch {
      return undefined;
    }
  })();
  return {
    temperature: region !== undefined && FAHRENHEIT.has(region) ? "F" : "C",
    length: region !== undefined && INCHES.has(region) ? "in" : "mm",
  };
}
