/** Verbs about a piece as it stands and what a shop learns: standing, learn. */

import { workingSection } from "../shape/bevel.js";
import type { LogEntry, SaidEntry } from "../schema/verbs.js";
import type { Section } from "../schema/parts.js";
import type { StraightenWindow } from "../simulate/hardenReadings.js";
import type { Estimate } from "../simulate/temperedPlace.js";
import { SCHOOL_HEATING } from "../plan/heating.js";
import { step16To17 } from "../migrate/book16To17.js";
import { bathOf, intoOf, lastOf_s } from "../plan/dips.js";
import type { Static } from "@sinclair/typebox";
import { requireBook } from "../book/exchange.js";
import { eyeErrors_K, learnEye } from "../book/eye.js";
import { piecesOf, type PieceState } from "../book/state.js";
import { CATALOGUE } from "../catalogue.js";
import { InputError } from "../errors.js";
import { resolveSteel, unknownIn } from "../plan/catalogue.js";
import { planRoute, structureBeforeHardening } from "../plan/route.js";
import type { Piece, Route, Step } from "../schema/book.js";
import { diagnose } from "../diagnose/diagnose.js";
import { againRoute } from "../diagnose/remedy.js";
import { factsOf, seenIn } from "../diagnose/facts.js";
import { requireAny } from "../schema/checkAll.js";
import type { ShopKnown } from "../schema/job.js";
import type { Kit } from "../schema/kit.js";
import type { VERB_SCHEMAS } from "../schema/verbs.js";
import type { Desk } from "../simulate/desk.js";
import { predict, type Prediction } from "../simulate/predict.js";
import { lessonOf, type Lesson } from "../simulate/lesson.js";
import { hardenPlanOf } from "../simulate/planOf.js";
import { simulate, type Reading } from "../simulate/simulate.js";
import { chanceOpen } from "../simulate/windowSpread.js";
import { shopOf } from "../standing/known.js";
import { habitsOf, learnedIn, shopLearned, teachersOf, type Taught } from "../standing/learn.js";
import { historyOf, runOf } from "../standing/logged.js";
import { standingQuestion, type Question } from "../standing/question.js";
import { CAUSE_ENGLISH, CHECK_ENGLISH, REMEDY_ENGLISH } from "./diagnoseEnglish.js";
import { saidNotices, type Said } from "./english.js";
import { startNamed } from "./route.js";
import { wayNamed } from "./wayNamed.js";

/** Into the oven within this of leaving the bath, s (common practice, no source). */
const TEMPER_WITHIN_s = 3600;
/** What is nearer to the plan than this is as planned: C, and a share of a time. */
const NEAR_K = 5;
const NEAR_SHARE = 0.1;

/** Steps of a route are taken with one bath and marks beside it too, as they were said before they were dips. */
function inDips(input: unknown): unknown {
  const { route } = (typeof input === "object" && input !== null ? input : {}) as { readonly route?: { readonly steps?: unknown } };
  if (!Array.isArray(route?.steps)) return input;
  return { ...(input as object), route: { ...route, steps: route.steps.map(step16To17) } };
}

function nowOf({ temperature_C, hardness_HRC, martensite, austenite }: Reading) {
  return { temperature_C, hrc: hardness_HRC, martensite, austenite };
}

type Told = (done: Step, plan: Step, end: string) => Said | null;

/** What of the log is not as planned, in a sentence each. */
const REASONS: readonly Told[] = [
  (done, plan, end) =>
    done.kind === "harden" && plan.kind === "harden" && Math.abs(done.temperature_C - plan.temperature_C) > NEAR_K
      ? {
          code: done.temperature_C > plan.temperature_C ? "heat-too-high" : "heat-too-low",
          message: `Heat ${Math.round(done.temperature_C)} C for ${Math.round(plan.temperature_C)}: ${end}.`,
        }
      : null,
  (done, plan, end) =>
    done.kind === "harden" && plan.kind === "harden" && done.hold_min < (1 - NEAR_SHARE) * plan.hold_min
      ? { code: "soak-too-short", message: `Held ${done.hold_min.toFixed(1)} min for ${plan.hold_min}: ${end}.` }
      : null,
  (done, _plan, end) =>
    done.kind === "quench" && done.transfer_s !== undefined && done.transfer_s > 3
      ? { code: "slow-transfer", message: `${done.transfer_s.toFixed(1)} s from fire to bath: ${end}.` }
      : null,
  (done, plan, end) =>
    done.kind === "quench" && plan.kind === "quench" && lastOf_s(plan) === null && (lastOf_s(done) ?? Infinity) < 10
      ? { code: "out-too-soon", message: `Out of the bath after ${lastOf_s(done)!.toFixed(1)} s: ${end}.` }
      : null,
  (done, plan, end) => {
    if (done.kind !== "quench" || plan.kind !== "quench") return null;
    const [was, is] = [intoOf(plan), intoOf(done)];
    const isSame = is.medium === was.medium;
    if (isSame && Math.abs(is.bath_C - was.bath_C) <= NEAR_K) return null;
    const code = isSame && is.bath_C < was.bath_C ? "cold-bath" : "other-bath";
    return { code, message: `Bath ${is.medium} at ${Math.round(is.bath_C)} C: ${end}.` };
  },
  (done, plan, end) =>
    done.kind === "temper" && plan.kind === "temper" && Math.abs(done.temperature_C - plan.temperature_C) > NEAR_K
      ? {
          code: done.temperature_C > plan.temperature_C ? "temper-too-hot" : "temper-too-cool",
          message: `Temper ${Math.round(done.temperature_C)} C for ${Math.round(plan.temperature_C)}: ${end}.`,
        }
      : null,
];

/** Of a heat that falls the seconds of its way begin at the pull; what is on its way yet is in no bath. */
function wayOfIt(falls: boolean, bathIn_s: number | undefined): string {
  if (bathIn_s === undefined) return falls ? "since the pull" : "out of the fire";
  return falls ? "from the pull to the bath" : "from fire to bath";
}

function becauseOf({ planned: plan, run, known }: Asked, was: Prediction, is: Prediction): Said[] {
  const done = run.route;
  const { fall, tests = [] } = known;
  const change = (place: "working" | "thickest"): string =>
    `${is[place].place} ${Math.round(is[place].tempered.mean_HRC)} HRC, planned ${Math.round(was[place].tempered.mean_HRC)}`;
  const [now, then] = [is.other, was.other];
  const other =
    now === null || then === null
      ? ""
      : `; ${now.end === "working" ? "working" : "other"} end ${Math.round(now.tempered.mean_HRC)} HRC, planned ${Math.round(then.tempered.mean_HRC)}`;
  const end = `${change("working")}; ${change("thickest")}${other}`;
  const falls = done.steps.findLast((step) => step.kind === "harden")?.fallTo_C !== undefined;
  const said = done.steps.flatMap((step, i) => {
    const planned = plan.steps[i];
    return planned === undefined ? [] : REASONS.flatMap((told) => told(step, planned, end) ?? []);
  });
  const way = said.findIndex(({ code }) => code === "slow-transfer");
  if (way >= 0) said[way] = { ...said[way]!, message: said[way]!.message.replace("from fire to bath", wayOfIt(falls, run.bathIn_s)) };
  const pull = was.hardening.firstPull_s;
  const hung_s = fall?.ended_s ?? 0;
  if (pull !== null && hung_s > pull.p95)
    said.push({
      code: "long-fall",
      message: `${hung_s.toFixed(0)} s in the air, its first pull at ${pull.p05.toFixed(0)} to ${pull.p95.toFixed(0)} s: ${end}.`,
    });
  if (tests.length > 0) said.push({ code: "tested", message: `${tests.length} ${tests.length === 1 ? "test" : "tests"} of it: ${end}.` });
  return said;
}

/** The log with what was put right of it, in the order it truly happened. The last word on an entry counts. @throws InputError inconsistent */
function putRight(entries: readonly SaidEntry[]): LogEntry[] {
  const true_s = new Map<number, number>();
  entries.forEach((entry, i) => {
    if (entry.act !== "correct") return;
    if (entry.entry >= i || entries[entry.entry]!.act === "correct") {
      const message = `/log/${i}/entry: ${entry.entry} is no entry before this one that can be put right`;
      throw new InputError({ code: "inconsistent", path: `/log/${i}/entry`, got: entry.entry, allowed: `0 to ${i - 1}`, message });
    }
    true_s.set(entry.entry, entry.at_s_true);
  });
  return entries
    .flatMap((entry, i): LogEntry[] => (entry.act === "correct" ? [] : [{ ...entry, at_s: true_s.get(i) ?? entry.at_s }]))
    .sort((a, b) => a.at_s - b.at_s);
}

/** A piece, its plan and its log, as standing and diagnose both have them. */
function askedOf(input: Static<(typeof VERB_SCHEMAS)["VerbStanding"]>) {
  const { steel, piece: told, start, use, school, kit = null, route: given, log: entries, now_s, ...said } = input;
  const { stations = [], ...shape } = told;
  const piece: Piece = { name: "Piece", mark: "1", steel: steel.toLowerCase(), start: startNamed(start), use, ...shape };
  entries.forEach(({ at_s }, i) => {
    const before = entries[i - 1]?.at_s ?? -Infinity;
    if (at_s >= before) return;
    const message = `/log/${i}/at_s: ${at_s} s comes after ${before} s; a log stands in the order it happened`;
    throw new InputError({ code: "inconsistent", path: `/log/${i}/at_s`, got: at_s, allowed: `${before} and later`, message });
  });
  const log = putRight(entries);
  const planned =
    given === undefined
      ? planRoute(CATALOGUE, piece, school, { way: wayNamed(said, piece.section), kit })
      : { heating: SCHOOL_HEATING[school], ...given };
  const plannedShop = shopOf(piece, planned, kit);
  const run = runOf(planned, log, now_s);
  const shop = { ...plannedShop, ...run.known.shop };
  const known = { ...run.known, ...(Object.keys(shop).length === 0 ? {} : { shop }) };
  return { piece, stations, planned, plannedShop, run, known, kit, log, now_s };
}

type Asked = ReturnType<typeof askedOf>;

/** What never comes is null on the command line. */
function finite(s: number): number | null {
  return Number.isFinite(s) ? s : null;
}

/** A window on the log's own clock: there is none before it went in. */
function windowSaid(straighten: StraightenWindow | null, into_s: number | undefined, now_s: number) {
  if (straighten === null || into_s === undefined) return null;
  const { from_s, to_s, end } = straighten;
  return {
    from_s: into_s + from_s,
    to_s: into_s + to_s,
    p05_s: finite(into_s + end.p05_s),
    p95_s: finite(into_s + end.p95_s),
    chanceOpen: chanceOpen(end, now_s - into_s),
  };
}

function hrcSaid({ mean_HRC, sd_HRC, p05_HRC, p95_HRC }: Estimate) {
  return { hrc: { mean: mean_HRC, sd: sd_HRC }, p05: p05_HRC, p95: p95_HRC };
}

export function standingVerb(input: unknown, desk: Desk) {
  const asked = askedOf(requireAny("VerbStanding", inDips(input)));
  const { piece, stations, planned, plannedShop, run, known, now_s } = asked;
  const is = predict(CATALOGUE, piece, run.route, "full", undefined, desk, known, stations);
  const was = predict(CATALOGUE, piece, planned, "full", undefined, desk, plannedShop === undefined ? {} : { shop: plannedShop });
  const nowIn = (section: Section) => {
    const there = { ...piece, section };
    const { end } = simulate({
      steel: resolveSteel(CATALOGUE, piece.steel),
      prior: structureBeforeHardening(piece, run.route.steps),
      section,
      history: historyOf(CATALOGUE, run, now_s, hardenPlanOf(CATALOGUE, there, run.route).end?.again ?? null),
    });
    return {
      surface: nowOf(end.surface),
      centre: nowOf(end.centre),
      ...(end.edge === null ? {} : { edge: nowOf(end.edge) }),
      ...(end.spine === null ? {} : { spine: nowOf(end.spine) }),
    };
  };
  const { straighten, handWarm_s, chanceHard } = is.hardening;
  const into_s = run.bathIn_s;
  const out_s = run.bathOut_s ?? into_s;
  const worst = is.weakest === null ? null : is.places[is.weakest]!;
  const { mean_HRC, sd_HRC, p05_HRC, p95_HRC } = (worst ?? is).working.tempered;
  const hard = is.failChance;
  return {
    now: {
      ...nowIn(workingSection(piece)),
      ...(stations.length === 0 ? {} : { stations: stations.map(({ at, section }) => ({ at, ...nowIn(section) })) }),
    },
    windows: {
      straighten: windowSaid(straighten, into_s, now_s),
      handWarm_s: into_s === undefined ? null : into_s + handWarm_s,
      ...(is.places.length === 0
        ? {}
        : {
            stations: is.places.map((place) => ({
              at: place.at,
              straighten: windowSaid(place.straighten, into_s, now_s),
              handWarm_s: into_s === undefined ? null : into_s + place.handWarm_s,
            })),
          }),
      temperBy_s: out_s === undefined || run.tempers.length > 0 ? null : out_s + TEMPER_WITHIN_s,
    },
    expected: {
      hrc: { mean: mean_HRC, sd: sd_HRC },
      p05: p05_HRC,
      p95: p95_HRC,
      chanceHard: worst === null ? (known.tests === undefined ? chanceHard.working : 1 - hard) : worst.chanceHard,
      ...(is.places.length === 0
        ? {}
        : { stations: is.places.map(({ at, working, chanceHard: chance }) => ({ at, ...hrcSaid(working.tempered), chanceHard: chance })) }),
      ...(is.mouth === null ? {} : { inFire: is.mouth }),
      ...(is.other === null || is.other.got_C === null ? {} : { firstEnd: { hrc: is.other.tempered.mean_HRC, got_C: is.other.got_C } }),
    },
    planned: {
      hrc: { mean: was.working.tempered.mean_HRC, sd: was.working.tempered.sd_HRC },
      chanceHard: was.hardening.chanceHard.working,
    },
    because: becauseOf(asked, was, is),
    notices: saidNotices(is.notices),
  };
}

/** How likely it hardens on another route, with what this try taught of bath and steel: as the card will have it once it is planned so. */
function chanceAgain(
  { piece, route, known }: Question,
  next: Route,
  { kit, plannedShop }: { readonly kit: Kit | null; readonly plannedShop: ShopKnown | undefined },
  desk: Desk,
): number {
  const taught: Taught = { id: piece.mark, at_ms: 0, lesson: lessonOf(CATALOGUE, piece, route, known, desk), transfer: null, heat: null };
  const shop = shopLearned(learnedIn(kit, [taught]), { medium: bathOf(next), steel: piece.steel }, plannedShop);
  return 1 - predict(CATALOGUE, piece, next, "full", undefined, desk, shop === undefined ? {} : { shop }).failChance;
}

/** Why a tested piece came out as it did, and what to do now. */
export function diagnoseVerb(input: unknown, desk: Desk) {
  const { piece, planned, plannedShop, run, known, kit, log, now_s } = askedOf(requireAny("VerbStanding", inDips(input)));
  const bathRead = log.findLast((entry) => entry.act === "bath-in")?.bath_C !== undefined;
  const firstTest_s = log.find(({ act, at_s }) => act === "test" && at_s >= (run.bathIn_s ?? 0))?.at_s ?? 0;
  const question = {
    piece,
    planned,
    route: run.route,
    known,
    ...seenIn(log, run.bathIn_s ?? -Infinity, now_s),
    facts: factsOf(run, bathRead, firstTest_s),
    baths: kit === null ? null : kit.flatMap((item) => (item.kind === "bath" ? [item.medium] : [])),
    attempts: run.route.steps.filter(({ kind }) => kind === "quench").length,
  };
  const { causes, next, remedy } = diagnose(CATALOGUE, question, desk);
  const chance =
    remedy.code === "harden-again" ? chanceAgain(question, againRoute(planned, remedy.changes), { kit, plannedShop }, desk) : null;
  return {
    causes: causes.map(({ cause, probability }) => ({ code: cause, probability, message: CAUSE_ENGLISH[cause] })),
    next: { check: next.check, message: CHECK_ENGLISH[next.check], tells: next.tells },
    remedy: { ...remedy, chance, message: REMEDY_ENGLISH[remedy.code] },
  };
}

/** Null for a piece of something not known here, or without a hardening: it teaches nothing. */
function lessonFrom(question: Question | null, desk: Desk): Lesson | null {
  if (question?.known.tests === undefined) return null;
  try {
    return lessonOf(CATALOGUE, question.piece, question.route, question.known, desk);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

/** What a book's finished pieces teach of its shop: the same as the kit shows. */
export function learnVerb(input: unknown, desk: Desk) {
  const book = requireBook(input);
  const pieces = piecesOf(book.events);
  const kit = book.kit ?? null;
  const eye = learnEye(pieces.filter((p) => p.piece.isPractice !== true).flatMap(({ checks }) => eyeErrors_K(checks)));
  const context = { catalogue: CATALOGUE, kit, eye };
  const teachers = pieces
    .filter((state) => unknownIn(CATALOGUE, state.piece, state.route).length === 0)
    .flatMap((state: PieceState) => teachersOf(state));
  const taught = teachers.map(({ state, at_ms }): Taught => ({
    id: state.id,
    at_ms,
    lesson: lessonFrom(standingQuestion(state, context), desk),
    ...habitsOf(state, context),
  }));
  return { factors: learnedIn(kit, taught) };
}
