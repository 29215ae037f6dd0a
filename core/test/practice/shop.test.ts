import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { PracticeShop } from "../../src/practice/shop.js";
import { runVerb } from "../../src/verbs/index.js";
import { checkAny as check } from "../../src/schema/checkAll.js";
import type { Piece } from "../../src/schema/book.js";
import type { ShopReset } from "../../src/schema/practice.js";

const sickle: Piece = {
  name: "Sickle",
  mark: "5",
  kind: "hook",
  form: "sickle",
  steel: "1084",
  start: "normalised",
  use: "sickle",
  length_mm: 338,
  section: { shape: "wedge", spine_mm: 4.2, edge_mm: 0.9, height_mm: 28 },
};
const RESET: ShopReset = {
  seed: 7,
  speed: 20,
  epoch_ms: 1_000_000,
  ambient_lux: 20,
  pieces: [{ id: "p", piece: sickle }],
  medium: "fast-oil",
  bath_C: 55,
  volume_L: 15,
  forge_C: 950,
  kiln_C: 815,
  oven_C: 200,
};
const shop = (change: Partial<ShopReset> = {}) => new PracticeShop(CATALOGUE, { ...RESET, ...change });

/** In the forge until the piece is this hot by truth; then out. */
function heatTo(s: PracticeShop, to_C: number): void {
  s.command({ do: "move", piece: "p", to: "forge" });
  for (let t = 0; t < 1800 && s.truth("p").seen_C < to_C; t++) s.advance(1);
  s.command({ do: "move", piece: "p", to: "air" });
}

describe("an end ground to an edge", () => {
  const iron: Piece = {
    ...sickle,
    name: "Plane iron",
    kind: "chisel",
    form: "plane-iron",
    use: "wood-chisel",
    length_mm: 150,
    section: { shape: "plate", thickness_mm: 4, width_mm: 50 },
    bevel: { edge_mm: 0.8, length_mm: 9, faces: "one" },
  };
  it("is what the shop hardens, and what its files meet", () => {
    const flat: Piece = { ...iron };
    delete flat.bevel;
    const hard = (piece: Piece): number => {
      const s = shop({ pieces: [{ id: "p", piece }] });
      heatTo(s, 810);
      s.command({ do: "move", piece: "p", to: "bath" });
      s.advance(60);
      return s.truth("p").hardness_HRC;
    };
    expect(hard(iron)).toBeGreaterThan(63);
    expect(hard(iron)).toBeGreaterThan(hard(flat));
  });
});

describe("more moves than in and out", () => {
  /** At the edge's spine after its bath, by truth. */
  const spineAfter = (moves: readonly { readonly s: number; readonly more?: object }[], air_s = 0): number => {
    const s = shop();
    heatTo(s, 810);
    for (const { s: seconds, more } of moves) {
      s.command({ do: "move", piece: "p", to: "bath", ...more });
      s.advance(seconds);
    }
    s.command({ do: "move", piece: "p", to: "air" });
    s.advance(air_s);
    return s.truth("p").seen_C;
  };
  const edge = { immersion: { kind: "edge", depth_mm: 8 } };
  it("an edge left alone keeps its back hot; all of it under after that is cold in seconds", () => {
    expect(spineAfter([{ s: 8, more: edge }])).toBeGreaterThan(spineAfter([{ s: 8, more: edge }, { s: 15 }]) + 150);
  });
  it("a second tub of water is colder than the oil, and does not warm the oil", () => {
    const s = shop();
    heatTo(s, 810);
    s.command({ do: "move", piece: "p", to: "bath", medium: "water" });
    s.advance(120);
    expect(s.truth("p").seen_C).toBeLessThan(45);
    expect(s.read().bath_C).toBeCloseTo(55, 0);
  });
  it("under clay the back cools more slowly", () => {
    const coat = { coat: { thickness_mm: 4, from_mm: 6 } };
    expect(spineAfter([{ s: 3, more: coat }])).toBeGreaterThan(spineAfter([{ s: 3 }]) + 50);
  });
});

describe("the simulated shop", () => {
  it("from the magnet a shade on, into oil, cold: a file of 55 skates; never heated past the magnet, it bites", () => {
    const hard = shop();
    heatTo(hard, 800);
    hard.advance(1);
    hard.command({ do: "move", piece: "p", to: "bath" });
    hard.advance(30);
    hard.command({ do: "move", piece: "p", to: "air" });
    hard.advance(600);
    expect(hard.truth("p").hardness_HRC).toBeGreaterThan(61);
    expect(hard.ask({ ask: "file", piece: "p", file_HRC: 55 })).toEqual({ ask: "file", result: "skates" });
    // In a kiln, where the thin edge does not run ahead of what is seen.
    const soft = shop({ kiln_C: 690 });
    soft.command({ do: "move", piece: "p", to: "kiln" });
    soft.advance(1500);
    soft.command({ do: "move", piece: "p", to: "bath" });
    soft.advance(120);
    expect(soft.ask({ ask: "file", piece: "p", file_HRC: 55 })).toEqual({ ask: "file", result: "bites" });
  });
  it("of an edge quench the edge alone hardens, and the back stays hot for long", () => {
    const s = shop({ pieces: [{ id: "p", piece: { ...sickle, section: { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 60 } } }] });
    heatTo(s, 830);
    s.command({ do: "move", piece: "p", to: "bath", immersion: { kind: "edge", depth_mm: 20 } });
    s.advance(15);
    const { edge_C, hottest_C, martensite } = s.truth("p");
    expect(edge_C).toBeLessThan(200);
    expect(hottest_C).toBeGreaterThan(400);
    expect(martensite).toBeGreaterThan(0.6);
    s.command({ do: "move", piece: "p", to: "rack" });
    s.command({ do: "move", piece: "p", to: "bath" });
    s.advance(15);
    // Wholly under, nothing stays hot.
    expect(s.truth("p").hottest_C).toBeLessThan(250);
  });
  it("with the same seconds it makes what `simulate` makes, also where a second in air is worth a fifth of the martensite", () => {
    const thin: Piece = { ...sickle, steel: "1075", section: { shape: "wedge", spine_mm: 3, edge_mm: 1, height_mm: 45 } };
    const air = (time_s: number) => ({ kind: "cool", medium: "still-air", bath_C: 22, time_s });
    for (const seconds of [6, 12]) {
      const s = shop({ pieces: [{ id: "p", piece: thin }], kiln_C: 800 });
      s.command({ do: "move", piece: "p", to: "kiln" });
      s.advance(900);
      s.command({ do: "move", piece: "p", to: "air" });
      s.advance(seconds);
      s.command({ do: "move", piece: "p", to: "bath" });
      s.advance(14);
      s.command({ do: "move", piece: "p", to: "air" });
      s.advance(600);
      const history = [
        { kind: "chamber", chamber_C: 806, time_min: 15 },
        air(seconds),
        { kind: "cool", medium: "fast-oil", bath_C: 55, time_s: 14 },
        air(600),
      ];
      const run = runVerb("simulate", { steel: "1075", priorStructure: "pearlite", section: thin.section, history });
      const { edge } = run as { edge: { martensite: number } };
      expect(Math.abs(s.truth("p").martensite - edge.martensite)).toBeLessThan(0.05);
    }
  });
  it("left in air it does not harden, and the magnet pulls again only after the change", () => {
    const s = shop();
    expect(s.ask({ ask: "magnet", piece: "p" })).toEqual({ ask: "magnet", state: "sticks" });
    heatTo(s, 800);
    expect(s.ask({ ask: "magnet", piece: "p" })).toEqual({ ask: "magnet", state: "free" });
    s.advance(900);
    expect(s.ask({ ask: "magnet", piece: "p" })).toEqual({ ask: "magnet", state: "sticks" });
    expect(s.truth("p").hardness_HRC).toBeLessThan(45);
  });
  it("two hours in the oven take hardness off what came out of the bath", () => {
    const s = shop({ oven_C: 230 });
    heatTo(s, 800);
    s.command({ do: "move", piece: "p", to: "bath" });
    s.advance(200);
    const before = s.truth("p").hardness_HRC;
    s.command({ do: "move", piece: "p", to: "oven" });
    s.advance(7200);
    expect(before - s.truth("p").hardness_HRC).toBeGreaterThan(2);
  });
  it("the kiln drops when a hand goes in and is back within its minutes (trade: a drop of 64 F on one opening)", () => {
    const s = shop();
    s.advance(60);
    const before = s.read().kiln_C;
    s.command({ do: "move", piece: "p", to: "kiln" });
    s.advance(1);
    const dropped = before - s.read().kiln_C;
    expect(dropped).toBeGreaterThan(25);
    expect(dropped).toBeLessThan(48);
    s.advance(300);
    expect(Math.abs(s.read().kiln_C - before)).toBeLessThan(12);
  });
  it("the bath is warmer after a hot piece, by what the heat in it makes of the litres", () => {
    const s = shop({ volume_L: 2 });
    heatTo(s, 800);
    s.command({ do: "move", piece: "p", to: "bath" });
    s.advance(120);
    expect(s.read().bath_C).toBeGreaterThan(65);
  });
  it("an edge warms the bath by less than all of the blade, and the back that is dipped after it by the rest", () => {
    const warmed_K = (...moves: readonly object[]): number => {
      const s = shop({ volume_L: 2 });
      heatTo(s, 800);
      for (const move of moves) s.command({ do: "move", piece: "p", to: "bath", ...move });
      s.advance(120);
      return s.read().bath_C - 55;
    };
    const edge = { immersion: { kind: "edge", depth_mm: 3 } };
    const all_K = warmed_K({});
    expect(warmed_K(edge)).toBeLessThan(0.9 * all_K);
    // Mixed in two goes, what went in first is not mixed again: within two in a hundred.
    for (const moves of [
      [edge, {}],
      [{}, {}],
    ])
      expect(Math.abs(warmed_K(...moves) / all_K - 1)).toBeLessThan(0.02);
  });
  it("the same seed and the same calls give the same readings, another seed others; what it reads fits its schema", () => {
    const run = (seed: number): string => {
      const s = shop({ seed });
      heatTo(s, 760);
      s.advance(20);
      expect(check("ShopReading", s.read()).ok).toBe(true);
      return JSON.stringify([s.read(), s.ask({ ask: "tester", piece: "p" })]);
    };
    expect(run(3)).toBe(run(3));
    expect(run(3)).not.toBe(run(4));
  });
  it("the probe lags and has its fault: it comes near the truth only after a while", () => {
    const s = shop();
    s.command({ do: "move", piece: "p", to: "forge" });
    s.advance(30);
    const early = s.truth("p").seen_C - s.read().pieces[0]!.probe_C;
    expect(early).toBeGreaterThan(15);
    s.advance(1200);
    expect(Math.abs(s.truth("p").seen_C - s.read().pieces[0]!.probe_C)).toBeLessThan(25);
  });
  it("a piece that is not there, two with one id, a bath nobody knows: refused", () => {
    expect(() => shop().ask({ ask: "tester", piece: "q" })).toThrow(/allowed p/);
    expect(() => shop({ pieces: [RESET.pieces[0]!, RESET.pieces[0]!] })).toThrow(/share an id/);
    expect(() => shop({ medium: "soup" })).toThrow(/unknown-medium/);
  });
});
