import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import { CATALOGUE, planRoute, type BookEvent } from "@tembrak/core";
import { store } from "../store/db.js";
import { HAY_KNIFE, show, standingAt, START_ms } from "../testing.js";
import { OfPlannedPiece } from "./OfPiece.js";

const route = planRoute(CATALOGUE, HAY_KNIFE, "forge");
const drawn = <OfPlannedPiece>{({ piece }) => <h1>{piece.name}, planned</h1>}</OfPlannedPiece>;

afterEach(cleanup);

describe("the piece of an address", () => {
  it("is found behind an id that a browser takes for a way up", () => {
    show(drawn, { pieces: [standingAt(HAY_KNIFE, route, { id: ".." })], at: ["/piece/:id", "/piece/~.."] });
    expect(screen.getByRole("heading", { name: /planned$/ })).toBeTruthy();
  });
  it("with a plan of no steps is one that nobody has planned", () => {
    show(drawn, { pieces: [standingAt(HAY_KNIFE, { ...route, steps: [] })], at: ["/piece/:id", "/piece/p"] });
    expect(screen.getByText("Nobody has planned its heats yet.")).toBeTruthy();
    expect(screen.getByRole("button", { name: "Plan its heats" })).toBeTruthy();
  });
  it("whose description was taken back: says so, keeps what was logged, and gives it away", async () => {
    const base = { piece: "gone", at_ms: START_ms };
    const rows: BookEvent[] = [
      { ...base, id: "gone-1", kind: "piece", definition: HAY_KNIFE },
      { ...base, id: "gone-2", at_ms: START_ms + 1, kind: "route", route },
      { ...base, id: "gone-3", at_ms: START_ms + 2, kind: "withdrawn", event: "gone-1" },
    ];
    await store.events.bulkPut(rows);
    show(drawn, { at: ["/piece/:id", "/piece/gone"] });
    expect(await screen.findByText("There is no such piece in the book.")).toBeTruthy();
    expect(await screen.findByText(/^3 entries of it are kept as stored/)).toBeTruthy();
    expect(screen.getByRole("button", { name: "Export what is left of it" })).toBeTruthy();
  });
});
