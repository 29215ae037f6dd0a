import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { rehearse, REHEARSALS } from "../../src/job/rehearse.js";
import { runJob } from "../../src/job/runJob.js";
import { planRoute } from "../../src/plan/route.js";
import type { Piece, Route } from "../../src/schema/book.js";
import type { Job } from "../../src/schema/job.js";
import { BARE_DESK, GivenUp, makeDesk, type Desk, type Remembered } from "../../src/simulate/desk.js";
import { marked } from "../quenches.js";

const piece: Piece = {
  name: "Awl",
  mark: "3",
  kind: "punch",
  steel: "1084",
  start: "normalised",
  use: "punch",
  length_mm: 120,
  section: { shape: "round", diameter_mm: 6 },
};
const route = planRoute(CATALOGUE, piece, "forge");
const temperedAt = (temperature_C: number): Route => ({
  ...route,
  steps: route.steps.map((step) => (step.kind === "temper" ? { ...step, temperature_C } : step)),
});

/** A desk that counts what had to be made. */
function counting(desk: Desk): Desk & { made: Remembered[] } {
  const made: Remembered[] = [];
  return {
    made,
    letGo: () => desk.letGo(),
    recall: (kind, key, make) =>
      desk.recall(kind, key, () => {
        made.push(kind);
        return make();
      }),
  };
}

const JOBS: readonly Job[] = [
  { kind: "predict", piece, route, effort: "full" },
  { kind: "predict", piece, route, effort: "quick" },
  { kind: "section", piece, route, station: null, effort: "full" },
  { kind: "what-if", piece, route, tracks: ["temper", "heat", "thickness"], media: ["fast-oil", "water"] },
];

describe("what a worker remembers", () => {
  it("same question, same bytes: bare, remembered for the first time, and from memory", () => {
    const desk = makeDesk();
    for (const job of JOBS) {
      const bare = JSON.stringify(runJob(CATALOGUE, job));
      expect(JSON.stringify(runJob(CATALOGUE, job, desk))).toBe(bare);
      expect(JSON.stringify(runJob(CATALOGUE, job, desk))).toBe(bare);
    }
  });
  it("a slide that only tempers runs no hardening again: prediction, picture, what if", () => {
    const desk = counting(makeDesk());
    for (const job of JOBS) runJob(CATALOGUE, job, desk);
    expect(desk.made).toContain("hardening");
    desk.made.length = 0;
    for (const job of JOBS) expect(runJob(CATALOGUE, { ...job, route: temperedAt(260) }, desk)).toMatchObject({ type: "done" });
    expect(desk.made).toEqual([]);
    const { answer } = runJob(CATALOGUE, { ...JOBS[0]!, route: temperedAt(260) }, desk) as { answer: unknown };
    expect(answer).toEqual((runJob(CATALOGUE, { ...JOBS[0]!, route: temperedAt(260) }) as { answer: unknown }).answer);
  });
  it("a tap on the way to the bath or in it heats nothing again, and is answered by the same bytes as from cold", () => {
    const desk = counting(makeDesk());
    const job = JOBS[0]!;
    runJob(CATALOGUE, job, desk);
    expect(desk.made.filter((kind) => kind === "heated").length).toBeGreaterThan(40);
    desk.made.length = 0;
    const tapped: Route = {
      ...route,
      steps: route.steps.map((s) => (s.kind === "quench" ? marked(s, { transfer_s: 3.2, bath_s: 9 }) : s)),
    };
    const warm = JSON.stringify(runJob(CATALOGUE, { ...job, route: tapped }, desk));
    expect(desk.made).not.toContain("heated");
    expect(desk.made).toContain("members");
    expect(warm).toBe(JSON.stringify(runJob(CATALOGUE, { ...job, route: tapped })));
  });
  it("a case run beside its members is not run again by the prediction", () => {
    const desk = counting(makeDesk());
    runJob(CATALOGUE, { kind: "nominal", piece, route }, desk);
    expect(desk.made).toEqual(["case", "heated"]);
    const members = runJob(CATALOGUE, { kind: "members", piece, route, from: 0, to: 24 }) as unknown as { answer: never };
    runJob(CATALOGUE, { kind: "predict", piece, route, effort: "full", members: members.answer }, desk);
    expect(desk.made.filter((kind) => kind === "case")).toEqual(["case"]);
  });
  it("forgets what was not asked for the longest, and only that", () => {
    const desk = makeDesk();
    let made = 0;
    const ask = (key: string): number => desk.recall("picture", key, () => ++made);
    for (const key of "abcdefgh") ask(key);
    ask("a");
    ask("i");
    expect([ask("a"), made]).toEqual([1, 9]);
    expect(ask("b")).toBe(10);
  });
  it("a failure is not remembered as an answer", () => {
    const desk = makeDesk();
    const fails = (): never => {
      throw new Error("no");
    };
    expect(() => desk.recall("quick", "k", fails)).toThrow("no");
    expect(desk.recall("quick", "k", () => 7)).toBe(7);
    expect(BARE_DESK.recall("quick", "k", () => 8)).toBe(8);
  });
});

describe("a rehearsal", () => {
  it("every part of it is a hardening of the catalogue's own steel and bath, and changes no answer after it", () => {
    const before = JSON.stringify(runJob(CATALOGUE, JOBS[1]));
    for (let part = 0; part < REHEARSALS; part++) rehearse(CATALOGUE, part);
    expect(JSON.stringify(runJob(CATALOGUE, JOBS[1]))).toBe(before);
    expect(() => rehearse({ ...CATALOGUE, steels: [] }, 0)).not.toThrow();
  });
});

describe("an answer that is no longer wanted", () => {
  it("is let go between members, and the desk works on", () => {
    let [asked, isGivenUp] = [0, false];
    const desk = makeDesk(() => {
      asked++;
      isGivenUp = isGivenUp || asked === 5;
      return isGivenUp;
    });
    expect(runJob(CATALOGUE, { kind: "members", piece, route, from: 0, to: 24 }, desk)).toEqual({ type: "given-up" });
    expect(asked).toBe(5);
    expect(runJob(CATALOGUE, JOBS[3], desk)).toEqual({ type: "given-up" });
    isGivenUp = false;
    expect(runJob(CATALOGUE, JOBS[0], desk)).toEqual(runJob(CATALOGUE, JOBS[0]));
    expect(new GivenUp().message).toBe("given up");
  });
});
