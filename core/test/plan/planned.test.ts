import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, check, planRoute, SCHOOLS, type Piece } from "../../src/index.js";

const BLOCK: Piece = {
  name: "Block",
  mark: "1",
  kind: "chisel",
  form: "bark-spud",
  steel: "80CrV2",
  start: "as-forged",
  use: "wood-chisel",
  length_mm: 300,
  section: { shape: "square", side_mm: 200 },
};

describe("what is planned can be stored", () => {
  // 2026-12, issue 41: 80CrV2 of 200 mm in a kiln was planned a soak of 250 min, and the schema takes 240.
  it.each(CATALOGUE.steels.map(({ id }) => id))("%s from 1 to 200 mm, by every school: plan and schema agree", (steel) => {
    for (const side_mm of [1, 20, 120, 200])
      for (const school of SCHOOLS)
        expect(check("Route", planRoute(CATALOGUE, { ...BLOCK, steel, section: { shape: "square", side_mm } }, school)).ok).toBe(true);
  });
});
