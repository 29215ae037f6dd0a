/** Words for what to look for before a piece is hardened. Pure. */

import { CATALOGUE, edgeFor, formOf, lookOver, type LookOver, type Piece, type Route } from "@tembrak/core";
import { showLength, type Units } from "../format/show.js";

const LOOK_WORDS: Readonly<Record<Exclude<LookOver, "edge-thin">, string>> = {
  cracks: "Cracks: in good light, with a glass, the whole edge. One that is there runs; re-forge it or leave it.",
  "inside-corners": "Sharp inside corners at shoulder, tang or step: round them with a file, or they crack first.",
  holes: "Holes and the eye: break their edges; fill a hole near the edge with clay where water is used.",
  "scratches-across": "Scratches across the edge: draw them out lengthwise, a deep one is the start of a crack.",
  clay: "Clay: thin and even, dried right through and slowly. Wet, it bursts off in the fire.",
  clean: "Oil and dirt: wipe it dry. They make soft spots, and they flare.",
  finish:
    "Finish: fine before the quench saves work on hard steel and cracks less; coarse costs grinding after, and leaves steel for what scale takes. Both are done.",
  "which-way": "Which way the blade points makes no difference.",
};

export function lookWords(piece: Piece, route: Pick<Route, "steps">, units: Units): readonly string[] {
  return lookOver(CATALOGUE, piece, formOf(piece), route).map((look) => {
    if (look !== "edge-thin") return LOOK_WORDS[look];
    const { leave_mm } = edgeFor(CATALOGUE, route);
    return `The edge is thin for this bath: better ${showLength(leave_mm, units)}, and ground after. As it is, heat it last and watch it first.`;
  });
}
