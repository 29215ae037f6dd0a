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

interface FitRow {
  readonly kind: string;
  readonly name: string;
  readonly source: string;
  readonly unit: string;
  readonly wanted: number;
  /** Null for a row that was not there then. */
  readonly before: number | null;
  readonly after: number;
}
interface FitReport {
  readonly training: readonly FitRow[];
  readonly heldBack: readonly FitRow[];
  readonly rangeHolds: Readonly<Record<"training" | "heldBack", { readonly places: number; readonly share: number }>>;
  readonly bandsOfHeats_HRC: Readonly<Record<"training" | "heldBack", number>>;
  readonly constants: readonly { readonly name: string; readonly prior: number; readonly fitted: number; readonly moved_sd: number }[];
}
const fit = JSON.parse(readFileSync(join(root, "tools/fit/report.json"), "utf8")) as FitReport;

/** Root mean square: of the ratio for sizes and times, of points for hardness. */
function rms(all: readonly FitRow[], pick: (row: FitRow) => number | null): string {
  const of = all.flatMap((row) => {
    const said = pick(row);
    return said === null ? [] : [{ said, wanted: row.wanted }];
  });
  if (of.length === 0) return "";
  const isPoints = all[0]!.unit === "HRC";
  const mean = Math.sqrt(
    of.reduce((sum, { said, wanted }) => sum + (isPoints ? said - wanted : Math.log(said / wanted)) ** 2, 0) / of.length,
  );
  return isPoints ? `${mean.toFixed(1)} HRC` : `${Math.round(100 * Math.expm1(mean))} %`;
}

function percent({ share }: { readonly share: number }): string {
  return `${Math.round(100 * share)} %`;
}

function fitTable(title: string, of: readonly FitRow[]): string {
  const kinds = [...new Set(of.map(({ kind }) => kind))];
  return [
    `### ${title}`,
    "",
    "| kind | rows | before | after |",
    "|---|---|---|---|",
    ...kinds.map((kind) => {
      const own = of.filter((row) => row.kind === kind);
      return `| ${kind} | ${own.length} | ${rms(own, ({ before }) => before)} | ${rms(own, ({ after }) => after)} |`;
    }),
    "",
    "| row | outside | before | after | source |",
    "|---|---|---|---|---|",
    ...of.map(
      ({ kind, name, source, unit, wanted, before, after }) =>
        `| ${kind}: ${name} | ${wanted} ${unit} | ${before ?? ""} | ${after} | ${source} |`,
    ),
    "",
  ].join("\n");
}

const fitChapter = [
  "## The fit",
  "",
  `${fit.constants.length} free constants (tools/fit/priors.json), fitted by \`npm run fit\` to ${fit.training.length} training rows and their priors; ${fit.heldBack.length} rows were held`,
  "back. Before is the model with the forms and constants it had before (tools/fit/before.json). Errors are root mean squares. Nearly all rows",
  "are from memory; those of ideal diameter are computed from the multiplying factors of ASTM A255 and only loosely kept. An outcome is",
  "what smiths report: hard (57 HRC or more) or not, trusted in 85 of 100; its error is not one of hardness.",
  "",
  `The range that holds ninety in a hundred members holds the published hardness at ${percent(fit.rangeHolds.heldBack)} of ${fit.rangeHolds.heldBack.places} held-back places`,
  `of rounds. The middle of a band is a mean over heats; as such the model is ${fit.bandsOfHeats_HRC.heldBack} HRC rms from the held-back ones and`,
  `${fit.bandsOfHeats_HRC.training} from those trained on (the table has the bar of the middle composition). The range holds ${percent(fit.rangeHolds.training)} of the ${fit.rangeHolds.training.places} places trained on.`,
  "",
  fitTable("Held back", fit.heldBack),
  fitTable("Trained on", fit.training),
  "### Constants",
  "",
  "| constant | prior | fitted | moved, standard deviations of its prior |",
  "|---|---|---|---|",
  ...fit.constants.map(({ name, prior, fitted, moved_sd }) => `| ${name} | ${prior} | ${fitted} | ${moved_sd.toFixed(2)} |`),
  "",
].join("\n");

writeFileSync(
  join(root, "docs/validation.md"),
  `# What the core gives against values from outside

Written by the unit tests' own run (\`npm test\`, tools/writeValidation.ts). ${seen.size} values. No reference was looked up: "from memory"
means what it says. Rows called calibration prove that the constants were fitted, not that the model is right. Nothing here is tuned
for one row; the tolerance stands with its reason.

${fitChapter}
${topics.map(table).join("\n")}`,
);
console.log(`docs/validation.md: ${seen.size} values in ${topics.length} chapters`);
