import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, FORMS, planRoute, requireValid, thickness_mm, type Section } from "@tembrak/core";
import {
  asShape,
  inShape,
  MOST_PLACES,
  nextMark,
  ORDERED_FORMS,
  pieceOfForm,
  SHAPE_WORDS,
  START_WORDS,
  withPlace,
  type ShapeName,
} from "./draft.js";

const SHAPES = Object.keys(SHAPE_WORDS) as ShapeName[];

describe("a piece while it is described", () => {
  it("every form there is stands in the order once, and gives a piece that can be stored and planned", () => {
    expect(ORDERED_FORMS.map(({ id }) => id).sort()).toEqual(FORMS.map(({ id }) => id).sort());
    for (const form of ORDERED_FORMS) {
      const piece = pieceOfForm(form, null, "3");
      expect(() => requireValid("Event", { id: "a", piece: "p", at_ms: 1, kind: "piece", definition: piece })).not.toThrow();
      expect(planRoute(CATALOGUE, piece, "forge").steps.length).toBeGreaterThan(3);
    }
    expect(ORDERED_FORMS[0]!.id).toBe("knife");
  });
  it("another form keeps what was typed and drops what belonged to the one before", () => {
    const [knife, other] = [ORDERED_FORMS[0]!, ORDERED_FORMS[3]!];
    const typed = { ...pieceOfForm(knife, null, "3"), name: "For the warden", mark: "IX", steel: "o1", start: "normalised" as const };
    const next = pieceOfForm(other, typed, "4");
    expect(next).toMatchObject({ name: "For the warden", mark: "IX", steel: "o1", start: "normalised", form: other.id, use: other.use });
    expect(next.section).toEqual(other.usualSection);
    // A name nobody typed was the form's own.
    expect(pieceOfForm(other, pieceOfForm(knife, null, "3"), "4").name).toBe(other.name);
  });
  it("another shape is about as thick, and one that can be stored", () => {
    const sections: Section[] = [
      { shape: "wedge", spine_mm: 5, edge_mm: 0.8, height_mm: 40 },
      { shape: "plate", thickness_mm: 0.6 },
      { shape: "round", diameter_mm: 90 },
      { shape: "square", side_mm: 22 },
    ];
    for (const section of sections) {
      for (const shape of SHAPES) {
        const next = asShape(section, shape);
        expect(next.shape).toBe(shape);
        expect(thickness_mm(next)).toBe(thickness_mm(section));
        const definition = { ...pieceOfForm(ORDERED_FORMS[0]!, null, "1"), section: next };
        expect(() => requireValid("Event", { id: "a", piece: "p", at_ms: 1, kind: "piece", definition })).not.toThrow();
      }
    }
  });
  it("the next mark is one no piece carries, whatever else is written on them", () => {
    expect(nextMark([])).toBe("1");
    expect(nextMark(["1", "3", "2"])).toBe("4");
    expect(nextMark(["A", "II", "7", "-9", "2.5"])).toBe("8");
  });
  it("every start has its words", () => {
    for (const [name, means] of Object.values(START_WORDS)) expect([name.length > 4, means.endsWith(".")]).toEqual([true, true]);
  });
  it("a bevel across its end goes with another bar, and not with a blade", () => {
    const iron = pieceOfForm(
      ORDERED_FORMS.find(({ id }) => id === "plane-iron")!,
      null,
      "1",
    );
    expect(iron.bevel).toBeDefined();
    expect(inShape(iron, "square").bevel).toEqual(iron.bevel);
    expect(inShape(iron, "wedge").bevel).toBeUndefined();
  });
  it("one more place is as thick as what was measured about it; not twice at one, not on a bar, no more than are kept", () => {
    const knife = pieceOfForm(
      ORDERED_FORMS.find(({ id }) => id === "knife")!,
      null,
      "1",
    );
    const tip = withPlace(knife, 0.9);
    expect(tip.stations).toHaveLength(1);
    expect(tip.stations![0]!.spine_mm).toBe(thickness_mm(knife.section));
    expect(withPlace(tip, 0.91)).toBe(tip);
    const bar = inShape(knife, "round");
    expect(withPlace(bar, 0.5)).toBe(bar);
    const full = [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7].reduce(withPlace, knife);
    expect(full.stations).toHaveLength(MOST_PLACES);
  });
});
