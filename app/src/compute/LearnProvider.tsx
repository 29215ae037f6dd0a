/** What the shop's finished pieces teach, worked out from the book while nothing else is asked; every prediction reads it from here. */

import {
  factorKey,
  habitsOf,
  learnedIn,
  standingQuestion,
  teachersOf,
  type Factor,
  type Lesson,
  type Piece,
  type PieceState,
  type Taught,
} from "@tembrak/core";
import { useQueries, type UseQueryResult } from "@tanstack/react-query";
import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from "react";
import { useKit, usePieces, useSettings } from "../store/useStore.js";
import { unknownOf } from "../words/unknownWords.js";
import { ask } from "./client.js";
import { recalledLesson, rememberLesson } from "./lessonMemo.js";
import { useHeatContext, type ShopContext } from "./useHeatContext.js";
import { useWhole } from "./useWhole.js";

/** The last so many pieces of a shop: baths age, and a long book is not worked through anew at every start. */
const MOST = 40;

/** The first verdict of a page goes before what the shop has learned, ms. */
const AFTER_ms = 1000;

function useAfter(wait_ms: number): boolean {
  const [isAfter, setAfter] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setAfter(true), wait_ms);
    return () => clearTimeout(timer);
  }, [wait_ms]);
  return isAfter;
}

const TaughtContext = createContext<readonly Taught[]>([]);

/** A piece is finished for good: what it says is read once, as long as shop and eye are the same. */
const habits = new WeakMap<ShopContext, WeakMap<PieceState, ReturnType<typeof habitsOf>>>();

function habitOf(state: PieceState, context: ShopContext): ReturnType<typeof habitsOf> {
  const own = habits.get(context) ?? new WeakMap<PieceState, ReturnType<typeof habitsOf>>();
  habits.set(context, own);
  const known = own.get(state) ?? habitsOf(state, context);
  own.set(state, known);
  return known;
}

interface Answers {
  readonly isReading: boolean;
  readonly lessons: readonly (Lesson | null | undefined)[];
}

const answersOf = (results: readonly UseQueryResult<Lesson | null>[]): Answers => ({
  isReading: results.some(({ isLoading }) => isLoading),
  lessons: results.map(({ data }) => data),
});

export function LearnProvider({ children }: { children: ReactNode }) {
  const context = useHeatContext();
  const pieces = usePieces();
  const isAfter = useAfter(AFTER_ms);
  const teachers = useMemo(
    () =>
      (pieces ?? [])
        .filter((state) => unknownOf(state).length === 0)
        .flatMap((state) => teachersOf(state))
        .sort((a, b) => a.at_ms - b.at_ms)
        .slice(-MOST),
    [pieces],
  );
  const { lessons, isReading } = useQueries({
    queries: teachers.map(({ state }) => {
      const question = standingQuestion(state, context);
      const isTested = question?.known.tests !== undefined;
      const asked = isTested ? JSON.stringify(question) : null;
      return {
        queryKey: ["lesson", asked] as const,
        queryFn: async ({ signal }: { signal: AbortSignal }) => {
          const lesson = await ask<"lesson">({ kind: "lesson", ...question! }, { signal });
          rememberLesson(asked!, lesson);
          return lesson;
        },
        initialData: asked === null ? undefined : recalledLesson(asked),
        enabled: isTested && isAfter,
        staleTime: Infinity,
        gcTime: Infinity,
        retry: false,
      };
    }),
    combine: answersOf,
  });
  const read = useMemo(
    () =>
      teachers.map(({ state, at_ms }, i): Taught => ({
        id: state.id,
        at_ms,
        lesson: lessons[i] ?? null,
        ...habitOf(state, context),
      })),
    [teachers, lessons, context],
  );
  const taught = useWhole<readonly Taught[]>(read, !isReading);
  return <TaughtContext value={taught}>{children}</TaughtContext>;
}

/** Everything the shop taught so far, what is switched off too. */
export function useFactors(): readonly Factor[] {
  const taught = useContext(TaughtContext);
  const kit = useKit() ?? null;
  return useMemo(() => learnedIn(kit, taught), [taught, kit]);
}

const NOTHING: readonly Factor[] = [];

/**
 * What counts for a piece whose prediction stands since then: what was taught before it, less what is switched off. Of a practice piece
 * nothing: the simulated shop has a bath and an oven of its own.
 */
export function useFactorsFor(piece: Pick<Piece, "isPractice"> | undefined, at_ms: number): readonly Factor[] {
  const taught = useContext(TaughtContext);
  const kit = useKit() ?? null;
  const { unlearned } = useSettings();
  const isPractice = piece?.isPractice === true;
  return useMemo(
    () =>
      isPractice
        ? NOTHING
        : learnedIn(
            kit,
            taught.filter((one) => one.at_ms < at_ms),
          ).filter((factor) => !unlearned.includes(factorKey(factor))),
    [taught, kit, unlearned, at_ms, isPractice],
  );
}
