/** Made-up smiths who judge a heat: what they see, touch and read is drawn from the notes' error model, not from the likelihoods. */

import { ambientFromLux, apparentTemperature_C, isGlowVisible, GLOW_NAMES, readGlow } from "../../src/colour/glow.js";
import type { HeatEvidence } from "../../src/simulate/heatBelief.js";
import { estimateHeat } from "../../src/simulate/heatEstimate.js";
import { uniforms } from "../../src/numerics/sampling.js";
import { normalQuantile } from "../../src/numerics/normal.js";

interface Chance {
  readonly even: () => number;
  readonly between: (low: number, high: number) => number;
  readonly normal: (mean: number, sd: number) => number;
  readonly happens: (chance: number) => boolean;
  readonly one: <T>(of: readonly T[]) => T;
}

function chanceOf(seed: number): Chance {
  const even = uniforms(seed);
  return {
    even,
    between: (low, high) => low + (high - low) * even(),
    normal: (mean, sd) => mean + sd * normalQuantile(Math.min(0.9999, Math.max(0.0001, even()))),
    happens: (chance) => even() < chance,
    one: (of) => of[Math.floor(even() * of.length)]!,
  };
}

export interface Smith {
  readonly truth_C: number;
  readonly wanted_C: number;
  readonly magnet_C: number;
  readonly evidence: readonly HeatEvidence[];
}

const STICKS_C = [704, 732, 760, 788, 816, 843, 871];
const times = <T>(count: number, make: () => T): T[] => Array.from({ length: count }, make);

/** Eye: bias 30, a glance 18 at 800 C, adaptation 0.667 +- 0.15 (colour-note). Magnet 8 and 6 C. The rest as the judgements say. */
export function makeSmith(seed: number): Smith {
  const c = chanceOf(seed);
  // Checked as it comes near: from well short to somewhat over.
  const wanted_C = c.one([770, 785, 800, 815, 830, 845, 870]);
  const truth_C = c.between(wanted_C - 120, wanted_C + 60);
  const magnet_C = c.one([734, 740, 752, 765]);
  const lux = c.one([1, 20, 20, 100, 300]);
  const ambient = ambientFromLux(lux);
  const evidence: HeatEvidence[] = [];
  const [bias, exponent] = [c.normal(0, 30), c.normal(2 / 3, 0.15)];
  times(c.one([1, 2, 3]), () => {
    const glance = 18 * ((truth_C + 273.15) / 1073) ** 2;
    const seen = apparentTemperature_C(truth_C + bias + c.normal(0, glance), ambient, exponent);
    const band = c.happens(0.02) ? c.one(GLOW_NAMES) : GLOW_NAMES.find((b) => seen >= b.low_C && seen < b.high_C);
    // A colour that cannot be seen in this light cannot be named.
    if (band && isGlowVisible(truth_C, ambient) && readGlow(band, ambient))
      evidence.push({ kind: "glow", name: band.name, ambient_lux: lux });
  });
  const lets = magnet_C + c.normal(0, 8);
  times(c.one([1, 2]), () => {
    const there = truth_C + c.normal(0, 6);
    const honest = there > lets ? "free" : there > lets - 12 ? "weak" : "sticks";
    evidence.push({ kind: "magnet", state: c.happens(0.02) ? c.one(["free", "weak", "sticks"] as const) : honest });
  });
  if (c.happens(0.6)) {
    const expected_C = c.happens(0.05) ? c.between(300, 1200) : c.normal(truth_C, 35);
    evidence.push({ kind: "time", expected_C, sd_C: 35 });
  }
  if (c.happens(0.4)) {
    times(2, () => {
      const rated_C = c.one(STICKS_C);
      const hasMelted = truth_C > c.normal(rated_C, 0.01 * rated_C);
      evidence.push({ kind: "stick", rated_C, hasMelted: c.happens(0.02) ? !hasMelted : hasMelted });
    });
  }
  if (c.happens(0.3)) {
    const offset = c.normal(0, 5);
    const where = c.even();
    const wrong_C = where < 0.05 ? c.between(20, 320) : where < 0.1 ? -c.between(15, 215) : 0;
    times(c.one([1, 2, 3]), () => evidence.push({ kind: "probe", temperature_C: truth_C + offset + wrong_C + c.normal(0, 6) }));
  }
  return { truth_C, wanted_C, magnet_C, evidence };
}

export interface SmithsResult {
  readonly count: number;
  readonly covered: number;
  readonly meanError_K: number;
  readonly bestSingleError_K: number;
  readonly conflicts: number;
}

/** What one reading says by itself, taken at its word: the way a smith without this tool takes it. */
function atItsWord_C(e: HeatEvidence, magnet_C: number): number {
  switch (e.kind) {
    case "probe":
    case "infrared":
      return e.temperature_C;
    case "time":
      return e.expected_C;
    case "stick":
      return e.rated_C;
    case "magnet":
      return e.state === "free" ? magnet_C + 20 : e.state === "weak" ? magnet_C - 6 : magnet_C - 40;
    case "glow": {
      const band = GLOW_NAMES.find((b) => b.name === e.name)!;
      return readGlow(band, ambientFromLux(e.ambient_lux))?.mean_C ?? band.low_C;
    }
  }
}

/** Best first, as their mean errors rank when each is taken at its word. */
const BEST_FIRST: readonly HeatEvidence["kind"][] = ["probe", "infrared", "time", "glow", "stick", "magnet"];

/** Runs so many smiths: the fused estimate against the best reading each of them had. */
export function askSmiths(smiths: readonly Smith[]): SmithsResult {
  let [covered, error, single, conflicts] = [0, 0, 0, 0];
  for (const { truth_C, wanted_C, magnet_C, evidence } of smiths) {
    const fused = estimateHeat({ evidence, magnet: { at_C: magnet_C, sd_C: 8 }, wanted_C });
    if (truth_C >= fused.p05_C && truth_C <= fused.p95_C) covered++;
    error += Math.abs(fused.mean_C - truth_C);
    const best = BEST_FIRST.map((kind) => evidence.find((e) => e.kind === kind)).find((e) => e !== undefined)!;
    single += Math.abs(atItsWord_C(best, magnet_C) - truth_C);
    if (fused.conflict !== null) conflicts++;
  }
  const n = smiths.length;
  return { count: n, covered: covered / n, meanError_K: error / n, bestSingleError_K: single / n, conflicts: conflicts / n };
}

/** Mean error of each kind of reading at its word, C. */
export function singleErrors_K(smiths: readonly Smith[]): Readonly<Record<string, number>> {
  return Object.fromEntries(
    BEST_FIRST.flatMap((kind) => {
      const errors = smiths.flatMap(({ evidence, truth_C, magnet_C }) => {
        const found = evidence.find((e) => e.kind === kind);
        return found === undefined ? [] : [Math.abs(atItsWord_C(found, magnet_C) - truth_C)];
      });
      return errors.length === 0 ? [] : [[kind, errors.reduce((a, b) => a + b, 0) / errors.length]];
    }),
  );
}
