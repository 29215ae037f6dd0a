/** A blade whose colours were run from its back: softer there than at its edge, in every answer alike. */

import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { planRoute } from "../../src/plan/route.js";
import type { Draws, Piece } from "../../src/schema/book.js";
import { predict } from "../../src/simulate/predict.js";
import { bathResponses } from "../../src/simulate/response.js";
import { pictureSection } from "../../src/simulate/sectionPicture.js";
import { RUN_CASES } from "./madeUpRuns.js";
import { intoOf } from "../../src/plan/dips.js";

const BLADE = RUN_CASES[3]!.piece;
const STRIKER = RUN_CASES.find(({ name }) => /edge in water/.test(name))!.piece;

function answers(piece: Piece, draws: Draws) {
  const route = planRoute(CATALOGUE, piece, "forge", { way: { hardens: "whole", draws } });
  const prediction = predict(CATALOGUE, piece, route, "quick");
  const picture = pictureSection(CATALOGUE, { piece, route, station: null, effort: "quick" });
  const medium = route.steps.flatMap((step) => (step.kind === "quench" ? [intoOf(step).medium] : [])).at(-1)!;
  return { route, prediction, picture, bath: bathResponses(CATALOGUE, piece, route, [medium])[0]! };
}

describe("a blade run from its back", () => {
  const { prediction, picture, bath } = answers(BLADE, "torch");
  const [edge, spine] = [prediction.working.tempered.mean_HRC, prediction.thickest.tempered.mean_HRC];
  it("has a back that was drawn further than its edge: past blue it is a spring of 40 to 50 (common practice, no source)", () => {
    expect(prediction.thickest.place).toBe("spine");
    expect(spine).toBeLessThan(edge - 4);
    expect(spine).toBeGreaterThan(35);
    expect(spine).toBeLessThan(52);
  });
  it("says the same of its back in the verdict, in the picture of its section and beside the baths", () => {
    const column = picture.columns - 2;
    const drawn_HRC = picture.tempered_HRC[column * picture.nodes]!;
    // The section as planned beside the middle of the ensemble, some of which did not harden there.
    expect(Math.abs(drawn_HRC - spine)).toBeLessThan(2.5);
    const at_mm = picture.columnMiddle_mm[column]!;
    const same = prediction.profile.find(({ x_mm, y_mm }) => x_mm === 0 && Math.abs(y_mm! - at_mm) < 0.01)!;
    expect(same.tempered_HRC).toBeCloseTo(drawn_HRC, 1);
    expect(Math.abs(picture.thickest.tempered.mean_HRC - spine)).toBeLessThan(1.5);
    expect(Math.abs(bath.thickest_HRC - drawn_HRC)).toBeLessThan(1.5);
    expect(Math.abs(bath.working_HRC - edge)).toBeLessThan(1.5);
  });
  it("gets softer from the edge back, never harder", () => {
    const along = prediction.profile.filter(({ x_mm }) => x_mm === 0).map(({ tempered_HRC }) => tempered_HRC);
    expect(along.length).toBeGreaterThan(4);
    for (let i = 2; i < along.length; i++) expect(along[i]!).toBeLessThanOrEqual(along[i - 1]! + 0.6);
  });
});

it("a striker with its edge in water: the edge as the file leaves it, its back a spring", () => {
  const { prediction } = answers(STRIKER, "hot-bar");
  expect(prediction.working.asQuenched.mean_HRC - prediction.working.tempered.mean_HRC).toBeLessThan(1.5);
  expect(prediction.thickest.tempered.mean_HRC).toBeLessThan(prediction.thickest.asQuenched.mean_HRC - 6);
});

it("an oven draws all of it alike", () => {
  const { prediction } = answers(BLADE, "oven");
  const drop = ({ asQuenched, tempered }: Pick<typeof prediction.working, "asQuenched" | "tempered">): number =>
    asQuenched.mean_HRC - tempered.mean_HRC;
  expect(Math.abs(drop(prediction.thickest) - drop(prediction.working))).toBeLessThan(2);
});
