/** What the user reads: every quantity in the units of the shop, with no more decimals than the model carries. */

import {
  celsiusDifferenceFromFahrenheit,
  celsiusFromFahrenheit,
  fahrenheitDifferenceFromCelsius,
  fahrenheitFromCelsius,
  gallonsFromLitres,
  inchesFromMillimetres,
  kilopascalsFromPsi,
  psiFromKilopascals,
  type LengthUnit,
  type TemperatureUnit,
} from "@tembrak/core";

export interface Units {
  readonly temperature: TemperatureUnit;
  readonly length: LengthUnit;
}

/** To a millionth of the shown unit, so that a typed number comes back as it was typed. */
function steady(value: number): number {
  return Math.round(value * 1e6) / 1e6;
}

/** Number of a temperature in the shop's unit. */
export function temperatureNumber(temperature_C: number, { temperature }: Units): number {
  return steady(temperature === "F" ? fahrenheitFromCelsius(temperature_C) : temperature_C);
}

/** `815°`: the unit stands once in the title block. */
export function showDegrees(temperature_C: number, units: Units): string {
  return `${Math.round(temperatureNumber(temperature_C, units))}°`;
}

/** `815 °C`, where it stands alone. */
export function showTemperature(temperature_C: number, units: Units): string {
  return `${Math.round(temperatureNumber(temperature_C, units))} °${units.temperature}`;
}

const TICKS = { C: { each: 20, numbered: 40 }, F: { each: 20, numbered: 100 } } as const;

/** Ticks between two heats at round numbers of the shop's own unit; every so many is numbered. */
export function ticksIn(low_C: number, high_C: number, units: Units): readonly { readonly at_C: number; readonly isNumbered: boolean }[] {
  const { each, numbered } = TICKS[units.temperature];
  const [low, high] = [temperatureNumber(low_C, units), temperatureNumber(high_C, units)];
  const first = Math.ceil(low / each) * each;
  return Array.from({ length: Math.max(0, Math.floor((high - first) / each) + 1) }, (_, i) => {
    const at = first + each * i;
    return { at_C: units.temperature === "F" ? celsiusFromFahrenheit(at) : at, isNumbered: at % numbered === 0 };
  });
}

/** Marks of an axis in C: the round numbers of the shop's own unit. */
export function axisTicks_C(of: { readonly C: readonly number[]; readonly F: readonly number[] }, { temperature }: Units): number[] {
  return temperature === "C" ? [...of.C] : of.F.map(celsiusFromFahrenheit);
}

/** `28°` as a difference: converts without the 32. */
export function showDifference(difference_K: number, { temperature }: Units): string {
  return `${Math.round(temperature === "F" ? fahrenheitDifferenceFromCelsius(difference_K) : difference_K)}°`;
}

/** Number of a difference, or a rate, of temperature: it converts without the 32. */
export function differenceText(difference_K: number, { temperature }: Units): string {
  return String(Math.round((temperature === "F" ? fahrenheitDifferenceFromCelsius(difference_K) : difference_K) * 10) / 10);
}

/** What a typed difference means, C. */
export function differenceFromText(typed: number, { temperature }: Units): number {
  return temperature === "F" ? celsiusDifferenceFromFahrenheit(typed) : typed;
}

/** The same difference in the unit the shop does not use. */
export function otherDifference(difference_K: number, { temperature, length }: Units): string {
  const other: Units = { temperature: temperature === "F" ? "C" : "F", length };
  return `${Math.round(Number(differenceText(difference_K, other)))} °${other.temperature}`;
}

const SIXTEENTH = 64;

function fraction(length_in: number, finest = SIXTEENTH): string {
  const parts = Math.round(length_in * finest);
  const whole = Math.floor(parts / finest);
  let [top, bottom] = [parts % finest, finest];
  while (top > 0 && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  if (top === 0) return `${whole}`;
  return whole > 0 ? `${whole} ${top}/${bottom}` : `${top}/${bottom}`;
}

/** The finest line of a rule for a length, from so many inches on. */
const RULE = [
  { over_in: 2, finest: 16 },
  { over_in: 0.5, finest: 32 },
  { over_in: 1 / 32, finest: 64 },
] as const;

/** Number of a length as a drawing has it: `4.8`, `376`, or `3/16`, `14 13/16`. */
export function lengthNumber(length_mm: number, { length }: Units): string {
  if (length === "in") {
    const inches = inchesFromMillimetres(length_mm);
    // As a rule has it: sixteenths, finer where it is thin; what is thinner than a rule tells stands in thousandths.
    const finest = RULE.find(({ over_in }) => inches >= over_in)?.finest;
    return finest === undefined ? String(steady(Math.round(inches * 1000) / 1000)) : fraction(inches, finest);
  }
  return length_mm >= 100 ? String(Math.round(length_mm)) : String(steady(Math.round(length_mm * 10) / 10));
}

/** Gauges of gas: psi where lengths are inches. */
export function pressureUnit({ length }: Units): "kPa" | "psi" {
  return length === "in" ? "psi" : "kPa";
}

export function pressureText(pressure_kPa: number, { length }: Units): string {
  return String(Math.round(10 * (length === "in" ? psiFromKilopascals(pressure_kPa) : pressure_kPa)) / 10);
}

/** What a typed pressure means, kPa. */
export function pressureFromText(typed: number, { length }: Units): number {
  return length === "in" ? kilopascalsFromPsi(typed) : typed;
}

const G_PER_OZ = 28.349523125;
const OZ_PER_LB = 16;

/** `480 g`, `5.65 kg`, or `12 lb 7 oz`, `9 oz`. */
export function showMass(mass_kg: number, { length }: Units): string {
  if (length === "mm") return mass_kg < 1 ? `${Math.round(1000 * mass_kg)} g` : `${mass_kg.toFixed(mass_kg < 10 ? 2 : 1)} kg`;
  const ounces = (1000 * mass_kg) / G_PER_OZ;
  if (ounces < 1) return `${ounces.toFixed(1)} oz`;
  const whole = Math.round(ounces);
  const [pounds, rest] = [Math.floor(whole / OZ_PER_LB), whole % OZ_PER_LB];
  return pounds === 0 ? `${rest} oz` : `${pounds} lb${rest === 0 ? "" : ` ${rest} oz`}`;
}

/** `20 L`, or US gallons: `5.3 gal`. */
export function showVolume(volume_L: number, { length }: Units): string {
  const [number, unit] = length === "mm" ? [volume_L, "L"] : [gallonsFromLitres(volume_L), "gal"];
  return `${number.toFixed(number < 10 ? 1 : 0)} ${unit}`;
}

/** `4.8 mm` or `3/16 in`. */
export function showLength(length_mm: number, units: Units): string {
  return `${lengthNumber(length_mm, units)} ${units.length}`;
}

/** Less than a millimetre, to be ground off: `0.2 mm` or `0.008 in`. */
export function showThin(length_mm: number, { length }: Units): string {
  return length === "mm" ? `${length_mm.toFixed(length_mm < 0.1 ? 2 : 1)} mm` : `${inchesFromMillimetres(length_mm).toFixed(3)} in`;
}

/** As near as this a line of the rule says it, as a share of the length. */
const RULE_SAYS = 0.005;

/**
 * The text a field starts with, as one would write it: `240`, `9 7/16`, `0.118` where no line of the rule is near. What is stored changes only
 * where somebody types.
 */
export function lengthText(length_mm: number, units: Units): string {
  if (units.length === "mm") return String(steady(length_mm));
  const inches = inchesFromMillimetres(length_mm);
  const parts = Math.round(inches * SIXTEENTH);
  if (Math.abs(parts / SIXTEENTH - inches) < 1e-7) return fraction(inches);
  const ruled = RULE.find(({ over_in }) => inches >= over_in)?.finest ?? SIXTEENTH;
  const onRule = Math.round(inches * ruled) / ruled;
  return onRule > 0 && Math.abs(onRule / inches - 1) < RULE_SAYS ? fraction(inches, ruled) : String(Math.round(inches * 1000) / 1000);
}

export function temperatureText(temperature_C: number, units: Units): string {
  return String(temperatureNumber(temperature_C, units));
}

/** `9 s`, `26 min`, `2 h 34`. */
export function showDuration(duration_s: number): string {
  if (duration_s < 90) return `${Math.round(duration_s)} s`;
  const minutes = Math.round(duration_s / 60);
  if (minutes < 90) return `${minutes} min`;
  const rest = minutes % 60;
  return `${Math.floor(minutes / 60)} h${rest === 0 ? "" : ` ${String(rest).padStart(2, "0")}`}`;
}

/** A running clock: `6:40`, `1:12:05`. Never below zero. */
export function showClock(duration_s: number): string {
  const whole = Math.max(0, Math.floor(duration_s));
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  const two = (n: number): string => String(n).padStart(2, "0");
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}

/** Time of day, `14:21`. */
export function showTimeOfDay(at_ms: number): string {
  const d = new Date(at_ms);
  return `${String(d.getHours()).padStart(2, "0")}:${String(d.getMinutes()).padStart(2, "0")}`;
}

/** `14:21:07`, where seconds count. */
export function showClockTime(at_ms: number): string {
  return `${showTimeOfDay(at_ms)}:${String(new Date(at_ms).getSeconds()).padStart(2, "0")}`;
}

const DAY = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "long", year: "numeric" });

/** `25 November 2026, 14:21`. */
export function showMoment(at_ms: number): string {
  return `${DAY.format(at_ms)}, ${showTimeOfDay(at_ms)}`;
}

/** A window of seconds, in minutes where it is long: `6 to 14 s`, `2 s to 5 min`. */
export function showSpan(from_s: number, to_s: number): string {
  if (to_s >= LONG_SPAN_s) return `${showDuration(from_s)} to ${showDuration(to_s)}`;
  return Math.round(from_s) === Math.round(to_s) ? `about ${Math.round(to_s)} s` : `${Math.round(from_s)} to ${Math.round(to_s)} s`;
}
/** From here seconds no longer say it, s. */
const LONG_SPAN_s = 100;

const AGO = new Intl.RelativeTimeFormat("en-GB", { style: "short" });

/** `3 days ago`, `just now`. */
export function showAgo(then_ms: number, now_ms: number): string {
  const minutes = Math.floor((now_ms - then_ms) / 60000);
  if (minutes < 1) return "just now";
  if (minutes < 90) return AGO.format(-minutes, "minute");
  const hours = Math.round(minutes / 60);
  if (hours < 36) return AGO.format(-hours, "hour");
  return AGO.format(-Math.round(hours / 24), "day");
}

export function showHardness(hardness_HRC: number, decimals = 0): string {
  return hardness_HRC < 20 ? "below 20" : hardness_HRC.toFixed(decimals);
}

/** `53 to 57`, rounded outwards by no more than the model carries. */
export function showRange(low_HRC: number, high_HRC: number): string {
  const low = Math.round(low_HRC);
  const high = Math.round(high_HRC);
  return low < 20 ? `below 20 to ${Math.max(20, high)}` : `${low} to ${high}`;
}

/** `3 in 10`. */
export function showChance(chance: number): string {
  if (chance >= 0.99) return "almost certain";
  if (chance <= 0.01) return "almost never";
  const tenths = Math.round(chance * 10);
  if (tenths === 0) return "less than 1 in 10";
  if (tenths === 10) return "more than 9 in 10";
  return `${tenths} in 10`;
}

/** A sentence begins with it. */
export function capital(word: string): string {
  return `${word[0]!.toUpperCase()}${word.slice(1)}`;
}

export function showBytes(bytes: number): string {
  if (bytes < 1e6) return `${Math.max(1, Math.round(bytes / 1e3))} kB`;
  return `${(bytes / 1e6).toFixed(1)} MB`;
}

/** Notches that survive the fire, in fives: 7 is IIIII II. */
export function showNotches(mark: string): string {
  const count = Number(mark);
  if (!Number.isInteger(count) || count < 1 || count > 40) return mark;
  return Array.from({ length: Math.ceil(count / 5) }, (_, i) => "|".repeat(Math.min(5, count - 5 * i))).join(" ");
}
