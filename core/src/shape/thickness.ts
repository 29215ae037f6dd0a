/** How thick a section is. */

import type { Section } from "../schema/parts.js";

/** Thickest part of a section, mm. */
export function thickness_mm(section: Section): number {
  switch (section.shape) {
    case "plate":
      return section.thickness_mm;
    case "round":
      return section.diameter_mm;
    case "square":
      return section.side_mm;
    case "wedge":
      return Math.max(section.spine_mm, section.edge_mm);
  }
}
