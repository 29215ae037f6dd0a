/** What the model says to a row of the fit, and how far that is from what is wanted, in shares of what the row can bear. */

import { CATALOGUE } from "../../core/src/index.js";
import { fullComposition, type Composition } from "../../core/src/kinetics/composition.js";
import { decompositionTable } from "../../core/src/kinetics/decomposition.js";
import { reducedTime } from "../../core/src/kinetics/extent.js";
import { a255IdealDiameter_mm } from "../../core/src/kinetics/hardenability.js";
import { a255HalfHardness_HRC, rockwellCFromVickers } from "../../core/src/kinetics/hardness.js";
import type { Kinetics } from "../../core/src/kinetics/kinetics.js";
import { halfMartensite_HV, type PriorStructure } from "../../core/src/kinetics/structure.js";
import { resolveSteel } from "../../core/src/plan/catalogue.js";
import { endQuench } from "../../core/src/simulate/diagrams.js";
import { runCase } from "../../core/src/simulate/hardenCase.js";
import { idealDiameter_mm } from "../../core/src/simulate/idealDiameter.js";
import { nodeHardness_HV } from "../../core/src/kinetics/structure.js";

interface Named {
  readonly name: string;
  readonly source: string;
}
interface OfSteel extends Named {
  readonly composition_wtpct: Partial<Composition>;
}

export type Row =
  | (OfSteel & { readonly kind: "half-distance"; readonly wanted_16ths: number })
  | (OfSteel & { readonly kind: "ideal-diameter" })
  | (OfSteel & { readonly kind: "isothermal"; readonly astmGrain: number; readonly temperature_C: number; readonly wanted_s: number })
  | (Named & {
      readonly kind: "hardness";
      readonly steel: string;
      readonly prior: PriorStructure;
      readonly heat_C: number;
      readonly furnace_s: number;
      readonly thickness_mm: number;
      readonly medium: string;
      readonly wanted_HRC: number;
      readonly isCliff: boolean;
    })
  | (Named & { readonly kind: "half-hardness"; readonly carbon_wtpct: number });

export interface Answer {
  readonly wanted: number;
  readonly got: number;
  readonly unit: string;
  /** Difference (of logarithms where the row is a size or a time), and what a row of this kind can bear. */
  readonly error: number;
  readonly sd: number;
}

/** What a row can bear: how well such figures are known, ln or HRC. Chosen by kind, not by row. */
const SD = { "half-distance": 0.12, "ideal-diameter": 0.15, isothermal: 0.35, hardness: 1.5, cliff: 4, "half-hardness": 1 } as const;
const INCH_mm = 25.4;
const FIRST_HUNDREDTH = reducedTime(0.01);

function byRatio(wanted: number, got: number, unit: string, sd: number): Answer {
  return { wanted, got, unit, error: Math.log(got / wanted), sd };
}

function byPoints(wanted: number, got: number, sd: number): Answer {
  return { wanted, got, unit: "HRC", error: got - wanted, sd };
}

export function answer(row: Row, kinetics: Kinetics): Answer {
  switch (row.kind) {
    case "half-distance": {
      const { half_mm } = endQuench(fullComposition(row.composition_wtpct), 7, kinetics, "coarse");
      return byRatio(row.wanted_16ths, (half_mm ?? 90) / (INCH_mm / 16), "sixteenths", SD[row.kind]);
    }
    case "ideal-diameter": {
      const steel = fullComposition(row.composition_wtpct);
      return byRatio(a255IdealDiameter_mm(steel) / INCH_mm, idealDiameter_mm(steel, 7, kinetics) / INCH_mm, "inch", SD[row.kind]);
    }
    case "isothermal": {
      const table = decompositionTable({ solution_wtpct: fullComposition(row.composition_wtpct), astmGrain: row.astmGrain, kinetics });
      const T = row.temperature_C;
      const fastest = Math.max(table.pearlite_1_s[T]!, table.bainite_1_s[T]!, table.ferriteLimit[T]! > 0.02 ? table.ferrite_1_s[T]! : 0);
      return byRatio(row.wanted_s, FIRST_HUNDREDTH / fastest, "s", SD[row.kind]);
    }
    case "hardness": {
      const { structure, places } = runCase(
        {
          steel: resolveSteel(CATALOGUE, row.steel),
          prior: row.prior,
          section: { shape: "plate", thickness_mm: row.thickness_mm },
          heat_C: row.heat_C,
          hold_s: row.furnace_s - 360,
          transfer_s: 1.5,
          medium: CATALOGUE.medium(row.medium)!,
          bath_C: 55,
          agitation: "mild",
          bath_s: null,
          immersion: { kind: "full" },
        },
        { resolution: "coarse", untilSettled: true, kinetics },
      );
      const got = rockwellCFromVickers(nodeHardness_HV(structure, places.surface));
      return byPoints(row.wanted_HRC, got, row.isCliff ? SD.cliff : SD.hardness);
    }
    case "half-hardness": {
      const got = rockwellCFromVickers(halfMartensite_HV(row.carbon_wtpct, kinetics));
      return byPoints(a255HalfHardness_HRC(row.carbon_wtpct), got, SD[row.kind]);
    }
  }
}
