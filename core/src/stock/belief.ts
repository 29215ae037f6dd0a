/**
 * What a bar is believed to be: members weighed by how well each explains what was seen of it (Bayes). Where hardly any is left, they are drawn anew
 * about the grades that are, so that what is told never rests on a handful.
 */

import { filesSay, SKIN_CHANCE, type FileStroke, type Surface } from "../evidence/belief.js";
import { TESTER } from "../hand/instruments.js";
import type { Composition } from "../kinetics/composition.js";
import { Bench, type Treated } from "./bench.js";
import { looksSay, type Looks } from "./looks.js";
import { drawMembers, type Member } from "./members.js";
import { priorOf, type SourceId } from "./sources.js";

/** A coupon: how it was treated, and what was found on it. */
export interface Coupon extends Treated {
  /** Where it was filed or tested: at its skin, or in the middle of its break. */
  readonly at?: "surface" | "middle";
  readonly files?: readonly FileStroke[];
  readonly hrc?: number;
  /** Of its break, ASTM number. */
  readonly astmGrain?: number;
  readonly surface?: Surface;
  /** How far its heat may be off, one deviation, K. */
  readonly heat_K?: number;
}

export interface Seen {
  readonly source: SourceId;
  readonly looks?: Looks;
  readonly certificate?: Partial<Composition>;
  readonly coupons: readonly Coupon[];
}

/** A heat by eye is off by so much, one deviation, K (as in the ensemble of an eye); it is taken there and one and a half of it either way. */
const EYE_K = 15;
const HEATS = [
  [-1.5, 0.2],
  [0, 0.6],
  [1.5, 0.2],
] as const;
/** What the core says of a place is right to so much, HRC; taken at so many deviations, each so likely. */
const MODEL_HRC = 1.8;
const NODES: readonly number[] = [-1.6, -0.8, 0, 0.8, 1.6];
const NODE_WEIGHTS = NODES.map((z) => Math.exp(-0.5 * z * z));
const ALL_NODES = NODE_WEIGHTS.reduce((sum, w) => sum + w, 0);
/** A break is read to so much, ASTM numbers. */
const GRAIN_SD = 1.4;
/** Now and then something is not as it was logged: another coupon, another bar. */
const MIXED_UP = 0.01;

function normalAt(x: number, sd: number): number {
  return Math.exp(-0.5 * (x / sd) ** 2) / sd;
}

/** How well a hardness explains what was found on a coupon. */
function foundSays({ files = [], hrc, surface = "ground" }: Coupon): (H: number) => number {
  const says = filesSay(files, SKIN_CHANCE[surface]);
  return (H) => says(H) * (hrc === undefined ? 1 : 0.02 + 0.98 * normalAt(hrc - H, TESTER.sd));
}

/** How well a member explains a coupon, its heat in doubt. */
export function couponSays(bench: Bench, member: Member, coupon: Coupon): number {
  const { heat_C, heat_K = EYE_K, hold_min, prior = "pearlite", astmGrain, at = "surface" } = coupon;
  const says = foundSays(coupon);
  const sum = HEATS.reduce((all, [z, share]) => {
    const treated: Coupon = { ...coupon, heat_C: 5 * Math.round((heat_C + z * heat_K) / 5) };
    const { hrc } = bench.harden(member, treated, at === "middle" ? "centre" : "surface");
    const found = NODES.reduce((chance, node, i) => chance + (NODE_WEIGHTS[i]! / ALL_NODES) * says(hrc + MODEL_HRC * node), 0);
    const grain =
      astmGrain === undefined
        ? 1
        : normalAt(bench.dissolvedIn(member, treated.heat_C, hold_min, prior).austenite.astmGrain - astmGrain, GRAIN_SD) + 0.02;
    return all + share * found * grain;
  }, 0);
  return (1 - MIXED_UP) * sum + MIXED_UP * 0.05;
}

export interface Belief {
  readonly members: readonly Member[];
  /** Of each, summing to 1. */
  readonly weights: readonly number[];
  readonly bench: Bench;
  /** Two coupons that can hardly both be true, by their places; null where there are none. */
  readonly clash: readonly [number, number] | null;
}

/** As shares of their sum. */
export function normalised(weights: readonly number[]): number[] {
  const all = weights.reduce((sum, w) => sum + w, 0);
  return all > 0 ? weights.map((w) => w / all) : weights.map(() => 1 / weights.length);
}

/** As many equal members would tell as much. */
export function effective(weights: readonly number[]): number {
  return 1 / weights.reduce((sum, w) => sum + w * w, 0);
}

/** Chance of each grade. */
export function gradeChances(members: readonly Member[], weights: readonly number[]): Map<string, number> {
  const chances = new Map<string, number>();
  members.forEach(({ grade }, i) => chances.set(grade, (chances.get(grade) ?? 0) + weights[i]!));
  return chances;
}

/** With fewer than so many left, they are drawn anew; so much of it as before, for what was ruled out by chance. */
const TOO_FEW = 250;
const AS_BEFORE = 0.2;
/** After the one coupon what the other found is so much less likely than without it: they can hardly both be true. */
const CLASH = 0.2;

interface Weighed {
  readonly members: readonly Member[];
  readonly bench: Bench;
  /** Before any coupon, and how well each explains each coupon. */
  readonly before: readonly number[];
  readonly each: readonly (readonly number[])[];
  readonly weights: readonly number[];
}

function weighed(members: readonly Member[], { looks = {}, coupons }: Seen): Weighed {
  const bench = new Bench(members);
  const before = normalised(members.map((member) => member.weight * looksSay(member.steel, looks)));
  const each = coupons.map((coupon) => members.map((member) => couponSays(bench, member, coupon)));
  const weights = normalised(before.map((w, i) => each.reduce((product, own) => product * own[i]!, w)));
  return { members, bench, before, each, weights };
}

/** How likely what was found on a coupon is once others are known, as a share of how likely it is at its best. */
function clashOf({ before, each }: Weighed): readonly [number, number] | null {
  const mean = (of: readonly number[], by: readonly number[]): number => {
    const all = by.reduce((sum, w) => sum + w, 0);
    return of.reduce((sum, x, i) => sum + x * by[i]!, 0) / all;
  };
  let worst: { pair: readonly [number, number]; share: number } | null = null;
  for (let a = 0; a < each.length; a++) {
    for (let b = a + 1; b < each.length; b++) {
      const alone = mean(each[b]!, before);
      const after = mean(
        each[b]!,
        before.map((w, i) => w * each[a]![i]!),
      );
      const share = after / Math.max(alone, 1e-12);
      if (share < CLASH && (worst === null || share < worst.share)) worst = { pair: [a, b], share };
    }
  }
  return worst?.pair ?? null;
}

/** @throws InputError bath-hotter-than-steel */
export function believe(seen: Seen): Belief {
  const prior = priorOf(seen.source);
  let found = weighed(drawMembers(prior, prior, seen.certificate ?? null), seen);
  for (let look = 0; look < 2 && seen.certificate === undefined && effective(found.weights) < TOO_FEW; look++) {
    const now = gradeChances(found.members, found.weights);
    const drawnBy = new Map([...prior].map(([grade, share]) => [grade, AS_BEFORE * share + (1 - AS_BEFORE) * (now.get(grade) ?? 0)]));
    found = weighed(drawMembers(prior, drawnBy), seen);
  }
  return { members: found.members, weights: found.weights, bench: found.bench, clash: clashOf(found) };
}

/** Mean, deviation and quantiles of values by the weights of a belief. */
export function spreadOf(values: readonly number[], weights: readonly number[]) {
  const mean = values.reduce((sum, x, i) => sum + x * weights[i]!, 0);
  const sd = Math.sqrt(values.reduce((sum, x, i) => sum + weights[i]! * (x - mean) ** 2, 0));
  const order = values.map((x, i) => [x, weights[i]!] as const).sort((a, b) => a[0] - b[0]);
  const at = (p: number): number => {
    let sum = 0;
    for (const [x, w] of order) {
      sum += w;
      if (sum >= p) return x;
    }
    return order.at(-1)![0];
  };
  return { mean, sd, p05: at(0.05), p50: at(0.5), p95: at(0.95) };
}
