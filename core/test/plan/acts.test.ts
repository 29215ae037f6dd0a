import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { actsOfRoute, type Act } from "../../src/plan/acts.js";
import { hardenAgain } from "../../src/plan/nextTemper.js";
import { planRoute } from "../../src/plan/route.js";
import type { Step } from "../../src/schema/book.js";
import { BILLHOOK } from "../pieces.js";

const route = planRoute(CATALOGUE, BILLHOOK, "forge");

function counts(steps: readonly Step[], of: (act: Act) => boolean): string[] {
  return actsOfRoute({ heating: { in: "forge", by: "shade" }, steps: [...steps] }).flatMap((act) =>
    of(act) && "count" in act ? [`${act.count} of ${act.of}`] : [],
  );
}

describe("acts are counted by their place", () => {
  it("a third temper that is the very step of the second is the third", () => {
    const last = route.steps.at(-1)!;
    expect(counts([...route.steps, last], ({ kind }) => kind === "temper")).toEqual(["1 of 3", "2 of 3", "3 of 3"]);
  });
  it("a second hardening, done over as the first was, is the second", () => {
    const again = hardenAgain<Step>(route.steps, route.steps[0]!);
    const isHardening = (act: Act): boolean => act.kind === "heat" && act.purpose === "harden";
    expect(counts(again, isHardening)).toEqual(["1 of 2", "2 of 2"]);
    expect(counts(again, (act) => act.kind === "heat" && act.purpose === "normalise")).toEqual(["1 of 4", "2 of 4", "3 of 4", "4 of 4"]);
  });
  it("a route that begins with its hardening is hardened again as well", () => {
    const from = route.steps.findIndex(({ kind }) => kind === "harden");
    const again = hardenAgain<Step>(route.steps.slice(from), route.steps[0]!);
    expect(again.map(({ kind }) => kind)).toEqual(["harden", "quench", "normalise", "harden", "quench", "temper", "temper"]);
  });
  it("every act has an id of its own, also where one step stands twice", () => {
    const ids = actsOfRoute({ heating: { in: "forge", by: "shade" }, steps: [...route.steps, route.steps.at(-1)!] }).map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
  });
});
