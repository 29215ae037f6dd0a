import { describe, expect, it } from "@jest/globals";
import { isInWork, pieceState } from "../../src/book/state.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { planRoute } from "../../src/plan/route.js";
import type { BookEvent } from "../../src/schema/book.js";
import { BILLHOOK } from "../pieces.js";

const route = planRoute(CATALOGUE, BILLHOOK, "forge");
const acts = actsOfRoute(route);
const quenched = acts.findIndex(({ kind }) => kind === "quench") + 1;
const own = { piece: "p" };
const events: BookEvent[] = [
  { ...own, id: "a", at_ms: 0, kind: "piece", definition: BILLHOOK },
  { ...own, id: "b", at_ms: 1, kind: "route", route },
  ...acts.slice(0, quenched).map((act, i): BookEvent => ({ ...own, id: `d${i}`, at_ms: 10 + i, kind: "act-done", act: act.id })),
];
const after = (...more: BookEvent[]) => pieceState("p", [...events, ...more])!;
const cracked: BookEvent = { ...own, id: "f", at_ms: 100, kind: "fate", fate: "cracked" };

describe("a piece that does not get done", () => {
  it("is in work and brittle until then; cracked it leaves the rack, and nobody is hurried to the oven with it", () => {
    expect(isInWork(after())).toBe(true);
    expect(after().brittleSince_ms).not.toBeNull();
    const state = after(cracked);
    expect(state.fate).toEqual({ is: "cracked", at_ms: 100, event: "f" });
    expect([isInWork(state), state.stage, state.brittleSince_ms]).toEqual([false, "done", null]);
  });
  it("forged anew and looked at, it hangs where it hung", () => {
    const state = after(cracked, { ...own, id: "g", at_ms: 200, kind: "fate", fate: "sound" });
    expect([state.fate, state.stage, state.next]).toEqual([null, after().stage, after().next]);
  });
  it("what was not so is taken back like any tap", () => {
    expect(after(cracked, { ...own, id: "w", at_ms: 200, kind: "withdrawn", event: "f" }).fate).toBeNull();
  });
});
