import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, fitProblems, formOf, planRoute, type Kit, type Piece } from "../../src/index.js";
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
});
