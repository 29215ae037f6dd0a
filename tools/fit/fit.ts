/**
 * `npm run fit`: fits the free constants of the kinetics to training.json within priors.json, writes core/data/kinetics and
 * report.json with the errors of training and held-back rows before and after. Some minutes; the same every time.
 */

import { readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { levenbergMarquardt } from "ml-levenberg-marquardt";
import { GAS_cal_molK } from "../../core/src/constants.js";
import { makeKinetics } from "../../core/src/kinetics/kinetics.js";
import type { KineticConstants, KineticsFile } from "../../core/src/schema/kinetics.js";
import { answers, bandOfHeats, roundsHeld, type Row } from "./rows.js";
import { writeTrims } from "./trims.js";

const here = dirname(fileURLToPath(import.meta.url));
const dataFile = join(here, "../../core/data/kinetics/kinetics.json");
const read = <T>(path: string): T => JSON.parse(readFileSync(path, "utf8")) as T;

type Name = keyof KineticConstants;
interface Free {
  readonly name: Name;
  readonly scale: "ln" | "linear";
  readonly prior: number;
  readonly sd: number;
  /** Where the search begins, in deviations from the prior. */
  readonly begin_sd: number;
}
const { free } = read<{ free: Free[] }>(join(here, "priors.json"));
const { rows: training } = read<{ rows: Row[] }>(join(here, "training.json"));
const { rows: heldBack } = read<{ rows: Row[] }>(join(here, "heldBack.json"));
/** What the constants that are not free are, and the free ones before they are fitted. */
const base = read<KineticsFile>(join(here, "start.json")).constants;
/** What the model said to these rows before its forms were changed. */
const { answers: before } = read<{ answers: Readonly<Record<string, number>> }>(join(here, "before.json"));

/** Where a rate stays as it is while its activation energy moves, K. */
const PIVOTS: Readonly<Partial<Record<Name, { readonly scale: Name; readonly pivot_K: number }>>> = {
  pearliteActivation_cal_mol: { scale: "pearliteScale", pivot_K: 873 },
  bainiteActivation_cal_mol: { scale: "bainiteScale", pivot_K: 673 },
};

/** The constants at a point: every coordinate is in standard deviations of its prior. */
function constantsAt(point: readonly number[]): KineticConstants {
  const values: Record<string, number> = { ...base };
  free.forEach(({ name, scale, prior, sd }, i) => {
    values[name] = scale === "ln" ? prior * Math.exp(sd * point[i]!) : prior + sd * point[i]!;
  });
  free.forEach(({ name, prior }) => {
    const pivot = PIVOTS[name];
    if (pivot !== undefined) values[pivot.scale]! *= Math.exp(-(values[name]! - prior) / (GAS_cal_molK * pivot.pivot_K));
  });
  return values as unknown as KineticConstants;
}

/** Beyond two deviations a row pulls no harder (Huber 1964): its square grows as the deviation itself. */
const PULLS_TO = 2;
function softly(error: number): number {
  const size = Math.abs(error);
  return size <= PULLS_TO ? error : Math.sign(error) * Math.sqrt(2 * PULLS_TO * size - PULLS_TO * PULLS_TO);
}

const cache = new Map<string, number[]>();
/** Residuals of all training rows and all priors, in standard deviations. */
function residuals(point: readonly number[]): number[] {
  const key = JSON.stringify(point);
  const known = cache.get(key);
  if (known !== undefined) return known;
  const kinetics = makeKinetics(constantsAt(point));
  const all = [...training.flatMap((row) => answers(row, kinetics)).map(({ error }) => softly(error)), ...point];
  cache.set(key, all);
  return all;
}

const MOST_ROUNDS = Number(process.argv[2] ?? 4);
const LEGS = 2;
const start = free.map(({ begin_sd }) => begin_sd);
const x = residuals(start).map((_, i) => i);
let best = start;
let bestSum = Infinity;
// Where a leg no longer gets on by its damping, a fresh one from the best point often does.
for (let leg = 0; leg < LEGS; leg++) {
  const { iterations } = levenbergMarquardt(
    { x, y: x.map(() => 0) },
    (point: number[]) => {
      const r = residuals(point);
      const sum = r.reduce((a, b) => a + b * b, 0);
      if (sum < bestSum) {
        [best, bestSum] = [[...point], sum];
        console.log(`sum of squares ${sum.toFixed(2)}`);
      }
      return (i: number) => r[i]!;
    },
    { initialValues: best, damping: 1, gradientDifference: 0.2, maxIterations: MOST_ROUNDS, errorTolerance: 1e-6 },
  );
  console.log(`leg ${leg + 1}: ${iterations} rounds, best sum of squares ${bestSum.toFixed(2)}`);
}

const digits = (value: number): number => Number(value.toPrecision(4));
const after = Object.fromEntries(
  Object.entries(constantsAt(best)).map(([name, value]) => [name, digits(value)]),
) as unknown as KineticConstants;

const fittedKinetics = makeKinetics(after);

function report(rows: readonly Row[]) {
  return rows.flatMap((row) =>
    answers(row, fittedKinetics).map(({ name, unit, wanted, got }) => ({
      kind: row.kind,
      name,
      source: row.source,
      unit,
      wanted: digits(wanted),
      before: before[`${row.kind}: ${name}`] ?? null,
      after: digits(got),
    })),
  );
}

/** Share of the places of rounds whose hardness lies between what five and ninety-five in a hundred members lie below. */
function heldShare(rows: readonly Row[]): { places: number; share: number } {
  const held = rows.flatMap((row) => (row.kind === "round" ? roundsHeld(row, fittedKinetics) : []));
  return { places: held.length, share: digits(held.filter(Boolean).length / held.length) };
}

/** Middles of bands against the mean of many heats, HRC rms: a middle is that. */
function bandsOfHeats_HRC(rows: readonly Row[]): number {
  const misses = rows
    .flatMap((row) => (row.kind === "band" ? bandOfHeats(row, fittedKinetics) : []))
    .map(({ got, wanted }) => got - wanted);
  return digits(Math.sqrt(misses.reduce((sum, miss) => sum + miss * miss, 0) / misses.length));
}

const file: KineticsFile = {
  formatVersion: 1,
  fittedBy: "tools/fit/fit.ts",
  note: "see tools/fit and docs/validation.md",
  constants: after,
};
writeFileSync(dataFile, `${JSON.stringify(file, null, 2)}\n`);
const moved = free.map(({ name, prior, sd, scale }, i) => ({ name, scale, prior, sd, fitted: after[name], moved_sd: digits(best[i]!) }));
const both = <T>(of: (rows: readonly Row[]) => T): { training: T; heldBack: T } => ({ training: of(training), heldBack: of(heldBack) });
const summary = { ...both(report), rangeHolds: both(heldShare), bandsOfHeats_HRC: both(bandsOfHeats_HRC), constants: moved };
writeFileSync(join(here, "report.json"), `${JSON.stringify(summary, null, 2)}\n`);
writeTrims(fittedKinetics);
