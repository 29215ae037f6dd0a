/** The five heats that are mixed up in talk: which one is meant. */

import type { Step } from "../schema/book.js";

export type HeatName = "normalise" | "anneal" | "refine" | "sub-critical" | "destress";

export interface NamedHeat {
  readonly name: HeatName;
  /** The step it is in a route. Neither of the two under the change is a preheat: nothing hotter follows from them. */
  readonly kind: Extract<Step["kind"], "normalise" | "anneal">;
}

const HEATS: readonly (NamedHeat & { readonly words: RegExp })[] = [
  {
    name: "sub-critical",
    words: /sub.?crit|spheroid|below (the )?(magnet|critical)|under (the )?(magnet|critical)/,
    kind: "anneal",
  },
  {
    name: "destress",
    words: /stress|relie[vf]|straighten heat/,
    kind: "anneal",
  },
  {
    name: "refine",
    words: /refin|grain|cycl|shrink/,
    kind: "normalise",
  },
  {
    name: "normalise",
    words: /normali[sz]|air.?cool|even (it )?out/,
    kind: "normalise",
  },
  {
    name: "anneal",
    words: /anneal|soft|vermiculite|ash|overnight/,
    kind: "anneal",
  },
];

/** What a smith's own words mean; null when they fit none of the five. */
export function namedHeat(text: string): NamedHeat | null {
  const found = HEATS.find(({ words }) => words.test(text.toLowerCase()));
  return found === undefined ? null : { name: found.name, kind: found.kind };
}
