import { describe, expect, it } from "@jest/globals";
import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

function run(args: readonly string[], input?: string) {
  const ran = spawnSync(process.execPath, ["tools/tembrak.mjs", ...args], {
    encoding: "utf8",
    ...(input === undefined ? { input: "" } : { input }),
  });
  return { status: ran.status, out: ran.stdout, err: ran.stderr };
}

describe("the command line as a script sees it", () => {
  it("answers with one JSON document on standard output and nothing on standard error", () => {
    const { status, out, err } = run(["convert"], '{"hrc": 60}');
    expect([status, err]).toEqual([0, ""]);
    expect(JSON.parse(out)).toMatchObject({ hv: 697 });
  });
  it("reads a file too, from where it was called", () => {
    const folder = mkdtempSync(join(tmpdir(), "tembrak-cli-"));
    writeFileSync(join(folder, "in.json"), '{"temperature_C": 800, "ambient_lux": 20}');
    const { status, out } = run(["glow", join(folder, "in.json")]);
    expect(status).toBe(0);
    expect(JSON.parse(out)).toMatchObject({ hex: "#d3310a" });
  });
  const rows: readonly [string, readonly string[], string | undefined, string][] = [
    ["a value that means nothing", ["glow"], '{"temperature_C": 800, "ambient_lux": -1}', "out-of-range"],
    ["text that is not JSON", ["temper"], '{"steel": "1084",', "invalid-json"],
    ["no input", ["harden"], "", "missing"],
    ["no such file", ["harden", "nowhere.json"], undefined, "unreadable"],
    ["no such verb", ["melt"], "{}", "unknown-verb"],
  ];
  for (const [what, args, input, code] of rows) {
    it(`${what}: status 2, nothing on standard output, one error object on standard error`, () => {
      const { status, out, err } = run(args, input);
      expect([status, out]).toEqual([2, ""]);
      const { error } = JSON.parse(err) as { error: { code: string; message: string; path: string } };
      expect(error.code).toBe(code);
      expect(Object.keys(error)).toEqual(["code", "message", "path"]);
      expect(err).not.toMatch(/\n\s+at /);
    });
  }
  it("help lists the verbs, schema prints a JSON Schema, steels needs no input", () => {
    expect(JSON.parse(run(["help"]).out)).toHaveProperty("verbs");
    expect(JSON.parse(run(["schema", "harden"]).out)).toHaveProperty("properties.section");
    expect(JSON.parse(run(["steels"]).out)).toHaveLength(16);
  });
  it("check-file answers about a damaged file instead of failing", () => {
    const { status, out } = run(["check-file"], '{"format": "tembrak", ');
    expect(status).toBe(1);
    expect(JSON.parse(out)).toMatchObject({ ok: false, pieces: 0, problems: [{ path: "" }] });
  });
  it("check-file tells fifty findings at most, and how many there are", () => {
    const events = Array.from({ length: 80 }, (_, i) => ({ id: `n${i}`, piece: "nobody", at_ms: 1, kind: "note", text: "x" }));
    const { status, out } = run(["check-file"], JSON.stringify({ format: "tembrak", formatVersion: 15, exportedAt_ms: 2, events }));
    const said = JSON.parse(out) as { found: number; problems: unknown[] };
    expect([status, said.found, said.problems.length]).toEqual([1, 80, 50]);
  });
  it("help VERB is about that verb", () => {
    expect(JSON.parse(run(["help", "line"]).out)).toMatchObject({ verb: "line", needsInput: true, input: { type: "object" } });
  });
});
