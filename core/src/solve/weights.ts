/**
 * What a plan is weighed by, in one place. A weight is in chances: 0.01 is what one time in a hundred of landing is worth. All are judgements, with
 * their reasons; what is computed stands elsewhere.
 */

export const WAYS = ["surest", "toughest", "quickest"] as const;
export type WayName = (typeof WAYS)[number];

/** What of a plan counts beside its chance. */
export interface Costs {
  /** It is tempered where toughness dips: a tool that snaps though it is soft enough. */
  readonly dip: number;
  /** A number of ASTM grain below what is fine: each about halves what a notch bears. */
  readonly grain: number;
  /** A millimetre of soft skin against the metal that is left to grind. */
  readonly skin_mm: number;
  /** An hour of the shop. */
  readonly hour: number;
  /** From the lower to the upper end of what its use wants: harder breaks sooner. */
  readonly harder: number;
  /** One temper in the place of two: what turned hard while the first one cooled stays brittle. */
  readonly oneTemper: number;
}

export interface Weighing extends Costs {
  /** Of landing where every zone was wanted, and not cracking. */
  readonly lands: number;
}

export const WEIGHTS: Readonly<Record<WayName, Weighing>> = {
  // Landing is what is asked; hours are next to nothing. A tool that snaps is lost, one that is a point beside its range is not: into the dip only where
  // every way clear of it lands three in ten less often.
  surest: { lands: 1, dip: 0.3, grain: 0.04, skin_mm: 0.2, hour: 0.002, harder: 0, oneTemper: 0.03 },
  // A point softer within the use is welcome; landing a little less often is the price.
  toughest: { lands: 0.6, dip: 0.5, grain: 0.06, skin_mm: 0.2, hour: 0.002, harder: 0.2, oneTemper: 0.1 },
  // An hour is worth six times in a hundred; no more than that is given up of anything else.
  quickest: { lands: 0.6, dip: 0.3, grain: 0.04, skin_mm: 0.2, hour: 0.06, harder: 0, oneTemper: 0 },
};

/** Finer than this nothing is gained that a smith sees in a break, ASTM number. */
export const FINE_ASTM = 9;
/** Another way lands at least so often as the surest, as a share: else it is no way to the same piece. */
export const LEAST_SHARE = 0.6;
/** More often than this to fail is said before the fire, with what would help. */
export const MAY_FAIL = 0.1;
/** A check is worth a word from here, in chances. */
export const WORTH_A_WORD = 0.05;
/** As sure as this nothing more is asked for. */
export const SURE = 0.9;
/** Surer by less than this, a plan is left as it stands: nobody sees the difference. */
export const SURER = 0.02;

/** What is struck, or levered hard, breaks where toughness dips; what is bent slowly or cuts by draw seldom does: there the dip costs this share of it. */
const STRUCK: ReadonlySet<string> = new Set([
  "chopper",
  "sword",
  "chisel",
  "axe",
  "adze",
  "hammer-face",
  "punch",
  "sickle",
  "froe",
  "spade",
]);
const NOT_STRUCK = 0.3;

export function dipShare(use: string): number {
  return STRUCK.has(use) ? 1 : NOT_STRUCK;
}

/** What is weighed of one plan. */
export interface Weighed {
  /** Every zone lands and it does not crack, 0 ... 1. */
  readonly lands: number;
  readonly isEmbrittled: boolean;
  /** `dipShare` of its use. */
  readonly dipShare: number;
  readonly astmGrain: number;
  readonly skin_mm: number;
  readonly hours: number;
  /** Where in the range of its use it comes to: 0 its lower end, 1 its upper. */
  readonly inRange: number;
  readonly tempers: number;
}

export function worthOf(plan: Weighed, way: WayName): number {
  const { lands, dip, grain, skin_mm, hour, harder, oneTemper } = WEIGHTS[way];
  return (
    lands * plan.lands -
    dip * (plan.isEmbrittled ? plan.dipShare : 0) -
    grain * Math.max(0, FINE_ASTM - plan.astmGrain) -
    skin_mm * plan.skin_mm -
    hour * plan.hours -
    harder * Math.min(1, Math.max(0, plan.inRange)) -
    oneTemper * (plan.tempers === 1 ? 1 : 0)
  );
}
