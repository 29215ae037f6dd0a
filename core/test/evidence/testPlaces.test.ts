import { describe, expect, it } from "@jest/globals";
import { testVerdict } from "../../src/evidence/storedTest.js";
import { facesOf, placeDoubts, thicknessAt_mm, thinnestTested_mm } from "../../src/evidence/testPlaces.js";
import type { HardnessTest } from "../../src/schema/book.js";

const BLADE = { shape: "wedge", spine_mm: 5, edge_mm: 0.5, height_mm: 40 } as const;
const ROUND = { shape: "round", diameter_mm: 12 } as const;
const test = (places?: HardnessTest["places"]): HardnessTest => ({
  strokes: [],
  readings_HRC: [58, 58.5, 57.5],
  ...(places === undefined ? {} : { places }),
  surface: "ground",
  piece_C: 20,
});
const codes = (places?: HardnessTest["places"]): string[] => testVerdict(test(places), BLADE).notices.map(({ code }) => code);

describe("where a tester was set", () => {
  it("a blade is as thick there as its taper has it; of a bar nothing thin is pressed", () => {
    expect(thicknessAt_mm(BLADE, 0)).toBe(0.5);
    expect(thicknessAt_mm(BLADE, 1)).toBe(5);
    expect(thicknessAt_mm(BLADE, 0.2)).toBeCloseTo(0.5 + 0.2 * 4.5, 12);
    expect(thicknessAt_mm(ROUND, 0.2)).toBeNull();
    expect(thinnestTested_mm(BLADE, [{ along: 0.5, up: 0.9 }, null, { along: 0.5, up: 0.1 }])).toBeCloseTo(0.95, 12);
    expect(thinnestTested_mm(BLADE, [null, null])).toBeCloseTo(2.75, 12);
  });
  // ASTM E18's table of least thickness, from memory: about 0.76 mm at 57 HRC, and ten depths of the dent.
  it("a reading near a thin edge is too thin to be believed, one in the middle or of nobody knows where is not", () => {
    const at = (up: number) => [{ along: 0.5, up }, null, null];
    expect(codes(at(0.02))).toContain("too-thin");
    expect(codes(at(0.5))).not.toContain("too-thin");
    expect(codes()).not.toContain("too-thin");
  });
  it("above the line of an edge quench, or behind the end that went in, it was left soft on purpose; by the tang tongs cool it", () => {
    const places = [{ along: 0.5, up: 0.2 }, { along: 0.5, up: 0.8 }, { along: 0.05, up: 0.2 }, null];
    expect(placeDoubts(BLADE, places, { above_mm: 16 })).toEqual([
      { code: "soft-on-purpose", readings: [2] },
      { code: "near-tongs", readings: [3] },
    ]);
    expect(placeDoubts(BLADE, places, {})).toEqual([{ code: "near-tongs", readings: [3] }]);
    expect(placeDoubts(ROUND, places, { before: 0.7 })).toEqual([{ code: "soft-on-purpose", readings: [1, 2, 3] }]);
    expect(placeDoubts(BLADE, undefined, { above_mm: 16 })).toEqual([]);
  });
});

describe("readings that are not of one hardness", () => {
  it("more than 5 HRC apart they are questioned, closer they are the tester's scatter", () => {
    const apart = (readings_HRC: number[]): string[] =>
      testVerdict({ strokes: [], readings_HRC, surface: "ground" }, BLADE).notices.map(({ code }) => code);
    expect(apart([59, 60.5, 41])).toContain("scattered-readings");
    expect(apart([58, 60, 62])).not.toContain("scattered-readings");
  });
});

describe("its two faces", () => {
  const first = { along: 0.5, up: 0.5 };
  const other = { ...first, face: "other" as const };
  it("means of each by hand; apart where three deviations of a mean's difference do not make them so", () => {
    // 0.8 sqrt(1/2 + 1/2) = 0.8: three of them are 2.4.
    expect(facesOf([60, 59, 57.5, 56.7], [first, first, other, other])).toEqual({
      first: { mean_HRC: 59.5, count: 2 },
      other: { mean_HRC: 57.1, count: 2 },
      isApart: false,
    });
    expect(facesOf([60, 59, 57.3, 56.7], [first, first, other, other])!.isApart).toBe(true);
  });
  it("one face, or readings of nobody knows where, say nothing of the other", () => {
    expect(facesOf([60, 59], [first, first])).toBeNull();
    expect(facesOf([60, 59, 58], [first, null, null])).toBeNull();
    expect(facesOf([60], undefined)).toBeNull();
  });
});
