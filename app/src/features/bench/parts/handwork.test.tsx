import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { actsOfRoute, CATALOGUE, planRoute, PRESETS, type Act, type Check, type Kit, type PieceState } from "@tembrak/core";
import { BILLHOOK, HAY_KNIFE, show, standingAt, START_ms } from "../../../testing.js";
import type { Bench } from "../useBench.js";
import { CoolAct } from "./CoolAct.js";
import { FateScreen } from "./FateKey.js";
import { MarkAsk } from "./MarkAsk.js";
import { OvenRead } from "./OvenRead.js";
import { ProofSheet } from "./ProofSheet.js";
import { Tank } from "./Tank.js";

const ROUTE = planRoute(CATALOGUE, HAY_KNIFE, "forge");
const ACTS = actsOfRoute(ROUTE);
const doneBefore = (kind: Act["kind"]): number => ACTS.findIndex((act) => act.kind === kind);

afterEach(cleanup);

function hand(): Bench & { readonly checks: Check[] } {
  const checks: Check[] = [];
  const nothing = (): void => undefined;
  return {
    trouble: null,
    isStoring: false,
    unstored: 0,
    checks,
    done: nothing,
    check: (reading: Check) => void checks.push(reading),
    replan: nothing,
    undo: nothing,
    at: nothing,
    retry: nothing,
    backInFire: () => undefined,
    rescue: nothing,
  };
}

const press = (name: RegExp) => userEvent.click(screen.getByRole("button", { name }));

describe("the grain of a break at the bench", () => {
  it("a coupon is one of five drawings, and the one that was tapped stays marked", async () => {
    const bench = hand();
    const drawn = show(<ProofSheet state={standingAt(HAY_KNIFE, ROUTE, { done: doneBefore("prove") })} bench={bench} />);
    await press(/^Prove it in use/);
    expect(screen.getByText("Break a coupon")).toBeTruthy();
    await press(/^Flour/);
    expect(bench.checks).toEqual([{ check: "grain", of: "coupon", look: 4 }]);
    drawn.unmount();
    const seen = standingAt(HAY_KNIFE, ROUTE, { done: doneBefore("prove"), checks: [[5, { check: "grain", of: "coupon", look: 2 }]] });
    show(<ProofSheet state={seen} bench={hand()} />);
    await press(/^Prove it in use/);
    expect(screen.getByRole("button", { name: /^Sugar/ }).getAttribute("aria-pressed")).toBe("true");
    expect(screen.getByRole("button", { name: /^Coarse sugar/ }).getAttribute("aria-pressed")).toBe("false");
    expect(screen.getByText(/Its break looks like sugar, grain about 6/)).toBeTruthy();
  });
  it("what broke or cracked is looked at there and then; what was lost is not", async () => {
    const state = standingAt(HAY_KNIFE, ROUTE, { done: doneBefore("oven") });
    const { written, unmount } = show(<FateScreen state={state} fate={{ is: "broken", event: "f", at_ms: 1 }} />);
    await press(/^Coarse sugar/);
    expect(written).toEqual([
      { piece: "p", events: [expect.objectContaining({ kind: "check", reading: { check: "grain", of: "piece", look: 1 } })] },
    ]);
    unmount();
    show(<FateScreen state={state} fate={{ is: "lost", event: "f", at_ms: 1 }} />);
    expect(screen.queryByRole("button", { name: /^Coarse sugar/ })).toBeNull();
  });
});

describe("which one is in the hand", () => {
  it("is asked with the notches of each; its own logs that it was read, another's leads to its bench", async () => {
    const own = standingAt(HAY_KNIFE, ROUTE, { done: doneBefore("oven") });
    const other = standingAt(BILLHOOK, planRoute(CATALOGUE, BILLHOOK, "forge"), { done: 8, id: "other" });
    const bench = hand();
    show(<MarkAsk state={own} bench={bench} others={[other]} />);
    expect(screen.getByText("2 lie there hard. Which one is in your hand?")).toBeTruthy();
    await press(/4.*Hay knife: it is this one/);
    expect(bench.checks).toEqual([{ check: "mark" }]);
    expect(screen.getByRole("link", { name: /7.*Billhook: to its bench/ }).getAttribute("href")).toBe("/piece/other/bench");
  });
});

describe("a thermometer in the oven", () => {
  const kiln = PRESETS.find(({ id }) => id === "kiln")!.items.map((item, i) => ({ ...item, id: `k${i}` })) as Kit;
  const reads = (...values: readonly (readonly [min: number, C: number])[]): PieceState =>
    standingAt(HAY_KNIFE, ROUTE, {
      done: doneBefore("oven"),
      checks: values.map(([min, temperature_C]) => [60 * min, { check: "chamber", temperature_C }] as const),
    });
  const open = (state: PieceState, kit: Kit | null) =>
    show(<OvenRead state={state} act={state.next as Extract<Act, { kind: "oven" }>} bench={hand()} />, { kit });

  it("of a kiln that is all there is, says when it has fallen, and that hard steel should not wait so long", () => {
    open(
      reads([0, 780]),
      kiln.filter(({ kind }) => kind !== "oven"),
    );
    expect(
      screen.getByText(/^Power off, door shut: down to \d+° in about \d h.*as kilns usually fall.*should not lie hard so long/),
    ).toBeTruthy();
  });
  it("near its temper it is an oven like any other", () => {
    open(
      reads([0, 205]),
      kiln.filter(({ kind }) => kind !== "oven"),
    );
    expect(screen.queryByText(/Power off/)).toBeNull();
  });
  it("of an oven says what it reads, and from three readings where it comes to rest", () => {
    const one = open(reads([0, 150]), null);
    expect(screen.getByText(/^The thermometer says 150/)).toBeTruthy();
    one.unmount();
    open(reads([0, 120], [5, 168], [10, 191]), null);
    expect(screen.getByText(/By these readings it will be steady at 2\d\d°/)).toBeTruthy();
  });
  it("so far too hot shuts the key until it is read again", () => {
    const key = (state: PieceState): HTMLButtonElement => {
      cleanup();
      const act = state.next as Extract<Act, { kind: "oven" }>;
      show(<CoolAct state={state} act={act} bench={hand()} now_ms={START_ms + 9e5} />);
      return screen.getByRole("button", { name: /^It is in the oven/ });
    };
    const hot = key(reads([0, 780]));
    expect(hot.disabled).toBe(true);
    expect(hot.textContent).toMatch(/it read 780°: that draws it soft\. Read it again/);
    expect(key(reads([0, 780], [200, 195])).disabled).toBe(false);
    expect(key(reads()).disabled).toBe(false);
  });
  it("names itself and its dial, and says nothing more before anybody read it", () => {
    const { container } = open(reads(), kiln);
    expect([...container.querySelectorAll(".from")].map((line) => line.textContent)).toEqual([expect.stringMatching(/^.+: dial to \d+°$/)]);
  });
});

describe("the tank", () => {
  const state = standingAt(HAY_KNIFE, ROUTE, { done: doneBefore("quench") });
  const words = (boiling: Parameters<typeof Tank>[0]["boiling"], where: Parameters<typeof Tank>[0]["where"] = "under"): string => {
    cleanup();
    const { container } = show(
      <Tank state={state} where={where} medium="fast oil" bath="55 °C" under={{ what: "whole" }} boiling={boiling} />,
    );
    return [...container.querySelectorAll("text")].map(({ textContent }) => textContent).join(" | ");
  };
  it("says what the bath does on the steel, in its order", () => {
    expect(words({ jacket: 0.8, isBoiling: true })).toMatch(/vapour on it: keep it moving/);
    expect(words({ jacket: 0.1, isBoiling: true })).toMatch(/boiling off it/);
    expect(words({ jacket: 0, isBoiling: false })).toMatch(/quiet now/);
    expect(words(null)).not.toMatch(/vapour|boiling|quiet/);
  });
  it("has no moves to show for what is out of it", () => {
    expect(words(null)).toMatch(/sideways/);
    expect(words(null, "out")).not.toMatch(/sideways/);
  });
});
