import { afterEach, beforeEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { CATALOGUE, planRoute } from "@tembrak/core";
import { shopClock, shopNow } from "../store/shopClock.js";
import { HAY_KNIFE, show, standingAt } from "../testing.js";
import { ClockNotice } from "./ClockNotice.js";

const route = planRoute(CATALOGUE, HAY_KNIFE, "forge");
const HOURS_ms = 2 * 3_600_000;

/** A piece whose last entry lies two hours ahead of this machine. */
function aheadOfNow() {
  const at = standingAt(HAY_KNIFE, route, { done: 1 });
  const last = at.events.at(-1)!;
  const event = { ...last, at_ms: shopNow() + HOURS_ms };
  return { ...at, events: [...at.events.slice(0, -1), event] };
}

/** Whatever other tests did to the clock is looked at, and forgotten. */
function steady(): void {
  shopNow();
  shopClock.forget();
}
beforeEach(steady);
afterEach(() => {
  cleanup();
  steady();
});

describe("an entry ahead of the clock", () => {
  it("is shown with its piece and can be taken back", async () => {
    const state = aheadOfNow();
    const { written } = show(<ClockNotice />, { pieces: [state] });
    expect((await screen.findByRole("alert")).textContent).toMatch(/lies 2 h ahead of this machine's clock: Hay knife, /);
    await userEvent.click(screen.getByRole("button", { name: "The entry is wrong: take it back" }));
    expect(written).toEqual([{ piece: state.id, events: [{ kind: "withdrawn", event: state.events.at(-1)!.id }] }]);
    expect(shopClock.shift).toBe(0);
  });
  it("what one goes on from it by is said as long as it holds, and can be taken back", async () => {
    show(<ClockNotice />, { pieces: [aheadOfNow()] });
    await userEvent.click(await screen.findByRole("button", { name: /go on from the entry/ }));
    expect(shopClock.shift).toBeGreaterThan(HOURS_ms - 5000);
    expect((await screen.findByRole("status")).textContent).toMatch(/Times here run 2 h ahead of this machine's clock/);
    await userEvent.click(screen.getByRole("button", { name: "Take that back" }));
    expect(shopClock.shift).toBe(0);
  });
  it("a correction whose entry was taken back goes by itself", () => {
    shopClock.resume(HOURS_ms);
    show(<ClockNotice />, { pieces: [standingAt(HAY_KNIFE, route)], settings: { clockShift_ms: HOURS_ms, clockShiftEntry: "gone" } });
    expect(shopClock.shift).toBe(0);
  });
});
