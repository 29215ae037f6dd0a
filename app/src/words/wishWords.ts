/** Where a plan misses a wish, and what would not: in a sentence. */

import type { BetterWish, Piece, ZoneReport } from "@tembrak/core";
import { capital, showChance, showHardness, type Units } from "../format/show.js";
import { patternWords, triedWords } from "./patternWords.js";
import { zoneName } from "./zoneNames.js";

export function wishWords(
  { zone, wanted_HRC, expected, chance }: ZoneReport & { readonly chance: number },
  { tried, then }: BetterWish,
  piece: Piece,
  units: Units,
): string {
  const wanted = wanted_HRC === null ? "" : `, wanted ${wanted_HRC[0]} to ${wanted_HRC[1]} HRC,`;
  const misses = `${capital(zoneName(zone, piece.section))}${wanted} will be ${showHardness(expected.mean_HRC)}: ${showChance(chance)} that it lands there.`;
  const { name } = patternWords(tried.pattern, tried.quench);
  return `${misses} ${name} instead: every part as wanted, ${showChance(then)}. ${triedWords(tried, piece, units)}`;
}
