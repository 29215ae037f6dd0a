import { describe, expect, it } from "@jest/globals";
import { facesOf, type TestPlace } from "@tembrak/core";
import { facesWords, placeKey, placeNames, PLACE_WORDS, type PlaceKey } from "./placeWords.js";

const first: TestPlace = { along: 0.5, up: 0.5 };
const other: TestPlace = { ...first, face: "other" };

describe("where a tester was set, in words", () => {
  it("every place that can be said is the one that is nearest to itself", () => {
    for (const key of Object.keys(PLACE_WORDS) as PlaceKey[]) expect(placeKey(PLACE_WORDS[key].place)).toBe(key);
  });
  it("a bar has no edge and no back", () => {
    const names = Object.entries(placeNames({ shape: "round", diameter_mm: 12 }));
    for (const [key, name] of names) {
      expect(name).not.toMatch(/edge|back|tang|flat/);
      expect(placeKey(PLACE_WORDS[key as PlaceKey].place, false)).toBe(key);
    }
    expect(Object.keys(placeNames({ shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 30 }))).toEqual(Object.keys(PLACE_WORDS));
  });
  it("both faces: alike, or which to grind; one face alone is turned over once it has enough", () => {
    expect(facesWords(facesOf([59, 59.4, 59.1], [first, first, other]), 3)).toBe("First face 59.2 of 2, other face 59.1 of 1: alike.");
    expect(facesWords(facesOf([55, 55.4, 60.1, 60], [first, first, other, other]), 4)).toMatch(
      /more than a tester scatters. Grind the first face/,
    );
    expect(facesWords(facesOf([60, 60, 54, 54], [first, first, other, other]), 4)).toMatch(/Grind the other face/);
    expect(facesWords(null, 2)).toBeNull();
    expect(facesWords(null, 3)).toMatch(/turn it over/);
  });
});
