import { describe, expect, it } from "@jest/globals";
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { SCHEMAS } from "../../src/schema/index.js";
import { limitsOf, type Schema } from "./limitsOf.js";

describe("pinned: what the schemas allow", () => {
  it("number by number; a change here is a change of what books may hold", () => {
    const file = join(__dirname, "limits.json");
    const names = (Object.keys(SCHEMAS) as (keyof typeof SCHEMAS)[]).filter((name) => !["Book", "Route", "Piece"].includes(name));
    const now = Object.assign({}, ...names.map((name) => limitsOf(SCHEMAS[name] as unknown as Schema, name))) as Record<string, number>;
    if (process.env["TEMBRAK_PIN"] === "1") writeFileSync(file, `${JSON.stringify(now, null, 2)}\n`);
    const pinned = JSON.parse(readFileSync(file, "utf8")) as Record<string, number>;
    expect(now).toEqual(pinned);
  });
});
