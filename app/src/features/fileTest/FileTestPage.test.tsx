import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { actsOfRoute, CATALOGUE, planRoute } from "@tembrak/core";
import { HAY_KNIFE, show, standingAt } from "../../testing.js";
import { FileTestPage } from "./FileTestPage.js";

const route = planRoute(CATALOGUE, HAY_KNIFE, "forge");
const acts = actsOfRoute(route);
const first = acts.findIndex(({ kind }) => kind === "first-file");
const prove = acts.findIndex(({ kind }) => kind === "prove");

afterEach(cleanup);

function open(done: number, stores = true) {
  const state = standingAt(HAY_KNIFE, route, { done });
  const shown = show(<FileTestPage />, { stores, pieces: [state], at: ["/piece/:id/test/:act", `/piece/p/test/${state.next!.id}`] });
  return { state, ...shown };
}
const mean = (): number => Number(screen.getByTestId("test-mean").textContent);
async function read(text: string): Promise<void> {
  if (screen.queryByLabelText("Tester readings, HRC") === null)
    await userEvent.click(screen.getByRole("button", { name: "Add tester readings" }));
  const field = screen.getByLabelText("Tester readings, HRC");
  await userEvent.clear(field);
  if (text === "") return;
  await userEvent.click(field);
  await userEvent.paste(text);
}

describe("a hardness test", () => {
  it("nothing tried is nothing to keep, and no number stands there that nothing speaks for", () => {
    open(prove);
    expect(screen.queryByTestId("test-mean")).toBeNull();
    expect(screen.getByText(/Nothing is tried yet/)).toBeTruthy();
    expect(screen.getByRole("button", { name: "Keep this result" }).hasAttribute("disabled")).toBe(true);
    expect(screen.queryByText("Next, one of")).toBeNull();
  });
  it("readings of a tester are its mean, with a comma or a point", async () => {
    open(prove);
    await read("58,5 59.5 59");
    expect(mean()).toBeGreaterThan(57.5);
    expect(mean()).toBeLessThan(60.5);
  });
  it("what is no reading is said, the ones before it stand, and nothing is kept until it is put right", async () => {
    open(prove);
    await read("59 59 590");
    expect(screen.getAllByText(/590 HRC is not a reading a tester gives/).length).toBeGreaterThan(0);
    const keep = (): HTMLButtonElement => screen.getByRole("button", { name: "Keep this result" });
    expect(keep().disabled).toBe(true);
    expect(screen.queryByText("Next, one of")).toBeNull();
    expect(mean()).toBeGreaterThan(57);
    expect(mean()).toBeLessThan(61);
    await userEvent.type(screen.getByLabelText(/Tester readings/), "{Backspace}{Backspace}{Backspace}5x");
    expect(screen.getAllByText(/"5x" is not a number/).length).toBeGreaterThan(0);
    expect(keep().disabled).toBe(true);
    await userEvent.type(screen.getByLabelText(/Tester readings/), "{Backspace}9");
    expect(keep().disabled).toBe(false);
  });
  it("a tester that reads its block too high reads the piece too high", async () => {
    open(prove);
    await read("60 60 60");
    const plain = mean();
    await userEvent.type(screen.getByLabelText(/reads its block too high by/), "2");
    expect(mean()).toBeLessThan(plain - 1);
    expect(mean()).toBeGreaterThan(plain - 3);
  });
  it("after the last temper a kept result ends the piece and opens its record", async () => {
    const { written, state } = open(prove);
    await read("59 59 59");
    await userEvent.click(screen.getByRole("button", { name: "Keep this result" }));
    expect(written.map(({ events }) => events.map(({ kind }) => kind))).toEqual([["test", "act-done", "finished"]]);
    expect(written[0]!.events[1]).toEqual({ kind: "act-done", act: state.next!.id });
    expect((await screen.findByTestId("address")).textContent).toBe("/book/p");
  });
  it("after the quench it goes on at the bench, and the piece is not finished", async () => {
    const { written } = open(first);
    expect(screen.getByText(/Still brittle: light strokes/)).toBeTruthy();
    await read("65 65 65");
    await userEvent.click(screen.getByRole("button", { name: "Keep this result" }));
    expect(written[0]!.events.map(({ kind }) => kind)).toEqual(["test", "act-done"]);
    expect((await screen.findByTestId("address")).textContent).toBe("/piece/p/bench");
  });
  it("soft after the quench: the test is kept, nothing is planned yet, and why it came so is next", async () => {
    const { written } = open(first);
    await read("38 38 39");
    await userEvent.click(screen.getByRole("button", { name: /Why, and harden it again/ }));
    expect(written[0]!.events.map(({ kind }) => kind)).toEqual(["test", "act-done"]);
    expect((await screen.findByTestId("address")).textContent).toBe("/piece/p/why");
  });
  it("what the browser refuses is not left behind", async () => {
    const { written } = open(prove, false);
    await read("59 59 59");
    await userEvent.click(screen.getByRole("button", { name: "Keep this result" }));
    expect(written).toEqual([]);
    expect(screen.queryByTestId("address")).toBeNull();
    expect(mean()).toBeGreaterThan(57);
  });
});
