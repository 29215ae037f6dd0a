/** The route as it was done so far: what the log says of it in the place of what was planned. What is to come stays as planned. */

import type { PieceState } from "../book/state.js";
import type { HeatContext } from "../heatNow/heatNow.js";
import type { ColourName, Dip, Into, Route, Step } from "../schema/book.js";
import { resolveSteel } from "../plan/catalogue.js";
import type { Act } from "../plan/acts.js";
import { intoOf, turnsOf, turnWith, withInto, type Quench } from "../plan/dips.js";
import { hottestBath_C } from "../heat/bathKind.js";
import { LIMITS } from "../schema/limits.js";
import { surfaceShift_K } from "../plan/colourRun.js";
import { FIRST_COLOUR_C, watchedOf } from "../plan/runHeat.js";
import { TURNED_OVER_s } from "../simulate/planOf.js";
import { colourAtHeat, heatOfColour_C } from "../simulate/runNow.js";
import { bathFor, type BathRead } from "./bathNow.js";
import { bathTimes, type BathTimes } from "./bathTimes.js";
import { heatHad, type HeatHad } from "./heatHad.js";
import { heatDoubt_K } from "./known.js";
import { mishapsOf } from "./mishaps.js";
import { leftForBath_ms } from "./onItsWay.js";
import { runLogOf } from "./runLog.js";
import { asUsual, tapDoubt, type TapDoubt } from "./tapDoubt.js";
import type { Factor } from "./learn.js";

type Harden = Extract<Step, { kind: "harden" }>;
type Run = Extract<Step, { kind: "run" }>;
type Temper = Extract<Step, { kind: "temper" }>;

type Limits = readonly [least: number, most: number];

function within(value: number, [least, most]: Limits): number {
  return Math.min(most, Math.max(least, value));
}

/** Seconds between two moments where they can be what they should be; undefined where they cannot. */
function seconds(from_ms: number | null | undefined, to_ms: number | null, [least, most]: Limits): number | undefined {
  if (from_ms === null || from_ms === undefined || to_ms === null) return undefined;
  const s = (to_ms - from_ms) / 1000;
  return s >= least && s <= most ? s : undefined;
}

/** A bath that was read for the shop says so much of this piece's: not longer before it goes in, or before the last that was logged of it, ms. */
const SHOPS_READ_ms = 3600_000;

/** What a thermometer in the bath last read before the piece went in, for it or for the shop, C; undefined where nobody read one. */
function bathRead_C(
  { checks, acts, events }: PieceState,
  step: number,
  in_ms: number | null,
  reads: readonly BathRead[],
): number | undefined {
  const from = acts.findIndex((act) => act.step === step);
  // Read while the piece is in the fire for it, or before it: not for an earlier quench.
  const earlier = acts.slice(0, from).findLastIndex(({ kind }) => kind === "quench");
  const own = new Set(acts.slice(earlier + 1).map(({ id }) => id));
  const isBefore = ({ at_ms }: { readonly at_ms: number }): boolean => in_ms === null || at_ms <= in_ms;
  const last = checks.findLast((check) => check.reading.check === "bath-heat" && own.has(check.act) && isBefore(check));
  const since_ms = (in_ms ?? events.at(-1)?.at_ms ?? 0) - SHOPS_READ_ms;
  const shops = reads.findLast((read) => isBefore(read) && read.at_ms >= since_ms);
  const isShops = shops !== undefined && (last === undefined || shops.at_ms > last.at_ms);
  const read_C = isShops ? shops.temperature_C : last?.reading.check === "bath-heat" ? last.reading.temperature_C : undefined;
  return read_C === undefined ? undefined : within(read_C, LIMITS.quench.bath_C);
}

/** Slow on the way, by nobody's clock, s (judgement). */
const SLOW_s = 4;

/** The dip of a back that is turned over: the tap is made as the edge goes under, and before it, it was turned. */
function turnedOver_s({ under }: Dip, next: Dip | undefined): number {
  return under === "back" && next?.under === "edge" ? TURNED_OVER_s : 0;
}

/** Two ends by turns as they went by the taps, as far as the first turn of each tells. */
function turnsAsDone(quench: Quench, { in_ms, over_ms }: BathTimes, late_ms: number | null): Dip[] {
  const [first_ms, second_ms = null] = over_ms;
  const first_s = seconds(in_ms, first_ms ?? late_ms, LIMITS.quench.turn_s);
  const second_s = seconds(first_ms, second_ms ?? late_ms, LIMITS.quench.turn_s);
  const first = first_s === undefined ? quench : turnWith(quench, 0, { s: first_s });
  return (second_s === undefined ? first : turnWith(first, 1, { s: second_s })).dips;
}

/**
 * The dips of a quench as they went by the taps: as planned until somebody changed it over, took it out without, or is late with it at
 * `late_ms`. What never came after it was taken out is none.
 */
function dipsAsDone(quench: Quench, times: BathTimes, late_ms: number | null): Dip[] {
  const { dips } = quench;
  if (turnsOf(quench) !== null) return turnsAsDone(quench, times, late_ms);
  const { in_ms, over_ms, out_ms } = times;
  const changes = over_ms.slice(0, dips.length - 1);
  const had = out_ms === null ? dips : dips.slice(0, changes.length + 1);
  return had.map((dip, i): Dip => {
    const from_ms = i === 0 ? in_ms : (changes[i - 1] ?? null);
    const isLast = i === dips.length - 1;
    // What was taken out for the heat left in its body to draw it has that drawing planned as a step of its own.
    if (isLast && dip.until.is === "keeps-heat") return dip;
    const changed_ms = changes[i] === undefined ? undefined : changes[i] - 1000 * turnedOver_s(dip, dips[i + 1]);
    const to_ms = changed_ms ?? out_ms ?? (i === changes.length ? late_ms : null);
    const isTakenOut = changed_ms === undefined && out_ms !== null;
    const s = seconds(from_ms, to_ms, isLast || isTakenOut ? LIMITS.quench.bath_s : LIMITS.quench.after_s);
    if (s !== undefined) return { ...dip, until: { is: "seconds", s } };
    return isTakenOut && !isLast ? { ...dip, until: { is: "cold" } } : dip;
  });
}

/** When its bath was over, where nobody tapped that it went in. */
function quenched_ms({ acts, doneAt_ms }: PieceState, step: number): number | null {
  const act = acts.find((one) => one.step === step && one.kind === "quench");
  return act === undefined ? null : (doneAt_ms.get(act.id) ?? null);
}

/** Practice has a bath of its own. */
function readsFor({ piece }: PieceState, into: Into, { bathReads = [], kit = null }: DoneContext): readonly BathRead[] {
  const tank = piece.isPractice === true || kit === null ? undefined : bathFor(kit, into);
  return tank === undefined ? [] : bathReads.filter(({ bath }) => bath === tank.id);
}

function quenchAsDone(state: PieceState, quench: Quench, step: number, context: DoneContext): Quench {
  const { now_ms = null, catalogue } = context;
  const times = bathTimes(state, step);
  // On its way yet, or in a dip that is past its seconds, it takes as long as it has taken.
  const isNext = state.next?.kind === "quench" && state.next.step === step;
  const late_ms = isNext ? now_ms : null;
  const transfer_s = seconds(leftForBath_ms(state, step), times.in_ms ?? late_ms, LIMITS.quench.transfer_s);
  const went = mishapsOf(state, step);
  const { medium, bath_C: planned_C } = intoOf(quench);
  const read_C = bathRead_C(state, step, times.in_ms ?? quenched_ms(state, step), readsFor(state, intoOf(quench), context));
  // A reading in the other unit is hotter than any bath of it: it was as hot as such a bath can be.
  const bath_C = Math.min(read_C ?? planned_C, hottestBath_C(catalogue.medium(medium)) ?? Infinity);
  const isStill = went.has("not-stirred");
  const dips = dipsAsDone(quench, times, late_ms).map((dip) =>
    isStill ? { ...dip, into: { ...dip.into, agitation: "none" as const } } : dip,
  );
  return {
    ...withInto({ ...quench, dips }, { bath_C }),
    ...(transfer_s === undefined ? (went.has("slow") ? { transfer_s: SLOW_s } : {}) : { transfer_s }),
  };
}

/** Minutes from one act of a step to the end of another, where both are done; to `now_ms` where the second runs on. */
function minutes(
  { acts, doneAt_ms, next }: PieceState,
  step: number,
  from: "heat" | "oven",
  to: "hold" | "temper",
  { limits, now_ms = null }: { readonly limits: Limits; readonly now_ms: number | null | undefined },
): number | undefined {
  const act = (kind: string): Act | undefined => acts.find((a) => a.step === step && a.kind === kind);
  const at = (a: Act | undefined): number | undefined => (a === undefined ? undefined : doneAt_ms.get(a.id));
  const last = act(to);
  const running_ms = last !== undefined && next?.id === last.id ? (now_ms ?? undefined) : undefined;
  const [begun_ms, ended_ms] = [at(act(from)), at(last) ?? running_ms];
  if (begun_ms === undefined || ended_ms === undefined || ended_ms < begun_ms) return undefined;
  return within((ended_ms - begun_ms) / 60000, limits);
}

/** Taps are good to a second or so: what is kept this well is what was planned, min. */
const AS_PLANNED_min = 0.1;
/** A heat that is known no better than this about the one planned is that, C. */
const AS_PLANNED_K = 1;

function lasted(had_min: number | undefined, planned_min: number): number {
  return had_min === undefined || Math.abs(had_min - planned_min) < AS_PLANNED_min ? planned_min : had_min;
}

function hardenAsDone(state: PieceState, heat: Harden, step: number, had: HeatHad | null, { now_ms }: DoneContext): Harden {
  const is_C = had === null || Math.abs(had.mean_C - heat.temperature_C) < AS_PLANNED_K ? heat.temperature_C : had.mean_C;
  return {
    ...heat,
    temperature_C: within(is_C, LIMITS.harden.temperature_C),
    hold_min: lasted(minutes(state, step, "heat", "hold", { limits: LIMITS.harden.hold_min, now_ms }), heat.hold_min),
  };
}

/** A reading of an oven so long after the end of its temper was not of it, ms (judgement: the door opens then). */
const AFTER_END_ms = 60_000;

/** What a thermometer in the oven read while a temper went on, C; undefined where nobody read one in its time. */
export function ovenRead_C({ checks, acts, doneAt_ms }: PieceState, step: number): number | undefined {
  const temper = acts.find((act) => act.step === step && act.kind === "temper");
  const oven = acts.find((act) => act.step === step && act.kind === "oven");
  const begun_ms = oven === undefined ? undefined : doneAt_ms.get(oven.id);
  const ends_ms = begun_ms === undefined || temper?.kind !== "temper" ? Infinity : begun_ms + 1000 * temper.hold_s + AFTER_END_ms;
  const reads = checks.flatMap(({ reading, act, at_ms }) =>
    act === temper?.id && reading.check === "chamber" && at_ms <= ends_ms ? [reading.temperature_C] : [],
  );
  return reads.length === 0 ? undefined : reads.reduce((a, b) => a + b, 0) / reads.length;
}

function temperAsDone(state: PieceState, temper: Temper, step: number, { now_ms }: DoneContext): Temper {
  return {
    ...temper,
    temperature_C: within(ovenRead_C(state, step) ?? temper.temperature_C, LIMITS.temper.temperature_C),
    hold_min: lasted(minutes(state, step, "oven", "temper", { limits: LIMITS.temper.hold_min, now_ms }), temper.hold_min),
  };
}

/** How hot a shop is, C: what the fall from a line to its edge is measured from. */
const SHOP_C = 20;

/**
 * A colour run by the colour that was found when it was cold; as planned where nobody looked, or where it is the one planned. At a line it
 * says how hot the edge before it was: over the shop as much less as it was planned to be (a fall along a piece keeps its form:
 * judgement). A colour on that edge itself says it outright, and a bare one that it took none.
 */
function runAsDone(state: PieceState, run: Run, step: number, { catalogue }: HeatContext): Run {
  const { cold, edge } = runLogOf(state, step);
  const surface_K = surfaceShift_K(resolveSteel(catalogue, state.piece.steel).composition_wtpct);
  const heatOf_C = (name: ColourName): number => within(Math.round(heatOfColour_C(name, surface_K)), LIMITS.run.temperature_C);
  const { mark } = run;
  const isAsPlanned = cold === null || colourAtHeat(watchedOf(run).temperature_C, surface_K) === cold;
  if (mark === undefined) return isAsPlanned ? run : { ...run, temperature_C: heatOf_C(cold) };
  const line_C = isAsPlanned ? mark.temperature_C : heatOf_C(cold);
  const byLine_C = SHOP_C + ((run.temperature_C - SHOP_C) * (line_C - SHOP_C)) / (mark.temperature_C - SHOP_C);
  const bare_C = edge === "bare" ? Math.min(byLine_C, FIRST_COLOUR_C - 1) : byLine_C;
  const edge_C = edge === null || edge === "bare" ? bare_C : heatOf_C(edge);
  return { ...run, temperature_C: within(Math.round(edge_C), LIMITS.run.temperature_C), mark: { ...mark, temperature_C: line_C } };
}

export interface AsDone {
  readonly route: Route;
  /** Of the last hardening: what its heat was, where somebody looked. */
  readonly heat: HeatHad | null;
  /** Of the last hardening: seconds on the way to the bath, where the log says something of them. */
  readonly transfer_s: number | null;
  /** Of the last hardening: a tap into the bath that may have come late. The route is by the likelier of both. */
  readonly tap: TapDoubt | null;
}

/** What it is read with; until when a hold that nobody ended has lasted (`lateNow_ms`), or nothing where it is within its plan. */
export interface DoneContext extends HeatContext {
  /** What was read of the shop's baths, oldest first. */
  readonly bathReads?: readonly BathRead[];
  /** What the shop's own pieces taught: its way to the bath. */
  readonly factors?: readonly Factor[];
  readonly now_ms?: number | null;
}

/** Null for a piece nobody planned; the very route where the log says nothing else. */
export function asDone(tapped: PieceState, context: DoneContext): AsDone | null {
  const { route } = tapped;
  if (route === null) return null;
  const quench = route.steps.findLastIndex(({ kind }) => kind === "quench");
  const tap = quench < 0 ? null : tapDoubt(tapped, quench, context.factors);
  const state = tap !== null && tap.chance > 0.5 ? asUsual(tapped, tap) : tapped;
  const doubt_K = heatDoubt_K(route.heating, context.kit ?? null);
  let heat: HeatHad | null = null;
  const steps = route.steps.map((step, i): Step => {
    switch (step.kind) {
      case "harden":
        heat = heatHad(state, i, doubt_K, context);
        return hardenAsDone(state, step, i, heat, context);
      case "quench":
        return quenchAsDone(state, step, i, context);
      case "temper":
        return temperAsDone(state, step, i, context);
      case "run":
        return runAsDone(state, step, i, context);
      case "preheat":
      case "anneal":
      case "normalise":
        return step;
    }
  });
  const isSame = steps.every((step, i) => JSON.stringify(step) === JSON.stringify(route.steps[i]));
  const last = steps.findLastIndex(({ kind }) => kind === "quench");
  const [had, planned] = [steps[last], route.steps[last]];
  const isTimed = had?.kind === "quench" && planned?.kind === "quench" && had.transfer_s !== planned.transfer_s;
  return { route: isSame ? route : { ...route, steps }, heat, transfer_s: isTimed ? (had.transfer_s ?? null) : null, tap };
}
