import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute, predict, type Piece } from "../../src/index.js";
import { TIED, type ShopKnown } from "../../src/schema/job.js";
import { knownOtherwise, tiedRows } from "../../src/simulate/shopTies.js";

const TIES: NonNullable<ShopKnown["ties"]> = [
  { one: "bathRatio", other: "rateRatio", r: -0.6 },
  { one: "rateRatio", other: "dissolutionRatio", r: 0.3 },
  { one: "steel_HRC", other: "bathRatio", r: 0.4 },
  { one: "oven_K", other: "steel_HRC", r: 0.5 },
];

/** How much is open of a coupon after its temper in such a shop, one deviation, HRC. */
function open_HRC(steel: string, thickness_mm: number, shop: ShopKnown): number {
  const section = { shape: "plate", thickness_mm } as const;
  const piece: Piece = { name: "Coupon", mark: "1", kind: "other", steel, start: "normalised", use: "slicer", length_mm: 150, section };
  const route = planRoute(CATALOGUE, piece, "forge");
  return predict(CATALOGUE, piece, route, "full", undefined, undefined, { shop }).working.tempered.sd_HRC;
}

describe("what is known of a shop hangs together", () => {
  it("the rows make bells of one deviation that go together as the ties say, whichever way round they are named", () => {
    const rows = tiedRows({ ties: TIES });
    const tie = (i: number, j: number): number => rows[i]!.reduce((sum, of, k) => sum + of * (rows[j]![k] ?? 0), 0);
    TIED.forEach((one, i) =>
      TIED.forEach((other, j) => {
        const said = TIES.find((t) => (t.one === one && t.other === other) || (t.one === other && t.other === one))?.r;
        expect(tie(Math.min(i, j), Math.max(i, j))).toBeCloseTo(i === j ? 1 : (said ?? 0), 12);
      }),
    );
  });
  it("ties that cannot all be true are taken as far as they can, and one that is whole leaves nothing of its own", () => {
    const whole = tiedRows({ ties: [{ one: "bathRatio", other: "rateRatio", r: 1 }] });
    expect(whole[1]).toEqual([1, 0]);
    const never = tiedRows({
      ties: [
        { one: "bathRatio", other: "rateRatio", r: 1 },
        { one: "bathRatio", other: "dissolutionRatio", r: 1 },
        { one: "rateRatio", other: "dissolutionRatio", r: -1 },
      ],
    });
    for (const row of never) expect(row.reduce((sum, x) => sum + x * x, 0)).toBeCloseTo(1, 12);
  });
  it("what is read of this run is tied to nothing the shop taught; the rest stays as it was", () => {
    const shop: ShopKnown = { oven_K: { mean: 9, sd: 12 }, bathRatio: { mean: 0.1, sd: 0.1 }, ties: TIES };
    expect(knownOtherwise(shop, { oven_K: { mean: 0, sd: 4 } })).toEqual({ ...shop, oven_K: { mean: 0, sd: 4 }, ties: TIES.slice(0, 3) });
    expect(knownOtherwise({ ties: TIES.slice(3) }, { oven_K: { mean: 0, sd: 4 } })).toEqual({ oven_K: { mean: 0, sd: 4 } });
    expect(knownOtherwise(undefined, {})).toEqual({});
  });
  it("a slow bath that goes with a lazy steel leaves less open than either by itself, and one that goes with an eager steel more", () => {
    const shop = { bathRatio: { mean: 0, sd: 0.25 }, rateRatio: { mean: 0, sd: 0.4 } };
    const tied = (r: number): number => open_HRC("1084", 6, { ...shop, ties: [{ one: "bathRatio", other: "rateRatio", r }] });
    expect(tied(0.9)).toBeLessThan(open_HRC("1084", 6, shop));
    expect(tied(-0.9)).toBeGreaterThan(open_HRC("1084", 6, shop));
  });
  it("an oven that runs hot beside a steel that runs hard: the temper's own doubt is smaller than of both by themselves", () => {
    const shop = { oven_K: { mean: 0, sd: 25 }, steel_HRC: { mean: 0, sd: 2.5 } };
    const tied = open_HRC("5160", 4, { ...shop, ties: [{ one: "oven_K", other: "steel_HRC", r: 0.95 }] });
    expect(tied).toBeLessThan(0.8 * open_HRC("5160", 4, shop));
  });
});
