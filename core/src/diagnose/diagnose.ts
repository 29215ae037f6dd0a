/**
 * Why a piece came out as it did: each cause is weighed by how well pieces simulated with it explain everything that was tested of this
 * one. What the log itself holds against the plan (a short hold, a slow way to the bath) is no guess: there it is asked which of it made
 * the difference, by putting each right in turn.
 */

import { intoOf, lastFor, lastOf_s, withInto } from "../plan/dips.js";
import { HAND_WARM_C } from "../constants.js";
import { testDone } from "../evidence/storedTest.js";
import { SKIN_CHANCE } from "../evidence/belief.js";
import { testSays, type TestDone } from "../evidence/verdict.js";
import { breakSays } from "../kinetics/grain.js";
import { learnedFrom, type Likelihood } from "../evidence/weigh.js";
import type { Bell } from "../numerics/mixture.js";
import type { Catalogue } from "../plan/catalogue.js";
import { targetOf } from "../plan/route.js";
import type { BreakLook, Piece, Route, Step } from "../schema/book.js";
import type { Cause } from "../schema/job.js";
import { BARE_DESK, type Desk } from "../simulate/desk.js";
import { gather, membersOf } from "../simulate/hardenSpread.js";
import { hardenPlanOf, tempersOf } from "../simulate/planOf.js";
import { thicker } from "../simulate/section.js";
import { lawAbout } from "../simulate/temperedPlace.js";
import { suspectsOf, type Asked, type Faulty } from "./causes.js";
import { afterFinding, isAnswerOf, nextCheck, type Check } from "./check.js";
import { remedyFor, type Remedy } from "./remedy.js";

export interface Ranked {
  readonly cause: Cause;
  readonly probability: number;
}

export interface Diagnosis {
  /** Likeliest first; together 1. */
  readonly causes: readonly Ranked[];
  /** What would tell the top two apart. */
  readonly next: Check;
  readonly remedy: Remedy;
}

export interface DiagnoseQuestion extends Asked {
  readonly baths: readonly string[] | null;
  readonly attempts: number;
}

/** Pieces simulated for each fault: enough to tell a point from five, and no more. */
const MEMBERS_EACH = 8;
/** Anything happens once in so many pieces: no cause is ever impossible. */
const ANYTHING = 1e-4;
/** A difference no file finds, HRC. */
const UNFELT_HRC = 1.5;

/** One test, as it bears on a simulated piece. */
interface Test {
  readonly done: TestDone;
  readonly tempers: number;
  readonly wasHot: boolean;
  readonly wasCold: boolean;
}

interface Seen {
  readonly tests: readonly Test[];
  readonly breaks: readonly BreakLook[];
}

/** A piece with a fault, simulated: its working place as quenched, and what its tempers make of it. */
interface Simulated {
  readonly bells: readonly Bell[];
  readonly chanceHard: number;
  readonly grains: readonly number[];
  readonly after: (tempers: number) => Bell[];
}

function simulated(
  catalogue: Catalogue,
  { piece, route, shop, fall }: Pick<Faulty, "piece" | "route" | "shop" | "fall">,
  desk: Desk,
): Simulated {
  const plan = hardenPlanOf(catalogue, piece, route, { ...(shop === undefined ? {} : { shop }), ...(fall === undefined ? {} : { fall }) });
  const members = membersOf(plan, MEMBERS_EACH, { desk });
  const { bells, chanceHard } = gather(members);
  const place = piece.section.shape === "wedge" ? "edge" : "surface";
  const working = bells[place];
  const tempers = tempersOf(plan, route);
  return {
    bells: working,
    chanceHard: chanceHard[place],
    grains: members.map(({ astmGrain }) => astmGrain),
    after: (count) => {
      const law = lawAbout(working, { ...tempers, cycles: tempers.cycles.slice(0, count) });
      return working.map(({ mean, sd, weight = 1, drawn, shop: own }) => ({
        weight,
        mean: law.at(mean, drawn, own),
        sd: Math.hypot(law.perPoint * sd, law.oven_HRC, law.law_HRC),
      }));
    },
  };
}

/** How well such a piece explains every test and break; what feels soft without being so is felt softer, until it is cold. */
function explains(of: Simulated, { tests, breaks }: Seen, { skin_HRC = 0, early_HRC = 0 }: Pick<Faulty, "skin_HRC" | "early_HRC">): number {
  const each = tests.map(({ done, tempers, wasCold }) => {
    const says = testSays(done, skin_HRC > 0 && done.surface !== "ground" ? 1 : 0);
    const felt: Likelihood | null = says === null ? null : (H) => says(H - (tempers === 0 && !wasCold ? early_HRC : 0));
    return felt === null ? null : of.after(tempers).map((bell) => learnedFrom(bell, felt).explains);
  });
  const members = of.bells.map(({ weight = 1 }, i) => each.reduce((product, one) => product * (one?.[i] ?? 1), weight));
  const broken = breaks.map((look) => of.grains.reduce((sum, grain) => sum + breakSays(look, grain), 0) / of.grains.length);
  return broken.reduce((product, one) => product * one, ANYTHING + members.reduce((a, b) => a + b, 0) / members.length);
}

function meanAfter(of: Simulated, tempers: number): number {
  const bells = of.after(tempers);
  return bells.reduce((sum, { mean, weight = 1 }) => sum + weight * mean, 0) / bells.length;
}

function temperOf({ steps }: Route, i: number, otherwise_C: number): number {
  const step = steps[i];
  return step?.kind === "temper" ? step.temperature_C : otherwise_C;
}

/** What the log holds against the plan: each as the route would have been with it put right. */
function putRight({
  planned,
  route,
  facts,
}: Pick<Asked, "planned" | "route" | "facts">): { readonly cause: Cause; readonly route: Route }[] {
  const found: { cause: Cause; route: Route }[] = [];
  route.steps.forEach((is, i) => {
    const was = planned.steps[i];
    if (was === undefined) return;
    const right = (cause: Cause, step: Step): void =>
      void found.push({ cause, route: { ...route, steps: route.steps.map((other, k) => (k === i ? step : other)) } });
    if (is.kind === "harden" && was.kind === "harden") {
      if (is.temperature_C !== was.temperature_C)
        right(is.temperature_C < was.temperature_C ? "heat-too-low" : "heat-too-high", { ...is, temperature_C: was.temperature_C });
      if (is.hold_min < was.hold_min) right("soak-too-short", { ...is, hold_min: was.hold_min });
    } else if (is.kind === "quench" && was.kind === "quench") {
      const { bath_C } = intoOf(was);
      if (intoOf(is).bath_C < bath_C) right("cold-bath", withInto(is, { bath_C }));
      if (lastOf_s(is) !== null && lastOf_s(was) === null) right("out-too-soon", lastFor(is, null));
      const { transfer_s, ...usual } = is;
      if (transfer_s !== undefined && was.transfer_s === undefined) right("slow-transfer", usual);
    }
  });
  // All tempers together: the hottest does most of it. Set as planned and read otherwise, it is the oven; where nobody read it, it was set so.
  const isHotter = route.steps.some((is, i) => is.kind === "temper" && is.temperature_C > temperOf(planned, i, is.temperature_C));
  if (isHotter) {
    const steps = route.steps.map((is, i): Step =>
      is.kind === "temper" ? { ...is, temperature_C: Math.min(is.temperature_C, temperOf(planned, i, is.temperature_C)) } : is,
    );
    found.push({ cause: facts.includes("oven") ? "oven-wrong" : "temper-too-hot", route: { ...route, steps } });
  }
  return found;
}

/** The share of each logged fault in what a piece came out softer by; of the plan itself where nothing else made a difference. */
function madeOf(catalogue: Catalogue, asked: Asked, done: Simulated, tempers: number, desk: Desk): Map<Cause, number> {
  const { piece, planned, known } = asked;
  const shares = new Map<Cause, number>();
  const is_HRC = meanAfter(done, tempers);
  const gain = (of: { readonly piece?: Piece; readonly route: Route }): number =>
    Math.max(0, meanAfter(simulated(catalogue, { piece, shop: known.shop, fall: known.fall, ...of }, desk), tempers) - is_HRC);
  let all = 0;
  for (const { cause, route } of putRight(asked)) {
    const more = gain({ route });
    if (more < UNFELT_HRC) continue;
    shares.set(cause, (shares.get(cause) ?? 0) + more);
    all += more;
  }
  // As planned, and half as thick: what the plan itself could not reach.
  const plan = simulated(catalogue, { piece, route: planned, shop: known.shop }, desk);
  const { section } = piece;
  const thin = simulated(catalogue, { piece: { ...piece, section: thicker(section, 0.5) }, route: planned, shop: known.shop }, desk);
  const tooThick = Math.max(0, meanAfter(thin, tempers) - meanAfter(plan, tempers)) * (1 - plan.chanceHard);
  if (tooThick >= UNFELT_HRC) {
    shares.set("too-thick", tooThick);
    all += tooThick;
  }
  const asPlanned = UNFELT_HRC;
  shares.set("as-planned", asPlanned);
  all += asPlanned;
  for (const [cause, share] of shares) shares.set(cause, share / all);
  return shares;
}

function testsOf({ piece, known }: Asked): Test[] {
  return (known.tests ?? []).map(({ test, tempers }) => {
    const { piece_C, ...done } = testDone(test, piece.section);
    const wasHot = piece_C !== undefined && piece_C > HAND_WARM_C;
    return { done, tempers, wasHot, wasCold: piece_C !== undefined && !wasHot };
  });
}

/** What the tests of a working place say together, HRC: the mean of what explains them, where nothing else is known. */
function felt_HRC(tests: readonly Test[]): number {
  const last = tests.findLast(({ wasHot }) => !wasHot) ?? tests[tests.length - 1]!;
  const says = testSays(last.done);
  return says === null ? NaN : learnedFrom({ mean: 50, sd: 12 }, says).mean;
}

/**
 * @throws InputError missing where nothing was tested; as `predict`
 * @source temper-note section 4 for the tests; how often each fault happens is judgement (causes.ts)
 */
export function diagnose(catalogue: Catalogue, question: DiagnoseQuestion, desk: Desk = BARE_DESK): Diagnosis {
  const { piece, route, known } = question;
  const tests = testsOf(question);
  const seen = { tests, breaks: question.breaks };
  const files = tests.filter(({ done }) => done.strokes.length > 0);
  const skinChance = files.length === 0 ? 0 : Math.max(...files.map(({ done }) => SKIN_CHANCE[done.surface]));
  const suspects = suspectsOf(
    catalogue,
    question,
    tests.some(({ wasHot }) => wasHot),
    skinChance,
  );
  const done = simulated(catalogue, { piece, route, shop: known.shop, fall: known.fall }, desk);
  const weights = new Map<Cause, number>();
  const add = (cause: Cause, weight: number): void => void weights.set(cause, (weights.get(cause) ?? 0) + weight);
  for (const { cause, prior, pieces } of suspects) {
    desk.letGo();
    const likelihood = pieces.reduce((sum, faulty) => {
      const of = faulty.skin_HRC === undefined && faulty.early_HRC === undefined ? simulated(catalogue, faulty, desk) : done;
      return sum + faulty.weight * explains(of, seen, faulty);
    }, 0);
    add(cause, prior * likelihood);
  }
  const left = Math.max(0.2, 1 - suspects.reduce((sum, { prior }) => sum + prior, 0));
  const asLogged = left * explains(done, seen, {});
  const tempers = tests.at(-1)?.tempers ?? 0;
  const planned_HRC = meanAfter(simulated(catalogue, { piece, route: question.planned, shop: known.shop }, desk), 0);
  for (const [cause, share] of madeOf(catalogue, question, done, tempers, desk)) add(cause, asLogged * share);
  const findings = question.findings.filter(isAnswerOf);
  const sum = [...weights.values()].reduce((a, b) => a + b, 0);
  const tested = [...weights].map(([cause, weight]) => ({ cause, probability: weight / sum }));
  const causes = findings.reduce(afterFinding, tested).sort((a, b) => b.probability - a.probability);
  return {
    causes,
    next: nextCheck(causes, findings, question.breaks.length > 0),
    remedy: remedyFor(catalogue, question, causes, {
      felt_HRC: felt_HRC(tests),
      target: targetOf(catalogue, piece),
      hasTemper: tempers > 0,
      planned_HRC,
    }),
  };
}
