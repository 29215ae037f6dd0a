/** Where a plan misses a wish, and what would not: in a sentence. */

import type { BetterWish, Piece, Step, ZoneReport } from "@tembrak/core";
import { capital, showChance, showHardness, showLength, type Units } from "../format/show.js";
import { runColour } from "./actWords.js";
import { patternWords, triedWords } from "./patternWords.js";
import { zoneName } from "./zoneNames.js";

function missesWords({ zone, wanted_HRC, expected, chance }: ZoneReport & { readonly chance: number }, piece: Piece): string {
  const wanted = wanted_HRC === null ? "" : `, wanted ${wanted_HRC[0]} to ${wanted_HRC[1]} HRC,`;
  return `${capital(zoneName(zone, piece.section))}${wanted} will be ${showHardness(expected.mean_HRC)}: ${showChance(chance)} that it lands there.`;
}

/** A back that is drawn to what is wanted of it, after the tempers. */
export function backWishWords(
  missed: ZoneReport & { readonly chance: number },
  then: ZoneReport,
  run: Extract<Step, { kind: "run" }>,
  piece: Piece,
  units: Units,
): string {
  const by = run.source === "torch" ? "A torch" : "A hot bar";
  const line =
    run.mark === undefined
      ? ""
      : `, until it is ${runColour(piece.steel, run.mark.temperature_C)} ${showLength(run.mark.behind_mm, units)} behind the edge`;
  return `${missesWords(missed, piece)} ${by} along its back after the tempers, the edge in water${line}: about ${showHardness(then.expected.mean_HRC)}, ${showChance(then.chance ?? 0)}. The edge stays as its oven left it.`;
}

export function wishWords(
  missed: ZoneReport & { readonly chance: number },
  { tried, then }: BetterWish,
  piece: Piece,
  units: Units,
): string {
  const misses = missesWords(missed, piece);
  const { name } = patternWords(tried.pattern, tried.quench);
  return `${misses} ${name} instead: every part as wanted, ${showChance(then)}. ${triedWords(tried, piece, units)}`;
}
