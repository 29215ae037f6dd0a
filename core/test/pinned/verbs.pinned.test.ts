import { describe, expect, it } from "@jest/globals";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { InputError } from "../../src/errors.js";
import { runVerb } from "../../src/verbs/index.js";
import { differences, digest } from "./digest.js";
import { QUESTIONS } from "./questions.js";

/**
 * Pinned: these are our own answers, not the world's. A test here that is red says that something moved; whether that is right, the checks
 * against outside values say. `TEMBRAK_PIN=1` writes them anew.
 */
const file = join(__dirname, "verbs.json");

function answer({ verb, input }: (typeof QUESTIONS)[number]): unknown {
  try {
    return digest(runVerb(verb, input));
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return { refused: error.code, path: error.path };
  }
}

if (process.env["TEMBRAK_PIN"] === "1" || !existsSync(file)) {
  writeFileSync(file, `[\n${QUESTIONS.map((asked) => JSON.stringify(answer(asked))).join(",\n")}\n]\n`);
}
const pinned = JSON.parse(readFileSync(file, "utf8")) as unknown[];

describe("pinned: what the command line answers", () => {
  it("as many questions as answers, and few of them refused", () => {
    expect(pinned).toHaveLength(QUESTIONS.length);
    expect(pinned.filter((one) => typeof one === "object" && one !== null && "refused" in one).length).toBeLessThan(10);
  });
  const verbs = [...new Set(QUESTIONS.map(({ verb }) => verb))];
  it.each(verbs)("%s", (verb) => {
    const moved = QUESTIONS.flatMap((asked, i) => (asked.verb === verb ? differences(answer(asked), pinned[i], `${i} ${verb}`) : []));
    expect(moved.slice(0, 12)).toEqual([]);
  });
});
