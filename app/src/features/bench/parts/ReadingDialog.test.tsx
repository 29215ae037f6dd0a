import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import type { Check } from "@tembrak/core";
import { DEFAULT_SETTINGS } from "../../../store/db.js";
import { ReadingDialog } from "./ReadingDialog.js";

afterEach(cleanup);
const press = (name: string) => userEvent.click(screen.getByRole("button", { name }));

function open(settings: Partial<typeof DEFAULT_SETTINGS> = {}, gunEmissivity?: number) {
  const onCheck = jest.fn<(reading: Check) => void>();
  const onClose = jest.fn();
  render(
    <ReadingDialog
      isOpen
      target_C={815}
      gunEmissivity={gunEmissivity}
      units={{ ...DEFAULT_SETTINGS, ...settings }}
      onClose={onClose}
      onCheck={onCheck}
    />,
  );
  const type = async (label: RegExp, text: string): Promise<void> => {
    const field = screen.getByLabelText(label);
    await userEvent.clear(field);
    await userEvent.click(field);
    await userEvent.paste(text);
    await userEvent.tab();
  };
  return { onCheck, onClose, type, logged: () => onCheck.mock.calls.map(([reading]) => reading) };
}

describe("what an instrument reads", () => {
  it("a probe's number is logged once, and the sheet shuts", async () => {
    const { type, logged, onClose } = open();
    await type(/^Reading/, "803");
    await press("Log it");
    expect(logged()).toEqual([{ check: "probe", temperature_C: 803 }]);
    expect(onClose).toHaveBeenCalled();
  });
  it("starts empty: what nobody read cannot be logged", () => {
    open();
    expect(screen.getByLabelText<HTMLInputElement>(/^Reading/).value).toBe("");
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Log it" }).disabled).toBe(true);
  });
  it("in a Fahrenheit shop it is typed in Fahrenheit", async () => {
    const { type, logged } = open({ temperature: "F" });
    await type(/^Reading/, "1500");
    await press("Log it");
    const [reading] = logged();
    expect(reading?.check === "probe" && reading.temperature_C).toBeCloseTo((1500 - 32) / 1.8, 6);
  });
  it("a gun tells what it is set to and what it looks at", async () => {
    const { type, logged } = open({}, 0.8);
    await press("Infrared gun");
    expect(screen.getByText(/Taken as set to 0.8/)).toBeTruthy();
    await type(/^Reading/, "790");
    await press("bright steel");
    await press("Log it");
    expect(logged()).toEqual([{ check: "infrared", temperature_C: 790, emissivity: 0.8, surface: "bright" }]);
  });
  it.each([
    ["It melts", true],
    ["It does not", false],
  ] as const)("a stick: %s", async (key, hasMelted) => {
    const { type, logged } = open();
    await press("Stick");
    await type(/^Melts at/, "788");
    await press(key);
    expect(logged()).toEqual([{ check: "stick", rated_C: 788, hasMelted }]);
  });
  it("a number no instrument gives cannot be logged", async () => {
    const { type } = open();
    await type(/^Reading/, "9000");
    expect(screen.getByRole("button", { name: "Log it" }).hasAttribute("disabled")).toBe(true);
  });
  it("far above the heat wanted is asked about before it counts", async () => {
    const { type } = open();
    await type(/^Reading/, "1200");
    expect(screen.getByText(/far above the heat wanted/)).toBeTruthy();
  });
});
