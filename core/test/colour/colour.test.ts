import { describe, expect, it } from "@jest/globals";
import { converter, differenceCiede2000, formatHex, parse } from "culori";
import fc from "fast-check";
import { linearFromOklab, oklabFromLinear } from "../../src/colour/display.js";
import {
  apparentTemperature_C,
  ambientFromLux,
  emissionXyz,
  firstVisible_C,
  glowDisplay,
  glowHex,
  GLOW_KEYS,
  glowLinear,
  glowLuminance_cd_m2,
  glowName,
  glowNamed,
  GLOW_NAMES,
  readGlow,
  REFERENCE_AMBIENT,
  type Ambient,
} from "../../src/colour/glow.js";
import { alloyShift_K, filmHex, growFilm_nm, OXIDE_NAMES, oxideFilm_nm, oxideName, temperatureForFilm_C } from "../../src/colour/oxide.js";
import { outside } from "../outside.js";

const light = (illuminance_lux: number, onPieceRatio: number): Ambient => ({ illuminance_lux, onPieceRatio, fire_cd_m2: 6 });
const LIGHTS = [
  light(1, 0.5),
  REFERENCE_AMBIENT,
  light(300, 0.15),
  light(1000, 0.15),
  light(1000, 0.5),
  light(50000, 0.05),
  light(50000, 0.5),
];

function channels(hex: string): number[] {
  return [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));
}

// Outside values of this file: bipmCandela, draper1847, the standards of cie015 and sRGB1999 by way of culori.
describe("light given off", () => {
  it("a black body at the freezing point of platinum gives 60 cd/cm2", () => {
    outside({
      topic: "Glow",
      what: "black body at 2042 K",
      source: "definition of the candela of 1948: 60 cd/cm2",
      unit: "cd/m2",
      wanted: 6e5,
      got: emissionXyz(2042 - 273.15)[1],
      tolerance: 6e3,
      because: "the temperature scale has moved since; 10 nm sums",
    });
  });
  it("the first glow a dark-adapted eye sees is near 525 C", () => {
    outside({
      topic: "Glow",
      what: "first visible in the dark",
      source: "Draper 1847, 977 F",
      unit: "C",
      wanted: 525,
      got: firstVisible_C({ illuminance_lux: 1, onPieceRatio: 0.5, fire_cd_m2: 6 }),
      tolerance: 15,
      because: "depends on the eye and the fire; the threshold was chosen near this",
    });
  });
  it("Wien's slope: d ln L / dT is near 23300 / K^2", () => {
    for (const T of [700, 800, 900, 1000]) {
      const slope = Math.log(glowLuminance_cd_m2(T + 1) / glowLuminance_cd_m2(T - 1)) / 2;
      expect(slope / (23300 / (T + 273.15) ** 2)).toBeGreaterThan(0.96);
      expect(slope / (23300 / (T + 273.15) ** 2)).toBeLessThan(1.04);
    }
  });
  it("luminance of scaled steel: the note's table within 0.5 %", () => {
    const wanted = { 700: 1.256, 750: 4.088, 800: 11.98, 850: 32.03, 900: 79.04, 1000: 392.5, 1100: 1557 };
    for (const [T, L] of Object.entries(wanted)) expect(Math.abs(glowLuminance_cd_m2(Number(T)) / L - 1)).toBeLessThan(0.005);
    expect(glowLinear(800).map((v) => Math.round(v * 10) / 10)).toEqual([51.6, 1.4, 0]);
  });
});

describe("what a screen shows", () => {
  const table: Readonly<Record<number, readonly string[]>> = {
    500: ["#1b1111", "#262323", "#353535", "#363636", "#545454", "#212121", "#6b6b6b"],
    700: ["#a00603", "#9c100e", "#6d2e2d", "#513433", "#615353", "#222121", "#6c6b6b"],
    800: ["#d53107", "#d3310a", "#b62f1f", "#94312a", "#944f4c", "#2d2120", "#6f6b6b"],
    900: ["#ee7018", "#ed6d17", "#e15819", "#d04920", "#cf593e", "#52231f", "#7c6c6b"],
    1000: ["#f7b03a", "#f7ac37", "#f3982a", "#ed8324", "#ed8737", "#92341e", "#a2706a"],
    1300: ["#fef7df", "#fef7db", "#fef6d3", "#fdf4c7", "#fdf4c7", "#f8d04d", "#f8d375"],
  };
  for (const [T, row] of Object.entries(table)) {
    it(`${T} C in seven lights: the note's colours within one step a channel`, () => {
      row.forEach((hex, i) => {
        const got = channels(glowHex(Number(T), LIGHTS[i]!));
        channels(hex).forEach((c, k) => expect(Math.abs(c - got[k]!)).toBeLessThanOrEqual(1));
      });
    });
  }
  it("OKLab agrees with culori to 1e-5, there and back", () => {
    const toOklab = converter("oklab");
    fc.assert(
      fc.property(
        fc.tuple(
          fc.double({ min: 0, max: 1, noNaN: true }),
          fc.double({ min: 0, max: 1, noNaN: true }),
          fc.double({ min: 0, max: 1, noNaN: true }),
        ),
        ([r, g, b]) => {
          const theirs = toOklab({ mode: "lrgb", r, g, b });
          const ours = oklabFromLinear([r, g, b]);
          expect(ours[0]).toBeCloseTo(theirs.l, 5);
          expect(ours[1]).toBeCloseTo(theirs.a, 5);
          expect(ours[2]).toBeCloseTo(theirs.b, 5);
          linearFromOklab(ours).forEach((v, i) => expect(v).toBeCloseTo([r, g, b][i]!, 5));
        },
      ),
    );
    expect(formatHex(parse("#d3310a"))).toBe("#d3310a");
  });
  it("cold steel where there is no light at all is black", () => {
    const dark = { illuminance_lux: 0, onPieceRatio: 0, fire_cd_m2: 0 };
    expect(glowDisplay(-260, dark)).toEqual([0, 0, 0]);
    expect(glowHex(20, dark)).toBe("#000000");
    expect(glowHex(800, dark)).not.toMatch(/#0+$|NaN/);
  });
  it("25 C more is a visible step (0.015 in OKLab) in dim light from 575 to 1200 C", () => {
    for (let T = 575; T <= 1200; T += 25) {
      const [a, b] = [oklabFromLinear(glowDisplay(T, REFERENCE_AMBIENT)), oklabFromLinear(glowDisplay(T + 25, REFERENCE_AMBIENT))];
      expect(Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])).toBeGreaterThan(0.015);
    }
  });
});

describe("names of heats", () => {
  it("a name begins at its own degree and the one before ends there, in the light the names were made for", () => {
    const light = ambientFromLux(20);
    GLOW_NAMES.forEach(({ name, low_C }, i) => {
      // The first of them begins before it can be seen there.
      if (i === 0) return;
      expect(glowName(low_C, light)).toBe(name);
      expect(glowName(low_C - 0.01, light)).toBe(GLOW_NAMES[i - 1]!.name);
    });
  });
  it("in dim light every name means its own band, and the eye is not shifted", () => {
    for (const band of GLOW_NAMES) {
      const middle = 0.5 * (band.low_C + band.high_C);
      expect(glowName(middle, REFERENCE_AMBIENT) ?? "faint red").toBe(band.name);
      expect(apparentTemperature_C(middle, REFERENCE_AMBIENT)).toBeCloseTo(middle, 1);
      const read = readGlow(band, REFERENCE_AMBIENT)!;
      expect(Math.abs(read.high_C - band.high_C)).toBeLessThan(0.5);
    }
  });
  it("in more light the same name means a hotter steel, and may not be seen at all", () => {
    const cherry = GLOW_NAMES.find(({ name }) => name === "full cherry")!;
    const means = [1, 20, 300, 1000].map((lux) => readGlow(cherry, ambientFromLux(lux))!.mean_C);
    for (let i = 1; i < means.length; i++) expect(means[i]!).toBeGreaterThan(means[i - 1]!);
    expect(readGlow(GLOW_NAMES[0]!, ambientFromLux(50000))).toBeNull();
    expect(glowName(600, ambientFromLux(50000))).toBeNull();
  });
  it("what is offered are as many as an eye parts, without a gap, and no name means two bands", () => {
    const apart = differenceCiede2000();
    const middles = GLOW_KEYS.map(({ low_C, high_C }) => glowHex(0.5 * (low_C + high_C), REFERENCE_AMBIENT));
    GLOW_KEYS.slice(1).forEach(({ low_C }, i) => {
      expect(low_C).toBe(GLOW_KEYS[i]!.high_C);
      expect(apart(middles[i]!, middles[i + 1]!)).toBeGreaterThan(9.5);
    });
    for (const band of GLOW_KEYS) {
      expect([undefined, band]).toContainEqual(GLOW_NAMES.find(({ name }) => name === band.name));
      expect(glowNamed(band.name)).toEqual(band);
    }
  });
  it("a name of an older book is still read", () => {
    expect(glowNamed("bright cherry")).toEqual({ name: "bright cherry", low_C: 800, high_C: 850 });
  });
  it("bright cherry in open shade at 1000 lx: 880 to 935, as the note has it", () => {
    const read = readGlow(
      GLOW_NAMES.find(({ name }) => name === "bright cherry")!,
      light(1000, 0.15),
    )!;
    expect(Math.abs(read.low_C - 880)).toBeLessThan(4);
    expect(Math.abs(read.high_C - 935)).toBeLessThan(4);
  });
});

describe("temper colours", () => {
  it("films: the note's colours within one step a channel", () => {
    const wanted = {
      0: "#e3e0e0",
      10: "#d8cfbf",
      20: "#c3a977",
      30: "#9b653b",
      40: "#553070",
      50: "#20649a",
      60: "#708e9f",
      70: "#9fa6a7",
    };
    for (const [nm, hex] of Object.entries(wanted)) {
      const got = channels(filmHex(Number(nm)));
      channels(hex).forEach((c, k) => expect(Math.abs(c - got[k]!)).toBeLessThanOrEqual(1));
    }
  });
  it("2 h at 204 C on clean steel is straw (trade), 3 min at 290 C blue", () => {
    expect(oxideName(oxideFilm_nm({ temperature_C: 204.4, hold_min: 120 }))).toBe("straw");
    expect(oxideName(oxideFilm_nm({ temperature_C: 295, hold_min: 3 }))).toMatch(/blue/);
  });
  it("straw, bronze, purple, blue come in the order smiths see them from edge to back", () => {
    const seen = [200, 215, 232, 250, 285].map((T) => oxideName(oxideFilm_nm({ temperature_C: T, hold_min: 30 })));
    const order = OXIDE_NAMES.map(({ name }) => name);
    const at = seen.map((name) => order.indexOf(name));
    expect([...at].sort((a, b) => a - b)).toEqual(at);
  });
  it("a history in steps gives the same film as one hold, and the inverse returns the heat", () => {
    let film = 0;
    for (let i = 0; i < 120; i++) film = growFilm_nm(film, { temperature_C: 200, hold_min: 1 });
    expect(film).toBeCloseTo(oxideFilm_nm({ temperature_C: 200, hold_min: 120 }), 6);
    expect(film).toBeCloseTo(21.04, 1);
    fc.assert(
      fc.property(
        fc.double({ min: 180, max: 350, noNaN: true }),
        fc.double({ min: 1, max: 240, noNaN: true }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        (T, hold_min, shift) => {
          const nm = oxideFilm_nm({ temperature_C: T, hold_min, alloyShift_K: shift });
          if (nm > 0) expect(temperatureForFilm_C(nm, hold_min, shift)).toBeCloseTo(T, 6);
        },
      ),
    );
    expect(alloyShift_K({ Cr: 1, Si: 0 })).toBe(12);
  });
});
