/** Asks the worker. Each question is settled exactly once; giving up ends the worker, which keeps nothing. */

import type { Job, JobAnswers, JobOutcome } from "@tembrak/core";

/** A failure that came back as data: the page shows its message. */
export class JobFailed extends Error {
  readonly code: string;
  readonly path: string;

  constructor({ code, path, message }: { code: string; path: string; message: string }) {
    super(message);
    this.name = "JobFailed";
    this.code = code;
    this.path = path;
  }
}

const idle: Worker[] = [];
const MOST_IDLE = 2;

function makeWorker(): Worker {
  return new Worker(new URL("./compute.worker.ts", import.meta.url), { type: "module" });
}

/**
 * Runs a job in a worker.
 * @throws JobFailed for input that core refuses; an abort error when `signal` is aborted; an error when the worker dies.
 */
export function ask<K extends Job["kind"]>(job: Extract<Job, { kind: K }>, signal?: AbortSignal): Promise<JobAnswers[K]> {
  return new Promise((resolve, reject) => {
    if (signal?.aborted) {
      reject(new DOMException("given up", "AbortError"));
      return;
    }
    const worker = idle.pop() ?? makeWorker();
    const settle = (keep: boolean, then: () => void): void => {
      worker.onmessage = null;
      worker.onerror = null;
      worker.onmessageerror = null;
      signal?.removeEventListener("abort", giveUp);
      if (keep && idle.length < MOST_IDLE) idle.push(worker);
      else worker.terminate();
      then();
    };
    const giveUp = (): void => settle(false, () => reject(new DOMException("given up", "AbortError")));
    worker.onmessage = ({ data }: MessageEvent<JobOutcome<K>>) =>
      settle(true, () => (data.type === "done" ? resolve(data.answer) : reject(new JobFailed(data.failure))));
    worker.onerror = (event) => settle(false, () => reject(new Error(event.message || "The computation stopped.")));
    worker.onmessageerror = () => settle(false, () => reject(new Error("The computation gave an unreadable answer.")));
    signal?.addEventListener("abort", giveUp, { once: true });
    worker.postMessage(job);
  });
}
