import { describe, it } from "@jest/globals";
import { outside } from "../outside.js";
import { BEVEL_CASES, compareBevel } from "./bevels.js";

// A flat with a bevel across its end, all of it in a bath of one transfer: what is computed is the wedge of the bevel, its back a mirror; the
// finite elements have 40 mm of the body behind it as well.
describe.each(BEVEL_CASES)("the bevelled end of a $name against finite elements", (one) => {
  const compared = compareBevel(one);
  for (const [up_mm, tolerance] of one.at) {
    it(`${up_mm} mm up from its edge, within ${tolerance} K`, () => {
      for (const { time_s, model_C, elements_C } of compared.filter((row) => row.up_mm === up_mm))
        outside({
          topic: "Conduction in two dimensions",
          what: `${one.name}: middle plane ${up_mm} mm up after ${time_s} s`,
          source: "finite elements on mathjs with the body behind, the same constants; worked by the test",
          unit: "C",
          wanted: elements_C,
          got: model_C,
          tolerance,
          because: "where hardness is decided 15 K are wanted; the body behind the bevel is a mirror here",
        });
    });
  }
});
