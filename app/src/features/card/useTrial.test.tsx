import { afterEach, describe, expect, it } from "@jest/globals";
import { act, cleanup, renderHook, waitFor } from "@testing-library/react";
import { actsOfRoute, CATALOGUE, intoOf, planRoute, thickness_mm, type Route, type Section } from "@tembrak/core";
import { canBeKept, doneOfIt, placesAhead } from "./doneOfIt.js";
import { triedRoute, useTrial, type Trial } from "./useTrial.js";
import { FROE } from "../../testing.js";

const route = planRoute(CATALOGUE, FROE, "forge");

afterEach(cleanup);

async function tried(trial: Trial, section: Section = FROE.section) {
  const piece = { ...FROE, section };
  const asked = { piece, route, known: {} };
  const { result } = renderHook(() => useTrial(asked));
  act(() => result.current.set(trial));
  expect(result.current.isTrying).toBe(true);
  await waitFor(() => expect(result.current.question).not.toBe(asked));
  return result;
}

describe("what is tried on the card", () => {
  it.each<Section>([
    { shape: "plate", thickness_mm: 6 },
    { shape: "round", diameter_mm: 12 },
    { shape: "square", side_mm: 10 },
    { shape: "wedge", spine_mm: 8, edge_mm: 2, height_mm: 60 },
  ])("another thickness is the thickness of a $shape", async (section) => {
    const { current } = await tried({ thickness_mm: 5 }, section);
    expect(thickness_mm(current.question.piece.section)).toBeCloseTo(5, 9);
    expect(current.question.route).toEqual(route);
  });
  it("a thinner blade has a thinner edge, and is as tall", async () => {
    const { current } = await tried({ thickness_mm: 4 });
    expect(current.question.piece.section).toEqual({ shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 60 });
  });
  it("hardened again, what is tried is the hardening to come: what was done before stays", () => {
    const at = route.steps.findIndex(({ kind }) => kind === "harden");
    const again = { ...route, steps: [...route.steps, ...route.steps.slice(at)] };
    const { steps } = triedRoute(again, { heat_C: 840, temper_C: 250, medium: "water" });
    expect(steps.slice(0, route.steps.length)).toEqual(route.steps);
    expect(steps[route.steps.length]).toMatchObject({ kind: "harden", temperature_C: 840 });
    expect(steps[route.steps.length + 1]).toMatchObject({ kind: "quench", dips: [{ into: { medium: "water" } }] });
    expect(steps.at(-1)).toMatchObject({ kind: "temper", temperature_C: 250 });
  });
  it("with one temper held the slide is of those to come; what is done can be looked at otherwise, and not be planned so", () => {
    const acts = actsOfRoute(route);
    const upTo = (kind: string, n = 0) => {
      const at = acts.findIndex((act, i) => act.kind === kind && acts.slice(0, i).filter((before) => before.kind === kind).length === n);
      return doneOfIt({ acts, doneAt_ms: new Map(acts.slice(0, at + 1).map(({ id }, i) => [id, i])) }, route);
    };
    const ahead = (n: number) =>
      placesAhead({ acts, doneAt_ms: new Map(acts.slice(0, n).map(({ id }, i) => [id, i])), next: acts[n] }, route);
    const bathed = acts.findIndex(({ kind }) => kind === "quench") + 1;
    // What does not fit is said of where it is still to go.
    expect([ahead(0), ahead(bathed), ahead(acts.length - 1), ahead(acts.length)]).toEqual([undefined, ["oven"], [], []]);
    const [planned, quenched, once, twice] = [upTo("none"), upTo("quench"), upTo("temper"), upTo("temper", 1)];
    const tempers = (of: Route) => of.steps.flatMap((step) => (step.kind === "temper" ? [step.temperature_C] : []));
    const before = tempers(route);
    expect(tempers(triedRoute(route, { temper_C: 333 }, once.tempersDone))).toEqual([before[0], 333]);
    expect(tempers(triedRoute(route, { temper_C: 333 }, twice.tempersDone))).toEqual([333, 333]);
    expect([planned, quenched, once, twice].map((done) => canBeKept({ temper_C: 333 }, done))).toEqual([true, true, true, false]);
    expect([planned, quenched, once].map((done) => canBeKept({ heat_C: 840 }, done))).toEqual([true, false, false]);
    expect([planned, quenched].map((done) => canBeKept({ medium: "water" }, done))).toEqual([true, false]);
    expect(canBeKept({ thickness_mm: 4 }, planned)).toBe(false);
  });
  it("every temper moves, nothing else does", async () => {
    const { current } = await tried({ temper_C: 255 });
    current.question.route.steps.forEach((step, i) => {
      if (step.kind === "temper") expect(step.temperature_C).toBe(255);
      else expect(step).toEqual(route.steps[i]);
    });
  });
  it("the heat that hardens moves, the normalising heats do not", async () => {
    const { current } = await tried({ heat_C: 845 });
    const heats = (of: typeof route, kind: string) =>
      of.steps.flatMap((s) => (s.kind === kind && "temperature_C" in s ? [s.temperature_C] : []));
    expect(heats(current.question.route, "harden")).toEqual([845]);
    expect(heats(current.question.route, "normalise")).toEqual(heats(route, "normalise"));
  });
  it("another bath comes at the temperature it is usually used at; the same bath stays as planned", async () => {
    const { current } = await tried({ medium: "water" });
    const quench = current.question.route.steps.find((step) => step.kind === "quench")!;
    expect(intoOf(quench)).toMatchObject({ medium: "water", bath_C: CATALOGUE.medium("water")!.usualBath_C });
    const planned = route.steps.find((step) => step.kind === "quench")!;
    const same = await tried({ medium: intoOf(planned).medium, temper_C: 210 });
    expect(same.current.question.route.steps.find((step) => step.kind === "quench")).toEqual(planned);
  });
  it("one thing after another adds up, and all is dropped at once", async () => {
    const result = await tried({ temper_C: 255 });
    act(() => result.current.set({ heat_C: 845 }));
    expect(result.current.trial).toEqual({ temper_C: 255, heat_C: 845 });
    act(() => result.current.drop());
    expect(result.current.isTrying).toBe(false);
    await waitFor(() => expect(result.current.question.route).toBe(route));
  });
  it("is asked quickly while the finger moves and in full once it rests", async () => {
    const result = await tried({ temper_C: 255 });
    expect(result.current.effort).toBe("quick");
    await waitFor(() => expect(result.current.effort).toBe("full"));
  });
});
