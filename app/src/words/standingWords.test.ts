import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute, predict, type Route } from "@tembrak/core";
import { movedWords } from "./standingWords.js";
import { DEFAULT_SETTINGS } from "../store/db.js";
import { BILLHOOK } from "../testing.js";

const route = planRoute(CATALOGUE, BILLHOOK, "forge");
const planned = predict(CATALOGUE, BILLHOOK, route, "quick");
const said = (facts: { readonly transfer_s?: number; readonly bath_s?: number }): string | null => {
  const done: Route = { ...route, steps: route.steps.map((step) => (step.kind === "quench" ? { ...step, ...facts } : step)) };
  return movedWords(
    { planned, done: predict(CATALOGUE, BILLHOOK, done, "quick"), plan: route, route: done, steel: BILLHOOK.steel },
    DEFAULT_SETTINGS,
  );
};

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
  it("slow to the bath is told as soon as it is under", () => {
    expect(said({ transfer_s: 9.04 })).toMatch(/^9 s from fire to bath: edge (\d\d|below 20) instead of \d\d.* HRC\.$/);
  });
});
