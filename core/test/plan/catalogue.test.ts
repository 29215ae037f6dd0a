import { describe, expect, it } from "@jest/globals";
import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { CATALOGUE, FORMS, formOf } from "../../src/catalogue.js";
import { makeCatalogue, resolveSteel } from "../../src/plan/catalogue.js";
import { PIECE_KINDS } from "../../src/schema/book.js";
import { checkAny as check } from "../../src/schema/checkAll.js";
import { harden } from "../../src/simulate/harden.js";
import { transformations } from "../../src/simulate/transformations.js";
import sources from "../../data/sources.json" with { type: "json" };
import { plan, slab } from "../catalogue.js";

const files = (folder: string): unknown[] =>
  readdirSync(join("core/data", folder)).map((name) => JSON.parse(readFileSync(join("core/data", folder, name), "utf8")) as unknown);

function sourcesIn(value: unknown): string[] {
  if (typeof value !== "object" || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => (key === "source" && typeof inner === "string" ? [inner] : sourcesIn(inner)));
}

function codeBelow(folder: string): string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? (name === "generated" ? [] : codeBelow(path)) : [readFileSync(path, "utf8")];
  });
}

describe("the catalogue's files", () => {
  it("every file fits its schema", () => {
    for (const [folder, schema] of [
      ["steels", "Steel"],
      ["media", "Medium"],
      ["uses", "Uses"],
      ["kinds", "Kind"],
    ] as const) {
      for (const file of files(folder)) {
        const checked = check(schema, file);
        if (!checked.ok) throw new Error(`${folder}: ${checked.problems[0]!.message}`);
      }
    }
  });
  it("16 steels: the 15 of the temper tables and 1040", () => expect(CATALOGUE.steels).toHaveLength(16));
  it("every source named in data is in sources.json", () => {
    for (const folder of ["steels", "media", "uses"]) {
      for (const source of files(folder).flatMap(sourcesIn)) expect(Object.keys(sources)).toContain(source);
    }
  });
  it("every source of sources.json is used in data or code", () => {
    const used = ["steels", "media", "uses"].flatMap((folder) => files(folder).flatMap(sourcesIn));
    const code = [...codeBelow("core/src"), ...codeBelow("core/test")].join("\n");
    for (const key of Object.keys(sources)) {
      if (!used.includes(key) && !code.includes(key)) throw new Error(`${key} is cited nowhere`);
    }
  });
  it("every @source in code is a key of sources.json", () => {
    const cited = codeBelow("core/src").flatMap((text) => [...text.matchAll(/@source ([\w-]+)/g)].map(([, key]) => key!));
    expect(cited.length).toBeGreaterThan(20);
    for (const key of cited) expect(Object.keys(sources)).toContain(key);
  });
  it("ranges stand the right way round and every bath is there", () => {
    for (const { austenitise_C, temper, bath } of CATALOGUE.steels) {
      for (const [low, high] of [austenitise_C.range, temper.embrittlement_C, temper.worst_C]) expect(low!).toBeLessThan(high!);
      expect(CATALOGUE.medium(bath.medium)).toBeDefined();
    }
    for (const { target_HRC } of CATALOGUE.uses) expect(target_HRC[0]!).toBeLessThan(target_HRC[1]!);
  });
  it("two files with one id are refused", () => {
    const [first] = CATALOGUE.steels;
    expect(() =>
      makeCatalogue({ steels: [first!, first!], media: [], uses: { formatVersion: 1, source: "from-memory", uses: [] } }),
    ).toThrow(/share an id/);
  });
  it("every kind of piece has a form, with a use that exists", () => {
    for (const kind of PIECE_KINDS) expect(formOf({ kind }).kind).toBe(kind);
    for (const { use } of FORMS) expect(CATALOGUE.use(use)).toBeDefined();
  });
});

describe("every model runs over every steel", () => {
  for (const { id, austenitise_C, bath } of CATALOGUE.steels) {
    it(`${id}: temperatures in order; 2 mm in its own bath hardens`, () => {
      const t = transformations(resolveSteel(CATALOGUE, id).composition_wtpct);
      expect(t.mf_C).toBeLessThan(t.ms_C);
      expect(t.ms_C).toBeLessThan(t.ac1_C);
      expect((t.ac3_C === null) === (t.acm_C === null)).toBe(false);
      expect(t.ac3_C ?? t.acm_C!).toBeGreaterThanOrEqual(t.ac1_C);
      const result = harden(
        plan({ steel: id, prior: "pearlite", section: slab(2), heat_C: austenitise_C.range[1]!, furnace_s: 900, medium: bath.medium }),
        { members: 0 },
      );
      expect(result.centre.mean_HRC).toBeGreaterThan(54);
    });
  }
  it("an unknown steel is refused with the list", () => {
    expect(() => resolveSteel(CATALOGUE, "1099")).toThrow(/it has 1040, 1045/);
  });
});
