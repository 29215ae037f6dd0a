import { describe, expect, it } from "@jest/globals";
import { PRESETS, requireValid, type Kit, type KitItem, type KitKind } from "@tembrak/core";
import { blank, factsOf, FIELDS, GROUPS, KIND_WORDS, lacks, LIQUIDS, PRESET_WORDS, said } from "./kitWords.js";

const KINDS = Object.keys(KIND_WORDS) as KitKind[];
const METRIC = { temperature: "C", length: "mm" } as const;
const INCHES = { temperature: "F", length: "in" } as const;
const item = (kind: KitKind, change: object = {}): KitItem => ({ id: "a", ...blank(kind), ...change });

describe("the kit in words", () => {
  it("every kind hangs in one group, can be made new, stored, and told", () => {
    expect(GROUPS.flatMap(({ kinds }) => kinds).sort()).toEqual([...KINDS].sort());
    for (const kind of KINDS) {
      expect(requireValid("KitItem", item(kind)).kind).toBe(kind);
      if (kind !== "magnet") expect(factsOf(item(kind), METRIC).length).toBeGreaterThan(4);
    }
  });
  it("what is asked for is a field of the kind, and what may be typed can be stored at both ends", () => {
    for (const kind of KINDS) {
      for (const { key, least, most, kind: field, options, isOptional = false } of FIELDS[kind]) {
        if (!isOptional) expect(Object.keys(item(kind))).toContain(key);
        const values: unknown[] = options?.map(([value]) => value) ?? [least, most].filter((n) => n !== undefined);
        if (field === "files") continue;
        for (const value of values) expect(() => requireValid("KitItem", said(kind, { ...item(kind), [key]: value }))).not.toThrow();
      }
    }
  });
  it("a fault is said by its size and its side, in the shop's own degrees, and none where there is none", () => {
    expect(factsOf(item("oven", { offset_C: 12 }), METRIC)).toContain("runs 12° hot");
    expect(factsOf(item("oven", { offset_C: -10 }), INCHES)).toContain("runs 18° cold");
    expect(factsOf(item("oven", { offset_C: 0.2 }), METRIC)).not.toContain("runs");
    expect(factsOf(item("probe", { offset_C: 5 }), METRIC)).toContain("reads 5° hot");
    expect(factsOf(item("tester", { bias_HRC: -0.6 }), METRIC)).toBe("0.6 HRC too soft on its block");
    expect(factsOf(item("tester", { bias_HRC: 0 }), METRIC)).toBe("true on its block");
  });
  it("an oven says whether it was checked", () => {
    const reading = { time_min: 30, set_C: 200, second_C: 208 };
    expect(factsOf(item("oven"), METRIC)).toContain("not checked");
    expect(factsOf(item("oven", { calibration: [reading, reading] }), METRIC)).toContain("2 readings");
  });
  it("one burner is one burner", () => {
    expect(factsOf(item("forge", { burners: 1 }), METRIC)).toContain("1 burner,");
    expect(factsOf(item("forge", { burners: 2 }), METRIC)).toContain("2 burners,");
  });
  it("only what can be dipped into is offered as a bath", () => {
    expect(LIQUIDS.map(({ kind }) => kind).every((kind) => ["oil", "water", "brine"].includes(kind))).toBe(true);
    expect(LIQUIDS.length).toBeGreaterThan(4);
  });
  it("what no hardening can do without is missed, and nothing that is there", () => {
    const kitOf = (...kinds: KitKind[]): Kit => kinds.map((kind) => item(kind));
    expect(lacks([])).toHaveLength(3);
    expect(lacks(kitOf("kiln", "bath"))).toEqual([]);
    expect(lacks(kitOf("torch", "bath"))).toEqual(["a magnet or a thermometer"]);
    expect(lacks(kitOf("forge", "magnet"))).toEqual(["a bath"]);
    for (const { id, items } of PRESETS) {
      expect(lacks(items.map((one, i) => ({ id: `${i}`, ...one })))).toEqual([]);
      expect(PRESET_WORDS[id]).toHaveLength(2);
    }
  });
});
