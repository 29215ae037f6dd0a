/** A log as the command line has it, on its own clock: what was done of a route, the tests, and the section through it until now. */

import { backFirst, edgeDepth_mm, edgeSoDeep, intoOf, keepsHeat, lastFor, seconds, withInto, type Quench } from "../plan/dips.js";
import type { Route, Step } from "../schema/book.js";
import type { HistoryStep } from "../schema/history.js";
import type { FallSeen, Known } from "../schema/job.js";
import { ROOM_C } from "../constants.js";
import { USUAL_RISE_C_min } from "../simulate/simulate.js";
import { LIMITS } from "../schema/limits.js";
import type { Immersion } from "../schema/parts.js";
import type { LogEntry } from "../schema/verbs.js";
import type { Catalogue } from "../plan/catalogue.js";
import { READ_OVEN_K, timedWay } from "./known.js";
import { USUAL_TRANSFER_s } from "./learn.js";
import type { EndCooling } from "../simulate/endCooling.js";
import type { AnyMedium } from "../simulate/section.js";

/** A heat somebody said without saying how well, one deviation, K (judgement). */
const SAID_K = 10;

type Of<A extends LogEntry["act"]> = Extract<LogEntry, { act: A }>;

export interface Run {
  readonly route: Route;
  readonly known: Known;
  /** When the last hardening left the fire, met the bath and left it, s; undefined where the log does not say. */
  readonly fireIn_s: number | undefined;
  readonly heat_s: number | undefined;
  readonly fireOut_s: number | undefined;
  readonly bathIn_s: number | undefined;
  readonly bathOut_s: number | undefined;
  readonly tempers: readonly { readonly in_s: number; readonly out_s: number | undefined; readonly is_C: number }[];
}

function within(value: number, [least, most]: readonly [number, number]): number {
  return Math.min(most, Math.max(least, value));
}

function lastBefore<A extends LogEntry["act"]>(
  log: readonly LogEntry[],
  act: A,
  before_s = Infinity,
  after_s = -Infinity,
): Of<A> | undefined {
  return log.findLast((entry): entry is Of<A> => entry.act === act && entry.at_s <= before_s && entry.at_s >= after_s);
}

/** How long something was held, min: what nobody has ended yet lasts as planned, or longer where it is past that already. */
function held_min(
  from_s: number,
  until_s: number | undefined,
  now_s: number,
  planned_min: number,
  limits: readonly [number, number],
): number {
  const is_min = ((until_s ?? now_s) - from_s) / 60;
  return within(until_s === undefined ? Math.max(planned_min, is_min) : is_min, limits);
}

function heatDone(
  step: Extract<Step, { kind: "harden" }>,
  { heat_s, fireOut_s, bathIn_s }: Omit<Run, "route" | "known">,
  heat: Of<"heat"> | undefined,
  now_s: number,
): Step {
  // In the bath without a word of when it left the fire: nobody knows how long it was held.
  const isTold = heat_s !== undefined && (fireOut_s !== undefined || bathIn_s === undefined);
  return {
    ...step,
    temperature_C: heat === undefined ? step.temperature_C : within(heat.temperature_C, LIMITS.harden.temperature_C),
    hold_min: isTold ? held_min(heat_s, fireOut_s, now_s, step.hold_min, LIMITS.harden.hold_min) : step.hold_min,
  };
}

/** Seconds of what goes into one bath and out of it; null of what has more moves, or is drawn by what heat is left. */
function oneDip_s({ dips }: Quench): number | null {
  return dips.length === 1 ? seconds(dips[0]!) : null;
}

function quenchDone(
  step: Quench,
  { fireOut_s, bathIn_s, bathOut_s }: Omit<Run, "route" | "known">,
  into: Of<"bath-in"> | undefined,
  pull_s: number | undefined,
  now_s: number,
): Step {
  const left_s = pull_s ?? fireOut_s;
  // On its way yet it takes as planned, or longer where it is past that already.
  const isLate = left_s !== undefined && now_s - left_s > (step.transfer_s ?? USUAL_TRANSFER_s);
  const met_s = bathIn_s ?? (isLate ? now_s : undefined);
  const transfer_s = left_s === undefined || met_s === undefined ? undefined : met_s - left_s;
  const planned_s = oneDip_s(step);
  const isOver = bathIn_s !== undefined && planned_s !== null && now_s - bathIn_s > planned_s;
  const out_s = bathOut_s ?? (isOver ? now_s : undefined);
  const { medium, bath_C } = intoOf(step);
  const bathed = withInto(step, { medium: into?.medium ?? medium, bath_C: into?.bath_C ?? bath_C });
  const deep = into?.depth_mm === undefined ? bathed : edgeSoDeep(bathed, into.depth_mm);
  const isTimed = bathIn_s !== undefined && out_s !== undefined && !keepsHeat(step);
  return {
    ...(isTimed ? lastFor(deep, within(out_s - bathIn_s, LIMITS.quench.bath_s)) : deep),
    ...(transfer_s === undefined ? {} : { transfer_s: within(transfer_s, LIMITS.quench.transfer_s) }),
  };
}

/**
 * How a heat fell by its log, and when nobody waited any longer: at the last pull before the bath, or where nobody says so as it went in.
 * Null where it does not fall, or nothing is known of it.
 */
function fallOf(
  { steps }: Route,
  past: readonly LogEntry[],
  { fireOut_s, bathIn_s }: Omit<Run, "route" | "known">,
): { readonly seen: FallSeen; readonly end_s: number | undefined } | null {
  const heat = steps.findLast((step) => step.kind === "harden");
  if (heat?.kind !== "harden" || heat.fallTo_C === undefined || fireOut_s === undefined) return null;
  const touches = past.filter((entry): entry is Of<"magnet"> => {
    return entry.act === "magnet" && entry.at_s >= fireOut_s && entry.at_s <= (bathIn_s ?? Infinity);
  });
  const first = touches.find(({ state }) => state !== "free");
  const last = touches.findLast(({ state }) => state !== "free");
  const free = touches.findLast(({ state, at_s }) => state === "free" && at_s <= (first?.at_s ?? Infinity));
  const end_s = bathIn_s === undefined ? undefined : (last?.at_s ?? bathIn_s);
  if (touches.length === 0 && end_s === undefined) return null;
  return {
    seen: {
      free_s: free === undefined ? 0 : free.at_s - fireOut_s,
      pulls_s: first === undefined ? null : first.at_s - fireOut_s,
      ended_s: end_s === undefined ? null : end_s - fireOut_s,
    },
    end_s,
  };
}

/** What a log says was done of a route, in the place of what was planned. @param log in the order of its seconds */
export function runOf(route: Route, log: readonly LogEntry[], now_s: number): Run {
  const past = log.filter(({ at_s }) => at_s <= now_s);
  const into = lastBefore(past, "bath-in");
  const fireOut = lastBefore(past, "fire-out", into?.at_s);
  const fireIn = lastBefore(past, "fire-in", fireOut?.at_s ?? into?.at_s);
  const heat =
    fireIn === undefined ? lastBefore(past, "heat", into?.at_s) : lastBefore(past, "heat", fireOut?.at_s ?? into?.at_s, fireIn.at_s);
  const out = into === undefined ? undefined : past.find((entry) => entry.act === "bath-out" && entry.at_s >= into.at_s);
  const ovenIns = past.filter((entry): entry is Of<"oven-in"> => entry.act === "oven-in" && entry.at_s >= (into?.at_s ?? -Infinity));
  const tempers = ovenIns.map((entry) => ({
    in_s: entry.at_s,
    out_s: past.find(({ act, at_s }) => act === "oven-out" && at_s >= entry.at_s)?.at_s,
    is_C: within(entry.thermometer_C ?? entry.set_C, LIMITS.temper.temperature_C),
    isRead: entry.thermometer_C !== undefined,
  }));
  const times = {
    fireIn_s: fireIn?.at_s,
    heat_s: heat?.at_s,
    fireOut_s: fireOut?.at_s,
    bathIn_s: into?.at_s,
    bathOut_s: out?.at_s,
    tempers,
  };
  const lastHarden = route.steps.findLastIndex(({ kind }) => kind === "harden");
  const lastQuench = route.steps.findLastIndex(({ kind }) => kind === "quench");
  const fall = fallOf(route, past, times);
  let temper = 0;
  const steps = route.steps.map((step, i): Step => {
    if (i === lastHarden && step.kind === "harden") return heatDone(step, times, heat, now_s);
    if (i === lastQuench && step.kind === "quench") return quenchDone(step, times, into, fall?.end_s, now_s);
    if (step.kind !== "temper" || i < lastQuench) return step;
    const had = tempers[temper++];
    if (had === undefined) return step;
    return { ...step, temperature_C: had.is_C, hold_min: held_min(had.in_s, had.out_s, now_s, step.hold_min, LIMITS.temper.hold_min) };
  });
  // More tempers than were planned: they were done all the same.
  const lies = route.steps.findLast((step) => step.kind === "temper")?.in;
  const more = tempers.slice(temper).map(({ is_C, in_s, out_s }): Step => ({
    kind: "temper",
    ...(lies === undefined ? {} : { in: lies }),
    temperature_C: is_C,
    hold_min: within(((out_s ?? now_s) - in_s) / 60, LIMITS.temper.hold_min),
    why: "one-more-temper",
  }));
  const tests = past.flatMap((entry) =>
    entry.act === "test" && entry.at_s >= (into?.at_s ?? -Infinity)
      ? [{ tempers: tempers.filter(({ out_s }) => out_s !== undefined && out_s <= entry.at_s).length, test: testOf(entry) }]
      : [],
  );
  const quench = times.bathIn_s === undefined && times.fireOut_s === undefined ? undefined : steps[lastQuench];
  const shop = {
    ...(heat === undefined ? {} : { heat_K: { mean: 0, sd: heat.sd_C ?? SAID_K } }),
    ...(quench?.kind === "quench" && quench.transfer_s !== undefined ? timedWay(quench.transfer_s) : {}),
    ...(tempers.some(({ isRead }) => isRead) ? { oven_K: { mean: 0, sd: READ_OVEN_K } } : {}),
  };
  return {
    ...times,
    route: { ...route, steps: [...steps, ...more] },
    known: {
      ...(Object.keys(shop).length === 0 ? {} : { shop }),
      ...(fall === null ? {} : { fall: fall.seen }),
      ...(tests.length === 0 ? {} : { tests }),
    },
  };
}

function testOf({ files = [], rockwell, decarburised }: Of<"test">): NonNullable<Known["tests"]>[number]["test"] {
  return {
    strokes: files.map(({ hrc, result }) => ({ file_HRC: hrc, result })),
    readings_HRC: rockwell?.readings ?? [],
    ...(rockwell?.blockBias === undefined ? {} : { blockBias_HRC: rockwell.blockBias }),
    surface: decarburised === undefined ? "as-it-came" : decarburised ? "heated-long-unprotected" : "ground",
  };
}

/** An end that the heat left in its body warms again, from the bath on, for so long at most. */
function warmedAgain({ time_s, temperature_C }: NonNullable<EndCooling["again"]>, seconds: number): HistoryStep<AnyMedium>[] {
  const steps: HistoryStep<AnyMedium>[] = [];
  for (let i = 1; i < time_s.length && time_s[i - 1]! < seconds; i++) {
    const [from_C, to_C] = [temperature_C[i - 1]!, temperature_C[i]!];
    const lasts_s = time_s[i]! - time_s[i - 1]!;
    const share = Math.min(1, (seconds - time_s[i - 1]!) / lasts_s);
    const reached_C = from_C + share * (to_C - from_C);
    // Taken out at once its skin is colder than the end is on the whole: the first step brings it there, also where that falls already.
    if (to_C > from_C || i === 1) steps.push({ kind: "heat", to_C: reached_C, rise_min: (share * lasts_s) / 60, hold_min: 0 });
    else steps.push({ kind: "rate", rate_C_h: (3600 * (from_C - to_C)) / lasts_s, to_C: reached_C });
  }
  return steps;
}

/**
 * What the section of a piece went through in its last hardening and after it, until now.
 * @param again how the end of a bar warmed once it was out, by what was left in its body; null where nothing was
 */
export function historyOf(catalogue: Catalogue, run: Run, now_s: number, again: EndCooling["again"] = null): HistoryStep<AnyMedium>[] {
  const { fireIn_s, heat_s, fireOut_s, bathIn_s, bathOut_s, tempers } = run;
  const heat = run.route.steps.findLast((step) => step.kind === "harden");
  const quench = run.route.steps.findLast((step) => step.kind === "quench");
  if (heat?.kind !== "harden" || quench?.kind !== "quench") return [];
  const begun_s = fireIn_s ?? heat_s ?? fireOut_s ?? bathIn_s;
  if (begun_s === undefined || begun_s > now_s) return [];
  const air = catalogue.medium("still-air")!;
  const inAir = (seconds: number): HistoryStep<AnyMedium>[] =>
    seconds > 0 ? [{ kind: "cool", medium: air, bath_C: air.usualBath_C, time_s: seconds }] : [];
  const left_s = Math.min(now_s, fireOut_s ?? bathIn_s ?? now_s);
  // In the fire, and nobody said that it is at heat: as far as a usual rise has it, and no further than it is to come.
  if (heat_s === undefined && fireOut_s === undefined && bathIn_s === undefined) {
    const [since_min, whole_min] = [(now_s - begun_s) / 60, (heat.temperature_C - ROOM_C) / USUAL_RISE_C_min];
    const rise_min = Math.min(since_min, whole_min);
    return rise_min > 0 ? [{ kind: "heat", to_C: ROOM_C + USUAL_RISE_C_min * rise_min, rise_min, hold_min: since_min - rise_min }] : [];
  }
  const history: HistoryStep<AnyMedium>[] = [
    {
      kind: "heat",
      to_C: heat.temperature_C,
      ...(fireIn_s === undefined || heat_s === undefined ? {} : { rise_min: (heat_s - fireIn_s) / 60 }),
      hold_min: heat_s === undefined ? heat.hold_min : (left_s - heat_s) / 60,
    },
  ];
  // Of a heat that falls the step's own seconds begin at the pull.
  const own_s = heat.fallTo_C === undefined ? quench.transfer_s : undefined;
  if (fireOut_s !== undefined || bathIn_s !== undefined)
    history.push(...inAir(bathIn_s === undefined ? now_s - left_s : (own_s ?? bathIn_s - left_s)));
  if (bathIn_s === undefined) return history;
  const { bath_C, agitation, ...into } = intoOf(quench);
  const medium = catalogue.medium(into.medium)!;
  const under_s = Math.min(now_s, bathOut_s ?? now_s) - bathIn_s;
  const cool = (time_s: number, immersion?: Immersion): void => {
    if (time_s > 0) history.push({ kind: "cool", medium, bath_C, agitation, time_s, ...(immersion === undefined ? {} : { immersion }) });
  };
  const back = backFirst(quench);
  const back_s = back === null ? 0 : Math.min(under_s, seconds(back) ?? under_s);
  if (back !== null) cool(back_s, { kind: "back", depth_mm: back.depth_mm });
  const edge_mm = edgeDepth_mm(quench);
  cool(under_s - back_s, edge_mm === undefined ? undefined : { kind: "edge", depth_mm: edge_mm });
  let at_s = bathOut_s ?? now_s;
  if (again !== null && bathOut_s !== undefined) {
    // Until it was put into the oven, or its body is cold.
    const until_s = Math.min(now_s, tempers[0]?.in_s ?? Infinity, bathOut_s + again.time_s.at(-1)!);
    history.push(...warmedAgain(again, until_s - bathOut_s));
    at_s = Math.max(at_s, until_s);
  }
  for (const { in_s, out_s, is_C } of tempers) {
    history.push(...inAir(in_s - at_s));
    const end_s = Math.min(now_s, out_s ?? now_s);
    if (end_s > in_s) history.push({ kind: "chamber", chamber_C: is_C, time_min: (end_s - in_s) / 60 });
    at_s = end_s;
  }
  return [...history, ...inAir(now_s - at_s)];
}
