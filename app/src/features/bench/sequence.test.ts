import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, pieceState, planRoute, predict, requireValid, type BookEvent, type PieceState } from "@tembrak/core";
import { demoEvents } from "../../store/demoBook.js";
import { canStart, COUNTDOWN_s, nextMove } from "./sequence.js";
import { marked } from "../../testing.js";

const NOW_ms = Date.UTC(2026, 10, 25, 12);
const FROE = "demo-4";
const base = demoEvents(NOW_ms).filter(({ piece }) => piece === FROE);
const froe = pieceState(FROE, base)!;
const prediction = predict(CATALOGUE, froe.piece, planRoute(CATALOGUE, froe.piece, "forge"), "quick");

/** Plays the sequence from its one press, every move at its own time, and tells what was logged. */
function play(rehearsed_s?: number, quench: object = {}): { moves: string[]; end: PieceState; times_s: number[] } {
  const events: BookEvent[] = [...base];
  let made = 0;
  const put = (event: object, at_ms: number): void => {
    events.push(requireValid("Event", { ...event, id: `s${made++}`, piece: FROE, at_ms: Math.round(at_ms) }));
  };
  const { route } = froe;
  const steps = route!.steps.map((step) => (step.kind === "quench" ? marked(step, quench) : step));
  put({ kind: "route", route: { ...route, steps } }, NOW_ms - 6);
  put({ kind: "act-done", act: froe.next!.id }, NOW_ms - 5);
  const hold = froe.acts[froe.acts.indexOf(froe.next!) + 1]!;
  if (rehearsed_s !== undefined) put({ kind: "check", act: hold.id, reading: { check: "rehearsal", took_s: rehearsed_s } }, NOW_ms);
  put({ kind: "check", act: hold.id, reading: { check: "sequence", state: "started" } }, NOW_ms + 1);
  const moves: string[] = [];
  const times_s: number[] = [];
  for (let guard = 0; guard < 20; guard++) {
    const move = nextMove(pieceState(FROE, events)!, prediction);
    if (move === null) break;
    moves.push(move.words);
    times_s.push((move.at_ms - NOW_ms) / 1000);
    move.events.forEach((event, i) => put(event, move.at_ms + i));
  }
  return { moves, end: pieceState(FROE, events)!, times_s };
}

describe("the quench without hands", () => {
  it("one press in the hold, no touch after it: into the bath and out; whether it is straight nobody has seen, so nothing is logged", () => {
    const { moves, end } = play();
    expect(moves.slice(-2)).toEqual(["Under. Keep it moving.", "Out. Sight the spine."]);
    expect(end.next?.kind).toBe("straighten");
    expect(end.checks.some(({ reading }) => reading.check === "straight")).toBe(false);
    const baths = end.checks.flatMap(({ reading }) => (reading.check === "bath" ? [reading.state] : []));
    expect(baths).toEqual(["in", "out"]);
  });
  it("times run forward and the piece is under as long as the least time in a bath", () => {
    const { times_s } = play();
    expect([...times_s].sort((a, b) => a - b)).toEqual(times_s);
    // Not before the hold is over, and never sooner than the countdown.
    const hold = froe.acts.find((act) => act.kind === "hold" && act.purpose === "harden")!;
    expect(times_s[0]).toBeCloseTo(Math.max(COUNTDOWN_s, hold.kind === "hold" ? hold.hold_s : 0), 1);
  });
  it("the move takes as long as it took when it was rehearsed", () => {
    const slow = play(4.2).times_s;
    expect(slow[1]! - slow[0]!).toBeCloseTo(4.2, 2);
  });
  it("goes over into a second bath by the plan's seconds, and comes out early by them", () => {
    const two = play(undefined, { then: { after_s: 3, medium: "water" }, bath_s: 20 });
    expect(two.moves.slice(-3)).toEqual(["Under. Keep it moving.", "Now: over into the second bath.", "Out. Sight the spine."]);
    const [under_s, over_s, out_s] = two.times_s.slice(-3);
    expect(over_s! - under_s!).toBeCloseTo(3, 2);
    expect(out_s! - over_s!).toBeCloseTo(20, 2);
    const early = play(undefined, { bath_s: 5 });
    expect(early.times_s.at(-1)! - early.times_s.at(-2)!).toBeCloseTo(5, 2);
  });
  it("cannot begin before an edge quench, which nobody can call by the clock", () => {
    const route = planRoute(CATALOGUE, froe.piece, "forge", { way: { hardens: "edge" } });
    expect(froe.acts.some((act) => canStart({ ...froe, route }, act))).toBe(false);
  });
  it("can begin only in the last fire before the bath", () => {
    expect(froe.acts.filter((act) => canStart(froe, act)).map(({ kind }) => kind)).toEqual(["hold"]);
  });
});
