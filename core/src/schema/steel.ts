/** A steel as stored in core/data/steels. */

import { Type, type Static } from "@sinclair/typebox";
import { between, choice, CompositionSchema, strict } from "./parts.js";

const kind = choice(["printed", "read-off-graph", "calibrated", "estimated"] as const);
const range_C = Type.Array(between(0, 1300, "C"), { minItems: 2, maxItems: 2 });

export const SteelSchema = strict({
  formatVersion: Type.Literal(1),
  id: Type.String({ pattern: "^[a-z0-9-]+$" }),
  name: Type.String(),
  order: Type.Integer({ minimum: 1 }),
  family: choice(["medium-carbon", "high-carbon", "chromium-spring", "silicon-spring", "bearing-tool", "nickel"] as const),
  /** Lies about in a shop beside the bar one meant, and is taken for it (judgement). */
  liesAbout: Type.Optional(Type.Literal(true)),
  about: Type.String(),
  composition_wtpct: strict({ value: CompositionSchema, kind, source: Type.String(), note: Type.Optional(Type.String()) }),
  austenitise_C: strict({ range: range_C, kind, source: Type.String(), uncertainty_C: between(0, 100, "C") }),
  normalise_C: strict({ value: between(700, 1100, "C"), kind, source: Type.String(), uncertainty_C: between(0, 100, "C") }),
  soak_min: strict({
    base: between(0, 120, "Shortest hold at heat in a kiln, min"),
    perThickness_min_mm: between(0, 10, "More for each mm of thickness, min"),
    kind,
    source: Type.String(),
  }),
  soakDemand: choice(["short", "medium", "long"] as const),
  bath: strict({
    medium: Type.String(),
    /** Of plain steel: thicker than this it hardens in that oil less often than not, by our own model at a forge heat (pinned). */
    oilTo_mm: Type.Optional(strict({ flat: between(0.5, 100, "A flat, mm"), bar: between(0.5, 100, "A round or square, mm") })),
    kind,
    source: Type.String(),
  }),
  temper: strict({
    composition_wtpct: CompositionSchema,
    carbonInSolution_wtpct: between(0.05, 1, "Carbon in the austenite at the usual hardening heat, wt%"),
    embrittlement_C: range_C,
    worst_C: range_C,
    source: Type.String(),
    nominalAsQuenched_HRC: Type.Optional(between(20, 70, "Hardness when fully hardened, HRC")),
    trim_HRC: Type.Optional(between(-3, 3, "Fitted to the steel's own table, HRC")),
    trimKind: Type.Optional(kind),
    table: Type.Optional(
      Type.Array(
        strict({
          temperature_C: between(50, 750, "C"),
          hold_min: between(1, 6000, "min"),
          hardness_HRC: between(10, 70, "HRC"),
          confidence: choice(["high", "medium", "low"] as const),
        }),
      ),
    ),
  }),
});
export type SteelFile = Static<typeof SteelSchema>;

export const UsesSchema = strict({
  formatVersion: Type.Literal(1),
  source: Type.String(),
  uses: Type.Array(
    strict({
      id: Type.String(),
      name: Type.String(),
      target_HRC: Type.Array(between(20, 70, "HRC"), { minItems: 2, maxItems: 2 }),
      why: Type.String(),
    }),
  ),
});
export type UsesFile = Static<typeof UsesSchema>;
