import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { piecesOf, type Act, type Check, type PieceState, type Route } from "@tembrak/core";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { MemoryRouter } from "react-router";
import { demoEvents } from "../../../store/demoBook.js";
import type { Bench } from "../useBench.js";
import { HeatAct } from "./HeatAct.js";
import { TimerAct } from "./TimerAct.js";

const NOW_ms = Date.UTC(2026, 10, 25, 12);
const pieces = piecesOf(demoEvents(NOW_ms));
const named = (name: string): PieceState => pieces.find(({ piece }) => piece.name === name)!;
type Of<K extends Act["kind"]> = Extract<Act, { kind: K }>;

afterEach(cleanup);

function hand(): Bench & { readonly checks: Check[]; readonly routes: Route[]; presses: number } {
  const bench = {
    trouble: null,
    isStoring: false,
    presses: 0,
    checks: [] as Check[],
    routes: [] as Route[],
    done: () => void bench.presses++,
    check: (c: Check) => void bench.checks.push(c),
    replan: (route: Route) => void bench.routes.push(route),
    undo: () => undefined,
    unstored: 0,
    at: () => undefined,
    retry: () => undefined,
    backInFire: () => undefined,
    rescue: () => undefined,
  };
  return bench;
}

function show(screenOf: React.ReactNode) {
  return render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>{screenOf}</MemoryRouter>
    </QueryClientProvider>,
  );
}

describe("a timer at the bench", () => {
  const state = named("Drawknife");
  const act = state.next as Of<"temper">;
  const at = (after_s: number) => show(<TimerAct state={state} act={act} bench={hand()} now_ms={state.nextSince_ms! + after_s * 1000} />);
  it("counts from the stored start and the clock on the wall, whatever happened in between", () => {
    at(600);
    expect(screen.getByTestId("numeral").textContent).toBe("1:50:00");
    expect(screen.getByText("left")).toBeTruthy();
    expect(screen.getByText("1:50:00 too early")).toBeTruthy();
  });
  it("when it is over it says by how much, and the key asks no more", () => {
    at(7200 + 95);
    expect(screen.getByTestId("numeral").textContent).toBe("1:35");
    expect(screen.getByText("over. Go on now")).toBeTruthy();
    expect(screen.queryByText(/too early/)).toBeNull();
  });
  it("a clock that was set back shows no more than the whole time", () => {
    at(0);
    expect(screen.getByTestId("numeral").textContent).toBe("2:00:00");
  });
});

describe("bringing it to heat", () => {
  const state = named("Froe");
  const act = state.next as Of<"heat">;
  it("shows what colour and magnet say together with its range, and how far to go", () => {
    show(<HeatAct state={state} act={act} bench={hand()} now_ms={NOW_ms} />);
    // Half a minute ago it was a cherry: it has gone on rising since.
    const now = Number(screen.getByTestId("numeral").textContent);
    expect(now).toBeGreaterThan(785);
    expect(now).toBeLessThan(850);
    expect(screen.getByText(/^7\d\d and [89]\d\d$/)).toBeTruthy();
    expect(screen.getByText(/^from colour and magnet, just now · \d in 10 within 14°/)).toBeTruthy();
    expect(screen.getByText(/^\d+° to go$/)).toBeTruthy();
  });
  it("without a reading it shows what is wanted and asks for a check", () => {
    show(<HeatAct state={{ ...state, checks: [] }} act={act} bench={hand()} now_ms={NOW_ms} />);
    expect(screen.getByTestId("numeral").textContent).toBe("815");
    expect(screen.getByText("Check it: magnet, colour or probe")).toBeTruthy();
  });
  it("one tap a magnet check, with its own key pressed in", async () => {
    const bench = hand();
    show(<HeatAct state={state} act={act} bench={bench} now_ms={NOW_ms} />);
    await userEvent.click(screen.getByRole("button", { name: "Magnet sticks" }));
    expect(bench.checks).toEqual([{ check: "magnet", state: "sticks" }]);
    expect(screen.getByRole("button", { name: "Magnet lets go" }).getAttribute("aria-pressed")).toBe("true");
  });
  it("a probe reading above what was wanted tells to let it fall", () => {
    const hot = { id: "x", at_ms: NOW_ms, act: act.id, reading: { check: "probe", temperature_C: 855 } } as const;
    show(<HeatAct state={{ ...state, checks: [...state.checks, hot] }} act={act} bench={hand()} now_ms={NOW_ms} />);
    expect(screen.getByText(/^[34]\d° past\. Let it fall back$/)).toBeTruthy();
  });
  it("far too hot for sure: the grain, and one more normalising heat is offered, before the hardening", async () => {
    const hot = [905, 902].map((temperature_C, i) => ({
      id: `x${i}`,
      at_ms: NOW_ms,
      act: act.id,
      reading: { check: "probe", temperature_C } as const,
    }));
    const bench = hand();
    show(<HeatAct state={{ ...state, checks: hot }} act={act} bench={bench} now_ms={NOW_ms} />);
    expect(screen.getByText(/^Too hot: \d\d° over, the grain grows$/)).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "Cool to black, normalise once more" }));
    const kinds = bench.routes[0]!.steps.map(({ kind }) => kind);
    expect(kinds).toHaveLength(state.route!.steps.length + 1);
    expect(kinds.slice(act.step, act.step + 2)).toEqual(["normalise", "harden"]);
  });
  it("a probe that does not fit the colour is said, and its number does not win", () => {
    const wrong = { id: "x", at_ms: NOW_ms, act: act.id, reading: { check: "probe", temperature_C: 1010 } } as const;
    const seen = { ...wrong, id: "y", reading: { check: "glow", name: "bright cherry", ambient_lux: 20 } } as const;
    show(<HeatAct state={{ ...state, checks: [...state.checks, seen, wrong] }} act={act} bench={hand()} now_ms={NOW_ms} />);
    expect(screen.getByText(/^The probe says hotter than the rest\. In the flame/)).toBeTruthy();
    expect(Number(screen.getByTestId("numeral").textContent)).toBeLessThan(880);
  });
  it("a colour that its light hides, from somebody's book, is left out and breaks nothing", () => {
    const hidden = { id: "x", at_ms: NOW_ms, act: act.id, reading: { check: "glow", name: "faint red", ambient_lux: 50000 } } as const;
    show(<HeatAct state={{ ...state, checks: [hidden] }} act={act} bench={hand()} now_ms={NOW_ms} />);
    expect(screen.getByText("Check it: magnet, colour or probe")).toBeTruthy();
  });
  it("letters log what the magnet says", async () => {
    const bench = hand();
    show(<HeatAct state={state} act={act} bench={bench} now_ms={NOW_ms} />);
    await userEvent.keyboard("swf");
    expect(bench.checks).toEqual(["sticks", "weak", "free"].map((value) => ({ check: "magnet", state: value })));
  });
  it("the space bar ends the act whatever was touched last, and repeats no reading; Enter presses what has the focus", async () => {
    const bench = hand();
    show(<HeatAct state={state} act={act} bench={bench} now_ms={NOW_ms} />);
    await userEvent.keyboard(" ");
    expect(bench.presses).toBe(1);
    await userEvent.click(screen.getByRole("button", { name: "Magnet weak" }));
    await userEvent.keyboard(" ");
    expect([bench.presses, bench.checks.length]).toEqual([2, 1]);
    await userEvent.keyboard("{Enter}");
    expect([bench.presses, bench.checks.length]).toEqual([2, 2]);
  });
  it("a dialog that was closed gives the focus to the act, and the switch does not open it again", async () => {
    const bench = hand();
    show(<HeatAct state={state} act={act} bench={bench} now_ms={NOW_ms} />);
    await userEvent.click(screen.getByRole("button", { name: /probe reads/ }));
    await userEvent.click(screen.getByRole("button", { name: "Not now" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(document.activeElement?.className).toContain("bench-act");
    await userEvent.keyboard(" ");
    expect(screen.queryByRole("dialog")).toBeNull();
    expect(bench.presses).toBe(1);
  });
});
