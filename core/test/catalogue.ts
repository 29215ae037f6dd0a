/** Short names the tests share. */

import { CATALOGUE } from "../src/catalogue.js";
import type { PriorStructure } from "../src/kinetics/structure.js";
import { resolveSteel, type SteelInput } from "../src/plan/catalogue.js";
import type { Piece } from "../src/schema/book.js";
import type { KindFile } from "../src/schema/kind.js";
import type { Section } from "../src/schema/parts.js";
import type { HardenPlan } from "../src/simulate/harden.js";

export function steel(id: SteelInput) {
  return resolveSteel(CATALOGUE, id);
}

interface Quick {
  readonly steel: SteelInput;
  readonly prior: PriorStructure;
  readonly section: Section;
  readonly heat_C: number;
  /** From cold in a furnace, s: six minutes of it are heating. */
  readonly furnace_s: number;
  readonly medium: string;
  readonly bath_C?: number;
  readonly transfer_s?: number;
}

/** A hardening as the model note's tables have it: agitation mild, 1.5 s in air. */
export function plan({ steel: id, prior, section, heat_C, furnace_s, medium, bath_C, transfer_s = 1.5 }: Quick): HardenPlan {
  const found = CATALOGUE.medium(medium)!;
  return {
    steel: steel(id),
    prior,
    section,
    heat_C,
    hold_s: furnace_s - 360,
    transfer_s,
    medium: found,
    bath_C: bath_C ?? found.usualBath_C,
    agitation: "mild",
    bath_s: null,
    immersion: { kind: "full" },
  };
}

export const slab = (thickness_mm: number): Section => ({ shape: "plate", thickness_mm });

/** A piece as a form supplies it. */
export function pieceIn(form: KindFile, change: Partial<Piece> = {}): Piece {
  return {
    name: form.name,
    mark: "1",
    kind: form.kind,
    form: form.id,
    steel: "1084",
    start: "as-forged",
    use: form.use,
    length_mm: form.usualLength_mm,
    section: form.usualSection,
    ...change,
  };
}
