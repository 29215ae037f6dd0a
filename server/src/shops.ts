/** The simulated shops that are open on this server: each has its pieces, its time and those who listen to it. */

import { InputError, type ShopAnswer, type ShopReading, type ShopReset } from "@tembrak/core";
import type { Response } from "express";
import type { OpenRunningShop, RunningShop, ShopCall } from "./runningShop.js";

/** After a pause of the machine no more than this is caught up at once, real s. */
const MOST_CAUGHT_UP_s = 2;
/** No shop takes longer than this at a time, real ms: one that is too much work runs slower (judgement). */
const BUDGET_ms = 200;
/** When nobody has listened or asked for so long, a shop stands still and costs nothing, real ms. */
const IDLE_ms = 10_000;
const MOST_SHOPS = 12;
const MOST_LISTENERS = 20;
/** A listener that has left so much unread is dropped, bytes. */
const MOST_UNREAD = 262_144;

export interface OpenShop {
  readonly running: RunningShop;
  readonly pieces: ReadonlySet<string>;
  readonly listeners: Set<Response>;
  /** As it was last heard of. */
  reading: ShopReading;
  passed_ms: number;
  asked_ms: number;
  /** Its time is just being let pass. */
  isPassing: boolean;
}

function send(to: Response, reading: ShopReading): void {
  to.write(`data: ${JSON.stringify(reading)}\n\n`);
}

export class Shops {
  private open: OpenShop[] = [];
  private opening = 0;

  /** @param now_ms a clock that cannot be set, real ms */
  constructor(
    private readonly now_ms: () => number,
    private readonly openShop: OpenRunningShop,
    private readonly budget_ms = BUDGET_ms,
  ) {}

  /** The shop a piece lies in, newest first; without a piece the newest. */
  find(piece: string | undefined): OpenShop | null {
    return this.open.findLast(({ pieces }) => piece === undefined || pieces.has(piece)) ?? null;
  }

  /**
   * Opens a shop for the first of the pieces. Others come along but for those that lie in an open shop already: theirs stays as it is.
   * @throws InputError as the shop itself
   */
  async start(reset: ShopReset): Promise<OpenShop> {
    const [first, ...others] = reset.pieces;
    const pieces = [first!, ...others.filter(({ id }) => this.find(id) === null)];
    const { running, reading } = await this.opened({ ...reset, pieces });
    const at_ms = this.now_ms();
    const opened: OpenShop = {
      running,
      reading,
      pieces: new Set(pieces.map(({ id }) => id)),
      listeners: new Set(),
      passed_ms: at_ms,
      asked_ms: at_ms,
      isPassing: false,
    };
    // What its piece lay in before goes, unless others lie there too.
    const before = this.open.find(({ pieces: own }) => own.has(first!.id));
    if (before !== undefined && before.pieces.size === 1) this.end(before);
    while (this.open.length >= MOST_SHOPS) this.end(this.open.reduce((a, b) => (b.asked_ms < a.asked_ms ? b : a)));
    this.open.push(opened);
    return opened;
  }

  /** Runs another, if there is room: those that are just being opened are counted before they run. */
  private async opened(reset: ShopReset): Promise<Pick<OpenShop, "running" | "reading">> {
    if (this.opening >= MOST_SHOPS)
      throw new InputError({
        code: "too-many",
        path: "",
        message: `${MOST_SHOPS} simulated shops are just being opened: try again in a moment.`,
      });
    this.opening++;
    try {
      while (this.open.length > 0 && this.open.length + this.opening > MOST_SHOPS)
        this.end(this.open.reduce((a, b) => (b.asked_ms < a.asked_ms ? b : a)));
      const running = await this.openShop(reset);
      return { running, reading: await running.call({ do: "read" }) };
    } finally {
      this.opening--;
    }
  }

  private end(shop: OpenShop): void {
    for (const listener of shop.listeners) listener.end();
    shop.listeners.clear();
    shop.running.end();
    this.open = this.open.filter((other) => other !== shop);
  }

  /** Lets its time pass as far as it has; while it still does so from before, no further. */
  private async pass(of: OpenShop): Promise<void> {
    if (of.isPassing) return;
    const at_ms = this.now_ms();
    const seconds = Math.min(MOST_CAUGHT_UP_s, (at_ms - of.passed_ms) / 1000) * of.reading.speed;
    of.passed_ms = at_ms;
    of.isPassing = true;
    try {
      of.reading = await of.running.call({ do: "pass", seconds, budget_ms: this.budget_ms });
    } finally {
      of.isPassing = false;
    }
  }

  asked(of: OpenShop): void {
    of.asked_ms = this.now_ms();
  }

  /** How it is now. */
  async read(of: OpenShop): Promise<ShopReading> {
    await this.pass(of);
    return of.reading;
  }

  /** What is asked of it happens after all the time that has passed. @throws InputError what core refuses */
  async call(of: OpenShop, call: Extract<ShopCall, { readonly do: "command" | "ask" }>): Promise<ShopReading | ShopAnswer> {
    await this.pass(of);
    if (call.do === "ask") return of.running.call(call);
    of.reading = await of.running.call(call);
    return of.reading;
  }

  /** Time passes everywhere, and everybody hears of it: of each shop when it is ready, none waits for another. */
  tick(): void {
    for (const of of this.open) {
      if (of.listeners.size === 0 && this.now_ms() - of.asked_ms > IDLE_ms) of.passed_ms = this.now_ms();
      else
        this.pass(of)
          .then(() => this.tell(of))
          // A shop whose thread has died is gone: whoever asks next is told to open one.
          .catch(() => this.end(of));
    }
  }

  private tell(of: OpenShop): void {
    for (const listener of of.listeners) {
      if (listener.writableLength > MOST_UNREAD) {
        of.listeners.delete(listener);
        listener.destroy();
      } else send(listener, of.reading);
    }
  }

  /** @returns whether there was room for one more. */
  listen(of: OpenShop, listener: Response): boolean {
    if (of.listeners.size >= MOST_LISTENERS) return false;
    listener.writeHead(200, { "Content-Type": "text/event-stream", "Cache-Control": "no-store", Connection: "keep-alive" });
    send(listener, of.reading);
    of.listeners.add(listener);
    listener.on("close", () => of.listeners.delete(listener));
    return true;
  }

  close(): void {
    for (const shop of [...this.open]) this.end(shop);
  }
}
