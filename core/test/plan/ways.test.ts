import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { heatOrder } from "../../src/plan/heatOrder.js";
import { namedHeat } from "../../src/plan/namedHeat.js";
import { orderProblem } from "../../src/plan/order.js";
import { otherPractices } from "../../src/plan/otherPractice.js";
import { ac1_C } from "../../src/kinetics/criticalTemperatures.js";
import { annealStep, destressStep, planRoute, structureBeforeHardening, subCriticalStep } from "../../src/plan/route.js";
import { drawsFor, hardeningFrom, hardensFor, heatedOf, wayOf } from "../../src/plan/way.js";
import { resolveSteel } from "../../src/plan/catalogue.js";
import { checkAny as check } from "../../src/schema/checkAll.js";
import { SCHOOLS, type Piece, type Route, type Step } from "../../src/schema/book.js";
import { predict } from "../../src/simulate/predict.js";
import { celsiusDifferenceFromFahrenheit, celsiusFromFahrenheit } from "../../src/units.js";
import { BILLHOOK } from "../pieces.js";
import { makeDesk } from "../../src/simulate/desk.js";
import { edgeDepth_mm, endUnder } from "../../src/plan/dips.js";
import { bathed, marked, type Marks } from "../quenches.js";

/** Remembered or not the bytes are the same (desk.test.ts). */
const desk = makeDesk();

const blade = BILLHOOK;
const punch: Piece = {
  ...blade,
  kind: "punch",
  form: "punch",
  steel: "w1",
  use: "punch",
  length_mm: 150,
  section: { shape: "round", diameter_mm: 12 },
};
const hammer: Piece = {
  ...blade,
  kind: "hammer",
  form: "hammer",
  steel: "1045",
  use: "hammer-face",
  length_mm: 120,
  section: { shape: "square", side_mm: 40 },
};

describe("ways to harden", () => {
  it("every shape, way and school gives a sound route whose steps can follow each other, and a prediction", () => {
    let count = 0;
    for (const piece of [blade, punch, hammer]) {
      for (const way of hardensFor(piece.section).flatMap((hardens) => drawsFor(hardens).map((draws) => ({ hardens, draws })))) {
        for (const school of SCHOOLS) {
          const route = planRoute(CATALOGUE, piece, school, { way });
          expect(check("Route", route).ok).toBe(true);
          expect(orderProblem(route.steps)).toBeNull();
          // What was asked for is what the steps say.
          expect(wayOf(route)).toEqual(way);
          count++;
        }
        const { working } = predict(CATALOGUE, piece, planRoute(CATALOGUE, piece, "forge", { way }), "quick", undefined, desk);
        expect(working.tempered.mean_HRC).toBeGreaterThan(25);
      }
    }
    expect(count).toBe(4 * (6 + 7 + 2 * (6 + 7 + 4)));
  });
  it("a way its shape does not have is refused with those it has", () => {
    expect(() => planRoute(CATALOGUE, blade, "forge", { way: { hardens: "ends" } })).toThrow(/whole, edge; got ends/);
    expect(() => planRoute(CATALOGUE, blade, "forge", { way: { draws: "residual" } })).toThrow(
      /oven, oil, salt, sand, torch, hot-bar; got residual/,
    );
  });
  it("an edge quench whose temper is a colour run: the edge goes under, the colour is run from the back", () => {
    const { steps } = planRoute(CATALOGUE, blade, "forge", { way: { hardens: "edge", draws: "hot-bar" } });
    const quench = steps.find((s) => s.kind === "quench")!;
    expect(quench.kind === "quench" && edgeDepth_mm(quench)! < blade.length_mm).toBe(true);
    expect(steps.at(-1)).toMatchObject({ kind: "run", source: "hot-bar", why: "runs-from-body" });
  });
  it("two ends: heated and quenched twice, the first end named to be kept cool", () => {
    const { steps } = planRoute(CATALOGUE, hammer, "forge", { way: { hardens: "ends" } });
    const baths = steps.filter((s) => s.kind === "quench");
    expect(baths.map((s) => (s.kind === "quench" ? endUnder(s)!.end : ""))).toEqual(["working", "other"]);
    expect(baths[1]!.why).toBe("other-end");
  });
  it("residual heat: nothing is straightened, cooled or filed between bath and colour", () => {
    const route = planRoute(CATALOGUE, punch, "forge", { way: { hardens: "face", draws: "residual" } });
    const kinds = actsOfRoute(route).map(({ kind }) => kind);
    const at = kinds.indexOf("quench");
    expect(kinds.slice(at)).toEqual(["quench", "brighten", "run", "prove"]);
  });
  it("only the face goes under: it is hard, and the body behind it stays soft", () => {
    const { hardening } = predict(CATALOGUE, hammer, planRoute(CATALOGUE, hammer, "forge", { way: { hardens: "face" } }), "quick");
    const depths = hardening.profile.map(({ hardness_HRC }) => hardness_HRC);
    expect(Math.max(...depths) - Math.min(...depths)).toBeGreaterThan(15);
  });
});

describe("starts and extra heats", () => {
  it("what was hard before is warmed slowly and normalised first", () => {
    const { steps } = planRoute(CATALOGUE, { ...blade, start: "hardened" }, "forge");
    expect(steps.slice(0, 3).map(({ kind }) => kind)).toEqual(["preheat", "normalise", "normalise"]);
    expect(steps[0]!.why).toBe("slowly-from-cold");
  });
  it("long or thick pieces are warmed through first; in the kiln 20 min (trade: 1200 F for 20 min)", () => {
    const preheat = planRoute(CATALOGUE, { ...blade, length_mm: 760 }, "kiln").steps.find((s) => s.kind === "preheat")!;
    expect(preheat.hold_min).toBe(20);
    expect(Math.abs(preheat.temperature_C - celsiusFromFahrenheit(1200))).toBeLessThan(3);
    expect(planRoute(CATALOGUE, blade, "forge").steps.some((s) => s.kind === "preheat")).toBe(false);
  });
  it("600 F an hour is 333 C an hour, a difference; the time down to 1000 F follows (trade)", () => {
    const anneal = annealStep(resolveSteel(CATALOGUE, "80crv2"), null);
    expect(anneal.rate_C_h).toBeCloseTo(celsiusDifferenceFromFahrenheit(600), 0);
    expect(Math.abs(anneal.to_C - celsiusFromFahrenheit(1000))).toBeLessThan(5);
    // 1400 F for 80CrV2 (trade facts).
    expect(Math.abs(anneal.temperature_C - celsiusFromFahrenheit(1400))).toBeLessThan(20);
    const route: Route = { heating: { in: "kiln", by: "controller" }, steps: [anneal, ...planRoute(CATALOGUE, blade, "kiln").steps] };
    const slow = actsOfRoute(route).find(({ kind }) => kind === "slow-cool")!;
    expect(slow.kind === "slow-cool" && slow.time_s / 3600).toBeCloseTo((anneal.temperature_C - 540) / 333, 6);
  });
  it("the last heat before hardening says what the steel is: an anneal leaves round carbide, normalising pearlite", () => {
    const anneal = annealStep(resolveSteel(CATALOGUE, "1084"), null);
    const { steps } = planRoute(CATALOGUE, blade, "forge");
    const at = steps.findIndex(({ kind }) => kind === "harden");
    expect(structureBeforeHardening(blade, [...steps.slice(0, at), anneal])).toBe("fine-spheroidised");
    expect(structureBeforeHardening(blade, [...steps.slice(0, at), { ...anneal, rate_C_h: 28 }])).toBe("coarse-spheroidised");
    expect(structureBeforeHardening(blade, [anneal, ...steps.slice(0, at)])).toBe("pearlite");
  });
  it("spheroidising and stress relief hold under Ac1, and neither is a preheat", () => {
    for (const { id } of CATALOGUE.steels) {
      const found = resolveSteel(CATALOGUE, id);
      for (const step of [subCriticalStep(found), destressStep("lets go")]) {
        expect(step.temperature_C).toBeLessThan(ac1_C(found.composition_wtpct) - 10);
        expect(step.how).toBe("sub-critical");
      }
      expect(subCriticalStep(found).temperature_C).toBeGreaterThan(650);
    }
    expect([namedHeat("spheroidise")?.kind, namedHeat("stress relief")?.kind]).toEqual(["anneal", "anneal"]);
  });
  it("two hours just under the change leave round carbide, an hour of stress relief leaves what was there", () => {
    const { steps } = planRoute(CATALOGUE, blade, "forge");
    const before = steps.slice(
      0,
      steps.findIndex(({ kind }) => kind === "harden"),
    );
    expect(structureBeforeHardening(blade, [...before, subCriticalStep(resolveSteel(CATALOGUE, blade.steel))])).toBe("fine-spheroidised");
    expect(structureBeforeHardening(blade, [...before, destressStep("lets go")])).toBe(structureBeforeHardening(blade, before));
  });
  it("the heavy part first, the thin edge last", () => {
    const order = heatOrder(blade, "whole");
    expect(order[0]).toBe("spine-first");
    expect(order.indexOf("tip-last")).toBeGreaterThan(0);
    expect(heatOrder(hammer, "ends")).toContain("first-end-cool");
  });
});

describe("words and other practice", () => {
  it("five heats that are mixed up are told apart (capabilities row 27)", () => {
    const said = ["normalize it twice", "anneal in vermiculite", "refining cycles", "spheroidise below critical", "stress relief"];
    expect(said.map((text) => namedHeat(text)?.name)).toEqual(["normalise", "anneal", "refine", "sub-critical", "destress"]);
    expect(namedHeat("hit it harder")).toBeNull();
  });
  it("normalise, harden, quench and the last temper each have another practice whose route stands and differs", () => {
    const route = planRoute(CATALOGUE, blade, "forge");
    for (const kind of ["normalise", "harden", "quench", "temper"] as const) {
      const others = otherPractices(
        CATALOGUE,
        blade,
        route,
        route.steps.findLastIndex((s) => s.kind === kind),
      );
      expect(others.length).toBeGreaterThan(0);
      for (const other of others) {
        expect(orderProblem(other.route.steps)).toBeNull();
        expect(other.route).not.toEqual(route);
      }
    }
  });
});

describe("what goes to heat", () => {
  const hammer: Piece = {
    ...BILLHOOK,
    kind: "hammer",
    use: "hammer-face",
    steel: "1060",
    length_mm: 110,
    section: { shape: "square", side_mm: 35 },
  };
  const heated = (hardens: "whole" | "face" | "ends", more: Marks = {}): string[] => {
    const route = planRoute(CATALOGUE, hammer, "forge", { way: { hardens, draws: "oven" } });
    const steps = route.steps.map((step) => (step.kind === "quench" ? marked(step, more) : step));
    return steps.flatMap((step, i) => ("hold_min" in step && step.kind !== "temper" ? [`${step.kind} ${heatedOf({ steps }, i)}`] : []));
  };
  it("is all of it to normalise, whatever is hardened; one end, and then the other beside a hard one, to harden", () => {
    expect(heated("ends").filter((said) => said.startsWith("normalise"))).toEqual(Array(3).fill("normalise whole"));
    expect(heated("ends").filter((said) => said.startsWith("harden"))).toEqual(["harden face", "harden ends"]);
    expect(heated("face").at(-1)).toBe("harden face");
    expect(heated("whole").at(-1)).toBe("harden whole");
  });
  it("both ends at once where they go by turns out of one heat", () => {
    expect(heated("face", { turns: { depth_mm: 20, first_s: 4, second_s: 4 } }).at(-1)).toBe("harden whole");
  });
});

describe("the hardening that counts", () => {
  const quench = (end?: "working" | "other"): Step => bathed(end === undefined ? {} : { part: { end, depth_mm: 20 } });
  const from = (...steps: Step[]): number => hardeningFrom({ steps });
  const temper: Step = { kind: "temper", temperature_C: 200, hold_min: 120, why: "first-temper" };
  it("begins behind the bath that a later one of the same end took back, and behind its tempers", () => {
    expect(from(quench(), temper, temper, quench(), temper)).toBe(3);
    expect(from(quench())).toBe(0);
    expect(from()).toBe(0);
    expect(from(quench(), quench())).toBe(1);
    expect(from(quench("working"), quench("working"))).toBe(1);
    expect(from(quench("working"), quench())).toBe(1);
  });
  it("two ends with a heat of their own are one hardening", () => {
    expect(from(quench("working"), quench("other"))).toBe(0);
    expect(from(quench("working"), quench("other"), quench("working"))).toBe(1);
  });
});
