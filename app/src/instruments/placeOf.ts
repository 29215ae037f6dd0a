/** Where a practice piece has to be for the step its smith is at: the simulated hands follow the bench. Pure. */

import {
  bathTimes,
  canHold,
  dipAfter,
  dipNow,
  intoOf,
  runLogOf,
  turnsOf,
  type DipNow,
  type PieceState,
  type Quench,
  type Route,
  type ShopCommand,
  type ShopPlace,
} from "@tembrak/core";

/** The simulated shop has a forge and a kiln: a pot of salt is played by the kiln, every fire by the forge. */
function isHeldPlace(route: Route | null): boolean {
  return route !== null && canHold(route.heating);
}

/** Under the torch, or on the block, until that is taken away, in the slack tub once it was dunked. */
function runPlace(state: PieceState): ShopPlace {
  const { began_ms, off_ms, dunked_ms } = runLogOf(state, state.next!.step);
  if (dunked_ms !== null) return "bath";
  const isLit = state.checks.some(
    ({ act, reading, at_ms }) => act === state.next!.id && reading.check === "fire" && reading.state === "in" && at_ms === began_ms,
  );
  const step = state.route?.steps[state.next!.step];
  const heats: ShopPlace = step?.kind === "run" && step.source === "hot-bar" ? "bar" : "torch";
  return isLit && off_ms === null ? heats : "air";
}

function quenchOf({ next, route }: PieceState): Quench | null {
  const step = next === undefined ? undefined : route?.steps[next.step];
  return step?.kind === "quench" ? step : null;
}

function dipOf(state: PieceState): DipNow | null {
  const quench = quenchOf(state);
  return quench === null ? null : dipNow(quench, bathTimes(state, state.next!.step), 0);
}

export function placeOf(state: PieceState): ShopPlace {
  const { next, acts, checks, route } = state;
  if (next === undefined) return "rack";
  const fire: ShopPlace = isHeldPlace(route) ? "kiln" : "forge";
  const moved = checks.findLast(({ act, reading }) => act === next.id && reading.check === "fire");
  switch (next.kind) {
    case "heat": {
      if (moved?.reading.check === "fire") return moved.reading.state === "in" ? fire : "air";
      // Out of a preheat it stays in the fire.
      const before = acts[acts.indexOf(next) - 1];
      return before?.kind === "heat" || before?.kind === "hold" ? fire : "rack";
    }
    case "hold":
      return fire;
    case "quench": {
      const { in_ms, out_ms } = bathTimes(state, next.step);
      if (in_ms === null || out_ms !== null) return "air";
      // What is simulated is the first end: it hangs in the air while the second is under.
      const dip = dipOf(state);
      return dip?.pattern === "by-turns" && dip.changed % 2 === 1 ? "air" : "bath";
    }
    case "temper":
      return "oven";
    case "run":
      return runPlace(state);
    case "slow-cool":
    case "air-cool":
    case "fall":
    case "straighten":
    case "cool-down":
    case "first-file":
    case "oven":
    case "brighten":
    case "prove":
      return "air";
  }
}

/** How it is moved there: of an edge quench only so deep into the bath. */
export function moveOf(state: PieceState): Extract<ShopCommand, { do: "move" }> {
  const to = placeOf(state);
  const quench = quenchOf(state);
  const coat = quench?.clay === undefined ? {} : { coat: quench.clay };
  const move = { do: "move", piece: state.id, to, ...coat } as const;
  if (to === "bar" || to === "torch") {
    const run = state.route?.steps[state.next!.step];
    const line = run?.kind === "run" && run.mark !== undefined ? { line_mm: run.mark.behind_mm } : {};
    return { ...move, ...line, ...(to === "bar" ? { block: runLogOf(state, state.next!.step).fresh_s.length } : {}) };
  }
  if (to === "oven" && state.next?.kind === "temper" && state.next.in !== undefined) return { ...move, in: state.next.in };
  if (to !== "bath" || quench === null) return move;
  const dip = dipAfter(quench, dipOf(state)?.changed ?? 0);
  const { medium } = dip.into;
  const into = medium === intoOf(quench).medium ? move : { ...move, medium };
  if (dip.under === "all") return into;
  // The simulated hands hold a bar by the end that is not in: of two by turns it shows the first.
  const { depth_mm } = turnsOf(quench)?.[0] ?? dip;
  return { ...into, immersion: { kind: dip.under === "back" ? "back" : "edge", depth_mm } };
}

/** Whether the simulated hands have to move it: it is elsewhere, or the same place was said otherwise: deeper, or on a fresh block. @param before what was said last; empty where nothing was */
export function isToBeMoved(place: ShopPlace, wanted: ShopPlace, said: string, before: string): boolean {
  return place !== wanted || (before !== "" && before !== said);
}

/** As hot as the simulated forge burns, and so far over the heat wanted once it was turned down, C. */
export const FORGE_C = 950;
const TURNED_OVER_K = 10;

/** What the forge burns at: as it was turned in this step, as usual where nobody turned it. */
function forge_C(state: PieceState, target_C: number): number {
  const own = new Set(state.acts.filter(({ step }) => step === state.next!.step).map(({ id }) => id));
  const last = state.checks.findLast(({ act, reading }) => reading.check === "turned" && own.has(act));
  return last?.reading.check === "turned" && last.reading.state === "down" ? target_C + TURNED_OVER_K : FORGE_C;
}

/** What fire, kiln and oven have to be set to for the step, C; nothing where it does not matter. */
export function settingOf(state: PieceState): { readonly kiln_C?: number; readonly oven_C?: number; readonly forge_C?: number } {
  const { next, route } = state;
  if (next?.kind === "heat" || next?.kind === "hold")
    return isHeldPlace(route) ? { kiln_C: next.target_C } : { forge_C: forge_C(state, next.target_C) };
  return next?.kind === "oven" || next?.kind === "temper" ? { oven_C: next.target_C } : {};
}
