/** What a piece is heated in, as one says it: a kiln is no fire. Pure. */

import type { Route } from "@tembrak/core";

export function heatPlace(route: Pick<Route, "school"> | null | undefined): "the kiln" | "the fire" {
  return route?.school === "kiln" ? "the kiln" : "the fire";
}
