/**
 * What would be worth knowing before the fire: for each check that could still be made the chance the plan would have after it, averaged over what the
 * check may find (value of information; Raiffa and Schlaifer 1961, from memory). A check that makes a thing steadier (a probe, a dial put right) is
 * worked out with that doubt made smaller; one that tells which piece of all that are possible this one is (a coupon, an oil that was tried) weighs
 * the members by each of its outcomes and takes the plan that is best for those.
 */

import { normalCdf } from "../numerics/normal.js";
import type { Kit } from "../schema/kit.js";
import { kitOf, ovenFor, ovensOf } from "../plan/kit.js";
import { drawNamed, slopeOf } from "../simulate/hardenSpread.js";
import { TESTER_HRC } from "../simulate/temperedPlace.js";
import { heatDoubt_K } from "../standing/known.js";
import { tempersIn, type Domain, type Hardening } from "./domain.js";
import { bestOf, type Searched } from "./search.js";
import { bellsOf, landing, tryHardening, wantedOf, weighedMean, type Asked, type Tried } from "./tried.js";
import { WORTH_A_WORD, worthOf } from "./weights.js";

/** kiln, probe, eye: of the hardening heat. oven: a second thermometer in it. oil: tried on a bar one knows. coupon: of this bar. tester: on the piece, after its first temper. */
export const CHECKS = ["probe", "kiln", "eye", "oven", "oil", "coupon", "tester"] as const;
export type CheckName = (typeof CHECKS)[number];

export interface Check {
  readonly check: CheckName;
  /** Of the surest way after it, averaged over what it may find, 0 ... 1. */
  readonly chance: number;
  readonly minutes: number;
  /** Of a dial the thing of the kit it is on, by its id. */
  readonly item?: string;
}

/** Minutes a check takes (judgement). */
const MINUTES: Readonly<Record<CheckName, number>> = { probe: 4, kiln: 40, eye: 15, oven: 10, oil: 20, coupon: 55, tester: 5 };
/** A dial that was put right leaves this of an oven, and of a kiln; an eye tried in its light this of its doubt: K, K, share (judgement). */
const OVEN_K = 6;
const KILN_K = 6;
const EYE = 0.6;
/** Members of what is run anew, and how far about the planned heat, in K. */
const MEMBERS = 24;
const ABOUT_K = [-10, 0, 15];
/** How well a try tells the bath: of its own doubt; a coupon, HRC (judgement). */
const OIL_TELLS = 0.5;
const COUPON_HRC = 1.5;
/** Outcomes lie at these deviations of the reading, each so likely (Gauss and Hermite, three points). */
const NOISE = [
  [-Math.sqrt(3), 1 / 6],
  [0, 2 / 3],
  [Math.sqrt(3), 1 / 6],
] as const;
/** What of a member is the bar's. */
const OF_THE_BAR = ["rateRatio", "dissolutionRatio", "carbonRatio", "alloyRatio", "residualRatio", "martensiteStart_K"] as const;

/** A table of plans: for each the chance of every member that all of it lands, and what the plan costs beside, by the table of weights. */
interface Table {
  readonly lands: readonly (readonly number[])[];
  readonly costs?: readonly number[];
  readonly weights: readonly number[];
}

/** What the best plan is worth by such weights of the members: its chance, less what it costs beside. */
export function bestChance({ lands, costs }: Omit<Table, "weights">, weights: readonly number[]): number {
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  const worth = lands.map((own, k) => own.reduce((sum, chance, i) => sum + weights[i]! * chance, 0) / all - (costs?.[k] ?? 0));
  return Math.max(...worth);
}

/**
 * Chance of the best plan once a signal was read with some noise, averaged over its outcomes.
 * @param signal of each member; sd of the reading in the same unit
 */
export function afterReading(table: Table, signal: readonly number[], sd: number): number {
  const all = table.weights.reduce((sum, weight) => sum + weight, 0);
  return signal.reduce((sum, own, i) => {
    const ofIt = NOISE.reduce((mean, [z, share]) => {
      const read = own + sd * z;
      const weights = table.weights.map((weight, k) => weight * Math.exp(-0.5 * ((signal[k]! - read) / sd) ** 2));
      return mean + share * bestChance(table, weights);
    }, 0);
    return sum + (table.weights[i]! / all) * ofIt;
  }, 0);
}

/** A reading is worth what it lifts the best plan of a table by. */
function liftOf(table: Table, signal: readonly number[], sd: number): number {
  return Math.max(0, afterReading(table, signal, sd) - bestChance(table, table.weights));
}

function tableOf(asked: Asked, { whole }: Searched): Table {
  const wanted = wantedOf(asked);
  const lands = whole.map(({ hardened, route }) => landing(bellsOf(asked, hardened, route, wanted), wanted));
  const costs = whole.map((tried) => tried.chance - worthOf(tried, "surest"));
  return { lands, costs, weights: whole[0]!.working.map(({ weight = 1 }) => weight) };
}

/** With the heat known to so much, the best of a few heats about the planned one; null where nothing is gained by it. */
function withHeat(asked: Asked, domain: Domain, { heat_C, ...rest }: Hardening, sd_K: number): number {
  const { shop } = asked.known;
  const known = { shop: { ...shop, heat_K: { mean: shop?.heat_K?.mean ?? 0, sd: sd_K } } };
  const about = domain.heats_C.length === 1 ? [0] : ABOUT_K;
  return Math.max(
    ...about.map((by) => {
      asked.desk.letGo();
      const there = { ...asked, known };
      return bestOf(there, domain, tryHardening(there, { ...rest, heat_C: heat_C + by }, MEMBERS)).lands;
    }),
  );
}

function heatChecks({ asked, domain, surest, kit }: Here): readonly { readonly check: CheckName; readonly lift: number }[] {
  const { heating } = asked.route;
  const sd_K = asked.known.shop?.heat_K?.sd ?? heatDoubt_K(heating, kit);
  const probe_K = heatDoubt_K({ in: "forge", by: "probe" }, []);
  const checks: { check: CheckName; sd_K: number }[] = [];
  if (heating.by === "controller") {
    if (sd_K > KILN_K) checks.push({ check: "kiln", sd_K: KILN_K });
  } else if (sd_K > probe_K) checks.push({ check: "probe", sd_K: probe_K });
  const hasProbe = kit !== null && kitOf(kit, "probe").length > 0;
  if ((heating.by === "shade" || heating.by === "colour") && !hasProbe) checks.push({ check: "eye", sd_K: EYE * sd_K });
  if (checks.length === 0) return [];
  const { hardening } = surest.hardened;
  const now = withHeat(asked, domain, hardening, sd_K);
  return checks.map(({ check, sd_K: then_K }) => ({ check, lift: withHeat(asked, domain, hardening, then_K) - now }));
}

/** An oven known so well: the tempers chosen anew, the hardenings as they are. */
function ovenLift({ asked, surest, searched }: Here): number {
  const wanted = wantedOf(asked);
  // By the same table of weights as the plan itself: a temper in the dip is none that a thermometer makes good.
  const then = searched.whole
    .filter(({ hardened }) => hardened === surest.hardened)
    .map((tried) => {
      const bells = bellsOf(asked, tried.hardened, tried.route, wanted, OVEN_K);
      const chance = weighedMean(landing(bells, wanted), bells.working);
      return { chance, worth: worthOf({ ...tried, lands: chance * (1 - tried.hardened.crackChance) }, "surest") };
    });
  return then.reduce((best, one) => (one.worth > best.worth ? one : best)).chance - surest.chance;
}

/** A first temper that leaves it harder by so much, then one more by what a tester says; how well such a further temper lands beside the reading, HRC (judgement). */
const HARDER_HRC = [0, 1, 2, 3];
const FURTHER_HRC = 0.9;

/** What comes of a piece that is tempered a little cooler, tested, and tempered once more where it is too hard. */
function testerChance({ asked, surest }: Here): number {
  const { low_HRC, high_HRC } = wantedOf(asked).find(({ place }) => place === "working")!;
  const half = 0.5 * (high_HRC - low_HRC);
  const again = 2 * normalCdf(half / Math.hypot(TESTER_HRC, FURTHER_HRC)) - 1;
  const bells = surest.working;
  return Math.max(
    ...HARDER_HRC.map((more) => {
      const each = bells.map(({ mean, sd }) => {
        const [below, above] = [normalCdf((low_HRC - mean - more) / sd), 1 - normalCdf((high_HRC - mean - more) / sd)];
        return 1 - below - above + above * again;
      });
      return weighedMean(each, bells);
    }),
  );
}

interface Here {
  readonly asked: Asked;
  readonly domain: Domain;
  readonly searched: Searched;
  readonly surest: Tried;
  readonly kit: Kit | null;
}

/** The thing whose dial is checked: what holds the heat, or the oven that takes the temper. */
function dialOf({ asked: { piece }, surest, kit }: Here, check: CheckName): string | undefined {
  if (kit === null) return undefined;
  if (check === "kiln") return kitOf(kit, "kiln")[0]?.id;
  const [first] = tempersIn(surest.route);
  return check !== "oven" || first === undefined ? undefined : ovenFor(ovensOf(kit, first.in), first.temperature_C, piece)?.id;
}

export function worthKnowing(asked: Asked, domain: Domain, searched: Searched, surest: Tried, kit: Kit | null): Check[] {
  const here: Here = { asked, domain, searched, surest, kit };
  const table = tableOf(asked, searched);
  const { working, draws } = surest.hardened;
  const means = working.map(({ mean }) => mean);
  const ofBar = OF_THE_BAR.map((name) => ({ name, slope: slopeOf(means, draws, name) }));
  const steel = draws.map((draw) => ofBar.reduce((sum, { name, slope }) => sum + slope * drawNamed(draw, name), 0));
  const bath = draws.map((draw) => drawNamed(draw, "bathRatio"));
  const isOven = domain.tempers_C.length > 0 && (asked.known.shop?.oven_K?.sd ?? Infinity) > OVEN_K;
  const lifts: { check: CheckName; lift: number }[] = [
    ...heatChecks(here),
    ...(isOven ? [{ check: "oven" as const, lift: ovenLift(here) }] : []),
    { check: "oil", lift: liftOf(table, bath, OIL_TELLS) },
    { check: "coupon", lift: liftOf(table, steel, COUPON_HRC) },
    ...(domain.tempers_C.length > 0 ? [{ check: "tester" as const, lift: testerChance(here) - surest.chance }] : []),
  ];
  return lifts
    .filter(({ lift }) => lift >= WORTH_A_WORD)
    .map(({ check, lift }): Check => {
      const item = dialOf(here, check);
      const chance = Math.min(1, surest.chance + lift);
      return { check, chance, minutes: MINUTES[check], ...(item === undefined ? {} : { item }) };
    })
    .sort((a, b) => b.chance - a.chance);
}
