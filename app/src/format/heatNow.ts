/** What all checks of a heat say together, now. Pure. */

import {
  CATALOGUE,
  estimateHeat,
  kitOf,
  glowInLight,
  magnetPoint,
  resolveSteel,
  structureBeforeHardening,
  type Act,
  type Check,
  type HeatEstimate,
  type HeatEvidence,
  type Kit,
  type LearnedEye,
  type LoggedCheck,
  type MagnetPoint,
  type PieceState,
} from "@tembrak/core";

export interface HeatNow {
  readonly estimate: HeatEstimate;
  readonly newest_ms: number;
  /** What it is made of, in words: "colour, magnet and probe". */
  readonly from: string;
  /** Only the magnet spoke: it says above or below, not how far. */
  readonly isOneSided: boolean;
}

/** Older readings say nothing of now, s; a witness is asked for its last few only. */
const TOO_OLD_s = 240;
const LAST_OF_A_KIND = 4;
/** In the fire steel goes on rising: about so fast near its heat, as unsure as it is large, K/s (judgement). */
const RISES = { rate_C_s: 0.4, unsure: 1 } as const;
/** Half the width of the window a heat should fall in, C: as the jaws of the rule are drawn. */
export const WINDOW_C = 14;

const NAMES = { glow: "colour", magnet: "magnet", probe: "probe", infrared: "gun", stick: "stick", time: "time in the fire" } as const;

function evidenceOf(reading: Check, age_s: number, kit: Kit | null): HeatEvidence | null {
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
    case "straight":
    case "safety":
    case "fire":
    case "even":
    case "rehearsal":
    case "door":
    case "chamber":
    case "power-off":
    case "sequence":
      return null;
  }
}

const points = new Map<string, MagnetPoint>();

/** Where the magnet lets go of this piece as it is now; worked out once for a steel and a structure. */
function pointOf({ piece, route }: PieceState, act: Extract<Act, { kind: "heat" }>): MagnetPoint {
  const steps = act.purpose === "harden" ? (route?.steps ?? []) : (route?.steps.slice(0, act.step) ?? []);
  const prior = structureBeforeHardening(piece, steps);
  const key = `${piece.steel} ${prior}`;
  const known = points.get(key) ?? magnetPoint(resolveSteel(CATALOGUE, piece.steel).composition_wtpct, prior, "heating");
  points.set(key, known);
  return known;
}

function listed(words: readonly string[]): string {
  return words.length < 2 ? words.join("") : `${words.slice(0, -1).join(", ")} and ${words[words.length - 1]!}`;
}

/** What else is known of a heat. */
export interface HeatContext {
  readonly eye?: LearnedEye | undefined;
  readonly kit?: Kit | null;
  /** What the heating model expects now, and how fast it moves; null where nobody said when it went in. */
  readonly fire?: { readonly expected_C: number; readonly sd_C: number; readonly rate_C_s: number } | null;
}

/** Null when nothing counts: no check in this act, or all too old. */
export function heatNow(
  state: PieceState,
  act: Extract<Act, { kind: "heat" }>,
  now_ms: number,
  { eye, kit = null, fire = null }: HeatContext = {},
): HeatNow | null {
  const own = state.checks.filter((c: LoggedCheck) => c.act === act.id && now_ms - c.at_ms < TOO_OLD_s * 1000);
  const evidence = own.flatMap(({ reading, at_ms }) => evidenceOf(reading, Math.max(0, (now_ms - at_ms) / 1000), kit) ?? []);
  const last = evidence.filter((e, i) => evidence.slice(i + 1).filter(({ kind }) => kind === e.kind).length < LAST_OF_A_KIND);
  // The clock alone is told beside the zones: it is no look at the steel.
  if (last.length === 0) return null;
  if (fire !== null) last.push({ kind: "time", expected_C: Math.min(1400, Math.max(20, fire.expected_C)), sd_C: Math.min(300, fire.sd_C) });
  const kinds = (Object.keys(NAMES) as (keyof typeof NAMES)[]).filter((kind) => last.some((e) => e.kind === kind));
  return {
    estimate: estimateHeat({
      evidence: last,
      magnet: pointOf(state, act),
      wanted_C: act.target_C,
      drift: fire === null ? RISES : { rate_C_s: fire.rate_C_s, unsure: 0.7 },
      ...(eye === undefined ? {} : { eye }),
      window_C: [act.target_C - WINDOW_C, act.target_C + WINDOW_C],
    }),
    newest_ms: own[own.length - 1]!.at_ms,
    from: listed(kinds.map((kind) => NAMES[kind])),
    isOneSided: kinds.every((kind) => kind === "magnet" || kind === "time") && kinds.includes("magnet") && fire === null,
  };
}
