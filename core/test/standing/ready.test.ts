import { describe, expect, it } from "@jest/globals";
import { actsOfRoute, CATALOGUE, pieceState, planRoute, readyFor, type BookEvent, type Check, type Kit } from "../../src/index.js";
import { BILLHOOK } from "../pieces.js";

const NOW_ms = 1e12;
const KIT: Kit = [
  {
    id: "o",
    kind: "oven",
    name: "Temper oven",
    limit_C: 260,
    offset_C: -10,
    swing_C: 8,
    settle_min: 25,
    length_mm: 450,
    width_mm: 380,
    height_mm: 330,
  },
];

interface Asked {
  readonly kit?: Kit;
  readonly hasOther?: boolean;
  readonly is_C?: number | null;
  readonly way?: "oven" | "torch";
}

function ready(checks: readonly Check[] = [], { kit = KIT, hasOther = false, is_C = 21, way = "oven" }: Asked = {}) {
  const route = planRoute(CATALOGUE, BILLHOOK, "forge", { way: { hardens: "whole", draws: way } });
  const acts = actsOfRoute(route);
  const heat = acts.find((act) => act.kind === "heat" && act.purpose === "harden")!;
  const events: BookEvent[] = [
    { id: "a", piece: "p", at_ms: NOW_ms - 9e6, kind: "piece", definition: BILLHOOK },
    { id: "b", piece: "p", at_ms: NOW_ms - 8e6, kind: "route", route },
    ...checks.map((reading, i): BookEvent => ({ id: `c${i}`, piece: "p", at_ms: NOW_ms - 1000, kind: "check", act: heat.id, reading })),
  ];
  const state = pieceState("p", events)!;
  const other = pieceState(
    "q",
    events.map((event) => ({ ...event, piece: "q" })),
  )!;
  return readyFor(state, heat.step, {
    kit,
    bath: is_C === null ? null : { is_C, age_s: 60 },
    others: hasOther ? [other] : [],
    now_ms: NOW_ms,
  });
}
const done = (list: ReturnType<typeof ready>) => Object.fromEntries(list.map(({ what, isDone }) => [what, isDone]));

describe("what has to be ready before a hardening heat", () => {
  it("a cold bath, an oven that takes its time, the move and the tongs; the dial is that of this oven", () => {
    expect(done(ready())).toEqual({ bath: false, oven: null, move: false, tongs: null });
    const oven = ready().find(({ what }) => what === "oven");
    const temper = planRoute(CATALOGUE, BILLHOOK, "forge").steps.find(({ kind }) => kind === "temper");
    expect(oven).toMatchObject({ name: "Temper oven", settle_min: 25, set_C: temper?.kind === "temper" ? temper.temperature_C + 10 : NaN });
  });
  it("only what this plan and kit want: no oven for a colour run, none where nobody has said, no bath between plates", () => {
    expect(done(ready([], { way: "torch" }))).not.toHaveProperty("oven");
    expect(done(ready([], { kit: [] }))).not.toHaveProperty("oven");
    expect(done(ready([], { is_C: null }))).not.toHaveProperty("bath");
  });
  it("what was done is done: the bath read at its heat, the move walked through, the mark read where another is at work", () => {
    const walked: Check = { check: "rehearsal", took_s: 2.1 };
    expect(done(ready([walked, { check: "mark" }], { is_C: 56, hasOther: true }))).toMatchObject({ bath: true, move: true, mark: true });
    expect(done(ready([{ check: "rehearsal", took_s: 5 }], { hasOther: true }))).toMatchObject({ move: false, mark: false });
  });
});
