import { describe, expect, it } from "@jest/globals";
import type { RunNow } from "@tembrak/core";
import { backWords, colourKeys, foundWords, runWords } from "./runWords.js";

const NOW: RunNow = {
  call: "wait",
  isBorneOut: true,
  isSeen: false,
  left_s: 26,
  from_s: 21,
  to_s: 33,
  never: 0,
  window_s: [21, 33],
  colour: "straw",
  watched_nm: 20,
  edge_C: 220,
  along_nm: [20, 60],
  ahead_nm: [24, 62],
  coming_nm: [20, 30],
};

describe("words at a run", () => {
  it("seconds, and between which", () => {
    expect(runWords(NOW, "purple", "torch")).toEqual({ big: "26", what: "seconds until stop", range: "between 21 and 33" });
    expect(runWords({ ...NOW, left_s: 180, to_s: Infinity, never: 0.3 }, "purple", "torch")).toMatchObject({
      big: "3",
      range: "between 21 s and never; 3 in 10 that it does not: more heat, slowly",
    });
  });
  it("seconds beside minutes are named as seconds", () => {
    expect(runWords({ ...NOW, to_s: 180 }, "purple", "torch").range).toBe("between 21 s and 3 min");
    expect(runWords({ ...NOW, left_s: 60, to_s: Infinity }, "purple", "torch").range).toMatch(/^between 21 and never/);
  });
  it("asks to look where nobody saw it, and says where it may never come", () => {
    expect(runWords({ ...NOW, call: "look", left_s: -2, window_s: [-8, 6] }, "bronze", "torch").what).toBe("Look: is it bronze?");
    const gone = runWords({ ...NOW, call: "look", left_s: -20, window_s: [-30, -12] }, "bronze", "torch");
    expect(gone).toMatchObject({ what: "By the model it is past bronze", range: expect.stringMatching(/^dunk it/) });
    expect(runWords({ ...NOW, call: "stop", left_s: 0 }, "bronze", "torch").what).toBe("Stop: it is bronze");
    expect(runWords({ ...NOW, left_s: Infinity }, "bronze", "torch").what).toMatch(/may not come/);
    expect(runWords({ ...NOW, left_s: Infinity }, "bronze", "hot-bar").range).toMatch(/lay it on a fresh one/);
    expect(runWords({ ...NOW, left_s: Infinity }, "bronze", "hot-bar", true).range).toMatch(/flatter on it, or a hotter bar/);
  });
  it("a colour that goes back is told, one that stays or comes on is not", () => {
    const seen = (...names: ("straw" | "blue")[]) => backWords(names.map((name) => ({ name })));
    expect(seen("blue", "straw")).toMatch(/^Blue a moment ago, straw now: a colour does not go back/);
    expect([seen(), seen("blue"), seen("straw", "straw"), seen("straw", "blue")]).toEqual([null, null, null, null]);
    // What was said after it was undone counts no more: the last two that stand.
    expect(seen("blue", "straw", "blue")).toBeNull();
  });
  it("leaves it to the eye where it sees the colour before the clock does", () => {
    expect(runWords({ ...NOW, isSeen: true }, "bronze", "torch")).toEqual({
      big: "?",
      what: "You see bronze or past it",
      range: "stop, if you are sure; by the model 26 s more",
    });
  });
  it("has a key for the colour wanted and for two beyond it", () => {
    expect(colourKeys("bronze")).toEqual(["bare", "light straw", "straw", "dark straw", "bronze", "purple", "dark blue"]);
    expect(colourKeys("faint straw")).toContain("faint straw");
    expect(colourKeys("grey").at(-1)).toBe("grey");
  });
  it("what was found cold: as wanted, to be run again, or too far", () => {
    expect(foundWords("bronze", "bronze").words).toBe("Bronze, as wanted.");
    expect(foundWords("straw", "bronze")).toMatchObject({ isShort: true, isPast: false });
    expect(foundWords("blue", "bronze").words).toMatch(/past bronze: softer\. Grind back/);
  });
});
