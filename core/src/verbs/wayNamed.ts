/** The single words people use for what is hardened and what draws it at once. */

import type { Draws, Way } from "../schema/book.js";
import type { Section } from "../schema/parts.js";
import type { WayName } from "../schema/verbs.js";

function meant(name: WayName, section: Section): Way {
  const isBlade = section.shape === "wedge";
  switch (name) {
    case "whole":
    case "edge":
    case "face":
    case "ends":
      return { hardens: name, draws: "oven" };
    case "run":
      return { hardens: isBlade ? "whole" : "face", draws: "torch" };
    case "residual":
      return { hardens: isBlade ? "edge" : "face", draws: "residual" };
  }
}

/** What such a word means for a shape, and what draws it where that was said beside it. Whole and oven when nothing was. */
export function wayNamed({ way = "whole", draws }: { way?: WayName; draws?: Draws }, section: Section): Way {
  const said = meant(way, section);
  return draws === undefined ? said : { ...said, draws };
}
