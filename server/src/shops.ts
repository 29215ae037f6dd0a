/** The simulated shops that are open on this server: each has its pieces, its time and those who listen to it. */

import { CATALOGUE, PracticeShop, type ShopReading, type ShopReset } from "@tembrak/core";
import type { Response } from "express";

/** After a pause of the machine no more than this is caught up at once, real s. */
const MOST_CAUGHT_UP_s = 2;
/** No shop takes longer than this at a time, real ms: one that is too much work runs slower, and holds nobody up (judgement). */
const BUDGET_ms = 200;
/** When nobody has listened or asked for so long, a shop stands still and costs nothing, real ms. */
const IDLE_ms = 10_000;
const MOST_SHOPS = 12;
const MOST_LISTENERS = 20;
/** A listener that has left so much unread is dropped, bytes. */
const MOST_UNREAD = 262_144;

export interface OpenShop {
  readonly shop: PracticeShop;
  readonly pieces: ReadonlySet<string>;
  readonly listeners: Set<Response>;
  passed_ms: number;
  asked_ms: number;
}

function send(to: Response, reading: ShopReading): void {
  to.write(`data: ${JSON.stringify(reading)}\n\n`);
}

export class Shops {
  private open: OpenShop[] = [];

  /** @param now_ms a clock that cannot be set, real ms */
  constructor(
    private readonly now_ms: () => number,
    private readonly onShop: ((shop: PracticeShop) => void) | undefined,
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
  start(reset: ShopReset): OpenShop {
    const [first, ...others] = reset.pieces;
    const pieces = [first!, ...others.filter(({ id }) => this.find(id) === null)];
    const at_ms = this.now_ms();
    const opened: OpenShop = {
      shop: new PracticeShop(CATALOGUE, { ...reset, pieces }),
      pieces: new Set(pieces.map(({ id }) => id)),
      listeners: new Set(),
      passed_ms: at_ms,
      asked_ms: at_ms,
    };
    // What its piece lay in before goes, unless others lie there too.
    const before = this.open.find(({ pieces: own }) => own.has(first!.id));
    if (before !== undefined && before.pieces.size === 1) this.end(before);
    while (this.open.length >= MOST_SHOPS) this.end(this.open.reduce((a, b) => (b.asked_ms < a.asked_ms ? b : a)));
    this.open.push(opened);
    this.onShop?.(opened.shop);
    return opened;
  }

  private end(shop: OpenShop): void {
    for (const listener of shop.listeners) listener.end();
    shop.listeners.clear();
    this.open = this.open.filter((other) => other !== shop);
  }

  /** Lets its time pass as far as it has. */
  pass(of: OpenShop): void {
    const at_ms = this.now_ms();
    let left_s = Math.min(MOST_CAUGHT_UP_s, (at_ms - of.passed_ms) / 1000) * of.shop.speed;
    of.passed_ms = at_ms;
    for (const until_ms = performance.now() + this.budget_ms; left_s > 0 && performance.now() < until_ms; left_s -= 1) {
      of.shop.advance(Math.min(1, left_s));
    }
  }

  asked(of: OpenShop): void {
    of.asked_ms = this.now_ms();
  }

  /** Time passes everywhere, and everybody hears of it. */
  tick(): void {
    for (const of of this.open) {
      if (of.listeners.size === 0 && this.now_ms() - of.asked_ms > IDLE_ms) {
        of.passed_ms = this.now_ms();
        continue;
      }
      this.pass(of);
      const reading = of.shop.read();
      for (const listener of of.listeners) {
        if (listener.writableLength > MOST_UNREAD) {
          of.listeners.delete(listener);
          listener.destroy();
        } else send(listener, reading);
      }
    }
  }

  /** @returns whether there was room for one more. */
  listen(of: OpenShop, listener: Response): boolean {
    if (of.listeners.size >= MOST_LISTENERS) return false;
    listener.writeHead(200, { "Content-Type": "text/event-stream", "Cache-Control": "no-store", Connection: "keep-alive" });
    send(listener, of.shop.read());
    of.listeners.add(listener);
    listener.on("close", () => of.listeners.delete(listener));
    return true;
  }

  close(): void {
    for (const shop of [...this.open]) this.end(shop);
  }
}
