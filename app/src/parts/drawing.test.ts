import { describe, expect, it } from "@jest/globals";
import { piecesOf, planRoute, CATALOGUE } from "@tembrak/core";
import { urgency, statusLine, nextActWords } from "../words/rackWords.js";
import { layOutRack } from "../features/rack/parts/rackLayout.js";
import { demoEvents } from "../store/demoBook.js";
import { hardnessShade } from "./hardnessShade.js";
import { paintOf } from "./paint.js";
import { progressOf } from "./progress.js";
import { onRibbon, ribbonOf } from "./ribbon.js";

const NOW_ms = Date.UTC(2026, 10, 25, 12);
const pieces = piecesOf(demoEvents(NOW_ms));
const named = (name: string) => pieces.find(({ piece }) => piece.name === name)!;
const UNITS = { temperature: "C", length: "mm" } as const;

describe("the rack", () => {
  const hanging = pieces.filter(({ stage }) => stage !== "done");
  const layout = layOutRack(hanging, NOW_ms, 1240, 360);
  it("hangs every piece on one scale, none over another, the longest within its room", () => {
    for (const { drawn, state } of layout.hung) {
      expect(drawn.height_px / drawn.outline.box.height_mm).toBeCloseTo(layout.scale_px_mm, 9);
      expect(drawn.height_px).toBeLessThanOrEqual(361);
      expect(state.piece.name.length).toBeGreaterThan(0);
    }
    for (let i = 1; i < layout.hung.length; i++) {
      const [a, b] = [layout.hung[i - 1]!, layout.hung[i]!];
      expect(a.pieceX + a.drawn.width_px).toBeLessThanOrEqual(b.x + 1);
    }
    expect(layout.width).toBeLessThanOrEqual(1240);
  });
  it("rails stand in the order of work and hold their pieces", () => {
    expect(layout.rails.map(({ stage }) => stage)).toEqual(["prepare", "normalise", "harden", "cool", "temper", "prove"]);
    for (const { state, x } of layout.hung) {
      const rail = layout.rails.find(({ stage }) => stage === state.stage)!;
      expect(x).toBeGreaterThanOrEqual(rail.x0 - 1e-9);
      expect(x).toBeLessThan(rail.x1);
    }
  });
  it("what is brittle comes before what waits, what is in the bath before all", () => {
    const first = hanging.reduce((a, b) => (urgency(b, NOW_ms) > urgency(a, NOW_ms) ? b : a));
    expect(first.piece.name).toBe("Reed sickle");
    expect(nextActWords(first, NOW_ms, UNITS).sentence).toBe("Put the reed sickle in the oven, now.");
    expect(urgency(named("Froe"), NOW_ms)).toBeGreaterThan(urgency(named("Bark spud"), NOW_ms));
  });
  it("says of each piece what it is doing", () => {
    for (const state of pieces) expect(statusLine(state, NOW_ms, null, UNITS).length).toBeGreaterThan(5);
  });
});

describe("paint", () => {
  it("warm only where there is heat or oxide", () => {
    expect(paintOf(named("Froe"), 20, NOW_ms, 760).isGlowing).toBe(true);
    expect(paintOf(named("Bark spud"), 20, NOW_ms, null).stops[0]!.colour).toBe("var(--scale)");
    expect(paintOf(named("Reed sickle"), 20, NOW_ms, null).stops[0]!.colour).toBe("var(--hard)");
    expect(paintOf(named("Billhook"), 20, NOW_ms, null).words).toMatch(/blue|purple|bronze/);
  });
  it("the same hot steel cannot be seen to glow in the sun", () => {
    expect(paintOf(named("Froe"), 50000, NOW_ms, 760).stops).not.toEqual(paintOf(named("Froe"), 20, NOW_ms, 760).stops);
  });
  it("harder steel is drawn lighter", () => {
    const light = (hrc: number): number => Number(/rgb\((\d+)/.exec(hardnessShade(hrc))![1]);
    for (let h = 22; h <= 66; h += 2) expect(light(h + 2)).toBeGreaterThanOrEqual(light(h));
  });
});

describe("the heat line", () => {
  const route = planRoute(CATALOGUE, named("Billhook").piece, "forge");
  const ribbon = ribbonOf(route);
  it("runs from 0 to 1 without going back, through every heat of the route", () => {
    for (let i = 1; i < ribbon.points.length; i++) expect(ribbon.points[i]!.x).toBeGreaterThanOrEqual(ribbon.points[i - 1]!.x - 1e-12);
    expect(ribbon.points.at(-1)!.x).toBeCloseTo(1, 9);
    for (const span of ribbon.spans.filter(({ kind }) => kind !== "quench")) {
      expect(onRibbon(ribbon, (span.top0 + span.top1) / 2).temperature_C).toBeCloseTo(span.peak_C, 0);
    }
  });
  it("progress grows with the work", () => {
    expect(progressOf(named("Bark spud"), NOW_ms)).toBe(0);
    expect(progressOf(named("Hay knife"), NOW_ms)).toBeLessThan(progressOf(named("Reed sickle"), NOW_ms));
    expect(progressOf(named("Marking awl"), NOW_ms)).toBe(1);
  });
});
