import { CATALOGUE } from "../../src/catalogue.js";
import type { HardenPlan } from "../../src/simulate/harden.js";
import { steel } from "../catalogue.js";

/** A small knife in warm fast oil, a shade past the magnet. */
export const BLADE: HardenPlan = {
  steel: steel("1084"),
  prior: "pearlite",
  section: { shape: "wedge", spine_mm: 5, edge_mm: 1, height_mm: 32 },
  heat_C: 800,
  hold_s: 180,
  transfer_s: 1.5,
  medium: CATALOGUE.medium("fast-oil")!,
  bath_C: 55,
  agitation: "mild",
  bath_s: null,
  immersion: { kind: "full" },
};
