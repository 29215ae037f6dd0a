/**
 * What would help beyond what this shop has, or what was wished: a bath it does not have, a kiln that holds the heat, a thinner piece, less wanted of it.
 * Each with the heat and hold that are best with it, so that no advice stands against another.
 */

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
import { WORTH_A_WORD, worthOf } from "./weights.js";

/** bath: one this shop does not have. soak: a kiln that holds the heat. thinner: ground further before. softer: less wanted of it. */
type Kind =
  | {
      readonly kind: "bath";
      readonly medium: string;
      readonly crackChance: number;
      readonly heat_C: number;
      readonly hold_min: number;
    }
  | { readonly kind: "soak"; readonly heat_C: number; readonly hold_min: number }
  | { readonly kind: "thinner"; readonly to_mm: number }
  | { readonly kind: "softer"; readonly low_HRC: number; readonly high_HRC: number };

export type WayOn = Kind & {
  /** It lands, 0 ... 1. */
  readonly chance: number;
  /** Its temper is in the dip of toughness. */
  readonly isEmbrittled: boolean;
};

const [FEW, MEMBERS] = [10, 24];
/** A kiln holds it for one of these. */
const SOAKS_MIN = [10, 20] as const;
const THINNER = [0.85, 0.7, 0.55] as const;
const SOFTER_HRC = [2, 4, 6] as const;
/** Likely enough to be told as a way on; else the best of its kind is. */
const SAFE = 0.8;

/** A way on with what it is weighed by, the table of weights: a bath that cracks as many as it hardens helps nobody, nor one that asks for a temper in the dip. */
interface Lifting {
  readonly way: WayOn;
  readonly worth: number;
}

function lifting(tried: Tried, kind: Kind): Lifting {
  return { worth: worthOf(tried, "surest"), way: { ...kind, chance: tried.chance, isEmbrittled: tried.isEmbrittled } };
}

interface From {
  readonly asked: Asked;
  readonly domain: Domain;
  readonly surest: Tried;
  readonly kit: Kit | null;
}

/** The best heat and hold for something changed: of a few by few members, then by more. */
function bestWith({ asked, domain, surest }: From, changed: Partial<Hardening>, holds_min?: readonly number[]): Tried {
  const own = { ...surest.hardened.hardening, ...changed };
  const there = (hardening: Hardening, members: number): Tried => {
    asked.desk.letGo();
    return bestOf(asked, domain, tryHardening(asked, hardening, members));
  };
  const heats = [...new Set([own.heat_C, domain.heats_C.at(-1)!])];
  const holds = holds_min ?? [...new Set([own.hold_min, domain.holds_min.at(-1)!])];
  const all = heats.flatMap((heat_C) => holds.map((hold_min) => ({ ...own, heat_C, hold_min })));
  const looked = all.map((hardening) => there(hardening, FEW));
  const best = looked.reduce((a, b) => (worthOf(b, "surest") > worthOf(a, "surest") ? b : a));
  return there(best.hardened.hardening, MEMBERS);
}

/** One thing more that a shop could have: another bath, a kiln. */
function things(from: From): Lifting[] {
  const { asked, domain, surest, kit } = from;
  const { hardening } = surest.hardened;
  const own = new Set((kit === null ? [] : kitOf(kit, "bath")).map(({ medium }) => medium));
  const planned = intoOf(hardening.quench).medium;
  const baths = asked.catalogue.media.filter(
    (medium) =>
      isLiquid(medium) &&
      !isGuessed(medium) &&
      !own.has(medium.id) &&
      medium.id !== planned &&
      (!isWater(medium) || bearsWater(domain.steel, asked.piece)),
  );
  const ways = baths.map(({ id, usualBath_C }): Lifting => {
    const tried = bestWith(from, { quench: inOtherBath(hardening.quench, { medium: id, bath_C: usualBath_C }) });
    const { crackChance, hardening: then } = tried.hardened;
    const { heat_C, hold_min } = then;
    return lifting(tried, { kind: "bath", medium: id, crackChance, heat_C, hold_min });
  });
  if (canHold(asked.route.heating)) return ways;
  const held = bestWith(from, {}, SOAKS_MIN);
  const { heat_C, hold_min } = held.hardened.hardening;
  return [...ways, lifting(held, { kind: "soak", heat_C, hold_min })];
}

/** The first that is likely enough, else the best. */
function firstSafe(tried: readonly Lifting[]): Lifting {
  return tried.find(({ way }) => way.chance >= SAFE) ?? tried.reduce((a, b) => (b.worth > a.worth + 0.02 ? b : a));
}

/** The piece ground thinner, and less wanted of it. */
function otherPiece(from: From): Lifting[] {
  const { asked } = from;
  const { piece, catalogue } = asked;
  const withPiece = (otherwise: Piece): Tried => bestWith({ ...from, asked: { ...asked, piece: otherwise } }, {});
  const thin = THINNER.map((ratio): Lifting => {
    const section = thicker(piece.section, ratio);
    return lifting(withPiece({ ...piece, section }), { kind: "thinner", to_mm: thickness_mm(section) });
  });
  const target = targetOf(catalogue, piece);
  const soft = SOFTER_HRC.map((less): Lifting => {
    const aims_HRC = { low_HRC: target.low_HRC - less, high_HRC: target.high_HRC - less };
    return lifting(withPiece({ ...piece, aims_HRC }), { kind: "softer", ...aims_HRC });
  });
  return [firstSafe(thin), firstSafe(soft)];
}

/** Where a place is dipped, what is dipped hardens, and another bath is not asked for. */
const HARDENS = 0.9;

/** @param mayFail whether it can be made safe by no way of this shop: then another piece and another wish are tried, too */
export function waysOn(asked: Asked, domain: Domain, surest: Tried, kit: Kit | null, mayFail: boolean): WayOn[] {
  const from: From = { asked, domain, surest, kit };
  const { hardening, chanceHard } = surest.hardened;
  const isOfPart = hardening.quench.dips.some(({ under }) => under !== "all");
  return [...(isOfPart && chanceHard > HARDENS ? [] : things(from)), ...(mayFail ? otherPiece(from) : [])]
    .filter(({ worth, way }) => worth >= worthOf(surest, "surest") + WORTH_A_WORD && way.chance >= surest.chance + WORTH_A_WORD)
    .sort((a, b) => b.way.chance - a.way.chance)
    .map(({ way }) => way);
}
