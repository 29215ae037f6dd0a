import { describe, expect, it } from "@jest/globals";
import { SYMPTOM_WORDS, SYMPTOMS } from "./symptomWords.js";

describe("what is wrong with it", () => {
  it("has eight ways in, each with what is behind it, one look and one change", () => {
    expect(SYMPTOMS).toHaveLength(8);
    expect(Object.keys(SYMPTOM_WORDS).sort()).toEqual([...SYMPTOMS].sort());
    for (const symptom of SYMPTOMS) {
      const { behind, look, change } = SYMPTOM_WORDS[symptom];
      for (const words of [behind, look, change]) expect(words).toMatch(/^[A-Z].{20,190}\.$/);
    }
  });
  it("never bends, heats or quenches a cracked piece", () => {
    expect(SYMPTOM_WORDS.cracked.change).toMatch(/^It is not saved/);
    expect(SYMPTOM_WORDS.warped.change).toMatch(/in the temper/);
  });
});
