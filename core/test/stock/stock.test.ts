import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { withResiduals } from "../../src/kinetics/composition.js";
import { a255IdealDiameter_mm } from "../../src/kinetics/hardenability.js";
import { resolveSteel } from "../../src/plan/catalogue.js";
import { harden } from "../../src/simulate/harden.js";
import { Bench } from "../../src/stock/bench.js";
import { believe, effective, gradeChances, normalised, spreadOf, type Coupon, type Seen } from "../../src/stock/belief.js";
import { GRADES, gradeOf } from "../../src/stock/grades.js";
import { looksSay } from "../../src/stock/looks.js";
import { drawMembers, nearestGrade } from "../../src/stock/members.js";
import { entropy, information, isSafe, nextCoupon } from "../../src/stock/nextCoupon.js";
import { dissolvedAt, fallsIn, hardenedAlong } from "../../src/stock/quick.js";
import { priorOf, SOURCES, type SourceId } from "../../src/stock/sources.js";

const medium = (id: string) => CATALOGUE.medium(id)!;
const OIL = medium("fast-oil");
const WATER = medium("water");
const ROUND = { shape: "round", diameter_mm: 11 } as const;
const WANTED = { section: ROUND, media: [OIL, WATER] };
const coupon = (found: Partial<Coupon>): Coupon => ({
  section: ROUND,
  heat_C: 830,
  hold_min: 5,
  medium: OIL,
  bath_C: 55,
  at: "middle",
  ...found,
});
const SKATES_60 = [
  { hardness_HRC: 60, result: "skates" },
  { hardness_HRC: 65, result: "bites" },
] as const;

describe("what found bars are made of", () => {
  it("the chances of the grades come to 1, wherever it was found, and every grade is one that is known", () => {
    for (const source of Object.keys(SOURCES) as SourceId[]) {
      const prior = priorOf(source);
      expect([...prior.values()].reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 9);
      for (const [grade] of SOURCES[source].made) expect(gradeOf(grade)?.id).toBe(grade);
    }
  });

  // SAE J403, J404: each steel of the catalogue that a standard limits lies inside its limits.
  it("the steels of the catalogue keep the limits of their grade", () => {
    for (const { id, composition_wtpct } of CATALOGUE.steels) {
      const limits = GRADES.find((grade) => grade.id === id)?.limits;
      if (limits === undefined) continue;
      const steel = withResiduals(composition_wtpct.value);
      for (const [element, [from, to]] of Object.entries(limits)) {
        const x = steel[element as keyof typeof steel];
        expect(`${id} ${element} ${x >= from - 0.06 && x <= to + 0.06 ? "in" : x}`).toBe(`${id} ${element} in`);
      }
    }
  });

  it("members keep the limits of their grade, and their weights come to 1; an analysis draws what it says", () => {
    const members = drawMembers(priorOf("leaf-spring"));
    expect(members.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 6);
    for (const { grade, steel } of members) {
      const [from, to] = gradeOf(grade)!.limits.C!;
      expect(steel.C).toBeGreaterThanOrEqual(from);
      expect(steel.C).toBeLessThanOrEqual(to);
    }
    const certified = drawMembers(priorOf("unknown"), undefined, { C: 0.84, Mn: 0.75 });
    expect(
      spreadOf(
        certified.map(({ steel }) => steel.C),
        certified.map(({ weight }) => weight),
      ).mean,
    ).toBeCloseTo(0.84, 2);
    expect(nearestGrade(withResiduals({ C: 0.6, Mn: 0.88, Si: 0.25, Cr: 0.8 }))).toBe("5160");
  });
});

describe("a hardening worked out quickly", () => {
  const bath = (id: string) =>
    ({ medium: medium(id), bath_C: medium(id).usualBath_C, agitation: "mild", immersion: { kind: "full" } }) as const;
  const cases = [
    ["fast-oil", 3],
    ["fast-oil", 6],
    ["water", 5],
    ["vegetable-oil", 4],
    ["vegetable-oil", 8],
  ] as const;
  it.each(cases)("in %s at %d mm tells hard from soft as the core itself does", (id, thickness_mm) => {
    const section = { shape: "plate", thickness_mm } as const;
    const { centre } = fallsIn(section, bath(id), 850);
    for (const name of ["1045", "1060", "1084", "1095", "5160", "52100", "o1", "9260"]) {
      const steel = resolveSteel(CATALOGUE, name);
      const quick = hardenedAlong(steel.composition_wtpct, dissolvedAt(steel.composition_wtpct, "pearlite", 830, 5), centre, 1, 1);
      const whole = harden(
        { steel, prior: "pearlite", section, heat_C: 830, hold_s: 300, transfer_s: 2, bath_s: null, ...bath(id) },
        { members: 0 },
      );
      const hard = whole.martensite.centre + whole.retainedAustenite;
      expect(`${name} ${Math.abs(quick.hard - hard) < 0.2 ? "as the core" : `${quick.hard} for ${hard}`}`).toBe(`${name} as the core`);
      if (hard > 0.9) expect(Math.abs(quick.hrc - whole.centre.mean_HRC)).toBeLessThan(2.5);
    }
  });

  // ASTM A255: steels of a greater ideal diameter harden thicker.
  it("how thick grades harden in oil follows their ideal diameter by the standard", () => {
    const ids = ["1045", "1060", "1084", "4140", "4340", "5160", "9260"];
    const members = ids.map((grade) => {
      const { limits } = gradeOf(grade)!;
      const middle = Object.fromEntries(Object.entries(limits).map(([element, [from, to]]) => [element, (from + to) / 2]));
      return { grade, steel: withResiduals(middle), rateRatio: 1, bathRatio: 1, waterRatio: 1, weight: 1 };
    });
    const depths = new Bench(members).depths_mm(OIL);
    const ideal = members.map(({ steel }) => a255IdealDiameter_mm(steel, 8));
    const pairs = ids.flatMap((_, a) => ids.slice(a + 1).map((__, k) => [a, a + 1 + k] as const));
    const agree = pairs.filter(([a, b]) => (depths[a]! - depths[b]!) * (ideal[a]! - ideal[b]!) > 0).length;
    expect(agree / pairs.length).toBeGreaterThan(0.8);
  });
});

describe("belief", () => {
  const chanceOf = (seen: Seen, grades: readonly string[]): number => {
    const { members, weights } = believe(seen);
    const chances = gradeChances(members, weights);
    return grades.reduce((sum, grade) => sum + (chances.get(grade) ?? 0), 0);
  };

  // Bayes by hand: priors 0.6, 0.3, 0.1; a look that is seen of each with 0.9, 0.5, 0.1: 0.54, 0.15, 0.01 of 0.70.
  it("three steels and one look, by hand", () => {
    const prior = [0.6, 0.3, 0.1];
    const seen = [0.9, 0.5, 0.1];
    const after = normalised(prior.map((p, i) => p * seen[i]!));
    expect(after.map((p) => p.toFixed(3))).toEqual(["0.771", "0.214", "0.014"]);
    expect(effective([1])).toBe(1);
    expect(effective([0.5, 0.5])).toBeCloseTo(2, 9);
  });

  it("more carbon is told by more bursts, molybdenum by a spear, and no magnet by no steel of this trade", () => {
    const lean = withResiduals({ C: 0.2, Mn: 0.7 });
    const rich = withResiduals({ C: 0.95, Mn: 0.4 });
    expect(looksSay(rich, { spark: { bursts: "very-many" } })).toBeGreaterThan(5 * looksSay(lean, { spark: { bursts: "very-many" } }));
    expect(looksSay(lean, { spark: { bursts: "none" } })).toBeGreaterThan(5 * looksSay(rich, { spark: { bursts: "none" } }));
    const moly = withResiduals({ C: 0.4, Mn: 0.9, Cr: 1, Mo: 0.2 });
    expect(looksSay(moly, { spark: { ends: "spear" } })).toBeGreaterThan(3 * looksSay(rich, { spark: { ends: "spear" } }));
    expect(looksSay(rich, { isMagnetic: false })).toBeLessThan(0.05);
  });

  it("a coil of which the middle skates in oil is a spring steel that oil hardens; one that does not is none", () => {
    const springs = ["5160", "9260", "6150"];
    const before = chanceOf({ source: "coil-spring", coupons: [] }, springs);
    expect(chanceOf({ source: "coil-spring", coupons: [coupon({ files: SKATES_60 })] }, springs)).toBeGreaterThan(before);
    const soft = chanceOf({ source: "coil-spring", coupons: [coupon({ files: [{ hardness_HRC: 50, result: "bites" }] })] }, springs);
    expect(soft).toBeLessThan(before / 2);
  });

  it("an edger blade that stays soft in water is too lean to harden, and that is told before the work", () => {
    const thin = { shape: "plate", thickness_mm: 3 } as const;
    const bites = coupon({ section: thin, medium: WATER, bath_C: 25, at: "surface", files: [{ hardness_HRC: 45, result: "bites" }] });
    const { members, weights } = believe({ source: "edger-blade", coupons: [bites] });
    const lean = members.reduce((sum, { steel }, i) => sum + (steel.C < 0.35 ? weights[i]! : 0), 0);
    expect(lean).toBeGreaterThan(0.8);
  });

  it("a coupon that came from too low a heat is taken as that, not as soft steel", () => {
    const files = [{ hardness_HRC: 50, result: "bites" }] as const;
    const carbon = (seen: Coupon): number => {
      const { members, weights } = believe({ source: "leaf-spring", coupons: [seen] });
      return spreadOf(
        members.map(({ steel }) => steel.C),
        weights,
      ).mean;
    };
    const thin = { shape: "plate", thickness_mm: 3 } as const;
    const cold = carbon(coupon({ section: thin, heat_C: 725, files }));
    const hot = carbon(coupon({ section: thin, heat_C: 840, files }));
    expect(cold).toBeGreaterThan(hot + 0.1);
  });

  it("two coupons that can hardly both be true are named", () => {
    const thin = { shape: "plate", thickness_mm: 3 } as const;
    const hard = coupon({ section: thin, files: [{ hardness_HRC: 65, result: "skates" }] });
    const soft = coupon({ section: thin, medium: WATER, bath_C: 25, files: [{ hardness_HRC: 45, result: "bites" }] });
    expect(believe({ source: "unknown", coupons: [hard, soft] }).clash).toEqual([0, 1]);
    expect(believe({ source: "unknown", coupons: [hard, hard] }).clash).toBeNull();
  });
});

describe("the coupon that tells most", () => {
  // Shannon by enumeration: two even states told without error: ln 2; told by a coin: nothing; told right 3 times in 4: ln 2 - h(1/4).
  it("information of a small case, by hand", () => {
    const even = ["a", "b"];
    expect(
      information(
        even,
        [0.5, 0.5],
        [
          [1, 0],
          [0, 1],
        ],
      ),
    ).toBeCloseTo(Math.LN2, 9);
    expect(
      information(
        even,
        [0.5, 0.5],
        [
          [0.5, 0.5],
          [0.5, 0.5],
        ],
      ),
    ).toBeCloseTo(0, 9);
    expect(
      information(
        even,
        [0.5, 0.5],
        [
          [0.75, 0.25],
          [0.25, 0.75],
        ],
      ),
    ).toBeCloseTo(Math.LN2 - entropy([0.25, 0.75]), 9);
  });

  it("is proposed with its outcomes and their chances; it leaves the bath surer than it is, and none is asked for where all is known", () => {
    const belief = believe({ source: "coil-spring", coupons: [] });
    expect(isSafe(belief, WANTED)).toBe(false);
    const next = nextCoupon(belief, WANTED)!;
    expect(next.outcomes.reduce((sum, { chance }) => sum + chance, 0)).toBeGreaterThan(0.95);
    expect(next.after).toBeGreaterThan(next.now);
    const known = believe({ source: "unknown", certificate: { C: 0.84, Mn: 0.75, Si: 0.2 }, coupons: [] });
    const thin = { ...WANTED, section: { shape: "plate", thickness_mm: 2 } as const };
    expect(isSafe(known, thin)).toBe(true);
  });
});
