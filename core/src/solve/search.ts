/**
 * The search: coarse first, then about what is best, the whole ensemble last. Members are drawn with the same numbers for every hardening, so that two
 * are compared on the same luck. A hardening whose chance to harden at all is below what is found already is given no temper.
 */

import { temperatureForHardness } from "../kinetics/temper.js";
import { MEMBERS } from "../schema/job.js";
import { meanOf } from "../numerics/mixture.js";
import { hardenOf, quenchOf, tempersIn, type Domain, type Hardening } from "./domain.js";
import { tryHardening, tryTemper, wantedOf, type Asked, type Hardened, type Tried } from "./tried.js";
import { WAYS, worthOf, type WayName } from "./weights.js";

/** Members of a first look, and of a second. */
const FEW = 10;
const SOME = 24;
/** Heats of a first look lie so many steps of the grid apart, those of a second so many. */
const FIRST = 4;
/** Of the first look so many hardenings are looked about, and of all so many are run with the whole ensemble. */
const BEST = 3;
const WHOLE = 6;
/** A bath or a way through it that is so much worse than another at both ends of the heats is left, in worth. */
const OUT_OF_REACH = 0.2;
/** Where a part of the piece is under the whole section is worked out for each member: fewer of them are run whole. */
const WHOLE_OF_PART = 3;
/** Tempers are tried so far about the one that suits the mean, in such steps, then in single ones of the grid; K. */
const ABOUT_K = 80;
const COARSE_K = 20;
const FINE_K = 5;

type Score = (tried: Tried) => number;

/** The best of the tempers for a hardening by some score; each that was tried goes into `seen`. */
function bestTemper(asked: Asked, domain: Domain, hardened: Hardened, score: Score, seen: Map<string, Tried>): Tried {
  const wanted = wantedOf(asked);
  const planned = tempersIn(asked.route).length;
  const at = (wanted_C: number | null, count: number): Tried => {
    const temper_C = wanted_C === null ? null : domain.asSet(wanted_C);
    const key = `${temper_C} ${count}`;
    const found = seen.get(key) ?? tryTemper(asked, hardened, wanted, temper_C, count);
    seen.set(key, found);
    return found;
  };
  if (domain.tempers_C.length === 0) return at(null, planned);
  const { low_HRC, high_HRC } = wanted.find(({ place }) => place === "working")!;
  const { hold_min } = tempersIn(asked.route)[0]!;
  const [least_C, most_C] = [domain.tempers_C[0]!, domain.tempers_C.at(-1)!];
  const into = (T: number): number => Math.min(most_C, Math.max(least_C, FINE_K * Math.round(T / FINE_K)));
  const best = (tried: readonly Tried[]): Tried => tried.reduce((a, b) => (score(b) > score(a) ? b : a));
  const ofCount = (count: number): Tried => {
    const answer = temperatureForHardness({
      steel: hardened.plan.steel.temper,
      target_HRC: 0.5 * (low_HRC + high_HRC),
      holds_min: Array.from({ length: count }, () => hold_min),
      asQuenched_HRC: meanOf(hardened.working),
    });
    const middle_C = into(answer.outcome === "found" ? answer.temperature_C : least_C);
    const coarse = new Set<number>();
    for (let T = middle_C - ABOUT_K; T <= middle_C + ABOUT_K; T += COARSE_K) coarse.add(into(T));
    const first = best([...coarse].map((T) => at(T, count)));
    const fine = [-3, -2, -1, 1, 2, 3].map((k) => into(first.temper_C! + k * FINE_K));
    return best([first, ...fine.map((T) => at(T, count))]);
  };
  return best(domain.counts.map(ofCount));
}

/** A hardening with the temper that is the surest for it. */
export function bestOf(asked: Asked, domain: Domain, hardened: Hardened): Tried {
  return bestTemper(asked, domain, hardened, (tried) => worthOf(tried, "surest"), new Map());
}

export interface Searched {
  /** Every plan that was tried with the whole ensemble. */
  readonly whole: readonly Tried[];
  readonly hardenings: readonly Hardened[];
  /** As it was planned, with the whole ensemble. */
  readonly today: Tried;
}

const keyOf = ({ heat_C, hold_min, quench }: Hardening): string => JSON.stringify([heat_C, hold_min, quench.dips]);

/** @throws InputError as `predict`; GivenUp where nobody waits any more */
export function search(asked: Asked, domain: Domain): Searched {
  const scores = Object.fromEntries(WAYS.map((way) => [way, (tried: Tried) => worthOf(tried, way)])) as Record<WayName, Score>;
  const wanted = wantedOf(asked);
  const score = scores.surest;
  const ran = new Map<string, Tried>();
  const look = (hardening: Hardening, members: number, atLeast = -Infinity): Tried | null => {
    const key = `${members} ${keyOf(hardening)}`;
    const found = ran.get(key);
    if (found !== undefined) return found;
    asked.desk.letGo();
    const hardened = tryHardening(asked, hardening, members);
    // No temper lands more often than it hardens.
    if (hardened.chanceHard < atLeast) return null;
    const tried = bestTemper(asked, domain, hardened, score, new Map());
    ran.set(key, tried);
    return tried;
  };
  const { heats_C, holds_min, quenches } = domain;
  const now: Hardening = {
    heat_C: hardenOf(asked.route).temperature_C,
    hold_min: hardenOf(asked.route).hold_min,
    quench: quenchOf(asked.route),
  };
  const found: Tried[] = [];
  const best = (): number => Math.max(-Infinity, ...found.map(score));
  const keep = (tried: Tried | null): void => {
    if (tried !== null) found.push(tried);
  };
  // What comes nowhere near the others at the planned heat and at the hottest is not searched.
  const isOfPart = quenches.some(({ dips, clay }) => clay !== undefined || dips.some(({ under }) => under !== "all"));
  const atEnds = quenches.map((quench) => {
    const ends = [now.heat_C, heats_C.at(-1)!].map((heat_C) => look({ heat_C, hold_min: now.hold_min, quench }, FEW)!);
    ends.forEach(keep);
    return Math.max(...ends.map(score));
  });
  const near = quenches.filter((_, i) => atEnds[i]! >= Math.max(...atEnds) - OUT_OF_REACH);
  // First look: heats far apart, held as planned and as long as can be.
  const far = [...new Set([now.heat_C, ...heats_C.filter((_, i) => i % FIRST === 0), heats_C.at(-1)!])];
  const held = [...new Set([now.hold_min, holds_min.at(-1)!])];
  for (const quench of near) for (const heat_C of far) for (const hold_min of held) keep(look({ heat_C, hold_min, quench }, FEW, best()));
  // Then about the best of them, and about the best of each bath.
  const top = (n: number): Tried[] => [...found].sort((a, b) => score(b) - score(a)).slice(0, n);
  const ofEach = near.map((quench) => top(found.length).find(({ hardened }) => hardened.hardening.quench === quench)!);
  const starts = new Map(
    [...top(isOfPart ? 1 : BEST), ...(isOfPart ? [] : ofEach)].map((tried) => [keyOf(tried.hardened.hardening), tried]),
  );
  for (const { hardened } of starts.values()) {
    const { heat_C, hold_min, quench } = hardened.hardening;
    const [i, k] = [heats_C.indexOf(heat_C), holds_min.indexOf(hold_min)];
    for (const di of [-2, 0, 2]) {
      for (const dk of [-1, 0, 1]) {
        const [heat, hold] = [heats_C[i + di], holds_min[k + dk]];
        if (heat !== undefined && hold !== undefined) keep(look({ heat_C: heat, hold_min: hold, quench }, isOfPart ? FEW : SOME, best()));
      }
    }
  }
  // The whole ensemble for the best, each with its tempers by every way; and one step of the grid about the very best.
  const whole: Tried[] = [];
  const hardenings = new Map<string, Hardened>();
  const runWhole = (hardening: Hardening): void => {
    const key = keyOf(hardening);
    if (hardenings.has(key)) return;
    asked.desk.letGo();
    const hardened = tryHardening(asked, hardening, MEMBERS);
    hardenings.set(key, hardened);
    const seen = new Map<string, Tried>();
    for (const way of WAYS) bestTemper(asked, domain, hardened, scores[way], seen);
    whole.push(...seen.values());
  };
  const finalists = new Map(top(3 * WHOLE).map(({ hardened: { hardening } }) => [keyOf(hardening), hardening]));
  [...finalists.values()].slice(0, isOfPart ? WHOLE_OF_PART : WHOLE).forEach(runWhole);
  runWhole(now);
  const { heat_C, hold_min, quench } = whole.reduce((a, b) => (score(b) > score(a) ? b : a)).hardened.hardening;
  const i = heats_C.indexOf(heat_C);
  for (const di of isOfPart ? [] : [-1, 1]) if (heats_C[i + di] !== undefined) runWhole({ heat_C: heats_C[i + di]!, hold_min, quench });
  const today = tryTemper(asked, hardenings.get(keyOf(now))!, wanted, null, tempersIn(asked.route).length);
  return { whole: [...whole, today], hardenings: [...hardenings.values()], today };
}
