/**
 * Asks a pool of workers. Each question is settled exactly once. A worker remembers what it computed, so a question about the
 * same hardening goes to the one that has it; and it is not ended for a newer question: it sees a flag between the parts of
 * its work and lets go. Where memory cannot be shared (no isolation headers), giving up ends the worker as before.
 */

import type { Job, JobAnswers, JobOutcome } from "@tembrak/core";
import type { ToWorker } from "./toWorker.js";

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

export interface AskOptions {
  readonly signal?: AbortSignal | undefined;
  /** Name of the hardening the question is about: a worker that was asked about it before is preferred. */
  readonly about?: string;
  /** Before all that waits but others like it. */
  readonly isFirst?: boolean;
  /** A short question somebody watches for: before those as well. */
  readonly isSoonest?: boolean;
}

interface PooledWorker {
  readonly worker: Worker;
  /** Number of the job that is given up; null where memory cannot be shared. */
  readonly givenUp: Int32Array | null;
  /** Hardenings it was asked about, the last last. */
  readonly about: string[];
}

/** As many at once as the machine has processors; what comes later waits its turn. */
export function poolSize(): number {
  return Math.max(1, globalThis.navigator?.hardwareConcurrency || 2);
}

/** A worker that has not let go by then is ended, ms. The longest part of a job, a fine section with its moments, takes 0.1 to 0.2 s here. */
const LETS_GO_ms = 3000;
const MOST_ABOUT = 64;

const idle: PooledWorker[] = [];
/** Questions that wait for a worker, the next first. */
const waiting: { readonly start: () => void; readonly isFirst: boolean; readonly isSoonest: boolean }[] = [];
let busy = 0;
let lastId = 0;

function makeWorker(): PooledWorker {
  const worker = new Worker(new URL("./compute.worker.ts", import.meta.url), { type: "module" });
  const canShare = typeof SharedArrayBuffer === "function" && globalThis.crossOriginIsolated;
  const givenUp = canShare ? new Int32Array(new SharedArrayBuffer(4)) : null;
  if (givenUp !== null) worker.postMessage({ type: "flag", givenUp } satisfies ToWorker);
  return { worker, givenUp, about: [] };
}

/** Most workers that start with the page: the first verdict is computed by two side by side. */
const MOST_EARLY = 2;

/** Starts workers before anything is asked, so that they load while the page does. */
export function startWorkers(): void {
  while (idle.length + busy < Math.min(poolSize(), MOST_EARLY)) idle.push(makeWorker());
}

/** How many of those that go before all else are being answered: nothing else begins beside them, so that they have the machine. */
let soonest = 0;

function startNext(): void {
  while (busy < poolSize() && waiting.length > 0 && (soonest === 0 || waiting[0]!.isSoonest)) waiting.shift()!.start();
}

/** An idle worker: one that was asked about it before, else the one that was used last. */
function takeWorker(about: string | undefined): PooledWorker {
  const known = about === undefined ? -1 : idle.findLastIndex((w) => w.about.includes(about));
  const at = known >= 0 ? known : idle.length - 1;
  const pooled = at >= 0 ? idle.splice(at, 1)[0]! : makeWorker();
  if (about !== undefined && !pooled.about.includes(about)) {
    pooled.about.push(about);
    if (pooled.about.length > MOST_ABOUT) pooled.about.shift();
  }
  return pooled;
}

/**
 * Runs a job in the next free worker.
 * @throws JobFailed for input that core refuses; an abort error when `signal` is aborted; an error when the worker dies.
 */
export function ask<K extends Job["kind"]>(
  job: Extract<Job, { kind: K }>,
  { signal, about, isFirst = false, isSoonest = false }: AskOptions = {},
): Promise<JobAnswers[K]> {
  return new Promise((resolve, reject) => {
    const givenUp = (): void => reject(new DOMException("given up", "AbortError"));
    if (signal?.aborted) {
      givenUp();
      return;
    }
    const start = (): void => {
      signal?.removeEventListener("abort", leaveQueue);
      let pooled: PooledWorker;
      try {
        pooled = takeWorker(about);
      } catch (error) {
        reject(new Error("No worker can be made here.", { cause: error }));
        return;
      }
      busy++;
      if (isSoonest) soonest++;
      const id = ++lastId;
      const { worker } = pooled;
      let patience: ReturnType<typeof setTimeout> | undefined;
      const settle = (keep: boolean, then: () => void): void => {
        worker.onmessage = null;
        worker.onerror = null;
        worker.onmessageerror = null;
        clearTimeout(patience);
        signal?.removeEventListener("abort", giveUp);
        busy--;
        if (isSoonest) soonest--;
        if (keep) idle.push(pooled);
        else worker.terminate();
        then();
        startNext();
      };
      const giveUp = (): void => {
        if (pooled.givenUp === null) {
          settle(false, givenUp);
          return;
        }
        // The question is settled at once; the worker is free again when it says so.
        Atomics.store(pooled.givenUp, 0, id);
        givenUp();
        patience = setTimeout(() => settle(false, () => undefined), LETS_GO_ms);
      };
      worker.onmessage = ({ data }: MessageEvent<JobOutcome<K>>) =>
        settle(true, () => {
          if (data.type === "done") resolve(data.answer);
          else if (data.type === "failed") reject(new JobFailed(data.failure));
          else givenUp();
        });
      worker.onerror = (event) => settle(false, () => reject(new Error(event.message || "The computation stopped.")));
      worker.onmessageerror = () => settle(false, () => reject(new Error("The computation gave an unreadable answer.")));
      signal?.addEventListener("abort", giveUp, { once: true });
      worker.postMessage({ type: "job", id, job } satisfies ToWorker);
    };
    const leaveQueue = (): void => {
      const at = waiting.findIndex((entry) => entry.start === start);
      if (at >= 0) waiting.splice(at, 1);
      givenUp();
    };
    signal?.addEventListener("abort", leaveQueue, { once: true });
    const entry = { start, isFirst: isFirst || isSoonest, isSoonest };
    const behind = isFirst ? waiting.findIndex((other) => !other.isFirst) : -1;
    if (isSoonest) waiting.unshift(entry);
    else if (behind >= 0) waiting.splice(behind, 0, entry);
    else waiting.push(entry);
    // What a screen asks in one go is sorted before any of it begins.
    void Promise.resolve().then(startNext);
  });
}
