import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { actsOfRoute, CATALOGUE, pieceState, planRoute, type Act, type Piece, type PieceState } from "@tembrak/core";
import { show, standingAt, START_ms } from "../../testing.js";
import { RackPage } from "./RackPage.js";

const knife: Piece = {
  name: "Hoof knife",
  mark: "2",
  kind: "knife",
  form: "hoof-knife",
  steel: "1084",
  start: "as-forged",
  use: "hoof-knife",
  length_mm: 220,
  section: { shape: "wedge", spine_mm: 3, edge_mm: 0.8, height_mm: 20 },
};
const route = planRoute(CATALOGUE, knife, "forge");
const acts = actsOfRoute(route);
const at = (kind: Act["kind"], id: string) =>
  standingAt({ ...knife, name: id }, route, { done: acts.findIndex((act) => act.kind === kind), id });

/** The same, its last act so many seconds ago. */
const ago = (state: PieceState, seconds: number): PieceState =>
  pieceState(
    state.id,
    state.events.map((event) => ({ ...event, at_ms: event.at_ms + Date.now() - START_ms - 1000 * seconds })),
  )!;

afterEach(cleanup);

describe("the rack", () => {
  it("an empty shop is told what to do, and keeps what cannot be read in sight", () => {
    show(<RackPage />, { unreadable: [{ id: "odd" }] });
    expect(screen.getByText("Nothing hangs here yet.")).toBeTruthy();
    expect(screen.getByText(/One stored entry cannot be read; it is left as stored/)).toBeTruthy();
    expect(screen.getByRole("button", { name: "Export it" })).toBeTruthy();
  });
  it("several entries are several; none is not spoken of", () => {
    show(<RackPage />, { unreadable: [1, 2, 3], pieces: [at("oven", "a")] });
    expect(screen.getByText(/3 stored entries cannot be read; they are left as stored/)).toBeTruthy();
    cleanup();
    show(<RackPage />, { pieces: [at("oven", "a")] });
    expect(screen.queryByText(/cannot be read/)).toBeNull();
  });
  it("the most urgent piece has the key: what leaves the fire before what waits for its oven", () => {
    const pieces = [at("prove", "waiting"), at("quench", "hot"), at("oven", "brittle")];
    show(<RackPage />, { pieces: pieces.map((state) => ago(state, 2)) });
    expect(screen.getByRole("heading", { name: /^Quench the hot, now/ })).toBeTruthy();
    cleanup();
    // Left lying since yesterday it is cold: what is brittle goes before it.
    show(<RackPage />, { pieces: pieces.map((state) => ago(state, 86_400)) });
    expect(screen.getByRole("heading", { name: /^Put the brittle in the oven, now/ })).toBeTruthy();
    cleanup();
    show(<RackPage />, { pieces: [ago(pieces[1]!, 86_400)] });
    expect(screen.getByRole("heading", { name: /^Heat the hot once more/ })).toBeTruthy();
  });
  it("into the oven is one press from here, and is what goes to the log", async () => {
    const state = at("oven", "brittle");
    const { written } = show(<RackPage />, { pieces: [state] });
    await userEvent.click(screen.getByRole("button", { name: "It is in the oven" }));
    expect(written).toEqual([{ piece: "brittle", events: [{ kind: "act-done", act: state.next!.id }] }]);
  });
  it("what needs the bench is not called done from here", async () => {
    const { written } = show(<RackPage />, { pieces: [at("quench", "hot")] });
    await userEvent.click(screen.getByRole("button", { name: "To the bench" }));
    expect(written).toEqual([]);
  });
  it("the minutes it has been brittle are the same in the sentence as beside the piece", () => {
    const state = at("oven", "brittle");
    // Just short of another minute: rounded it would be one more.
    const since_ms = Date.now() - 1000 * (49 * 60 + 50);
    show(<RackPage />, { pieces: [{ ...state, brittleSince_ms: since_ms }] });
    expect(screen.getByText(/It has been brittle for 49 min/)).toBeTruthy();
    expect(screen.getByRole("link", { name: /49 min brittle/ })).toBeTruthy();
  });
  it("a finished piece hangs no more", () => {
    const state = standingAt(knife, route, { done: acts.length });
    show(<RackPage />, { pieces: [{ ...state, stage: "done", finishedAt_ms: START_ms }] });
    expect(screen.queryByText("Nothing hangs here yet.")).toBeNull();
    expect(screen.getByRole("heading", { name: /^All done/ })).toBeTruthy();
  });
  it("after the last act it is spoken of for a day, with the next like it beside", () => {
    const done = standingAt(knife, route, { done: acts.length, id: "d" });
    const finished = (hours_ago: number): PieceState => ({ ...done, stage: "done", finishedAt_ms: Date.now() - 3600000 * hours_ago });
    show(<RackPage />, { pieces: [at("oven", "a"), finished(1)] });
    expect(screen.getByLabelText("Finished last").textContent).toMatch(/Hoof knife is finished\. Not tested\./);
    expect(screen.getByRole("link", { name: "Next like it" }).getAttribute("href")).toBe("/new?like=d");
    cleanup();
    show(<RackPage />, { pieces: [at("oven", "a"), finished(30)] });
    expect(screen.queryByLabelText("Finished last")).toBeNull();
  });
});
