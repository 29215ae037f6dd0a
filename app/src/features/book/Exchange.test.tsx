import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { CATALOGUE, planRoute, writeBook, type Piece } from "@tembrak/core";
import { allEvents, readKit, replaceBook } from "../../store/db.js";
import { show, standingAt } from "../../testing.js";
import { Exchange } from "./Exchange.js";

const spud: Piece = {
  name: "Bark spud",
  mark: "6",
  kind: "chisel",
  form: "bark-spud",
  steel: "5160",
  start: "as-forged",
  use: "wood-chisel",
  length_mm: 300,
  section: { shape: "plate", thickness_mm: 5 },
};
const route = planRoute(CATALOGUE, spud, "forge");
const here = standingAt(spud, route, { id: "here" }).events;
const there = standingAt({ ...spud, mark: "9" }, route, { id: "there", done: 1 }).events;
const file = (text: string, name = "book.tembrak.json"): File => new File([text], name, { type: "application/json" });
const ids = async (): Promise<string[]> => (await allEvents()).map(({ id }) => id).sort();

afterEach(cleanup);
beforeEach(() => replaceBook(here));

async function bringIn(what: File, count = 1): Promise<void> {
  show(<Exchange count={count} />);
  await userEvent.upload(screen.getByLabelText("Book file"), what);
}

describe("a book as a file", () => {
  it("a bad one says where it is bad, by its name, and changes nothing", async () => {
    const text = writeBook(there, 0).replace('"kind":"piece"', '"kind":"peace"').replace('"kind": "piece"', '"kind": "peace"');
    await bringIn(file(text, "old.json"));
    const said = (await screen.findByRole("alert")).textContent;
    expect(said).toMatch(/^old.json was not brought in, and nothing in the book changed\. .*\/events\/0/);
    expect(await ids()).toEqual(here.map(({ id }) => id).sort());
  });
  it("where there are no pieces but a kit it asks too, says what would go, and offers the export first", async () => {
    await replaceBook([], { kit: [{ id: "m", kind: "magnet", name: "Magnet" }] });
    show(<Exchange count={0} />, { kit: [{ id: "m", kind: "magnet", name: "Magnet" }] });
    const theirs = writeBook(there, 0, [{ id: "n", kind: "magnet", name: "Their magnet" }]);
    await userEvent.upload(screen.getByLabelText("Book file"), file(theirs));
    expect(await screen.findByText("There is a kit here already")).toBeTruthy();
    expect(screen.getByText(/the kit of 1 would give way to its own of 1/)).toBeTruthy();
    expect(screen.getByRole("button", { name: "Export what is here" })).toBeTruthy();
    expect((await readKit())?.map(({ name }) => name)).toEqual(["Magnet"]);
    await userEvent.click(screen.getByRole("button", { name: "Neither" }));
    expect(await ids()).toEqual([]);
  });
  it("what is no book at all is said too", async () => {
    await bringIn(file("{ half a book"));
    expect((await screen.findByRole("alert")).textContent).toContain("was not brought in");
  });
  it("beside a book that is here it asks first: what is new is added, once", async () => {
    await bringIn(file(writeBook([...here, ...there], 0)));
    expect(await screen.findByText(/holds \d+ entries/)).toBeTruthy();
    expect(await ids()).toEqual(here.map(({ id }) => id).sort());
    await userEvent.click(screen.getByRole("button", { name: "Add what is new" }));
    expect((await screen.findByRole("status")).textContent).toBe(`${there.length} entries brought in.`);
    expect(await ids()).toEqual([...here, ...there].map(({ id }) => id).sort());
  });
  it("in its place leaves nothing of the old one; neither leaves all of it", async () => {
    await bringIn(file(writeBook(there, 0)));
    await userEvent.click(await screen.findByRole("button", { name: "Neither" }));
    expect(await ids()).toEqual(here.map(({ id }) => id).sort());
    cleanup();
    await bringIn(file(writeBook(there, 0)));
    await userEvent.click(await screen.findByRole("button", { name: "In its place" }));
    await waitFor(async () => expect(await ids()).toEqual(there.map(({ id }) => id).sort()));
  });
  it("into an empty book it goes without a question", async () => {
    await replaceBook([]);
    await bringIn(file(writeBook(there, 0)), 0);
    expect((await screen.findByRole("status")).textContent).toBe(`${there.length} entries brought in.`);
  });
  it("emptying asks, and the first key leaves it", async () => {
    show(<Exchange count={1} />);
    await userEvent.click(screen.getByRole("button", { name: "Empty this book" }));
    await userEvent.click(screen.getByRole("button", { name: "Leave it" }));
    expect(await ids()).toEqual(here.map(({ id }) => id).sort());
    await userEvent.click(await screen.findByRole("button", { name: "Empty this book" }));
    await userEvent.click(screen.getByRole("button", { name: "Erase it all" }));
    await waitFor(async () => expect(await ids()).toEqual([]));
  });
  it("a shop that never wrote its book out is told so, and an empty one has nothing to write", () => {
    show(<Exchange count={0} />);
    expect(screen.getByText(/Never exported/)).toBeTruthy();
    expect(screen.getByRole("button", { name: "Export the book" }).hasAttribute("disabled")).toBe(true);
  });
});
