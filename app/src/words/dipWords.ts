/** Words for the dip of toughness and the ways round it. Pure. */

import type { Dip } from "@tembrak/core";
import { showDegrees, showHardness, type Units } from "../format/show.js";

type Around = NonNullable<Dip["cooler"]>;

export function dipWords({ from_C, to_C }: Dip, units: Units): string {
  return `Its temper lies where this steel is more brittle than its hardness says (an hour at ${showDegrees(from_C, units)} to ${showDegrees(to_C, units)}).`;
}

export function aroundDipWords({ temperature_C, hardness_HRC, isInUse }: Around, isHotter: boolean, units: Units): string {
  const way = isHotter ? "Hotter and softer" : "Cooler and harder";
  const cost = isInUse
    ? "still what its use wants"
    : isHotter
      ? "softer than its use wants"
      : "harder than its use wants: it keeps an edge, and chips sooner";
  return `${way}, ${showDegrees(temperature_C, units)}: about ${showHardness(hardness_HRC)} HRC, ${cost}.`;
}
