/** `npm test`: installs what it needs, then type check, lint, unit tests, build, journeys. Ends in `N passed, N failed`. */
import { spawn } from "node:child_process";
import { mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { ensureChromium, ensurePackages, root, run } from "./setup.mjs";

const started = Date.now();
await Promise.all([ensurePackages(), ensureChromium()]);
rmSync(join(root, ".tbuild"), { recursive: true, force: true });
mkdirSync(join(root, ".tbuild"), { recursive: true });

let [passed, failed] = [0, 0];

function step(name, command, args, options) {
  const at = Date.now();
  console.log(`\n== ${name}`);
  const ok = run(command, args, options) === 0;
  console.log(`== ${name}: ${ok ? "ok" : "FAILED"}, ${((Date.now() - at) / 1000).toFixed(1)} s`);
  return ok;
}

/** A step that counts as one check. */
function gate(...of) {
  const ok = step(...of);
  if (ok) passed++;
  else failed++;
  return ok;
}

/** The same beside others: a script of Node's. What it says is shown when it has ended. */
async function runBeside(name, args) {
  const at = Date.now();
  const child = spawn(process.execPath, args, { cwd: root, stdio: ["ignore", "pipe", "pipe"] });
  let said = "";
  for (const stream of [child.stdout, child.stderr]) stream.on("data", (text) => (said += text));
  const ok = (await new Promise((resolve) => child.on("close", resolve))) === 0;
  console.log(`\n== ${name}\n${said}== ${name}: ${ok ? "ok" : "FAILED"}, ${((Date.now() - at) / 1000).toFixed(1)} s`);
  return ok;
}

/** As that, and it counts as one check. */
async function gateBeside(name, args) {
  const ok = await runBeside(name, args);
  if (ok) passed++;
  else failed++;
  return ok;
}

function read(path) {
  try {
    return JSON.parse(readFileSync(path, "utf8"));
  } catch {
    return null;
  }
}

const node = process.execPath;
const bin = (path) => join(root, "node_modules", path);
// What makes much garbage is a tenth quicker where it is swept less often; and what runs for a minute spends a tenth to a quarter less where
// the engine waits longer before it compiles a function for speed.
const ROOMY = ["--max-semi-space-size=64", "--interrupt-budget=600000"];

gate("generate", node, ["--import", "tsx", "tools/genValidators.ts"]);
// Lint keeps one processor busy; beside it types, build and format keep the other, and the unit tests begin as soon as it is free.
let isBuilt = false;
const unitReport = join(root, ".tbuild/unit.json");
await Promise.all([
  gateBeside("lint", [...ROOMY, bin("eslint/bin/eslint.js"), "."]),
  (async () => {
    await gateBeside("types", [bin("typescript-native/bin/tsc"), "-b"]);
    await gateBeside("lint by types", [bin("oxlint/bin/oxlint"), "--type-aware"]);
    isBuilt = await gateBeside("build", ["tools/build.mjs"]);
    if (isBuilt) await gateBeside("size of the first load", ["tools/size.mjs"]);
    await gateBeside("format", [...ROOMY, bin("prettier/bin/prettier.cjs"), "--check", "--log-level", "warn", "."]);
    const isOk = await runBeside("unit tests", [
      ...ROOMY,
      bin("jest/bin/jest.js"),
      "-c",
      "jest.suites.config.mjs",
      "--json",
      `--outputFile=${unitReport}`,
      "--silent",
    ]);
    const unit = read(unitReport);
    passed += unit?.numPassedTests ?? 0;
    failed += unit === null ? 1 : Math.max(unit.numFailedTests + unit.numRuntimeErrorTestSuites, isOk ? 0 : 1);
  })(),
]);

gate("validation page", node, ["--import", "tsx", "tools/writeValidation.ts"]);

if (isBuilt) {
  const report = join(root, ".tbuild/journeys.json");
  const ok = step("journeys", node, [bin("@playwright/test/cli.js"), "test", "-c", "e2e/playwright.config.ts"], {
    env: { ...process.env, TEMBRAK_REPORT: report },
  });
  const stats = read(report)?.stats;
  passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
  console.log(`== journeys that needed a second try: ${stats?.flaky ?? "unknown"}`);
  failed += stats === undefined ? 1 : Math.max(stats.unexpected, ok ? 0 : 1);
} else failed++;

console.log(`\nAll in ${((Date.now() - started) / 60000).toFixed(1)} min.`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
