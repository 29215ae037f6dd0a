/** The shop's own equipment: each with its limits and what is known of how it errs. Plans name nothing else. */

import { Type, type Static } from "@sinclair/typebox";
import { LIMITS } from "./limits.js";
import { choice, strict, tagged, limited } from "./parts.js";

export const FUELS = ["gas", "coal", "charcoal"] as const;
/** What a temper may lie in, other than the air of an oven. */
export const VESSELS = ["oil", "salt", "sand"] as const;
export type Vessel = (typeof VESSELS)[number];
export const ATMOSPHERES = ["rich", "neutral", "lean"] as const;

const common = {
  id: Type.String({ minLength: 1, maxLength: 64 }),
  name: Type.String({ minLength: 1, maxLength: 60 }),
  notes: Type.Optional(Type.String({ maxLength: 600, description: "What to remember when it is lit again" })),
};
const chamber = {
  length_mm: limited(LIMITS.chamber.length_mm, "Inside, the long way, mm"),
  width_mm: limited(LIMITS.chamber.width_mm, "Inside, across, mm"),
  height_mm: limited(LIMITS.chamber.height_mm, "Inside, upward, mm"),
};

/** A second thermometer beside what the dial says, at a time after it was set. */
export const CalibrationReadingSchema = strict({
  time_min: limited(LIMITS.calibration.time_min, "After it was set, min"),
  set_C: limited(LIMITS.calibration.set_C, "What the dial or controller says, C"),
  second_C: limited(LIMITS.calibration.second_C, "What the second thermometer says, C"),
});
export type CalibrationReading = Static<typeof CalibrationReadingSchema>;

const controlled = {
  limit_C: limited(LIMITS.controlled.limit_C, "Hottest it can go, C"),
  offset_C: limited(LIMITS.controlled.offset_C, "Truly hotter than it says by, C"),
  swing_C: limited(LIMITS.controlled.swing_C, "Goes up and down about its setting by, C"),
  settle_min: limited(LIMITS.controlled.settle_min, "Until it has come to rest after being set, min"),
  calibration: Type.Optional(Type.Array(CalibrationReadingSchema, { maxItems: 60 })),
};

export const KitItemSchema = tagged(
  "kind",
  strict({
    ...common,
    ...chamber,
    kind: Type.Literal("forge"),
    fuel: choice(FUELS),
    /** Open at both ends: longer pieces can be drawn through. */
    isOpenEnded: Type.Boolean(),
    burners: Type.Integer({ minimum: LIMITS.forge.burners[0], maximum: LIMITS.forge.burners[1], description: "Burners, or tuyeres" }),
    chamber_C: limited(LIMITS.forge.chamber_C, "As hot as it runs for heat treating, C"),
    atmosphere: choice(ATMOSPHERES),
    gas_kPa: Type.Optional(limited(LIMITS.forge.gas_kPa, "Pressure of the gas at that heat, kPa")),
    ambient_lux: limited(LIMITS.forge.ambient_lux, "Light around it, lux"),
  }),
  strict({
    ...common,
    kind: Type.Literal("torch"),
    heats_mm: limited(LIMITS.torch.heats_mm, "How much of a piece it can bring to heat at once, mm"),
  }),
  strict({
    ...common,
    ...chamber,
    ...controlled,
    kind: Type.Literal("kiln"),
    recovery_min: limited(LIMITS.kiln.recovery_min, "Until it is back after the door was open, min"),
  }),
  strict({
    ...common,
    ...chamber,
    ...controlled,
    kind: Type.Literal("oven"),
    /** A pot of oil, molten salt, a tray of sand over a heat; not said, air. */
    holds: Type.Optional(choice(VESSELS)),
  }),
  strict({
    ...common,
    kind: Type.Literal("bath"),
    medium: Type.String({ minLength: 1, maxLength: 30 }),
    tank: choice(["round", "square"] as const),
    width_mm: limited(LIMITS.bath.width_mm, "Across the inside, mm"),
    depth_mm: limited(LIMITS.bath.depth_mm, "From rim to floor, mm"),
    fill_mm: limited(LIMITS.bath.fill_mm, "How deep the liquid stands, mm"),
    /** What it is made of, whether it can be knocked over, whether a lid is at hand: none of it said, none of it asked for. */
    madeOf: Type.Optional(choice(["metal", "plastic"] as const)),
    canTip: Type.Optional(Type.Boolean()),
    hasLid: Type.Optional(Type.Boolean()),
    heater_W: Type.Optional(limited(LIMITS.bath.heater_W, "Of a heater in it, W")),
  }),
  strict({ ...common, kind: Type.Literal("magnet") }),
  strict({
    ...common,
    kind: Type.Literal("probe"),
    offset_C: limited(LIMITS.probe.offset_C, "Reads too hot by, C"),
    sd_C: limited(LIMITS.probe.sd_C, "Spread of one reading, C"),
    limit_C: limited(LIMITS.probe.limit_C, "Hottest it may go, C"),
  }),
  strict({ ...common, kind: Type.Literal("infrared"), emissivity: limited(LIMITS.reading.emissivity, "What it is set to") }),
  strict({ ...common, kind: Type.Literal("stick"), rated_C: limited(LIMITS.reading.melts_C, "What it melts at, C") }),
  strict({
    ...common,
    kind: Type.Literal("files"),
    files_HRC: Type.Array(limited(LIMITS.files.rated_HRC, "HRC"), { minItems: 1, maxItems: 12 }),
  }),
  strict({
    ...common,
    kind: Type.Literal("tester"),
    bias_HRC: limited(LIMITS.tester.bias_HRC, "On its block less the block's value, HRC"),
  }),
);
export type KitItem = Static<typeof KitItemSchema>;
export type KitKind = KitItem["kind"];

export const KitSchema = Type.Array(KitItemSchema, { maxItems: 200 });
/** Null where nobody has said yet what the shop has: then a plan may name anything, and says so. */
export type Kit = readonly KitItem[];
