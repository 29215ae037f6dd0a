/** A quench medium as stored in core/data/media. */

import { Type, type Static } from "@sinclair/typebox";
import { between, choice, strict, tagged } from "./parts.js";

const Provenance = strict({
  kind: choice(["printed", "read-off-graph", "calibrated", "estimated"] as const),
  source: Type.String(),
  note: Type.Optional(Type.String()),
});

const common = {
  formatVersion: Type.Literal(1),
  id: Type.String(),
  name: Type.String(),
  /** Shown among baths where nobody said what the shop has (judgement). */
  isCommon: Type.Optional(Type.Literal(true)),
  about: Type.String(),
  usualBath_C: between(-10, 200, "Usual temperature of the bath, C"),
  provenance: Provenance,
};

/** What a bath holds of heat, and how warm it may become. Typical of its class: the maker's sheet goes first. */
const Liquid = strict({
  density_kg_m3: between(500, 1500, "kg/m3"),
  heatCapacity_J_kgK: between(500, 5000, "J/(kg K)"),
  limit_C: between(20, 250, "Warmest it should work at, C"),
  flash_C: Type.Optional(between(50, 400, "Flash point, C")),
  kind: choice(["printed", "estimated"] as const),
  source: Type.String(),
});

const boiling = {
  ...common,
  reference_C: between(0, 100, "Bath temperature the curve was fitted at, C"),
  film_W_m2K: between(100, 20000, "Heat transfer while the surface is hot and blanketed, W/(m2 K)"),
  leidenfrost_C: between(200, 1200, "Surface temperature where boiling begins to break the blanket, C"),
  peak_C: between(100, 900, "Surface temperature of the fastest boiling, C"),
  peak_W_m2K: between(100, 100000, "Heat transfer there, W/(m2 K)"),
  convectionStart_C: between(50, 600, "Surface temperature where boiling ends, C"),
  convection_W_m2K: between(50, 20000, "Heat transfer below it, W/(m2 K)"),
  liquid: Liquid,
};

export const MediumSchema = tagged(
  "kind",
  strict({ ...boiling, kind: Type.Literal("oil"), viscosityEffect: Type.Optional(between(0, 5, "How much cold thickens it")) }),
  strict({ ...boiling, kind: Type.Literal("water") }),
  strict({ ...boiling, kind: Type.Literal("brine") }),
  strict({
    ...common,
    kind: Type.Literal("air"),
    emissivityRatio: between(0, 1, "Emissivity of the surface"),
    convection_W_m2K: between(0, 200, "Natural convection at 500 C above the air, W/(m2 K)"),
  }),
  strict({ ...common, kind: Type.Literal("constant"), heatTransfer_W_m2K: between(0.1, 1e6, "Heat transfer, W/(m2 K)") }),
);

export type MediumFile = Static<typeof MediumSchema>;
type Boiling = Extract<MediumFile, { kind: "water" }>;
/** As the models read it: the three boiling kinds share their fields. */
export type Medium =
  | (Omit<Boiling, "kind"> & { readonly kind: "oil" | "water" | "brine"; readonly viscosityEffect?: number })
  | Extract<MediumFile, { kind: "air" | "constant" }>;
