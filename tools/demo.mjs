/**
 * `npm run demo`: installs what is missing, builds, and serves the app with the made-up shop in it. `npm start`: the same with an empty book, for a
 * shop of one's own. `-- --port N`.
 */
import { spawn } from "node:child_process";
import { join } from "node:path";
import { ensurePackages, root, run } from "./setup.mjs";

const args = process.argv.slice(2);
const isOwn = args.includes("--own");
const at = args.indexOf("--port");
const given = at >= 0 ? args[at + 1] : args.find((a) => a.startsWith("--port="))?.slice(7);
const port = Number(given ?? 4173);
if (!Number.isInteger(port) || port < 1 || port > 65535) {
  console.error(`--port wants a whole number from 1 to 65535; got ${given ?? "nothing"}.`);
  process.exit(2);
}
await ensurePackages();
console.log("Building …");
if (run(process.execPath, ["tools/build.mjs"]) !== 0) process.exit(1);
const server = spawn(process.execPath, [join(root, "server/dist/main.js")], {
  cwd: root,
  stdio: "inherit",
  env: { ...process.env, PORT: String(port), ...(isOwn ? {} : { TEMBRAK_DEMO: "1" }), TEMBRAK_PAGES: join(root, "app/dist") },
});
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
server.on("exit", (code) => process.exit(code ?? 0));
