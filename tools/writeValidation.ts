/** Makes docs/validation.md of the rows the unit tests left: each outside value, its source, what core gives, the difference. */

import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import type { Outside } from "../core/test/outside.js";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const folder = join(root, ".tbuild/validation");

const rows: Outside[] = readdirSync(folder)
  .flatMap((name) => readFileSync(join(folder, name), "utf8").trim().split("\n"))
  .map((line) => JSON.parse(line) as Outside);
if (rows.length === 0) throw new Error("the unit tests left no rows: run them first");

const seen = new Map<string, Outside>();
for (const row of rows) seen.set(`${row.topic}|${row.what}`, row);
const topics = [...new Set([...seen.values()].map(({ topic }) => topic))].sort();

function digits(value: number, tolerance: number): string {
  const places = tolerance >= 1 ? 1 : tolerance >= 0.05 ? 2 : tolerance > 1e-9 ? 4 : 6;
  return String(Number(value.toFixed(places)));
}

const table = (topic: string): string => {
  const own = [...seen.values()].filter((row) => row.topic === topic).sort((a, b) => a.what.localeCompare(b.what, "en", { numeric: true }));
  const lines = own.map(({ what, source, unit, wanted, got, tolerance, because }) => {
    const d = (v: number): string => digits(v, tolerance);
    const miss = Math.abs(got - wanted) > tolerance ? " **misses**" : "";
    return `| ${what} | ${d(wanted)} ${unit} | ${d(got)} | ${d(got - wanted)}${miss} | ${digits(tolerance, tolerance)} | ${source} | ${because} |`;
  });
  return [
    `## ${topic}`,
    "",
    "| what | outside | core | difference | tolerance | source | why this tolerance |",
    "|---|---|---|---|---|---|---|",
    ...lines,
    "",
  ].join("\n");
};

writeFileSync(
  join(root, "docs/validation.md"),
  `# What the core gives against values from outside

Written by the unit tests' own run (\`npm test\`, tools/writeValidation.ts). ${seen.size} values. No reference was looked up: "from memory"
means what it says. Rows called calibration prove that the constants were fitted, not that the model is right. Nothing here is tuned
for one row; the tolerance stands with its reason.

${topics.map(table).join("\n")}`,
);
console.log(`docs/validation.md: ${seen.size} values in ${topics.length} chapters`);
