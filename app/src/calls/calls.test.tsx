/** @jest-environment jsdom */

import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import { act, cleanup, fireEvent, screen, within } from "@testing-library/react";
import { CATALOGUE, planRoute, type PieceState } from "@tembrak/core";
import { shopClock, shopNow } from "../store/shopClock.js";
import { startBeat, stopBeat } from "../store/beat.js";
import { BILLHOOK, HAY_KNIFE, show, standingAt, START_ms } from "../testing.js";
import { CallBar } from "./CallBar.js";
import { hearAll, keepUnheard, type Call } from "./unheard.js";

const route = planRoute(CATALOGUE, HAY_KNIFE, "forge");
const temperAt = standingAt(HAY_KNIFE, route).acts.findIndex(({ kind }) => kind === "temper");
const hold_s = (() => {
  const temper = standingAt(HAY_KNIFE, route, { done: temperAt }).next;
  return temper?.kind === "temper" ? temper.hold_s : NaN;
})();

/** A temper that ends so many seconds from now. */
function endsIn(s: number, id: string): PieceState {
  const at = standingAt({ ...HAY_KNIFE, name: `Knife ${id}` }, route, { done: temperAt, id });
  return { ...at, nextSince_ms: shopNow() + 1000 * (s - hold_s) };
}

/** A browser's rule for a page that was hidden for minutes: its timers are looked at once a minute. */
const LOOK_ms = 60_000;
function throttle(): void {
  const every = window.setInterval.bind(window);
  jest
    .spyOn(window, "setInterval")
    .mockImplementation(((tell: () => void, ms: number) => every(tell, Math.max(ms, LOOK_ms))) as typeof window.setInterval);
}
/** What a worker does that a hidden page does not slow. */
function beater() {
  const every = window.setInterval.bind(window);
  const hear: (() => void)[] = [];
  let timer: number | undefined;
  return {
    postMessage: (isBeating: boolean) => {
      clearInterval(timer);
      if (isBeating) timer = every(() => hear.forEach((tell) => tell()), 1000);
    },
    addEventListener: (_: "message", tell: () => void) => void hear.push(tell),
  };
}
function hide(isHidden: boolean): void {
  Object.defineProperty(document, "visibilityState", { value: isHidden ? "hidden" : "visible", configurable: true });
  document.dispatchEvent(new Event("visibilitychange"));
}

const told: { title: string; body: string; at_ms: number }[] = [];
class Told {
  static readonly permission = "granted";
  constructor(title: string, { body }: { body: string }) {
    told.push({ title, body, at_ms: shopNow() });
  }
}

beforeEach(() => {
  jest.useFakeTimers({ now: START_ms });
  localStorage.clear();
  hearAll();
  told.length = 0;
  Object.assign(globalThis, { Notification: Told });
});
afterEach(() => {
  cleanup();
  stopBeat();
  hide(false);
  jest.restoreAllMocks();
  jest.useRealTimers();
  // The clock has seen the made-up time: it is not the next test's.
  shopNow();
  shopClock.forget();
});

/** Six tempers, each called a minute before its end and at it: twelve calls. */
const ENDS_s = Array.from({ length: 6 }, (_, i) => 580 * (i + 1) + 7);
const CALLS_s = ENDS_s.flatMap((end_s) => [end_s - 60, end_s]);
const texts = () =>
  within(screen.getByTestId("unheard"))
    .getAllByRole("listitem")
    .map(({ textContent }) => textContent);

describe("a page that is hidden for an hour", () => {
  it("twelve calls are all told, each within two seconds, and all stand there until heard", async () => {
    startBeat(beater());
    throttle();
    const pieces = ENDS_s.map((s, i) => endsIn(s, String(i + 1)));
    const began_ms = shopNow();
    show(<CallBar />, { pieces, settings: { cues: "flash", hasAskedToCall: true } });
    hide(true);
    // In small steps where something is due, in longer ones between.
    for (let s = 0; s < 3600;) {
      const step_s =
        CALLS_s.some((call_s) => call_s - s >= 0 && call_s - s <= 11) || CALLS_s.some((call_s) => s > call_s && s - call_s < 3) ? 1 : 10;
      await act(() => jest.advanceTimersByTimeAsync(1000 * step_s));
      s += step_s;
    }
    const calls = told.filter(({ body }) => body === "The temper is over." || body === "One minute left.");
    expect(calls.map(({ title, body }) => `${title} ${body}`)).toEqual(
      ENDS_s.flatMap((_, i) => [`Knife ${i + 1} One minute left.`, `Knife ${i + 1} The temper is over.`]),
    );
    const late_ms = calls.map(({ at_ms }, i) => at_ms - began_ms - 1000 * CALLS_s[i]!);
    expect(late_ms.filter((late) => late < 0 || late > 2000)).toEqual([]);
    hide(false);
    fireEvent.click(screen.getByRole("button", { name: /^and \d+ more$/ }));
    expect(texts()).toHaveLength(CALLS_s.length);
    fireEvent.click(screen.getByRole("button", { name: /^Heard/ }));
    expect(screen.queryByTestId("unheard")).toBeNull();
  }, 120_000);
  it("without a worker none is lost either: told late, and said so", async () => {
    throttle();
    show(<CallBar />, { pieces: [endsIn(70, "1"), endsIn(90, "2")], settings: { cues: "flash", hasAskedToCall: true } });
    hide(true);
    for (let s = 0; s < 130; s += 5) await act(() => jest.advanceTimersByTimeAsync(5000));
    expect(texts()).toHaveLength(2);
    expect(texts().join()).toMatch(/nobody could hear it: told/);
  });
});

describe("what nobody said Heard to", () => {
  it("two that are due at once are both told, and kept over a reload", async () => {
    const pieces = [endsIn(3, "1"), endsIn(3, "2")];
    const first = show(<CallBar />, { pieces, settings: { cues: "flash", hasAskedToCall: true } });
    await act(() => jest.advanceTimersByTimeAsync(5000));
    expect(texts()).toHaveLength(2);
    first.unmount();
    expect(JSON.parse(localStorage.getItem("tembrak-unheard")!)).toHaveLength(2);
    show(<CallBar />, { pieces: [], settings: { hasAskedToCall: true } });
    expect(texts().every((text) => text?.includes("done since"))).toBe(true);
  });
  it("the same call worked out anew is one", () => {
    const call = (at_ms: number): Call => ({
      id: "a",
      name: "A",
      cue: { at_ms, kind: "now", words: "The hold is over." },
      late_s: 0,
    });
    expect([keepUnheard([call(1000)]), keepUnheard([call(4000)]), keepUnheard([call(200_000)])].map(({ length }) => length)).toEqual([
      1, 0, 1,
    ]);
  });
});

describe("a practice piece nobody stands at", () => {
  it("is called by the clock of its shop, not by the wall's", async () => {
    const state = standingAt({ ...HAY_KNIFE, name: "Trial", isPractice: true }, route, { done: temperAt, id: "t" });
    const end_ms = state.nextSince_ms! + 1000 * hold_s;
    const reading = { speed: 10, forge_C: 20, kiln_C: 20, isDoorOpen: false, oven_C: 200, bath_C: 50, pieces: [] };
    let now_ms = end_ms - 15_000;
    const fetched = jest.fn<typeof fetch>(() => {
      now_ms += 10_000;
      return Promise.resolve({ ok: true, json: () => Promise.resolve({ ...reading, now_ms }) } as Response);
    });
    globalThis.fetch = fetched;
    show(<CallBar />, { pieces: [state], settings: { cues: "flash", hasAskedToCall: true } });
    await act(() => jest.advanceTimersByTimeAsync(500));
    expect(screen.queryByTestId("unheard")).toBeNull();
    await act(() => jest.advanceTimersByTimeAsync(4000));
    expect(texts().join()).toMatch(/Trial: The temper is over\./);
  });
});

describe("a locked phone", () => {
  it("is told once what it cannot do, with the end for its calendar", () => {
    show(<CallBar />, { pieces: [endsIn(hold_s - 60, "1")] });
    expect(screen.getByTestId("may-call").textContent).toMatch(/A locked phone may put this page to sleep/);
    expect(screen.getByRole("button", { name: "Its end for a calendar" })).toBeTruthy();
    cleanup();
    show(<CallBar />, { pieces: [endsIn(hold_s - 60, "1")], settings: { hasAskedToCall: true } });
    expect(screen.queryByTestId("may-call")).toBeNull();
  });
  it("a billhook that waits cold asks nothing", () => {
    show(<CallBar />, { pieces: [standingAt(BILLHOOK, planRoute(CATALOGUE, BILLHOOK, "forge"))] });
    expect(screen.queryByTestId("may-call")).toBeNull();
  });
});
