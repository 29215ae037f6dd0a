/** A bath in words: how it stands, what to do about it, what happened to it. */

import {
  bathAhead,
  CATALOGUE,
  fallsTo_s,
  SHOP_AIR_C,
  waitFor_s,
  warmingTo,
  type Bath,
  type BathBar,
  type BathChance,
  type BathEntryAt,
  type BathNow,
  type BathReason,
} from "@tembrak/core";
import {
  showChance,
  showDegrees,
  showDifference,
  showDuration,
  showMass,
  showVolume,
  showTemperature,
  temperatureNumber,
  type Units,
} from "../format/show.js";
import { mediumName } from "./actWords.js";

/** Of a range from the fifth to the ninety-fifth part of a hundred. */
const NINETY_PERCENT = 1.645;

export interface NextIn {
  readonly name: string;
  readonly mass_kg: number;
  readonly piece_C: number;
}

/** Half of it is what a wide one is known by, K: then no number is an order. */
const VAGUE_K = 8;

export function bathRange({ mean_C, sd_C }: BathNow, units: Units): string {
  const off = NINETY_PERCENT * sd_C;
  return `${temperatureNumber(mean_C - off, units).toFixed(0)} to ${temperatureNumber(mean_C + off, units).toFixed(0)}`;
}

/** Before a piece goes in, in one line: how warm it is taken to be, and whether anybody looked. */
export function bathBefore(now: BathNow, units: Units): string {
  const { read, call } = now;
  if (read === null) return "Nobody has read the bath";
  const age = `read ${read.age_s < 90 ? "just now" : `${showDuration(read.age_s)} ago`}${read.isStirred ? ", stirred" : ""}`;
  return `Bath ${showDegrees(now.mean_C, units)}, ${bathRange(now, units)}, ${age}: ${CALL_WORDS[call]}`;
}

/** So far off its plan it is told, K: less than that no oil minds (judgement). */
const OFF_PLAN_K = 10;

/** A bath that was read off its plan, and what to do before anything goes in; null where it is near it. */
export function bathOffWords(is_C: number, planned_C: number, units: Units): string | null {
  const off_K = is_C - planned_C;
  if (Math.abs(off_K) < OFF_PLAN_K) return null;
  const by = `${showDifference(Math.abs(off_K), units)} ${off_K < 0 ? "under" : "over"} its plan`;
  return `Bath at ${showDegrees(is_C, units)}, ${by}: ${off_K < 0 ? "warm it" : "let it cool"} before this goes in.`;
}

/** What a look that nothing logged explains leaves to be asked; null where there is none. */
export function bathDoubtWords({ doubt }: BathNow, units: Units): string | null {
  if (doubt === null) return null;
  const [read, expected] = [showDegrees(doubt.read_C, units), showDegrees(doubt.expected_C, units)];
  if (doubt.is === "slip") return `${read} fits neither the reading before it nor the one after: it is left out.`;
  return `It was about ${expected} by all that is logged, and read ${read}. What happened?`;
}

/** What it may be put down to, the likelier ones by the way it moved first. */
export const BATH_REASON_WORDS: Readonly<Record<BathReason, string>> = {
  "filled-up": "Filled up",
  warmed: "It was warmed",
  cooled: "It cooled",
  "piece-not-logged": "A piece went in",
  misread: "Misread it",
};

export function bathReasonsOf({ doubt }: Pick<BathNow, "doubt">): readonly BathReason[] {
  if (doubt === null || doubt.is === "slip") return [];
  return doubt.read_C < doubt.expected_C ? ["filled-up", "cooled", "misread"] : ["warmed", "piece-not-logged", "misread"];
}

/** Why it cannot be quenched in, short enough for a key. */
export const BAR_NOTES: Readonly<Record<BathBar, string>> = {
  plastic: "Not into a plastic tank",
  "can-tip": "Not before the tank stands fast",
  "no-lid": "Not before a lid is at hand",
};

/** More than so many after each other nobody counts. */
const MANY = 12;

/** How many of a piece go in one after the other before the bath is too warm. */
function manyBefore({ tank, mean_C, band }: BathNow, piece: NextIn): number {
  const warmed = bathAhead(tank, mean_C, Array<NextIn>(MANY).fill(piece));
  const over = warmed.findIndex((after_C) => after_C > band.most_C);
  return over < 0 ? MANY : over;
}

/** Within this it falls out of its band, s. */
const SOON_s = 3600;

/** Right, and for how long if nothing goes in. */
function rightFor(now: BathNow): string {
  const left_s = fallsTo_s(now, now.band.low_C);
  return left_s > SOON_s ? "Right, and it stays so" : `Right for ${showDuration(Math.max(60, left_s))} more, then it is too cold`;
}

/** The one line on top: what to do about it now. */
export function bathTitle(now: BathNow, next: NextIn | undefined, units: Units): string {
  const { call, band, tank } = now;
  const wait = (): string => {
    const s = next === undefined ? fallsTo_s(now, band.high_C) : waitFor_s(tank, now, next, band.most_C);
    return s === null ? "This tank is too small for the next piece" : `Too warm: wait ${showDuration(Math.max(60, s))}`;
  };
  switch (call) {
    case "unread":
      return "Nobody has read it: stir it, then read it";
    case "which":
      return `${showDegrees(now.mean_C, units)}, and ${showDegrees(now.doubt!.expected_C, units)} was expected: stir it, read it once more`;
    case "too-warm":
      return wait();
    case "too-cold":
      return `Too cold: warm it to ${showDegrees(tank.medium.usualBath_C, units)}`;
    case "stale":
      return now.sd_C > VAGUE_K ? "Stir it and read it: nobody knows it well any more" : "About right: stir it, read it, then quench";
    case "warm":
    case "right": {
      if (next === undefined) return call === "right" ? "Right as it stands" : "Warm, and it still quenches";
      const many = manyBefore(now, next);
      if (many === 0) return wait();
      return many >= MANY ? rightFor(now) : `${many === 1 ? "One more piece" : `${many} more pieces`} like the next, then wait`;
    }
  }
}

/** What it is, how fast it falls, and what the next piece makes of it. */
export function bathLine(bath: Bath, now: BathNow, next: (NextIn & { readonly after_C: number }) | undefined, units: Units): string {
  const perMinute = ((units.temperature === "F" ? 1.8 : 1) * 60 * Math.max(0, now.mean_C - SHOP_AIR_C)) / now.tau_s;
  const falls = perMinute < 0.05 ? "standing still" : `falling ${perMinute.toFixed(1)}° a minute`;
  const by = now.tauFrom === 0 ? ", by its size" : `, by its own readings`;
  const then =
    next === undefined
      ? ""
      : ` The ${next.name.toLowerCase()} takes it from ${showDegrees(now.mean_C, units)} to ${showDegrees(next.after_C, units)}.`;
  return `${mediumName(bath.medium)}, ${showVolume(now.tank.volume_L, units)}, ${falls}${by}.${then}`;
}

/** The bar a shop warms oil with, kg, and how hot (common practice, no source). */
const BAR_kg = 1;
const BAR_C = 800;

/** How to warm it; null where it is warm enough. */
export function warmWords(bath: Bath, now: BathNow, units: Units): string | null {
  const to_C = now.tank.medium.usualBath_C;
  if (now.mean_C >= now.band.low_C || bath.medium === "water") return null;
  const { dips, heater_s } = warmingTo(now.tank, now, to_C, BAR_C, BAR_kg, bath.heater_W ?? null);
  const heater = heater_s === null ? "" : ` Its heater takes ${showDuration(heater_s)}.`;
  const times = dips === 1 ? "once" : dips === 2 ? "twice" : `${dips} times`;
  return `To ${showDegrees(to_C, units)}: a dry bar of ${showMass(BAR_kg, units)} at ${showDegrees(BAR_C, units)}, ${times}; a red bar burns the oil a little each time.${heater} Never over a flame.`;
}

/** How far it is from catching fire. */
export function flashWords(now: BathNow, units: Units): string | null {
  const { flash_C } = now.tank.liquid as { flash_C?: number };
  if (now.tank.medium.kind !== "oil") return null;
  if (flash_C === undefined) return "No flash point is known: the maker's sheet goes first.";
  return `Flash near ${showDegrees(flash_C, units)}, ${showDifference(flash_C - now.mean_C, units)} away; the maker's sheet goes first.`;
}

export const BAR_WORDS: Readonly<Record<BathBar, string>> = {
  plastic: "The tank is plastic: hot steel goes through it. A metal one, before anything is quenched.",
  "can-tip": "The tank can be knocked over: wedge it or bolt it down, before anything is quenched.",
  "no-lid": "No lid: nothing to put a fire out with. A metal lid at hand, before anything is quenched.",
};

/** A green band that is only green when it was read a moment ago, stirred. */
export const CALL_WORDS: Readonly<Record<BathNow["call"], string>> = {
  unread: "not read",
  which: "read it once more",
  stale: "not read for a while",
  "too-cold": "too cold, thick",
  right: "right",
  warm: "warm",
  "too-warm": "too warm",
};

/** @param name of the piece that went in, where it was one */
export function entryWords({ what }: BathEntryAt, name: string | undefined, units: Units): string {
  switch (what.entry) {
    case "read": {
      const bottom = what.bottom_C === undefined ? "" : `, ${showTemperature(what.bottom_C, units)} at the bottom`;
      return `read ${showTemperature(what.top_C, units)}${bottom}${what.isStirred ? ", stirred" : ""}`;
    }
    case "added":
      return `filled up by ${showVolume(what.added_L, units)}`;
    case "bar":
      return `warmed with ${showMass(what.mass_kg, units)} at ${showTemperature(what.bar_C, units)}`;
    case "quench":
      // Its heat there is what the sum of the bath was made with, not what anybody read: that stands in the piece's own log.
      return `${name ?? "a piece"}, ${showMass(what.mass_kg, units)}, went in`;
    case "burnt":
      return "it burnt";
    case "because":
      return `put down to: ${BATH_REASON_WORDS[what.why].toLowerCase()}`;
  }
}

/** What many quenches do to what is in it (common practice, no source). */
export function ageWords({ quenches, burns }: BathNow, bath: Bath): string {
  const many = `${quenches} ${quenches === 1 ? "quench" : "quenches"}${burns === 0 ? "" : `, burnt ${burns === 1 ? "once" : `${burns} times`}`}`;
  if (CATALOGUE.medium(bath.medium)?.kind !== "oil") return `${many} so far.`;
  return `${many} so far. Oil that has burnt or stood for years grows thick and slow: a coupon that stays soft tells it.`;
}

const CRACKS = {
  low: "",
  some: ", and it may crack",
  high: ", and it cracks easily there: warm water, no longer under than it needs",
} as const;

/** A better bath of the same kit. */
export function betterBathWords(planned: BathChance, better: BathChance): string {
  const name = (id: string): string => mediumName(id).toLowerCase();
  return `Your ${name(better.medium)} hardens it better: ${showChance(better.chanceHard)}${CRACKS[better.crack]}, against ${showChance(planned.chanceHard)} in ${name(planned.medium)}.`;
}
