import { describe, expect, it } from "@jest/globals";
import { execFileSync } from "node:child_process";
import { join } from "node:path";
import { APP, CORE, foldersOf, forbiddenTo } from "../layers.js";

const root = join(__dirname, "../..");

interface Planted {
  readonly file: string;
  readonly code: string;
}

/** How many times the linter refuses each of some files that are not there, in one run of it. */
function refusals(planted: readonly Planted[]): number[] {
  const script = `
    import { ESLint } from "eslint";
    const eslint = new ESLint({ cwd: ${JSON.stringify(root)}, overrideConfig: { rules: { "@typescript-eslint/no-unused-vars": "off" } } });
    let text = "";
    for await (const chunk of process.stdin) text += chunk;
    const found = [];
    for (const { file, code } of JSON.parse(text)) {
      const [{ messages }] = await eslint.lintText(code, { filePath: file });
      found.push(messages.filter(({ ruleId }) => String(ruleId).startsWith("no-restricted")).length);
    }
    console.log(JSON.stringify(found));`;
  const out = execFileSync(process.execPath, ["--input-type=module", "-e", script], {
    cwd: root,
    input: JSON.stringify(planted),
    encoding: "utf8",
    maxBuffer: 1e8,
  });
  return JSON.parse(out) as number[];
}

const importing = (from: string): string => `import { planted } from "${from}";\nexport const used = planted;\n`;

describe("who may import whom", () => {
  it("every folder has its place in the table, and the table no folder that is gone", () => {
    expect(foldersOf(join(root, "core/src")).sort()).toEqual(Object.keys(CORE).sort());
    expect(
      foldersOf(join(root, "app/src"))
        .filter((name) => name !== "assets")
        .sort(),
    ).toEqual(Object.keys(APP).sort());
  });
  it("nothing that a folder may import may import it: core has no circle", () => {
    const reaches = (from: string, seen = new Set<string>()): Set<string> => {
      for (const next of CORE[from]!) {
        // What is generated is made of the schemas, and checks them.
        if (next === "generated" || seen.has(next)) continue;
        seen.add(next);
        reaches(next, seen);
      }
      return seen;
    };
    for (const folder of Object.keys(CORE))
      if (folder !== "generated") expect([folder, reaches(folder).has(folder)]).toEqual([folder, false]);
  });
  it("each import that is forbidden is refused, from a file of the folder and from one deeper; one that is allowed is not", () => {
    const planted = (["core", "app"] as const).flatMap((tree) => {
      const table: Readonly<Record<string, readonly string[]>> = tree === "core" ? CORE : APP;
      // What is generated is not linted.
      const folders = Object.keys(table).filter((folder) => folder !== "generated");
      return folders.flatMap((folder) =>
        Object.keys(table)
          .filter((other) => other !== folder)
          .flatMap((other) => {
            const count = forbiddenTo(table, folder).includes(other) ? 1 : 0;
            const deep = folder === "features" ? "features/bench" : folder;
            const up = folder === "features" ? "../.." : "..";
            return [
              { file: `${tree}/src/${deep}/planted.ts`, code: importing(`${up}/${other}/x.js`), count },
              { file: `${tree}/src/${deep}/deeper/planted.ts`, code: importing(`../${up}/${other}/x.js`), count },
            ];
          }),
      );
    });
    const found = refusals(planted);
    expect(planted.filter(({ count }, i) => Math.min(1, found[i]!) !== count).map(({ file, code }) => `${file}: ${code}`)).toEqual([]);
    expect(planted.filter(({ count }) => count === 1).length).toBeGreaterThan(300);
  });
  it("a feature imports no other, app no file of core but its index, and computes no physics", () => {
    const bad: readonly Planted[] = [
      { file: "app/src/features/bench/planted.ts", code: importing("../card/x.js") },
      { file: "app/src/features/bench/parts/planted.tsx", code: importing("../../kit/x.js") },
      { file: "app/src/features/bench/planted.ts", code: importing("../../../../core/src/plan/x.js") },
      { file: "app/src/parts/planted.tsx", code: 'import { writeSettings } from "../store/db.js";\nexport const used = writeSettings;\n' },
      ...["Math.hypot(1, 2)", "Math.cbrt(2)", "Math.log2(2)", "Math.exp(2)", "2 ** 3"].map((physics) => ({
        file: "app/src/words/planted.ts",
        code: `export const used = ${physics};\n`,
      })),
    ];
    const good: readonly Planted[] = [
      { file: "app/src/features/bench/parts/planted.tsx", code: importing("../parts/x.js") },
      { file: "app/src/features/bench/planted.ts", code: importing("@tembrak/core") },
    ];
    expect(refusals(bad).map((count) => count > 0)).toEqual(bad.map(() => true));
    expect(refusals(good)).toEqual([0, 0]);
  });
});
