import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import { CATALOGUE, planRoute, type Piece } from "@tembrak/core";
import { ask, JobFailed, poolSize, startWorkers } from "./client.js";
import { makeShared } from "./shared.js";

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

/** What was asked together begins together, when all of it is known. */
const begun = (): Promise<void> => Promise.resolve();

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
    await begun();
    const worker = busy();
    worker.onmessage!({ data: { type: "done", answer: "one" } });
    await expect(first).resolves.toBe("one");
    const second = ask<"predict">(job);
    await begun();
    expect(busy()).toBe(worker);
    worker.onmessage!({ data: { type: "done", answer: "two" } });
    await expect(second).resolves.toBe("two");
    expect(worker.isEnded).toBe(false);
  });
  it("a refusal comes back with its place", async () => {
    const asked = ask<"predict">(job);
    await begun();
    busy().onmessage!({ data: { type: "failed", failure: { code: "out-of-range", path: "/piece/length_mm", message: "too long" } } });
    const error = await asked.catch((e: unknown) => e);
    expect(error).toBeInstanceOf(JobFailed);
    expect(error).toMatchObject({ path: "/piece/length_mm" });
  });
  it("a worker that dies rejects its question and is not used again", async () => {
    const asked = ask<"predict">(job);
    await begun();
    const worker = busy();
    worker.onerror!({ message: "out of memory" });
    await expect(asked).rejects.toThrow("out of memory");
    expect(worker.isEnded).toBe(true);
    const next = ask<"predict">(job);
    await begun();
    expect(busy()).not.toBe(worker);
    busy().onmessageerror!({});
    await expect(next).rejects.toThrow("unreadable");
  });
  it("giving up ends the worker at once; given up before it began, no worker is asked", async () => {
    const stop = new AbortController();
    const asked = ask<"predict">(job, { signal: stop.signal });
    await begun();
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
    await begun();
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

describe("with memory to share", () => {
  const isolated = Object.getOwnPropertyDescriptor(globalThis, "crossOriginIsolated");
  beforeEach(() => void Object.defineProperty(globalThis, "crossOriginIsolated", { value: true, configurable: true }));
  afterEach(() => {
    if (isolated) Object.defineProperty(globalThis, "crossOriginIsolated", isolated);
    else Reflect.deleteProperty(globalThis, "crossOriginIsolated");
  });
  /** Ends what the tests before left idle, so that new workers are made. */
  async function drain(): Promise<void> {
    const asked = Array.from({ length: poolSize() }, () => ask<"predict">(job).catch(() => undefined));
    await begun();
    for (const worker of HandWorker.made.filter((w) => w.onmessage !== null)) worker.onerror!({ message: "ended by the test" });
    await Promise.all(asked);
  }
  const jobOf = (worker: HandWorker): { id: number } => worker.asked.at(-1) as { id: number };
  const flagOf = (worker: HandWorker): Int32Array => (worker.asked[0] as { givenUp: Int32Array }).givenUp;

  it("giving up sets the flag to the job's number, settles at once, and the worker is used again when it has let go", async () => {
    await drain();
    const stop = new AbortController();
    const asked = ask<"predict">(job, { signal: stop.signal });
    await begun();
    const worker = busy();
    stop.abort();
    await expect(asked).rejects.toThrow("given up");
    expect(worker.isEnded).toBe(false);
    expect(flagOf(worker)[0]).toBe(jobOf(worker).id);
    worker.onmessage!({ data: { type: "given-up" } });
    const next = ask<"predict">(job);
    await begun();
    expect(busy()).toBe(worker);
    expect(jobOf(worker).id).not.toBe(flagOf(worker)[0]);
    worker.onmessage!({ data: { type: "done", answer: "again" } });
    await expect(next).resolves.toBe("again");
  });
  it("a worker that does not let go in three seconds is ended", async () => {
    await drain();
    jest.useFakeTimers();
    const stop = new AbortController();
    const asked = ask<"predict">(job, { signal: stop.signal });
    await begun();
    const worker = busy();
    stop.abort();
    await expect(asked).rejects.toThrow("given up");
    jest.advanceTimersByTime(2900);
    expect(worker.isEnded).toBe(false);
    jest.advanceTimersByTime(200);
    expect(worker.isEnded).toBe(true);
    jest.useRealTimers();
  });
  it("workers start with the page, once; a question goes to the worker that was asked about the same before", async () => {
    await drain();
    const before = HandWorker.made.length;
    startWorkers();
    startWorkers();
    const [first, second] = HandWorker.made.slice(before);
    expect(HandWorker.made).toHaveLength(before + Math.min(2, poolSize()));
    const one = ask<"predict">(job, { about: "billhook" });
    const two = ask<"predict">(job, { about: "froe" });
    await begun();
    const [ofBillhook, ofFroe] = first!.asked.length === 2 && jobOf(first!).id < jobOf(second!).id ? [first!, second!] : [second!, first!];
    for (const worker of [ofFroe, ofBillhook]) worker.onmessage!({ data: { type: "done", answer: "known" } });
    await Promise.all([one, two]);
    for (const [about, wanted] of [
      ["billhook", ofBillhook],
      ["froe", ofFroe],
      ["billhook", ofBillhook],
    ] as const) {
      const again = ask<"predict">(job, { about });
      await begun();
      expect(wanted.onmessage).not.toBeNull();
      wanted.onmessage!({ data: { type: "done", answer: about } });
      await expect(again).resolves.toBe(about);
    }
  });
  it("where no worker can be made a question fails, and keeps no place", async () => {
    await drain();
    globalThis.Worker = class {
      constructor() {
        throw new Error("none here");
      }
    } as unknown as typeof Worker;
    for (let i = 0; i <= poolSize(); i++) await expect(ask<"predict">(job)).rejects.toMatchObject({ cause: { message: "none here" } });
    globalThis.Worker = HandWorker as unknown as typeof Worker;
    const next = ask<"predict">(job);
    await begun();
    busy().onmessage!({ data: { type: "done", answer: "made" } });
    await expect(next).resolves.toBe("made");
  });
  it("what was asked together begins in the order of its haste", async () => {
    await drain();
    const last = ask<"what-if">({ kind: "what-if", piece, route: job.route, tracks: [], media: [] });
    const rest = Array.from({ length: poolSize() }, () => ask<"predict">(job, { isFirst: true }));
    const soon = ask<"predict">({ ...job, effort: "quick" }, { isSoonest: true });
    await begun();
    const running = HandWorker.made.filter((w) => w.onmessage !== null).map((w) => (w.asked.at(-1) as { job: object }).job);
    expect(running).toContainEqual(expect.objectContaining({ kind: "predict", effort: "quick" }));
    expect(running).not.toContainEqual(expect.objectContaining({ kind: "what-if" }));
    for (let i = 0; i < 3; i++)
      for (const w of HandWorker.made.filter((m) => m.onmessage !== null)) w.onmessage!({ data: { type: "done", answer: 1 } });
    await Promise.all([last, ...rest, soon]);
  });
  it("beside what goes before all else nothing begins; when it has ended, or is given up, the others do", async () => {
    await drain();
    const running = (): unknown[] =>
      HandWorker.made.filter((w) => w.onmessage !== null).map((w) => (w.asked.at(-1) as { job: object }).job);
    const stop = new AbortController();
    for (const end of ["done", "given-up"]) {
      const soon = ask<"predict">({ ...job, effort: "quick" }, { isSoonest: true, signal: stop.signal }).catch(() => "given up");
      const other = ask<"predict">(job, { isFirst: true });
      await begun();
      expect(running()).toEqual([expect.objectContaining({ effort: "quick" })]);
      const worker = busy();
      if (end === "given-up") stop.abort();
      worker.onmessage!({ data: { type: end, answer: 1 } });
      await soon;
      expect(running()).toEqual([expect.objectContaining({ effort: "full" })]);
      busy().onmessage!({ data: { type: "done", answer: 2 } });
      await expect(other).resolves.toBe(2);
    }
  });
  it("what the verdict needs goes before what else waits", async () => {
    await drain();
    const running = Array.from({ length: poolSize() }, () => ask<"predict">(job));
    await begun();
    const other = ask<"what-if">({ kind: "what-if", piece, route: job.route, tracks: [], media: [] });
    const verdict = ask<"nominal">({ kind: "nominal", piece, route: job.route }, { isFirst: true });
    const soon = ask<"predict">({ ...job, effort: "quick" }, { isSoonest: true });
    await begun();
    const free = HandWorker.made.find((w) => w.onmessage !== null)!;
    const next = (): unknown => {
      free.onmessage!({ data: { type: "done", answer: 1 } });
      return (free.asked.at(-1) as { job: object }).job;
    };
    expect(next()).toMatchObject({ kind: "predict", effort: "quick" });
    expect(next()).toMatchObject({ kind: "nominal" });
    for (let i = 0; i < 3; i++)
      for (const w of HandWorker.made.filter((m) => m.onmessage !== null)) w.onmessage!({ data: { type: "done", answer: 1 } });
    await Promise.all([...running, other, verdict, soon]);
  });
});

describe("work that several wait for", () => {
  it("is run once, kept, and given up only when the last has given up", async () => {
    const shared = makeShared<string>(2);
    let [runs, isAborted] = [0, false];
    let finish: (value: string) => void = () => undefined;
    const start = (signal: AbortSignal): Promise<string> => {
      runs++;
      signal.addEventListener("abort", () => (isAborted = true));
      return new Promise((resolve) => (finish = resolve));
    };
    const [a, b] = [new AbortController(), new AbortController()];
    const [one, two] = [shared.ask("k", start, a.signal), shared.ask("k", start, b.signal)];
    a.abort();
    await expect(one).rejects.toThrow("given up");
    expect([runs, isAborted]).toEqual([1, false]);
    finish("there");
    await expect(two).resolves.toBe("there");
    await expect(shared.ask("k", start)).resolves.toBe("there");
    expect([runs, shared.has("k")]).toEqual([1, true]);
    const c = new AbortController();
    const three = shared.ask("other", start, c.signal);
    c.abort();
    await expect(three).rejects.toThrow("given up");
    expect([isAborted, shared.has("other")]).toEqual([true, false]);
  });
  it("a failure is told to all and not kept", async () => {
    const shared = makeShared<string>(2);
    await expect(shared.ask("k", () => Promise.reject(new Error("no worker")))).rejects.toThrow("no worker");
    await expect(shared.ask("k", () => Promise.resolve("now"))).resolves.toBe("now");
  });
});
