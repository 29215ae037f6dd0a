import { describe, expect, it } from "@jest/globals";
import { parseDuration, parseLength, parseTemperature, questionHeat, questionLength } from "@tembrak/core";
import type { Units } from "../format/show.js";
import { faultWords, heatQuestionWords, lengthQuestionWords } from "./quantityWords.js";

const CELSIUS: Units = { temperature: "C", length: "mm" };
const FAHRENHEIT: Units = { temperature: "F", length: "in" };

describe("what a field asks", () => {
  it("a Fahrenheit number in a Celsius shop: both are named, with what it comes to", () => {
    expect(heatQuestionWords(questionHeat("harden", 1500, "C")!, CELSIUS)).toBe(
      "1500 °C is odd for a hardening heat. Did you mean 1500 °F (816 °C)?",
    );
  });
  it("a Celsius number in a Fahrenheit shop comes to Fahrenheit", () => {
    const asked = questionHeat("temper", (205 - 32) / 1.8, "F")!;
    expect(heatQuestionWords(asked, FAHRENHEIT)).toBe("205 °F is odd for a temper. Did you mean 205 °C (401 °F)?");
  });
  it("a digit that is gone in a Fahrenheit shop is not translated for it", () => {
    const asked = questionHeat("harden", (150 - 32) / 1.8, "F")!;
    expect(heatQuestionWords(asked, FAHRENHEIT)).toBe("150 °F will not harden steel. Did you mean 1500 °F?");
    expect(heatQuestionWords(questionHeat("harden", 475, "C")!, CELSIUS)).toContain("Did you mean 1475 °F (802 °C)?");
  });
  it("merely odd is asked without a guess", () => {
    expect(heatQuestionWords(questionHeat("bath", 300, "C")!, CELSIUS)).toBe("300 °C is hot for a bath. Is it meant?");
    expect(heatQuestionWords(questionHeat("normalise", 320, "C")!, CELSIUS)).toBe("320 °C is cold for a normalising heat. Is it meant?");
  });
  it("a length is spoken of in the shop's unit", () => {
    const lost = questionLength("thickness", 316)!;
    expect(lengthQuestionWords(lost, CELSIUS)).toBe("Did you mean 3/16 in? 316 mm thick is more than an anvil's face.");
    expect(lengthQuestionWords(questionLength("length", 5000)!, FAHRENHEIT)).toMatch(
      /^Is it really .*in\? Check the unit and the decimal point/,
    );
    expect(lengthQuestionWords(questionLength("height", 1)!, FAHRENHEIT)).not.toContain("mm");
  });
});

describe("what a field says of a text it cannot read", () => {
  const said = (parsed: ReturnType<typeof parseLength> | ReturnType<typeof parseTemperature> | ReturnType<typeof parseDuration>): string =>
    parsed.ok ? "read" : faultWords(parsed.fault);
  it.each([
    [parseLength("", "mm"), "Type a length, for example 4.8 mm, 3/16 or 1 1/4 in."],
    [parseLength("thick", "mm"), '"thick" is not a length. Write 4.8 mm, 3/16 or 1 1/4 in.'],
    [parseLength("-3", "mm"), "A length cannot be below zero."],
    [parseTemperature("", "C"), "Type a temperature, for example 815 C or 1500 F."],
    [parseTemperature("cherry", "C"), '"cherry" is not a temperature. Write 815 C or 1500 F.'],
    [parseTemperature("-500", "C"), "That is colder than anything can be."],
    [parseDuration("soon"), '"soon" is not a time. Write 10 min, 2 h or 1 h 30.'],
  ])("%j", (parsed, words) => expect(said(parsed)).toBe(words));
});
