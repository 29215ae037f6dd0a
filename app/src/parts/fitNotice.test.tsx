import { afterEach, expect, it, jest } from "@jest/globals";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { CATALOGUE, check, planRoute, PRESETS, type Kit, type NewKitItem, type Piece } from "@tembrak/core";
import { MemoryRouter } from "react-router";
import { DEFAULT_SETTINGS } from "../store/db.js";
import { FitNotice } from "./FitNotice.js";

afterEach(cleanup);
const LONG: Piece = {
  name: "Hay knife",
  mark: "3",
  kind: "knife",
  steel: "1084",
  start: "as-forged",
  use: "knife",
  length_mm: 700,
  section: { shape: "wedge", spine_mm: 4, edge_mm: 0.8, height_mm: 34 },
};
const KIT: Kit = [
  ...PRESETS.find(({ id }) => id === "beginner")!.items.map((item, i) => ({ ...item, id: `k${i}` })),
  {
    id: "t",
    kind: "oven",
    name: "Toaster",
    length_mm: 380,
    width_mm: 250,
    height_mm: 200,
    limit_C: 250,
    offset_C: 0,
    swing_C: 9,
    settle_min: 12,
  },
];

function shown(kit: Kit, onKit?: (item: NewKitItem) => void) {
  render(
    <MemoryRouter>
      <FitNotice piece={LONG} route={planRoute(CATALOGUE, LONG, "forge", { kit })} kit={kit} units={DEFAULT_SETTINGS} onKit={onKit} />
    </MemoryRouter>,
  );
}

it("two ovens mouth to mouth are put into the kit by one key; then nothing is too long for an oven", async () => {
  const onKit = jest.fn<(item: NewKitItem) => void>();
  shown(KIT, onKit);
  await userEvent.click(screen.getByText(/too long for Old kitchen oven/i));
  await userEvent.click(screen.getByRole("button", { name: "They stand so" }));
  const stored = { ...onKit.mock.calls[0]![0], id: "both" };
  expect(check("KitItem", stored)).toMatchObject({ ok: true });
  cleanup();
  shown([...KIT, stored], onKit);
  expect(screen.queryByText(/too long for Old kitchen oven/i)).toBeNull();
});
