import { describe, expect, it } from "@jest/globals";
import { formOf } from "../../src/catalogue.js";
import { groundOff_kg, mass_kg } from "../../src/plan/fit.js";
import type { Piece } from "../../src/schema/book.js";
import { BILLHOOK } from "../pieces.js";

const bar: Piece = {
  ...BILLHOOK,
  form: "coupon",
  kind: "other",
  length_mm: 400,
  section: { shape: "plate", thickness_mm: 30, width_mm: 60 },
};

describe("what a piece weighs", () => {
  it("a bar of 60 x 30 x 400 is 5.65 kg (7.85 kg to the litre, by hand)", () => {
    expect(mass_kg(bar, formOf(bar))).toBeCloseTo(5.652, 2);
  });
  it("half a millimetre off both faces of it is 0.19 kg: 2 x 60 x 400 x 0.5 mm, by hand", () => {
    expect(groundOff_kg(bar, formOf(bar), 0.5)).toBeCloseTo(0.1884, 3);
  });
  it("no more is ground off than there is", () => {
    expect(groundOff_kg(bar, formOf(bar), 100)).toBeCloseTo(mass_kg(bar, formOf(bar)), 9);
  });
});
