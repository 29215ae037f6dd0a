import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { orderProblem } from "../../src/plan/order.js";
import { planRoute } from "../../src/plan/route.js";
import { SCHOOLS, STARTS, type Piece, type Step } from "../../src/schema/book.js";

const of = (...kinds: Step["kind"][]) => orderProblem(kinds.map((kind) => ({ kind })));

describe("the order of steps", () => {
  it("every planned route is in order", () => {
    const piece: Piece = {
      name: "Knife",
      mark: "1",
      kind: "knife",
      steel: "1084",
      start: "as-forged",
      use: "knife",
      length_mm: 200,
      section: { shape: "plate", thickness_mm: 4 },
    };
    for (const school of SCHOOLS)
      for (const start of STARTS) expect(orderProblem(planRoute(CATALOGUE, { ...piece, start }, school).steps)).toBeNull();
  });
  it("hardening twice with a normalising heat between is in order", () => {
    expect(of("normalise", "harden", "quench", "normalise", "harden", "quench", "temper")).toBeNull();
  });
  it("says what is wrong", () => {
    expect(of("normalise", "temper")).toBe("no-harden");
    expect(of("harden", "temper")).toBe("harden-needs-bath");
    expect(of("harden", "quench", "quench")).toBe("bath-needs-harden");
    expect(of("temper", "harden", "quench")).toBe("temper-needs-bath");
    expect(of("harden", "quench", "normalise", "temper")).toBe("normalise-undoes");
  });
});
