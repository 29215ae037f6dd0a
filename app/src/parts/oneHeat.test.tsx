/** One piece, one heat: what the bench shows in figures the rack shows under its name and paints, and the record draws. */

import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, screen } from "@testing-library/react";
import { actsOfRoute, CATALOGUE, planRoute, type Check, type Piece, type PieceState } from "@tembrak/core";
import { HeatAct } from "../features/bench/parts/HeatAct.js";
import type { Bench } from "../features/bench/useBench.js";
import { RackTall } from "../features/rack/parts/RackTall.js";
import { show, standingAt, START_ms } from "../testing.js";
import { usePaint } from "./usePaint.js";

const froe: Piece = {
  name: "Froe",
  mark: "4",
  kind: "froe",
  form: "froe",
  steel: "5160",
  start: "as-forged",
  use: "froe",
  length_mm: 314,
  section: { shape: "wedge", spine_mm: 8.5, edge_mm: 1.5, height_mm: 60 },
};
const route = planRoute(CATALOGUE, froe, "forge");
const at = actsOfRoute(route).findIndex((act) => act.kind === "heat" && act.purpose === "harden");
const STILL: Bench = {
  trouble: null,
  isStoring: false,
  unstored: 0,
  done: () => undefined,
  check: () => undefined,
  replan: () => undefined,
  undo: () => undefined,
  at: () => undefined,
  retry: () => undefined,
  backInFire: () => undefined,
  rescue: () => undefined,
};

const LOGS: Readonly<Record<string, readonly (readonly [number, Check])[]>> = {
  "a probe alone": [[0, { check: "probe", temperature_C: 742 }]],
  "a probe and a colour that says more": [
    [0, { check: "probe", temperature_C: 742 }],
    [2, { check: "glow", name: "bright cherry", ambient_lux: 20 }],
  ],
  "a colour, then a magnet": [
    [0, { check: "glow", name: "full cherry", ambient_lux: 20 }],
    [3, { check: "magnet", state: "free" }],
  ],
  "a gun on bright steel and a stick": [
    [0, { check: "infrared", temperature_C: 690, emissivity: 0.9, surface: "bright" }],
    [1, { check: "stick", rated_C: 760, hasMelted: true }],
  ],
};

afterEach(cleanup);

function Painted({ state }: { state: PieceState }) {
  const { now_C } = usePaint(state, START_ms + 4000);
  return <output>{now_C === null ? "none" : Math.round(now_C)}</output>;
}

describe.each(Object.keys(LOGS))("%s", (name) => {
  const state = standingAt(froe, route, { done: at, checks: LOGS[name]! });
  const act = state.next!;
  if (act.kind !== "heat") throw new Error("not a heat");
  const numeral = (): string => {
    show(<HeatAct state={state} act={act} bench={STILL} now_ms={START_ms + 4000} />, { pieces: [state] });
    const text = screen.getByTestId("numeral").textContent;
    cleanup();
    return text;
  };
  it("the paint is of the temperature the bench shows", () => {
    const shown = numeral();
    show(<Painted state={state} />, { pieces: [state] });
    expect(screen.getByRole("status").textContent).toBe(shown);
  });
  it("the line under its name on the rack has the same number, or calls it what the bench does", () => {
    const shown = Number(numeral());
    show(<RackTall pieces={[state]} first="p" now_ms={START_ms + 4000} />, { pieces: [state] });
    const line = screen.getByRole("link", { name: /Froe/ }).textContent;
    if (act.target_C - shown > 5) expect(line).toContain(`${shown}°`);
    else if (shown - act.target_C > 25) expect(line).toMatch(/past|Too hot|About there/);
    else expect(line).toMatch(/At heat|About there/);
  });
  it("in Fahrenheit it is the same heat", () => {
    const shown = Number(numeral());
    show(<HeatAct state={state} act={act} bench={STILL} now_ms={START_ms + 4000} />, { settings: { temperature: "F" }, pieces: [state] });
    expect(Math.abs(Number(screen.getByTestId("numeral").textContent) - (shown * 1.8 + 32))).toBeLessThan(1.1);
  });
});

describe("a practice piece", () => {
  it("is painted by its own clock: a day later on the wall its last reading is still what it shows", () => {
    const practice = standingAt({ ...froe, isPractice: true }, route, { done: at, checks: LOGS["a probe alone"]! });
    function Later() {
      const { now_C } = usePaint(practice, START_ms + 9e7);
      return <output>{now_C === null ? "none" : "read"}</output>;
    }
    show(<Later />, { pieces: [practice] });
    expect(screen.getByRole("status").textContent).toBe("read");
  });
});

describe("nobody looked yet", () => {
  const state = standingAt(froe, route, { done: at });
  it("the bench shows what is wanted, and the rack no number of its own", () => {
    const act = state.next!;
    if (act.kind !== "heat") throw new Error("not a heat");
    show(<HeatAct state={state} act={act} bench={STILL} now_ms={START_ms} />, { pieces: [state] });
    expect(screen.getByTestId("numeral").textContent).toBe(String(act.target_C));
    expect(screen.getByText("wanted")).toBeTruthy();
    cleanup();
    show(<Painted state={state} />, { pieces: [state] });
    expect(screen.getByRole("status").textContent).toBe("none");
  });
});
