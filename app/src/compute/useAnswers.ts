/** Computed answers for React: cached by the question, never computed twice, the last answer shown until the next is there. */

import {
  MEMBERS,
  routeAsDone,
  type Effort,
  type Job,
  type Member,
  type Piece,
  type PieceState,
  type Prediction,
  type Route,
  type SectionPicture,
  type Track,
  type WarmUp,
  type WarmUpQuestion,
  type WhatIf,
} from "@tembrak/core";
import { keepPreviousData, useQueries, useQuery, type UseQueryResult } from "@tanstack/react-query";
import { useMemo } from "react";
import { movedWords } from "../words/standingWords.js";
import { ask, isKnown, poolSize } from "./client.js";
import { makeShared } from "./shared.js";

/** Raised when the numbers change, so that no cache outlives its core. */
const CORE_VERSION = "0.4.0";

function keyOf(job: Job | null): readonly unknown[] {
  return ["result", CORE_VERSION, job === null ? null : JSON.stringify(job)];
}

const ONCE = { staleTime: Infinity, retry: false, structuralSharing: false, placeholderData: keepPreviousData } as const;

/** What the piece will be. Nothing is asked while piece or route is missing. A newer question ends an older one. */
export function usePrediction(
  piece: Piece | undefined,
  route: Route | null | undefined,
  effort: Effort = "full",
): UseQueryResult<Prediction> {
  const job = piece && route ? ({ kind: "predict", piece, route, effort } as const) : null;
  return useQuery({ queryKey: keyOf(job), queryFn: ({ signal }) => predictBeside(job!, signal), enabled: job !== null, ...ONCE });
}

/** The route of a piece as it was done so far; the same object while the piece is the same. */
export function useRouteAsDone(state: PieceState): Route | null {
  return useMemo(() => routeAsDone(state), [state]);
}

/** What a piece that stands there will be, after what was done to it and with what is still planned. */
export function useStanding(state: PieceState): UseQueryResult<Prediction> {
  return usePrediction(state.piece, useRouteAsDone(state));
}

/** In one sentence what moved a piece from its plan; null where nothing did, or it is not worked out yet. */
export function useMoved(state: PieceState): string | null {
  const route = useRouteAsDone(state);
  const planned = usePrediction(state.piece, state.route).data;
  const done = usePrediction(state.piece, route);
  // The last answer is still shown while the new one is worked out: of another route it is.
  if (route === null || route === state.route || planned === undefined || done.data === undefined || done.isPlaceholderData) return null;
  return movedWords({ planned, done: done.data, route });
}

/** Ensembles of the hardenings asked about last: a slide that only tempers, and the picture, find them here. */
const ensembles = makeShared<readonly Member[]>(16);

/** Names a hardening: the piece and its steps up to the last quench. What comes after does not touch it. */
function hardeningOf(piece: Piece, route: Route): string {
  const last = route.steps.findLastIndex(({ kind }) => kind === "quench");
  return JSON.stringify([piece, route.steps.slice(0, last + 1)]);
}

/** Members run in one go: short enough that no worker waits long for another at the end. */
const CHUNK = 4;

/** The whole ensemble of a hardening, in parts across the pool. The answer is the same as from one. */
function ensembleOf(piece: Piece, route: Route, about: string, signal: AbortSignal): Promise<readonly Member[]> {
  const run = async (together: AbortSignal): Promise<readonly Member[]> => {
    const starts = Array.from({ length: MEMBERS / CHUNK }, (_, k) => k * CHUNK);
    const parts = starts.map((from) =>
      ask<"members">({ kind: "members", piece, route, from, to: from + CHUNK }, { signal: together, isFirst: true }),
    );
    return (await Promise.all(parts)).flat();
  };
  return ensembles.ask(about, run, signal);
}

/** Into the page's own timeline, for whoever measures it: the last of each name only. */
function mark(name: string): void {
  performance.clearMarks(name);
  performance.mark(name);
}

/** The case as planned and its ensemble side by side, then the rest with both in hand: in the worker that ran the case. */
async function predictBeside(job: Extract<Job, { kind: "predict" }>, signal: AbortSignal): Promise<Prediction> {
  const { piece, route, effort } = job;
  const about = hardeningOf(piece, route);
  if (effort === "quick") return ask<"predict">(job, { signal, about });
  const options = { signal, about, isFirst: true };
  mark("verdict asked");
  const isNew = poolSize() > 1 && !(ensembles.has(about) && isKnown(about));
  const nominal = isNew ? ask<"nominal">({ kind: "nominal", piece, route }, options) : null;
  const [members] = await Promise.all([ensembleOf(piece, route, about, signal), nominal]);
  const prediction = await ask<"predict">({ ...job, members: [...members] }, options);
  mark("verdict answered");
  return prediction;
}

interface Picture {
  readonly piece: Piece;
  readonly route: Route;
  readonly effort: Effort;
}

/** The whole field of the section at a station; null for where it was measured. */
export function useSectionPicture({ piece, route, effort }: Picture, station: number | null): UseQueryResult<SectionPicture> {
  const job = { kind: "section", piece, route, station, effort } as const;
  return useQuery({ queryKey: keyOf(job), queryFn: ({ signal }) => pictureBeside(job, signal), ...ONCE });
}

/** The section that was measured has the spread of the verdict; any other has its own. */
async function pictureBeside(job: Extract<Job, { kind: "section" }>, signal: AbortSignal): Promise<SectionPicture> {
  const { piece, route, station, effort } = job;
  const about = hardeningOf(piece, route);
  if (effort === "quick" || station !== null) return ask<"section">(job, { signal, about: `at ${station} ${about}` });
  const members = await ensembleOf(piece, route, about, signal);
  return ask<"section">({ ...job, members: [...members] }, { signal, about });
}

/** Sections at many stations, each in the next free worker; those that are there so far. */
export function useStations(
  { piece, route, effort }: Picture,
  stations: readonly number[],
  isWanted: boolean,
): (SectionPicture | undefined)[] {
  return useQueries({
    queries: stations.map((station) => {
      const job = { kind: "section", piece, route, station, effort } as const;
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

/** The piece in a fire, zone by zone. Nothing is asked while nobody knows how it went in. */
export function useWarmUp(question: WarmUpQuestion | null): UseQueryResult<WarmUp> {
  const job = question === null ? null : ({ kind: "warm-up", ...question } as const);
  return useQuery({ queryKey: keyOf(job), queryFn: ({ signal }) => ask<"warm-up">(job!, { signal }), enabled: job !== null, ...ONCE });
}

export const SHOWN_MEDIA = ["fast-oil", "medium-oil", "vegetable-oil", "water"] as const;

/** How the answer moves along each slide and in each bath. */
export function useWhatIf(piece: Piece | undefined, route: Route | null | undefined, tracks: readonly Track[]): UseQueryResult<WhatIf> {
  const job: Extract<Job, { kind: "what-if" }> | null =
    piece && route ? { kind: "what-if", piece, route, tracks: [...tracks], media: [...SHOWN_MEDIA] } : null;
  return useQuery({
    queryKey: keyOf(job),
    queryFn: ({ signal }) => ask<"what-if">(job!, { signal, about: `what if ${hardeningOf(piece!, route!)}` }),
    enabled: job !== null,
    ...ONCE,
  });
}
