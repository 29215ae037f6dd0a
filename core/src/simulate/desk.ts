/** What whoever runs a computation lends it: a memory of what was computed before, and word that the answer is no longer wanted. */

/** What is remembered, and how many of each: a slide that only tempers asks for one hardening again and again. */
const MOST = { heated: 400, case: 8, members: 24, hardening: 48, advice: 48, quick: 256, picture: 8, station: 40 } as const;
export type Remembered = keyof typeof MOST;

export interface Desk {
  /** What was made under this key before, or makes it now. Whoever reads it changes nothing in it. */
  recall<T>(kind: Remembered, key: string, make: () => T): T;
  /** Called between the parts of a long computation. @throws GivenUp when nobody waits for it any more. */
  letGo(): void;
}

/** The answer is no longer wanted; no fault. */
export class GivenUp extends Error {
  constructor() {
    super("given up");
    this.name = "GivenUp";
  }
}

/** Remembers nothing, never lets go: the command line, a test. */
export const BARE_DESK: Desk = { recall: (_kind, _key, make) => make(), letGo: () => undefined };

/** A desk with a memory; what was not asked for the longest is forgotten first. Same question, same bytes, remembered or not. */
export function makeDesk(isGivenUp: () => boolean = () => false): Desk {
  const memory = new Map<Remembered, Map<string, unknown>>();
  return {
    recall: <T>(kind: Remembered, key: string, make: () => T): T => {
      const kept = memory.get(kind) ?? new Map<string, unknown>();
      memory.set(kind, kept);
      const value = kept.has(key) ? (kept.get(key) as T) : make();
      kept.delete(key);
      kept.set(key, value);
      if (kept.size > MOST[kind]) kept.delete(kept.keys().next().value!);
      return value;
    },
    letGo: () => {
      if (isGivenUp()) throw new GivenUp();
    },
  };
}
