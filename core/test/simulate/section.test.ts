import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute, type Piece } from "../../src/index.js";
import { rockwellCFromVickers } from "../../src/kinetics/hardness.js";
import { nodeHardness_HV } from "../../src/kinetics/structure.js";
import type { BodySection } from "../../src/schema/parts.js";
import { runCase } from "../../src/simulate/hardenCase.js";
import { hardenPlanOf } from "../../src/simulate/planOf.js";
import { gridOf, type Resolution } from "../../src/simulate/section.js";

const sections: readonly BodySection[] = [
  { shape: "plate", thickness_mm: 6 },
  { shape: "round", diameter_mm: 12 },
  { shape: "square", side_mm: 14 },
  { shape: "wedge", spine_mm: 6.5, edge_mm: 0.9, height_mm: 62 },
  { shape: "end", diameter_mm: 14, length_mm: 90 },
  { shape: "end", diameter_mm: 14, length_mm: 9 },
];

const RESOLUTIONS: readonly Resolution[] = ["sparse", "coarse", "full", "fine"];

describe("where the places of a section lie on its grid", () => {
  for (const section of sections) {
    for (const resolution of RESOLUTIONS) {
      it(`${section.shape}, ${resolution}: each is a node, and on the side it is called by`, () => {
        const { grid, surface, centre, edge, spine } = gridOf(section, resolution);
        const columnOf = (node: number): number => Math.floor(node / grid.nodes);
        for (const node of [surface, centre, edge, spine]) {
          if (node === null) continue;
          expect(Number.isInteger(node)).toBe(true);
          expect(node).toBeGreaterThanOrEqual(0);
          expect(node).toBeLessThan(grid.columns * grid.nodes);
        }
        if (edge === null || spine === null) return;
        // The edge, or the face that works, comes first; what backs it lies behind.
        expect(columnOf(edge)).toBeLessThan(columnOf(centre));
        if (section.shape === "wedge") expect(columnOf(centre)).toBeLessThan(columnOf(spine));
        expect(columnOf(spine)).toBeLessThan(grid.columns - 1);
      });
    }
  }
});

describe("a place is the same place however finely its section is divided", () => {
  const middle_mm = (section: BodySection, resolution: Resolution, place: "edge" | "centre" | "spine"): number => {
    const places = gridOf(section, resolution);
    return 1000 * places.grid.columnMiddle_m[Math.floor(places[place]! / places.grid.nodes)]!;
  };
  it.each(["edge", "centre", "spine"] as const)("%s of a blade", (place) => {
    const blade = sections[3]!;
    for (const resolution of RESOLUTIONS) expect(middle_mm(blade, resolution, place)).toBeCloseTo(middle_mm(blade, "full", place), 6);
  });
  it("what stands for the face of a hammer", () => {
    const hammer = sections[4]!;
    for (const resolution of RESOLUTIONS) expect(middle_mm(hammer, resolution, "edge")).toBeCloseTo(middle_mm(hammer, "full", "edge"), 6);
  });
  it("and the columns of a blade fill it", () => {
    for (const resolution of RESOLUTIONS) {
      const { grid } = gridOf(sections[3]!, resolution);
      expect(grid.columnHeight_m.reduce((sum, height_m) => sum + height_m, 0)).toBeCloseTo(0.062, 9);
    }
  });
});

// Whether the range, the slide or the picture is asked: the back of a thick blade that just fails to harden is where they parted by 7 HRC.
describe("an answer hangs on how finely it was computed by less than the model's own doubt", () => {
  const base: Piece = {
    name: "Froe",
    mark: "2",
    kind: "hook",
    steel: "1075",
    start: "as-forged",
    use: "chopper",
    length_mm: 300,
    section: { shape: "wedge", spine_mm: 6.5, edge_mm: 0.9, height_mm: 62 },
  };
  const cases = [
    ["1075 in oil", "1075", 6.5, 0.9, 62, null],
    ["5160 in oil", "5160", 8, 1.2, 50, null],
    ["1084 in oil", "1084", 4.5, 0.8, 40, null],
    ["W1 in water", "w1", 12, 2, 60, "water"],
    ["1075 in water", "1075", 16, 2, 70, "water"],
  ] as const;
  it.each(cases)("%s", (_, steel, spine_mm, edge_mm, height_mm, medium) => {
    const piece: Piece = { ...base, steel, section: { shape: "wedge", spine_mm, edge_mm, height_mm } };
    const asPlanned = hardenPlanOf(CATALOGUE, piece, planRoute(CATALOGUE, piece, "forge"));
    const plan = medium === null ? asPlanned : { ...asPlanned, medium: CATALOGUE.medium(medium)!, bath_C: 25 };
    const hardness = (resolution: Resolution): Record<"edge" | "spine", number> => {
      const { places, structure } = runCase(plan, { resolution, untilSettled: true });
      const at = (node: number): number => rockwellCFromVickers(nodeHardness_HV(structure, node));
      return { edge: at(places.edge!), spine: at(places.spine!) };
    };
    const full = hardness("full");
    for (const resolution of ["sparse", "coarse"] as const) {
      const got = hardness(resolution);
      // A place that hardens is as hard; one in between by less than the least that is left in doubt at a node when all else is known.
      expect(Math.abs(got.edge - full.edge)).toBeLessThan(0.1);
      expect(Math.abs(got.spine - full.spine)).toBeLessThan(0.8);
    }
  });
});
