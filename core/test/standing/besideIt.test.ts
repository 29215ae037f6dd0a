import { describe, expect, it } from "@jest/globals";
import type { PieceState } from "../../src/book/state.js";
import { besideIt } from "../../src/standing/besideIt.js";

const NOW_ms = 10_000_000;
const piece = (id: string, next: string, quenched_min: number | null, more: object = {}): PieceState =>
  ({
    id,
    piece: {},
    fate: null,
    next: { kind: next },
    acts: [{ id: "q", kind: "quench" }],
    doneAt_ms: new Map(quenched_min === null ? [] : [["q", NOW_ms - 60000 * quenched_min]]),
    checks: [],
    ...more,
  }) as unknown as PieceState;
const ids = (of: PieceState, ...others: PieceState[]): string[] => besideIt(of, [of, ...others], NOW_ms).map(({ id }) => id);
const own = piece("own", "oven", 12);

describe("pieces that lie hard beside each other", () => {
  it("are asked about before the oven, not while the window to straighten runs", () => {
    const other = piece("other", "straighten", 1);
    expect(ids(own, other)).toEqual(["other"]);
    expect(ids(piece("own", "straighten", 1), other)).toEqual([]);
  });
  it("not those that were never quenched, lie since yesterday, broke, are in the oven, of another kind, or in the practice shop", () => {
    const others = [
      piece("a", "heat", null),
      piece("b", "oven", 900),
      piece("c", "oven", 5, { fate: { is: "broken" } }),
      piece("d", "temper", 30),
      piece("e", "oven", 5, { piece: { isPractice: true } }),
      // Nobody takes a froe for a sickle.
      piece("f", "oven", 5, { piece: { kind: "froe" } }),
    ];
    expect(ids(own, ...others)).toEqual([]);
  });
  it("no more once its mark was read; again after another quench", () => {
    const read = (min: number) => ({ checks: [{ at_ms: NOW_ms - 60000 * min, reading: { check: "mark" } }] });
    const other = piece("other", "oven", 10);
    expect(ids(piece("own", "oven", 12, read(3)), other)).toEqual([]);
    expect(ids(piece("own", "oven", 12, read(60)), other)).toEqual(["other"]);
  });
});
