/** Cool shades for hardness, from soft slate to near white; the warm ones of glow only where steel is hot. Pure. */

import { glowHex, type Ambient } from "@tembrak/core";

type Rgb = readonly [number, number, number];

const SHADES: readonly (readonly [number, Rgb])[] = [
  [25, [31, 44, 49]],
  [35, [44, 61, 68]],
  [45, [77, 100, 109]],
  [52, [126, 152, 159]],
  [56, [169, 191, 194]],
  [60, [205, 220, 220]],
  [65, [238, 245, 244]],
];

function shade(at: number): Rgb {
  const above = SHADES.findIndex(([edge]) => edge > at);
  const i = Math.max(0, Math.min(SHADES.length - 2, above === -1 ? SHADES.length - 2 : above - 1));
  const [[low, a], [high, b]] = [SHADES[i]!, SHADES[i + 1]!];
  const share = Math.min(1, Math.max(0, (at - low) / (high - low)));
  return [0, 1, 2].map((k) => Math.round(a[k]! + share * (b[k]! - a[k]!))) as unknown as Rgb;
}

export function hardnessShade(hardness_HRC: number): string {
  return `rgb(${shade(hardness_HRC).join(" ")})`;
}

/** Share of martensite: none is dark, all of it near white. */
export function martensiteShade(martensite: number): string {
  return hardnessShade(SOFT_HRC + (HARD_HRC - SOFT_HRC) * martensite);
}
const [SOFT_HRC, HARD_HRC] = [25, 65];

/** A dark room, so that the inside of a section can be told by its glow. */
const DARK: Ambient = { illuminance_lux: 2, onPieceRatio: 0.15, fire_cd_m2: 0 };
/** Below this nothing glows: from here down the steel is drawn in slate, darker as it cools, C. */
const GLOWS_C = 540;

export function temperatureShade(temperature_C: number): string {
  if (temperature_C >= GLOWS_C) return glowHex(temperature_C, DARK);
  const share = Math.max(0, temperature_C) / GLOWS_C;
  return `rgb(${[28, 36, 40].map((v, k) => Math.round(v + share * ([74, 66, 64][k]! - v))).join(" ")})`;
}
