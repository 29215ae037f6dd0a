import { describe, expect, it } from "@jest/globals";
import { bathAfternoons, blades, coloursSeen, firstFiles, lateTaps, movedOvens } from "./surprises.js";

// What is wanted of each is the project's own bar; the shops use nothing of the rule they try. `npm run hand` tries more of them.
describe("a shop with surprises", () => {
  it("a bath just read is shown as read, and as it is; what nobody logged is asked about and nothing else", () => {
    const { readings, nearRead, trueOnes, nearTrue, held, quiet, falselyAsked, planted, found } = bathAfternoons(250, 40_000);
    expect(nearRead).toBe(readings);
    // Two errors of a thermometer hold 95.4 of a hundred (normal distribution).
    expect(nearTrue / trueOnes).toBeGreaterThan(0.94);
    expect(held / trueOnes).toBeGreaterThan(0.87);
    expect(held / trueOnes).toBeLessThan(0.96);
    expect(falselyAsked / quiet).toBeLessThan(0.02);
    expect(found / planted).toBeGreaterThan(0.8);
  });
  it("a bath that moved and was misread at once is found by the second look too", () => {
    const { twice, twiceFound } = bathAfternoons(1000, 50_000);
    expect(twice).toBeGreaterThan(30);
    expect(twiceFound / twice).toBeGreaterThan(0.8);
  });
  it("a failed quench is found by its second file, and a good one hardly ever condemned", () => {
    const { failed, failedFoundByTwo, good, goodCondemned, goodCondemnedByTwo } = firstFiles(4000, 40_000);
    expect(failedFoundByTwo / failed).toBeGreaterThan(0.9);
    expect(goodCondemned / good).toBeLessThan(0.01);
    expect(goodCondemnedByTwo / good).toBeLessThan(0.01);
  });
  it("an oven whose dial was moved between its readings is late, and near what it is off", () => {
    const { ovens, near, late, held } = movedOvens(40, 40_000);
    expect(near / ovens).toBeGreaterThan(0.9);
    expect(late / ovens).toBeGreaterThan(0.85);
    expect(held / ovens).toBeGreaterThan(0.85);
  });
  it("nine of ten late taps are asked about, and at most one true way in thirty", () => {
    const { late, lateAsked, timely, timelyAsked } = lateTaps(4000, 40_000);
    expect(lateAsked / late).toBeGreaterThan(0.9);
    expect(timelyAsked / timely).toBeLessThan(1 / 30);
  });
  it("a colour that is seen is never sent on, and seen twice it is there, or soon", () => {
    const { looks, sentOn, sentOnTwice } = coloursSeen(15, 40_000);
    expect(looks).toBe(90);
    expect([sentOn, sentOnTwice]).toEqual([0, 0]);
  });
  it("of fifty blades hardly one is told to bend when it is hard, or locked while it is not", () => {
    const tally = blades(50, 40_000);
    expect(tally.openWhenHard).toBeLessThanOrEqual(2);
    expect(tally.shutWhenOpen).toBeLessThanOrEqual(3);
    expect(tally.held / tally.shuts).toBeGreaterThan(0.84);
  });
});
