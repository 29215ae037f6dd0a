import { describe, expect, it } from "@jest/globals";
import { fireTime, piecesOf, type Act, type Check, type PieceState } from "@tembrak/core";
import { demoEvents } from "../store/demoBook.js";
import { placeOf, settingOf } from "./placeOf.js";

const NOW_ms = Date.UTC(2026, 10, 25, 12);
const pieces = piecesOf(demoEvents(NOW_ms));
const froe = pieces.find(({ piece }) => piece.name === "Froe")!;
const heat = froe.next!;
const checks = (act: Act, ...of: readonly (readonly [number, Check])[]): PieceState["checks"] =>
  of.map(([s, reading], i) => ({ id: `c${i}`, at_ms: NOW_ms + 1000 * s, act: act.id, reading }));
const fire = (state: "in" | "out"): Check => ({ check: "fire", state });

describe("how long it is in the fire", () => {
  it("unknown until somebody says it went in", () => {
    expect(fireTime({ checks: [] }, heat, NOW_ms)).toEqual({ state: "unknown", in_s: 0, out_s: 0 });
  });
  it("adds up the times in, and counts the seconds out", () => {
    const log = checks(heat, [0, fire("in")], [60, fire("out")], [70, fire("in")], [100, fire("out")]);
    expect(fireTime({ checks: log }, heat, NOW_ms + 106_000)).toEqual({ state: "out", in_s: 90, out_s: 6 });
  });
  it("a second tap for the same moves nothing; another heat's taps do not count", () => {
    const log = checks(heat, [0, fire("in")], [20, fire("in")]);
    expect(fireTime({ checks: log }, heat, NOW_ms + 50_000)).toEqual({ state: "in", in_s: 50, out_s: 0 });
    expect(fireTime({ checks: log }, { ...heat, id: "9-heat" }, NOW_ms + 50_000).state).toBe("unknown");
  });
});

describe("where the simulated hands have it", () => {
  const at = (kind: Act["kind"], log: PieceState["checks"] = [], school: "forge" | "kiln" = "forge"): PieceState => ({
    ...froe,
    route: { ...froe.route!, school },
    next: froe.acts.findLast((act) => act.kind === kind)!,
    checks: log,
  });
  it("on the rack before the fire, in it when it is said, in air when it is out; a kiln piece goes into the kiln", () => {
    const act = at("heat").next!;
    expect(placeOf(at("heat"))).toBe("rack");
    expect(placeOf(at("heat", checks(act, [0, fire("in")])))).toBe("forge");
    expect(placeOf(at("heat", checks(act, [0, fire("in")], [9, fire("out")])))).toBe("air");
    expect(placeOf(at("heat", checks(act, [0, fire("in")]), "kiln"))).toBe("kiln");
  });
  it("in the bath only while it is under, in the oven only while it tempers", () => {
    const act = at("quench").next!;
    expect(placeOf(at("quench"))).toBe("air");
    expect(placeOf(at("quench", checks(act, [0, { check: "bath", state: "in" }])))).toBe("bath");
    expect(placeOf(at("oven"))).toBe("air");
    expect(placeOf(at("temper"))).toBe("oven");
    expect(placeOf({ ...froe, next: undefined })).toBe("rack");
  });
  it("sets the kiln to the heat and the oven to the temper", () => {
    const hold = at("hold", [], "kiln");
    expect(settingOf(hold)).toEqual({ kiln_C: hold.next?.kind === "hold" ? hold.next.target_C : NaN });
    const oven = at("oven");
    expect(settingOf(oven)).toEqual({ oven_C: oven.next?.kind === "oven" ? oven.next.target_C : NaN });
    expect(settingOf(at("quench"))).toEqual({});
  });
});
