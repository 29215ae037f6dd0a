/** The bath a piece of a steel is planned for: the one its steel asks for, by its thickness and by what the shop has. */

import { isLiquid, isWater, peakSpeed_W_m2K } from "../heat/bathKind.js";
import type { Piece } from "../schema/book.js";
import type { Kit } from "../schema/kit.js";
import type { Medium } from "../schema/medium.js";
import { cladOf } from "../shape/cladding.js";
import type { Catalogue, ResolvedSteel } from "./catalogue.js";
import { allUnder, type Quench } from "./dips.js";
import { bathFromKit } from "./kit.js";
import { thickness_mm } from "../shape/thickness.js";

/** A blade has to be hard so far above its edge, mm at least (judgement). */
const HARD_UP_mm = 5;

/**
 * A plain steel so thick that this oil would fail it more often than not, at the risk of a crack in water. A blade is told by what lies
 * behind its edge. How thick is known for the oil the steel asks for; in a slower one it is less by as much as that is slower: by our own
 * model the limits of five oils stand in the ratio of their fastest to a twentieth (pinned).
 */
function isTooThickForOil({ file, composition_wtpct }: ResolvedSteel, { section }: Piece, usual: Medium, oil: Medium): boolean {
  if (section.shape === "wedge" && file?.family === "high-carbon" && composition_wtpct.Mn < 0.3 && section.spine_mm > 6) return true;
  const oilTo = file?.bath.oilTo_mm;
  if (oilTo === undefined || oil.kind !== "oil") return false;
  const slower = Math.min(1, peakSpeed_W_m2K(oil) / peakSpeed_W_m2K(usual));
  if (section.shape === "wedge") {
    const behind_mm = section.edge_mm + Math.min(1, HARD_UP_mm / section.height_mm) * (section.spine_mm - section.edge_mm);
    return behind_mm > slower * oilTo.flat;
  }
  return thickness_mm(section) > slower * (section.shape === "plate" ? oilTo.flat : oilTo.bar);
}

/** A core is put into this where its steel asks bare for a slower oil, or for water, which would part the weld (common practice, no source). */
const CLAD_BATH = "fast-oil";

function isNoneForCore(catalogue: Catalogue, medium: Medium): boolean {
  return isWater(medium) || (isLiquid(medium) && peakSpeed_W_m2K(medium) < peakSpeed_W_m2K(catalogue.medium(CLAD_BATH)));
}

/** The bath this steel asks for in this thickness: alloyed steel cracks in water, and keeps its oil. */
export function quenchStep(catalogue: Catalogue, steel: ResolvedSteel, piece: Piece, kit: Kit | null): Quench {
  const usual = steel.file?.bath.medium ?? "fast-oil";
  const own = catalogue.medium(usual)!;
  const isClad = cladOf(piece.section, piece.cladding) !== null && isNoneForCore(catalogue, own);
  const asked = isClad ? CLAD_BATH : usual;
  const there = catalogue.medium(bathFromKit(catalogue, asked, kit).medium)!;
  const isTooThick = !isClad && isTooThickForOil(steel, piece, own, there);
  const wanted = isTooThick ? "water" : asked;
  const { medium: id } = bathFromKit(catalogue, wanted, kit);
  const medium = catalogue.medium(id)!;
  // In the oil it asks for it would harden: that is not there.
  const water = isTooThick && !isTooThickForOil(steel, piece, own, own) ? "oil-too-slow" : "needs-water";
  const why = id !== wanted ? "nearest-bath" : isClad ? "clad-core" : medium.kind === "oil" ? "warm-oil" : water;
  return { kind: "quench", dips: allUnder({ medium: id, bath_C: medium.usualBath_C, agitation: "mild" }), why };
}
