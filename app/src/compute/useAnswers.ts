/** Computed answers for React: cached by the question, never computed twice, the last answer shown until the next is there. */

import {
  CATALOGUE,
  bathOf,
  bathTimes,
  betterForWish,
  firesTook_s,
  hardeningFrom,
  kitOf,
  knownFrom_ms,
  lateNow_ms,
  missedWish,
  plannedQuestion,
  risesOf,
  standingQuestion,
  stepTimes_s,
  testsThatCount,
  wayOf,
  whyQuestion,
  zoneReports,
  type BetterBath,
  type BetterWish,
  type ColourRun,
  type Diagnosed,
  type Diagnosis,
  type Effort,
  type Job,
  type Kit,
  type PatternTried,
  type Piece,
  type Pin,
  type PieceState,
  type Prediction,
  type Question,
  type Route,
  type RunLog,
  type Heating,
  type SectionPicture,
  type Solved,
  type Track,
  type WarmUp,
  type WarmUpQuestion,
  type WhatIf,
} from "@tembrak/core";
import { keepPreviousData, useQueries, useQuery, useQueryClient, type UseQueryResult } from "@tanstack/react-query";
import { useMemo } from "react";
import { usePieceTime } from "../store/pieceClock.js";
import { useClocked, useKit, useSettings } from "../store/useStore.js";
import { unknownOf } from "../words/unknownWords.js";
import { movedWords, type Underway } from "../words/standingWords.js";
import { ask, poolSize } from "./client.js";
import { ensembleOf, hardeningOf, isEnsembleThere } from "./ensembles.js";
import { useFactorsFor } from "./LearnProvider.js";
import { useHeatContext } from "./useHeatContext.js";

/** What an answer is kept under. */
export function keyOf(job: Job | null): readonly unknown[] {
  return ["result", job === null ? null : JSON.stringify(job)];
}

/** The same question has the same answer for good. */
export const ONCE = { staleTime: Infinity, retry: false, structuralSharing: false, placeholderData: keepPreviousData } as const;

function predictionOf(question: Question | null, effort: Effort): Extract<Job, { kind: "predict" }> | null {
  return question === null ? null : { kind: "predict", ...question, effort };
}

/** What a question comes to. Nothing is asked where there is none. A newer question ends an older one. */
export function usePrediction(question: Question | null, effort: Effort = "full"): UseQueryResult<Prediction> {
  const job = predictionOf(question, effort);
  return useQuery({ queryKey: keyOf(job), queryFn: ({ signal }) => predictBeside(job!, signal), enabled: job !== null, ...ONCE });
}

/** Several at once; null until all of them are there. */
export function usePredictions(questions: readonly Question[], effort: Effort): readonly Prediction[] | null {
  return useQueries({
    queries: questions.map((question) => {
      const job = predictionOf(question, effort);
      return { queryKey: keyOf(job), queryFn: ({ signal }: { signal: AbortSignal }) => predictBeside(job!, signal), ...ONCE };
    }),
    combine: (all) => (all.every(({ data }) => data !== undefined) ? all.map(({ data }) => data!) : null),
  });
}

/** What a plan nobody has begun comes to in this shop, by what it had taught before then. */
export function usePlanned(
  piece: Piece | undefined,
  route: Route | null | undefined,
  effort: Effort = "full",
  before_ms = Infinity,
): UseQueryResult<Prediction> {
  const { kit } = useHeatContext();
  const factors = useFactorsFor(piece, before_ms);
  const question = useMemo(
    () => (piece && route ? plannedQuestion({ piece }, route, { kit, factors }) : null),
    [piece, route, kit, factors],
  );
  return usePrediction(question, effort);
}

/** A bath that hardens a piece as surely as this is not looked past. */
const SURE_CHANCE = 0.9;
/** With a chance below this a way of heating that has no margin is not offered (judgement). */
const FAIR_CHANCE = 0.5;

/** Whether a way to judge a heat is fair to a piece: falling heat goes in at its last moment, and many steels are too quick for it. */
export function isFair({ by }: Heating, prediction: Prediction | undefined): boolean {
  return by !== "pull" || prediction === undefined || prediction.hardening.chanceHard.working >= FAIR_CHANCE;
}

const LATE_LOOKS_ms = 5000;

/** Until when a hold or temper that nobody has ended has outlasted its plan. */
function useLate(state: PieceState): number | null {
  const timeOf = usePieceTime(state);
  return useClocked(LATE_LOOKS_ms, (wall_ms) => lateNow_ms(state, timeOf(wall_ms)));
}

/**
 * The state of a piece as a question: what was done of it, what its tests said, what the kit can, and what is planned from here.
 * @param isLive false for what runs on to count as planned
 */
export function useQuestion(state: PieceState, isWanted = true, isLive = true): Question | null {
  const context = useHeatContext();
  const factors = useFactorsFor(state.piece, knownFrom_ms(state));
  const late_ms = useLate(state);
  const now_ms = isLive ? late_ms : null;
  return useMemo(
    () => (!isWanted || unknownOf(state).length > 0 ? null : standingQuestion(state, { ...context, factors, now_ms })),
    [state, context, factors, now_ms, isWanted],
  );
}

/** The same as if what runs on now were still within its plan. */
export function useAsPlannedYet(state: PieceState, isWanted: boolean): Prediction | undefined {
  return usePrediction(useQuestion(state, isWanted, false), "quick").data;
}

function untested(question: Question | null): Question | null {
  if (question?.known.tests === undefined) return question;
  const { shop, fall } = question.known;
  return { ...question, known: { ...(shop === undefined ? {} : { shop }), ...(fall === undefined ? {} : { fall }) } };
}

/** What a piece that stands there is and will be, by all that is known of it: the one answer of every screen. */
export function useStanding(state: PieceState): UseQueryResult<Prediction> {
  return usePrediction(useQuestion(state));
}

/**
 * The same where seconds count: the coarse answer until the full one is there. Windows to straighten and to hold are those of the case
 * as done, and a coarse grid has them to a second.
 */
export function useStandingSoon(state: PieceState, isWanted = true): Prediction | undefined {
  return useStandingOrOld(state, isWanted).data;
}

/** The same, and nothing while what there is answers an earlier tap: a window of a bath that it has left is none. */
export function useStandingOfNow(state: PieceState, isWanted = true): Prediction | undefined {
  const { data, isOfNow } = useStandingOrOld(state, isWanted);
  return isOfNow ? data : undefined;
}

function useStandingOrOld(state: PieceState, isWanted: boolean): { readonly data: Prediction | undefined; readonly isOfNow: boolean } {
  const question = useQuestion(state, isWanted);
  const isThere = useQueryClient().getQueryData(keyOf(predictionOf(question, "full"))) !== undefined;
  const isFarOff = !isThere && question !== null && !isEnsembleThere(question);
  const soon = usePrediction(isFarOff ? question : null, "quick");
  const full = usePrediction(question);
  const isOld = full.data === undefined || full.isPlaceholderData;
  const isSoon = isOld && soon.data !== undefined && !soon.isPlaceholderData;
  return { data: isSoon ? soon.data : full.data, isOfNow: isSoon || !isOld };
}

/** The same before any of its tests: what the model expected of what was done. Asked once it is known how the piece stands, and where it is wanted. */
export function useExpected(state: PieceState, isWanted = true): UseQueryResult<Prediction> {
  const question = useQuestion(state);
  const isThere = usePrediction(question).data !== undefined;
  return usePrediction(useMemo(() => (isThere && isWanted ? untested(question) : null), [isThere, isWanted, question]));
}

/** Null where nothing runs on. */
function underwayOf(state: PieceState): Underway | null {
  const { next } = state;
  if (next?.kind === "hold") return { step: next.step, is: "held", moves: 0 };
  if (next?.kind === "temper") return { step: next.step, is: "tempered", moves: 0 };
  if (next?.kind !== "quench") return null;
  const { in_ms, over_ms, out_ms } = bathTimes(state, next.step);
  if (in_ms === null) return { step: next.step, is: "on its way", moves: 0 };
  return out_ms === null ? { step: next.step, is: "in its bath", moves: over_ms.length } : null;
}

/** In one sentence what moved a piece from its plan; null where nothing did, or it is not worked out yet. */
export function useMoved(state: PieceState): string | null {
  const units = useSettings();
  const question = useQuestion(state);
  const done = useExpected(state);
  const found = useStanding(state);
  // The plan's own outcome is only compared with: it comes last.
  const planned = usePlanned(done.data === undefined ? undefined : state.piece, state.route, "full", knownFrom_ms(state)).data;
  // The last answer is still shown while the new one is worked out: of another route it is.
  if (question === null || state.route === null || planned === undefined || done.data === undefined || done.isPlaceholderData) return null;
  const { route, known } = question;
  const isTested = testsThatCount(state).length > 0;
  const { steel } = state.piece;
  const found_HRC = isTested ? found.data?.working.tempered.mean_HRC : undefined;
  return movedWords(
    { found_HRC, planned, done: done.data, plan: state.route, route, fall: known.fall, steel, isTested, underway: underwayOf(state) },
    units,
  );
}

/** Into the page's own timeline, for whoever measures it: the first of each name only. */
function mark(name: string): void {
  if (performance.getEntriesByName(name).length === 0) performance.mark(name);
}

/** The case as planned and its ensemble side by side, then the rest with both in hand: in the worker that ran the case. */
async function predictBeside(job: Extract<Job, { kind: "predict" }>, signal: AbortSignal): Promise<Prediction> {
  const { piece, route, known = {}, effort } = job;
  const about = hardeningOf(job);
  if (effort === "quick") return ask<"predict">(job, { signal, about, isSoonest: true });
  const options = { signal, about, isFirst: true };
  mark("verdict asked");
  const isNew = poolSize() > 1 && !isEnsembleThere(job);
  const nominal = isNew ? ask<"nominal">({ kind: "nominal", piece, route, known }, options) : null;
  const [members] = await Promise.all([ensembleOf(job, signal), nominal]);
  const prediction = await ask<"predict">({ ...job, members: [...members] }, options);
  mark("verdict answered");
  return prediction;
}

interface Picture extends Question {
  readonly effort: Effort;
}

/** The whole field of the section at a station; null for where it was measured. */
export function useSectionPicture({ piece, route, known, effort }: Picture, station: number | null): UseQueryResult<SectionPicture> {
  const job = { kind: "section", piece, route, known, station, effort } as const;
  return useQuery({ queryKey: keyOf(job), queryFn: ({ signal }) => pictureBeside(job, signal), ...ONCE });
}

/** The section that was measured has the spread of the verdict; any other has its own. */
async function pictureBeside(job: Extract<Job, { kind: "section" }>, signal: AbortSignal): Promise<SectionPicture> {
  const { station, effort } = job;
  const about = hardeningOf(job);
  if (effort === "quick" || station !== null) return ask<"section">(job, { signal, about: `at ${station} ${about}` });
  const members = await ensembleOf(job, signal);
  return ask<"section">({ ...job, members: [...members] }, { signal, about });
}

/** Sections at many stations, each in the next free worker; those that are there so far. */
export function useStations(
  { piece, route, known, effort }: Picture,
  stations: readonly number[],
  isWanted: boolean,
): (SectionPicture | undefined)[] {
  return useQueries({
    queries: stations.map((station) => {
      const job = { kind: "section", piece, route, known, station, effort } as const;
      return {
        queryKey: keyOf(job),
        queryFn: ({ signal }: { signal: AbortSignal }) => pictureBeside(job, signal),
        enabled: isWanted,
        ...ONCE,
      };
    }),
    combine: (results) => results.map(({ data }) => data),
  });
}

/** A piece whose own heat did not do is drawn by what was brought to it. */
function heatedRoute({ route }: PieceState, isHeated: boolean): Route | null {
  if (route === null || !isHeated) return route;
  const steps = route.steps.map((step) =>
    step.kind === "run" && step.source === "residual" ? { ...step, source: "torch" as const } : step,
  );
  return { ...route, steps };
}

/** When each colour comes to the edge of a run; nothing is asked of a route without one. */
export function useColourRun(state: PieceState, { dip_s, began_ms, off_ms, fresh_s, isHeated }: RunLog): UseQueryResult<ColourRun> {
  const { piece } = state;
  const route = heatedRoute(state, isHeated);
  const tenths = (s: number): number => Math.max(0.2, Math.round(10 * s) / 10);
  const job =
    route === null
      ? null
      : ({
          kind: "colour-run",
          piece,
          route,
          ...(dip_s === null ? {} : { dip_s: tenths(dip_s) }),
          ...(began_ms === null || off_ms === null ? {} : { heats_s: tenths((off_ms - began_ms) / 1000) }),
          ...(fresh_s.length === 0 ? {} : { fresh_s: fresh_s.map(tenths) }),
        } as const);
  return useQuery({
    queryKey: keyOf(job),
    queryFn: ({ signal }) => ask<"colour-run">(job!, { signal, isFirst: true }),
    enabled: job !== null,
    ...ONCE,
  });
}

/** The piece in a fire, zone by zone. Nothing is asked while nobody knows how it went in. */
export function useWarmUp(question: WarmUpQuestion | null): UseQueryResult<WarmUp> {
  const job = question === null ? null : ({ kind: "warm-up", ...question } as const);
  return useQuery({ queryKey: keyOf(job), queryFn: ({ signal }) => ask<"warm-up">(job!, { signal }), enabled: job !== null, ...ONCE });
}

/**
 * How long each step of a piece's route, as planned or as done, took by the log, or takes in this shop, s; null where its fire does not bring it there, or while it is worked out.
 * @param isWanted false while something else is wanted first.
 */
export function useStepTimes(state: PieceState, route: Route | null, isWanted = true): readonly (number | null)[] {
  const { piece } = state;
  const { kit } = useHeatContext();
  const questions = useMemo(() => (route === null ? [] : risesOf(piece, route, kit)), [piece, route, kit]);
  const rises = useQueries({
    queries: questions.map((question) => {
      const job = question === null ? null : ({ kind: "warm-up", ...question } as const);
      return {
        queryKey: keyOf(job),
        queryFn: ({ signal }: { signal: AbortSignal }) => ask<"warm-up">(job!, { signal }),
        enabled: isWanted && job !== null,
        staleTime: Infinity,
        retry: false,
      };
    }),
  });
  return route === null
    ? []
    : stepTimes_s(
        piece,
        route,
        rises.map(({ data }) => data),
        firesTook_s(state),
      );
}

/** Where nobody said what the shop has. */
const COMMON_MEDIA: readonly string[] = CATALOGUE.media.flatMap(({ id, isCommon }) => (isCommon === true ? [id] : []));
/** More baths than these are not compared at a glance. */
const MOST_BATHS = 4;

/** The liquids of the kit, that of the plan first among them; those that a shop may have, where nobody said. */
export function bathsOf(kit: Kit | null, route: Route): readonly string[] {
  const planned = bathOf(route);
  const own = kit === null ? [] : kitOf(kit, "bath").map(({ medium }) => medium);
  if (own.length === 0) return COMMON_MEDIA;
  return [...new Set([...(own.includes(planned) ? [planned] : []), ...own])].slice(0, MOST_BATHS);
}

/** Other baths of the kit beside the planned one, where that is in doubt; nothing is asked where it is not, or where there is one bath only. */
export function useBetterBath(question: Question | null, prediction: Prediction | undefined): BetterBath | undefined {
  const kit = useKit() ?? null;
  const media = kit === null ? [] : [...new Set(kitOf(kit, "bath").map(({ medium }) => medium))];
  const isInDoubt = prediction !== undefined && prediction.hardening.chanceHard.working < SURE_CHANCE;
  const job = question === null || !isInDoubt || media.length < 2 ? null : ({ kind: "better-bath", ...question, media } as const);
  const { data, isPlaceholderData } = useQuery({
    queryKey: keyOf(job),
    queryFn: ({ signal }) => ask<"better-bath">(job!, { signal }),
    enabled: job !== null,
    ...ONCE,
  });
  return job === null || isPlaceholderData ? undefined : data;
}

/** Every way through one bath of a route, with what comes of each. */
export function usePatterns(piece: Piece, route: Route, index: number): UseQueryResult<readonly PatternTried[]> {
  const { kit } = useHeatContext();
  const factors = useFactorsFor(piece, Infinity);
  const question = plannedQuestion({ piece }, route, { kit, factors });
  const media = kit === null ? undefined : [...new Set(kitOf(kit, "bath").map(({ medium }) => medium))];
  const job = { kind: "patterns", piece, route, index, known: question.known, ...(media === undefined ? {} : { media }) } as const;
  return useQuery({ queryKey: keyOf(job), queryFn: ({ signal }) => ask<"patterns">(job, { signal, isFirst: true }), ...ONCE });
}

/** The plan of a piece worked out, around what is to stay; undefined until it is. Asked after what the screen itself shows. */
export function useSolved(
  piece: Piece,
  route: Route,
  pins: readonly Pin[],
  { isAsked = true, isBrief = false }: { readonly isAsked?: boolean; readonly isBrief?: boolean } = {},
): UseQueryResult<Solved> {
  const { kit } = useHeatContext();
  const factors = useFactorsFor(piece, Infinity);
  const { temperature: unit } = useSettings();
  const { known } = plannedQuestion({ piece }, route, { kit, factors });
  const job: Extract<Job, { kind: "solve" }> = {
    kind: "solve",
    piece,
    route,
    known,
    kit: kit === null ? null : [...kit],
    pins: [...pins],
    ...(isBrief ? { isBrief } : {}),
    ...(unit === "C" ? {} : { unit }),
  };
  return useQuery({ queryKey: keyOf(job), queryFn: ({ signal }) => ask<"solve">(job, { signal }), enabled: isAsked, ...ONCE });
}

/** Another way through the bath where the plan misses a wish; nothing is asked where it misses none. */
export function useBetterForWish(question: Question | null, prediction: Prediction | undefined): BetterWish | null {
  const { kit } = useHeatContext();
  const media = kit === null ? undefined : [...new Set(kitOf(kit, "bath").map(({ medium }) => medium))];
  const from = question === null ? 0 : hardeningFrom(question.route);
  const quenches = question?.route.steps.flatMap(({ kind }, i) => (kind === "quench" && i >= from ? [i] : [])) ?? [];
  const index = quenches.length === 1 ? quenches[0]! : null;
  const isMissed =
    question !== null &&
    prediction !== undefined &&
    missedWish(zoneReports(question.piece, prediction, wayOf(question.route).hardens)) !== null;
  const job =
    !isMissed || index === null ? null : ({ kind: "patterns", ...question, index, ...(media === undefined ? {} : { media }) } as const);
  const { data, isPlaceholderData } = useQuery({
    queryKey: keyOf(job),
    queryFn: ({ signal }) => ask<"patterns">(job!, { signal }),
    enabled: job !== null,
    ...ONCE,
  });
  if (job === null || data === undefined || isPlaceholderData) return null;
  return betterForWish(job.piece, job.route, job.index, data, prediction!.target);
}

export interface Why {
  readonly question: Diagnosed;
  /** Undefined while it is worked out. */
  readonly diagnosis: Diagnosis | undefined;
  readonly hasFailed: boolean;
}

/** Why a tested piece came out as it did; null where nobody tested it. */
export function useDiagnosis(state: PieceState): Why | null {
  const context = useHeatContext();
  const factors = useFactorsFor(state.piece, knownFrom_ms(state));
  const now_ms = useLate(state);
  const question = useMemo(
    () => (unknownOf(state).length > 0 ? null : whyQuestion(state, { ...context, factors, now_ms })),
    [state, context, factors, now_ms],
  );
  const { kit } = context;
  const job: Extract<Job, { kind: "diagnose" }> | null =
    question === null
      ? null
      : {
          kind: "diagnose",
          ...question,
          facts: [...question.facts],
          findings: [...question.findings],
          breaks: [...question.breaks],
          baths: kit === null ? null : kitOf(kit, "bath").map(({ medium }) => medium),
          attempts: attemptsOf(state),
        };
  const { data, isError } = useQuery({
    queryKey: keyOf(job),
    queryFn: ({ signal }) => ask<"diagnose">(job!, { signal, isFirst: true }),
    enabled: job !== null,
    ...ONCE,
  });
  return question === null ? null : { question, diagnosis: data, hasFailed: isError };
}

/** How often a piece was hardened. */
export function attemptsOf({ acts, doneAt_ms }: PieceState): number {
  return Math.max(1, acts.filter(({ kind, id }) => kind === "quench" && doneAt_ms.has(id)).length);
}

/** How the answer moves along each slide and in each bath. */
export function useWhatIf(question: Question | null, tracks: readonly Track[], tempersDone = 0): UseQueryResult<WhatIf> {
  const kit = useKit() ?? null;
  const job: Extract<Job, { kind: "what-if" }> | null =
    question === null ? null : { kind: "what-if", ...question, tracks: [...tracks], tempersDone, media: [...bathsOf(kit, question.route)] };
  return useQuery({
    queryKey: keyOf(job),
    queryFn: ({ signal }) => ask<"what-if">(job!, { signal, about: `what if ${hardeningOf(job!)}` }),
    enabled: job !== null,
    ...ONCE,
  });
}
