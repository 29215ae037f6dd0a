/** What a worker does with a job, as a pure function: the same in a worker, in Node and in a test. */

import { formOf } from "../catalogue.js";
import { InputError } from "../errors.js";
import type { Catalogue } from "../plan/catalogue.js";
import { requireValid } from "../schema/check.js";
import type { Job, JobFailure } from "../schema/job.js";
import {
  bathResponses,
  predict,
  predictMembers,
  response,
  type BathResponse,
  type Prediction,
  type Response,
} from "../simulate/predict.js";
import type { Member } from "../simulate/hardenSpread.js";
import { warmUp, type WarmUp } from "../simulate/warmUp.js";
import { pictureSection, type SectionPicture } from "../simulate/sectionPicture.js";

export interface WhatIf {
  readonly tracks: readonly Response[];
  readonly baths: readonly BathResponse[];
}

/** The answer that belongs to each kind of job. */
export interface JobAnswers {
  readonly predict: Prediction;
  /** Part of an ensemble. */
  readonly members: readonly Member[];
  readonly section: SectionPicture;
  readonly "warm-up": WarmUp;
  readonly "what-if": WhatIf;
}

export type JobOutcome<K extends Job["kind"] = Job["kind"]> =
  { readonly type: "done"; readonly answer: JobAnswers[K] } | { readonly type: "failed"; readonly failure: JobFailure };

/** Checks and runs a job. Bad input comes back as data; anything else is a fault of ours and is thrown. */
export function runJob(catalogue: Catalogue, unchecked: unknown): JobOutcome {
  try {
    const job = requireValid("Job", unchecked);
    if (job.kind === "predict") return { type: "done", answer: predict(catalogue, job.piece, job.route, job.effort, job.members) };
    if (job.kind === "members") {
      return { type: "done", answer: predictMembers(catalogue, job.piece, job.route, job.from, job.to) };
    }
    if (job.kind === "warm-up") {
      return { type: "done", answer: warmUp(job.piece, formOf(job.piece), job.way, job.fire, job.target_C, job.start_C) };
    }
    if (job.kind === "section") return { type: "done", answer: pictureSection(catalogue, job) };
    return {
      type: "done",
      answer: {
        tracks: job.tracks.map((track) => response(catalogue, job.piece, job.route, track)),
        baths: bathResponses(catalogue, job.piece, job.route, job.media),
      },
    };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    const { code, path, message } = error;
    return { type: "failed", failure: { code, path, message } };
  }
}
