/** Compares with a value from outside the project, and leaves a row for docs/validation.md. */

import { expect } from "@jest/globals";
import { appendFileSync, mkdirSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

const folder = join(dirname(fileURLToPath(import.meta.url)), "../../.tbuild/validation");

export interface Outside {
  /** The chapter of docs/validation.md. */
  readonly topic: string;
  readonly what: string;
  /** Author and year, a standard, "common practice, no source", or "from memory" with what is remembered. */
  readonly source: string;
  readonly unit: string;
  readonly wanted: number;
  readonly got: number;
  readonly tolerance: number;
  /** Why this tolerance, in one line. */
  readonly because: string;
}

/** Fails when the two differ by more than the tolerance. Every comparison, good or bad, is written down first. */
export function outside(row: Outside): void {
  mkdirSync(folder, { recursive: true });
  appendFileSync(join(folder, `${process.pid}.jsonl`), `${JSON.stringify(row)}\n`);
  const { what, wanted, got, tolerance, unit } = row;
  if (!(Math.abs(got - wanted) <= tolerance)) {
    throw new Error(`${what}: got ${got} ${unit}, wanted ${wanted} ± ${tolerance}`);
  }
  expect(Math.abs(got - wanted)).toBeLessThanOrEqual(tolerance);
}
