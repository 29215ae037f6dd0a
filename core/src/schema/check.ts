/** Checks a value against a schema, and says what is wrong with it in a clear sentence. */

import type { Static } from "@sinclair/typebox";
import { InputError, type InputErrorCode, type InputProblem } from "../errors.js";
import type { SCHEMAS, SchemaName } from "./index.js";

export type Checked<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly InputProblem[] };

/** A validator as it was compiled: no code is made at run time. */
export interface Validator {
  (value: unknown): boolean;
  errors?: readonly unknown[] | null;
}

interface ValidationError {
  readonly instancePath: string;
  readonly keyword: string;
  readonly message?: string;
  readonly params: Readonly<Record<string, unknown>>;
}

const CODES: Readonly<Record<string, InputErrorCode>> = {
  required: "missing",
  additionalProperties: "unknown-property",
  type: "wrong-type",
  enum: "not-a-choice",
  const: "not-a-choice",
  discriminator: "not-a-choice",
  anyOf: "wrong-type",
};

function valueAt(value: unknown, path: string): unknown {
  return path
    .split("/")
    .slice(1)
    .reduce<unknown>((at, key) => {
      const name = key.replace(/~1/g, "/").replace(/~0/g, "~");
      return typeof at === "object" && at !== null ? (at as Record<string, unknown>)[name] : undefined;
    }, value);
}

function shown(got: unknown): string {
  let text = "something nested too deeply to show";
  try {
    text = JSON.stringify(got) ?? "nothing";
  } catch {
    // Deeper than the machine can follow, or in a ring.
  }
  return text.length > 60 ? `${text.slice(0, 57)}...` : text;
}

function problemOf(error: ValidationError, value: unknown): InputProblem {
  const { keyword, params, instancePath } = error;
  const code = CODES[keyword] ?? "out-of-range";
  const child = params["missingProperty"] ?? params["additionalProperty"] ?? (keyword === "discriminator" ? params["tag"] : undefined);
  const path = typeof child === "string" ? `${instancePath}/${child.replace(/~/g, "~0").replace(/\//g, "~1")}` : instancePath;
  const got = valueAt(value, path);
  const place = path === "" ? "the input" : path;
  const allowed = params["allowedValues"] as readonly unknown[] | undefined;
  const said: Readonly<Record<string, string>> = {
    missing: `${place} is missing`,
    "unknown-property": `${place} is not known here`,
    "not-a-choice": `${place}: ${shown(got)} is not one of the choices${allowed ? `: ${allowed.join(", ")}` : ""}`,
    "wrong-type": `${place}: ${error.message ?? "has the wrong type"}; got ${shown(got)}`,
    "out-of-range": `${place}: ${error.message ?? "is out of range"}; got ${shown(got)}`,
  };
  return { code, path, got, message: said[code]! };
}

/** Errors that say most first: of a choice between shapes the one that fits deepest, and "none fits" last. */
function ranked(errors: readonly ValidationError[]): ValidationError[] {
  const weight = ({ keyword, instancePath }: ValidationError): number =>
    (keyword === "anyOf" || keyword === "oneOf" ? -100 : 0) + instancePath.split("/").length + (keyword === "type" ? -0.5 : 0);
  return [...errors].sort((a, b) => weight(b) - weight(a));
}

const MOST_PROBLEMS = 20;

type TypeOf<N extends SchemaName> = Static<(typeof SCHEMAS)[N]>;

export interface Checker<Names extends SchemaName> {
  /** The value with its type, or what is wrong with it. Changes nothing. */
  readonly check: <N extends Names>(name: N, value: unknown) => Checked<TypeOf<N>>;
  /** @throws InputError naming the first thing wrong. */
  readonly requireValid: <N extends Names>(name: N, value: unknown) => TypeOf<N>;
}

/** Checks with a set of validators; each consumer has its own set (checkPage, checkJob, checkAll). */
export function makeChecker<Names extends SchemaName>(validators: Readonly<Record<Names, Validator>>): Checker<Names> {
  const check = <N extends Names>(name: N, value: unknown): Checked<TypeOf<N>> => {
    const validate = validators[name];
    if (validate(value)) return { ok: true, value: value as TypeOf<N> };
    const errors = ranked((validate.errors ?? []) as readonly ValidationError[]);
    return { ok: false, problems: errors.slice(0, MOST_PROBLEMS).map((error) => problemOf(error, value)) };
  };
  return {
    check,
    requireValid: (name, value) => {
      const checked = check(name, value);
      if (checked.ok) return checked.value;
      throw new InputError(checked.problems[0]!);
    },
  };
}
