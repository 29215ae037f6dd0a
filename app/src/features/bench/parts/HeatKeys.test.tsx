import { afterEach, describe, expect, it } from "@jest/globals";
import { act as reactAct, cleanup, fireEvent, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { actsOfRoute, CATALOGUE, planRoute, type Check, type Piece, type PieceState, type Route, type School } from "@tembrak/core";
import { show, standingAt, START_ms } from "../../../testing.js";
import { TypedInstrument } from "../../../instruments/instrument.js";
import { Instruments, InstrumentsContext } from "../../../instruments/registry.js";
import type { Bench } from "../useBench.js";
import { HeatAct } from "./HeatAct.js";

const knife: Piece = {
  name: "Hay knife",
  mark: "3",
  kind: "knife",
  form: "hay-knife",
  steel: "1084",
  start: "as-forged",
  use: "sickle",
  length_mm: 380,
  section: { shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 60 },
};

afterEach(cleanup);

interface Hand extends Bench {
  readonly checks: Check[];
  readonly routes: Route[];
  presses: number;
}

function hand(isStoring = false): Hand {
  const bench: Hand = {
    trouble: null,
    isStoring,
    unstored: 0,
    presses: 0,
    checks: [],
    routes: [],
    done: () => void bench.presses++,
    check: (reading) => void bench.checks.push(reading),
    replan: (route) => void bench.routes.push(route),
    undo: () => undefined,
    at: () => undefined,
    retry: () => undefined,
    backInFire: () => undefined,
    rescue: () => undefined,
  };
  return bench;
}

type Log = readonly (readonly [number, Check])[];

function heatOf(school: School, checks: Log = [], id = "p"): PieceState {
  const route = planRoute(CATALOGUE, knife, school);
  const done = actsOfRoute(route).findIndex((act) => act.kind === "heat" && act.purpose === "harden");
  return standingAt(knife, route, { done, checks, id });
}

function atFire(state: PieceState, bench: Hand, now_s: number, others: readonly PieceState[] = []) {
  const act = state.next!;
  if (act.kind !== "heat") throw new Error("not a heat");
  return show(<HeatAct state={state} act={act} bench={bench} now_ms={START_ms + 1000 * now_s} />, { pieces: [state, ...others] });
}
const key = (name: RegExp | string): Promise<void> => userEvent.click(screen.getByRole("button", { name }));

describe("one tap a check", () => {
  it("the magnet's three keys, and the same by letter", async () => {
    const bench = hand();
    atFire(heatOf("forge"), bench, 1);
    await key("Magnet sticks");
    await key("Magnet weak");
    await key("Magnet lets go");
    for (const letter of ["s", "w", "f"]) fireEvent.keyDown(document.body, { key: letter });
    const states = ["sticks", "weak", "free"].map((state) => ({ check: "magnet", state }));
    expect(bench.checks).toEqual([...states, ...states]);
  });
  it("a tap that is still being stored takes no second one, by key or by letter", () => {
    const bench = hand(true);
    atFire(heatOf("forge"), bench, 1);
    expect(screen.getByRole<HTMLButtonElement>("button", { name: "Magnet sticks" }).disabled).toBe(true);
    for (const letter of ["s", "w", "f", "o", " "]) fireEvent.keyDown(document.body, { key: letter });
    expect(bench.checks).toEqual([]);
    expect(bench.presses).toBe(0);
  });
  it("in and out of the fire by one key, named for what it will do", async () => {
    const bench = hand();
    atFire(heatOf("forge"), bench, 1);
    await key("it is in the fire");
    cleanup();
    atFire(heatOf("forge", [[0, { check: "fire", state: "in" }]]), bench, 20);
    await key("out of the fire");
    expect(bench.checks).toEqual([
      { check: "fire", state: "in" },
      { check: "fire", state: "out" },
    ]);
  });
  it("what it looks like is picked by name and logged with the light it was seen in", async () => {
    const bench = hand();
    atFire(heatOf("forge"), bench, 1);
    await key(/it looks/);
    await key(/^bright red/);
    expect(bench.checks).toEqual([{ check: "glow", name: "bright red", ambient_lux: 20 }]);
  });
  it("it is the last touch that is pressed in, not the first", () => {
    const log: Log = [
      [0, { check: "magnet", state: "sticks" }],
      [9, { check: "magnet", state: "weak" }],
    ];
    atFire(heatOf("forge", log), hand(), 10);
    const pressed = ["sticks", "weak", "lets go"].map((w) =>
      screen.getByRole("button", { name: `Magnet ${w}` }).getAttribute("aria-pressed"),
    );
    expect(pressed).toEqual(["false", "true", "false"]);
  });
});

describe("what keeps it from the bath", () => {
  it("a bath off its plan is asked about once before the fire, and the answer is kept", async () => {
    const cold: Log = [[0, { check: "bath-heat", temperature_C: 24 }]];
    const bench = hand();
    atFire(heatOf("forge", cold), bench, 10);
    await key("it is in the fire");
    expect(bench.checks).toEqual([]);
    expect(screen.getByRole("dialog").textContent).toMatch(/^Bath at 24°, 31° under its plan: warm it before this goes in/);
    await key(/Into the fire all the same/);
    const kept = { check: "bath-as-is", temperature_C: 24 } as const;
    expect(bench.checks).toEqual([kept, { check: "fire", state: "in" }]);
    cleanup();
    const again = hand();
    atFire(heatOf("forge", [...cold, [5, kept]]), again, 10);
    await key("it is in the fire");
    expect(again.checks).toEqual([{ check: "fire", state: "in" }]);
  });
  it("uneven shuts the key, with the reason on it; a later even look opens it", () => {
    const uneven: Log = [[0, { check: "even", behind: ["spine"], ahead: [] }]];
    atFire(heatOf("forge", uneven), hand(), 1);
    const shut = screen.getByRole<HTMLButtonElement>("button", { name: /Uneven: let it even out/ });
    expect(shut.disabled).toBe(true);
    cleanup();
    atFire(heatOf("forge", [...uneven, [30, { check: "even", behind: [], ahead: [] }]]), hand(), 31);
    expect(screen.queryByText(/Uneven/)).toBeNull();
    expect(screen.getByText("even")).toBeTruthy();
  });
  it("too hot offers one more normalising heat before this one, and keeps all else of the route", async () => {
    const bench = hand();
    const state = heatOf("forge", [
      [0, { check: "probe", temperature_C: 930 }],
      [1, { check: "glow", name: "orange", ambient_lux: 20 }],
    ]);
    atFire(state, bench, 2);
    expect(screen.getByText(/^Too hot: \d+° over, the grain grows/)).toBeTruthy();
    await key(/normalise once more/);
    const [route] = bench.routes;
    const at = state.next!.step;
    expect(route!.steps[at]).toMatchObject({ kind: "normalise", coolTo: "hand-warm", why: "was-too-hot" });
    expect([...route!.steps.slice(0, at), ...route!.steps.slice(at + 1)]).toEqual(state.route!.steps);
    expect(route!.heating).toEqual({ in: "forge", by: "shade" });
  });
});

describe("before it is in", () => {
  it("the order of heating is said until somebody says that it is in", () => {
    atFire(heatOf("forge"), hand(), 1);
    expect(screen.getByText(/Tang and spine first/)).toBeTruthy();
    cleanup();
    atFire(heatOf("forge", [[0, { check: "fire", state: "in" }]]), hand(), 5);
    expect(screen.queryByText(/Tang and spine first/)).toBeNull();
    expect(screen.getByText(/0:05 in the fire/)).toBeTruthy();
  });
  it("seconds out of the fire count by themselves, and from five on they call it back", () => {
    const log: Log = [
      [0, { check: "fire", state: "in" }],
      [40, { check: "fire", state: "out" }],
    ];
    atFire(heatOf("forge", log), hand(), 43);
    expect(screen.getByText("3 s out of the fire")).toBeTruthy();
    cleanup();
    atFire(heatOf("forge", log), hand(), 47);
    expect(screen.getByText("Back in: 7 s out of the fire").className).toContain("conflict");
  });
});

describe("a kiln is shared", () => {
  it("putting one in opens the door over the others: it is logged to them, before its own", async () => {
    const bench = hand();
    const other = heatOf("kiln", [[0, { check: "fire", state: "in" }]], "q");
    const { written } = atFire(heatOf("kiln"), bench, 60, [other]);
    await key("it is in the kiln");
    expect(written).toEqual([{ piece: "q", events: [{ kind: "check", act: other.next!.id, reading: { check: "door", state: "open" } }] }]);
    expect(bench.checks).toEqual([{ check: "fire", state: "in" }]);
  });
  it("a forge has no door, and a practice piece none in the real kiln", async () => {
    const other = heatOf("kiln", [[0, { check: "fire", state: "in" }]], "q");
    const forge = atFire(heatOf("forge"), hand(), 60, [other]);
    await key("it is in the fire");
    expect(forge.written).toEqual([]);
    cleanup();
    const practice = { ...other, piece: { ...other.piece, isPractice: true } };
    const kiln = atFire(heatOf("kiln"), hand(), 60, [practice]);
    await key("it is in the kiln");
    expect(kiln.written).toEqual([]);
  });
});

describe("a live instrument at the fire, whichever it is", () => {
  it("offers what it reads, and one tap logs it", async () => {
    const [state, bench, all, probe] = [heatOf("forge"), hand(), new Instruments(), new TypedInstrument()];
    const act = state.next!;
    if (act.kind !== "heat") throw new Error("not a heat");
    all.add(probe);
    show(
      <InstrumentsContext value={all}>
        <HeatAct state={state} act={act} bench={bench} now_ms={START_ms + 1000} />
      </InstrumentsContext>,
      { pieces: [state] },
    );
    expect(screen.getByText("probe reads…")).toBeTruthy();
    reactAct(() => probe.put({ at_ms: START_ms, of: "piece", temperature_C: 803 }));
    await userEvent.click(screen.getByRole("button", { name: /803.*probe: log it/ }));
    expect(bench.checks).toEqual([{ check: "probe", temperature_C: 803 }]);
  });
});
