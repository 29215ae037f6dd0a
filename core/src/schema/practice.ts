/** What is said to the simulated shop and what it answers: every route of the server is checked against these. */

import { Type, type Static } from "@sinclair/typebox";
import { PieceSchema } from "./book.js";
import { VESSELS } from "./kit.js";
import { LIMITS } from "./limits.js";
import { between, choice, ImmersionSchema, strict, tagged, CoatSchema, limited } from "./parts.js";

const pieceId = Type.String({ minLength: 1, maxLength: 64 });

/** torch: in air, its back under a torch. bar: its back on a hot block. */
export const PLACES = ["rack", "forge", "kiln", "air", "bath", "oven", "torch", "bar"] as const;
export type ShopPlace = (typeof PLACES)[number];

export const ShopResetSchema = strict({
  seed: Type.Integer({ minimum: 0, maximum: 4294967295 }),
  speed: between(0.1, 100, "Simulated seconds in one real second"),
  /** What the clock of the shop says at the start, ms since 1970. */
  epoch_ms: Type.Integer({ minimum: 0, maximum: 8640000000000000 }),
  ambient_lux: between(0, 120000, "Light in the shop, lux"),
  pieces: Type.Array(strict({ id: pieceId, piece: PieceSchema }), { minItems: 1, maxItems: 8 }),
  medium: Type.String({ maxLength: 30 }),
  bath_C: between(-10, 200, "Bath, C"),
  volume_L: between(0.5, 1000, "Bath, L"),
  forge_C: between(600, 1350, "Forge, C"),
  kiln_C: between(20, 1200, "Kiln is set to, C"),
  oven_C: between(20, 400, "Oven is set to, C"),
});
export type ShopReset = Static<typeof ShopResetSchema>;

export const ShopCommandSchema = tagged(
  "do",
  strict({
    do: Type.Literal("move"),
    piece: pieceId,
    to: choice(PLACES),
    /** How much of it goes under a bath: all of it where nothing is said. */
    immersion: Type.Optional(ImmersionSchema),
    /** A second tub beside the shop's own, as warm as it usually is. */
    medium: Type.Optional(Type.String({ minLength: 1, maxLength: 30 })),
    /** Clay on its back, from here on. */
    coat: Type.Optional(CoatSchema),
    /** What it lies in, where the oven is a pot or a tray. */
    in: Type.Optional(choice(VESSELS)),
    /** Which block it is laid on: another number is a fresh one. */
    block: Type.Optional(Type.Integer({ minimum: 0, maximum: 50 })),
    /** Under a torch or on a block with its edge in water, warmed down to a line so far behind the edge. */
    line_mm: Type.Optional(limited(LIMITS.run.behind_mm, "How far behind the edge, mm")),
  }),
  strict({ do: Type.Literal("speed"), speed: between(0.1, 100, "Simulated seconds in one real second") }),
  strict({
    do: Type.Literal("set"),
    forge_C: Type.Optional(between(20, 1350, "C")),
    kiln_C: Type.Optional(between(20, 1200, "C")),
    oven_C: Type.Optional(between(20, 560, "C")),
    bath_C: Type.Optional(between(-10, 200, "C")),
  }),
  strict({ do: Type.Literal("door"), state: choice(["open", "shut"] as const) }),
);
export type ShopCommand = Static<typeof ShopCommandSchema>;

export const ShopQuestionSchema = tagged(
  "ask",
  strict({ ask: Type.Literal("magnet"), piece: pieceId }),
  strict({ ask: Type.Literal("file"), piece: pieceId, file_HRC: limited(LIMITS.files.rated_HRC, "HRC") }),
  strict({ ask: Type.Literal("tester"), piece: pieceId }),
);
export type ShopQuestion = Static<typeof ShopQuestionSchema>;

export const ShopAnswerSchema = tagged(
  "ask",
  strict({ ask: Type.Literal("magnet"), state: choice(["sticks", "weak", "free"] as const) }),
  strict({ ask: Type.Literal("file"), result: choice(["skates", "drags", "bites"] as const) }),
  strict({ ask: Type.Literal("tester"), reading_HRC: between(-30, 80, "HRC") }),
);
export type ShopAnswer = Static<typeof ShopAnswerSchema>;

const reading_C = between(-80, 1500, "C");
/** What the shop's instruments read at a moment. */
export const ShopReadingSchema = strict({
  now_ms: Type.Number({ minimum: 0 }),
  speed: between(0.1, 100, "Simulated seconds in one real second"),
  forge_C: reading_C,
  kiln_C: reading_C,
  isDoorOpen: Type.Boolean(),
  oven_C: reading_C,
  bath_C: reading_C,
  pieces: Type.Array(
    strict({
      id: pieceId,
      place: choice(PLACES),
      /** The probe that touches it. */
      probe_C: reading_C,
      /** How it looks in the light of the shop where it works, and from there back to its other side, evenly. */
      hex: Type.String({ pattern: "^#[0-9a-f]{6}$" }),
      back: Type.Array(Type.String({ pattern: "^#[0-9a-f]{6}$" }), { maxItems: 8 }),
      /** Whether any of it glows. */
      glows: Type.Boolean(),
      /** How its edge looks where it was rubbed bright: bare steel, or the colour of its film. */
      edgeHex: Type.String({ pattern: "^#[0-9a-f]{6}$" }),
      /** The same from its edge or its end back, each so far behind it. */
      along: Type.Array(strict({ behind_mm: between(0, 1000, "mm"), hex: Type.String({ pattern: "^#[0-9a-f]{6}$" }) }), { maxItems: 64 }),
    }),
    { maxItems: 8 },
  ),
});
export type ShopReading = Static<typeof ShopReadingSchema>;
