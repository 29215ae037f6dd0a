/** Where a practice piece has to be for the step its smith is at: the simulated hands follow the bench. Pure. */

import { runLogOf, underOf, type PieceState, type ShopCommand, type ShopPlace } from "@tembrak/core";

/** Under the torch until it is taken away, in the slack tub once it was dunked. */
function runPlace(state: PieceState): ShopPlace {
  const { began_ms, off_ms, dunked_ms } = runLogOf(state, state.next!.step);
  if (dunked_ms !== null) return "bath";
  const isLit = state.checks.some(
    ({ act, reading, at_ms }) => act === state.next!.id && reading.check === "fire" && reading.state === "in" && at_ms === began_ms,
  );
  return isLit && off_ms === null ? "torch" : "air";
}

export function placeOf(state: PieceState): ShopPlace {
  const { next, acts, checks, route } = state;
  if (next === undefined) return "rack";
  const fire: ShopPlace = route?.school === "kiln" ? "kiln" : "forge";
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
      const bath = checks.findLast(({ act, reading }) => act === next.id && reading.check === "bath");
      return bath?.reading.check === "bath" && bath.reading.state === "in" ? "bath" : "air";
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
  const quench = state.next === undefined ? undefined : state.route?.steps[state.next.step];
  const under = to === "bath" && quench?.kind === "quench" ? underOf(quench) : null;
  const move = { do: "move", piece: state.id, to } as const;
  return under?.what === "edge" ? { ...move, immersion: { kind: "edge", depth_mm: under.depth_mm } } : move;
}

/** What the kiln and the oven have to be set to for the step, C; nothing where it does not matter. */
export function settingOf({ next, route }: PieceState): { readonly kiln_C?: number; readonly oven_C?: number } {
  if ((next?.kind === "heat" || next?.kind === "hold") && route?.school === "kiln") return { kiln_C: next.target_C };
  return next?.kind === "oven" || next?.kind === "temper" ? { oven_C: next.target_C } : {};
}
