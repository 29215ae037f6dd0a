import { describe, expect, it } from "@jest/globals";
import { unitsOfLocale } from "./localeUnits.js";

describe("the units of a browser's locale", () => {
  it.each([
    ["en-US", "F", "in"],
    ["en-GB", "C", "mm"],
    ["de", "C", "mm"],
    ["es-PR", "F", "mm"],
    [undefined, "C", "mm"],
    ["not a locale", "C", "mm"],
  ] as const)("%s: %s and %s", (language, temperature, length) => {
    expect(unitsOfLocale(language)).toEqual({ temperature, length });
  });
});
