/** Computed answers for React: cached by the question, never computed twice, the last answer shown until the next is there. */

import {
  MEMBERS,
  type Effort,
  type FireInput,
  type Job,
  type Piece,
  type Prediction,
  type Route,
  type SectionPicture,
  type Track,
  type WarmUp,
  type Way,
  type WhatIf,
} from "@tembrak/core";
import { keepPreviousData, useQueries, useQuery, type UseQueryResult } from "@tanstack/react-query";
import { ask, poolSize } from "./client.js";

/** Raised when the numbers change, so that no cache outlives its core. */
const CORE_VERSION = "0.2.0";

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

/** The ensemble in as many parts as there are workers, then the rest with it in hand. The answer is the same as from one. */
async function predictBeside(job: Extract<Job, { kind: "predict" }>, signal: AbortSignal): Promise<Prediction> {
  const parts = Math.min(poolSize(), MOST_PARTS);
  if (job.effort === "quick" || parts < 2) return ask<"predict">(job, signal);
  const { piece, route } = job;
  const bound = (k: number): number => Math.round((k * MEMBERS) / parts);
  const ranges = Array.from({ length: parts }, (_, k) => ({ kind: "members", piece, route, from: bound(k), to: bound(k + 1) }) as const);
  const members = (await Promise.all(ranges.map((range) => ask<"members">(range, signal)))).flat();
  return ask<"predict">({ ...job, members }, signal);
}

/** More parts than this cost more in asking than they save. */
const MOST_PARTS = 8;

interface Picture {
  readonly piece: Piece;
  readonly route: Route;
  readonly effort: Effort;
}

/** The whole field of the section at a station; null for where it was measured. */
export function useSectionPicture({ piece, route, effort }: Picture, station: number | null): UseQueryResult<SectionPicture> {
  const job = { kind: "section", piece, route, station, effort } as const;
  return useQuery({ queryKey: keyOf(job), queryFn: ({ signal }) => ask<"section">(job, signal), ...ONCE });
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
        queryFn: ({ signal }: { signal: AbortSignal }) => ask<"section">(job, signal),
        enabled: isWanted,
        ...ONCE,
      };
    }),
    combine: (results) => results.map(({ data }) => data),
  });
}

/** The piece in a fire, zone by zone. Nothing is asked while the fire is not known. */
export function useWarmUp(piece: Piece, way: Way, fire: FireInput | null, target_C: number, start_C: number): UseQueryResult<WarmUp> {
  const job = fire === null ? null : ({ kind: "warm-up", piece, way, fire, target_C, start_C } as const);
  return useQuery({ queryKey: keyOf(job), queryFn: ({ signal }) => ask<"warm-up">(job!, signal), enabled: job !== null, ...ONCE });
}

export const SHOWN_MEDIA = ["fast-oil", "medium-oil", "vegetable-oil", "water"] as const;

/** How the answer moves along each slide and in each bath. */
export function useWhatIf(piece: Piece | undefined, route: Route | null | undefined, tracks: readonly Track[]): UseQueryResult<WhatIf> {
  const job: Extract<Job, { kind: "what-if" }> | null =
    piece && route ? { kind: "what-if", piece, route, tracks: [...tracks], media: [...SHOWN_MEDIA] } : null;
  return useQuery({
    queryKey: keyOf(job),
    queryFn: ({ signal }) => ask<"what-if">(job!, signal),
    enabled: job !== null,
    ...ONCE,
  });
}
