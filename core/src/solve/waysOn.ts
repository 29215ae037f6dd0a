/** What would help a plan that no bath and no heat of this shop makes safe: each change alone, worked out as the plan was. */

import { isGuessed, isLiquid, isWater } from "../heat/bathKind.js";
import { inOtherBath, intoOf } from "../plan/dips.js";
import { canHold } from "../plan/heating.js";
import { kitOf } from "../plan/kit.js";
import { targetOf } from "../plan/route.js";
import type { Piece } from "../schema/book.js";
import type { Kit } from "../schema/kit.js";
import { thickness_mm } from "../shape/thickness.js";
import { thicker } from "../simulate/section.js";
import { bearsWater, type Domain, type Hardening } from "./domain.js";
import { bestOf } from "./search.js";
import { tryHardening, type Asked, type Tried } from "./tried.js";
import { WORTH_A_WORD } from "./weights.js";

/** bath: one this shop does not have. soak: a kiln that holds the heat. thinner: ground further before. softer: less wanted of it. */
export type WayOn =
  | { readonly kind: "bath"; readonly medium: string; readonly chance: number; readonly crackChance: number }
  | { readonly kind: "soak"; readonly hold_min: number; readonly chance: number }
  | { readonly kind: "thinner"; readonly to_mm: number; readonly chance: number }
  | { readonly kind: "softer"; readonly low_HRC: number; readonly high_HRC: number; readonly chance: number };

const MEMBERS = 24;
const SOAK_MIN = 10;
const THINNER = [0.85, 0.7, 0.55] as const;
const SOFTER_HRC = [2, 4, 6] as const;
/** Likely enough to be told as a way on; else the best of its kind is. */
const SAFE = 0.8;

export function waysOn(asked: Asked, domain: Domain, surest: Tried, kit: Kit | null): WayOn[] {
  const { catalogue, piece, route } = asked;
  const { hardening } = surest.hardened;
  const chanceOf = (changed: Partial<Hardening>, otherwise: Piece = piece): Tried => {
    asked.desk.letGo();
    const there = { ...asked, piece: otherwise };
    return bestOf(there, domain, tryHardening(there, { ...hardening, ...changed }, MEMBERS));
  };
  const ways: WayOn[] = [];
  const own = new Set((kit === null ? [] : kitOf(kit, "bath")).map(({ medium }) => medium));
  const planned = intoOf(hardening.quench).medium;
  for (const medium of catalogue.media) {
    if (!isLiquid(medium) || isGuessed(medium) || own.has(medium.id) || medium.id === planned) continue;
    if (isWater(medium) && !bearsWater(domain.steel, piece)) continue;
    const { chance, hardened } = chanceOf({ quench: inOtherBath(hardening.quench, { medium: medium.id, bath_C: medium.usualBath_C }) });
    ways.push({ kind: "bath", medium: medium.id, chance, crackChance: hardened.crackChance });
  }
  if (!canHold(route.heating)) ways.push({ kind: "soak", hold_min: SOAK_MIN, chance: chanceOf({ hold_min: SOAK_MIN }).chance });
  const { section } = piece;
  const thin = THINNER.map((ratio) => {
    const to = thicker(section, ratio);
    return { kind: "thinner", to_mm: thickness_mm(to), chance: chanceOf({}, { ...piece, section: to }).chance } as const;
  });
  ways.push(thin.find(({ chance }) => chance >= SAFE) ?? thin.reduce((a, b) => (b.chance > a.chance + 0.02 ? b : a)));
  const target = targetOf(catalogue, piece);
  const soft = SOFTER_HRC.map((less) => {
    const aims_HRC = { low_HRC: target.low_HRC - less, high_HRC: target.high_HRC - less };
    return { kind: "softer", ...aims_HRC, chance: chanceOf({}, { ...piece, aims_HRC }).chance } as const;
  });
  ways.push(soft.find(({ chance }) => chance >= SAFE) ?? soft.reduce((a, b) => (b.chance > a.chance + 0.02 ? b : a)));
  return ways.filter(({ chance }) => chance >= surest.chance + WORTH_A_WORD).sort((a, b) => b.chance - a.chance);
}
