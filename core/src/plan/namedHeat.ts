/** The five heats that are mixed up in talk: which one is meant, and what it does. */

import type { Step } from "../schema/book.js";

export interface NamedHeat {
  readonly name: "normalise" | "anneal" | "refine" | "sub-critical" | "destress";
  readonly does: string;
  /** The step it is in a route. */
  readonly kind: Extract<Step["kind"], "normalise" | "anneal" | "preheat">;
}

const HEATS: readonly (NamedHeat & { readonly words: RegExp })[] = [
  {
    name: "sub-critical",
    words: /sub.?crit|spheroid|below (the )?(magnet|critical)|under (the )?(magnet|critical)/,
    does: "Held for hours just under the change: carbide turns round and it gets soft, without new grain.",
    kind: "anneal",
  },
  {
    name: "destress",
    words: /stress|relie[vf]|straighten heat/,
    does: "Warmed to a dull black-red and cooled: lets go of the strains of forging and grinding, changes nothing else.",
    kind: "preheat",
  },
  {
    name: "refine",
    words: /refin|grain|cycl|shrink/,
    does: "Just past the change and out into air: new, smaller grain each time, up to twice.",
    kind: "normalise",
  },
  {
    name: "normalise",
    words: /normali[sz]|air.?cool|even (it )?out/,
    does: "Well past the change and cooled in still air: evens out what forging left and makes pearlite.",
    kind: "normalise",
  },
  {
    name: "anneal",
    words: /anneal|soft|vermiculite|ash|overnight/,
    does: "Past the change, or near it, and cooled slowly: soft enough to saw and drill.",
    kind: "anneal",
  },
];

/** What a smith's own words mean; null when they fit none of the five. */
export function namedHeat(text: string): NamedHeat | null {
  const found = HEATS.find(({ words }) => words.test(text.toLowerCase()));
  return found === undefined ? null : { name: found.name, does: found.does, kind: found.kind };
}
