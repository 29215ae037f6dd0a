/** Places of a piece where a tester was set, in words; and what is to be doubted of them. */

import type { Faces, PlaceDoubt, Section, TestPlace } from "@tembrak/core";
import { showHardness } from "../format/show.js";

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

/** A bar has no edge and no back. */
const BAR_WORDS: Readonly<Partial<Record<PlaceKey, string>>> = {
  "": "not said",
  tang: "by the far end",
  middle: "middle",
  point: "near the working end",
};

/** What can be said of a piece, and in which words. */
export function placeNames({ shape }: Section): Readonly<Partial<Record<PlaceKey, string>>> {
  if (shape !== "wedge") return BAR_WORDS;
  return Object.fromEntries(Object.entries(PLACE_WORDS).map(([key, { name }]) => [key, name]));
}

/** The words nearest to a place. */
export function placeKey(place: TestPlace | null, isBlade = true): PlaceKey {
  if (place === null) return "";
  const { along, up } = place;
  if (along < 0.2) return "tang";
  if (along > 0.85) return "point";
  if (!isBlade) return "middle";
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

/** From so many readings on one face the other is asked for. */
const ENOUGH = 3;

/** What the two faces say of each other; that the other was not read, where one was enough; null while there is nothing to say. */
export function facesWords(faces: Faces | null, placed: number): string | null {
  if (faces === null)
    return placed < ENOUGH ? null : "All on one face: turn it over. A soft skin or a face that cooled slowly shows on the other.";
  const { first, other, isApart } = faces;
  const said = `First face ${showHardness(first.mean_HRC, 1)} of ${first.count}, other face ${showHardness(other.mean_HRC, 1)} of ${other.count}`;
  if (!isApart) return `${said}: alike.`;
  const softer = first.mean_HRC < other.mean_HRC ? "first" : "other";
  return `${said}: more than a tester scatters. Grind the ${softer} face past its skin and read it again; if it stays soft, it cooled more slowly.`;
}
