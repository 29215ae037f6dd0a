import { describe, expect, it } from "@jest/globals";
import { bathAfter_C, heatGivenUp_J_kg } from "../../src/heat/bathHeat.js";
import {
  bathAhead,
  fallsTo_s,
  bathState,
  learnedTau_s,
  levelRise_mm,
  SHOP_AIR_C,
  usualTau_s,
  waitFor_s,
  warmingTo,
  type BathLog,
  type BathTank,
} from "../../src/heat/bathState.js";

const OIL: BathTank = { liquid: { density_kg_m3: 870, heatCapacity_J_kgK: 1980 }, volume_L: 20, area_m2: 0.45 };
const AIR = SHOP_AIR_C;
const read = (at_s: number, top_C: number, isStirred = true) => ({ at_s, entry: "read", top_C, isStirred }) as const;

describe("how a bath cools", () => {
  // Newton's law in closed form: T = air + (T0 - air) exp(-t / tau).
  it("falls as the closed form says once its readings have told its rate", () => {
    const tau = 5400;
    const at = (t: number): number => AIR + 50 * Math.exp(-t / tau);
    const log: BathLog = [0, 1200, 2400, 3600, 4800].map((t) => read(t, at(t)));
    const { tau_s, from } = learnedTau_s(OIL, log);
    expect(from).toBe(4);
    expect(Math.abs(tau_s / tau - 1)).toBeLessThan(0.08);
    expect(Math.abs(bathState(OIL, log, 6600).mean_C - at(6600))).toBeLessThan(1.2);
  });
  it("unwatched, an oil of twenty litres takes an hour or two to lose most of its warmth", () => {
    // Common practice, no source: a bucket of warm oil is still warm after an hour, and cold by the evening.
    expect(usualTau_s(OIL)).toBeGreaterThan(3600);
    expect(usualTau_s(OIL)).toBeLessThan(4 * 3600);
  });
  it("is known less well the longer nobody reads it, and stands at the air after a night", () => {
    const log = [read(0, 60)];
    const sds = [0, 600, 3600].map((t) => bathState(OIL, log, t).sd_C);
    expect(sds[1]!).toBeGreaterThan(sds[0]!);
    expect(sds[2]!).toBeGreaterThan(sds[1]!);
    expect(Math.abs(bathState(OIL, log, 60_000).mean_C - AIR)).toBeLessThan(0.5);
  });
  it("nobody has read is not known", () => {
    expect(bathState(OIL, [], 0)).toMatchObject({ read: null, quenches: 0 });
    expect(bathState(OIL, [], 0).sd_C).toBeGreaterThan(10);
  });
  it("a reading that was not stirred moves it less than one that was", () => {
    const spread = (isStirred: boolean): number => bathState(OIL, [read(0, 60, isStirred)], 0).sd_C;
    expect(spread(false)).toBeGreaterThan(2 * spread(true));
  });
  it("read at the top and at the bottom it is the mean of both", () => {
    const log: BathLog = [{ at_s: 0, entry: "read", top_C: 58, bottom_C: 51, isStirred: false }];
    expect(Math.abs(bathState(OIL, log, 0).mean_C - 54.5)).toBeLessThan(1);
  });
});

describe("what was just read is what is shown", () => {
  const NEAR = 1.5;
  it("seventy and then forty, both stirred: forty, and which of the two it was is asked", () => {
    const { mean_C, sd_C, doubt } = bathState(OIL, [read(0, 70), read(60, 40)], 61);
    expect(Math.abs(mean_C - 40)).toBeLessThan(NEAR);
    expect(sd_C).toBeLessThan(2);
    expect(doubt).toMatchObject({ is: "which", read_C: 40 });
    expect(Math.abs(doubt!.expected_C - 70)).toBeLessThan(2);
  });
  it("the next look tells: like the second, it moved; like the first, the second was nonsense", () => {
    const then = (C: number) => bathState(OIL, [read(0, 70), read(60, 40), read(120, C)], 121);
    expect(then(40.5)).toMatchObject({ doubt: { is: "moved" } });
    expect(then(69)).toMatchObject({ doubt: { is: "slip", read_C: 40 } });
    expect(Math.abs(then(69).mean_C - 69)).toBeLessThan(NEAR);
  });
  it("55, 55 and then 58 is 58 within the thermometer's error", () => {
    expect(Math.abs(bathState(OIL, [read(0, 55), read(60, 55), read(120, 58)], 121).mean_C - 58)).toBeLessThanOrEqual(NEAR);
  });
  it("25 at the top of what was 55 is no 32", () => {
    const { mean_C } = bathState(OIL, [read(0, 55), read(60, 55), read(120, 25, false)], 121);
    expect(Math.abs(mean_C - 24)).toBeLessThan(2);
  });
  it("is not asked about once somebody said why, nor after an hour", () => {
    const log: BathLog = [read(0, 70), read(60, 40)];
    expect(bathState(OIL, [...log, { at_s: 70, entry: "because", why: "filled-up" }], 80).doubt).toBeNull();
    const misread = bathState(OIL, [...log, { at_s: 70, entry: "because", why: "misread" }], 80);
    expect(misread.doubt).toBeNull();
    expect(Math.abs(misread.mean_C - 70)).toBeLessThan(NEAR);
    expect(bathState(OIL, log, 4000).doubt).toBeNull();
  });
  it("a tank that was filled up between two looks teaches no rate", () => {
    expect(learnedTau_s(OIL, [read(0, 60), read(900, 40)]).from).toBe(0);
  });
});

describe("what hot steel brings", () => {
  // By hand: 0.5 kg from 800 C gives up about 0.5 x 0.7 kJ/(kg K) x 745 K = 261 kJ (textbook mean heat capacity of steel over that range,
  // 0.65 to 0.75); 20 L of oil hold 20 x 0.87 x 1.98 = 34.5 kJ/K: 7.6 K.
  it("as by hand from textbook heat capacities, within a sixth", () => {
    const log: BathLog = [read(0, 50), { at_s: 1, entry: "quench", mass_kg: 0.5, piece_C: 800 }];
    const { mean_C, quenches } = bathState(OIL, log, 1);
    expect(quenches).toBe(1);
    expect(Math.abs((mean_C - 50) / 7.6 - 1)).toBeLessThan(1 / 6);
  });
  it("heat is kept: what the steel gives up is what the bath takes", () => {
    const after = bathAfter_C(OIL.liquid, OIL.volume_L, 50, 0.5, 800);
    expect(((after - 50) * OIL.volume_L * 0.87 * 1.98) / ((0.5 * heatGivenUp_J_kg(800, after)) / 1000)).toBeCloseTo(1, 5);
  });
  it("pieces after each other add up, and the wait lets the next one in", () => {
    const piece = { mass_kg: 0.6, piece_C: 810 };
    const [first, second] = bathAhead(OIL, 60, [piece, piece]);
    expect(second! - first!).toBeGreaterThan(0.9 * (first! - 60));
    const state = { mean_C: 66, tau_s: 7000 };
    const wait = waitFor_s(OIL, state, piece, 70)!;
    const then = AIR + (66 - AIR) * Math.exp(-wait / 7000);
    expect(bathAfter_C(OIL.liquid, OIL.volume_L, then, piece.mass_kg, piece.piece_C)).toBeCloseTo(70, 3);
    expect(waitFor_s(OIL, { mean_C: 40, tau_s: 7000 }, piece, 70)).toBe(0);
    expect(waitFor_s({ ...OIL, volume_L: 1 }, state, piece, 70)).toBeNull();
  });
  it("colder oil poured in cools it by the rule of mixing", () => {
    const log: BathLog = [read(0, 60), { at_s: 0, entry: "added", added_L: 5 }];
    const before = bathState(OIL, [read(0, 60)], 0).mean_C;
    expect(bathState(OIL, log, 0).mean_C).toBeCloseTo((before * 20 + AIR * 5) / 25, 6);
  });
});

describe("warming it", () => {
  // By hand: 34.5 kJ/K x 35 K = 1206 kJ; 1500 W alone bring that in 804 s, with what is lost meanwhile a little longer.
  it("a heater takes the time its watts and the litres say, and a little for what is lost", () => {
    const { heater_s } = warmingTo(OIL, { mean_C: 20, tau_s: 7000 }, 55, 800, 1, 1500);
    expect(heater_s!).toBeGreaterThan(800);
    expect(heater_s!).toBeLessThan(950);
    expect(warmingTo(OIL, { mean_C: 20, tau_s: 7000 }, 55, 800, 1, 60).heater_s).toBeNull();
  });
  it("bars: twice as heavy, half as often; warm enough, none", () => {
    const state = { mean_C: 20, tau_s: 7000 };
    const [one, two] = [1, 2].map((kg) => warmingTo(OIL, state, 55, 800, kg, null).dips);
    expect(one).toBeGreaterThanOrEqual(2);
    expect(two).toBe(Math.ceil(one! / 2));
    expect(warmingTo(OIL, { ...state, mean_C: 60 }, 55, 800, 1, null)).toEqual({ bar_kg: 0, dips: 0, heater_s: 0 });
  });
});

it("a kilogram lifts a tank of 200 by 200 mm by what its volume is over the surface", () => {
  expect(levelRise_mm(7.85, 40_000)).toBeCloseTo(25, 0);
});

it("falls to a temperature when the closed form says so, and is there already where it is colder", () => {
  expect(fallsTo_s({ mean_C: AIR + 40, tau_s: 6000 }, AIR + 20)).toBeCloseTo(6000 * Math.LN2, 6);
  expect(fallsTo_s({ mean_C: AIR + 10, tau_s: 6000 }, AIR + 20)).toBeLessThan(0);
});
