/** `npm run -s tembrak -- VERB [FILE.json]`: makes what is generated when it is missing, then runs the command line. */
import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const start = process.env.INIT_CWD ?? process.cwd();

/** No question is answered for longer, ms. */
const LONGEST_ms = 60000;

function fail(message, code = "not-installed") {
  process.stderr.write(`${JSON.stringify({ error: { code, message, path: "" } })}\n`);
  process.exit(2);
}

if (!existsSync(join(root, "node_modules/esbuild"))) fail("Run npm ci first: the packages are not installed.");
if (!existsSync(join(root, "core/src/generated/validators.js"))) {
  const made = spawnSync(process.execPath, ["--import", "tsx", "tools/genValidators.ts"], {
    cwd: root,
    stdio: ["ignore", "ignore", "inherit"],
  });
  if (made.status !== 0) fail("The validators could not be generated.");
}
// Not before it is sure that the packages are there.
const { cliBundle } = await import("./cliBundle.mjs");
const script = await cliBundle().catch((error) => fail(`The command line could not be put together: ${error.message}`));
const ran = spawnSync(process.execPath, [script, ...process.argv.slice(2)], {
  cwd: root,
  stdio: "inherit",
  env: { ...process.env, TEMBRAK_CWD: start },
  timeout: LONGEST_ms,
});
if (ran.error?.code === "ETIMEDOUT") fail("It was stopped after 60 s without an answer.", "took-too-long");
process.exit(ran.status ?? 1);
