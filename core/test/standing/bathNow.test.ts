import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, formOf } from "../../src/catalogue.js";
import { piecesOf } from "../../src/book/state.js";
import { cooledMass_kg, mass_kg } from "../../src/plan/fit.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { planRoute } from "../../src/plan/route.js";
import type { BookEvent, Piece } from "../../src/schema/book.js";
import type { Kit } from "../../src/schema/kit.js";
import { asDone } from "../../src/standing/asDone.js";
import { bathBand, bathBars, bathFor, bathLog, bathNow, bathReads, tankOf, type Bath } from "../../src/standing/bathNow.js";
import { intoOf, withInto } from "../../src/plan/dips.js";
import { bathed, marked } from "../quenches.js";

const OIL: Bath = {
  id: "oil",
  name: "Fast oil",
  kind: "bath",
  medium: "fast-oil",
  tank: "round",
  width_mm: 200,
  depth_mm: 600,
  fill_mm: 500,
};
const KIT: Kit = [OIL, { ...OIL, id: "second", name: "Second oil" }, { ...OIL, id: "tub", name: "Slack tub", medium: "water" }];
const NOW_ms = Date.UTC(2026, 10, 28, 12);
const PIECE: Piece = {
  name: "Knife",
  mark: "1",
  kind: "knife",
  form: "knife",
  steel: "1084",
  start: "as-forged",
  use: "knife",
  length_mm: 240,
  section: { shape: "wedge", spine_mm: 4, edge_mm: 0.8, height_mm: 30 },
};
const ROUTE = planRoute(CATALOGUE, PIECE, "forge", { kit: KIT });

function knife(isPractice = false): BookEvent[] {
  const acts = actsOfRoute(ROUTE);
  const quench = acts.findIndex(({ kind }) => kind === "quench");
  const at = (back_min: number) => NOW_ms - back_min * 60_000;
  return [
    { kind: "piece", definition: { ...PIECE, ...(isPractice ? { isPractice } : {}) }, at_ms: at(120) },
    { kind: "route", route: ROUTE, at_ms: at(119) },
    ...acts.slice(0, quench + 1).map(({ id }, i) => ({ kind: "act-done", act: id, at_ms: at(40 - i / 100) }) as const),
  ].map((event, i) => ({ ...event, id: `e${i}`, piece: "k" }) as BookEvent);
}
const entry = (id: string, back_min: number, log: Extract<BookEvent, { kind: "bath" }>["log"]): BookEvent => ({
  id,
  piece: "oil",
  at_ms: NOW_ms - back_min * 60_000,
  kind: "bath",
  log,
});
const read = (id: string, back_min: number, top_C: number) => entry(id, back_min, { entry: "read", top_C, isStirred: true });

describe("a bath of the kit", () => {
  it("has what the pieces did to it among its own entries, in order; practice warms none, and the second tank of an oil is another", () => {
    const log = bathLog(OIL, KIT, piecesOf(knife()), [read("r1", 60, 50), read("r2", 5, 55)]);
    expect(log.map(({ what }) => what.entry)).toEqual(["read", "quench", "read"]);
    expect(bathLog(OIL, KIT, piecesOf(knife(true)), [])).toEqual([]);
    expect(bathLog(KIT[1] as Bath, KIT, piecesOf(knife()), [])).toEqual([]);
    expect(bathFor(KIT, { medium: "fast-oil" })?.id).toBe("oil");
  });
  it("a tank that is named is meant, while it holds that oil: what went in and what was read for it stand in its own log", () => {
    const named = (bath: string): BookEvent[] =>
      knife().map((event) =>
        event.kind === "route"
          ? {
              ...event,
              route: { ...ROUTE, steps: ROUTE.steps.map((step) => (step.kind === "quench" ? withInto(step, { bath }) : step)) },
            }
          : event,
      );
    const logs = (bath: string) => [OIL, KIT[1] as Bath].map((tank) => bathLog(tank, KIT, piecesOf(named(bath)), []).length);
    expect(logs("second")).toEqual([0, 1]);
    // A tank that is gone, or holds something else by now: the first that holds what was planned.
    expect(logs("gone")).toEqual([1, 0]);
    expect(logs("tub")).toEqual([1, 0]);
  });
  it("of two baths each takes its share of the heat, and one that was left warm has less", () => {
    const steps = ROUTE.steps.map((step) =>
      step.kind === "quench" ? marked(step, { then: { after_s: 3, medium: "water", bath_C: 22 } }) : step,
    );
    const quench = actsOfRoute(ROUTE).find(({ kind }) => kind === "quench")!.id;
    const tap = (state: "in" | "over" | "out", after_s: number): BookEvent => ({
      id: `tap-${state}`,
      piece: "k",
      at_ms: NOW_ms - 50 * 60_000 + 1000 * after_s,
      kind: "check",
      act: quench,
      reading: { check: "bath", state },
    });
    const events = (...taps: BookEvent[]): BookEvent[] => [
      ...knife().map((event) => (event.kind === "route" ? { ...event, route: { ...ROUTE, steps } } : event)),
      ...taps,
    ];
    const heat = steps.find((step) => step.kind === "harden")!;
    const heat_C = heat.kind === "harden" ? heat.temperature_C : NaN;
    const gave_C = (bath: Bath, taps: BookEvent[]): number | undefined => {
      const what = bathLog(bath, KIT, piecesOf(events(...taps)), [])[0]?.what;
      return what?.entry === "quench" ? what.piece_C : undefined;
    };
    const tub = KIT[2] as Bath;
    const both = [tap("in", 0), tap("over", 3), tap("out", 20)];
    const [oil_C, water_C] = [gave_C(OIL, both)!, gave_C(tub, both)!];
    // What the oil had not taken is what the water gets: 55 C is the oil of the plan.
    expect(oil_C - 55 + water_C).toBeCloseTo(heat_C, 6);
    expect(water_C).toBeGreaterThan(150);
    expect(water_C).toBeLessThan(heat_C - 150);
    // Lumped by hand: 4 and 0.8 mm, 1.2 mm from the middle to a face on the mean, in oil of 1 to 4 kW/m2K a few seconds a time constant.
    expect(gave_C(OIL, [tap("in", 0), tap("over", 30)])!).toBeGreaterThan(heat_C - 18);
    expect(gave_C(tub, [tap("in", 0), tap("out", 4)])).toBeUndefined();
    expect(gave_C(OIL, [tap("in", 0), tap("out", 1)])!).toBeLessThan(gave_C(OIL, [tap("in", 0), tap("out", 4)])!);
  });
  it("an entry taken back counts no more", () => {
    const back: BookEvent = { id: "w", piece: "oil", at_ms: NOW_ms, kind: "withdrawn", event: "r1" };
    expect(bathLog(OIL, KIT, [], [read("r1", 60, 50), back])).toEqual([]);
  });
  const call = (entries: readonly BookEvent[], bath = OIL) => bathNow(CATALOGUE, bath, bathLog(bath, KIT, [], entries), NOW_ms)!.call;
  it("is right only while it was read a moment ago, stirred", () => {
    expect(call([])).toBe("unread");
    expect(call([read("r", 3, 55)])).toBe("right");
    expect(call([read("r", 25, 56)])).toBe("stale");
    expect(call([entry("r", 3, { entry: "read", top_C: 57, isStirred: false })])).toBe("stale");
    expect(call([read("r", 3, 24)])).toBe("too-cold");
    expect(call([read("r", 1, 74)])).toBe("warm");
    expect(call([read("r", 1, 95)])).toBe("too-warm");
  });
  // Common practice, no source: oil about 50 to 60 C, never near its flash point; water cool.
  it("its band is about its usual heat, and ends well under its flash point", () => {
    for (const medium of CATALOGUE.media) {
      if (medium.kind !== "oil" && medium.kind !== "water") continue;
      const { low_C, high_C, most_C } = bathBand(medium);
      expect(low_C).toBeLessThan(high_C);
      if (medium.liquid.flash_C !== undefined) expect(most_C).toBeLessThanOrEqual(medium.liquid.flash_C - 50);
    }
  });
  it("what holds no liquid has no state", () => {
    expect(tankOf(CATALOGUE, { ...OIL, medium: "metal-plates" })).toBeNull();
  });
  it("by hand: a round tank of 200 by 500 mm holds pi / 4 x 4 x 5 = 15.7 litres", () => {
    expect(tankOf(CATALOGUE, OIL)!.volume_L).toBeCloseTo(15.708, 3);
  });
  it("plastic, one that can tip, and oil without a lid bar it; what nobody said does not", () => {
    expect(bathBars(CATALOGUE, OIL)).toEqual([]);
    expect(bathBars(CATALOGUE, { ...OIL, madeOf: "plastic", canTip: true, hasLid: false })).toEqual(["plastic", "can-tip", "no-lid"]);
    expect(bathBars(CATALOGUE, { ...OIL, medium: "water", hasLid: false })).toEqual([]);
  });
  it("of an edge or an end it gets what that cooled: what was under, and as much behind as conducts its heat out in the time", () => {
    const form = formOf(PIECE);
    const all_kg = mass_kg(PIECE, form);
    const edge = (edgeDepth_mm: number, under_s: number): number =>
      cooledMass_kg(PIECE, form, bathed({ medium: "water", edgeDepth_mm }), under_s);
    // A blade of 0.8 to 4 mm over 30: its lower 10 mm hold (0.8 + 0.5 / 3 * 3.2) / 3 of 2.4 mm, by hand 0.1852; nothing conducts in no time.
    expect(edge(10, 0) / all_kg).toBeCloseTo(0.1852, 4);
    expect(edge(30, 0)).toBeCloseTo(all_kg, 12);
    // Half space, face kept cold, 60 s at 5.35e-6 m2/s: 20.2 mm of it, by hand. So all of a 30 mm blade.
    expect(edge(10, 60)).toBeCloseTo(all_kg, 3);
    expect(edge(10, 20)).toBeGreaterThan(edge(10, 5));
    const bar: Piece = { ...PIECE, kind: "chisel", form: "chisel", length_mm: 200, section: { shape: "round", diameter_mm: 16 } };
    const end = { medium: "water", part: { end: "working", depth_mm: 30 } } as const;
    expect(cooledMass_kg(bar, formOf(bar), bathed(end), 0) / mass_kg(bar, formOf(bar))).toBeCloseTo(0.15, 12);
    const both = { ...end, turns: { depth_mm: 20, first_s: 4, second_s: 4 } };
    expect(cooledMass_kg(bar, formOf(bar), bathed(both), 0) / mass_kg(bar, formOf(bar))).toBeCloseTo(0.25, 12);
    // In the end all of it goes under, in the same tub.
    expect(cooledMass_kg(bar, formOf(bar), bathed({ ...end, then: { after_s: 8 } }), 0)).toBe(mass_kg(bar, formOf(bar)));
  });
  it("an edge quench in the log warms its bath less than the whole blade does", () => {
    const events = (edgeDepth_mm?: number): BookEvent[] =>
      knife().map((event) =>
        event.kind === "route" && edgeDepth_mm !== undefined
          ? {
              ...event,
              route: { ...ROUTE, steps: ROUTE.steps.map((step) => (step.kind === "quench" ? marked(step, { edgeDepth_mm }) : step)) },
            }
          : event,
      );
    const warmed_C = (of: BookEvent[]): number =>
      bathNow(CATALOGUE, OIL, bathLog(OIL, KIT, piecesOf(of), [read("r", 60, 50)]), NOW_ms)!.mean_C;
    expect(warmed_C(events(6))).toBeLessThan(warmed_C(events()));
  });
});

describe("what was read for the shop", () => {
  const read = (id: string, back_min: number, top_C: number): BookEvent => entry(id, back_min, { entry: "read", top_C, isStirred: true });
  const context = (...events: BookEvent[]) => ({ catalogue: CATALOGUE, kit: KIT, bathReads: bathReads(KIT, new Map([["oil", events]])) });
  const bath_C = (isPractice: boolean, ...events: BookEvent[]): number => {
    const { steps } = asDone(piecesOf(knife(isPractice))[0]!, context(...events))!.route;
    return intoOf(steps.findLast((step) => step.kind === "quench")!).bath_C;
  };
  const planned_C = intoOf(ROUTE.steps.findLast((step) => step.kind === "quench")!).bath_C;
  it("a bath read 25 under its plan ten minutes before is the bath the piece goes into", () => {
    expect(bath_C(false, read("a", 50, planned_C - 25))).toBe(planned_C - 25);
  });
  it("read hours before, after it went in, or for practice, it is as planned", () => {
    expect(bath_C(false, read("a", 200, planned_C - 25))).toBe(planned_C);
    expect(bath_C(false, read("a", 5, planned_C - 25))).toBe(planned_C);
    expect(bath_C(true, read("a", 50, planned_C - 25))).toBe(planned_C);
  });
  it("a look that was misread counts no more", () => {
    expect(bath_C(false, read("a", 50, planned_C - 25), entry("b", 49, { entry: "because", why: "misread" }))).toBe(planned_C);
  });
});
