/** Work that several askers wait for: run once, kept for a while, given up when the last of them has. */

interface Entry<T> {
  readonly promise: Promise<T>;
  readonly controller: AbortController;
  waiters: number;
  isDone: boolean;
}

export interface Shared<T> {
  /** What `start` gave for this key, or gives now. @throws an abort error when `signal` is aborted, what `start` throws. */
  ask(key: string, start: (signal: AbortSignal) => Promise<T>, signal?: AbortSignal): Promise<T>;
  has(key: string): boolean;
}

/** Keeps the last `most` answers; failures are not kept. */
export function makeShared<T>(most: number): Shared<T> {
  const entries = new Map<string, Entry<T>>();

  const begin = (key: string, start: (signal: AbortSignal) => Promise<T>): Entry<T> => {
    const controller = new AbortController();
    const entry: Entry<T> = { promise: start(controller.signal), controller, waiters: 0, isDone: false };
    const forget = (): void => {
      if (entries.get(key) === entry) entries.delete(key);
    };
    entry.promise.then(() => (entry.isDone = true), forget);
    controller.signal.addEventListener("abort", forget, { once: true });
    return entry;
  };

  return {
    has: (key) => entries.has(key),
    ask: (key, start, signal) => {
      const givenUp = (): DOMException => new DOMException("given up", "AbortError");
      if (signal?.aborted) return Promise.reject(givenUp());
      const entry = entries.get(key) ?? begin(key, start);
      entries.delete(key);
      entries.set(key, entry);
      const oldest = entries.keys().next().value!;
      if (entries.size > most && entries.get(oldest)!.isDone) entries.delete(oldest);
      entry.waiters++;
      return new Promise<T>((resolve, reject) => {
        const leave = (): void => {
          entry.waiters--;
          if (entry.waiters === 0 && !entry.isDone) entry.controller.abort();
          reject(givenUp());
        };
        signal?.addEventListener("abort", leave, { once: true });
        const settle = (then: () => void): void => {
          signal?.removeEventListener("abort", leave);
          then();
        };
        entry.promise.then(
          (value) => settle(() => resolve(value)),
          (error: unknown) => settle(() => reject(error instanceof Error ? error : new Error(String(error)))),
        );
      });
    },
  };
}
