/** One simulated shop as the server runs it: beside it in a thread of its own, or in its own for those who look into it. */

import {
  CATALOGUE,
  InputError,
  PracticeShop,
  type ShopAnswer,
  type ShopCommand,
  type ShopQuestion,
  type ShopReading,
  type ShopReset,
} from "@tembrak/core";
import { Worker } from "node:worker_threads";

/** pass: its time goes on by so many of its own seconds, or by fewer where they take longer than the budget. */
export type ShopCall =
  | { readonly do: "pass"; readonly seconds: number; readonly budget_ms: number }
  | { readonly do: "read" }
  | { readonly do: "command"; readonly command: ShopCommand }
  | { readonly do: "ask"; readonly question: ShopQuestion };

type Answered<C extends ShopCall> = C extends { readonly do: "ask" } ? ShopAnswer : ShopReading;

export interface RunningShop {
  /** Calls are done one after another. @throws InputError what core refuses */
  readonly call: <C extends ShopCall>(call: C) => Promise<Answered<C>>;
  readonly end: () => void;
}

/** @throws InputError as the shop itself */
export type OpenRunningShop = (reset: ShopReset) => Promise<RunningShop>;

/** Does what is asked of a shop. */
export function handle(shop: PracticeShop, call: ShopCall): ShopReading | ShopAnswer {
  switch (call.do) {
    case "pass": {
      const until_ms = performance.now() + call.budget_ms;
      for (let left_s = call.seconds; left_s > 0 && performance.now() < until_ms; left_s -= 1) shop.advance(Math.min(1, left_s));
      return shop.read();
    }
    case "read":
      return shop.read();
    case "command":
      shop.command(call.command);
      return shop.read();
    case "ask":
      return shop.ask(call.question);
  }
}

/** In this thread. @param onShop told of every shop that is opened */
export function openHere(onShop?: (shop: PracticeShop) => void): OpenRunningShop {
  // What is refused while the promise is made refuses the promise.
  return (reset) =>
    new Promise((opened) => {
      const shop = new PracticeShop(CATALOGUE, reset);
      onShop?.(shop);
      opened({
        call: <C extends ShopCall>(call: C) => new Promise<Answered<C>>((answered) => answered(handle(shop, call) as Answered<C>)),
        end: () => undefined,
      });
    });
}

/** What goes to a shop's thread and comes back from it. */
export interface ToShop {
  readonly id: number;
  readonly call: ShopCall;
}
export type FromShop =
  | { readonly id: number; readonly answer: ShopReading | ShopAnswer }
  | { readonly id: number; readonly refused: ConstructorParameters<typeof InputError>[0] }
  | { readonly id: number; readonly failed: string };

/** The thread says so when its shop is open, or why it is not. */
export const OPENED = 0;

function errorOf(from: Exclude<FromShop, { readonly answer: unknown }>): Error {
  return "refused" in from ? new InputError(from.refused) : new Error(from.failed);
}

/** In a thread of its own: a shop that is much work holds nobody up but itself. @param file the built thread */
export function openBeside(file: URL): OpenRunningShop {
  return async (reset) => {
    const worker = new Worker(file, { workerData: reset });
    worker.unref();
    const waiting = new Map<number, { readonly resolve: (answer: never) => void; readonly reject: (why: Error) => void }>();
    let last = OPENED;
    const settle = (from: FromShop): void => {
      const asked = waiting.get(from.id);
      waiting.delete(from.id);
      if ("answer" in from) asked?.resolve(from.answer as never);
      else asked?.reject(errorOf(from));
    };
    const fail = (why: Error): void => {
      for (const { reject } of waiting.values()) reject(why);
      waiting.clear();
    };
    worker.on("message", settle);
    worker.on("error", fail);
    worker.on("exit", () => fail(new Error("The simulated shop has ended.")));
    const wait = <A>(id: number): Promise<A> => new Promise((resolve, reject) => waiting.set(id, { resolve: resolve, reject }));
    const end = (): void => void worker.terminate();
    await wait(OPENED).catch((why: unknown) => {
      end();
      throw why;
    });
    return {
      call: <C extends ShopCall>(call: C) => {
        const answered = wait<Answered<C>>(++last);
        worker.postMessage({ id: last, call } satisfies ToShop);
        return answered;
      },
      end,
    };
  };
}
