/** What is being tried on the heat card: a route and a piece beside the planned ones, until kept or dropped. */

import {
  CATALOGUE,
  hardeningFrom,
  inOtherBath,
  intoOf,
  thickness_mm,
  type Effort,
  type Question,
  type Route,
  type Section,
  type Step,
} from "@tembrak/core";
import { useEffect, useMemo, useRef, useState } from "react";

export interface Trial {
  readonly temper_C?: number;
  readonly heat_C?: number;
  /** Thickness of the thickest part, mm. */
  readonly thickness_mm?: number;
  readonly medium?: string;
}

function withThickness(section: Section, wanted_mm: number): Section {
  const ratio = wanted_mm / thickness_mm(section);
  switch (section.shape) {
    case "plate":
      return { ...section, thickness_mm: wanted_mm };
    case "round":
      return { ...section, diameter_mm: wanted_mm };
    case "square":
      return { ...section, side_mm: wanted_mm };
    case "wedge":
      return { ...section, spine_mm: wanted_mm, edge_mm: Math.max(0.1, section.edge_mm * ratio) };
  }
}

function tried(step: Step, trial: Trial): Step {
  if (step.kind === "temper" && trial.temper_C !== undefined) return { ...step, temperature_C: trial.temper_C };
  if (step.kind === "harden" && trial.heat_C !== undefined) return { ...step, temperature_C: trial.heat_C };
  if (step.kind === "quench" && trial.medium !== undefined && trial.medium !== intoOf(step).medium) {
    return inOtherBath(step, { medium: trial.medium, bath_C: CATALOGUE.medium(trial.medium)?.usualBath_C ?? intoOf(step).bath_C });
  }
  return step;
}

/**
 * The route with what is tried of it: of a piece that is hardened again what was done before stays as it was.
 * @param tempersDone so many of the tempers since stay, too
 */
export function triedRoute(route: Route, trial: Trial, tempersDone = 0): Route {
  if (Object.keys(trial).length === 0) return route;
  const from = hardeningFrom(route);
  let tempers = 0;
  const stays = (step: Step, i: number): boolean => i < from || (step.kind === "temper" && tempers++ < tempersDone);
  return { ...route, steps: route.steps.map((step, i) => (stays(step, i) ? step : tried(step, trial))) };
}

export interface TrialView {
  readonly trial: Trial;
  readonly isTrying: boolean;
  readonly question: Question;
  /** Quick while the finger moves, full once it rests. */
  readonly effort: Effort;
  readonly set: (change: Trial) => void;
  readonly drop: () => void;
}

/** The question with what is tried of it. What was tested was tested of what was done: of another heat, bath or thickness it says nothing. */
export function triedQuestion({ piece, route, known }: Question, trial: Trial, tempersDone = 0): Question {
  const isOther = Object.keys(trial).some((what) => what !== "temper_C");
  return {
    piece: trial.thickness_mm === undefined ? piece : { ...piece, section: withThickness(piece.section, trial.thickness_mm) },
    route: triedRoute(route, trial, tempersDone),
    known: isOther ? (known.shop === undefined ? {} : { shop: known.shop }) : known,
  };
}

/** While a finger moves a question is asked no more often than this; it rests after that long without a move, ms. */
const BETWEEN_ms = 150;
const RESTS_ms = 260;

/** What moved last, let through no more often than every so often, and whether it rests. */
function useSettled<T>(value: T): { readonly settled: T; readonly isMoving: boolean } {
  const [settled, setSettled] = useState(value);
  const [isMoving, setMoving] = useState(false);
  const last_ms = useRef(0);
  useEffect(() => {
    if (value === settled) {
      const rest = setTimeout(() => setMoving(false), RESTS_ms);
      return () => clearTimeout(rest);
    }
    const wait_ms = Math.max(0, last_ms.current + BETWEEN_ms - performance.now());
    const timer = setTimeout(() => {
      last_ms.current = performance.now();
      setMoving(true);
      setSettled(value);
    }, wait_ms);
    return () => clearTimeout(timer);
  }, [value, settled]);
  return { settled, isMoving };
}

/** Applied at once to what is drawn; asked of the worker coarsely while the finger moves and in full when it rests. */
export function useTrial(question: Question, tempersDone = 0): TrialView {
  const [trial, setTrial] = useState<Trial>({});
  const { settled, isMoving } = useSettled(trial);
  return useMemo(() => {
    const isTrying = Object.keys(trial).length > 0;
    return {
      trial,
      isTrying,
      question: Object.keys(settled).length > 0 ? triedQuestion(question, settled, tempersDone) : question,
      effort: isMoving ? "quick" : "full",
      set: (change) => setTrial((before) => ({ ...before, ...change })),
      drop: () => setTrial({}),
    };
  }, [trial, settled, isMoving, question, tempersDone]);
}
