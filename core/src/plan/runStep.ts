/** A temper by colour: to which, and where it is looked for. */

import { temperatureForHardness } from "../kinetics/temper.js";
import type { Piece, RunSource, Step } from "../schema/book.js";
import type { ResolvedSteel } from "./catalogue.js";
import { COLOUR_MIN, FIRST_COLOUR_C, MARK_C } from "./runHeat.js";

const nearest5_C = (T: number): number => 5 * Math.round(T / 5);

type Run = Extract<Step, { kind: "run" }>;

/** An edge that should have less than the first colour is kept in water, which does not let it come over its boil (judgement). */
const WET_EDGE_C = 115;
/** Where the line is, of the way up, on what is high enough to have an edge and a back, mm (judgement). */
const MARK_SHARE = 0.6;
const LEAST_HIGH_mm = 22;
/** A thinner edge chips where it is left as the bath left it, mm; and only a use that wants it this hard is planned so, HRC (judgement). */
const LEAST_EDGE_mm = 2;
const HARD_USE_HRC = 63;

const markOf = ({ height_mm }: { readonly height_mm: number }): NonNullable<Run["mark"]> => ({
  behind_mm: Math.round(MARK_SHARE * height_mm),
  temperature_C: MARK_C,
});

/** A run of which the edge stands in water and a line behind it is watched; null for what has no edge and no back, or a thin edge. */
export function edgeInWater({ section }: Pick<Piece, "section">, step: Run): Run | null {
  if (step.source === "residual" || section.shape !== "wedge") return null;
  if (section.height_mm < LEAST_HIGH_mm || section.edge_mm < LEAST_EDGE_mm) return null;
  return { ...step, temperature_C: WET_EDGE_C, mark: markOf(section), why: "edge-stays-bare" };
}

/**
 * After its tempers: a torch or a hot bar on the back of a blade, the edge in water, so that the back is tougher and the edge as hard as
 * the oven left it. Null for what has no edge and no back.
 */
export function softBack({ section }: Pick<Piece, "section">, source: Exclude<RunSource, "residual"> = "torch"): Run | null {
  if (section.shape !== "wedge" || section.height_mm < LEAST_HIGH_mm) return null;
  return { kind: "run", source, temperature_C: WET_EDGE_C, mark: markOf(section), why: "softens-back" };
}

/** Where the line of a back that is drawn to a wish is watched, share of the height; and what it may be watched for, C: purple, light blue, grey blue (judgement). */
const WISH_SHARE = 0.45;
const WISH_LINES_C = [280, 300, 320, 340] as const;

/** Runs that draw a back ever further, mildest first, the edge in water; none for what has no edge and no back. */
export function backRuns(piece: Pick<Piece, "section">, source: Exclude<RunSource, "residual">): Run[] {
  const run = softBack(piece, source);
  const { section } = piece;
  if (run === null || section.shape !== "wedge") return [];
  const behind_mm = Math.round(WISH_SHARE * section.height_mm);
  return WISH_LINES_C.map((temperature_C) => ({ ...run, mark: { behind_mm, temperature_C } }));
}

/** The same run to a colour at its edge: the first there is. */
export function edgeInAir({ kind, source }: Run): Run {
  return { kind, source, temperature_C: FIRST_COLOUR_C, why: "runs-from-body" };
}

interface RunAsked {
  readonly source: RunSource;
  /** As quenched, by the model, and the middle of what its use wants. */
  readonly hard_HRC: number;
  readonly mid_HRC: number;
  readonly high_HRC: number;
}

/** So far from the middle to the hard end of what its use wants a run is aimed: it can be run further, and never back (judgement). */
const STOPS_EARLY = 0.6;

/**
 * No colour further than this is planned for what has an edge to keep, C, nor for what has none: purple, and a full blue (common practice, no
 * source). By the clock of film and temper a colour that comes in minutes leaves steel two or three points harder than smiths say of it.
 */
const PURPLE_C = 280;
const BLUE_C = 310;
const EDGE_HRC = 52.5;

/** What brings it well inside what its use wants, from the hard side: by the colour of the edge, or with the edge in water by that of a line behind it. */
export function runStep(steel: ResolvedSteel, piece: Piece, { source, hard_HRC, mid_HRC, high_HRC }: RunAsked): Run {
  const answer = temperatureForHardness({
    steel: steel.temper,
    target_HRC: mid_HRC + STOPS_EARLY * (high_HRC - mid_HRC),
    holds_min: [COLOUR_MIN],
    asQuenched_HRC: hard_HRC,
  });
  // Harder than it can be: nothing is cold enough. Softer than any colour makes it: the first, and the verdict says so.
  const otherwise_C = answer.outcome === "too-hard-to-reach" ? -Infinity : FIRST_COLOUR_C;
  const wanted_C = answer.outcome === "found" ? answer.temperature_C : otherwise_C;
  const step: Run = {
    kind: "run",
    source,
    temperature_C: Math.min(mid_HRC >= EDGE_HRC ? PURPLE_C : BLUE_C, Math.max(FIRST_COLOUR_C, nearest5_C(wanted_C))),
    why: source === "residual" ? "runs-from-heat" : "runs-from-body",
  };
  // Where every colour at the edge is much too soft for a use that wants all it can have: a striker, a file.
  return (wanted_C < FIRST_COLOUR_C && mid_HRC >= HARD_USE_HRC ? edgeInWater(piece, step) : null) ?? step;
}
