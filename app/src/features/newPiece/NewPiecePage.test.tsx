import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { CATALOGUE, planRoute, PRESETS, type Kit } from "@tembrak/core";
import { HAY_KNIFE, show, standingAt } from "../../testing.js";
import { NewPiecePage } from "./NewPiecePage.js";

afterEach(cleanup);

const route = planRoute(CATALOGUE, HAY_KNIFE, "forge", { way: { hardens: "edge" } });
const open = (pieces = [standingAt(HAY_KNIFE, route)]) => show(<NewPiecePage />, { pieces, at: ["/new", "/new"] });
/** No media query matches here: the page is as on a phone. */
const fold = (name: RegExp) => screen.getByRole("button", { name, expanded: true });

describe("a new piece on a phone", () => {
  it("is four groups, one of them open, each with its answer in a line", async () => {
    open();
    const shut = screen.getAllByRole("button", { expanded: false }).map((key) => key.textContent);
    expect(shut).toHaveLength(3);
    expect(shut[0]).toMatch(/^Steel and use1084, as forged; /);
    expect(shut[1]).toMatch(/^Measures240 mm long, 4 mm thick/);
    expect(shut[2]).toMatch(/^How and whereForge, a shade past the magnet; in my own shop/);
    expect(fold(/^What is it/)).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: /^Measures/ }));
    expect(screen.getAllByRole("button", { expanded: true })).toHaveLength(1);
    expect(fold(/^Measures/)).toBeTruthy();
  });
  it("shows the commonest kinds until more are asked for", async () => {
    open();
    const kinds = screen.getByRole("radiogroup", { name: "Kind of piece" });
    expect(within(kinds).getAllByRole("radio")).toHaveLength(6);
    await userEvent.click(screen.getByRole("button", { name: /more kinds$/ }));
    expect(within(kinds).getAllByRole("radio").length).toBeGreaterThan(12);
  });
  it("another like a piece has its answers and its way from the start, and a mark of its own", () => {
    const state = standingAt(HAY_KNIFE, route);
    show(<NewPiecePage />, { pieces: [state], at: ["/new", `/new?like=${state.id}`] });
    expect(screen.getByRole("button", { name: new RegExp(`^Measures ?${HAY_KNIFE.length_mm} mm long`) })).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>("Mark that survives the fire").value).not.toBe(HAY_KNIFE.mark);
    expect(screen.queryByRole("button", { name: /^As the last one/ })).toBeNull();
  });
  it("tried without steel it opens in the simulated shop; a shop with a kiln opens on it", () => {
    show(<NewPiecePage />, { at: ["/new", "/new?practice"] });
    expect(screen.getByRole("button", { name: /^How and where.*in the simulated shop/ })).toBeTruthy();
    cleanup();
    const kiln = PRESETS.find(({ id }) => id === "kiln")!.items.map((item, i) => ({ ...item, id: `k${i}` })) as Kit;
    show(<NewPiecePage />, { kit: kiln, at: ["/new", "/new"] });
    expect(screen.getByRole("button", { name: /^How and where ?Kiln/ })).toBeTruthy();
  });
  it("takes the answers of the last one, but for its mark: steel, measures, and what is to be hard", async () => {
    open();
    await userEvent.click(screen.getByRole("button", { name: /^As the last one: hay knife/ }));
    expect(screen.getByRole("button", { name: new RegExp(`^Steel and use ?${CATALOGUE.steel(HAY_KNIFE.steel)!.name}`) })).toBeTruthy();
    expect(screen.getByRole("button", { name: new RegExp(`^Measures ?${HAY_KNIFE.length_mm} mm long`) })).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>("Mark that survives the fire").value).not.toBe(HAY_KNIFE.mark);
    await userEvent.click(screen.getByRole("button", { name: /^How and where/ }));
    expect(screen.getByRole<HTMLInputElement>("radio", { name: /^Edge only/ }).checked).toBe(true);
  });
  it("in an empty shop there is no last one", () => {
    open([]);
    expect(screen.queryByRole("button", { name: /^As the last one/ })).toBeNull();
  });
  it("a measure tapped in the drawing leads to its field", async () => {
    open();
    await userEvent.click(screen.getByRole("button", { name: /^Measures/ }));
    await userEvent.click(screen.getByRole("button", { name: "Change its length" }));
    expect(document.activeElement).toBe(screen.getByLabelText(/^Length over all/));
  });
});
