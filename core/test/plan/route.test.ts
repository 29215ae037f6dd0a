import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { hardenAgain, nextTemper } from "../../src/plan/nextTemper.js";
import { planRoute, structureBeforeHardening } from "../../src/plan/route.js";
import { predict } from "../../src/simulate/predict.js";
import { response, bathResponses } from "../../src/simulate/response.js";
import { SCHOOLS, STARTS, type Piece, type Step } from "../../src/schema/book.js";
import { checkAny as check } from "../../src/schema/checkAll.js";
import { steel } from "../catalogue.js";
import { BILLHOOK } from "../pieces.js";
import { marked } from "../quenches.js";
import { intoOf } from "../../src/plan/dips.js";

const billhook = BILLHOOK;
const heatOf = (steps: readonly Step[]) => steps.find((s) => s.kind === "harden")!;

describe("routes", () => {
  it("every steel, start and school gives a valid route that ends in two tempers", () => {
    for (const { id } of CATALOGUE.steels) {
      for (const start of STARTS) {
        for (const school of SCHOOLS) {
          const route = planRoute(CATALOGUE, { ...billhook, steel: id, start }, school);
          expect(check("Route", route).ok).toBe(true);
          expect(route.steps.slice(-2).map(({ kind }) => kind)).toEqual(["temper", "temper"]);
          expect(route.steps.every(({ why, said }) => why !== "said" && said === undefined)).toBe(true);
        }
      }
    }
  });
  it("the forge is never asked for a hold it cannot give; the kiln holds", () => {
    for (const { id } of CATALOGUE.steels) {
      const [forge, kiln, magnet, falling] = SCHOOLS.map((school) =>
        heatOf(planRoute(CATALOGUE, { ...billhook, steel: id, start: "fine-spheroidised" }, school).steps),
      );
      expect(forge!.hold_min).toBeLessThanOrEqual(4);
      expect(kiln!.hold_min).toBeGreaterThanOrEqual(3);
      expect(magnet!.hold_min + falling!.hold_min).toBe(0);
    }
  });
  it("a use that wants it hard gets its carbon from the forge too: hotter within the range and a few minutes, no more than that asks for", () => {
    for (const { id, austenitise_C } of CATALOGUE.steels) {
      const [, high_C] = austenitise_C.range as [number, number];
      const [keen, tough] = ["knife", "spring"].map((use) =>
        heatOf(planRoute(CATALOGUE, { ...billhook, steel: id, start: "normalised", use }, "forge").steps),
      );
      expect(keen!.temperature_C).toBeGreaterThanOrEqual(tough!.temperature_C);
      if (keen!.why === "soak") expect(keen!.temperature_C).toBeLessThanOrEqual(Math.max(tough!.temperature_C, high_C + 2.5));
      expect(tough!.why).toBe("shade-past");
    }
    // Common practice, no source: a few minutes at a bright heat, 58 HRC or more after its temper.
    const bearing = {
      ...billhook,
      steel: "52100",
      start: "normalised",
      use: "knife",
      section: { shape: "wedge", spine_mm: 3.5, edge_mm: 0.6, height_mm: 30 },
    } as const;
    const { working } = predict(CATALOGUE, bearing, planRoute(CATALOGUE, bearing, "forge"));
    expect(working.tempered.mean_HRC).toBeGreaterThan(58);
  });
  it("to the magnet and no further: a shade colder than the forge school, from pearlite whatever the start (trade)", () => {
    for (const start of STARTS) {
      const piece = { ...billhook, start };
      const [forge, magnet] = (["forge", "magnet"] as const).map((school) => planRoute(CATALOGUE, piece, school));
      const shade = heatOf(forge!.steps).temperature_C - heatOf(magnet!.steps).temperature_C;
      expect(shade).toBeGreaterThanOrEqual(20);
      expect(shade).toBeLessThanOrEqual(50);
      expect(structureBeforeHardening(piece, magnet!.steps)).toBe("pearlite");
    }
  });
  it("falling heat goes past the magnet and falls to where it pulls again, an act of its own; late costs hardness", () => {
    const route = planRoute(CATALOGUE, billhook, "falling");
    const heat = heatOf(route.steps);
    expect(heat.fallTo_C!).toBeLessThan(heat.temperature_C - 60);
    expect(actsOfRoute(route).map(({ kind }) => kind)).toContain("fall");
    const steps = (fallTo_C: number): Step[] => route.steps.map((s) => (s.kind === "harden" ? { ...s, fallTo_C } : s));
    const edge = (fallTo_C: number) =>
      predict(CATALOGUE, billhook, { ...route, steps: steps(fallTo_C) }, "quick").working.asQuenched.mean_HRC;
    expect(edge(heat.temperature_C - 15)).toBeGreaterThan(58);
    expect(edge(560)).toBeLessThan(edge(heat.temperature_C - 15) - 5);
  });
  it("an edge quench in the route is one in the prediction: a line, the back soft", () => {
    const route = planRoute(CATALOGUE, billhook, "forge");
    const steps = route.steps.map((s) => (s.kind === "quench" ? marked(s, { edgeDepth_mm: 20 }) : s));
    const { hardening } = predict(CATALOGUE, billhook, { ...route, steps }, "quick");
    expect(hardening.quenchLine!.height_mm).toBeGreaterThan(8);
    expect(hardening.quenchLine!.height_mm).toBeLessThan(30);
    expect(hardening.spine!.mean_HRC).toBeLessThan(45);
  });
  it("80CrV2 in the kiln from coarse stock: 10 to 15 min at 1/8 in, about 18 at 1/4 in (trade), 830 C", () => {
    const at = (mm: number) =>
      heatOf(
        planRoute(
          CATALOGUE,
          { ...billhook, steel: "80crv2", start: "fine-spheroidised", section: { shape: "plate", thickness_mm: mm } },
          "kiln",
        ).steps,
      );
    expect(at(3.175).hold_min).toBeGreaterThanOrEqual(10);
    expect(at(3.175).hold_min).toBeLessThanOrEqual(15);
    expect(Math.abs(at(6.35).hold_min - 18)).toBeLessThanOrEqual(1);
    expect(at(3.175).temperature_C).toBe(830);
  });
  it("1040 and 1045 go to water, thick W1 too, spring steel to oil (trade)", () => {
    const bath = (id: string, mm: number): string => {
      const quench = planRoute(CATALOGUE, { ...billhook, steel: id, section: { shape: "round", diameter_mm: mm } }, "forge").steps.find(
        (s) => s.kind === "quench",
      )!;
      return intoOf(quench).medium;
    };
    expect([bath("1040", 20), bath("1045", 20), bath("w1", 12)]).toEqual(["water", "water", "water"]);
    expect(bath("w1", 4)).toBe("fast-oil");
    expect(bath("5160", 20)).toBe("medium-oil");
  });
  it("normalising leaves pearlite, whatever was there before; what was not normalised stays as it came", () => {
    const forged = planRoute(CATALOGUE, billhook, "forge");
    expect(structureBeforeHardening(billhook, forged.steps)).toBe("pearlite");
    const bought: Piece = { ...billhook, start: "fine-spheroidised" };
    expect(structureBeforeHardening(bought, planRoute(CATALOGUE, bought, "kiln").steps)).toBe("fine-spheroidised");
  });
  it("a target the steel cannot reach is tempered at 150 C, not colder", () => {
    const route = planRoute(CATALOGUE, { ...billhook, steel: "5160", use: "striker" }, "forge");
    expect(route.steps.at(-1)).toMatchObject({ kind: "temper", temperature_C: 150 });
  });
});

describe("acts", () => {
  it("a route becomes single acts with ids of their own, ending with the proof", () => {
    const acts = actsOfRoute(planRoute(CATALOGUE, billhook, "forge"));
    expect(new Set(acts.map(({ id }) => id)).size).toBe(acts.length);
    expect(acts.map(({ kind }) => kind)).toEqual([
      "heat",
      "air-cool",
      "heat",
      "air-cool",
      "heat",
      "air-cool",
      "heat",
      "hold",
      "quench",
      "straighten",
      "cool-down",
      "first-file",
      "oven",
      "temper",
      "oven",
      "temper",
      "prove",
    ]);
  });
  it("hardening again keeps the ids of what was done", () => {
    const route = planRoute(CATALOGUE, billhook, "forge");
    const before = actsOfRoute(route).map(({ id }) => id);
    const again = {
      ...route,
      steps: hardenAgain<Step>(route.steps, {
        kind: "normalise",
        temperature_C: 870,
        hold_min: 0,
        coolTo: "hand-warm",
        why: "soft-quench",
      }),
    };
    const after = actsOfRoute(again).map(({ id }) => id);
    const upToFile = before.indexOf("4-first-file") + 1;
    expect(after.slice(0, upToFile)).toEqual(before.slice(0, upToFile));
    expect(again.steps.filter(({ kind }) => kind === "quench")).toHaveLength(2);
  });
});

describe("a further temper", () => {
  const base = {
    // The note's own figures of 1084: the fit has moved both since.
    steel: { ...steel("1084").temper, nominal_HRC: 65, trim_HRC: 0.1 },
    asQuenched_HRC: 65,
    done: [{ temperature_C: 190, hold_min: 120 }],
    measured_HRC: 62.5,
    measuredSd_HRC: 0.7,
    hold_min: 120,
  };
  it("the note's case: offset .57, material 245.2, oven 235.8, the cooler is taken", () => {
    const answer = nextTemper({ ...base, target_HRC: 59 });
    expect(answer.outcome).toBe("found");
    if (answer.outcome !== "found") return;
    expect(answer.offset_HRC).toBeCloseTo(0.57, 1);
    expect(Math.abs(answer.ifMaterial_C! - 245.23)).toBeLessThan(0.5);
    expect(Math.abs(answer.ifOven_C! - 235.8)).toBeLessThan(0.5);
    expect(answer.temperature_C).toBe(answer.ifOven_C);
  });
  it("believes the measurement the more, the less sure the prediction was", () => {
    const offsets = [0.5, 1, 4].map((modelSd_HRC) => {
      const answer = nextTemper({ ...base, modelSd_HRC, target_HRC: 59 });
      return answer.outcome === "found" ? answer.offset_HRC : NaN;
    });
    expect(offsets[0]!).toBeLessThan(offsets[1]!);
    expect(offsets[1]!).toBeLessThan(offsets[2]!);
    // A piece measured 3.5 harder than a doubtful prediction is offered the further temper that brings it down.
    const doubtful = { ...base, asQuenched_HRC: 58, measured_HRC: 60, measuredSd_HRC: 1.5, target_HRC: 58 };
    expect(nextTemper({ ...doubtful, modelSd_HRC: 4 }).outcome).toBe("found");
  });
  it("cannot raise hardness, and leaves well alone", () => {
    expect(nextTemper({ ...base, target_HRC: 64 }).outcome).toBe("already-softer");
    expect(nextTemper({ ...base, target_HRC: 62.4 }).outcome).toBe("enough");
  });
});

describe("the whole prediction", () => {
  const route = planRoute(CATALOGUE, billhook, "forge");
  const whole = predict(CATALOGUE, billhook, route);
  it("lands where the use wants it and adds its spread up from its parts", () => {
    const { mean_HRC, sd_HRC } = whole.working.tempered;
    expect(mean_HRC).toBeGreaterThan(whole.target.low_HRC);
    expect(mean_HRC).toBeLessThan(whole.target.high_HRC);
    expect(Math.hypot(...whole.spread.map((s) => s.sd_HRC))).toBeCloseTo(sd_HRC, 9);
    expect(whole.chanceInTarget).toBeGreaterThan(0.3);
    expect(whole.chanceInTarget).toBeLessThanOrEqual(1);
  });
  it("the slide goes through the answer: within 1 HRC of it at the plan", () => {
    const track = response(CATALOGUE, billhook, route, "temper");
    // With the first held as planned, a cooler second leaves what the first made of it.
    const second = response(CATALOGUE, billhook, route, "temper", undefined, {}, 1);
    expect(second.points[0]!.working_HRC).toBeLessThan(track.points[0]!.working_HRC - 1);
    expect(second.points.at(-1)!.working_HRC).toBeLessThanOrEqual(track.points.at(-1)!.working_HRC + 1.5);
    const planned = route.steps.at(-1)!;
    const near = track.points.reduce((a, b) =>
      Math.abs(b.x - (planned as { temperature_C: number }).temperature_C) <
      Math.abs(a.x - (planned as { temperature_C: number }).temperature_C)
        ? b
        : a,
    );
    expect(Math.abs(near.working_HRC - whole.working.tempered.mean_HRC)).toBeLessThan(1);
    for (let i = 1; i < track.points.length; i++)
      expect(track.points[i]!.working_HRC).toBeLessThanOrEqual(track.points[i - 1]!.working_HRC + 1e-9);
  });
  it("a faster bath is never softer at the back", () => {
    const [fast, slow] = bathResponses(CATALOGUE, { ...billhook, steel: "1084" }, route, ["fast-oil", "slow-oil"]);
    expect(fast!.thickest_HRC).toBeGreaterThanOrEqual(slow!.thickest_HRC - 0.2);
  });
  it("a route without a quench is refused in words", () => {
    expect(() => predict(CATALOGUE, billhook, { ...route, steps: route.steps.filter(({ kind }) => kind !== "quench") })).toThrow(
      "no step to quench",
    );
  });
});
