/** What the first page loads, gzipped: index.html's scripts and the chunks they and the rack import. Fails above the budget. */
import { readdirSync, readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { gzipSync } from "node:zlib";

const BUDGET_kB = 380;
const dist = join(dirname(fileURLToPath(import.meta.url)), "../app/dist");
const gzipped = (path) => gzipSync(readFileSync(path), { level: 9 }).length / 1000;

const assets = readdirSync(join(dist, "assets")).filter((name) => name.endsWith(".js"));
const entry = /src="\/assets\/([^"]+\.js)"/.exec(readFileSync(join(dist, "index.html"), "utf8"))[1];
const rack = assets.find((name) => /^rack-/.test(name));
const seen = new Set();

/** Static imports only: what `import()` asks for later does not count. */
function follow(name) {
  if (name === undefined || seen.has(name)) return;
  seen.add(name);
  const text = readFileSync(join(dist, "assets", name), "utf8");
  for (const [, found] of text.matchAll(/(?:from|import)\s*["']\.\/([^"']+\.js)["']/g)) follow(found);
}
follow(entry);
follow(rack);

const rows = [...seen].map((name) => [name, gzipped(join(dist, "assets", name))]).sort((a, b) => b[1] - a[1]);
for (const [name, size] of rows.slice(0, 8)) console.log(`${size.toFixed(1).padStart(7)} kB  ${name}`);
const total = rows.reduce((sum, [, size]) => sum + size, 0);
console.log(`${total.toFixed(1).padStart(7)} kB  first load, script, gzip -9 (budget ${BUDGET_kB})`);
process.exit(total <= BUDGET_kB ? 0 : 1);
