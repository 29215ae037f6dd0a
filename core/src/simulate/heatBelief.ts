/** What one kind of evidence says about the temperature of a piece: its likelihood on a grid. Shared faults are summed over. */

import { ambientFromLux, GLOW_NAMES, glowNamed, readGlow, type GlowReading } from "../colour/glow.js";
import { InputError } from "../errors.js";
import { normalCdf } from "../numerics/normal.js";
import { celsiusFromKelvin, kelvin } from "../units.js";
import { heatOfNode_C, HIGHEST_C, LOWEST_C, NODES } from "./heatGrid.js";
import { then, together, type Drift, type Then } from "./movedSince.js";

/** How long ago a reading was taken, s; what the piece did since is in `Drift`. */
interface Aged {
  readonly age_s?: number;
}

export type GlowEvidence = Aged & { readonly kind: "glow"; readonly name: string; readonly ambient_lux: number };
/** asItLetGo: the first touch of a heat that does not stick was made as it let go. */
export type MagnetEvidence = Aged & { readonly kind: "magnet"; readonly state: "sticks" | "weak" | "free"; readonly asItLetGo?: boolean };
/** offset_C is what the probe reads too much; sd_C what is left of it in one reading. */
export type ProbeEvidence = Aged & {
  readonly kind: "probe";
  readonly temperature_C: number;
  readonly offset_C?: number;
  readonly sd_C?: number;
};
/** An infrared gun: the emissivity it was set to, and what it looked at. */
export type InfraredEvidence = Aged & {
  readonly kind: "infrared";
  readonly temperature_C: number;
  readonly emissivity: number;
  readonly surface: "scale" | "bright";
};
export type StickEvidence = Aged & { readonly kind: "stick"; readonly rated_C: number; readonly hasMelted: boolean };
/** What the heating model expects after so long in the fire. */
export type TimeEvidence = { readonly kind: "time"; readonly expected_C: number; readonly sd_C: number };
export type HeatEvidence = GlowEvidence | MagnetEvidence | ProbeEvidence | InfraredEvidence | StickEvidence | TimeEvidence;
export type EvidenceKind = HeatEvidence["kind"];

/** The smith's own eye: what it calls a heat too hot by, and how sure that is, C. */
export interface Eye {
  readonly bias_C: number;
  readonly sd_C: number;
}
/** Of an eye nobody measured: colour-note section 3.3. */
export const UNKNOWN_EYE: Eye = { bias_C: 0, sd_C: 30 };

/** Where the magnet lets go, or pulls again, for this piece now. */
export interface MagnetPoint {
  readonly at_C: number;
  readonly sd_C: number;
}

export interface BeliefContext {
  readonly eye: Eye;
  readonly magnet: MagnetPoint;
  readonly drift: Drift;
  /** Taken at its word: no slip, no flame, no probe that has not caught up. For the look that was just made. */
  readonly isAtItsWord?: boolean;
}

/** Even cuts through a standard normal number: nuisances that all readings of a kind share are summed over these. */
const CUTS: readonly { readonly z: number; readonly weight: number }[] = (() => {
  const raw = Array.from({ length: 9 }, (_, i) => -2.8 + 0.7 * i).map((z) => ({ z, weight: Math.exp(-0.5 * z * z) }));
  const sum = raw.reduce((total, { weight }) => total + weight, 0);
  return raw.map(({ z, weight }) => ({ z, weight: weight / sum }));
})();

/** A slip: touched the wrong place, named the wrong colour, took the wrong stick (judgement). */
const SLIP = 0.02;

function density(x: number, sd: number): number {
  return Math.exp(-0.5 * (x / sd) ** 2) / (sd * Math.sqrt(2 * Math.PI));
}

/** Further out than this nothing is left of a bell, deviations. */
const FAR = 6;

/** As `normalCdf`, from a table: a look in a hold asks it a million times. @error 2e-6 */
const BELOW_PER_SD = 128;
const BELOW = Float64Array.from({ length: 2 * FAR * BELOW_PER_SD + 2 }, (_, k) => normalCdf(k / BELOW_PER_SD - FAR));
function below(z: number): number {
  if (z >= FAR) return 1;
  if (z <= -FAR) return 0;
  const at = (z + FAR) * BELOW_PER_SD;
  const k = Math.floor(at);
  return BELOW[k]! + (at - k) * (BELOW[k + 1]! - BELOW[k]!);
}

/** Writes how likely a reading is at each heat of the grid, where the nuisance that it shares is `z`. */
type Likely<E> = (reading: E, z: number, into: Float64Array) => void;

/** Likelihood over the grid when all readings share one nuisance. */
function sharing<E>(readings: readonly E[], likely: Likely<E>): Float64Array {
  const together = new Float64Array(NODES);
  const [product, one] = [new Float64Array(NODES), new Float64Array(NODES)];
  for (const { z, weight } of CUTS) {
    product.fill(weight);
    for (const reading of readings) {
      likely(reading, z, one);
      for (let i = 0; i < NODES; i++) product[i]! *= one[i]!;
    }
    for (let i = 0; i < NODES; i++) together[i]! += product[i]!;
  }
  return together;
}

/** A trained eye on one glance: 18 C at 800 C (colour-note section 1.4). */
function glance_C(T: number): number {
  return 18 * (kelvin(T) / 1073) ** 2;
}

/** Bands by name and light: finding one takes a hundred times as long as all the rest. */
const bandsRead = new Map<string, GlowReading | null>();
const MOST_KEPT = 500;

/** What a name means in a light; null for a name that is none, or a glow that cannot be seen there. */
export function glowInLight(name: string, ambient_lux: number): GlowReading | null {
  const key = `${name} ${ambient_lux}`;
  const known = bandsRead.get(key);
  if (known !== undefined) return known;
  const band = glowNamed(name);
  const read = band === undefined ? null : readGlow(band, ambientFromLux(ambient_lux));
  if (bandsRead.size >= MOST_KEPT) bandsRead.clear();
  bandsRead.set(key, read);
  return read;
}

/** The same. @throws InputError not-a-choice, or inconsistent for a colour that cannot be seen there. */
export function glowBand(name: string, ambient_lux: number, path = "/evidence"): GlowReading {
  const read = glowInLight(name, ambient_lux);
  if (read !== null) return read;
  if (glowNamed(name) === undefined) {
    throw new InputError({ code: "not-a-choice", path, got: name, allowed: GLOW_NAMES.map((b) => b.name).join(", ") });
  }
  throw new InputError({ code: "inconsistent", path, got: name, message: `"${name}" cannot be seen in light of ${ambient_lux} lux.` });
}

function slipOf({ isAtItsWord = false }: BeliefContext): number {
  return isAtItsWord ? 0 : SLIP;
}

function glow(readings: readonly GlowEvidence[], context: BeliefContext): Float64Array {
  const { eye, drift } = context;
  const slip = slipOf(context);
  const bands = readings.map((reading) => {
    const { low_C, high_C, sd_C, mean_C } = glowBand(reading.name, reading.ambient_lux);
    // What the reading's own spread holds beyond the width of its band and the glance: how light shifts the eye.
    const light_C = Math.sqrt(Math.max(0, sd_C ** 2 - (high_C - low_C) ** 2 / 12 - glance_C(mean_C) ** 2));
    const { was_C, sd_C: moved_C } = then(drift, reading.age_s);
    return { low_C, high_C, light_C, was_C, spread_C: moved_C.map((sd, i) => together(glance_C(heatOfNode_C(i)), sd)) };
  });
  return sharing(bands, ({ low_C, high_C, light_C, was_C, spread_C }, z, into) => {
    // The shift of the light is the same for all readings in it, as the eye's own bias is.
    const off_K = eye.bias_C + z * together(eye.sd_C, light_C);
    for (let i = 0; i < NODES; i++) {
      const seen = was_C[i]! + off_K;
      const s = spread_C[i]!;
      into[i] = slip / GLOW_NAMES.length + (1 - slip) * (below((high_C - seen) / s) - below((low_C - seen) / s));
    }
  });
}

/** Below the point by this much the pull is weak (common practice, no source). */
const WEAK_K = 12;
/** How even the place is that the magnet touches, C (judgement). */
const TOUCH_K = 6;

/** A touch made as it lets go is tapped so far past its point, on the mean, K (judgement). */
const LET_GO_K = 40;

interface Touched {
  readonly together: Float64Array;
  /** Of every two touches by themselves. */
  readonly pairs: () => readonly Float64Array[];
}

function magnet(readings: readonly MagnetEvidence[], context: BeliefContext): Touched {
  const { magnet: point, drift } = context;
  const slip = slipOf(context);
  const touches = readings.map(({ state, age_s, asItLetGo = false }) => {
    const { was_C, sd_C } = then(drift, age_s);
    return { state, asItLetGo, was_C, spread_C: sd_C.map((sd) => together(TOUCH_K, sd)) };
  });
  const likely: Likely<(typeof touches)[number]> = ({ state, asItLetGo, was_C, spread_C }, z, into) => {
    const lets_C = point.at_C + z * point.sd_C;
    for (let i = 0; i < NODES; i++) {
      const [was, spread] = [was_C[i]!, spread_C[i]!];
      const free = state === "sticks" ? 0 : below((was - lets_C) / spread);
      const notSticks = state === "free" ? 0 : below((was - lets_C + WEAK_K) / spread);
      const late = asItLetGo ? Math.exp(-Math.max(0, was - lets_C) / LET_GO_K) : 1;
      const chance = state === "free" ? free * late : state === "sticks" ? 1 - notSticks : notSticks - free;
      into[i] = slip / 3 + (1 - slip) * chance;
    }
  };
  return {
    together: sharing(touches, likely),
    pairs: () => touches.flatMap((a, k) => touches.slice(k + 1).map((b) => sharing([a, b], likely))),
  };
}

/** Offset of a probe nobody checked, and of one that was; one reading on hot steel by hand, C (judgement). */
const UNCHECKED_K = 5;
const CHECKED_K = 2;
export const PROBE_SD_C = 6;
/** One reading of a probe is any number so often (judgement). */
const PROBE_NONSENSE = 0.01;
/** A probe in the flame, or one that has not caught up: how often (together one look in thirty), and over what range (judgement). */
const IN_FLAME = 1 / 60;
const FLAME_C: readonly [number, number] = [20, 320];
const LAGS = 1 / 60;
const LAG_C: readonly [number, number] = [15, 215];

/**
 * A sheathed probe is so far behind steel that moves: its own time in contact, s, and how that differs from probe to probe (judgement).
 * Behind a steady rise a lag of the first order is the rate times that time.
 */
const PROBE_LAG_s = 4;
const PROBE_LAG_SD_s = 2;

/** Where a probe stands beside steel that moves. */
function behindSteel({ was_C, sd_C, rate_K_s }: Then): Pick<Then, "was_C" | "sd_C"> {
  return {
    was_C: was_C.map((T, i) => T - PROBE_LAG_s * rate_K_s[i]!),
    sd_C: sd_C.map((sd, i) => together(sd, PROBE_LAG_SD_s * rate_K_s[i]!)),
  };
}

function probe(readings: readonly ProbeEvidence[], { drift, isAtItsWord = false }: BeliefContext): Float64Array {
  const nonsense = isAtItsWord ? 0 : PROBE_NONSENSE;
  const read = readings.map((reading) => ({ sd_C: PROBE_SD_C, ...reading, moved: behindSteel(then(drift, reading.age_s)) }));
  const good = sharing(read, ({ temperature_C, offset_C, sd_C, moved }, z, into) => {
    const read_C = temperature_C - (offset_C ?? 0) - z * (offset_C === undefined ? UNCHECKED_K : CHECKED_K);
    for (let i = 0; i < NODES; i++)
      into[i] = (1 - nonsense) * density(read_C - moved.was_C[i]!, together(sd_C, moved.sd_C[i]!)) + nonsense / (HIGHEST_C - LOWEST_C);
  });
  if (isAtItsWord) return good;
  // Readings that are wrong are wrong together: the probe stayed where it was.
  const wrong = (low: number, high: number, i: number): number =>
    read.reduce((product, { temperature_C, offset_C = 0, sd_C, moved }) => {
      const above = temperature_C - offset_C - moved.was_C[i]!;
      const inside = below((above - low) / sd_C) - below((above - high) / sd_C);
      return product * Math.max(1e-9, inside / (high - low));
    }, 1);
  return good.map((likelihood, i) => {
    return (1 - IN_FLAME - LAGS) * likelihood + IN_FLAME * wrong(FLAME_C[0], FLAME_C[1], i) + LAGS * wrong(-LAG_C[1], -LAG_C[0], i);
  });
}

/** What steel radiates of what a black body would, at the wavelengths of a cheap gun (from memory), and its spread. */
const EMISSIVITY = { scale: { mean: 0.87, sd: 0.05 }, bright: { mean: 0.4, sd: 0.12 } } as const;
/** Middle of the band of a cheap gun, um, and the second radiation constant, um K. */
const GUN_um = 10.6;
const SECOND_um_K = 14388;
/** Scale that has lifted is colder than the steel below it, C, and one reading's own spread (judgement). */
const SCALE_COLDER_C = 12;
const GUN_SD_C = 12;

/** It looked at something else so often (judgement). */
const GUN_NONSENSE = 0.03;

/** True temperature behind a gun's reading, C: Planck at one wavelength, the surroundings left out. */
export function behindGun_C(reading_C: number, set: number, emissivity: number): number {
  const radiance = set / Math.expm1(SECOND_um_K / (GUN_um * kelvin(reading_C)));
  return celsiusFromKelvin(SECOND_um_K / (GUN_um * Math.log1p(emissivity / radiance)));
}

function infrared(readings: readonly InfraredEvidence[], { drift, isAtItsWord = false }: BeliefContext): Float64Array {
  const nonsense = isAtItsWord ? 0 : GUN_NONSENSE;
  const emissivity = (surface: "scale" | "bright", z: number): number =>
    Math.min(0.99, Math.max(0.08, EMISSIVITY[surface].mean + z * EMISSIVITY[surface].sd));
  const behind = readings.map(({ temperature_C, emissivity: set, surface }) =>
    CUTS.map(({ z }) => behindGun_C(temperature_C, set, emissivity(surface, z)) + (surface === "scale" ? SCALE_COLDER_C : 0)),
  );
  const moved = readings.map(({ age_s }) => then(drift, age_s));
  const likelihood = new Float64Array(NODES);
  for (let i = 0; i < NODES; i++) {
    CUTS.forEach(({ weight }, c) => {
      let product = weight;
      moved.forEach(({ was_C, sd_C }, k) => {
        const spread_C = together(GUN_SD_C, sd_C[i]!);
        product *= (1 - nonsense) * density(behind[k]![c]! - was_C[i]!, spread_C) + nonsense / (HIGHEST_C - LOWEST_C);
      });
      likelihood[i]! += product;
    });
  }
  return likelihood;
}

/** Makers' claim for temperature sticks: within one part in a hundred (from memory). */
const STICK_SHARE = 0.01;

function stick(readings: readonly StickEvidence[], context: BeliefContext): Float64Array {
  const { drift } = context;
  const slip = slipOf(context);
  return sharing(readings, ({ rated_C, hasMelted, age_s }, _, into) => {
    const { was_C, sd_C } = then(drift, age_s);
    for (let i = 0; i < NODES; i++) {
      const melts = below((was_C[i]! - rated_C) / together(STICK_SHARE * rated_C, sd_C[i]!));
      into[i] = slip / 2 + (1 - slip) * (hasMelted ? melts : 1 - melts);
    }
  });
}

/** One time in twenty the piece does not do what the model of the fire says (judgement). */
const SURPRISE = 0.05;

function time(readings: readonly TimeEvidence[]): Float64Array {
  // One fire, one clock: the newest says all.
  const { expected_C, sd_C } = readings[readings.length - 1]!;
  return Float64Array.from(
    { length: NODES },
    (_, i) => (1 - SURPRISE) * density(heatOfNode_C(i) - expected_C, sd_C) + SURPRISE / (HIGHEST_C - LOWEST_C),
  );
}

function ofKind<K extends EvidenceKind>(evidence: readonly HeatEvidence[], kind: K): Extract<HeatEvidence, { kind: K }>[] {
  return evidence.filter((e): e is Extract<HeatEvidence, { kind: K }> => e.kind === kind);
}

export interface Likelihoods {
  /** By kind, its largest value 1; kinds of which there is none are left out. */
  readonly found: ReadonlyMap<EvidenceKind, Float64Array>;
  /** How likely each two touches of the magnet are together, at each heat. */
  readonly touchPairs: () => readonly Float64Array[];
  /** Logarithm of how well the drift explains all of it at its best. */
  readonly log: number;
}

function largest(likelihood: Float64Array): number {
  return likelihood.reduce((a, b) => Math.max(a, b), 0);
}

/** What each kind of evidence says. */
export function likelihoods(evidence: readonly HeatEvidence[], context: BeliefContext): Likelihoods {
  const found = new Map<EvidenceKind, Float64Array>();
  let log = 0;
  const add = (kind: EvidenceKind, likelihood: Float64Array): number => {
    const most = largest(likelihood);
    log += Math.log(most);
    found.set(
      kind,
      likelihood.map((v) => v / most),
    );
    return most;
  };
  const [glows, magnets, probes] = [ofKind(evidence, "glow"), ofKind(evidence, "magnet"), ofKind(evidence, "probe")];
  const [guns, sticks, times] = [ofKind(evidence, "infrared"), ofKind(evidence, "stick"), ofKind(evidence, "time")];
  let touchPairs: Likelihoods["touchPairs"] = () => [];
  if (glows.length > 0) add("glow", glow(glows, context));
  if (magnets.length > 0) {
    const touched = magnet(magnets, context);
    add("magnet", touched.together);
    touchPairs = touched.pairs;
  }
  if (probes.length > 0) add("probe", probe(probes, context));
  if (guns.length > 0) add("infrared", infrared(guns, context));
  if (sticks.length > 0) add("stick", stick(sticks, context));
  if (times.length > 0) add("time", time(times));
  return { found, touchPairs, log };
}
