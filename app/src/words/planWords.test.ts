import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute, PRESETS, type Kit, type Piece, type PlannedWay, type Solved } from "@tembrak/core";
import {
  changedWords,
  checkWords,
  grindWords,
  mayFailSentence,
  oneThingWords,
  showHours,
  showOneIn,
  solvedNotice,
  spareWords,
  temperCount,
  wayInShort,
  wayOnWords,
} from "./planWords.js";

const UNITS = { temperature: "C", length: "mm" } as const;
const KNIFE: Piece = {
  name: "Hay knife",
  mark: "1",
  kind: "knife",
  form: "hay-knife",
  use: "knife",
  steel: "1084",
  length_mm: 200,
  start: "as-forged",
  section: { shape: "wedge", spine_mm: 3, edge_mm: 0.5, height_mm: 30 },
};
const place = { mean_HRC: 59, p05_HRC: 57, p95_HRC: 61 };
const way: PlannedWay = {
  route: planRoute(CATALOGUE, KNIFE, "forge"),
  chance: 0.7,
  failChance: 0.02,
  working: place,
  thickest: place,
  hours: 6.2,
  astmGrain: 10,
  skin_mm: 0.05,
  crackChance: 0.01,
  isEmbrittled: false,
  spare_s: 1.24,
};
const solved: Solved = {
  ways: [{ ...way, name: "surest" }],
  today: { ...way, chance: 0.45 },
  isBest: false,
  target: { low_HRC: 58, high_HRC: 61 },
  limits: { low_C: 760, high_C: 830, lowBecause: "carbon", highBecause: "range", reaches_C: [770, 830] },
  worth: [],
  mayFail: false,
  waysOn: [],
  temper: null,
  grindOff_mm: 0.1,
};
const water = { kind: "bath", medium: "water", chance: 0.6, crackChance: 0.12, heat_C: 800, hold_min: 2, isEmbrittled: false } as const;

describe("what is said of a plan worked out", () => {
  it("hours to ten minutes; chances of a crack as one in so many", () => {
    expect([6.2, 5.99, 0.4].map(showHours)).toEqual(["6 h 10", "6 h", "20 min"]);
    expect([0.25, 0.012, 0.001].map(showOneIn)).toEqual(["1 in 4", "1 in 85", "under 1 in 200"]);
  });

  it("a way in short names its heat, its bath and its tempers", () => {
    expect(wayInShort(way, UNITS)).toMatch(/^\d+ °C for [\d.]+ min, .*, tempered twice at \d+ °C$/);
  });

  it("a way says how often it is tempered", () => {
    const once = { ...way.route, steps: way.route.steps.filter(({ kind }, i, all) => kind !== "temper" || all[i + 1]?.kind !== "temper") };
    expect([temperCount(way), temperCount({ route: once })]).toEqual(["2 tempers", "one temper"]);
  });

  it("the card speaks where it lands more often, or comes clear of the dip; else it says nothing", () => {
    expect(solvedNotice(solved, UNITS)).toMatch(/^Worked out: .* lands 7 in 10; as it is planned, \d in 10\.$/);
    expect(solvedNotice({ ...solved, isBest: true }, UNITS)).toBeNull();
    expect(solvedNotice({ ...solved, today: way }, UNITS)).toBeNull();
    expect(solvedNotice({ ...solved, today: { ...way, isEmbrittled: true } }, UNITS)).toMatch(
      /clear of the dip of toughness; .* and in it\.$/,
    );
    const dips: Solved = { ...solved, ways: [{ ...way, name: "surest", isEmbrittled: true }] };
    expect(solvedNotice(dips, UNITS)).toContain(", in the dip of toughness;");
  });

  it("a plan that may fail says so with what would help; one that is safe says at most one thing more", () => {
    expect(mayFailSentence(solved, "edge")).toBeNull();
    const fails: Solved = { ...solved, mayFail: true, ways: [{ ...way, name: "surest", failChance: 0.6 }] };
    expect(mayFailSentence(fails, "edge")).toMatch(/^No way of this kit is safe: 6 in 10 that the edge does not harden\. Nothing tried/);
    expect(mayFailSentence({ ...fails, waysOn: [water] }, "edge")).not.toContain("Nothing tried");
    expect(wayOnWords(water, UNITS)).toBe("Water, from 800 °C: lands 6 in 10, and cracks 1 in 8");
    expect(oneThingWords({ ...solved, waysOn: [water] }, UNITS)).toBe(
      "With one thing more: Water, from 800 °C: lands 6 in 10, and cracks 1 in 8.",
    );
    expect(oneThingWords({ ...fails, waysOn: [water] }, UNITS)).toBeNull();
  });

  it("seconds to spare in the bath, or short of it; nothing where nothing turns", () => {
    expect(spareWords(way)).toBe("the bath has 1.2 s to spare at its slowest place");
    expect(spareWords({ spare_s: -12.3 })).toBe("the bath is too slow for its thickest part by 12 s");
    expect(spareWords({ spare_s: null })).toBeNull();
  });

  it("an edge thinner than the skin of its heats is told what to leave", () => {
    expect(grindWords({ grindOff_mm: 0.1 }, KNIFE, UNITS)).not.toContain("skin all through");
    expect(grindWords({ grindOff_mm: 0.3 }, KNIFE, UNITS)).toMatch(/edge of 0\.5 mm is skin all through: leave it 0\.9 mm before the bath/);
    expect(grindWords({ grindOff_mm: 0.3 }, { section: { shape: "plate", thickness_mm: 4 } }, UNITS)).not.toContain("edge");
    expect(grindWords({ grindOff_mm: 0.01 }, KNIFE, UNITS)).toBeNull();
  });

  it("each check leads to where it is made, a dial to its own; a tester one has is used at the bench", () => {
    const kit = PRESETS.find(({ id }) => id === "kiln")!.items.map((item, i) => ({ ...item, id: `k${i}` })) as Kit;
    const kiln = kit.find(({ kind }) => kind === "kiln")!;
    const words = (check: Solved["worth"][number]["check"], own: Kit, item?: string) =>
      checkWords({ check, chance: 0.8, minutes: 5, ...(item === undefined ? {} : { item }) }, own, "p 1");
    expect(words("oven", kit, kiln.id)).toMatchObject({ what: `a second thermometer in the ${kiln.name}`, to: `/kit?check=${kiln.id}` });
    expect(words("oven", []).to).toBe("/kit");
    expect(words("probe", []).to).toBe("/kit?add=probe");
    expect(words("coupon", []).to).toBe("/new?coupon=p%201");
    const tester = { id: "t", kind: "tester", name: "Tester" } as unknown as Kit[number];
    expect([words("tester", [tester]).to, words("tester", []).to]).toEqual([null, "/kit?add=tester"]);
  });

  it("a change by hand stands beside the plan", () => {
    expect(changedWords(0.7, 0.4)).toBe("Changed so it lands 4 in 10; as it was planned, 7 in 10.");
    expect(changedWords(0.7, 0.71)).toBe("Changed so it lands 7 in 10, as it was planned.");
  });
});
