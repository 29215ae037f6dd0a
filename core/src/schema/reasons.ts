/** Why a step stands in a route: codes that are stored. What they say in words is the application's (app/src/words), and the command line's. */

export const REASONS = [
  "evens-forging",
  "small-grain",
  "last-cooler",
  "supplied-carbide",
  "was-hard",
  "once-more",
  "was-too-hot",
  "soft-quench",
  "slowly-from-cold",
  "warms-evenly",
  "soft-for-cutting",
  "shade-past",
  "magnet-only",
  "first-pull",
  "soak",
  "warm-oil",
  "needs-water",
  "nearest-bath",
  "other-end",
  "keeps-heat",
  "runs-from-body",
  "runs-from-heat",
  "first-temper",
  "second-temper",
  "one-more-temper",
  "came-out-hard",
  "oven-ends",
  /** A sentence somebody wrote; it stands in `said`. */
  "said",
] as const;
export type Reason = (typeof REASONS)[number];
