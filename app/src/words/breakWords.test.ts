import { describe, expect, it } from "@jest/globals";
import { breakWords } from "./breakWords.js";

describe("what a break says", () => {
  it("agrees with the log where both are near", () => {
    expect(breakWords(4, 9.4)).toBe("Its break looks like flour, grain about 9: as its heats make it.");
    // Nothing is finer than the finest drawing: a grain beyond it does not disagree with it.
    expect(breakWords(5, 14)).toMatch(/as its heats make it/);
  });
  it("coarser than its heats make it, it was hotter than anybody saw; finer, it was less hot than logged", () => {
    expect(breakWords(1, 9)).toMatch(/for 9 by its log: it was hotter.*Normalise it before/);
    expect(breakWords(5, 6)).toMatch(/for 6 by its log: it was less hot/);
  });
  it("says what it is where no heat is known", () => expect(breakWords(2, null)).toBe("Its break looks like sugar, grain about 6."));
});
