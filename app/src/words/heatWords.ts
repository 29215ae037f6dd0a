/** What the judgement of a heat says, in words: how far it is, what it rests on, its zones, and how the shop's fire is set. */

import {
  dialFor_C,
  isInKiln,
  kitOf,
  lacks,
  ovenFor,
  WINDOW_K,
  type EvidenceKind,
  type HeatCall,
  type HeatNow,
  type Kit,
  type PieceState,
  type Section,
  type ZonesNow,
} from "@tembrak/core";
import { showAgo, showChance, showDegrees, showDifference, showDuration, type Units } from "../format/show.js";
import { zoneName } from "./zoneNames.js";

const NAMES = {
  glow: "colour",
  magnet: "magnet",
  probe: "probe",
  infrared: "gun",
  stick: "stick",
  time: "time in the fire",
} as const satisfies Record<EvidenceKind, string>;

const MAGNET = {
  free: "Past the magnet: now go by its colour",
  weak: "The magnet is about to let go",
  sticks: "Not there yet: the magnet sticks",
} as const;

/** Over its window by no more than a shade: at heat, and outside the jaws of the rule. */
export function isShadePast({ over_K }: Extract<HeatCall, { call: "at-heat" }>): boolean {
  return over_K > WINDOW_K;
}

/** Less likely than this to be in its window all over, a piece is not called at heat without a word. */
const ALL_OVER = 0.3;

/** `grain` is what the heat has made of it, where it is too hot and that is known; `allOver` the chance that every zone is in its window. */
export function callWords(call: HeatCall, units: Units, grain = "", allOver: number | null = null, place = "the fire"): string {
  switch (call.call) {
    case "out":
      return `${call.isLong ? "Back in: " : ""}${Math.floor(call.out_s)} s out of ${place}`;
    case "too-hot":
      return call.over_K === null
        ? `Too hot: the grain grows${grain}`
        : `Too hot: ${showDifference(call.over_K, units)} over, the grain grows${grain}`;
    case "look-again":
      return `Look again: nobody has for ${showDuration(call.age_s)}`;
    case "unread":
      return "Check it: magnet, colour or probe";
    case "magnet":
      return MAGNET[call.magnet ?? "sticks"];
    case "to-go":
      return `${showDifference(call.left_K, units)} to go`;
    case "past":
      return `${showDifference(call.over_K, units)} past. Let it fall back`;
    case "about":
      return `About there, give or take ${showDifference(call.give_K, units)}: look at its colour, or read it`;
    case "at-heat":
      if (allOver !== null && allOver < ALL_OVER) return "At heat where it was looked at, and not all over";
      return isShadePast(call) ? "At heat, a shade past" : "At heat";
  }
}

/** Of a piece that is held in a fire: whether it still is where it should be. Only the look itself can say so, and it grows old. */
export function heldWords(
  { read, call, mayBeOver_K }: HeatNow,
  units: Units,
  now_ms: number,
): { readonly words: string; readonly isTrouble: boolean } {
  if (read === null && call.call === "too-hot") return { words: "Too hot, by eye: less fire, or out of it", isTrouble: true };
  if (read === null || call.call === "look-again" || call.call === "unread") {
    return { words: "Look at it as it is held: a fire drifts", isTrouble: false };
  }
  const { mean_C, p05_C, p95_C } = read.estimate;
  const is = `${showDegrees(mean_C, units)}, between ${showDegrees(p05_C, units)} and ${showDegrees(p95_C, units)}, ${showAgo(read.newest_ms, now_ms)}`;
  switch (call.call) {
    case "too-hot":
    case "past": {
      const over = call.over_K === null ? "Too hot" : `${showDifference(call.over_K, units)} over`;
      return { words: `${over}: less fire, or out of it. ${is}`, isTrouble: true };
    }
    case "to-go":
      return { words: `${showDifference(call.left_K, units)} short: more fire. ${is}`, isTrouble: true };
    case "magnet":
      return call.magnet === "free"
        ? { words: "Past the magnet. Its colour or a probe tells how far", isTrouble: false }
        : { words: "The magnet pulls: it is too cold. More fire", isTrouble: true };
    case "out":
    case "about":
    case "at-heat":
      return {
        words: mayBeOver_K === null ? is : `It may be ${showDifference(mayBeOver_K, units)} over: look again. ${is}`,
        isTrouble: false,
      };
  }
}

/** "colour, magnet and probe". */
export function fromWords(kinds: readonly EvidenceKind[]): string {
  const words = kinds.map((kind) => NAMES[kind]);
  return words.length < 2 ? words.join("") : `${words.slice(0, -1).join(", ")} and ${words.at(-1)!}`;
}

/** A zone that is off by less is not worth a word, K. */
const LEAST_TOLD_K = 8;
/** Less than this is no time to wait for, s. */
const SOON_s = 10;

export function zoneWords(
  { isSeen, expected_C, offsets, left_s, chance }: ZonesNow,
  section: Section,
  units: Units,
  isRead: boolean,
): string {
  const told = offsets
    .filter(({ offset_K }) => Math.abs(offset_K) >= LEAST_TOLD_K)
    .map(
      ({ zone, offset_K }) =>
        `${zoneName(zone, section)} ${showDifference(Math.abs(offset_K), units)} ${offset_K > 0 ? "ahead" : "behind"}`,
    );
  // One heat is said once: what the model expects of it stands only where nobody looked.
  const by = isSeen ? "as seen: " : isRead ? "by the model " : `by the model about ${showDegrees(expected_C, units)}, `;
  const arrives =
    left_s === null
      ? "this fire does not bring all of it there"
      : left_s > SOON_s
        ? `all of it there in about ${showDuration(left_s)}`
        : "all of it should be there";
  const sure = chance === null ? "" : ` · ${showChance(chance)} that every zone is in it`;
  return `${by}${told.length > 0 ? told.join(", ") : "even"}; ${arrives}${sure}`;
}

/** How this shop's own fire is set for a heat: the controller with its fault, or what was noted of the forge; of several the one that takes it. */
export function fireNote(
  kit: Kit | null,
  { piece, route }: Pick<PieceState, "piece" | "route">,
  target_C: number,
  units: Units,
): string | undefined {
  if (kit === null) return undefined;
  if (!isInKiln(route)) {
    const forges = kitOf(kit, "forge");
    return (forges.find((forge) => lacks(forge, piece) === null) ?? forges[0])?.notes;
  }
  const kiln = ovenFor(kitOf(kit, "kiln"), target_C, piece);
  const fault_K = kiln === undefined ? 0 : target_C - dialFor_C(kiln, target_C);
  if (kiln === undefined || Math.abs(fault_K) < 1) return kiln?.notes;
  return `Set ${kiln.name} to ${showDegrees(dialFor_C(kiln, target_C), units)}: it runs ${showDifference(Math.abs(fault_K), units)} ${fault_K > 0 ? "hot" : "cold"}.`;
}
