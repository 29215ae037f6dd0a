import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { actsOfRoute, CATALOGUE, planRoute, type Check, type Piece, type PieceState } from "@tembrak/core";
import { DEFAULT_SETTINGS } from "../../../store/db.js";
import { show, standingAt, START_ms } from "../../../testing.js";
import { inKiln, KilnPanel, matesOf } from "./KilnPanel.js";

const knife: Piece = {
  name: "Hoof knife",
  mark: "2",
  kind: "knife",
  form: "hoof-knife",
  steel: "O1",
  start: "fine-spheroidised",
  use: "hoof-knife",
  length_mm: 220,
  section: { shape: "wedge", spine_mm: 3, edge_mm: 0.8, height_mm: 20 },
};
const route = planRoute(CATALOGUE, knife, "kiln");
const acts = actsOfRoute(route);
const harden = acts.findIndex((act) => act.kind === "heat" && act.purpose === "harden");
const hold = acts.findIndex((act, i) => i > harden && act.kind === "hold");

const put = (state: "in" | "out", after_s: number): readonly [number, Check] => [after_s, { check: "fire", state }];
const at = (id: string, done: number, checks: readonly (readonly [number, Check])[] = [], piece = knife): PieceState =>
  standingAt({ ...piece, mark: id }, route, { id, done, checks });

afterEach(cleanup);

describe("what lies in the kiln", () => {
  it("a piece at its hold, and one that was put in to heat; not one that waits", () => {
    const states = [at("1", hold), at("2", harden, [put("in", 5)]), at("3", harden)];
    expect(inKiln(states).map(({ id }) => id)).toEqual(["1", "2"]);
  });
  it("one that was taken out to be looked at does not lie in it", () => {
    expect(inKiln([at("2", harden, [put("in", 5), put("out", 90)])])).toEqual([]);
    expect(inKiln([at("2", harden, [put("in", 5), put("out", 90), put("in", 120)])]).map(({ id }) => id)).toEqual(["2"]);
  });
  it("a piece of the forge never does", () => {
    const forge = planRoute(CATALOGUE, knife, "forge");
    expect(inKiln([standingAt(knife, forge, { done: 0, checks: [put("in", 5)] })])).toEqual([]);
  });
  it("steel with steel and practice with practice, and never itself", () => {
    const self = at("1", hold);
    const practice = at("4", hold, [], { ...knife, isPractice: true });
    expect(matesOf(self, [self, at("2", hold), practice]).map(({ id }) => id)).toEqual(["2"]);
    expect(matesOf(practice, [self, at("2", hold), practice])).toEqual([]);
  });
});

describe("the kiln at the bench", () => {
  const panel = (others: readonly PieceState[]) => {
    const state = at("1", hold);
    return show(<KilnPanel state={state} pieces={[state, ...others]} units={DEFAULT_SETTINGS} now_ms={START_ms + 60_000} />);
  };
  it("the door is logged to all that lie in it, each at its own act", async () => {
    const mate = at("2", harden, [put("in", 5)]);
    const { written } = panel([mate]);
    await userEvent.click(screen.getByRole("button", { name: "Door was opened" }));
    expect(written.map(({ piece }) => piece).sort()).toEqual(["1", "2"]);
    expect(written.find(({ piece }) => piece === "2")!.events).toEqual([
      { kind: "check", act: mate.next!.id, reading: { check: "door", state: "open" } },
    ]);
  });
  it("the chamber is read by hand where nothing reads it, and means nothing to a piece that is out", async () => {
    const { written } = panel([at("2", harden)]);
    await userEvent.click(screen.getByRole("button", { name: "Chamber reads…" }));
    const field = screen.getByLabelText(/^Chamber/);
    await userEvent.clear(field);
    await userEvent.type(field, "803");
    await userEvent.click(screen.getByRole("button", { name: "Log it" }));
    expect(written).toHaveLength(1);
    expect(written[0]!.events[0]).toMatchObject({ reading: { check: "chamber", temperature_C: 803 } });
  });
  it("each of the others says how long it still wants", () => {
    panel([at("2", hold), at("3", harden, [put("in", 5)])]);
    const list = screen.getByRole("list", { name: "Also in the kiln" });
    expect(list.textContent).toMatch(/Hoof knife 2: (.* left|waits for the chamber|over: take it out)/);
    expect(list.textContent).toContain("Hoof knife 3: coming to heat");
  });
});
