/** Reads a length, a temperature or a time the way people write it; asks about the improbable, refuses only the unreadable. */

import { celsiusFromFahrenheit, inchesFromMillimetres, millimetresFromInches } from "./units.js";

export type LengthUnit = "mm" | "in";
export type TemperatureUnit = "C" | "F";

export type LengthRole = "thickness" | "height" | "length";
export type HeatRole = "preheat" | "under-the-change" | "anneal" | "normalise" | "harden" | "temper" | "run" | "bath" | "reading";

/** A question about a length that could be right but probably is not. The user answers; nothing is refused. */
export type LengthQuestion =
  /** 316 for 3/16: the stroke is lost. */
  | { readonly code: "fraction-stroke-lost"; readonly typed_mm: number; readonly fraction: string; readonly probably_mm: number }
  | { readonly code: "improbably-large"; readonly typed_mm: number; readonly probably_mm: number }
  | { readonly code: "improbably-small"; readonly typed_mm: number; readonly probably_mm: number };

/** The same about a heat; `typed` stands in the unit it was typed in, the smith having meant what follows. */
export type HeatQuestion = { readonly role: HeatRole; readonly typed: number; readonly unit: TemperatureUnit } & (
  | { readonly code: "looks-like-other-unit"; readonly probably_C: number }
  /** A digit is gone: 150 for 1500 F, 475 for 1475 F. */
  | { readonly code: "digit-lost"; readonly probably_C: number; readonly meant_F: number }
  | { readonly code: "improbably-cold" | "improbably-hot" }
);

/** Why a text is no quantity. */
export type QuantityFault =
  | { readonly code: "empty"; readonly of: "length" | "temperature" }
  | { readonly code: "unreadable"; readonly of: "length" | "temperature" | "duration"; readonly text: string }
  | { readonly code: "below-zero"; readonly of: "length" }
  | { readonly code: "below-absolute-zero" };

export type Parsed<Value> = ({ readonly ok: true } & Value) | { readonly ok: false; readonly fault: QuantityFault };

const NUMBER = String.raw`\d+(?:[.,]\d+)?|[.,]\d+`;
const VULGAR: Readonly<Record<string, string>> = {
  "½": "1/2",
  "¼": "1/4",
  "¾": "3/4",
  "⅛": "1/8",
  "⅜": "3/8",
  "⅝": "5/8",
  "⅞": "7/8",
};

function toNumber(text: string): number {
  return Number(text.replace(",", "."));
}

/**
 * The number at the start of a text: `4.8`, `4,8`, `3/16`, `1 1/4`, `1-1/4`, `1¼`. Null when there is none.
 * @returns the value, the rest of the text, and whether it was written as a fraction.
 */
function readNumber(text: string): { value: number; rest: string; fraction: boolean } | null {
  const mixed = /^(\d+)(?:\s+|\s*-\s*)(\d+)\s*\/\s*(\d+)(?![\d.,])/.exec(text);
  if (mixed) {
    const value = Number(mixed[1]) + Number(mixed[2]) / Number(mixed[3]);
    return { value, rest: text.slice(mixed[0].length), fraction: true };
  }
  const fraction = /^(\d+)\s*\/\s*(\d+)(?![\d.,])/.exec(text);
  if (fraction) {
    return { value: Number(fraction[1]) / Number(fraction[2]), rest: text.slice(fraction[0].length), fraction: true };
  }
  const plain = new RegExp(`^(?:${NUMBER})(?![\\d.,])`).exec(text);
  return plain ? { value: toNumber(plain[0]), rest: text.slice(plain[0].length), fraction: false } : null;
}

/** To a nanometre: 3/16 in is 4.7625 mm, not 4.762499999999999. */
function exactLength(length_mm: number): number {
  return Math.round(length_mm * 1e6) / 1e6;
}

/**
 * A bare number as people write it, `59.1`, `59,1`, `-2`: nothing else, and nothing behind it. Null where the text is none.
 */
export function parseNumber(text: string): number | null {
  const clean = text.trim().replace(/[\u2212\u2013]/g, "-");
  return /^[-+]?(?:\d+(?:[.,]\d*)?|[.,]\d+)$/.test(clean) ? toNumber(clean) : null;
}

function tidy(text: string): string {
  let out = text
    .trim()
    .replace(/[\u2032\u2019]/g, "'")
    .replace(/[\u2033\u201d]|''/g, '"');
  for (const [sign, written] of Object.entries(VULGAR)) out = out.replaceAll(sign, ` ${written}`);
  return out.trim().replace(/\s+/g, " ");
}

/**
 * A length as people write it: `4.8`, `4.8 mm`, `3/16`, `3/16 in`, `1 1/4"`, `1' 3"`, `12 cm`.
 *
 * A number with no unit is in `unit`, but a bare fraction is in inches: nobody writes millimetres as 3/16.
 * @returns length in mm, and the unit it was written in.
 */
export function parseLength(text: string, unit: LengthUnit): Parsed<{ length_mm: number; unit: LengthUnit }> {
  const clean = tidy(text).toLowerCase();
  if (clean === "") return { ok: false, fault: { code: "empty", of: "length" } };
  if (/^[-\u2212]/.test(clean)) return { ok: false, fault: { code: "below-zero", of: "length" } };
  const unreadable = { ok: false, fault: { code: "unreadable", of: "length", text: text.trim() } } as const;
  const first = readNumber(clean);
  if (!first || !Number.isFinite(first.value)) return unreadable;
  const rest = first.rest.trim();
  const feet = /^(?:'|ft|feet|foot)\s*/.exec(rest);
  if (feet) {
    const after = rest.slice(feet[0].length);
    const inches = after === "" ? { value: 0, rest: "" } : readNumber(after);
    if (!inches || !/^\s*(?:"|in|inch|inches)?\.?$/.test(inches.rest)) return unreadable;
    return { ok: true, length_mm: exactLength(millimetresFromInches(first.value * 12 + inches.value)), unit: "in" };
  }
  if (/^(?:"|in|inch|inches)\.?$/.test(rest)) return { ok: true, length_mm: exactLength(millimetresFromInches(first.value)), unit: "in" };
  if (/^(?:mm|millimet(?:er|re)s?)\.?$/.test(rest)) return { ok: true, length_mm: first.value, unit: "mm" };
  if (/^(?:cm|centimet(?:er|re)s?)\.?$/.test(rest)) return { ok: true, length_mm: first.value * 10, unit: "mm" };
  if (/^(?:m|met(?:er|re)s?)$/.test(rest)) return { ok: true, length_mm: first.value * 1000, unit: "mm" };
  if (rest !== "") return unreadable;
  const inInches = first.fraction || unit === "in";
  return { ok: true, length_mm: inInches ? exactLength(millimetresFromInches(first.value)) : first.value, unit: inInches ? "in" : "mm" };
}

/**
 * A temperature as people write it: `815`, `815 C`, `1500F`, `205°`.
 * @returns temperature in C, and the unit it was written in.
 */
export function parseTemperature(text: string, unit: TemperatureUnit): Parsed<{ temperature_C: number; unit: TemperatureUnit }> {
  const clean = tidy(text).replace(/\u2212/g, "-");
  const found = new RegExp(`^(-?)(${NUMBER})\\s*(?:°|deg(?:rees)?\\.?|º)?\\s*(c|f|celsius|fahrenheit)?$`, "i").exec(clean);
  if (!found) {
    const of = "temperature";
    return { ok: false, fault: clean === "" ? { code: "empty", of } : { code: "unreadable", of, text: text.trim() } };
  }
  const value = (found[1] === "-" ? -1 : 1) * toNumber(found[2] ?? "");
  const letter = found[3]?.[0]?.toUpperCase();
  const written: TemperatureUnit = letter === "C" || letter === "F" ? letter : unit;
  const temperature_C = written === "F" ? celsiusFromFahrenheit(value) : value;
  if (temperature_C < -273) return { ok: false, fault: { code: "below-absolute-zero" } };
  return { ok: true, temperature_C, unit: written };
}

/**
 * A time as people write it: `10`, `10 min`, `2 h`, `1 h 30`, `1:30` (hours and minutes), `90 s`. A bare number is minutes.
 * @returns duration in s.
 */
export function parseDuration(text: string): Parsed<{ duration_s: number }> {
  const clean = tidy(text).toLowerCase();
  const unreadable = { ok: false, fault: { code: "unreadable", of: "duration", text: text.trim() } } as const;
  const clock = /^(\d+):([0-5]\d)$/.exec(clean);
  if (clock) return { ok: true, duration_s: Number(clock[1]) * 3600 + Number(clock[2]) * 60 };
  const both = new RegExp(`^(${NUMBER})\\s*(?:h|hr|hrs|hours?)\\s*(?:(\\d+)\\s*(?:m|min|minutes?)?)?$`).exec(clean);
  if (both) return { ok: true, duration_s: toNumber(both[1] ?? "") * 3600 + Number(both[2] ?? 0) * 60 };
  const one = new RegExp(`^(${NUMBER})\\s*(s|sec|seconds?|m|min|minutes?)?$`).exec(clean);
  if (!one) return unreadable;
  const value = toNumber(one[1] ?? "");
  return { ok: true, duration_s: one[2]?.startsWith("s") ? value : value * 60 };
}

/** Where a typed length is improbable for what it measures: a 316 mm spine is 3/16 in with the stroke lost. */
export function questionLength(role: LengthRole, typed_mm: number, unit: LengthUnit = "mm"): LengthQuestion | null {
  const most_mm = { thickness: 60, height: 300, length: 1600 }[role];
  const least_mm = { thickness: 0.3, height: 3, length: 20 }[role];
  if (role === "thickness" && typed_mm > most_mm) {
    const stroke = /^(\d{1,2})(4|8|16|32|64)$/.exec(String(Math.round(unit === "in" ? inchesFromMillimetres(typed_mm) : typed_mm)));
    if (stroke) {
      const probably_mm = exactLength(millimetresFromInches(Number(stroke[1]) / Number(stroke[2])));
      return { code: "fraction-stroke-lost", typed_mm, fraction: `${stroke[1]}/${stroke[2]}`, probably_mm };
    }
  }
  if (typed_mm > most_mm) return { code: "improbably-large", typed_mm, probably_mm: typed_mm / 10 };
  if (typed_mm < least_mm) return { code: "improbably-small", typed_mm, probably_mm: millimetresFromInches(typed_mm) };
  return null;
}

const HEATS: Readonly<Record<HeatRole, readonly [number, number]>> = {
  preheat: [350, 720],
  "under-the-change": [500, 730],
  anneal: [650, 900],
  harden: [700, 1000],
  normalise: [700, 1050],
  temper: [120, 680],
  run: [150, 400],
  bath: [-5, 120],
  // Whatever an instrument or a dial may say: asked about only beside what stood there.
  reading: [-40, 1400],
};

/** A temper hotter than this is rare, and as a number a usual one in Fahrenheit, C (common practice, no source: springs stay below it). */
const RARE_TEMPER_C = 480;
/** Tempers most are drawn at, C. */
const USUAL_TEMPER_C: readonly [number, number] = [140, 330];

/** So far off what was planned, and so near it in the other unit, a number was probably meant in that (judgement). */
const FAR_FROM_PLAN_K = 80;
const NEAR_PLAN_K = 45;

/**
 * Where a typed heat is improbable for its step: a 475 C hardening heat, or a Celsius number that looks like Fahrenheit.
 * `temperature_C` is what the text meant as typed; `unit` the unit it was read in; `planned_C` what stood there, so that 400 typed over
 * 204 C is asked about, and 400 over 385 is not.
 */
export function questionHeat(role: HeatRole, temperature_C: number, unit: TemperatureUnit, planned_C?: number): HeatQuestion | null {
  const [low_C, high_C] = HEATS[role];
  const typed = unit === "F" ? temperature_C * 1.8 + 32 : temperature_C;
  const asked = { role, typed, unit };
  const asOther_C = unit === "C" ? celsiusFromFahrenheit(typed) : typed;
  const isOther =
    planned_C !== undefined && Math.abs(temperature_C - planned_C) > FAR_FROM_PLAN_K && Math.abs(asOther_C - planned_C) < NEAR_PLAN_K;
  if (isOther) return { ...asked, code: "looks-like-other-unit", probably_C: asOther_C };
  const isRare = role === "temper" && unit === "C" && planned_C === undefined && temperature_C > RARE_TEMPER_C;
  if (isRare && asOther_C >= USUAL_TEMPER_C[0] && asOther_C <= USUAL_TEMPER_C[1])
    return { ...asked, code: "looks-like-other-unit", probably_C: asOther_C };
  if (temperature_C >= low_C && temperature_C <= high_C) return null;
  if (asOther_C >= low_C && asOther_C <= high_C) return { ...asked, code: "looks-like-other-unit", probably_C: asOther_C };
  const isHigh = role === "harden" || role === "normalise";
  const tenfold = isHigh && unit === "F" && typed > 140 && typed < 190;
  const lost = isHigh && typed > 400 && typed <= 599;
  if (tenfold || lost) {
    const meant_F = tenfold ? typed * 10 : typed + 1000;
    return { ...asked, code: "digit-lost", meant_F, probably_C: celsiusFromFahrenheit(meant_F) };
  }
  return { ...asked, code: temperature_C < low_C ? "improbably-cold" : "improbably-hot" };
}
