/** The command line as one file, made anew whenever what it is made of has changed: to compile core at each call takes seconds. */
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync } from "node:fs";
import { join } from "node:path";
import { build } from "esbuild";
import { root } from "./setup.mjs";

const FOLDER = join(root, ".tbuild/cli");

function sources() {
  const core = readdirSync(join(root, "core/src"), { recursive: true, encoding: "utf8" });
  return [
    "tools/cli.ts",
    "package-lock.json",
    ...core.filter((file) => /\.[jt]s$/.test(file)).map((file) => join("core/src", file)),
  ].sort();
}

/** @returns the path of a script that Node runs as it is */
export async function cliBundle() {
  const hash = createHash("sha256");
  for (const file of sources()) hash.update(file).update(readFileSync(join(root, file)));
  const name = `${hash.digest("hex").slice(0, 16)}.mjs`;
  const path = join(FOLDER, name);
  if (existsSync(path)) return path;
  mkdirSync(FOLDER, { recursive: true });
  // Two that are called at once each make their own; the last stays.
  const own = join(FOLDER, `${process.pid}-${name}`);
  await build({
    entryPoints: [join(root, "tools/cli.ts")],
    outfile: own,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    packages: "external",
    logLevel: "silent",
  });
  renameSync(own, path);
  for (const old of readdirSync(FOLDER)) if (old !== name && !/^\d+-/.test(old)) rmSync(join(FOLDER, old), { force: true });
  return path;
}
