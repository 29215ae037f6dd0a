import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, formOf } from "../../src/catalogue.js";
import { cooledMass_kg, fitProblems } from "../../src/plan/fit.js";
import { inFire_mm, shortInside_mm, withInFire } from "../../src/plan/inFire.js";
import { planRoute } from "../../src/plan/route.js";
import type { Quench } from "../../src/plan/dips.js";
import type { Piece } from "../../src/schema/book.js";
import type { Kit } from "../../src/schema/kit.js";
import { alongMouth } from "../../src/simulate/mouth.js";
import { predict, type Prediction } from "../../src/simulate/predict.js";
import { zoneReports } from "../../src/simulate/zoneReport.js";
import { explicitBar } from "./explicitBar.js";

const KNIFE: Piece = {
  name: "Reed knife",
  mark: "4",
  kind: "knife",
  form: "knife",
  steel: "1084",
  start: "as-forged",
  use: "knife",
  length_mm: 260,
  section: { shape: "wedge", spine_mm: 4, edge_mm: 0.8, height_mm: 30 },
};
type OtherEnd = NonNullable<Prediction["other"]>;

const BAR: Piece = {
  name: "Test bar",
  mark: "5",
  kind: "other",
  steel: "1084",
  start: "as-forged",
  use: "knife",
  length_mm: 300,
  section: { shape: "round", diameter_mm: 8 },
};

describe("a piece of which a part is in the fire", () => {
  it("is as an explicit scheme of its own has it, within 15 K where hardness is decided, and that within 2 mm", () => {
    const [mine, other] = [alongMouth(BAR, 180, 815, 120), explicitBar({ length_mm: 300, diameter_mm: 8, in_mm: 180 }, 815, 120)];
    const at = (T: Float64Array, mm: number): number => T[Math.min(T.length - 1, Math.round((T.length * mm) / 300 - 0.5))]!;
    for (const mm of [60, 120, 140, 150, 160, 170]) expect(Math.abs(at(mine, mm) - at(other, mm))).toBeLessThan(15);
    const hot = (T: Float64Array): number => (300 * T.findIndex((t) => t < 750)) / T.length;
    expect(Math.abs(hot(mine) - hot(other))).toBeLessThan(2);
  });
  // A semi-infinite fin: inside, what it is short of its wall falls as exp(-x sqrt(h P / (k A))) (Carslaw and Jaeger 1959, from memory).
  it("inside the mouth comes to its heat over the length of a fin", () => {
    const T = alongMouth(BAR, 180, 815, 900);
    const short = (mm: number): number => 815 - T[Math.round((T.length * mm) / 300 - 0.5)]!;
    // h of a grey wall at 790 C and convection, by hand: 15 + 4 * 0.8 * 5.67e-8 * 1070^3.
    const length_mm = 1000 * Math.sqrt((38 * 0.002) / (15 + 4 * 0.8 * 5.67e-8 * 1070 ** 3));
    expect(Math.log(short(150) / short(135)) * (length_mm / 15)).toBeGreaterThan(0.85);
    expect(Math.log(short(150) / short(135)) * (length_mm / 15)).toBeLessThan(1.15);
    expect(short(180 - shortInside_mm(4))).toBeLessThan(60);
  });
  it("is hard as far as it was hot, and from the change on as it was; all of it in the fire has no such line", () => {
    const route = planRoute(CATALOGUE, KNIFE, "forge");
    expect(predict(CATALOGUE, KNIFE, route, "quick").mouth).toBeNull();
    const { mouth } = predict(CATALOGUE, KNIFE, withInFire(route, 170), "quick");
    expect(mouth!.hardTo_mm).toBeLessThan(170);
    expect(mouth!.hardTo_mm).toBeGreaterThan(110);
    expect(mouth!.asItWasFrom_mm).toBeGreaterThan(mouth!.hardTo_mm);
    expect(mouth!.asItWasFrom_mm).toBeLessThan(200);
    expect(inFire_mm(KNIFE, withInFire(route, 400))).toBeNull();
  });
  it("a tang that is to stay as it is stays out, and is told so; the blade is hard up to it", () => {
    const wished: Piece = {
      ...KNIFE,
      zones: [
        { zone: "edge", wants: "hard" },
        { zone: "tang", wants: "untreated" },
      ],
    };
    const route = planRoute(CATALOGUE, wished, "forge");
    const blade_mm = 260 * (1 - formOf(KNIFE).bevel!.from);
    expect(inFire_mm(wished, route)).toBeGreaterThan(blade_mm);
    const prediction = predict(CATALOGUE, wished, route, "quick");
    expect(prediction.mouth!.hardTo_mm).toBeGreaterThan(blade_mm - 8);
    expect(zoneReports(wished, prediction).find(({ zone }) => zone === "tang")!.isLeft).toBe(true);
    expect(inFire_mm(KNIFE, planRoute(CATALOGUE, KNIFE, "forge"))).toBeNull();
    // What is out of the fire is not hard, whatever somebody wants of it; and the practised shop's fire is about all of it.
    const hard: Piece = {
      ...wished,
      zones: [
        { zone: "edge", wants: "hard" },
        { zone: "tang", wants: "hard" },
      ],
    };
    expect(zoneReports(hard, prediction).find(({ zone }) => zone === "tang")!.chance).toBe(0);
    expect(inFire_mm(wished, planRoute(CATALOGUE, { ...wished, isPractice: true }, "forge"))).toBeNull();
    // Nobody shuts a kiln on half a knife.
    expect(inFire_mm(wished, planRoute(CATALOGUE, wished, "kiln"))).toBeNull();
  });
  it("a long sword fits a kiln by so much of it, its bath takes no more, and is warmed by no more", () => {
    const sword: Piece = {
      ...KNIFE,
      kind: "sword",
      form: "sword",
      steel: "5160",
      use: "sword",
      length_mm: 1626,
      section: { shape: "wedge", spine_mm: 6, edge_mm: 1.2, height_mm: 45 },
    };
    const kit = [
      {
        id: "k",
        kind: "kiln",
        name: "Kiln",
        length_mm: 1240,
        width_mm: 180,
        height_mm: 150,
        limit_C: 1100,
        offset_C: 0,
        swing_C: 4,
        settle_min: 15,
        recovery_min: 3,
      },
      { id: "b", kind: "bath", name: "Tall tank", medium: "fast-oil", tank: "round", width_mm: 300, depth_mm: 1400, fill_mm: 1300 },
    ] as unknown as Kit;
    const whole = planRoute(CATALOGUE, sword, "kiln", { kit });
    const lengths = (route: typeof whole) =>
      fitProblems(CATALOGUE, sword, formOf(sword), route, kit).filter(
        ({ what, place }) => (what === "length" || what === "depth") && place !== "oven",
      );
    expect(
      lengths(whole)
        .map(({ place }) => place)
        .sort(),
    ).toEqual(["bath", "kiln"]);
    const part = withInFire(whole, 1219);
    expect(lengths(part)).toEqual([]);
    const quench = part.steps.findLast((step): step is Quench => step.kind === "quench")!;
    const all = cooledMass_kg(sword, formOf(sword), quench);
    expect(cooledMass_kg(sword, formOf(sword), quench, undefined, 1219) / all).toBeCloseTo(1219 / 1626, 9);
  });
  it("the face of a hammer is drawn while its peen is heated, and kept wet it is not", () => {
    const hammer: Piece = {
      ...BAR,
      kind: "hammer",
      form: "hammer",
      steel: "1060",
      use: "hammer-face",
      length_mm: 110,
      section: { shape: "square", side_mm: 28 },
    };
    const route = planRoute(CATALOGUE, hammer, "forge", { way: { hardens: "ends", draws: "oven" } });
    const bare = {
      ...route,
      steps: route.steps.map((step) => (step.kind === "harden" ? { ...step, guard: undefined } : step)),
    } as typeof route;
    const [wet, dry] = [route, bare].map((of) => predict(CATALOGUE, hammer, of, "quick").other!) as [OtherEnd, OtherEnd];
    // Water holds its end near its own boiling; over 400 C hard steel of any carbon is under 50 HRC in minutes (handbook tempering curves).
    expect(wet.got_C).toBeLessThan(150);
    expect(dry.got_C).toBeGreaterThan(400);
    expect(dry.tempered.mean_HRC).toBeLessThan(48);
    expect(wet.tempered.mean_HRC).toBeGreaterThan(dry.tempered.mean_HRC + 6);
  });
});
