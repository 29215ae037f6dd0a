import { describe, expect, it } from "@jest/globals";
import { typeKTemperature_C, typeKVoltage_mV } from "../../src/heat/thermocouple.js";
import { constantBoundary } from "../../src/heat/media.js";
import { fullComposition } from "../../src/kinetics/composition.js";
import { a255InitialHardness_HRC } from "../../src/kinetics/hardness.js";
import { coolBody } from "../../src/simulate/cool.js";
import { endQuench, endQuenchSpread, isothermalDiagram } from "../../src/simulate/diagrams.js";
import { runVerb } from "../../src/verbs/index.js";
import { steel } from "../catalogue.js";
import { outside } from "../outside.js";
import { a255IdealDiameter_mm } from "../../src/kinetics/hardenability.js";
import { idealDiameter_mm } from "../../src/simulate/idealDiameter.js";
import bars from "../reference/endQuench.json" with { type: "json" };
import bands from "../reference/hardenabilityBands.json" with { type: "json" };
import heldBack from "../../../tools/fit/heldBack.json" with { type: "json" };

describe("the end-quenched bar", () => {
  for (const { name, composition_wtpct, half_16ths } of bars.rows) {
    it(`${name}: half martensite about ${half_16ths} sixteenths from the end, full hardness at the first`, () => {
      const x = fullComposition(composition_wtpct);
      const { points, half_mm } = endQuench(x, 7);
      outside({
        topic: "End quench",
        what: `${name}, half martensite`,
        source: bars.source,
        unit: "sixteenths",
        wanted: half_16ths,
        got: half_mm! / (25.4 / 16),
        tolerance: 0.25 * half_16ths + 0.5,
        because: "the note claims a quarter in hardenability; curves are read to half a sixteenth",
      });
      outside({
        topic: "End quench",
        what: `${name}, first sixteenth`,
        source: "ASTM A255 initial hardness, polynomial from memory",
        unit: "HRC",
        wanted: a255InitialHardness_HRC(x.C > 0.66 ? 0.66 : x.C),
        got: points[0]!.hardness_HRC,
        tolerance: 2,
        because: "the standard's line is rounded to 1 HRC; above 0.66 % carbon it is flat",
      });
    });
  }
  it("never harder further from the end, for shallow and deep hardening steel, and the bar stays finite", () => {
    for (const id of ["1095", "1045", "80crv2", "o1", "l6"]) {
      const { points } = endQuench(steel(id).composition_wtpct);
      expect(points[0]!.distance_mm).toBeCloseTo(25.4 / 16, 9);
      for (let i = 1; i < points.length; i++) {
        expect(points[i]!.hardness_HRC).toBeLessThanOrEqual(points[i - 1]!.hardness_HRC + 0.6);
        expect(Number.isFinite(points[i]!.hardness_HRC)).toBe(true);
      }
    }
  }, 60000);
});

describe("the jet of the end-quenched bar", () => {
  it("cools the bar at 704 C as the standard prints it", () => {
    const { points, rateAt704_K_s } = endQuench(fullComposition({ C: 0.4, Mn: 0.87, Si: 0.25, Cr: 0.95, Mo: 0.2 }));
    // The bar's own rates, 490 F/s at the first sixteenth and so on, as the standard has them beside its distances.
    for (const [sixteenths, wanted] of [
      [1, 272],
      [2, 169],
      [4, 69],
      [8, 18.3],
      [16, 5.6],
    ] as const) {
      const at = points.findIndex(({ distance_mm }) => Math.abs(distance_mm - (sixteenths * 25.4) / 16) < 0.01);
      outside({
        topic: "End quench",
        what: `cooling at 704 C, ${sixteenths} sixteenths from the end`,
        source: "ASTM A255 cooling rates of the bar, from memory; the jet was fitted with the first of them in view",
        unit: "K/s",
        wanted,
        got: rateAt704_K_s[at]!,
        tolerance: 0.3 * wanted,
        because: "two numbers of one jet cannot have all five; the second sixteenth is the worst",
      });
    }
  });
});

describe("traces from scrap", () => {
  it("0.01 % molybdenum deepens 1084 by a few hundredths (ASTM A255), not by a quarter", () => {
    const bar = (Mo: number): number => idealDiameter_mm(fullComposition({ C: 0.84, Mn: 0.75, Si: 0.22, Cr: 0.08, Ni: 0.06, Mo }));
    outside({
      topic: "Ideal diameter",
      what: "1084 with 0.01 % molybdenum against none",
      source: "ASTM A255 multiplying factor 1 + 3 Mo, from memory",
      unit: "ratio",
      wanted: 1.03,
      got: bar(0.01) / bar(0),
      tolerance: 0.07,
      because: "the search for the diameter is good to a hundredth",
    });
  });
  it("what nobody named is taken as usual, what was named as nothing is nothing", () => {
    const { composition_wtpct: usual, assumed_wtpct } = steel({ composition_wtpct: { C: 0.8, Mn: 0.7 } });
    expect([usual.Cr, usual.Ni, usual.Mo]).toEqual([0.08, 0.06, 0.01]);
    expect(assumed_wtpct).toEqual({ Cr: 0.08, Ni: 0.06, Mo: 0.01 });
    const told = steel({ composition_wtpct: { C: 0.8, Mn: 0.7, Cr: 0, Ni: 0.1, Mo: 0 } });
    expect([told.composition_wtpct.Cr, told.composition_wtpct.Ni, told.assumed_wtpct]).toEqual([0, 0.1, {}]);
  });
});

describe("the end-quenched bar against published bands", () => {
  for (const { name, composition_wtpct, band } of bands.rows) {
    it(`${name}: inside its band, or within 2 HRC of it`, () => {
      const { points } = endQuench(fullComposition(composition_wtpct));
      for (const [sixteenths, low, high] of band as [number, number, number][]) {
        const got = points.find(({ distance_mm }) => Math.abs(distance_mm - (sixteenths * 25.4) / 16) < 0.01)!.hardness_HRC;
        outside({
          topic: "End quench bands",
          what: `${name} at ${sixteenths} sixteenths`,
          source: bands.source,
          unit: "HRC, middle of the band",
          wanted: 0.5 * (low + high),
          got,
          tolerance: 0.5 * (high - low) + (name === "52100" ? 4 : bands.readingError),
          because: "half the band, and 2 HRC for remembering it (of 52100 it is one typical curve: 4)",
        });
      }
    });
  }
});

describe("the end-quenched bar over many heats", () => {
  it("is gentler at the cliff than the bar of the middle composition, and as hard at its end", () => {
    const x = fullComposition({ C: 0.6, Mn: 0.87, Si: 0.25, Cr: 0.8 });
    const [one, heats] = [endQuench(x, undefined, undefined, "coarse").points, endQuenchSpread(x).points];
    const steepest = (hrc: readonly number[]): number => Math.max(...hrc.slice(1).map((h, i) => hrc[i]! - h));
    expect(steepest(heats.map(({ mean_HRC }) => mean_HRC))).toBeLessThan(steepest(one.map(({ hardness_HRC }) => hardness_HRC)));
    expect(Math.abs(heats[0]!.mean_HRC - one[0]!.hardness_HRC)).toBeLessThan(1);
    for (const { p05_HRC, mean_HRC, p95_HRC } of heats) {
      expect(p05_HRC).toBeLessThan(mean_HRC);
      expect(mean_HRC).toBeLessThan(p95_HRC);
    }
  }, 30000);
});

describe("ideal diameter against multiplying factors", () => {
  const rows = heldBack.rows.filter((row) => row.kind === "ideal-diameter") as { name: string; composition_wtpct: object }[];
  it("thirteen steels the constants never saw: within a half each, within a quarter as a whole", () => {
    expect(rows).toHaveLength(13);
    const logs = rows.map(({ name, composition_wtpct }) => {
      const steel = fullComposition(composition_wtpct);
      const [got, wanted] = [idealDiameter_mm(steel) / 25.4, a255IdealDiameter_mm(steel) / 25.4];
      outside({
        topic: "Ideal diameter",
        what: `${name}, half martensite at the centre`,
        source: "ASTM A255 multiplying factors, from memory; held back from the fit",
        unit: "inch",
        wanted,
        got,
        tolerance: wanted / 2,
        because:
          "the factors belong to their own dividing tables, not to rounds of first principles: bands and rounds were given more weight",
      });
      return Math.log(got / wanted);
    });
    expect(Math.sqrt(logs.reduce((sum, ln) => sum + ln * ln, 0) / logs.length)).toBeLessThan(0.25);
  }, 60000);
});

describe("change at constant heat", () => {
  const rows: readonly [string, object, number, number, number, string][] = [
    ["1080", { C: 0.79, Mn: 0.76, Si: 0.2, Cr: 0.05 }, 6, 540, 0.85, "fitted with it in view"],
    ["1095", { C: 0.89, Mn: 0.3, Si: 0.2, Cr: 0.05 }, 6, 540, 0.6, "held back: well under a second"],
    ["5160", { C: 0.6, Mn: 0.87, Si: 0.25, Cr: 0.8 }, 6.5, 540, 6, "fitted with it in view: several seconds"],
    ["4340", { C: 0.4, Mn: 0.7, Si: 0.25, Ni: 1.8, Cr: 0.8, Mo: 0.25 }, 7, 430, 12, "held back: nose of bainite"],
    ["O1", { C: 0.8, Mn: 1.15, Si: 0.3, Cr: 0.45, W: 0.4, V: 0.1 }, 9, 650, 20, "held back: nose of pearlite"],
  ];
  for (const [name, composition_wtpct, grain, T, wanted_s, how] of rows) {
    it(`${name}: first hundredth at ${T} C within a factor of two and a half of ${wanted_s} s`, () => {
      const { pearlite, bainite, ferrite } = isothermalDiagram(fullComposition(composition_wtpct), grain);
      const start = Math.min(...[pearlite, bainite, ferrite].flatMap((c) => c.filter((p) => p.temperature_C === T).map((p) => p.start_s)));
      outside({
        topic: "Isothermal diagrams",
        what: `${name}, start at ${T} C`,
        source: `isothermal diagram, from memory; ${how}`,
        unit: "log10 s",
        wanted: Math.log10(wanted_s),
        got: Math.log10(start),
        tolerance: 0.398,
        because: "diagrams of one grade differ by a factor of two and more with heat, grain and what is called a start",
      });
    });
  }
  it("1080: the nose lies near 540 C", () => {
    outside({
      topic: "Isothermal diagrams",
      what: "1080, heat of the nose",
      source: "diagram of 1080, from memory",
      unit: "C",
      wanted: 540,
      got: isothermalDiagram(fullComposition({ C: 0.79, Mn: 0.76, Si: 0.2, Cr: 0.05 }), 6).nose.temperature_C,
      tolerance: 45,
      because: "a known miss of 30 to 40 C: the end-quench bars pull the other way",
    });
  });
  it("a curve starts before it ends, and alloyed steel waits longer at its nose", () => {
    const diagrams = ["1095", "1084", "5160", "o1"].map((id) => isothermalDiagram(steel(id).composition_wtpct));
    for (const { pearlite, bainite } of diagrams)
      for (const { start_s, end_s } of [...pearlite, ...bainite]) expect(start_s).toBeLessThan(end_s);
    // Six or seven times in the diagrams (from memory); at least three here.
    expect(diagrams[2]!.nose.start_s).toBeGreaterThan(3 * diagrams[1]!.nose.start_s);
  });
  it("ferrite is drawn below the eutectoid only", () => {
    expect(isothermalDiagram(steel("1045").composition_wtpct).ferrite.length).toBeGreaterThan(3);
    expect(isothermalDiagram(steel("1095").composition_wtpct).ferrite).toEqual([]);
  });
});

describe("cooling of a body that does not change", () => {
  it("a thin plate in a weak bath follows Newton's law: exp(-h t / (rho c d/2))", () => {
    const material = { conductivity_W_mK: 400, density_kg_m3: 8000, heatCapacity_J_kgK: 500 };
    const { curve } = coolBody({
      section: { shape: "plate", thickness_mm: 2 },
      start_C: 500,
      face: constantBoundary(100, 20),
      time_s: 30,
      material,
    });
    const last = curve.at(-1)!;
    const exact = 20 + 480 * Math.exp((-100 * last.time_s) / (8000 * 500 * 0.001));
    outside({
      topic: "Conduction",
      what: "thin plate, lumped, after 30 s",
      source: "Newton's law of cooling, Biot 0.00025",
      unit: "C",
      wanted: exact,
      got: last.centre_C,
      tolerance: 1,
      because: "first order in time at steps of 2 K",
    });
  });
  it("refuses surroundings that do not cool", () => {
    expect(() =>
      runVerb("cool", { section: { shape: "plate", thickness_mm: 2 }, start_C: 50, medium: "water", bath_C: 60, time_s: 5 }),
    ).toThrow(/do not cool/);
  });
});

describe("type K thermocouple", () => {
  // nistItsK
  const rows: readonly (readonly [number, number])[] = [
    [-200, -5.891],
    [-100, -3.554],
    [0, 0],
    [100, 4.096],
    [200, 8.138],
    [400, 16.397],
    [600, 24.905],
    [800, 33.275],
    [1000, 41.276],
    [1200, 48.838],
  ];
  for (const [temperature_C, emf_mV] of rows) {
    it(`${temperature_C} C is ${emf_mV} mV, and back`, () => {
      const shared = { topic: "Thermocouple", source: "ITS-90 type K table, NIST Monograph 175, from memory" };
      outside({
        ...shared,
        what: `${temperature_C} C`,
        unit: "mV",
        wanted: emf_mV,
        got: typeKVoltage_mV(temperature_C),
        tolerance: 0.0006,
        because: "the table keeps three digits",
      });
      outside({
        ...shared,
        what: `${emf_mV} mV`,
        unit: "C",
        wanted: temperature_C,
        got: typeKTemperature_C(emf_mV),
        tolerance: 0.05,
        because: "half a microvolt",
      });
    });
  }
  it("a warm cold junction adds its own voltage", () => {
    expect(typeKTemperature_C(typeKVoltage_mV(800) - typeKVoltage_mV(25), 25)).toBeCloseTo(800, 3);
    expect(runVerb("thermocouple", { type: "K", temperature_C: 100, coldJunction_C: 0 })).toMatchObject({ temperature_C: 100 });
    expect(() => runVerb("thermocouple", { type: "K" })).toThrow(/either emf_mV or temperature_C/);
    expect(() => runVerb("thermocouple", { type: "J", temperature_C: 100 })).toThrow("/type");
  });
});

describe("the verbs' shapes", () => {
  it("ttt, jominy, cool", () => {
    const ttt = runVerb("ttt", { steel: "1084" }) as { nose: { start_s: number }; pearlite: object[] };
    expect(ttt.nose.start_s).toBeGreaterThan(0.2);
    expect(Object.keys(ttt.pearlite[0]!)).toEqual(["temperature_C", "start_s", "end_s"]);
    const bar = runVerb("jominy", { steel: "1084" }) as { points: { distance_mm: number; hrc: number }[] };
    expect(bar.points.length).toBeGreaterThan(15);
    const cooled = runVerb("cool", {
      section: { shape: "square", side_mm: 20 },
      start_C: 800,
      medium: "fast-oil",
      bath_C: 50,
      time_s: 30,
    }) as { maxRate_C_s: number; maxRateAt_C: number; curve: { centre_C: number }[] };
    expect(cooled.maxRate_C_s).toBeGreaterThan(5);
    expect(cooled.maxRateAt_C).toBeLessThan(800);
    expect(cooled.curve.at(-1)!.centre_C).toBeLessThan(400);
  });
});
