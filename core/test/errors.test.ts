import { describe, expect, it } from "@jest/globals";
import { InputError, requireRange } from "../src/errors.js";
import { checkAny } from "../src/schema/checkAll.js";

const long = "x".repeat(500);

describe("what an error shows of a value", () => {
  it("all of a short one, the head of a long one, and nothing of none", () => {
    expect(new InputError({ code: "unreadable", path: "/a", got: "short" }).message).toBe('/a: unreadable; got "short"');
    const { message } = new InputError({ code: "unreadable", path: "/a", got: long, allowed: "less" });
    expect(message.length).toBeLessThan(100);
    expect(message).toMatch(/^\/a: unreadable; got "x{56}\.\.\., allowed less$/);
    expect(new InputError({ code: "missing", path: "" }).message).toBe("the input: missing");
  });
  it("exactly sixty letters stand, sixty-one are cut", () => {
    const shown = (letters: number): string => new InputError({ code: "unreadable", path: "/a", got: "y".repeat(letters - 2) }).message;
    expect(shown(60)).toContain(`"${"y".repeat(58)}"`);
    expect(shown(61)).toMatch(/y{56}\.\.\.$/);
  });
  it("a refused value of a file is cut too, and named by its place", () => {
    const checked = checkAny("Event", { id: "a", piece: "p", at_ms: 1, kind: long });
    const problem = checked.ok ? null : checked.problems[0]!;
    expect(problem!.path).toBe("/kind");
    expect(problem!.message!.length).toBeLessThan(400);
    expect(problem!.message).toContain(`${"x".repeat(56)}...`);
    const short = checkAny("Event", { id: "a", piece: "p", at_ms: 1, kind: "rung" });
    expect(short.ok ? "" : short.problems[0]!.message).toContain('"rung"');
  });
});

describe("a range", () => {
  it("takes its ends and nothing beyond, and no number that is none", () => {
    for (const good of [1, 2, 3]) expect(() => requireRange("/n", good, 1, 3)).not.toThrow();
    for (const bad of [0.999, 3.001, NaN, Infinity, -Infinity])
      expect(() => requireRange("/n", bad, 1, 3)).toThrow(/out-of-range.*allowed 1 … 3/);
  });
});
