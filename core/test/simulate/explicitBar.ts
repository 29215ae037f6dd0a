/**
 * A round bar with a part of it in the fire, by an explicit scheme of its own, a millimetre a cell: conduction, grey walls inside, air outside.
 * Constants as the model has them, so that nothing but the scheme is compared.
 */

export interface Bar {
  readonly length_mm: number;
  readonly diameter_mm: number;
  readonly in_mm: number;
}

const [K_W_mK, RHO_C_J_m3K] = [38, 4.37e6];
const [SIGMA, EMISSIVITY] = [5.670374e-8, 0.8];
const [ROOM_C, ZERO_K] = [25, 273.15];
const STEP_s = 0.05;

function grey_W_m2K(T_C: number, wall_C: number): number {
  const [a, b] = [T_C + ZERO_K, wall_C + ZERO_K];
  return EMISSIVITY * SIGMA * (a * a + b * b) * (a + b);
}

/** Temperature of each millimetre from the end that works, C, scaled so that this end is at heat. */
export function explicitBar({ length_mm, diameter_mm, in_mm }: Bar, heat_C: number, hold_s: number): Float64Array {
  const dx_m = 0.001;
  let T = new Float64Array(length_mm).fill(ROOM_C);
  const isShort = (): boolean => T[0]! < heat_C - 3;
  for (let t = STEP_s; t <= 360 + hold_s || (isShort() && t < 2400); t += STEP_s) {
    const wall_C = t <= 300 ? 20 + ((heat_C - 25) * t) / 300 : Math.min(heat_C, heat_C - 5 + (5 * (t - 300)) / 60);
    T = T.map((now, i) => {
      const [left, right] = [T[Math.max(0, i - 1)]!, T[Math.min(length_mm - 1, i + 1)]!];
      const [h, to] = i < in_mm ? [15 + grey_W_m2K(now, wall_C), wall_C] : [8 + grey_W_m2K(now, ROOM_C), ROOM_C];
      const along = (K_W_mK * (left - 2 * now + right)) / (dx_m * dx_m);
      return now + (STEP_s / RHO_C_J_m3K) * (along + ((4 * h) / (diameter_mm / 1000)) * (to - now));
    });
  }
  const far_C = T[0]!;
  return T.map((now) => ROOM_C + ((now - ROOM_C) * (heat_C - ROOM_C)) / (far_C - ROOM_C));
}
