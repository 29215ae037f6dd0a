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
    expect(of("normalise", "temper")).toMatch(/no hardening heat/);
    expect(of("harden", "temper")).toMatch(/into its bath next/);
    expect(of("harden", "quench", "quench")).toMatch(/right after a hardening/);
    expect(of("temper", "harden", "quench")).toMatch(/comes after the bath/);
    expect(of("harden", "quench", "normalise", "temper")).toMatch(/undoes the hardening/);
  });
});
