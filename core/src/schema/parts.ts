/** Building blocks of the schemas: choices told apart by a word, numbers with limits, and the words that recur. */

import { Type, type Static, type TObject, type TSchema, type TUnsafe } from "@sinclair/typebox";
import { LIMITS } from "./limits.js";

/** An object with nothing in it but what is named. */
export function strict<P extends Record<string, TSchema>>(properties: P, description?: string): TObject<P> {
  return Type.Object(properties, { additionalProperties: false, ...(description === undefined ? {} : { description }) });
}

/** One of several objects told apart by the literal in `tag`; errors then name the place inside the right one. */
export function tagged<S extends TObject[]>(tag: string, ...choices: S): TUnsafe<Static<S[number]>> {
  return Type.Unsafe<Static<S[number]>>({ type: "object", discriminator: { propertyName: tag }, required: [tag], oneOf: choices });
}

/** The same of a list of them. */
function taggedOf<S extends readonly TObject[]>(tag: string, choices: S): TUnsafe<Static<S[number]>> {
  return tagged(tag, ...choices);
}

/** One of a few words. */
export function choice<const W extends readonly string[]>(words: W): TUnsafe<W[number]> {
  return Type.Unsafe<W[number]>({ type: "string", enum: [...words] });
}

/** One of a few numbers. */
export function oneNumberOf<const N extends readonly number[]>(numbers: N): TUnsafe<N[number]> {
  return Type.Unsafe<N[number]>({ anyOf: numbers.map((number) => ({ const: number, type: "number" })) });
}

/** A number with limits that mean something. */
export function between(minimum: number, maximum: number, description: string) {
  return Type.Number({ minimum, maximum, description });
}

/** The same with limits that are kept together: handed over whole, so that a page that does not check loads none of it. */
export function limited([minimum, maximum]: readonly [number, number], description: string) {
  return between(minimum, maximum, description);
}

export const PriorStructureSchema = choice(["pearlite", "fine-spheroidised", "coarse-spheroidised", "as-forged"] as const);
export const AgitationSchema = choice(["none", "mild", "strong"] as const);

const WEDGE = {
  shape: Type.Literal("wedge"),
  spine_mm: limited(LIMITS.wedge.spine_mm, "Thickness at the back of the blade, mm"),
  edge_mm: limited(LIMITS.wedge.edge_mm, "Thickness at the edge when it is hardened, mm"),
  height_mm: limited(LIMITS.wedge.height_mm, "From edge to back, mm"),
};

const SECTIONS = [
  strict({
    shape: Type.Literal("plate"),
    thickness_mm: limited(LIMITS.plate.thickness_mm, "Thickness of a plate cooled on both faces, mm"),
    /** Of a flat bar: what it weighs and how it lies, not how it cools. */
    width_mm: Type.Optional(limited(LIMITS.plate.width_mm, "Across a flat bar, mm")),
  }),
  strict({ shape: Type.Literal("round"), diameter_mm: limited(LIMITS.round.diameter_mm, "Diameter of a round bar, mm") }),
  strict({ shape: Type.Literal("square"), side_mm: limited(LIMITS.square.side_mm, "Side of a square bar, mm") }),
  strict(WEDGE),
] as const;

/** Cross section of a piece, in mm. */
export const SectionSchema = taggedOf("shape", SECTIONS);
export type Section = Static<typeof SectionSchema>;

/** An end ground to an edge across it: a plane iron, a chisel. */
export const BevelSchema = strict({
  edge_mm: limited(LIMITS.bevel.edge_mm, "Thickness at the edge of the bevelled end, mm"),
  length_mm: limited(LIMITS.bevel.length_mm, "How far the bevel runs back from the edge, mm"),
  faces: choice(["one", "both"] as const),
});
export type Bevel = Static<typeof BevelSchema>;

const EndSchema = strict({
  shape: Type.Literal("end"),
  diameter_mm: between(2, 300, "Across the face that is quenched (a round of the same area), mm"),
  length_mm: between(5, 400, "How far the body reaches back from that face, mm"),
});
/** Of a wedge that is the bevelled end of a bar: its back is no face, it goes on into the body. */
const JoinedSchema = strict({ ...WEDGE, joined: Type.Optional(Type.Literal(true)) });
const WITH_END = [SECTIONS[0], SECTIONS[1], SECTIONS[2], JoinedSchema, EndSchema] as const;
/** A section, or the end of a bar cooled from one face: a hammer, an anvil tool, the standard bar; or one ground to an edge. */
export const BodySectionSchema = taggedOf("shape", WITH_END);
export type BodySection = Static<typeof BodySectionSchema>;

export const ImmersionSchema = tagged(
  "kind",
  strict({ kind: Type.Literal("full") }),
  strict({ kind: Type.Literal("edge"), depth_mm: between(0, 400, "Depth of the edge, or of the face, under the bath, mm") }),
  strict({ kind: Type.Literal("back"), depth_mm: between(0, 400, "Depth of the back under the bath, the edge up in the air, mm") }),
);
export type Immersion = Static<typeof ImmersionSchema>;

export const CoatSchema = strict({
  thickness_mm: between(0.1, 20, "Thickness of the clay when dry, mm"),
  from_mm: between(0, 400, "Height above the edge from which the clay covers the blade, mm"),
});
export type Coat = Static<typeof CoatSchema>;

export const CladdingSchema = strict({
  material: choice(["stainless", "mild-steel"] as const),
  core_mm: between(0.1, 100, "Thickness of the core between the claddings, mm"),
});
export type Cladding = Static<typeof CladdingSchema>;

/** wt% of the elements the models know. */
export const CompositionSchema = strict({
  C: between(0.05, 1.5, "Carbon, wt%"),
  Mn: Type.Optional(between(0, 2, "Manganese, wt%")),
  Si: Type.Optional(between(0, 2.5, "Silicon, wt%")),
  Cr: Type.Optional(between(0, 2.5, "Chromium, wt%")),
  Ni: Type.Optional(between(0, 4, "Nickel, wt%")),
  Mo: Type.Optional(between(0, 1, "Molybdenum, wt%")),
  V: Type.Optional(between(0, 0.6, "Vanadium, wt%")),
  W: Type.Optional(between(0, 2, "Tungsten, wt%")),
});

export const CycleSchema = strict({
  temperature_C: between(20, 750, "Temperature of the piece, C"),
  hold_min: between(0, 6000, "Time at that temperature, min"),
});

const age = Type.Optional(between(0, 7200, "How long ago, s"));
/** What was seen, touched or read of a heat. */
export const HeatEvidenceSchema = tagged(
  "kind",
  strict({
    kind: Type.Literal("glow"),
    name: Type.String({ maxLength: 30 }),
    ambient_lux: limited(LIMITS.reading.light_lux, "Light in the shop, lux"),
    age_s: age,
  }),
  strict({ kind: Type.Literal("magnet"), state: choice(["sticks", "weak", "free"] as const), age_s: age }),
  strict({
    kind: Type.Literal("probe"),
    temperature_C: limited(LIMITS.reading.instrument_C, "Reading, C"),
    offset_C: Type.Optional(between(-100, 100, "What it reads too much, C")),
    sd_C: Type.Optional(between(0.5, 100, "Spread of one reading, C")),
    age_s: age,
  }),
  strict({
    kind: Type.Literal("infrared"),
    temperature_C: limited(LIMITS.reading.instrument_C, "Reading, C"),
    emissivity: limited(LIMITS.reading.emissivity, "What it was set to"),
    surface: choice(["scale", "bright"] as const),
    age_s: age,
  }),
  strict({
    kind: Type.Literal("stick"),
    rated_C: limited(LIMITS.reading.melts_C, "What it melts at, C"),
    hasMelted: Type.Boolean(),
    age_s: age,
  }),
  strict({
    kind: Type.Literal("time"),
    expected_C: between(20, 1400, "Expected after so long, C"),
    sd_C: between(5, 300, "Spread of that, C"),
  }),
);
