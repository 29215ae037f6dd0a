import { describe, expect, it } from "@jest/globals";
import fc from "fast-check";
import Qty from "js-quantities";
import { unit } from "mathjs";
import { parseDuration, parseLength, parseTemperature, questionHeat, questionLength, type HeatQuestion } from "../src/quantity.js";
import {
  celsiusDifferenceFromFahrenheit,
  celsiusFromFahrenheit,
  fahrenheitFromCelsius,
  gallonsFromLitres,
  inchesFromMillimetres,
  kelvin,
  kilogramsFromPounds,
  kilopascalsFromPsi,
  litresFromGallons,
  millimetresFromInches,
  poundsFromKilograms,
  psiFromKilopascals,
} from "../src/units.js";
import { outside } from "./outside.js";

describe("conversions against NIST SP 811 and reference libraries", () => {
  // nist811
  const nist = "NIST SP 811, appendix B, from memory";
  const rows: readonly [string, number, number, number, string][] = [
    ["425 F in C", celsiusFromFahrenheit(425), 218.333333, 1e-5, "C"],
    ["1680 F in C", celsiusFromFahrenheit(1680), 915.555556, 1e-5, "C"],
    ["a difference of 50 F in K", celsiusDifferenceFromFahrenheit(50), 27.777778, 1e-5, "K"],
    ["600 F an hour in K an hour", celsiusDifferenceFromFahrenheit(600), 333.333333, 1e-5, "K/h"],
    ["1 in in mm", millimetresFromInches(1), 25.4, 0, "mm"],
    ["1 lb in kg", kilogramsFromPounds(1), 0.45359237, 0, "kg"],
    ["1 US gallon in L", litresFromGallons(1), 3.785411784, 0, "L"],
    ["50 kPa in psi", psiFromKilopascals(50), 7.251887, 1e-5, "psi"],
    ["0 C in K", kelvin(0), 273.15, 0, "K"],
  ];
  for (const [what, got, wanted, tolerance, u] of rows) {
    it(what, () =>
      outside({
        topic: "Units",
        what,
        source: nist,
        unit: u,
        wanted,
        got,
        tolerance: tolerance + 1e-12,
        because: "exact by definition, or the digits given",
      }),
    );
  }
  it("agrees with js-quantities and mathjs to the last digits", () => {
    for (const v of [-40, 0, 212, 1475, 1525.5]) {
      expect(celsiusFromFahrenheit(v)).toBeCloseTo(Qty(v, "tempF").to("tempC").scalar, 9);
      expect(fahrenheitFromCelsius(v)).toBeCloseTo(unit(v, "degC").toNumber("degF"), 9);
      expect(inchesFromMillimetres(v)).toBeCloseTo(Qty(v, "mm").to("in").scalar, 9);
      expect(poundsFromKilograms(v)).toBeCloseTo(unit(v, "kg").toNumber("lbm"), 9);
      expect(Math.abs(kilopascalsFromPsi(v) - Qty(v, "psi").to("kPa").scalar)).toBeLessThanOrEqual(1e-6 * Math.abs(v) * 7);
      expect(gallonsFromLitres(v)).toBeCloseTo(Qty(v, "l").to("gal").scalar, 5);
    }
  });
  it("tenths of a degree come back as typed after a round trip to a millionth", () => {
    for (let tenth = -500; tenth <= 14000; tenth++) {
      const typed = tenth / 10;
      const back = Math.round(fahrenheitFromCelsius(celsiusFromFahrenheit(typed)) * 1e6) / 1e6;
      if (back !== typed) throw new Error(`${typed} came back as ${back}`);
    }
  });
});

describe("lengths as people write them", () => {
  const rows: readonly [string, "mm" | "in", number][] = [
    ["4.8", "mm", 4.8],
    ["4,8", "mm", 4.8],
    ["4.8 mm", "in", 4.8],
    ["3/16", "mm", 4.7625],
    ["3/16 in", "mm", 4.7625],
    ['3/16"', "mm", 4.7625],
    ['1 1/4"', "mm", 31.75],
    ["1-1/4 in", "mm", 31.75],
    ["1¼ in", "mm", 31.75],
    ["¼", "mm", 6.35],
    ["0.19", "in", 4.826],
    [".25 in", "mm", 6.35],
    ["12 cm", "mm", 120],
    ["1' 3\"", "mm", 381],
    ["2 ft", "mm", 609.6],
    ["  376  ", "mm", 376],
    ["14 13/16", "in", 376.2375],
  ];
  for (const [text, unit_, length_mm] of rows) {
    it(`"${text}" in ${unit_} is ${length_mm} mm`, () => {
      const parsed = parseLength(text, unit_);
      expect(parsed.ok && parsed.length_mm).toBeCloseTo(length_mm, 9);
    });
  }
  for (const text of ["", "abc", "4.8.1", "-3", "3/", "1/2/3", "4 kg", "1 1/4 x"]) {
    it(`"${text}" is a fault, not a number`, () => {
      const parsed = parseLength(text, "mm");
      expect(parsed.ok).toBe(false);
      expect(!parsed.ok && parsed.fault.code).toBe(text === "" ? "empty" : text === "-3" ? "below-zero" : "unreadable");
    });
  }
  it("any number of mm comes back", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200000 }), (hundredths) => {
        const parsed = parseLength(`${hundredths / 100} mm`, "in");
        return parsed.ok && parsed.length_mm === hundredths / 100;
      }),
    );
  });
});

describe("temperatures and times as people write them", () => {
  const rows: readonly [string, "C" | "F", number][] = [
    ["815", "C", 815],
    ["1500", "F", 815.5556],
    ["1500F", "C", 815.5556],
    ["1500 °F", "C", 815.5556],
    ["205°", "C", 205],
    ["400 deg F", "C", 204.4444],
    ["-5 C", "F", -5],
  ];
  for (const [text, unit_, temperature_C] of rows) {
    it(`"${text}" in ${unit_} is ${temperature_C} C`, () => {
      const parsed = parseTemperature(text, unit_);
      expect(parsed.ok && parsed.temperature_C).toBeCloseTo(temperature_C, 3);
    });
  }
  it("times: 10 is minutes, 1 h 30, 1:30 and 90 s are what they say", () => {
    const s = (text: string): number => {
      const parsed = parseDuration(text);
      return parsed.ok ? parsed.duration_s : NaN;
    };
    expect([s("10"), s("10 min"), s("2 h"), s("1 h 30"), s("1:30"), s("90 s"), s("1,5 h")]).toEqual([600, 600, 7200, 5400, 5400, 90, 5400]);
    expect(s("soon")).toBeNaN();
  });
});

describe("the improbable is asked about", () => {
  const probably = (asked: HeatQuestion | null): number => (asked !== null && "probably_C" in asked ? asked.probably_C : NaN);
  it("a spine typed as 316 is 3/16 in with the stroke lost", () => {
    const asked = questionLength("thickness", 316);
    expect(asked).toMatchObject({ code: "fraction-stroke-lost", fraction: "3/16", typed_mm: 316 });
    expect(asked?.probably_mm).toBeCloseTo(4.7625, 6);
  });
  it("the same in a field that is in inches, and with sixteenths of two digits", () => {
    expect(questionLength("thickness", 316 * 25.4, "in")).toMatchObject({
      code: "fraction-stroke-lost",
      fraction: "3/16",
      probably_mm: 4.7625,
    });
    expect(questionLength("thickness", 1132, "mm")).toMatchObject({ code: "fraction-stroke-lost", fraction: "11/32" });
  });
  it("400 and 418 typed over a temper of 204 or 218 C were Fahrenheit; 400 over a spring's 385 is meant", () => {
    expect(probably(questionHeat("temper", 400, "C", 204))).toBeCloseTo(204.4, 1);
    expect(probably(questionHeat("temper", 425, "C", 218))).toBeCloseTo(218.3, 1);
    expect(questionHeat("temper", 418, "C", 218)).toMatchObject({ code: "looks-like-other-unit", typed: 418 });
    expect(questionHeat("temper", 400, "C", 385)).toBeNull();
    expect(questionHeat("temper", 230, "C", 204)).toBeNull();
    // 205 typed in a Fahrenheit field over 400 F.
    expect(probably(questionHeat("temper", (205 - 32) / 1.8, "F", 204))).toBeCloseTo(205, 6);
  });
  it("475 for 1475 in a Fahrenheit field too", () => {
    expect(probably(questionHeat("harden", (475 - 32) / 1.8, "F"))).toBeCloseTo(801.67, 1);
  });
  it("a hardening heat typed as 475 C was 1475 F", () => {
    expect(questionHeat("harden", 475, "C")).toMatchObject({ code: "digit-lost", typed: 475, unit: "C", meant_F: 1475 });
    expect(probably(questionHeat("harden", 475, "C"))).toBeCloseTo(801.67, 1);
  });
  it("1500 in a Celsius field looks like Fahrenheit, and 400 for a temper in Celsius is asked only when odd", () => {
    expect(probably(questionHeat("harden", 1500, "C"))).toBeCloseTo(815.56, 1);
    expect(probably(questionHeat("temper", celsiusFromFahrenheit(205), "F"))).toBeCloseTo(205, 6);
  });
  it("usual numbers are not asked about", () => {
    expect(questionHeat("harden", 815, "C")).toBeNull();
    expect(questionHeat("temper", 205, "C")).toBeNull();
    expect(questionLength("thickness", 4.8)).toBeNull();
    expect(questionLength("length", 376)).toBeNull();
  });
});
