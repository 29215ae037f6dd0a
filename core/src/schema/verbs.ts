/** Inputs of the command line's verbs. */

import { Type, type Static } from "@sinclair/typebox";
import {
  BATH_REASONS,
  BreakLookSchema,
  CLAMPS,
  COLOUR_NAMES,
  DRAWS,
  FindingSchema,
  PIECE_KINDS,
  PieceSchema,
  RouteSchema,
  SCHOOLS,
  STARTS,
} from "./book.js";
import { FireSchema, PINS } from "./job.js";
import { CalibrationReadingSchema, KitSchema } from "./kit.js";
import { historySchema } from "./history.js";
import { LIMITS } from "./limits.js";
import {
  BevelSchema,
  AgitationSchema,
  between,
  BodySectionSchema,
  choice,
  CladdingSchema,
  CoatSchema,
  CompositionSchema,
  CycleSchema,
  HeatEvidenceSchema,
  ImmersionSchema,
  PriorStructureSchema,
  SectionSchema,
  strict,
  tagged,
  limited,
} from "./parts.js";

const SteelInput = Type.Unsafe<string | { composition_wtpct: { C: number } & Record<string, number> }>({
  description: "Id of a steel in the catalogue, or { composition_wtpct }",
  anyOf: [Type.String(), strict({ composition_wtpct: CompositionSchema })],
});

const MediumInput = Type.Unsafe<string | { heatTransfer_W_m2K: number }>({
  description: "Name of a medium, or { heatTransfer_W_m2K } for a textbook boundary",
  anyOf: [Type.String(), strict({ heatTransfer_W_m2K: between(0.1, 1e6, "The same at every temperature, W/(m2 K)") })],
});

type CoolMaterial = "steel" | "nickel" | "inconel-600" | { conductivity_W_mK: number; density_kg_m3: number; heatCapacity_J_kgK: number };

const mean = between(-50, 80, "HRC");
const Hrc = Type.Unsafe<number | { mean: number; sd?: number }>({
  description: "HRC, or { mean, sd }",
  anyOf: [mean, strict({ mean, sd: Type.Optional(between(0.05, 50, "HRC")) })],
});
/** One word for both, as people say it. run: drawn by a colour that runs from the body. residual: by its own heat. */
export const WAY_NAMES = ["whole", "edge", "face", "ends", "run", "residual"] as const;
export type WayName = (typeof WAY_NAMES)[number];
const way = { way: Type.Optional(choice(WAY_NAMES)), draws: Type.Optional(choice(DRAWS)) };

/** More places than these nobody measures. */
const MOST_STATIONS = 8;

const shape = {
  kind: choice(PIECE_KINDS),
  section: SectionSchema,
  length_mm: between(5, 3000, "Length over all, mm"),
  cladding: Type.Optional(CladdingSchema),
  /** An end ground to an edge across it, and the other. */
  bevel: Type.Optional(BevelSchema),
  otherBevel: Type.Optional(BevelSchema),
};

/** What a plan is made of. */
const planned = {
  piece: strict(shape),
  start: choice(["forged", "as-supplied", "reclaimed", ...STARTS] as const),
  use: Type.String({ maxLength: 30 }),
  school: choice(SCHOOLS),
  ...way,
  kit: Type.Optional(KitSchema),
};

/** A step that is fixed, as it says or as it is planned. */
const PinSchema = strict({
  step: choice(PINS),
  temperature_C: Type.Optional(between(100, 1200, "C")),
  hold_min: Type.Optional(between(0, 240, "min")),
  medium: Type.Optional(Type.String({ maxLength: 30 })),
  bath_C: Type.Optional(between(-20, 250, "C")),
});
export type VerbPin = Static<typeof PinSchema>;

/** Of a thermometer in an oven, in their order. */
const chamberReadings = (minItems: number) =>
  Type.Array(strict({ time_min: between(0, 3000, "Since the first of them, min"), reads_C: between(-20, 1400, "C") }), {
    minItems,
    maxItems: 200,
  });

const BathHappeningSchema = tagged(
  "entry",
  strict({
    at_s: between(0, 1e9, "On the clock of the log, s"),
    entry: Type.Literal("read"),
    top_C: between(-20, 250, "C"),
    bottom_C: Type.Optional(between(-20, 250, "C")),
    isStirred: Type.Boolean(),
  }),
  strict({ at_s: between(0, 1e9, "s"), entry: Type.Literal("added"), added_L: between(0.01, 5000, "L") }),
  strict({ at_s: between(0, 1e9, "s"), entry: Type.Literal("bar"), mass_kg: between(0.01, 200, "kg"), bar_C: between(20, 1300, "C") }),
  strict({
    at_s: between(0, 1e9, "s"),
    entry: Type.Literal("quench"),
    mass_kg: between(0.001, 200, "kg"),
    piece_C: between(20, 1300, "C"),
  }),
  strict({ at_s: between(0, 1e9, "s"), entry: Type.Literal("burnt") }),
  strict({ at_s: between(0, 1e9, "s"), entry: Type.Literal("because"), why: choice(BATH_REASONS) }),
);

/** Where a bar may have been found (core/src/stock/sources.ts). */
export const SOURCE_NAMES = [
  "coil-spring",
  "leaf-spring",
  "torsion-bar",
  "file",
  "rasp",
  "mower-blade",
  "edger-blade",
  "saw",
  "axle",
  "bearing",
  "hammer",
  "chisel",
  "jackhammer-point",
  "rail",
  "tine",
  "cable",
  "rebar",
  "unknown",
] as const;

const lux = between(0, 120000, "Light in the shop, lux");
const hrc = between(-20, 80, "HRC");

const files = Type.Array(strict({ hrc, result: choice(["skates", "drags", "bites"] as const) }), { maxItems: 40 });
const at = { at_s: between(0, 1e8, "On the clock of the log, s") };
export const LogEntrySchema = tagged(
  "act",
  strict({ ...at, act: Type.Literal("fire-in") }),
  strict({ ...at, act: Type.Literal("fire-out") }),
  strict({ ...at, act: Type.Literal("bath-out") }),
  strict({ ...at, act: Type.Literal("oven-out") }),
  strict({
    ...at,
    act: Type.Literal("heat"),
    temperature_C: between(20, 1300, "What the piece had, C"),
    sd_C: Type.Optional(between(0.5, 150, "How sure, one deviation, C")),
  }),
  strict({ ...at, act: Type.Literal("magnet"), state: choice(["sticks", "weak", "free"] as const) }),
  strict({
    ...at,
    act: Type.Literal("bath-in"),
    medium: Type.Optional(Type.String({ maxLength: 30 })),
    bath_C: Type.Optional(limited(LIMITS.quench.bath_C, "C")),
    depth_mm: Type.Optional(limited(LIMITS.quench.depth_mm, "Of the edge under the bath, mm")),
  }),
  strict({
    ...at,
    act: Type.Literal("oven-in"),
    set_C: between(20, 760, "What the oven was set to, C"),
    thermometer_C: Type.Optional(between(20, 760, "What a thermometer in it read, C")),
  }),
  strict({
    ...at,
    act: Type.Literal("test"),
    files: Type.Optional(files),
    rockwell: Type.Optional(
      strict({
        readings: Type.Array(between(0, 75, "HRC"), { minItems: 1, maxItems: 60 }),
        blockBias: Type.Optional(between(-10, 10, "Tester on its block less the block's value, HRC")),
      }),
    ),
    decarburised: Type.Optional(Type.Boolean()),
  }),
  strict({ ...at, act: Type.Literal("break"), look: BreakLookSchema }),
  /** An entry that came late, or early: when it truly was. */
  strict({
    ...at,
    act: Type.Literal("correct"),
    entry: Type.Integer({ minimum: 0, maximum: 1999, description: "Which entry of the log, from 0" }),
    at_s_true: between(0, 1e8, "When it truly was, on the clock of the log, s"),
  }),
  strict({ ...at, act: Type.Literal("found"), ...FindingSchema.properties }),
);
export type LogEntry = Exclude<Static<typeof LogEntrySchema>, { act: "correct" }>;
export type SaidEntry = Static<typeof LogEntrySchema>;

/** A hardening, but for how it goes into its bath. */
const hardened = {
  steel: SteelInput,
  priorStructure: PriorStructureSchema,
  section: BodySectionSchema,
  austenitise: strict({ temperature_C: between(20, 1300, "Heat, C"), hold_min: between(0, 1440, "Time at heat, min") }),
  transfer_s: Type.Optional(between(0, 600, "From fire to bath, s")),
};
const quenched = {
  medium: MediumInput,
  bath_C: between(-100, 1300, "Bath temperature, C"),
  agitation: Type.Optional(AgitationSchema),
};

export const VERB_SCHEMAS = {
  VerbSteels: strict({}),
  VerbTransformations: strict({
    steel: SteelInput,
    astmGrain: Type.Optional(between(-3, 14, "ASTM grain number")),
    priorStructure: Type.Optional(PriorStructureSchema),
  }),
  VerbHarden: strict({
    ...hardened,
    quench: strict({
      ...quenched,
      time_s: Type.Optional(between(0, 86400, "Time in the bath, s")),
      immersion: Type.Optional(ImmersionSchema),
      /** What it is dipped into after that, in order. */
      dips: Type.Optional(
        Type.Array(
          strict({
            air_s: Type.Optional(between(0, 600, "In the air before it, s")),
            medium: Type.Optional(MediumInput),
            bath_C: Type.Optional(between(-100, 1300, "C")),
            immersion: Type.Optional(ImmersionSchema),
            time_s: Type.Optional(between(0, 86400, "Time in it, s; until it is as cold as the bath when left out")),
          }),
          { maxItems: 20 },
        ),
      ),
    }),
    coat: Type.Optional(CoatSchema),
    cladding: Type.Optional(CladdingSchema),
  }),
  VerbLine: strict({
    ...hardened,
    quench: strict(quenched),
    wanted: strict({ height_mm: between(0.5, 400, "Height of the quench line above the edge, mm") }),
  }),
  VerbChooseBath: strict({
    ...hardened,
    baths: Type.Array(
      strict({
        medium: Type.String({ maxLength: 30 }),
        bath_C: Type.Optional(between(-100, 1300, "C")),
        agitation: Type.Optional(AgitationSchema),
      }),
      { minItems: 1, maxItems: 6 },
    ),
  }),
  VerbTemper: strict({
    steel: SteelInput,
    asQuenched: Type.Optional(strict({ hrc: Hrc })),
    retainedAustenite: Type.Optional(between(0, 0.6, "Fraction")),
    cycles: Type.Array(CycleSchema, { minItems: 1, maxItems: 50 }),
  }),
  VerbTemperFor: strict({
    steel: SteelInput,
    asQuenched: Type.Optional(strict({ hrc: Hrc })),
    target: strict({ hrc: between(15, 70, "Wanted, HRC") }),
    cycles: Type.Integer({ minimum: 1, maximum: 20 }),
    hold_min: limited(LIMITS.temper.hold_min, "Of each of them, min"),
    done: Type.Optional(Type.Array(CycleSchema, { maxItems: 50 })),
  }),
  VerbDip: strict({
    steel: SteelInput,
    asQuenched: Type.Optional(strict({ hrc: Hrc })),
    temperature_C: limited(LIMITS.temper.temperature_C, "Of all of them, C"),
    holds_min: Type.Array(limited(LIMITS.temper.hold_min, "min"), { minItems: 1, maxItems: 20 }),
    use: Type.String({ maxLength: 30 }),
    hottest_C: Type.Optional(limited(LIMITS.temper.temperature_C, "Where the oven ends, C")),
  }),
  VerbWarp: strict({
    section: SectionSchema,
    length_mm: between(5, 3000, "Length over all, mm"),
    log: Type.Array(
      tagged(
        "act",
        strict({
          act: Type.Literal("measured"),
          bow_mm: limited(LIMITS.warp.bow_mm, "Off the line, mm"),
          over_mm: limited(LIMITS.warp.over_mm, "Over this length, mm"),
        }),
        strict({ act: Type.Literal("clamped"), how: choice(CLAMPS), past_mm: limited(LIMITS.warp.bow_mm, "Past the line, mm") }),
      ),
      { minItems: 1, maxItems: 100 },
    ),
  }),
  VerbSettling: strict({ readings: chamberReadings(3), set_C: Type.Optional(between(20, 750, "What it was set to, C")) }),
  VerbFalling: strict({ readings: chamberReadings(1), target_C: limited(LIMITS.temper.temperature_C, "C") }),
  VerbVerdict: strict({
    prior: Type.Optional(strict({ mean, sd: between(0.05, 50, "HRC") })),
    files: Type.Optional(
      Type.Array(
        strict({
          hrc,
          result: choice(["skates", "drags", "bites"] as const),
          fileSd: Type.Optional(between(0, 5, "Spread of the file itself, HRC")),
        }),
        { maxItems: 40 },
      ),
    ),
    rockwell: Type.Optional(
      strict({
        readings: Type.Array(hrc, { minItems: 1, maxItems: 60 }),
        blockBias: Type.Optional(between(-10, 10, "Tester on its block less the block's value, HRC")),
        blockReadings: Type.Optional(Type.Integer({ minimum: 1, maximum: 100 })),
        radius_mm: Type.Optional(between(1, 300, "Radius of a round where it was tested, mm")),
        thickness_mm: Type.Optional(between(0.05, 300, "Thickness under the dent, mm")),
      }),
    ),
    decarburised: Type.Optional(Type.Boolean({ description: "True: heated long unprotected. False: ground past the skin." })),
    piece_C: Type.Optional(between(-50, 1300, "Temperature of the piece when tested, C")),
  }),
  VerbConvert: Type.Unsafe<{ hrc?: number; hv?: number }>({
    type: "object",
    additionalProperties: false,
    minProperties: 1,
    maxProperties: 1,
    properties: { hrc: between(-20, 70, "HRC"), hv: between(20, 1100, "HV") },
  }),
  VerbGlow: strict({ temperature_C: between(0, 1700, "C"), ambient_lux: lux }),
  VerbOxide: strict({
    temperature_C: between(0, 700, "C"),
    hold_min: between(0, 6000, "min"),
    steel: Type.Optional(SteelInput),
  }),
  VerbTtt: strict({ steel: SteelInput, astmGrain: Type.Optional(between(0, 14, "ASTM grain number")) }),
  VerbJominy: strict({ steel: SteelInput, astmGrain: Type.Optional(between(0, 14, "ASTM grain number")) }),
  VerbCool: strict({
    section: SectionSchema,
    start_C: between(-100, 1400, "Temperature at the start, C"),
    medium: MediumInput,
    bath_C: between(-100, 1300, "Temperature of the surroundings, C"),
    agitation: Type.Optional(AgitationSchema),
    time_s: between(0.01, 100000, "How long to follow it, s"),
    material: Type.Optional(
      Type.Unsafe<CoolMaterial>({
        anyOf: [
          Type.String({ enum: ["steel", "nickel", "inconel-600"] }),
          strict({
            conductivity_W_mK: between(0.01, 2000, "W/(m K)"),
            density_kg_m3: between(1, 30000, "kg/m3"),
            heatCapacity_J_kgK: between(1, 20000, "J/(kg K)"),
          }),
        ],
      }),
    ),
  }),
  VerbSimulate: strict({
    steel: SteelInput,
    priorStructure: PriorStructureSchema,
    section: BodySectionSchema,
    coat: Type.Optional(CoatSchema),
    cladding: Type.Optional(CladdingSchema),
    history: historySchema(MediumInput),
  }),
  VerbSoak: strict({
    steel: SteelInput,
    priorStructure: PriorStructureSchema,
    temperature_C: between(600, 1200, "Heat, C"),
    hold_min: Type.Optional(between(0, 240, "Time at heat for which a hotter heat is sought, min")),
    wanted_wtpct: Type.Optional(between(0.05, 1.5, "Carbon wanted in solution, wt%")),
  }),
  VerbBath: strict({
    medium: Type.String(),
    volume_L: between(0.2, 5000, "Litres in the bath"),
    bath_C: between(-20, 250, "Temperature of the bath, C"),
    tank: Type.Optional(
      strict({
        kind: choice(["round", "square"] as const),
        width_mm: between(20, 3000, "Diameter, or side, mm"),
        depth_mm: between(20, 3000, "From rim to floor, mm"),
        fill_mm: between(0, 3000, "How deep the liquid stands, mm"),
      }),
    ),
    pieces: Type.Array(
      strict({
        mass_kg: between(0.001, 200, "kg"),
        temperature_C: between(0, 1300, "When it goes in, C"),
        length_mm: Type.Optional(between(1, 3000, "How much of it hangs in the bath, mm")),
      }),
      { minItems: 1, maxItems: 60 },
    ),
    limit_C: Type.Optional(between(0, 250, "Warmest the bath may become, C")),
    /** What happened to it before: then `bath_C` is what it was when the log began. */
    log: Type.Optional(Type.Array(BathHappeningSchema, { maxItems: 2000 })),
    now_s: Type.Optional(between(0, 1e9, "On the clock of the log, s")),
    air_C: Type.Optional(between(-40, 60, "Of the shop, C")),
    heater_W: Type.Optional(between(1, 20000, "Of a heater in it, W")),
  }),
  VerbHeatEstimate: strict({
    steel: SteelInput,
    priorStructure: Type.Optional(PriorStructureSchema),
    direction: choice(["heating", "cooling"] as const),
    evidence: Type.Array(HeatEvidenceSchema, { minItems: 1, maxItems: 60 }),
    wanted_C: Type.Optional(between(200, 1300, "The heat wanted, C")),
    window_C: Type.Optional(Type.Array(between(20, 1350, "C"), { minItems: 2, maxItems: 2 })),
    rate_C_min: Type.Optional(between(-2000, 2000, "How fast it moves now, C a minute: for readings with an age")),
    eye: Type.Optional(
      strict({ bias_C: between(-200, 200, "What the eye calls too hot by, C"), sd_C: between(1, 200, "How sure that is, C") }),
    ),
  }),
  VerbRoute: strict({ steel: SteelInput, ...planned }),
  VerbSolve: strict({
    steel: Type.String({ maxLength: 30 }),
    ...planned,
    eye_K: Type.Optional(between(1, 100, "How far this eye is off, one deviation, C")),
    wishes: PieceSchema.properties.zones,
    pins: Type.Optional(Type.Array(PinSchema, { maxItems: PINS.length })),
  }),
  VerbIdentify: strict({
    source: Type.Optional(choice(SOURCE_NAMES)),
    spark: Type.Optional(
      strict({
        bursts: Type.Optional(choice(["none", "few", "many", "very-many"] as const)),
        length: Type.Optional(choice(["short", "medium", "long"] as const)),
        colour: Type.Optional(choice(["straw", "orange", "red"] as const)),
        ends: Type.Optional(choice(["plain", "forked", "spear"] as const)),
      }),
    ),
    isMagnetic: Type.Optional(Type.Boolean()),
    fileAsFound: Type.Optional(choice(["bites", "skates"] as const)),
    airHard: Type.Optional(Type.Boolean()),
    composition_wtpct: Type.Optional(CompositionSchema),
    /** Of the piece that is to be made of it. */
    section: Type.Optional(SectionSchema),
    media: Type.Optional(Type.Array(Type.String({ maxLength: 30 }), { minItems: 1, maxItems: 8 })),
    coupons: Type.Optional(
      Type.Array(
        strict({
          section: SectionSchema,
          heat_C: limited(LIMITS.harden.temperature_C, "Heat of the coupon, C"),
          hold_min: limited(LIMITS.harden.hold_min, "min"),
          medium: Type.String({ maxLength: 30 }),
          bath_C: Type.Optional(limited(LIMITS.quench.bath_C, "Bath, C")),
          files: Type.Optional(files),
          hrc: Type.Optional(hrc),
          grain: Type.Optional(between(1, 14, "Grain of its break, ASTM number")),
          at: Type.Optional(choice(["surface", "middle"] as const)),
          heat_K: Type.Optional(between(1, 100, "How far its heat may be off, one deviation, C")),
        }),
        { maxItems: 12 },
      ),
    ),
  }),
  VerbStanding: strict({
    steel: Type.String({ maxLength: 30 }),
    ...planned,
    piece: strict({
      ...shape,
      /** Further places that were measured, each with its section: 0 the tang or the struck end, 1 the tip. */
      stations: Type.Optional(
        Type.Array(strict({ at: between(0, 1, "Share of the length"), section: SectionSchema }), { maxItems: MOST_STATIONS }),
      ),
    }),
    route: Type.Optional(strict({ steps: RouteSchema.properties.steps })),
    log: Type.Array(LogEntrySchema, { maxItems: 2000 }),
    now_s: between(0, 1e8, "Now, on the clock of the log, s"),
  }),
  VerbColourRun: strict({
    steel: Type.String({ maxLength: 30 }),
    ...planned,
    /** Colours seen at the edge, and how long after heat began to run. */
    seen: Type.Array(strict({ name: choice(COLOUR_NAMES), after_s: between(0, 7200, "s") }), { maxItems: 200 }),
    after_s: between(0, 7200, "Now, since heat began to run, s"),
    dip_s: Type.Optional(between(0, 600, "How long it was under, where it is drawn by its own heat, s")),
    heats_s: Type.Optional(between(0, 7200, "When its heat was taken away, s")),
    fresh_s: Type.Optional(Type.Array(between(0, 7200, "When a fresh block was laid under it, s"), { maxItems: 20 })),
  }),
  VerbFit: strict({
    piece: PieceSchema,
    school: choice(SCHOOLS),
    ...way,
    kit: KitSchema,
  }),
  VerbWarmUp: strict({
    piece: PieceSchema,
    ...way,
    fire: FireSchema,
    target_C: between(100, 1200, "Heat wanted, C"),
    start_C: Type.Optional(between(-20, 1000, "Temperature as it goes in, C")),
  }),
  VerbCalibrate: strict({ readings: Type.Array(CalibrationReadingSchema, { minItems: 3, maxItems: 60 }) }),
  VerbHeatNow: strict({
    /** An export of any version: it is checked as `check-file` does. */
    book: Type.Unknown(),
    piece: Type.String({ minLength: 1, maxLength: 64 }),
    now_ms: Type.Integer({ minimum: 0, maximum: 8640000000000000 }),
  }),
  VerbGlowRead: strict({ name: Type.String({ maxLength: 30 }), ambient_lux: lux }),
  VerbThermocouple: strict({
    type: Type.Literal("K"),
    emf_mV: Type.Optional(between(-10, 60, "mV")),
    temperature_C: Type.Optional(between(-270, 1372, "C")),
    coldJunction_C: Type.Optional(between(-40, 80, "C")),
  }),
};
