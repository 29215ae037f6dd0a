/** The simulated shops over HTTP: each read as a stream of server-sent events, moved and asked by small JSON calls, found by a piece in it. */

import { checkAny, InputError } from "@tembrak/core";
import express, { Router, type Request, type Response } from "express";
import { openHere, type OpenRunningShop, type ShopCall } from "../runningShop.js";
import { Shops, type OpenShop } from "../shops.js";

/** How often simulated time moves and is sent, real ms. */
const TICK_ms = 250;

export interface ShopRoutes {
  readonly router: Router;
  /** Stops the clock and ends every stream. */
  readonly close: () => void;
}

function refuse(response: Response, status: number, code: string, message: string, path = ""): void {
  response.status(status).json({ error: { code, message, path } });
}

/** Runs a call; what core refuses comes back as an error object, never as a stack. */
async function answer(response: Response, call: () => Promise<unknown>): Promise<void> {
  try {
    const said = await call();
    response.set("Cache-Control", "no-store").json(said);
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    refuse(response, 400, error.code, error.message, error.path);
  }
}

export interface ShopDeps {
  /** A clock that cannot be set, real ms. */
  readonly now_ms?: () => number;
  /** How a shop is run: in this thread where nothing is said. */
  readonly openShop?: OpenRunningShop;
  /** How long a shop may compute at a time, real ms. */
  readonly budget_ms?: number;
}

/** The piece an address asks about. */
function pieceOf({ query }: Request): string | undefined {
  return typeof query["piece"] === "string" ? query["piece"] : undefined;
}

export function shopRoutes({ now_ms = () => performance.now(), openShop = openHere(), budget_ms }: ShopDeps = {}): ShopRoutes {
  const router = Router();
  const shops = new Shops(now_ms, openShop, budget_ms);
  const timer = setInterval(() => shops.tick(), TICK_ms);
  timer.unref();

  const opened = (request: Request, response: Response, piece = pieceOf(request)): OpenShop | null => {
    const found = shops.find(piece);
    if (found === null) refuse(response, 409, "not-open", "No simulated shop is open for it: POST /api/shop/reset first.");
    else shops.asked(found);
    return found;
  };
  /** Checks a body, finds its shop, and answers by both. */
  const post = <N extends "ShopCommand" | "ShopQuestion">(
    path: string,
    schema: N,
    callOf: (body: Body<N>) => Extract<ShopCall, { readonly do: "command" | "ask" }>,
  ): void => {
    router.post(path, async (request, response) => {
      const checked = checkAny(schema, request.body);
      if (!checked.ok)
        return refuse(response, 400, checked.problems[0]!.code, checked.problems[0]!.message ?? "", checked.problems[0]!.path);
      const body = checked.value;
      const named = "piece" in body ? body.piece : undefined;
      const found = opened(request, response, pieceOf(request) ?? (shops.find(named) === null ? undefined : named));
      if (found === null) return;
      await answer(response, () => shops.call(found, callOf(body)));
    });
  };

  router.use(express.json({ limit: "64kb" }));
  router.get("/", async (request, response) => {
    const found = shops.find(pieceOf(request));
    if (found !== null) shops.asked(found);
    await answer(response, async () => (found === null ? null : shops.read(found)));
  });
  router.post("/reset", async (request: Request, response) => {
    const checked = checkAny("ShopReset", request.body);
    if (!checked.ok) return refuse(response, 400, checked.problems[0]!.code, checked.problems[0]!.message ?? "", checked.problems[0]!.path);
    await answer(response, async () => (await shops.start(checked.value)).reading);
  });
  post("/command", "ShopCommand", (command) => ({ do: "command", command }));
  post("/ask", "ShopQuestion", (question) => ({ do: "ask", question }));
  // Asked for its head alone a stream would never end.
  router.head("/stream", (_request, response) => void response.set("Content-Type", "text/event-stream").end());
  router.get("/stream", (request, response) => {
    const found = opened(request, response);
    if (found !== null && !shops.listen(found, response)) refuse(response, 503, "too-many", "Too many listen to this simulated shop.");
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
      shops.close();
    },
  };
}

type Body<N extends "ShopCommand" | "ShopQuestion"> = Extract<ReturnType<typeof checkAny<N>>, { ok: true }>["value"];
