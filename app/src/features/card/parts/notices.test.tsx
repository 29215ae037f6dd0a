import { afterEach, beforeEach, expect, it } from "@jest/globals";
import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import {
  actsOfRoute,
  CATALOGUE,
  inOtherBath,
  intoOf,
  makeDesk,
  planRoute,
  predict,
  runJob,
  type Kit,
  type Piece,
  type Route,
} from "@tembrak/core";
import type { ToWorker } from "../../../compute/toWorker.js";
import { FROE, show, standingAt } from "../../../testing.js";
import { BathNotice } from "./BathNotice.js";
import { DipNotice } from "./DipNotice.js";

/** Computes where it stands. */
class HereWorker {
  onmessage: ((event: { data: unknown }) => void) | null = null;
  postMessage(message: ToWorker): void {
    if (message.type === "job") setTimeout(() => this.onmessage?.({ data: runJob(CATALOGUE, message.job, makeDesk()) }));
  }
}
const real = globalThis.Worker;
beforeEach(() => {
  globalThis.Worker = HereWorker as unknown as typeof Worker;
});
afterEach(() => {
  cleanup();
  globalThis.Worker = real;
});

const striker: Piece = {
  name: "Striker",
  mark: "1",
  kind: "striker",
  steel: "w1",
  use: "striker",
  start: "normalised",
  length_mm: 90,
  section: { shape: "plate", thickness_mm: 6 },
};
const bath = (medium: string): Kit[number] => ({
  id: medium,
  kind: "bath",
  name: medium,
  medium,
  tank: "round",
  width_mm: 160,
  depth_mm: 420,
  fill_mm: 320,
});
const kit: Kit = [bath("vegetable-oil"), bath("water")];
const planned = planRoute(CATALOGUE, striker, "forge");
const inOil: Route = {
  ...planned,
  steps: planned.steps.map((step) => (step.kind === "quench" ? inOtherBath(step, { medium: "vegetable-oil", bath_C: 55 }) : step)),
};
const heat = inOil.steps.findIndex(({ kind }) => kind === "harden");
const again: Route = { ...inOil, steps: [...inOil.steps.slice(0, heat + 2), ...inOil.steps.slice(heat)] };
const media = ({ steps }: Route): string[] => steps.flatMap((step) => (step.kind === "quench" ? [intoOf(step).medium] : []));
const shown = (done: number) => {
  const state = standingAt(striker, again, { done });
  const question = { piece: striker, route: again, known: {} };
  const prediction = predict(CATALOGUE, striker, again, "quick");
  return show(<BathNotice state={state} route={again} question={question} prediction={prediction} />, { kit });
};
const quenches = actsOfRoute(again).flatMap(({ kind }, i) => (kind === "quench" ? [i] : []));

it("to be hardened again, a striker is offered the tub of water; the bath it has been through stays what it was", async () => {
  const { written } = shown(quenches[0]! + 1);
  fireEvent.click(await screen.findByRole("button", { name: "Plan it so" }, { timeout: 10_000 }));
  const [event] = written[0]!.events;
  expect(event?.kind === "route" ? media(event.route) : []).toEqual(["vegetable-oil", "water"]);
});
it("through its last bath it is offered none", async () => {
  shown(quenches[1]! + 1);
  await new Promise((resolve) => setTimeout(resolve, 50));
  expect(screen.queryByRole("button")).toBeNull();
});
it("drawn once already, a piece to be hardened again is still told of the dip it is planned into", async () => {
  const first = planRoute(CATALOGUE, FROE, "forge");
  const inDip = first.steps.map((step) => (step.kind === "temper" ? { ...step, temperature_C: 300 } : step));
  const from = inDip.findIndex(({ kind }) => kind === "harden");
  const twice: Route = { ...first, steps: [...inDip, ...inDip.slice(from)] };
  const acts = actsOfRoute(twice);
  const tempers = acts.flatMap(({ kind }, i) => (kind === "temper" ? [i] : []));
  const prediction = predict(CATALOGUE, FROE, twice, "quick");
  const noticeAt = (done: number) => show(<DipNotice state={standingAt(FROE, twice, { done })} route={twice} prediction={prediction} />);
  const { written } = noticeAt(tempers[1]! + 1);
  fireEvent.click(screen.getAllByRole("button", { name: "Plan it so" })[0]!);
  await waitFor(() => expect(written).toHaveLength(1));
  const [event] = written[0]!.events;
  const heats = (event?.kind === "route" ? event.route : twice).steps.flatMap((s) => (s.kind === "temper" ? [s.temperature_C] : []));
  expect(heats.slice(0, 2)).toEqual([300, 300]);
  expect(heats.slice(2)).not.toContain(300);
  cleanup();
  noticeAt(tempers[2]! + 1);
  expect(screen.queryByRole("button")).toBeNull();
});
