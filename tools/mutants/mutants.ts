/**
 * `npm run mutants [count] [seed]`: changes core/src a little, one place at a time, and looks whether a test notices. A seeded sample;
 * what lived stands in docs/mutants.md with the reason, read from tools/mutants/judged.json.
 */

import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { availableParallelism } from "node:os";
import { dirname, join, relative, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { transformSync } from "esbuild";
import { mutantsOf, sample, type Mutant } from "./mutate.js";

const root = join(dirname(fileURLToPath(import.meta.url)), "../..");
const compiled = join(root, ".tbuild/mutants");
const COUNT = Number(process.argv[2] ?? 120);
const SEED = Number(process.argv[3] ?? 20261127);
/** A mutant that runs for so long is noticed: it never ends. */
const PATIENCE_ms = 240_000;

/** Words for the command line, what is offered to others, and what a run leaves to a machine. */
const LEFT_OUT = /generated|\/index\.ts$|verbs\/english\.ts$|schema\/(verbs|practice)\.ts$/;

function filesUnder(folder: string): string[] {
  return readdirSync(join(root, folder), { recursive: true, encoding: "utf8" })
    .filter((name) => /\.(ts|js)$/.test(name) && !name.endsWith(".d.ts"))
    .map((name) => `${folder}/${name}`);
}

function toCommonJs(file: string, text: string): string {
  // As the unit tests have it: a module says where it is by its file.
  return transformSync(text.replaceAll("import.meta.url", '"file://" + __filename'), {
    loader: file.endsWith(".js") ? "js" : "ts",
    format: "cjs",
    target: "node20",
    sourcefile: file,
  }).code;
}

const sources = [...filesUnder("core/src"), ...filesUnder("core/test")];
const textOf = new Map(sources.map((file) => [file, readFileSync(join(root, file), "utf8")]));
for (const [file, text] of textOf) {
  const to = join(compiled, `${file}.cjs`);
  mkdirSync(dirname(to), { recursive: true });
  writeFileSync(to, toCommonJs(file, text));
}

/** Which of our files a file imports, straight. */
const imports = new Map(
  [...textOf].map(([file, text]) => [
    file,
    [...text.matchAll(/from "(\.[^"]+)"/g)].map(([, spec]) => relative(root, resolve(root, dirname(file), spec!)).replace(/\.js$/, ".ts")),
  ]),
);

/** How far a test is from each file it reaches. */
function reach(test: string): Map<string, number> {
  const far = new Map([[test, 0]]);
  for (const [file, distance] of far) for (const next of imports.get(file) ?? []) if (!far.has(next)) far.set(next, distance + 1);
  return far;
}

interface Answer {
  readonly outcome: "killed" | "lived";
  readonly by?: string;
}

function run(tests: readonly string[], mutated: { file: string; text: string } | null, told?: (line: string) => void): Promise<Answer> {
  return new Promise((done) => {
    const child = spawn(process.execPath, [join(root, "tools/mutants/child.mjs")], { cwd: root, stdio: ["pipe", "pipe", "pipe"] });
    const timer = setTimeout(() => child.kill("SIGKILL"), PATIENCE_ms);
    let said = "";
    child.stdout.on("data", (chunk: Buffer) => (said += chunk.toString()));
    child.stderr.on("data", (chunk: Buffer) => told?.(chunk.toString()));
    child.on("close", () => {
      clearTimeout(timer);
      const last = said.trim().split("\n").at(-1) ?? "";
      done(last.startsWith("{") ? (JSON.parse(last) as Answer) : { outcome: "killed", by: "it never ended" });
    });
    child.stdin.end(JSON.stringify({ root, compiled, mutated, tests }));
  });
}

const tests = filesUnder("core/test").filter((file) => file.endsWith(".test.ts"));
const reached = new Map(tests.map((test) => [test, reach(test)]));
const cost_ms = new Map<string, number>();
const plain = await run(tests, null, (lines) => {
  for (const [, ms, file] of lines.matchAll(/^(\d+) (\S+)$/gm)) cost_ms.set(file!, Number(ms));
});
if (plain.outcome === "killed") throw new Error(`without any change already: ${plain.by}`);
console.log(`${tests.length} test files pass unchanged, ${Math.round([...cost_ms.values()].reduce((a, b) => a + b, 0) / 1000)} s`);

/** Nearest first, and of those the quickest. */
function testsFor(file: string): string[] {
  const near = tests.filter((test) => reached.get(test)!.has(file));
  const rank = (test: string): number => reached.get(test)!.get(file)! * 2000 + (cost_ms.get(test) ?? 0);
  return near.sort((a, b) => rank(a) - rank(b));
}

const all = [...textOf]
  .filter(([file]) => file.startsWith("core/src/") && !LEFT_OUT.test(file))
  .flatMap(([file, text]) => mutantsOf(file, text));
const chosen = sample(all, COUNT, SEED);
const results: { mutant: Mutant; answer: Answer }[] = [];
const queue = [...chosen];
await Promise.all(
  Array.from({ length: availableParallelism() }, async () => {
    for (let mutant = queue.shift(); mutant !== undefined; mutant = queue.shift()) {
      const text = textOf.get(mutant.file)!;
      const changed = text.slice(0, mutant.start) + mutant.to + text.slice(mutant.end);
      const answer = await run(testsFor(mutant.file), { file: mutant.file, text: toCommonJs(mutant.file, changed) });
      results.push({ mutant, answer });
      const { file, line, from, to } = mutant;
      console.log(
        `${results.length} ${answer.outcome} ${file}:${line} ${from.slice(0, 60)} -> ${to.slice(0, 60)}${answer.by ? ` by ${answer.by}` : ""}`,
      );
    }
  }),
);

/** Why one that lived cannot show, or why it is left; by its file and its line of code, so that it stands while that line does. */
interface Judged {
  readonly file: string;
  readonly code: string;
  readonly to: string;
  readonly canShow: boolean;
  readonly why: string;
}
const judgedFile = join(root, "tools/mutants/judged.json");
const judged = existsSync(judgedFile) ? (JSON.parse(readFileSync(judgedFile, "utf8")) as Judged[]) : [];
const codeOf = ({ file, line }: Mutant): string => textOf.get(file)!.split("\n")[line - 1]!.trim();
const lived = results.filter(({ answer }) => answer.outcome === "lived").map(({ mutant }) => mutant);
const rows = lived
  .map((mutant) => ({ mutant, judge: judged.find((j) => j.file === mutant.file && j.code === codeOf(mutant) && j.to === mutant.to) }))
  .sort((a, b) => (a.mutant.file < b.mutant.file ? -1 : a.mutant.file > b.mutant.file ? 1 : a.mutant.line - b.mutant.line));
const cannotShow = rows.filter(({ judge }) => judge?.canShow === false).length;
const canShow = results.length - cannotShow;
const killed = results.length - lived.length;
const share = ((100 * killed) / canShow).toFixed(1);
const cell = (text: string): string => text.replaceAll("|", "\\|").replaceAll("\n", " ");
const page = `# Mutants: which wrong changes to core no test notices

\`npm run mutants\`: ${results.length} of ${all.length} places where \`core/src\` can be made a little wrong (another number, comparison, branch, sign), drawn with
seed ${SEED}. For each the tests that reach the file are run until one fails.

| drawn | noticed | lived | of those cannot show | noticed of those that can show |
| ---: | ---: | ---: | ---: | ---: |
| ${results.length} | ${killed} | ${lived.length} | ${cannotShow} | ${share} % |

What lived, and why (judged by hand, \`tools/mutants/judged.json\`; a change that cannot show is one whose result nobody could tell from the right one):

| where | changed | to | can it show? | why |
| --- | --- | --- | --- | --- |
${rows.map(({ mutant, judge }) => `| ${mutant.file.replace("core/src/", "")}:${mutant.line} | \`${cell(codeOf(mutant)).slice(0, 110)}\` | \`${cell(mutant.to).slice(0, 50)}\` | ${judge === undefined ? "not judged" : judge.canShow ? "yes" : "no"} | ${judge?.why ?? ""} |`).join("\n")}
`;
if (COUNT >= 120) writeFileSync(join(root, "docs/mutants.md"), page);
writeFileSync(
  join(root, ".tbuild/mutants.json"),
  JSON.stringify(
    rows.map(({ mutant }) => ({ file: mutant.file, line: mutant.line, code: codeOf(mutant), to: mutant.to, from: mutant.from })),
    null,
    1,
  ),
);
console.log(`${killed} of ${results.length} noticed; ${cannotShow} cannot show: ${share} % of those that can`);
