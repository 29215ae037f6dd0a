import { describe, expect, it } from "@jest/globals";
import { parseLength, parseTemperature } from "@tembrak/core";
import fc from "fast-check";
import {
  lengthText,
  showClock,
  showDegrees,
  showDifference,
  showDuration,
  showLength,
  showMass,
  showNotches,
  showRange,
  showVolume,
  temperatureText,
} from "./show.js";
import { stretchedShare } from "./temperatureScale.js";

const METRIC = { temperature: "C", length: "mm" } as const;
const INCHES = { temperature: "F", length: "in" } as const;

describe("what the user reads", () => {
  it("the text of a field reads back to the same heat and metric length, and in inches to what a rule or thousandths can say of it", () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 30000 }), fc.integer({ min: 200, max: 12000 }), (tenths, deci) => {
        for (const units of [METRIC, INCHES]) {
          const length = parseLength(lengthText(tenths / 10, units), units.length);
          const heat = parseTemperature(temperatureText(deci / 10, units), units.temperature);
          const near_mm = units === METRIC ? 2e-5 : Math.max(0.005 * (tenths / 10), 0.0005 * 25.4 + 1e-9);
          if (!length.ok || Math.abs(length.length_mm - tenths / 10) > near_mm) return false;
          if (!heat.ok || Math.abs(heat.temperature_C - deci / 10) > 1e-6) return false;
        }
        return true;
      }),
    );
  });
  it("a fraction stays a fraction, a metric length is not forced into one", () => {
    expect(lengthText(4.7625, INCHES)).toBe("3/16");
    expect(lengthText(31.75, INCHES)).toBe("1 1/4");
    // A field opens as one would write it.
    expect([240, 3, 0.8, 4].map((mm) => lengthText(mm, INCHES))).toEqual(["9 7/16", "0.118", "0.031", "0.157"]);
    // As a rule has it: a smith measures no thousandths of a length.
    expect(showLength(376, INCHES)).toBe("14 13/16 in");
    expect(showLength(312.1, INCHES)).toBe("12 5/16 in");
    expect(showLength(3.5, INCHES)).toBe("9/64 in");
    expect(showLength(0.5, INCHES)).toBe("0.02 in");
    expect(showLength(4.76, METRIC)).toBe("4.8 mm");
  });
  it("a volume in litres, or in US gallons (3.785411784 L to the gallon)", () => {
    expect([showVolume(20, METRIC), showVolume(1.5, METRIC), showVolume(3.785411784, INCHES)]).toEqual(["20 L", "1.5 L", "1.0 gal"]);
  });
  it("a weight in grams and kilograms, or in pounds and ounces (0.45359237 kg to the pound)", () => {
    expect([showMass(0.48, METRIC), showMass(5.652, METRIC), showMass(12.4, METRIC)]).toEqual(["480 g", "5.65 kg", "12.4 kg"]);
    expect([showMass(0.45359237, INCHES), showMass(5.652, INCHES), showMass(0.255, INCHES)]).toEqual(["1 lb", "12 lb 7 oz", "9 oz"]);
  });
  it("temperatures, differences without the 32, durations, clocks", () => {
    expect(showDegrees(815, INCHES)).toBe("1499°");
    expect(showDifference(28, INCHES)).toBe("50°");
    expect([showDuration(9), showDuration(1560), showDuration(9240)]).toEqual(["9 s", "26 min", "2 h 34"]);
    expect([showClock(400), showClock(4325), showClock(-3)]).toEqual(["6:40", "1:12:05", "0:00"]);
    expect(showRange(53.4, 56.6)).toBe("53 to 57");
    expect(showNotches("7")).toBe("||||| ||");
    expect(showNotches("A3")).toBe("A3");
  });
});

describe("the stretched scale", () => {
  it("rises all the way, and gives 680 to 900 C and 0 to 320 C more room than 320 to 680 C", () => {
    for (let T = 5; T <= 940; T += 5) expect(stretchedShare(T, 940)).toBeGreaterThan(stretchedShare(T - 5, 940));
    const room = (a: number, b: number): number => (stretchedShare(b, 940) - stretchedShare(a, 940)) / (b - a);
    expect(room(710, 880) / room(360, 640)).toBeGreaterThan(5);
    expect(room(20, 280) / room(360, 640)).toBeGreaterThan(2.5);
  });
});
