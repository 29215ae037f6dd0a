/** A result cut down to what a pinned test keeps of it: six digits, and of a long list its length, its ends, its middle and its sums. */

const LONG = 8;
const DIGITS = 6;

function sumsOf(rows: readonly unknown[]): Record<string, unknown> {
  const sums: Record<string, number> = {};
  for (const row of rows) {
    const entries = typeof row === "number" ? [["", row] as const] : Object.entries(row as object);
    for (const [key, value] of entries) if (typeof value === "number") sums[key] = (sums[key] ?? 0) + value;
  }
  return digest(sums) as Record<string, unknown>;
}

export function digest(value: unknown): unknown {
  if (typeof value === "number") return Number.isFinite(value) ? Number(value.toPrecision(DIGITS)) : String(value);
  if (ArrayBuffer.isView(value)) return digest([...(value as Float64Array)]);
  if (value instanceof Map) return digest([...(value as Map<unknown, unknown>)]);
  if (Array.isArray(value)) {
    if (value.length <= LONG) return value.map(digest);
    const middle = value[Math.floor(value.length / 2)] as unknown;
    return { length: value.length, first: digest(value[0]), middle: digest(middle), last: digest(value.at(-1)), sums: sumsOf(value) };
  }
  if (typeof value === "object" && value !== null) {
    return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, digest(inner)]));
  }
  return value;
}

/** Where two digests differ by more than a part in a hundred thousand: other machines round the last digits otherwise. */
export function differences(now: unknown, pinned: unknown, at = ""): string[] {
  if (typeof now === "number" && typeof pinned === "number") {
    return Math.abs(now - pinned) <= 1e-5 * Math.max(1e-3, Math.abs(pinned)) ? [] : [`${at}: ${now}, pinned ${pinned}`];
  }
  if (typeof now === "object" && now !== null && typeof pinned === "object" && pinned !== null) {
    const keys = new Set([...Object.keys(now), ...Object.keys(pinned)]);
    return [...keys].flatMap((key) =>
      differences((now as Record<string, unknown>)[key], (pinned as Record<string, unknown>)[key], `${at}/${key}`),
    );
  }
  return now === pinned ? [] : [`${at}: ${JSON.stringify(now)}, pinned ${JSON.stringify(pinned)}`];
}
