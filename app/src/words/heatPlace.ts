/** What a piece is heated in, as one says it: a kiln is no fire. Pure. */

import type { Route } from "@tembrak/core";

const PLACES = { forge: "the fire", coal: "the fire", torch: "the flame", kiln: "the kiln", salt: "the salt" } as const;

export function heatPlace(route: Pick<Route, "heating"> | null | undefined): (typeof PLACES)[keyof typeof PLACES] {
  return PLACES[route?.heating.in ?? "forge"];
}
