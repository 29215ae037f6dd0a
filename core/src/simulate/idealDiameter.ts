/** The model's own ideal critical diameter: rounds cooled at once on the surface, half martensite at the centre. */

import { ROOM_C } from "../constants.js";
import { constantBoundary } from "../heat/media.js";
import { a3_C, acm_C, type Composition } from "../kinetics/composition.js";
import { heatingCurve } from "../kinetics/austenite.js";
import { follow } from "../kinetics/follow.js";
import { grainOfNumber_um } from "../kinetics/grain.js";
import { KINETICS, type Kinetics } from "../kinetics/kinetics.js";
import { makeStructure } from "../kinetics/structure.js";
import { bisect } from "../numerics/root.js";
import { runCourse } from "./course.js";
import { allAround, gridOf, STEP_K } from "./section.js";

/** As good as a surface brought to the bath at once, W/(m2 K). */
const AT_ONCE_W_m2K = 2e5;
const SOAK_s = 1800;
const [LEAST_mm, MOST_mm] = [3, 300];

/** Where a steel is hardened for a test of its hardenability: 30 C over its line, between 845 and 925 C. @source astmA255 */
export function testHeat_C(steel: Composition): number {
  return Math.max(845, Math.min(925, Math.max(a3_C(steel), Math.min(acm_C(steel), 840)) + 30));
}

/** Martensite at the centre of a round cooled at once, 0 ... 1. */
function centreMartensite(steel: Composition, astmGrain: number, diameter_mm: number, kinetics: Kinetics): number {
  const section = { shape: "round", diameter_mm } as const;
  const { grid } = gridOf(section, "coarse");
  const structure = makeStructure({ nodes: grid.nodes, bar_wtpct: steel, prior: "pearlite", kinetics });
  const start_C = testHeat_C(steel);
  follow({ structure, ...heatingCurve({ heat_C: start_C, hold_s: SOAK_s }) });
  structure.grain_um.fill(grainOfNumber_um(astmGrain));
  runCourse({
    grid,
    start_C,
    stretches: [
      {
        kind: "exchange",
        surroundings: allAround(section, grid, constantBoundary(AT_ONCE_W_m2K, ROOM_C)),
        duration_s: 3600,
        until_C: 60,
        longestStep_s: 5,
      },
    ],
    body: { kind: "steel", structure },
    watch: [],
    stepAim_K: STEP_K.coarse,
    untilSettled: true,
  });
  // Settled is not yet cold: what is austenite still counts as what it will be.
  return structure.martensite[0]! > 0.01
    ? 1 - structure.ferrite[0]! - structure.pearlite[0]! - structure.bainite[0]!
    : structure.martensite[0]!;
}

/** Diameter at which half the centre hardens, mm, between 3 and 300. */
export function idealDiameter_mm(steel: Composition, astmGrain = 7, kinetics: Kinetics = KINETICS): number {
  const root = bisect(
    (ln) => 0.5 - centreMartensite(steel, astmGrain, Math.exp(ln), kinetics),
    Math.log(LEAST_mm),
    Math.log(MOST_mm),
    0.01,
  );
  if (root.outcome === "found") return Math.exp(root.x);
  return centreMartensite(steel, astmGrain, LEAST_mm, kinetics) < 0.5 ? LEAST_mm : MOST_mm;
}
