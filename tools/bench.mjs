/** `npm run bench`: bundles the bench as the pages are bundled (names in loops matter to the engine), then runs it alone. */
import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { build } from "vite";
import { root, run } from "./setup.mjs";

// Made, not stored: a bare `npm ci` has none yet.
const made = run(process.execPath, ["--import", "tsx", "tools/genValidators.ts"]);
if (made !== 0) process.exit(made);

await build({
  configFile: false,
  root,
  logLevel: "warn",
  ssr: { noExternal: true },
  build: { ssr: "tools/bench.ts", outDir: ".tbuild/bench", emptyOutDir: true, minify: true, target: "node20" },
});
// A young generation large enough that nothing is collected inside a quench: what it leaves can then be weighed.
const args = ["--expose-gc", "--max-semi-space-size=256", join(root, ".tbuild/bench/bench.js")];
process.exit(spawnSync(process.execPath, args, { cwd: root, stdio: "inherit" }).status ?? 1);
