import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { check, type KitItem } from "@tembrak/core";
import { DEFAULT_SETTINGS } from "../../../store/db.js";
import { blank } from "../../../words/kitWords.js";
import { CalibrateDialog } from "./CalibrateDialog.js";
import { ItemDialog } from "./ItemDialog.js";

afterEach(cleanup);
const press = (name: string) => userEvent.click(screen.getByRole("button", { name }));
const isShut = (name: string): boolean => screen.getByRole("button", { name }).hasAttribute("disabled");

async function type(label: string | RegExp, text: string): Promise<void> {
  const field = screen.getByLabelText(label);
  await userEvent.clear(field);
  if (text === "") return;
  await userEvent.click(field);
  await userEvent.paste(text);
  await userEvent.tab();
}

describe("an item of the kit", () => {
  const open = (kind: KitItem["kind"]) => {
    const onKeep = jest.fn<(item: unknown) => void>();
    const item = blank(kind);
    render(<ItemDialog item={item} isNew units={DEFAULT_SETTINGS} onKeep={onKeep} onRemove={() => undefined} onClose={() => undefined} />);
    return { onKeep, item };
  };
  it.each<KitItem["kind"]>(["forge", "kiln", "oven", "torch", "bath", "probe", "files", "tester"])(
    "a new %s can be kept as it is offered",
    async (kind) => {
      const { onKeep } = open(kind);
      await press("Keep it");
      const kept = onKeep.mock.calls[0]![0] as object;
      expect(check("KitItem", { id: "x", ...kept })).toMatchObject({ ok: true });
    },
  );
  it("without a name it is not kept", async () => {
    open("oven");
    await type("Name", "");
    expect(screen.getByText("It needs a name.")).toBeTruthy();
    expect(isShut("Keep it")).toBe(true);
  });
  it("files are kept softest first, however they are typed; what is no file is said and not kept", async () => {
    const { onKeep } = open("files");
    await type("Files, HRC", "60 45; 50");
    await press("Keep it");
    expect(onKeep.mock.calls[0]![0]).toMatchObject({ files_HRC: [45, 50, 60] });
    for (const bad of ["60, soft", "12", "80", ""]) {
      await type("Files, HRC", bad);
      expect(screen.getByText(/Numbers from 20 to 72/)).toBeTruthy();
      expect(isShut("Keep it")).toBe(true);
    }
  });
  it("notes of nothing but blanks are no notes", async () => {
    const { onKeep } = open("forge");
    await type(/^To remember/, "   ");
    await press("Keep it");
    expect("notes" in (onKeep.mock.calls[0]![0] as object)).toBe(false);
  });
  it.each<[KitItem["kind"], RegExp]>([
    ["kiln", /Power off before reaching in/],
    ["oven", /no oven for food again/],
    ["forge", /carbon monoxide alarm/],
    ["torch", /maker's sheet and local codes/],
  ])("the caution of a %s stands beside it", (kind, words) => {
    open(kind);
    expect(screen.getByText(words)).toBeTruthy();
  });
});

describe("an oven against a second thermometer", () => {
  const oven = { id: "o", ...blank("oven") } as Extract<KitItem, { kind: "oven" }>;
  const open = (item = oven) => {
    const onKeep = jest.fn<(kept: typeof oven) => void>();
    render(<CalibrateDialog item={item} units={DEFAULT_SETTINGS} onKeep={onKeep as never} onClose={() => undefined} />);
    return onKeep;
  };
  const read = async (time_min: number, set_C: number, second_C: number): Promise<void> => {
    await type(/^Since it was first set/, String(time_min));
    await type(/^The dial says/, String(set_C));
    await type(/^The second thermometer says/, String(second_C));
    await press("Add this reading");
  };
  it("too few readings keep nothing, and say how many are wanted", async () => {
    open();
    expect(isShut("Keep what they say")).toBe(true);
    await read(40, 200, 191);
    expect(screen.getByRole("status").textContent).toMatch(/more readings?, at different times/);
    expect(isShut("Keep what they say")).toBe(true);
  });
  it("what stays wrong is told from what only comes late", async () => {
    const onKeep = open();
    await read(5, 200, 150);
    await read(20, 200, 181);
    await read(40, 200, 190);
    await read(90, 200, 191);
    expect(screen.getByRole("status").textContent).toMatch(/colder than it says once it has settled/);
    await press("Keep what they say");
    const kept = onKeep.mock.calls[0]![0];
    expect(kept.calibration).toHaveLength(4);
    // What it came to rest at, by hand: 191 beside a dial of 200.
    expect(kept.offset_C).toBeGreaterThan(-14);
    expect(kept.offset_C).toBeLessThan(-5);
  });
  it("a reading taken back no longer counts", async () => {
    open({ ...oven, calibration: [5, 20, 40].map((time_min) => ({ time_min, set_C: 200, second_C: 195 })) });
    expect(isShut("Keep what they say")).toBe(false);
    await press("Remove reading 1");
    await press("Remove reading 1");
    expect(isShut("Keep what they say")).toBe(true);
  });
  it("a number that cannot be read is not added", async () => {
    open();
    await type(/^The dial says/, "9000");
    expect(isShut("Add this reading")).toBe(true);
  });
});
