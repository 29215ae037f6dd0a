import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, fitProblems, formOf, LIMITS, planRoute, requireValid, type Kit, type Piece } from "../../src/index.js";
import { BILLHOOK } from "../pieces.js";

describe("a fire that does not get so hot (2026-12, issue 41: planned in silence)", () => {
  const knife: Piece = { ...BILLHOOK, steel: "1084", start: "as-forged" };
  const item = (kit: Kit, place: "forge" | "kiln") =>
    fitProblems(CATALOGUE, knife, formOf(knife), planRoute(CATALOGUE, knife, place, { kit }), kit).filter(
      ({ what }) => what === "not-so-hot",
    );
  const inside = { length_mm: 600, width_mm: 200, height_mm: 200 };
  const forge = (chamber_C: number): Kit => [
    {
      id: "f",
      name: "Forge",
      kind: "forge",
      fuel: "gas",
      isOpenEnded: true,
      burners: 1,
      chamber_C,
      atmosphere: "rich",
      ambient_lux: 20,
      ...inside,
    },
  ];
  const kiln = (limit_C: number): Kit => [
    { id: "k", name: "Kiln", kind: "kiln", limit_C, offset_C: 0, swing_C: 4, settle_min: 15, recovery_min: 3, ...inside },
  ];
  it("a forge at 700 and a kiln to 780 are told as short, with ways on; a hot one is not", () => {
    for (const [kit, place] of [
      [forge(700), "forge"],
      [kiln(780), "kiln"],
    ] as const) {
      const [short] = item(kit, place);
      expect(short).toMatchObject({ what: "not-so-hot", place });
      expect(short!.ways.length).toBeGreaterThanOrEqual(3);
    }
    expect(item(forge(1000), "forge")).toEqual([]);
    expect(item(kiln(1100), "kiln")).toEqual([]);
  });
  it("whatever a dial's end and fault are, no heat of a plan is outside what a book holds, in either unit", () => {
    const [least_K, most_K] = LIMITS.controlled.offset_C;
    for (const limit_C of [50, 120, 200, 1350])
      for (const offset_C of [least_K, 0, most_K])
        for (const unit of ["C", "F"] as const)
          for (const kit of [kiln(limit_C)].map((items) => items.map((one) => ({ ...one, offset_C })) as Kit)) {
            const route = planRoute(CATALOGUE, { ...knife, steel: "1045", use: "sickle" }, "kiln", { kit, unit });
            expect(() => requireValid("Event", { id: "r", piece: "p", at_ms: 1, kind: "route", route })).not.toThrow();
          }
  });
});
