/** From CIE XYZ to what a screen is told: linear sRGB, OKLab, and the hex code. */

import { clamp } from "../numerics/interpolate.js";
import type { Triple } from "./observer.js";

/** @source sRGB1999 (matrix of the standard, D65) */
export function linearFromXyz([X, Y, Z]: Triple): Triple {
  return [
    3.2404541621 * X - 1.5371385128 * Y - 0.4985314096 * Z,
    -0.969266030505 * X + 1.8760108454 * Y + 0.0415560175 * Z,
    0.0556434309591 * X - 0.204025913517 * Y + 1.05722518823 * Z,
  ];
}

/** @source sRGB1999 */
export function encodeSrgb(linear: number): number {
  const v = clamp(linear, 0, 1);
  return v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055;
}

export function hexFromLinear(linear: Triple): string {
  return `#${linear
    .map((v) =>
      Math.round(255 * encodeSrgb(v))
        .toString(16)
        .padStart(2, "0"),
    )
    .join("")}`;
}

/** @source ottosson2020 */
export function oklabFromLinear([r, g, b]: Triple): Triple {
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ];
}

/** @source ottosson2020 */
export function linearFromOklab([L, a, b]: Triple): Triple {
  const l = (L + 0.3963377774 * a + 0.2158037573 * b) ** 3;
  const m = (L - 0.1055613458 * a - 0.0638541728 * b) ** 3;
  const s = (L - 0.0894841775 * a - 1.291485548 * b) ** 3;
  return [
    4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s,
    -1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s,
    -0.0041960863 * l - 0.7034186147 * m + 1.707614701 * s,
  ];
}

function isShown(linear: Triple): boolean {
  return linear.every((v) => v >= -1e-6 && v <= 1 + 1e-6);
}

/** The nearest colour a screen can show, by drawing in its chroma. */
export function fitToScreen(lab: Triple): Triple {
  const [L, a, b] = lab;
  const whole = linearFromOklab(lab);
  if (isShown(whole)) return whole;
  let [low, high] = [0, 1];
  for (let i = 0; i < 24; i++) {
    const middle = 0.5 * (low + high);
    if (isShown(linearFromOklab([L, a * middle, b * middle]))) low = middle;
    else high = middle;
  }
  return linearFromOklab([L, a * low, b * low]);
}
