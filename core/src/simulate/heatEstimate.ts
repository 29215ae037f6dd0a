/** Scattered checks fused into one temperature with an honest range; evidence that cannot be true together is said. */

import { InputError } from "../errors.js";
import {
  likelihoods,
  UNKNOWN_EYE,
  type BeliefContext,
  type EvidenceKind,
  type Eye,
  type HeatEvidence,
  type Likelihoods,
  type MagnetPoint,
} from "./heatBelief.js";
import { heatOfNode_C, NODES, STEP_K } from "./heatGrid.js";
import type { Drift } from "./movedSince.js";

export interface HeatQuestion {
  readonly evidence: readonly HeatEvidence[];
  readonly magnet: MagnetPoint;
  /** The heat the smith is after: checks are made about it. */
  readonly wanted_C?: number;
  readonly eye?: Eye;
  /** How it has moved since each reading; several, of the same weight, where that is not known: the readings in order tell. */
  readonly drift?: Drift | readonly Drift[];
  /** Heats between which the work may be done, C. */
  readonly window_C?: readonly [number, number];
  /** How much hotter than the place judged the other zones are, C. */
  readonly zones_C?: readonly number[];
}

export interface HeatConflict {
  /** The kind that does not fit the others; null when it cannot be told which. */
  readonly odd: EvidenceKind | null;
  /** The two that fit each other least. */
  readonly between: readonly [EvidenceKind, EvidenceKind];
  readonly reading: "high" | "low";
}

export interface HeatEstimate {
  readonly mean_C: number;
  readonly sd_C: number;
  readonly p05_C: number;
  readonly p95_C: number;
  readonly conflict: HeatConflict | null;
  /** Chance that every zone lies in the window; null without one. */
  readonly chanceInWindow: number | null;
  /** Chance of each heat of the grid, summing to 1: for drawing, with its ripples taken off. */
  readonly belief: Float64Array;
  /** The same by the looks alone: without the share for the newest being nonsense, so that no prior wins by that. */
  readonly asLooked: Float64Array;
}

/** Two kinds of evidence below this fit each other less than their slips would explain (judgement). */
const FIT = 0.06;

/**
 * Two touches of a magnet less likely than this, where the piece is thought to be, contradict each other: one of them was a slip. In
 * the change they scatter, so that one lets go and the next sticks two or three times in a hundred (judgement).
 */
const SCATTER = 0.015;

/** How well kinds of evidence can be true together: the best heat for all of them, 1 when it is the best for each. */
function fit(of: readonly Float64Array[]): number {
  let best = 0;
  for (let i = 0; i < NODES; i++)
    best = Math.max(
      best,
      of.reduce((product, likelihood) => product * likelihood[i]!, 1),
    );
  return best;
}

function meanOf(likelihood: Float64Array): number {
  let [sum, moment] = [0, 0];
  likelihood.forEach((w, i) => {
    sum = sum + w;
    moment = moment + w * heatOfNode_C(i);
  });
  return moment / sum;
}

function conflictOf({ found, touchPairs }: Likelihoods, belief: Float64Array): HeatConflict | null {
  const sum = belief.reduce((a, b) => a + b, 0);
  if (touchPairs().some((pair) => pair.reduce((chance, likely, i) => chance + likely * belief[i]!, 0) < SCATTER * sum))
    return { odd: "magnet", between: ["magnet", "magnet"], reading: "low" };
  const kinds = [...found.keys()];
  let worst: { readonly pair: readonly [EvidenceKind, EvidenceKind]; readonly fit: number } | null = null;
  for (const a of kinds) {
    for (const b of kinds) {
      if (a >= b) continue;
      const together = fit([found.get(a)!, found.get(b)!]);
      if (worst === null || together < worst.fit) worst = { pair: [a, b], fit: together };
    }
  }
  if (worst === null || worst.fit >= FIT) return null;
  // Left out one by one: the odd one is that without which the rest fits, if only one does so.
  const rest = kinds.map((kind) => ({ kind, fit: fit(kinds.filter((k) => k !== kind).map((k) => found.get(k)!)) }));
  const fitting = rest.filter((r) => worst.pair.includes(r.kind) && r.fit >= FIT);
  const odd = kinds.length > 2 && fitting.length === 1 ? fitting[0]!.kind : null;
  const [a, b] = worst.pair;
  const subject = odd ?? (worst.pair.includes("probe") ? "probe" : a);
  const other = subject === a ? b : a;
  return { odd, between: worst.pair, reading: meanOf(found.get(subject)!) > meanOf(found.get(other)!) ? "high" : "low" };
}

function quantile(belief: Float64Array, p: number): number {
  let below = 0;
  for (let i = 0; i < NODES; i++) {
    const next = below + belief[i]!;
    if (next >= p) return heatOfNode_C(i) + (belief[i]! > 0 ? ((p - below) / belief[i]! - 0.5) * STEP_K : 0);
    below = next;
  }
  return heatOfNode_C(NODES - 1);
}

/**
 * Where a piece is likely to be when it is checked: even from well short of the heat wanted to a little over it, falling off to
 * both sides (judgement: nobody checks cold steel, and who watches a piece takes it out), C.
 */
const SHORT_K = 150;
const SHORT_DECAY_C = 150;
const OVER_K = 60;
const OVER_SD_C = 60;
/** Heats of this work when nobody says which, C. */
const USUAL_C = 820;

function priorBelief(wanted_C = USUAL_C): Float64Array {
  return Float64Array.from({ length: NODES }, (_, i) => {
    const [short, over] = [wanted_C - SHORT_K - heatOfNode_C(i), heatOfNode_C(i) - wanted_C - OVER_K];
    if (short > 0) return Math.exp(-short / SHORT_DECAY_C);
    return over > 0 ? Math.exp(-0.5 * (over / OVER_SD_C) ** 2) : 1;
  });
}

/** What all ways of moving together leave of a belief, each by how well it explains the readings; and the way that does so best. */
function mixed(
  ways: readonly Likelihoods[],
  prior: Float64Array,
): { readonly belief: Float64Array; readonly best: Likelihoods; readonly byBest: Float64Array } {
  const most = Math.max(...ways.map(({ log }) => log));
  const belief = new Float64Array(NODES);
  let [best, byBest, bestSum] = [ways[0]!, belief, -1];
  for (const way of ways) {
    const weight = Math.exp(way.log - most);
    const own = prior.map((w) => w * weight);
    for (const likelihood of way.found.values()) for (let i = 0; i < NODES; i++) own[i]! *= likelihood[i]!;
    const sum = own.reduce((a, b) => a + b, 0);
    if (sum > bestSum) [best, byBest, bestSum] = [way, own, sum];
    for (let i = 0; i < NODES; i++) belief[i]! += own[i]!;
  }
  return { belief: ways.length > 1 ? smoothed(belief, SMOOTHINGS) : belief, best, byBest };
}

/** No fire is the same all over to better than this many steps of the grid: ways of moving that end at one heat leave no edge there. */
const SMOOTHINGS = 1;
/** For the eye more: no ripple of it means anything. */
const DRAWN_SMOOTHINGS = 8;

/** A belief with its edges taken off, by quarter, half and quarter. */
function smoothed(belief: Float64Array, times: number): Float64Array {
  let now = belief;
  for (let k = 0; k < times; k++) {
    now = now.map((w, i) => 0.25 * (now[i - 1] ?? w) + 0.5 * w + 0.25 * (now[i + 1] ?? w));
  }
  return now;
}

/** Nothing drifts when nobody says so. */
const STILL: Drift = { rate_K_s: 0, unsure: 0 };

/** Instruments that read a number; the others are senses. */
const READS: ReadonlySet<EvidenceKind> = new Set<EvidenceKind>(["probe", "infrared"]);
/** A look this old is no witness against the one just made, s (judgement: steel moves a hundred degrees in a minute). */
const FRESH_s = 60;

function ageOf(look: HeatEvidence): number {
  return look.kind === "time" ? Infinity : (look.age_s ?? 0);
}

/** The look that was made last; of several at once the last of them. Null where only the clock speaks. */
function newestOf(evidence: readonly HeatEvidence[]): HeatEvidence | null {
  return evidence.reduce<HeatEvidence | null>(
    (newest, look) => (look.kind !== "time" && (newest === null || ageOf(look) <= ageOf(newest)) ? look : newest),
    null,
  );
}

/** Each way of moving by the looks before the newest, and by that one at its word. */
interface Split {
  readonly before: Likelihoods;
  readonly own: Likelihoods;
}

/** How much of a belief lies where a look can be: about a half where both are the same bell one deviation apart. */
function agreement(belief: Float64Array, own: Float64Array): number {
  let [sum, all] = [0, 0];
  for (let i = 0; i < NODES; i++) {
    sum += belief[i]! * own[i]!;
    all += belief[i]!;
  }
  return sum / all;
}
const AGREES = 0.4;

/** What all looks together make of it, those before the newest counting to a power of their own. */
function weighedWays(splits: readonly Split[], prior: Float64Array, power: number): Float64Array {
  const logs = splits.map(({ before, own }) => power * before.log + own.log);
  const most = Math.max(...logs);
  const belief = new Float64Array(NODES);
  splits.forEach(({ before, own }, k) => {
    const weight = Math.exp(logs[k]! - most);
    for (let i = 0; i < NODES; i++) {
      let product = weight * prior[i]!;
      for (const likelihood of before.found.values()) product *= likelihood[i]! ** power;
      for (const likelihood of own.found.values()) product *= likelihood[i]!;
      belief[i]! += product;
    }
  });
  return belief;
}

/** Tried in their order until the newest look is shown within its own error: what came before it is never surer than that allows. */
const POWERS = [1, 0.4, 0.1, 0];

/** The newest look at its word, and as much of what was seen before as agrees with it. */
function asJustRead(splits: readonly Split[], prior: Float64Array): Float64Array {
  const alone = weighedWays(splits, prior, 0);
  const aloneMean_C = meanOf(alone);
  const aloneSd_K = sdOf(alone, aloneMean_C);
  for (const power of POWERS) {
    const belief = weighedWays(splits, prior, power);
    const mean_C = meanOf(belief);
    if (Number.isFinite(mean_C) && Math.abs(mean_C - aloneMean_C) <= aloneSd_K) return belief;
  }
  return alone;
}

function sdOf(belief: Float64Array, mean_C: number): number {
  let [sum, moment] = [0, 0];
  belief.forEach((w, i) => {
    sum += w;
    moment += w * (heatOfNode_C(i) - mean_C) ** 2;
  });
  return Math.sqrt(moment / sum);
}

/** What a kind of look weighs against others that it cannot be true beside: an instrument that reads a number more than a sense (judgement). */
function weightOf(kind: EvidenceKind): number {
  return READS.has(kind) ? 1.5 : 1;
}

/**
 * Whether a look cannot be, by the others of this minute and the way of moving that explains all best: those that speak against it weigh more
 * than it does with those that speak for it and against them. So two senses stand against a reading, and a reading against a sense.
 */
function cannotBe(newest: HeatEvidence, fresh: ReadonlySet<EvidenceKind>, { before, own }: Split): boolean {
  const at = own.found.get(newest.kind)!;
  const others = [...before.found].filter(([kind]) => kind !== newest.kind && kind !== "time" && fresh.has(kind));
  const against = others.filter(([, likelihood]) => fit([at, likelihood]) < FIT);
  const beside = others.filter(
    ([, likelihood]) => fit([at, likelihood]) >= FIT && against.some(([, other]) => fit([likelihood, other]) < FIT),
  );
  const weight = (of: typeof others): number => of.reduce((sum, [kind]) => sum + weightOf(kind), 0);
  return weight(against) > weightOf(newest.kind) + weight(beside);
}

/** How often the look that was just made is nonsense all the same: a range that leaves that out is too narrow (judgement). */
const NONSENSE = { reads: 1 / 30, senses: 1 / 20 } as const;

/** Two beliefs, the second as likely as a share. */
function mixedWith(belief: Float64Array, other: Float64Array, share: number): Float64Array {
  const [a, b] = [belief, other].map((of) => of.reduce((sum, w) => sum + w, 0)) as [number, number];
  return belief.map((w, i) => ((1 - share) * w) / a + (share * other[i]!) / b);
}

interface Looked {
  readonly evidence: readonly HeatEvidence[];
  readonly drifts: readonly Drift[];
  readonly contextOf: (way: Drift) => BeliefContext;
  readonly prior: Float64Array;
}

/** What is believed, and what of it the number is taken from: that leaves out that the look may be nonsense. */
interface Shown {
  readonly belief: Float64Array;
  readonly centre: Float64Array;
}

/** Whether a belief is where a look can be, and for one that reads within its own error. */
function agreesWith(belief: Float64Array, own: Float64Array, reads: boolean): boolean {
  if (agreement(belief, own) < AGREES) return false;
  const at_C = meanOf(own);
  return !reads || Math.abs(meanOf(belief) - at_C) <= sdOf(own, at_C);
}

/** What is shown after a look: all together where that agrees with it; else that look at its word; without it, where it cannot be. */
function asShown(
  { evidence, drifts, contextOf, prior }: Looked,
  { belief, best, isOdd }: { readonly belief: Float64Array; readonly best: Drift; readonly isOdd: boolean },
  newest: HeatEvidence,
): Shown {
  const before = evidence.filter((look) => look !== newest);
  const ownOf = (way: Drift): Likelihoods => likelihoods([newest], { ...contextOf(way), isAtItsWord: true });
  const reads = READS.has(newest.kind);
  const isAgreed = agreesWith(belief, ownOf(best).found.get(newest.kind)!, reads);
  const together = { belief, centre: belief };
  if (!isOdd && (isAgreed || !reads)) return together;
  const splits = drifts.map((way): Split => ({ before: likelihoods(before, contextOf(way)), own: ownOf(way) }));
  const fresh = new Set(before.filter((look) => ageOf(look) <= FRESH_s).map(({ kind }) => kind));
  const isOut = cannotBe(newest, fresh, splits[drifts.indexOf(best)]!);
  if (isAgreed && !isOut) return together;
  const without = mixed(
    splits.map((split) => split.before),
    prior,
  );
  const last = newestOf(before);
  if (isOut && last !== null)
    return asShown({ evidence: before, drifts, contextOf, prior }, { belief: without.belief, best, isOdd: false }, last);
  const smooth = (of: Float64Array): Float64Array => (drifts.length > 1 ? smoothed(of, SMOOTHINGS) : of);
  const centre = smooth(asJustRead(splits, prior));
  return { belief: mixedWith(centre, without.belief, reads ? NONSENSE.reads : NONSENSE.senses), centre };
}

/**
 * One temperature from all there is, by Bayes on a grid of 5 C, the heats about the one wanted being even beforehand.
 * Readings of a kind share its fault (the eye's bias, the probe's offset), so ten glances are not ten witnesses.
 *
 * The look that was just made is what is shown, within its own error: where all together would say otherwise it is taken at its word, and
 * what was seen before counts as far as it agrees. Only where it cannot be (two others of this minute speak against it, or a reading against
 * a sense) is it left out. Either way `conflict` says what does not fit.
 *
 * @param evidence oldest first where ages do not say
 * @throws InputError no-evidence; not-a-choice or inconsistent for a colour that is none or cannot be seen.
 * @source colour-note sections 1.4 and 3.3 (the eye), judgements beside the rest
 * @error docs/heat-estimate.md: 2000 simulated smiths; docs/hand.md
 */
export function estimateHeat({
  evidence,
  magnet,
  wanted_C,
  eye = UNKNOWN_EYE,
  drift = STILL,
  window_C,
  zones_C = [0],
}: HeatQuestion): HeatEstimate {
  if (evidence.length === 0)
    throw new InputError({ code: "no-evidence", path: "/evidence", message: "Nothing was seen, touched or read yet." });
  const drifts = "length" in drift ? drift : [drift];
  const contextOf = (way: Drift): BeliefContext => ({ eye, magnet, drift: way });
  const ways = drifts.map((way) => likelihoods(evidence, contextOf(way)));
  const prior = priorBelief(wanted_C);
  const all = mixed(ways, prior);
  const conflict = conflictOf(all.best, all.byBest);
  const newest = newestOf(evidence);
  const best = drifts[ways.indexOf(all.best)]!;
  const asked = { evidence, drifts, contextOf, prior };
  const shown =
    newest === null
      ? { belief: all.belief, centre: all.belief }
      : asShown(asked, { belief: all.belief, best, isOdd: conflict !== null }, newest);
  const sum = shown.belief.reduce((a, b) => a + b, 0);
  const belief = shown.belief.map((w) => w / sum);
  const mean_C = meanOf(shown.centre);
  const [coldest, hottest] = [Math.min(0, ...zones_C), Math.max(0, ...zones_C)];
  const isIn = (T: number): boolean => window_C !== undefined && T + coldest >= window_C[0] && T + hottest <= window_C[1];
  return {
    mean_C,
    sd_C: sdOf(belief, mean_C),
    p05_C: quantile(belief, 0.05),
    p95_C: quantile(belief, 0.95),
    conflict,
    chanceInWindow: window_C === undefined ? null : belief.reduce((total, w, i) => total + (isIn(heatOfNode_C(i)) ? w : 0), 0),
    belief: ways.length > 1 ? smoothed(belief, DRAWN_SMOOTHINGS) : belief,
    asLooked: shown.centre,
  };
}
