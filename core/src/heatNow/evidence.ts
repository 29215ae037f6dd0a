/** What a logged check says of a heat, as evidence and as a plain number. */

import { ambientFromLux, glowNamed, readGlow } from "../colour/glow.js";
import type { LoggedCheck } from "../book/state.js";
import { kitOf } from "../plan/kit.js";
import type { Check } from "../schema/book.js";
import type { Kit } from "../schema/kit.js";
import { glowInLight, type HeatEvidence } from "../simulate/heatBelief.js";

/** Null for what says nothing of a temperature. */
export function evidenceOf(reading: Check, age_s: number, kit: Kit | null): HeatEvidence | null {
  switch (reading.check) {
    case "glow":
      // A book from elsewhere may hold a colour that its light would have hidden: it says nothing.
      return glowInLight(reading.name, reading.ambient_lux) === null
        ? null
        : { kind: "glow", name: reading.name, ambient_lux: reading.ambient_lux, age_s };
    case "magnet":
      return { kind: "magnet", state: reading.state, age_s };
    case "probe": {
      // The shop's own probe with what is known of its fault; of several the first.
      const own = kit === null ? undefined : kitOf(kit, "probe")[0];
      return {
        kind: "probe",
        temperature_C: reading.temperature_C,
        age_s,
        ...(own === undefined ? {} : { offset_C: own.offset_C, sd_C: own.sd_C }),
      };
    }
    case "infrared":
      return { kind: "infrared", temperature_C: reading.temperature_C, emissivity: reading.emissivity, surface: reading.surface, age_s };
    case "stick":
      return { kind: "stick", rated_C: reading.rated_C, hasMelted: reading.hasMelted, age_s };
    case "bath":
    case "bath-heat":
    case "bath-as-is":
    case "straight":
    case "safety":
    case "fire":
    case "even":
    case "rehearsal":
    case "turned":
    case "door":
    case "chamber":
    case "power-off":
    case "too-hot":
    case "finding":
    case "mishap":
    case "sequence":
    case "temper-colour":
    case "dunked":
    case "straightened":
    case "warp":
    case "clamped":
    case "proof":
    case "grain":
    case "mark":
    case "fresh-bar":
      return null;
  }
}

/** A temperature that one logged check stands for by itself, C: for a mark on a line, never for what the piece is now. */
export function checkTemperature_C({ reading }: LoggedCheck): number | null {
  if (reading.check === "probe" || reading.check === "infrared") return reading.temperature_C;
  if (reading.check !== "glow") return null;
  const band = glowNamed(reading.name);
  return band ? (readGlow(band, ambientFromLux(reading.ambient_lux))?.mean_C ?? null) : null;
}
