import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { CATALOGUE } from "../../src/catalogue.js";
import { checkBook, readBook, writeBook } from "../../src/book/exchange.js";
import { brittleSince, heatsDone, piecesOf, pieceState } from "../../src/book/state.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { hardenAgain } from "../../src/plan/nextTemper.js";
import { planRoute } from "../../src/plan/route.js";
import type { BookEvent, Check, HardnessTest, Piece, Step } from "../../src/schema/book.js";
import { marked } from "../quenches.js";

const sickle: Piece = {
  name: "Reed sickle",
  mark: "5",
  kind: "hook",
  form: "sickle",
  steel: "1084",
  start: "normalised",
  use: "sickle",
  length_mm: 338,
  section: { shape: "wedge", spine_mm: 4.2, edge_mm: 0.9, height_mm: 28 },
};
const route = planRoute(CATALOGUE, sickle, "forge");
const acts = actsOfRoute(route);
const MINUTE = 60000;

/** A log in which the first `done` acts are done, a minute apart. */
function log(done: number): BookEvent[] {
  return [
    { kind: "piece", id: "a", piece: "p", at_ms: 0, definition: sickle },
    { kind: "route", id: "b", piece: "p", at_ms: 1, route },
    ...acts
      .slice(0, done)
      .map((act, i): BookEvent => ({ kind: "act-done", id: `c${i}`, piece: "p", at_ms: (i + 1) * MINUTE, act: act.id })),
  ];
}
const index = (kind: string): number => acts.findIndex((act) => act.kind === kind);

describe("a piece is the sum of its events", () => {
  it("walks through its acts one by one, each beginning when the last was done", () => {
    for (let done = 0; done <= acts.length; done++) {
      const state = pieceState("p", log(done))!;
      expect(state.next?.id).toBe(acts[done]?.id);
      if (done > 0) expect(state.nextSince_ms).toBe(done * MINUTE);
    }
  });
  it("any order of arrival gives the same state", () => {
    const events = log(6);
    const wanted = JSON.stringify(pieceState("p", events)!.next);
    fc.assert(
      fc.property(
        fc.shuffledSubarray(events, { minLength: events.length }),
        (shuffled) => JSON.stringify(pieceState("p", shuffled)!.next) === wanted,
      ),
    );
  });
  it("a withdrawn tap counts no more, and the log keeps both", () => {
    const events: BookEvent[] = [...log(3), { kind: "withdrawn", id: "w", piece: "p", at_ms: 10 * MINUTE, event: "c2" }];
    expect(pieceState("p", events)!.next?.id).toBe(acts[2]!.id);
    expect(events).toHaveLength(6);
  });
  it("brittle from the bath until the first temper has reached its heat", () => {
    const [out, oven] = [index("quench") + 1, index("oven") + 1];
    expect(pieceState("p", log(out - 1))!.brittleSince_ms).toBeNull();
    const quenched = pieceState("p", log(out))!;
    expect(brittleSince(quenched, 100 * MINUTE)).toBe(out * MINUTE);
    const heating = pieceState("p", log(oven))!;
    expect(brittleSince(heating, (oven + 10) * MINUTE)).toBe(out * MINUTE);
    expect(brittleSince(heating, (oven + 16) * MINUTE)).toBeNull();
    expect(pieceState("p", log(oven + 1))!.brittleSince_ms).toBeNull();
  });
  it("found soft after its bath it is not called brittle; found hard, or by a file that leaves it open, it is", () => {
    const out = index("quench") + 1;
    const tested = (strokes: HardnessTest["strokes"], readings_HRC: number[]): number | null => {
      const test: HardnessTest = { strokes, readings_HRC, surface: "ground", piece_C: 20 };
      return pieceState("p", [...log(out), { kind: "test", id: "t", piece: "p", at_ms: 40 * MINUTE, act: "x", test }])!.brittleSince_ms;
    };
    expect(tested([], [38, 39, 38])).toBeNull();
    expect(
      tested(
        [
          { file_HRC: 45, result: "bites" },
          { file_HRC: 50, result: "bites" },
        ],
        [],
      ),
    ).toBeNull();
    expect(tested([{ file_HRC: 65, result: "bites" }], [])).not.toBeNull();
    expect(tested([], [63, 64, 63])).not.toBeNull();
  });
  it("heats whose clock was ahead of its bath draw nothing", () => {
    const out = index("quench") + 1;
    const late = log(out).map((event, i) => (i >= 2 && i < out + 1 ? { ...event, at_ms: event.at_ms + 900 * MINUTE } : event));
    expect(pieceState("p", late)!.brittleSince_ms).toBe(out * MINUTE);
  });
  it("tempered and then planned to be hardened once more it is not brittle again", () => {
    const done = log(acts.length);
    const steps = hardenAgain<Step>(route.steps, null);
    const replanned: BookEvent = { kind: "route", id: "r2", piece: "p", at_ms: 90 * MINUTE, route: { ...route, steps } };
    const again = pieceState("p", [...done, replanned])!;
    expect(again.next?.kind).toBe("heat");
    expect(brittleSince(again, 200 * MINUTE)).toBeNull();
    // Untempered it is, as long as it is not in the fire.
    const untempered = [...log(index("quench") + 1), replanned];
    expect(brittleSince(pieceState("p", untempered)!, 200 * MINUTE)).not.toBeNull();
    const cold = [...log(index("oven")), replanned];
    const fire = (id: string, at_min: number, state: "in" | "out"): BookEvent => {
      const act = pieceState("p", cold)!.next!.id;
      return { kind: "check", id, piece: "p", at_ms: at_min * MINUTE, act, reading: { check: "fire", state } };
    };
    const burning = [...cold, fire("f1", 100, "in")];
    expect(brittleSince(pieceState("p", burning)!, 200 * MINUTE)).toBeNull();
    expect(brittleSince(pieceState("p", [...burning, fire("f2", 101, "out")])!, 200 * MINUTE)).not.toBeNull();
  });
  it("of two ends the one hardened first stays brittle while the other is in the fire", () => {
    const harden = route.steps.find(({ kind }) => kind === "harden")!;
    const quench = route.steps.find((step) => step.kind === "quench")!;
    const of = (end: "working" | "other"): Step[] => [harden, marked(quench, { part: { end, depth_mm: 20 } })];
    const two = { ...route, steps: [...of("working"), ...of("other")] };
    const planned: BookEvent[] = [...log(0).slice(0, 1), { kind: "route", id: "r", piece: "p", at_ms: 0, route: two }];
    const own = pieceState("p", planned)!.acts;
    const second = own.findIndex(({ kind, step }) => kind === "heat" && step === 2);
    const done = own
      .slice(0, second)
      .map(({ id }, i): BookEvent => ({ kind: "act-done", id: `e${i}`, piece: "p", at_ms: (i + 1) * MINUTE, act: id }));
    const reading: Check = { check: "fire", state: "in" };
    const inFire = pieceState("p", [
      ...planned,
      ...done,
      { kind: "check", id: "f", piece: "p", at_ms: 90 * MINUTE, act: own[second]!.id, reading },
    ])!;
    expect(inFire.next?.id).toBe(own[second]!.id);
    expect(brittleSince(inFire, 100 * MINUTE)).not.toBeNull();
  });
  it("hangs on the rail of its next act, and counts its heats", () => {
    expect(pieceState("p", log(0))!.stage).toBe("prepare");
    expect(pieceState("p", log(1))!.stage).toBe("harden");
    expect(pieceState("p", log(index("cool-down")))!.stage).toBe("cool");
    expect(pieceState("p", log(index("temper")))!.stage).toBe("temper");
    expect(pieceState("p", log(acts.length - 1))!.stage).toBe("prove");
    expect(heatsDone(pieceState("p", log(acts.length))!)).toBe(3);
    const finished = pieceState("p", [...log(acts.length), { kind: "finished", id: "f", piece: "p", at_ms: 99 * MINUTE }])!;
    expect(finished.stage).toBe("done");
  });
});

describe("the export file", () => {
  it("comes back identical, whatever the order of the log", () => {
    const events = log(8);
    const text = writeBook(events, 5);
    expect(readBook(text).events).toEqual(events);
    fc.assert(fc.property(fc.shuffledSubarray(events, { minLength: events.length }), (shuffled) => writeBook(shuffled, 5) === text));
    expect(piecesOf(readBook(text).events)).toEqual(piecesOf(events));
  });
  it("cut off anywhere, it is refused with a place and never with a stack", () => {
    const text = writeBook(log(8), 5);
    for (let cut = 1; cut < text.length - 2; cut += 97) {
      expect(() => readBook(text.slice(0, cut))).toThrow(
        /damaged: it (ends too early, at line \d+|stops making sense at line \d+|is not JSON)/,
      );
    }
    // And where it can be known it is told: a cut end, and a letter that does not belong.
    expect(() => readBook(text.slice(0, 40))).toThrow(/ends too early, at line \d+, column \d+/);
    expect(() => readBook(text.replace(",", "?"))).toThrow(/stops making sense at line \d+, column \d+/);
  });
  it("a foreign file, another version and a bad value are each told apart", () => {
    expect(() => readBook('{"hello": 1}')).toThrow(/not a Tembrak file/);
    expect(() => readBook("[1, 2]")).toThrow(/not a Tembrak file/);
    expect(() => readBook('{"format":"tembrak","formatVersion":19,"events":[]}')).toThrow(/version 19/);
    const bad = JSON.parse(writeBook(log(3), 5)) as { events: { definition?: { length_mm: number } }[] };
    bad.events[0]!.definition!.length_mm = -4;
    expect(() => readBook(JSON.stringify(bad))).toThrow("/events/0/definition/length_mm");
  });
  it("an event twice, or about nothing, is found with its place", () => {
    const twice = [...log(2), log(2)[2]!];
    expect(checkBook({ format: "tembrak", formatVersion: 1, exportedAt_ms: 1, events: twice }).problems[0]!.path).toBe("/events/4/id");
    const orphan = { ...log(1)[2]!, piece: "nobody" };
    expect(checkBook({ format: "tembrak", formatVersion: 1, exportedAt_ms: 1, events: [orphan] }).problems[0]!.path).toBe(
      "/events/0/piece",
    );
  });
  it("reports pieces and heats of a sound one", () => {
    const report = checkBook(JSON.parse(writeBook(log(acts.length), 5)));
    expect(report).toMatchObject({ ok: true, pieces: 1, heats: 3, problems: [] });
  });
});
