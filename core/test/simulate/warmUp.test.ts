import { describe, expect, it } from "@jest/globals";
import { FORMS, formOf } from "../../src/catalogue.js";
import { runJob } from "../../src/job/runJob.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { expectedAt, warmUp } from "../../src/simulate/warmUp.js";
import { chanceAllInWindow, zoneOffsets } from "../../src/simulate/zones.js";
import type { Piece } from "../../src/schema/book.js";
import type { FireInput } from "../../src/schema/job.js";
import { BILLHOOK } from "../pieces.js";

const billhook = BILLHOOK;
const gas: FireInput = { kind: "forge", fuel: "gas", chamber_C: 950, length_mm: 400 };
const kiln: FireInput = { kind: "kiln", fuel: "gas", chamber_C: 815, length_mm: null };
const run = (piece: Piece, fire: FireInput, target_C = 800) =>
  warmUp(piece, formOf(piece), piece.section.shape === "wedge" ? "whole" : "face", fire, target_C);
const arrival = (course: ReturnType<typeof run>, zone: string) => course.zones.find((z) => z.zone === zone)!.arrives_s!;

describe("a piece in the fire", () => {
  it("a billhook is at heat in a gas forge within minutes: 1.5 to 9 (common practice, no source)", () => {
    const { allThere_s } = run(billhook, gas);
    expect(allThere_s!).toBeGreaterThan(90);
    expect(allThere_s!).toBeLessThan(540);
  });
  it("edge and tip run ahead of spine and tang, and less so in a kiln at the heat wanted", () => {
    const forge = run(billhook, gas);
    expect(arrival(forge, "edge")).toBeLessThan(arrival(forge, "spine"));
    expect(arrival(forge, "tip")).toBeLessThan(arrival(forge, "tang") + 1);
    expect(forge.ahead_K).toBeGreaterThan(20);
    expect(run(billhook, kiln).ahead_K).toBeLessThan(15);
  });
  it("twice as thick takes about twice as long; half the fire takes longer", () => {
    const thick: Piece = { ...billhook, section: { shape: "wedge", spine_mm: 13, edge_mm: 1.8, height_mm: 62 } };
    const ratio = run(thick, gas).allThere_s! / run(billhook, gas).allThere_s!;
    expect(ratio).toBeGreaterThan(1.5);
    expect(ratio).toBeLessThan(2.4);
    expect(run(billhook, { ...gas, chamber_C: 1050, length_mm: 200 }).allThere_s!).toBeGreaterThan(
      run(billhook, { ...gas, chamber_C: 1050 }).allThere_s!,
    );
  });
  it("a part of it in the fire: the tang is nobody's wish any more, the blade is there sooner where the fire was too short for all of it", () => {
    const half = (fire: FireInput) => warmUp(billhook, formOf(billhook), "whole", fire, 800, 25, 0.6 * billhook.length_mm);
    const short: FireInput = { ...gas, length_mm: 0.6 * billhook.length_mm };
    expect(half(gas).zones.map(({ zone }) => zone)).toEqual(["edge", "spine", "tip"]);
    expect(run(billhook, gas).zones.map(({ zone }) => zone)).toContain("tang");
    expect(half(short).allThere_s!).toBeLessThan(run(billhook, { ...short, chamber_C: 1100 }).allThere_s!);
  });
  it("from black it is there sooner than from cold", () => {
    const black = warmUp(billhook, formOf(billhook), "whole", gas, 800, 450);
    expect(black.allThere_s!).toBeLessThan(0.8 * run(billhook, gas).allThere_s!);
  });
  it("a fire colder than the heat wanted never brings it there", () => {
    expect(run(billhook, { ...kiln, chamber_C: 700 }).allThere_s).toBeNull();
  });
  it("only the working end of a hammer is heated: the body stays colder", () => {
    const hammer: Piece = {
      ...billhook,
      kind: "hammer",
      form: "hammer",
      use: "hammer-face",
      length_mm: 120,
      section: { shape: "square", side_mm: 25 },
    };
    const { zones } = run(hammer, { ...gas, chamber_C: 1050 });
    const tip = zones.find(({ zone }) => zone === "tip")!;
    expect(tip.arrives_s).not.toBeNull();
    expect(zones.map(({ zone }) => zone)).toEqual(["spine", "tip"]);
    expect(tip.temperature_C.at(-1)!).toBeGreaterThan(zones[0]!.temperature_C.at(-1)!);
  });
  it("as evidence: the mean grows with time, the spread is never under 20 C and is wide in the rise", () => {
    const course = run(billhook, gas);
    const early = expectedAt(course, 60);
    const late = expectedAt(course, course.allThere_s!);
    expect(late.seen_C).toBeGreaterThan(early.seen_C);
    expect(Math.min(early.sd_C, late.sd_C)).toBeGreaterThanOrEqual(20);
    expect(early.offsets_K.find(({ zone }) => zone === "edge")!.offset_K).toBeGreaterThan(0);
  });
  it("every form gives a course that stays between cold and its fire", () => {
    for (const form of FORMS) {
      const piece: Piece = { ...billhook, kind: form.kind, form: form.id, length_mm: form.usualLength_mm, section: form.usualSection };
      const course = warmUp(piece, form, "whole", gas, 800);
      for (const T of [...course.seen_C, ...course.zones.flatMap(({ temperature_C }) => temperature_C)]) {
        expect(T).toBeGreaterThanOrEqual(24.9);
        expect(T).toBeLessThanOrEqual(951);
      }
    }
  });
  it("runs as a job", () => {
    const outcome = runJob(CATALOGUE, { kind: "warm-up", piece: billhook, hardens: "whole", fire: gas, target_C: 800, start_C: 25 });
    expect(outcome.type).toBe("done");
  });
});

describe("every zone in the window", () => {
  const window = [786, 814] as const;
  it("nobody is surer of four zones than of one; even zones seen to be even are nearly as sure", () => {
    const belief = { mean_C: 800, sd_C: 6 };
    const one = chanceAllInWindow(belief, [{ zone: "edge", offset_K: 0, sd_K: 0.01 }], window);
    const four = zoneOffsets(
      [0, 0, 0, 0].map((offset_K, i) => ({ zone: (["edge", "spine", "tip", "tang"] as const)[i]!, offset_K })),
      null,
    );
    expect(chanceAllInWindow(belief, four, window)).toBeLessThan(one);
    // Normal tables: +-14 about the mean with sd 6 holds 98.0 %.
    expect(one).toBeCloseTo(0.98, 2);
  });
  it("an edge seen to be ahead takes the chance away", () => {
    const modelled = [
      { zone: "edge", offset_K: 4 },
      { zone: "spine", offset_K: -4 },
    ] as const;
    const even = chanceAllInWindow({ mean_C: 800, sd_C: 5 }, zoneOffsets(modelled, { behind: [], ahead: [] }), window);
    const ahead = chanceAllInWindow({ mean_C: 800, sd_C: 5 }, zoneOffsets(modelled, { behind: [], ahead: ["edge"] }), window);
    expect(ahead).toBeLessThan(0.25 * even);
  });
});
