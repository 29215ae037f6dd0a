import { describe, expect, it } from "@jest/globals";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { checkAny } from "../../src/schema/checkAll.js";
import { SCHEMAS } from "../../src/schema/index.js";
import type { Book } from "../../src/schema/book.js";
import type { Schema } from "./limitsOf.js";

interface Leaf {
  readonly path: readonly (string | number)[];
  readonly schema: Schema;
}

/** The numbers of a value, each with the schema that holds it. */
function numbersOf(value: unknown, schema: Schema, path: readonly (string | number)[] = []): Leaf[] {
  if (schema.oneOf !== undefined) {
    const tag = schema.discriminator!.propertyName;
    const own = schema.oneOf.find((one) => one.properties?.[tag]?.const === (value as Record<string, unknown>)[tag]);
    return own === undefined ? [] : numbersOf(value, own, path);
  }
  if (typeof value === "number") return [{ path, schema }];
  if (Array.isArray(value)) return value.flatMap((inner, i) => numbersOf(inner, schema.items ?? {}, [...path, i]));
  if (typeof value === "object" && value !== null) {
    return Object.entries(value).flatMap(([key, inner]) => numbersOf(inner, schema.properties?.[key] ?? {}, [...path, key]));
  }
  return [];
}

function withNumber<T>(value: T, path: readonly (string | number)[], number: number): T {
  const copy = structuredClone(value);
  let at = copy as Record<string | number, unknown>;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
  at[path.at(-1)!] = number;
  return copy;
}

const book = JSON.parse(readFileSync(join(__dirname, "../migrate/books/version-17.tembrak.json"), "utf8")) as Book;

describe("limits of what is stored", () => {
  it.each(["Event", "KitItem"] as const)("every number of every kind of %s is taken at its limit and refused beyond it", (name) => {
    const values: readonly unknown[] = name === "Event" ? book.events : book.kit!;
    const tried = new Set<string>();
    for (const value of values) {
      for (const { path, schema } of numbersOf(value, SCHEMAS[name] as unknown as Schema)) {
        const { minimum, maximum, type } = schema;
        // One of each kind, not one of each piece.
        const place = `${(value as { kind: string }).kind} ${path.filter((p) => typeof p === "string").join("/")} ${minimum} ${maximum}`;
        if (minimum === undefined || maximum === undefined || tried.has(place)) continue;
        tried.add(place);
        const step = type === "integer" ? 1 : 1e-9 * Math.max(1, Math.abs(maximum), Math.abs(minimum));
        const taken = [minimum, maximum].map((n) => checkAny(name, withNumber(value, path, n)).ok);
        const refused = [minimum - step, maximum + step, NaN].map((n) => checkAny(name, withNumber(value, path, n)).ok);
        expect([place, ...taken, ...refused]).toEqual([place, true, true, false, false, false]);
      }
    }
    expect(tried.size).toBeGreaterThan(name === "Event" ? 40 : 25);
  });
});
