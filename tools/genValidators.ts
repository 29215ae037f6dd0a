/** Compiles every schema to a validator and gathers core/data into modules, so that nothing is compiled or read at run time. */

import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { Ajv2020 } from "ajv/dist/2020.js";
import standaloneModule from "ajv/dist/standalone/index.js";
import { build } from "esbuild";
import { StepSchema, TestSchema } from "../core/src/schema/book.js";
import { PAGE_SCHEMAS, SCHEMAS } from "../core/src/schema/index.js";
import { CalibrationReadingSchema } from "../core/src/schema/kit.js";
import { BodySectionSchema, CompositionSchema, SectionSchema } from "../core/src/schema/parts.js";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const out = join(root, "core/src/generated");
mkdirSync(out, { recursive: true });

const ajv = new Ajv2020({
  strict: true,
  allErrors: false,
  discriminator: true,
  inlineRefs: false,
  code: { source: true, esm: true, lines: false },
  strictTypes: false,
  strictRequired: false, // `required` stands beside a discriminator whose choices define the property
  strictTuples: false,
});

/** Shapes that stand inside others: compiled once and called, not written out at every place. */
const shared = {
  ...SCHEMAS,
  Section: SectionSchema,
  BodySection: BodySectionSchema,
  Composition: CompositionSchema,
  Step: StepSchema,
  CalibrationReading: CalibrationReadingSchema,
  Test: TestSchema,
};
const nameOfText = new Map(Object.entries(shared).map(([name, schema]) => [JSON.stringify(schema), name]));

/** The schema with every shared shape inside it replaced by a reference. */
function withReferences(schema: unknown, isTop: boolean): unknown {
  if (typeof schema !== "object" || schema === null) return schema;
  const name = nameOfText.get(JSON.stringify(schema));
  if (name !== undefined && !isTop) return { $ref: name };
  if (Array.isArray(schema)) return schema.map((item) => withReferences(item, false));
  return Object.fromEntries(Object.entries(schema).map(([key, value]) => [key, withReferences(value, false)]));
}

type Name = keyof typeof SCHEMAS;
for (const [name, schema] of Object.entries(shared)) ajv.addSchema({ $id: name, ...(withReferences(schema, true) as object) });
// In Node's ESM the function sits on .default; the types say otherwise.
const standalone = (standaloneModule as unknown as { default: typeof standaloneModule }).default;

/** Writes a module with the validators of some shapes and what they call: each consumer loads its own. */
async function writeValidators(file: string, names: readonly Name[]): Promise<void> {
  const source = standalone(ajv, Object.fromEntries(names.map((name) => [`validate${name}`, name])));
  const map = `\nexport const validators = { ${names.map((name) => `${name}: validate${name}`).join(", ")} };\n`;
  const bundled = await build({
    stdin: { contents: source + map, resolveDir: root, loader: "js" },
    bundle: true,
    write: false,
    format: "esm",
    platform: "neutral",
    mainFields: ["module", "main"],
    minify: true,
  });
  const code = bundled.outputFiles[0]!.text;
  if (/new Function|eval\(|Dynamic require of/.test(code)) throw new Error("a validator would compile code at run time");
  writeFileSync(join(out, `${file}.js`), `// Made by tools/genValidators.ts. Do not edit.\n${code}`);
  writeFileSync(
    join(out, `${file}.d.ts`),
    `// Made by tools/genValidators.ts. Do not edit.
import type { Validator } from "../schema/check.js";
export declare const validators: Readonly<Record<${names.map((name) => `"${name}"`).join(" | ")}, Validator>>;
`,
  );
}
await writeValidators("pageValidators", PAGE_SCHEMAS);
await writeValidators("workerValidators", ["Job"]);
await writeValidators("validators", Object.keys(SCHEMAS) as Name[]);

const data = join(root, "core/data");
const files = (folder: string): string =>
  readdirSync(join(data, folder))
    .filter((name) => name.endsWith(".json"))
    .sort()
    .map((name) => readFileSync(join(data, folder, name), "utf8").trim())
    .join(",\n");
writeFileSync(
  join(out, "data.ts"),
  `// Made by tools/genValidators.ts from core/data. Do not edit.
import type { KindFile } from "../schema/kind.js";
import type { KineticsFile, TemperLawFile } from "../schema/kinetics.js";
import type { MediumFile } from "../schema/medium.js";
import type { SteelFile, UsesFile } from "../schema/steel.js";

export const steelFiles = [\n${files("steels")}\n] as unknown as readonly SteelFile[];
export const mediumFiles = [\n${files("media")}\n] as unknown as readonly MediumFile[];
export const usesFile = ${readFileSync(join(data, "uses/uses.json"), "utf8").trim()} as unknown as UsesFile;
export const kineticsFile = ${readFileSync(join(data, "kinetics/kinetics.json"), "utf8").trim()} as unknown as KineticsFile;
export const temperLawFile = ${readFileSync(join(data, "kinetics/temper.json"), "utf8").trim()} as unknown as TemperLawFile;
export const kindFiles = [\n${files("kinds")}\n] as unknown as readonly KindFile[];
`,
);
