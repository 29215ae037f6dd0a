/** What the model says to a row of the fit, and how far that is from what is wanted, in shares of what the row can bear. */

import { CATALOGUE } from "../../core/src/index.js";
import { fullComposition, withResiduals, type Composition } from "../../core/src/kinetics/composition.js";
import { decompositionTable } from "../../core/src/kinetics/decomposition.js";
import { reducedTime } from "../../core/src/kinetics/extent.js";
import { a255IdealDiameter_mm } from "../../core/src/kinetics/hardenability.js";
import {
  a255HalfHardness_HRC,
  a255InitialHardness_HRC,
  martensiteHardness_HV,
  rockwellCFromVickers,
} from "../../core/src/kinetics/hardness.js";
import type { Kinetics } from "../../core/src/kinetics/kinetics.js";
import { soakFor_s, wantedCarbon_wtpct } from "../../core/src/kinetics/soak.js";
import { halfMartensite_HV, nodeHardness_HV, type PriorStructure } from "../../core/src/kinetics/structure.js";
import type { Agitation } from "../../core/src/heat/media.js";
import { mixtureQuantile, type Bell } from "../../core/src/numerics/mixture.js";
import { normalCdf } from "../../core/src/numerics/normal.js";
import { resolveSteel } from "../../core/src/plan/catalogue.js";
import type { BodySection } from "../../core/src/schema/parts.js";
import { endQuench, endQuenchSpread } from "../../core/src/simulate/diagrams.js";
import { harden, type HardenPlan } from "../../core/src/simulate/harden.js";
import { runCase } from "../../core/src/simulate/hardenCase.js";
import { idealDiameter_mm } from "../../core/src/simulate/idealDiameter.js";

interface Named {
  readonly name: string;
  readonly source: string;
}
interface OfSteel extends Named {
  readonly composition_wtpct: Partial<Composition>;
}

export type Row =
  | (OfSteel & { readonly kind: "ideal-diameter" })
  | (OfSteel & { readonly kind: "isothermal"; readonly astmGrain: number; readonly temperature_C: number; readonly wanted_s: number })
  /** Middle of a hardenability band: sixteenths of an inch from the quenched end, HRC. */
  | (OfSteel & { readonly kind: "band"; readonly points: readonly (readonly [number, number])[] })
  /** Rounds as quenched: diameter, mm, HRC at the surface and at the centre. */
  | (OfSteel & {
      readonly kind: "round";
      readonly medium: string;
      readonly heat_C: number;
      readonly places: readonly (readonly [number, number, number])[];
    })
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
  /** What smiths see: it hardened or it did not. */
  | (Named & {
      readonly kind: "outcome";
      readonly steel: string;
      readonly prior: PriorStructure;
      readonly heat_C: number;
      readonly hold_s: number;
      readonly section: BodySection;
      readonly place: "working" | "thickest";
      readonly medium: string;
      readonly bath_C: number;
      readonly bath_s?: number;
      readonly isHard: boolean;
    })
  /** Minutes at heat that annealed stock is said to want. */
  | (Named & { readonly kind: "soak"; readonly steel: string; readonly heat_C: number; readonly wanted_min: number })
  | (Named & { readonly kind: "half-hardness" | "full-hardness"; readonly carbon_wtpct: number });

export interface Answer {
  readonly name: string;
  readonly wanted: number;
  readonly got: number;
  readonly unit: "HRC" | "s" | "min" | "inch";
  /** How far off, in standard deviations of what a row of this kind can bear. */
  readonly error: number;
}

/** What a row can bear: how well such figures are known, ln or HRC. Chosen by kind, not by row. */
const SD = {
  "ideal-diameter": 0.4,
  isothermal: 0.15,
  hardness: 1.2,
  thin: 1,
  round: 3,
  cliff: 1.8,
  "half-hardness": 1,
  "full-hardness": 1,
  soak: 0.4,
} as const;
/** A point of a band bears so many HRC, and this share of its distance. */
const BAND_HRC = 2;
const BAND_DISTANCE = 0.2;
/** Where surface and centre of a round differ, its cliff is near, and each bears this share of the difference besides. */
const ROUND_DIFFERENCE = 0.1;
/** Below it the Rockwell C scale does not hold. */
const LEAST_HRC = 20;
/** An outcome is to be trusted so far; hard means HRC or more, and is never sharper known than this. */
const TRUSTED = 0.85;
const HARD_HRC = 57;
const HARD_SD_HRC = 4;
/** Nobody says how the baths of the rounds were stirred: a works tank is. */
const AGITATIONS = { oil: ["strong"], water: ["mild"] } as const;
const INCH_mm = 25.4;
const FIRST_HUNDREDTH = reducedTime(0.01);

const byRatio = (name: string, wanted: number, got: number, unit: "s" | "min" | "inch", sd: number): Answer => ({
  name,
  wanted,
  got,
  unit,
  error: Math.log(got / wanted) / sd,
});
const byPoints = (name: string, wanted: number, got: number, sd: number): Answer => ({
  name,
  wanted,
  got,
  unit: "HRC",
  error: (got - wanted) / sd,
});

function bandAnswers({ name, composition_wtpct, points }: Extract<Row, { kind: "band" }>, kinetics: Kinetics): Answer[] {
  const bar = endQuench(withResiduals(composition_wtpct), undefined, kinetics, "coarse");
  return points.flatMap(([sixteenths, wanted], i) => {
    if (wanted < LEAST_HRC) return [];
    const point = bar.points.find(({ distance_mm }) => Math.abs(distance_mm - (sixteenths * INCH_mm) / 16) < 0.1);
    if (point === undefined) throw new Error(`${name}: the bar is not read at ${sixteenths} sixteenths`);
    const [before, after] = [points[Math.max(0, i - 1)]!, points[Math.min(points.length - 1, i + 1)]!];
    const slope = (after[1] - before[1]) / (after[0] - before[0]);
    return [byPoints(`${name} at ${sixteenths}/16`, wanted, point.hardness_HRC, Math.hypot(BAND_HRC, BAND_DISTANCE * sixteenths * slope))];
  });
}

type Round = Extract<Row, { kind: "round" }>;

/** What many heats of the steels of a band would show at its points: for the report, as the middle of a band is that. */
export function bandOfHeats({ name, composition_wtpct, points }: Extract<Row, { kind: "band" }>, kinetics: Kinetics): Answer[] {
  const { points: heats } = endQuenchSpread(withResiduals(composition_wtpct), undefined, kinetics);
  return points.flatMap(([sixteenths, wanted]) => {
    const point = heats.find(({ distance_mm }) => Math.abs(distance_mm - (sixteenths * INCH_mm) / 16) < 0.1);
    return wanted < LEAST_HRC || point === undefined ? [] : [byPoints(`${name} at ${sixteenths}/16`, wanted, point.mean_HRC, BAND_HRC)];
  });
}

function roundPlan({ composition_wtpct, heat_C, medium }: Round, diameter_mm: number, agitation: Agitation): HardenPlan {
  const found = CATALOGUE.medium(medium)!;
  return {
    steel: resolveSteel(CATALOGUE, { composition_wtpct }),
    prior: "pearlite",
    section: { shape: "round", diameter_mm },
    heat_C,
    hold_s: 1800,
    transfer_s: 2,
    medium: found,
    bath_C: found.kind === "water" ? 25 : 50,
    agitation,
    bath_s: null,
    immersion: { kind: "full" },
  };
}

function agitationsOf({ medium }: Round): readonly Agitation[] {
  return AGITATIONS[CATALOGUE.medium(medium)!.kind === "water" ? "water" : "oil"];
}

/** Whether the ninety in a hundred of the ensemble hold what was found, for every place of a row. */
export function roundsHeld(row: Round, kinetics: Kinetics): boolean[] {
  return row.places.flatMap(([diameter_mm, surface, centre]) => {
    const results = agitationsOf(row).map((agitation) =>
      harden(roundPlan(row, diameter_mm, agitation), { resolution: "coarse", kinetics }),
    );
    const holds = (place: "surface" | "centre", wanted: number): boolean[] =>
      wanted < LEAST_HRC
        ? []
        : [
            between(
              results.flatMap((result) => result[place].members),
              wanted,
            ),
          ];
    return [...holds("surface", surface), ...holds("centre", centre)];
  });
}

function between(members: readonly Bell[], wanted: number): boolean {
  return wanted >= mixtureQuantile(members, 0.05) && wanted <= mixtureQuantile(members, 0.95);
}

function roundAnswers(row: Round, kinetics: Kinetics): Answer[] {
  const { name } = row;
  return row.places.flatMap(([diameter_mm, surface, centre]) => {
    const sd = Math.hypot(SD.round, ROUND_DIFFERENCE * (surface - centre));
    const runs = agitationsOf(row).map((agitation) => hardened(roundPlan(row, diameter_mm, agitation), kinetics));
    const run = (place: "surface" | "centre"): number => runs.reduce((sum, r) => sum + r(place), 0) / runs.length;
    return (
      [
        ["surface", surface],
        ["centre", centre],
      ] as const
    ).flatMap(([place, wanted]) => (wanted < LEAST_HRC ? [] : [byPoints(`${name}, ${diameter_mm} mm, ${place}`, wanted, run(place), sd)]));
  });
}

/** Runs a case coarsely; answers the hardness of a place. */
function hardened(plan: HardenPlan, kinetics: Kinetics): (place: "surface" | "centre" | "edge" | "spine") => number {
  const { structure, places } = runCase(plan, { resolution: "coarse", untilSettled: true, kinetics });
  return (place) => rockwellCFromVickers(nodeHardness_HV(structure, places[place] ?? places[place === "edge" ? "surface" : "centre"]));
}

function outcomeAnswer(row: Extract<Row, { kind: "outcome" }>, kinetics: Kinetics): Answer {
  const run = hardened(
    {
      ...row,
      steel: resolveSteel(CATALOGUE, row.steel),
      transfer_s: 1.5,
      medium: CATALOGUE.medium(row.medium)!,
      agitation: "mild",
      bath_s: row.bath_s ?? null,
      immersion: { kind: "full" },
    },
    kinetics,
  );
  const got = run(row.place === "working" ? "edge" : "spine");
  const likely = normalCdf(((row.isHard ? 1 : -1) * (got - HARD_HRC)) / HARD_SD_HRC);
  const chance = TRUSTED * likely + (1 - TRUSTED) * (1 - likely);
  return { name: row.name, wanted: HARD_HRC, got, unit: "HRC", error: Math.sqrt(Math.max(0, -2 * Math.log(chance / TRUSTED))) };
}

export function answers(row: Row, kinetics: Kinetics): Answer[] {
  switch (row.kind) {
    case "ideal-diameter": {
      const steel = fullComposition(row.composition_wtpct);
      const got = idealDiameter_mm(steel, 7, kinetics) / INCH_mm;
      return [byRatio(row.name, a255IdealDiameter_mm(steel) / INCH_mm, got, "inch", SD[row.kind])];
    }
    case "isothermal": {
      const table = decompositionTable({ solution_wtpct: fullComposition(row.composition_wtpct), astmGrain: row.astmGrain, kinetics });
      const T = row.temperature_C;
      const fastest = Math.max(table.pearlite_1_s[T]!, table.bainite_1_s[T]!, table.ferriteLimit[T]! > 0.02 ? table.ferrite_1_s[T]! : 0);
      return [byRatio(row.name, row.wanted_s, FIRST_HUNDREDTH / fastest, "s", SD[row.kind])];
    }
    case "band":
      return bandAnswers(row, kinetics);
    case "round":
      return roundAnswers(row, kinetics);
    case "outcome":
      return [outcomeAnswer(row, kinetics)];
    case "hardness": {
      const run = hardened(
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
        kinetics,
      );
      return [byPoints(row.name, row.wanted_HRC, run("surface"), row.isCliff ? SD.cliff : SD.hardness)];
    }
    case "soak": {
      const { composition_wtpct: steel } = resolveSteel(CATALOGUE, row.steel);
      const { heat_C, wanted_min } = row;
      const soak_s = soakFor_s({ steel, prior: "coarse-spheroidised", heat_C, wanted_wtpct: wantedCarbon_wtpct(steel), kinetics });
      if (soak_s === null) throw new Error(`${row.name}: never enough at this heat`);
      return [byRatio(row.name, wanted_min, soak_s / 60, "min", SD[row.kind])];
    }
    case "half-hardness": {
      const got = rockwellCFromVickers(halfMartensite_HV(row.carbon_wtpct, kinetics));
      return [byPoints(row.name, a255HalfHardness_HRC(row.carbon_wtpct), got, SD[row.kind])];
    }
    case "full-hardness": {
      const got = rockwellCFromVickers(martensiteHardness_HV(row.carbon_wtpct, kinetics));
      return [byPoints(row.name, a255InitialHardness_HRC(row.carbon_wtpct), got, SD[row.kind])];
    }
  }
}
