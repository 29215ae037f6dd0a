import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import { bathAfter_C, heatGivenUp_J_kg, warmingBar_kg } from "../../src/heat/bathHeat.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { outside } from "../outside.js";

/** Heat capacity of carbon steel by temperature, J/(kg K). EN 1993-1-2:2005, 3.4.1.2, from memory. */
function en1993HeatCapacity_J_kgK(T: number): number {
  if (T < 600) return 425 + 0.773 * T - 1.69e-3 * T * T + 2.22e-6 * T ** 3;
  if (T < 735) return 666 + 13002 / (738 - T);
  if (T < 900) return 545 + 17820 / (T - 731);
  return 650;
}

function integral_J_kg(from_C: number, to_C: number): number {
  let sum = 0;
  for (let T = to_C + 0.05; T < from_C; T += 0.1) sum += 0.1 * en1993HeatCapacity_J_kgK(T);
  return sum;
}

const oil = (id: string) => {
  const medium = CATALOGUE.medium(id)!;
  if (medium.kind !== "oil") throw new Error(`${id} is no oil`);
  return medium.liquid;
};

describe("heat a piece gives to a bath", () => {
  for (const [from_C, to_C] of [
    [800, 20],
    [850, 60],
    [900, 20],
    [600, 20],
  ] as const) {
    it(`from ${from_C} to ${to_C} C as the fire standard's heat capacity has it`, () => {
      const wanted = integral_J_kg(from_C, to_C) / 1000;
      outside({
        topic: "Heat of a piece",
        what: `${from_C} to ${to_C} C`,
        source: "EN 1993-1-2:2005, 3.4.1.2, heat capacity of carbon steel, from memory, integrated here",
        unit: "kJ/kg",
        wanted,
        got: heatGivenUp_J_kg(from_C, to_C) / 1000,
        tolerance: 0.15 * wanted,
        because: "the standard's peak belongs to pearlite, the piece hardens to martensite",
      });
    });
  }
  it("one kilogram at 800 C warms 10 litres of oil by about 30 C (trade: a pound of steel a gallon of oil, 40 F or so)", () => {
    outside({
      topic: "Heat of a piece",
      what: "1 kg at 800 C in 10 L of fast oil",
      source: "common practice, no source: 3.8 L of oil for half a kilogram keeps the rise to 30 to 45 C",
      unit: "C",
      wanted: 32,
      got: bathAfter_C(oil("fast-oil"), 10, 40, 1, 800) - 40,
      tolerance: 10,
      because: "a rule of the shop",
    });
  });
  it("what the bath gained, the piece lost", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 100, noNaN: true }),
        fc.double({ min: 0.05, max: 5, noNaN: true }),
        fc.double({ min: 300, max: 1000, noNaN: true }),
        (volume_L, mass_kg, piece_C) => {
          const liquid = oil("medium-oil");
          const after_C = bathAfter_C(liquid, volume_L, 30, mass_kg, piece_C);
          // A bath this small would boil; the sum still closes.
          fc.pre(after_C < piece_C - 100 && after_C < 240);
          const gained = (volume_L / 1000) * liquid.density_kg_m3 * liquid.heatCapacity_J_kgK * (after_C - 30);
          expect(gained / (mass_kg * heatGivenUp_J_kg(piece_C, after_C))).toBeCloseTo(1, 3);
        },
      ),
    );
  });
  it("the bar that should warm the bath to 55 C does", () => {
    const liquid = oil("fast-oil");
    const bar_kg = warmingBar_kg(liquid, 12, 15, 55, 800);
    expect(bathAfter_C(liquid, 12, 15, bar_kg, 800)).toBeCloseTo(55, 3);
  });
  it("a colder piece gives nothing", () => expect(heatGivenUp_J_kg(40, 60)).toBe(0));
});
