/** What the page says to a worker and what it hears back. Everything is plain data. */

import { Type, type Static } from "@sinclair/typebox";
import { HARDENS, PieceSchema, RouteSchema } from "./book.js";
import { FUELS } from "./kit.js";
import { between, choice, strict, tagged } from "./parts.js";

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

const hardnessAtPlace = Type.Union([Type.Number(), Type.Null()]);
const MemberSchema = strict({
  hardness_HRC: strict({ surface: hardnessAtPlace, centre: hardnessAtPlace, edge: hardnessAtPlace, spine: hardnessAtPlace }),
  floor_HRC: strict({ surface: hardnessAtPlace, centre: hardnessAtPlace, edge: hardnessAtPlace, spine: hardnessAtPlace }),
  isHard: strict({ surface: Type.Boolean(), centre: Type.Boolean(), edge: Type.Boolean(), spine: Type.Boolean() }),
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
  }),
  /** The case as planned, run beside its members and remembered: what a prediction of the same worker begins with. */
  strict({ kind: Type.Literal("nominal"), piece: PieceSchema, route: RouteSchema }),
  strict({
    kind: Type.Literal("members"),
    piece: PieceSchema,
    route: RouteSchema,
    from: Type.Integer({ minimum: 0, maximum: MEMBERS }),
    to: Type.Integer({ minimum: 0, maximum: MEMBERS }),
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
  }),
  strict({
    kind: Type.Literal("warm-up"),
    piece: PieceSchema,
    hardens: choice(HARDENS),
    fire: FireSchema,
    /** As it goes in, C. */
    start_C: between(-20, 1000, "Temperature as it goes in, C"),
    target_C: between(100, 1200, "Heat wanted, C"),
  }),
  strict({
    kind: Type.Literal("what-if"),
    piece: PieceSchema,
    route: RouteSchema,
    tracks: Type.Array(choice(["temper", "heat", "thickness"] as const)),
    media: Type.Array(Type.String()),
  }),
);
export type Job = Static<typeof JobSchema>;

export interface JobFailure {
  readonly code: string;
  readonly path: string;
  readonly message: string;
}
