import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, formOf } from "../../src/catalogue.js";
import { fitProblems, mass_kg } from "../../src/plan/fit.js";
import { bathFromKit, canDraw, hottestTemper_C, joinedOvens, missingFor, ovenFor, PRESETS, type Controlled } from "../../src/plan/kit.js";
import { otherPractices } from "../../src/plan/otherPractice.js";
import { planRoute } from "../../src/plan/route.js";
import { shopOf } from "../../src/standing/known.js";
import { checkAny as check } from "../../src/schema/checkAll.js";
import type { Kit, KitItem } from "../../src/schema/kit.js";
import { SCHOOLS, type Piece } from "../../src/schema/book.js";
import { marked } from "../quenches.js";
import { bathOf, intoOf } from "../../src/plan/dips.js";

const kitNamed = (id: string): Kit => PRESETS.find((p) => p.id === id)!.items.map((item, i) => ({ ...item, id: `k${i}` }));
const blade: Piece = {
  name: "Hay knife",
  mark: "3",
  kind: "knife",
  form: "hay-knife",
  steel: "80crv2",
  start: "as-forged",
  use: "chopper",
  length_mm: 566,
  section: { shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 76 },
};
/** A thermometer beside the dial, read three times. */
const READ = [5, 20, 40].map((time_min) => ({ time_min, set_C: 200, second_C: 198 }));
const problemsOf = (piece: Piece, kit: Kit | null, school: "forge" | "kiln" = "kiln") =>
  fitProblems(CATALOGUE, piece, formOf(piece), planRoute(CATALOGUE, piece, school, { kit }), kit);

describe("the shop's kit", () => {
  it("every item of every first kit passes the schema", () => {
    for (const { items } of PRESETS) {
      for (const [i, item] of items.entries()) expect(check("KitItem", { ...item, id: `k${i}` }).ok).toBe(true);
    }
  });
  it("a plan names no bath the shop does not have: the nearest in speed stands in, and says so", () => {
    const kit = kitNamed("beginner");
    for (const { id } of CATALOGUE.steels) {
      for (const school of SCHOOLS) {
        const quench = planRoute(CATALOGUE, { ...blade, steel: id }, school, { kit }).steps.find((s) => s.kind === "quench")!;
        expect(intoOf(quench).medium).toBe("vegetable-oil");
      }
    }
    expect(bathFromKit(CATALOGUE, "brine", kitNamed("coal"))).toEqual({ medium: "water", isOwn: true });
    expect(bathFromKit(CATALOGUE, "brine", null)).toEqual({ medium: "brine", isOwn: false });
  });
  // Common practice, no source: file steel goes into water; a thin blade of 1084 into warm cooking oil, a thick bar of it not.
  it("where the only oil is too slow for a piece, the water beside it is planned; a thin edge and alloyed steel keep the oil", () => {
    const bathOf = (steel: string, section: Piece["section"], kit = kitNamed("coal")): string => {
      const piece: Piece = { ...blade, length_mm: 160 };
      const quench = planRoute(CATALOGUE, { ...piece, steel, section }, "forge", { kit }).steps.find((s) => s.kind === "quench")!;
      return intoOf(quench).medium;
    };
    const wedge = (spine_mm: number, edge_mm: number, height_mm: number) => ({ shape: "wedge", spine_mm, edge_mm, height_mm }) as const;
    const why = (steel: string, diameter_mm: number): string =>
      planRoute(CATALOGUE, { ...blade, length_mm: 160, steel, section: { shape: "round", diameter_mm } }, "forge", {
        kit: kitNamed("coal"),
      }).steps.find((s) => s.kind === "quench")!.why;
    // 12 mm of 1084 would harden in the fast oil it asks for, 20 mm in none.
    expect(why("1084", 12)).toBe("oil-too-slow");
    expect(why("1084", 20)).toBe("needs-water");
    expect(bathOf("w1", wedge(5, 4, 26))).toBe("water");
    expect(bathOf("1084", { shape: "round", diameter_mm: 12 })).toBe("water");
    expect(bathOf("1084", { shape: "round", diameter_mm: 12 }, kitNamed("kiln"))).toBe("fast-oil");
    expect(bathOf("1084", wedge(4, 0.8, 34))).toBe("vegetable-oil");
    expect(bathOf("1075", wedge(24, 1, 110))).toBe("vegetable-oil");
    expect(bathOf("5160", { shape: "round", diameter_mm: 30 })).toBe("vegetable-oil");
    expect(bathOf("1084", { shape: "round", diameter_mm: 12 }, kitNamed("beginner"))).toBe("vegetable-oil");
  });
  it("a second bath that is not there, or too shallow, is told; one of the same tub is not", () => {
    const small: Piece = { ...blade, length_mm: 200 };
    const kit = kitNamed("coal");
    const plan = planRoute(CATALOGUE, small, "forge", { kit });
    const over = (medium: string) => ({
      ...plan,
      steps: plan.steps.map((step) => (step.kind === "quench" ? marked(step, { then: { after_s: 3, medium } }) : step)),
    });
    const problems = (medium: string, of: Kit = kit) =>
      fitProblems(CATALOGUE, small, formOf(small), over(medium), of).filter(({ place }) => place === "bath");
    const own = bathOf(plan);
    expect(problems(own)).toEqual([]);
    expect(problems("water")).toEqual([]);
    expect(problems("fast-oil")).toMatchObject([{ item: "fast-oil", what: "missing" }]);
    const shallow = kit.map((item) => (item.kind === "bath" && item.medium === "water" ? { ...item, fill_mm: 150 } : item));
    expect(problems("water", shallow)).toMatchObject([{ what: "depth" }]);
  });
  it("a tray of paste that is the only bath takes the edge of a blade; beside an oil it is not planned by itself", () => {
    const tray = {
      id: "p",
      kind: "bath",
      name: "Tray",
      medium: "quench-paste",
      tank: "square",
      width_mm: 300,
      depth_mm: 60,
      fill_mm: 40,
    } as Kit[number];
    const planned = (kit: Kit, piece = blade) =>
      planRoute(CATALOGUE, piece, "forge", { kit }).steps.find((step) => step.kind === "quench")!;
    expect(planned([tray])).toMatchObject({ dips: [{ under: "edge", into: { medium: "quench-paste", agitation: "none" } }], why: "paste" });
    expect(intoOf(planned([tray, { ...tray, id: "o", medium: "fast-oil" } as Kit[number]])).medium).toBe("fast-oil");
    const bar: Piece = { ...blade, kind: "punch", form: "punch", use: "chisel", section: { shape: "round", diameter_mm: 12 } };
    expect(intoOf(planned([tray], bar)).medium).not.toBe("quench-paste");
  });
  it("a school is refused where its equipment is missing, none where nobody has said what there is", () => {
    expect(missingFor("kiln", kitNamed("beginner"))).toBe("kiln");
    expect(missingFor("magnet", kitNamed("beginner"))).toBeNull();
    expect(
      missingFor(
        "falling",
        kitNamed("coal").filter(({ kind }) => kind !== "magnet"),
      ),
    ).toBe("eye");
    for (const school of SCHOOLS) expect(missingFor(school, null)).toBeNull();
  });
});

describe("what the kit cannot do is not planned", () => {
  const spring: Piece = { ...blade, steel: "5160", use: "spring", length_mm: 240, section: { shape: "plate", thickness_mm: 4 } };
  const drawn = (piece: Piece, kit: Kit, way = {}) =>
    planRoute(CATALOGUE, piece, "forge", { kit, way }).steps.filter(({ kind }) => kind === "temper" || kind === "run");
  it("no temper is hotter than the oven truly gets, for any steel and use; where it wants to be, that is said with ways on", () => {
    const kit = kitNamed("beginner");
    let short = 0;
    for (const { id } of CATALOGUE.steels) {
      for (const { id: use } of CATALOGUE.uses) {
        const piece = { ...spring, steel: id, use };
        const tempers = drawn(piece, kit);
        for (const step of tempers) expect(step.kind === "temper" && step.temperature_C <= 260).toBe(true);
        const isShort = tempers.some(({ why }) => why === "oven-ends");
        if (isShort) short++;
        expect(problemsOf(piece, kit, "forge").some(({ what }) => what === "too-hot")).toBe(isShort);
      }
    }
    expect(short).toBeGreaterThan(20);
  });
  it("an oven that runs hot goes that much further; a kiln switched low is an oven too", () => {
    const hot = kitNamed("beginner").map((item) => (item.kind === "oven" ? { ...item, offset_C: 12 } : item));
    expect(drawn(spring, hot)[0]).toMatchObject({ temperature_C: 270, why: "oven-ends" });
    expect(drawn(spring, kitNamed("kiln"))[0]).toMatchObject({ why: "clear-of-dip" });
    const [cool, far] = kitNamed("kiln")
      .filter((item) => item.kind === "oven" || item.kind === "kiln")
      .sort((a, b) => a.limit_C - b.limit_C);
    expect([
      ovenFor([cool!, far!], 200, spring),
      ovenFor([cool!, far!], 380, spring),
      ovenFor([cool!], 380, spring),
      ovenFor([], 200, spring),
    ]).toEqual([cool, far, cool, undefined]);
  });
  it("a long piece is tempered in what takes it: that one's reach, dial and doubt count, not those of the first that is there", () => {
    const [short, long]: [Piece, Piece] = [
      { ...blade, length_mm: 300 },
      { ...blade, length_mm: 520 },
    ];
    const kit = kitNamed("kiln");
    const oven = kit.find(({ kind }) => kind === "oven") as Controlled;
    const kiln = { ...kit.find(({ kind }) => kind === "kiln")!, limit_C: 240 } as Controlled;
    expect(ovenFor([oven, kiln], 200, short)).toBe(oven);
    expect(ovenFor([oven, kiln], 200, long)).toBe(kiln);
    // The oven would come to 260, and does not take it.
    const both = kit.map((item) => (item.kind === "kiln" ? { ...item, limit_C: 240 } : item));
    expect(hottestTemper_C(both, long)).toBe(240);
    expect(hottestTemper_C(both, short)).toBe(260);
    const checked = both.map((item) => (item.kind === "oven" ? { ...item, calibration: READ } : item));
    const doubt = (piece: Piece) => shopOf(piece, planRoute(CATALOGUE, piece, "forge", { kit: checked }), checked)!.oven_K!.sd;
    expect(doubt(long)).toBeGreaterThan(doubt(short));
  });
  it("two ovens mouth to mouth take what neither does: offered where they do, cooler, narrower, and read by nobody", () => {
    const long: Piece = { ...blade, length_mm: 700 };
    const [one] = kitNamed("beginner").filter(({ kind }) => kind === "oven") as Controlled[];
    const other = {
      ...one!,
      id: "second",
      name: "Toaster",
      length_mm: 380,
      width_mm: 250,
      limit_C: 230,
      offset_C: -4,
      calibration: READ,
    } as Controlled;
    const kit = [...kitNamed("beginner"), other];
    const joined = joinedOvens(kit)!;
    // 420 and 380 less the seam; a toaster that ends at 230 and runs 4 cold.
    expect(joined).toMatchObject({
      length_mm: 780,
      width_mm: 250,
      limit_C: 226,
      offset_C: 0,
      name: "Old kitchen oven and Toaster, mouth to mouth",
    });
    expect(joined).not.toHaveProperty("calibration");
    expect(joinedOvens(kitNamed("beginner"))).toBeNull();
    const ways = (piece: Piece, of: Kit) => problemsOf(piece, of, "forge").find(({ place }) => place === "oven")?.ways ?? [];
    expect(ways(long, kit)).toContain("two-ovens");
    expect(ways({ ...blade, length_mm: 900 }, kit)).not.toContain("two-ovens");
    expect(ways(long, kitNamed("beginner"))).not.toContain("two-ovens");
    const standing: Kit = [...kit, { ...joined, id: "both" }];
    expect(ways(long, standing)).toEqual([]);
    expect(joinedOvens(standing)).toEqual(joined);
  });
  it("no torch, no torch run: a bar from the fire draws it; no oven, no oven", () => {
    const kit = kitNamed("beginner");
    expect(drawn(blade, kit, { draws: "torch" })).toMatchObject([{ kind: "run", source: "hot-bar" }]);
    expect(drawn(blade, kitNamed("coal"), { draws: "torch" })).toMatchObject([{ kind: "run", source: "torch" }]);
    const bare = kit.filter(({ kind }) => kind !== "oven");
    expect(drawn(blade, bare)).toMatchObject([{ kind: "run", source: "hot-bar" }]);
    expect([canDraw("torch", kit), canDraw("oven", bare), canDraw("torch", null)]).toEqual([false, false, true]);
  });
  it("nothing to tell a heat by is said, with ways on", () => {
    const blind = kitNamed("beginner").filter(({ kind }) => kind !== "magnet");
    const [lack] = problemsOf(blade, blind, "forge").filter(({ place }) => place === "eye");
    expect(lack).toMatchObject({ what: "missing", item: "eye" });
    expect(lack!.ways.length).toBeGreaterThanOrEqual(3);
  });
  it("no other practice is offered that the kit has nothing for", () => {
    const route = planRoute(CATALOGUE, blade, "forge", { kit: kitNamed("beginner") });
    const at = route.steps.findIndex(({ kind }) => kind === "harden");
    const offered = otherPractices(CATALOGUE, blade, route, at, { kit: kitNamed("beginner") }).map(({ practice }) => practice);
    expect(offered).not.toContain("school-kiln");
    expect(offered).toContain("school-magnet");
  });
});

describe("whether a piece fits", () => {
  it("1500 mm against a kiln and a tank of 1200: too long by 300 less what the slant gives, with three ways on at least", () => {
    const kit = kitNamed("kiln").map((item): KitItem => {
      // Inside 1220 long and no wider than the piece: a slant gains nothing, and 20 mm of room are kept.
      if (item.kind === "kiln") return { ...item, length_mm: 1220, width_mm: 76, height_mm: 76 };
      return item.kind === "bath" ? { ...item, depth_mm: 1400, fill_mm: 1225 } : item;
    });
    const problems = problemsOf({ ...blade, length_mm: 1500 }, kit);
    const kiln = problems.find(({ place }) => place === "kiln")!;
    expect(kiln).toMatchObject({ what: "length", over_mm: 300 });
    const bath = problems.find(({ place }) => place === "bath")!;
    expect(bath).toMatchObject({ what: "depth", over_mm: 300 });
    for (const { ways } of problems) expect(ways.length).toBeGreaterThanOrEqual(3);
  });
  it("a piece that fits has no problem; nothing is said where the kit is not known", () => {
    const small = { ...blade, length_mm: 240, section: { shape: "wedge", spine_mm: 3, edge_mm: 0.5, height_mm: 30 } } as const;
    expect(problemsOf(small, kitNamed("kiln"))).toEqual([]);
    expect(problemsOf({ ...blade, length_mm: 2900 }, null)).toEqual([]);
  });
  it("a heavy piece in a small can: too warm, with ways on; what is missing is named", () => {
    const sledge: Piece = {
      ...blade,
      kind: "hammer",
      form: "hammer",
      use: "hammer-face",
      length_mm: 160,
      section: { shape: "square", side_mm: 60 },
    };
    const found = problemsOf(sledge, kitNamed("beginner"), "forge");
    expect(found.find(({ what }) => what === "weight")).toMatchObject({ place: "bath" });
    expect(found.find(({ what }) => what === "weight")!.ways.length).toBeGreaterThanOrEqual(3);
    expect(problemsOf(blade, kitNamed("beginner"), "kiln").find(({ what }) => what === "missing")).toMatchObject({ place: "kiln" });
  });
  it("a square bar weighs what its volume says (handbook: 7.85 kg/dm3, ours 7.8)", () => {
    const bar: Piece = { ...blade, kind: "hammer", form: "hammer", length_mm: 100, section: { shape: "square", side_mm: 40 } };
    expect(mass_kg(bar, formOf(bar)) / (0.4 * 0.4 * 1 * 7.85)).toBeCloseTo(1, 1);
  });
});
