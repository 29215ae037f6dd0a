/**
 * Unit tests gathered into a few files, so that core and app are loaded, and compiled for speed, once in each of them and not once for every file
 * of tests: 590 s of processor become 375. Each file's tests stand under its name. By `npm run unit` every file runs as it stands.
 */
import { mkdirSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { join, relative } from "node:path";
import { root } from "./setup.mjs";

/** So many of each that two processors end at about the same time. */
const SUITES = { core: 2, app: 3 };

/** Tests of what a page has but once, its database and its workers: each file needs a page of its own. */
const ALONE = ["app/src/store/", "app/src/compute/", "app/src/features/bench/useBench.test.tsx"];

const FOLDERS = { core: "core/test", app: "app/src" };

/** Where the gathered files go. */
export const SUITES_FOLDER = ".tbuild/suites";

/** Writes the gathered files anew. @returns those that run alone, by the kind of their tests: paths from the root. */
export function writeSuites() {
  const alone = {};
  for (const [kind, folder] of Object.entries(FOLDERS)) {
    const to = join(root, SUITES_FOLDER, kind);
    rmSync(to, { recursive: true, force: true });
    mkdirSync(to, { recursive: true });
    const files = readdirSync(join(root, folder), { recursive: true })
      .filter((name) => /\.test\.tsx?$/.test(name))
      .map((name) => `${folder}/${name}`)
      .sort();
    alone[kind] = files.filter((file) => ALONE.some((start) => file.startsWith(start)));
    const gathered = files.filter((file) => !alone[kind].includes(file));
    for (let suite = 0; suite < SUITES[kind]; suite++) {
      const lines = gathered
        .filter((_, i) => i % SUITES[kind] === suite)
        .map((file) => `describe("${file}", () => void require("${relative(to, join(root, file))}"));\n`);
      writeFileSync(join(to, `${suite + 1}.test.ts`), `import { describe } from "@jest/globals";\n\n${lines.join("")}`);
    }
  }
  return alone;
}
