/** What a fresh machine needs before anything runs: the packages of the lock file, and for journeys Debian's Chromium. */
import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

export const root = join(dirname(fileURLToPath(import.meta.url)), "..");

/** Runs a command, its output shown. @returns the exit status. */
export function run(command, args, options = {}) {
  return spawnSync(command, args, { cwd: root, stdio: "inherit", ...options }).status ?? 1;
}

function must(what, status) {
  if (status === 0) return;
  console.error(`${what} failed with status ${status}.`);
  process.exit(1);
}

/** Installs the packages when they are missing or the lock file has changed since. */
export function ensurePackages() {
  const stamp = join(root, "node_modules/.tembrak-lock");
  const lock = createHash("sha256")
    .update(readFileSync(join(root, "package-lock.json")))
    .digest("hex");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === lock) return;
  console.log("Installing the packages (a minute or two) …");
  must("npm ci", run("npm", ["ci", "--no-audit", "--no-fund"]));
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, lock);
}

/** Debian's Chromium, installed with apt when it is missing. */
export function ensureChromium() {
  if (existsSync("/usr/bin/chromium")) return;
  console.log("Installing Chromium …");
  const apt = process.getuid?.() === 0 ? ["apt-get"] : ["sudo", "apt-get"];
  must("apt-get update", run(apt[0], [...apt.slice(1), "update", "-qq"]));
  must(
    "apt-get install chromium",
    run(apt[0], [...apt.slice(1), "install", "-y", "-qq", "chromium"], { env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" } }),
  );
}
