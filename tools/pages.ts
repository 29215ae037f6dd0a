/** `npm run pages`: which pages that a run writes are of an older core, or do not say of which. Ends with status 1 where one is. */

import { readdirSync, readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { coreVersion } from "./page.js";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const now = coreVersion();
const written = readdirSync(join(root, "tools"))
  .filter((file) => /^write\w+\.ts$/.test(file))
  .flatMap((file) =>
    [...readFileSync(join(root, "tools", file), "utf8").matchAll(/writePage\(\s*"([\w-]+\.md)"/g)].map(([, page]) => page!),
  );
let old = 0;
for (const page of written.sort()) {
  const of = /Figures of core ([\d.]+)\./.exec(readFileSync(join(root, "docs", page), "utf8"))?.[1];
  if (of === now) continue;
  old++;
  console.log(`docs/${page}: ${of === undefined ? "does not say of which core it is" : `of core ${of}`}, now ${now}`);
}
console.log(`${written.length - old} of ${written.length} pages are of core ${now}`);
process.exit(old === 0 ? 0 : 1);
