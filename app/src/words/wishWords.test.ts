import { describe, expect, it } from "@jest/globals";
import type { Estimate, PatternTried, Piece } from "@tembrak/core";
import { wishWords } from "./wishWords.js";
import { bathed } from "../testing.js";

const METRIC = { temperature: "C", length: "mm" } as const;
const estimate = (mean_HRC: number) => ({ mean_HRC, p05_HRC: mean_HRC - 2, p95_HRC: mean_HRC + 2 }) as Estimate;
const TRIED: PatternTried = {
  pattern: "edge",
  quench: bathed({ medium: "fast-oil", bath_C: 55, agitation: "mild", why: "warm-oil", edgeDepth_mm: 18 }),
  working: estimate(58),
  thickest: estimate(24),
  other: null,
  chanceHard: 0.9,
  crack: "low",
  martensiteOut: 0,
  line_mm: 16,
  secondBy_s: null,
};
const blade = { section: { shape: "wedge", spine_mm: 5, edge_mm: 1, height_mm: 40 } } as Piece;
const bar = { section: { shape: "round", diameter_mm: 20 } } as Piece;
const better = { tried: TRIED, planned: 0.05, then: 0.8 };

describe("a wish the plan misses, in words", () => {
  const spine = { zone: "spine", wants: "soft", wanted_HRC: [15, 40], expected: estimate(55), chance: 0.05, isLeft: false } as const;
  it("which zone, what was wanted, what it will be, and which way would do it with what chance", () => {
    const said = wishWords(spine, better, blade, METRIC);
    expect(said).toMatch(
      /^Spine, wanted 15 to 40 HRC, will be 55: .* that it lands there\. The edge only instead: every part as wanted, 8 in 10\./,
    );
    expect(said).toMatch(/line 16 mm up.*little risk of a crack\.$/);
  });
  it("a bar has a body, not a spine", () => expect(wishWords(spine, better, bar, METRIC)).toMatch(/^Body, wanted/));
});
