/** Conversions between the units of core (C, s, m, kg) and those people write. The only file that holds 273.15. */

const ZERO_CELSIUS_K = 273.15;
const MM_PER_IN = 25.4; // exact, international inch (1959)
const KG_PER_LB = 0.45359237; // exact, international pound (1959)
const LITRE_PER_US_GAL = 3.785411784; // exact, 231 cubic inches
const KPA_PER_PSI = 6.894757293168361; // lbf/in2 from the exact inch, pound and standard gravity

/** Absolute temperature, K. */
export function kelvin(temperature_C: number): number {
  return temperature_C + ZERO_CELSIUS_K;
}

/** Temperature in C of an absolute temperature in K. */
export function celsiusFromKelvin(absolute_K: number): number {
  return absolute_K - ZERO_CELSIUS_K;
}

/** Fahrenheit reading of a temperature. */
export function fahrenheitFromCelsius(temperature_C: number): number {
  return temperature_C * 1.8 + 32;
}

/** Temperature in C of a Fahrenheit reading. */
export function celsiusFromFahrenheit(temperature_F: number): number {
  return (temperature_F - 32) / 1.8;
}

/** A difference of temperature or a rate converts without the 32: 600 F an hour is 333 C an hour. */
export function celsiusDifferenceFromFahrenheit(difference_F: number): number {
  return difference_F / 1.8;
}

/** A difference in F of a difference in C. */
export function fahrenheitDifferenceFromCelsius(difference_K: number): number {
  return difference_K * 1.8;
}

export function millimetresFromInches(length_in: number): number {
  return length_in * MM_PER_IN;
}

export function inchesFromMillimetres(length_mm: number): number {
  return length_mm / MM_PER_IN;
}

export function metresFromMillimetres(length_mm: number): number {
  return length_mm / 1000;
}

export function millimetresFromMetres(length_m: number): number {
  return length_m * 1000;
}

export function kilogramsFromPounds(mass_lb: number): number {
  return mass_lb * KG_PER_LB;
}

export function poundsFromKilograms(mass_kg: number): number {
  return mass_kg / KG_PER_LB;
}

export function litresFromGallons(volume_gal: number): number {
  return volume_gal * LITRE_PER_US_GAL;
}

export function gallonsFromLitres(volume_L: number): number {
  return volume_L / LITRE_PER_US_GAL;
}

export function kilopascalsFromPsi(pressure_psi: number): number {
  return pressure_psi * KPA_PER_PSI;
}

export function psiFromKilopascals(pressure_kPa: number): number {
  return pressure_kPa / KPA_PER_PSI;
}

export function secondsFromMinutes(duration_min: number): number {
  return duration_min * 60;
}

export function minutesFromSeconds(duration_s: number): number {
  return duration_s / 60;
}
