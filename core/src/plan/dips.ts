/**
 * A quench is a list of dips. What a list is, which bath is meant, what is under, by turns or one after the other, and when the next move
 * is due: the one place that says so. Pure.
 */

import { MOST_DIPS, type Dip, type Into, type Step } from "../schema/book.js";

export type Quench = Extract<Step, { kind: "quench" }>;
export type EndName = "working" | "other";
type Dips = Pick<Quench, "dips">;
type Deep = Exclude<Dip, { under: "all" }>;

/** Of the bath it goes into first. */
export function intoOf({ dips }: Dips): Into {
  return dips[0]!.into;
}

/** The bath of a route's last quench, by its id; "" of a route without one. */
export function bathOf({ steps }: { readonly steps: readonly Step[] }): string {
  const quench = steps.findLast((step): step is Quench => step.kind === "quench");
  return quench === undefined ? "" : intoOf(quench).medium;
}

/** How long a dip is planned for, s; null until it is cold, or for what is watched. */
export function seconds({ until }: Dip): number | null {
  return until.is === "seconds" ? until.s : null;
}

/** How long it is in the bath it leaves last, s; null until it is cold, and of two ends by turns, which have no last. */
export function lastOf_s(quench: Dips): number | null {
  return turnsOf(quench) === null ? seconds(quench.dips.at(-1)!) : null;
}

/** Which end a dip is of; null of what is none. */
export function endOf(dip: Dip): { readonly end: EndName; readonly depth_mm: number } | null {
  if (dip.under === "end") return { end: "working", depth_mm: dip.depth_mm };
  return dip.under === "other-end" ? { end: "other", depth_mm: dip.depth_mm } : null;
}

/** The end that goes in, of two the one that goes in first; null where no end goes in by itself. */
export function endUnder({ dips }: Dips): ReturnType<typeof endOf> {
  return endOf(dips[0]!);
}

/** The first two dips of two ends that go by turns; null where they do not. */
export function turnsOf({ dips }: Dips): readonly [first: Deep, second: Deep] | null {
  const [first, second] = dips as [Dip, Dip | undefined];
  if (second === undefined || endOf(first) === null || endOf(second) === null || first.under === second.under) return null;
  return [first, second] as [Deep, Deep];
}

/** How deep its edge goes, mm, in whichever dip that is; undefined where no dip is of the edge alone. */
export function edgeDepth_mm({ dips }: Dips): number | undefined {
  const dip = dips.find((one) => one.under === "edge");
  return dip?.under === "edge" ? dip.depth_mm : undefined;
}

/** The dip of a back that goes in before all else; null where none does. */
export function backFirst({ dips }: Dips): (Dip & { readonly under: "back" }) | null {
  const first = dips[0]!;
  return first.under === "back" ? first : null;
}

/** What follows the first dip where one follows, and not the other end's. */
export function secondDip(quench: Dips): Dip | null {
  return turnsOf(quench) === null ? (quench.dips[1] ?? null) : null;
}

/** Out while its body is hot. */
export function keepsHeat({ dips }: Dips): boolean {
  return dips.some(({ until }) => until.is === "keeps-heat");
}

/** Edge first, its length across the tank: what is dipped by its edge, and a blade that is laid in whole. */
export function isLaid({ dips }: Dips): boolean {
  return dips.some((dip) => dip.under === "edge" || (dip.under === "all" && dip.laid === true));
}

/** Every bath it goes into, in order, none twice. */
export function mediaOf({ dips }: Dips): readonly string[] {
  return [...new Set(dips.map(({ into }) => into.medium))];
}

/** How much of a piece goes into a bath: all of it, or an edge, a back or an end so deep. */
export type Under = { readonly what: "whole" } | { readonly what: "edge" | "back" | "end"; readonly depth_mm: number };

/** What is hardened by it: of a blade that goes in with its back first, the edge. */
export function underOf(quench: Dips): Under {
  const end = endUnder(quench);
  if (end !== null) return { what: "end", depth_mm: end.depth_mm };
  const depth_mm = edgeDepth_mm(quench);
  return depth_mm === undefined ? { what: "whole" } : { what: "edge", depth_mm };
}

/** The turns of two ends that go on as they began; null of two that go in once each, and of one. */
function goingOn(quench: Dips): ReturnType<typeof turnsOf> {
  return quench.dips.length > 2 ? turnsOf(quench) : null;
}

/** The dip it is in after so many changes: two ends by turns go on as they began. */
export function dipAfter(quench: Dips, changed: number): Dip {
  const turns = goingOn(quench);
  return turns === null ? quench.dips[Math.min(changed, quench.dips.length - 1)]! : turns[changed % 2]!;
}

/** What ends the dip it is in after so many changes: changed over, or out. */
export function moveAfter(quench: Dips, changed: number): "over" | "out" {
  return goingOn(quench) !== null || changed < quench.dips.length - 1 ? "over" : "out";
}

/** In seconds, or until it is as cold as the bath. */
export function lasting(s: number | null | undefined): Dip["until"] {
  return s === null || s === undefined ? { is: "cold" } : { is: "seconds", s };
}

/** The same with what is said of the bath it goes into first, wherever that one is meant. */
export function withInto<Q extends Dips>(quench: Q, change: Partial<Into>): Q {
  const { medium, bath } = intoOf(quench);
  const dips = quench.dips.map((dip) =>
    dip.into.medium === medium && dip.into.bath === bath ? { ...dip, into: { ...dip.into, ...change } } : dip,
  );
  return { ...quench, dips };
}

/** The same in another bath, wherever its first is meant: which tank of the kit that was says nothing of it. */
export function inOtherBath<Q extends Dips>(quench: Q, bath: Pick<Into, "medium" | "bath_C">): Q {
  const { medium, bath: tank } = intoOf(quench);
  const dips = quench.dips.map((dip): Dip => {
    const { agitation } = dip.into;
    const isMeant = dip.into.medium === medium && dip.into.bath === tank;
    return isMeant ? { ...dip, into: { medium: bath.medium, bath_C: bath.bath_C, agitation } } : dip;
  });
  return { ...quench, dips };
}

/** The same, its last dip so long; null until it is cold. Two ends by turns have no last. */
export function lastFor<Q extends Dips>(quench: Q, s: number | null): Q {
  if (turnsOf(quench) !== null) return quench;
  const last = quench.dips.length - 1;
  return { ...quench, dips: quench.dips.map((dip, i) => (i === last ? { ...dip, until: lasting(s) } : dip)) };
}

/** All of it in one bath until it is cold. @param laid of a blade: edge first, its length across the tank */
export function allUnder(into: Into, laid = false): Dip[] {
  return [{ under: "all", ...(laid ? { laid } : {}), into, until: { is: "cold" } }];
}

/** The edge alone, until it is cold. */
export function edgeUnder(into: Into, depth_mm: number): Dip[] {
  return [{ under: "edge", depth_mm, into, until: { is: "cold" } }];
}

/** One end alone, until it is cold. */
export function endIn(into: Into, end: EndName, depth_mm: number): Dip[] {
  return [{ under: end === "working" ? "end" : "other-end", depth_mm, into, until: { is: "cold" } }];
}

/** The same with its edge so deep: of what goes in whole, the edge alone. */
export function edgeSoDeep<Q extends Dips>(quench: Q, depth_mm: number): Q {
  const isTold = quench.dips.some(({ under }) => under === "edge");
  const dips = quench.dips.map((dip, i): Dip => {
    if (dip.under === "edge") return { ...dip, depth_mm };
    return !isTold && i === 0 && dip.under === "all" ? { under: "edge", depth_mm, into: dip.into, until: dip.until } : dip;
  });
  return { ...quench, dips };
}

export interface Turns {
  readonly end: EndName;
  readonly depth_mm: number;
  readonly first_s: number;
  readonly otherDepth_mm: number;
  readonly second_s: number;
}

/** Two ends by turns out of one heat, as often as is counted: by then both are dark, and are left in until they are cold. */
export function byTurns(into: Into, { end, depth_mm, first_s, otherDepth_mm, second_s }: Turns): Dip[] {
  const [one, other] = end === "working" ? (["end", "other-end"] as const) : (["other-end", "end"] as const);
  return Array.from({ length: MOST_DIPS }, (_, i): Dip => {
    const isLast = i >= MOST_DIPS - 2;
    return i % 2 === 0
      ? { under: one, depth_mm, into, until: lasting(isLast ? null : first_s) }
      : { under: other, depth_mm: otherDepth_mm, into, until: lasting(isLast ? null : second_s) };
  });
}

/** Of two ends by turns: the same with one end so long each time, wherever that is timed, or so deep; its baths stay. */
export function turnWith<Q extends Dips>(quench: Q, which: 0 | 1, change: { readonly s?: number; readonly depth_mm?: number }): Q {
  const under = turnsOf(quench)?.[which].under;
  const dips = quench.dips.map((dip): Dip => {
    if (dip.under === "all" || dip.under !== under) return dip;
    const until = change.s === undefined || dip.until.is !== "seconds" ? dip.until : lasting(change.s);
    return { ...dip, depth_mm: change.depth_mm ?? dip.depth_mm, until };
  });
  return { ...quench, dips };
}

/** What `byTurns` was made from; null of a quench that is none. */
export function turnsSaid(quench: Dips): Turns | null {
  const turns = turnsOf(quench);
  if (turns === null) return null;
  const [first, second] = turns;
  return {
    end: endOf(first)!.end,
    depth_mm: first.depth_mm,
    first_s: seconds(first) ?? 0,
    otherDepth_mm: second.depth_mm,
    second_s: seconds(second) ?? 0,
  };
}
