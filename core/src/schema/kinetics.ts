/** The fitted constants as stored in core/data/kinetics: every number of the kinetics that no publication gives as it stands. */

import { Type, type Static } from "@sinclair/typebox";
import { between, strict } from "./parts.js";

const sensitivity = (element: string) => between(-2, 12, `How much ${element} slows it, ln per wt%`);
const grain = between(0, 1, "Doublings a doubling of ASTM grain number brings");

export const KineticConstantsSchema = strict({
  pearliteScale: between(1e-3, 1e3, "Slows pearlite as a whole"),
  pearliteActivation_cal_mol: between(5000, 80000, "cal/mol"),
  pearliteBase: between(0, 50, "What a steel without chromium or molybdenum waits"),
  pearliteChromium: between(0, 100, "per wt%"),
  pearliteMolybdenum: between(0, 100, "per wt%"),
  pearliteManganese: sensitivity("manganese"),
  pearliteVanadium: sensitivity("vanadium"),
  pearliteNickel: sensitivity("nickel"),
  pearliteSilicon: sensitivity("silicon"),
  pearliteTungsten: sensitivity("tungsten"),
  pearliteCarbon: sensitivity("carbon below 0.8 %"),
  pearliteGrain: grain,
  pearliteCarbideSites_um: between(0, 100, "How much undissolved carbide helps pearlite to begin, um"),
  ferriteScale: between(1e-3, 1e3, "Slows ferrite as a whole"),
  ferriteVanadium: sensitivity("vanadium"),
  ferriteGrain: grain,
  bainiteScale: between(1e-7, 1, "Slows bainite as a whole"),
  bainiteActivation_cal_mol: between(5000, 80000, "cal/mol"),
  bainiteBase: between(0, 50, "What iron waits"),
  bainiteCarbon: between(0, 100, "per wt%"),
  bainiteChromium: between(0, 100, "per wt%"),
  bainiteMolybdenum: between(0, 100, "per wt%"),
  bainiteManganese: sensitivity("manganese"),
  bainiteSilicon: sensitivity("silicon"),
  bainiteNickel: sensitivity("nickel"),
  bainiteTungsten: sensitivity("tungsten"),
  bainiteGrain: grain,
  dissolutionRate_um2_s: between(1e-8, 1, "Speed at which a carbide dissolves at 830 C, um2/s"),
  dissolutionActivation_J_mol: between(1e4, 1e6, "J/mol"),
  dissolutionChromium: between(0, 1e4, "How much chromium holds carbide, per wt% squared"),
  mixtureDrop_HV: between(0, 1000, "How much softer a mixture of martensite is than the sum of its parts, HV"),
  jet_W_m2K: between(1000, 200000, "Heat transfer of the water jet on an end-quenched bar, W/(m2 K)"),
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
