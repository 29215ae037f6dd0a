import { describe, expect, it } from "@jest/globals";
import {
  spreadOfEnds,
  actsOfRoute,
  CATALOGUE,
  pieceState,
  planRoute,
  straighteningNow,
  type BookEvent,
  type HeatCall,
  type PieceState,
  type Straightening,
} from "@tembrak/core";
import { HAY_KNIFE, standingAt, START_ms } from "../testing.js";
import { nextActWords, statusLine, urgency } from "./rackWords.js";

const UNITS = { temperature: "C", length: "mm" } as const;
const forge = planRoute(CATALOGUE, HAY_KNIFE, "forge");
const atHeat = standingAt(HAY_KNIFE, forge);
const heat = actsOfRoute(forge)[0]!;
const target_C = heat.kind === "heat" ? heat.target_C : 0;

describe("what the rack says of a heat", () => {
  const said = (call: HeatCall | null, now_C: number | null): string => statusLine(atHeat, START_ms, now_C, UNITS, { call });
  it("is what the bench calls it: well over is not at heat, and what nobody looked at for long is not either", () => {
    expect(said({ call: "at-heat", over_K: 3 }, target_C)).toBe("At heat");
    // Outside the jaws that the bench draws, and not yet called past.
    expect(said({ call: "at-heat", over_K: 20 }, target_C + 20)).toBe("A shade past");
    expect(said({ call: "past", over_K: 38 }, target_C + 38)).toBe("38° past");
    expect(said({ call: "too-hot", over_K: 90 }, target_C + 90)).toMatch(/^Too hot, wants/);
    expect(said({ call: "look-again", age_s: 70 }, target_C)).toMatch(/^Look again, wants/);
    expect(said({ call: "to-go", left_K: 60 }, target_C - 60)).toBe(`${target_C - 60}°, wants ${target_C}°`);
    expect(said({ call: "magnet", magnet: "sticks" }, null)).toMatch(/^Magnetic/);
    expect(said({ call: "unread" }, null)).toBe("Ready for the fire");
  });
});

describe("a piece that a test found soft after its bath", () => {
  const acts = actsOfRoute(forge);
  const at = acts.findIndex(({ kind }) => kind === "oven");
  it("is not sent into the oven, but to why", () => {
    const hard = standingAt(HAY_KNIFE, forge, { done: at });
    const test = { strokes: [], readings_HRC: [38, 39, 38], surface: "ground", piece_C: 20 };
    const soft = pieceState("p", [
      ...hard.events,
      { id: "t", piece: "p", at_ms: START_ms + 9000, kind: "test", act: acts[at - 1]!.id, test } as BookEvent,
    ])!;
    expect(nextActWords(hard, START_ms + 60_000, UNITS).sentence).toMatch(/^Put .* in the oven, now/);
    expect(nextActWords(soft, START_ms + 60_000, UNITS).sentence).toMatch(/^See why .* came out soft/);
  });
});

describe("colours that are to be run", () => {
  const torch = planRoute(CATALOGUE, HAY_KNIFE, "forge", { way: { hardens: "whole", draws: "torch" } });
  const done = actsOfRoute(torch).findIndex(({ kind }) => kind === "run");
  it("wait like a temper until the torch is on it, and then nothing else comes first", () => {
    const waits = standingAt(HAY_KNIFE, torch, { done });
    const runs = standingAt(HAY_KNIFE, torch, { done, checks: [[0, { check: "fire", state: "in" }]] });
    const at_ms = waits.nextSince_ms! + 60_000;
    expect(waits.next!.kind).toBe("run");
    expect(nextActWords(waits, at_ms, UNITS).sentence).toBe("Run the colours of the hay knife.");
    expect(nextActWords(waits, at_ms, UNITS).reason).toMatch(/^It has been brittle for/);
    expect(nextActWords(runs, at_ms, UNITS).sentence).toBe("Run the colours of the hay knife, now.");
    expect(urgency(waits, at_ms)).toBeLessThan(285);
    expect(urgency(runs, at_ms)).toBe(300);
    expect(urgency(runs, at_ms + 3e6)).toBeLessThan(285);
  });
});

describe("a piece in its bath, and out of it", () => {
  const acts = actsOfRoute(forge);
  const at = acts.findIndex(({ kind }) => kind === "quench");
  const words = (state: PieceState, after_s: number, straightening: Straightening | null = null): string => {
    const now_ms = (state.nextSince_ms ?? 0) + 1000 * after_s;
    const { sentence, reason } = nextActWords(state, now_ms, UNITS, { straightening });
    return `${statusLine(state, now_ms, null, UNITS, { straightening })} | ${sentence} | ${reason}`;
  };
  it("what is under is not sent to the bath once more", () => {
    expect(words(standingAt(HAY_KNIFE, forge, { done: at }), 4)).toMatch(/^To the bath \| Quench the .*, now\./);
    const under = standingAt(HAY_KNIFE, forge, { done: at, checks: [[2, { check: "bath", state: "in" }]] });
    expect(words(under, 200)).toMatch(/^In its quench \| See to the .* in its quench\. \| It has been in for 3 min/);
    expect(urgency(under, under.nextSince_ms! + 1e5)).toBe(300);
    const late = standingAt(HAY_KNIFE, forge, { done: at });
    expect(statusLine(late, START_ms, null, UNITS, { tooLate_s: 45 })).toBe("Too cold to quench");
    expect(nextActWords(late, START_ms, UNITS, { tooLate_s: 45 })).toEqual({
      sentence: "Heat the hay knife once more.",
      reason: "Out of the fire for 45 s: by the model it is too cold to harden well.",
    });
    // Left in until it is cold it is as brittle as what hangs beside it, and hurries no more.
    expect(urgency(under, under.nextSince_ms! + 3e6)).toBeLessThan(200);
  });
  it("what should be hand-warm is felt, not left to cool", () => {
    const cools = standingAt(HAY_KNIFE, forge, { done: acts.findIndex(({ kind }) => kind === "cool-down") });
    const said = (isHandWarm: boolean | null): string => {
      const now_ms = cools.nextSince_ms! + 3e6;
      return `${statusLine(cools, now_ms, null, UNITS, { isHandWarm })} | ${nextActWords(cools, now_ms, UNITS, { isHandWarm }).sentence}`;
    };
    expect(said(true)).toMatch(/^Should be hand-warm \| Feel whether the .* is hand-warm\.$/);
    // Nobody knows, or it is too hot to hold yet, as a hammer is for half an hour by what was left in its body.
    for (const isWarm of [null, false]) expect(said(isWarm)).toMatch(/^Cooling down \| Let the .* cool until you can hold it\.$/);
  });
  const bent = standingAt(HAY_KNIFE, forge, { done: at + 1 });
  it("is straightened while it can be, by the window of the bench, and not told to when that has shut", () => {
    const window = { from_s: 8, to_s: 180, end: spreadOfEnds([150, 170, 180, 190, 210]), edge: null };
    expect(words(bent, 186, straighteningNow(bent, window, bent.nextSince_ms! + 186_000))).toMatch(
      /^Boards or plates only \| Bend the .* no more by hand\./,
    );
    const now = (after_s: number) => straighteningNow(bent, window, bent.nextSince_ms! + 1000 * after_s);
    expect(bent.next!.kind).toBe("straighten");
    expect(words(bent, 20, now(20))).toMatch(/^Straighten now \| .*straighten it, now\./);
    expect(words(bent, 400, now(400))).toMatch(/^Too late to straighten \| Do not bend the .* any more\./);
    // Nobody knows yet: neither is said.
    expect(words(bent, 20)).toMatch(/^Sight along it \| Sight along the [^.]*\. /);
    expect(words(bent, 20)).not.toMatch(/straighten it|Too late/);
    expect(straighteningNow(bent, null, bent.nextSince_ms! + 9e5)).toMatchObject({ is: "open", left_s: null });
    expect(straighteningNow(standingAt(HAY_KNIFE, forge, { done: at }), window, START_ms)).toBeNull();
  });
});

describe("a hold whose chamber fell", () => {
  const kiln = planRoute(CATALOGUE, HAY_KNIFE, "kiln");
  const acts = actsOfRoute(kiln);
  const at = acts.findIndex(({ kind }) => kind === "hold");
  it("waits with the bench's own clock, on the rack as in its next step", () => {
    const state = standingAt(HAY_KNIFE, kiln, { done: at, checks: [[60, { check: "door", state: "open" }]] });
    const later_ms = START_ms + 9e6;
    expect(statusLine(state, later_ms, null, UNITS)).toBe("Hold waits for the chamber");
    expect(nextActWords(state, later_ms, UNITS).sentence).toMatch(/shut in until its chamber is back at heat/);
    const shut = standingAt(HAY_KNIFE, kiln, { done: at });
    expect(statusLine(shut, later_ms, null, UNITS)).toBe("Hold is over");
    expect(nextActWords(shut, later_ms, UNITS).sentence).toMatch(/^Take .* out, now\.$/);
  });
});
