import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute, type Piece } from "@tembrak/core";
import { ask, JobFailed, poolSize } from "./client.js";

type Handler = ((event: unknown) => void) | null;

/** A worker whose answers the test gives by hand. */
class HandWorker {
  static made: HandWorker[] = [];
  onmessage: Handler = null;
  onerror: Handler = null;
  onmessageerror: Handler = null;
  asked: unknown[] = [];
  isEnded = false;
  constructor() {
    HandWorker.made.push(this);
  }
  postMessage(message: unknown): void {
    this.asked.push(message);
  }
  terminate(): void {
    this.isEnded = true;
  }
}

const piece: Piece = {
  name: "Knife",
  mark: "1",
  kind: "knife",
  steel: "1084",
  start: "normalised",
  use: "knife",
  length_mm: 200,
  section: { shape: "plate", thickness_mm: 3 },
};
const job = { kind: "predict", piece, route: planRoute(CATALOGUE, piece, "forge"), effort: "full" } as const;
const busy = (): HandWorker => HandWorker.made.filter((w) => w.onmessage !== null).at(-1)!;

const real = globalThis.Worker;
beforeEach(() => {
  globalThis.Worker = HandWorker as unknown as typeof Worker;
});
afterEach(() => {
  globalThis.Worker = real;
});

describe("asking the worker", () => {
  it("an answer settles the question, and the worker is used again", async () => {
    const first = ask<"predict">(job);
    const worker = busy();
    worker.onmessage!({ data: { type: "done", answer: "one" } });
    await expect(first).resolves.toBe("one");
    const second = ask<"predict">(job);
    expect(busy()).toBe(worker);
    worker.onmessage!({ data: { type: "done", answer: "two" } });
    await expect(second).resolves.toBe("two");
    expect(worker.isEnded).toBe(false);
  });
  it("a refusal comes back with its place", async () => {
    const asked = ask<"predict">(job);
    busy().onmessage!({ data: { type: "failed", failure: { code: "out-of-range", path: "/piece/length_mm", message: "too long" } } });
    const error = await asked.catch((e: unknown) => e);
    expect(error).toBeInstanceOf(JobFailed);
    expect(error).toMatchObject({ path: "/piece/length_mm" });
  });
  it("a worker that dies rejects its question and is not used again", async () => {
    const asked = ask<"predict">(job);
    const worker = busy();
    worker.onerror!({ message: "out of memory" });
    await expect(asked).rejects.toThrow("out of memory");
    expect(worker.isEnded).toBe(true);
    const next = ask<"predict">(job);
    expect(busy()).not.toBe(worker);
    busy().onmessageerror!({});
    await expect(next).rejects.toThrow("unreadable");
  });
  it("giving up ends the worker at once; given up before it began, no worker is asked", async () => {
    const stop = new AbortController();
    const asked = ask<"predict">(job, { signal: stop.signal });
    const worker = busy();
    stop.abort();
    await expect(asked).rejects.toThrow("given up");
    expect(worker.isEnded).toBe(true);
    const before = HandWorker.made.length;
    await expect(ask<"predict">(job, { signal: stop.signal })).rejects.toThrow("given up");
    expect(HandWorker.made).toHaveLength(before);
  });
  it("no more at once than processors; what waits begins when one is free, and may leave the queue", async () => {
    const many = Array.from({ length: poolSize() + 2 }, () => new AbortController());
    const before = HandWorker.made.reduce((sum, w) => sum + w.asked.length, 0);
    const asked = many.map(({ signal }) => ask<"predict">(job, { signal }));
    const count = (): number => HandWorker.made.reduce((sum, w) => sum + w.asked.length, 0) - before;
    expect(count()).toBe(poolSize());
    many.at(-1)!.abort();
    await expect(asked.at(-1)).rejects.toThrow("given up");
    const running = HandWorker.made.filter((w) => w.onmessage !== null);
    running[0]!.onmessage!({ data: { type: "done", answer: "first" } });
    expect(count()).toBe(poolSize() + 1);
    for (const worker of HandWorker.made.filter((w) => w.onmessage !== null)) worker.onmessage!({ data: { type: "done", answer: "rest" } });
    await expect(Promise.all(asked.slice(0, -1))).resolves.toHaveLength(poolSize() + 1);
  });
});
