import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute, predict, type Piece } from "@tembrak/core";
import { DEFAULT_SETTINGS } from "../store/db.js";
import { shutsFirst, weakestSentence, whereAlong } from "./alongWords.js";

const LONG: Piece = {
  name: "Reed sword",
  mark: "9",
  kind: "sword",
  form: "sword",
  steel: "5160",
  start: "as-forged",
  use: "sword",
  length_mm: 900,
  section: { shape: "wedge", spine_mm: 10, edge_mm: 2, height_mm: 45 },
};
const of = (piece: Piece) => predict(CATALOGUE, piece, planRoute(CATALOGUE, piece, "forge"), "quick");
const inches = { ...DEFAULT_SETTINGS, length: "in" as const };

describe("places along a blade, in words", () => {
  it("are the tip, the end by the tang, or so far from the tip, in the shop's unit", () => {
    expect(whereAlong(0.97, 900, DEFAULT_SETTINGS)).toBe("the tip");
    expect(whereAlong(0.05, 900, DEFAULT_SETTINGS)).toBe("the end by the tang");
    expect(whereAlong(0.5, 900, DEFAULT_SETTINGS)).toBe("the place 450 mm from the tip");
    expect(whereAlong(0.5, 900, inches)).toMatch(/^the place 17 .* in from the tip$/);
  });
  it("a thin tip shuts first, and is called so; one section has no other place", () => {
    const tapered = of({ ...LONG, stations: [{ at: 0.97, spine_mm: 3, edge_mm: 1.5 }] });
    expect(shutsFirst(tapered, LONG, DEFAULT_SETTINGS)).toBe("the tip");
    const plain = of(LONG);
    expect([shutsFirst(plain, LONG, DEFAULT_SETTINGS), weakestSentence(plain, LONG, "will be", DEFAULT_SETTINGS)]).toEqual([null, ""]);
  });
  it("what is least likely to come to what is wanted is said with its thickness, what it will be and how likely", () => {
    const thick: Piece = {
      ...LONG,
      steel: "1084",
      section: { shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 45 },
      stations: [{ at: 0.2, spine_mm: 14, edge_mm: 9 }],
    };
    expect(weakestSentence(of(thick), thick, "will be", DEFAULT_SETTINGS)).toMatch(
      /^Weakest is the place 720 mm from the tip, 14\.0 mm thick: its edge will be (\d\d|below 20) HRC, .* that its use is content with that\.$/,
    );
  });
});
