import { expect, it } from "@jest/globals";
import { CATALOGUE, forgedAnew, planRoute } from "../../src/index.js";
import { BILLHOOK } from "../pieces.js";

// 2026-12, issue 41: it went straight to its hardening heat, with the grain of the forge in it.
it("what is forged anew is normalised before it is hardened again; what was done stays", () => {
  const route = planRoute(CATALOGUE, { ...BILLHOOK, start: "normalised" }, "forge");
  const quench = route.steps.findIndex(({ kind }) => kind === "quench");
  const anew = forgedAnew(CATALOGUE, { ...BILLHOOK, start: "normalised" }, route, quench + 1);
  expect(anew.steps.slice(0, quench + 1)).toEqual(route.steps.slice(0, quench + 1));
  const after = anew.steps.slice(quench + 1).map(({ kind }) => kind);
  expect(after.filter((kind) => kind === "normalise").length).toBeGreaterThanOrEqual(2);
  expect(after.indexOf("normalise")).toBeLessThan(after.indexOf("harden"));
});
