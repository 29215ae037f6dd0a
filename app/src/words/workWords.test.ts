import { describe, expect, it } from "@jest/globals";
import { PROOFS, type Settling, type WarpNow } from "@tembrak/core";
import { DEFAULT_SETTINGS } from "../store/db.js";
import { aroundDipWords, dipWords } from "./dipWords.js";
import { fallingWords, gradeWords, OUTCOMES_OF, proofsFor, settlingWords, warpWords } from "./workWords.js";

const inches = { ...DEFAULT_SETTINGS, length: "in", temperature: "F" } as const;
const WARP: WarpNow = {
  bow_mm: 2,
  over_mm: 300,
  tolerance_mm: 0.8,
  isWithin: false,
  passes: [],
  held: null,
  past_mm: 2,
  stays: 0.5,
  strain: 0.001,
  isRisky: false,
};
const REST: Settling = { atRest_C: 215, sd_C: 2, wait_min: 0, isLate: false, isMoving: false, swing_K: 0 };

describe("words of what is done by hand", () => {
  it("a warp: how far, how far past, what stayed, and when it is enough", () => {
    expect(warpWords(WARP, DEFAULT_SETTINGS)).toBe("2.0 mm off the line over 300 mm. Hold it 2.0 mm past the line in the temper.");
    const pass = { how: "jig", past_mm: 2, before_mm: 3, after_mm: 2 } as const;
    expect(warpWords({ ...WARP, passes: [pass], isRisky: true }, DEFAULT_SETTINGS)).toMatch(/So far 50 % .* warm it first/);
    expect(warpWords({ ...WARP, isWithin: true }, DEFAULT_SETTINGS)).toMatch(/straight enough/);
    expect(warpWords(WARP, inches)).not.toMatch(/mm/);
  });
  it("an oven: it can go in, it will be, or its dial is to be turned", () => {
    expect(settlingWords(REST, 212, DEFAULT_SETTINGS)).toMatch(/^It is steady at 215° .*: it can go in\.$/);
    expect(settlingWords({ ...REST, atRest_C: 240 }, 212, DEFAULT_SETTINGS)).toMatch(/set its dial 28° lower/);
    expect(settlingWords({ ...REST, swing_K: 11 }, 212, DEFAULT_SETTINGS)).toMatch(/it can go in\. It goes 11° up and down about that/);
    expect(settlingWords({ ...REST, swing_K: 11, atRest_C: 240 }, 212, inches)).toMatch(/read it again\. It goes 20° up and down/);
    expect(settlingWords({ ...REST, isMoving: true, wait_min: 12 }, 212, DEFAULT_SETTINGS)).toMatch(
      /will be steady at 215° .*in about 12 min: then it can go in/,
    );
    expect(settlingWords({ ...REST, atRest_C: 190 }, 212, inches)).toMatch(/374° .*40° higher/);
  });
  it("a kiln that falls: when it is there, between when, by what, and that hard steel should not lie so long", () => {
    const slow = { left_min: 193, from_min: 121, to_min: 301, isLearned: false };
    expect(fallingWords(slow, 200, DEFAULT_SETTINGS)).toMatch(/^Power off, door shut: down to 200° in about 3 h 15, 2 h to 5 h, as kilns/);
    expect(fallingWords(slow, 200, inches)).toMatch(/down to 392°/);
    expect(fallingWords(slow, 200, inches)).toMatch(/should not lie hard so long/);
    const soon = fallingWords({ left_min: 31, from_min: 24, to_min: 42, isLearned: true }, 200, DEFAULT_SETTINGS);
    expect(soon).toMatch(/in about 30 min, 25 min to 40 min, by its own fall\.$/);
  });
  it("a piece measured before its last temper is said to be, not that nobody tested it", () => {
    expect(gradeWords("model", true, true)).toMatch(/^measured before its last temper/);
    expect(gradeWords("model", false, false)).toBe("worked out, not tested");
    expect(gradeWords("model", false, true)).toMatch(/from what was tried before its temper/);
    expect(gradeWords("tester", true, false)).toMatch(/tester/);
  });
  it("every use has its proofs, and every proof an end that is good", () => {
    for (const of of PROOFS) expect(OUTCOMES_OF[of][0]).toBe("held");
    expect(proofsFor({ use: "striker", section: { shape: "plate", thickness_mm: 6 } })[0]).toBe("spark");
    expect(proofsFor({ use: "axe", section: { shape: "wedge", spine_mm: 8, edge_mm: 1, height_mm: 60 } })).toContain("chop");
  });
  it("the dip and the ways round it", () => {
    expect(dipWords({ from_C: 230, to_C: 370, cooler: null, hotter: null }, DEFAULT_SETTINGS)).toMatch(/an hour at 230° to 370°/);
    expect(aroundDipWords({ temperature_C: 210, hardness_HRC: 59.8, isInUse: false }, false, DEFAULT_SETTINGS)).toBe(
      "Cooler and harder, 210°: about 60 HRC, harder than its use wants: it keeps an edge, and chips sooner.",
    );
  });
});
