/** The inverse of an edge quench: how deep the edge has to go under, and for how long, so that hard goes over into soft at a wanted height. */

import { InputError } from "../errors.js";
import { rockwellCFromVickers } from "../kinetics/hardness.js";
import { nodeHardness_HV } from "../kinetics/structure.js";
import { BARE_DESK, type Desk } from "./desk.js";
import type { Case, HardenPlan } from "./hardenCase.js";
import { nominalCase } from "./harden.js";
import { quenchLine } from "./hardenReadings.js";

export interface LineFor {
  /** How deep the edge goes under, mm. */
  readonly depth_mm: number;
  /** Held so long, until no glow is left in the back, s. */
  readonly hold_s: number;
  /** Where hard goes over into soft then, up from the edge, and over what height, mm; null where there is no such place. */
  readonly line_mm: number | null;
  readonly width_mm: number | null;
  /** Whether that is the height that was wanted; if not, it is the nearest. */
  readonly isReachable: boolean;
}

/** No glow is seen below it in the dimmest shop, C (glow table of the colour note). */
const DARK_C = 480;
/** As near as a wanted height has to be met, mm. */
const NEAR_mm = 0.5;
const TRIES = 16;

interface Tried {
  readonly line_mm: number | null;
  readonly width_mm: number | null;
  /** Up to where it is hard: none of it 0, all of it the whole height. */
  readonly hardTo_mm: number;
  readonly hold_s: number;
}

/** A place is hard from here on, HRC below what the edge gets (half martensite stands about there). */
const SOFTER_HRC = 8;
/** Below it even an edge did not harden, HRC. */
const HARD_HRC = 50;

/** The back stands third among the places a nominal case watches. */
const SPINE = 2;

/** Seconds in the bath until no glow is left in the back, s. */
function untilDark_s({ result }: Case, { transfer_s }: HardenPlan): number {
  const { time_s, temperature_C } = result.curve;
  const back = temperature_C[SPINE]!;
  const dark = time_s.findIndex((at_s, i) => at_s > transfer_s && back[i]! <= DARK_C);
  return Math.max(0, (dark < 0 ? time_s[time_s.length - 1]! : time_s[dark]!) - transfer_s);
}

/** How long an edge is held under until its back is dark, s. @throws InputError as `harden` */
export function darkAfter_s(plan: HardenPlan, desk: Desk = BARE_DESK): number {
  return untilDark_s(nominalCase({ ...plan, bath_s: null }, "full", { desk }), plan);
}

function tryDepth(plan: HardenPlan, height_mm: number, depth_mm: number, desk: Desk): Tried {
  const run = nominalCase({ ...plan, dips: [], bath_s: null, immersion: { kind: "edge", depth_mm } }, "full", { desk });
  const { places, structure } = run;
  const hold_s = untilDark_s(run, plan);
  const line = quenchLine(places.grid, structure);
  const hardness = (node: number | null): number => (node === null ? 0 : rockwellCFromVickers(nodeHardness_HV(structure, node)));
  const [edge_HRC, spine_HRC] = [hardness(places.edge), hardness(places.spine)];
  const isHardAllOver = edge_HRC > HARD_HRC && spine_HRC > edge_HRC - SOFTER_HRC;
  const hardTo_mm = line?.height_mm ?? (isHardAllOver ? height_mm : 0);
  return { line_mm: line?.height_mm ?? null, width_mm: line?.width_mm ?? null, hardTo_mm, hold_s };
}

/**
 * @throws InputError no-edge for what is no blade, edge-deeper-than-blade for a line above its back; as `harden`
 * @error it is a search over `harden` itself: within half a millimetre of what that gives (test/simulate/lineFor.test.ts)
 */
export function depthForLine(plan: HardenPlan, wanted_mm: number, desk: Desk = BARE_DESK): LineFor {
  const { section } = plan;
  if (section.shape !== "wedge")
    throw new InputError({
      code: "not-a-choice",
      path: "/section/shape",
      got: section.shape,
      allowed: "wedge",
      message: "/section/shape: only a blade has an edge to lay into the bath",
    });
  if (wanted_mm >= section.height_mm)
    throw new InputError({
      code: "edge-deeper-than-blade",
      path: "/wanted/height_mm",
      got: wanted_mm,
      allowed: `under ${section.height_mm}`,
      message: `/wanted/height_mm: a line ${wanted_mm} mm up lies above a blade that is ${section.height_mm} mm high`,
    });
  let [low_mm, high_mm] = [Math.min(1, section.height_mm / 4), section.height_mm];
  let best = { depth_mm: high_mm, ...tryDepth(plan, section.height_mm, high_mm, desk) };
  const off = ({ hardTo_mm }: Tried): number => Math.abs(hardTo_mm - wanted_mm);
  for (let i = 0; i < TRIES && off(best) > 0.2 * NEAR_mm; i++) {
    const depth_mm = 0.5 * (low_mm + high_mm);
    const tried = { depth_mm, ...tryDepth(plan, section.height_mm, depth_mm, desk) };
    if (off(tried) < off(best)) best = tried;
    if (tried.hardTo_mm < wanted_mm) low_mm = depth_mm;
    else high_mm = depth_mm;
  }
  const { depth_mm, hold_s, line_mm, width_mm } = best;
  return { depth_mm, hold_s, line_mm, width_mm, isReachable: line_mm !== null && off(best) <= NEAR_mm };
}
