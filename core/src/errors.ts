/** The one way core refuses an input: what, where, what was got, what is allowed. Never a repaired value, never NaN. */

export type InputErrorCode =
  | "invalid-json"
  | "missing"
  | "unknown-property"
  | "wrong-type"
  | "not-a-choice"
  | "out-of-range"
  | "unknown-verb"
  | "unknown-steel"
  | "unknown-medium"
  | "bath-hotter-than-steel"
  | "edge-deeper-than-blade"
  | "wrong-version"
  | "not-a-tembrak-file"
  | "no-evidence"
  | "inconsistent"
  | "unreadable"
  | "too-many";

export interface InputProblem {
  readonly code: InputErrorCode;
  /** JSON pointer to the value at fault, "" for the whole input. */
  readonly path: string;
  readonly got?: unknown;
  readonly allowed?: string;
  /** A clear sentence. Made from the other fields where it is not given. */
  readonly message?: string;
}

/** Text of a value for a message: short, and never a stack or an object dump. */
function shown(value: unknown): string {
  const text = typeof value === "number" ? String(value) : JSON.stringify(value);
  if (text === undefined) return "nothing";
  return text.length > 60 ? `${text.slice(0, 57)}...` : text;
}

/** No sentence is longer: what was typed may be a hundred thousand letters. */
const LONGEST = 600;

function cut(message: string): string {
  return message.length > LONGEST ? `${message.slice(0, LONGEST / 2)} … ${message.slice(-LONGEST / 3)}` : message;
}

/** Meaningless input. Thrown before any use of the value. */
export class InputError extends Error {
  readonly code: InputErrorCode;
  readonly path: string;
  readonly got: unknown;
  readonly allowed: string | undefined;

  constructor({ code, path, got, allowed, message }: InputProblem) {
    const place = path === "" ? "the input" : path;
    super(
      cut(
        message ??
          `${place}: ${code}${got === undefined ? "" : `; got ${shown(got)}`}${allowed === undefined ? "" : `, allowed ${allowed}`}`,
      ),
    );
    this.name = "InputError";
    this.code = code;
    this.path = path;
    this.got = got;
    this.allowed = allowed;
  }
}

/** @throws InputError out-of-range when `value` is not a finite number in low ... high. */
export function requireRange(path: string, value: number, low: number, high: number): void {
  if (!Number.isFinite(value) || value < low || value > high) {
    throw new InputError({ code: "out-of-range", path, got: value, allowed: `${low} … ${high}` });
  }
}
