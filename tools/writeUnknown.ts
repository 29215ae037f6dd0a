/** `npm run bars`: bars nobody knows, drawn, with two proposed coupons each hardened by the core itself; writes docs/unknown.md. */

import { CATALOGUE } from "../core/src/index.js";
import { uniforms } from "../core/src/numerics/sampling.js";
import { resolveSteel } from "../core/src/plan/catalogue.js";
import { harden } from "../core/src/simulate/harden.js";
import { usualHeat_C, type Treated } from "../core/src/stock/bench.js";
import { believe, gradeChances, spreadOf, type Belief, type Coupon } from "../core/src/stock/belief.js";
import { GRADES } from "../core/src/stock/grades.js";
import { drawMembers } from "../core/src/stock/members.js";
import { bestBath, hardensIn, isSafe, nextCoupon, teller } from "../core/src/stock/nextCoupon.js";
import { SOURCES, type SourceId } from "../core/src/stock/sources.js";
import { writePage } from "./page.js";

const BARS = Number(process.env["BARS"] ?? 500);
const COUPONS = 2;
const MEDIA = ["medium-oil", "fast-oil", "water"].map((id) => CATALOGUE.medium(id)!);
const uniform = uniforms(45);
const normal = (): number => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
const pick = <T>(all: readonly T[]): T => all[Math.floor(uniform() * all.length)]!;
const NAMED = Object.keys(SOURCES).filter((id) => id !== "unknown") as SourceId[];
const FILES_HRC = [45, 50, 55, 60, 65];
const EYE_K = 15;

/** A bar of a source, or of another one in one of five: what it truly is. */
function bar() {
  const source = pick(NAMED);
  const truly = uniform() < 0.2 ? pick(NAMED) : source;
  const shares = new Map<string, number>(SOURCES[truly].made.map(([grade, share]) => [grade, share]));
  const members = drawMembers(shares).filter(({ grade }) => shares.has(grade));
  const all = members.reduce((sum, { weight }) => sum + weight, 0);
  let at = uniform() * all;
  const member = members.find(({ weight }) => (at -= weight) <= 0) ?? members.at(-1)!;
  return { source, member, rateLn: 0.4 * normal(), bathLn: 0.25 * normal() };
}

type Bar = ReturnType<typeof bar>;

/** What the core itself makes of it, HRC and share hard, in its middle. */
function truth({ member, rateLn, bathLn }: Bar, { section, heat_C, hold_min, medium, bath_C }: Treated) {
  const steel = resolveSteel(CATALOGUE, { composition_wtpct: member.steel });
  const known = (mean: number) => ({ mean, sd: 1e-6 });
  const result = harden(
    {
      steel,
      prior: "pearlite",
      section,
      heat_C: Math.max(730, heat_C),
      hold_s: 60 * hold_min,
      transfer_s: 2,
      bath_s: null,
      medium,
      bath_C,
      agitation: "mild",
      immersion: { kind: "full" },
      shop: { rateRatio: known(rateLn), bathRatio: known(bathLn) },
    },
    { members: 0, resolution: "coarse" },
  );
  return { hrc: result.centre.mean_HRC, hard: result.martensite.centre + result.retainedAustenite };
}

function filed(own: Bar, treated: Treated): Coupon {
  const { hrc } = truth(own, { ...treated, heat_C: treated.heat_C + EYE_K * normal() });
  const files = FILES_HRC.map((hardness_HRC) => {
    const file = hardness_HRC + 1.3 * normal();
    const result = hrc > file + 1 ? "skates" : hrc < file - 1 ? "bites" : "drags";
    return { hardness_HRC, result } as const;
  });
  return { ...treated, at: "middle", files };
}

const FIXED: readonly Treated[] = (["fast-oil", "water"] as const).flatMap((id) => {
  const medium = CATALOGUE.medium(id)!;
  const of = { heat_C: 830, hold_min: 5, medium, bath_C: medium.usualBath_C };
  const flat = (thickness_mm: number): Treated => ({ ...of, section: { shape: "plate", thickness_mm } });
  return id === "water" ? [flat(3), flat(10)] : [flat(3), flat(6), flat(12)];
});

interface Row {
  readonly hardened: boolean;
  readonly asSaid: boolean;
  readonly said: number;
  readonly safe: boolean;
  readonly carbonZ: number;
  readonly depthAt: number;
  readonly inGrade: number;
}
const rows: Row[] = [];
let [better, compared] = [0, 0];

function carbonOf({ members, weights }: Belief) {
  return spreadOf(
    members.map(({ steel }) => steel.C),
    weights,
  );
}

for (let n = 0; n < BARS; n++) {
  const own = bar();
  const thickness_mm = 3 + 9 * uniform();
  const wanted = { section: { shape: "plate", thickness_mm } as const, media: MEDIA };
  const coupons: Coupon[] = [];
  for (let k = 0; k < COUPONS; k++) {
    const belief = believe({ source: own.source, coupons });
    if (isSafe(belief, wanted)) break;
    const next = nextCoupon(belief, wanted);
    if (next === null) break;
    if (k === 0) {
      // By what it tells beside five that are always the same.
      compared++;
      const told = teller(belief, wanted);
      const fixed = FIXED.map((treated) => told(treated).tells);
      if (next.tells >= Math.max(...fixed) - 1e-9) better++;
    }
    coupons.push(filed(own, next.treated));
  }
  const belief = believe({ source: own.source, coupons });
  const hardens = hardensIn(belief, wanted);
  const { index, chance } = bestBath(belief, wanted, hardens);
  const medium = MEDIA[index]!;
  const heats = spreadOf(
    belief.members.map(({ steel }) => usualHeat_C(steel)),
    belief.weights,
  );
  const treated: Treated = {
    section: wanted.section,
    heat_C: 5 * Math.round(heats.p50 / 5),
    hold_min: 5,
    medium,
    bath_C: medium.usualBath_C,
  };
  const said = spreadOf(
    belief.members.map((member) => belief.bench.harden(member, treated, "centre").hrc),
    belief.weights,
  );
  const is = truth(own, treated);
  const { mean, sd } = carbonOf(belief);
  const depths = belief.bench.depths_mm(CATALOGUE.medium("fast-oil")!);
  const trueDepth = depthOf(own);
  rows.push({
    hardened: is.hard >= 0.8,
    asSaid: Math.abs(is.hrc - said.p50) <= 2,
    said: chance,
    safe: isSafe(belief, wanted),
    carbonZ: (own.member.steel.C - mean) / Math.max(0.01, sd),
    depthAt: depths.reduce((sum, depth, i) => sum + (depth < trueDepth ? belief.weights[i]! : 0), 0),
    inGrade: gradeChances(belief.members, belief.weights).get(own.member.grade) ?? 0,
  });
  if (n % 20 === 19) process.stderr.write(`${n + 1} bars\n`);
}

/** How thick a flat of a bar truly hardens through in fast oil, mm, by halves. */
function depthOf(own: Bar): number {
  const medium = CATALOGUE.medium("fast-oil")!;
  let [low, high] = [1.2, 50];
  for (let look = 0; look < 6; look++) {
    const thickness_mm = Math.sqrt(low * high);
    const heat_C = usualHeat_C(own.member.steel);
    const { hard } = truth(own, { section: { shape: "plate", thickness_mm }, heat_C, hold_min: 5, medium, bath_C: medium.usualBath_C });
    if (hard >= 0.8) low = thickness_mm;
    else high = thickness_mm;
  }
  return Math.sqrt(low * high);
}

const share = (of: readonly boolean[]): string => (of.filter((is) => is).length / Math.max(1, of.length)).toFixed(2);
const bins = [0, 0.5, 0.8, 0.9, 0.95, 0.99].map((from, i, all) => {
  const own = rows.filter(({ said }) => said >= from && said < (all[i + 1] ?? 1.01));
  return {
    from,
    n: own.length,
    said: own.reduce((sum, row) => sum + row.said, 0) / Math.max(1, own.length),
    came: share(own.map((row) => row.hardened)),
  };
});
const within = (z: number): string => share(rows.map(({ carbonZ }) => Math.abs(carbonZ) <= z));
const safe = rows.filter((row) => row.safe);

writePage(
  "unknown.md",
  `# Bars nobody knows

${BARS} bars drawn of ${GRADES.length - 1} grades inside their limits, found in ${NAMED.length} places, the label wrong in one of five; each with up to ${COUPONS} coupons as proposed, hardened
by the core itself (not by the quick model the belief uses), heats off by ${EYE_K} C, files by 1.3 HRC, rates and baths by what they are off in the ensemble.
A flat of 3 to 12 mm is to be made of it, with medium oil, fast oil and water at hand.

| | measured |
| --- | --- |
| hardens as planned after the coupons | ${share(rows.map((row) => row.hardened))} |
| of those called safe (${safe.length}) | ${share(safe.map((row) => row.hardened))} |
| within 2 HRC of what was said, as quenched | ${share(rows.map((row) => row.asSaid))} |
| of those called safe | ${share(safe.map((row) => row.asSaid))} |
| carbon within one, two deviations of what was said (0.68, 0.95) | ${within(1)}, ${within(2)} |
| depth in fast oil inside nine tenths of what was said (0.90) | ${share(rows.map(({ depthAt }) => depthAt >= 0.05 && depthAt <= 0.95))} |
| the first coupon proposed leaves no more open than any of five fixed ones | ${compared === 0 ? "none made" : (better / compared).toFixed(2)} |

| said to harden | came true | bars |
| --- | --- | --- |
${bins.map(({ n, said, came }) => `| ${said.toFixed(2)} | ${n === 0 ? "" : came} | ${n} |`).join("\n")}
`,
);
