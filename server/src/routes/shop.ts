/** The simulated shop over HTTP: one shop a server, read as a stream of server-sent events, moved and asked by small JSON calls. */

import { CATALOGUE, checkAny, InputError, PracticeShop, type ShopReading } from "@tembrak/core";
import express, { Router, type Request, type Response } from "express";

/** How often simulated time moves and is sent, real ms. */
const TICK_ms = 250;
/** After a pause of the machine no more than this is caught up at once, real s. */
const MOST_CAUGHT_UP_s = 2;
const MOST_LISTENERS = 20;
/** When nobody has listened or asked for so long, the shop stands still and costs nothing, real ms. */
const IDLE_ms = 10_000;

export interface ShopRoutes {
  readonly router: Router;
  /** Stops the clock and ends every stream. */
  readonly close: () => void;
}

function refuse(response: Response, status: number, code: string, message: string, path = ""): void {
  response.status(status).json({ error: { code, message, path } });
}

/** Runs a call; what core refuses comes back as an error object, never as a stack. */
function answer(response: Response, call: () => unknown): void {
  try {
    response.set("Cache-Control", "no-store").json(call());
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    refuse(response, 400, error.code, error.message, error.path);
  }
}

export interface ShopDeps {
  /** A clock that cannot be set, real ms. */
  readonly now_ms?: () => number;
  /** Told of every shop that is opened. */
  readonly onShop?: (shop: PracticeShop) => void;
}

export function shopRoutes({ now_ms = () => performance.now(), onShop }: ShopDeps = {}): ShopRoutes {
  const router = Router();
  let shop: PracticeShop | null = null;
  let last_ms = now_ms();
  let asked_ms = last_ms;
  const listeners = new Set<Response>();

  const pass = (): void => {
    const at_ms = now_ms();
    const real_s = Math.min(MOST_CAUGHT_UP_s, (at_ms - last_ms) / 1000);
    last_ms = at_ms;
    shop?.advance(real_s * shop.speed);
  };
  const send = (to: Response, reading: ShopReading): void => {
    to.write(`data: ${JSON.stringify(reading)}\n\n`);
  };
  const timer = setInterval(() => {
    if (shop === null) return;
    if (listeners.size === 0 && now_ms() - asked_ms > IDLE_ms) {
      last_ms = now_ms();
      return;
    }
    pass();
    const reading = shop.read();
    for (const listener of listeners) send(listener, reading);
  }, TICK_ms);
  timer.unref();

  const opened = (response: Response): PracticeShop | null => {
    if (shop === null) refuse(response, 409, "not-open", "No simulated shop is open: POST /api/shop/reset first.");
    return shop;
  };

  router.use((_request, _response, next) => {
    asked_ms = now_ms();
    next();
  });
  router.use(express.json({ limit: "64kb" }));
  router.get("/", (_request, response) => {
    pass();
    response.set("Cache-Control", "no-store").json(shop?.read() ?? null);
  });
  router.post("/reset", (request: Request, response) => {
    const checked = checkAny("ShopReset", request.body);
    if (!checked.ok) return refuse(response, 400, checked.problems[0]!.code, checked.problems[0]!.message ?? "", checked.problems[0]!.path);
    answer(response, () => {
      shop = new PracticeShop(CATALOGUE, checked.value);
      onShop?.(shop);
      last_ms = now_ms();
      return shop.read();
    });
  });
  router.post("/command", (request: Request, response) => {
    const checked = checkAny("ShopCommand", request.body);
    if (!checked.ok) return refuse(response, 400, checked.problems[0]!.code, checked.problems[0]!.message ?? "", checked.problems[0]!.path);
    const open = opened(response);
    if (open === null) return;
    answer(response, () => {
      pass();
      open.command(checked.value);
      return open.read();
    });
  });
  router.post("/ask", (request: Request, response) => {
    const checked = checkAny("ShopQuestion", request.body);
    if (!checked.ok) return refuse(response, 400, checked.problems[0]!.code, checked.problems[0]!.message ?? "", checked.problems[0]!.path);
    const open = opened(response);
    if (open === null) return;
    answer(response, () => {
      pass();
      return open.ask(checked.value);
    });
  });
  router.get("/stream", (request, response) => {
    const open = opened(response);
    if (open === null) return;
    if (listeners.size >= MOST_LISTENERS) return refuse(response, 503, "too-many", "Too many listen to the simulated shop.");
    response.writeHead(200, { "Content-Type": "text/event-stream", "Cache-Control": "no-store", Connection: "keep-alive" });
    send(response, open.read());
    listeners.add(response);
    request.on("close", () => listeners.delete(response));
  });
  // A body that is no JSON at all.
  router.use((error: unknown, _request: Request, response: Response, next: (error: unknown) => void) => {
    const status = (error as { status?: number }).status;
    if (status === 400) return refuse(response, 400, "invalid-json", "The body is not JSON.");
    if (status === 413) return refuse(response, 413, "out-of-range", "The body is longer than 64 kB.");
    next(error);
  });
  return {
    router,
    close: () => {
      clearInterval(timer);
      for (const listener of listeners) listener.end();
      listeners.clear();
    },
  };
}
