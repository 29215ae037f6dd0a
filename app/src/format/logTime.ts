/** A scale of time that gives each tenfold the same room. */

/** Share of a span from `low_s` to `high_s`, 0 ... 1. */
export function logShare(time_s: number, low_s: number, high_s: number): number {
  const t = Math.min(high_s, Math.max(low_s, time_s));
  return Math.log(t / low_s) / Math.log(high_s / low_s);
}
