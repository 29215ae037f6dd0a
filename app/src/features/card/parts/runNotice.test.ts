import { expect, it } from "@jest/globals";
import { CATALOGUE, edgeInAir, FIRST_COLOUR_C, planRoute, predict, PRESETS, type Kit, type Piece, type Route } from "@tembrak/core";
import { inOvenInstead, inWaterInstead } from "./RunNotice.js";

const STRIKER: Piece = {
  name: "Fire striker",
  mark: "2",
  kind: "striker",
  steel: "w1",
  start: "as-forged",
  use: "striker",
  length_mm: 80,
  section: { shape: "wedge", spine_mm: 5, edge_mm: 4, height_mm: 26 },
};
const KIT: Kit = PRESETS.find(({ id }) => id === "coal")!.items.map((item, i) => ({ ...item, id: `k${i}` }));

const planned = planRoute(CATALOGUE, STRIKER, "forge", { way: { hardens: "whole", draws: "hot-bar" }, kit: KIT });
const coloured = (route: Route): Route => ({ ...route, steps: route.steps.map((step) => (step.kind === "run" ? edgeInAir(step) : step)) });

it("a striker is planned with its edge in water and a line behind it, and keeps what flint wants", () => {
  expect(planned.steps.at(-1)).toMatchObject({ kind: "run", mark: { behind_mm: 16 }, why: "edge-stays-bare" });
  const { working, target } = predict(CATALOGUE, STRIKER, planned, "quick");
  expect(working.tempered.mean_HRC).toBeGreaterThanOrEqual(target.low_HRC);
  expect(inWaterInstead({ piece: STRIKER }, coloured(planned))).toEqual(planned);
});

it("a thin edge is never left in water as the bath left it: not planned, not offered, however hard it is to be", () => {
  for (const steel of ["5160", "1045", "o1", "w1"]) {
    for (const use of ["slicer", "knife", "wood-chisel", "striker"]) {
      const knife: Piece = { ...STRIKER, kind: "knife", steel, use, section: { shape: "wedge", spine_mm: 4, edge_mm: 0.8, height_mm: 30 } };
      const route = planRoute(CATALOGUE, knife, "forge", { way: { hardens: "whole", draws: "torch" }, kit: KIT });
      expect(route.steps.at(-1)).not.toHaveProperty("mark");
      expect(inWaterInstead({ piece: knife }, route)).toBeNull();
    }
  }
});

it("a striker drawn by the first colour is as soft as flint bears; the oven that takes its place leaves it hard", () => {
  const run = coloured(planned);
  expect(run.steps.at(-1)).toMatchObject({ kind: "run", temperature_C: FIRST_COLOUR_C });
  const by = (route: typeof run) => predict(CATALOGUE, STRIKER, route, "quick");
  // The first colour leaves it near the soft end of what flint wants.
  expect(by(run).working.tempered.mean_HRC).toBeLessThan(by(run).target.low_HRC + 1.5);
  const instead = inOvenInstead({ piece: STRIKER }, run, KIT)!;
  expect(by(instead).working.tempered.mean_HRC).toBeGreaterThan(by(run).working.tempered.mean_HRC);
  expect(instead.steps.some(({ kind }) => kind === "run")).toBe(false);
  expect(instead.steps.slice(0, run.steps.length - 1)).toEqual(run.steps.slice(0, -1));
  expect(by(instead).working.tempered.mean_HRC).toBeGreaterThanOrEqual(by(instead).target.low_HRC);
});

it("where there is no oven, or what draws it is its own heat, nothing takes its place", () => {
  const run = planRoute(CATALOGUE, STRIKER, "forge", { way: { hardens: "whole", draws: "hot-bar" }, kit: KIT });
  expect(
    inOvenInstead(
      { piece: STRIKER },
      run,
      KIT.filter(({ kind }) => kind !== "oven" && kind !== "kiln"),
    ),
  ).toBeNull();
  const own = planRoute(CATALOGUE, STRIKER, "forge", { way: { hardens: "edge", draws: "residual" }, kit: KIT });
  expect(inOvenInstead({ piece: STRIKER }, own, KIT)).toBeNull();
});
