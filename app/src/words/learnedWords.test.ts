import { describe, expect, it } from "@jest/globals";
import { DEFAULT_SETTINGS } from "../store/db.js";
import { factorTitle, factorWords } from "./learnedWords.js";

const base = { scatter: 0.1, pieces: 6 };

describe("what the shop taught, in words", () => {
  it("a bath by how many times as fast, with its range and the pieces behind it", () => {
    const bath = { ...base, name: "bath" as const, item: "fast-oil", mean: Math.log(1.15), sd: 0.1 };
    expect(factorTitle(bath)).toBe("Your fast oil");
    expect(factorWords(bath, DEFAULT_SETTINGS)).toBe("takes heat out 1.15 times as fast as ours, 0.98 to 1.36, from 6 pieces.");
  });
  it("an oven by degrees, in the shop's own unit; what is as it was said is said so", () => {
    const oven = { ...base, name: "oven" as const, mean: -9, sd: 3, pieces: 1 };
    expect(factorWords(oven, DEFAULT_SETTINGS)).toMatch(/^9°.* colder than it was taken for, give or take 5°.*, from 1 piece\.$/);
    expect(factorWords(oven, { ...DEFAULT_SETTINGS, temperature: "F" })).toMatch(/^16°/);
    expect(factorWords({ ...oven, mean: 0.3 }, DEFAULT_SETTINGS)).toMatch(/^as it was taken for/);
    expect(factorWords({ ...oven, name: "heat", mean: 0.3 }, DEFAULT_SETTINGS)).toMatch(/^as planned/);
  });
  it("the way to the bath in seconds, a steel in points", () => {
    expect(factorWords({ ...base, name: "transfer", mean: Math.log(2), sd: 0.1 }, DEFAULT_SETTINGS)).toMatch(
      /^3\.0 s from fire to bath, 2\.5 to 3\.5/,
    );
    const steel = { ...base, name: "steel" as const, item: "1084", mean: -1.2, sd: 0.4 };
    expect([factorTitle(steel), factorWords(steel, DEFAULT_SETTINGS)]).toEqual([
      "Your 1084",
      "comes out 1.2 HRC softer than its curve, give or take 0.7, from 6 pieces.",
    ]);
    expect(factorWords({ ...steel, name: "dissolution", mean: Math.log(0.8), sd: 0.1 }, DEFAULT_SETTINGS)).toBe(
      "lets its carbide dissolve 0.80 times as fast as ours in the heat, 0.68 to 0.94, from 6 pieces.",
    );
    expect(factorTitle({ ...steel, name: "dissolution" })).toBe("Your 1084");
  });
});
