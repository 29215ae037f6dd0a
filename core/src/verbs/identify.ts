/** Verb that tells what a found bar may be, and which coupon would tell most: identify. */

import { CATALOGUE } from "../catalogue.js";
import { InputError } from "../errors.js";
import { isLiquid } from "../heat/bathKind.js";
import { requireAny } from "../schema/checkAll.js";
import type { Medium } from "../schema/medium.js";
import type { Section } from "../schema/parts.js";
import { usualHeat_C } from "../stock/bench.js";
import { believe, gradeChances, spreadOf, type Coupon } from "../stock/belief.js";
import { gradeOf } from "../stock/grades.js";
import { bestBath, hardensIn, isSafe, nextCoupon, type NextCoupon } from "../stock/nextCoupon.js";
import { SOURCES, type Caution } from "../stock/sources.js";
import type { Said } from "./english.js";

/** Baths that are asked about where nobody says what the shop has, the milder first. */
const USUAL_MEDIA = ["medium-oil", "fast-oil", "water"] as const;
/** A piece of a bar that nobody measured, mm. */
const USUAL_mm = 5;
const HOLD_MIN = 5;
/** Rarer than this a grade is not told; likelier than this a bar is called out of reach, or lean. */
const [LEAST, OUT_OF_REACH] = [0.005, 0.4];
const LEAN_C = 0.35;

const CAUTIONS: Readonly<Record<Caution, string>> = {
  "case-hardened": "Such things may be hard at the skin only: grind through it before a spark or a file says anything.",
  plated: "It may be plated with zinc or chrome: their fume in a fire is poison. Strip it, or leave it.",
  "carbide-tipped": "Carbide teeth are no steel, and their dust is poison: cut them off wet.",
  cracked: "A part that worked for years may be cracked already: look for it, and throw out what is.",
  welded: "Weldable bar is lean: expect little of it.",
};

function mediumNamed(id: string, path: string): Medium {
  const found = CATALOGUE.medium(id);
  if (found !== undefined) return found;
  throw new InputError({ code: "unknown-medium", path, got: id, allowed: CATALOGUE.media.map((one) => one.id).join(", ") });
}

const sectionWords = (section: Section): string =>
  section.shape === "round"
    ? `a round of ${section.diameter_mm} mm`
    : section.shape === "square"
      ? `a square of ${section.side_mm} mm`
      : section.shape === "plate"
        ? `a flat of ${section.thickness_mm} mm`
        : `a wedge of ${section.spine_mm} mm`;

function couponSaid({ treated, tells, now, after, outcomes }: NextCoupon) {
  const { heat_C, hold_min, medium, section } = treated;
  const name = medium.name.toLowerCase();
  const message = `Normalise ${sectionWords(section)}, heat it to ${heat_C} C for ${hold_min} min, into ${name} until cold, break it and file the middle. Now a bath is right ${now.toFixed(2)} of the time, after it ${after.toFixed(2)}.`;
  return { heat_C, hold_min, medium: medium.id, bath_C: treated.bath_C, section, tells, message, outcomes };
}

export function identifyVerb(input: unknown) {
  const asked = requireAny("VerbIdentify", input);
  const { source = "unknown", spark, isMagnetic, fileAsFound, airHard, composition_wtpct, section } = asked;
  const coupons = (asked.coupons ?? []).map((coupon, i): Coupon => {
    const { medium: id, bath_C, files, hrc, grain, at, heat_K, ...treated } = coupon;
    const medium = mediumNamed(id, `/coupons/${i}/medium`);
    return {
      ...treated,
      medium,
      bath_C: bath_C ?? medium.usualBath_C,
      ...(files === undefined ? {} : { files: files.map((stroke) => ({ hardness_HRC: stroke.hrc, result: stroke.result })) }),
      ...(hrc === undefined ? {} : { hrc }),
      ...(grain === undefined ? {} : { astmGrain: grain }),
      ...(at === undefined ? {} : { at }),
      ...(heat_K === undefined ? {} : { heat_K }),
    };
  });
  const media = (asked.media ?? USUAL_MEDIA).map((id, i) => mediumNamed(id, `/media/${i}`)).filter((medium) => isLiquid(medium));
  const belief = believe({
    source: source,
    looks: {
      ...(spark === undefined ? {} : { spark }),
      ...(isMagnetic === undefined ? {} : { isMagnetic }),
      ...(fileAsFound === undefined ? {} : { fileAsFound }),
      ...(airHard === undefined ? {} : { airHard }),
    },
    ...(composition_wtpct === undefined ? {} : { certificate: composition_wtpct }),
    coupons,
  });
  const { members, weights, bench, clash } = belief;
  const wanted = { section: section ?? coupons.at(-1)?.section ?? { shape: "plate" as const, thickness_mm: USUAL_mm }, media };
  const chances = [...gradeChances(members, weights)].sort((a, b) => b[1] - a[1]);
  const carbon = spreadOf(
    members.map(({ steel }) => steel.C),
    weights,
  );
  const shareOf = (is: (grade: string, C: number) => boolean): number =>
    members.reduce((all, { grade, steel }, i) => all + (is(grade, steel.C) ? weights[i]! : 0), 0);
  const airChance = shareOf((grade) => gradeOf(grade)?.is === "air");
  const leanChance = shareOf((_, C) => C < LEAN_C);
  const hardens = hardensIn(belief, wanted);
  const best = media.length === 0 ? null : bestBath(belief, wanted, hardens);
  const safe = clash === null && airChance < OUT_OF_REACH && isSafe(belief, wanted);
  const next = safe || media.length === 0 ? null : nextCoupon(belief, wanted);
  const heats = spreadOf(
    members.map(({ steel }) => usualHeat_C(steel)),
    weights,
  );
  const { mind = [] } = SOURCES[source];
  const notices: Said[] = mind.map((code) => ({ code, message: CAUTIONS[code] }));
  if (clash !== null) {
    const [a, b] = clash;
    const message = `Coupons ${a + 1} and ${b + 1} can hardly both be true: which of them was misread, or is of another bar? Both are kept.`;
    notices.push({ code: "coupons-clash", message });
  }
  if (isMagnetic === false)
    notices.push({ code: "not-magnetic", message: "What no magnet holds cold is stainless or no steel: it does not harden here." });
  if (airChance >= OUT_OF_REACH)
    notices.push({
      code: "air-hardening",
      message: "It may be a steel that hardens in air and asks for more than a forge can give: out of reach here.",
    });
  if (leanChance >= OUT_OF_REACH)
    notices.push({
      code: "lean",
      message: `Likely too lean to harden for an edge: ${leanChance.toFixed(2)} that it has less than ${LEAN_C} % carbon.`,
    });
  if (!safe && next === null)
    notices.push({
      code: "no-coupon-worth-it",
      message: "No other coupon tells enough to be worth its steel: plan with what is left open, and test.",
    });
  return {
    steels: chances.filter(([, chance]) => chance >= LEAST).map(([id, probability]) => ({ id, probability })),
    carbon_wtpct: { mean: carbon.mean, sd: carbon.sd },
    hardensTo_mm: Object.fromEntries(
      media.map((medium) => {
        const { mean, p05, p95 } = spreadOf(bench.depths_mm(medium), weights);
        return [medium.id, { mean, p05, p95 }];
      }),
    ),
    nextCoupon: next === null ? null : couponSaid(next),
    isSafe: safe,
    best:
      best === null
        ? null
        : { heat_C: 5 * Math.round(heats.p50 / 5), hold_min: HOLD_MIN, medium: media[best.index]!.id, hardens: best.chance },
    notices,
  };
}
