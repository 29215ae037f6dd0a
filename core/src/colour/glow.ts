/** Glow of hot steel: what it gives off, what an eye in a light makes of it, and what a name for it means in degrees. */

import { LUMINOUS_EFFICACY_lm_W, RADIATION_FIRST_W_m2, RADIATION_SECOND_m_K } from "../constants.js";
import { requireRange } from "../errors.js";
import { clamp } from "../numerics/interpolate.js";
import { celsiusFromKelvin, kelvin } from "../units.js";
import { hexFromLinear, linearFromXyz } from "./display.js";
import { tristimulus, type Triple } from "./observer.js";

/** The light a smith judges in. */
export interface Ambient {
  readonly illuminance_lux: number;
  /** Share of it that falls on the piece: 0.15 held in its own shadow, 0.5 in the open. */
  readonly onPieceRatio: number;
  /** Luminance that the fire adds to what the eye is used to, cd/m2. */
  readonly fire_cd_m2: number;
}

/** The light in which the trade's names for heats are meant. */
export const REFERENCE_AMBIENT: Ambient = { illuminance_lux: 20, onPieceRatio: 0.15, fire_cd_m2: 6 };

/** The light for a plain number of lux: piece held in its own shadow, a forge alight. */
export function ambientFromLux(illuminance_lux: number): Ambient {
  requireRange("/ambient_lux", illuminance_lux, 0, 120000);
  const onPieceRatio = illuminance_lux >= 20000 ? 0.05 : illuminance_lux <= 2 ? 0.5 : 0.15;
  return { illuminance_lux, onPieceRatio, fire_cd_m2: 6 };
}

/** Emissivity of black forge scale (usual range 0.8 ... 0.95, from memory), falling a little to the red. */
function scaleEmissivity(wavelength_nm: number): number {
  return 1 - (0.1 + (0.02 * (wavelength_nm - 550)) / 200);
}

/** Planck's spectral radiance, W/(m2 sr nm). @source codata2018 for the constants */
export function spectralRadiance_W_m2_sr_nm(wavelength_nm: number, temperature_C: number): number {
  const l = wavelength_nm * 1e-9;
  return (1e-9 * RADIATION_FIRST_W_m2) / l ** 5 / Math.expm1(RADIATION_SECOND_m_K / (l * kelvin(temperature_C)));
}

/** X, Y, Z of light given off, cd/m2 for Y; a black body when no emissivity is given. */
export function emissionXyz(temperature_C: number, emissivity: (wavelength_nm: number) => number = () => 1): Triple {
  const [X, Y, Z] = tristimulus((nm) => emissivity(nm) * spectralRadiance_W_m2_sr_nm(nm, temperature_C));
  const scale = LUMINOUS_EFFICACY_lm_W * 10;
  return [X * scale, Y * scale, Z * scale];
}

/** Luminance of scaled steel, cd/m2. Rises with temperature. */
export function glowLuminance_cd_m2(temperature_C: number): number {
  return emissionXyz(temperature_C, scaleEmissivity)[1];
}

/** Linear sRGB of the light given off, with its true luminance. */
export function glowLinear(temperature_C: number): Triple {
  const xyz = emissionXyz(temperature_C, scaleEmissivity);
  const [r, g, b] = linearFromXyz(xyz).map((v) => Math.max(0, v)) as unknown as [number, number, number];
  const scale = xyz[1] / (0.2126 * r + 0.7152 * g + 0.0722 * b);
  return [r * scale, g * scale, b * scale];
}

/** What an eye sees where there is nothing to see, cd/m2: no eye gets used to less (order of magnitude, from memory). */
const OWN_LIGHT_cd_m2 = 1e-6;

/** What the eye is used to: a grey room in the light, and the fire, cd/m2. */
function adapting_cd_m2({ illuminance_lux, fire_cd_m2 }: Ambient): number {
  return Math.max(OWN_LIGHT_cd_m2, (0.2 * illuminance_lux) / Math.PI + fire_cd_m2);
}

/** Exponent of the eye's adaptation, and how uncertain it is. Judgement: colour-note section 1.2. */
const ADAPTATION = 2 / 3;
const ADAPTATION_SD = 0.15;

function adaptation(ambient: Ambient, exponent = ADAPTATION): number {
  return adapting_cd_m2(ambient) ** exponent;
}

function reflected_cd_m2({ illuminance_lux, onPieceRatio }: Ambient): number {
  return (0.1 * onPieceRatio * illuminance_lux) / Math.PI;
}

function threshold_cd_m2(ambient: Ambient): number {
  return 0.005 + 0.03 * reflected_cd_m2(ambient) + (0.0006 * 0.2 * ambient.illuminance_lux) / Math.PI;
}

/** Whether any glow can be seen. */
export function isGlowVisible(temperature_C: number, ambient: Ambient): boolean {
  return glowLuminance_cd_m2(temperature_C) > threshold_cd_m2(ambient);
}

const LOWEST_C = 350;
const HIGHEST_C = 1700;

/** Nearer than this it is found, K; in so many steps it always is. */
const NEAR_K = 1e-7;
const MOST_STEPS = 40;

/**
 * Temperature of scaled steel of a luminance, C, clamped to 350 ... 1700. By regula falsi on what is nearly a straight line (Wien: the
 * logarithm of a luminance over the inverse of the temperature), halving where one end stays: a sixth of the time of a bisection.
 */
function temperatureOfLuminance_C(luminance_cd_m2: number): number {
  const wanted = Math.log(luminance_cd_m2);
  const over = (T: number): number => Math.log(glowLuminance_cd_m2(T)) - wanted;
  let [low, high] = [LOWEST_C, HIGHEST_C];
  let [under, above] = [over(low), over(high)];
  if (under >= 0) return low;
  if (above <= 0) return high;
  let last = 0;
  for (let i = 0; i < MOST_STEPS && high - low > NEAR_K; i++) {
    const [a, b] = [1 / kelvin(low), 1 / kelvin(high)];
    const T = celsiusFromKelvin(1 / (a + ((b - a) * under) / (under - above)));
    const value = over(T);
    if (Math.abs(value) < 1e-12) return toMillionth(T);
    if (value < 0) {
      [low, under] = [T, value];
      if (last < 0) above *= 0.5;
      last = -1;
    } else {
      [high, above] = [T, value];
      if (last > 0) under *= 0.5;
      last = 1;
    }
  }
  return toMillionth(0.5 * (low + high));
}

/** So that a heat whose own luminance is inverted comes back as itself: names begin at whole degrees. */
function toMillionth(temperature_C: number): number {
  return Math.round(temperature_C * 1e6) / 1e6;
}

/** Lowest heat whose glow can be seen in a light, C. */
export function firstVisible_C(ambient: Ambient): number {
  return temperatureOfLuminance_C(threshold_cd_m2(ambient));
}

/**
 * The colour a screen should show for steel at a temperature in a light, linear sRGB 0 ... 1.
 * Its shoulder on each channel turns red to orange to yellow to white. Judgement: colour-note section 1.3.
 */
export function glowDisplay(temperature_C: number, ambient: Ambient): Triple {
  const Lr = reflected_cd_m2(ambient);
  const c = glowLinear(temperature_C).map((v) => v + Lr) as unknown as [number, number, number];
  const Y = 0.2126 * c[0] + 0.7152 * c[1] + 0.0722 * c[2];
  if (!(Y > 0)) return [0, 0, 0];
  const La = adapting_cd_m2(ambient);
  const m = 0.52 + (0.9 - 0.52) * clamp(Math.log10(La / 8) / Math.log10(3189 / 8), 0, 1);
  const u = ((0.0525 * Y) / adaptation(ambient)) ** m;
  const al = Math.min(0.4, 0.008 + 0.0077 * u);
  return c.map((channel) => {
    const z = (u * ((channel / Y) * (1 - al) + al)) ** 1.18;
    return z / (1 + z);
  }) as unknown as Triple;
}

/** Hex code of the glow of steel at a temperature in a light. */
export function glowHex(temperature_C: number, ambient: Ambient): string {
  return hexFromLinear(glowDisplay(temperature_C, ambient));
}

export interface GlowName {
  readonly name: string;
  readonly low_C: number;
  readonly high_C: number;
}

/** Names of heats in dim light. Common practice, no source; two published scales differ by 90 to 170 C for one name. */
export const GLOW_NAMES: readonly GlowName[] = [
  { name: "faint red", low_C: 500, high_C: 575 },
  { name: "blood red", low_C: 575, high_C: 650 },
  { name: "dark cherry", low_C: 650, high_C: 700 },
  { name: "medium cherry", low_C: 700, high_C: 750 },
  { name: "full cherry", low_C: 750, high_C: 800 },
  { name: "bright cherry", low_C: 800, high_C: 850 },
  { name: "salmon", low_C: 850, high_C: 900 },
  { name: "orange", low_C: 900, high_C: 975 },
  { name: "yellow", low_C: 975, high_C: 1100 },
  { name: "light yellow", low_C: 1100, high_C: 1200 },
  { name: "white", low_C: 1200, high_C: 1300 },
];

/**
 * What a person chooses from: as many as an eye parts, for of the eleven above four cherries look alike (neighbours 6.6 to 7.7 apart by
 * CIEDE2000; here none nearer than 9.5, tested). Own words; the bands are those of the trade's names put together and parted anew.
 */
export const GLOW_KEYS: readonly GlowName[] = [
  { name: "first glow", low_C: 500, high_C: 575 },
  { name: "dark red", low_C: 575, high_C: 650 },
  { name: "dull red", low_C: 650, high_C: 725 },
  { name: "cherry", low_C: 725, high_C: 800 },
  { name: "bright red", low_C: 800, high_C: 875 },
  { name: "warm orange", low_C: 875, high_C: 975 },
  { name: "yellow", low_C: 975, high_C: 1100 },
  { name: "pale yellow", low_C: 1100, high_C: 1200 },
  { name: "near white", low_C: 1200, high_C: 1300 },
];

/** The band of a name, a key's or one of the trade's; undefined for what is neither. */
export function glowNamed(name: string): GlowName | undefined {
  return GLOW_KEYS.find((band) => band.name === name) ?? GLOW_NAMES.find((band) => band.name === name);
}

/** The heat that looks in dim light as steel at `temperature_C` looks in `ambient`, C; `exponent` is how far the eye adapts. */
export function apparentTemperature_C(temperature_C: number, ambient: Ambient, exponent = ADAPTATION): number {
  const shift = adaptation(REFERENCE_AMBIENT, exponent) / adaptation(ambient, exponent);
  return temperatureOfLuminance_C(glowLuminance_cd_m2(temperature_C) * shift);
}

/** The name a smith trained in dim light gives to steel in a light, of the trade's or of the keys; null when no glow can be seen. */
export function glowName(temperature_C: number, ambient: Ambient, names: readonly GlowName[] = GLOW_NAMES): string | null {
  if (!isGlowVisible(temperature_C, ambient)) return null;
  const apparent = apparentTemperature_C(temperature_C, ambient);
  const found = names.find(({ low_C, high_C }) => apparent >= low_C && apparent < high_C);
  const [coldest, hottest] = [names[0]!, names.at(-1)!];
  return (found ?? (apparent >= hottest.low_C ? hottest : coldest)).name;
}

export interface GlowReading {
  readonly mean_C: number;
  readonly sd_C: number;
  readonly low_C: number;
  readonly high_C: number;
}

function trueTemperature_C(dim_C: number, ambient: Ambient, exponent: number): number {
  return temperatureOfLuminance_C((glowLuminance_cd_m2(dim_C) * adaptation(ambient, exponent)) / adaptation(REFERENCE_AMBIENT, exponent));
}

/**
 * What a name for a glow, given in a light, means in degrees. Null when that glow cannot be seen there.
 * low ... high is the band of the name; sd counts its width, a trained eye (18 C at 800 C) and the unsure adaptation.
 */
export function readGlow(band: GlowName, ambient: Ambient): GlowReading | null {
  const at = (exponent: number): readonly [number, number] => [
    trueTemperature_C(band.low_C, ambient, exponent),
    trueTemperature_C(band.high_C, ambient, exponent),
  ];
  const [low, high_C] = at(ADAPTATION);
  const visible_C = firstVisible_C(ambient);
  if (high_C <= visible_C) return null;
  const low_C = Math.max(low, visible_C);
  const mean_C = 0.5 * (low_C + high_C);
  const middle = (exponent: number): number => 0.5 * (at(exponent)[0] + at(exponent)[1]);
  const so = 18 * (kelvin(mean_C) / 1073) ** 2;
  const sp = 0.5 * Math.abs(middle(ADAPTATION + ADAPTATION_SD) - middle(ADAPTATION - ADAPTATION_SD));
  return { mean_C, sd_C: Math.hypot((high_C - low_C) / Math.sqrt(12), so, sp), low_C, high_C };
}
