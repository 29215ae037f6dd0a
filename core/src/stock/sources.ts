/**
 * Where a bar was found, and what such things are made of: shares by common practice, no source. One label in five is wrong, whoever stuck it on
 * (judgement): that share is spread over everything.
 */

import type { SOURCE_NAMES } from "../schema/verbs.js";
import { GRADES } from "./grades.js";

export type SourceId = (typeof SOURCE_NAMES)[number];

/** What a found thing may hide beside its steel: told before anything is done with it. */
export type Caution = "case-hardened" | "plated" | "carbide-tipped" | "cracked" | "welded";

export interface FoundIn {
  readonly made: readonly (readonly [grade: string, share: number])[];
  readonly mind?: readonly Caution[];
}

export const SOURCES: Readonly<Record<SourceId, FoundIn>> = {
  "coil-spring": {
    made: [
      ["5160", 50],
      ["9260", 20],
      ["6150", 12],
      ["1060", 6],
      ["1070", 6],
      ["1078", 6],
    ],
    mind: ["plated", "cracked"],
  },
  "leaf-spring": {
    made: [
      ["5160", 62],
      ["9260", 12],
      ["6150", 12],
      ["1084", 4],
      ["1095", 4],
      ["1050", 6],
    ],
    mind: ["cracked"],
  },
  "torsion-bar": {
    made: [
      ["5160", 30],
      ["4340", 20],
      ["9260", 20],
      ["6150", 20],
      ["1060", 10],
    ],
    mind: ["cracked"],
  },
  file: {
    made: [
      ["w1", 55],
      ["1095", 33],
      ["52100", 4],
      ["1018", 8],
    ],
    mind: ["case-hardened"],
  },
  rasp: {
    made: [
      ["1095", 45],
      ["w1", 35],
      ["1018", 20],
    ],
    mind: ["case-hardened"],
  },
  "mower-blade": {
    made: [
      ["1040", 25],
      ["1050", 25],
      ["1075", 20],
      ["5160", 20],
      ["1018", 10],
    ],
    mind: ["cracked"],
  },
  "edger-blade": {
    made: [
      ["1018", 25],
      ["1045", 30],
      ["1060", 20],
      ["1075", 15],
      ["5160", 10],
    ],
  },
  saw: {
    made: [
      ["15n20", 32],
      ["80crv2", 24],
      ["1075", 24],
      ["l6", 12],
      ["1095", 8],
    ],
    mind: ["carbide-tipped"],
  },
  axle: {
    made: [
      ["1045", 30],
      ["1050", 15],
      ["4140", 30],
      ["4340", 15],
      ["5160", 10],
    ],
    mind: ["cracked", "case-hardened"],
  },
  bearing: {
    made: [
      ["52100", 84],
      ["8620", 12],
      ["4140", 4],
    ],
    mind: ["case-hardened"],
  },
  hammer: {
    made: [
      ["1078", 30],
      ["1060", 25],
      ["1045", 20],
      ["4140", 10],
      ["w1", 10],
      ["6150", 5],
    ],
  },
  chisel: {
    made: [
      ["1078", 30],
      ["6150", 15],
      ["s5", 15],
      ["w1", 15],
      ["5160", 15],
      ["1060", 10],
    ],
  },
  "jackhammer-point": {
    made: [
      ["1078", 35],
      ["s5", 20],
      ["9260", 15],
      ["4340", 15],
      ["1060", 15],
    ],
  },
  rail: {
    made: [
      ["rail", 96],
      ["1045", 4],
    ],
    mind: ["cracked"],
  },
  tine: {
    made: [
      ["5160", 25],
      ["1084", 25],
      ["9260", 20],
      ["1070", 20],
      ["1045", 10],
    ],
  },
  cable: {
    made: [
      ["rope", 90],
      ["1060", 10],
    ],
    mind: ["plated"],
  },
  rebar: {
    made: [
      ["rebar", 85],
      ["1060", 8],
      ["rail", 7],
    ],
    mind: ["welded"],
  },
  unknown: { made: [] },
};

/** So many labels are wrong. */
const MISLABELLED = 0.2;
/** Of those that are, something no standard names. */
const OTHER = 0.15;

/** The chance of each grade, by where a bar was found, summing to 1. */
export function priorOf(source: SourceId): ReadonlyMap<string, number> {
  const { made } = SOURCES[source];
  const named = GRADES.filter(({ id }) => id !== "other");
  const wrong = made.length === 0 ? 1 : MISLABELLED;
  const all = made.reduce((sum, [, share]) => sum + share, 0);
  const own = new Map<string, number>(made.map(([id, share]) => [id, ((1 - wrong) * share) / all]));
  return new Map(
    GRADES.map(({ id }) => {
      const spread = id === "other" ? wrong * OTHER : (wrong * (1 - OTHER)) / named.length;
      return [id, (own.get(id) ?? 0) + spread];
    }),
  );
}
