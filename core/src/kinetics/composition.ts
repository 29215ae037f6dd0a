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

/** What scrap leaves in plain steel when nobody alloyed it and no certificate says, wt%: middles (common practice, no source). */
export const RESIDUAL_wtpct = { Cr: 0.08, Ni: 0.06, Mo: 0.01 } as const;

/** What is assumed of the residual elements that a composition does not name, wt%; one named as 0 is told. */
export function assumedResiduals(named_wtpct: Partial<Composition>): Partial<Composition> {
  return Object.fromEntries(Object.entries(RESIDUAL_wtpct).filter(([element]) => named_wtpct[element as keyof Composition] === undefined));
}

/** A composition with the usual residuals for those that are not named. */
export function withResiduals(named_wtpct: Partial<Composition>): Composition {
  return fullComposition({ ...assumedResiduals(named_wtpct), ...named_wtpct });
}

/**
 * Lower line of the diagram as the kinetics have it, C: what undercooling and overheating count from. What is seen on heating
 * is `ac1_C` in criticalTemperatures.ts.
 * @source andrews1965 (his Ac1, from memory; the rates were fitted beside it)
 */
export function ae1_C({ Mn, Ni, Si, Cr, W }: Composition): number {
  return 723 - 10.7 * Mn - 16.9 * Ni + 29.1 * Si + 16.9 * Cr + 6.38 * W;
}

/** Carbon of the eutectoid, wt%. Calibrated by hand: hardening-note. */
export function eutectoidCarbon_wtpct({ Cr, Mn, Si }: Composition): number {
  return 0.77 - 0.2 * Cr - 0.02 * Mn - 0.03 * Si;
}

/** Slope of the Acm line, K per wt% C: 0.77 at 727 to 2.11 at 1148 of the iron-carbon diagram. */
export const ACM_SLOPE_K_wtpct = 314;

/** Carbon that austenite can hold beside carbide at a temperature, wt%. */
export function acmCarbon_wtpct(steel: Composition, temperature_C: number): number {
  return eutectoidCarbon_wtpct(steel) + (temperature_C - ae1_C(steel)) / ACM_SLOPE_K_wtpct;
}

/** Temperature above which the carbide of a steel beyond the eutectoid dissolves whole, C. */
export function acm_C(steel: Composition): number {
  return ae1_C(steel) + ACM_SLOPE_K_wtpct * (steel.C - eutectoidCarbon_wtpct(steel));
}

/** Where the A3 line of a steel meets carbon-free iron, C. Calibrated by hand: hardening-note. */
export function ferriteEnd_C({ Si, Mn, Cr }: Composition): number {
  return 910 + 44.7 * Si - 24 * Mn - 11 * Cr;
}

/** Carbon of austenite beside ferrite at a temperature, wt%. Calibrated by hand: hardening-note. */
export function a3Carbon_wtpct(steel: Composition, temperature_C: number): number {
  const T0 = ferriteEnd_C(steel);
  const Ae1 = ae1_C(steel);
  if (temperature_C >= T0) return 0;
  if (temperature_C <= Ae1) return eutectoidCarbon_wtpct(steel);
  const share = (T0 - temperature_C) / (T0 - Ae1);
  return eutectoidCarbon_wtpct(steel) * share * share;
}

/** Where ferrite can begin on cooling, C, on a scale of 1 C from Ae1 as the constants were fitted. */
export function a3_C(steel: Composition): number {
  const Ae1 = ae1_C(steel);
  if (steel.C >= eutectoidCarbon_wtpct(steel)) return Ae1;
  const T0 = ferriteEnd_C(steel);
  const exact_C = T0 - (T0 - Ae1) * Math.sqrt(steel.C / eutectoidCarbon_wtpct(steel));
  return Ae1 + Math.max(5, Math.ceil(exact_C - Ae1));
}
