/**
 * Runs test files until one fails, with one source changed. Kept apart from Jest: a sandbox a file, made anew for each of a hundred
 * and twenty mutants, would cost an hour. What the tests import of Jest is here: describe, it, it.each, expect.
 */

import { expect } from "expect";
import { existsSync, readFileSync } from "node:fs";
import Module, { createRequire } from "node:module";
import { dirname, join, relative } from "node:path";

const require = createRequire(import.meta.url);

const { root, compiled, mutated, tests } = JSON.parse(readFileSync(0, "utf8"));
const paths = [];
const found = [];
const each = (run) => (rows) => (name, body) => rows.forEach((row) => run(`${name} ${JSON.stringify(row)}`, () => body(...[row].flat())));
const it = Object.assign((name, body) => found.push({ name: [...paths, name].join(" › "), body }), {});
it.each = each(it);
const describe = (name, body) => {
  paths.push(name);
  body();
  paths.pop();
};
describe.each = each(describe);
const globals = { describe, it, test: it, expect };

const resolve = Module._resolveFilename;
Module._resolveFilename = (request, parent, ...rest) => {
  if (request === "@jest/globals") return request;
  const asTs = request.startsWith(".") && parent?.filename ? join(dirname(parent.filename), request.replace(/\.js$/, ".ts")) : "";
  return asTs.startsWith(join(root, "core/")) && existsSync(asTs) ? asTs : resolve(request, parent, ...rest);
};
const load = Module._load;
Module._load = (request, ...rest) => (request === "@jest/globals" ? globals : load(request, ...rest));
const compile = (module, filename) => {
  const own = relative(root, filename);
  const text = own === mutated?.file ? mutated.text : readFileSync(join(compiled, `${own}.cjs`), "utf8");
  module._compile(text, filename);
};
Module._extensions[".ts"] = compile;
const plain = Module._extensions[".js"];
Module._extensions[".js"] = (module, filename) =>
  /core\/src\/generated/.test(filename) ? compile(module, filename) : plain(module, filename);

async function main() {
  for (const file of tests) {
    found.length = 0;
    const began = Date.now();
    try {
      require(join(root, file));
      for (const { name, body } of found) {
        try {
          await body();
        } catch {
          return { outcome: "killed", by: `${file}: ${name}` };
        }
      }
    } catch (error) {
      return { outcome: "killed", by: `${file}: ${String(error).slice(0, 80)}` };
    }
    if (mutated === null) console.error(`${Date.now() - began} ${file}`);
  }
  return { outcome: "lived" };
}
void main().then((answer) => {
  console.log(JSON.stringify(answer));
  process.exit(0);
});
