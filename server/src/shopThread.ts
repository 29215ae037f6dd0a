/** The thread of one simulated shop: does what it is told in order, and answers with data. */

import { CATALOGUE, InputError, PracticeShop, type ShopReset } from "@tembrak/core";
import { parentPort, workerData } from "node:worker_threads";
import { handle, OPENED, type FromShop, type ToShop } from "./runningShop.js";

function say(from: FromShop): void {
  parentPort!.postMessage(from);
}

/** Runs what may be refused, and says how it went. */
function answering<A>(id: number, run: () => A, answer: (done: A) => FromShop): A | null {
  try {
    const done = run();
    say(answer(done));
    return done;
  } catch (error) {
    if (error instanceof InputError) say({ id, refused: { code: error.code, path: error.path, message: error.message } });
    else say({ id, failed: error instanceof Error ? error.message : "failed" });
    return null;
  }
}

const shop = answering(
  OPENED,
  () => new PracticeShop(CATALOGUE, workerData as ShopReset),
  (made) => ({ id: OPENED, answer: made.read() }),
);
if (shop !== null) {
  parentPort!.on("message", ({ id, call }: ToShop) => {
    answering(
      id,
      () => handle(shop, call),
      (answer) => ({ id, answer }),
    );
  });
}
