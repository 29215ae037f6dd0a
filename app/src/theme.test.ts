import { readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "@jest/globals";
import { wcagContrast } from "culori";

const css = readFileSync(join(__dirname, "theme.css"), "utf8");
/** The tokens of a light. */
function tokens(light: string): ReadonlyMap<string, string> {
  const block = new RegExp(`\\[data-theme="${light}"\\] \\{([^}]*)\\}`).exec(css)?.[1] ?? "";
  return new Map([...block.matchAll(/--([a-z0-9-]+): (#[0-9a-f]{6});/g)].map(([, name, hex]) => [name!, hex!]));
}

describe.each(["forge", "bench", "yard"])("the light %s", (light) => {
  const of = tokens(light);
  it("outlines of what can be pressed stand out from what is behind them by 3:1 (WCAG 2.2, 1.4.11)", () => {
    for (const behind of ["wall", "sheet", "lift"]) expect(wcagContrast(of.get("edge")!, of.get(behind)!)).toBeGreaterThanOrEqual(3);
  });
});
