import { describe, expect, it } from "@jest/globals";
import { actsOfRoute, CATALOGUE, planRoute, type Piece, type PieceState } from "@tembrak/core";
import { standingAt, START_ms } from "../../../testing.js";
import { hanger_px, inOrder, inSight, layOutRack } from "./rackLayout.js";

const sickle: Piece = {
  name: "Reed sickle",
  mark: "1",
  kind: "hook",
  form: "sickle",
  steel: "1075",
  start: "as-forged",
  use: "sickle",
  length_mm: 350,
  section: { shape: "wedge", spine_mm: 4, edge_mm: 0.8, height_mm: 30 },
};
const route = planRoute(CATALOGUE, sickle, "forge");
const acts = actsOfRoute(route);
const at = (id: string, kind: (typeof acts)[number]["kind"], piece: Partial<Piece> = {}): PieceState =>
  standingAt({ ...sickle, ...piece, name: piece.name ?? id }, route, { id, done: acts.findIndex((act) => act.kind === kind) });
const stages = [at("proved", "prove"), at("tempering", "temper"), at("quenched", "first-file"), at("hot", "quench"), at("new", "heat")];

describe("where pieces hang", () => {
  it("in the order of work, whatever order they were made in; what is finished does not hang", () => {
    const done = { ...at("gone", "prove"), stage: "done" as const };
    expect(inOrder([done, ...stages]).map(({ id }) => id)).toEqual(["new", "hot", "quenched", "tempering", "proved"]);
  });
  it("none covers another, and each hangs by a place of its own", () => {
    const { hung, width } = layOutRack(stages, START_ms, 1200, 400);
    hung.forEach((piece, i) => {
      const next = hung[i + 1];
      expect(piece.pieceX).toBeGreaterThanOrEqual(piece.x);
      expect(piece.pieceX + piece.drawn.width_px).toBeLessThanOrEqual(piece.x + piece.columnWidth);
      expect(hanger_px(piece.drawn)).toBeGreaterThanOrEqual(0);
      expect(hanger_px(piece.drawn)).toBeLessThanOrEqual(piece.drawn.width_px);
      if (next) expect(next.x).toBeGreaterThanOrEqual(piece.x + piece.columnWidth - 1e-9);
    });
    expect(hung.at(-1)!.x + hung.at(-1)!.columnWidth).toBeLessThanOrEqual(width + 1e-9);
  });
  it("one scale for all: a piece twice as long is drawn twice as long", () => {
    const { hung } = layOutRack([at("a", "heat"), at("b", "heat", { length_mm: 700 })], START_ms, 1200, 400);
    const [a, b] = hung.map(({ drawn }) => drawn.height_px);
    // Its blade is as wide as before, and it hangs a little aslant.
    expect(b! / a!).toBeGreaterThan(1.9);
    expect(b! / a!).toBeLessThan(2.1);
    expect(b).toBeLessThanOrEqual(400 + 1e-6);
  });
  it("a rail a stage, over its own pieces and no other's", () => {
    const { rails, hung } = layOutRack([...stages, at("new too", "heat")], START_ms, 1600, 400);
    expect(rails.map(({ stage }) => stage)).toEqual([...new Set(hung.map(({ state }) => state.stage))]);
    for (const { state, x, columnWidth } of hung) {
      const rail = rails.find(({ stage }) => stage === state.stage)!;
      expect(x).toBeGreaterThanOrEqual(rail.x0 - 1e-9);
      expect(x + columnWidth).toBeLessThanOrEqual(rail.x1 + 1e-9);
    }
  });
  it("of a thousand only those in sight are drawn, wherever one has scrolled to", () => {
    const layout = layOutRack(
      Array.from({ length: 1000 }, (_, i) => at(`p${i}`, "heat")),
      START_ms,
      1200,
      400,
    );
    for (const from of [0, 0.5 * layout.width, layout.width - 1200]) {
      const shown = inSight(layout, from, 1200);
      expect(shown.length).toBeLessThan(30);
      const missed = layout.hung.filter((hung) => !shown.includes(hung) && hung.x + hung.columnWidth > from && hung.x < from + 1200);
      expect(missed).toEqual([]);
    }
  });
  it("many pieces are drawn smaller until they fit, never so small that they are lost", () => {
    const many = Array.from({ length: 12 }, (_, i) => at(`piece ${i}`, "heat"));
    const few = layOutRack(many.slice(0, 2), START_ms, 1200, 400);
    const all = layOutRack(many, START_ms, 1200, 400);
    expect(all.scale_px_mm).toBeLessThan(few.scale_px_mm);
    expect(all.scale_px_mm).toBeGreaterThan(0.55 * few.scale_px_mm);
  });
});
