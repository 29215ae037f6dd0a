import { describe, expect, it } from "@jest/globals";
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";

const core = join(__dirname, "..");
const files = readdirSync(join(core, "src"), { recursive: true, encoding: "utf8" }).filter(
  (name) => name.endsWith(".ts") && !name.startsWith("generated"),
);

describe("what a docstring names is there", () => {
  it("every test and every page of docs", () => {
    const missing = files.flatMap((name) => {
      const text = readFileSync(join(core, "src", name), "utf8");
      const tests = [...text.matchAll(/\btest\/[\w/]+\.test\.ts/g)].map(([path]) => join(core, path));
      const docs = [...text.matchAll(/\bdocs\/[\w/-]+\.md/g)].map(([path]) => join(core, "..", path));
      return [...tests, ...docs].filter((path) => !existsSync(path)).map((path) => `${name}: ${path}`);
    });
    expect(missing).toEqual([]);
    expect(files.length).toBeGreaterThan(80);
  });
});
