/** What a worker does with a job, as a pure function: the same in a worker, in Node and in a test. */

import { formOf } from "../catalogue.js";
import { InputError } from "../errors.js";
import type { Catalogue } from "../plan/catalogue.js";
import { requireJob } from "../schema/checkJob.js";
import type { Job, JobFailure } from "../schema/job.js";
import { predict, predictMembers, predictNominal, type Prediction } from "../simulate/predict.js";
import { bathResponses, response, type BathResponse, type Response } from "../simulate/response.js";
import { hardenPlanOf } from "../simulate/planOf.js";
import { betterBath, type BetterBath } from "../simulate/chooseBath.js";
import { depthForLine, type LineFor } from "../simulate/lineFor.js";
import { BARE_DESK, GivenUp, type Desk } from "../simulate/desk.js";
import { diagnose, type Diagnosis } from "../diagnose/diagnose.js";
import { colourRun, runPlanOf, type ColourRun } from "../plan/colourRun.js";
import { measuredPlaces, plansAlong } from "../simulate/alongPiece.js";
import { outAt, type OutAt } from "../simulate/outAt.js";
import { patternsFor, type PatternTried } from "../simulate/patterns.js";
import { lessonOf, type Lesson } from "../simulate/lesson.js";
import type { Member } from "../simulate/hardenSpread.js";
import { mediaFor } from "../solve/domain.js";
import { solve, type Solved } from "../solve/solve.js";
import { warmUp, type WarmUp } from "../simulate/warmUp.js";
import { pictureSection, type SectionPicture } from "../simulate/sectionPicture.js";

export interface WhatIf {
  readonly tracks: readonly Response[];
  readonly baths: readonly BathResponse[];
}

/** The answer that belongs to each kind of job. */
export interface JobAnswers {
  readonly predict: Prediction;
  readonly nominal: null;
  /** Part of an ensemble. */
  readonly members: readonly Member[];
  readonly section: SectionPicture;
  readonly lesson: Lesson | null;
  readonly diagnose: Diagnosis;
  readonly "colour-run": ColourRun;
  readonly "better-bath": BetterBath;
  readonly line: LineFor;
  readonly patterns: readonly PatternTried[];
  readonly solve: Solved;
  readonly "out-at": OutAt | null;
  readonly "warm-up": WarmUp;
  readonly "what-if": WhatIf;
}

export type JobOutcome<K extends Job["kind"] = Job["kind"]> =
  | { readonly type: "done"; readonly answer: JobAnswers[K] }
  | { readonly type: "failed"; readonly failure: JobFailure }
  | { readonly type: "given-up" };

function answerOf(catalogue: Catalogue, job: Job, desk: Desk): JobAnswers[Job["kind"]] {
  switch (job.kind) {
    case "predict":
      return predict(catalogue, job.piece, job.route, job.effort, job.members, desk, job.known);
    case "nominal":
      predictNominal(catalogue, job.piece, job.route, desk, job.known);
      return null;
    case "members":
      return predictMembers(catalogue, job.piece, job.route, job, desk);
    case "warm-up":
      return warmUp(job.piece, formOf(job.piece), job.hardens, job.fire, job.target_C, job.start_C, job.inFire_mm);
    case "lesson":
      return lessonOf(catalogue, job.piece, job.route, job.known, desk);
    case "colour-run":
      return colourRun(job.piece, runPlanOf(catalogue, job.piece, job.route, job));
    case "better-bath":
      return betterBath(
        catalogue,
        hardenPlanOf(catalogue, job.piece, job.route, job.known),
        mediaFor(catalogue, job.piece, job.media),
        desk,
      );
    case "solve":
      return solve(catalogue, job.piece, job.route, { ...job, desk });
    case "out-at":
      return outAt(
        hardenPlanOf(catalogue, job.piece, job.route, job.known),
        desk,
        plansAlong(catalogue, job.piece, job.route, measuredPlaces(job.piece), job.known),
      );
    case "patterns":
      return patternsFor(catalogue, job.piece, job.route, job.index, job, desk);
    case "line":
      return depthForLine(hardenPlanOf(catalogue, job.piece, job.route, job.known), job.wanted_mm, desk);
    case "diagnose":
      return diagnose(catalogue, job, desk);
    case "section":
      return pictureSection(catalogue, job, desk);
    case "what-if":
      return {
        tracks: job.tracks.map((track) => response(catalogue, job.piece, job.route, track, desk, job.known, job.tempersDone)),
        baths: bathResponses(catalogue, job.piece, job.route, job.media, desk, job.known),
      };
  }
}

/**
 * Checks and runs a job; the desk is the worker's memory and its word that nobody waits any more. Bad input comes back as
 * data; anything else is a fault of ours and is thrown.
 */
export function runJob(catalogue: Catalogue, unchecked: unknown, desk: Desk = BARE_DESK): JobOutcome {
  try {
    return { type: "done", answer: answerOf(catalogue, requireJob("Job", unchecked), desk) };
  } catch (error) {
    if (error instanceof GivenUp) return { type: "given-up" };
    if (!(error instanceof InputError)) throw error;
    const { code, path, message } = error;
    return { type: "failed", failure: { code, path, message } };
  }
}
