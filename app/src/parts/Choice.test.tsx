import { afterEach, beforeEach, expect, jest, test } from "@jest/globals";
import MenuItem from "@mui/material/MenuItem";
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { Choice } from "./Choice.js";

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

/** What was chosen, by a list of two steels. */
function show(disabled = false): string[] {
  const chosen: string[] = [];
  render(
    <Choice label="Steel" value="1084" disabled={disabled} onChange={(event) => chosen.push(event.target.value)}>
      <MenuItem value="1084">1084</MenuItem>
      <MenuItem value="O1">O1</MenuItem>
    </Choice>,
  );
  return chosen;
}

test("a press of a second that is let go over another entry chooses nothing", () => {
  const chosen = show();
  const field = screen.getByRole("combobox", { name: "Steel" });
  fireEvent.mouseDown(field);
  act(() => {
    jest.advanceTimersByTime(1000);
  });
  const under = screen.queryByRole("option", { name: "O1" });
  fireEvent.mouseUp(under ?? field);
  fireEvent.click(field);
  expect(chosen).toEqual([]);
  fireEvent.click(screen.getByRole("option", { name: "O1" }));
  expect(chosen).toEqual(["O1"]);
});

test("the keys open it as well", () => {
  show();
  fireEvent.keyDown(screen.getByRole("combobox", { name: "Steel" }), { key: "ArrowDown" });
  expect(screen.getByRole("option", { name: "O1" })).toBeTruthy();
});

test("a field that is not to be changed does not open", () => {
  show(true);
  fireEvent.click(screen.getByRole("combobox", { name: "Steel" }));
  expect(screen.queryByRole("option", { name: "O1" })).toBeNull();
});
