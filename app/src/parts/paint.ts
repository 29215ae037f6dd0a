/** What a piece looks like now: the colour of its steel along its length, and the words for it. Pure. */

import { alloyShiftOf_K } from "../format/alloyShift.js";
import { FATE_WORDS } from "../words/fateWords.js";
import { liesIn } from "../words/vesselWords.js";
import {
  airLeft_C,
  ambientFromLux,
  bathTimes,
  filmHex,
  filmNamed_nm,
  glowHex,
  growFilm_nm,
  isGlowVisible,
  outOfFire_C,
  ovenRead_C,
  oxideName,
  COLOUR_MIN,
  runLogOf,
  type PieceState,
} from "@tembrak/core";

export interface Paint {
  /** From the tang or top (0) to the working end (1). CSS colours. */
  readonly stops: readonly { readonly at: number; readonly colour: string }[];
  readonly words: string;
  /** What it is now, C; null when cold or unknown. */
  readonly now_C: number | null;
  readonly isGlowing: boolean;
}

function plain(colour: string, words: string): Paint {
  return {
    stops: [
      { at: 0, colour },
      { at: 1, colour },
    ],
    words,
    now_C: null,
    isGlowing: false,
  };
}

function glowing(now_C: number, lux: number, words: string): Paint {
  const ambient = ambientFromLux(lux);
  if (!isGlowVisible(now_C, ambient)) return { ...plain("var(--black)", words), now_C };
  const at = (T: number): string => (isGlowVisible(T, ambient) ? glowHex(T, ambient) : "var(--black)");
  return {
    stops: [
      { at: 0, colour: at(now_C - 420) },
      { at: 0.22, colour: at(now_C - 190) },
      { at: 0.42, colour: at(now_C - 40) },
      { at: 1, colour: at(now_C) },
    ],
    words,
    now_C,
    isGlowing: true,
  };
}

/** The oxide a piece carries from the tempers it has had, as logged or as planned. */
function film(state: PieceState): { nm: number; name: string; hex: string } {
  const shift = alloyShiftOf_K(state.piece.steel);
  const nm = state.acts.reduce((d, act) => {
    if ((act.kind !== "temper" && act.kind !== "run") || !state.doneAt_ms.has(act.id)) return d;
    if (act.kind === "run") {
      // What was seen on it counts, not what was wanted.
      const { cold, seen, edge } = runLogOf(state, act.step);
      const run = state.route?.steps[act.step];
      const isLine = run?.kind === "run" && run.mark !== undefined;
      const name = isLine ? edge : (cold ?? seen.at(-1)?.name);
      if (typeof name === "string") return Math.max(d, filmNamed_nm(name));
      const temperature_C = isLine ? run.temperature_C : act.target_C;
      return growFilm_nm(d, { temperature_C, hold_min: COLOUR_MIN, alloyShift_K: shift });
    }
    const temperature_C = ovenRead_C(state, act.step) ?? act.target_C;
    return growFilm_nm(d, { temperature_C, hold_min: act.hold_s / 60, alloyShift_K: shift });
  }, 0);
  return { nm, name: oxideName(nm), hex: filmHex(nm) };
}

function inTemper(state: PieceState, now_ms: number): Paint {
  const { next, nextSince_ms } = state;
  const done = film(state);
  if (next?.kind !== "temper" || nextSince_ms === null) {
    return done.nm > 0 ? plain(done.hex, done.name) : plain("var(--hard)", "quenched");
  }
  const shift = alloyShiftOf_K(state.piece.steel);
  const minutes = Math.min((now_ms - nextSince_ms) / 60000, next.hold_s / 60);
  const nm = growFilm_nm(done.nm, { temperature_C: next.target_C, hold_min: Math.max(0.1, minutes), alloyShift_K: shift });
  return nm < 4 ? plain("var(--hard)", `in ${liesIn(next.in)}`) : plain(filmHex(nm), oxideName(nm));
}

function secondsSince(from_ms: number | null | undefined, now_ms: number): number {
  return from_ms === null || from_ms === undefined ? 0 : Math.max(0, (now_ms - from_ms) / 1000);
}

/** How a piece looks; `heat_C` is what its heat is judged to be, null where nothing was read. */
export function paintOf(state: PieceState, lux: number, now_ms: number, heat_C: number | null): Paint {
  const { next, nextSince_ms, stage, doneAt_ms } = state;
  if (state.fate !== null) return { ...plain("var(--scale)", FATE_WORDS[state.fate.is].is.toLowerCase()), now_C: null };
  if (stage === "done") return { ...plain("var(--bright)", "finished"), now_C: null };
  if (doneAt_ms.size === 0 && heat_C === null) {
    return state.piece.start === "as-forged" ? plain("var(--scale)", "forge scale") : plain("var(--bright)", "as it came");
  }
  switch (next?.kind) {
    case "heat":
    case "hold": {
      if (next.kind === "hold") return glowing(heat_C ?? next.target_C, lux, heat_C === null ? "held" : "at heat");
      return heat_C === null ? plain("var(--black)", "in the fire") : glowing(heat_C, lux, "in the fire");
    }
    case "slow-cool": {
      const step = state.route?.steps[next.step];
      const from_C = step?.kind === "anneal" ? step.temperature_C : 750;
      const hours = secondsSince(nextSince_ms, now_ms) / 3600;
      return glowing(Math.max(next.to_C, from_C - hours * next.rate_C_h), lux, "cooling slowly");
    }
    case "air-cool": {
      const step = state.route?.steps[next.step];
      const from_C = step?.kind === "normalise" ? step.temperature_C : 850;
      const now_C = airLeft_C(state.piece.section, from_C, secondsSince(nextSince_ms, now_ms));
      return glowing(now_C, lux, now_C > 520 ? "cooling" : "black");
    }
    case "fall":
      return glowing(outOfFire_C(state, next.step, now_ms), lux, "falling");
    case "quench":
      if (bathTimes(state, next.step).in_ms !== null) return plain("var(--black)", "in the bath");
      return glowing(outOfFire_C(state, next.step, now_ms), lux, "to the bath");
    case "straighten":
    case "cool-down":
    case "first-file":
    case "brighten":
      return plain("var(--hard)", "quenched");
    case "run":
    case "oven":
    case "temper":
    case "prove":
    case undefined:
      return inTemper(state, now_ms);
  }
}
