import { afterAll, beforeAll, beforeEach, expect, it } from "@jest/globals";
import { CATALOGUE, makeDesk, MEMBERS, planRoute, runJob, type Piece, type Route } from "@tembrak/core";
import { ensembleOf, isEnsembleThere } from "./ensembles.js";
import { marked } from "../testing.js";

/** A worker that works, and tells what it was asked. */
let asked: string[] = [];
const desk = makeDesk();
class Working {
  onmessage: ((event: unknown) => void) | null = null;
  postMessage(message: { type: string; job?: { kind: string; from: number; to: number } }): void {
    if (message.job === undefined) return;
    asked.push(`${message.job.from}-${message.job.to}`);
    queueMicrotask(() => this.onmessage?.({ data: runJob(CATALOGUE, message.job, desk) }));
  }
}
const real = globalThis.Worker;
beforeAll(() => {
  globalThis.Worker = Working as unknown as typeof Worker;
});
afterAll(() => {
  globalThis.Worker = real;
});
beforeEach(() => {
  asked = [];
});

const knife: Piece = {
  name: "Hoof knife",
  mark: "1",
  kind: "knife",
  steel: "1084",
  start: "normalised",
  use: "knife",
  length_mm: 200,
  section: { shape: "wedge", spine_mm: 3.2, edge_mm: 0.6, height_mm: 26 },
};
const planned = planRoute(CATALOGUE, knife, "forge");
const tapped = (quench: object): Route => ({
  ...planned,
  steps: planned.steps.map((step) => (step.kind === "quench" ? marked(step, quench) : step)),
});
const fresh = (route: Route) =>
  (runJob(CATALOGUE, { kind: "members", piece: knife, route, from: 0, to: MEMBERS }) as { answer: unknown }).answer;

it("in the bath the whole ensemble is run, out of it only what was not decided by then, and the answer is that of a fresh run", async () => {
  await ensembleOf({ piece: knife, route: tapped({ transfer_s: 2.2 }) });
  expect(asked).toHaveLength(MEMBERS / 4);
  asked = [];
  const late = tapped({ transfer_s: 2.2, bath_s: 14 });
  expect(JSON.stringify((await ensembleOf({ piece: knife, route: late })).map(({ hardness_HRC }) => hardness_HRC))).toBe(
    JSON.stringify((fresh(late) as { hardness_HRC: unknown }[]).map(({ hardness_HRC }) => hardness_HRC)),
  );
  expect(asked).toEqual([]);
  const soon = tapped({ transfer_s: 2.2, bath_s: 2 });
  expect(await ensembleOf({ piece: knife, route: soon })).toEqual(fresh(soon));
  expect(asked.length).toBeGreaterThan(6);
});
it("another bath, or another way to it, is another hardening", async () => {
  await ensembleOf({ piece: knife, route: tapped({ bath_s: 14 }) });
  asked = [];
  for (const quench of [
    { bath_s: 15, bath_C: 30 },
    { bath_s: 15, transfer_s: 3 },
  ]) {
    const route = tapped(quench);
    expect(isEnsembleThere({ piece: knife, route })).toBe(false);
    await ensembleOf({ piece: knife, route });
  }
  expect(asked).toHaveLength((2 * MEMBERS) / 4);
});
