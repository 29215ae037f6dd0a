/** Places of a piece where a tester was set, in words; and what is to be doubted of them. */

import type { PlaceDoubt, TestPlace } from "@tembrak/core";

export type PlaceKey = "" | "tang" | "middle-edge" | "middle" | "middle-back" | "point";

/** What can be said without a drawing. */
export const PLACE_WORDS: Readonly<Record<PlaceKey, { readonly name: string; readonly place: TestPlace | null }>> = {
  "": { name: "not said", place: null },
  tang: { name: "by the tang", place: { along: 0.1, up: 0.5 } },
  "middle-edge": { name: "middle, near the edge", place: { along: 0.55, up: 0.15 } },
  middle: { name: "middle of the flat", place: { along: 0.55, up: 0.5 } },
  "middle-back": { name: "middle, near the back", place: { along: 0.55, up: 0.85 } },
  point: { name: "near the point", place: { along: 0.93, up: 0.5 } },
};

/** The words nearest to a place. */
export function placeKey(place: TestPlace | null): PlaceKey {
  if (place === null) return "";
  const { along, up } = place;
  if (along < 0.2) return "tang";
  if (along > 0.85) return "point";
  return up < 1 / 3 ? "middle-edge" : up > 2 / 3 ? "middle-back" : "middle";
}

const listed = (readings: readonly number[]): string =>
  readings.length === 1 ? `Reading ${readings[0]} is` : `Readings ${readings.slice(0, -1).join(", ")} and ${readings.at(-1)} are`;

export function doubtWords({ code, readings }: PlaceDoubt): string {
  switch (code) {
    case "soft-on-purpose":
      return `${listed(readings)} of a part that was left soft on purpose: of where it works that says nothing.`;
    case "near-tongs":
      return `${listed(readings)} by the tang, where tongs cool it and the fire may not have reached.`;
  }
}
