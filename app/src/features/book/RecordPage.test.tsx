import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { actsOfRoute, CATALOGUE, pieceState, planRoute, type BookEvent, type HardnessTest } from "@tembrak/core";
import { HAY_KNIFE, show, standingAt, START_ms } from "../../testing.js";
import { RecordPage } from "./RecordPage.js";

const route = planRoute(CATALOGUE, HAY_KNIFE, "forge");
const acts = actsOfRoute(route);
const done = standingAt(HAY_KNIFE, route, { done: acts.length - 1 });
const hardness: HardnessTest = {
  strokes: [
    { file_HRC: 55, result: "skates" },
    { file_HRC: 60, result: "bites" },
  ],
  readings_HRC: [],
  surface: "ground",
  piece_C: 20,
};
const after = (minutes: number, event: object): BookEvent =>
  ({ id: `later-${minutes}`, piece: "p", at_ms: START_ms + 60_000 * minutes, ...event }) as BookEvent;
function record(events: readonly BookEvent[], options: Parameters<typeof show>[1] = {}, before = done.events) {
  const pieces = [pieceState("p", [...before, ...events])!];
  return show(<RecordPage />, { at: ["/book/:id", "/book/p"], pieces, ...options });
}
const rows = (): string[] =>
  within(screen.getByRole("table"))
    .getAllByRole("row")
    .slice(1)
    .map((row) => row.textContent ?? "");

function rowsOf(open: () => unknown): string[] {
  open();
  const said = rows();
  cleanup();
  return said;
}

afterEach(cleanup);

describe("the record of a piece", () => {
  it("has a line for everything that was done, in order, and none that says nothing", () => {
    const events = [
      after(1, { kind: "test", act: "prove", test: hardness }),
      after(2, { kind: "note", text: "Oil was colder than usual" }),
      after(3, { kind: "act-done", act: "prove" }),
      after(4, { kind: "finished" }),
    ];
    record(events);
    const said = rows();
    expect(said).toHaveLength(done.events.length + events.length);
    expect(said[0]).toMatch(/DescribedHay knife, 1084/);
    expect(said[1]).toMatch(/Planned\d+ steps/);
    expect(said.at(-4)).toMatch(/Tested: \d\d.*55 skates, 60 bites/);
    expect(said.at(-3)).toContain("Oil was colder than usual");
    expect(said.at(-1)).toContain("Finished");
    expect(said.filter((line) => /undefined|NaN|no longer/.test(line))).toEqual([]);
  });
  it("its line has the heats it had, where the log says other than the plan", () => {
    const temper = acts.findLast(({ kind }) => kind === "temper")!;
    record([after(1, { kind: "check", act: temper.id, reading: { check: "chamber", temperature_C: 263 } })]);
    const line = screen.getByRole("group", { name: /Heat line/ });
    expect(line.textContent).toContain("263°");
  });
  it("a piece that was never tested is not said to be anything", () => {
    record([]);
    expect(screen.getByText(/^Not measured: /)).toBeTruthy();
    expect(screen.getByText(/says what was done, not what it is/)).toBeTruthy();
  });
  it("what was found is what its test says, the same in line and head", () => {
    record([after(1, { kind: "test", act: "prove", test: hardness })]);
    const head = screen.getByText(/^(Measured|By its files|One file tells about) /).textContent;
    const line = rows().find((text) => text.includes("Tested:"))!;
    const [, mean] = /Tested: (\d+(?:\.\d)?) HRC/.exec(line)!;
    expect(Math.abs(Number(/(\d+(?:\.\d)?)/.exec(head)![1]) - Number(mean))).toBeLessThanOrEqual(0.5);
  });
  it("measured is a tester's word: one file tells", () => {
    const one = { ...hardness, readings_HRC: [], strokes: [{ file_HRC: 60, result: "skates" as const }] };
    record([after(1, { kind: "test", act: "prove", test: one })]);
    expect(screen.getByText(/^One file tells (no more than|about) \d\d.* one file/)).toBeTruthy();
    expect(screen.queryByText(/^Measured/)).toBeNull();
  });
  it("planned anew, what was done before is told by the plan it was done by", () => {
    const at = route.steps.findLastIndex(({ kind }) => kind === "quench") + 1;
    const steps = [...route.steps.slice(0, at), ...route.steps.slice(at - 2, at), ...route.steps.slice(at)];
    const before = rowsOf(() => record([]));
    const again = rowsOf(() => record([after(1, { kind: "route", route: { ...route, steps } })]));
    expect(again.slice(0, -1)).toEqual(before);
    expect(again.join(" ")).not.toContain("no longer in the plan");
  });
  it("a step that is no longer in the plan keeps its line", () => {
    record([after(1, { kind: "act-done", act: "99.normalise.heat" })]);
    expect(rows().at(-1)).toContain("A step that is no longer in the plan");
  });
  it("the files are offered once it is to be proved, and not before", () => {
    record([]);
    expect(screen.getByRole("link", { name: "Try the files" }).getAttribute("href")).toBe("/piece/p/test/prove");
    cleanup();
    record([], {}, standingAt(HAY_KNIFE, route, { done: 1 }).events);
    expect(screen.queryByRole("link", { name: "Try the files" })).toBeNull();
  });
  it("a note is stored without the blanks around it, and its field is empty again", async () => {
    const { written } = record([]);
    const field = screen.getByLabelText("Note what was different");
    expect(screen.getByRole("button", { name: "Add the note" }).hasAttribute("disabled")).toBe(true);
    await userEvent.type(field, "  wind in the forge ");
    await userEvent.click(screen.getByRole("button", { name: "Add the note" }));
    expect(written).toEqual([{ piece: "p", events: [{ kind: "note", text: "wind in the forge" }] }]);
    expect((field as HTMLTextAreaElement).value).toBe("");
  });
  it("a note the browser refuses stays in its field", async () => {
    record([], { stores: false });
    const field = screen.getByLabelText("Note what was different");
    await userEvent.type(field, "wind");
    await userEvent.click(screen.getByRole("button", { name: "Add the note" }));
    expect((field as HTMLTextAreaElement).value).toBe("wind");
  });
  it("a Fahrenheit shop reads no Celsius in it", () => {
    record([after(1, { kind: "check", act: acts[0]!.id, reading: { check: "probe", temperature_C: 800 } })], {
      settings: { temperature: "F" },
    });
    expect(rows().join(" ")).toContain("1472 °F");
    expect(rows().join(" ")).not.toContain("°C");
  });
  it("an address of no piece says so", async () => {
    show(<RecordPage />, { at: ["/book/:id", "/book/nobody"] });
    expect(await screen.findByText("There is no such piece in the book.")).toBeTruthy();
  });
});
