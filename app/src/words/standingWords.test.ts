import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute, predict, type Route } from "@tembrak/core";
import { movedWords } from "./standingWords.js";
import { DEFAULT_SETTINGS } from "../store/db.js";
import { BILLHOOK } from "../testing.js";

const route = planRoute(CATALOGUE, BILLHOOK, "forge");
const planned = predict(CATALOGUE, BILLHOOK, route, "quick");
const quenched = (facts: object): Route => ({
  ...route,
  steps: route.steps.map((step) => (step.kind === "quench" ? { ...step, ...facts } : step)),
});
const moved = (plan: Route, done: Route): string | null =>
  movedWords(
    {
      planned: plan === route ? planned : predict(CATALOGUE, BILLHOOK, plan, "quick"),
      done: predict(CATALOGUE, BILLHOOK, done, "quick"),
      plan,
      route: done,
      steel: BILLHOOK.steel,
    },
    DEFAULT_SETTINGS,
  );
const said = (facts: { readonly transfer_s?: number; readonly bath_s?: number }): string | null => moved(route, quenched(facts));

describe("what moved a piece from its plan", () => {
  it("as planned there is nothing to say, and nothing is said of seconds that changed nothing", () => {
    expect(said({})).toBeNull();
    expect(said({ transfer_s: 1.5, bath_s: 15 })).toBeNull();
  });
  it("too soon out of the bath: the seconds, and which place is how much softer", () => {
    expect(said({ transfer_s: 2, bath_s: 3 })).toMatch(
      /^2 s from fire to bath, out of it after 3 s: .*spine (\d\d|below 20) instead of \d\d HRC\.$/,
    );
  });
  it("the back under while it glows, or a second bath that never came, is told as what it was", () => {
    const back = quenched({ edgeDepth_mm: 20, then: { after_s: 45 } });
    expect(moved(back, quenched({ edgeDepth_mm: 20, then: { after_s: 3 } }))).toMatch(
      /^The back under after 3 s: .*spine \d\d instead of \d\d HRC\.$/,
    );
    const two = quenched({ then: { after_s: 2, medium: "water" } });
    expect(moved(two, quenched({ bath_s: 2 }))).toMatch(/^Never into the second bath, out of it after 2 s: /);
  });
  it("slow to the bath is told as soon as it is under", () => {
    expect(said({ transfer_s: 9.04 })).toMatch(/^9 s from fire to bath: edge (\d\d|below 20) instead of \d\d.* HRC\.$/);
  });
});
