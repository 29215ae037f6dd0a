/** The fitted constants as stored in core/data/kinetics: every number of the kinetics that no publication gives as it stands. */

import { Type, type Static } from "@sinclair/typebox";
import { between, choice, strict } from "./parts.js";

const sensitivity = (element: string) => between(-2, 12, `How much ${element} slows it, ln per wt%`);
const grain = between(0, 1, "Doublings a doubling of ASTM grain number brings");

export const KineticConstantsSchema = strict({
  pearliteScale: between(1e-3, 1e3, "Slows pearlite as a whole"),
  pearliteActivation_cal_mol: between(5000, 80000, "cal/mol"),
  pearliteExponent: between(2, 6, "Power of the undercooling that drives pearlite"),
  pearliteBase: between(0, 50, "What a steel without chromium or molybdenum waits"),
  pearliteChromium: between(0, 100, "per wt%"),
  pearliteMolybdenum: between(0, 100, "per wt%"),
  pearliteManganese: sensitivity("manganese"),
  pearliteManganeseCarbon: between(0, 1, "So much of the effect of manganese is gone at 0.9 % carbon; from 0.5 % on"),
  pearliteVanadium: sensitivity("vanadium"),
  pearliteNickel: sensitivity("nickel"),
  pearliteSilicon: sensitivity("silicon"),
  pearliteTungsten: sensitivity("tungsten"),
  pearliteCarbon: sensitivity("carbon below 0.8 %"),
  pearliteGrain: grain,
  pearliteCarbideSites_um: between(0, 100, "How much undissolved carbide helps pearlite to begin, um"),
  ferriteScale: between(1e-3, 1e3, "Slows ferrite as a whole"),
  ferriteManganese: sensitivity("manganese, beyond its linear share,"),
  ferriteVanadium: sensitivity("vanadium"),
  ferriteGrain: grain,
  bainiteScale: between(1e-7, 1, "Slows bainite as a whole"),
  bainiteActivation_cal_mol: between(5000, 80000, "cal/mol"),
  bainiteBase: between(0, 50, "What iron waits"),
  bainiteCarbon: between(0, 100, "per wt%"),
  bainiteCarbonTogether: sensitivity("carbon beyond 0.6 %, together with all alloy,"),
  bainiteChromium: between(0, 100, "per wt%"),
  bainiteMolybdenum: between(0, 100, "per wt%"),
  bainiteManganese: sensitivity("manganese"),
  bainiteSilicon: sensitivity("silicon"),
  bainiteNickel: sensitivity("nickel"),
  bainiteTungsten: sensitivity("tungsten"),
  bainiteGrain: grain,
  dissolutionRate_um2_s: between(1e-8, 1, "Speed at which a carbide dissolves at 830 C, um2/s"),
  dissolutionActivation_J_mol: between(1e4, 1e6, "J/mol"),
  dissolutionChromium: between(0, 1e4, "How much chromium holds carbide, per wt%"),
  pearliteAlloyShare: between(0, 3, "Share of the published effect of alloy on the hardness of pearlite"),
  pearliteWithoutCarbon: between(0, 1, "Hardness of pearlite without carbon, as a share of that of the eutectoid"),
  bainiteWithoutCarbon: between(0, 1, "Hardness of bainite without carbon, as a share of that of 0.8 %"),
  bainiteAlloyShare: between(0, 3, "Share of the published effect of alloy on the hardness of bainite"),
  mixtureDrop_HV: between(0, 1000, "How much softer a mixture of martensite is than the sum of its parts, HV"),
  martensite40_HV: between(400, 1200, "Fresh martensite of 0.4 % carbon, HV"),
  martensite50_HV: between(400, 1200, "Fresh martensite of 0.5 % carbon, HV"),
  martensite60_HV: between(400, 1200, "Fresh martensite of 0.6 % carbon, HV"),
  martensite80_HV: between(400, 1200, "Fresh martensite of 0.8 % carbon, HV"),
  jetHot_W_m2K: between(1000, 200000, "Heat transfer of the water jet on a hot end-quenched bar, above 417 C at its end, W/(m2 K)"),
  jetCold_W_m2K: between(1000, 200000, "The same below 247 C"),
});
export type KineticConstants = Static<typeof KineticConstantsSchema>;

export const KineticsSchema = strict({
  formatVersion: Type.Literal(1),
  /** The script that made the numbers, or the source that gave them. */
  fittedBy: Type.String(),
  note: Type.String(),
  constants: KineticConstantsSchema,
});
export type KineticsFile = Static<typeof KineticsSchema>;

const curve = (low: number, high: number, what: string) => Type.Array(between(low, high, what), { minItems: 2 });

/** The general law of tempering: what martensite loses by its equivalent temperature, carbon and alloy. */
export const TemperLawSchema = strict({
  formatVersion: Type.Literal(1),
  fittedBy: Type.String(),
  note: Type.String(),
  at_C: curve(0, 1000, "C"),
  drop_HRC: curve(0, 80, "Drop of a steel of 0.7 % carbon, HRC"),
  carbon_HRC_wtpct: curve(-30, 30, "What more carbon adds to the drop, HRC per wt%"),
  resistanceAt_C: curve(0, 1000, "C"),
  resistance: Type.Array(
    strict({
      element: choice(["Mn", "Si", "Ni", "Cr", "Mo", "V"] as const),
      scale: between(0, 10, "Fitted"),
      cap_wtpct: Type.Optional(between(0, 10, "More than this adds nothing, wt%")),
      shape_HRC_wtpct: curve(0, 100, "HRC per wt%"),
    }),
  ),
  /** Fully hardened, of a steel that is not listed. */
  nominal: strict({ carbon_wtpct: curve(0, 2, "wt%"), hardness_HRC: curve(0, 70, "HRC") }),
});
export type TemperLawFile = Static<typeof TemperLawSchema>;
