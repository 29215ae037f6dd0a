/** The Express app: the built pages, what the server says of itself, and headers that allow nothing else. */

import compression from "compression";
import express, { type Express, type NextFunction, type Request, type Response } from "express";
import helmet from "helmet";
import type { OpenRunningShop } from "./runningShop.js";
import { shopRoutes } from "./routes/shop.js";

export interface AppDeps {
  /** Folder of the built app. */
  readonly pages: string;
  /** Whether an empty book may be filled with the made-up shop. */
  readonly demo: boolean;
  /** How a simulated shop is run: in this thread where nothing is said. */
  readonly openShop?: OpenRunningShop;
}

/** SHA-256 of the empty string: emotion's tags are empty in production and filled through insertRule. */
const EMPTY_STYLE = "'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU='";

function refuse(response: Response, status: number, code: string, message: string): void {
  response.status(status).json({ error: { code, message, path: "" } });
}

/** Names of this machine: a page from elsewhere that has its own name led here is turned away. */
const OWN = /^(?:127\.0\.0\.1|localhost|\[::1\])(?::\d+)?$/;

/** Answers only calls to this machine by its own name, and of those that say where they come from only its own pages'. */
function onlyOwn(request: Request, response: Response, next: NextFunction): void {
  const { host = "", origin } = request.headers;
  const isOwnPage = origin === undefined || (URL.canParse(origin) && OWN.test(new URL(origin).host));
  if (OWN.test(host) && isOwnPage) return next();
  refuse(response, 403, "not-own", "This server answers its own machine alone.");
}

export function makeApp({ pages, demo, openShop }: AppDeps): Express {
  const app = express();
  app.disable("x-powered-by");
  // No stack in any answer, whatever the surroundings say.
  app.set("env", "production");
  app.use(onlyOwn);
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          workerSrc: ["'self'"],
          styleSrc: ["'self'", EMPTY_STYLE],
          styleSrcAttr: ["'unsafe-inline'"],
          imgSrc: ["'self'", "data:"],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          manifestSrc: ["'self'"],
          baseUri: ["'none'"],
          formAction: ["'none'"],
          frameAncestors: ["'none'"],
          requireTrustedTypesFor: ["'script'"],
          trustedTypes: ["default"],
        },
      },
      strictTransportSecurity: false, // loopback without TLS
      crossOriginEmbedderPolicy: true,
    }),
  );
  // The worker that keeps the pages brings in its own library by address, which Trusted Types would ask a policy of its own for.
  app.get("/sw.js", (_request, response, next) => {
    const policy = String(response.getHeader("Content-Security-Policy"));
    response.setHeader("Content-Security-Policy", policy.replace(/;(require-trusted-types-for|trusted-types)[^;]*/g, ""));
    next();
  });
  // A stream must not wait in a compressor's buffer.
  app.use(compression({ filter: (request, response) => !request.path.endsWith("/stream") && compression.filter(request, response) }));
  app.get("/api/config", (_request, response) => {
    response.set("Cache-Control", "no-store").json({ demo });
  });
  app.use("/api/shop", shopRoutes(openShop === undefined ? {} : { openShop }).router);
  app.use("/api", (_request, response) => {
    refuse(response, 404, "not-found", "There is nothing at this address.");
  });
  app.use("/assets", express.static(`${pages}/assets`, { immutable: true, maxAge: "1y", index: false, fallthrough: false }));
  app.use(express.static(pages, { index: false, maxAge: 0 }));
  app.get("/{*path}", (_request, response) => {
    response.set("Cache-Control", "no-cache").sendFile("index.html", { root: pages });
  });
  app.use((error: unknown, _request: Request, response: Response, next: NextFunction) => {
    if (response.headersSent) return next(error);
    const status = (error as { status?: unknown }).status;
    const isTheirs = typeof status === "number" && status >= 400 && status < 500;
    refuse(
      response,
      isTheirs ? status : 500,
      isTheirs ? "not-found" : "failed",
      isTheirs ? "There is nothing at this address." : "That failed here.",
    );
  });
  return app;
}
