import {
  CATALOGUE,
  dipNow,
  PATTERNS,
  type DipNow,
  type Estimate,
  type PatternTried,
  type Piece,
  type Prediction,
  type Quench,
} from "@tembrak/core";
import { describe, expect, it } from "@jest/globals";
import {
  bathTapWords,
  dipPhrase,
  dipWords,
  endsWords,
  inOutKeys,
  overKey,
  PATTERN_WORDS,
  patternWords,
  triedWords,
} from "./patternWords.js";
import { bathed, marked } from "../testing.js";

const METRIC = { temperature: "C", length: "mm" } as const;
const PLAIN: Quench = bathed({ medium: "fast-oil", bath_C: 55, agitation: "mild", why: "warm-oil" });
const IMPERIAL = { ...METRIC, length: "in", temperature: "F" } as const;
const now = (quench: Quench, gone_s: number, over_s: number[] = []) =>
  dipNow(quench, { in_ms: 0, over_ms: over_s.map((s) => 1000 * s), out_ms: null }, 1000 * gone_s);
const estimate = (mean_HRC: number) => ({ mean_HRC, p05_HRC: mean_HRC - 2, p95_HRC: mean_HRC + 2 }) as Estimate;

describe("ways through a bath, in words", () => {
  it("every way has a name and says what it is for, two baths by which comes first", () => {
    for (const pattern of PATTERNS) {
      const { name, does } = patternWords(pattern, PLAIN);
      expect(name.length * does.length).toBeGreaterThan(0);
    }
    expect(patternWords("two-baths", PLAIN).mind).toMatch(/floats burning/);
    expect(patternWords("two-baths", bathed({ medium: "water" })).mind).toMatch(/boils up/);
    expect(new Set(Object.values(PATTERN_WORDS).map(({ name }) => name)).size).toBe(PATTERNS.length);
  });
  it("the title has what is special, in the shop's units; nothing for all of it under", () => {
    expect(dipPhrase(PLAIN, METRIC)).toBeNull();
    expect(dipPhrase(marked(PLAIN, { bath_s: 8 }), METRIC)).toBe("out after 8 s");
    expect(dipPhrase(marked(PLAIN, { then: { after_s: 3, medium: "water" } }), METRIC)).toBe("3 s, then into the water");
    expect(dipPhrase(marked(PLAIN, { edgeDepth_mm: 20, then: { after_s: 40 } }), METRIC)).toBe("then the back");
    expect(dipPhrase(marked(PLAIN, { edgeDepth_mm: 20, backFirst: { depth_mm: 15, after_s: 18 } }), METRIC)).toBe("the back first");
    expect(dipPhrase({ ...PLAIN, clay: { thickness_mm: 3.175, from_mm: 25.4 } }, IMPERIAL)).toMatch(/^clay 1\/8 in thick from 1 in up$/);
    expect(
      dipPhrase(marked(PLAIN, { part: { end: "working", depth_mm: 20 }, turns: { depth_mm: 20, first_s: 4, second_s: 5 } }), METRIC),
    ).toBe("both ends by turns");
  });
  it("clay, or an edge, that comes out early or goes on into another bath says so in title and at the bath", () => {
    const clay = { thickness_mm: 3, from_mm: 20 };
    const early = marked(PLAIN, { clay, bath_s: 8 });
    const two = marked(PLAIN, { clay, then: { after_s: 3, medium: "water" } });
    expect(dipPhrase(early, METRIC)).toMatch(/^clay .* up, out after 8 s$/);
    expect(dipPhrase(two, METRIC)).toMatch(/^clay .* up, 3 s, then into the water$/);
    const now = (quench: Quench, at_ms: number) => dipWords(dipNow(quench, { in_ms: 0, over_ms: [], out_ms: null }, at_ms), quench);
    expect([now(early, 2000), now(early, 9000)]).toEqual(["Keep it under. Out in 6", "Out"]);
    expect([now(two, 1000), now(two, 4000)]).toEqual(["Keep it under. 2, then into the water", "Now into the water"]);
    expect(now(marked(PLAIN, { edgeDepth_mm: 20, bath_s: 8 }), 3000)).toBe("Keep it under. Out in 5");
    expect(now(marked(PLAIN, { edgeDepth_mm: 20 }), 3000)).toBeNull();
  });
  it("what came of it: both places, or both ends, the line, the chance and the crack", () => {
    const tried: PatternTried = {
      pattern: "edge",
      quench: marked(PLAIN, { edgeDepth_mm: 20 }),
      working: estimate(58),
      thickest: estimate(24),
      other: null,
      chanceHard: 0.9,
      crack: "some",
      martensiteOut: 0,
      line_mm: 21,
      secondBy_s: null,
    };
    const blade = { section: { shape: "wedge", spine_mm: 5, edge_mm: 1, height_mm: 40 } } as Piece;
    const said = triedWords(tried, blade, METRIC);
    expect(said).toMatch(/edge 58 HRC \(56 to 60\), spine 24, line 21 mm up\. .* that it hardens; some risk of a crack\.$/);
    expect(
      triedWords({ ...tried, pattern: "out-early", quench: marked(PLAIN, { bath_s: 8 }), martensiteOut: 0.314 }, blade, METRIC),
    ).toMatch(/^Out after 8 s: .*, 31 % of it martensite as it comes out\. /);
    expect(triedWords({ ...tried, other: estimate(41) }, blade, METRIC)).toMatch(/first end 58 HRC .*second 41 HRC/);
  });
});

describe("at the bath", () => {
  it("the edge is held until the back is dark, then all of it; the words go on as for any bath after that", () => {
    const quench: Quench = marked(PLAIN, { edgeDepth_mm: 20, then: { after_s: 40 } });
    expect(dipWords(now(quench, 10), quench)).toMatch(/^Rock the edge until the back is dark, about 30 s$/);
    expect(dipWords(now(quench, 45), quench)).toBe("Is the back dark? All of it under");
    expect(overKey(now(quench, 45), quench)).toBe("The back is under too");
    expect(dipWords(now(quench, 50, [46]), quench)).toBeNull();
    expect(overKey(now(quench, 50, [46]), quench)).toBeNull();
  });
  it("a tap in a quench is told as what it was: in, changed over to what, out of what", () => {
    const taps = (quench: Quench | null) => (["in", "over", "out"] as const).map((tap) => bathTapWords(tap, quench));
    expect(taps(null)).toEqual(["in the bath", "all of it under", "out of the bath"]);
    expect(taps(marked(PLAIN, { then: { after_s: 3, medium: "water" } }))[1]).toBe("in the water");
    expect(taps(marked(PLAIN, { turns: { depth_mm: 9, first_s: 4, second_s: 4 }, part: { end: "working", depth_mm: 9 } }))[1]).toBe(
      "the other end under",
    );
    expect(taps(bathed({ medium: "metal-plates" }))).toEqual(["between the plates", "all of it under", "out of the plates"]);
    expect(taps(marked(PLAIN, { medium: "quench-paste", edgeDepth_mm: 9 }))[0]).toBe("in the paste");
  });
  it("into paste it is pressed and held still, and its keys say so", () => {
    const quench: Quench = bathed({ medium: "quench-paste", bath_C: 25, agitation: "none", edgeDepth_mm: 10, why: "paste" });
    const dip: DipNow = { pattern: "paste", changed: 0, due: null, gone_s: null, sinceMove_s: null };
    expect(dipWords(dip, quench)).toMatch(/hold it still/);
    expect(dipWords({ ...dip, gone_s: 3 }, quench)).toMatch(/Out when the back is black/);
    expect(inOutKeys("paste").in).toBe("The edge is in the paste");
    expect((["paste", "plates", "whole"] as const).map((pattern) => inOutKeys(pattern).where)).toEqual([
      "in the paste",
      "between the plates",
      "in the bath",
    ]);
    expect(patternWords("paste", quench).mind).toMatch(/flare/);
  });
  it("between plates it is pressed, not stirred, and its keys say so", () => {
    const pressed: Quench = marked(PLAIN, { medium: "metal-plates", bath_C: 25, agitation: "none", bath_s: 300, why: "plates" });
    expect(dipPhrase(pressed, METRIC)).toBe("pressed for 5 min");
    expect(dipWords(now(pressed, 60), pressed)).toBe("Pressed. Off in 4:00");
    expect(dipWords(now(pressed, 301), pressed)).toBe("Off, and sight along it");
    expect(inOutKeys("plates")).toMatchObject({ in: "The plates are on it", out: "The plates are off" });
    expect(inOutKeys("whole").in).toBe("It is in the bath");
  });
  it("two baths and out early go by the clock", () => {
    const two: Quench = marked(PLAIN, { then: { after_s: 3, medium: "water" } });
    expect(dipWords(now(two, 1), two)).toBe("Keep it under, moving. 2, then into the water");
    expect(dipWords(now(two, 3), two)).toBe("Now into the water");
    expect(overKey(now(two, 3), two)).toBe("It is in the water");
    const early: Quench = marked(PLAIN, { bath_s: 8 });
    expect(dipWords(now(early, 5), early)).toMatch(/Out in 3, then still air/);
    expect(overKey(now(early, 9), early)).toBeNull();
    expect(dipWords(now(PLAIN, 9), PLAIN)).toBeNull();
  });
  it("by turns each end is named as it goes, and one that waited too long is called back to the fire", () => {
    const turns: Quench = marked(PLAIN, { part: { end: "working", depth_mm: 20 }, turns: { depth_mm: 20, first_s: 4, second_s: 5 } });
    expect(dipWords(now(turns, 1), turns)).toBe("First end under. Change over in 3");
    expect(dipWords(now(turns, 5, [4]), turns)).toBe("Second end under. Change over in 4");
    expect(overKey(now(turns, 5, [4]), turns)).toBe("First end is under again");
    const curve = { time_s: [0, 10, 100], surface_C: [800, 500, 60], centre_C: [] };
    const other = { asQuenched: estimate(60), tempered: estimate(56), curve: { ...curve, surface_C: [800, 760, 100] }, secondBy_s: 20 };
    const prediction = { hardening: { curve }, other } as unknown as Prediction;
    expect(endsWords(now(turns, 8), prediction, 2, METRIC)).toBe("First end about 500 °C, second 760 °C, by the model.");
    expect(endsWords(now(turns, 19), prediction, 2, METRIC)).toMatch(/too long to harden: back in the fire/);
    // Once it has been under it is no question any more.
    expect(endsWords(now(turns, 30, [4]), prediction, 2, METRIC)).not.toMatch(/back in the fire/);
    expect(endsWords(now(turns, 8), { ...prediction, other: null }, 2, METRIC)).toBeNull();
  });
  it("every bath that can be second has a name", () => {
    for (const { id } of CATALOGUE.media)
      expect(dipPhrase(marked(PLAIN, { then: { after_s: 3, medium: id } }), METRIC)).not.toMatch(id === "water" ? /-/ : /undefined/);
  });
});
