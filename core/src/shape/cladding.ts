/** What a core is covered with, where there is room for it. */

import type { Cladding, Section } from "../schema/parts.js";

/** Of a blade thicker than its core; null of one that is all core there, and of what is no blade. */
export function cladOf(section: Section, cladding: Cladding | undefined): Cladding | null {
  if (cladding === undefined || section.shape !== "wedge") return null;
  return cladding.core_mm < section.spine_mm ? cladding : null;
}
