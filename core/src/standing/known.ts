/** What is known of a shop beside plan and log, from its kit: how far its heats and its oven are off what was said of them. */

import type { LoggedTest, PieceState } from "../book/state.js";
import { kitOf, ovenFor, ovensOf, type Controlled } from "../plan/kit.js";
import { canHold } from "../plan/heating.js";
import type { Heating, Piece, Route } from "../schema/book.js";
import type { Known, ShopKnown } from "../schema/job.js";
import type { Kit } from "../schema/kit.js";
import { OVEN_K } from "../simulate/temperedPlace.js";

/** How far a heat is off the one wanted, one deviation, K: by what judges it (judgement; docs/heat-estimate.md for eye and magnet). */
const HEAT_K = { checkedKiln: 6, kiln: 12, probe: 10, magnet: 12, eye: 18 } as const;
/** What nobody says is taken as the published data have it, furnaces, K. */
const UNSAID_K = 8;
/** An oven that was checked with a second thermometer: what is left, beside its swing, of which the mean over two hours is a part, K (judgement). */
const CHECKED_OVEN_K = 5;
const SWING_SHARE = 0.25;
/** A thermometer in stirred oil or salt that nobody checked; sand, from place to place, K (judgement). */
const IN_LIQUID_K = 10;
const SAND_K = 10;
/** A thermometer that was read while the piece was in: what is left in doubt of the oven, K (judgement). */
export const READ_OVEN_K = 8;
/** A tap tells the seconds to the bath to within this, s (judgement); what nobody timed is no better known than a plan, logarithm. */
const TAP_s = 0.3;
const UNTIMED_LN = 0.3;

/** Seconds to the bath that were logged: the shop's habit is in them already. */
export function timedWay(transfer_s: number): Pick<ShopKnown, "transferRatio"> {
  return { transferRatio: { mean: 0, sd: Math.min(UNTIMED_LN, TAP_s / transfer_s) } };
}

/** So many readings of a second thermometer make a check. */
const LEAST_READINGS = 3;

export function isChecked({ calibration = [] }: Controlled): boolean {
  return calibration.length >= LEAST_READINGS;
}

/** How far a heat so judged is off in this shop, one deviation, K. */
export function heatDoubt_K(heating: Heating, kit: Kit | null): number {
  if (kit === null) return UNSAID_K;
  if (heating.by === "controller") return kitOf(kit, "kiln").some(isChecked) ? HEAT_K.checkedKiln : HEAT_K.kiln;
  // Whoever has a probe holds it in, whatever else tells the heat.
  if (heating.by === "probe" || kitOf(kit, "probe").length > 0) return HEAT_K.probe;
  return heating.by === "shade" || heating.by === "colour" ? HEAT_K.eye : HEAT_K.magnet;
}

/**
 * How far a temper is off in this oven, one deviation, K. A liquid is read by a thermometer that stands in it, and is the same all over
 * once stirred; sand is not (judgement).
 */
export function ovenDoubt_K(oven: Controlled | undefined): number {
  const holds = oven?.kind === "oven" ? oven.holds : undefined;
  const unchecked_K = holds === "oil" || holds === "salt" ? IN_LIQUID_K : OVEN_K;
  const uneven_K = holds === "sand" ? SAND_K : 0;
  if (oven === undefined || !isChecked(oven)) return Math.hypot(unchecked_K, uneven_K);
  return Math.hypot(CHECKED_OVEN_K, SWING_SHARE * oven.swing_C, uneven_K);
}

/** Of a plan nobody has begun. */
export function shopOf(piece: Piece, route: Route, kit: Kit | null): ShopKnown | undefined {
  if (kit === null) return undefined;
  const temper = route.steps.findLast((step) => step.kind === "temper");
  const oven = temper?.kind === "temper" ? ovenFor(ovensOf(kit, temper.in), temper.temperature_C, piece) : undefined;
  const forge = canHold(route.heating) ? undefined : kitOf(kit, "forge")[0];
  // A rich flame leaves no free air around the piece; a neutral or lean one, and a kiln, scales it freely.
  const fire = forge?.atmosphere === "rich" ? ({ fire: "neutral" } as const) : {};
  return { ...fire, heat_K: { mean: 0, sd: heatDoubt_K(route.heating, kit) }, oven_K: { mean: 0, sd: ovenDoubt_K(oven) } };
}

/** The last hardening of a piece: since when it counts, and how many tempers it had had by a moment. */
function sinceHardened({ acts, doneAt_ms }: PieceState) {
  const last = acts.findLastIndex(({ kind, id }) => kind === "quench" && doneAt_ms.has(id));
  const draws = acts.slice(last + 1).filter(({ kind }) => kind === "temper" || kind === "run");
  return {
    from_ms: last < 0 ? -Infinity : doneAt_ms.get(acts[last]!.id)!,
    tempersBy: (at_ms: number): number => draws.filter(({ id }) => (doneAt_ms.get(id) ?? Infinity) <= at_ms).length,
  };
}

/** Whether it is planned to be hardened once more: what was found of it says nothing of what it will be then. */
export function isToBeHardened({ acts, doneAt_ms }: PieceState): boolean {
  const last = acts.findLast(({ kind }) => kind === "quench");
  return last !== undefined && !doneAt_ms.has(last.id);
}

/** The tests that say something of the piece as it is to be: since it was last hardened, oldest first; none where that is still to come. */
export function testsThatCount(state: PieceState): readonly LoggedTest[] {
  if (isToBeHardened(state)) return [];
  const { from_ms } = sinceHardened(state);
  return state.tests.filter(({ at_ms }) => at_ms >= from_ms);
}

/** The same, each with the tempers it had had by then. */
export function testsOf(state: PieceState): NonNullable<Known["tests"]> {
  const { tempersBy } = sinceHardened(state);
  return testsThatCount(state).map(({ at_ms, test }) => ({ test, tempers: tempersBy(at_ms) }));
}

/** How many tempers a piece has had since it was last hardened. */
export function tempersDone(state: PieceState): number {
  return sinceHardened(state).tempersBy(Number.MAX_SAFE_INTEGER);
}
