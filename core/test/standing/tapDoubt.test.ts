import { describe, expect, it } from "@jest/globals";
import { pieceState, type PieceState } from "../../src/book/state.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { planRoute } from "../../src/plan/route.js";
import type { BookEvent, HardnessTest, Piece } from "../../src/schema/book.js";
import { predict, type Prediction } from "../../src/simulate/predict.js";
import { standingQuestion } from "../../src/standing/question.js";
import { bathTimes } from "../../src/standing/bathTimes.js";
import { tapDoubt, tapMatters } from "../../src/standing/tapDoubt.js";

const KNIFE: Piece = {
  name: "Hay knife",
  mark: "4",
  kind: "knife",
  steel: "1084",
  start: "as-forged",
  use: "slicer",
  length_mm: 240,
  section: { shape: "wedge", spine_mm: 3.2, edge_mm: 0.8, height_mm: 30 },
};
const ROUTE = planRoute(CATALOGUE, KNIFE, "forge");
const ACTS = actsOfRoute(ROUTE);
const QUENCH = ACTS.findLastIndex(({ kind }) => kind === "quench");
const OUT_ms = 1_000_000_000;
const STEP = ACTS[QUENCH]!.step;

function tapped(transfer_s: number, more: readonly BookEvent[] = []): PieceState {
  const in_ms = OUT_ms + 1000 * transfer_s;
  const own = (id: string, at_ms: number, event: object): BookEvent => ({ id, piece: "p", at_ms, ...event }) as BookEvent;
  return pieceState("p", [
    own("a", 0, { kind: "piece", definition: KNIFE }),
    own("b", 1, { kind: "route", route: ROUTE }),
    ...ACTS.slice(0, QUENCH).map(({ id }, i) => own(`d${i}`, OUT_ms - 1000 * (QUENCH - 1 - i), { kind: "act-done", act: id })),
    own("in", in_ms, { kind: "check", act: ACTS[QUENCH]!.id, reading: { check: "bath", state: "in" } }),
    own("out", in_ms + 10_000, { kind: "check", act: ACTS[QUENCH]!.id, reading: { check: "bath", state: "out" } }),
    own("q", in_ms + 10_001, { kind: "act-done", act: ACTS[QUENCH]!.id }),
    ...more,
  ])!;
}
const standingOf = (state: PieceState): Prediction => {
  const { piece, route, known } = standingQuestion(state, { catalogue: CATALOGUE })!;
  return predict(CATALOGUE, piece, route, "full", undefined, undefined, known);
};
const corrected = (why: "as-tapped" | "tapped-late", true_ms: number): BookEvent => ({
  id: "c",
  piece: "p",
  at_ms: OUT_ms + 90_000,
  kind: "corrected",
  event: "in",
  true_ms,
  why,
});

describe("in the bath tapped 17 s after the fire, because gloves were on", () => {
  const late = tapped(17);
  const doubt = tapDoubt(late, STEP)!;
  it("is asked about, and the piece is by the likelier of both: hard, as the shop's way makes it", () => {
    expect(doubt).toMatchObject({ event: "in", tapped_s: 17, isLikely: true });
    expect(doubt.chance).toBeGreaterThan(0.9);
    const now = standingOf(late);
    const usual = standingOf(tapped(1.5));
    expect(Math.abs(now.working.asQuenched.p50_HRC - usual.working.asQuenched.p50_HRC)).toBeLessThan(1.5);
    expect(tapMatters(standingOf(tapped(17, [corrected("as-tapped", OUT_ms + 17_000)])), usual)).toBe(true);
  });
  it("said to be so it counts; said to be late it is the usual way, and is not asked about again", () => {
    const really = tapped(17, [corrected("as-tapped", OUT_ms + 17_000)]);
    expect(tapDoubt(really, STEP)).toBeNull();
    expect(standingOf(really).working.asQuenched.mean_HRC).toBeLessThan(50);
    const put = tapped(17, [corrected("tapped-late", doubt.usual_ms)]);
    expect(tapDoubt(put, STEP)).toBeNull();
    expect(bathTimes(put, STEP).in_ms).toBe(doubt.usual_ms);
    expect(standingOf(put).working.asQuenched.mean_HRC).toBeGreaterThan(58);
  });
  it("the correction taken back, it is asked about once more", () => {
    const back: BookEvent = { id: "w", piece: "p", at_ms: OUT_ms + 95_000, kind: "withdrawn", event: "c" };
    expect(tapDoubt(tapped(17, [corrected("tapped-late", doubt.usual_ms), back]), STEP)).not.toBeNull();
  });
  it("a file decides between the two: one of seven seconds that skates went in as usual, one that is bitten did not", () => {
    const test = (result: "skates" | "bites"): HardnessTest => ({
      strokes: [50, 55, 60].map((file_HRC) => ({ file_HRC, result })),
      readings_HRC: [],
      surface: "ground",
      piece_C: 30,
    });
    const told = (result: "skates" | "bites"): number =>
      standingOf(
        tapped(7, [{ id: "t", piece: "p", at_ms: OUT_ms + 600_000, kind: "test", act: ACTS[QUENCH + 2]?.id ?? "x", test: test(result) }]),
      ).working.asQuenched.mean_HRC;
    expect(told("skates")).toBeGreaterThan(59);
    expect(told("bites")).toBeLessThan(50);
  });
  it("two seconds are a way; a piece said to be slow, and one that falls, are not asked about", () => {
    expect(tapDoubt(tapped(2), STEP)?.isLikely ?? false).toBe(false);
    const slow: BookEvent = {
      id: "s",
      piece: "p",
      at_ms: OUT_ms + 50_000,
      kind: "check",
      act: ACTS[QUENCH]!.id,
      reading: { check: "mishap", what: "slow" },
    };
    expect(tapDoubt(tapped(17, [slow]), STEP)).toBeNull();
  });
});
