/** What the book keeps: pieces as the sum of their events. Everything stored or exported passes these. */

import { Type, type Static } from "@sinclair/typebox";
import { KitSchema, VESSELS } from "./kit.js";
import { LIMITS } from "./limits.js";
import {
  AgitationSchema,
  BevelSchema,
  between,
  choice,
  CladdingSchema,
  CoatSchema,
  SectionSchema,
  strict,
  tagged,
  limited,
  oneNumberOf,
} from "./parts.js";
import { REASONS } from "./reasons.js";
import { BOOK_VERSION } from "./version.js";

export const PIECE_KINDS = [
  "knife",
  "hook",
  "drawknife",
  "froe",
  "chisel",
  "punch",
  "hammer",
  "axe",
  "sword",
  "striker",
  "spring",
  "coupon",
  "other",
] as const;
export type PieceKind = (typeof PIECE_KINDS)[number];

export const SCHOOLS = ["forge", "kiln", "magnet", "falling"] as const;
/**
 * forge: a shade past the magnet. kiln: controlled heat and soak. magnet: to where it lets go and no further, from pearlite.
 * falling: past the magnet, then into the bath as it first pulls again.
 */
export type School = (typeof SCHOOLS)[number];

/** What a piece is heated in. coal: a fire of coal or charcoal. salt: a pot of molten salt. */
export const HEATED_IN = ["forge", "kiln", "torch", "coal", "salt"] as const;
export type HeatedIn = (typeof HEATED_IN)[number];
/**
 * By what one sees that it is hot enough. shade: so far past where the magnet lets go. touch: to where it lets go, no further. pull: past
 * it, then left to fall until it first pulls again. colour: by eye alone. controller: it is set. probe: read beside the steel.
 */
export const JUDGED_BY = ["shade", "touch", "pull", "colour", "controller", "probe"] as const;
export type JudgedBy = (typeof JUDGED_BY)[number];

export const HARDENS = ["whole", "edge", "face", "ends"] as const;
/** What is hardened. whole: all of it. edge: only the edge goes under. face: one end, or face. ends: one end, then the other. */
export type Hardens = (typeof HARDENS)[number];

/** What a colour runs from. */
export const RUN_SOURCES = ["torch", "hot-bar", "residual"] as const;
export type RunSource = (typeof RUN_SOURCES)[number];
export const DRAWS = ["oven", ...VESSELS, ...RUN_SOURCES] as const;
/** What draws the temper. oil, salt, sand: an oven of another kind (schema/kit). torch, hot-bar: a colour that runs from the body, and what warms it there. residual: the heat left in the body. */
export type Draws = (typeof DRAWS)[number];

/** Never stored: the steps say it (plan/way.ts). */
export interface Way {
  readonly hardens: Hardens;
  readonly draws: Draws;
}

export const STARTS = ["as-forged", "normalised", "fine-spheroidised", "coarse-spheroidised", "hardened"] as const;
/** hardened: it was hard before, and is to be hardened again. */
export type Start = (typeof STARTS)[number];

export const ZONES = ["edge", "spine", "tip", "tang"] as const;
export type Zone = (typeof ZONES)[number];
export const FATES = ["cracked", "broken", "given-up", "lost", "mistaken"] as const;
/** What became of a piece that did not get done. */
export type Fate = (typeof FATES)[number];
/** That, or that it was none of them after all. */
const BECAME = ["cracked", "broken", "given-up", "lost", "mistaken", "sound"] as const satisfies readonly (Fate | "sound")[];
export const WISHES = ["hard", "medium", "soft", "untreated"] as const;
export type Wish = (typeof WISHES)[number];

export const PieceSchema = strict({
  name: Type.String({ minLength: 1, maxLength: 60 }),
  /** The mark that survives the fire: notches, counted. */
  mark: Type.String({ minLength: 1, maxLength: 12 }),
  kind: choice(PIECE_KINDS),
  /** Which drawing of its kind; the kind's own when absent. */
  form: Type.Optional(Type.String({ maxLength: 30 })),
  steel: Type.String({ minLength: 1, maxLength: 30 }),
  start: choice(STARTS),
  use: Type.String({ minLength: 1, maxLength: 30 }),
  /** What is wanted of this piece alone, in the place of what its use wants, HRC: from, to. */
  aims_HRC: Type.Optional(
    strict({ low_HRC: limited(LIMITS.aims.wanted_HRC, "From, HRC"), high_HRC: limited(LIMITS.aims.wanted_HRC, "To, HRC") }),
  ),
  length_mm: limited(LIMITS.piece.length_mm, "Length over all, mm"),
  section: SectionSchema,
  /** Further places where a blade was measured, by their share of the length from the tang. */
  stations: Type.Optional(
    Type.Array(
      strict({
        at: between(0, 1, "Share of the length from the tang"),
        spine_mm: limited(LIMITS.wedge.spine_mm, "Thickness at the back there, mm"),
        edge_mm: limited(LIMITS.wedge.edge_mm, "Thickness at the edge there, mm"),
      }),
      { maxItems: 6 },
    ),
  ),
  /** Of a bar: ground to an edge across the end that works, from one face or both; square when absent. */
  bevel: Type.Optional(BevelSchema),
  /** The same of the other end: a peen, an adze behind an axe. */
  otherBevel: Type.Optional(BevelSchema),
  /** What its core is covered with on both faces, of a blade; one steel throughout when absent. */
  cladding: Type.Optional(CladdingSchema),
  /** What each part of it is wanted to be. */
  zones: Type.Optional(Type.Array(strict({ zone: choice(ZONES), wants: choice(WISHES) }), { minItems: 2, maxItems: 4 })),
  /** Heated in the simulated shop: nothing is learned from it. */
  isPractice: Type.Optional(Type.Boolean()),
});
export type Piece = Static<typeof PieceSchema>;

/** Why it is done: a code, and where it is none of ours the sentence itself. */
const because = { why: choice(REASONS), said: Type.Optional(Type.String({ maxLength: 300 })) };

export const ANNEALS = ["kiln", "vermiculite", "dead-fire", "sub-critical"] as const;

/** What is under the bath. edge, back: of a blade, so deep. end, other-end: of a bar, the one that works or is struck, and the one behind it. */
export const UNDERS = ["all", "edge", "back", "end", "other-end"] as const;

/** As many as anybody keeps count of: two ends by turns, six times each. */
export const MOST_DIPS = 12;

/** What it is put into: by name what is in the tank, or what lies about it; which tank of the kit, where there are two of one kind. */
const IntoSchema = strict({
  medium: Type.String({ minLength: 1, maxLength: 30 }),
  bath: Type.Optional(Type.String({ minLength: 1, maxLength: 64 })),
  bath_C: limited(LIMITS.quench.bath_C, "Bath temperature, C"),
  agitation: AgitationSchema,
});
export type Into = Static<typeof IntoSchema>;

/** Until when it is in. cold: until it is as cold as the bath. keeps-heat: out while the body is hot, to be tempered by what is left in it. */
const UntilSchema = tagged(
  "is",
  strict({ is: Type.Literal("seconds"), s: limited(LIMITS.quench.bath_s, "In the bath, s") }),
  strict({ is: Type.Literal("cold") }),
  strict({ is: Type.Literal("keeps-heat") }),
);
export type Until = Static<typeof UntilSchema>;

const dip = { into: IntoSchema, until: UntilSchema };
const deep = (what: string) => ({ depth_mm: limited(LIMITS.quench.depth_mm, `Depth of the ${what} under the bath, mm`), ...dip });

export const DipSchema = tagged(
  "under",
  /** `laid`: all of a blade edge first, its length across the tank; by its point when absent. */
  strict({ under: Type.Literal("all"), laid: Type.Optional(Type.Boolean()), ...dip }),
  strict({ under: Type.Literal("edge"), ...deep("edge") }),
  strict({ under: Type.Literal("back"), ...deep("back") }),
  strict({ under: Type.Literal("end"), ...deep("end") }),
  strict({ under: Type.Literal("other-end"), ...deep("other end") }),
);
export type Dip = Static<typeof DipSchema>;

export const StepSchema = tagged(
  "kind",
  strict({
    kind: Type.Literal("preheat"),
    temperature_C: limited(LIMITS.preheat.temperature_C, "Heat, C"),
    hold_min: limited(LIMITS.preheat.hold_min, "Hold at heat, min"),
    ...because,
  }),
  strict({
    kind: Type.Literal("anneal"),
    temperature_C: limited(LIMITS.anneal.temperature_C, "Heat, C"),
    hold_min: limited(LIMITS.anneal.hold_min, "Hold at heat, min"),
    how: choice(ANNEALS),
    /** How fast it falls to `to_C`, C an hour: a difference of temperature. */
    rate_C_h: limited(LIMITS.anneal.rate_C_h, "Cooling, C an hour"),
    to_C: limited(LIMITS.anneal.to_C, "Down to, then in air, C"),
    ...because,
  }),
  strict({
    kind: Type.Literal("normalise"),
    temperature_C: limited(LIMITS.normalise.temperature_C, "Heat, C"),
    hold_min: limited(LIMITS.normalise.hold_min, "Hold at heat, min"),
    coolTo: choice(["black", "hand-warm"] as const),
    ...because,
  }),
  strict({
    kind: Type.Literal("harden"),
    temperature_C: limited(LIMITS.harden.temperature_C, "Heat, C"),
    hold_min: limited(LIMITS.harden.hold_min, "Hold at heat, min"),
    /** Falling heat: then in still air down to here, C, and only now into the bath. */
    fallTo_C: Type.Optional(limited(LIMITS.harden.fallTo_C, "Falls in air to, C")),
    /** So much of it is in the fire, from the end that works; the rest stays outside. All of it when absent. */
    inFire_mm: Type.Optional(limited(LIMITS.harden.inFire_mm, "Of it in the fire, from the end that works, mm")),
    /** The far end, hard already, is kept in water or a wet rag meanwhile; bare in the air when absent. */
    guard: Type.Optional(Type.Literal("wet")),
    ...because,
  }),
  strict({
    kind: Type.Literal("quench"),
    /** In order; the first as soon as it is out of the fire. */
    dips: Type.Array(DipSchema, { minItems: 1, maxItems: MOST_DIPS }),
    /** From fire to bath; as usual when absent. */
    transfer_s: Type.Optional(limited(LIMITS.quench.transfer_s, "From the fire to the bath, s")),
    /** Clay on the back of a blade. */
    clay: Type.Optional(CoatSchema),
    ...because,
  }),
  strict({
    kind: Type.Literal("run"),
    source: choice(RUN_SOURCES),
    temperature_C: limited(LIMITS.run.temperature_C, "Heat the edge is drawn to, by its colour, C"),
    /** Where the edge stands in water and stays bare: a line so far behind it is watched instead, and the heat of the colour that is to come there. */
    mark: Type.Optional(
      strict({
        behind_mm: limited(LIMITS.run.behind_mm, "How far behind the edge, mm"),
        temperature_C: limited(LIMITS.run.temperature_C, "Heat of the colour at the mark, C"),
      }),
    ),
    ...because,
  }),
  strict({
    kind: Type.Literal("temper"),
    temperature_C: limited(LIMITS.temper.temperature_C, "Temper, C"),
    hold_min: limited(LIMITS.temper.hold_min, "Hold, min"),
    /** What it lies in; not said, an oven or a kiln. */
    in: Type.Optional(choice(VESSELS)),
    ...because,
  }),
);
export type Step = Static<typeof StepSchema>;

export const HeatingSchema = strict({ in: choice(HEATED_IN), by: choice(JUDGED_BY) });
export type Heating = Static<typeof HeatingSchema>;

export const RouteSchema = strict({
  heating: HeatingSchema,
  steps: Type.Array(StepSchema, { maxItems: 40 }),
});
export type Route = Static<typeof RouteSchema>;

const hardness = limited(LIMITS.tester.reading_HRC, "HRC");

export const FileStrokeSchema = strict({ file_HRC: hardness, result: choice(["skates", "drags", "bites"] as const) });

/** A look that was taken to tell two causes of a miss apart, and what it found: each look has two answers (diagnose/check). */
export const LOOK_ANSWERS = {
  "grind-and-file": ["hard-below", "soft-below"],
  "wait-and-file": ["hard-when-cold", "soft-when-cold"],
  "oven-thermometer": ["oven-off", "oven-right"],
  "thin-and-thick": ["thin-is-hard", "same-all-over"],
  "bath-thermometer": ["bath-cold", "bath-warm"],
  "coupon-in-water": ["coupon-soft", "coupon-hard"],
  "broken-coupon": ["grain-coarse", "grain-fine"],
  "with-a-clock": ["seconds-lost", "in-time"],
} as const;
export type CheckCode = keyof typeof LOOK_ANSWERS;
export type Answer = (typeof LOOK_ANSWERS)[CheckCode][number];
export const CHECKS = Object.keys(LOOK_ANSWERS) as CheckCode[];
const ANSWERS: readonly Answer[] = CHECKS.flatMap((look): readonly Answer[] => LOOK_ANSWERS[look]);

/** Why a bath was not as it should have been. */
export const BATH_REASONS = ["filled-up", "warmed", "cooled", "piece-not-logged", "misread"] as const;
export type BathReason = (typeof BATH_REASONS)[number];

/** What happens to a bath beside what is quenched in it: read at the top, and at the bottom too; filled up; burnt; left to stand. */
export const BathEntrySchema = tagged(
  "entry",
  strict({
    entry: Type.Literal("read"),
    top_C: limited(LIMITS.quench.bath_C, "At the top, C"),
    bottom_C: Type.Optional(limited(LIMITS.quench.bath_C, "At the bottom, C")),
    isStirred: Type.Boolean(),
  }),
  strict({ entry: Type.Literal("added"), added_L: limited(LIMITS.bath.added_L, "Filled up by, L") }),
  /** A hot bar that warms it. */
  strict({ entry: Type.Literal("bar"), mass_kg: between(0.05, 200, "Of the bar, kg"), bar_C: between(100, 1300, "How hot it was, C") }),
  strict({ entry: Type.Literal("burnt") }),
  /** What a look that did not fit is put down to: a misread one does not count any more. */
  strict({ entry: Type.Literal("because"), why: choice(BATH_REASONS) }),
);
export type BathEntry = Static<typeof BathEntrySchema>;

/** What happened beside the plan while it was quenched. */
export const MISHAPS = ["dropped", "double-dip", "flare", "wrong-way-up", "slow", "not-stirred", "touched-the-side"] as const;
export type Mishap = (typeof MISHAPS)[number];

/** Temper colours as they are named (colour/oxide has their films). */
export const COLOUR_NAMES = [
  "bare",
  "faint straw",
  "light straw",
  "straw",
  "dark straw",
  "bronze",
  "purple",
  "dark blue",
  "blue",
  "light blue",
  "grey",
] as const;
export type ColourName = (typeof COLOUR_NAMES)[number];

/** Ways to straighten a piece in its window, and to hold it in a temper. */
export const STRAIGHTENERS = ["hands", "vise", "boards", "plates", "forks", "jig", "hang"] as const;
export type Straightener = (typeof STRAIGHTENERS)[number];
export const CLAMPS = ["jig", "clamp", "three-points"] as const;
export type Clamp = (typeof CLAMPS)[number];

/** Proofs of a finished piece, and how they end. */
export const PROOFS = ["edge-flex", "bend", "chop", "cut", "drop", "cut-rod", "rebound", "spark", "coupon"] as const;
export type Proof = (typeof PROOFS)[number];
export const PROOF_OUTCOMES = ["held", "chipped", "rolled", "stayed-bent", "broke", "failed"] as const;
export type ProofOutcome = (typeof PROOF_OUTCOMES)[number];

/** What is broken to look at its grain. */
export const BROKEN = ["coupon", "piece"] as const;
/** Looks of a broken hard face, coarsest first. */
export const BREAK_LOOKS = [1, 2, 3, 4, 5] as const;
export type BreakLook = (typeof BREAK_LOOKS)[number];
export const BreakLookSchema = oneNumberOf(BREAK_LOOKS);

/** The answer of another look is no answer of this one: checked where it is read. */
export const FindingSchema = strict({ of: choice(CHECKS), answer: choice(ANSWERS) });

export const CheckSchema = tagged(
  "check",
  strict({ check: Type.Literal("magnet"), state: choice(["sticks", "weak", "free"] as const) }),
  strict({
    check: Type.Literal("glow"),
    name: Type.String({ maxLength: 30 }),
    ambient_lux: limited(LIMITS.reading.light_lux, "Light in the shop, lux"),
  }),
  strict({ check: Type.Literal("probe"), temperature_C: limited(LIMITS.reading.instrument_C, "Reading, C") }),
  strict({
    check: Type.Literal("infrared"),
    temperature_C: limited(LIMITS.reading.instrument_C, "Reading, C"),
    emissivity: limited(LIMITS.reading.emissivity, "What the gun was set to"),
    surface: choice(["scale", "bright"] as const),
  }),
  strict({ check: Type.Literal("stick"), rated_C: limited(LIMITS.reading.melts_C, "What it melts at, C"), hasMelted: Type.Boolean() }),
  /** Under, changed over (all of it, into the second bath, or the other end), out again. */
  strict({ check: Type.Literal("bath"), state: choice(["in", "over", "out"] as const) }),
  /** What a thermometer in the bath reads. */
  strict({ check: Type.Literal("bath-heat"), temperature_C: limited(LIMITS.quench.bath_C, "Reading, C") }),
  /** All items of the safety gate were ticked. */
  /** Gone on with over a bath that stood so: off its plan, and asked about. */
  strict({ check: Type.Literal("bath-as-is"), temperature_C: limited(LIMITS.quench.bath_C, "Bath, C") }),
  strict({ check: Type.Literal("safety") }),
  /** Seen to be too hot, by no number. */
  strict({ check: Type.Literal("too-hot") }),
  /** What a look found that was taken to tell causes apart. */
  strict({ check: Type.Literal("finding"), of: choice(CHECKS), answer: choice(ANSWERS) }),
  /** What went otherwise in the quench. */
  strict({ check: Type.Literal("mishap"), what: choice(MISHAPS) }),
  /** In the fire, or out of it. */
  strict({ check: Type.Literal("fire"), state: choice(["in", "out"] as const) }),
  /** Is it the same heat all over: every zone that is not even is named as behind or ahead. */
  strict({
    check: Type.Literal("even"),
    behind: Type.Array(choice(ZONES), { maxItems: 4 }),
    ahead: Type.Array(choice(ZONES), { maxItems: 4 }),
  }),
  /** The fire was turned down, or up. */
  strict({ check: Type.Literal("turned"), state: choice(["down", "up"] as const) }),
  /** The move from fire to bath, walked through cold. */
  strict({ check: Type.Literal("rehearsal"), took_s: between(0.1, 60, "From fire to bath, s") }),
  /** The door of the kiln. */
  strict({ check: Type.Literal("door"), state: choice(["open", "shut"] as const) }),
  /** What the chamber around the piece reads. */
  strict({ check: Type.Literal("chamber"), temperature_C: limited(LIMITS.reading.instrument_C, "Reading, C") }),
  /** Heating elements off, before a hand goes in. */
  strict({ check: Type.Literal("power-off") }),
  /** The quench sequence that needs no hand was started. */
  strict({ check: Type.Literal("sequence"), state: choice(["started", "stopped"] as const) }),
  strict({ check: Type.Literal("straight"), state: choice(["straight", "bent"] as const) }),
  /** The colour of what is watched in a run, or of an edge that was to stay bare; and that it was dunked. */
  strict({ check: Type.Literal("temper-colour"), name: choice(COLOUR_NAMES), at: Type.Optional(Type.Literal("edge")) }),
  strict({ check: Type.Literal("dunked") }),
  /** A fresh hot bar in the place of one that has cooled. */
  strict({ check: Type.Literal("fresh-bar") }),
  /** How it was straightened before it was hard. */
  strict({ check: Type.Literal("straightened"), how: choice(STRAIGHTENERS) }),
  /** How far it is off the line, over how much of its length. */
  strict({
    check: Type.Literal("warp"),
    bow_mm: limited(LIMITS.warp.bow_mm, "Off the line, mm"),
    over_mm: limited(LIMITS.warp.over_mm, "Over this length, mm"),
  }),
  /** Held against its warp while it is tempered: so far past the line. */
  strict({ check: Type.Literal("clamped"), how: choice(CLAMPS), past_mm: limited(LIMITS.warp.bow_mm, "Past the line, mm") }),
  /** Its mark was read, where another lay beside it. */
  strict({ check: Type.Literal("mark") }),
  /** A proof of the finished piece. */
  strict({
    check: Type.Literal("proof"),
    of: choice(PROOFS),
    outcome: choice(PROOF_OUTCOMES),
    /** How it was made: on what, how often, from how high, how hard. */
    sample: Type.Optional(Type.String({ minLength: 1, maxLength: 60 })),
    count: Type.Optional(Type.Integer({ minimum: LIMITS.proof.count[0], maximum: LIMITS.proof.count[1], description: "How often" })),
    height_mm: Type.Optional(limited(LIMITS.proof.height_mm, "From how high, mm")),
    force_N: Type.Optional(limited(LIMITS.proof.force_N, "How hard, N")),
  }),
  /** What a break looks like beside the drawings, of a coupon that had the same heat or of the piece itself: 1 coarsest, 5 finest. */
  strict({ check: Type.Literal("grain"), of: choice(BROKEN), look: BreakLookSchema }),
);
export type Check = Static<typeof CheckSchema>;

export const TestPlaceSchema = strict({
  along: between(0, 1, "Share of the length from the tang, or from the end that does not work"),
  up: between(0, 1, "Share of the height there, from the edge"),
  /** On its other face: turned over from that of the first readings. */
  face: Type.Optional(Type.Literal("other")),
});
export type TestPlace = Static<typeof TestPlaceSchema>;

export const TestSchema = strict({
  strokes: Type.Array(FileStrokeSchema, { maxItems: 40 }),
  readings_HRC: Type.Array(hardness, { maxItems: 60 }),
  /** Where each reading was made on the drawing of the piece; null where nobody said. One for each reading, or none. */
  places: Type.Optional(Type.Array(Type.Union([TestPlaceSchema, Type.Null()]), { maxItems: 60 })),
  blockBias_HRC: Type.Optional(between(-10, 10, "Tester on its block less the block's value, HRC")),
  diameter_mm: Type.Optional(between(1, 300, "Diameter of a round where it was tested, mm")),
  surface: choice(["as-it-came", "ground", "heated-long-unprotected"] as const),
  piece_C: Type.Optional(between(-30, 700, "Temperature of the piece when tested, C")),
  predicted: Type.Optional(
    strict({
      mean_HRC: between(-50, 80, "HRC"),
      sd_HRC: between(0.05, 50, "HRC"),
      failChance: Type.Optional(between(0, 1, "Chance that it never hardened")),
    }),
  ),
  /** What it was judged to be when it was made, by all that was known then. */
  found: Type.Optional(
    strict({
      mean_HRC: between(-50, 80, "HRC"),
      sd_HRC: between(0, 50, "HRC"),
      p05_HRC: between(-80, 100, "HRC"),
      p95_HRC: between(-80, 100, "HRC"),
    }),
  ),
});
export type HardnessTest = Static<typeof TestSchema>;

/** Why an entry's time is what somebody says: it was tapped late, or early; it is as tapped, having been asked; it was remembered later. */
export const TIME_REASONS = ["tapped-late", "tapped-early", "as-tapped", "remembered"] as const;
export type TimeReason = (typeof TIME_REASONS)[number];

/** The year 2200: a later moment is a clock that was wrong, or a file that was made up. */
const LATEST_ms = 7258118400000;

const common = {
  id: Type.String({ minLength: 1, maxLength: 64 }),
  piece: Type.String({ minLength: 1, maxLength: 64 }),
  at_ms: Type.Integer({ minimum: 0, maximum: LATEST_ms, description: "When, milliseconds since 1970 UTC" }),
};

export const EventSchema = tagged(
  "kind",
  strict({ ...common, kind: Type.Literal("piece"), definition: PieceSchema }),
  strict({ ...common, kind: Type.Literal("route"), route: RouteSchema }),
  strict({ ...common, kind: Type.Literal("act-done"), act: Type.String({ maxLength: 40 }) }),
  strict({ ...common, kind: Type.Literal("check"), act: Type.String({ maxLength: 40 }), reading: CheckSchema }),
  strict({ ...common, kind: Type.Literal("test"), act: Type.String({ maxLength: 40 }), test: TestSchema }),
  strict({ ...common, kind: Type.Literal("note"), text: Type.String({ minLength: 1, maxLength: 4000 }) }),
  strict({ ...common, kind: Type.Literal("finished") }),
  /** sound: re-forged, looked at, and no crack to be seen. */
  strict({ ...common, kind: Type.Literal("fate"), fate: choice(BECAME) }),
  /** Of a bath of the kit, by its id in the place of a piece's. */
  strict({ ...common, kind: Type.Literal("bath"), log: BathEntrySchema }),
  /** When an entry really was; the same moment where somebody was asked and it was so. */
  strict({
    ...common,
    kind: Type.Literal("corrected"),
    event: Type.String({ minLength: 1, maxLength: 64 }),
    true_ms: Type.Integer({ minimum: 0, maximum: LATEST_ms, description: "When it really was, milliseconds since 1970 UTC" }),
    why: choice(TIME_REASONS),
  }),
  strict({ ...common, kind: Type.Literal("withdrawn"), event: Type.String({ minLength: 1, maxLength: 64 }) }),
);
export type BookEvent = Static<typeof EventSchema>;

export const BookSchema = strict({
  format: Type.Literal("tembrak"),
  formatVersion: Type.Literal(BOOK_VERSION),
  exportedAt_ms: Type.Integer({ minimum: 0, maximum: LATEST_ms }),
  events: Type.Array(EventSchema, { maxItems: 2000000 }),
  /** The shop's equipment, where it was said. */
  kit: Type.Optional(KitSchema),
});
export type Book = Static<typeof BookSchema>;
