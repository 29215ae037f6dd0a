import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, formOf } from "../../src/catalogue.js";
import { planRoute } from "../../src/plan/route.js";
import type { Piece } from "../../src/schema/book.js";
import { sectionAt } from "../../src/shape/stations.js";
import { mayStillBend, windowAt } from "../../src/standing/straightening.js";
import { measuredPlaces } from "../../src/simulate/alongPiece.js";
import { makeDesk } from "../../src/simulate/desk.js";
import { outAt } from "../../src/simulate/outAt.js";
import { hardenPlanOf } from "../../src/simulate/planOf.js";
import { predict } from "../../src/simulate/predict.js";
import { runJob } from "../../src/job/runJob.js";
import { BILLHOOK } from "../pieces.js";

const LONG: Piece = {
  ...BILLHOOK,
  kind: "sword",
  form: "sword",
  steel: "5160",
  use: "sword",
  length_mm: 900,
  section: { shape: "wedge", spine_mm: 10, edge_mm: 2, height_mm: 45 },
};
const TIP = { at: 0.97, spine_mm: 3, edge_mm: 1.5 };
const TAPERED: Piece = { ...LONG, stations: [TIP] };
const desk = makeDesk();
const of = (piece: Piece) => predict(CATALOGUE, piece, planRoute(CATALOGUE, piece, "forge"), "quick", undefined, desk);

describe("a blade that was measured at more places than one", () => {
  const [plain, tapered] = [of(LONG), of(TAPERED)];
  // Seen in the trade: a thin tip is shut long before the body, and snaps where the body would still bend.
  it("its window is that of the thin tip, which shuts long before the body does", () => {
    expect(tapered.firstToShut).toBe(0);
    const [body, tip] = [plain.hardening.straighten!, tapered.hardening.straighten!];
    expect(tip.end.p50_s).toBeLessThan(0.5 * body.end.p50_s);
    // Half a minute after it went in the body may be bent by hand, and is; the tip may not.
    const at_s = 0.5 * (tip.end.p95_s + body.end.p05_s);
    expect(windowAt(body, at_s).is).toBe("open");
    expect(mayStillBend(windowAt(tip, at_s))).toBe(false);
  });
  it("it may be handled when its last place is hand-warm, and each place has a verdict of its own", () => {
    expect(tapered.hardening.handWarm_s).toBeGreaterThanOrEqual(plain.hardening.handWarm_s);
    const [tip] = tapered.places;
    expect(tip).toMatchObject({ at: 0.97, section: { spine_mm: 3, edge_mm: 1.5 }, working: { place: "edge" } });
    expect(tip!.handWarm_s).toBeLessThan(plain.hardening.handWarm_s);
  });
  it("one section is answered as it always was, and a place that is as its own section is asks for nothing", () => {
    expect([plain.places, plain.firstToShut, plain.weakest]).toEqual([[], null, null]);
    expect(measuredPlaces({ ...LONG, stations: [{ at: 0.5, spine_mm: 10.1, edge_mm: 2 }] })).toEqual([]);
    expect(of({ ...LONG, stations: [] })).toEqual(plain);
  });
  it("a place of it is what a blade of that section alone would be", () => {
    const alone = of({ ...LONG, section: tapered.places[0]!.section });
    // Eight members a place, coarse, as alone.
    expect(tapered.places[0]!.working.tempered.mean_HRC).toBeCloseTo(alone.working.tempered.mean_HRC, 6);
    expect(tapered.hardening.straighten!.end.p50_s).toBeCloseTo(alone.hardening.straighten!.end.p50_s, 6);
  });
  it("a thick place that does not harden is the weakest, and says so", () => {
    const thick: Piece = {
      ...LONG,
      steel: "1084",
      section: { shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 45 },
      stations: [{ at: 0.2, spine_mm: 14, edge_mm: 9 }],
    };
    const { weakest, places, chanceInTarget } = of(thick);
    expect(weakest).toBe(0);
    expect(places[0]!.chanceInTarget).toBeLessThan(chanceInTarget - 0.15);
  });
  it("the seconds out of the bath are told by the first to shut too", () => {
    const route = planRoute(CATALOGUE, TAPERED, "forge");
    const outcome = runJob(CATALOGUE, { kind: "out-at", piece: TAPERED, route, known: {} }, desk);
    const whole = outAt(hardenPlanOf(CATALOGUE, LONG, route), desk);
    if (outcome.type !== "done") throw new Error(JSON.stringify(outcome));
    const best = (outcome.answer as typeof whole)!.best;
    expect(best.at_s).toBe(whole!.best.at_s);
    expect(best.window!.end.p50_s).toBeLessThan(whole!.best.window!.end.p50_s);
  });
  it("an edge that was measured outside the bevel of its form is an edge there", () => {
    const knife: Piece = { ...LONG, stations: [{ at: 0.99, spine_mm: 3, edge_mm: 0.4 }] };
    expect(sectionAt(knife, formOf(knife), 0.99)).toMatchObject({ edge_mm: 0.4 });
  });
});
