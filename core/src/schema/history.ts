/** A thermal history as it is typed: what is done to a section, step by step. */

import { Type, type Static } from "@sinclair/typebox";
import { AgitationSchema, between, choice, ImmersionSchema, strict, tagged } from "./parts.js";

const AtmosphereSchema = Type.Optional(choice(["oxidising", "neutral", "protected"] as const));

export function historySchema<M extends ReturnType<typeof Type.Unsafe>>(medium: M) {
  return Type.Array(
    tagged(
      "kind",
      strict({
        kind: Type.Literal("heat"),
        to_C: between(20, 1300, "Heat, or temper, of the piece, C"),
        rise_min: Type.Optional(between(0, 6000, "Time to get there, min")),
        hold_min: between(0, 60000, "Time at it, min"),
        atmosphere: AtmosphereSchema,
      }),
      strict({
        kind: Type.Literal("chamber"),
        chamber_C: between(20, 1400, "Temperature of fire or kiln around the piece, C"),
        time_min: between(0, 6000, "Time in it, min"),
        untilPiece_C: Type.Optional(between(20, 1350, "Taken out once every part is this hot, C")),
        atmosphere: AtmosphereSchema,
      }),
      strict({
        kind: Type.Literal("cool"),
        medium,
        bath_C: Type.Optional(between(-200, 1300, "Temperature of the surroundings, C; the medium's usual one when left out")),
        agitation: Type.Optional(AgitationSchema),
        immersion: Type.Optional(ImmersionSchema),
        time_s: Type.Optional(between(0, 360000, "Taken out after, s")),
        until_C: Type.Optional(between(-150, 1300, "Taken out once every part is this cold, C")),
      }),
      strict({
        kind: Type.Literal("rate"),
        rate_C_h: between(0.1, 100000, "Steady cooling, C an hour"),
        to_C: between(20, 1200, "Down to, C"),
      }),
    ),
    { minItems: 1, maxItems: 60 },
  );
}

/** A step of a history with its medium resolved by the caller. */
export type HistoryStep<M> =
  | {
      readonly kind: "heat";
      readonly to_C: number;
      readonly rise_min?: number;
      readonly hold_min: number;
      readonly atmosphere?: AtmosphereWord;
    }
  | {
      readonly kind: "chamber";
      readonly chamber_C: number;
      readonly time_min: number;
      readonly untilPiece_C?: number;
      readonly atmosphere?: AtmosphereWord;
    }
  | {
      readonly kind: "cool";
      readonly medium: M;
      readonly bath_C: number;
      readonly agitation?: Static<typeof AgitationSchema>;
      readonly immersion?: Static<typeof ImmersionSchema>;
      readonly time_s?: number;
      readonly until_C?: number;
    }
  | { readonly kind: "rate"; readonly rate_C_h: number; readonly to_C: number };
type AtmosphereWord = "oxidising" | "neutral" | "protected";
