import { describe, expect, it } from "@jest/globals";
import { pieceState, type PieceState } from "../../src/book/state.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { planRoute } from "../../src/plan/route.js";
import type { BookEvent, Check, Piece } from "../../src/schema/book.js";
import type { FallSeen } from "../../src/schema/job.js";
import { AS_PLANNED, bathTimes_s, runCase } from "../../src/simulate/hardenCase.js";
import { gather, runMembers } from "../../src/simulate/hardenSpread.js";
import { explainsFall, firstPullOf } from "../../src/simulate/fallSeen.js";
import { hardenPlanOf } from "../../src/simulate/planOf.js";
import { predict } from "../../src/simulate/predict.js";
import { habitsOf } from "../../src/standing/learn.js";
import { standingQuestion } from "../../src/standing/question.js";
import { makeDesk } from "../../src/simulate/desk.js";
import { standingVerb } from "../../src/verbs/standing.js";

/** A small simple part of file steel in water: what a falling heat is for. */
/** Remembered or not the bytes are the same (desk.test.ts). */
const desk = makeDesk();

const STRIKER: Piece = {
  name: "Striker",
  mark: "8",
  kind: "striker",
  steel: "w1",
  start: "fine-spheroidised",
  section: { shape: "plate", thickness_mm: 6 },
  length_mm: 80,
  use: "striker",
};
const plan = planRoute(CATALOGUE, STRIKER, "falling");
const acts = actsOfRoute(plan);
const FALL = acts.findLastIndex(({ kind }) => kind === "fall");
const OUT_ms = 1_000_000_000;

interface Told {
  /** Touches, each so long after the fire, s. */
  readonly touches?: readonly (readonly [s: number, state: "free" | "weak" | "sticks"])[];
  /** When its fall ended, and when it went under after that, s. */
  readonly ended_s?: number;
  readonly in_s?: number;
  readonly extra?: readonly Check[];
}

function told({ touches = [], ended_s, in_s, extra = [] }: Told): PieceState {
  const own = { piece: "p" };
  const check = (id: string, act: number, s: number, reading: Check): BookEvent => ({
    ...own,
    id,
    at_ms: OUT_ms + 1000 * s,
    kind: "check",
    act: acts[act]!.id,
    reading,
  });
  return pieceState("p", [
    { ...own, id: "a", at_ms: 0, kind: "piece", definition: STRIKER },
    { ...own, id: "b", at_ms: 1, kind: "route", route: plan },
    ...acts.slice(0, FALL).map((act, i): BookEvent => ({
      ...own,
      id: `d${i}`,
      at_ms: OUT_ms - 60000 * (FALL - 1 - i),
      kind: "act-done",
      act: act.id,
    })),
    ...touches.map(([s, state], i) => check(`t${i}`, FALL, s, { check: "magnet", state })),
    ...(ended_s === undefined
      ? []
      : [{ ...own, id: "f", at_ms: OUT_ms + 1000 * ended_s, kind: "act-done", act: acts[FALL]!.id } satisfies BookEvent]),
    ...(in_s === undefined ? [] : [check("in", FALL + 1, in_s, { check: "bath", state: "in" })]),
    ...extra.map((reading, i) => check(`e${i}`, FALL + 1, 90, reading)),
  ])!;
}
const question = (log: Told) => standingQuestion(told(log), { catalogue: CATALOGUE })!;
const surface_HRC = (log: Told): number => {
  const { piece, route, known } = question(log);
  return predict(CATALOGUE, piece, route, "quick", undefined, undefined, known).working.asQuenched.mean_HRC;
};
const planned = hardenPlanOf(CATALOGUE, STRIKER, plan);
const usual_s = runCase(planned, { resolution: "coarse" }).pulls_s!;

describe("a heat that falls, as it was logged", () => {
  it("is the touches, from when it left the fire", () => {
    expect(question({}).known.fall).toBeUndefined();
    expect(question({ touches: [[8, "free"]] }).known.fall).toEqual({ free_s: 8, pulls_s: null, ended_s: null });
    const whole: Told = {
      touches: [
        [8, "free"],
        [12, "free"],
        [15, "weak"],
      ],
      ended_s: 15,
      in_s: 16,
    };
    expect(question(whole).known.fall).toEqual({ free_s: 12, pulls_s: 15, ended_s: 15 });
    const quench = question(whole).route.steps.findLast((step) => step.kind === "quench");
    expect(quench?.kind === "quench" && quench.transfer_s).toBe(1);
  });
  it("into the bath at its first pull it comes out as planned, hung to the dark first it is soft", () => {
    const at = (s: number): Told => ({ touches: [[s, "weak"]], ended_s: s, in_s: s + 0.5 });
    const [pulls, dark] = [at(usual_s), at(12 * usual_s)];
    expect(surface_HRC(pulls)).toBeGreaterThan(surface_HRC({}) - 3);
    expect(surface_HRC(dark)).toBeLessThan(surface_HRC(pulls) - 15);
  });
  it("slow from the pull to the bath is told from the pull, and is no habit of the shop's way from the fire", () => {
    const slow: Told = { touches: [[usual_s, "weak"]], ended_s: usual_s, in_s: usual_s + 9 };
    expect(surface_HRC(slow)).toBeLessThan(surface_HRC({ ...slow, in_s: usual_s + 0.5 }) - 1);
    expect(habitsOf(told(slow), { catalogue: CATALOGUE }).transfer).toBeNull();
  });
  it("where nobody timed it, slow means later than the pull", () => {
    const [slow, usual] = [
      { touches: [[usual_s, "weak"]], ended_s: usual_s, extra: [{ check: "mishap", what: "slow" }] },
      { touches: [[usual_s, "weak"]], ended_s: usual_s },
    ] as const satisfies readonly Told[];
    expect(surface_HRC(slow)).toBeLessThan(surface_HRC(usual));
  });
  it("on the command line a touch counts the same", () => {
    const { kind, section, length_mm, start, use } = STRIKER;
    const told = (pull_s: number, way_s = 1) =>
      standingVerb(
        {
          steel: "w1",
          piece: { kind, section, length_mm },
          start,
          use,
          school: "falling",
          now_s: 1000,
          log: [
            { at_s: 0, act: "fire-in" },
            { at_s: 300, act: "heat", temperature_C: 800, sd_C: 8 },
            { at_s: 301, act: "fire-out" },
            { at_s: 301 + 0.8 * pull_s, act: "magnet", state: "free" },
            { at_s: 301 + pull_s, act: "magnet", state: "weak" },
            { at_s: 301 + pull_s + way_s, act: "bath-in" },
          ],
        },
        desk,
      );
    const hrc = (pull_s: number): number => told(pull_s).expected.hrc.mean;
    // The way is told from the pull, as on the screen.
    expect(told(usual_s, 6).because.find(({ code }) => code === "slow-transfer")?.message).toMatch(/^6\.0 s from the pull to the bath/);
    expect(hrc(12 * usual_s)).toBeLessThan(hrc(usual_s) - 10);
    const codes = (pull_s: number): string[] => told(pull_s).because.map(({ code }) => code);
    expect(codes(12 * usual_s)).toContain("long-fall");
    expect(codes(usual_s)).not.toContain("long-fall");
  });
});

describe("what a touch says of a piece", () => {
  it("it speaks for those that pull between the last free touch and the first pull, and rules none out", () => {
    const seen: FallSeen = { free_s: 20, pulls_s: 24, ended_s: null };
    const [early, right, late] = [8, 22, 60].map((own_s) => explainsFall(own_s, seen)) as [number, number, number];
    expect(right).toBeGreaterThan(10 * early);
    expect(right).toBeGreaterThan(10 * late);
    for (const own_s of [null, 1, 1e4]) expect(explainsFall(own_s, seen)).toBeGreaterThan(0);
    // Nothing but free so far: who pulls late is as likely as who never does.
    expect(explainsFall(null, { free_s: 20, pulls_s: null, ended_s: null })).toBe(1);
  });
  it("a longer wait while it is free moves the first pull that is looked for", () => {
    const members = runMembers(planned, 48, 0, 24, {});
    const look = (seen: FallSeen | null) =>
      firstPullOf(gather(members.map((m) => ({ ...m, explains: seen === null ? 1 : explainsFall(m.pulls_s, seen) }))).pulls)!;
    const before = look(null);
    expect(before.p50).toBeGreaterThan(0.5 * usual_s);
    expect(before.p50).toBeLessThan(2 * usual_s);
    const later = look({ free_s: before.p95, pulls_s: null, ended_s: null });
    expect(later.p50).toBeGreaterThan(before.p50);
  });
  it("a case falls by its own clock: pulled as touched, in the bath at once, it hung no longer after the pull than that", () => {
    for (const rateRatio of [0.5, 1, 2]) {
      const variation = { ...AS_PLANNED, rateRatio };
      const own_s = runCase(planned, { variation, resolution: "coarse" }).pulls_s!;
      const seen = { free_s: 1.4 * usual_s, pulls_s: 1.4 * usual_s + 1, ended_s: 1.4 * usual_s + 1 };
      const fell = { ...planned, falls: { ...planned.falls!, seen } };
      const run = runCase(fell, { variation, resolution: "coarse" });
      expect(run.pulls_s).toBeCloseTo(own_s, 6);
      // In the air about as long as it takes to its own pull, whatever the draught made of it.
      const { in_s } = bathTimes_s(fell, run.result);
      expect(in_s).toBeGreaterThan(0.95 * own_s);
      expect(in_s).toBeLessThan(1.1 * own_s + 1);
    }
  });
});
