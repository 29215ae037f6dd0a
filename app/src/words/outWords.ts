/** What coming out of the bath at a second buys and costs, in one line. */

import type { OutAt, OutWay } from "@tembrak/core";
import { showDuration } from "../format/show.js";

/** With more time than this no second counts, s. */
const LONG_s = 100;

function left(way: OutWay): string {
  if (way.window === null) return "as long as you like to straighten";
  const s = Math.max(0, way.window.to_s - way.at_s);
  return `about ${s < LONG_s ? `${Math.round(s)} s` : showDuration(s)} to straighten`;
}

/** A point that a file finds, HRC. */
const FELT_HRC = 0.5;

function cost({ costs_HRC, costsSlow_HRC }: OutWay): string {
  const most = Math.max(costs_HRC, costsSlow_HRC);
  if (most < FELT_HRC) return "as hard";
  return costs_HRC < FELT_HRC ? `one in twenty up to ${Math.ceil(most)} HRC softer` : `${Math.ceil(most)} HRC softer`;
}

/** `Out at 12 s: as hard, about 80 s to straighten. At 8 s 2 HRC softer; at 16 s about 15 s to straighten.` */
export function outWords({ best, ways }: OutAt): string {
  const sooner = ways.findLast(({ at_s }) => at_s < best.at_s);
  const later = ways.find(({ at_s }) => at_s > best.at_s);
  const others = [
    ...(sooner === undefined ? [] : [`at ${sooner.at_s} s ${cost(sooner)}`]),
    ...(later === undefined ? [] : [`at ${later.at_s} s ${left(later)}`]),
  ];
  const said = others.join("; ");
  return `Out at ${best.at_s} s: as hard, ${left(best)}.${said === "" ? "" : ` ${said[0]!.toUpperCase()}${said.slice(1)}.`}`;
}
