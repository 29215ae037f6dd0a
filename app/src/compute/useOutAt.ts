/** When to take a piece out of its bath: asked before it goes in. */

import { lastFor, lastOf_s, type OutAt, type PieceState, type Question } from "@tembrak/core";
import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { ask } from "./client.js";
import { keyOf, ONCE, useQuestion } from "./useAnswers.js";

/** Seconds count from here on: what coming out at each of them buys and costs. */
const BEFORE_OUT: ReadonlySet<string> = new Set(["hold", "quench"]);

/** Null where it is not taken out by the clock, or nothing of it is bent; undefined while that is worked out. */
export function useOutAt(state: PieceState): OutAt | null | undefined {
  const { next, route, acts } = state;
  const step = next === undefined ? undefined : route?.steps.slice(next.step).find(({ kind }) => kind === "quench");
  const bends = acts.some(({ kind }) => kind === "straighten");
  const isAsked = bends && next !== undefined && BEFORE_OUT.has(next.kind) && step?.kind === "quench" && lastOf_s(step) === null;
  const question = useQuestion(state, isAsked, false);
  const job = useMemo(() => (question === null ? null : ({ kind: "out-at", ...withoutSeconds(question) } as const)), [question]);
  const answer = useQuery({
    queryKey: keyOf(job),
    queryFn: ({ signal }) => ask<"out-at">(job!, { signal, isFirst: true }),
    enabled: job !== null,
    ...ONCE,
  });
  return isAsked ? answer.data : null;
}

/** The last quench as if nobody had taken it out yet: its seconds are what is asked. */
function withoutSeconds({ piece, route, known }: Question): Question {
  const last = route.steps.findLastIndex(({ kind }) => kind === "quench");
  const steps = route.steps.map((step, i) =>
    i === last && step.kind === "quench" && lastOf_s(step) !== null ? lastFor(step, null) : step,
  );
  const { shop } = known;
  return { piece, route: { ...route, steps }, known: shop === undefined ? {} : { shop } };
}
