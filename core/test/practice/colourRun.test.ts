/** A colour run in the simulated shop, beside what the bench says of it: two computations, a section in two dimensions and a fin. */

import { describe, expect, it } from "@jest/globals";
import { OXIDE_NAMES } from "../../src/colour/oxide.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { planRoute } from "../../src/plan/route.js";
import { PracticeShop } from "../../src/practice/shop.js";
import type { Draws, Hardens } from "../../src/schema/book.js";
import { colourRun, runPlanOf } from "../../src/plan/colourRun.js";
import { runNow } from "../../src/simulate/runNow.js";
import { RUN_CASES } from "../simulate/madeUpRuns.js";
import { endUnder } from "../../src/plan/dips.js";

const { piece } = RUN_CASES[3]!;

function shopWith(what = piece, medium = "fast-oil", bath_C = 55): PracticeShop {
  return new PracticeShop(CATALOGUE, {
    seed: 5,
    speed: 1,
    epoch_ms: 1e9,
    ambient_lux: 20,
    pieces: [{ id: "p", piece: what }],
    medium,
    bath_C,
    volume_L: 15,
    forge_C: 900,
    kiln_C: 800,
    oven_C: 200,
  });
}
const at = (name: string): number => OXIDE_NAMES.findIndex((band) => band.name === name);
const planOf = (hardens: Hardens, draws: Draws) =>
  runPlanOf(CATALOGUE, piece, planRoute(CATALOGUE, piece, "forge", { way: { hardens, draws } }));

/** Seconds until the edge has a colour, or Infinity. */
function until_s(shop: PracticeShop, name: string, most_s: number): number {
  for (let s = 0; s < most_s; s++) {
    if (at(shop.truth("p").edgeColour) >= at(name)) return s;
    shop.advance(1);
  }
  return Infinity;
}

describe("a colour run in the simulated shop", () => {
  it("under a torch the colours come in their order, about when the bench says they may, and a dunk keeps them", () => {
    const shop = shopWith();
    shop.command({ do: "move", piece: "p", to: "torch" });
    const straw_s = until_s(shop, "straw", 600);
    const more_s = until_s(shop, "bronze", 600);
    expect(straw_s).toBeLessThan(600);
    expect(more_s).toBeGreaterThan(0);
    const plan = { ...planOf("whole", "torch"), target_C: 226 };
    const said = runNow(colourRun(piece, plan), [], 0);
    expect(straw_s).toBeGreaterThan(0.6 * said.from_s);
    expect(straw_s).toBeLessThan(1.6 * said.to_s);
    shop.command({ do: "move", piece: "p", to: "bath" });
    shop.advance(30);
    const kept = shop.truth("p").edgeColour;
    expect(at(kept)).toBeLessThanOrEqual(at("bronze") + 1);
    expect(shop.read().pieces[0]!.edgeHex).toMatch(/^#[0-9a-f]{6}$/);
    shop.advance(300);
    expect(shop.truth("p").edgeColour).toBe(kept);
  });
  it("on a hot bar they come too, about when the bench says; by a bar that has cooled they stand still until a fresh one is laid under it", () => {
    const shop = shopWith();
    const lay = (block: number): void => shop.command({ do: "move", piece: "p", to: "bar", block });
    lay(0);
    const straw_s = until_s(shop, "straw", 900);
    const said = runNow(colourRun(piece, { ...planOf("whole", "hot-bar"), target_C: 226 }), [], 0);
    expect(straw_s).toBeGreaterThan(0.5 * said.from_s);
    expect(straw_s).toBeLessThan(2 * said.to_s);
    // An hour later the bar is as cold as anything: nothing runs any more.
    shop.advance(3600);
    const stands = shop.truth("p").edgeColour;
    lay(0);
    shop.advance(120);
    expect(shop.truth("p").edgeColour).toBe(stands);
    expect(shop.truth("p").edge_C).toBeLessThan(80);
    lay(1);
    shop.advance(120);
    expect(shop.truth("p").edge_C).toBeGreaterThan(120);
  });
  it("a striker with its edge in water on a hot bar: the line comes to its colour, the edge stays bare and as hard as it was", () => {
    const { piece: striker } = RUN_CASES.find(({ name }) => /edge in water/.test(name))!;
    const shop = shopWith(striker, "water", 25);
    shop.command({ do: "move", piece: "p", to: "forge" });
    shop.command({ do: "set", forge_C: 800 });
    shop.advance(400);
    shop.command({ do: "move", piece: "p", to: "bath" });
    shop.advance(60);
    const before_HRC = shop.truth("p").hardness_HRC;
    expect(before_HRC).toBeGreaterThan(62);
    const hexAt = (mm: number): string =>
      shop.read().pieces[0]!.along.reduce((a, b) => (Math.abs(b.behind_mm - mm) < Math.abs(a.behind_mm - mm) ? b : a)).hex;
    const bright = hexAt(0);
    shop.command({ do: "move", piece: "p", to: "bar", block: 0, line_mm: 16 });
    for (let s = 0; s < 300 && hexAt(17) === bright; s++) shop.advance(1);
    expect(hexAt(17)).not.toBe(bright);
    shop.advance(20);
    expect(shop.truth("p")).toMatchObject({ edgeColour: "bare" });
    expect(shop.truth("p").edge_C).toBeLessThan(150);
    expect(shop.truth("p").hardness_HRC).toBeGreaterThan(before_HRC - 1.5);
    // The back took colours that the edge did not.
    expect(hexAt(25)).not.toBe(hexAt(0));
  });
  it("in a pot of oil it is at heat in a minute or two, in an oven in ten; in sand between", () => {
    const min = (vessel?: "oil" | "salt" | "sand"): number => {
      const shop = shopWith();
      shop.command({ do: "move", piece: "p", to: "oven", ...(vessel === undefined ? {} : { in: vessel }) });
      shop.command({ do: "set", oven_C: 200 });
      for (let s = 0; s < 3600; s += 10) {
        if (shop.truth("p").seen_C > 185) return s / 60;
        shop.advance(10);
      }
      return Infinity;
    };
    const [air, sand, oil, salt] = [min(), min("sand"), min("oil"), min("salt")];
    expect(salt).toBeLessThanOrEqual(oil);
    expect(oil).toBeLessThan(sand);
    expect(sand).toBeLessThan(air);
    // Lumped: tau = rho c e / 2 h, three of them to nine tenths: by hand some 40 s for 4 mm in oil of 180 W/m2K.
    expect(oil).toBeLessThan(3);
    expect(air).toBeGreaterThan(5);
  });
  it("by its own heat the back colours the edge soon after it comes out of the bath; in the fire there is none", () => {
    const shop = shopWith();
    shop.command({ do: "move", piece: "p", to: "forge" });
    shop.advance(150);
    expect(shop.truth("p").edgeColour).toBe("bare");
    shop.command({ do: "move", piece: "p", to: "bath", immersion: { kind: "edge", depth_mm: 13 } });
    shop.advance(6);
    shop.command({ do: "move", piece: "p", to: "air" });
    expect(at(shop.truth("p").edgeColour)).toBeLessThan(at("bronze"));
    const came_s = until_s(shop, "bronze", 120);
    const said = runNow(colourRun(piece, { ...planOf("edge", "residual"), target_C: 250 }), [], 0);
    expect(came_s).toBeLessThan(120);
    expect(came_s).toBeLessThan(3 * said.to_s + 5);
  });
  /** A chisel of RUN_CASES out of a fire that hardens it, its end dipped so long. */
  function chiselDipped(index: number, dip_s: number) {
    const { piece: chisel, hardens, source } = RUN_CASES[index]!;
    const route = planRoute(CATALOGUE, chisel, "forge", { way: { hardens, draws: source } });
    const quench = route.steps.find((step) => step.kind === "quench")!;
    const depth_mm = quench.kind === "quench" ? endUnder(quench)!.depth_mm : NaN;
    const shop = shopWith(chisel, "water", 25);
    shop.command({ do: "set", forge_C: 800 });
    shop.command({ do: "move", piece: "p", to: "forge" });
    shop.advance(900);
    shop.command({ do: "move", piece: "p", to: "bath", immersion: { kind: "edge", depth_mm } });
    shop.advance(dip_s);
    const run = (): ReturnType<typeof colourRun> => colourRun(chisel, runPlanOf(CATALOGUE, chisel, route, { dip_s }));
    return { shop, depth_mm, run };
  }
  it("a chisel dipped by its end is drawn by what stayed in its body: its end as warm as the bench takes it to be, its colours in their time", () => {
    for (const dip_s of [6, 8, 12]) {
      const { shop, run } = chiselDipped(0, dip_s);
      const dipped_C = shop.truth("p").edge_C;
      const bench = run();
      const said = runNow(bench, [], 0);
      shop.command({ do: "move", piece: "p", to: "air" });
      expect(shop.truth("p").hottest_C).toBeGreaterThan(600);
      // Dark where it was dipped, aglow behind it.
      const { hex, back, glows } = shop.read().pieces[0]!;
      expect(glows).toBe(true);
      expect(back).toHaveLength(8);
      const red = (colour: string): number => Number.parseInt(colour.slice(1, 3), 16);
      expect(red(back[4]!)).toBeGreaterThan(red(back[0]!) + 100);
      expect(red(hex)).toBeLessThan(red(back[4]!));
      shop.advance(2);
      const edges_C = bench.runs.map(({ edge_C }) => edge_C[2]!).sort((a, b) => a - b);
      expect(shop.truth("p").edge_C).toBeGreaterThan(edges_C[4]! - 10);
      expect(shop.truth("p").edge_C).toBeLessThan(edges_C[91]! + 10);
      const before_HRC = shop.truth("p").hardness_HRC;
      const came_s = until_s(shop, "bronze", 300);
      expect(came_s).toBeGreaterThan(0.8 * said.from_s - 2);
      expect(came_s).toBeLessThan(1.2 * said.to_s);
      expect(shop.truth("p").edge_C).toBeGreaterThan(dipped_C);
      expect(shop.truth("p").hardness_HRC).toBeLessThan(before_HRC);
      shop.command({ do: "move", piece: "p", to: "bath" });
      shop.advance(120);
      expect(shop.truth("p").hottest_C).toBeLessThan(60);
      expect(shop.truth("p").edgeColour).not.toBe("grey");
    }
  });
  it("cold, it is run from its body by a torch or a hot bar: the body before the end, and a dunk keeps what is there", () => {
    for (const [index, to, most_s] of [
      [1, "torch", 500],
      [2, "bar", 900],
    ] as const) {
      const { shop, run, depth_mm } = chiselDipped(index, 30);
      // Held until its body is dark, then all of it under, as the bench says.
      shop.advance(200);
      expect(shop.truth("p").hottest_C).toBeLessThan(60);
      expect(shop.read().pieces[0]!.along).toHaveLength(40);
      shop.command({ do: "move", piece: "p", to, block: 0 });
      for (let s = 0; to === "bar" && s < 3; s++) {
        shop.advance(240);
        shop.command({ do: "move", piece: "p", to, block: s + 1 });
      }
      const came_s = (to === "bar" ? 720 : 0) + until_s(shop, "straw", most_s);
      expect(came_s).toBeGreaterThan(0.5 * runNow(run(), [], 0).from_s);
      expect(came_s).toBeLessThan(most_s + 720);
      const { along } = shop.read().pieces[0]!;
      const hexAt = (mm: number): string => along.find(({ behind_mm }) => behind_mm > mm)!.hex;
      // Grey by the heat, straw at the end: another at each.
      expect(new Set([hexAt(0), hexAt(depth_mm), hexAt(depth_mm + 40)]).size).toBeGreaterThan(1);
      shop.command({ do: "move", piece: "p", to: "bath" });
      shop.advance(60);
      const kept = shop.truth("p").edgeColour;
      shop.command({ do: "move", piece: "p", to: "air" });
      shop.advance(300);
      expect(shop.truth("p").edgeColour).toBe(kept);
    }
  });
});
