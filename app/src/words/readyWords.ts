/** What has to be ready before a hardening heat, in words. */

import type { Ready } from "@tembrak/core";
import { showDegrees, showTemperature, type Units } from "../format/show.js";

export function readyWords(ready: Ready, units: Units): string {
  switch (ready.what) {
    case "bath":
      if (ready.isDone) return `Bath at ${showDegrees(ready.is_C!, units)}, read not long ago.`;
      return ready.is_C === null
        ? `Bath: warm it to ${showTemperature(ready.wanted_C, units)}, stir it, read it.`
        : `Bath: ${showDegrees(ready.is_C, units)} when last read. To ${showTemperature(ready.wanted_C, units)}, stirred, and read it again.`;
    case "oven":
      return `${ready.name}: on now, at ${showTemperature(ready.set_C, units)}. It takes ${Math.round(ready.settle_min)} min to be steady.`;
    case "move":
      if (ready.isDone) return `The move: walked through in ${ready.took_s!.toFixed(1)} s.`;
      return ready.took_s === null
        ? "The move from heat to bath: walk through it once, cold, tongs in hand."
        : `The move took ${ready.took_s.toFixed(1)} s: bring the bath nearer, and walk through it again.`;
    case "mark":
      return ready.isDone ? `Its mark, ${ready.mark}, was read.` : `Its mark, ${ready.mark}: read it now, others are at work.`;
    case "tongs":
      return "Tongs that fit it, dry and warm; the way free; lid at hand.";
  }
}
