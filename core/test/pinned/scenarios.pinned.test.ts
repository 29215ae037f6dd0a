import { describe, expect, it } from "@jest/globals";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { differences, digest } from "./digest.js";
import { SCENARIOS } from "./scenarios.js";

/** Pinned: our own answers, as in verbs.pinned.test.ts. `TEMBRAK_PIN=1` writes them anew. */
const file = join(__dirname, "scenarios.json");

if (process.env["TEMBRAK_PIN"] === "1" || !existsSync(file)) {
  const rows = Object.entries(SCENARIOS).map(([name, run]) => `${JSON.stringify(name)}: ${JSON.stringify(digest(run()))}`);
  writeFileSync(file, `{\n${rows.join(",\n")}\n}\n`);
}
const pinned = JSON.parse(readFileSync(file, "utf8")) as Record<string, unknown>;

describe("pinned: what core answers", () => {
  it.each(Object.keys(SCENARIOS))("%s", (name) => {
    const now = JSON.parse(JSON.stringify(digest(SCENARIOS[name]!()))) as unknown;
    expect(differences(now, pinned[name]).slice(0, 12)).toEqual([]);
  });
});
