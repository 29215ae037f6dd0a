/** A short temper that lets a hard piece lie until its own can be done. */

import type { Route } from "../schema/book.js";
import { VESSEL_C } from "./kit.js";

/** Half an hour at 150 C takes the worst of the strain and hardly a point of hardness (common practice, no source). */
const SNAP_C = 150;
const SNAP_min = 30;

/**
 * The route with a short temper before whatever draws it after its last quench; null where nothing does, or the short one is already there.
 * What the temper lies in, the short one lies in.
 */
export function withSnapTemper(route: Route): Route | null {
  const quench = route.steps.findLastIndex(({ kind }) => kind === "quench");
  const at = route.steps.findIndex(({ kind }, i) => i > quench && (kind === "temper" || kind === "run"));
  const next = route.steps[at];
  if (quench < 0 || next === undefined || next.why === "snap-temper") return null;
  const lies = next.kind === "temper" && next.in !== undefined ? { in: next.in } : {};
  const temperature_C = lies.in === undefined ? SNAP_C : Math.max(SNAP_C, VESSEL_C[lies.in][0]);
  const snap: Route["steps"][number] = { kind: "temper", temperature_C, hold_min: SNAP_min, ...lies, why: "snap-temper" };
  return { ...route, steps: [...route.steps.slice(0, at), snap, ...route.steps.slice(at)] };
}
