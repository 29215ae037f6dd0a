import { afterEach, describe, expect, it, jest } from "@jest/globals";
import { cleanup, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { CATALOGUE, edgeDepth_mm, intoOf, keepsHeat, planRoute, type Route, type Step } from "@tembrak/core";
import { immersed } from "./StepFields.js";
import { StepsDialog } from "./StepsDialog.js";
import { BILLHOOK, marked, show, standingAt } from "../../../testing.js";

const route = planRoute(CATALOGUE, BILLHOOK, "forge");
const kinds = (of: Route): string => of.steps.map(({ kind }) => kind).join(" ");

afterEach(cleanup);

function open({ done = 0, stores = true, of = route }: { done?: number; stores?: boolean; of?: Route } = {}) {
  const onClose = jest.fn();
  const state = standingAt(BILLHOOK, of, { done });
  const shown = show(<StepsDialog isOpen onClose={onClose} state={state} route={of} kit={null} magnet_C={748} />, { stores });
  const press = (name: string | RegExp) => userEvent.click(screen.getByRole("button", { name }));
  const kept = (): Route => {
    const event = shown.written[0]!.events[0]!;
    if (event.kind !== "route") throw new Error(`not a route but ${event.kind}`);
    return event.route;
  };
  return { ...shown, onClose, press, kept };
}

describe("the steps of a route", () => {
  it("nothing is written for steps nobody changed", () => {
    open();
    expect(screen.getByRole("button", { name: "Keep these steps" }).hasAttribute("disabled")).toBe(true);
  });
  it("one more temper is as the last one, and comes last", async () => {
    const { press, kept, onClose } = open();
    await press("One more temper");
    await press("Keep these steps");
    const tempers = kept().steps.filter(({ kind }) => kind === "temper");
    expect(tempers).toHaveLength(route.steps.filter(({ kind }) => kind === "temper").length + 1);
    expect(tempers.at(-1)).toEqual(tempers.at(-2));
    expect(kept().steps.at(-1)!.kind).toBe("temper");
    expect(onClose).toHaveBeenCalled();
  });
  it("an anneal and one more normalising heat come before the hardening", async () => {
    const { press, kept } = open();
    await press("An anneal");
    await press("One more normalising heat");
    await press("Keep these steps");
    const order = kinds(kept());
    expect(order).toContain("anneal normalise harden");
    expect(order.indexOf("anneal")).toBeLessThan(order.indexOf("harden"));
  });
  it("a heat by the smith's own word is the kind that word means", async () => {
    const { press, kept } = open();
    await userEvent.click(screen.getByLabelText(/Or by its name/));
    await userEvent.paste("spheroidise");
    await press("Add it");
    await press("Keep these steps");
    expect(kinds(kept())).toContain("anneal");
  });
  it("a word that is no heat offers no key and says which are", async () => {
    open();
    await userEvent.click(screen.getByLabelText(/Or by its name/));
    await userEvent.paste("bake");
    expect(screen.getByText(/Not one of/)).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Add it" })).toBeNull();
  });
  it("a hardening without its quench is not kept, and why is said", async () => {
    const { press } = open();
    await press(/^Leave out: \d+, Into the/);
    expect(screen.getByRole("alert").textContent).not.toBe("");
    expect(screen.getByRole("button", { name: "Keep these steps" }).hasAttribute("disabled")).toBe(true);
  });
  it("what is done has neither a grip nor a key to leave it out, and says so", () => {
    open({ done: 2 });
    const [first, second] = screen.getAllByRole("listitem").filter((li) => li.querySelector(".step-name"));
    expect(within(first!).getByText(/^done/)).toBeTruthy();
    expect(within(first!).queryByRole("button", { name: /^(Move|Leave out)/ })).toBeNull();
    expect(within(second!).getAllByRole("button", { name: /^(Move|Leave out)/ })).toHaveLength(2);
  });
  it("a step left out takes its unreadable field with it", async () => {
    const { press } = open();
    const tempers = screen.getAllByRole("listitem").filter((li) => within(li).queryByText("Temper"));
    const heat = within(tempers.at(-1)!).getByLabelText(/^Heat/);
    await userEvent.clear(heat);
    await userEvent.click(heat);
    await userEvent.paste("9000");
    await userEvent.tab();
    expect(screen.getByRole("button", { name: "Keep these steps" }).hasAttribute("disabled")).toBe(true);
    const last = screen.getAllByRole("button", { name: /^Leave out: \d+, Temper/ }).at(-1)!;
    await userEvent.click(last);
    await press("Keep these steps");
  });
  it("what the browser refuses to store stays on the screen", async () => {
    const { press, onClose, written } = open({ stores: false });
    await press("One more temper");
    await press("Keep these steps");
    expect(onClose).not.toHaveBeenCalled();
    expect(written).toEqual([]);
    expect(screen.getByRole("button", { name: "Keep these steps" }).hasAttribute("disabled")).toBe(false);
  });
});

describe("how much of it goes under", () => {
  const quench = route.steps.find((step): step is Extract<Step, { kind: "quench" }> => step.kind === "quench")!;
  it("the edge alone has a depth that suits the blade; whole has none; the rest of the bath stays", () => {
    const edge = immersed(marked(quench, { leavesHeat: true }), "edge", 62);
    expect([intoOf(edge), keepsHeat(edge)]).toEqual([intoOf(quench), true]);
    expect(edgeDepth_mm(edge)).toBeGreaterThan(0);
    expect(edgeDepth_mm(edge)).toBeLessThan(62);
    expect(edgeDepth_mm(immersed(edge, "whole", 62))).toBeUndefined();
  });
  it("a depth that was said already is kept", () => {
    expect(edgeDepth_mm(immersed(marked(quench, { edgeDepth_mm: 17 }), "edge", 62))).toBe(17);
  });
});
