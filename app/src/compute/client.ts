/** Asks a pool of workers. Each question is settled exactly once; giving up ends its worker, which keeps nothing. */

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

/** As many at once as the machine has processors; what comes later waits its turn. */
export function poolSize(): number {
  return Math.max(1, globalThis.navigator?.hardwareConcurrency || 2);
}

const idle: Worker[] = [];
/** Questions that wait for a worker, oldest first. */
const waiting: (() => void)[] = [];
let busy = 0;

function makeWorker(): Worker {
  return new Worker(new URL("./compute.worker.ts", import.meta.url), { type: "module" });
}

function startNext(): void {
  while (busy < poolSize() && waiting.length > 0) waiting.shift()!();
}

/**
 * Runs a job in the next free worker.
 * @throws JobFailed for input that core refuses; an abort error when `signal` is aborted; an error when the worker dies.
 */
export function ask<K extends Job["kind"]>(job: Extract<Job, { kind: K }>, signal?: AbortSignal): Promise<JobAnswers[K]> {
  return new Promise((resolve, reject) => {
    const givenUp = (): void => reject(new DOMException("given up", "AbortError"));
    if (signal?.aborted) {
      givenUp();
      return;
    }
    const start = (): void => {
      signal?.removeEventListener("abort", leaveQueue);
      busy++;
      const worker = idle.pop() ?? makeWorker();
      const settle = (keep: boolean, then: () => void): void => {
        worker.onmessage = null;
        worker.onerror = null;
        worker.onmessageerror = null;
        signal?.removeEventListener("abort", giveUp);
        busy--;
        if (keep) idle.push(worker);
        else worker.terminate();
        then();
        startNext();
      };
      const giveUp = (): void => settle(false, givenUp);
      worker.onmessage = ({ data }: MessageEvent<JobOutcome<K>>) =>
        settle(true, () => (data.type === "done" ? resolve(data.answer) : reject(new JobFailed(data.failure))));
      worker.onerror = (event) => settle(false, () => reject(new Error(event.message || "The computation stopped.")));
      worker.onmessageerror = () => settle(false, () => reject(new Error("The computation gave an unreadable answer.")));
      signal?.addEventListener("abort", giveUp, { once: true });
      worker.postMessage(job);
    };
    const leaveQueue = (): void => {
      const at = waiting.indexOf(start);
      if (at >= 0) waiting.splice(at, 1);
      givenUp();
    };
    signal?.addEventListener("abort", leaveQueue, { once: true });
    waiting.push(start);
    startNext();
  });
}
