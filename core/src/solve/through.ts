/** Ways through the planned bath that may serve what each zone of a piece is wanted to be: edge, back first, clay, out early, two baths. */

import type { Quench } from "../plan/dips.js";
import { kitOf } from "../plan/kit.js";
import type { Kit } from "../schema/kit.js";
import { chanceBetween, type Estimate } from "../simulate/temperedPlace.js";
import { patternsFor, type PatternTried } from "../simulate/patterns.js";
import { mediaFor, quenchOf } from "./domain.js";
import { wantedOf, type Asked } from "./tried.js";

/** Of them the likeliest is searched, and one more that comes near it: a share of its chance. */
const MOST = 2;
const NEAR = 0.8;

/** Nobody said whether there are plates, and nobody measured a paste. */
const NOT_PROPOSED: ReadonlySet<string> = new Set(["plates", "paste"]);

/** None where only the place that works was asked for: then all of it under is as good as any. */
export function quenchesThrough(asked: Asked, kit: Kit | null): Quench[] {
  const { catalogue, piece, route, known, desk } = asked;
  const wanted = wantedOf(asked);
  const planned = quenchOf(route);
  const isOne = route.steps.filter(({ kind }) => kind === "quench").length === 1;
  if (!isOne || wanted.every(({ place }) => place === "working")) return [];
  const media = kit === null ? undefined : [...new Set(kitOf(kit, "bath").map(({ medium }) => medium))];
  const chanceOf = ({ working, thickest }: PatternTried): number => {
    const of: Readonly<Record<"working" | "thickest", Estimate>> = { working, thickest };
    return wanted.reduce((chance, { place, low_HRC, high_HRC }) => chance * chanceBetween(of[place], low_HRC, high_HRC), 1);
  };
  const tried = patternsFor(catalogue, piece, route, route.steps.indexOf(planned), { media, known }, desk)
    .filter(({ pattern, quench }) => !NOT_PROPOSED.has(pattern) && JSON.stringify(quench) !== JSON.stringify(planned))
    .filter(
      ({ quench: { dips } }) =>
        mediaFor(
          catalogue,
          piece,
          dips.map(({ into }) => into.medium),
        ).length === dips.length,
    )
    .map((one) => ({ quench: one.quench, chance: chanceOf(one) }))
    .sort((a, b) => b.chance - a.chance);
  const best = tried[0]?.chance ?? 0;
  return tried
    .filter(({ chance }) => chance >= NEAR * best)
    .slice(0, MOST)
    .map(({ quench }) => ({ ...quench, why: "worked-out" }));
}
