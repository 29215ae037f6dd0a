/** Made-up heats from cold to out, and holds after them, looked at in order over time: what is said at each look beside what the piece was. */

import { pieceState } from "../../src/book/state.js";
import { CATALOGUE } from "../../src/catalogue.js";
import { ambientFromLux, apparentTemperature_C, GLOW_NAMES, isGlowVisible, readGlow } from "../../src/colour/glow.js";
import { heatNow } from "../../src/heatNow/heatNow.js";
import { magnetLost_C } from "../../src/kinetics/austenite.js";
import { normalQuantile } from "../../src/numerics/normal.js";
import { uniforms } from "../../src/numerics/sampling.js";
import { resolveSteel } from "../../src/plan/catalogue.js";
import { actsOfRoute, type Act } from "../../src/plan/acts.js";
import { planRoute } from "../../src/plan/route.js";
import type { BookEvent, Check, Route } from "../../src/schema/book.js";
import type { MagnetPoint } from "../../src/simulate/heatBelief.js";
import { BILLHOOK } from "../pieces.js";

type Heat = Extract<Act, { kind: "heat" }>;

interface Work {
  readonly isKiln: boolean;
  readonly route: Route;
  readonly acts: readonly Act[];
  readonly act: Heat;
  readonly hold: Act;
}

function workOf(school: "forge" | "kiln"): Work {
  const route = planRoute(CATALOGUE, BILLHOOK, school);
  const acts = actsOfRoute(route);
  const act = acts.find((a): a is Heat => a.kind === "heat" && a.purpose === "harden")!;
  return { isKiln: school === "kiln", route, acts, act, hold: acts.find(({ kind, step }) => kind === "hold" && step === act.step)! };
}

const FORGE = workOf("forge");
const KILN = workOf("kiln");
const LETS_C = magnetLost_C(resolveSteel(CATALOGUE, BILLHOOK.steel).composition_wtpct, "pearlite");
const points = new Map<string, MagnetPoint>();

export interface HeatsResult {
  readonly looks: number;
  readonly covered: number;
  readonly meanError_K: number;
  /** Of looks before anybody slipped. */
  readonly falseConflicts: number;
  /** Of heats where a probe was planted in the flame. */
  readonly plantedNamed: number;
}

interface Tally {
  looks: number;
  covered: number;
  error_K: number;
  honest: number;
  conflicts: number;
  planted: number;
  named: number;
}

/** From here on a smith looks, C. */
const FROM_C = 560;
const OUT_OVER_K = 40;
/** Touched elsewhere, or named another: so often it says nothing. */
const SLIP = 0.02;

/** So many turn their fire about the heat wanted once it is there, to within this, K; the others leave it (judgement). */
const TURNS = 0.7;
const TURNED_K = 30;
const MOST_HELD_s = 400;
/** A kiln's thermocouple and its place are off by this, one deviation, K (judgement). */
const KILN_OFF_K = 12;

/** Becoming austenite takes 82 kJ/kg, and losing its magnetism some more: as much as so many degrees more of plain steel, just under its magnet's point. */
const CHANGE_K = [100, 150] as const;
const CHANGES_OVER_K = 14;
const STEP_s = 0.25;

/**
 * One heat: a piece rises towards its fire, is touched and looked at every ten to thirty seconds, and comes out somewhere over its heat;
 * or, about its heat, is held there, and what counts is what is said of it in its hold.
 */
function oneHeat(seed: number, tally: Tally, isHeld: boolean, { isKiln, route, acts, act, hold }: Work): void {
  const even = uniforms(seed);
  const between = (low: number, high: number): number => low + (high - low) * even();
  const anyOf = <T>(choices: readonly T[]): T => choices[Math.min(choices.length - 1, Math.floor(even() * choices.length))]!;
  const normal = (sd: number): number => sd * normalQuantile(Math.min(0.9999, Math.max(0.0001, even())));
  const [fire_C, tau_s] = isKiln ? [act.target_C + normal(KILN_OFF_K), between(32, 80)] : [between(900, 1010), between(60, 200)];
  const start_C = even() < 0.5 ? 25 : 450;
  let [held_s, hold_C] = [Infinity, 0];
  const [lets_C, changes_K] = [LETS_C + normal(8), between(...CHANGE_K)];
  const risen_C = [start_C];
  const rise_C = (t: number): number => {
    while (risen_C.length <= t / STEP_s) {
      const T = risen_C.at(-1)!;
      const isChanging = T > lets_C - CHANGES_OVER_K && T < lets_C;
      risen_C.push(T + (STEP_s * (fire_C - T)) / tau_s / (isChanging ? 1 + changes_K / CHANGES_OVER_K : 1));
    }
    return risen_C[Math.floor(t / STEP_s)]!;
  };
  const truth_C = (t: number): number => (t < held_s ? rise_C(t) : hold_C - (hold_C - rise_C(held_s)) * Math.exp((held_s - t) / tau_s));
  const [bias_K, exponent, offset_K] = [normal(30), 2 / 3 + normal(0.15), normal(5)];
  const hasProbe = even() < 0.3;
  const lag_s = between(1, 7);
  const isPlanted = hasProbe && even() < 0.25;
  const ambient = ambientFromLux(20);
  const logged: BookEvent[] = [];
  const start_ms = 1e9;
  const events: BookEvent[] = [
    { id: "a", piece: "p", at_ms: 1, kind: "piece", definition: BILLHOOK },
    { id: "b", piece: "p", at_ms: 2, kind: "route", route },
    ...acts
      .slice(0, acts.indexOf(act))
      .map(({ id }, i): BookEvent => ({ id: `d${i}`, piece: "p", at_ms: 10 + i, kind: "act-done", act: id })),
  ];
  const log = (t: number, reading: Check): void =>
    void logged.push({
      id: `c${logged.length}`,
      piece: "p",
      at_ms: Math.round(start_ms + 1000 * t),
      kind: "check",
      act: t < held_s ? act.id : hold.id,
      reading,
    });
  let [t, lastProbe] = [0, -Infinity];
  while (truth_C(t) < FROM_C) t += 5;
  let [isNamed, hasSlipped] = [false, false];
  while (t < 900) {
    t += between(8, 30);
    const T = truth_C(t);
    if (isHeld && held_s === Infinity && T > act.target_C - 10) {
      held_s = t;
      hold_C = !isKiln && even() < TURNS ? act.target_C + between(-TURNED_K, TURNED_K) : fire_C;
      const at_ms = Math.round(start_ms + 1000 * t);
      logged.push({ id: "at-heat", piece: "p", at_ms, kind: "act-done", act: act.id });
      continue;
    }
    if (held_s < Infinity ? t > held_s + MOST_HELD_s : T > act.target_C + OUT_OVER_K || fire_C - T < (isKiln ? 1 : 8)) break;
    const which = even();
    if (which < 0.5) {
      const there = T + normal(6);
      const felt = there > lets_C ? "free" : there > lets_C - 12 ? "weak" : "sticks";
      const state = even() < SLIP ? anyOf(["free", "weak", "sticks"] as const) : felt;
      hasSlipped ||= state !== felt;
      log(t, { check: "magnet", state });
    } else if (which < 0.85 || !hasProbe) {
      const seen = apparentTemperature_C(T + bias_K + normal(18), ambient, exponent);
      const band = GLOW_NAMES.find((b) => seen >= b.low_C && seen < b.high_C);
      if (band === undefined || !isGlowVisible(T, ambient) || readGlow(band, ambient) === null) continue;
      const slipped = anyOf(GLOW_NAMES.filter((b) => readGlow(b, ambient) !== null));
      const { name } = even() < SLIP ? slipped : band;
      hasSlipped ||= name !== band.name;
      log(t, { check: "glow", name, ambient_lux: 20 });
    } else {
      const behind_K = lag_s * (held_s < Infinity ? (hold_C - T) / tau_s : T - truth_C(t - 1));
      log(t, { check: "probe", temperature_C: T - behind_K + offset_K + (isPlanted ? 180 : 0) + normal(6) });
      lastProbe = t;
    }
    const later = between(0, 4);
    if (isHeld && held_s === Infinity) continue;
    const state = pieceState("p", [...events, ...logged])!;
    const { read } = heatNow(state, act, start_ms + 1000 * (t + later), { catalogue: CATALOGUE, points });
    if (read === null) continue;
    const { mean_C, p05_C, p95_C, conflict } = read.estimate;
    const now_C = truth_C(t + later);
    if (isPlanted) {
      if (conflict !== null && t - lastProbe < 60) isNamed = true;
      continue;
    }
    tally.looks++;
    if (!hasSlipped) tally.honest++;
    if (now_C >= p05_C && now_C <= p95_C) tally.covered++;
    tally.error_K += Math.abs(mean_C - now_C);
    if (conflict !== null && !hasSlipped) tally.conflicts++;
  }
  if (isPlanted && lastProbe > -Infinity) {
    tally.planted++;
    if (isNamed) tally.named++;
  }
}

/** @param isHeld of their holds alone */
export function wholeHeats(count: number, seed = 500000, isHeld = false, school: "forge" | "kiln" = "forge"): HeatsResult {
  const tally: Tally = { looks: 0, covered: 0, error_K: 0, honest: 0, conflicts: 0, planted: 0, named: 0 };
  for (let i = 0; i < count; i++) oneHeat(seed + i, tally, isHeld, school === "kiln" ? KILN : FORGE);
  return {
    looks: tally.looks,
    covered: tally.covered / tally.looks,
    meanError_K: tally.error_K / tally.looks,
    falseConflicts: tally.conflicts / tally.honest,
    plantedNamed: tally.named / Math.max(1, tally.planted),
  };
}
