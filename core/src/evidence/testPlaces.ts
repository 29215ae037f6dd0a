/** Where on a piece readings were made: how thick it is there, and which of them say nothing of where it works. */

import type { HardnessTest, TestPlace } from "../schema/book.js";
import type { Section } from "../schema/parts.js";

/** How thick a blade or a flat is at a place; null where nothing thin is tested. */
export function thicknessAt_mm(section: Section, up: number): number | null {
  switch (section.shape) {
    case "wedge":
      return section.edge_mm + up * (section.spine_mm - section.edge_mm);
    case "plate":
      return section.thickness_mm;
    case "round":
    case "square":
      return null;
  }
}

/** The middle of a blade's flat, where nobody said. */
const USUAL_UP = 0.5;

/** The thinnest place that was pressed; the middle where nobody said. */
export function thinnestTested_mm(section: Section, places: HardnessTest["places"]): number | null {
  const said = (places ?? []).flatMap((place) => (place === null ? [] : [place.up]));
  return thicknessAt_mm(section, said.length === 0 ? USUAL_UP : Math.min(...said));
}

/** What of a piece was not to be hard: above a height of its blade, or before a share of its length. */
export interface SoftParts {
  readonly above_mm?: number | undefined;
  readonly before?: number | undefined;
}

export type PlaceDoubt =
  | { readonly code: "near-tongs"; readonly readings: readonly number[] }
  | { readonly code: "soft-on-purpose"; readonly readings: readonly number[] };

/** Held there by the tongs, cooled by them, and often never hot enough (judgement). */
const TONGS_SHARE = 0.15;

function isSoft({ along, up }: TestPlace, section: Section, { above_mm = Infinity, before = 0 }: SoftParts): boolean {
  return along < before || (section.shape === "wedge" && up * section.height_mm > above_mm);
}

/** What was read on each of the two faces, HRC. */
export interface Faces {
  readonly first: { readonly mean_HRC: number; readonly count: number };
  readonly other: { readonly mean_HRC: number; readonly count: number };
  /** Further apart than the scatter of a tester makes them. */
  readonly isApart: boolean;
}

/** A bench tester's scatter from reading to reading, HRC, and so many deviations are no scatter (judgement). */
const SCATTER_HRC = 0.8;
const APART_sd = 3;

/** Null unless both faces were read. Readings nobody placed are of neither. */
export function facesOf(readings_HRC: readonly number[], places: HardnessTest["places"]): Faces | null {
  const on = (face: TestPlace["face"]): number[] =>
    readings_HRC.filter((_, i) => {
      const place = places?.[i] ?? null;
      return place !== null && place.face === face;
    });
  const said = (values: readonly number[]) => ({ mean_HRC: values.reduce((a, b) => a + b, 0) / values.length, count: values.length });
  const [first, other] = [said(on(undefined)), said(on("other"))];
  if (first.count === 0 || other.count === 0) return null;
  const sd_HRC = SCATTER_HRC * Math.sqrt(1 / first.count + 1 / other.count);
  return { first, other, isApart: Math.abs(first.mean_HRC - other.mean_HRC) > APART_sd * sd_HRC };
}

/** Readings, counted from 1, that are not of steel that was to be hard; those near the tongs, of what was hardened whole. */
export function placeDoubts(section: Section, places: HardnessTest["places"], soft: SoftParts): PlaceDoubt[] {
  const said = (places ?? []).flatMap((place, i) => (place === null ? [] : [{ place, reading: i + 1 }]));
  const readingsOf = (is: (place: TestPlace) => boolean): number[] => said.filter(({ place }) => is(place)).map(({ reading }) => reading);
  const onPurpose = readingsOf((place) => isSoft(place, section, soft));
  const byTongs = readingsOf((place) => place.along < TONGS_SHARE && !isSoft(place, section, soft));
  return [
    ...(onPurpose.length === 0 ? [] : [{ code: "soft-on-purpose" as const, readings: onPurpose }]),
    ...(byTongs.length === 0 ? [] : [{ code: "near-tongs" as const, readings: byTongs }]),
  ];
}
