/** The shop's own equipment: each with its limits and what is known of how it errs. Plans name nothing else. */

import { Type, type Static } from "@sinclair/typebox";
import { between, choice, strict, tagged } from "./parts.js";

export const FUELS = ["gas", "coal", "charcoal"] as const;
export const ATMOSPHERES = ["rich", "neutral", "lean"] as const;

const common = {
  id: Type.String({ minLength: 1, maxLength: 64 }),
  name: Type.String({ minLength: 1, maxLength: 60 }),
  notes: Type.Optional(Type.String({ maxLength: 600, description: "What to remember when it is lit again" })),
};
const chamber = {
  length_mm: between(30, 5000, "Inside, the long way, mm"),
  width_mm: between(30, 3000, "Inside, across, mm"),
  height_mm: between(30, 3000, "Inside, upward, mm"),
};

/** A second thermometer beside what the dial says, at a time after it was set. */
export const CalibrationReadingSchema = strict({
  time_min: between(0, 600, "After it was set, min"),
  set_C: between(20, 1300, "What the dial or controller says, C"),
  second_C: between(-20, 1350, "What the second thermometer says, C"),
});
export type CalibrationReading = Static<typeof CalibrationReadingSchema>;

const controlled = {
  limit_C: between(50, 1350, "Hottest it can go, C"),
  offset_C: between(-100, 100, "Truly hotter than it says by, C"),
  swing_C: between(0, 60, "Goes up and down about its setting by, C"),
  settle_min: between(0, 240, "Until it has come to rest after being set, min"),
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
    burners: Type.Integer({ minimum: 0, maximum: 20, description: "Burners, or tuyeres" }),
    chamber_C: between(700, 1400, "As hot as it runs for heat treating, C"),
    atmosphere: choice(ATMOSPHERES),
    ambient_lux: between(0, 120000, "Light around it, lux"),
  }),
  strict({ ...common, kind: Type.Literal("torch"), heats_mm: between(5, 500, "How much of a piece it can bring to heat at once, mm") }),
  strict({
    ...common,
    ...chamber,
    ...controlled,
    kind: Type.Literal("kiln"),
    recovery_min: between(0, 60, "Until it is back after the door was open, min"),
  }),
  strict({ ...common, ...chamber, ...controlled, kind: Type.Literal("oven") }),
  strict({
    ...common,
    kind: Type.Literal("bath"),
    medium: Type.String({ minLength: 1, maxLength: 30 }),
    tank: choice(["round", "square"] as const),
    width_mm: between(20, 3000, "Across the inside, mm"),
    depth_mm: between(20, 3000, "From rim to floor, mm"),
    fill_mm: between(10, 3000, "How deep the liquid stands, mm"),
  }),
  strict({ ...common, kind: Type.Literal("magnet") }),
  strict({
    ...common,
    kind: Type.Literal("probe"),
    offset_C: between(-100, 100, "Reads too hot by, C"),
    sd_C: between(0.5, 60, "Spread of one reading, C"),
    limit_C: between(50, 1400, "Hottest it may go, C"),
  }),
  strict({ ...common, kind: Type.Literal("infrared"), emissivity: between(0.1, 1, "What it is set to") }),
  strict({ ...common, kind: Type.Literal("stick"), rated_C: between(40, 1370, "What it melts at, C") }),
  strict({ ...common, kind: Type.Literal("files"), files_HRC: Type.Array(between(20, 72, "HRC"), { minItems: 1, maxItems: 12 }) }),
  strict({ ...common, kind: Type.Literal("tester"), bias_HRC: between(-10, 10, "On its block less the block's value, HRC") }),
);
export type KitItem = Static<typeof KitItemSchema>;
export type KitKind = KitItem["kind"];

export const KitSchema = Type.Array(KitItemSchema, { maxItems: 200 });
/** Null where nobody has said yet what the shop has: then a plan may name anything, and says so. */
export type Kit = readonly KitItem[];
