import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, fitProblems, formOf, planRoute, type Kit, type Piece, type Route } from "@tembrak/core";
import { inOneBath, laidIn } from "./FitNotice.js";
import { marked } from "../testing.js";

const LONG: Piece = {
  name: "Hay knife",
  mark: "3",
  kind: "knife",
  steel: "1084",
  start: "as-forged",
  use: "knife",
  length_mm: 600,
  section: { shape: "wedge", spine_mm: 4, edge_mm: 0.8, height_mm: 34 },
};
const trough = (width_mm: number, fill_mm: number): Kit => [
  { id: "b", kind: "bath", name: "Trough", medium: "fast-oil", tank: "square", width_mm, depth_mm: fill_mm + 80, fill_mm },
];
const problems = (route: Route, kit: Kit) =>
  fitProblems(CATALOGUE, LONG, formOf(LONG), route, kit).filter(({ place, what }) => place === "bath" && what !== "weight");

describe("a blade too long to hang in its tank", () => {
  const hung = planRoute(CATALOGUE, LONG, "forge");
  const laid = laidIn(LONG, hung)!;
  it("laid in edge first it fits a long trough as deep as the blade is high, and no shorter or shallower one", () => {
    expect(problems(hung, trough(800, 150))).toContainEqual(expect.objectContaining({ what: "depth" }));
    expect(problems(laid, trough(800, 150))).toEqual([]);
    expect(problems(laid, trough(500, 150))).toContainEqual(expect.objectContaining({ what: "length" }));
    expect(problems(laid, trough(800, 40))).toContainEqual(expect.objectContaining({ what: "depth" }));
  });
  it("a quench in two baths is planned in its first alone by a key; one in a single bath has none", () => {
    const two = {
      ...hung,
      steps: hung.steps.map((step) => (step.kind === "quench" ? marked(step, { then: { after_s: 3, medium: "water" } }) : step)),
    };
    expect(inOneBath(two)).toEqual(hung);
    expect(inOneBath(hung)).toBeNull();
  });
  it("is offered once, and not where only the edge goes in or the piece is a bar", () => {
    expect(laidIn(LONG, laid)).toBeNull();
    expect(laidIn(LONG, planRoute(CATALOGUE, LONG, "forge", { way: { hardens: "edge" } }))).toBeNull();
    const bar: Piece = { ...LONG, section: { shape: "round", diameter_mm: 12 } };
    expect(laidIn(bar, planRoute(CATALOGUE, bar, "forge"))).toBeNull();
  });
});
