import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { runJob } from "../../src/job/runJob.js";
import { planRoute } from "../../src/plan/route.js";
import type { Piece } from "../../src/schema/book.js";
import type { Section } from "../../src/schema/parts.js";
import { MEMBERS } from "../../src/schema/job.js";
import type { Member } from "../../src/simulate/hardenSpread.js";
import { predict } from "../../src/simulate/predict.js";
import { pictureSection, type SectionPicture } from "../../src/simulate/sectionPicture.js";
import { marked } from "../quenches.js";

const hook: Piece = {
  name: "Billhook",
  mark: "7",
  kind: "hook",
  form: "billhook",
  steel: "1084",
  start: "as-forged",
  use: "sickle",
  length_mm: 376,
  section: { shape: "wedge", spine_mm: 5, edge_mm: 0.9, height_mm: 50 },
};
const of = (change: Partial<Piece>, station: number | null, effort: "quick" | "full" = "full"): SectionPicture => {
  const piece = { ...hook, ...change };
  return pictureSection(CATALOGUE, { piece, route: planRoute(CATALOGUE, piece, "forge"), station, effort });
};

describe("a prediction whose ensemble was run in parts", () => {
  it("is byte for byte the one that was run in one", () => {
    const route = planRoute(CATALOGUE, hook, "forge");
    const part = (from: number, to: number) => {
      const outcome = runJob(CATALOGUE, { kind: "members", piece: hook, route, from, to });
      if (outcome.type !== "done") throw new Error(JSON.stringify(outcome));
      return outcome.answer as readonly Member[];
    };
    const members = [...part(0, 7), ...part(7, 20), ...part(20, MEMBERS)];
    const ask = { kind: "predict", piece: hook, route, effort: "full" };
    expect(JSON.stringify(runJob(CATALOGUE, { ...ask, members }))).toBe(JSON.stringify(runJob(CATALOGUE, ask)));
    expect(runJob(CATALOGUE, { ...ask, members: members.slice(1) })).toMatchObject({ type: "failed", failure: { path: "/members" } });
  });
});

describe("the line of an edge quench in the picture", () => {
  const whole = planRoute(CATALOGUE, hook, "forge");
  const route = { ...whole, steps: whole.steps.map((step) => (step.kind === "quench" ? marked(step, { edgeDepth_mm: 18 }) : step)) };
  const at = (station: number | null, effort: "quick" | "full") => pictureSection(CATALOGUE, { piece: hook, route, station, effort });
  it("is that of the prediction where it was measured, and near it in a coarse one", () => {
    const line = predict(CATALOGUE, hook, route).hardening.quenchLine!;
    // Columns of 0.8 mm for columns of 1.7.
    expect(Math.abs(at(null, "full").quenchLine!.height_mm - line.height_mm)).toBeLessThan(0.4);
    expect(Math.abs(at(null, "quick").quenchLine!.height_mm - line.height_mm)).toBeLessThan(2);
  });
  it("is there along the blade, and nowhere when all of it goes under", () => {
    for (const station of [0.4, 0.6, 0.8]) expect(at(station, "quick").quenchLine?.height_mm).toBeGreaterThan(5);
    expect(of({}, null, "quick").quenchLine).toBeNull();
  });
});

describe("the picture through a section", () => {
  const picture = of({}, null);
  it("is fine, whole, and agrees with the prediction at its edge", () => {
    expect([picture.columns, picture.nodes]).toEqual([64, 24]);
    for (const field of [picture.asQuenched_HRC, picture.tempered_HRC, picture.martensite]) expect(field).toHaveLength(64 * 24);
    const { working } = predict(CATALOGUE, hook, planRoute(CATALOGUE, hook, "forge"));
    expect(Math.abs(picture.working.tempered.mean_HRC - working.tempered.mean_HRC)).toBeLessThan(0.7);
    expect(picture.working.tempered.sd_HRC).toBeGreaterThan(1);
    expect(picture.columnHeight_mm.reduce((a, b) => a + b, 0)).toBeCloseTo(50, 6);
  });
  it("its moments run from the fire to the cold bath: the edge first, martensite never falling", () => {
    const { frames, nodes, columns } = picture;
    expect(frames.length).toBeGreaterThan(20);
    expect(frames[0]!.time_s).toBe(0);
    const back = (columns - 2) * nodes;
    const early = frames.find(({ time_s }) => time_s > 2.5)!;
    expect(early.temperature_C[0]!).toBeLessThan(early.temperature_C[back]! - 100);
    for (let i = 1; i < frames.length; i++) {
      expect(frames[i]!.time_s).toBeGreaterThan(frames[i - 1]!.time_s);
      for (const node of [0, back]) expect(frames[i]!.martensite[node]!).toBeGreaterThanOrEqual(frames[i - 1]!.martensite[node]! - 1e-6);
    }
  });
  it("tempering makes no node harder", () => {
    picture.tempered_HRC.forEach((hrc, i) => expect(hrc).toBeLessThanOrEqual(picture.asQuenched_HRC[i]! + 1e-3));
  });
  it("a station has the height of the outline there; a quick one keeps no moments", () => {
    const tang = of({}, 0.1, "quick");
    expect(tang.section).toMatchObject({ shape: "wedge", spine_mm: 5, edge_mm: 5 });
    expect(tang.frames).toEqual([]);
    expect(tang.columns).toBeLessThan(picture.columns);
  });
  const shapes: readonly [string, Section][] = [
    ["plate", { shape: "plate", thickness_mm: 4 }],
    ["round", { shape: "round", diameter_mm: 8 }],
    ["square", { shape: "square", side_mm: 10 }],
  ];
  for (const [name, section] of shapes) {
    it(`${name}: the same everywhere along the piece`, () => {
      const [a, b] = [of({ section }, null, "quick"), of({ section }, 0.2, "quick")];
      expect(b.section).toEqual(section);
      expect([...b.tempered_HRC]).toEqual([...a.tempered_HRC]);
    });
  }
  it("asked as a job it comes back whole; a station past the end is refused with its place", () => {
    const job = { kind: "section", piece: hook, route: planRoute(CATALOGUE, hook, "forge"), station: 0.5, effort: "quick" };
    expect(runJob(CATALOGUE, job)).toMatchObject({ type: "done" });
    expect(runJob(CATALOGUE, { ...job, station: 1.5 })).toMatchObject({ type: "failed" });
  });
});
