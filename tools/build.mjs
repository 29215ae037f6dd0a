/** Makes what is generated, builds the app with Vite and bundles the server. */
import { build as esbuild } from "esbuild";
import { spawnSync } from "node:child_process";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { build as vite } from "vite";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const made = spawnSync(process.execPath, ["--import", "tsx", "tools/genValidators.ts"], { cwd: root, stdio: "inherit" });
if (made.status !== 0) process.exit(made.status ?? 1);
await vite({ configFile: join(root, "app/vite.config.ts"), logLevel: "warn" });
await esbuild({
  entryPoints: [join(root, "server/src/main.ts"), join(root, "server/src/shopThread.ts")],
  outdir: join(root, "server/dist"),
  bundle: true,
  platform: "node",
  format: "esm",
  target: "node20",
  packages: "external",
  alias: { "@tembrak/core": join(root, "core/src/index.ts") },
  logLevel: "warning",
});
