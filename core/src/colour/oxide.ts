/** Temper colours: growth of the oxide film, its thin-film colour, and the names smiths give it. */

import { linear, clamp } from "../numerics/interpolate.js";
import { kelvin, celsiusFromKelvin } from "../units.js";
import { fitToScreen, hexFromLinear, linearFromXyz, oklabFromLinear } from "./display.js";
import type { ColourName } from "../schema/book.js";
import { D65, tristimulus, type Triple } from "./observer.js";

// Growth: rate falls exponentially with thickness, so thickness is linear in T (C + log10 t). Judgement: colour-note 2.1.
const SLOPE_nm_K = 0.012742;
const TIME_CONSTANT = 26.6;
const OFFSET_K = 11918;

/** How much hotter an alloyed steel has to be for the same colour, K: weak, within half of itself either way. */
export function alloyShift_K({ Cr, Si }: { readonly Cr: number; readonly Si: number }): number {
  return 12 * Math.min(Cr, 6) + 6 * Math.min(Si, 2.5);
}

export interface OxideInput {
  readonly temperature_C: number;
  readonly hold_min: number;
  readonly alloyShift_K?: number;
}

/**
 * Effective film on clean steel held at a temperature, nm. Not for showing: the colour is what counts.
 * Fitted for 1 min ... 4 h.
 */
export function oxideFilm_nm({ temperature_C, hold_min, alloyShift_K: shift = 0 }: OxideInput): number {
  if (hold_min <= 0) return 0;
  const Ke = kelvin(temperature_C) - shift;
  return Math.max(0, SLOPE_nm_K * (Ke * (TIME_CONSTANT + Math.log10(hold_min)) - OFFSET_K));
}

/** Heat that gives a film in a time, C. */
export function temperatureForFilm_C(film_nm: number, hold_min: number, shift_K = 0): number {
  return celsiusFromKelvin((film_nm / SLOPE_nm_K + OFFSET_K) / (TIME_CONSTANT + Math.log10(hold_min)) + shift_K);
}

/** The film after one more stretch at a temperature; carries any history in steps. */
export function growFilm_nm(film_nm: number, { temperature_C, hold_min, alloyShift_K: shift = 0 }: OxideInput): number {
  const Ke = kelvin(temperature_C) - shift;
  const exponent = (film_nm / SLOPE_nm_K + OFFSET_K) / Ke - TIME_CONSTANT;
  const before_min = film_nm > 0 && exponent > -9 ? 10 ** exponent : 0;
  return Math.max(film_nm, oxideFilm_nm({ temperature_C, hold_min: before_min + hold_min, alloyShift_K: shift }));
}

interface Complex {
  readonly re: number;
  readonly im: number;
}

function reflection(a: Complex, b: Complex): Complex {
  // (a - b) / (a + b)
  const [nr, ni, dr, di] = [a.re - b.re, a.im - b.im, a.re + b.re, a.im + b.im];
  const d = dr * dr + di * di;
  return { re: (nr * dr + ni * di) / d, im: (ni * dr - nr * di) / d };
}

function times(a: Complex, b: Complex): Complex {
  return { re: a.re * b.re - a.im * b.im, im: a.re * b.im + a.im * b.re };
}

const IRON_nm = [380, 420, 460, 500, 540, 580, 620, 660, 700, 780];
const IRON_N = [2, 2.25, 2.5, 2.7, 2.85, 2.93, 2.92, 2.9, 2.9, 2.95];
const IRON_K = [2.6, 2.75, 2.87, 2.95, 3.03, 3.1, 3.2, 3.3, 3.4, 3.6];
/** Stands for polish and roughness; the bounds of the fit. */
const IRON_N_SCALE = 0.8;
const IRON_K_SCALE = 1.3;

/** Reflectance at normal incidence of a magnetite-like film on iron, 0 ... 1 (Airy). Film index fitted: colour-note 2.2. */
function reflectance(wavelength_nm: number, film_nm: number): number {
  const air = { re: 1, im: 0 };
  const n = 2.54 + 0.235 * ((550 / wavelength_nm) ** 2 - 1);
  const k = 0.21 + 0.47 * Math.exp(-(wavelength_nm - 400) / 80);
  const film = { re: n, im: -k };
  const iron = {
    re: IRON_N_SCALE * linear(IRON_nm, IRON_N, wavelength_nm),
    im: -IRON_K_SCALE * linear(IRON_nm, IRON_K, wavelength_nm),
  };
  const r01 = reflection(air, film);
  const r12 = reflection(film, iron);
  const turn = (4 * Math.PI * film_nm) / wavelength_nm;
  const decay = Math.exp(-turn * k);
  const back = times(r12, { re: decay * Math.cos(turn * n), im: -decay * Math.sin(turn * n) });
  const under = { re: 1 + r01.re * back.re - r01.im * back.im, im: r01.re * back.im + r01.im * back.re };
  const over = { re: r01.re + back.re, im: r01.im + back.im };
  return (over.re ** 2 + over.im ** 2) / (under.re ** 2 + under.im ** 2);
}

const WHITE_Y = tristimulus((_, i) => D65[i]!)[1];

/** Colour of a film in daylight, linear sRGB. Averages over an uneven film; thick films roughen and go grey. */
export function filmLinear(film_nm: number): Triple {
  const spread = 0.038 * film_nm + 0.3;
  let [X, Y, Z, weight] = [0, 0, 0, 0];
  for (let j = -2; j <= 2; j++) {
    const w = Math.exp(-0.5 * j * j);
    const d = Math.max(0, film_nm + j * spread);
    const xyz = tristimulus((nm, i) => D65[i]! * reflectance(nm, d));
    X += w * xyz[0];
    Y += w * xyz[1];
    Z += w * xyz[2];
    weight += w;
  }
  const scale = 1 / (weight * WHITE_Y);
  const lin = linearFromXyz([X * scale, Y * scale, Z * scale]).map((v) => 1.1 * v + 0.03) as unknown as Triple;
  const [L, a, b] = oklabFromLinear(lin);
  const fade = film_nm > 50 ? Math.max(0.2, 1 - (film_nm - 50) / 25) : 1;
  return fitToScreen([L, a * fade, b * fade]);
}

/** Hex code of a film in daylight. */
export function filmHex(film_nm: number): string {
  return hexFromLinear(filmLinear(clamp(film_nm, 0, 120)));
}

/** Names of temper colours by effective film. Common practice, no source; films calibrated to a 3 minute chart. */
export const OXIDE_NAMES: readonly { readonly name: ColourName; readonly from_nm: number }[] = [
  { name: "bare", from_nm: 0 },
  { name: "faint straw", from_nm: 10.4 },
  { name: "light straw", from_nm: 14.5 },
  { name: "straw", from_nm: 18.6 },
  { name: "dark straw", from_nm: 23.1 },
  { name: "bronze", from_nm: 27.6 },
  { name: "purple", from_nm: 33.5 },
  { name: "dark blue", from_nm: 40.7 },
  { name: "blue", from_nm: 47.6 },
  { name: "light blue", from_nm: 54.5 },
  { name: "grey", from_nm: 63.8 },
];

/** A film in the middle of what has a name; of grey a little past where it begins, nm. */
export function filmNamed_nm(name: ColourName): number {
  const i = OXIDE_NAMES.findIndex((band) => band.name === name);
  const from_nm = OXIDE_NAMES[i]!.from_nm;
  return name === "bare" ? 0 : 0.5 * (from_nm + (OXIDE_NAMES[i + 1]?.from_nm ?? from_nm + 6));
}

/** The name of a film's colour. */
export function oxideName(film_nm: number): ColourName {
  return OXIDE_NAMES.reduce<ColourName>((name, band) => (film_nm >= band.from_nm ? band.name : name), "bare");
}
