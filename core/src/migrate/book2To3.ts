/** Version 3: a step's reason is a code, and what is hardened and what draws it is read from the steps, not stored beside them. */

import type { Reason } from "../schema/reasons.js";

/** The sentences of version 1, as they were stored. Frozen: what today's screens say stands elsewhere. */
export const SENTENCES_OF_1: Readonly<Record<string, Reason>> = {
  "Evens out what forging left.": "evens-forging",
  "Makes the grain small again.": "small-grain",
  "A last, cooler heat: small grain and fine pearlite, so a magnet heat is enough.": "last-cooler",
  "Turns the supplied round carbide into pearlite, which dissolves fast.": "supplied-carbide",
  "It was hard before: this puts it back to small grain and pearlite. Look for cracks first.": "was-hard",
  "One more: small, even grain.": "once-more",
  "It was too hot: this makes the grain small again.": "was-too-hot",
  "A soft quench is normalised before another try.": "soft-quench",
  "Slowly from cold: hard steel that is heated fast cracks.": "slowly-from-cold",
  "Warmed through first, thick and thin change together: less bending, and no thin edge that waits hot for the rest.": "warms-evenly",
  "Soft, with fine round carbide: it saws and drills. Before forge hardening leave it out.": "soft-for-cutting",
  "Past the magnet by a shade: all of it has changed, and the grain is still small.": "shade-past",
  "From fine pearlite the carbon dissolves as soon as the magnet lets go: no hotter, and the grain stays small.": "magnet-only",
  "Past the magnet, then left to fall: the first pull is the sign. For small, simple pieces that fall slowly.": "first-pull",
  "The soak brings the carbon into solution; start counting when the piece, not the chamber, is at heat.": "soak",
  "Warm oil is thinner and takes heat out faster. Move it along the edge, never sideways.": "warm-oil",
  "This steel in this thickness needs water. In quickly, and listen for a ping.": "needs-water",
  "The nearest bath this shop has to the one the steel asks for: look at what the verdict says of it.": "nearest-bath",
  "The other end. The first, already hard, stays cool in a wet rag or a tray of water.": "other-end",
  "Only the part that works, and out while the rest still glows dull: that heat draws the temper.": "keeps-heat",
  "Warm it far from the edge and let the colours run towards it: dunk it when the colour is there.": "runs-from-body",
  "What is left of the heat runs back to the edge: dunk it when the colour is there.": "runs-from-heat",
  "Takes the brittleness out. Start within the hour, when it can just be held.": "first-temper",
  "Tempers what turned hard while the first one cooled.": "second-temper",
  "Takes more of the brittleness out.": "one-more-temper",
  "It came out harder than wanted.": "came-out-hard",
};

type Loose = Readonly<Record<string, unknown>>;

function isObject(value: unknown): value is Loose {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

function step2To3(step: unknown): unknown {
  if (!isObject(step) || typeof step["why"] !== "string") return step;
  const reason = Object.hasOwn(SENTENCES_OF_1, step["why"]) ? SENTENCES_OF_1[step["why"]] : undefined;
  return reason === undefined ? { ...step, why: "said", said: step["why"] } : { ...step, why: reason };
}

/** Any event as version 3 has it; what does not look like an event of version 2 is left for the schema to refuse. */
export function event2To3(event: unknown): unknown {
  if (!isObject(event) || event["kind"] !== "route" || !isObject(event["route"])) return event;
  const kept = Object.entries(event["route"]).filter(([key]) => key !== "way");
  const route = kept.map(([key, value]) => [key, key === "steps" && Array.isArray(value) ? value.map(step2To3) : value]);
  return { ...event, route: Object.fromEntries(route) as Loose };
}
