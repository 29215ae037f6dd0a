import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import {
  CATALOGUE,
  pieceState,
  piecesOf,
  planRoute,
  type BookEvent,
  type Check,
  type Piece,
  type PieceState,
  actsOfRoute,
} from "@tembrak/core";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { MemoryRouter } from "react-router";
import { demoEvents } from "../../../store/demoBook.js";
import { RunAct } from "./RunAct.js";

const NOW_ms = Date.UTC(2026, 10, 25, 12);
const { piece: DRAWKNIFE } = piecesOf(demoEvents(NOW_ms)).find((state) => state.piece.name === "Drawknife")!;
/** Planned with its edge in water, and a line behind it that is watched. */
const STRIKER: Piece = {
  name: "Fire striker",
  mark: "2",
  kind: "striker",
  steel: "w1",
  start: "normalised",
  use: "striker",
  length_mm: 80,
  section: { shape: "wedge", spine_mm: 5, edge_mm: 4, height_mm: 26 },
};

function atRun(looks: readonly Check[], draws: "torch" | "hot-bar", piece: Piece): PieceState {
  const route = planRoute(CATALOGUE, piece, "forge", { way: { hardens: "whole", draws } });
  const acts = actsOfRoute(route);
  const at = acts.findIndex(({ kind }) => kind === "run");
  return pieceState("p", [
    { id: "a", piece: "p", at_ms: 1, kind: "piece", definition: piece },
    { id: "b", piece: "p", at_ms: 2, kind: "route", route },
    ...acts.slice(0, at).map(({ id }, i): BookEvent => ({ id: `d${i}`, piece: "p", at_ms: 10 + i, kind: "act-done", act: id })),
    ...looks.map((reading, i): BookEvent => ({
      id: `c${i}`,
      piece: "p",
      at_ms: NOW_ms - 90_000 + i,
      kind: "check",
      act: acts[at]!.id,
      reading,
    })),
  ])!;
}

afterEach(cleanup);

function show(looks: readonly Check[], draws: "torch" | "hot-bar" = "torch", piece = DRAWKNIFE) {
  const [checks, done]: [Check[], number[]] = [[], []];
  const state = atRun(looks, draws, piece);
  const bench = {
    trouble: null,
    isStoring: false,
    unstored: 0,
    done: () => void done.push(1),
    check: (c: Check) => void checks.push(c),
    replan: () => undefined,
    undo: () => undefined,
    at: () => undefined,
    retry: () => undefined,
    backInFire: () => undefined,
    rescue: () => undefined,
  };
  const act = state.next!;
  if (act.kind !== "run") throw new Error(`at ${act.kind}`);
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <RunAct state={state} act={act} bench={bench} now_ms={NOW_ms} />
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return { checks, done };
}
const press = (name: RegExp) => userEvent.click(screen.getByRole("button", { name }));

describe("a colour run at the bench", () => {
  it("waits for the torch, and starts the time with it", async () => {
    const { checks } = show([]);
    expect(screen.getByText(/never on what works/)).toBeTruthy();
    await press(/^The torch is on it/);
    expect(checks).toEqual([{ check: "fire", state: "in" }]);
  });
  it("takes what is seen, the torch going away and the stop, each in one tap, before anything is worked out", async () => {
    const { checks } = show([{ check: "fire", state: "in" }]);
    expect(screen.getByText("Working it out")).toBeTruthy();
    // A heat beside each colour: straw at 205 to 230 C by usual charts (common practice, no source).
    const straw_C = Number(/\d+/.exec(screen.getByRole("button", { name: /^straw$/ }).textContent)![0]);
    expect(straw_C).toBeGreaterThan(205);
    expect(straw_C).toBeLessThan(240);
    await press(/^straw$/);
    await press(/^Torch away/);
    await press(/^Stop: dunk it/);
    expect(checks).toEqual([{ check: "temper-colour", name: "straw" }, { check: "fire", state: "out" }, { check: "dunked" }]);
  });
  it("a bar that has cooled is changed for a fresh one in the same run; a torch has none", async () => {
    const { checks } = show([{ check: "fire", state: "in" }], "hot-bar");
    await press(/^Fresh bar/);
    await press(/^Off the bar/);
    expect(checks).toEqual([{ check: "fresh-bar" }, { check: "fire", state: "out" }]);
    cleanup();
    show([{ check: "fire", state: "in" }]);
    expect(screen.queryByRole("button", { name: /^Fresh bar/ })).toBeNull();
    cleanup();
    // Off the bar there is none to change.
    show(
      [
        { check: "fire", state: "in" },
        { check: "fire", state: "out" },
      ],
      "hot-bar",
    );
    expect(screen.queryByRole("button", { name: /^Fresh bar/ })).toBeNull();
    expect(screen.getByRole("button", { name: /^Heat on again/ })).toBeTruthy();
  });
  it("with its edge in water a line is watched; dunked, it asks for the line and for the edge, and keeps them apart", async () => {
    show([], "hot-bar", STRIKER);
    expect(screen.getByText(/^The edge in water, 4 mm deep; the back on the bar, bright orange/)).toBeTruthy();
    cleanup();
    show([{ check: "fire", state: "in" }], "hot-bar", STRIKER);
    expect(screen.getByText(/At the line you see, the (flame|glowing bar) shaded with the hand:/)).toBeTruthy();
    cleanup();
    const { checks } = show(
      [
        { check: "fire", state: "in" },
        { check: "dunked" },
        { check: "temper-colour", name: "blue" },
        { check: "temper-colour", name: "bare", at: "edge" },
      ],
      "hot-bar",
      STRIKER,
    );
    expect(screen.getByText(/What colour is the line now/)).toBeTruthy();
    expect(screen.getByText(/A bare edge is as hard as it was/)).toBeTruthy();
    const edge = screen.getByRole("group", { name: /colour of the edge, cold/ });
    expect(within(edge).getByRole("button", { name: "bare" }).getAttribute("aria-pressed")).toBe("true");
    await userEvent.click(within(edge).getByRole("button", { name: /^dark straw$/ }));
    expect(checks).toEqual([{ check: "temper-colour", name: "dark straw", at: "edge" }]);
  });
  it("dunked, it asks for the colour that is there, and is done with it", async () => {
    const dunked = show([{ check: "fire", state: "in" }, { check: "dunked" }]);
    expect(screen.getByText(/nobody looked: as planned/)).toBeTruthy();
    await press(/^light straw$/);
    expect(dunked.checks).toEqual([{ check: "temper-colour", name: "light straw" }]);
    cleanup();
    const found = show([{ check: "fire", state: "in" }, { check: "dunked" }, { check: "temper-colour", name: "grey" }]);
    expect(screen.getByText(/softer\. Grind back/)).toBeTruthy();
    await press(/^Keep it at grey/);
    expect(found.done).toHaveLength(1);
  });
});
