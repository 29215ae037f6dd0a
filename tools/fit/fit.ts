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
import { answer, type Row } from "./rows.js";

const here = dirname(fileURLToPath(import.meta.url));
const dataFile = join(here, "../../core/data/kinetics/kinetics.json");
const read = <T>(path: string): T => JSON.parse(readFileSync(path, "utf8")) as T;

type Name = keyof KineticConstants;
interface Free {
  readonly name: Name;
  readonly scale: "ln" | "linear";
  readonly prior: number;
  readonly sd: number;
}
const { free } = read<{ free: Free[] }>(join(here, "priors.json"));
const { rows: training } = read<{ rows: Row[] }>(join(here, "training.json"));
const { rows: heldBack } = read<{ rows: Row[] }>(join(here, "heldBack.json"));
/** The hand fit everything starts from: what the constants were before this script. */
const before = read<KineticsFile>(join(here, "before.json")).constants;

/** Where a rate stays as it is while its activation energy moves, K. */
const PIVOTS: Readonly<Partial<Record<Name, { readonly scale: Name; readonly pivot_K: number }>>> = {
  pearliteActivation_cal_mol: { scale: "pearliteScale", pivot_K: 873 },
  bainiteActivation_cal_mol: { scale: "bainiteScale", pivot_K: 673 },
};

/** The constants at a point: every coordinate is in standard deviations of its prior. */
function constantsAt(point: readonly number[]): KineticConstants {
  const values: Record<string, number> = { ...before };
  free.forEach(({ name, scale, prior, sd }, i) => {
    values[name] = scale === "ln" ? prior * Math.exp(sd * point[i]!) : prior + sd * point[i]!;
  });
  free.forEach(({ name, prior }) => {
    const pivot = PIVOTS[name];
    if (pivot !== undefined) values[pivot.scale]! *= Math.exp(-(values[name]! - prior) / (GAS_cal_molK * pivot.pivot_K));
  });
  return values as unknown as KineticConstants;
}

const cache = new Map<string, number[]>();
/** Residuals of all training rows and all priors, in standard deviations. */
function residuals(point: readonly number[]): number[] {
  const key = JSON.stringify(point);
  const known = cache.get(key);
  if (known !== undefined) return known;
  const kinetics = makeKinetics(constantsAt(point));
  const all = [...training.map((row) => answer(row, kinetics)).map(({ error, sd }) => Math.max(-4, Math.min(4, error / sd))), ...point];
  cache.set(key, all);
  return all;
}

const MOST_ROUNDS = Number(process.argv[2] ?? 12);
const start = free.map(() => 0);
const x = Array.from({ length: training.length + free.length }, (_, i) => i);
let best = start;
let bestSum = Infinity;
const fitted = levenbergMarquardt(
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
  { initialValues: start, damping: 1, gradientDifference: 0.08, maxIterations: MOST_ROUNDS, errorTolerance: 1e-6 },
);
console.log(`${fitted.iterations} rounds, best sum of squares ${bestSum.toFixed(2)}`);

const digits = (value: number): number => Number(value.toPrecision(4));
const after = Object.fromEntries(
  Object.entries(constantsAt(best)).map(([name, value]) => [name, digits(value)]),
) as unknown as KineticConstants;

function report(rows: readonly Row[]) {
  const [was, is] = [makeKinetics(before), makeKinetics(after)];
  return rows.map((row) => {
    const [b, a] = [answer(row, was), answer(row, is)];
    return {
      kind: row.kind,
      name: row.name,
      source: row.source,
      unit: b.unit,
      wanted: digits(b.wanted),
      before: digits(b.got),
      after: digits(a.got),
    };
  });
}

const file: KineticsFile = {
  formatVersion: 1,
  fittedBy: "tools/fit/fit.ts",
  note: "see tools/fit and docs/validation.md",
  constants: after,
};
writeFileSync(dataFile, `${JSON.stringify(file, null, 2)}\n`);
const moved = free.map(({ name, prior, sd, scale }, i) => ({ name, scale, prior, sd, fitted: after[name], moved_sd: digits(best[i]!) }));
writeFileSync(
  join(here, "report.json"),
  `${JSON.stringify({ training: report(training), heldBack: report(heldBack), constants: moved }, null, 2)}\n`,
);
