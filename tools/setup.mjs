/** What a fresh machine needs before anything runs: the packages of the lock file, and for journeys Debian's Chromium. */
import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

export const root = join(dirname(fileURLToPath(import.meta.url)), "..");

/** Runs a command, its output shown. @returns the exit status. */
export function run(command, args, options = {}) {
  return spawnSync(command, args, { cwd: root, stdio: "inherit", ...options }).status ?? 1;
}

/** The same beside others. */
function runBeside(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: "inherit", ...options });
    child.on("error", () => resolve(1)).on("close", (status) => resolve(status ?? 1));
  });
}

function must(what, status) {
  if (status === 0) return;
  console.error(`${what} failed with status ${status}.`);
  process.exit(1);
}

/** Installs the packages when they are missing or the lock file has changed since. */
export async function ensurePackages() {
  const stamp = join(root, "node_modules/.tembrak-lock");
  const lock = createHash("sha256")
    .update(readFileSync(join(root, "package-lock.json")))
    .digest("hex");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === lock) return;
  console.log("Installing the packages (a minute or two) …");
  must("npm ci", await runBeside("npm", ["ci", "--no-audit", "--no-fund"]));
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, lock);
}

/** Debian's Chromium for journeys, its headless shell, installed with apt when it is missing; the whole browser where it cannot be had. */
export async function ensureChromium() {
  if (existsSync("/usr/bin/chromium-headless-shell")) return;
  console.log("Installing Chromium's headless shell …");
  const apt = process.getuid?.() === 0 ? ["apt-get"] : ["sudo", "apt-get"];
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  const get = (...args) => runBeside(apt[0], [...apt.slice(1), ...args], { env });
  const install = (name) => get("install", "-y", "-qq", name);
  const updated = await get("update", "-qq");
  if (updated === 0 && (await install("chromium-headless-shell")) === 0) return;
  // Without it the journeys take twice the processor time, and pass as well.
  if (existsSync("/usr/bin/chromium")) return;
  must("apt-get update", updated);
  must("apt-get install chromium", await install("chromium"));
}
