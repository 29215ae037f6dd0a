/** A route as single acts, one a screen at the bench. */

import { intoOf, keepsHeat } from "./dips.js";
import type { Route, Step } from "../schema/book.js";
import type { Vessel } from "../schema/kit.js";
import { watchedOf } from "./runHeat.js";

/** What a heat is for. */
export type Purpose = "preheat" | "normalise" | "anneal" | "harden";

export type Act =
  | {
      readonly id: string;
      readonly kind: "heat";
      readonly step: number;
      readonly target_C: number;
      readonly purpose: Purpose;
      readonly count: number;
      readonly of: number;
    }
  | {
      readonly id: string;
      readonly kind: "hold";
      readonly step: number;
      readonly target_C: number;
      readonly hold_s: number;
      readonly purpose: Purpose;
    }
  | { readonly id: string; readonly kind: "air-cool"; readonly step: number; readonly coolTo: "black" | "hand-warm" }
  | { readonly id: string; readonly kind: "fall"; readonly step: number; readonly to_C: number }
  | { readonly id: string; readonly kind: "quench"; readonly step: number; readonly medium: string; readonly bath_C: number }
  | { readonly id: string; readonly kind: "straighten"; readonly step: number }
  | { readonly id: string; readonly kind: "cool-down"; readonly step: number }
  | { readonly id: string; readonly kind: "first-file"; readonly step: number }
  | {
      readonly id: string;
      readonly kind: "oven";
      readonly step: number;
      readonly target_C: number;
      /** What it lies in, where that is no oven. */
      readonly in?: Vessel;
      readonly count: number;
      readonly of: number;
    }
  | {
      readonly id: string;
      readonly kind: "temper";
      readonly step: number;
      readonly target_C: number;
      readonly in?: Vessel;
      readonly hold_s: number;
      readonly count: number;
      readonly of: number;
    }
  /** Down at a steady rate; how long that takes. */
  | {
      readonly id: string;
      readonly kind: "slow-cool";
      readonly step: number;
      readonly rate_C_h: number;
      readonly to_C: number;
      readonly time_s: number;
    }
  | { readonly id: string; readonly kind: "brighten"; readonly step: number }
  | { readonly id: string; readonly kind: "run"; readonly step: number; readonly target_C: number }
  | { readonly id: string; readonly kind: "prove"; readonly step: number };

/** Where a piece hangs on the rack. */
export type Stage = "prepare" | "normalise" | "harden" | "cool" | "temper" | "prove" | "done";

function actsOfStep(step: Step, i: number, steps: readonly Step[]): Act[] {
  // By place, not by the step itself: one step may stand in a route twice.
  const isSame = ({ kind }: Step): boolean => kind === step.kind;
  const [count, of] = [steps.slice(0, i + 1).filter(isSame).length, steps.filter(isSame).length];
  const id = (what: string): string => `${i}-${what}`;
  switch (step.kind) {
    case "preheat":
    case "anneal":
    case "normalise":
    case "harden": {
      const target_C = step.temperature_C;
      const heat: Act = { id: id("heat"), kind: "heat", step: i, target_C, purpose: step.kind, count, of };
      const hold: Act = { id: id("hold"), kind: "hold", step: i, target_C, hold_s: step.hold_min * 60, purpose: step.kind };
      const acts: Act[] = step.hold_min > 0 ? [heat, hold] : [heat];
      if (step.kind === "harden" && step.fallTo_C !== undefined)
        return [...acts, { id: id("fall"), kind: "fall", step: i, to_C: step.fallTo_C }];
      if (step.kind === "anneal") {
        const { rate_C_h, to_C } = step;
        const time_s = (3600 * Math.max(0, target_C - to_C)) / rate_C_h;
        return [...acts, { id: id("slow-cool"), kind: "slow-cool", step: i, rate_C_h, to_C, time_s }];
      }
      return step.kind === "normalise" ? [...acts, { id: id("air-cool"), kind: "air-cool", step: i, coolTo: step.coolTo }] : acts;
    }
    case "quench": {
      const { medium, bath_C } = intoOf(step);
      // What is drawn by its own heat goes on at once: nothing is straightened, cooled or filed in between.
      if (keepsHeat(step)) return [{ id: id("quench"), kind: "quench", step: i, medium, bath_C }];
      return [
        { id: id("quench"), kind: "quench", step: i, medium, bath_C },
        { id: id("straighten"), kind: "straighten", step: i },
        { id: id("cool-down"), kind: "cool-down", step: i },
        { id: id("first-file"), kind: "first-file", step: i },
      ];
    }
    case "run":
      return [
        { id: id("brighten"), kind: "brighten", step: i },
        { id: id("run"), kind: "run", step: i, target_C: watchedOf(step).temperature_C },
      ];
    case "temper": {
      const at = { step: i, target_C: step.temperature_C, ...(step.in === undefined ? {} : { in: step.in }), count, of };
      return [
        { id: id("oven"), kind: "oven", ...at },
        { id: id("temper"), kind: "temper", ...at, hold_s: step.hold_min * 60 },
      ];
    }
  }
}

/** Every act of a route in order, ending with the proof. Ids are stable while the steps before them are. */
export function actsOfRoute({ steps }: Route): Act[] {
  return [...steps.flatMap((step, i) => actsOfStep(step, i, steps)), { id: "prove", kind: "prove", step: steps.length }];
}

/** Where a piece hangs while an act is next. */
export function stageOf(act: Act | undefined): Stage {
  switch (act?.kind) {
    case undefined:
      return "done";
    case "heat":
    case "hold":
      return act.purpose === "normalise" || act.purpose === "anneal" ? "normalise" : "harden";
    case "air-cool":
    case "slow-cool":
      return "normalise";
    case "brighten":
      return "cool";
    case "run":
      return "temper";
    case "fall":
    case "quench":
      return "harden";
    case "straighten":
    case "cool-down":
    case "first-file":
      return "cool";
    case "oven":
      return act.count === 1 ? "cool" : "temper";
    case "temper":
      return "temper";
    case "prove":
      return "prove";
  }
}
