/** What the page says to a worker and what it hears back. Everything is plain data. */

import { Type, type Static } from "@sinclair/typebox";
import { BreakLookSchema, FindingSchema, HARDENS, PieceSchema, RouteSchema, TestSchema } from "./book.js";
import { FUELS, KitSchema } from "./kit.js";
import { between, choice, strict, tagged, limited } from "./parts.js";
import { LIMITS } from "./limits.js";

/** Quick while a finger moves, full when it rests. */
const EffortSchema = choice(["quick", "full"] as const);
export type Effort = Static<typeof EffortSchema>;

/** How many cases the spread is made of. */
export const MEMBERS = 48;

/** The fire a piece lies in. */
export const FireSchema = strict({
  kind: choice(["forge", "kiln"] as const),
  fuel: choice(FUELS),
  chamber_C: between(300, 1400, "Temperature of the fire, C"),
  /** Null where the whole piece is taken to be in it. */
  length_mm: Type.Union([between(30, 5000, "Length of the fire, mm"), Type.Null()]),
});
export type FireInput = Static<typeof FireSchema>;

/** How far something runs beyond what was said of it, and how sure that is: C, or the logarithm of a ratio. */
const knownOf = (least: number, most: number, what: string) =>
  Type.Optional(strict({ mean: between(least, most, what), sd: between(0, most, "How sure, one deviation") }));

/** What of it may hang together, in the order it is drawn in: what a piece went through in its bath, then what its temper adds. */
export const TIED = ["bathRatio", "rateRatio", "dissolutionRatio", "steel_HRC", "oven_K"] as const;
const tied = choice(TIED);

/** What of a plan may be fixed before it is worked out: the heat with its hold, the bath, what draws the temper. */
export const PINS = ["heat", "bath", "temper"] as const;
export type Pin = (typeof PINS)[number];

/** What is known of a shop and of this run of it: in the place of what is taken for granted of any. */
export const ShopKnownSchema = strict({
  heat_K: knownOf(-150, 150, "Hotter than it was taken to be by, C"),
  bathRatio: knownOf(-2, 2, "Its bath takes heat out faster than ours: logarithm of how many times"),
  transferRatio: knownOf(-2, 2, "From fire to bath it takes longer than said: logarithm of how many times"),
  /** A tap that may have come late: the other way it may have been, logarithm of how many times as long, and how likely that is. */
  transferElse: Type.Optional(strict({ chance: between(0, 1, "Chance"), ln: between(-4, 4, "Logarithm of how many times") })),
  rateRatio: knownOf(-2, 2, "This steel turns soft faster than ours: logarithm of how many times"),
  dissolutionRatio: knownOf(-2, 2, "Carbide of this steel dissolves faster than ours: logarithm of how many times"),
  steel_HRC: knownOf(-20, 20, "This steel comes out harder after the temper than its curve says by, HRC"),
  /** What its flame leaves around the piece. */
  fire: Type.Optional(choice(["oxidising", "neutral"] as const)),
  oven_K: knownOf(-150, 150, "Its oven is truly hotter than the cycles say by, C"),
  /** What of it hangs together: learned from the same tests, one is known by the other. Correlations. */
  ties: Type.Optional(Type.Array(strict({ one: tied, other: tied, r: between(-1, 1, "How far the two go together") }), { maxItems: 10 })),
});
export type ShopKnown = Static<typeof ShopKnownSchema>;

const fallen_s = between(0, 3600, "Since it left the fire, s");

/** Of a falling heat, by the magnet: when it was last free, when it first pulled, and when nobody waited any longer. */
export const FallSeenSchema = strict({
  free_s: fallen_s,
  pulls_s: Type.Union([fallen_s, Type.Null()]),
  ended_s: Type.Union([fallen_s, Type.Null()]),
});
export type FallSeen = Static<typeof FallSeenSchema>;

/** Beside plan and log: the shop, how its heat fell, and the tests of this piece, each after so many of its tempers. */
export const KnownSchema = strict({
  shop: Type.Optional(ShopKnownSchema),
  fall: Type.Optional(FallSeenSchema),
  tests: Type.Optional(Type.Array(strict({ tempers: Type.Integer({ minimum: 0, maximum: 40 }), test: TestSchema }), { maxItems: 60 })),
});
export type Known = Static<typeof KnownSchema>;
const known = Type.Optional(KnownSchema);

/** What a look found that was taken to tell causes apart. */
export type Finding = Static<typeof FindingSchema>;

/** What of a hardening was logged; cold: that it was so when it was tested. */
export const FACTS = ["heat", "hold", "transfer", "bath", "bath-time", "oven", "cold"] as const;
export type Fact = (typeof FACTS)[number];

/** Why a piece came out otherwise than planned. */
export const CAUSES = [
  "heat-too-low",
  "heat-too-high",
  "soak-too-short",
  "coarse-start",
  "slow-bath",
  "cold-bath",
  "out-too-soon",
  "slow-transfer",
  "too-thick",
  "soft-skin",
  "tested-too-early",
  "temper-too-hot",
  "oven-wrong",
  "other-steel",
  "as-planned",
] as const;
export type Cause = (typeof CAUSES)[number];

const hardnessAtPlace = Type.Union([Type.Number(), Type.Null()]);
const drawnAtPlace = Type.Union([strict({ temperature_C: Type.Number(), fresh_HRC: Type.Number() }), Type.Null()]);
const MemberSchema = strict({
  decidedInBath_s: Type.Union([Type.Number(), Type.Null()]),
  hardness_HRC: strict({ surface: hardnessAtPlace, centre: hardnessAtPlace, edge: hardnessAtPlace, spine: hardnessAtPlace }),
  floor_HRC: strict({ surface: hardnessAtPlace, centre: hardnessAtPlace, edge: hardnessAtPlace, spine: hardnessAtPlace }),
  isHard: strict({ surface: Type.Boolean(), centre: Type.Boolean(), edge: Type.Boolean(), spine: Type.Boolean() }),
  drawn: strict({ surface: drawnAtPlace, centre: drawnAtPlace, edge: drawnAtPlace, spine: drawnAtPlace }),
  astmGrain: Type.Number(),
  pulls_s: Type.Union([Type.Number(), Type.Null()]),
  explains: Type.Number(),
});

const EnsembleSchema = Type.Array(MemberSchema, { minItems: MEMBERS, maxItems: MEMBERS });

export const JobSchema = tagged(
  "kind",
  strict({
    kind: Type.Literal("predict"),
    piece: PieceSchema,
    route: RouteSchema,
    effort: EffortSchema,
    /** All members of the ensemble, when they were run beside it. */
    members: Type.Optional(EnsembleSchema),
    known,
  }),
  /** The case as planned, run beside its members and remembered: what a prediction of the same worker begins with. */
  strict({ kind: Type.Literal("nominal"), piece: PieceSchema, route: RouteSchema, known }),
  strict({
    kind: Type.Literal("members"),
    piece: PieceSchema,
    route: RouteSchema,
    from: Type.Integer({ minimum: 0, maximum: MEMBERS }),
    to: Type.Integer({ minimum: 0, maximum: MEMBERS }),
    known,
  }),
  strict({
    kind: Type.Literal("section"),
    piece: PieceSchema,
    route: RouteSchema,
    /** Where along the piece; null for the section as it was measured. */
    station: Type.Union([between(0, 1, "Share of the length"), Type.Null()]),
    effort: EffortSchema,
    /** As above. */
    members: Type.Optional(EnsembleSchema),
    known,
  }),
  /** What a tested piece teaches of its shop. */
  strict({ kind: Type.Literal("lesson"), piece: PieceSchema, route: RouteSchema, known: KnownSchema }),
  /** When each colour comes to the edge, as it was dipped and as long as it is heated. */
  strict({
    kind: Type.Literal("colour-run"),
    piece: PieceSchema,
    route: RouteSchema,
    dip_s: Type.Optional(between(0.2, 3600, "In the bath, s")),
    heats_s: Type.Optional(between(0, 3600, "Heated for, s")),
    /** When a fresh bar took the place of the last, since heat began to run, s. */
    fresh_s: Type.Optional(Type.Array(between(0, 3600, "A fresh bar after, s"), { maxItems: 20 })),
  }),
  /** The planned bath beside others of the shop. */
  strict({
    kind: Type.Literal("better-bath"),
    piece: PieceSchema,
    route: RouteSchema,
    known,
    media: Type.Array(Type.String({ maxLength: 30 }), { maxItems: 20 }),
  }),
  /** Every way to take a piece through one bath of its route. */
  strict({
    kind: Type.Literal("patterns"),
    piece: PieceSchema,
    route: RouteSchema,
    index: Type.Integer({ minimum: 0, maximum: 99, description: "Of the quench in the route" }),
    known,
    /** The baths of the shop; all there are when nobody said. */
    media: Type.Optional(Type.Array(Type.String({ maxLength: 30 }), { maxItems: 20 })),
  }),
  /** The plan worked out: the ways that land it, what set their numbers, what would be worth knowing. */
  strict({
    kind: Type.Literal("solve"),
    piece: PieceSchema,
    route: RouteSchema,
    known,
    kit: Type.Union([KitSchema, Type.Null()]),
    pins: Type.Array(choice(PINS), { maxItems: PINS.length }),
    /** Only the ways, and nothing of what else would help. */
    isBrief: Type.Optional(Type.Literal(true)),
    /** Of the shop: heats are round in it. */
    unit: Type.Optional(choice(["C", "F"] as const)),
  }),
  /** What coming out of the bath at each second buys and costs. */
  strict({ kind: Type.Literal("out-at"), piece: PieceSchema, route: RouteSchema, known }),
  /** How deep and how long for a quench line at a wanted height. */
  strict({
    kind: Type.Literal("line"),
    piece: PieceSchema,
    route: RouteSchema,
    wanted_mm: between(0.5, 400, "Height of the line above the edge, mm"),
    known,
  }),
  /** Why a tested piece came out as it did, and what to do now. */
  strict({
    kind: Type.Literal("diagnose"),
    piece: PieceSchema,
    planned: RouteSchema,
    /** As it was done. */
    route: RouteSchema,
    known: KnownSchema,
    facts: Type.Array(choice(FACTS), { maxItems: FACTS.length }),
    /** Baths there are, where somebody said. */
    baths: Type.Union([Type.Array(Type.String({ maxLength: 64 }), { maxItems: 60 }), Type.Null()]),
    /** Looks that were taken since it was tested. */
    findings: Type.Array(FindingSchema, { maxItems: 40 }),
    /** Looks at the grain of what was broken since it was hardened last. */
    breaks: Type.Array(BreakLookSchema, { maxItems: 20 }),
    /** How often it was hardened. */
    attempts: Type.Integer({ minimum: 1, maximum: 40 }),
  }),
  strict({
    kind: Type.Literal("warm-up"),
    piece: PieceSchema,
    hardens: choice(HARDENS),
    fire: FireSchema,
    /** As it goes in, C. */
    start_C: between(-20, 1000, "Temperature as it goes in, C"),
    target_C: between(100, 1200, "Heat wanted, C"),
    /** So much of it in the fire, from the end that works; all of it, or as its way of hardening has it, when absent. */
    inFire_mm: Type.Optional(limited(LIMITS.harden.inFire_mm, "Of it in the fire, mm")),
  }),
  strict({
    kind: Type.Literal("what-if"),
    piece: PieceSchema,
    route: RouteSchema,
    tracks: Type.Array(choice(["temper", "heat", "thickness"] as const)),
    /** So many of its tempers stay as they are. */
    tempersDone: Type.Optional(Type.Integer({ minimum: 0, maximum: 40 })),
    media: Type.Array(Type.String()),
    known,
  }),
);
export type Job = Static<typeof JobSchema>;

export interface JobFailure {
  readonly code: string;
  readonly path: string;
  readonly message: string;
}
