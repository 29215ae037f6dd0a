/** The simulated shop over HTTP: one shop a server, read as a stream of server-sent events, moved and asked by small JSON calls. */
import { PracticeShop } from "@tembrak/core";
import { Router } from "express";
export interface ShopRoutes {
  readonly router: Router;
  /** Stops the clock and ends every stream. */
  readonly close: () => void;
}
export interface ShopDeps {
  /** A clock that cannot be set, real ms. */
  readonly now_ms?: () => number;
  /** Told of every shop that is opened. */
  readonly onShop?: (shop: PracticeShop) => void;
}
export declare function shopRoutes({ now_ms, onShop }?: ShopDeps): ShopRoutes;
