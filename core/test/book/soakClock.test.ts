import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { soakClock } from "../../src/book/soakClock.js";
import { pieceState } from "../../src/book/state.js";
import { planRoute } from "../../src/plan/route.js";
import { actsOfRoute, type Act } from "../../src/plan/acts.js";
import type { BookEvent, Check, Piece } from "../../src/schema/book.js";

const piece: Piece = {
  name: "Drawknife",
  mark: "6",
  kind: "drawknife",
  steel: "o1",
  start: "fine-spheroidised",
  use: "drawknife",
  length_mm: 304,
  section: { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 34 },
};
const route = planRoute(CATALOGUE, piece, "kiln");
const hold = actsOfRoute(route).find((act): act is Extract<Act, { kind: "hold" }> => act.kind === "hold" && act.purpose === "harden")!;
const START_ms = 10_000_000;
const MIN = 60_000;

function at(now_min: number, ...happened: readonly (readonly [number, Check])[]) {
  const before = actsOfRoute(route).slice(
    0,
    actsOfRoute(route).findIndex(({ id }) => id === hold.id),
  );
  const events: BookEvent[] = [
    { id: "a", piece: "p", at_ms: 1, kind: "piece", definition: piece },
    { id: "b", piece: "p", at_ms: 2, kind: "route", route },
    ...before.map((act, i): BookEvent => ({
      id: `d${i}`,
      piece: "p",
      at_ms: START_ms - (before.length - 1 - i),
      kind: "act-done",
      act: act.id,
    })),
    ...happened.map(([min, reading], i): BookEvent => ({
      id: `c${i}`,
      piece: "p",
      at_ms: START_ms + min * MIN,
      kind: "check",
      act: hold.id,
      reading,
    })),
  ];
  return soakClock(pieceState("p", events)!, hold, START_ms + now_min * MIN);
}
const open: Check = { check: "door", state: "open" };
const reads = (temperature_C: number): Check => ({ check: "chamber", temperature_C });

describe("the two clocks of a soak", () => {
  it("without a door the piece's clock is the clock on the wall", () => {
    expect(at(4)).toMatchObject({ piece_s: 240, waitsForChamber: false, lost_s: 0, end_ms: START_ms + hold.hold_s * 1000 });
  });
  it("an open door stops the piece's clock until the chamber reads within 10 F of its heat; nearer does not count", () => {
    expect(at(6, [3, open])).toMatchObject({ piece_s: 180, waitsForChamber: true, end_ms: null });
    expect(at(6, [3, open], [5, reads(hold.target_C - 8)])).toMatchObject({ piece_s: 180, waitsForChamber: true });
    const back = at(8, [3, open], [5, reads(hold.target_C - 5)]);
    expect(back).toMatchObject({ piece_s: 360, waitsForChamber: false, lost_s: 120 });
    expect(back.end_ms).toBe(START_ms + hold.hold_s * 1000 + 2 * MIN);
  });
  it("two openings add up; a second opening before it is back is the same one", () => {
    const twice = at(20, [2, open], [3, open], [4, reads(hold.target_C)], [10, open], [13, reads(hold.target_C + 4)]);
    expect(twice.lost_s).toBe(300);
    expect(twice.piece_s).toBe(20 * 60 - 300);
  });
  it("the chamber's clock runs from its first reading at heat, before the piece had begun", () => {
    expect(at(5, [-12, reads(hold.target_C - 2)]).chamber_s).toBe(17 * 60);
    expect(at(5).chamber_s).toBeNull();
  });
  it("what the chamber read in another heat does not count", () => {
    const events: BookEvent[] = [
      { id: "a", piece: "p", at_ms: 1, kind: "piece", definition: piece },
      { id: "b", piece: "p", at_ms: 2, kind: "route", route },
      { id: "c", piece: "p", at_ms: START_ms - MIN, kind: "check", act: "prove", reading: reads(hold.target_C + 60) },
    ];
    expect(soakClock(pieceState("p", events)!, hold, START_ms).chamber_s).toBeNull();
  });
});
