/** Computed answers for React: cached by the question, never computed twice, the last answer shown until the next is there. */

import type { Job, Piece, Prediction, Route, Track, WhatIf } from "@tembrak/core";
import { keepPreviousData, useQuery, type UseQueryResult } from "@tanstack/react-query";
import { ask } from "./client.js";

/** Raised when the numbers change, so that no cache outlives its core. */
const CORE_VERSION = "0.1.0";

function keyOf(job: Job | null): readonly unknown[] {
  return ["result", CORE_VERSION, job === null ? null : JSON.stringify(job)];
}

const ONCE = { staleTime: Infinity, retry: false, structuralSharing: false, placeholderData: keepPreviousData } as const;

/** What the piece will be. Nothing is asked while piece or route is missing. */
export function usePrediction(piece: Piece | undefined, route: Route | null | undefined): UseQueryResult<Prediction> {
  const job = piece && route ? ({ kind: "predict", piece, route } as const) : null;
  return useQuery({ queryKey: keyOf(job), queryFn: ({ signal }) => ask<"predict">(job!, signal), enabled: job !== null, ...ONCE });
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
