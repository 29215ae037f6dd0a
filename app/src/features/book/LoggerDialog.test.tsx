import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { actsOfRoute, CATALOGUE, planRoute, type BookEvent, type Piece } from "@tembrak/core";
import { eventsOf, replaceBook, DEFAULT_SETTINGS } from "../../store/db.js";
import { show, standingAt, START_ms } from "../../testing.js";
import { LoggerDialog } from "./LoggerDialog.js";

const punch: Piece = {
  name: "Marking awl",
  mark: "5",
  kind: "punch",
  form: "awl",
  steel: "1084",
  start: "fine-spheroidised",
  use: "punch",
  length_mm: 160,
  section: { shape: "round", diameter_mm: 8 },
};
const route = planRoute(CATALOGUE, punch, "kiln");
const acts = actsOfRoute(route);
const state = standingAt(punch, route, { done: 2 });

afterEach(cleanup);
beforeEach(() => replaceBook(state.events));

const probes = async (): Promise<Extract<BookEvent, { kind: "check" }>[]> =>
  (await eventsOf(state.id)).filter((event): event is Extract<BookEvent, { kind: "check" }> => event.kind === "check");

async function bringIn(name: string, text: string): Promise<void> {
  show(<LoggerDialog state={state} units={DEFAULT_SETTINGS} />);
  await userEvent.upload(screen.getByLabelText("Logger file"), new File([text], name, { type: "text/csv" }));
}
/** The file is read a piece at a time. */
const PATIENT = { timeout: 8000 };
const clock = (after_min: number): string => new Date(START_ms + 60_000 * after_min).toISOString().slice(0, 19).replace("T", " ");

describe("a logger's file", () => {
  it("without a column of temperatures is refused in a sentence, and changes nothing", async () => {
    await bringIn("notes.txt", "the kiln was slow today\nso was I\n");
    expect((await screen.findByRole("status")).textContent).toMatch(/^notes.txt has no columns of times and temperatures/);
    expect(await probes()).toEqual([]);
  });
  it("what it holds is said before anything is kept, and leaving it keeps nothing", async () => {
    await bringIn("run.csv", `time,temperature (C)\n${[0, 5, 10].map((m) => `${clock(m)},${700 + 10 * m}`).join("\n")}\n`);
    expect(await screen.findByText(/3 readings, .* for 10 min, hottest 800 °C/, {}, PATIENT)).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Leave it" }));
    expect(await probes()).toEqual([]);
  });
  it("goes into the record as readings of the act that was going on", async () => {
    await bringIn("run.csv", `time,temperature (C)\n${[1, 6, 11].map((m) => `${clock(m)},${780 + m}`).join("\n")}\n`);
    await screen.findByText(/3 readings/, {}, PATIENT);
    await userEvent.click(screen.getByRole("button", { name: "Into the record" }));
    await waitFor(async () => expect(await probes()).toHaveLength(3));
    const kept = await probes();
    expect(kept.map(({ reading }) => reading)).toEqual([781, 786, 791].map((temperature_C) => ({ check: "probe", temperature_C })));
    expect(new Set(kept.map(({ act }) => act))).toEqual(new Set([acts[2]!.id]));
  });
  it("Fahrenheit in the file is Celsius in the record", async () => {
    await bringIn("run.csv", `time,temperature (F)\n${clock(0)},1472\n${clock(5)},1500\n`);
    await screen.findByText(/2 readings/, {}, PATIENT);
    await userEvent.click(screen.getByRole("button", { name: "Into the record" }));
    await waitFor(async () => expect(await probes()).toHaveLength(2));
    const [first] = await probes();
    expect(first!.reading.check === "probe" && first!.reading.temperature_C).toBeCloseTo(800, 6);
  });
  it("one that counts from its own start asks when that was, and nothing ahead of now is stored", async () => {
    await bringIn("run.csv", "elapsed,temperature (C)\n0:00:00,780\n0:05:00,790\n");
    await screen.findByText(/2 readings/, {}, PATIENT);
    const key = (): HTMLButtonElement => screen.getByRole("button", { name: "Into the record" });
    expect(key().disabled).toBe(true);
    const began = screen.getByLabelText(/when was that\?/);
    fireEvent.change(began, { target: { value: "2099-01-01T10:00:00" } });
    expect(await screen.findByText(/would lie ahead of now/, {}, PATIENT)).toBeTruthy();
    expect(key().disabled).toBe(true);
    await userEvent.click(screen.getByRole("button", { name: /^When this piece was first looked at/ }));
    await waitFor(() => expect(key().disabled).toBe(false), PATIENT);
    await userEvent.click(key());
    await waitFor(async () => expect(await probes()).toHaveLength(2));
  });
  it("a line without sense is said, and the rest is read", async () => {
    const text = `time,temperature (C)\n${clock(0)},790\nodd line\n${clock(90)},795\n`;
    await bringIn("run.csv", text);
    expect(await screen.findByText(/1 line without sense, the first: line 3, odd line/, {}, PATIENT)).toBeTruthy();
    expect(screen.getByText(/2 readings/)).toBeTruthy();
  });
});
