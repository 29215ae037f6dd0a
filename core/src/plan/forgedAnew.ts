/** A piece that was cracked or broken and has been forged again: everything after what was done is planned as for one from the hammer. */

import type { Piece, Route } from "../schema/book.js";
import type { Catalogue } from "./catalogue.js";
import { planRoute, type RouteOptions } from "./route.js";
import { wayOf } from "./way.js";

/**
 * @param done how many of its steps are done, from the first
 * @throws InputError as `planRoute`
 */
export function forgedAnew(catalogue: Catalogue, piece: Piece, route: Route, done: number, options: Omit<RouteOptions, "way"> = {}): Route {
  const fresh = planRoute(catalogue, { ...piece, start: "as-forged" }, route.heating, { ...options, way: wayOf(route) });
  return { ...route, steps: [...route.steps.slice(0, done), ...fresh.steps] };
}
