/** Made-up blades that taper to a tip, each measured at two further places: what is told of the worst place beside that place run alone. */

import { CATALOGUE } from "../../src/catalogue.js";
import { uniforms } from "../../src/numerics/sampling.js";
import { planRoute } from "../../src/plan/route.js";
import type { Piece } from "../../src/schema/book.js";
import { predict } from "../../src/simulate/predict.js";

const STEELS = ["1075", "1084", "80crv2", "5160", "1095"] as const;

export interface PartTold {
  /** Hardness of the place told as the weakest, and the least of its places each run as a piece of its own, HRC. */
  readonly told_HRC: number;
  readonly alone_HRC: number;
  /** The end of the window that is told, and the soonest of its places alone, s. */
  readonly shuts_s: number | null;
  readonly aloneShuts_s: number | null;
}

function bladeOf(seed: number): Piece {
  const even = uniforms(seed);
  const between = (low: number, high: number): number => low + (high - low) * even();
  const spine_mm = between(4, 9);
  const edge_mm = between(0.8, 1.6);
  return {
    name: "Made up",
    mark: "1",
    kind: "sword",
    form: "sword",
    steel: STEELS[Math.floor(even() * STEELS.length)]!,
    start: "as-forged",
    use: "sword",
    length_mm: Math.round(between(300, 800)),
    section: { shape: "wedge", spine_mm, edge_mm, height_mm: between(28, 45) },
    stations: [
      { at: 0.3, spine_mm: spine_mm * between(1, 1.25), edge_mm },
      { at: 0.95, spine_mm: spine_mm * between(0.3, 0.7), edge_mm: edge_mm * between(0.5, 1) },
    ],
  };
}

/** One made-up blade. */
export function partTold(seed: number): PartTold {
  const piece = bladeOf(seed);
  const route = planRoute(CATALOGUE, piece, "forge");
  const whole = predict(CATALOGUE, piece, route, "quick");
  const alone = whole.places.map(({ section }) => {
    const rest = { ...piece, section };
    delete rest.stations;
    return predict(CATALOGUE, rest, route, "quick");
  });
  const own = predict(CATALOGUE, { ...piece, stations: [] }, route, "quick");
  const all = [own, ...alone];
  const told = whole.weakest === null ? whole.working.tempered : whole.places[whole.weakest]!.working.tempered;
  const ends = all.flatMap(({ hardening }) => (hardening.straighten === null ? [] : [hardening.straighten.to_s]));
  return {
    told_HRC: told.mean_HRC,
    alone_HRC: Math.min(...all.map(({ working }) => working.tempered.mean_HRC)),
    shuts_s: whole.hardening.straighten?.to_s ?? null,
    aloneShuts_s: ends.length === 0 ? null : Math.min(...ends),
  };
}
