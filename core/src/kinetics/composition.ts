/** Composition of a steel by weight per cent, and the carbon lines of its phase diagram. */

export interface Composition {
  readonly C: number;
  readonly Mn: number;
  readonly Si: number;
  readonly Cr: number;
  readonly Ni: number;
  readonly Mo: number;
  readonly V: number;
  readonly W: number;
}

/** With nothing for what is not named. */
export function fullComposition(named_wtpct: Partial<Composition>): Composition {
  const { C = 0, Mn = 0, Si = 0, Cr = 0, Ni = 0, Mo = 0, V = 0, W = 0 } = named_wtpct;
  return { C, Mn, Si, Cr, Ni, Mo, V, W };
}

/**
 * Lower critical temperature on heating, used also as Ae1, C.
 * @source andrews1965 (from memory)
 */
export function ac1_C({ Mn, Ni, Si, Cr, W }: Composition): number {
  return 723 - 10.7 * Mn - 16.9 * Ni + 29.1 * Si + 16.9 * Cr + 6.38 * W;
}

/**
 * Upper critical temperature of a steel below the eutectoid, C. For display: the decomposition uses `a3_C`.
 *
 * Andrews's short form. The longer one with -30 Mn - 11 Cr also has +700 P, which nobody knows of his bar; without both it
 * is nearer the handbook (docs/model/hardening.md).
 * @source andrews1965 (from memory)
 * @error test/kinetics/temperatures.test.ts: within 30 C of eight handbook steels
 */
export function ac3_C({ C, Ni, Si, V, Mo, W }: Composition): number {
  return 910 - 203 * Math.sqrt(C) - 15.2 * Ni + 44.7 * Si + 104 * V + 31.5 * Mo + 13.1 * W;
}

/** Carbon of the eutectoid, wt%. Calibrated by hand: hardening-note. */
export function eutectoidCarbon_wtpct({ Cr, Mn, Si }: Composition): number {
  return 0.77 - 0.2 * Cr - 0.02 * Mn - 0.03 * Si;
}

/** Slope of the Acm line, K per wt% C: 0.77 at 727 to 2.11 at 1148 of the iron-carbon diagram. */
export const ACM_SLOPE_K_wtpct = 314;

/** Carbon that austenite can hold beside carbide at a temperature, wt%. */
export function acmCarbon_wtpct(steel: Composition, temperature_C: number): number {
  return eutectoidCarbon_wtpct(steel) + (temperature_C - ac1_C(steel)) / ACM_SLOPE_K_wtpct;
}

/** Temperature above which the carbide of a steel beyond the eutectoid dissolves whole, C. */
export function acm_C(steel: Composition): number {
  return ac1_C(steel) + ACM_SLOPE_K_wtpct * (steel.C - eutectoidCarbon_wtpct(steel));
}

/** Where the A3 line of a steel meets carbon-free iron, C. Calibrated by hand: hardening-note. */
export function ferriteEnd_C({ Si, Mn, Cr }: Composition): number {
  return 910 + 44.7 * Si - 24 * Mn - 11 * Cr;
}

/** Carbon of austenite beside ferrite at a temperature, wt%. Calibrated by hand: hardening-note. */
export function a3Carbon_wtpct(steel: Composition, temperature_C: number): number {
  const T0 = ferriteEnd_C(steel);
  const Ac1 = ac1_C(steel);
  if (temperature_C >= T0) return 0;
  if (temperature_C <= Ac1) return eutectoidCarbon_wtpct(steel);
  const share = (T0 - temperature_C) / (T0 - Ac1);
  return eutectoidCarbon_wtpct(steel) * share * share;
}

/** Where ferrite can begin on cooling, C, on a scale of 1 C from Ac1 as the constants were fitted. */
export function a3_C(steel: Composition): number {
  const Ac1 = ac1_C(steel);
  if (steel.C >= eutectoidCarbon_wtpct(steel)) return Ac1;
  const T0 = ferriteEnd_C(steel);
  const exact_C = T0 - (T0 - Ac1) * Math.sqrt(steel.C / eutectoidCarbon_wtpct(steel));
  return Ac1 + Math.max(5, Math.ceil(exact_C - Ac1));
}
